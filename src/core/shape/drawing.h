// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "measure/sentence.h"
#include "shape/polygon.h"

namespace avrelt {

/// One shape of a drawing as somebody drew it, in mm, y up.
struct DrawnShape {
  std::vector<Polyline> lines;
  bool filled = false;
  bool evenOdd = false;
  Length stroke;     ///< width of its line; 0 for none
  std::string name;  ///< its id in the drawing, or which it is
  std::string fillColour = "#000000";
  std::string lineColour = "#000000";
  LineCap cap = LineCap::flat;
  LineJoin join = LineJoin::mitre;
  double mitreLimit = 4;  ///< beyond so many half widths a mitre is cut off
  /// What of it is seen; nothing for all of it.
  std::shared_ptr<const Polygon> clip{};
};

/// What a shape covers: inside and line, within its clip. Of one that is filled in one colour and
/// drawn round in another, `inside` and `line` each.
struct Covered {
  Polygon inside;
  Polygon line;
};
Covered coveredBy(const DrawnShape& shape);

/// Line art from outside: its page from (0, 0) to (wide, tall), and what is drawn on it, the
/// undermost first.
struct Drawing {
  std::string name;
  Length wide;
  Length tall;
  std::vector<DrawnShape> shapes;
  std::vector<Sentence> notes;  ///< what was left out, and why
};

}  // namespace avrelt
