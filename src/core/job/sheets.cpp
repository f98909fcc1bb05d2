// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>
#include <utility>

#include "job/sheets_by_hand.h"
#include "sheet/offcut.h"
#include "sheet/split_part.h"
#include "sheet/weeding.h"

namespace avrelt {
namespace {

/// Curves are followed so closely that what they stand out beyond their chords is less than
/// `arrange` keeps to spare.
constexpr Length outlineTolerance = Length::mm(0.005);

Polygon shapeOf(const Part& part) {
  Polygon shape{flattened(part.outline, outlineTolerance)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, outlineTolerance));
  }
  return shape;
}

void check(const SheetChoices& choices, Faults& faults) {
  const auto refuseIf = [&](bool wrong, const char* field, const char* words) {
    if (wrong) faults.push_back({field, {words, {}}});
  };
  constexpr Length least = Length::mm(20);
  constexpr Length most = Length::mm(3000);
  const SheetSize& size = choices.size;
  refuseIf(size.wide < least || size.wide > most, "sheet.wide",
           "How wide is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.tall < least || size.tall > most, "sheet.tall",
           "How tall is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.margin < Length() || size.margin * 2 >= std::min(size.wide, size.tall),
           "sheet.margin", "The margins leave nothing of the sheet. Give less.");
  refuseIf(choices.lap < Length() || choices.lap > Length::mm(50), "sheet.lap",
           "How far do pieces of a long part lap? Give up to 50 mm.");
  refuseIf(choices.rules.gap < Length() || choices.rules.gap > Length::mm(50), "sheet.gap",
           "How far apart are parts to lie? Give up to 50 mm.");
}

}  // namespace

const char* togetherName(Together together) {
  switch (together) {
    case Together::sets:
      return "sets";
    case Together::cups:
      return "cups";
    case Together::nobodys:
      break;
  }
  return "nobodys";
}

Together togetherNamed(std::string_view name) {
  for (const Together one : {Together::sets, Together::cups}) {
    if (name == togetherName(one)) return one;
  }
  return Together::nobodys;
}

SheetChoices usualSheets(Unit unit) {
  SheetChoices choices;
  const bool inches = unit == Unit::inch;
  choices.size = inches ? SheetSize{Length::inches(12), Length::inches(24), Length::inches(0.25)}
                        : SheetSize{Length::mm(300), Length::mm(600), Length::mm(6)};
  choices.printer = usualPrinter(usualPaper(unit));
  if (inches) choices.lap = Length::inches(0.25);
  choices.rules.gap = inches ? Length::inches(1.0 / 16) : Length::mm(1.5);
  return choices;
}

SheetSize FilmSheets::sizeOf(std::size_t sheet) const {
  const UsedSheet& taken = arrangement.sheets[sheet];
  const FilmPiece& piece = from[taken.film];
  SheetSize size = piece.size;
  if (piece.roll) size.tall = std::min(taken.reaches + size.margin, size.tall);
  return size;
}

double FilmSheets::usedOfAll() const {
  double sum = 0;
  for (const double share : used) sum += share;
  return used.empty() ? 0 : sum / static_cast<double>(used.size());
}

std::optional<double> FilmSheets::price() const {
  if (!film || film->pricePerM2 <= 0) return std::nullopt;
  constexpr double perM2 = 1e6;
  return filmTaken(arrangement, from).mm2() / perM2 * film->pricePerM2;
}

std::size_t SheetPlan::sheets() const {
  std::size_t sum = 0;
  for (const FilmSheets& film : films) sum += film.arrangement.sheets.size();
  return sum;
}

