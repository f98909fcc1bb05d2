// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace avrelt {

/// How what is drawn out goes round a corner.
enum class Corners { round, sharp };

/// How a drawn line ends, and how it goes round its corners.
enum class LineCap { flat, round, square };
enum class LineJoin { mitre, round, bevel };

struct LineStyle {
  LineCap cap = LineCap::flat;
  LineJoin join = LineJoin::mitre;
  double mitreLimit = 4;  ///< beyond so many half widths a mitre is cut off
};

}  // namespace avrelt
