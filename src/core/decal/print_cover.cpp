// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/print_cover.h"

#include <algorithm>
#include <cmath>
#include <tuple>
#include <utility>

namespace avrelt {
namespace {

constexpr double finest = 0.25;        // mm
constexpr double mostCells = 600'000;  // over the shape's box
constexpr std::size_t mostSearched = 2500;
constexpr double white = 250;

double cellOf(const Box& box) {
  return std::max(finest, std::sqrt(box.width() * box.height() / mostCells));
}

/// A shape in cells, by their middles.
struct Cells {
  double cell = finest;
  Point corner;  ///< lower left
  int wide = 0;
  int tall = 0;
  std::vector<std::vector<std::pair<int, int>>> rows;  ///< from the foot up

  Cells(const Polygon& shape, double side) : cell(side) {
    const Box box = boundsOf(shape);
    corner = box.low;
    wide = static_cast<int>(std::ceil(box.width() / cell)) + 1;
    tall = static_cast<int>(std::ceil(box.height() / cell)) + 1;
    const Polygon inCells =
        mapped(shape, {1 / cell, 0, 0, 1 / cell, -corner.x / cell, -corner.y / cell});
    for (int row = 0; row < tall; ++row) rows.push_back(dotsOfRow(inCells, row, wide));
  }

  Point middleOf(int x, int y) const { return corner + Point{x + 0.5, y + 0.5} * cell; }
  std::size_t indexOf(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(wide) +
           static_cast<std::size_t>(x);
  }
};

/// Where a picture prints nothing.
class Bareness {
 public:
  Bareness(const PictureSizes& dots, bool tiled) : dots_(dots), tiled_(tiled) {}

  bool operator()(Point on, double dotsPerCell) const {
    if (tiled_) on = {on.x - std::floor(on.x), on.y - std::floor(on.y)};
    const PictureSizes::Dot dot = dots_.at(on, dotsPerCell);
    if (dot.opacity < 127.5) return true;
    return dot.red >= white && dot.green >= white && dot.blue >= white;
  }

