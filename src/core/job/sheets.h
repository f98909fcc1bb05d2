// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "job/film_wanted.h"
#include "sheet/arrange.h"
#include "sheet/film_shelf.h"
#include "sheet/print_sheet.h"

namespace avrelt {

/// Whose parts lie on one sheet of their film, where one has room for them all.
enum class Together { nobodys, sets, cups };
/// "nobodys", "sets", "cups": as it is kept and asked for by; nobody's for any other word.
const char* togetherName(Together together);
Together togetherNamed(std::string_view name);

/// How parts are laid on sheets.
struct SheetChoices {
  SheetSize size;  ///< of plain sheets, for films the shelf has none of
  ArrangeRules rules;
  /// The shelf's film for what is wanted, by its key, where it is not the likeliest; 0 for none.
  std::map<FilmWanted, long long> films;
  Printer printer{};           ///< of film that is printed first
  Length lap = Length::mm(6);  ///< of pieces of parts that are longer than any sheet
  bool weeding = false;        ///< boxes round the parts, cuts across their waste
  bool alike = false;          ///< backings lie on their sheets as their prints do on theirs
  bool stack = false;          ///< strips of one length edge to edge, where that takes no more film
  Together together = Together::nobodys;
};
/// Sheets of 12 by 24 in, or 300 by 600 mm, a quarter of an inch or 6 mm of margin, 1/16 in or
/// 1.5 mm from part to part: what plain sheets are cut to, common practice.
SheetChoices usualSheets(Unit unit);

struct StackedPart;

/// A part to be laid, of one of the cups.
struct SheetPart {
  std::size_t cup = 0;
  std::string purpose;
  const Part* part = nullptr;   ///< of the plan, or a piece of one
  const Part* whole = nullptr;  ///< of the plan
  bool several = false;         ///< one of those that are made for the same thing
  /// Which of how many pieces of a part that is longer than any sheet; 0 of one that is whole.
  long piece = 0;
  long pieces = 0;
  /// Of several that are cut edge to edge all of them, from below; the rest is of the first.
  std::shared_ptr<const std::vector<StackedPart>> stack{};

  /// Of how many strips it is a stack; 0 of what is none.
  std::size_t strips() const;
};

/// One of several parts that are cut edge to edge, and where it lies among them.
struct StackedPart {
  SheetPart part;
  int copy = 0;  ///< from 0
  Angle turn;    ///< to the left about its origin, then moved
  Point at;
};

/// What cutting strips edge to edge comes to.
struct StripStacks {
  long strips = 0;
  long stacks = 0;
  Length saved;           ///< so much less is cut
  bool tookMore = false;  ///< there could be some, but they would take more film
};

/// Whose parts are kept together: a cup's, or one of its sets'.
struct KeptTogether {
  std::size_t cup = 0;
  std::string set;  ///< its id; empty for all of the cup

  friend auto operator<=>(const KeptTogether&, const KeptTogether&) = default;
};

/// Backings that may not lie as their prints do, and why.
struct NotAlike {
  long noSheet = 0;               ///< there is no sheet as large as the print's
  SheetSize wanted;               ///< as large as the largest of those
  long atEdge = 0;                ///< they reach into the margin of their sheet
  Length free = Length::mm(1e6);  ///< how far the worst of those is from the edge; below 0 over it
  long noRoom = 0;                ///< they come too near to others

  long count() const { return noSheet + atEdge + noRoom; }
  /// Those of another film, too.
  void add(const NotAlike& other);
};

/// All that is cut from one film, across cups: what there is of it is used up once.
struct FilmSheets {
  FilmWanted wanted;                  ///< by the first of its parts
  std::vector<FilmWanted> wantedToo;  ///< what else is cut from the same film of the shelf
  std::optional<ShelfFilm> film;      ///< the shelf's; plain sheets are assumed where it has none
  std::vector<SheetPart> parts;
  std::vector<FilmPiece> from;   ///< what there is to lay them on, offcuts first
  std::vector<long long> stock;  ///< the shelf's keys of these; 0 for the plain sheets assumed
  std::vector<std::shared_ptr<const Part>> made;  ///< pieces of long parts, stacks of strips
  bool weeding = false;
  StripStacks stacks{};
  std::vector<KeptTogether> together;  ///< by the number its pieces have, from 1
  /// What the same parts would take at once if nothing were kept together; 0 where nothing is.
  Area looseTakes;
  Length gap;  ///< the least between any two of its parts
  /// Of printable film how much of the shelf's the printer does not take.
  long notFed = 0;
  /// By piece and copy, what lies as its print does.
  std::set<std::pair<std::size_t, int>> alike;
  /// Its first sheets are like these, by their films and their numbers there.
  std::vector<std::pair<std::size_t, std::size_t>> likeSheets;
  NotAlike notAlike;
  /// By piece and copy, what lies where it was put by hand.
  std::set<std::pair<std::size_t, int>> byHand;
  /// How many that were put by hand do not find their sheet, or room on it, any more.
  long lost = 0;
  std::shared_ptr<Arranger> arranger;  ///< holds the pieces, of each part
  long attempts = 0;
  Arrangement arrangement;
  std::vector<double> used;  ///< of each sheet, the share its parts cover

