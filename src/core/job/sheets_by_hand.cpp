// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets_by_hand.h"

#include <algorithm>
#include <map>
#include <optional>
#include <utility>
#include <vector>

#include "job/sheets_making.h"

namespace avrelt {
namespace {

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
                     part.strips() == static_cast<std::size_t>(hand.strips);
    if (!its) continue;
    if (part.stack && part.stack->front().copy == hand.copy) {
      return Laid{i, 0, 0, hand.turn, hand.at};
    }
    if (!part.stack && hand.copy < film.pieces()[i].copies) {
      return Laid{i, hand.copy, 0, hand.turn, hand.at};
    }
  }
  return std::nullopt;
}

/// What was laid by hand on one sheet: of which of the film's stock, and where it is known which
/// of those that are laid already.
struct HandSheet {
  std::optional<std::size_t> stock;
  std::optional<std::size_t> at;
  std::vector<Laid> laid;
};

/// Lays on what is kept, sheet by sheet; how many do not find their sheet or room on it.
long layOn(FilmSheets& film, std::vector<HandSheet>& sheets, Arrangement& kept) {
  const Arrangement before = std::exchange(film.arrangement, std::move(kept));
  Arrangement& all = film.arrangement;
  long lost = 0;
  for (HandSheet& sheet : sheets) {
    const auto taken = std::count_if(all.sheets.begin(), all.sheets.end(), [&](const auto& used) {
      return sheet.stock && used.film == *sheet.stock;
    });
    const bool there = sheet.at || (sheet.stock && static_cast<std::size_t>(taken) <
                                                       film.from[*sheet.stock].count);
    const std::size_t number = sheet.at.value_or(all.sheets.size());
    if (there && !sheet.at) all.sheets.push_back({*sheet.stock, {}});
    std::size_t found = 0;
    for (Laid& laid : sheet.laid) {
      laid.sheet = number;
      // A backing that lies as its print does is there already.
      if (film.alike.contains({laid.piece, laid.copy})) continue;
      if (!there || twice(all, laid) || !layOne(film, laid)) {
        ++lost;
        continue;
      }
      ++found;
      film.byHand.insert({laid.piece, laid.copy});
    }
    if (there && !sheet.at && found == 0) all.sheets.pop_back();
  }
  kept = std::exchange(film.arrangement, before);
  return lost;
}

}  // namespace

void addByHand(FilmSheets& film, const Plan& plan, Arrangement& kept) {
  // On the film's stock, sheet by sheet as they were told apart.
  std::map<std::pair<long long, int>, std::vector<Laid>> sheets;
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    for (const HandLaid& hand : plan.cups[i].of->laidByHand) {
      if (const auto laid = laidOf(film, i, hand)) {
        sheets[{hand.stock, hand.sheet}].push_back(*laid);
      }
    }
  }
  std::vector<HandSheet> hands;
  for (auto& [sheet, laid] : sheets) {
    HandSheet hand{{}, {}, std::move(laid)};
    const auto stock = std::find(film.stock.begin(), film.stock.end(), sheet.first);
    if (stock != film.stock.end()) {
      hand.stock = static_cast<std::size_t>(stock - film.stock.begin());
      const auto number = static_cast<std::size_t>(sheet.second);
      const bool known = number < film.likeSheets.size() && number < kept.sheets.size() &&
                         kept.sheets[number].film == *hand.stock;
      if (known) hand.at = number;
    }
    hands.push_back(std::move(hand));
  }
  film.byHand.clear();
  film.lost = layOn(film, hands, kept);
}

void addMoved(FilmSheets& film, const std::vector<std::pair<std::size_t, std::size_t>>& likeSheets,
              Arrangement& kept) {
  std::map<std::size_t, std::vector<Laid>> sheets;
  for (const Laid& laid : film.arrangement.laid) {
    if (film.byHand.contains({laid.piece, laid.copy})) sheets[laid.sheet].push_back(laid);
  }
  std::vector<HandSheet> hands;
  for (auto& [sheet, laid] : sheets) {
    HandSheet hand{film.arrangement.sheets[sheet].film, {}, std::move(laid)};
    if (sheet < likeSheets.size()) {
      const auto now = std::find(film.likeSheets.begin(), film.likeSheets.end(), likeSheets[sheet]);
      if (now != film.likeSheets.end()) {
        hand.at = static_cast<std::size_t>(now - film.likeSheets.begin());
      }
    }
    hands.push_back(std::move(hand));
  }
  film.byHand.clear();
  film.lost += layOn(film, hands, kept);
}

bool isOf(const FilmSheets& film, std::size_t cup, const HandLaid& hand) {
  return laidOf(film, cup, hand).has_value();
}

Arrangement keptOf(const FilmSheets& film) {
  Arrangement kept;
  for (const Laid& laid : film.arrangement.laid) {
    const std::pair<std::size_t, int> which{laid.piece, laid.copy};
    if (film.byHand.contains(which) || film.alike.contains(which)) kept.laid.push_back(laid);
  }
  if (!kept.laid.empty()) kept.sheets = film.arrangement.sheets;
  return kept;
}

std::set<std::size_t> laidSinglyByHand(const FilmSheets& film, const Plan& plan) {
  std::set<std::size_t> pieces;
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    for (const HandLaid& hand : plan.cups[i].of->laidByHand) {
      if (hand.strips > 0) continue;
      if (const auto laid = laidOf(film, i, hand)) pieces.insert(laid->piece);
    }
  }
  return pieces;
}

HandLaid handLaidOf(const FilmSheets& film, std::size_t laid) {
  const Laid& one = film.arrangement.laid[laid];
  const SheetPart& part = film.parts[one.piece];
  HandLaid hand;
  hand.purpose = part.purpose;
  hand.part = part.whole->id;
  hand.piece = static_cast<int>(part.piece);
  hand.copy = !part.stack ? one.copy : part.stack->front().copy;
  hand.strips = static_cast<int>(part.strips());
  hand.stock = film.stock[film.arrangement.sheets[one.sheet].film];
  hand.sheet = static_cast<int>(one.sheet);
  hand.turn = one.turn;
  hand.at = one.at;
  return hand;
}

}  // namespace avrelt
