// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/arrange.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <random>
#include <set>
#include <tuple>
#include <utility>

#include "sheet/lattice.h"
#include "sheet/push.h"
#include "sheet/room.h"

namespace avrelt {
namespace {

/// What drawing out rounds.
constexpr Length tolerance = Length::mm(0.01);
/// Fewer of one shape gain nothing from rows.
constexpr int leastForRows = 8;
constexpr std::size_t latticesTried = 24;
constexpr std::size_t rowsKept = 64;

std::vector<Angle> turnsOf(MayTurn mayTurn, int turns, Angle from) {
  if (mayTurn == MayTurn::no) return {Angle()};
  if (mayTurn == MayTurn::half) return {Angle(), Angle::halfTurn()};
  std::vector<Angle> all;
  for (int i = 0; i < std::max(turns, 1); ++i) {
    all.push_back(from + Angle::turn() * (static_cast<double>(i) / std::max(turns, 1)));
  }
  return all;
}

/// Numbers from 0 to 1, the same everywhere.
class Chance {
 public:
  explicit Chance(long seed) : engine_(static_cast<std::uint32_t>(seed)) {}
  double operator()() { return static_cast<double>(engine_()) / 4294967296.0; }

 private:
  std::mt19937 engine_;
};

}  // namespace

class Arranger::Work {
 public:
  Work(std::vector<Piece> pieces, std::vector<FilmPiece> films, const ArrangeRules& rules)
      : pieces_(std::move(pieces)), films_(std::move(films)), rules_(rules) {
    for (const Piece& piece : pieces_) {
      grown_.push_back(
          offsetBy(piece.clear.empty() ? piece.shape : unionOf({piece.shape, piece.clear}),
                   rules_.gap / 2 + tolerance, Corners::round));
      // With its openings, which what is smaller may lie in; a long thin one finds its room first.
      double area = 0;
      for (const std::vector<Point>& outline : piece.shape) {
        area += std::max(0.0, signedArea(outline));
      }
      const Box box = boundsOf(piece.shape);
      areas_.push_back(std::max(area, std::max(box.width(), box.height()) * 10));
    }
    lattices_.resize(pieces_.size());
  }

  ArrangeOrder plainOrder() const;
  Arrangement run(const ArrangeOrder& order, const Arrangement& kept);
  std::optional<Laid> roomOn(const Arrangement& arrangement, const Laid& laid, std::size_t sheet);
  void push(Arrangement& arrangement, const Arrangement& kept) const;

  const std::vector<Piece>& pieces() const { return pieces_; }
  const std::vector<FilmPiece>& films() const { return films_; }

 private:
  /// A sheet in the making.
  struct Sheet {
    std::size_t film = 0;
    Room room;
  };
  /// One way a piece may be turned.
  struct Turned {
    Angle turn;
    Raster raster;
    std::vector<int> from;  ///< the row below which each sheet has no room for it
  };

  class Run;

  double cell() const { return cell_; }
  /// Pieces drawn out by half the gap may reach that far into the margin.
  double inset(std::size_t film) const { return (films_[film].size.margin - rules_.gap / 2).mm(); }
  double free(std::size_t film, Length side) const {
    return (side - films_[film].size.margin * 2 + rules_.gap).mm();
  }
  int cells(std::size_t film, Length side) const {
    return std::max(0, static_cast<int>(std::floor(free(film, side) / cell() + 1e-9)));
  }