namespace {

/// What there is of a film, in the order it is used up.
void takeStock(FilmSheets& film, const FilmShelf& shelf, const SheetChoices& choices) {
  struct Ranked {
    int rank;
    double area;
    FilmPiece piece;
    long long key;
  };
  std::vector<Ranked> all;
  for (const FilmStock& stock : shelf.stock) {
    if (!film.film || stock.film != film.film->key || stock.count < 1 || !faultsOf(stock).empty()) {
      continue;
    }
    FilmPiece piece;
    piece.size = {stock.wide, stock.tall, choices.size.margin};
    piece.count = static_cast<std::size_t>(stock.shape == StockShape::sheet ? stock.count : 1);
    piece.roll = stock.shape == StockShape::roll;
    if (stock.shape == StockShape::offcut) {
      const double wide = stock.wide.mm();
      const double tall = stock.tall.mm();
      piece.outline = stock.outline;
      if (piece.outline.empty()) {
        piece.outline = {{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
      }
    }
    if (film.prints()) {
      // Neither rolls nor offcuts are fed to a printer.
      const Printer& printer = choices.printer;
      if (stock.shape != StockShape::sheet || stock.wide > printer.wide ||
          stock.tall > printer.tall) {
        continue;
      }
      piece.size.margin = {};
      piece.room = printRoom(printer, stock.wide, stock.tall);
      if (piece.room.empty()) continue;
    }
    const int rank = stock.shape == StockShape::offcut  ? 0
                     : stock.shape == StockShape::sheet ? 1
                                                        : 2;
    all.push_back({rank, stock.wide.mm() * stock.tall.mm(), std::move(piece), stock.key});
  }
  std::stable_sort(all.begin(), all.end(), [](const Ranked& a, const Ranked& b) {
    return std::pair(a.rank, a.area) < std::pair(b.rank, b.area);
  });
  for (Ranked& one : all) {
    film.from.push_back(std::move(one.piece));
    film.stock.push_back(one.key);
  }
  if (film.prints()) {
    const Printer& printer = choices.printer;
    film.from.push_back({{printer.wide, printer.tall, {}},
                         FilmPiece::many,
                         false,
                         {},
                         printRoom(printer, printer.wide, printer.tall)});
  } else {
    film.from.push_back({choices.size, FilmPiece::many, false, {}});
  }
  film.stock.push_back(0);
}

/// What of a sheet parts may take, its sides.
Box roomOf(const FilmPiece& piece) {
  if (!piece.room.empty()) return boundsOf(piece.room);
  const double margin = piece.size.margin.mm();
  return {{margin, margin}, {piece.size.wide.mm() - margin, piece.size.tall.mm() - margin}};
}

/// A part in pieces that fit one of a film's sheets, as few as may be; none where that cannot be.
std::vector<Part> partedFor(const FilmSheets& film, const Part& part, Length lap) {
  std::vector<Part> best;
  if (part.kind != PartKind::film && part.kind != PartKind::stencil &&
      part.kind != PartKind::strip) {
    return best;
  }
  for (const FilmPiece& from : film.from) {
    const Box room = roomOf(from);
    std::vector<Part> parted =
        splitToFit(part, Length::mm(room.width()), Length::mm(room.height()), lap);
    if (!parted.empty() && (best.empty() || parted.size() < best.size())) best = std::move(parted);
  }
  return best;
}

/// The number of whose parts one lies together with, 0 for nobody's.
std::size_t togetherOf(FilmSheets& film, const Plan& plan, const SheetPart& part,
                       Together together) {
  if (together == Together::nobodys) return 0;
  KeptTogether who{part.cup, {}};
  if (together == Together::sets) {
    const std::vector<std::string>& of = part.whole->of;
    for (const DecalSet& set : plan.cups[part.cup].of->sets) {
      const bool its = std::any_of(set.layers.begin(), set.layers.end(), [&](const Layer& layer) {
        return std::find(of.begin(), of.end(), layer.id) != of.end();
      });
      if (its) who.set = set.id;
    }
    if (who.set.empty()) return 0;
  }
  const auto found = std::find(film.together.begin(), film.together.end(), who);
  const auto number = static_cast<std::size_t>(found - film.together.begin()) + 1;
  if (found == film.together.end()) film.together.push_back(who);
  return number;
}

/// Parts what lies nowhere because no sheet is long enough; whether there was any such.
bool partLongOnes(FilmSheets& film, std::vector<Piece>& pieces, Length lap) {
  bool any = false;
  for (const NotLaid& one : film.arrangement.notLaid) {
    if (one.why != NotLaid::Why::tooLarge) continue;
    const SheetPart whole = film.parts[one.piece];
    const Piece old = pieces[one.piece];
    Part like = *whole.part;
    like.mayTurn = old.mayTurn;
    std::vector<Part> parted = partedFor(film, like, lap);
    for (std::size_t i = 0; i < parted.size(); ++i) {
      any = true;
      film.split.push_back(std::make_shared<const Part>(std::move(parted[i])));
      SheetPart part = whole;
      part.part = film.split.back().get();
      part.piece = static_cast<long>(i) + 1;
      part.pieces = static_cast<long>(parted.size());
      Piece piece{shapeOf(*part.part), old.copies, old.mayTurn, {}, old.together};
      for (const FilmPiece& from : film.from) {
        const Box room = roomOf(from);
        const auto turn = turnToFit(piece.shape, Length::mm(room.width()),
                                    Length::mm(room.height()), old.mayTurn == MayTurn::any);
        if (turn) piece.turnedFirst = *turn;
      }
      // The first takes the whole one's place.
      if (i == 0) {
        film.parts[one.piece] = part;
        pieces[one.piece] = piece;
      } else {
        film.parts.push_back(part);
        pieces.push_back(piece);
      }
    }
  }
  return any;
}

Area wholeOf(const FilmSheets& film, std::size_t sheet) {
  const SheetSize size = film.sizeOf(sheet);
  const FilmPiece& piece = film.from[film.arrangement.sheets[sheet].film];
  return Area::mm2(piece.outline.empty() ? size.wide.mm() * size.tall.mm()
                                         : signedArea(piece.outline));
}

void measure(FilmSheets& film) {
  film.used.assign(film.arrangement.sheets.size(), 0);
  for (const Laid& laid : film.arrangement.laid) {
    film.used[laid.sheet] +=
        signedArea(film.pieces()[laid.piece].shape) / wholeOf(film, laid.sheet).mm2();
  }
}

}  // namespace

SheetArea areaOf(const FilmSheets& film, std::size_t sheet) {
  const Area whole = wholeOf(film, sheet);
  return {whole, Area::mm2(whole.mm2() * film.used[sheet])};
}

CheckedAll<SheetPlan> sheetsOf(const std::shared_ptr<const Plan>& plan, const FilmShelf& shelf,
                               const SheetChoices& choices, const SheetsGoing& going) {
  Faults faults;
  check(choices, faults);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  SheetPlan sheets{plan, choices, {}};
  const auto chosenFor = [&](const FilmWanted& wanted) -> const ShelfFilm* {
    const auto chosen = choices.films.find(wanted);
    return chosen != choices.films.end() ? shelf.filmOf(chosen->second)
                                         : shelf.likeliest(wanted.kind, wanted.colour);
  };
  std::map<FilmWanted, std::size_t> known;
  std::map<long long, std::size_t> ofShelf;
  std::vector<std::vector<Piece>> pieces;
  std::size_t all = 0;
  for (std::size_t i = 0; i < plan->cups.size(); ++i) {
    const CupPlan& cup = plan->cups[i];
    for (const Purpose& purpose : purposes()) {
      for (const PartEntry& entry : entriesOf(cup, purpose.id)) {
        if (isCut(*cup.of, entry)) continue;
        for (const Part* part : entry.parts) {
          if (part->material == PartMaterial::paper) continue;
          const FilmWanted wanted = wantedFor(cup, purpose.id, *part);
          const auto [found, isNew] = known.try_emplace(wanted, sheets.films.size());
          const ShelfFilm* of = isNew ? chosenFor(wanted) : nullptr;
          if (of != nullptr) {
            found->second = ofShelf.try_emplace(of->key, sheets.films.size()).first->second;
          }
          if (isNew && found->second < sheets.films.size()) {
            sheets.films[found->second].wantedToo.push_back(wanted);
          } else if (isNew) {
            FilmSheets& film = sheets.films.emplace_back();
            film.wanted = wanted;
            if (of != nullptr) film.film = *of;
            pieces.emplace_back();
          }
          sheets.films[found->second].parts.push_back(
              {i, purpose.id, part, part, entry.parts.size() > 1});
          FilmSheets& film = sheets.films[found->second];
          pieces[found->second].push_back(
              {shapeOf(*part),
               part->copies + part->spares,
               part->mayTurn,
               {},
               togetherOf(film, *plan, film.parts.back(), choices.together)});
          ++all;
        }
      }
    }
  }
  const bool prints = std::any_of(sheets.films.begin(), sheets.films.end(),
                                  [](const FilmSheets& film) { return film.prints(); });
  if (prints) {
    if (Faults wrong = faultsOf(choices.printer); !wrong.empty()) {
      return tl::unexpected(std::move(wrong));
    }
  }
  std::size_t done = 0;
  for (std::size_t i = 0; i < sheets.films.size(); ++i) {
    FilmSheets& film = sheets.films[i];
    if (film.film && film.film->keepsDirection) {
      for (Piece& piece : pieces[i]) piece.mayTurn = MayTurn::no;
    }
    takeStock(film, shelf, choices);
    ArrangeRules rules = choices.rules;
    if (film.prints()) rules.gap = std::max(rules.gap, choices.printer.bleed * 2);
    film.gap = rules.gap;
    film.weeding = choices.weeding;
    film.arranger = std::make_shared<Arranger>(pieces[i], film.from, rules);
    if (going && !going(done, all)) continue;
    film.arrangement = (*film.arranger)();
    if (partLongOnes(film, pieces[i], choices.lap)) {
      film.arranger = std::make_shared<Arranger>(std::move(pieces[i]), film.from, rules);
      film.arrangement = (*film.arranger)();
    }
    const Arrangement hand = byHand(film, *plan);
    if (!hand.laid.empty()) {
      film.arrangement = (*film.arranger)(hand);
      for (const Laid& laid : hand.laid) film.byHand.insert({laid.piece, laid.copy});
    }
    film.attempts = 1;
    measure(film);
    if (!film.together.empty()) {
      std::vector<Piece> loose = film.pieces();
      for (Piece& piece : loose) piece.together = 0;
      film.looseTakes = filmTaken(Arranger(std::move(loose), film.from, rules)(hand), film.from);
    }
    done += film.parts.size();
  }
  return sheets;
}

std::vector<LaidApart> laidApart(const SheetPlan& sheets, const FilmSheets& film) {
  std::vector<LaidApart> all;
  for (const std::size_t number : film.arrangement.apart) {
    LaidApart one;
    one.who = &film.together[number - 1];
    std::set<std::size_t> on;
    for (const Laid& laid : film.arrangement.laid) {
      if (film.pieces()[laid.piece].together == number) on.insert(laid.sheet);
    }
    one.sheets = static_cast<long>(on.size());
    const CupPlan& cup = sheets.plan->cups[one.who->cup];
    Sentence name{"%1", {cup.name}};
    for (const SetPlan& set : cup.sets) {
      if (set.id == one.who->set) name = {"%1, %2", {cup.name, set.name}};
    }
    one.words = {
        "%1 lies on %2 sheets of a film, not on one. Take larger sheets, or lay its parts by "
        "hand.",
        {Phrase(name), one.sheets}};
    all.push_back(std::move(one));
  }
  return all;
}

std::optional<Sentence> togetherWords(const FilmSheets& film) {
  constexpr double hardlyAny = 0.01;
  if (film.looseTakes <= Area()) return std::nullopt;
  const double more = filmTaken(film.arrangement, film.from).mm2() / film.looseTakes.mm2() - 1;
  if (more < hardlyAny) return std::nullopt;
  return Sentence{"Kept together, these parts take %1 % more film than they would lying anywhere.",
                  {numberText(more * 100, more < 0.1 ? 1 : 0)}};
}

bool improve(FilmSheets& film, const Arrangement& kept) {
  Arrangement tried = (*film.arranger)(film.attempts++, film.arrangement.order, kept);
  if (!isDenser(tried, film.arrangement, film.from)) return false;
  film.arrangement = std::move(tried);
  measure(film);
  return true;
}

std::optional<Part> weedingOn(const FilmSheets& film, std::size_t sheet) {
  if (!film.weeding) return std::nullopt;
  std::vector<Polygon> shapes;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet == sheet) shapes.push_back(shapeAt(film.pieces()[laid.piece], laid));
  }
  const SheetSize size = film.sizeOf(sheet);
  return weedingOf(shapes, size.wide, size.tall, film.gap);
}

