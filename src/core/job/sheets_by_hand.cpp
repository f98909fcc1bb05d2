// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets_by_hand.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

namespace avrelt {
namespace {

/// Whether a piece may be turned so.
bool mayTurnBy(const Piece& piece, Angle turn) {
  constexpr double exact = 1e-6;
  if (piece.mayTurn == MayTurn::any) return true;
  const double off = std::abs(turn.wrapped().degrees());
  return off < exact || (piece.mayTurn == MayTurn::half && std::abs(off - 180) < exact);
}

bool twice(const Arrangement& all, const Laid& laid) {
  return std::any_of(all.laid.begin(), all.laid.end(), [&](const Laid& one) {
    return one.piece == laid.piece && one.copy == laid.copy;
  });
}

/// What a cup's record of a part laid by hand is of; nothing where it is no part of this film.
std::optional<Laid> laidOf(const FilmSheets& film, std::size_t cup, const HandLaid& hand) {
  for (std::size_t i = 0; i < film.parts.size(); ++i) {
    const SheetPart& part = film.parts[i];
    const bool its = part.cup == cup && part.purpose == hand.purpose &&
                     part.whole->id == hand.part && part.piece == hand.piece &&
                     hand.copy < film.pieces()[i].copies;
    if (its) return Laid{i, hand.copy, 0, hand.turn, hand.at};
  }
  return std::nullopt;
}

}  // namespace

Arrangement byHand(FilmSheets& film, const Plan& plan) {
  // On the film's stock, sheet by sheet as they were told apart.
  std::map<std::pair<long long, int>, std::vector<Laid>> sheets;
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    for (const HandLaid& hand : plan.cups[i].of->laidByHand) {
      if (const auto laid = laidOf(film, i, hand)) {
        sheets[{hand.stock, hand.sheet}].push_back(*laid);
      }
    }
  }
  const Arrangement before = std::exchange(film.arrangement, {});
  std::map<std::size_t, std::size_t> taken;
  for (auto& [sheet, all] : sheets) {
    const auto from = std::find(film.stock.begin(), film.stock.end(), sheet.first);
    const auto which = static_cast<std::size_t>(from - film.stock.begin());
    const bool there = from != film.stock.end() && taken[which] < film.from[which].count;
    std::size_t found = 0;
    const std::size_t number = film.arrangement.sheets.size();
    if (there) film.arrangement.sheets.push_back({which, {}});
    for (Laid& laid : all) {
      laid.sheet = number;
      const bool may = there && !twice(film.arrangement, laid) &&
                       mayTurnBy(film.pieces()[laid.piece], laid.turn) && mayLie(film, laid, laid);
      if (!may) {
        ++film.lost;
        continue;
      }
      ++found;
      Length& reaches = film.arrangement.sheets[number].reaches;
      const double top = boundsOf(shapeAt(film.pieces()[laid.piece], laid)).high.y;
      reaches = std::max(reaches, Length::mm(top));
      film.arrangement.laid.push_back(laid);
    }
    if (found > 0) {
      ++taken[which];
    } else if (there) {
      film.arrangement.sheets.pop_back();
    }
  }
  return std::exchange(film.arrangement, before);
}

HandLaid handLaidOf(const FilmSheets& film, std::size_t laid) {
  const Laid& one = film.arrangement.laid[laid];
  const SheetPart& part = film.parts[one.piece];
  HandLaid hand;
  hand.purpose = part.purpose;
  hand.part = part.whole->id;
  hand.piece = static_cast<int>(part.piece);
  hand.copy = one.copy;
  hand.stock = film.stock[film.arrangement.sheets[one.sheet].film];
  hand.sheet = static_cast<int>(one.sheet);
  hand.turn = one.turn;
  hand.at = one.at;
  return hand;
}

std::optional<Sentence> lostWords(const FilmSheets& film) {
  if (film.lost == 0) return std::nullopt;
  return Sentence{film.lost == 1
                      ? "1 part that was laid by hand does not find its sheet, or room there, any "
                        "more. It was laid anew."
                      : "%1 parts that were laid by hand do not find their sheet, or room there, "
                        "any more. They were laid anew.",
                  {film.lost}};
}

}  // namespace avrelt
