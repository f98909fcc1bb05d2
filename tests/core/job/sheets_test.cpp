// SPDX-License-Identifier: GPL-3.0-or-later
// Parts of an order on sheets: each that is cut once a copy, film by film, none that is cut
// already.
#include "job/sheets.h"

#include <catch2/catch.hpp>
#include <map>
#include <set>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "core/sheet_orders.h"
#include "job/sheet_notes.h"
#include "job/sheet_search.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// Two cups: bands of film in two colours with a stripe; sets on both.
Document order() {
  Document document;
  Cup first = tapered();
  first.name = "first";
  RingCut ring;
  ring.by = CutBy::places;
  ring.places = {WrittenLength::mm(60)};
  first.division.body.cut = ring;
  first.division.body.parts.assign(2, ZoneNode());
  for (ZoneNode& part : first.division.body.parts) part.finish.kind = FinishKind::film;
  first.division.body.parts[1].finish.colour = "#112233";
  Layer decal = layerOf(LayerKind::decal);
  decal.spares = 2;
  Layer stencil = layerOf(LayerKind::peekaboo);
  stencil.material = PartMaterial::stencil;
  first.sets = {setAt(named("star"), 20, {placeAt(0, 40), placeAt(90, 40)}, {decal, stencil})};
  Cup second = straight();
  second.name = "second";
  second.sets = {setAt(named("comet"), 40, {placeAt(0, 90)}, {layerOf(LayerKind::decal)})};
  for (Cup* cup : {&first, &second}) {
    giveIds(*cup);
    document.cups.push_back(*cup);
  }
  document.units = Unit::mm;
  return document;
}

}  // namespace

TEST_CASE("Every part that is cut lies on a sheet of its film, each copy and spare", "[sheets]") {
  const SheetPlan sheets = sheetsFor(order(), usualSheets(Unit::mm));
  std::set<std::pair<PartMaterial, std::string>> films;
  std::map<std::string, int> laid;
  for (const FilmSheets& film : sheets.films) {
    CHECK(films.insert({film.wanted.kind, film.wanted.colour}).second);
    CHECK(film.wanted.kind != PartMaterial::paper);
    CHECK(film.arrangement.notLaid.empty());
    CHECK(leastBetween(film.pieces(), film.arrangement) >= sheets.choices.rules.gap);
    for (const Laid& one : film.arrangement.laid) {
      const SheetPart& part = film.parts[one.piece];
      ++laid[std::to_string(part.cup) + part.purpose + part.part->id];
    }
    double used = 0;
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      CHECK(film.used[i] > 0);
      CHECK(film.used[i] < 1);
      used += film.used[i];
      const PartSet set = onSheet(film, i);
      double area = 0;
      std::set<std::string> ids;
      for (const Part& part : set.parts) {
        area += part.area().mm2();
        CHECK(ids.insert(part.id).second);
      }
      CHECK(area == Approx(film.used[i] * 300 * 600).epsilon(1e-3));
    }
    CHECK(film.usedOfAll() == Approx(used / static_cast<double>(film.arrangement.sheets.size())));
  }
  // Films of two zones in two colours, decals in theirs, a stencil.
  CHECK(films.contains({PartMaterial::permanent, "#112233"}));
  CHECK(films.contains({PartMaterial::stencil, ""}));
  std::map<std::string, int> expected;
  for (std::size_t i = 0; i < sheets.plan->cups.size(); ++i) {
    for (const Purpose& purpose : purposes()) {
      for (const Part& part : sheets.plan->cups[i].parts(purpose.id)) {
        if (part.material == PartMaterial::paper) continue;
        expected[std::to_string(i) + purpose.id + part.id] = part.copies + part.spares;
      }
    }
  }
  CHECK(laid == expected);
}

TEST_CASE("What is ticked as cut is not laid on sheets again", "[sheets]") {
  Document document = order();
  const auto partsOf = [](const SheetPlan& sheets) {
    std::size_t sum = 0;
    for (const FilmSheets& film : sheets.films) sum += film.parts.size();
    return sum;
  };
  const std::size_t all = partsOf(sheetsFor(document, usualSheets(Unit::mm)));
  document.cups[0].cuts.push_back(
      {purpose::layer, {document.cups[0].sets[0].layers[0].id}, 0, {}, {}, {}, {}});
  const SheetPlan less = sheetsFor(document, usualSheets(Unit::mm));
  CHECK(partsOf(less) + 1 == all);
}

