// SPDX-License-Identifier: GPL-3.0-or-later
// Strips of an order edge to edge: every part and copy once, nothing on another, less to cut, no
// more film.
#include <catch2/catch.hpp>
#include <map>
#include <set>
#include <tuple>

#include "core/decal_cups.h"
#include "core/sheet_orders.h"
#include "job/sheet_notes.h"
#include "job/sheets.h"
#include "measure/dice.h"
#include "sheet/cut_job.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A straight cup in rings of film of one colour, or two in turn.
Cup ringed(const std::string& name, const std::vector<double>& places, bool two) {
  Cup cup = straight();
  cup.name = name;
  cup.wrap.seamAt = CupAngle::degrees(places.front() * 7);
  RingCut ring;
  ring.by = CutBy::places;
  for (const double at : places) ring.places.push_back(WrittenLength::mm(at));
  cup.division.body.cut = ring;
  cup.division.body.parts.assign(places.size() + 1, ZoneNode());
  for (std::size_t i = 0; i <= places.size(); ++i) {
    Finish& finish = cup.division.body.parts[i].finish;
    finish.kind = FinishKind::film;
    finish.colour = two && i % 2 == 1 ? "#112233" : "#AA3322";
  }
  return cup;
}

Document orderOf(std::vector<Cup> cups) {
  Document document;
  document.units = Unit::mm;
  for (Cup& cup : cups) {
    giveIds(cup);
    document.cups.push_back(std::move(cup));
  }
  return document;
}

using Copy = std::tuple<std::size_t, std::string, std::string, int>;

/// Every part and copy that lies on a sheet, strips of stacks too; none may be there twice.
std::set<Copy> copiesOn(const SheetPlan& sheets) {
  std::set<Copy> copies;
  for (const FilmSheets& film : sheets.films) {
    for (const Laid& laid : film.arrangement.laid) {
      for (const PartOnSheet& one : partsAt(film, laid)) {
        CHECK(
            copies.emplace(one.part->cup, one.part->purpose, one.part->whole->id, one.copy).second);
      }
    }
  }
  return copies;
}

double cutOf(const SheetPlan& sheets) {
  double sum = 0;
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      const SheetSize size = film.sizeOf(i);
      const CutJob job = cutJobOf(onSheet(film, i), size.wide, size.tall, {});
      Cutter cutter;
      cutter.overcut = {};
      cutter.bladeOffset = {};
      sum += figuresOf(machinePath(job, cutter), cutter).cut.mm();
    }
  }
  return sum;
}

double takenBy(const SheetPlan& sheets) {
  double sum = 0;
  for (const FilmSheets& film : sheets.films) sum += filmTaken(film.arrangement, film.from).mm2();
  return sum;
}

}  // namespace

TEST_CASE("Rings of one film lie edge to edge, on no more film and with less to cut", "[stacks]") {
  Dice dice(51);
  int stacked = 0;
  for (int round = 0; round < 5; ++round) {
    std::vector<Cup> cups;
    for (int i = 0; i < 3; ++i) {
      std::vector<double> places;
      for (double at = dice.between(10, 30); at < 160; at += dice.between(8, 30)) {
        places.push_back(at);
      }
      cups.push_back(ringed("cup " + std::to_string(i), places, dice.one(2) == 1));
    }
    const Document document = orderOf(std::move(cups));
    SheetChoices choices = usualSheets(Unit::mm);
    choices.size.tall = Length::mm(dice.between(320, 700));
    const SheetPlan loose = sheetsFor(document, choices);
    choices.stack = true;
    const SheetPlan sheets = sheetsFor(document, choices);
    CHECK(copiesOn(sheets) == copiesOn(loose));
    CHECK(takenBy(sheets) <= takenBy(loose) + 1e-6);
    CHECK_FALSE(tooNear(sheets));
    double saved = 0;
    for (const FilmSheets& film : sheets.films) {
      saved += film.stacks.saved.mm();
      stacked += static_cast<int>(film.stacks.stacks);
      // Discs for bases are no strips.
      const bool rings = film.parts.front().whole->id != "base";
      CHECK((film.stacks.stacks > 0 || film.stacks.tookMore || film.parts.size() < 2 || !rings));
      // What is said of a strip is where its cut is: within its stack's outline.
      for (const Laid& laid : film.arrangement.laid) {
        double area = 0;
        for (const PartOnSheet& one : partsAt(film, laid))
          area += signedArea(Polygon{outlineOf(one)});
        CHECK(area == Approx(signedArea(film.pieces()[laid.piece].shape)).epsilon(1e-4));
      }
    }
    // The second way: what the cutter goes with its blade down.
    CHECK(cutOf(loose) - cutOf(sheets) == Approx(saved).margin(0.05));
  }
  CHECK(stacked > 5);
}

