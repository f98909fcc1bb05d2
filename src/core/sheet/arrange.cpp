// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/arrange.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numeric>
#include <optional>

#include "shape/edge_tree.h"

namespace avrelt {
namespace {

constexpr int wordBits = 64;

Transform turning(Angle by) {
  const double c = std::cos(by.radians());
  const double s = std::sin(by.radians());
  return {c, s, -s, c, 0, 0};
}

/// A run of cells in one row, the last beyond it.
struct Run {
  int from = 0;
  int to = 0;
};

/// The cells a shape touches, from its lower left.
struct Raster {
  Point low;  ///< of the shape, at the lower left corner of its first cell
  int wide = 0;
  std::vector<std::vector<Run>> rows;
};

/// Every cell that some of the shape lies in: what of its inside crosses the row, and its edges.
Raster rasterOf(const Polygon& shape, double cell) {
  const Box box = boundsOf(shape);
  Raster raster;
  raster.low = box.low;
  raster.wide = static_cast<int>(std::floor(box.width() / cell)) + 1;
  const int tall = static_cast<int>(std::floor(box.height() / cell)) + 1;
  raster.rows.resize(static_cast<std::size_t>(tall));
  std::vector<std::vector<Run>> touched(static_cast<std::size_t>(tall));
  const auto add = [&](int row, double left, double right) {
    if (row < 0 || row >= tall) return;
    const int from = std::clamp(static_cast<int>(std::floor(left / cell)), 0, raster.wide - 1);
    const int to = std::clamp(static_cast<int>(std::floor(right / cell)), 0, raster.wide - 1);
    touched[static_cast<std::size_t>(row)].push_back({from, to + 1});
  };
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      Point a = outline[i] - box.low;
      Point b = outline[(i + 1) % outline.size()] - box.low;
      if (a.y > b.y) std::swap(a, b);
      const int first = static_cast<int>(std::floor(a.y / cell));
      const int last = static_cast<int>(std::floor(b.y / cell));
      for (int row = first; row <= last; ++row) {
        // What of the side lies between the row's edges.
        const double bottom = std::max(a.y, row * cell);
        const double top = std::min(b.y, (row + 1) * cell);
        const double rise = b.y - a.y;
        const auto at = [&](double y) {
          return rise > 0 ? a.x + (b.x - a.x) * ((y - a.y) / rise) : a.x;
        };
        const double x = rise > 0 ? at(bottom) : a.x;
        const double to = rise > 0 ? at(top) : b.x;
        add(row, std::min(x, to), std::max(x, to));
      }
    }
  }
  // Between its edges, by one line along the middle of each row.
  for (int row = 0; row < tall; ++row) {
    const std::vector<double> cuts = cutsAt(shape, box.low.y + (row + 0.5) * cell);
    for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
      add(row, cuts[i] - box.low.x, cuts[i + 1] - box.low.x);
    }
    std::vector<Run>& runs = touched[static_cast<std::size_t>(row)];
    std::sort(runs.begin(), runs.end(), [](Run a, Run b) { return a.from < b.from; });
    for (const Run& run : runs) {
      std::vector<Run>& kept = raster.rows[static_cast<std::size_t>(row)];
      if (!kept.empty() && run.from <= kept.back().to) {
        kept.back().to = std::max(kept.back().to, run.to);
      } else {
        kept.push_back(run);
      }
    }
  }
  return raster;
}

/// Which cells of a sheet are taken.
class Room {
 public:
  Room(int wide, int tall)
      : wide_(wide),
        tall_(tall),
        words_(static_cast<std::size_t>((wide + wordBits - 1) / wordBits + 1)),
        taken_(static_cast<std::size_t>(tall) * words_, 0) {}

  /// The lowest place from a row on where it has room, and the leftmost in that row.
  std::optional<std::pair<int, int>> placeFor(const Raster& raster, int fromRow) const {
    const int last = tall_ - static_cast<int>(raster.rows.size());
    const int right = wide_ - raster.wide;
    if (right < 0) return std::nullopt;
    std::vector<std::uint64_t> barred(words_);
    std::vector<std::uint64_t> swept(words_);
    for (int row = fromRow; row <= last; ++row) {
      std::fill(barred.begin(), barred.end(), 0);
      for (std::size_t r = 0; r < raster.rows.size(); ++r) {
        const std::uint64_t* taken = &taken_[(static_cast<std::size_t>(row) + r) * words_];
        for (const Run& run : raster.rows[r]) bar(taken, run, swept, barred);
        if (allBarred(barred, right)) break;
      }
      if (const std::optional<int> column = firstFree(barred, right)) return {{row, *column}};
    }
    return std::nullopt;
  }

