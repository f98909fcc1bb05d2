// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "files/pdf_canvas.h"
#include "shape/polygon.h"

namespace avrelt {

/// Pages of words in the shipped face, in mm from the upper left, written to `bytes` when all is
/// drawn.
class PdfPages {
 public:
  PdfPages(std::string& bytes, Length wide, Length tall, const std::string& title);

  double lengthOf(const std::string& words, double size) const;
  /// In lines no longer than `most`, but for words that are.
  std::vector<std::string> wrapped(const std::string& words, double size, double most) const;
  /// As much of a name as there is room for; no letter is parted.
  std::string fitted(std::string name, double size, double most) const;
  void text(const std::string& words, double x, double y, double size);
  void box(double x, double y, double wide, double tall);
  void filled(double x, double y, double wide, double tall);
  void line(double fromX, double fromY, double toX, double toY);
  /// A shape's outlines, on a pale ground.
  void outlines(const Polygon& shape);
  /// A JPEG file's picture, as large as it fits, from the upper left; how tall it came out, 0 where
  /// it is none.
  double picture(const std::string& jpeg, double x, double y, double mostWide, double mostTall);
  void turn();
  /// Whether it could be written; nothing more can be drawn.
  bool finish();

 private:
  Box boxAt(double x, double y, double wide, double tall) const;
  void inkDark(double width);

  PdfCanvas canvas_;
  double tall_;
  std::string& bytes_;
};

}  // namespace avrelt
