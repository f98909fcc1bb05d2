// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/lattice.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>
#include <utility>

#include "shape/evenly.h"
#include "shape/polygon.h"
#include "shape/slide.h"
#include "shape/transform.h"

namespace avrelt {
namespace {

using Outline = std::vector<Point>;
constexpr double nothingBelow = -std::numeric_limits<double>::infinity();
/// What the grid of a slide's edge may be off, and the lattice keeps to spare, mm.
constexpr double spared = 0.001;

/// What a copy must keep clear of: outside of all these outlines its origin may stand.
using Barred = std::vector<Outline>;

/// How high outlines reach above a direction, at every so many places along it.
class Heights {
 public:
  Heights(const Barred& barred, Point along, int divisions)
      : length_(norm(along)),
        unit_(along * (1 / length_)),
        step_(length_ / divisions),
        divisions_(divisions) {
    double low = 0;
    double high = 0;
    for (const Outline& outline : barred) {
      for (const Point& p : outline) {
        low = std::min(low, dot(p, unit_));
        high = std::max(high, dot(p, unit_));
      }
    }
    first_ = static_cast<int>(std::ceil(low / step_));
    const int last = static_cast<int>(std::floor(high / step_));
    tops_.assign(static_cast<std::size_t>(std::max(last - first_ + 1, 1)), nothingBelow);
    for (const Outline& outline : barred) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        add(outline[i], outline[(i + 1) % outline.size()]);
      }
    }
  }

  /// The least rise of a row that is shifted somewhere along, and that shift; the row's copies keep
  /// clear of this one and of all those along.
  std::pair<double, double> leastRise() const {
    std::pair<double, double> least{std::numeric_limits<double>::infinity(), 0};
    for (int j = 0; j < divisions_; ++j) {
      double top = nothingBelow;
      // Every copy along, at this place of its own.
      for (int k = j; k < first_ + static_cast<int>(tops_.size()); k += divisions_)
        top = at(k, top);
      for (int k = j - divisions_; k >= first_; k -= divisions_) top = at(k, top);
      if (top > nothingBelow && top < least.first) least = {top, j * step_};
    }
    return least;
  }

 private:
  double at(int place, double top) const {
    const int index = place - first_;
    if (index < 0 || index >= static_cast<int>(tops_.size())) return top;
    return std::max(top, tops_[static_cast<std::size_t>(index)]);
  }

  void add(Point a, Point b) {
    double ax = dot(a, unit_);
    double bx = dot(b, unit_);
    double ay = cross(unit_, a);
    double by = cross(unit_, b);
    if (ax > bx) {
      std::swap(ax, bx);
      std::swap(ay, by);
    }
    const int from = static_cast<int>(std::ceil(ax / step_ - 1e-9));
    const int to = static_cast<int>(std::floor(bx / step_ + 1e-9));
    for (int j = from; j <= to; ++j) {
      const double share = bx > ax ? std::clamp((j * step_ - ax) / (bx - ax), 0.0, 1.0) : 0;
      const int index = j - first_;
      if (index < 0 || index >= static_cast<int>(tops_.size())) continue;
      double& top = tops_[static_cast<std::size_t>(index)];
      top = std::max(top, bx > ax ? ay + (by - ay) * share : std::max(ay, by));
    }
  }

  double length_;
  Point unit_;
  double step_;
  int divisions_;
  int first_ = 0;
  std::vector<double> tops_;
};

/// Whether all copies keep clear, those of farther rows too.
bool isClear(const Barred& barred, Point along, Point across) {
  double reach = 0;
  for (const Outline& outline : barred) {
    for (const Point& p : outline) reach = std::max(reach, norm(p));
  }
  const double rise = std::abs(cross(along, across)) / norm(along);
  const int rows = static_cast<int>(std::ceil(reach / rise));
  for (int row = 2; row <= rows; ++row) {
    const double back = -row * dot(along, across) / dot(along, along);
    const int off = static_cast<int>(std::ceil(reach / norm(along))) + 1;
    for (int n = static_cast<int>(std::floor(back)) - off; n <= back + off; ++n) {
      const Point at = along * n + across * row;
      if (norm(at) >= reach) continue;
      for (const Outline& outline : barred) {
        if (contains({outline}, at)) return false;
      }
    }
  }
  return true;
}

struct Found {
  Lattice lattice;
  double area = 0;
};

