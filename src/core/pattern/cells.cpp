// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/cells.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>

#include "pattern/pebbles.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr int mostRepeats = 500;
constexpr std::size_t mostCells = 6000;
constexpr Length smallest = Length::mm(2);
constexpr Length largest = Length::mm(600);

bool isStripe(Family family) {
  return family == Family::uprights || family == Family::slants;
}

std::string shortText(double number) {
  std::array<char, 32> text{};
  const auto end = std::to_chars(text.data(), text.data() + text.size(), number);
  return {text.data(), end.ptr};
}

/// Once round the cup half-way up its wall, in mm.
double roundAt(const Body& body) {
  return body.radius(body.wall() / 2).mm() * 2 * pi;
}

Tile quarterTurned(Tile tile) {
  for (std::vector<Point>& cell : tile.cells) {
    for (Point& p : cell) p = {tile.tall - p.y, p.x};
  }
  std::swap(tile.wide, tile.tall);
  return tile;
}

Tile mirrored(Tile tile) {
  for (std::vector<Point>& cell : tile.cells) {
    for (Point& p : cell) p.x = tile.wide - p.x;
    std::reverse(cell.begin(), cell.end());
  }
  return tile;
}

/// How many repeats away a cell still reaches into one.
struct Reach {
  int left = 0;
  int right = 0;
  int down = 0;
  int up = 0;
};
Reach reachOf(const Tile& tile) {
  Box box;
  for (const std::vector<Point>& cell : tile.cells) {
    for (const Point& p : cell) box.add(p);
  }
  const auto repeats = [](double over, double size) {
    return std::max(0, static_cast<int>(std::ceil(over / size)));
  };
  // What reaches to the right of its tile is seen from a tile to the left.
  return {repeats(box.high.x, tile.wide), repeats(-box.low.x, tile.wide),
          repeats(box.high.y, tile.tall), repeats(-box.low.y, tile.tall)};
}

/// Makes regions of cells that were laid out, and keeps what lies in the zone.
class Collector {
 public:
  Collector(const Region& zone, Length wall)
      : zone_(zone), wall_(wall), low_(zone.lowest()), high_(zone.highest()) {
    // A plain band needs no cutting but at its two heights.
    plain_ = zone.allRound() && zone.outlines().size() == 1 && zone.outlines()[0].size() == 4;
  }

  void add(const WallLine& outline, int row, bool foldsOver) {
    Length low = Length::mm(HUGE_VAL);
    Length high = Length::mm(-HUGE_VAL);
    double left = HUGE_VAL;
    double right = -HUGE_VAL;
    for (const WallPoint& p : outline) {
      low = std::min(low, p.s);
      high = std::max(high, p.s);
      left = std::min(left, p.theta.radians());
      right = std::max(right, p.theta.radians());
    }
    if (high <= low_ || low >= high_) return;
    const bool within = left >= -pi && right <= pi;
    const bool between = low >= low_ && high <= high_;
    RawCell cell;
    cell.row = row;
    if (within) {
      cell.region = Region({outline});
    } else if (foldsOver) {
      cell.region = Region::folded(outline, Length(), wall_);
      cell.seam = cell.region.outlines().size() > 1;
    } else {
      cell.region = Region({outline}) & Region::band(Length(), wall_);
    }
    if (!plain_ || !between || (!within && !foldsOver)) cell.region = cell.region & zone_;
    if (cell.region.empty()) return;
    if (cell.seam) {
      const auto touches = [&](double side) {
        return std::any_of(cell.region.outlines().begin(), cell.region.outlines().end(),
                           [side](const WallLine& line) {
                             return std::any_of(line.begin(), line.end(),
                                                [side](const WallPoint& p) {
                                                  return std::abs(p.theta.radians() - side) < 1e-7;
                                                });
                           });
      };
      cell.seam = touches(pi) && touches(-pi);
    }
    keep(std::move(cell));
  }

  std::vector<RawCell> cells;

 private:
  /// What the zone's edge parts is several cells: they could not be lifted as one.
  void keep(RawCell cell) {
    if (cell.region.outlines().size() > 1) {
      const std::vector<WallLine> parts = cell.region.joined();
      const bool holes = std::any_of(parts.begin(), parts.end(), [](const WallLine& part) {
        double area = 0;
        for (std::size_t i = 0; i < part.size(); ++i) {
          const WallPoint& a = part[i];
          const WallPoint& b = part[(i + 1) % part.size()];
          area += a.theta.radians() * b.s.mm() - b.theta.radians() * a.s.mm();
        }
        return area < 0;
      });
      if (parts.size() > 1 && !holes) {
        for (const WallLine& part : parts) {
          RawCell one;
          one.region = Region::folded(part, Length(), wall_);
          one.row = cell.row;
          one.seam = one.region.outlines().size() > 1;
          cells.push_back(std::move(one));
        }
        return;
      }
    }
    cells.push_back(std::move(cell));
  }

