// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets_alike.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

#include "job/sheets_by_hand.h"
#include "job/sheets_making.h"
#include "sheet/decal_parts.h"
#include "sheet/laid_out.h"

namespace avrelt {
namespace {

/// Whether what lies at a place of one cut lies at the same place of another, but for what their
/// films shrink by.
bool sameMiddle(const LayerPlan& one, const LayerPlan& other) {
  constexpr double exact = 1e-6;
  const Transform way = other.fromSet * inverseOf(one.fromSet);
  return std::abs(way.b) < exact && std::abs(way.c) < exact && std::abs(way.a - way.d) < exact &&
         way.a > 0 && norm(way({0, 0})) < exact;
}

/// The decals of a cup by their ids.
std::map<std::string, const Part*> decalsOf(const CupPlan& cup) {
  std::map<std::string, const Part*> decals;
  for (const Purpose& purpose : purposes()) {
    for (const PartEntry& entry : entriesOf(cup, purpose.id)) {
      for (const Part* part : entry.parts) {
        if (part->kind == PartKind::decal) decals.emplace(part->id, part);
      }
    }
  }
  return decals;
}

void addSet(std::vector<LaidAlike>& all, const SetPlan& plan, const DecalSet& set,
            const std::map<std::string, const Part*>& decals) {
  const auto printed = std::find_if(set.layers.begin(), set.layers.end(), [](const Layer& layer) {
    return layer.material == PartMaterial::printable && layer.kind != LayerKind::backing;
  });
  if (printed == set.layers.end()) return;
  const auto print = static_cast<std::size_t>(printed - set.layers.begin());
  for (std::size_t i = 0; i < set.layers.size(); ++i) {
    const Layer& layer = set.layers[i];
    if (layer.kind != LayerKind::backing || layer.material == PartMaterial::printable) continue;
    for (std::size_t make = 0; make < plan.makes.size(); ++make) {
      const std::vector<LayerPlan>& made = plan.makes[make].layers;
      // A set whose artwork is gone has no layers to cut.
      if (std::max(i, print) >= made.size()) continue;
      if (made[i].mirrored != made[print].mirrored || !sameMiddle(made[print], made[i])) continue;
      for (const std::string& under : layerPartIds(plan, i, make)) {
        for (const std::string& over : layerPartIds(plan, print, make)) {
          const auto part = decals.find(under);
          const auto its = decals.find(over);
          if (part == decals.end() || its == decals.end()) continue;
          if (part->second->zones == its->second->zones) {
            all.push_back({part->second, its->second});
          }
        }
      }
    }
  }
}

/// The part of a film, laid by itself and whole.
std::optional<std::size_t> pieceOf(const FilmSheets& film, const Part* whole) {
  for (std::size_t i = 0; i < film.parts.size(); ++i) {
    const SheetPart& part = film.parts[i];
    if (part.whole == whole && part.piece == 0 && !part.stack) return i;
  }
  return std::nullopt;
}

/// The first of a film's stock that is a sheet at least so large and not used up; nothing where
/// there is none.
std::optional<std::size_t> sheetFor(const FilmSheets& film, const SheetSize& size,
                                    const Arrangement& so) {
  for (std::size_t i = 0; i < film.from.size(); ++i) {
    const FilmPiece& from = film.from[i];
    const auto taken = std::count_if(so.sheets.begin(), so.sheets.end(),
                                     [i](const UsedSheet& sheet) { return sheet.film == i; });
    if (from.outline.empty() && static_cast<std::size_t>(taken) < from.count &&
        from.size.wide >= size.wide && from.size.tall >= size.tall) {
      return i;
    }
  }
  return std::nullopt;
}

/// Why it does not lie there: it reaches into the sheet's margin, or too near to another.
void noteNoRoom(FilmSheets& film, const Laid& laid) {
  const FilmPiece& piece = film.from[film.arrangement.sheets[laid.sheet].film];
  const Box box = boundsOf(shapeAt(film.pieces()[laid.piece], laid));
  const double least = std::min(
      {box.low.x, box.low.y, piece.size.wide.mm() - box.high.x, piece.size.tall.mm() - box.high.y});
  if (least >= piece.size.margin.mm()) {
    ++film.notAlike.noRoom;
    return;
  }
  ++film.notAlike.atEdge;
  film.notAlike.free = std::min(film.notAlike.free, Length::mm(least));
}

}  // namespace

void NotAlike::add(const NotAlike& other) {
  noSheet += other.noSheet;
  wanted.wide = std::max(wanted.wide, other.wanted.wide);
  wanted.tall = std::max(wanted.tall, other.wanted.tall);
  atEdge += other.atEdge;
  free = std::min(free, other.free);
  noRoom += other.noRoom;
}

std::vector<LaidAlike> alikeOf(const Plan& plan) {
  std::vector<LaidAlike> all;
  for (const CupPlan& cup : plan.cups) {
    const std::map<std::string, const Part*> decals = decalsOf(cup);
    for (const SetPlan& planned : cup.sets) {
      for (const DecalSet& set : cup.of->sets) {
        if (set.id == planned.id) addSet(all, planned, set, decals);
      }
    }
  }
  return all;
}

std::set<std::size_t> laidAlike(const FilmSheets& film, const std::vector<LaidAlike>& alike) {
  std::set<std::size_t> pieces;
  for (const LaidAlike& one : alike) {
    if (const auto piece = pieceOf(film, one.part)) pieces.insert(*piece);
  }
  return pieces;
}

void keepClear(const FilmSheets& film, std::vector<Piece>& pieces,
               const std::vector<LaidAlike>& alike, Length margin) {
  if (!film.prints()) return;
  // The backing's own sheet may take more of a margin than what can be printed has.
  double more = 0;
  for (const FilmPiece& from : film.from) {
    const Box room = roomOf(from);
    const double m = margin.mm();
    more = std::max({more, m - room.low.x, m - room.low.y, room.high.x - from.size.wide.mm() + m,
                     room.high.y - from.size.tall.mm() + m});
  }
  for (const LaidAlike& one : alike) {
    const auto print = pieceOf(film, one.print);
    if (!print) continue;
    Polygon& clear = pieces[*print].clear;
    clear = unionOf({clear, offsetBy(pieceShape(*one.part), Length::mm(more), Corners::sharp)});
  }
}

bool dropClear(const FilmSheets& film, std::vector<Piece>& pieces) {
  bool any = false;
  for (const NotLaid& one : film.arrangement.notLaid) {
    if (one.why != NotLaid::Why::tooLarge || pieces[one.piece].clear.empty()) continue;
    pieces[one.piece].clear.clear();
    any = true;
  }
  return any;
}

Arrangement likePrints(FilmSheets& film, const SheetPlan& sheets) {
  film.alike.clear();
  film.likeSheets.clear();
  film.notAlike = {};
  Arrangement kept;
  if (film.prints()) return kept;
  const Arrangement before = std::exchange(film.arrangement, {});
  const auto lay = [&](std::size_t from, const Laid& print, const Laid& wanted) {
    const std::pair<std::size_t, std::size_t> like{from, print.sheet};
    const auto known = std::find(film.likeSheets.begin(), film.likeSheets.end(), like);
    Laid laid = wanted;
    laid.sheet = static_cast<std::size_t>(known - film.likeSheets.begin());
    const bool isNew = known == film.likeSheets.end();
    if (isNew) {
      const SheetSize size = sheets.films[from].sizeOf(print.sheet);
      const auto stock = sheetFor(film, size, film.arrangement);
      if (!stock) {
        ++film.notAlike.noSheet;
        film.notAlike.wanted.wide = std::max(film.notAlike.wanted.wide, size.wide);
        film.notAlike.wanted.tall = std::max(film.notAlike.wanted.tall, size.tall);
        return;
      }
      film.arrangement.sheets.push_back({*stock, {}});
    }
    if (!layOne(film, laid)) {
      noteNoRoom(film, laid);
      if (isNew) film.arrangement.sheets.pop_back();
      return;
    }
    if (isNew) film.likeSheets.push_back(like);
    film.alike.insert({laid.piece, laid.copy});
  };
  for (const LaidAlike& one : sheets.alike) {
    const auto piece = pieceOf(film, one.part);
    if (!piece) continue;
    for (std::size_t from = 0; from < sheets.films.size(); ++from) {
      const FilmSheets& prints = sheets.films[from];
      const auto over = prints.prints() ? pieceOf(prints, one.print) : std::nullopt;
      if (!over) continue;
      for (const Laid& print : prints.arrangement.laid) {
        if (print.piece != *over || print.copy >= film.pieces()[*piece].copies) continue;
        lay(from, print, {*piece, print.copy, 0, print.turn, print.at});
      }
    }
  }
  return std::exchange(film.arrangement, before);
}

void followPrints(SheetPlan& sheets) {
  for (FilmSheets& film : sheets.films) {
    if (film.prints() || laidAlike(film, sheets.alike).empty()) continue;
    const std::vector<std::pair<std::size_t, std::size_t>> before = film.likeSheets;
    Arrangement kept = likePrints(film, sheets);
    addMoved(film, before, kept);
    film.arrangement = (*film.arranger)(kept);
    measure(film);
  }
}

}  // namespace avrelt