  const std::vector<Piece>& pieces() const { return arranger->pieces(); }
  /// As large as a sheet is; of a roll, what is cut off it.
  SheetSize sizeOf(std::size_t sheet) const;
  /// Whether its sheets are printed before they are cut.
  bool prints() const { return wanted.kind == PartMaterial::printable; }
  bool isPlain(std::size_t sheet) const { return stock[arrangement.sheets[sheet].film] == 0; }
  double usedOfAll() const;
  /// By the shelf's price; nothing where it has none.
  std::optional<double> price() const;
};

/// A backing that lies on its sheet as its print does on its own.
struct LaidAlike {
  const Part* part = nullptr;   ///< of the plan
  const Part* print = nullptr;  ///< of the plan
};

/// Every part of an order on sheets, film by film.
struct SheetPlan {
  std::shared_ptr<const Plan> plan;
  SheetChoices choices;
  std::vector<FilmSheets> films;
  std::vector<LaidAlike> alike;
  /// What cups keep as laid by hand of parts that are not cut so any more, by cup.
  std::vector<std::pair<std::size_t, HandLaid>> forgotten;

  std::size_t sheets() const;
};

/// Told how many parts are laid of how many; false stops.
using SheetsGoing = std::function<bool(std::size_t done, std::size_t all)>;

/// Lays every part of every cup that is cut and is not ticked as cut, paper left out, each with its
/// copies and spares. What the shelf has of a film is used, its offcuts first, the smallest first,
/// then sheets, then rolls; what it has none of, or not enough, goes on plain sheets. What is
/// printed first goes on sheets that the printer takes, within what it can print, so far apart that
/// no bleed meets another. What was laid by hand lies there again, as far as its sheet is there and
/// it may lie so, and the rest round it. Film, stencils and strips longer than any sheet are
/// parted; strips of one length are stacked where that is wanted. Faults name the choice:
/// "sheet.wide", "sheet.gap", "printer.left".
CheckedAll<SheetPlan> sheetsOf(const std::shared_ptr<const Plan>& plan, const FilmShelf& shelf,
                               const SheetChoices& choices, const SheetsGoing& going = {});

/// Tries a film once more; whether that found something denser. What was laid by hand stays where
/// it lies, and backings follow their prints.
bool improve(SheetPlan& sheets, std::size_t film);
/// Lays backings anew after their prints were moved, and what else is on their films round them.
void followPrints(SheetPlan& sheets);
/// What of a film stays where it lies whatever is tried.
Arrangement keptOf(const FilmSheets& film);

/// A part of a cup where it lies on a sheet: turned to the left about its origin, then moved.
struct PartOnSheet {
  const SheetPart* part = nullptr;
  int copy = 0;
  Angle turn;
  Point at;
};
/// What lies where a piece does: itself, or each strip of a stack.
std::vector<PartOnSheet> partsAt(const FilmSheets& film, const Laid& laid);
/// How many strips come off a sheet's stacks besides the stacks themselves: a cut frees each.
long stripsFreed(const FilmSheets& film, std::size_t sheet);
/// The outline of one where it lies, mm.
std::vector<Point> outlineOf(const PartOnSheet& one);
/// What of a film's parts is on no sheet, strip by strip, with how many of each.
struct PartsNotLaid {
  const SheetPart* part = nullptr;
  long copies = 1;
  NotLaid::Why why = NotLaid::Why::tooLarge;
};
std::vector<PartsNotLaid> notLaidOf(const FilmSheets& film);

/// What lies on one sheet, each part where it lies, the sheet's lower left at 0; last what helps to
/// weed it, where that is wanted.
PartSet onSheet(const FilmSheets& film, std::size_t sheet);
/// The same with what each part is called written on it, and the sheet's edge drawn.
PartSet mapOf(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet);
/// What helps to weed a sheet; nothing where that is not wanted, or has no room.
std::optional<Part> weedingOn(const FilmSheets& film, std::size_t sheet);
/// What a part is called among others: "Comet, zone A".
Sentence nameOf(const SheetPlan& sheets, const SheetPart& part);
/// A cup or a set whose parts were to lie on one sheet of a film, and lie on several.
struct LaidApart {
  const KeptTogether* who = nullptr;  ///< of the film
  long sheets = 0;
  Sentence words;  ///< what to do about it
};
std::vector<LaidApart> laidApart(const SheetPlan& sheets, const FilmSheets& film);
/// What a sheet comes to: all of it, and the parts that lie on it.
struct SheetArea {
  Area whole;
  Area parts;
};
SheetArea areaOf(const FilmSheets& film, std::size_t sheet);
struct SheetEntries {
  std::vector<CupEntry> whole;   ///< all of it lies on the sheet, every copy and piece
  std::vector<CupEntry> partly;  ///< the rest lies elsewhere, or nowhere
};
/// What is cut once a sheet is, in the order of cups and purposes.
SheetEntries entriesOn(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet);
/// The largest rectangle left of a sheet, at least 50 mm both ways and as far from parts as they
/// are from each other.
std::optional<Box> offcutOf(const FilmSheets& film, std::size_t sheet);

/// Whether a part that is laid may lie there instead: on the film, and nowhere nearer to another
/// than the gap. `laid` is one of the film's; `to` says where.
bool mayLie(const FilmSheets& film, const Laid& laid, const Laid& to);

/// Lays one of a film's parts elsewhere, on another of its sheets if need be, where it may lie;
/// whether it may.
bool moveTo(FilmSheets& film, std::size_t laid, const Laid& to);

/// Lays one of a film's parts on another of its sheets, where it finds room there; whether it does.
bool sendTo(FilmSheets& film, std::size_t laid, std::size_t sheet);

/// Where one of a film's parts lies, as its cup keeps it once it was put there by hand.
HandLaid handLaidOf(const FilmSheets& film, std::size_t laid);
/// Why two parts that are laid come too near, in words, before anything is saved or sent.
std::optional<Sentence> tooNear(const SheetPlan& sheets);

}  // namespace avrelt
