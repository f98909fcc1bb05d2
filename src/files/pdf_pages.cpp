// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_pages.h"

#include <algorithm>
#include <sstream>

#include "files/ink.h"
#include "files/picture_file.h"

namespace avrelt {

PdfPages::PdfPages(std::string& bytes, Length wide, Length tall, const std::string& title)
    : canvas_(wide, tall, title), tall_(tall.mm()), bytes_(bytes) {}

double PdfPages::lengthOf(const std::string& words, double size) const {
  return PdfCanvas::lengthOf(words, size);
}

std::vector<std::string> PdfPages::wrapped(const std::string& words, double size,
                                           double most) const {
  std::vector<std::string> lines;
  std::istringstream stream(words);
  std::string line;
  for (std::string word; stream >> word;) {
    std::string longer = line;
    longer.append(line.empty() ? "" : " ").append(word);
    if (!line.empty() && lengthOf(longer, size) > most) {
      lines.push_back(line);
      line = word;
    } else {
      line = std::move(longer);
    }
  }
  if (!line.empty()) lines.push_back(line);
  return lines;
}

std::string PdfPages::fitted(std::string name, double size, double most) const {
  if (lengthOf(name, size) <= most) return name;
  while (!name.empty() && lengthOf(name + "…", size) > most) {
    do {
      const unsigned char last = static_cast<unsigned char>(name.back());
      name.pop_back();
      if ((last & 0xC0U) != 0x80U) break;
    } while (!name.empty());
  }
  return name + "…";
}

namespace {

constexpr double hairline = 0.25;

}  // namespace

Box PdfPages::boxAt(double x, double y, double wide, double tall) const {
  return {{x, tall_ - y - tall}, {x + wide, tall_ - y}};
}

void PdfPages::inkDark(double width) {
  canvas_.ink(rgbOf(ink::edge));
  canvas_.pen(width);
}

void PdfPages::text(const std::string& words, double x, double y, double size) {
  canvas_.ink(rgbOf(ink::edge));
  canvas_.words(words, {x, tall_ - y}, size);
}

void PdfPages::box(double x, double y, double wide, double tall) {
  inkDark(hairline);
  canvas_.add(boxAt(x, y, wide, tall));
  canvas_.stroke();
}

void PdfPages::filled(double x, double y, double wide, double tall) {
  canvas_.ground({0, 0, 0});
  canvas_.add(boxAt(x, y, wide, tall));
  canvas_.fill();
}

void PdfPages::line(double fromX, double fromY, double toX, double toY) {
  inkDark(hairline);
  canvas_.add(Point{fromX, tall_ - fromY}, Point{toX, tall_ - toY});
  canvas_.stroke();
}

void PdfPages::outlines(const Polygon& shape) {
  const Transform down{1, 0, 0, -1, 0, tall_};
  for (const std::vector<Point>& outline : mapped(shape, down)) canvas_.add(outline);
  constexpr int pale = 237;
  inkDark(hairline / 2);
  canvas_.ground({pale, pale, pale});
  canvas_.fillAndStroke();
}

double PdfPages::picture(const std::string& jpeg, double x, double y, double mostWide,
                         double mostTall) {
  const auto head = pictureHead(jpeg);
  if (!head) return 0;
  const double scale = std::min(mostWide / head->wide, mostTall / head->tall);
  const double tall = head->tall * scale;
  return canvas_.jpeg(jpeg, boxAt(x, y, head->wide * scale, tall)) ? tall : 0;
}

void PdfPages::turn() {
  canvas_.turn();
}

bool PdfPages::finish() {
  bytes_ = canvas_.finish();
  return !bytes_.empty();
}

}  // namespace avrelt