TEST_CASE("Ticking sheets of stacks as cut leaves nothing to lay", "[stacks]") {
  Document document =
      orderOf({ringed("one", {20, 40, 70, 90}, false), ringed("two", {30, 60}, true)});
  SheetChoices choices = usualSheets(Unit::mm);
  choices.stack = true;
  for (int round = 0; round < 20; ++round) {
    const SheetPlan sheets = sheetsFor(document, choices);
    if (sheets.sheets() == 0) break;
    bool ticked = false;
    for (const FilmSheets& film : sheets.films) {
      for (std::size_t i = 0; i < film.arrangement.sheets.size() && !ticked; ++i) {
        for (const CupEntry& entry : entriesOn(sheets, film, i).whole) {
          document.cups[entry.cup].cuts.push_back(
              {entry.entry.purpose, entry.entry.of, 0, {}, {}, {}, {}});
          ticked = true;
        }
      }
    }
    REQUIRE(ticked);
  }
  CHECK(sheetsFor(document, choices).sheets() == 0);
}

TEST_CASE("Strips of tapered cups are none, and others of several lengths lie apart", "[stacks]") {
  Cup wide = ringed("wide", {40, 80}, false);
  wide.blank.stations.front().girth = WrittenLength::mm(250);
  wide.blank.stations.back().girth = WrittenLength::mm(250);
  Cup taper = ringed("taper", {40, 80}, false);
  taper.blank.stations.back().girth = WrittenLength::mm(290);
  SheetChoices choices = usualSheets(Unit::mm);
  choices.stack = true;
  const SheetPlan sheets =
      sheetsFor(orderOf({ringed("narrow", {40, 80}, false), wide, taper}), choices);
  for (const FilmSheets& film : sheets.films) {
    for (const SheetPart& part : film.parts) {
      std::set<std::size_t> cups;
      if (!part.stack) continue;
      for (const StackedPart& one : *part.stack) cups.insert(one.part.cup);
      CHECK(cups.size() <= 1);
      CHECK_FALSE(cups.contains(2));
    }
  }
}

TEST_CASE("Strips too wide for one stack are not said to take more film in one", "[stacks]") {
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size.tall = Length::mm(280);
  choices.size.wide = Length::mm(120);
  choices.stack = true;
  const SheetPlan sheets = sheetsFor(orderOf({ringed("one", {80}, false)}), choices);
  for (const FilmSheets& film : sheets.films) {
    CHECK(film.stacks.stacks == 0);
    CHECK_FALSE(film.stacks.tookMore);
  }
}

TEST_CASE("Stacks keep together what lies together", "[stacks]") {
  Dice dice(52);
  for (int round = 0; round < 5; ++round) {
    std::vector<Cup> cups;
    for (int i = 0; i < 2; ++i) {
      const double at = dice.between(20, 60);
      cups.push_back(ringed("cup " + std::to_string(i), {at, at + 30, at + 55}, false));
    }
    const Document document = orderOf(std::move(cups));
    SheetChoices choices = usualSheets(Unit::mm);
    choices.together = Together::cups;
    choices.size.tall = Length::mm(dice.between(280, 500));
    const auto apartIn = [](const SheetPlan& sheets) {
      std::size_t sum = 0;
      for (const FilmSheets& film : sheets.films) sum += film.arrangement.apart.size();
      return sum;
    };
    const SheetPlan loose = sheetsFor(document, choices);
    choices.stack = true;
    const SheetPlan sheets = sheetsFor(document, choices);
    CHECK(apartIn(sheets) <= apartIn(loose));
    for (const FilmSheets& film : sheets.films) {
      for (const SheetPart& part : film.parts) {
        if (!part.stack) continue;
        for (const StackedPart& one : *part.stack) CHECK(one.part.cup == part.cup);
      }
    }
  }
}

