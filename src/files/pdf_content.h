// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "shape/point.h"
#include "shape/transform.h"

namespace avrelt {

/// What a PDF document says of a page and of other things, as text (ISO 32000-1, 7.3 and annex A).
class PdfContent {
 public:
  /// A number to so many decimals, 0 to 6, without zeros that say nothing, and a space. What lies
  /// beyond a thousand million is brought back to it, what is none is 0: readers know no others.
  void number(double value, int decimals = 3);
  void place(Point p);
  void map(const Transform& transform);
  /// Four digits to the base of 16, of the lowest of a number.
  void hex(unsigned value);
  void add(std::string_view words) { text_ += words; }
  /// Ends a line.
  void say(std::string_view words);

  const std::string& text() const { return text_; }
  void clear() { text_.clear(); }

 private:
  void fraction(std::string_view digits, std::size_t zeros);

  std::string text_;
};

}  // namespace avrelt
