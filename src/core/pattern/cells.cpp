// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/cells.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>
#include <optional>

#include "divide/flat_outline.h"
#include "divide/wall_grid.h"
#include "pattern/pebbles.h"

namespace avrelt {
namespace {

using namespace wall_grid;
using ClipperLib::cInt;
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
                  : tileOf(pattern.family, pattern.ratio.value_or(ratioOf(pattern.family).usual),
                           curveTolerance / std::max(pattern.size.length, smallest));
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

/// Cuts cells to their zone, over the seam or at it.
class Collector {
 public:
  Collector(const Region& zone, bool overSeam)
      : overSeam_(overSeam), frame_(toPaths(zone.outlines())) {
    low_ = toWhole({Angle(), zone.lowest()}).Y;
    high_ = toWhole({Angle(), zone.highest()}).Y;
    // A plain band needs no cutting but at its two heights.
    band_ = zone.allRound() && frame_.size() == 1 && frame_[0].size() == 4;
    for (const WholePath& path : frame_) {
      for (std::size_t k = 0; k < path.size(); ++k) {
        sides_.push_back(boxOf({path[k], path[(k + 1) % path.size()]}));
      }
    }
  }

  /// An outline, and its openings after it.
  void add(const std::vector<WallLine>& lines, int row) {
    WholePaths paths = toPaths(lines);
    Room room = boxOf(paths.front());
    if (room.high <= low_ || room.low >= high_) return;
    if (overSeam_) {
      // Brought into the frame by its middle.
      const Turns turns = turnsOf({{(room.left + room.right) / 2, 0}});
      for (WholePath& path : paths) moveBy(path, -turns.first * turn);
      room.left -= turns.first * turn;
      room.right -= turns.first * turn;
    }
    const bool inFrame = overSeam_ || (room.left >= -halfTurn && room.right <= halfTurn);
    if (band_ && inFrame && room.low >= low_ && room.high <= high_) return keep(paths, row);
    if (band_) {
      const cInt left = overSeam_ ? room.left - 1 : -halfTurn;
      const cInt right = overSeam_ ? room.right + 1 : halfTurn;
      return cut(paths, {{{left, low_}, {right, low_}, {right, high_}, {left, high_}}}, row);
    }
    const Turns turns = overSeam_ ? turnsOf(paths.front()) : Turns{0, 0};
    if (inFrame && clearOfEdges(room, turns)) {
      if (insideFrame(paths.front().front())) keep(paths, row);
      return;
    }
    WholePaths all;
    for (cInt t = turns.first; t <= turns.last; ++t) {
      for (WholePath path : frame_) {
        moveBy(path, t * turn);
        all.push_back(std::move(path));
      }
    }
    cut(paths, all, row);
  }

  std::vector<RawCell> cells;

 private:
  struct Room {
    cInt left;
    cInt right;
    cInt low;
    cInt high;
  };
  static Room boxOf(const WholePath& path) {
    Room room{path[0].X, path[0].X, path[0].Y, path[0].Y};
    for (const WholePoint& p : path) {
      room.left = std::min(room.left, p.X);
      room.right = std::max(room.right, p.X);
      room.low = std::min(room.low, p.Y);
      room.high = std::max(room.high, p.Y);
    }
    return room;
  }

  bool clearOfEdges(const Room& room, const Turns& turns) const {
    for (cInt t = turns.first; t <= turns.last; ++t) {
      for (const Room& side : sides_) {
        if (side.left + t * turn <= room.right && side.right + t * turn >= room.left &&
            side.low <= room.high && side.high >= room.low) {
          return false;
        }
      }
    }
    return true;
  }
  bool insideFrame(WholePoint p) const {
    p.X -= turnsOf({p}).first * turn;
    int around = 0;
    for (const WholePath& path : frame_) around += ClipperLib::PointInPolygon(p, path) != 0 ? 1 : 0;
    return around % 2 == 1;
  }

  void cut(const WholePaths& paths, const WholePaths& room, int row) {
    for (const WholePart& part : combinedParts(paths, room, Combine::both, dust)) {
      keep(part.paths(), row);
    }
  }
  void keep(const WholePaths& paths, int row) {
    RawCell cell;
    cell.row = row;
    cell.patch.outline = fromPath(paths.front());
    for (std::size_t i = 1; i < paths.size(); ++i)
      cell.patch.openings.push_back(fromPath(paths[i]));
    cells.push_back(std::move(cell));
  }

