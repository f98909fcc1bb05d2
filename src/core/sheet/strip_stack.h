// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "measure/angle.h"
#include "measure/length.h"
#include "shape/point.h"
#include "sheet/part.h"

namespace avrelt {

/// A part that is a rectangle and nothing else: what can share its long sides with another.
struct Strip {
  Length length;
  Length width;  ///< no more than the length
  Point corner;  ///< mm, the lower left where its length runs to the right
  Angle along;   ///< from there its length runs so
};

/// What of a part is a strip: four corners, all square within a thousandth of a millimetre, nothing
/// left out of it nor beside it, and not printed first, since print goes beyond the cut.
std::optional<Strip> stripOf(const Part& part);

/// How two strips have to agree to be stacked: their lengths within this, cut as the longest.
inline constexpr Length stripsAgree = Length::mm(0.002);

/// One of several strips that are cut edge to edge.
struct StackedStrip {
  const Part* part = nullptr;
  Angle turn{};  ///< to the left about the part's origin, then moved, to lie in the stack
  Point at{};    ///< mm
};

/// Strips edge to edge: one part to lay and to cut, a cut between each two.
struct StripStack {
  Part part;
  std::vector<StackedStrip> strips;  ///< from below
};

/// Puts strips of one length on each other, in their order. Those that may be turned freely lie
/// along the x axis; others keep their direction, or are turned by half where they may. Every part
/// has to be a strip.
StripStack stackOf(const std::vector<const Part*>& parts, MayTurn mayTurn);

/// Which strips, by their widths, go into which stack: the widest first, each into the first stack
/// that has room for it, none taller than `most`.
std::vector<std::vector<std::size_t>> stacksFor(const std::vector<Length>& widths, Length most);

}  // namespace avrelt
