// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/relief.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <utility>

namespace avrelt {
namespace {

using Span = std::pair<double, double>;

constexpr double shortest = 2;    // mm: what is shorter lets nothing go
constexpr double mostOfIt = 0.6;  // a cut so deep lets both sides go
constexpr int tries = 8;          // to each side of the even place
constexpr int mostTongues = 40;

/// Left and right become down and up, so that columns are rows.
Polygon onItsSide(const Polygon& shape) {
  return mapped(shape, {0, 1, 1, 0, 0, 0});
}

/// The stretches of a column inside a shape that lies on its side, from below.
std::vector<Span> columnOf(const Polygon& onSide, double x) {
  const std::vector<double> cuts = cutsAt(onSide, x);
  std::vector<Span> stretches;
  for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) stretches.emplace_back(cuts[i], cuts[i + 1]);
  return stretches;
}

double lengthOf(const std::vector<Span>& stretches) {
  double sum = 0;
  for (const Span& one : stretches) sum += one.second - one.first;
  return sum;
}

/// What a column would be cut.
struct Column {
  double x = 0;
  double all = 0;
  double off = 0;  ///< from where it is wanted
  std::vector<Span> cuts;

  double cut() const { return lengthOf(cuts); }
  bool deep() const { return cut() >= mostOfIt * all; }
  /// Emptiest first; a little nearer to its place is worth a little less cut.
  bool betterThan(const Column& other) const {
    const double mine = cut() / std::max(all, 1e-9) - 0.02 * off;
    return mine > other.cut() / std::max(other.all, 1e-9) - 0.02 * other.off;
  }
};

/// Cuts of a column: what is free from either end up to the first artwork, to a bridge in the
/// middle where nothing stops them, or to one before an opening. Each begins at the edge and ends
/// inside, so that however many there are, what they cut stays in one piece.
Column columnAt(const Polygon& part, const Polygon& kept, double x, double off) {
  Column column{x, 0, off, {}};
  const std::vector<Span> inside = columnOf(part, x);
  if (inside.empty()) return column;
  column.all = lengthOf(inside);
  const std::vector<Span> blocked = columnOf(kept, x);
  Span below = inside.front();
  Span above = inside.back();
  const double bridge = reliefBridge.mm();
  if (inside.size() > 1) {
    below.second -= bridge;
    above.first += bridge;
  } else if (blocked.empty()) {
    const double middle = (below.first + below.second) / 2;
    below.second = middle - bridge / 2;
    above.first = middle + bridge / 2;
  }
  if (!blocked.empty()) {
    below.second = std::min(below.second, blocked.front().first);
    above.first = std::max(above.first, blocked.back().second);
  }
  for (const Span& cut : {below, above}) {
    if (cut.second - cut.first >= shortest) column.cuts.push_back(cut);
  }
  return column;
}

/// A part cut in to so many tongues.
Relief cutIn(const Polygon& part, const Polygon& kept, int tongues) {
  Relief relief;
  const Box box = boundsOf(part);
  const Polygon onSide = onItsSide(part);
  const double each = box.width() / std::max(tongues, 1);
  double left = box.low.x;
  for (int i = 1; i < tongues; ++i) {
    Column best;
    for (int k = 0; k <= 2 * tries; ++k) {
      // From the middle out, so that of two alike the nearer is taken.
      const int aside = (k + 1) / 2 * (k % 2 == 1 ? 1 : -1);
      const double off = 0.4 * aside / tries;
      const Column here = columnAt(onSide, kept, box.low.x + each * (i + off), std::abs(off));
      if (best.all == 0 || here.betterThan(best)) best = here;
    }
    for (const Span& cut : best.cuts) {
      const Point low{best.x, cut.first};
      const Point high{best.x, cut.second};
      // From an edge of the part inwards, whichever end lies on one.
      const bool fromAbove = cut.first > (box.low.y + box.high.y) / 2;
      relief.cuts.push_back(fromAbove ? ReliefCut{high, low} : ReliefCut{low, high});
    }
    if (!best.deep()) continue;
    relief.tongue = std::max(relief.tongue, Length::mm(best.x - left));
    left = best.x;
  }
  relief.tongue = std::max(relief.tongue, Length::mm(box.high.x - left));
  return relief;
}

}  // namespace

Relief reliefOf(const Polygon& shape, const Polygon& artwork, Length widest) {
  Relief relief;
  const Polygon kept = onItsSide(offsetBy(artwork, reliefOff, Corners::round));
  for (const Polygon& part : partsOf(shape)) {
    const double most = std::max(widest.mm(), 1e-3);
    const double wide = boundsOf(part).width();
    const int least =
        static_cast<int>(std::min<double>(mostTongues, std::ceil(wide / most - 1e-9)));
    // As cuts are led through what is empty, evenly spread ones may not be enough.
    Relief best;
    for (int tongues = least; tongues <= std::min(2 * least, mostTongues); ++tongues) {
      Relief here = cutIn(part, kept, tongues);
      if (tongues == least || here.tongue < best.tongue) best = std::move(here);
      if (best.tongue.mm() <= most + 1e-9) break;
    }
    relief.tongue = std::max(relief.tongue, best.tongue);
    std::move(best.cuts.begin(), best.cuts.end(), std::back_inserter(relief.cuts));
  }
  return relief;
}

}  // namespace avrelt
