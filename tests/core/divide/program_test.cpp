// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/program.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/divide/straight.h"

using namespace avrelt;
using namespace avrelt::cups;

// The order of work and the moments to pull tape are common practice, no published source.

namespace {

ZoneNode filled(FinishKind kind, const char* colour, Stick stick = Stick::resin) {
  ZoneNode node;
  node.finish.kind = kind;
  node.finish.name = colour;
  node.finish.colour = colour;
  node.finish.stick = stick;
  return node;
}

ZoneNode bandsOfThree() {
  ZoneNode node;
  node.cut = RingCut{.count = 3};
  node.parts = {filled(FinishKind::glitter, "#E8E0D0"), filled(FinishKind::film, "#808080"),
                filled(FinishKind::glitter, "#202040", Stick::brushGlue)};
  return node;
}

}  // namespace

TEST_CASE("dark glitter goes before light, film after all of it") {
  const Straight cup;
  const Divided divided = cup.made(bandsOfThree());
  const std::vector<const Zone*> order = fillingOrder(divided, {});
  REQUIRE(order.size() == 3);
  CHECK(order[0]->letter == "C");
  CHECK(order[1]->letter == "A");
  CHECK(order[2]->letter == "B");
  CHECK(fillingOrder(divided, {".0"})[0]->letter == "A");
}