PartSet onSheet(const FilmSheets& film, std::size_t sheet) {
  PartSet set;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet) continue;
    const SheetPart& one = film.parts[laid.piece];
    Part part = laidOut(*one.part, laid.turn, laid.at);
    // Two cups may have parts of one name.
    part.id = "cup-" + std::to_string(one.cup + 1) + "-" + part.id;
    if (laid.copy > 0) part.id += "-copy-" + std::to_string(laid.copy + 1);
    set.parts.push_back(std::move(part));
  }
  if (std::optional<Part> weeding = weedingOn(film, sheet)) {
    set.parts.push_back(std::move(*weeding));
  }
  return set;
}

SheetEntries entriesOn(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet) {
  // Of each part of the plan, how many pieces and copies of it are wanted, and lie on the sheet.
  struct Count {
    int wanted = 0;
    int here = 0;
  };
  std::map<const Part*, Count> counts;
  std::set<std::pair<std::size_t, std::string>> touched;
  for (const FilmSheets& one : sheets.films) {
    for (std::size_t i = 0; i < one.parts.size(); ++i) {
      counts[one.parts[i].whole].wanted += one.pieces()[i].copies;
    }
    if (&one != &film) continue;
    for (const Laid& laid : one.arrangement.laid) {
      if (laid.sheet != sheet) continue;
      const SheetPart& part = one.parts[laid.piece];
      ++counts[part.whole].here;
      touched.emplace(part.cup, part.purpose);
    }
  }
  SheetEntries entries;
  for (const auto& [cup, purpose] : touched) {
    for (PartEntry& entry : entriesOf(sheets.plan->cups[cup], purpose)) {
      bool any = false;
      bool all = true;
      for (const Part* part : entry.parts) {
        // What is ticked already, or on paper, is on no sheet.
        const auto count = counts.find(part);
        if (count == counts.end()) continue;
        any = any || count->second.here > 0;
        all = all && count->second.here == count->second.wanted;
      }
      if (any) (all ? entries.whole : entries.partly).push_back({cup, std::move(entry)});
    }
  }
  return entries;
}

