// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// Pages of words in the shipped face, in mm from the upper left, written to `bytes`.
class PdfPages {
 public:
  PdfPages(std::string& bytes, Length wide, Length tall, const std::string& title);
  PdfPages(const PdfPages&) = delete;
  PdfPages& operator=(const PdfPages&) = delete;
  ~PdfPages();

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
  /// Whether all of it was written; nothing more can be.
  bool finish();

 private:
  struct Drawing;
  std::unique_ptr<Drawing> drawing_;
};

}  // namespace avrelt