  Room emptyRoom(std::size_t film) {
    const FilmPiece& piece = films_[film];
    Room room(cells(film, piece.size.wide), cells(film, piece.size.tall));
    if (piece.outline.empty() && piece.room.empty()) return room;
    // What is not film, or its margin, is taken.
    const double wide = piece.size.wide.mm();
    const double tall = piece.size.tall.mm();
    const Polygon all{{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
    const Length in = piece.size.margin - rules_.gap / 2;
    Polygon usable =
        piece.outline.empty() ? all : offsetBy(piece.outline, in * -1 - tolerance, Corners::round);
    if (!piece.room.empty()) {
      usable = usable & offsetBy(piece.room, rules_.gap / 2 - tolerance, Corners::sharp);
    }
    const double low = inset(film);
    const Polygon outside = movedBy(
        mapped(all, {1.2, 0, 0, 1.2, -0.1 * wide, -0.1 * tall}) - usable, Point{-low, -low});
    const Point origin{std::floor(boundsOf(outside).low.x / cell()) * cell(),
                       std::floor(boundsOf(outside).low.y / cell()) * cell()};
    room.take(rasterOf(outside, cell(), origin), static_cast<int>(std::lround(origin.y / cell())),
              static_cast<int>(std::lround(origin.x / cell())));
    return room;
  }

  /// Takes what a piece covers anywhere on a sheet.
  void takeAt(Room& room, std::size_t film, std::size_t piece, Angle turn, Point at) const {
    const Point corner{inset(film), inset(film)};
    const Polygon shape = movedBy(mapped(grown_[piece], turning(turn)), at - corner);
    const Point low = boundsOf(shape).low;
    const auto column = static_cast<int>(std::floor(low.x / cell()));
    const auto row = static_cast<int>(std::floor(low.y / cell()));
    room.take(rasterOf(shape, cell(), {column * cell(), row * cell()}), row, column);
  }

  /// The edge of a piece drawn out, without its openings.
  const std::vector<Point>& outerOf(std::size_t piece) const {
    return *std::max_element(
        grown_[piece].begin(), grown_[piece].end(),
        [](const auto& a, const auto& b) { return signedArea(a) < signedArea(b); });
  }

  const std::vector<Lattice>& latticesOf(std::size_t piece) {
    std::unique_ptr<std::vector<Lattice>>& made = lattices_[piece];
    if (!made) {
      made = std::make_unique<std::vector<Lattice>>();
      // One outline round all of it; several that keep their places are no rows' work.
      const auto outlines = std::count_if(grown_[piece].begin(), grown_[piece].end(),
                                          [](const auto& one) { return signedArea(one) > 0; });
      if (outlines == 1) {
        *made = denseLattices(simplified(outerOf(piece), tolerance / 2), latticesTried);
      }
    }
    return *made;
  }

  /// Places of lattices on an empty sheet, as `Laid` has them, the fullest first.
  const std::vector<std::vector<LatticePlace>>& rowsOn(std::size_t piece, std::size_t film,
                                                       std::size_t wanted) {
    const auto [found, isNew] = rows_.try_emplace({piece, film, wanted});
    if (isNew && !latticesOf(piece).empty()) {
      const SheetSize& size = films_[film].size;
      found->second = latticesOn(outerOf(piece), latticesOf(piece), free(film, size.wide),
                                 free(film, size.tall), pieces_[piece].mayTurn, wanted, rowsKept);
      for (std::vector<LatticePlace>& places : found->second) {
        for (LatticePlace& place : places) place.at = place.at + Point{inset(film), inset(film)};
      }
    }
    return found->second;
  }

  std::vector<Piece> pieces_;
  std::vector<FilmPiece> films_;
  ArrangeRules rules_;
  double cell_ = 1;  ///< of the attempt that is made
  int turns_ = 1;
  std::vector<Polygon> grown_;
  std::vector<double> areas_;
  std::vector<std::unique_ptr<std::vector<Lattice>>> lattices_;
  std::map<std::tuple<std::size_t, std::size_t, std::size_t>,
           std::vector<std::vector<LatticePlace>>>
      rows_;
};

/// One attempt.
class Arranger::Work::Run {
 public:
  Run(Work& work, const ArrangeOrder& order) : work_(work), pieces_(work.pieces_), order_(order) {}

  Arrangement operator()(const Arrangement& kept) {
    left_.assign(work_.films_.size(), 0);
    for (std::size_t i = 0; i < left_.size(); ++i) left_[i] = work_.films_[i].count;
    std::vector<std::vector<bool>> done(pieces_.size());
    for (const UsedSheet& sheet : kept.sheets) open(sheet.film);
    for (const Laid& laid : kept.laid) {
      Sheet& sheet = sheets_[laid.sheet];
      work_.takeAt(sheet.room, sheet.film, laid.piece, laid.turn, laid.at);
      made_.laid.push_back(laid);
      if (pieces_[laid.piece].together != 0) {
        homes_[pieces_[laid.piece].together].insert(laid.sheet);
      }
      std::vector<bool>& copies = done[laid.piece];
      copies.resize(static_cast<std::size_t>(std::max(pieces_[laid.piece].copies, laid.copy + 1)));
      copies[static_cast<std::size_t>(laid.copy)] = true;
    }

    std::vector<std::vector<int>> copies(pieces_.size());
    for (std::size_t i = 0; i < pieces_.size(); ++i) {
      for (int copy = 0; copy < pieces_[i].copies; ++copy) {
        const auto at = static_cast<std::size_t>(copy);
        if (at >= done[i].size() || !done[i][at]) copies[i].push_back(copy);
      }
    }
    ways_.resize(pieces_.size());
    std::vector<std::size_t> next(pieces_.size(), 0);
    for (const ArrangeOrder::Group& group : order_.groups) {
      layTogether(pieces_[group.piece].together, copies);
      std::vector<int>& all = copies[group.piece];
      std::size_t& from = next[group.piece];
      const std::size_t to = std::min(from + static_cast<std::size_t>(group.copies), all.size());
      lay(group.piece, {all.begin() + static_cast<std::ptrdiff_t>(from),
                        all.begin() + static_cast<std::ptrdiff_t>(to)});
      from = to;
    }
    finish();
    made_.apart = apartOn(pieces_, made_.laid);
    made_.order = order_;
    return std::move(made_);
  }

  std::optional<Laid> roomOn(const Arrangement& arrangement, const Laid& laid, std::size_t sheet) {
    const std::size_t film = arrangement.sheets[sheet].film;
    sheets_.push_back({film, work_.emptyRoom(film)});
    for (const Laid& other : arrangement.laid) {
      if (other.sheet == sheet && !(other.piece == laid.piece && other.copy == laid.copy)) {
        work_.takeAt(sheets_[0].room, film, other.piece, other.turn, other.at);
      }
    }
    std::vector<Turned> ways = waysOf(laid.piece);
    if (!putOn(0, laid.piece, laid.copy, ways)) return std::nullopt;
    Laid found = made_.laid.front();
    found.sheet = sheet;
    return found;
  }

 private:
  std::vector<Turned> waysOf(std::size_t index) const {
    std::vector<Turned> ways;
    for (const Angle turn : turnsOf(pieces_[index].mayTurn, work_.turns_,
                                    order_.turnedBy + pieces_[index].turnedFirst)) {
      ways.push_back(
          {turn, rasterOf(mapped(work_.grown_[index], turning(turn)), work_.cell()), {}});
    }
    return ways;
  }

  bool open(std::size_t film) {
    if (left_[film] == 0 || sheets_.size() >= work_.rules_.mostSheets) return false;
    --left_[film];
    sheets_.push_back({film, work_.emptyRoom(film)});
    return true;
  }

  /// All that is to lie together, the first time any of it comes, on the first film with room for
  /// all of it: where the maker laid some of it, there. What is laid is no longer among `copies`.
  void layTogether(std::size_t together, std::vector<std::vector<int>>& copies) {
    if (together == 0 || !gathered_.insert(together).second) return;
    Copies all;
    std::set<std::size_t> known;
    for (const ArrangeOrder::Group& group : order_.groups) {
      const std::size_t index = group.piece;
      if (pieces_[index].together != together || pieces_[index].shape.empty()) continue;
      if (copies[index].empty() || !known.insert(index).second) continue;
      if (ways_[index].empty()) ways_[index] = waysOf(index);
      // What fits no sheet is told, and is in nobody's way.
      if (fitsAny(ways_[index])) all.emplace_back(index, copies[index]);
    }
    if (!layAll(all, homes_[together])) return;
    for (const auto& [index, laid] : all) copies[index].clear();
  }

  using Copies = std::vector<std::pair<std::size_t, std::vector<int>>>;

  bool layAll(const Copies& all, const std::set<std::size_t>& homes) {
    if (all.empty()) return false;
    for (std::size_t sheet = 0; sheet < sheets_.size(); ++sheet) {
      if ((homes.empty() || homes.contains(sheet)) && putAllOn(sheet, all)) return true;
    }
    for (std::size_t film = 0; homes.empty() && film < work_.films_.size(); ++film) {
      if (!open(film)) continue;
      if (putAllOn(sheets_.size() - 1, all)) return true;
      // Not even on an empty one.
      sheets_.pop_back();
      ++left_[film];
    }
    return false;
  }

  /// All of it on a sheet, or nothing.
  bool putAllOn(std::size_t at, const Copies& all) {
    const Room before = sheets_[at].room;
    const bool isEmpty = before.top() == 0;
    const std::size_t marked = made_.laid.size();
    bool fits = true;
    for (const auto& [index, copies] : all) {
      std::size_t next =
          isEmpty && made_.laid.size() == marked ? fill(at, index, copies, 0, ways_[index]) : 0;
      while (next < copies.size() && putOn(at, index, copies[next], ways_[index])) ++next;
      fits = next == copies.size();
      if (!fits) break;
    }
    if (fits) return true;
    sheets_[at].room = before;
    made_.laid.resize(marked);
    for (const auto& [index, copies] : all) {
      for (Turned& way : ways_[index]) {
        if (at < way.from.size()) way.from[at] = 0;
      }
    }
    return false;
  }

  bool fitsAny(const std::vector<Turned>& ways) const {
    for (std::size_t film = 0; film < work_.films_.size(); ++film) {
      if (fitsOn(film, ways)) return true;
    }
    return false;
  }

  void lay(std::size_t index, const std::vector<int>& copies) {
    const Piece& piece = pieces_[index];
    if (piece.shape.empty() || copies.empty()) return;
    std::vector<Turned>& ways = ways_[index];
    if (ways.empty()) ways = waysOf(index);
    std::size_t next = 0;
    while (next < copies.size() && putOnOpen(index, copies[next], ways)) ++next;
    bool fits = next > 0;
    for (std::size_t film = 0; film < work_.films_.size() && next < copies.size(); ++film) {
      if (!fitsOn(film, ways)) continue;
      fits = true;
      while (next < copies.size() && open(film)) {
        const std::size_t before = next;
        next += fill(sheets_.size() - 1, index, copies, next, ways);
        if (next > before) continue;
        // It has no room on even an empty one, an offcut with too narrow arms.
        break;
      }
    }
    if (next == copies.size()) return;
    made_.notLaid.push_back({fits ? NotLaid::Why::tooMany : NotLaid::Why::tooLarge, index,
                             static_cast<int>(copies.size() - next)});
  }

  bool fitsOn(std::size_t film, const std::vector<Turned>& ways) const {
    const SheetSize& size = work_.films_[film].size;
    const int wide = work_.cells(film, size.wide);
    const int tall = work_.cells(film, size.tall);
    return std::any_of(ways.begin(), ways.end(), [&](const Turned& way) {
      return way.raster.wide <= wide && static_cast<int>(way.raster.rows.size()) <= tall;
    });
  }

  /// As many copies as go on an empty sheet, one by one or in rows first, whichever is more or ends
  /// lower; how many.
  std::size_t fill(std::size_t at, std::size_t index, const std::vector<int>& copies,
                   std::size_t next, std::vector<Turned>& ways) {
    const std::size_t wanted = copies.size() - next;
    const std::size_t marked = made_.laid.size();
    const Room empty = sheets_[at].room;
    std::size_t plain = 0;
    while (plain < wanted && putOn(at, index, copies[next + plain], ways)) ++plain;
    const std::size_t film = sheets_[at].film;
    if (!work_.rules_.lattices || static_cast<int>(wanted) < leastForRows || plain < 4 ||
        !work_.films_[film].outline.empty() || !work_.films_[film].room.empty()) {
      return plain;
    }
    // As many as a sheet holds of them; fewer where it is the last.
    const std::size_t asked = plain < wanted || order_.rows > 0 ? FilmPiece::many : wanted;
    const std::vector<std::vector<LatticePlace>>& all = work_.rowsOn(index, film, asked);
    if (all.empty()) return plain;
    // One after the other: a looser one may leave more at its edges.
    const std::vector<LatticePlace>& places = all[order_.rows % all.size()];
    const int plainTop = sheets_[at].room.top();
    std::vector<Laid> byOne(made_.laid.begin() + static_cast<std::ptrdiff_t>(marked),
                            made_.laid.end());
    Room plainRoom = std::exchange(sheets_[at].room, empty);
    made_.laid.resize(marked);
    for (Turned& way : ways) way.from[at] = 0;
    std::size_t rows = 0;
    for (const LatticePlace& place : places) {
      if (rows == wanted) break;
      work_.takeAt(sheets_[at].room, film, index, place.turn, place.at);
      made_.laid.push_back({index, copies[next + rows], at, place.turn, place.at});
      ++rows;
    }
    while (rows < wanted && putOn(at, index, copies[next + rows], ways)) ++rows;
    if (rows > plain || (rows == plain && sheets_[at].room.top() < plainTop)) return rows;
    sheets_[at].room = std::move(plainRoom);
    made_.laid.resize(marked);
    made_.laid.insert(made_.laid.end(), byOne.begin(), byOne.end());
    for (Turned& way : ways) way.from[at] = 0;
    return plain;
  }

  bool putOnOpen(std::size_t index, int copy, std::vector<Turned>& ways) {
    for (std::size_t sheet = 0; sheet < sheets_.size(); ++sheet) {
      if (putOn(sheet, index, copy, ways)) return true;
    }
    return false;
  }

  bool putOn(std::size_t at, std::size_t index, int copy, std::vector<Turned>& ways) {
    Sheet& sheet = sheets_[at];
    const Turned* best = nullptr;
    std::pair<int, int> place;
    int height = 0;
    const SheetSize& size = work_.films_[sheet.film].size;
    const int tall = work_.cells(sheet.film, size.tall);
    for (Turned& way : ways) {
      way.from.resize(std::max(way.from.size(), at + 1), 0);
      const auto found = sheet.room.placeFor(way.raster, way.from[at]);
      way.from[at] = found ? found->first : tall;
      if (!found) continue;
      const int reaches =
          order_.byLowest ? found->first : found->first + static_cast<int>(way.raster.rows.size());
      if (best != nullptr &&
          std::make_pair(reaches, found->second) >= std::make_pair(height, place.second)) {
        continue;
      }
      best = &way;
      place = *found;
      height = reaches;
    }
    if (best == nullptr) return false;
    sheet.room.take(best->raster, place.first, place.second);
    const double inset = work_.inset(sheet.film);
    const Point corner{inset + place.second * work_.cell(), inset + place.first * work_.cell()};
    made_.laid.push_back({index, copy, at, best->turn, corner - best->raster.low});
    return true;
  }

  /// Sheets nothing lies on are left out, and the others numbered.
  void finish() {
    std::vector<Length> reaches(sheets_.size());
    std::vector<bool> used(sheets_.size(), false);
    for (const Laid& laid : made_.laid) {
      const double top = boundsOf(shapeAt(pieces_[laid.piece], laid)).high.y;
      reaches[laid.sheet] = std::max(reaches[laid.sheet], Length::mm(top));
      used[laid.sheet] = true;
    }
    std::vector<std::size_t> numbers(sheets_.size());
    for (std::size_t i = 0; i < sheets_.size(); ++i) {
      numbers[i] = made_.sheets.size();
      if (used[i]) made_.sheets.push_back({sheets_[i].film, reaches[i]});
    }
    for (Laid& laid : made_.laid) laid.sheet = numbers[laid.sheet];
  }

  Work& work_;
  const std::vector<Piece>& pieces_;
  const ArrangeOrder& order_;
  std::vector<std::vector<Turned>> ways_;
  std::vector<std::size_t> left_;
  std::vector<Sheet> sheets_;
  std::set<std::size_t> gathered_;
  std::map<std::size_t, std::set<std::size_t>> homes_;  ///< sheets some of it was laid on by hand
  Arrangement made_;
};

void Arranger::Work::push(Arrangement& arrangement, const Arrangement& kept) const {
  for (std::size_t sheet = 0; sheet < arrangement.sheets.size(); ++sheet) {
    UsedSheet& used = arrangement.sheets[sheet];
    if (!films_[used.film].outline.empty() || !films_[used.film].room.empty()) continue;
    std::vector<Pushed> shapes;
    std::vector<std::size_t> which;
    for (std::size_t i = 0; i < arrangement.laid.size(); ++i) {
      const Laid& laid = arrangement.laid[i];
      if (laid.sheet != sheet) continue;
      const bool stays = std::find(kept.laid.begin(), kept.laid.end(), laid) != kept.laid.end();
      Polygon shape;
      for (const std::vector<Point>& outline : grown_[laid.piece]) {
        shape.push_back(simplified(outline, tolerance / 2));
      }
      shapes.push_back({movedBy(mapped(shape, turning(laid.turn)), laid.at), stays});
      which.push_back(i);
    }
    pushTogether(shapes, {inset(used.film), inset(used.film)});
    used.reaches = {};
    for (std::size_t i = 0; i < which.size(); ++i) {
      Laid& laid = arrangement.laid[which[i]];
      laid.at = laid.at + shapes[i].by;
      used.reaches =
          std::max(used.reaches, Length::mm(boundsOf(shapeAt(pieces_[laid.piece], laid)).high.y));
    }
  }
}

/// The largest first.
ArrangeOrder Arranger::Work::plainOrder() const {
  std::vector<std::size_t> sorted(pieces_.size());
  std::iota(sorted.begin(), sorted.end(), std::size_t{0});
  std::stable_sort(sorted.begin(), sorted.end(),
                   [&](std::size_t a, std::size_t b) { return areas_[a] > areas_[b]; });
  ArrangeOrder order;
  for (const std::size_t i : sorted) order.groups.push_back({i, pieces_[i].copies});
  return order;
}

Arrangement Arranger::Work::run(const ArrangeOrder& order, const Arrangement& kept) {
  cell_ = rules_.raster.mm() / (order.fine ? 2 : 1);
  turns_ = rules_.turns * (order.fine ? 3 : 1);
  return Run(*this, order)(kept);
}

std::optional<Laid> Arranger::Work::roomOn(const Arrangement& arrangement, const Laid& laid,
                                           std::size_t sheet) {
  const ArrangeOrder order;
  cell_ = rules_.raster.mm();
  turns_ = rules_.turns;
  return Run(*this, order).roomOn(arrangement, laid, sheet);
}

namespace {

/// A few groups elsewhere, some of them parted; now and then all turned otherwise, or more finely.
ArrangeOrder changed(ArrangeOrder order, long attempt) {
  order.fine = attempt % 6 == 1;
  order.rows = static_cast<std::size_t>(attempt);
  // The first time just more finely.
  if (attempt == 1) return order;
  Chance chance(attempt);
  std::vector<ArrangeOrder::Group>& groups = order.groups;
  const auto any = [&](std::size_t count) {
    return std::min(static_cast<std::size_t>(chance() * static_cast<double>(count)), count - 1);
  };
  constexpr int mostChanges = 5;
  const int changes = 1 + static_cast<int>(chance() * mostChanges);
  for (int i = 0; i < changes && !groups.empty(); ++i) {
    const std::size_t at = any(groups.size());
    ArrangeOrder::Group moved = groups[at];
    if (moved.copies > 1 && chance() < 0.5) {
      moved.copies = 1 + static_cast<int>(any(static_cast<std::size_t>(moved.copies - 1)));
      groups[at].copies -= moved.copies;
    } else {
      groups.erase(groups.begin() + static_cast<std::ptrdiff_t>(at));
    }
    // Not far: the largest still come first.
    const double far = static_cast<double>(groups.size()) * 0.3;
    const double to = static_cast<double>(at) + (2 * chance() - 1) * std::max(far, 2.0);
    const auto place =
        static_cast<std::ptrdiff_t>(std::clamp(to, 0.0, static_cast<double>(groups.size())));
    groups.insert(groups.begin() + place, moved);
  }
  if (attempt % 4 == 0) order.turnedBy = Angle::turn() * chance();
  if (attempt % 8 == 3) order.byLowest = !order.byLowest;
  return order;
}

}  // namespace

Arranger::Arranger(std::vector<Piece> pieces, std::vector<FilmPiece> films,
                   const ArrangeRules& rules)
    : work_(std::make_unique<Work>(std::move(pieces), std::move(films), rules)) {}
Arranger::Arranger(Arranger&&) noexcept = default;
Arranger& Arranger::operator=(Arranger&&) noexcept = default;
Arranger::~Arranger() = default;

Arrangement Arranger::pushed(Arrangement arrangement, const Arrangement& kept) const {
  work_->push(arrangement, kept);
  return arrangement;
}

Arrangement Arranger::operator()(const Arrangement& kept) {
  return work_->run(work_->plainOrder(), kept);
}

Arrangement Arranger::operator()(long attempt, const ArrangeOrder& best, const Arrangement& kept) {
  return work_->run(changed(best, attempt), kept);
}

std::optional<Laid> Arranger::roomOn(const Arrangement& arrangement, const Laid& laid,
                                     std::size_t sheet) {
  return work_->roomOn(arrangement, laid, sheet);
}

const std::vector<Piece>& Arranger::pieces() const {
  return work_->pieces();
}
const std::vector<FilmPiece>& Arranger::films() const {
  return work_->films();
}

Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules) {
  return Arranger(pieces, {{sheet, FilmPiece::many, false, {}}}, rules)();
}

}  // namespace avrelt
