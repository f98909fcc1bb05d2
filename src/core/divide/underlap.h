// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include "divide/divide.h"

namespace avrelt {

/// A line at a zone's edge, and the zones on its other side.
struct EdgeLine {
  const DivideLine* line;
  std::vector<std::size_t> beyond;  ///< among the zones; none where both sides are the zone's own
};
std::vector<EdgeLine> edgeLinesOf(const Zone& zone, const Divided& divided);

/// How far a finish wants film to go at a line: as said for that line, or for all.
struct EdgeRule {
  FilmEdge edge;
  Length by;
};
EdgeRule edgeRule(const Finish& finish, const DivideLine& line);

/// A zone grown over lines at its edge, by so much for each line, square to the line as it runs
/// over the body: film that lies under the stripes there. On
/// a taper a hundredth of it more at most. A line that gives 0 stays the exact edge: what lies
/// nearest to it is not covered; a corner where it meets one that gives more belongs to that one.
Region grownOver(const Zone& zone, const Divided& divided, const Body& body,
                 const std::function<Length(const DivideLine&)>& by);

}  // namespace avrelt