/// Where the edge of what is barred is crossed farthest out in a direction.
std::optional<double> edgeAlong(const Barred& barred, Point unit) {
  std::optional<double> farthest;
  for (const Outline& outline : barred) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point a = outline[i];
      const Point way = outline[(i + 1) % outline.size()] - a;
      const double turn = cross(unit, way);
      if (std::abs(turn) < 1e-12) continue;
      const double along = cross(a, way) / turn;
      const double share = cross(a, unit) / turn;
      if (along <= 0 || share < -1e-9 || share > 1 + 1e-9) continue;
      farthest = std::max(farthest.value_or(0), along);
    }
  }
  return farthest;
}

/// The densest lattices whose copies keep clear of `barred`, one for each direction of many.
void search(const Barred& barred, const std::vector<Lattice::Member>& members, int directions,
            int divisions, std::vector<Found>& found) {
  for (int i = 0; i < directions; ++i) {
    const double turn = M_PI * i / directions;
    const Point unit{std::cos(turn), std::sin(turn)};
    const std::optional<double> edge = edgeAlong(barred, unit);
    if (!edge) continue;
    const Point along = unit * (*edge + spared);
    const auto [rise, shift] = Heights(barred, along, divisions).leastRise();
    if (!std::isfinite(rise) || rise <= 0) continue;
    const Point across = unit * shift + turnedLeft(unit) * (rise + spared);
    if (!isClear(barred, along, across)) continue;
    found.push_back({{along, across, members},
                     norm(along) * (rise + spared) / static_cast<double>(members.size())});
  }
}

/// The same lattice by its shortest steps, the second to the left of the first.
Lattice reduced(Lattice lattice) {
  Point a = lattice.along;
  Point b = lattice.across;
  for (int i = 0; i < 64; ++i) {
    if (dot(b, b) < dot(a, a)) std::swap(a, b);
    const double times = std::round(dot(a, b) / dot(a, a));
    if (times == 0) break;
    b = b - a * times;
  }
  if (cross(a, b) < 0) b = b * -1;
  lattice.along = a;
  lattice.across = b;
  return lattice;
}

/// Whether two lattices of shortest steps are the same but for how they are turned, and which of
/// their steps is called the first.
bool isAlike(const Lattice& a, const Lattice& b) {
  constexpr double hair = 0.02;
  return a.members.size() == b.members.size() &&
         std::abs((a.areaEach() - b.areaEach()).mm2()) < hair &&
         std::abs(norm(a.along) - norm(b.along)) < hair &&
         std::abs(norm(a.across) - norm(b.across)) < hair &&
         std::abs(std::abs(dot(a.along, a.across)) - std::abs(dot(b.along, b.across))) < 1;
}

Outline moved(const Outline& outline, Point by, double sign) {
  Outline result;
  result.reserve(outline.size());
  for (const Point& p : outline) result.push_back(p * sign + by);
  return result;
}

void keepDensest(std::vector<Found>& found, std::size_t most) {
  std::stable_sort(found.begin(), found.end(),
                   [](const Found& a, const Found& b) { return a.area < b.area; });
  if (found.size() > most) found.resize(most);
}

/// The outline with points closer than a share of its size left out: what is tried first.
Outline coarse(const Outline& outline) {
  const Box box = boundsOf(Polygon{outline});
  return simplified(outline, Length::mm(std::max(box.width(), box.height()) / 400));
}

}  // namespace

Area Lattice::areaEach() const {
  return Area::mm2(std::abs(cross(along, across)) /
                   static_cast<double>(std::max<std::size_t>(members.size(), 1)));
}

std::vector<Lattice> denseLattices(const std::vector<Point>& outline, std::size_t most) {
  constexpr int directions = 180;
  constexpr int divisions = 360;
  constexpr int triedDirections = 36;
  constexpr int triedDivisions = 72;
  constexpr std::size_t pairsTried = 96;
  constexpr std::size_t pairsKept = 6;
  constexpr double spread = 1.05;

  const Outline self = slideRound(outline, outline);
  if (self.size() < 3) return {};
  std::vector<Found> found;
  search({self}, {{Angle(), {}}}, directions, divisions, found);

  // Of pairs: the second touches the first somewhere.
  const Outline turned = moved(outline, {}, -1);
  const Outline other = slideRound(outline, turned);
  const Outline coarseSelf = coarse(self);
  const Outline coarseOther = coarse(other);
  const auto pairBarred = [](const Outline& alike, const Outline& unlike, Point second) {
    return Barred{alike, moved(unlike, second * -1, 1), moved(unlike, second, -1)};
  };
  struct Tried {
    Point second;
    double area;
  };
  std::vector<Tried> tried;
  for (const Point& second : evenlyAlong(other, pairsTried)) {
    std::vector<Found> pairs;
    search(pairBarred(coarseSelf, coarseOther, second),
           {{Angle(), {}}, {Angle::halfTurn(), second}}, triedDirections, triedDivisions, pairs);
    keepDensest(pairs, 1);
    if (!pairs.empty()) tried.push_back({second, pairs.front().area});
  }
  std::stable_sort(tried.begin(), tried.end(),
                   [](const Tried& a, const Tried& b) { return a.area < b.area; });
  if (tried.size() > pairsKept) tried.resize(pairsKept);
  for (const Tried& one : tried) {
    // A hair farther out, so that the grid cannot have them touch.
    const Point second = one.second * (1 + spared / std::max(norm(one.second), 1.0));
    search(pairBarred(self, other, second), {{Angle(), {}}, {Angle::halfTurn(), second}},
           directions, divisions, found);
  }
  keepDensest(found, found.size());
  std::vector<Lattice> lattices;
  for (Found& one : found) {
    if (lattices.size() == most || one.area > found.front().area * spread) break;
    lattices.push_back(reduced(std::move(one.lattice)));
  }
  return lattices;
}

