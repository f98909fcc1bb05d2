// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include "cup/blank.h"
#include "cup/body.h"
#include "cup/gore.h"
#include "cup/laying.h"
#include "cup/ring_fit.h"
#include "cup/wrap.h"
#include "divide/picture_lie.h"
#include "divide/region.h"
#include "sheet/part.h"

namespace avrelt {

/// How a place on the wall comes onto a part.
using WallToPart = std::function<Point(WallPoint)>;
/// A line of the wall on a part, closed or not: no side lies farther than half the tolerance of
/// curves from where it runs.
Path onPart(const WallLine& line, const WallToPart& place, bool closed = true);

/// One part and the way from the cup's wall onto it.
struct Draft {
  Part part;
  Length low;   ///< up the cup's wall
  Length high;  ///< up the cup's wall
  CupAngle middle;
  Angle half;  ///< to either side of the middle
  std::function<Point(Angle fromMiddle, Length s)> place;

  Length height() const { return high - low; }
  /// Which way words run at an angle from the middle: along the ring.
  Angle turnAt(Angle fromMiddle, Length s) const {
    const Angle a = Angle::radians(1e-3);
    const Point step = place(fromMiddle + a, s) - place(fromMiddle - a, s);
    return Angle::radians(std::atan2(step.y, step.x));
  }
  Path upright(Angle fromMiddle, Length from, Length to) const {
    // A straight line on a cone; a gore's leans with the wall.
    Path path{place(fromMiddle, from), {}};
    const int parts = bent ? std::max(1, static_cast<int>((to - from).mm() / 3)) : 1;
    for (int i = 1; i <= parts; ++i) {
      path.lineTo(place(fromMiddle, from + (to - from) * (static_cast<double>(i) / parts)));
    }
    return path;
  }
  /// A line of the wall on the part, closed or not, θ as the part's middle stands at `middle`: no
  /// side lies farther than half the tolerance of curves from where it runs.
  Path edge(const WallLine& line, Angle middle, bool closed = true) const;
  bool bent = false;
  /// Of a ring sector: how it lies on its own cone, and where that begins up the cup's wall.
  std::optional<WrapLayout> layout;
  Length wallLow;
};

/// Words across the part in its middle, at a share of its height; false where they would be
/// unreadable.
bool letterAcross(Draft& draft, double share, double widthShare, Length tallest,
                  std::size_t characters, Sentence words);
/// A bar of known length low on the part, in the middle, where the part has room for it.
void addScaleBar(Draft& draft, Unit unit);
/// Ticks at both ends for the four directions, the front's the longest: enough to line up by, and
/// out of a pattern's way.
void addDirections(Draft& draft, CupAngle seamAt);
/// The edge of each place to keep clear of, as far as it lies on this part.
void addFeatures(Draft& draft, const std::vector<Feature>& features);
/// A draft of a part that is a ring sector on its own cone. `wallLow` is where the cone's own s
/// begins on the cup's wall.
Draft onRing(const WrapLayout& layout, Length wallLow);
/// The same for a fitted ring: on its own cone from its lower edge, plus what hangs over.
Draft onFit(const RingFit& fit, Length overlap, CupAngle seamAt, Length overhang);
/// Cuts the free edge under the base in triangles, so that it folds: those that lie between two
/// angles of the draft's own.
void snip(Draft& draft, const Body& body, Length overhang, Angle from = -Angle::halfTurn(),
          Angle to = Angle::halfTurn());
/// Slits from one edge of the draft, those that lie between two of its angles.
void slit(Draft& draft, const SlitRow& row, Angle from = -Angle::halfTurn(),
          Angle to = Angle::halfTurn());
/// "2" in a ring's place: the number of a join, at an edge of the part.
void numberJoin(Draft& draft, Angle theta, Length s, long number);
/// What is printed on the draft's part, between two angles as its middle stands at `middle`, and as
/// far round it as a print may be asked for.
void printOn(Draft& draft, const PictureLie& lie, Angle left, Angle right, Angle middle);
Draft onGore(const Gore& gore, CupAngle seamAt, int index);

}  // namespace avrelt
