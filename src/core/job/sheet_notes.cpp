// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheet_notes.h"

#include <algorithm>
#include <utility>

namespace avrelt {
namespace {

/// One way to say it of one, another of several, which have the number as their first part and
/// after it what `more` is.
template <typename... More>
std::optional<Sentence> counted(long count, const char* one, const char* several, More... more) {
  if (count == 0) return std::nullopt;
  return Sentence{count == 1 ? one : several, {count, more...}};
}

std::optional<Sentence> forgottenWords(long count) {
  return counted(count,
                 "1 place by hand is of a part that is not cut so any more; it is forgotten with "
                 "the next part laid by hand.",
                 "%1 places by hand are of parts that are not cut so any more; they are forgotten "
                 "with the next part laid by hand.");
}

std::optional<Sentence> notFedWords(long count) {
  return counted(count,
                 "1 piece of printable film on the shelf is left out: the printer does not take "
                 "it.",
                 "%1 pieces of printable film on the shelf are left out: the printer does not take "
                 "them.");
}

std::optional<Sentence> noSheetWords(const NotAlike& of) {
  return counted(of.noSheet,
                 "1 backing does not lie as its print does, whose sheet is larger. Take sheets of "
                 "at least %2 by %3.",
                 "%1 backings do not lie as their prints do, whose sheets are larger. Take sheets "
                 "of at least %2 by %3.",
                 of.wanted.wide, of.wanted.tall);
}

std::optional<Sentence> atEdgeWords(const NotAlike& of) {
  if (of.free > Length()) {
    return counted(of.atEdge,
                   "1 backing does not lie as its print does: it comes to %2 of the sheet's edge. "
                   "Take a smaller margin.",
                   "%1 backings do not lie as their prints do: they come to %2 of the sheet's "
                   "edge. Take a smaller margin.",
                   of.free);
  }
  return counted(of.atEdge,
                 "1 backing does not lie as its print does: the print fills its sheet, and the "
                 "backing reaches over the edge. Make the set smaller, or print it on larger "
                 "paper.",
                 "%1 backings do not lie as their prints do: the prints fill their sheets, and "
                 "the backings reach over the edge. Make the sets smaller, or print them on "
                 "larger paper.");
}

std::optional<Sentence> noRoomWords(const NotAlike& of) {
  return counted(of.noRoom,
                 "1 backing does not lie as its print does: another part is too near there. Take "
                 "a smaller gap, or let parts laid by hand go.",
                 "%1 backings do not lie as their prints do: other parts are too near there. Take "
                 "a smaller gap, or let parts laid by hand go.");
}

/// What keeps prints apart besides the gap that was asked for.
void addKeptApart(std::vector<Sentence>& notes, const SheetPlan& sheets) {
  bool byBleed = false;
  bool byBacking = false;
  for (const FilmSheets& film : sheets.films) {
    if (!film.prints() || film.arrangement.laid.size() < 2) continue;
    byBleed = byBleed || film.gap > sheets.choices.rules.gap;
    byBacking = byBacking || std::any_of(film.pieces().begin(), film.pieces().end(),
                                         [](const Piece& piece) { return !piece.clear.empty(); });
  }
  if (byBleed) {
    notes.push_back(
        {"Prints lie %1 apart, twice the printer’s bleed.", {sheets.choices.printer.bleed * 2}});
  }
  if (byBacking) {
    notes.push_back({"Prints lie as far apart as the backings that are to lie like them.", {}});
  }
}

std::optional<Sentence> stackWords(const StripStacks& stacks) {
  if (stacks.stacks == 0) return std::nullopt;
  return Sentence{stacks.stacks == 1
                      ? "%1 strips lie edge to edge in 1 stack, which saves %3 of cutting."
                      : "%1 strips lie edge to edge in %2 stacks, which saves %3 of cutting.",
                  {stacks.strips, stacks.stacks, stacks.saved}};
}

}  // namespace

std::vector<Sentence> notesOn(const SheetPlan& sheets) {
  std::vector<Sentence> notes;
  const auto say = [&notes](std::optional<Sentence> words) {
    if (words) notes.push_back(std::move(*words));
  };
  long notFed = 0;
  long lost = 0;
  bool alike = false;
  NotAlike notAlike;
  StripStacks stacks;
  for (const FilmSheets& film : sheets.films) {
    notFed += film.notFed;
    lost += film.lost;
    notAlike.add(film.notAlike);
    alike = alike || !film.alike.empty();
    stacks.strips += film.stacks.strips;
    stacks.stacks += film.stacks.stacks;
    stacks.saved = stacks.saved + film.stacks.saved;
    stacks.tookMore = stacks.tookMore || film.stacks.tookMore;
  }
  say(notFedWords(notFed));
  say(forgottenWords(static_cast<long>(sheets.forgotten.size())));
  say(lostWords(lost));
  for (const FilmSheets& film : sheets.films) {
    say(togetherWords(film));
    for (LaidApart& one : laidApart(sheets, film)) notes.push_back(std::move(one.words));
  }
  say(stackWords(stacks));
  if (stacks.tookMore) {
    notes.push_back({"Some strips lie apart: edge to edge they would take more film.", {}});
  }
  say(noSheetWords(notAlike));
  say(atEdgeWords(notAlike));
  say(noRoomWords(notAlike));
  addKeptApart(notes, sheets);
  if (alike) {
    notes.push_back(
        {"Backings lie as their prints do: lay the sheets on each other at their lower "
         "left corners.",
         {}});
  }
  return notes;
}

std::optional<Sentence> lostWords(long lost) {
  return counted(lost,
                 "1 part that was laid by hand does not find its sheet, or room there, any more. "
                 "It was laid anew.",
                 "%1 parts that were laid by hand do not find their sheet, or room there, any "
                 "more. They were laid anew.");
}

std::optional<Sentence> togetherWords(const FilmSheets& film) {
  constexpr double hardlyAny = 0.01;
  if (film.looseTakes <= Area()) return std::nullopt;
  const double more = filmTaken(film.arrangement, film.from).mm2() / film.looseTakes.mm2() - 1;
  if (more < hardlyAny) return std::nullopt;
  return Sentence{"Kept together, these parts take %1 % more film than they would lying anywhere.",
                  {numberText(more * 100, more < 0.1 ? 1 : 0)}};
}

}  // namespace avrelt
