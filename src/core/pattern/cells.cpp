// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/cells.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>
#include <optional>

#include "divide/wall_line.h"
#include "pattern/pebbles.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr int mostRepeats = 500;
constexpr std::size_t mostCells = 6000;
constexpr Length smallest = Length::mm(2);
constexpr Length largest = Length::mm(600);
constexpr double mostSquash = 0.005;  // of a picture, that nobody sees

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

template <typename Change>
void eachOutline(Tile& tile, const Change& change) {
  for (std::vector<Point>& cell : tile.cells) change(cell);
  for (std::vector<std::vector<Point>>& holes : tile.holes) {
    for (std::vector<Point>& hole : holes) change(hole);
  }
}

/// Repeats that go round the cup by their size, which may still be one that is refused.
double exactRepeats(const Pattern& pattern, const Body& body) {
  return roundAt(body) / std::max(pattern.size.length, smallest).mm();
}

Tile quarterTurned(Tile tile) {
  eachOutline(tile, [&](std::vector<Point>& outline) {
    for (Point& p : outline) p = {tile.tall - p.y, p.x};
  });
  std::swap(tile.wide, tile.tall);
  return tile;
}

Tile mirrored(Tile tile) {
  eachOutline(tile, [&](std::vector<Point>& outline) {
    for (Point& p : outline) p.x = tile.wide - p.x;
    std::reverse(outline.begin(), outline.end());
  });
  return tile;
}

/// One repeat as it is laid; pebbles, which never repeat, are as many as the room takes.
Tile laidTile(const Pattern& pattern, int columns, int rows) {
  if (pattern.family == Family::pebbles) {
    Tile tile{static_cast<double>(columns),
              static_cast<double>(rows),
              rows,
              pebbles(columns, rows, pattern.seed),
              {}};
    return pattern.mirror ? mirrored(std::move(tile)) : tile;
  }
  Tile tile = pattern.family == Family::artwork && pattern.artwork
                  ? tileOf(*pattern.artwork)
                  : tileOf(pattern.family, pattern.ratio.value_or(ratioOf(pattern.family).usual));
  if (pattern.turned && repeatsUp(pattern.family)) tile = quarterTurned(std::move(tile));
  return pattern.mirror ? mirrored(std::move(tile)) : tile;
}