TEST_CASE("Ticking a sheet's parts leaves just the rest to be laid", "[sheets]") {
  SheetChoices choices = usualSheets(Unit::mm);
  // So small that what belongs together lies on several.
  for (const double wide : {300.0, 90.0}) {
    choices.size.wide = Length::mm(wide);
    choices.size.tall = Length::mm(2 * wide);
    Document document = order();
    const auto laidOf = [](const SheetPlan& sheets) {
      std::map<std::string, int> laid;
      for (const FilmSheets& film : sheets.films) {
        for (const Laid& one : film.arrangement.laid) {
          const SheetPart& part = film.parts[one.piece];
          ++laid[std::to_string(part.cup) + "/" + part.purpose + "/" + part.whole->id];
        }
      }
      return laid;
    };
    std::size_t partly = 0;
    std::size_t ticked = 0;
    for (int round = 0; round < 60; ++round) {
      const SheetPlan sheets = sheetsFor(document, choices);
      if (sheets.sheets() == 0) break;
      std::map<std::string, int> rest = laidOf(sheets);
      // The first sheet that something lies on wholly.
      bool found = false;
      for (const FilmSheets& film : sheets.films) {
        for (std::size_t sheet = 0; sheet < film.arrangement.sheets.size() && !found; ++sheet) {
          const SheetEntries entries = entriesOn(sheets, film, sheet);
          CHECK(entries.whole.size() + entries.partly.size() > 0);
          partly += entries.partly.size();
          if (entries.whole.empty()) continue;
          found = true;
          for (const CupEntry& one : entries.whole) {
            ++ticked;
            CutRecord record;
            record.purpose = one.entry.purpose;
            record.of = one.entry.of;
            document.cups[one.cup].cuts.push_back(record);
            for (const Part* part : one.entry.parts) {
              rest.erase(std::to_string(one.cup) + "/" + one.entry.purpose + "/" + part->id);
            }
          }
        }
      }
      if (!found) break;
      CHECK(laidOf(sheetsFor(document, choices)) == rest);
    }
    CHECK(ticked > 2);
    CHECK((wide > 200 || partly > 0));
  }
}

TEST_CASE("Sheets that cannot be are refused in words, and what fits none is told", "[sheets]") {
  CheckedAll<Plan> plan = planDocument(order());
  REQUIRE(plan);
  const auto shared = std::make_shared<const Plan>(std::move(*plan));
  const auto fieldOf = [&](const SheetChoices& choices) {
    const CheckedAll<SheetPlan> none = sheetsOf(shared, FilmShelf(), choices);
    REQUIRE_FALSE(none);
    return none.error().front().where;
  };
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size.wide = {};
  CHECK(fieldOf(choices) == Where(Member::sheetWide));
  choices = usualSheets(Unit::mm);
  choices.size.margin = Length::mm(150);
  CHECK(fieldOf(choices) == Where(Member::sheetMargin));
  choices = usualSheets(Unit::mm);
  choices.rules.gap = Length::mm(-1);
  CHECK(fieldOf(choices) == Where(Member::sheetGap));
  choices = usualSheets(Unit::mm);
  choices.size.wide = choices.size.tall = Length::mm(60);
  const CheckedAll<SheetPlan> small = sheetsOf(shared, FilmShelf(), choices);
  REQUIRE(small);
  std::size_t left = 0;
  for (const FilmSheets& film : small->films) left += film.arrangement.notLaid.size();
  CHECK(left >= 2);
  // Stopped at once, nothing is laid.
  const CheckedAll<SheetPlan> stopped = sheetsOf(shared, FilmShelf(), usualSheets(Unit::inch),
                                                 [](std::size_t, std::size_t) { return false; });
  REQUIRE(stopped);
  CHECK(stopped->sheets() == 0);
}