  void take(const Raster& raster, int row, int column) {
    for (std::size_t r = 0; r < raster.rows.size(); ++r) {
      std::uint64_t* taken = &taken_[(static_cast<std::size_t>(row) + r) * words_];
      for (const Run& run : raster.rows[r]) {
        for (int x = column + run.from; x < column + run.to; ++x) {
          taken[x / wordBits] |= std::uint64_t{1} << (x % wordBits);
        }
      }
    }
  }

 private:
  /// Adds `from` moved so many cells to the left to `to`.
  void addMoved(const std::uint64_t* from, int by, std::uint64_t* to) const {
    const auto whole = static_cast<std::size_t>(by / wordBits);
    const int rest = by % wordBits;
    for (std::size_t i = 0; i + whole < words_; ++i) {
      std::uint64_t word = from[i + whole] >> rest;
      if (rest > 0 && i + whole + 1 < words_) word |= from[i + whole + 1] << (wordBits - rest);
      to[i] |= word;
    }
  }

  /// Columns at which any cell of the run would lie on a taken one: the taken cells swept to the
  /// left over the run, by doubling.
  void bar(const std::uint64_t* taken, Run run, std::vector<std::uint64_t>& swept,
           std::vector<std::uint64_t>& barred) const {
    if (std::all_of(taken, taken + words_, [](std::uint64_t word) { return word == 0; })) return;
    std::copy(taken, taken + words_, swept.begin());
    const int length = run.to - run.from;
    int covered = 1;
    while (covered < length) {
      const int by = std::min(covered, length - covered);
      // In place, from the left: what is read lies to the right of what is written.
      addMoved(swept.data(), by, swept.data());
      covered += by;
    }
    addMoved(swept.data(), run.from, barred.data());
  }

  static std::uint64_t upTo(int bits) {
    return bits >= wordBits ? ~std::uint64_t{0} : (std::uint64_t{1} << bits) - 1;
  }
  static bool allBarred(const std::vector<std::uint64_t>& barred, int right) {
    return !firstFree(barred, right);
  }
  static std::optional<int> firstFree(const std::vector<std::uint64_t>& barred, int right) {
    for (int from = 0; from <= right; from += wordBits) {
      const std::uint64_t free =
          ~barred[static_cast<std::size_t>(from / wordBits)] & upTo(right + 1 - from);
      if (free != 0) return from + __builtin_ctzll(free);
    }
    return std::nullopt;
  }

  int wide_;
  int tall_;
  std::size_t words_;
  std::vector<std::uint64_t> taken_;
};

/// One way a piece may be turned.
struct Turned {
  Angle turn;
  Raster raster;
  std::vector<int> from;  ///< the row below which each sheet has no room for it
};

std::vector<Angle> turnsOf(MayTurn mayTurn, int turns) {
  if (mayTurn == MayTurn::no) return {Angle()};
  if (mayTurn == MayTurn::half) return {Angle(), Angle::halfTurn()};
  std::vector<Angle> all;
  for (int i = 0; i < std::max(turns, 1); ++i) {
    all.push_back(Angle::turn() * (static_cast<double>(i) / std::max(turns, 1)));
  }
  return all;
}

class Arranging {
 public:
  Arranging(const std::vector<Piece>& pieces, const SheetSize& sheet, const ArrangeRules& rules)
      : pieces_(pieces), sheet_(sheet), rules_(rules) {
    // Pieces drawn out by half the gap may reach that far into the margin.
    const double cell = rules.raster.mm();
    wide_ = cells(sheet.wide);
    tall_ = cells(sheet.tall);
    if (wide_ < 1 || tall_ < 1 || cell <= 0) wide_ = tall_ = 0;
  }

