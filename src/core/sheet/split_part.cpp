// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/split_part.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "shape/polygon.h"
#include "sheet/fitting_turn.h"
#include "sheet/template_sheet.h"

namespace avrelt {
namespace {

constexpr Length splitWithin = Length::mm(0.005);
constexpr std::size_t mostPieces = 40;
/// Pieces keep so much from the limit, for what the raster takes that they are laid on.
constexpr double spare = 1.2;
constexpr int splitTurns = 24;
constexpr double precision = 0.2;
/// Joins keep so far from the front where they can.
constexpr double offFront = 40;

Polygon shapeOf(const Part& part) {
  Polygon shape{flattened(part.outline, splitWithin)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, splitWithin));
  }
  return shape;
}

/// What of a line, or of a shape, lies on one side: where x is at most so much once it is turned
/// back, or at least.
struct Side {
  Angle turn;
  double x = 0;
  bool below = true;
};

Polygon on(const Side& side, const Polygon& shape) {
  const Polygon level = mapped(shape, turning(side.turn * -1));
  const Box box = boundsOf(level);
  const double from = side.below ? box.low.x - 1 : side.x;
  const double to = side.below ? side.x : box.high.x + 1;
  if (from >= to) return {};
  const double low = box.low.y - 1;
  const double high = box.high.y + 1;
  return mapped(level & Polygon{{{from, low}, {to, low}, {to, high}, {from, high}}},
                turning(side.turn));
}

std::vector<std::vector<Point>> on(const Side& side, const std::vector<Point>& whole) {
  const Transform level = turning(side.turn * -1);
  const Transform back = turning(side.turn);
  const double from = side.below ? -1e9 : side.x;
  const double to = side.below ? side.x : 1e9;
  std::vector<Point> line = whole;
  for (Point& p : line) p = level(p);
  std::vector<std::vector<Point>> runs;
  std::vector<Point> run;
  const auto end = [&] {
    if (run.size() > 1) runs.push_back(run);
    run.clear();
  };
  for (std::size_t i = 0; i + 1 < line.size(); ++i) {
    Point a = line[i];
    Point b = line[i + 1];
    double low = 0;
    double high = 1;
    const double along = b.x - a.x;
    if (std::abs(along) < 1e-12) {
      if (a.x < from || a.x > to) high = -1;
    } else {
      const double p = (from - a.x) / along;
      const double q = (to - a.x) / along;
      low = std::max(low, std::min(p, q));
      high = std::min(high, std::max(p, q));
    }
    if (low >= high) {
      end();
      continue;
    }
    if (low > 0 || run.empty()) {
      end();
      run.push_back(a + (b - a) * low);
    }
    run.push_back(a + (b - a) * high);
    if (high < 1) end();
  }
  end();
  for (std::vector<Point>& one : runs) {
    for (Point& p : one) p = back(p);
  }
  return runs;
}

Path pathOf(const std::vector<Point>& line) {
  Path path{line.front(), {}};
  for (std::size_t i = 1; i < line.size(); ++i) path.lineTo(line[i]);
  return path;
}

/// Where the front is marked on a part, if it is.
std::optional<Point> frontOf(const Part& part) {
  for (const Guide& guide : part.guides) {
    if (guide.kind == GuideKind::front) return boundsOf(guide.path).centre();
  }
  return std::nullopt;
}

/// A sheet that a piece has to fit, and how it may be turned for it.
struct SplitRoom {
  double wide = 0;
  double tall = 0;
  bool mayTurn = true;

  bool holds(const Polygon& shape) const {
    return turnToFit(shape, Length::mm(wide), Length::mm(tall), mayTurn).has_value();
  }
};

/// The largest piece that can be cut off straight across: on which side of which line.
std::optional<Side> largestOff(const Polygon& shape, const SplitRoom& room,
                               const std::optional<Point>& front, double lap) {
  std::optional<Side> best;
  double most = 0;
  const int turns = room.mayTurn ? splitTurns : 4;
  for (int i = 0; i < turns; ++i) {
    Side side{Angle::turn() * (static_cast<double>(i) / turns)};
    const Transform level = turning(side.turn * -1);
    const Box box = boundsOf(mapped(shape, level));
    double fits = box.low.x + 2 * lap;
    side.x = fits;
    if (fits >= box.high.x || !room.holds(on(side, shape))) continue;
    double beyond = box.high.x;
    while (beyond - fits > precision) {
      side.x = (fits + beyond) / 2;
      (room.holds(on(side, shape)) ? fits : beyond) = side.x;
    }
    side.x = fits;
    // Off the front, where that leaves a piece worth its name.
    if (front) {
      const double there = level(*front).x;
      const double least = box.low.x + 3 * lap;
      if (std::abs(side.x - there) < offFront && there - offFront > least) {
        side.x = there - offFront;
      }
    }
    const double area = signedArea(on({side.turn, side.x - lap}, shape));
    if (area <= most) continue;
    most = area;
    best = side;
  }
  return best;
}

}  // namespace