TEST_CASE("What two colours want of one film of the shelf is laid from its stock once",
          "[sheets]") {
  CheckedAll<Plan> plan = planDocument(order());
  REQUIRE(plan);
  const auto shared = std::make_shared<const Plan>(std::move(*plan));
  // One film for all that stays, chosen by hand, of which there is one roll.
  const CheckedAll<SheetPlan> plain = sheetsOf(shared, FilmShelf(), usualSheets(Unit::mm));
  REQUIRE(plain);
  FilmShelf shelf;
  ShelfFilm film;
  film.key = 7;
  film.name = "Any colour";
  shelf.films = {film};
  FilmStock roll;
  roll.key = 3;
  roll.film = 7;
  roll.shape = StockShape::roll;
  roll.wide = Length::mm(300);
  roll.tall = Length::mm(5000);
  shelf.stock = {roll};
  SheetChoices choices = usualSheets(Unit::mm);
  std::size_t kinds = 0;
  std::size_t parts = 0;
  for (const FilmSheets& one : plain->films) {
    if (one.wanted.kind != PartMaterial::permanent) continue;
    choices.films[one.wanted] = 7;
    ++kinds;
    parts += one.parts.size();
  }
  REQUIRE(kinds >= 2);
  const CheckedAll<SheetPlan> made = sheetsOf(shared, shelf, choices);
  REQUIRE(made);
  std::size_t ofFilm = 0;
  for (const FilmSheets& one : made->films) {
    if (!one.film) continue;
    ++ofFilm;
    CHECK(one.wantedToo.size() + 1 == kinds);
    CHECK(one.parts.size() == parts);
    CHECK(one.arrangement.sheets.size() == 1);
    CHECK_FALSE(one.isPlain(0));
  }
  CHECK(ofFilm == 1);
}

TEST_CASE("Parts longer than any sheet lie there in pieces, each copy, and that is told",
          "[sheets]") {
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size = {Length::mm(130), Length::mm(130), Length::mm(5)};
  const SheetPlan sheets = sheetsFor(order(), choices);
  std::map<std::string, std::set<long>> pieces;
  std::map<std::string, long> of;
  for (const FilmSheets& film : sheets.films) {
    CHECK(leastBetween(film.pieces(), film.arrangement) >= film.gap);
    for (const Laid& laid : film.arrangement.laid) {
      const SheetPart& part = film.parts[laid.piece];
      if (part.piece == 0) {
        CHECK(part.part == part.whole);
        continue;
      }
      CHECK(part.part != part.whole);
      const std::string name = std::to_string(part.cup) + part.whole->id;
      pieces[name].insert(part.piece);
      of[name] = part.pieces;
      const std::string words = inWords(nameOf(sheets, part), Unit::mm);
      CHECK(words.find("piece " + std::to_string(part.piece) + " of ") != std::string::npos);
    }
    for (const NotLaid& one : film.arrangement.notLaid) {
      // Decals are never parted.
      CHECK(film.parts[one.piece].part->kind == PartKind::decal);
    }
  }
  CHECK_FALSE(pieces.empty());
  for (const auto& [name, numbers] : pieces) {
    CHECK(static_cast<long>(numbers.size()) == of[name]);
  }
  CHECK_FALSE(tooNear(sheets));
}

TEST_CASE("A part sent to another sheet finds room there, or stays", "[sheets]") {
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size = {Length::mm(100), Length::mm(100), Length::mm(5)};
  Document document = order();
  document.cups[0].sets[0].layers[0].spares = 40;  // stars of 20 mm, on several sheets
  SheetPlan sheets = sheetsFor(document, choices);
  int sent = 0;
  for (FilmSheets& film : sheets.films) {
    const std::size_t count = film.arrangement.sheets.size();
    if (count < 2) continue;
    for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
      const Laid before = film.arrangement.laid[i];
      const std::size_t to = (before.sheet + 1) % count;
      if (sendTo(film, i, to)) {
        ++sent;
        CHECK(film.arrangement.laid[i].sheet == to);
        CHECK(film.arrangement.laid[i].copy == before.copy);
      } else {
        CHECK(film.arrangement.laid[i] == before);
      }
      CHECK(leastBetween(film.pieces(), film.arrangement) >= film.gap);
    }
    CHECK_FALSE(sendTo(film, 0, count));
  }
  CHECK(sent > 0);
}