  const Region& zone_;
  Length wall_;
  Length low_;
  Length high_;
  bool plain_ = false;
};

/// The straight sides of a cell cut short enough to bend with the wall.
std::vector<Point> inSteps(const std::vector<Point>& cell, double longest) {
  std::vector<Point> steps;
  for (std::size_t i = 0; i < cell.size(); ++i) {
    const Point& a = cell[i];
    const Point& b = cell[(i + 1) % cell.size()];
    const int count = std::max(1, static_cast<int>(std::ceil(norm(b - a) / longest)));
    for (int step = 0; step < count; ++step) {
      steps.push_back(a + (b - a) * (static_cast<double>(step) / count));
    }
  }
  return steps;
}

}  // namespace

std::vector<RepeatChoice> repeatChoices(const Pattern& pattern, const Body& body) {
  const double exact = roundAt(body) / pattern.size.length.mm();
  std::vector<RepeatChoice> choices;
  const int low = std::max(1, static_cast<int>(std::floor(exact)) - 1);
  for (int count = low; count <= low + 3; ++count) choices.push_back({count, exact / count - 1});
  std::sort(choices.begin(), choices.end(), [](const RepeatChoice& a, const RepeatChoice& b) {
    return std::abs(a.stretch) < std::abs(b.stretch);
  });
  choices.pop_back();
  return choices;
}