/// How tall a repeat is for its width. A drawing says so without its cells being copied.
double tallness(const Pattern& pattern) {
  if (pattern.family == Family::artwork && pattern.artwork) {
    const double tall = pattern.artwork->tall / pattern.artwork->wide;
    return pattern.turned ? 1 / tall : tall;
  }
  const Tile tile = laidTile(pattern, 1, 1);
  return tile.tall / tile.wide;
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

  void add(const WallLine& outline, const std::vector<WallLine>& holes, int row, bool foldsOver) {
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
      std::vector<WallLine> outlines{outline};
      outlines.insert(outlines.end(), holes.begin(), holes.end());
      cell.region = Region(std::move(outlines));
    } else if (foldsOver) {
      cell.region = Region::folded(outline, Length(), wall_);
      cell.seam = cell.region.outlines().size() > 1;
    } else {
      cell.region = Region({outline}) & Region::band(Length(), wall_);
    }
    if (!within) {
      for (WallLine hole : holes) {
        std::reverse(hole.begin(), hole.end());
        cell.region = cell.region - Region::folded(hole, Length(), wall_);
      }
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
      const bool holes = std::any_of(parts.begin(), parts.end(),
                                     [](const WallLine& part) { return turnOf(part) < 0; });
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
  const double exact = exactRepeats(pattern, body);
  std::vector<RepeatChoice> choices;
  const int low = std::max(1, static_cast<int>(std::floor(exact)) - 1);
  for (int count = low; count <= low + 3; ++count) choices.push_back({count, exact / count - 1});
  std::sort(choices.begin(), choices.end(), [](const RepeatChoice& a, const RepeatChoice& b) {
    return std::abs(a.stretch) < std::abs(b.stretch);
  });
  choices.pop_back();
  return choices;
}

PatternFit fitOf(const Pattern& pattern, const Region& zone, const Body& body) {
  const double exact = exactRepeats(pattern, body);
  PatternFit fit;
  if (pattern.school == School::keep) {
    fit.around = static_cast<int>(std::floor(exact + 1e-9));
    fit.seamRest = Length::mm(std::max(0.0, exact - fit.around) * pattern.size.length.mm());
    return fit;
  }
  fit.around = pattern.repeats > 0 ? pattern.repeats : repeatChoices(pattern, body).front().count;
  fit.stretchWide = exact / fit.around - 1;
  const double middle = body.radius(body.wall() / 2).mm();
  for (const Length at : {zone.lowest(), (zone.lowest() + zone.highest()) / 2, zone.highest()}) {
    fit.narrowing = std::max(fit.narrowing, std::abs(body.radius(at).mm() / middle - 1));
  }
  fit.wideBy = fit.stretchWide * pattern.size.length;
  if (!repeatsUp(pattern.family)) return fit;
  const double tall = tallness(pattern) * pattern.size.length.mm();
  if (!(tall > 0)) return fit;
  if (pattern.rise == Rise::proportion) fit.stretchTall = fit.stretchWide;
  if (pattern.rise == Rise::whole) {
    const double up = (zone.highest() - zone.lowest()).mm() / tall;
    fit.stretchTall = up / std::max(1.0, std::round(up)) - 1;
  }
  fit.tallBy = Length::mm(fit.stretchTall * tall);
  return fit;
}

namespace {

std::optional<Fault> refusedPattern(const Pattern& pattern, const Region& zone, const Body& body) {
  const auto fault = [](const char* field, std::string words, std::vector<Sentence::Part> parts) {
    return Fault{field, {std::move(words), std::move(parts)}};
  };
  const Length size = pattern.size.length;
  if (size < smallest || size > largest) {
    return fault("size", "A pattern that repeats every %1 cannot be laid. Give %2 to %3.",
                 {size, smallest, largest});
  }
  const Length line = pattern.line.length;
  if (line < Length() || line > size / 3) {
    return fault("line", "A line of %1 leaves nothing of the cells. Give 0 to %2.",
                 {line, size / 3});
  }
  const RatioRange range = ratioOf(pattern.family);
  const double ratio = pattern.ratio.value_or(range.usual);
  if (range.from < range.to && (ratio < range.from - 1e-9 || ratio > range.to + 1e-9)) {
    return fault("ratio", "This pattern has no such shape. Give its ratio from %1 to %2.",
                 {shortText(range.from), shortText(range.to)});
  }
  if (pattern.school == School::keep && !body.isCone()) {
    return fault("school",
                 "On a wall that curves both ways cells cannot keep their size. Let them narrow "
                 "with the cup.",
                 {});
  }
  if (pattern.repeats < 0 || pattern.repeats > mostRepeats) {
    return fault("repeats", "%1 repeats are not meant. Give 0, for the nearest, to %2.",
                 {static_cast<long>(pattern.repeats), long{mostRepeats}});
  }
  if (pattern.family != Family::artwork) return std::nullopt;
  if (!pattern.artwork) return fault("artwork", "Choose the drawing to fill this zone with.", {});
  const double squash = fitOf(pattern, zone, body).squash();
  if (pattern.artwork->picture && std::abs(squash) > mostSquash) {
    return fault("rise",
                 "This would squash the picture by %1 %. Keep its proportion, or say that it is no "
                 "picture.",
                 {shortText(std::round(std::abs(squash) * 1000) / 10)});
  }
  return std::nullopt;
}

/// Which row of cells one belongs to, in tile `j` from the bottom.
int rowOf(const Tile& tile, const std::vector<Point>& cell, int j) {
  const auto [low, high] = std::minmax_element(
      cell.begin(), cell.end(), [](const Point& a, const Point& b) { return a.y < b.y; });
  const double middle = (low->y + high->y) / 2 + j * tile.tall;
  return static_cast<int>(std::floor(middle / tile.tall * tile.rows + 1e-9));
}

tl::unexpected<Fault> tooMany() {
  return refuse("size", "That makes more than %1 cells. Make them larger.",
                {static_cast<long>(mostCells)});
}

/// Tiles from one to another, each way.
struct Tiles {
  int left = 0;
  int right = 0;
  int low = 0;
  int high = 0;

  bool tooMany(const Tile& tile) const {
    return static_cast<double>(right - left + 1) * (high - low + 1) *
               static_cast<double>(tile.cells.size()) >
           static_cast<double>(mostCells);
  }
};

/// Gives every outline of every tile to `place` and the cells they make to the collector.
template <typename Place>
void layTiles(const Tile& tile, const Tiles& tiles, bool stripe, bool foldsOver,
              Collector& collector, const Place& place) {
  for (int j = tiles.low; j <= tiles.high; ++j) {
    for (int i = tiles.left; i <= tiles.right; ++i) {
      for (std::size_t k = 0; k < tile.cells.size(); ++k) {
        std::optional<WallLine> outline = place(tile.cells[k], i, j);
        if (!outline) continue;
        std::vector<WallLine> holes;
        if (!tile.holes.empty()) {
          for (const std::vector<Point>& hole : tile.holes[k]) {
            if (std::optional<WallLine> placed = place(hole, i, j)) holes.push_back(*placed);
          }
        }
        // Brought near the frame: a phase may have carried it past by more than half a turn.
        if (foldsOver && outline->front().theta > Angle::turn()) {
          for (WallPoint& p : *outline) p.theta = p.theta - Angle::turn();
          for (WallLine& hole : holes) {
            for (WallPoint& p : hole) p.theta = p.theta - Angle::turn();
          }
        }
        collector.add(*outline, holes, stripe ? 0 : rowOf(tile, tile.cells[k], j), foldsOver);
      }
    }
  }
}

/// θ and s straight from the tile: whole repeats close of themselves.
Checked<std::vector<RawCell>> narrowing(const Pattern& pattern, const Region& zone,
                                        const Ground& ground) {
  const PatternFit fit = fitOf(pattern, zone, ground.body);
  const Length wall = ground.body.wall();
  const double size = pattern.size.length.mm();
  const bool stripe = isStripe(pattern.family);
  const bool stones = pattern.family == Family::pebbles;
  const int rows = std::max(1, static_cast<int>(std::ceil(wall.mm() / size)) + 1);
  if (stones && static_cast<std::size_t>(fit.around) * static_cast<std::size_t>(rows) > mostCells) {
    return tooMany();
  }
  const Tile tile = laidTile(pattern, fit.around, rows);
  const int across = stones ? 1 : fit.around;
  const double unit = stripe ? wall.mm() : stones ? size : size / tile.wide * (1 + fit.stretchTall);
  const double tall = tile.tall * unit;
  const bool oneTall = !repeatsUp(pattern.family);
  const double from = pattern.rise == Rise::whole && !oneTall ? zone.lowest().mm() : 0;
  const double up = oneTall ? 0 : from + pattern.up * tall;
  // Cells reach over into the repeats beside theirs; so many more are looked at.
  const Reach reach = reachOf(tile);
  Tiles tiles{0, across - 1, 0, 0};
  if (!oneTall) {
    tiles.low = static_cast<int>(std::floor((zone.lowest().mm() - up) / tall)) - reach.down;
    tiles.high = static_cast<int>(std::ceil((zone.highest().mm() - up) / tall)) + reach.up;
  }
  if (tiles.tooMany(tile)) return tooMany();
  const double perUnit = 2 * pi / (across * tile.wide);
  Collector collector(zone, wall);
  layTiles(tile, tiles, stripe, true, collector,
           [&](const std::vector<Point>& points, int i, int j) -> std::optional<WallLine> {
             WallLine outline;
             outline.reserve(points.size());
             for (const Point& p : points) {
               const double x = (i + pattern.along) * tile.wide + p.x;
               outline.push_back(
                   {Angle::radians(-pi + x * perUnit), Length::mm(up + j * tall + p.y * unit)});
             }
             return outline;
           });
  return std::move(collector.cells);
}

/// In the flat, true to size, from its front outwards; what lies beyond the seam is cut off.
Checked<std::vector<RawCell>> keeping(const Pattern& pattern, const Region& zone,
                                      const Ground& ground) {
  const Box room = boundsOf(ground.flat.wallOutline());
  const double size = pattern.size.length.mm();
  const bool stripe = isStripe(pattern.family);
  const bool stones = pattern.family == Family::pebbles;
  const int columns = static_cast<int>(std::ceil(room.width() / size)) + 1;
  const int rows = static_cast<int>(std::ceil(room.height() / size)) + 1;
  if (stones && static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows) > mostCells) {
    return tooMany();
  }
  const Tile tile = laidTile(pattern, columns, rows);
  const bool oneTall = !repeatsUp(pattern.family);
  const double scale = stones ? size : size / tile.wide;
  // Stripes go from the lowest place of the sector to its highest, which a taper bows out.
  const double unit = stripe ? room.height() + 2 : scale;
  const double wide = tile.wide * scale;
  const double tall = tile.tall * unit;
  const double base = oneTall ? room.low.y - 1 : pattern.up * tall;
  const Reach reach = reachOf(tile);
  Tiles tiles{static_cast<int>(std::floor(room.low.x / wide)) - 1 - reach.left,
              static_cast<int>(std::ceil(room.high.x / wide)) + reach.right, 0, 0};
  if (!oneTall) {
    tiles.low = static_cast<int>(std::floor((room.low.y - base) / tall)) - reach.down;
    tiles.high = static_cast<int>(std::ceil((room.high.y - base) / tall)) + reach.up;
  }
  if (tiles.tooMany(tile) && !stones) return tooMany();
  const double longest = ground.flat.isCylinder() ? 1e9 : 4;
  Collector collector(zone, ground.body.wall());
  layTiles(tile, tiles, stripe, false, collector,
           [&](const std::vector<Point>& points, int i, int j) -> std::optional<WallLine> {
             std::vector<Point> placed;
             placed.reserve(points.size());
             for (const Point& p : points) {
               placed.push_back(
                   {(i + pattern.along) * wide + p.x * scale, base + j * tall + p.y * unit});
             }
             WallLine outline;
             for (const Point& p : inSteps(placed, longest)) {
               outline.push_back(ground.flat.toWall(p));
             }
             // Far outside a sector the wall wraps round behind: such cells are none of it.
             const auto [least, most] = std::minmax_element(
                 outline.begin(), outline.end(),
                 [](const WallPoint& a, const WallPoint& b) { return a.theta < b.theta; });
             if (most->theta - least->theta > Angle::halfTurn()) return std::nullopt;
             return outline;
           });
  return std::move(collector.cells);
}

}  // namespace

Checked<std::vector<RawCell>> cellsOf(const Pattern& pattern, const Region& zone,
                                      const Ground& ground) {
  if (std::optional<Fault> fault = refusedPattern(pattern, zone, ground.body)) {
    return tl::unexpected(std::move(*fault));
  }
  return pattern.school == School::narrow ? narrowing(pattern, zone, ground)
                                          : keeping(pattern, zone, ground);
}

}  // namespace avrelt