TEST_CASE("What is laid by hand lies there again, the rest round it; what cannot is counted",
          "[sheets]") {
  cups::Chance chance(3);
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size = {Length::mm(200), Length::mm(200), Length::mm(5)};
  Document document = order();
  document.cups[0].sets[0].layers[0].spares = 25;
  document.cups.push_back(document.cups[0]);
  document.cups.back().name = "third";
  int moved = 0;
  for (int round = 0; round < 4; ++round) {
    SheetPlan sheets = sheetsFor(document, choices);
    const auto all = [&](const FilmSheets& film) {
      return film.arrangement.laid.size() + film.arrangement.notLaid.size();
    };
    for (FilmSheets& film : sheets.films) {
      CHECK(film.lost == 0);
      // Whatever was laid by hand before lies where it was put, on one sheet with the same.
      for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
        const HandLaid now = handLaidOf(film, i);
        const std::vector<HandLaid>& kept =
            document.cups[film.parts[film.arrangement.laid[i].piece].cup].laidByHand;
        for (const HandLaid& hand : kept) {
          if (!hand.isOf(now)) continue;
          CHECK(film.byHand.contains(
              {film.arrangement.laid[i].piece, film.arrangement.laid[i].copy}));
          CHECK(hand.at == now.at);
          CHECK(hand.turn == now.turn);
        }
      }
      CHECK(leastBetween(film.pieces(), film.arrangement) >= film.gap);
      const std::size_t before = all(film);
      // A few are put elsewhere: onto the other sheet, or shifted and turned.
      for (int k = 0; k < 6; ++k) {
        const auto i = static_cast<std::size_t>(
            chance.whole(0, static_cast<int>(film.arrangement.laid.size()) - 1));
        Laid to = film.arrangement.laid[i];
        to.at = to.at + Point{chance.between(-30, 30), chance.between(-30, 30)};
        if (film.pieces()[to.piece].mayTurn == MayTurn::any) {
          to.turn = Angle::degrees(chance.between(-180, 180));
        }
        const std::size_t count = film.arrangement.sheets.size();
        const bool put = chance.one(2) && count > 1 ? sendTo(film, i, (to.sheet + 1) % count)
                                                    : moveTo(film, i, to);
        if (!put) continue;
        ++moved;
        film.byHand.insert({to.piece, to.copy});
      }
      CHECK(all(film) == before);
      for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
        const Laid& laid = film.arrangement.laid[i];
        if (!film.byHand.contains({laid.piece, laid.copy})) continue;
        const HandLaid hand = handLaidOf(film, i);
        std::vector<HandLaid>& kept = document.cups[film.parts[laid.piece].cup].laidByHand;
        std::erase_if(kept, [&](const HandLaid& one) { return one.isOf(hand); });
        kept.push_back(hand);
      }
    }
  }
  CHECK(moved > 10);
  // On smaller sheets some do not find room: each is laid all the same, and counted.
  std::size_t hands = 0;
  for (const Cup& cup : document.cups) hands += cup.laidByHand.size();
  choices.size = {Length::mm(120), Length::mm(120), Length::mm(5)};
  const SheetPlan small = sheetsFor(document, choices);
  std::size_t found = 0;
  std::size_t lost = 0;
  for (const FilmSheets& film : small.films) {
    found += film.byHand.size();
    lost += static_cast<std::size_t>(film.lost);
    CHECK(lostWords(film.lost).has_value() == (film.lost > 0));
    CHECK(leastBetween(film.pieces(), film.arrangement) >= film.gap);
  }
  CHECK(lost > 0);
  CHECK(found + lost == hands);
  // Told twice by a file it is laid once; of a sheet of stock that is gone, nowhere of its own.
  HandLaid hand = document.cups[0].laidByHand.front();
  document.cups[0].laidByHand = {hand, hand};
  choices.size = {Length::mm(200), Length::mm(200), Length::mm(5)};
  for (const long long stock : {0LL, 77LL}) {
    for (HandLaid& one : document.cups[0].laidByHand) one.stock = stock;
    document.cups.back().laidByHand.clear();
    long counted = 0;
    for (const FilmSheets& film : sheetsFor(document, choices).films) {
      counted += film.lost;
      std::set<std::pair<std::size_t, int>> seen;
      for (const Laid& laid : film.arrangement.laid) {
        CHECK(seen.insert({laid.piece, laid.copy}).second);
      }
    }
    CHECK(counted == (stock == 0 ? 1 : 2));
  }
}

