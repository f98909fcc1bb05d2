// SPDX-License-Identifier: GPL-3.0-or-later
#include <CLI/CLI.hpp>
#include <iostream>

#include "files/disk.h"
#include "files/picture_file.h"
#include "measure/length_text.h"
#include "sim/sheet_printer.h"

using namespace avrelt;

namespace {

struct Options {
  std::string file;
  std::string out;
  double dots = 300;
  std::vector<double> margins{0, 0, 0, 0};
  std::vector<double> shift{0, 0};
  double turn = 0;
  double percent = 0;
  bool mirrored = false;
  bool tell = false;
};

int complain(const std::string& words) {
  std::cerr << words << '\n';
  return 2;
}

int run(const Options& options) {
  constexpr std::size_t mostBytes = 512U << 20U;
  auto bytes = readFile(options.file, mostBytes);
  if (!bytes) return complain(inWords(bytes.error(), Unit::mm));
  KeptPicture file;
  file.name = options.file;
  file.bytes = std::move(*bytes);
  const auto print = dotsOf(file);
  if (!print) return complain(inWords(print.error(), Unit::mm));
  sim::PaperFeed feed;
  feed.dotsPerInch = options.dots;
  feed.left = Length::mm(options.margins[0]);
  feed.right = Length::mm(options.margins[1]);
  feed.top = Length::mm(options.margins[2]);
  feed.bottom = Length::mm(options.margins[3]);
  feed.shift = {Length::mm(options.shift[0]), Length::mm(options.shift[1]),
                Angle::degrees(options.turn), options.percent};
  feed.mirrored = options.mirrored;
  constexpr int every = 64;
  const Picture sheet = sim::comesOut(*print, feed, [&](int row) {
    if (options.tell && row % every == 0) {
      std::cout << "{\"row\":" << row << ",\"of\":" << print->tall << "}" << std::endl;
    }
    return true;
  });
  const std::string png = pngOf(sheet, options.dots);
  if (png.empty()) return complain("There is no memory for the sheet.");
  if (const auto fault = writeFile(options.out, png)) return complain(inWords(*fault, Unit::mm));
  return 0;
}

}  // namespace

int main(int argc, char** argv) {
  CLI::App app{
      "A stand-in for a printer: gives back a sheet as it would come out, off by what is asked "
      "for."};
  app.name("avrelt-printer");
  Options options;
  app.add_option("FILE", options.file, "The print, a PNG of the whole sheet")->required();
  app.add_option("--out", options.out, "Where the sheet goes, a PNG")->required();
  app.add_option("--dots", options.dots, "Dots to the inch")->check(CLI::Range(72.0, 600.0));
  app.add_option("--margins", options.margins, "What it cannot print on, mm: left right top bottom")
      ->expected(4)
      ->check(CLI::Range(0.0, 600.0));
  app.add_option("--shift", options.shift, "How far it prints off, mm: right up")
      ->expected(2)
      ->check(CLI::Range(-200.0, 200.0));
  app.add_option("--turn", options.turn, "Turned left about the lower left corner, degrees")
      ->check(CLI::Range(-180.0, 180.0));
  app.add_option("--larger", options.percent, "Printed larger, per cent")
      ->check(CLI::Range(-50.0, 100.0));
  app.add_flag("--mirrored", options.mirrored, "Printed mirrored");
  app.add_flag("--progress", options.tell, "Says how far it is, a line of JSON at a time");
  CLI11_PARSE(app, argc, argv);
  return run(options);
}
