// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/attempt.h"

#include <algorithm>
#include <map>
#include <numeric>
#include <set>
#include <utility>

namespace avrelt {
namespace {

/// Fewer of one shape gain nothing from rows.
constexpr int leastForRows = 8;
/// So many rectangles are looked at for a first answer, and in each further attempt.
constexpr long effortAtFirst = 400'000;
constexpr long effortLater = 2'000'000;

/// A sheet in the making.
struct OpenSheet {
  std::size_t film = 0;
  Room room;
};

/// One way a piece may be turned.
struct Turned {
  Angle turn;
  Raster raster;
  std::vector<int> from;  ///< the row below which each sheet has no room for it
};

std::vector<Angle> turnsOf(MayTurn mayTurn, int turns, Angle from) {
  if (mayTurn == MayTurn::no) return {Angle()};
  if (mayTurn == MayTurn::half) return {Angle(), Angle::halfTurn()};
  std::vector<Angle> all;
  for (int i = 0; i < std::max(turns, 1); ++i) {
    all.push_back(from + Angle::turn() * (static_cast<double>(i) / std::max(turns, 1)));
  }
  return all;
}

/// One attempt.
class Attempt {
 public:
  Attempt(Arranging& work, ArrangeOrder order)
      : work_(work), pieces_(work.pieces()), order_(std::move(order)) {
    order_.fills = false;
  }