TEST_CASE("A cup's parts, or a set's, lie on one sheet of their film where that is wanted",
          "[sheets]") {
  for (const Together together : {Together::sets, Together::cups}) {
    SheetChoices choices = usualSheets(Unit::mm);
    choices.together = together;
    choices.size = {Length::mm(160), Length::mm(160), Length::mm(5)};
    Document document = order();
    document.cups[0].sets[0].layers[0].spares = 12;
    document.cups.push_back(document.cups[0]);
    document.cups.back().name = "third";
    SheetPlan sheets = sheetsFor(document, choices);
    SheetChoices anywhere = choices;
    anywhere.together = Together::nobodys;
    const SheetPlan loosely = sheetsFor(document, anywhere);
    int kept = 0;
    for (FilmSheets& film : sheets.films) {
      // By what a part is for, asked of the cup: layers of its sets, all else with the cup.
      std::map<std::pair<std::size_t, std::string>, std::set<std::size_t>> on;
      for (const Laid& laid : film.arrangement.laid) {
        const SheetPart& part = film.parts[laid.piece];
        std::string set;
        for (const DecalSet& one : sheets.plan->cups[part.cup].of->sets) {
          for (const Layer& layer : one.layers) {
            for (const std::string& of : part.part->of) {
              if (of == layer.id) set = one.id;
            }
          }
        }
        if (together == Together::sets && set.empty()) continue;
        on[{part.cup, together == Together::sets ? set : ""}].insert(laid.sheet);
      }
      // What it takes more, by a run in which nothing is kept together.
      for (const FilmSheets& loose : loosely.films) {
        if (loose.wanted != film.wanted || film.together.empty()) continue;
        const double least = filmTaken(loose.arrangement, loose.from).mm2();
        CHECK(film.looseTakes.mm2() == Approx(least));
        const double taken = filmTaken(film.arrangement, film.from).mm2();
        CHECK(togetherWords(film).has_value() == (taken > 1.01 * least));
      }
      std::set<std::pair<std::size_t, std::string>> said;
      for (const LaidApart& one : laidApart(sheets, film)) {
        said.insert({one.who->cup, one.who->set});
        CHECK(one.sheets == static_cast<long>(on[{one.who->cup, one.who->set}].size()));
        CHECK(inWords(one.words, Unit::mm).find(sheets.plan->cups[one.who->cup].name) == 0);
      }
      for (const auto& [who, which] : on) {
        CHECK((which.size() > 1) == said.contains(who));
        kept += which.size() == 1;
      }
      // One of it sent to another sheet is apart, and that is said.
      if (film.arrangement.sheets.size() < 2 || !said.empty()) continue;
      for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
        const Laid one = film.arrangement.laid[i];
        const std::size_t number = film.pieces()[one.piece].together;
        const auto others = std::count_if(
            film.arrangement.laid.begin(), film.arrangement.laid.end(),
            [&](const Laid& laid) { return film.pieces()[laid.piece].together == number; });
        if (number == 0 || others < 2 ||
            !sendTo(film, i, 1 - std::min<std::size_t>(one.sheet, 1))) {
          continue;
        }
        CHECK(film.arrangement.apart == std::vector<std::size_t>{number});
        break;
      }
    }
    CHECK(kept > 3);
  }
}

TEST_CASE("With weeding aids the last on every sheet is a box round all parts", "[sheets]") {
  SheetChoices choices = usualSheets(Unit::mm);
  choices.weeding = true;
  const SheetPlan sheets = sheetsFor(order(), choices);
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      const PartSet set = onSheet(film, i);
      REQUIRE(set.parts.back().id == "weeding");
      const Box box = set.parts.back().bounds();
      for (const Part& part : set.parts) {
        CHECK(box.contains(part.bounds().low));
        CHECK(box.contains(part.bounds().high));
      }
    }
  }
}

TEST_CASE("a search leaves what it does not improve as it lies", "[sheets]") {
  // A lone wrap lies level in its corner, and nothing is gained by tilting it.
  Document document;
  document.units = Unit::mm;
  document.cups = {straight()};
  giveIds(document.cups[0]);
  const SheetPlan lone = sheetsFor(document, usualSheets(Unit::mm));
  SheetSearch search(lone);
  int better = 0;
  for (int n = 0; n < 60; ++n) {
    for (std::size_t i = 0; i < search.films(); ++i) better += search(i) ? 1 : 0;
  }
  CHECK(better == 0);
  for (std::size_t i = 0; i < search.films(); ++i) {
    const Arrangement& was = lone.films[i].arrangement;
    const Arrangement& is = search.best().films[i].arrangement;
    REQUIRE(is.laid.size() == was.laid.size());
    for (std::size_t k = 0; k < is.laid.size(); ++k) CHECK(is.laid[k].turn == was.laid[k].turn);
  }
  // Each step taken gains something over the one before.
  SheetChoices choices = usualSheets(Unit::mm);
  choices.size.wide = Length::mm(160);
  choices.size.tall = Length::mm(200);
  SheetPlan before = sheetsFor(order(), choices);
  SheetSearch many(before);
  for (int n = 0; n < 40; ++n) {
    for (std::size_t i = 0; i < many.films(); ++i) {
      if (many(i)) CHECK(isWorthwhile(many.best().films[i], before.films[i]));
      before = many.best();
    }
  }
}
