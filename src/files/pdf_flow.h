// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "files/pdf_pages.h"
#include "sheet/paper.h"

namespace avrelt {

/// Words set down page after page from the top, a new page begun where one is full. Sizes and
/// places are in mm on the paper.
class PdfFlow {
 public:
  static constexpr double margin = 15;
  static constexpr double textSize = 3.5;
  static constexpr double smallSize = 2.9;
  static constexpr double headSize = 6;
  static constexpr double titleSize = 4.2;
  static constexpr double lineHeight = 4.7;

  PdfFlow(std::string& bytes, Paper paper, const std::string& title);

  PdfPages& pages() { return pages_; }
  double wide() const { return wide_; }
  double at() const { return at_; }
  void setAt(double at) { at_ = at; }
  /// How wide words may be from the left margin; 0 for up to the right one.
  void narrowTo(double room);
  double room() const { return room_; }

  /// Begins a page where so much has no room on this one any more.
  void turnFor(double needed);
  void head(const std::string& words);
  void title(const std::string& words);
  /// In as many lines as it needs.
  void say(const std::string& words, double size = textSize);
  /// What stands left, and what right, on one line; with a box to tick before it.
  void pair(const std::string& what, const std::string& much, bool box = false);
  void rule();
  void skip(double lines) { at_ += lines * lineHeight; }
  bool finish() { return pages_.finish(); }

 private:
  PdfPages pages_;
  double wide_;
  double tall_;
  double at_ = margin + headSize;
  double room_;
};

}  // namespace avrelt
