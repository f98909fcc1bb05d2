// SPDX-License-Identifier: GPL-3.0-or-later
#include <CLI/CLI.hpp>
#include <iostream>

#include "files/cut_film_json.h"
#include "files/disk.h"
#include "measure/length_text.h"
#include "sim/cutter_socket.h"
#include "sim/film_picture.h"

using namespace avrelt;

namespace {

struct Options {
  std::string file;
  std::string socket;
  std::string out;
  std::string picture;
  std::vector<double> bed{305, 3000};
  double offset = 0;
  double speed = 0;
  double faster = 1;
  bool once = false;
  std::vector<std::string> faults;
};

int complain(const std::string& words) {
  std::cerr << words << '\n';
  return 2;
}

/// "scale=1.02", "mirrored", "slip=100", "short=200", "unplugged=50".
bool take(const std::string& fault, sim::Machine& machine, long& unpluggedAfter) {
  const auto is = fault.find('=');
  const std::string name = fault.substr(0, is);
  if (name == "mirrored" && is == std::string::npos) {
    machine.mirrored = true;
    return true;
  }
  double number = 0;
  if (is == std::string::npos || !CLI::detail::lexical_cast(fault.substr(is + 1), number) ||
      !(number > 0 && number < 1e6)) {
    return false;
  }
  if (name == "scale")
    machine.scale = number;
  else if (name == "slip")
    machine.slipsAfter = Length::mm(number);
  else if (name == "short")
    machine.filmTall = Length::mm(number);
  else if (name == "unplugged")
    unpluggedAfter = static_cast<long>(number);
  else
    return false;
  return true;
}

std::optional<std::string> keep(const Options& options, const CutFilm& film) {
  if (!options.out.empty()) {
    if (const auto fault = writeFile(options.out, cutFilmJson(film) + "\n")) {
      return inWords(*fault, Unit::mm);
    }
  }
  if (!options.picture.empty()) {
    const std::string png =
        sim::filmPicture(film, Length::mm(options.bed[0]), Length::mm(options.bed[1]));
    if (png.empty()) return "There is no memory for the picture.";
    if (const auto fault = writeFile(options.picture, png)) return inWords(*fault, Unit::mm);
  }
  return std::nullopt;
}

int run(const Options& options) {
  sim::Machine machine;
  machine.wide = Length::mm(options.bed[0]);
  machine.tall = Length::mm(options.bed[1]);
  machine.bladeOffset = Length::mm(options.offset);
  machine.perSecond = Length::mm(options.speed);
  machine.faster = options.faster;
  // However the blade stood when film was put in: not as anybody would like it.
  machine.pointsTo = Angle::degrees(205);
  long unpluggedAfter = 0;
  for (const std::string& fault : options.faults) {
    if (!take(fault, machine, unpluggedAfter)) {
      return complain("“" + fault +
                      "” is no fault this stand-in has. Give scale=1.02, mirrored, "
                      "slip=MM, short=MM or unplugged=COMMANDS.");
    }
  }
  if (options.file.empty() == options.socket.empty()) {
    return complain("Give a plotter file, or --socket and a name to wait at.");
  }
  if (!options.socket.empty()) {
    sim::CutterSocket socket{options.socket, machine, options.once, unpluggedAfter, {}, {}};
    socket.ready = [&] { std::cout << "Waiting at " << options.socket << std::endl; };
    socket.cut = [&](const CutFilm& film) {
      std::cout << film.shapes.size() << " shapes cut." << std::endl;
      if (const auto fault = keep(options, film)) complain(*fault);
    };
    const auto fault = socket.serve();
    return fault ? complain(*fault) : 0;
  }
  const auto text = readFile(options.file, 64U << 20U);
  if (!text) return complain(inWords(text.error(), Unit::mm));
  sim::FilmCutter cutter(machine);
  if (unpluggedAfter > 0) {
    // As far as the cable held.
    std::size_t end = 0;
    for (long n = 0; n < unpluggedAfter && end != std::string::npos; ++n) {
      end = text->find(';', end);
      if (end != std::string::npos) ++end;
    }
    cutter.feed(std::string_view(*text).substr(0, end));
  } else {
    cutter.feed(*text);
  }
  const CutFilm film = cutter.finish();
  for (const std::string& words : film.said) std::cerr << words << '\n';
  if (const auto fault = keep(options, film)) return complain(*fault);
  if (options.out.empty() && options.picture.empty()) std::cout << cutFilmJson(film) << '\n';
  return 0;
}

}  // namespace

int main(int argc, char** argv) {
  CLI::App app{
      "A stand-in for a blade cutter: reads a plotter file, from a file or a local socket, cuts\n"
      "simulated film, and tells which closed shapes lie on it.\n\n"
      "Exit code 0 when the file was cut, however badly; 2 when it could not be read or an option\n"
      "was refused."};
  app.name("avrelt-cutter");
  Options options;
  app.add_option("FILE", options.file, "The plotter file");
  app.add_option("--socket", options.socket, "Wait at a local socket of this name instead");
  app.add_flag("--once", options.once, "Leave after one sheet");
  app.add_option("--out", options.out, "Write what was cut as JSON");
  app.add_option("--picture", options.picture, "Write a PNG of the film");
  app.add_option("--bed", options.bed, "Width and length it can cut, mm")
      ->expected(2)
      ->check(CLI::Range(1.0, 100000.0));
  app.add_option("--blade-offset", options.offset, "How far the blade's tip trails, mm")
      ->check(CLI::Range(0.0, 5.0));
  app.add_option("--speed", options.speed,
                 "mm a second, cutting, till the file says another; 0 for at once")
      ->check(CLI::Range(0.0, 2000.0));
  app.add_option("--faster", options.faster, "So many times as fast as a real one")
      ->check(CLI::Range(0.01, 1000.0));
  app.add_option("--fault", options.faults,
                 "What is wrong: scale=1.02, mirrored, slip=MM of cutting, short=MM of film, "
                 "unplugged=COMMANDS");
  CLI11_PARSE(app, argc, argv);
  return run(options);
}