  Arrangement operator()(const Arrangement& kept) {
    left_.assign(work_.films().size(), 0);
    for (std::size_t i = 0; i < left_.size(); ++i) left_[i] = work_.films()[i].count;
    std::vector<std::vector<bool>> done(pieces_.size());
    for (const UsedSheet& sheet : kept.sheets) open(sheet.film);
    for (const Laid& laid : kept.laid) {
      OpenSheet& sheet = sheets_[laid.sheet];
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
    if (order_.rectangles) layRectanglesFirst(copies);
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
    made_.order = std::move(order_);
    return std::move(made_);
  }

  std::optional<Laid> placeOn(const Arrangement& arrangement, const Laid& laid, std::size_t sheet) {
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
    for (const Angle turn : turnsOf(pieces_[index].mayTurn, work_.turns(),
                                    order_.turnedBy + pieces_[index].turnedFirst)) {
      ways.push_back(wayOf(index, turn));
    }
    // What fits a film at none of these may yet fit it somewhere between.
    for (std::size_t film = 0; film < work_.films().size(); ++film) {
      if (pieces_[index].mayTurn != MayTurn::any || hasRoomOn(film, ways)) continue;
      if (const auto slant = work_.slantOn(index, film)) ways.push_back(wayOf(index, *slant));
    }
    return ways;
  }

  Turned wayOf(std::size_t index, Angle turn) const {
    return {turn, rasterOf(mapped(work_.grown(index), turning(turn)), work_.cell()), {}};
  }

  /// Whether an empty sheet has room for it.
  bool hasRoomOn(std::size_t film, const std::vector<Turned>& ways) const {
    if (!fitsOn(film, ways)) return false;
    if (work_.isPlain(film)) return true;
    const Room& room = work_.emptyRoom(film);
    return std::any_of(ways.begin(), ways.end(),
                       [&](const Turned& way) { return room.placeFor(way.raster, 0).has_value(); });
  }

  bool open(std::size_t film) {
    if (left_[film] == 0 || sheets_.size() >= work_.rules().mostSheets) return false;
    --left_[film];
    sheets_.push_back({film, work_.emptyRoom(film)});
    return true;
  }

  /// Gives back the sheet opened last, on which nothing lies.
  void close() {
    ++left_[sheets_.back().film];
    sheets_.pop_back();
    for (std::vector<Turned>& ways : ways_) {
      for (Turned& way : ways) way.from.resize(std::min(way.from.size(), sheets_.size()));
    }
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
    const auto onOpen = [&](bool offcuts) {
      for (std::size_t sheet = 0; sheet < sheets_.size(); ++sheet) {
        if (isOffcut(sheets_[sheet].film) != offcuts) continue;
        if ((homes.empty() || homes.contains(sheet)) && putAllOn(sheet, all)) return true;
      }
      return false;
    };
    const auto onNew = [&](bool offcuts) {
      for (std::size_t film = 0; homes.empty() && film < work_.films().size(); ++film) {
        if (isOffcut(film) != offcuts || !open(film)) continue;
        if (putAllOn(sheets_.size() - 1, all)) return true;
        // Not even on an empty one.
        close();
      }
      return false;
    };
    return onOpen(true) || onNew(true) || onOpen(false) || onNew(false);
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
    for (std::size_t film = 0; film < work_.films().size(); ++film) {
      if (fitsOn(film, ways)) return true;
    }
    return false;
  }

  void lay(std::size_t index, const std::vector<int>& copies) {
    if (pieces_[index].shape.empty() || copies.empty()) return;
    bool fits = false;
    const std::size_t laid = layMost(index, copies, fits);
    if (laid == copies.size()) return;
    made_.notLaid.push_back({fits ? NotLaid::Why::tooMany : NotLaid::Why::tooLarge, index,
                             static_cast<int>(copies.size() - laid)});
  }

  /// As many as there is film for, offcuts first, then on sheets that are open; how many. `fits`
  /// tells whether there would be room for one if there were more film.
  std::size_t layMost(std::size_t index, const std::vector<int>& copies, bool& fits) {
    std::vector<Turned>& ways = ways_[index];
    if (ways.empty()) ways = waysOf(index);
    std::size_t next = 0;
    const std::size_t films = work_.films().size();
    for (std::size_t film = 0; film < films && next < copies.size(); ++film) {
      if (!isOffcut(film)) continue;
      next = layOnOpen(index, copies, next, [&](std::size_t of) { return of == film; });
      next = layOnNew(film, index, copies, next, fits);
    }
    next = layOnOpen(index, copies, next, [&](std::size_t of) { return !isOffcut(of); });
    fits = fits || next > 0;
    for (std::size_t film = 0; film < films && next < copies.size(); ++film) {
      if (!isOffcut(film)) next = layOnNew(film, index, copies, next, fits);
    }
    return next;
  }

  bool isOffcut(std::size_t film) const { return !work_.films()[film].outline.empty(); }

  template <typename Wanted>
  std::size_t layOnOpen(std::size_t index, const std::vector<int>& copies, std::size_t next,
                        const Wanted& wanted) {
    for (std::size_t sheet = 0; sheet < sheets_.size(); ++sheet) {
      if (!wanted(sheets_[sheet].film)) continue;
      while (next < copies.size() && putOn(sheet, index, copies[next], ways_[index])) ++next;
    }
    return next;
  }

  /// The same on fresh sheets of a film.
  std::size_t layOnNew(std::size_t film, std::size_t index, const std::vector<int>& copies,
                       std::size_t next, bool& fits) {
    while (next < copies.size() && open(film)) {
      const std::size_t at = sheets_.size() - 1;
      std::vector<Turned>& ways = ways_[index];
      const std::size_t laid =
          fitsOn(film, ways) ? fill(at, index, copies, next, ways) : std::size_t{0};
      next += laid;
      if (laid > 0) continue;
      const std::optional<Laid> closely = work_.closelyOn(index, film);
      if (!closely) {
        // It has no room on even an empty one, an offcut with too narrow arms.
        close();
        break;
      }
      work_.takeAt(sheets_[at].room, film, index, closely->turn, closely->at);
      made_.laid.push_back({index, copies[next++], at, closely->turn, closely->at});
    }
    if (next > 0) fits = true;
    // What is used up might have had room.
    if (!fits && next < copies.size() && work_.films()[film].count > 0) {
      fits = hasRoomOn(film, ways_[index]) || work_.closelyOn(index, film).has_value();
    }
    return next;
  }

  const Squared* squared(std::size_t index) const { return work_.squared(index, order_); }

  /// Rectangles edge to edge on plain sheets and rolls. Offcuts, and what something lies on
  /// already, are filled before, with all there is. What is laid is no longer among `copies`.
  void layRectanglesFirst(std::vector<std::vector<int>>& copies) {
    fillBefore(copies);
    std::vector<std::pair<std::size_t, int>> which;
    std::vector<Rectangle> sizes;
    std::vector<std::size_t> next(pieces_.size(), 0);
    for (const ArrangeOrder::Group& group : order_.groups) {
      const std::size_t index = group.piece;
      if (squared(index) == nullptr) continue;
      for (int i = 0; i < group.copies && next[index] < copies[index].size(); ++i) {
        which.emplace_back(index, copies[index][next[index]++]);
        sizes.push_back(squared(index)->size);
      }
    }
    std::vector<std::size_t> plain;
    std::vector<RectangleSheet> films;
    for (std::size_t film = 0; film < work_.films().size(); ++film) {
      if (!work_.isPlain(film) || left_[film] == 0) continue;
      const SheetSize& size = work_.films()[film].size;
      plain.push_back(film);
      films.push_back({work_.free(film, size.wide), work_.free(film, size.tall), left_[film]});
    }
    RectangleOrder order(which.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    const std::size_t most =
        work_.rules().mostSheets - std::min(work_.rules().mostSheets, sheets_.size());
    order = betterOrder(sizes, films, order, most, order_.attempt,
                        order_.attempt == 0 ? effortAtFirst : effortLater);
    const RectanglesLaid laid = layRectangles(sizes, films, order, most);

    std::vector<std::size_t> opened;
    for (const std::size_t film : laid.sheets) {
      opened.push_back(sheets_.size());
      open(plain[film]);
    }
    for (const RectanglePlace& place : laid.places) {
      const auto [index, copy] = which[place.rectangle];
      const std::size_t sheet = opened[place.sheet];
      const std::size_t film = sheets_[sheet].film;
      const Angle turn = squared(index)->turn + (place.turned ? Angle::degrees(90) : Angle());
      const Box box = boundsOf(mapped(pieces_[index].shape, turning(turn)));
      const double in = work_.rules().gap.mm() / 2 + work_.inset(film);
      const Point at = place.at + Point{in, in} - box.low;
      made_.laid.push_back({index, copy, sheet, turn, at});
      std::erase(copies[index], copy);
    }
    const bool isAll = std::all_of(copies.begin(), copies.end(),
                                   [](const std::vector<int>& one) { return one.empty(); });
    for (std::size_t i = made_.laid.size() - laid.places.size(); !isAll && i < made_.laid.size();
         ++i) {
      const Laid& one = made_.laid[i];
      OpenSheet& sheet = sheets_[one.sheet];
      work_.takeAt(sheet.room, sheet.film, one.piece, one.turn, one.at);
    }
    orderAs(order, which);
  }

  void fillBefore(std::vector<std::vector<int>>& copies) {
    const std::vector<std::size_t> all = left_;
    bool any = !sheets_.empty();
    for (std::size_t film = 0; film < left_.size(); ++film) {
      if (work_.isPlain(film)) left_[film] = 0;
      any = any || left_[film] > 0;
    }
    for (const ArrangeOrder::Group& group : order_.groups) {
      std::vector<int>& left = copies[group.piece];
      const Piece& piece = pieces_[group.piece];
      if (!any || piece.together != 0 || piece.shape.empty() || left.empty()) continue;
      const auto most = std::min(left.size(), static_cast<std::size_t>(group.copies));
      bool fits = false;
      const std::size_t laid = layMost(
          group.piece, {left.begin(), left.begin() + static_cast<std::ptrdiff_t>(most)}, fits);
      left.erase(left.begin(), left.begin() + static_cast<std::ptrdiff_t>(laid));
    }
    for (std::size_t film = 0; film < left_.size(); ++film) {
      if (work_.isPlain(film)) left_[film] = all[film];
    }
  }

  /// So the next attempt goes on from there: rectangles in the order found, then the others.
  void orderAs(const RectangleOrder& order, const std::vector<std::pair<std::size_t, int>>& which) {
    std::vector<ArrangeOrder::Group> groups;
    for (const std::size_t one : order) {
      const std::size_t index = which[one].first;
      if (!groups.empty() && groups.back().piece == index) {
        ++groups.back().copies;
      } else {
        groups.push_back({index, 1});
      }
    }
    // What found its place before, then what is no rectangle.
    std::vector<int> ordered(pieces_.size(), 0);
    for (const auto& [index, copy] : which) ++ordered[index];
    for (ArrangeOrder::Group group : order_.groups) {
      const int known = std::min(group.copies, ordered[group.piece]);
      ordered[group.piece] -= known;
      group.copies -= known;
      if (group.copies > 0) groups.push_back(group);
    }
    order_.groups = std::move(groups);
  }

  bool fitsOn(std::size_t film, const std::vector<Turned>& ways) const {
    const SheetSize& size = work_.films()[film].size;
    const int wide = work_.cells(film, size.wide);
    const int tall = work_.cells(film, size.tall);
    return std::any_of(ways.begin(), ways.end(), [&](const Turned& way) {
      return way.raster.wide <= wide && static_cast<int>(way.raster.rows.size()) <= tall;
    });
  }

  /// As many copies as go on an empty sheet, squeezed where one more goes on it so; how many.
  std::size_t fill(std::size_t at, std::size_t index, const std::vector<int>& copies,
                   std::size_t next, std::vector<Turned>& ways) {
    const std::size_t marked = made_.laid.size();
    const std::size_t laid = fillByRows(at, index, copies, next, ways);
    const std::size_t film = sheets_[at].film;
    if (!work_.rules().lattices || !work_.isPlain(film) || next + laid >= copies.size() ||
        static_cast<int>(laid) < leastForRows) {
      return laid;
    }
    order_.fills = true;
    const std::vector<LatticePlace>& places = squeezed(index, film, laid);
    if (places.empty()) return laid;
    sheets_[at].room = work_.emptyRoom(film);
    made_.laid.resize(marked);
    for (Turned& way : ways) way.from[at] = 0;
    for (std::size_t i = 0; i < places.size(); ++i) {
      work_.takeAt(sheets_[at].room, film, index, places[i].turn, places[i].at);
      made_.laid.push_back({index, copies[next + i], at, places[i].turn, places[i].at});
    }
    return places.size();
  }

  /// More than so many on a sheet: as many as are known to go on it squeezed, or one more, where
  /// that is tried and found; none otherwise.
  const std::vector<LatticePlace>& squeezed(std::size_t index, std::size_t film, std::size_t than) {
    static const std::vector<LatticePlace> none;
    auto known = std::find_if(
        order_.squeezed.begin(), order_.squeezed.end(),
        [&](const ArrangeOrder::Squeezed& one) { return one.piece == index && one.film == film; });
    const std::size_t reached = known == order_.squeezed.end() ? 0 : known->count;
    if (order_.squeeze && squeezes_.insert({index, film}).second) {
      const ArrangeOrder::Squeezed more{index, film, std::max(than, reached) + 1, order_.attempt};
      const std::vector<LatticePlace>& found = work_.squeezed(more);
      if (!found.empty()) {
        if (reached == 0) known = order_.squeezed.emplace(order_.squeezed.end());
        *known = more;
        return found;
      }
    }
    return known != order_.squeezed.end() && known->count > than ? work_.squeezed(*known) : none;
  }

  /// As many copies as go on an empty sheet, one by one or in rows first, whichever is more or ends
  /// lower; how many.
  std::size_t fillByRows(std::size_t at, std::size_t index, const std::vector<int>& copies,
                         std::size_t next, std::vector<Turned>& ways) {
    const std::size_t wanted = copies.size() - next;
    const std::size_t marked = made_.laid.size();
    const Room empty = sheets_[at].room;
    std::size_t plain = 0;
    while (plain < wanted && putOn(at, index, copies[next + plain], ways)) ++plain;
    const std::size_t film = sheets_[at].film;
    if (!work_.rules().lattices || static_cast<int>(wanted) < leastForRows || plain < 4 ||
        !work_.isPlain(film)) {
      return plain;
    }
    // As many as a sheet holds of them; fewer where it is the last.
    const std::size_t asked = plain < wanted ? FilmPiece::many : wanted;
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

  bool putOn(std::size_t at, std::size_t index, int copy, std::vector<Turned>& ways) {
    OpenSheet& sheet = sheets_[at];
    const Turned* best = nullptr;
    std::pair<int, int> place;
    int height = 0;
    const SheetSize& size = work_.films()[sheet.film].size;
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

  Arranging& work_;
  const std::vector<Piece>& pieces_;
  ArrangeOrder order_;
  std::vector<std::vector<Turned>> ways_;
  std::vector<std::size_t> left_;
  std::vector<OpenSheet> sheets_;
  std::set<std::size_t> gathered_;
  std::set<std::pair<std::size_t, std::size_t>> squeezes_;  ///< by piece and film, once each
  std::map<std::size_t, std::set<std::size_t>> homes_;  ///< sheets some of it was laid on by hand
  Arrangement made_;
};

}  // namespace

Arrangement attemptAt(Arranging& work, ArrangeOrder order, const Arrangement& kept) {
  work.beginFor(order);
  return Attempt(work, std::move(order))(kept);
}

std::optional<Laid> roomFor(Arranging& work, const Arrangement& arrangement, const Laid& laid,
                            std::size_t sheet) {
  const ArrangeOrder order;
  work.beginFor(order);
  return Attempt(work, order).placeOn(arrangement, laid, sheet);
}

}  // namespace avrelt
