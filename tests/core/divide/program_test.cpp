// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/program.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/cups.h"
#include "divide/stripes.h"

using namespace avrelt;
using namespace avrelt::cups;

// The order of work and the moments to pull tape are common practice, no published source.

namespace {

struct Straight {
  Body body = bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(8)));
  Development flat = body.cone();
  Ground ground{body, flat, Angle::halfTurn()};

  Divided made(const ZoneNode& node) const {
    CheckedAll<Divided> result = divide(node, ground);
    REQUIRE(result.has_value());
    return std::move(*result);
  }
};

ZoneNode filled(FinishKind kind, const char* colour, Stick stick = Stick::resin) {
  ZoneNode node;
  node.finish.kind = kind;
  node.finish.name = colour;
  node.finish.colour = colour;
  node.finish.stick = stick;
  return node;
}

ZoneNode threeBands() {
  ZoneNode node;
  node.cut.emplace();
  node.cut->count = 3;
  node.parts = {filled(FinishKind::glitter, "#E8E0D0"), filled(FinishKind::film, "#808080"),
                filled(FinishKind::glitter, "#202040", Stick::brushGlue)};
  return node;
}

}  // namespace

TEST_CASE("dark glitter goes before light, film after all of it") {
  const Straight cup;
  const Divided divided = cup.made(threeBands());
  const std::vector<const Zone*> order = fillingOrder(divided, {});
  REQUIRE(order.size() == 3);
  CHECK(order[0]->id == "C");
  CHECK(order[1]->id == "A");
  CHECK(order[2]->id == "B");
  CHECK(fillingOrder(divided, {"A"})[0]->id == "A");
}

TEST_CASE("tape lies on the far side of each of a zone's lines, and protects what is there") {
  const Straight cup;
  const Divided divided = cup.made(threeBands());
  const std::vector<TapeMove> moves =
      tapeProgram(divided, Length::inches(0.25), Graduation::sixteenth, {});
  // C is below line 2: tape above it, on B's side.
  CHECK(moves[0].kind == MoveKind::tape);
  CHECK(moves[0].zone == "C");
  CHECK(moves[0].line == "2");
  CHECK(moves[0].keeps == "B");
  CHECK_THAT(inWords(moves[0].words, Unit::inch), Catch::Contains("tape above line 2"));
  // To the next mark of the tape.
  CHECK(moves[0].tape >= divided.lines[1].length + tapeTab);
  CHECK(moves[0].tape < divided.lines[1].length + tapeTab + Length::inches(1.0 / 16));
  for (std::size_t i = 0; i < moves.size(); ++i) CHECK(moves[i].number == static_cast<int>(i) + 1);
}

TEST_CASE("each way of sticking has its own moment to pull the tape") {
  const Straight cup;
  const auto pullOf = [&](Stick stick) {
    ZoneNode node = threeBands();
    node.parts[2].finish.stick = stick;
    const std::vector<TapeMove> moves =
        tapeProgram(cup.made(node), Length::mm(6), Graduation::millimetre, {});
    const auto pull = std::find_if(moves.begin(), moves.end(), [](const TapeMove& move) {
      return move.kind == MoveKind::pull && move.zone == "C";
    });
    REQUIRE(pull != moves.end());
    return inWords(pull->words, Unit::mm);
  };
  CHECK_THAT(pullOf(Stick::resin), Catch::Contains("before the resin sets"));
  CHECK_THAT(pullOf(Stick::brushGlue), Catch::Contains("wet or just dry"));
  CHECK_THAT(pullOf(Stick::uvResin), Catch::Contains("before the lamp"));
  CHECK_THAT(pullOf(Stick::wetPaint), Catch::Contains("dry to the touch"));
}