Checked<std::vector<RawCell>> cellsOf(const Pattern& pattern, const Region& zone,
                                      const Ground& ground) {
  const Length size = pattern.size.length;
  if (size < smallest || size > largest) {
    return refuse("size", "A pattern that repeats every %1 cannot be laid. Give %2 to %3.",
                  {size, smallest, largest});
  }
  const Length line = pattern.line.length;
  if (line < Length() || line > size / 3) {
    return refuse("line", "A line of %1 leaves nothing of the cells. Give 0 to %2.",
                  {line, size / 3});
  }
  const RatioRange range = ratioOf(pattern.family);
  const double ratio = pattern.ratio.value_or(range.usual);
  if (range.from < range.to && (ratio < range.from - 1e-9 || ratio > range.to + 1e-9)) {
    return refuse("ratio", "This pattern has no such shape. Give its ratio from %1 to %2.",
                  {shortText(range.from), shortText(range.to)});
  }
  const bool keep = pattern.school == School::keep;
  if (keep && !ground.body.isCone()) {
    return refuse("school",
                  "On a wall that curves both ways cells cannot keep their size. Let them narrow "
                  "with the cup.");
  }
  if (pattern.repeats < 0 || pattern.repeats > mostRepeats) {
    return refuse("repeats", "%1 repeats are not meant. Give 0, for the nearest, to %2.",
                  {static_cast<long>(pattern.repeats), long{mostRepeats}});
  }
  const int repeats =
      pattern.repeats > 0 ? pattern.repeats : repeatChoices(pattern, ground.body).front().count;
  const bool stripe = isStripe(pattern.family);
  const Length wall = ground.body.wall();

  Tile tile;
  double unit = 0;  // mm up the wall for one unit of the tile
  int across = repeats;
  if (pattern.family == Family::pebbles) {
    unit = size.mm();
    const int rows = std::max(1, static_cast<int>(std::ceil(wall.mm() / unit)) + 1);
    if (static_cast<std::size_t>(repeats) * static_cast<std::size_t>(rows) > mostCells) {
      return refuse("size", "That makes more than %1 cells. Make them larger.",
                    {static_cast<long>(mostCells)});
    }
    tile = {static_cast<double>(repeats), static_cast<double>(rows), rows,
            pebbles(repeats, rows, pattern.seed)};
    across = 1;
  } else {
    tile = tileOf(pattern.family, ratio);
    if (stripe) {
      unit = wall.mm();
    } else {
      if (pattern.turned) tile = quarterTurned(tile);
      unit = size.mm() / tile.wide;
    }
    if (pattern.mirror) tile = mirrored(tile);
  }
  const double tall = tile.tall * unit;
  const bool oneTall = !repeatsUp(pattern.family);
  const double up = oneTall ? 0 : pattern.up * tall;
  // Cells reach over into the repeats beside theirs; so many more are looked at.
  const Reach reach = reachOf(tile);
  const int firstRow =
      oneTall ? 0 : static_cast<int>(std::floor((zone.lowest().mm() - up) / tall)) - reach.down;
  const int lastRow =
      oneTall ? 0 : static_cast<int>(std::ceil((zone.highest().mm() - up) / tall)) + reach.up;
  const double count = static_cast<double>(across) * (lastRow - firstRow + 1) *
                       static_cast<double>(tile.cells.size());
  if (count > static_cast<double>(mostCells)) {
    return refuse("size", "That makes more than %1 cells. Make them larger.",
                  {static_cast<long>(mostCells)});
  }
  const auto rowOf = [&](const std::vector<Point>& cell, int j) {
    double low = HUGE_VAL;
    double high = -HUGE_VAL;
    for (const Point& p : cell) {
      low = std::min(low, p.y);
      high = std::max(high, p.y);
    }
    const double middle = (low + high) / 2 + j * tile.tall;
    return stripe ? 0 : static_cast<int>(std::floor(middle / tile.tall * tile.rows + 1e-9));
  };

  Collector collector(zone, wall);
  if (!keep) {
    // θ and s straight from the tile: whole repeats close of themselves.
    const double perUnit = 2 * pi / (across * tile.wide);
    for (int j = firstRow; j <= lastRow; ++j) {
      for (int i = 0; i < across; ++i) {
        for (const std::vector<Point>& cell : tile.cells) {
          WallLine outline;
          outline.reserve(cell.size());
          for (const Point& p : cell) {
            const double x = (i + pattern.along) * tile.wide + p.x;
            outline.push_back(
                {Angle::radians(-pi + x * perUnit), Length::mm(up + j * tall + p.y * unit)});
          }
          // Brought near the frame: a phase may have carried it past by more than half a turn.
          if (outline.front().theta > Angle::radians(2 * pi)) {
            for (WallPoint& p : outline) p.theta = p.theta - Angle::turn();
          }
          collector.add(outline, rowOf(cell, j), true);
        }
      }
    }
    return std::move(collector.cells);
  }
  // In the flat, true to size, from its front outwards; what lies beyond the seam is cut off.
  const double scale = size.mm() / (pattern.family == Family::pebbles ? 1 : tile.wide);
  const Box room = boundsOf(ground.flat.wallOutline());
  if (oneTall) {
    // From the lowest place of the sector to its highest, which a taper bows below and above.
    unit = stripe ? room.height() + 2 : size.mm();
    if (!stripe) {
      const int columns = static_cast<int>(std::ceil(room.width() / unit)) + 1;
      const int rows = static_cast<int>(std::ceil(room.height() / unit)) + 1;
      tile = {static_cast<double>(columns), static_cast<double>(rows), rows,
              pebbles(columns, rows, pattern.seed)};
    }
  }
  const double base = oneTall ? room.low.y - 1 : up;
  const double wide = tile.wide * scale;
  const double flatTall = tile.tall * (oneTall ? unit : scale);
  const int left = static_cast<int>(std::floor(room.low.x / wide)) - 1 - reach.left;
  const int right = static_cast<int>(std::ceil(room.high.x / wide)) + reach.right;
  const int low =
      oneTall ? 0 : static_cast<int>(std::floor((room.low.y - up) / flatTall)) - reach.down;
  const int high =
      oneTall ? 0 : static_cast<int>(std::ceil((room.high.y - up) / flatTall)) + reach.up;
  const double longest = ground.flat.isCylinder() ? 1e9 : 4;
  for (int j = low; j <= high; ++j) {
    for (int i = left; i <= right; ++i) {
      for (const std::vector<Point>& cell : tile.cells) {
        std::vector<Point> placed;
        placed.reserve(cell.size());
        for (const Point& p : cell) {
          placed.push_back({(i + pattern.along) * wide + p.x * scale,
                            base + j * flatTall + p.y * (oneTall ? unit : scale)});
        }
        WallLine outline;
        for (const Point& p : inSteps(placed, longest)) outline.push_back(ground.flat.toWall(p));
        // Far outside a sector the wall wraps round behind: such cells are none of it.
        const auto [least, most] = std::minmax_element(
            outline.begin(), outline.end(),
            [](const WallPoint& a, const WallPoint& b) { return a.theta < b.theta; });
        if (most->theta - least->theta > Angle::halfTurn()) continue;
        collector.add(outline, rowOf(cell, j), false);
      }
    }
  }
  return std::move(collector.cells);
}

}  // namespace avrelt
