// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/drawing.h"

namespace avrelt {

Covered coveredBy(const DrawnShape& shape) {
  Covered covered;
  if (shape.filled) covered.inside = enclosedBy(shape.lines, shape.evenOdd);
  if (shape.stroke > Length()) {
    covered.line = drawnWide(shape.lines, shape.stroke, {shape.cap, shape.join, shape.mitreLimit});
  }
  if (shape.clip) {
    covered.inside = covered.inside & *shape.clip;
    covered.line = covered.line & *shape.clip;
  }
  return covered;
}

}  // namespace avrelt