TEST_CASE("A stack laid by hand lies there again, and is forgotten once it is none", "[stacks]") {
  Document document = orderOf({ringed("one", {20, 40, 70, 90}, false)});
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size.wide = Length::mm(400);
  choices.stack = true;
  SheetPlan sheets = sheetsFor(document, choices);
  FilmSheets& film = sheets.films.front();
  REQUIRE(film.stacks.stacks > 0);
  std::size_t at = 0;
  while (!film.parts[film.arrangement.laid[at].piece].stack) ++at;
  Laid to = film.arrangement.laid[at];
  to.at = to.at + Point{0, 40};
  REQUIRE(moveTo(film, at, to));
  // On the map every strip has its name, and none is written over a strip's own words.
  std::set<std::string> names;
  const PartSet plain = onSheet(film, to.sheet);
  const PartSet map = mapOf(sheets, film, to.sheet);
  int beside = 0;
  for (std::size_t i = 0; i < plain.parts.size(); ++i) {
    const std::vector<Lettering>& all = map.parts[i].letterings;
    const std::size_t own = plain.parts[i].letterings.size();
    for (std::size_t name = own; name < all.size(); ++name) {
      for (std::size_t word = 0; word < own; ++word) {
        // Lines of words that run the same way.
        if (std::abs(std::cos((all[word].turn - all[name].turn).radians())) < 0.99) continue;
        const Point apart = all[word].at - all[name].at;
        const auto lettersOf = [](const Lettering& one) {
          return static_cast<double>(inWords(one.words, Unit::mm).size()) * one.height.mm();
        };
        const bool clear =
            std::abs(apart.y) >= (all[word].height + all[name].height).mm() / 2 ||
            std::abs(apart.x) >= 0.3 * (lettersOf(all[word]) + lettersOf(all[name])) - 1e-6;
        CHECK(clear);
        ++beside;
      }
    }
  }
  CHECK(beside > 0);
  for (const Part& part : mapOf(sheets, film, to.sheet).parts) {
    for (const Lettering& words : part.letterings) names.insert(inWords(words.words, Unit::mm));
  }
  for (const char* zone : {"zone A", "zone B", "zone C", "zone D", "zone E"}) {
    CHECK(std::any_of(names.begin(), names.end(), [&](const std::string& name) {
      return name.find(zone) != std::string::npos;
    }));
  }
  const HandLaid hand = handLaidOf(film, at);
  CHECK(hand.strips > 1);
  document.cups[0].laidByHand = {hand};
  const SheetPlan again = sheetsFor(document, choices);
  CHECK(again.forgotten.empty());
  REQUIRE(again.films.front().byHand.size() == 1);
  CHECK(std::count(again.films.front().arrangement.laid.begin(),
                   again.films.front().arrangement.laid.end(), to) == 1);
  // By itself it is no part any more.
  choices.stack = false;
  const SheetPlan loose = sheetsFor(document, choices);
  REQUIRE(loose.forgotten.size() == 1);
  CHECK(loose.forgotten.front().second.isOf(hand));
  CHECK(notesOn(loose).size() == 1);
  // Ticked as cut it may come again.
  for (const CupEntry& entry : entriesOn(sheets, film, to.sheet).whole) {
    document.cups[0].cuts.push_back({entry.entry.purpose, entry.entry.of, 0, {}, {}, {}, {}});
  }
  REQUIRE_FALSE(document.cups[0].cuts.empty());
  CHECK(sheetsFor(document, choices).forgotten.empty());
}

TEST_CASE("What was laid by hand by itself is not stacked", "[stacks]") {
  Document document = orderOf({ringed("one", {20, 40, 70, 90}, false)});
  SheetChoices choices = usualSheets(Unit::mm);
  const SheetPlan loose = sheetsFor(document, choices);
  document.cups[0].laidByHand = {handLaidOf(loose.films.front(), 0)};
  choices.stack = true;
  const SheetPlan sheets = sheetsFor(document, choices);
  CHECK(sheets.forgotten.empty());
  CHECK(sheets.films.front().byHand.size() == 1);
  CHECK(copiesOn(sheets) == copiesOn(loose));
}