TEST_CASE("tape lies on the far side of each of a zone's lines, and protects what is there") {
  const Straight cup;
  const Divided divided = cup.made(bandsOfThree());
  const std::vector<TapeMove> moves =
      tapeProgram(divided, Length::inches(0.25), Graduation::sixteenth, {});
  // C is below line 2: tape above it, on B's side.
  CHECK(moves[0].kind == MoveKind::tape);
  CHECK(moves[0].zones == std::vector<std::string>{"C"});
  CHECK(moves[0].lines == std::vector<std::string>{"2"});
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
    ZoneNode node = bandsOfThree();
    node.parts[2].finish.stick = stick;
    const std::vector<TapeMove> moves =
        tapeProgram(cup.made(node), Length::mm(6), Graduation::millimetre, {});
    const auto pull = std::find_if(moves.begin(), moves.end(), [](const TapeMove& move) {
      return move.kind == MoveKind::pull && move.zones.front() == "C";
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
      tapeProgram(cup.made(bandsOfThree()), Length::mm(6), Graduation::millimetre, {});
  const auto at = [&](MoveKind kind, const char* zone) {
    return std::find_if(moves.begin(), moves.end(),
                        [&](const TapeMove& move) {
                          return move.kind == kind && move.zones.front() == zone;
                        }) -
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
  node.cut = VeeCut{.at = CupAngle::front(), .wide = {Length::inches(4), {}}};
  const Divided divided = cup.made(node);
  for (const DivideLine& line : divided.lines) {
    const Sides& sides = divided.sides[static_cast<std::size_t>(&line - divided.lines.data())];
    REQUIRE(sides.first.size() == 1);
    REQUIRE(sides.second.size() == 1);
    CHECK(sides.first[0] != sides.second[0]);
  }
}

TEST_CASE("round a V's inside tape lies left of its left side and right of its right side") {
  const Straight cup;
  ZoneNode node;
  node.cut = VeeCut{.at = CupAngle::front(), .wide = {Length::inches(4), {}}};
  node.parts = {filled(FinishKind::glitter, "#445566")};
  const std::vector<TapeMove> moves =
      tapeProgram(cup.made(node), Length::mm(6), Graduation::millimetre, {});
  CHECK_THAT(inWords(moves[0].words, Unit::mm), Catch::Contains("left of line 1"));
  CHECK_THAT(inWords(moves[1].words, Unit::mm), Catch::Contains("right of line 2"));
  // The same for uprights, whichever way round they are.
  ZoneNode quarters;
  quarters.cut = UprightCut{.count = 4, .at = CupAngle::degrees(-45)};
  quarters.parts = {filled(FinishKind::glitter, "#445566")};
  const std::vector<TapeMove> sides =
      tapeProgram(cup.made(quarters), Length::mm(6), Graduation::millimetre, {});
  CHECK_THAT(inWords(sides[0].words, Unit::mm), Catch::Contains("left of line 1"));
  CHECK_THAT(inWords(sides[1].words, Unit::mm), Catch::Contains("right of line 2"));
}

namespace {

ZoneNode rings(std::vector<ZoneNode> parts) {
  ZoneNode node;
  node.cut = RingCut{.count = static_cast<int>(parts.size())};
  node.parts = std::move(parts);
  return node;
}

std::string said(const TapeMove& move) {
  return inWords(move.words, Unit::mm);
}

}  // namespace

TEST_CASE("zones with one finish are filled together, and a tape serves both lines of a band") {
  const Straight cup;
  ZoneNode node =
      rings({filled(FinishKind::glitter, "#101020"), filled(FinishKind::bare, "#FFFFFF"),
             filled(FinishKind::glitter, "#101020")});
  node.cut = RingCut{.by = CutBy::widths,
                     .widths = {std::nullopt, WrittenLength{Length::inches(1), "1 in"},
                                WrittenLength{Length::inches(3), "3 in"}}};
  // "The divider masked with 1 in tape laid exactly on it": common practice, no published source.
  const Divided divided = cup.made(node);
  const auto exact = tapeProgram(divided, Length::inches(1), Graduation::sixteenth, {});
  REQUIRE(exact[0].kind == MoveKind::tape);
  CHECK(exact[0].zones == std::vector<std::string>{"A", "C"});
  CHECK(exact[0].lines == std::vector<std::string>{"1", "2"});
  CHECK(exact[0].width.inches() == Approx(1));
  CHECK_THAT(said(exact[0]), Catch::Contains("exactly on B, from line 1 to line 2"));
  // What stays bare is covered.
  CHECK(exact[1].kind == MoveKind::cover);
  CHECK(exact[2].kind == MoveKind::paint);
  // A wider one is cut down, a narrower one is laid twice.
  CHECK_THAT(said(tapeProgram(divided, Length::inches(2), Graduation::sixteenth, {})[0]),
             Catch::Contains("Cut tape down"));
  const auto twice = tapeProgram(divided, Length::inches(0.25), Graduation::sixteenth, {});
  CHECK(twice[0].lines == std::vector<std::string>{"1"});
  CHECK(twice[1].lines == std::vector<std::string>{"2"});
}

TEST_CASE("a line that would want tape on both its sides parts a finish into two goes") {
  const Straight cup;
  const auto half = [](const char* left, const char* right) {
    ZoneNode node;
    node.cut = UprightCut{};
    node.parts = {filled(FinishKind::glitter, left), filled(FinishKind::glitter, right)};
    return node;
  };
  // A checkerboard: two of a colour meet only at corners.
  const Divided divided = cup.made(rings({half("#101020", "#E0E0F0"), half("#E0E0F0", "#101020")}));
  const auto moves = tapeProgram(divided, Length::mm(6), Graduation::millimetre, {});
  for (const TapeMove& move : moves) CHECK(move.zones.size() == 1);
  // Side by side with nothing else at their line, they need no tape between.
  const Divided alike = cup.made(half("#101020", "#101020"));
  for (const TapeMove& move : tapeProgram(alike, Length::mm(6), Graduation::millimetre, {})) {
    CHECK(move.kind != MoveKind::tape);
    CHECK(move.zones.size() == 2);
  }
}

TEST_CASE("tape round dry paint stays where the next zone needs it just so") {
  const Straight cup;
  ZoneNode lower;
  lower.cut = UprightCut{};
  lower.parts = {filled(FinishKind::paint, "#101020"), filled(FinishKind::paint, "#405060")};
  const Divided divided = cup.made(rings({filled(FinishKind::bare, "#FFFFFF"), lower}));
  const auto moves = tapeProgram(divided, Length::mm(6), Graduation::millimetre, {});
  const auto left = std::find_if(moves.begin(), moves.end(),
                                 [](const TapeMove& move) { return move.kind == MoveKind::leave; });
  REQUIRE(left != moves.end());
  CHECK(left->lines == std::vector<std::string>{"1"});
  CHECK(left->sameAs == 1);
  const auto pull = std::find_if(moves.begin(), moves.end(),
                                 [](const TapeMove& move) { return move.kind == MoveKind::pull; });
  CHECK_THAT(said(*pull), Catch::Contains("leave it at line 1: it serves C next"));
  // Under resin it has to come off, and fresh tape is laid alike.
  lower.parts[0].finish.kind = FinishKind::glitter;
  const Divided wet = cup.made(rings({filled(FinishKind::bare, "#FFFFFF"), lower}));
  const auto fresh = tapeProgram(wet, Length::mm(6), Graduation::millimetre, {});
  const auto again = std::find_if(fresh.begin(), fresh.end(),
                                  [](const TapeMove& move) { return move.sameAs > 0; });
  REQUIRE(again != fresh.end());
  CHECK(again->kind == MoveKind::tape);
  CHECK_THAT(said(*again), Catch::Contains("fresh tape above line 1, as in move 1"));
}

TEST_CASE("stripes by tape and spacer are laid one touching the other") {
  const Straight cup;
  ZoneNode node = rings({});
  node.cut = RingCut{.by = CutBy::spacers, .stripes = 3, .leftover = Leftover::both};
  node.parts.resize(7);
  for (const std::size_t between : {0U, 2U, 4U, 6U}) {
    node.parts[between] = filled(FinishKind::glitter, "#203040");
  }
  const auto moves = tapeProgram(cup.made(node), Length::inches(0.25), Graduation::sixteenth, {});
  CHECK_THAT(said(moves[0]), Catch::Contains("exactly on B"));
  CHECK_THAT(said(moves[1]), Catch::Contains("Lay a spacer 6.35 mm wide touching the tape before"));
  CHECK_THAT(said(moves[2]), Catch::Contains("spacer"));
  CHECK(moves[3].kind == MoveKind::cover);
  CHECK(moves[4].kind == MoveKind::paint);
}

TEST_CASE("zones are moved earlier and later in the order, those of one finish together") {
  const Straight cup;
  const Divided divided = cup.made(
      rings({filled(FinishKind::glitter, "#101020"), filled(FinishKind::glitter, "#E0E0F0"),
             filled(FinishKind::glitter, "#101020"), filled(FinishKind::film, "#808080")}));
  using Ids = std::vector<std::string>;
  CHECK(movedInOrder(divided, {}, ".2", 0) == Ids{".0", ".2", ".1", ".3"});
  CHECK(movedInOrder(divided, {}, ".2", 1) == Ids{".1", ".0", ".2", ".3"});
  CHECK(movedInOrder(divided, {".3"}, ".3", -1) == Ids{".3", ".0", ".2", ".1"});
  CHECK(movedInOrder(divided, {}, ".3", 5) == Ids{".0", ".2", ".1", ".3"});
}

TEST_CASE(
    "ink and dips are sealed before resin; chunky glitter and clear film say what they need") {
  const Straight cup;
  const auto all = [&](Finish finish) {
    ZoneNode node;
    node.finish = std::move(finish);
    std::string words;
    for (const TapeMove& move :
         tapeProgram(cup.made(node), Length::mm(6), Graduation::millimetre, {})) {
      words += said(move) + "\n";
    }
    return words;
  };
  Finish finish = filled(FinishKind::ink, "#336699").finish;
  CHECK_THAT(all(finish), Catch::Contains("no flame") && Catch::Contains("before any resin"));
  finish.kind = FinishKind::dip;
  CHECK_THAT(all(finish), Catch::Contains("on water") && Catch::Contains("before any resin"));
  finish.kind = FinishKind::glitter;
  finish.grain = GlitterCut::chunky;
  CHECK_THAT(all(finish), Catch::Contains("drinks resin"));
  finish.kind = FinishKind::film;
  finish.opaque = false;
  CHECK_THAT(all(finish), Catch::Contains("shows through"));
}