std::optional<Angle> turnToFit(const Polygon& shape, Length wide, Length tall, bool mayTurn) {
  const int turns = mayTurn ? splitTurns : 1;
  for (int i = 0; i < turns; ++i) {
    const Angle turn = Angle::halfTurn() * (static_cast<double>(i) / splitTurns);
    const Box box = boundsOf(mapped(shape, turning(turn)));
    if (box.width() <= wide.mm() && box.height() <= tall.mm()) return turn;
  }
  return mayTurn ? fittingTurn(shape, wide, tall) : std::nullopt;
}

std::vector<Part> splitToFit(const Part& part, Length wide, Length tall, Length lap) {
  const Polygon whole = shapeOf(part);
  const SplitRoom room{wide.mm() - spare, tall.mm() - spare, part.mayTurn == MayTurn::any};
  if (room.wide <= 0 || room.tall <= 0 || whole.empty() || room.holds(whole)) return {};
  const std::optional<Point> front = frontOf(part);
  std::vector<std::vector<Side>> cuts;  // of each piece, by which it is what it is
  struct Edge {
    std::size_t of = 0;  ///< the piece whose edge it is
    Path path;
  };
  std::vector<Edge> edges;
  std::vector<Side> rest;
  Polygon left = whole;
  while (!room.holds(left)) {
    if (cuts.size() + 1 >= mostPieces) return {};
    const std::optional<Side> side = largestOff(left, room, front, lap.mm());
    if (!side) return {};
    cuts.push_back(rest);
    cuts.back().push_back(*side);
    // Where this one's edge comes to lie on what is left.
    const Transform level = turning(side->turn * -1);
    const std::vector<double> rows =
        cutsAt(mapped(mapped(left, level), {0, 1, 1, 0, 0, 0}), side->x);
    for (std::size_t k = 0; k + 1 < rows.size(); k += 2) {
      const Transform back = turning(side->turn);
      edges.push_back(
          {cuts.size() - 1, pathOf({back({side->x, rows[k]}), back({side->x, rows[k + 1]})})});
    }
    rest.push_back({side->turn, side->x - lap.mm(), false});
    left = on(rest.back(), left);
  }
  cuts.push_back(rest);

  std::vector<Part> pieces;
  const auto count = static_cast<long>(cuts.size());
  for (long i = 0; i < count; ++i) {
    const std::vector<Side>& sides = cuts[static_cast<std::size_t>(i)];
    Polygon shape = whole;
    for (const Side& side : sides) shape = on(side, shape);
    Part piece = part;
    piece.id += "-piece-" + std::to_string(i + 1);
    piece.outline = {};
    piece.more.clear();
    piece.holes.clear();
    piece.slits.clear();
    piece.guides.clear();
    piece.letterings.clear();
    for (const std::vector<Point>& outline : shape) {
      const Path path = closedPath(outline);
      if (signedArea(outline) < 0) {
        piece.holes.push_back(path);
      } else if (piece.outline.stretches.empty()) {
        piece.outline = path;
      } else {
        piece.more.push_back(path);
      }
    }
    const auto linesOf = [&](const Path& path) {
      std::vector<Point> line = flattened(path, splitWithin);
      if (path.closed() && !line.empty()) line.push_back(line.front());
      std::vector<std::vector<Point>> runs{line};
      for (const Side& side : sides) {
        std::vector<std::vector<Point>> inside;
        for (const std::vector<Point>& run : runs) {
          for (std::vector<Point>& one : on(side, run)) inside.push_back(std::move(one));
        }
        runs = std::move(inside);
      }
      return runs;
    };
    for (const Path& slit : part.slits) {
      for (const std::vector<Point>& run : linesOf(slit)) piece.slits.push_back(pathOf(run));
    }
    for (const Guide& guide : part.guides) {
      for (const std::vector<Point>& run : linesOf(guide.path)) {
        piece.guides.push_back({guide.kind, pathOf(run)});
      }
    }
    for (const Edge& edge : edges) {
      if (edge.of >= static_cast<std::size_t>(i)) continue;
      for (const std::vector<Point>& run : linesOf(edge.path)) {
        piece.guides.push_back({GuideKind::trim, pathOf(run)});
      }
    }
    for (const Lettering& lettering : part.letterings) {
      if (contains(shape, lettering.at)) piece.letterings.push_back(lettering);
    }
    const Box box = boundsOf(shape);
    const double height = std::min({6.0, box.width() / 8, box.height() / 4});
    piece.letterings.push_back(
        {centroidOf(shape), Length::mm(height), Angle(), {"%1 of %2", {i + 1, count}}});
    pieces.push_back(std::move(piece));
  }
  return pieces;
}

}  // namespace avrelt