  Arrangement operator()() {
    std::vector<std::size_t> order(pieces_.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::vector<double> areas;
    for (const Piece& piece : pieces_) {
      // With its openings, which what is smaller may lie in; a long thin one finds its room first.
      double area = 0;
      for (const std::vector<Point>& outline : piece.shape) {
        area += std::max(0.0, signedArea(outline));
      }
      const Box box = boundsOf(piece.shape);
      areas.push_back(std::max(area, std::max(box.width(), box.height()) * 10));
    }
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return areas[a] > areas[b]; });
    for (const std::size_t i : order) lay(i);
    arrangement_.sheets = rooms_.size();
    return std::move(arrangement_);
  }

 private:
  int cells(Length side) const {
    const double free = (side - sheet_.margin * 2 + rules_.gap).mm();
    return static_cast<int>(std::floor(free / rules_.raster.mm() + 1e-9));
  }

  void lay(std::size_t index) {
    const Piece& piece = pieces_[index];
    if (piece.shape.empty() || piece.copies < 1) return;
    std::vector<Turned> ways;
    const Polygon grown = offsetBy(piece.shape, rules_.gap / 2 + tolerance, Corners::round);
    for (const Angle turn : turnsOf(piece.mayTurn, rules_.turns)) {
      Turned way{turn, rasterOf(mapped(grown, turning(turn)), rules_.raster.mm()), {}};
      if (way.raster.wide <= wide_ && static_cast<int>(way.raster.rows.size()) <= tall_) {
        ways.push_back(std::move(way));
      }
    }
    if (ways.empty()) {
      arrangement_.notLaid.push_back({NotLaid::Why::tooLarge, index, piece.copies});
      return;
    }
    for (int copy = 0; copy < piece.copies; ++copy) {
      if (put(index, copy, ways)) continue;
      arrangement_.notLaid.push_back({NotLaid::Why::tooMany, index, piece.copies - copy});
      return;
    }
  }

  bool put(std::size_t index, int copy, std::vector<Turned>& ways) {
    for (std::size_t sheet = 0; sheet < rules_.mostSheets; ++sheet) {
      if (sheet == rooms_.size()) rooms_.emplace_back(wide_, tall_);
      const Turned* best = nullptr;
      std::pair<int, int> at;
      int top = 0;
      for (Turned& way : ways) {
        way.from.resize(std::max(way.from.size(), sheet + 1), 0);
        const auto found = rooms_[sheet].placeFor(way.raster, way.from[sheet]);
        way.from[sheet] = found ? found->first : tall_;
        if (!found) continue;
        const int reaches = found->first + static_cast<int>(way.raster.rows.size());
        if (best != nullptr &&
            std::make_pair(reaches, found->second) >= std::make_pair(top, at.second)) {
          continue;
        }
        best = &way;
        at = *found;
        top = reaches;
      }
      if (best == nullptr) continue;
      rooms_[sheet].take(best->raster, at.first, at.second);
      const double cell = rules_.raster.mm();
      const double inset = (sheet_.margin - rules_.gap / 2).mm();
      const Point corner{inset + at.second * cell, inset + at.first * cell};
      arrangement_.laid.push_back({index, copy, sheet, best->turn, corner - best->raster.low});
      return true;
    }
    return false;
  }

  /// What drawing out rounds.
  static constexpr Length tolerance = Length::mm(0.01);

  const std::vector<Piece>& pieces_;
  const SheetSize& sheet_;
  const ArrangeRules& rules_;
  int wide_ = 0;
  int tall_ = 0;
  std::vector<Room> rooms_;
  Arrangement arrangement_;
};

Path turnedBy(const Path& path, const Transform& turn) {
  // A stretch's bulge is its own, however it is turned.
  Path turned{turn(path.start), {}};
  turned.stretches.reserve(path.stretches.size());
  for (const Stretch& stretch : path.stretches) {
    turned.stretches.push_back({turn(stretch.end), stretch.bulge});
  }
  return turned;
}

}  // namespace

Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules) {
  return Arranging(pieces, sheet, rules)();
}

Polygon shapeAt(const Piece& piece, const Laid& laid) {
  return movedBy(mapped(piece.shape, turning(laid.turn)), laid.at);
}

Length leastBetween(const std::vector<Piece>& pieces, const Arrangement& arrangement) {
  Length least = Length::mm(1e7);
  std::vector<std::vector<EdgeTree>> sheets(arrangement.sheets);
  for (const Laid& laid : arrangement.laid) {
    EdgeTree here(shapeAt(pieces[laid.piece], laid));
    for (const EdgeTree& other : sheets[laid.sheet]) {
      const double away = norm(here.centre() - other.centre()) - here.reach() - other.reach();
      if (away < least.mm()) least = std::min(least, nearest(here, other).apart);
    }
    sheets[laid.sheet].push_back(std::move(here));
  }
  return least;
}

Part laidOut(const Part& part, Angle turn, Point at) {
  const Transform way = turning(turn);
  Part laid = part;
  laid.outline = turnedBy(part.outline, way);
  for (std::vector<Path>* paths : {&laid.more, &laid.holes, &laid.slits}) {
    for (Path& path : *paths) path = turnedBy(path, way);
  }
  for (Tint& tint : laid.tints) {
    for (Path& edge : tint.edges) edge = turnedBy(edge, way);
  }
  for (Guide& guide : laid.guides) guide.path = turnedBy(guide.path, way);
  for (Lettering& lettering : laid.letterings) {
    lettering.at = way(lettering.at);
    lettering.turn = lettering.turn + turn;
  }
  return movedBy(laid, at);
}

}  // namespace avrelt