Sentence nameOf(const SheetPlan& sheets, const SheetPart& part) {
  if (part.pieces > 0) {
    SheetPart whole = part;
    whole.part = part.whole;
    whole.piece = whole.pieces = 0;
    return {"%1, piece %2 of %3", {Phrase(nameOf(sheets, whole)), part.piece, part.pieces}};
  }
  const std::string& cup = sheets.plan->cups[part.cup].name;
  if (!part.part->name.pattern.empty()) return {"%1: %2", {cup, Phrase(part.part->name)}};
  const Sentence title = titleOf(PartEntry{part.purpose, part.part->of, {part.part}});
  if (!part.several) return {"%1: %2", {cup, Phrase(title)}};
  return {"%1: %2 (%3)", {cup, Phrase(title), part.part->id}};
}

PartSet mapOf(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet) {
  PartSet set = onSheet(film, sheet);
  std::size_t next = 0;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet) continue;
    Part& part = set.parts[next++];
    const Polygon shape = shapeAt(film.pieces()[laid.piece], laid);
    const Box box = boundsOf(shape);
    const Sentence name = nameOf(sheets, film.parts[laid.piece]);
    const auto letters = static_cast<double>(inWords(name, Unit::mm).size());
    // As large as goes across it, and can be read.
    constexpr double letterWidth = 0.6;
    const double height = std::clamp(box.width() / letters / letterWidth, 1.2, 3.5);
    part.letterings.push_back({centroidOf(shape), Length::mm(height), {}, name});
  }
  const SheetSize size = film.sizeOf(sheet);
  const double wide = size.wide.mm();
  const double tall = size.tall.mm();
  Part edge;
  edge.id = "sheet";
  const Path frame{{0, 0}, {{{wide, 0}, 0}, {{wide, tall}, 0}, {{0, tall}, 0}, {{0, 0}, 0}}};
  edge.outline = frame;
  set.parts.push_back(std::move(edge));
  return set;
}