  bool overSeam_;
  WholePaths frame_;
  cInt low_ = 0;
  cInt high_ = 0;
  bool band_ = false;
  std::vector<Room> sides_;
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
  if (pattern.taperFit == TaperFit::keep) {
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
  if (pattern.heightFit == HeightFit::proportion) fit.stretchTall = fit.stretchWide;
  if (pattern.heightFit == HeightFit::whole) {
    const double up = (zone.highest() - zone.lowest()).mm() / tall;
    fit.stretchTall = up / std::max(1.0, std::round(up)) - 1;
  }
  fit.tallBy = Length::mm(fit.stretchTall * tall);
  return fit;
}

namespace {

std::optional<Fault> refusedPattern(const Pattern& pattern, const Region& zone, const Body& body) {
  const auto fault = [](Member member, std::string words, std::vector<Sentence::Part> parts) {
    return Fault{member, {std::move(words), std::move(parts)}};
  };
  const Length size = pattern.size.length;
  if (size < smallest || size > largest) {
    return fault(Member::patternSize,
                 "A pattern that repeats every %1 cannot be laid. Give %2 to %3.",
                 {size, smallest, largest});
  }
  const Length line = pattern.line.length;
  if (line < Length() || line > size / 3) {
    return fault(Member::patternLine, "A line of %1 leaves nothing of the cells. Give 0 to %2.",
                 {line, size / 3});
  }
  const RatioRange range = ratioOf(pattern.family);
  const double ratio = pattern.ratio.value_or(range.usual);
  if (range.from < range.to && (ratio < range.from - 1e-9 || ratio > range.to + 1e-9)) {
    return fault(Member::patternRatio,
                 "This pattern has no such shape. Give its ratio from %1 to %2.",
                 {shortText(range.from), shortText(range.to)});
  }
  if (pattern.taperFit == TaperFit::keep && !body.isCone()) {
    return fault(Member::patternTaper,
                 "On a wall that curves both ways cells cannot keep their size. Let them narrow "
                 "with the cup.",
                 {});
  }
  if (pattern.repeats < 0 || pattern.repeats > mostRepeats) {
    return fault(Member::patternRepeats,
                 "%1 repeats are not meant. Give 0, for the nearest, to %2.",
                 {static_cast<long>(pattern.repeats), long{mostRepeats}});
  }
  if (pattern.family != Family::artwork) return std::nullopt;
  if (!pattern.artwork)
    return fault(Member::patternArtwork, "Choose the drawing to fill this zone with.", {});
  const double squash = fitOf(pattern, zone, body).squash();
  if (pattern.artwork->picture && std::abs(squash) > mostSquash) {
    return fault(Member::patternRise,
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
  return refuse(Member::patternSize, "That makes more than %1 cells. Make them larger.",
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

/// Calls with every cell of every tile: which it is, and where its tile lies.
template <typename Call>
void eachCell(const Tile& tile, const Tiles& tiles, const Call& call) {
  for (int j = tiles.low; j <= tiles.high; ++j) {
    for (int i = tiles.left; i <= tiles.right; ++i) {
      for (std::size_t k = 0; k < tile.cells.size(); ++k) call(k, i, j);
    }
  }
}

/// The outlines of one cell of a tile: its own and those of its openings.
std::vector<const std::vector<Point>*> outlinesOf(const Tile& tile, std::size_t cell) {
  std::vector<const std::vector<Point>*> all{&tile.cells[cell]};
  if (tile.holes.empty()) return all;
  for (const std::vector<Point>& hole : tile.holes[cell]) all.push_back(&hole);
  return all;
}

/// θ and s straight from the tile: whole repeats close of themselves.
Checked<std::vector<RawCell>> narrowing(const Pattern& pattern, const Region& zone,
                                        const Wall& wall) {
  const PatternFit fit = fitOf(pattern, zone, wall.body);
  const double rim = wall.body.wall().mm();
  const double size = pattern.size.length.mm();
  const bool stripe = isStripe(pattern.family);
  const bool stones = pattern.family == Family::pebbles;
  const int rows = std::max(1, static_cast<int>(std::ceil(rim / size)) + 1);
  if (stones && static_cast<std::size_t>(fit.around) * static_cast<std::size_t>(rows) > mostCells) {
    return tooMany();
  }
  const Tile tile = laidTile(pattern, fit.around, rows);
  const int across = stones ? 1 : fit.around;
  const double unit = stripe ? rim : stones ? size : size / tile.wide * (1 + fit.stretchTall);
  const double tall = tile.tall * unit;
  const bool oneTall = !repeatsUp(pattern.family);
  const double from = pattern.heightFit == HeightFit::whole && !oneTall ? zone.lowest().mm() : 0;
  const double up = oneTall ? 0 : from + pattern.up * tall;
  // Cells reach over into the repeats above and below; so many more are looked at.
  const Reach reach = reachOf(tile);
  Tiles tiles{0, across - 1, 0, 0};
  if (!oneTall) {
    tiles.low = static_cast<int>(std::floor((zone.lowest().mm() - up) / tall)) - reach.down;
    tiles.high = static_cast<int>(std::ceil((zone.highest().mm() - up) / tall)) + reach.up;
  }
  if (tiles.tooMany(tile)) return tooMany();
  const double perUnit = 2 * pi / (across * tile.wide);
  Collector collector(zone, true);
  eachCell(tile, tiles, [&](std::size_t k, int i, int j) {
    std::vector<WallLine> lines;
    for (const std::vector<Point>* points : outlinesOf(tile, k)) {
      WallLine& line = lines.emplace_back();
      line.reserve(points->size());
      for (const Point& p : *points) {
        const double x = (i + pattern.along) * tile.wide + p.x;
        line.push_back({Angle::radians(-pi + x * perUnit), Length::mm(up + j * tall + p.y * unit)});
      }
    }
    collector.add(lines, stripe ? 0 : rowOf(tile, tile.cells[k], j));
  });
  return std::move(collector.cells);
}

/// A flat shape brought onto the wall, its straight sides in steps that bend with it.
class OntoWall {
 public:
  explicit OntoWall(const Development& flat) : flat_(flat), room_(boundsOf(flat.wallOutline())) {
    if (flat.isCylinder()) return;
    const double k = std::abs(flat.taper());
    const double narrow = std::min(flat.radius(Length()), flat.radius(flat.wall())).mm();
    longest_ = std::sqrt(curveTolerance.mm() * narrow / k);
    farthest_ = 0.9 * pi / k;
    // The sector with a margin round it, which stays clear of apex and cut of the plane.
    const double margin = std::min(1.0, narrow / k / 2);
    const Angle half = Angle::radians(std::min(pi + 0.1, 0.5 * (pi + pi / k)));
    const Length low = Length::mm(-margin);
    const Length high = flat.wall() + Length::mm(margin);
    sector_ = {inFlat({{-half, low}, {half, low}, {half, high}, {-half, high}}, true, flat,
                      curveTolerance)};
  }

  const Box& room() const { return room_; }

  /// In one part or, where it lies round the back of the sector, in several; none far outside.
  std::vector<std::vector<WallLine>> operator()(const Polygon& shape) const {
    const Box box = boundsOf(shape);
    if (box.high.x < room_.low.x || box.low.x > room_.high.x || box.high.y < room_.low.y ||
        box.low.y > room_.high.y) {
      return {};
    }
    std::vector<WallLine> lines = placed(shape);
    if (std::none_of(lines.begin(), lines.end(),
                     [this](const WallLine& line) { return leaps(line); })) {
      return {std::move(lines)};
    }
    std::vector<std::vector<WallLine>> parts;
    for (const Polygon& part : partsOf(shape & sector_)) parts.push_back(placed(part));
    return parts;
  }

 private:
  std::vector<WallLine> placed(const Polygon& shape) const {
    std::vector<WallLine> lines;
    for (const std::vector<Point>& outline : shape) {
      WallLine& line = lines.emplace_back();
      for (const Point& p : inSteps(outline, longest_)) line.push_back(flat_.toWall(p));
    }
    return lines;
  }
  /// Whether it goes over the place behind the sector where the plane is cut.
  bool leaps(const WallLine& line) const {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const Angle step = line[(i + 1) % line.size()].theta - line[i].theta;
      if (std::abs(step.radians()) > farthest_) return true;
    }
    return false;
  }

  const Development& flat_;
  Box room_;
  double longest_ = 1e9;
  double farthest_ = HUGE_VAL;
  Polygon sector_;
};

/// In the flat, true to size, from its front outwards; what lies beyond the seam is cut off.
Checked<std::vector<RawCell>> keeping(const Pattern& pattern, const Region& zone,
                                      const Wall& wall) {
  const OntoWall ontoWall(wall.flat);
  const Box room = ontoWall.room();
  const double size = pattern.size.length.mm();
  const bool stripe = isStripe(pattern.family);
  const bool stones = pattern.family == Family::pebbles;
  const int columns = static_cast<int>(std::ceil(room.width() / size)) + 1;
  const int rows = static_cast<int>(std::ceil(room.height() / size)) + 1;
  if (stones && static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows) > mostCells) {
    return tooMany();
  }
  Tile tile = laidTile(pattern, columns, rows);
  // Sides are bent onto a taper in steps: those that two cells share, in the same ones.
  const bool apart = stones || pattern.family == Family::artwork;
  if (!apart && !wall.flat.isCylinder()) tile = sideBySide(std::move(tile));
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
  Collector collector(zone, false);
  eachCell(tile, tiles, [&](std::size_t k, int i, int j) {
    Polygon shape;
    for (const std::vector<Point>* points : outlinesOf(tile, k)) {
      std::vector<Point>& outline = shape.emplace_back();
      outline.reserve(points->size());
      for (const Point& p : *points) {
        outline.push_back({(i + pattern.along) * wide + p.x * scale, base + j * tall + p.y * unit});
      }
    }
    const int row = stripe ? 0 : rowOf(tile, tile.cells[k], j);
    for (const std::vector<WallLine>& lines : ontoWall(shape)) collector.add(lines, row);
  });
  return std::move(collector.cells);
}

}  // namespace

Checked<std::vector<RawCell>> cellsOf(const Pattern& pattern, const Region& zone,
                                      const Wall& wall) {
  if (std::optional<Fault> fault = refusedPattern(pattern, zone, wall.body)) {
    return tl::unexpected(std::move(*fault));
  }
  return pattern.taperFit == TaperFit::narrow ? narrowing(pattern, zone, wall)
                                              : keeping(pattern, zone, wall);
}

}  // namespace avrelt