namespace {

constexpr int turnsTried = 90;
constexpr int roughlyShifted = 3;
constexpr int finelyShifted = 8;
constexpr std::size_t waysRefined = 24;

/// A lattice on a rectangle, turned and shifted in many ways.
class LatticeLaying {
 public:
  LatticeLaying(const Outline& outline, double wide, double tall, std::size_t wanted)
      : outline_(outline), wide_(wide), tall_(tall), wanted_(wanted) {}

  /// Tries so many shifts along each step; how many it holds at most.
  std::size_t offer(const Lattice& lattice, Angle turn, int shifts) {
    const Point along = turned(lattice.along, turn);
    const Point across = turned(lattice.across, turn);
    if (std::abs(cross(along, across)) < 1e-9) return 0;
    struct Limits {
      Point off;
      Point low;
      Point high;
    };
    std::vector<Limits> members;
    for (const Lattice::Member& member : lattice.members) {
      const Box box = boxOf(turn + member.turn);
      members.push_back(
          {turned(member.at, turn), Point{} - box.low, {wide_ - box.high.x, tall_ - box.high.y}});
      if (box.width() > wide_ || box.height() > tall_) return 0;
    }
    std::size_t most = 0;
    std::vector<LatticePlace> places;
    for (int i = 0; i < shifts * shifts; ++i) {
      const int row = i / shifts;
      Point origin = along * (1.0 * (i % shifts) / shifts) + across * (1.0 * row / shifts);
      for (int round = 0; round < 2; ++round) {
        places.clear();
        Point least{1e9, 1e9};
        for (std::size_t m = 0; m < members.size(); ++m) {
          const Limits& limits = members[m];
          const Point first = origin + limits.off;
          // All whole multiples whose sum lies within, row by row.
          const auto [lowRow, highRow] = rowsOf(along, across, first, limits.low, limits.high);
          for (int k = lowRow; k <= highRow; ++k) {
            const Point start = first + across * k;
            const auto [from, to] = withinOf(along, start, limits.low, limits.high);
            for (int n = from; n <= to; ++n) {
              const Point at = start + along * n;
              places.push_back({turn + lattice.members[m].turn, at});
              least = {std::min(least.x, at.x - limits.low.x),
                       std::min(least.y, at.y - limits.low.y)};
            }
          }
        }
        most = std::max(most, places.size());
        take(places);
        // Once more, moved into the corner: another row may fit at the far edges.
        origin = origin - least;
      }
    }
    return most;
  }

  /// The best since the last time it was asked for.
  std::vector<LatticePlace> best() {
    top_ = 0;
    return std::exchange(best_, {});
  }

 private:
  static Point turned(Point p, Angle by) {
    const double c = std::cos(by.radians());
    const double s = std::sin(by.radians());
    return {c * p.x - s * p.y, s * p.x + c * p.y};
  }

  Box boxOf(Angle turn) const {
    Box box;
    for (const Point& p : outline_) box.add(turned(p, turn));
    return box;
  }

  static std::pair<int, int> rowsOf(Point along, Point across, Point first, Point low, Point high) {
    const double area = cross(along, across);
    double least = std::numeric_limits<double>::infinity();
    double most = -least;
    for (const Point corner : {low, high, Point{low.x, high.y}, Point{high.x, low.y}}) {
      const double row = cross(along, corner - first) / area;
      least = std::min(least, row);
      most = std::max(most, row);
    }
    return {static_cast<int>(std::floor(least)), static_cast<int>(std::ceil(most))};
  }