std::optional<Box> offcutOf(const FilmSheets& film, std::size_t sheet) {
  std::vector<Polygon> shapes;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet == sheet) shapes.push_back(shapeAt(film.pieces()[laid.piece], laid));
  }
  const UsedSheet& used = film.arrangement.sheets[sheet];
  return largestOffcut(shapes, film.from[used.film], used.reaches, film.gap, Length::mm(50));
}

bool mayLie(const FilmSheets& film, const Laid& laid, const Laid& to) {
  const FilmPiece& piece = film.from[film.arrangement.sheets[to.sheet].film];
  const Polygon shape = shapeAt(film.pieces()[to.piece], to);
  const Box box = boundsOf(shape);
  const double margin = piece.size.margin.mm() - 1e-6;
  if (box.low.x < margin || box.low.y < margin || box.high.x > piece.size.wide.mm() - margin ||
      box.high.y > piece.size.tall.mm() - margin) {
    return false;
  }
  if (!piece.outline.empty()) {
    const Polygon usable =
        offsetBy(piece.outline, piece.size.margin * -1 + Length::mm(0.001), Corners::round);
    if (!(shape - usable).empty()) return false;
  }
  if (!piece.room.empty() &&
      !(shape - offsetBy(piece.room, Length::mm(0.001), Corners::sharp)).empty()) {
    return false;
  }
  Arrangement two;
  two.sheets.resize(1);
  two.laid.push_back(to);
  two.laid.back().sheet = 0;
  const Length reach = film.gap;
  for (const Laid& other : film.arrangement.laid) {
    if (other.sheet != to.sheet || (other.piece == laid.piece && other.copy == laid.copy)) continue;
    const Box there = boundsOf(shapeAt(film.pieces()[other.piece], other));
    if (!there.grownBy(reach.mm()).meets(box)) continue;
    two.laid.resize(1);
    two.laid.push_back(other);
    two.laid.back().sheet = 0;
    if (leastBetween(film.pieces(), two) < reach) return false;
  }
  return true;
}

