// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets_stacked.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <memory>
#include <optional>

#include "sheet/laid_out.h"
#include "sheet/strip_stack.h"

namespace avrelt {
namespace {

/// Two directions are one within this, in degrees.
constexpr double sameWay = 1e-6;

/// What strips have in common that may lie in one stack, but for their lengths.
struct Alike {
  MayTurn mayTurn = MayTurn::any;
  std::size_t together = 0;
  bool mirrored = false;
  long way = 0;  ///< where they keep their direction, by so many times `sameWay`

  friend auto operator<=>(const Alike&, const Alike&) = default;
};

struct Candidate {
  std::size_t piece = 0;
  Strip strip;
};

/// Strips that may share their long sides, one for each copy.
struct StripFamily {
  std::vector<Candidate> strips;
  MayTurn mayTurn = MayTurn::any;
  std::size_t together = 0;
  Length most;  ///< a stack of them is at most so tall
};

/// Stacks as pieces to lay, and what is left of the parts.
struct Stacked {
  std::vector<SheetPart> parts;
  std::vector<Piece> pieces;
  std::vector<std::shared_ptr<const Part>> made;
  StripStacks figures;
};

/// How tall a stack of strips may be on any of a film's sheets; 0 where they fit on none.
Length mostTall(const FilmSheets& film, Length length, MayTurn mayTurn, Angle along) {
  double most = 0;
  const double off = std::abs(std::remainder(along.degrees(), 180));
  const bool free = mayTurn == MayTurn::any;
  for (const FilmPiece& from : film.from) {
    const Box room = roomOf(from);
    if ((free || off < sameWay) && length.mm() <= room.width()) {
      most = std::max(most, room.height());
    }
    if ((free || std::abs(off - 90) < sameWay) && length.mm() <= room.height()) {
      most = std::max(most, room.width());
    }
  }
  return Length::mm(most);
}

std::vector<StripFamily> stripFamilies(const FilmSheets& film, const std::set<std::size_t>& leave) {
  std::map<Alike, std::vector<Candidate>> alike;
  for (std::size_t i = 0; i < film.parts.size(); ++i) {
    if (leave.contains(i) || film.parts[i].piece > 0) continue;
    const std::optional<Strip> strip = stripOf(*film.parts[i].part);
    if (!strip) continue;
    const Piece& piece = film.pieces()[i];
    Alike key{piece.mayTurn, piece.together, film.parts[i].part->mirrored, 0};
    if (piece.mayTurn != MayTurn::any) {
      key.way = std::lround(strip->along.degrees() / sameWay);
    }
    alike[key].insert(alike[key].end(), static_cast<std::size_t>(piece.copies), {i, *strip});
  }
  std::vector<StripFamily> stackable;
  for (auto& [key, strips] : alike) {
    std::stable_sort(strips.begin(), strips.end(), [](const Candidate& a, const Candidate& b) {
      return a.strip.length > b.strip.length;
    });
    for (std::size_t i = 0; i < strips.size();) {
      const Length longest = strips[i].strip.length;
      StripFamily family{{}, key.mayTurn, key.together, {}};
      while (i < strips.size() && longest - strips[i].strip.length <= stripsAgree) {
        family.strips.push_back(strips[i++]);
      }
      family.most = mostTall(film, longest, key.mayTurn, family.strips.front().strip.along);
      if (family.strips.size() > 1 && family.most > Length())
        stackable.push_back(std::move(family));
    }
  }
  return stackable;
}

/// The families in stacks no taller than a share of what there is room for.
Stacked stacksOf(const FilmSheets& film, const std::vector<StripFamily>& stackable, double share) {
  struct Made {
    std::vector<std::size_t> pieces;
    const StripFamily* family = nullptr;
  };
  std::vector<Made> stacks;
  std::vector<int> loose;
  for (const Piece& piece : film.pieces()) loose.push_back(piece.copies);
  for (const StripFamily& family : stackable) {
    std::vector<Length> widths;
    for (const Candidate& one : family.strips) widths.push_back(one.strip.width);
    for (const std::vector<std::size_t>& stack : stacksFor(widths, family.most * share)) {
      if (stack.size() < 2) continue;
      Made made{{}, &family};
      for (const std::size_t one : stack) {
        made.pieces.push_back(family.strips[one].piece);
        --loose[made.pieces.back()];
      }
      stacks.push_back(std::move(made));
    }
  }
  Stacked stacked;
  for (std::size_t i = 0; i < film.parts.size(); ++i) {
    if (loose[i] == 0) continue;
    stacked.parts.push_back(film.parts[i]);
    stacked.pieces.push_back(film.pieces()[i]);
    stacked.pieces.back().copies = loose[i];
  }
  // Those by themselves have the first numbers of their copies.
  std::vector<int> next = loose;
  for (const Made& made : stacks) {
    std::vector<const Part*> parts;
    for (const std::size_t piece : made.pieces) parts.push_back(film.parts[piece].part);
    StripStack stack = stackOf(parts, made.family->mayTurn);
    ++stacked.figures.stacks;
    stacked.figures.strips += static_cast<long>(made.pieces.size());
    stacked.figures.saved =
        stacked.figures.saved +
        made.family->strips.front().strip.length * (static_cast<double>(made.pieces.size()) - 1);
    stack.part.id = "stack-" + std::to_string(stacked.figures.stacks);
    SheetPart part = film.parts[made.pieces.front()];
    std::vector<StackedPart> strips;
    for (std::size_t i = 0; i < made.pieces.size(); ++i) {
      const std::size_t piece = made.pieces[i];
      strips.push_back(
          {film.parts[piece], next[piece]++, stack.strips[i].turn, stack.strips[i].at});
    }
    part.stack = std::make_shared<const std::vector<StackedPart>>(std::move(strips));
    stacked.made.push_back(std::make_shared<const Part>(std::move(stack.part)));
    part.part = stacked.made.back().get();
    stacked.pieces.push_back(
        {pieceShape(*part.part), 1, made.family->mayTurn, {}, made.family->together});
    stacked.parts.push_back(std::move(part));
  }
  return stacked;
}

long notLaidIn(const FilmSheets& film) {
  long sum = 0;
  for (const PartsNotLaid& one : notLaidOf(film)) sum += one.copies;
  return sum;
}

}  // namespace

void stackStrips(FilmSheets& film, const ArrangeRules& rules, const std::set<std::size_t>& leave) {
  const std::vector<StripFamily> stackable = stripFamilies(film, leave);
  if (stackable.empty()) return;
  constexpr double hardlyAny = 1.0 + 1e-9;
  std::optional<FilmSheets> best;
  const long left = notLaidIn(film);
  const double taken = filmTaken(film.arrangement, film.from).mm2();
  for (const double share : {1.0, 0.5, 0.25}) {
    Stacked stacked = stacksOf(film, stackable, share);
    if (stacked.figures.stacks == 0) break;
    FilmSheets tried = film;
    tried.parts = std::move(stacked.parts);
    tried.made.insert(tried.made.end(), stacked.made.begin(), stacked.made.end());
    tried.stacks = stacked.figures;
    tried.arranger = std::make_shared<Arranger>(std::move(stacked.pieces), tried.from, rules);
    tried.arrangement = (*tried.arranger)();
    const double takes = filmTaken(tried.arrangement, tried.from).mm2();
    film.stacks.tookMore = true;
    if (tried.arrangement.apart.size() > film.arrangement.apart.size()) continue;
    if (notLaidIn(tried) > left || takes > taken * hardlyAny) continue;
    if (best && takes * hardlyAny >= filmTaken(best->arrangement, best->from).mm2()) continue;
    best = std::move(tried);
  }
  if (best) film = std::move(*best);
}

}  // namespace avrelt