  static std::pair<int, int> withinOf(Point along, Point start, Point low, Point high) {
    double from = -1e6;
    double to = 1e6;
    const auto cut = [&](double step, double at, double least, double most) {
      if (std::abs(step) < 1e-12) {
        if (at < least - 1e-9 || at > most + 1e-9) from = 1, to = 0;
        return;
      }
      const double a = (least - at) / step;
      const double b = (most - at) / step;
      from = std::max(from, std::min(a, b));
      to = std::min(to, std::max(a, b));
    };
    cut(along.x, start.x, low.x, high.x);
    cut(along.y, start.y, low.y, high.y);
    if (from > to + 1e-9) return {1, 0};
    return {static_cast<int>(std::ceil(from - 1e-9)), static_cast<int>(std::floor(to + 1e-9))};
  }

  void take(std::vector<LatticePlace>& places) {
    const std::size_t count = std::min(places.size(), wanted_);
    if (count == 0 || count < best_.size()) return;
    if (count == best_.size() && count < wanted_) return;  // a whole sheet ends where it ends
    const auto lower = [](const LatticePlace& a, const LatticePlace& b) {
      return std::pair(a.at.y, a.at.x) < std::pair(b.at.y, b.at.x);
    };
    // Of many that few are wanted of, these alone are put in order, and only where they end lower.
    if (count < places.size()) {
      const auto last = places.begin() + static_cast<std::ptrdiff_t>(count) - 1;
      std::nth_element(places.begin(), last, places.end(), lower);
      if (count == best_.size() && last->at.y >= top_ - 1e-9) return;
      places.resize(count);
    }
    std::stable_sort(places.begin(), places.end(), lower);
    const double top = places.back().at.y;
    if (count == best_.size() && top >= top_ - 1e-9) return;
    best_ = places;
    top_ = top;
  }

  const Outline& outline_;
  double wide_;
  double tall_;
  std::size_t wanted_;
  double top_ = 0;
  std::vector<LatticePlace> best_;
};

}  // namespace

std::vector<std::vector<LatticePlace>> latticesOn(const std::vector<Point>& outline,
                                                  const std::vector<Lattice>& lattices, Length wide,
                                                  Length tall, MayTurn mayTurn, std::size_t wanted,
                                                  std::size_t most) {
  LatticeLaying laying(outline, wide.mm(), tall.mm(), wanted);
  std::vector<std::vector<LatticePlace>> found;
  const auto keep = [&] {
    std::vector<LatticePlace> best = laying.best();
    if (!best.empty()) found.push_back(std::move(best));
  };
  if (mayTurn != MayTurn::any) {
    // Turned by half it is the same lattice, of shapes turned by half.
    for (const Lattice& lattice : lattices) {
      if (lattice.members.size() > 1 && mayTurn == MayTurn::no) continue;
      laying.offer(lattice, Angle(), finelyShifted);
      keep();
    }
  } else {
    // Roughly first; what holds most, and what is next to it, once more.
    struct Way {
      const Lattice* lattice;
      Angle turn;
      std::size_t holds;
    };
    std::vector<Way> ways;
    std::vector<const Lattice*> unlike;
    for (const Lattice& lattice : lattices) {
      const bool known = std::any_of(unlike.begin(), unlike.end(), [&](const Lattice* other) {
        return isAlike(*other, lattice);
      });
      if (known) continue;
      unlike.push_back(&lattice);
      for (int i = 0; i < turnsTried; ++i) {
        const Angle turn = Angle::halfTurn() * (1.0 * i / turnsTried);
        ways.push_back({&lattice, turn, laying.offer(lattice, turn, roughlyShifted)});
      }
    }
    std::stable_sort(ways.begin(), ways.end(),
                     [](const Way& a, const Way& b) { return a.holds > b.holds; });
    laying.best();
    for (std::size_t i = 0; i < std::min(ways.size(), std::max(waysRefined, most)); ++i) {
      for (const double off : {-0.5, -0.25, 0.0, 0.25, 0.5}) {
        laying.offer(*ways[i].lattice, ways[i].turn + Angle::halfTurn() * (off / turnsTried),
                     finelyShifted);
      }
      keep();
    }
  }
  std::stable_sort(found.begin(), found.end(), [](const auto& a, const auto& b) {
    if (a.size() != b.size()) return a.size() > b.size();
    return a.back().at.y < b.back().at.y - 1e-9;
  });
  if (found.size() > most) found.resize(most);
  return found;
}

}  // namespace avrelt