bool moveTo(FilmSheets& film, std::size_t laid, const Laid& to) {
  Laid& one = film.arrangement.laid[laid];
  if (to.sheet >= film.arrangement.sheets.size() || !mayLie(film, one, to)) return false;
  one = to;
  for (UsedSheet& sheet : film.arrangement.sheets) sheet.reaches = {};
  for (const Laid& each : film.arrangement.laid) {
    Length& reaches = film.arrangement.sheets[each.sheet].reaches;
    const double top = boundsOf(shapeAt(film.pieces()[each.piece], each)).high.y;
    reaches = std::max(reaches, Length::mm(top));
  }
  film.arrangement.apart = apartOn(film.pieces(), film.arrangement.laid);
  measure(film);
  return true;
}

bool sendTo(FilmSheets& film, std::size_t laid, std::size_t sheet) {
  if (sheet >= film.arrangement.sheets.size()) return false;
  const Laid one = film.arrangement.laid[laid];
  const std::optional<Laid> found = film.arranger->roomOn(film.arrangement, one, sheet);
  return found && moveTo(film, laid, *found);
}

std::optional<Sentence> tooNear(const SheetPlan& sheets) {
  for (const FilmSheets& film : sheets.films) {
    const Length least = leastBetween(film.pieces(), film.arrangement);
    if (least < film.gap) {
      return Sentence{
          "Two parts would lie %1 apart, nearer than %2. Nothing was written; arrange the "
          "sheets again with a wider gap.",
          {least, film.gap}};
    }
  }
  return std::nullopt;
}

}  // namespace avrelt