TEST_CASE("what is done is covered before the next is glittered, and sealed after") {
  const Straight cup;
  const std::vector<TapeMove> moves =
      tapeProgram(cup.made(threeBands()), Length::mm(6), Graduation::millimetre, {});
  const auto at = [&](MoveKind kind, const char* zone) {
    return std::find_if(
               moves.begin(), moves.end(),
               [&](const TapeMove& move) { return move.kind == kind && move.zone == zone; }) -
           moves.begin();
  };
  CHECK(at(MoveKind::seal, "C") < at(MoveKind::cover, "A"));
  CHECK(at(MoveKind::cover, "A") < at(MoveKind::glitter, "A"));
  CHECK(at(MoveKind::pull, "A") < at(MoveKind::film, "B"));
  CHECK(moves.back().kind == MoveKind::film);
}

TEST_CASE("a zone all round with no lines needs no tape") {
  const Straight cup;
  const std::vector<TapeMove> moves = tapeProgram(cup.made(filled(FinishKind::glitter, "#336699")),
                                                  Length::mm(6), Graduation::millimetre, {});
  for (const TapeMove& move : moves) CHECK(move.kind != MoveKind::tape);
  CHECK(moves.size() == 4);
}

TEST_CASE("the zones on both sides of every line are known, V's and slants too") {
  const Straight cup;
  ZoneNode node;
  node.cut.emplace();
  node.cut->kind = CutKind::vee;
  node.cut->at = Angle();
  node.cut->wide = {Length::inches(4), {}};
  const Divided divided = cup.made(node);
  for (const DivideLine& line : divided.lines) {
    const Sides sides = sidesOf(line, divided);
    REQUIRE(sides.first.size() == 1);
    REQUIRE(sides.second.size() == 1);
    CHECK(sides.first[0] != sides.second[0]);
  }
}

TEST_CASE("round a V's inside tape lies left of its left side and right of its right side") {
  const Straight cup;
  ZoneNode node;
  node.cut.emplace();
  node.cut->kind = CutKind::vee;
  node.cut->at = Angle();
  node.cut->wide = {Length::inches(4), {}};
  node.parts = {filled(FinishKind::glitter, "#445566")};
  const std::vector<TapeMove> moves =
      tapeProgram(cup.made(node), Length::mm(6), Graduation::millimetre, {});
  CHECK_THAT(inWords(moves[0].words, Unit::mm), Catch::Contains("left of line 1"));
  CHECK_THAT(inWords(moves[1].words, Unit::mm), Catch::Contains("right of line 2"));
  // The same for uprights, whichever way round they are.
  ZoneNode quarters;
  quarters.cut.emplace();
  quarters.cut->kind = CutKind::uprights;
  quarters.cut->count = 4;
  quarters.cut->at = Angle::degrees(-45);
  quarters.parts = {filled(FinishKind::glitter, "#445566")};
  const std::vector<TapeMove> sides =
      tapeProgram(cup.made(quarters), Length::mm(6), Graduation::millimetre, {});
  CHECK_THAT(inWords(sides[0].words, Unit::mm), Catch::Contains("left of line 1"));
  CHECK_THAT(inWords(sides[1].words, Unit::mm), Catch::Contains("right of line 2"));
}

TEST_CASE("a stripe is as long as its line and its overlap; wide ones lie under narrow ones") {
  const Straight cup;
  const Divided divided = cup.made(threeBands());
  Stripe narrow;
  narrow.width = WrittenLength::mm(1);
  Stripe wide;
  wide.width = WrittenLength::mm(3);
  wide.spares = 2;
  const auto plans = planStripes({narrow, wide}, divided);
  REQUIRE(plans.has_value());
  CHECK((*plans)[0].width == Length::mm(3));
  CHECK((*plans)[0].layer == 0);
  CHECK((*plans)[1].layer == 1);
  CHECK((*plans)[0].length.mm() == Approx(9 * 25.4 + 3));
  Stripe lost;
  lost.line = 7;
  CHECK(planStripes({narrow, lost}, divided).error()[0].field == "stripes[1].line");
  narrow.width = WrittenLength::mm(0);
  CHECK(planStripes({narrow}, divided).error()[0].field == "stripes[0].width");
  narrow.width = WrittenLength::mm(2);
  narrow.overlap = WrittenLength::mm(400);
  CHECK(planStripes({narrow}, divided).error()[0].field == "stripes[0].overlap");
}