 private:
  const PictureSizes& dots_;
  bool tiled_;
};

double dotsPerCell(const LayerPrint& print, const PictureSizes& dots, double cell) {
  return dots.wide() * cell / print.wide.length.mm();
}

/// Cells of `bare` that hang together, found from one of them; takes them off it.
std::vector<std::pair<int, int>> spotFrom(std::vector<char>& bare, const Cells& cells, int x,
                                          int y) {
  std::vector<std::pair<int, int>> spot{{x, y}};
  bare[cells.indexOf(x, y)] = 0;
  for (std::size_t i = 0; i < spot.size(); ++i) {
    const auto [u, v] = spot[i];
    for (const auto& [du, dv] : {std::pair(1, 0), {-1, 0}, {0, 1}, {0, -1}}) {
      const int a = u + du;
      const int b = v + dv;
      if (a < 0 || b < 0 || a >= cells.wide || b >= cells.tall) continue;
      char& there = bare[cells.indexOf(a, b)];
      if (there == 0) continue;
      there = 0;
      spot.emplace_back(a, b);
    }
  }
  return spot;
}

/// Cells as a shape: what lies beside each other in a row as one, the rows together.
Polygon shapeOf(std::vector<std::pair<int, int>> spot, const Cells& cells) {
  std::sort(spot.begin(), spot.end(), [](const auto& a, const auto& b) {
    return std::tie(a.second, a.first) < std::tie(b.second, b.first);
  });
  std::vector<Polygon> runs;
  for (std::size_t i = 0; i < spot.size();) {
    std::size_t end = i + 1;
    while (end < spot.size() && spot[end].second == spot[i].second &&
           spot[end].first == spot[end - 1].first + 1) {
      ++end;
    }
    const Point low = cells.corner + Point{1.0 * spot[i].first, 1.0 * spot[i].second} * cells.cell;
    const Point high =
        cells.corner + Point{spot[end - 1].first + 1.0, spot[i].second + 1.0} * cells.cell;
    runs.push_back({{low, {high.x, low.y}, high, {low.x, high.y}}});
    i = end;
  }
  return unionOf(runs);
}

/// The middles of a shape's cells, so coarse that there are not too many.
std::vector<Point> middlesOf(const Polygon& shape, std::size_t most) {
  const double area = std::max(signedArea(shape), 1e-6);
  double side = std::max(finest, std::sqrt(area / static_cast<double>(most)));
  side = std::max(side, cellOf(boundsOf(shape)));
  const Cells cells(shape, side);
  std::vector<Point> middles;
  for (int y = 0; y < cells.tall; ++y) {
    for (const auto& [from, to] : cells.rows[static_cast<std::size_t>(y)]) {
      for (int x = from; x < to; ++x) middles.push_back(cells.middleOf(x, y));
    }
  }
  return middles;
}

/// How many of the places are bare.
std::size_t bareAmong(const std::vector<Point>& places, const LayerPrint& print,
                      const PictureSizes& dots) {
  const Bareness bare(dots, print.tiled);
  const double scale = dotsPerCell(print, dots, finest);
  return static_cast<std::size_t>(std::count_if(
      places.begin(), places.end(), [&](Point p) { return bare(onPicture(print, p), scale); }));
}

LayerPrint moved(LayerPrint print, Point by) {
  const auto add = [](WrittenLength& to, double mm) {
    if (mm == 0) return;
    to = WrittenLength{to.length + Length::mm(mm), {}};
  };
  add(print.right, by.x);
  add(print.up, by.y);
  return print;
}

}  // namespace

std::vector<Polygon> printedShapes(const SetPlan& plan, std::size_t layer) {
  std::vector<Polygon> shapes;
  std::vector<const SetShape*> seen;
  for (const SetMake& make : plan.makes) {
    if (std::find(seen.begin(), seen.end(), make.made.get()) != seen.end()) continue;
    seen.push_back(make.made.get());
    shapes.push_back(mapped(make.layers[layer].shape, inverseOf(make.fromSet)));
  }
  return shapes;
}

PrintCover coverOf(const Polygon& shape, const LayerPrint& print, const PictureSizes& dots) {
  PrintCover cover;
  if (shape.empty() || !print.picture) return cover;
  const Cells cells(shape, cellOf(boundsOf(shape)));
  std::vector<char> bare(static_cast<std::size_t>(cells.wide) *
                         static_cast<std::size_t>(cells.tall));
  const Bareness isBare(dots, print.tiled);
  const double scale = dotsPerCell(print, dots, cells.cell);
  for (int y = 0; y < cells.tall; ++y) {
    for (const auto& [from, to] : cells.rows[static_cast<std::size_t>(y)]) {
      for (int x = from; x < to; ++x) {
        bare[cells.indexOf(x, y)] = isBare(onPicture(print, cells.middleOf(x, y)), scale) ? 1 : 0;
      }
    }
  }
  const double each = cells.cell * cells.cell;
  for (int y = 0; y < cells.tall; ++y) {
    for (int x = 0; x < cells.wide; ++x) {
      if (bare[cells.indexOf(x, y)] == 0) continue;
      std::vector<std::pair<int, int>> found = spotFrom(bare, cells, x, y);
      BareSpot spot;
      spot.area = Area::mm2(each * static_cast<double>(found.size()));
      if (spot.area < leastSpot) continue;
      for (const auto& [u, v] : found) spot.middle = spot.middle + cells.middleOf(u, v);
      spot.middle = spot.middle * (1.0 / static_cast<double>(found.size()));
      spot.shape = shapeOf(std::move(found), cells);
      cover.bare = cover.bare + spot.area;
      cover.spots.push_back(std::move(spot));
    }
  }
  std::stable_sort(cover.spots.begin(), cover.spots.end(),
                   [](const BareSpot& a, const BareSpot& b) { return a.area > b.area; });
  cover.share = std::min(1.0, cover.bare.mm2() / std::max(signedArea(shape), 1e-9));
  return cover;
}

std::optional<CoverOffer> movedToCover(const Polygon& shape, const LayerPrint& print,
                                       const PictureSizes& dots) {
  if (shape.empty() || !print.picture || !faultsOf(print).empty()) return std::nullopt;
  const std::vector<Point> coarse = middlesOf(shape, mostSearched);
  const std::vector<Point> fine = middlesOf(shape, 12 * mostSearched);
  const double wide = print.wide.length.mm();
  const double tall = tallOf(print).mm();
  struct Try {
    std::size_t bare = 0;
    double away = 0;
    Point by;
    bool operator<(const Try& other) const {
      return std::tie(bare, away) < std::tie(other.bare, other.away);
    }
  };
  const auto tried = [&](const std::vector<Point>& places, Point by) {
    return Try{bareAmong(places, moved(print, by), dots), norm(by), by};
  };
  // All moves of a coarse net, turned as the picture lies; then the best of them on finer ones.
  constexpr int net = 20;
  std::vector<Try> best;
  for (int i = -net; i <= net; ++i) {
    for (int k = -net; k <= net; ++k) {
      const Point by = turning(print.turn)({wide / 2 * i / net, tall / 2 * k / net});
      best.push_back(tried(coarse, by));
    }
  }
  std::stable_sort(best.begin(), best.end());
  best.resize(std::min<std::size_t>(best.size(), 8));
  Try found = tried(fine, {});
  for (const Try& start : best) {
    Try here = tried(fine, start.by);
    for (double step = std::max(wide, tall) / 2 / net; step > 0.05; step /= 2) {
      for (bool better = true; better;) {
        better = false;
        for (const Point way : {Point{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
          // Not farther than half a picture: beyond, it would be the next one.
          const Point by = here.by + way * step;
          const Point off = turning(-print.turn)(by);
          if (std::abs(off.x) > wide / 2 || std::abs(off.y) > tall / 2) continue;
          const Try next = tried(fine, by);
          if (!(next < here)) continue;
          here = next;
          better = true;
        }
      }
    }
    found = std::min(found, here);
  }
  if (found.away == 0) return std::nullopt;
  CoverOffer offer{moved(print, found.by), {}};
  offer.cover = coverOf(shape, offer.print, dots);
  if (offer.cover.bare >= coverOf(shape, print, dots).bare) return std::nullopt;
  return offer;
}

std::optional<CoverOffer> grownToCover(const Polygon& shape, const LayerPrint& print,
                                       const PictureSizes& dots) {
  if (shape.empty() || !print.picture || !faultsOf(print).empty()) return std::nullopt;
  const std::vector<Point> places = middlesOf(shape, 4 * mostSearched);
  constexpr double most = 3;
  for (double larger = 1.01; larger <= most; larger += 0.01) {
    CoverOffer offer{print, {}};
    offer.print.wide = WrittenLength{print.wide.length * larger, {}};
    if (!faultsOf(offer.print).empty()) break;
    // A few places at edges may be smaller than any spot.
    if (bareAmong(places, offer.print, dots) * 50 > places.size()) continue;
    offer.cover = coverOf(shape, offer.print, dots);
    if (offer.cover.spots.empty()) return offer;
  }
  return std::nullopt;
}

}  // namespace avrelt
