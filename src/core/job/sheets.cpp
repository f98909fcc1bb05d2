// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>
#include <utility>

#include "job/sheets_alike.h"
#include "job/sheets_by_hand.h"
#include "job/sheets_making.h"
#include "job/sheets_stacked.h"
#include "sheet/laid_out.h"

namespace avrelt {
namespace {

void check(const SheetChoices& choices, Faults& faults) {
  const auto refuseIf = [&](bool wrong, Member member, const char* words) {
    if (wrong) faults.push_back({member, {words, {}}});
  };
  constexpr Length least = Length::mm(20);
  constexpr Length most = Length::mm(3000);
  const SheetSize& size = choices.size;
  refuseIf(size.wide < least || size.wide > most, Member::sheetWide,
           "How wide is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.tall < least || size.tall > most, Member::sheetTall,
           "How tall is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.margin < Length() || size.margin * 2 >= std::min(size.wide, size.tall),
           Member::sheetMargin, "The margins leave nothing of the sheet. Give less.");
  refuseIf(choices.lap < Length() || choices.lap > Length::mm(50), Member::sheetLap,
           "How far do pieces of a long part lap? Give up to 50 mm.");
  refuseIf(choices.rules.gap < Length() || choices.rules.gap > Length::mm(50), Member::sheetGap,
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

std::size_t SheetPart::strips() const {
  return stack ? stack->size() : 0;
}

SheetSize FilmSheets::sizeOf(std::size_t sheet) const {
  const UsedSheet& taken = arrangement.sheets[sheet];
  const FilmPiece& piece = from[taken.film];
  SheetSize size = piece.size;
  if (piece.roll) size.tall = std::min(taken.reaches + size.margin + piece.above, size.tall);
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

Area wholeOf(const FilmSheets& film, std::size_t sheet) {
  const SheetSize size = film.sizeOf(sheet);
  const FilmPiece& piece = film.from[film.arrangement.sheets[sheet].film];
  return Area::mm2(piece.outline.empty() ? size.wide.mm() * size.tall.mm()
                                         : signedArea(piece.outline));
}

}  // namespace

void measure(FilmSheets& film) {
  film.used.assign(film.arrangement.sheets.size(), 0);
  for (const Laid& laid : film.arrangement.laid) {
    film.used[laid.sheet] +=
        signedArea(film.pieces()[laid.piece].shape) / wholeOf(film, laid.sheet).mm2();
  }
}

SheetArea areaOf(const FilmSheets& film, std::size_t sheet) {
  const Area whole = wholeOf(film, sheet);
  return {whole, Area::mm2(whole.mm2() * film.used[sheet])};
}

namespace {

/// Sheets in the making.
class SheetMaker {
 public:
  SheetMaker(const std::shared_ptr<const Plan>& plan, const FilmShelf& shelf,
             const SheetChoices& choices)
      : shelf_(shelf), choices_(choices), sheets_{plan, choices, {}, {}, {}} {}

  /// Every part that is cut, with its film's others.
  void gather() {
    const Plan& plan = *sheets_.plan;
    for (std::size_t i = 0; i < plan.cups.size(); ++i) {
      const CupPlan& cup = plan.cups[i];
      for (const Purpose& purpose : purposes()) {
        for (const PartEntry& entry : entriesOf(cup, purpose.id)) {
          if (isCut(*cup.of, entry)) continue;
          for (const Part* part : entry.parts) {
            if (part->material == PartMaterial::paper) continue;
            add({i, purpose.id, part, part, entry.parts.size() > 1});
          }
        }
      }
    }
    if (choices_.alike) pairBackings();
  }

  bool prints() const {
    return std::any_of(sheets_.films.begin(), sheets_.films.end(),
                       [](const FilmSheets& film) { return film.prints(); });
  }

  /// Prints first: what lies under them follows.
  void lay(const SheetsGoing& going) {
    std::size_t all = 0;
    for (const FilmSheets& film : sheets_.films) all += film.parts.size();
    std::size_t done = 0;
    for (const bool printing : {true, false}) {
      for (std::size_t i = 0; i < sheets_.films.size(); ++i) {
        FilmSheets& film = sheets_.films[i];
        if (film.prints() != printing) continue;
        const std::size_t parts = film.parts.size();
        lay(film, pieces_[i], !going || going(done, all));
        done += parts;
      }
    }
  }

  SheetPlan take() {
    noteForgotten();
    return std::move(sheets_);
  }

 private:
  /// Those whose print is laid too: what is ticked as cut has no layout any more.
  void pairBackings() {
    sheets_.alike = alikeOf(*sheets_.plan);
    std::set<const Part*> laid;
    for (const FilmSheets& film : sheets_.films) {
      for (const SheetPart& part : film.parts) laid.insert(part.whole);
    }
    std::erase_if(sheets_.alike, [&](const LaidAlike& one) {
      return !laid.contains(one.part) || !laid.contains(one.print);
    });
  }

  void add(SheetPart part) {
    const CupPlan& cup = sheets_.plan->cups[part.cup];
    const FilmWanted wanted = wantedFor(cup, part.purpose, *part.whole);
    const auto [found, isNew] = known_.try_emplace(wanted, sheets_.films.size());
    const ShelfFilm* of = isNew ? chosenFor(wanted) : nullptr;
    if (of != nullptr) {
      found->second = ofShelf_.try_emplace(of->key, sheets_.films.size()).first->second;
    }
    if (isNew && found->second < sheets_.films.size()) {
      sheets_.films[found->second].wantedToo.push_back(wanted);
    } else if (isNew) {
      FilmSheets& film = sheets_.films.emplace_back();
      film.wanted = wanted;
      if (of != nullptr) film.film = *of;
      pieces_.emplace_back();
    }
    FilmSheets& film = sheets_.films[found->second];
    const Part& whole = *part.whole;
    film.parts.push_back(std::move(part));
    pieces_[found->second].push_back(
        {pieceShape(whole),
         whole.copies + whole.spares,
         whole.mayTurn,
         {},
         togetherOf(film, *sheets_.plan, film.parts.back(), choices_.together)});
  }

  const ShelfFilm* chosenFor(const FilmWanted& wanted) const {
    const auto chosen = choices_.films.find(wanted);
    return chosen != choices_.films.end() ? shelf_.filmOf(chosen->second)
                                          : shelf_.likeliest(wanted.kind, wanted.colour);
  }

  void lay(FilmSheets& film, std::vector<Piece>& pieces, bool goOn) {
    if (film.film && film.film->keepsDirection) {
      for (Piece& piece : pieces) piece.mayTurn = MayTurn::no;
    }
    takeStock(film, shelf_, choices_);
    ArrangeRules rules = choices_.rules;
    if (film.prints()) rules.gap = std::max(rules.gap, choices_.printer.bleed * 2);
    film.gap = rules.gap;
    film.weeding = choices_.weeding;
    keepClear(film, pieces, sheets_.alike, choices_.size.margin);
    const auto layAll = [&] {
      film.arranger = std::make_shared<Arranger>(pieces, film.from, rules);
      film.arrangement = (*film.arranger)();
    };
    if (!goOn) {
      film.arranger = std::make_shared<Arranger>(pieces, film.from, rules);
      return;
    }
    layAll();
    if (dropClear(film, pieces)) layAll();
    if (partLongOnes(film, pieces, choices_.lap)) layAll();
    if (choices_.stack) {
      std::set<std::size_t> leave = laidSinglyByHand(film, *sheets_.plan);
      leave.merge(laidAlike(film, sheets_.alike));
      stackStrips(film, rules, leave);
    }
    Arrangement kept = likePrints(film, sheets_);
    addByHand(film, *sheets_.plan, kept);
    if (!kept.laid.empty()) film.arrangement = (*film.arranger)(kept);
    film.attempts = 1;
    measure(film);
    if (film.together.empty()) return;
    std::vector<Piece> loose = film.pieces();
    for (Piece& piece : loose) piece.together = 0;
    film.looseTakes = filmTaken(Arranger(std::move(loose), film.from, rules)(kept), film.from);
  }

  /// What is kept as laid by hand and was looked for in vain: of parts that are gone, or not cut so
  /// any more. Those that are ticked as cut come again once they are not.
  void noteForgotten() {
    const Plan& plan = *sheets_.plan;
    for (std::size_t i = 0; i < plan.cups.size(); ++i) {
      const CupPlan& cup = plan.cups[i];
      for (const HandLaid& hand : cup.of->laidByHand) {
        const bool found = std::any_of(sheets_.films.begin(), sheets_.films.end(),
                                       [&](const FilmSheets& film) { return isOf(film, i, hand); });
        if (found) continue;
        const std::vector<PartEntry> entries = entriesOf(cup, hand.purpose);
        const bool ticked =
            std::any_of(entries.begin(), entries.end(), [&](const PartEntry& entry) {
              return isCut(*cup.of, entry) &&
                     std::any_of(entry.parts.begin(), entry.parts.end(),
                                 [&](const Part* part) { return part->id == hand.part; });
            });
        if (!ticked) sheets_.forgotten.emplace_back(i, hand);
      }
    }
  }

  const FilmShelf& shelf_;
  const SheetChoices& choices_;
  SheetPlan sheets_;
  std::vector<std::vector<Piece>> pieces_;
  std::map<FilmWanted, std::size_t> known_;
  std::map<long long, std::size_t> ofShelf_;
};

}  // namespace

CheckedAll<SheetPlan> sheetsOf(const std::shared_ptr<const Plan>& plan, const FilmShelf& shelf,
                               const SheetChoices& choices, const SheetsGoing& going) {
  Faults faults;
  check(choices, faults);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  SheetMaker maker(plan, shelf, choices);
  maker.gather();
  if (maker.prints()) {
    if (Faults wrong = faultsOf(choices.printer); !wrong.empty()) {
      return tl::unexpected(std::move(wrong));
    }
  }
  maker.lay(going);
  return maker.take();
}

bool improve(SheetPlan& sheets, std::size_t at) {
  FilmSheets& film = sheets.films[at];
  const Arrangement kept = keptOf(film);
  // First what is there, pushed together.
  const long attempt = film.attempts++;
  Arrangement tried =
      attempt == 1 ? film.arrangement : (*film.arranger)(attempt - 1, film.arrangement.order, kept);
  tried = film.arranger->pushed(std::move(tried), kept);
  if (!isDenser(tried, film.arrangement, film.from)) return false;
  film.arrangement = std::move(tried);
  measure(film);
  if (film.prints()) followPrints(sheets);
  return true;
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

}  // namespace avrelt
