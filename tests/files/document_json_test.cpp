// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/document_json.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>

#include "files/disk.h"
#include "files/json_reader.h"
#include "job/ids.h"
#include "job/plan.h"

using namespace avrelt;

namespace {

const char* const tapered = R"({ "avrelt": 1, "units": "in",
  "cups": [ { "name": "Tapered 350",
      "blank": { "name": "tapered 350 ml", "height_along": "wall",
                 "stations": [ {"at": 0, "around": "8 in"}, {"at": "4 3/4 in", "around": "10 1/2 in"} ] },
      "wrap":  { "base_clearance": 0, "rim_clearance": "1/8 in", "overlap": "1/8 in", "seam_at": 180 } } ] }
)";

Document readWell(const std::string& text) {
  const auto read = readDocument(text);
  if (!read) FAIL(inWords(read.error().front(), "order", Unit::mm));
  return read->document;
}

std::vector<std::string> faultsOf(const std::string& text) {
  const auto read = readDocument(text);
  REQUIRE_FALSE(read.has_value());
  std::vector<std::string> words;
  for (const ReadFault& fault : read.error()) words.push_back(inWords(fault, "order", Unit::mm));
  return words;
}

std::string oneFault(const std::string& text) {
  const std::vector<std::string> words = faultsOf(text);
  REQUIRE(words.size() == 1);
  return words.front();
}

std::string cupWith(const std::string& members) {
  return R"({"avrelt": 1, "cups": [{"name": "A", "blank": {"stations": [)"
         R"({"at": 0, "around": 240}, {"at": 200}]}, )" +
         members + "}]}";
}

}  // namespace

TEST_CASE("an order is read as it is written down") {
  const Document document = readWell(tapered);
  CHECK(document.units == Unit::inch);
  REQUIRE(document.cups.size() == 1);
  const Cup& cup = document.cups[0];
  CHECK(cup.name == "Tapered 350");
  CHECK(cup.blank.stations[1].at.text == "4 3/4 in");
  CHECK(cup.blank.stations[1].at.length == Length::inches(4.75));
  CHECK(cup.blank.stations[0].girth->length == Length::inches(8));
  CHECK(cup.wrap.overlap.length == Length::inches(0.125));
  CHECK(cup.wrap.seamAt == CupAngle::back());
  CHECK_FALSE(cup.strip.at.has_value());
}

TEST_CASE("writing and reading give the same order, and the same bytes again") {
  const Document document = readWell(tapered);
  const std::string text = writeDocument(document);
  CHECK(readWell(text) == document);
  CHECK(writeDocument(readWell(text)) == text);
  CHECK_THAT(text, Catch::Contains("\"4 3/4 in\""));
  CHECK_THAT(text, Catch::Contains("\"at\": 0,"));
}

TEST_CASE(
    "lengths as numbers are millimetres whatever the unit, texts without unit the document's") {
  const Document document = readWell(
      R"({"avrelt": 1, "units": "mm", "cups": [{"name": "A", "blank": {"stations": [
          {"at": 0, "across": "80"}, {"at": 120.5, "across": 90}]}}]})");
  const std::vector<Station>& stations = document.cups[0].blank.stations;
  CHECK(stations[0].girth->length == Length::mm(80));
  CHECK(stations[0].girthIs == Girth::across);
  CHECK(stations[1].at.length == Length::mm(120.5));
}

TEST_CASE("members not known survive at every level") {
  const std::string text =
      R"({"avrelt": 1, "due": "2026-12-11", "cups": [{"name": "A", "tags": [1, {"x": null}],
          "blank": {"photo": "a.png", "stations": [{"at": 0, "around": 240, "how": "tape"},
          {"at": 200, "note": {"deep": [1.5, "é"]}}]}, "wrap": {"film": "thin"},
          "strip": {"colour": "white"}}], "zz": false})";
  const Document document = readWell(text);
  const Json written = Json::parse(writeDocument(document));
  CHECK(written["due"] == "2026-12-11");
  CHECK(written["zz"] == false);
  CHECK(written["cups"][0]["tags"].dump() == R"([1,{"x":null}])");
  CHECK(written["cups"][0]["blank"]["photo"] == "a.png");
  CHECK(written["cups"][0]["blank"]["stations"][0]["how"] == "tape");
  CHECK(written["cups"][0]["blank"]["stations"][1]["note"]["deep"][1] == "é");
  CHECK(written["cups"][0]["wrap"]["film"] == "thin");
  CHECK(written["cups"][0]["strip"]["colour"] == "white");
  CHECK(readWell(writeDocument(document)) == document);
}

TEST_CASE("an order of a newer version is refused with a sentence") {
  CHECK_THAT(oneFault(R"({"avrelt": 3, "cups": 7})"), Catch::Contains("newer Avrelt"));
  CHECK_THAT(oneFault(R"({"avrelt": 1e300, "cups": 7})"),
             Catch::Contains("whole number from 1 to 2"));
  CHECK_THAT(oneFault(R"({"avrelt": "1"})"), Catch::Contains("whole number from 1 to 2"));
  CHECK_THAT(oneFault(R"({"avrelt": 0})"), Catch::Contains("whole number from 1 to 2"));
  CHECK_THAT(oneFault(R"({"cups": []})"), Catch::Contains("no Avrelt order"));
  CHECK_THAT(oneFault("[]"), Catch::Contains("object in braces"));
  CHECK_THAT(oneFault("<svg/>"), Catch::Contains("not JSON"));
}

TEST_CASE("each fault names line and field and what is wanted") {
  const std::vector<std::string> words = faultsOf(
      "{\"avrelt\": 1, \"units\": \"ell\",\n\"cups\": [{\"name\": 5,\n\"blank\": {\"stations\": [\n"
      "{\"at\": -1, \"around\": \"9 3/0\"},\n{\"at\": true}]},\n\"wrap\": {\"seam_at\": 999}}]}");
  REQUIRE(words.size() == 7);
  CHECK(words[0] == "order, line 1, units: Here \"in\" or \"mm\" is wanted.");
  CHECK_THAT(words[1], Catch::StartsWith("order, line 2, cups[0].name: "));
  CHECK_THAT(words[2], Catch::StartsWith("order, line 4, cups[0].blank.stations[0].at: "));
  CHECK_THAT(words[3], Catch::StartsWith("order, line 4, cups[0].blank.stations[0].around: "));
  CHECK_THAT(words[4], Catch::StartsWith("order, line 5, cups[0].blank.stations[1].at: "));
  CHECK_THAT(words[5], Catch::StartsWith("order, line 6, cups[0].wrap.seam_at: "));
  CHECK_THAT(words[6], Catch::Contains("no name"));
}

TEST_CASE("two cups of one name are refused, the second named") {
  const std::string cup =
      R"({"name": "Comet", "blank": {"stations": [{"at": 0, "around": 240}, {"at": 200}]}})";
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": [)" + cup + "," + cup + "]}"),
             Catch::Contains("cups[1].name") && Catch::Contains("name of cup 1"));
}

TEST_CASE("members of the wrong kind are refused") {
  CHECK_THAT(oneFault(cupWith(R"("wrap": [])")), Catch::Contains("object in braces"));
  CHECK_THAT(oneFault(cupWith(R"("wrap": {"overlap": null})")),
             Catch::Contains("A length is wanted"));
  CHECK_THAT(oneFault(cupWith(R"("wrap": {"overlap": 1e9})")), Catch::Contains("0 to 10000"));
  CHECK_THAT(oneFault(cupWith(R"("wrap": {"seam_at": "back"})")), Catch::Contains("degrees"));
  CHECK_THAT(oneFault(R"({"avrelt": 1})"), Catch::Contains("list of cups is missing"));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": {}})"), Catch::Contains("brackets [ ]"));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": [{"name": "A"}]})"),
             Catch::Contains("its measures"));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "paper": "napkin", "cups": []})"),
             Catch::Contains("\"A4\" or \"Letter\""));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": [{"name": "A", "blank": {"stations": [
                 {"at": 0, "around": 1, "across": 2}]}}]})"),
             Catch::Contains("both"));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": [{"name": "A", "blank": {"stations": [{}]}}]})"),
             Catch::Contains("no \"at\""));
}

TEST_CASE("measures no cup has still open, so that they can be mended") {
  const Document document = readWell(R"({"avrelt": 1, "cups": [{"name": "A",
      "blank": {"stations": [{"at": 0, "around": 0}, {"at": 0, "around": 0}]}}]})");
  CHECK_FALSE(planDocument(document).has_value());
}

TEST_CASE("coats and what was measured meanwhile are read and come back") {
  const std::string text = cupWith(R"("build_up": {"coats": [{"kind": "paint", "x": 1},
      {"kind": "glitter", "cut": "chunky"}, {"kind": "resin", "mixed": "1 fl oz"},
      {"kind": "resin", "mixed": 20}], "laid_after": 3, "sized_for": "bare", "y": 2,
      "measured": [{"after": 2, "at": 200, "around": 241, "z": 3}]})");
  const Document document = readWell(text);
  const BuildUp& buildUp = document.cups[0].buildUp;
  REQUIRE(buildUp.coats.size() == 4);
  CHECK(buildUp.coats[1].cut == GlitterCut::chunky);
  CHECK(buildUp.coats[2].mixed.ml() == Approx(29.5735));
  CHECK(buildUp.laidAfter == 3);
  CHECK(buildUp.sizedFor == SizedFor::bare);
  CHECK(buildUp.measured[0].station.girth->length == Length::mm(241));
  CHECK(readWell(writeDocument(document)) == document);
  const Json written = Json::parse(writeDocument(document))["cups"][0]["build_up"];
  CHECK(written["coats"][0]["x"] == 1);
  CHECK(written["y"] == 2);
  CHECK(written["measured"][0]["z"] == 3);
}

TEST_CASE("doubts are read and come back, or are refused at their place") {
  const Document document = readWell(cupWith(
      R"("doubt": {"tape_marks": 2, "out_of_round": "1/16 in", "film_shrinks_percent": 0.123456789012, "x": 1})"));
  CHECK(document.cups[0].doubt.tapeMarks == 2);
  CHECK(readWell(writeDocument(document)) == document);
  CHECK_THAT(oneFault(cupWith(R"("doubt": {"tape_marks": 9})")), Catch::Contains("0 to 8"));
  CHECK_THAT(oneFault(cupWith(R"("doubt": {"film_shrinks_percent": 21})")),
             Catch::Contains("0 to 20"));
}

TEST_CASE("coats that are none are refused at their place") {
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"coats": [{"kind": "jam"}]})")),
             Catch::Contains("cups[0].build_up.coats[0].kind") && Catch::Contains("\"paint\""));
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"coats": [{"mixed": "a lot"}]})")),
             Catch::Contains("coats[0].mixed"));
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"coats": 3})")), Catch::Contains("list in brackets"));
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"laid_after": 1.5})")),
             Catch::Contains("whole number"));
}

TEST_CASE("the seam's degrees come back as they were given") {
  for (const double degrees : {0.0, 1.0, 37.0, 172.0, 180.0, -90.0, 12.345, 12.3456789012345}) {
    Document document;
    document.cups.push_back(newCup("A", Unit::mm));
    giveIds(document.cups[0]);
    document.cups[0].wrap.seamAt = CupAngle::degrees(degrees);
    CHECK(Json::parse(writeDocument(document))["cups"][0]["wrap"]["seam_at"].get<double>() ==
          Approx(degrees).epsilon(1e-15));
    CHECK(readWell(writeDocument(document)) == document);
  }
}

TEST_CASE("profile, features, film, base and cut are read and come back") {
  const std::string text =
      R"({"avrelt": 1, "units": "mm", "cups": [{"name": "A", "blank": {"joined": "smooth",
      "stations": [{"at": 0, "around": 240}, {"at": 80, "around": 280}, {"at": 160, "around": 250}],
      "fillet": "4 mm", "features": [{"kind": "handle", "at": -90, "wide": 34, "low": 30,
      "high": "12 cm", "screws": 2}]},
      "wrap": {"laying": "gores"}, "film": {"kind": "thin_cast", "takes_percent": 3.5},
      "base": {"overhang": 6, "disc_clearance": "2 mm"},
      "cut": {"around_base": 240.5, "around_rim": "250 mm"}}]})";
  const Document document = readWell(text);
  const Cup& cup = document.cups[0];
  CHECK(cup.blank.joined == Joined::smooth);
  CHECK(cup.blank.fillet.length == Length::mm(4));
  REQUIRE(cup.blank.features.size() == 1);
  CHECK(cup.blank.features[0].kind == FeatureKind::handle);
  CHECK(cup.blank.features[0].at.degrees() == Approx(-90));
  CHECK(cup.blank.features[0].high.length == Length::mm(120));
  CHECK_THAT(cup.blank.features[0].kept, Catch::Contains("screws"));
  CHECK(cup.wrap.laying == LayingKind::gores);
  CHECK(cup.film.kind == FilmKind::thinCast);
  CHECK(*cup.film.takesPercent == 3.5);
  CHECK(cup.base.overhang.length == Length::mm(6));
  REQUIRE(cup.cuts.size() == 1);
  CHECK(cup.cuts[0].purpose == "wrap");
  CHECK(cup.cuts[0].of == std::vector<std::string>{cup.division.body.id});
  CHECK(cup.cuts[0].aroundBase.length == Length::mm(240.5));
  CHECK(readWell(writeDocument(document)) == document);
}

TEST_CASE("stages are told by their coats, and what is cut by what it is for") {
  const Document document = readWell(cupWith(
      R"("build_up": {"coats": [{"id": "base", "kind": "paint"}, {"id": "flood"}, {"kind": "paint"}],
      "laid_after": "flood", "laid": [{"of": "wrap", "after": 3, "why": "last"},
      {"of": "zone-1", "after": "bare"}], "measured": [{"after": "base", "at": 10, "around": 231}]},
      "divide": {"masks": [{"id": "m", "kind": "window", "zones": ["zone-1"], "margin": "1 in",
      "material": "paper", "by": "hand"}, {"zones": ["zone-1", "zone-2"]}]},
      "cuts": [{"purpose": "stencil", "for": ["fill-1", "zone-1"], "after": "flood",
      "around_base": 230, "around_rim": "10 in", "on": "Monday"}])"));
  const Cup& cup = document.cups[0];
  CHECK(cup.buildUp.laidAfter == 2);
  REQUIRE(cup.buildUp.laid.size() == 2);
  CHECK(cup.buildUp.laid[0].after == 3);
  CHECK_THAT(cup.buildUp.laid[0].kept, Catch::Contains("last"));
  CHECK(cup.buildUp.laid[1].after == 0);
  CHECK(cup.buildUp.measured[0].after == 1);
  REQUIRE(cup.division.masks.size() == 2);
  CHECK(cup.division.masks[0].kind == MaskKind::window);
  CHECK(cup.division.masks[0].paper);
  CHECK_THAT(cup.division.masks[0].kept, Catch::Contains("hand"));
  CHECK(cup.division.masks[1].kind == MaskKind::cover);
  CHECK_FALSE(cup.division.masks[1].id.empty());
  REQUIRE(cup.cuts.size() == 1);
  CHECK(cup.cuts[0].of.size() == 2);
  CHECK(cup.cuts[0].after == 2);
  CHECK(cup.cuts[0].aroundRim.length == Length::inches(10));
  CHECK_THAT(cup.cuts[0].kept, Catch::Contains("Monday"));
  const std::string text = writeDocument(document);
  CHECK_THAT(text, Catch::Contains("\"laid_after\": \"flood\""));
  CHECK(readWell(text) == document);
  // A coat put below moves none of them: they are told by the coat they follow.
  std::string below = text;
  below.insert(below.find("{", below.find("\"coats\"")), R"({"kind": "glitter"},)");
  const Cup grown = readWell(below).cups[0];
  CHECK(grown.buildUp.laidAfter == 3);
  CHECK(grown.buildUp.laid[1].after == 0);
  CHECK(grown.buildUp.measured[0].after == 2);
  CHECK(grown.cuts[0].after == 3);
}

TEST_CASE("a coat there is not, and masks that are none, are refused at their place") {
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"coats": [{"id": "a"}], "laid_after": "b"})")),
             Catch::Contains("cups[0].build_up.laid_after") && Catch::Contains("bare"));
  CHECK_THAT(oneFault(cupWith(R"("build_up": {"laid": [{"of": "wrap", "after": -1}]})")),
             Catch::Contains("laid[0].after"));
  CHECK_THAT(oneFault(cupWith(R"("divide": {"masks": [{"kind": "hat"}]})")),
             Catch::Contains("masks[0].kind") && Catch::Contains("\"cover\""));
  CHECK_THAT(oneFault(cupWith(R"("divide": {"masks": [{"zones": [3]}]})")),
             Catch::Contains("masks[0].zones[0]"));
  CHECK_THAT(oneFault(cupWith(R"("divide": {"masks": [{"id": "m"}, {"id": "m"}]})")),
             Catch::Contains("masks[1].id"));
}

TEST_CASE("a division, its stripes and its order are read and come back") {
  const Document document = readWell(cupWith(
      R"("divide": {"tape_width": "1/8 in", "order": ["B", "A"], "body": {"cut": {"kind": "rings",
      "by": "widths", "widths": ["4 in", "1 in", "rest"]}, "parts": [
      {"finish": {"kind": "glitter", "name": "night", "colour": "#202040", "stick": "uv_resin"}},
      {"cut": {"kind": "vee", "at": 0, "wide": 40, "deep": "2 cm", "repeat": 2, "opens_at": "base"}},
      {"cut": {"kind": "wave", "from": "base", "low": 30, "swing": 8, "repeat": 5, "zigzag": true}}]},
      "stripes": [{"of": [1], "line": 3, "kind": "tape", "width": "1 mm", "overlap": 0,
      "spares": 4, "shop": "x"}]})"));
  const Division& division = document.cups[0].division;
  // Zone B is a V of the second band: parts nobody has touched are called after their cut.
  CHECK(division.order ==
        std::vector<std::string>{division.body.parts[1].cut->id + ".0", division.body.parts[0].id});
  REQUIRE(division.body.parts.size() == 3);
  const auto& bands = std::get<RingCut>(division.body.cut->how);
  CHECK(bands.widths.size() == 3);
  CHECK_FALSE(bands.widths[2].has_value());
  CHECK(division.body.parts[0].finish.stick == Stick::uvResin);
  const auto& vee = std::get<VeeCut>(division.body.parts[1].cut->how);
  CHECK(vee.deep->length == Length::mm(20));
  CHECK_FALSE(vee.opensAtRim);
  CHECK(std::get<WaveCut>(division.body.parts[2].cut->how).zigzag);
  REQUIRE(division.stripes.size() == 1);
  CHECK(division.stripes[0].of == division.body.parts[1].cut->id);
  CHECK_THAT(division.stripes[0].kept, Catch::Contains("shop"));
  CHECK(readWell(writeDocument(document)) == document);
  CHECK_THAT(oneFault(cupWith(R"("divide": {"body": {"cut": {"kind": "spiral"}}})")),
             Catch::Contains("divide.body.cut.kind"));
  CHECK_THAT(oneFault(cupWith(R"("divide": {"body": {"parts": [{"cut": {"widths": ["x"]}}]}})")),
             Catch::Contains("divide.body.parts[0].cut.widths[0]"));
}

TEST_CASE("what belongs to another kind of cut has no effect and is not lost") {
  const Document document = readWell(cupWith(
      R"("divide": {"body": {"cut": {"kind": "rings", "count": 3, "repeat": 7, "deep": "no"}}})"));
  const Cut& cut = *document.cups[0].division.body.cut;
  CHECK(cut.how == Cut::How(RingCut{.count = 3}));
  CHECK_THAT(writeDocument(document), Catch::Contains("\"repeat\": 7"));
}

TEST_CASE("stripes by spacer, joins, ink and the tapes owned are read and come back") {
  const Document document = readWell(cupWith(
      R"("divide": {"tapes": ["1 mm", "1/4 in"], "body": {"cut": {"kind": "rings", "by": "spacers",
      "tape": "4 mm", "spacer": "6 mm", "stripes": 3, "left_over": "both"}, "parts": [
      {"finish": {"kind": "ink"}}, {"finish": {"kind": "glitter", "grain": "chunky"}}]},
      "stripes": [{"of": [], "line": 0, "join": "hidden", "butt": true, "colour": "#112233"}]})"));
  const Division& division = document.cups[0].division;
  CHECK(division.tapes.size() == 2);
  const auto& run = std::get<RingCut>(division.body.cut->how);
  CHECK(run.by == CutBy::spacers);
  CHECK(run.spacer.length == Length::mm(6));
  CHECK(run.leftover == Leftover::both);
  CHECK(division.body.parts[0].finish.kind == FinishKind::ink);
  CHECK(division.body.parts[1].finish.grain == GlitterCut::chunky);
  CHECK(division.stripes[0].join == StripeJoin::hidden);
  CHECK(division.stripes[0].butt);
  CHECK_FALSE(division.stripes[0].spares.has_value());
  CHECK(readWell(writeDocument(document)) == document);
}

TEST_CASE("patterns that fill zones are read and come back") {
  const Document document = readWell(cupWith(
      R"("fills": [{"zone": [0, 2], "style": "gradient", "seed": 9, "coats": 1, "corners": true,
      "pattern": {"family": "herringbone", "size": "2 cm", "line": 0, "ratio": 4, "repeats": 11,
      "along": 0.25, "mirror": true, "turned": true, "school": "keep", "seed": 3, "x": 1},
      "colours": [{"finish": {"kind": "film", "colour": "#102030"}, "share": 2.5}],
      "pins": [{"at": -20, "up": "3 in", "colour": 0}]}])"));
  REQUIRE(document.cups[0].fills.size() == 1);
  const Fill& fill = document.cups[0].fills[0];
  CHECK(fill.zone == "@0.2");  // leads nowhere, and is told so
  CHECK(fill.pattern.family == Family::herringbone);
  CHECK(*fill.pattern.ratio == 4);
  CHECK(fill.pattern.taperFit == TaperFit::keep);
  CHECK_THAT(fill.pattern.kept, Catch::Contains("x"));
  CHECK(fill.colours[0].share == 2.5);
  CHECK(fill.pins[0].up.length.inches() == Approx(3));
  CHECK(readWell(writeDocument(document)) == document);
  CHECK_THAT(oneFault(cupWith(R"("fills": [{"pattern": {"family": "tartan"}}])")),
             Catch::Contains("fills[0].pattern.family"));
  CHECK_THAT(oneFault(cupWith(R"("fills": [{"colours": [{"share": -1}]}])")),
             Catch::Contains("fills[0].colours[0].share"));
}

TEST_CASE("artwork, colours not wanted and what is cut besides are read and come back") {
  const Document document = readWell(cupWith(
      R"("fills": [{"zone": [], "beyond": true, "pattern": {"family": "artwork", "rise": "whole",
      "artwork": {"name": "moons.svg", "wide": 36.5, "tall": 24, "picture": true, "cells":
      ["M0 0 10 0 10 10.125 0 10Z", "M12 0 20 0 20 20 12 20ZM14 2 14 4 16 4 16 2Z"]}},
      "pins": [{"at": 5, "up": 20, "colour": 1, "not": true}],
      "cutting": {"spares": 2, "film_whole": true, "double_sided": true, "straight": true,
      "lines": "tape"}}])"));
  const Fill& fill = document.cups[0].fills[0];
  CHECK(fill.beyond);
  CHECK(fill.pattern.heightFit == HeightFit::whole);
  REQUIRE(fill.pattern.artwork);
  CHECK(fill.pattern.artwork->picture);
  REQUIRE(fill.pattern.artwork->cells.size() == 2);
  CHECK(fill.pattern.artwork->cells[0][0][2] == Point{10, 10.125});
  CHECK(signedArea(fill.pattern.artwork->cells[1]) == Approx(156));
  CHECK(fill.pins[0].bar);
  CHECK(fill.cutting == FillCutting{2, true, true, true, LineWork::tape});
  CHECK(readWell(writeDocument(document)) == document);

  const auto artwork = [](const std::string& cells) {
    return oneFault(
        cupWith(R"("fills": [{"pattern": {"artwork": {"wide": 9, "tall": 9, "cells": [)" + cells +
                "]}}}]"));
  };
  CHECK_THAT(artwork("\"M0 0 5\", \"M0 0 5 0 5 5Z\""),
             Catch::Contains("artwork.cells[0]") && Catch::Contains("A number is wanted"));
  // Clockwise, open, or none at all.
  CHECK_THAT(artwork("\"M0 0 5 5 5 0Z\", \"M0 0 5 0 5 5Z\""), Catch::Contains("counter-clockwise"));
  CHECK_THAT(artwork("\"M0 0 5 0 5 5\", \"M0 0 5 0 5 5Z\""), Catch::Contains("has to be closed"));
  CHECK_THAT(artwork(""), Catch::Contains("at least one cell"));
}

TEST_CASE("a profile, a film or a feature that is none is refused at its place") {
  CHECK_THAT(oneFault(cupWith(R"("film": {"kind": "foil"})")),
             Catch::Contains("cups[0].film.kind"));
  CHECK_THAT(oneFault(cupWith(R"("film": {"takes_percent": 80})")),
             Catch::Contains("per cent from 0 to 50"));
  CHECK_THAT(oneFault(cupWith(R"("wrap": {"laying": "spiral"})")),
             Catch::Contains("cups[0].wrap.laying"));
  CHECK_THAT(oneFault(cupWith(R"("base": {"overhang": -1})")), Catch::Contains("base.overhang"));
  CHECK_THAT(oneFault(R"({"avrelt": 1, "cups": [{"name": "A", "blank": {"stations": [], "features":
      [{"kind": "wing"}]}}]})"),
             Catch::Contains("cups[0].blank.features[0].kind"));
}

TEST_CASE("any order survives its file") {
  const bool holds = rc::check([] {
    Document document;
    document.units = *rc::gen::element(Unit::inch, Unit::mm);
    const int count = *rc::gen::inRange(0, 4);
    for (int i = 0; i < count; ++i) {
      Cup cup =
          newCup(freeName(document, *rc::gen::element<std::string>("Comet", "Dømé", "\"x\"\\")),
                 document.units);
      const Length girth = Length::mm(*rc::gen::inRange(0, 100000) / 37.0);
      cup.blank.stations[0].girth =
          *rc::gen::arbitrary<bool>() ? written(girth, document.units) : WrittenLength{girth, {}};
      cup.blank.heightAlong = *rc::gen::element(HeightAlong::wall, HeightAlong::plumb);
      const int coats = *rc::gen::inRange(0, 4);
      for (int c = 0; c < coats; ++c) {
        cup.buildUp.coats.push_back({*rc::gen::element(CoatKind::paint, CoatKind::resin),
                                     GlitterCut::fine,
                                     Volume::ml(20),
                                     {}});
      }
      cup.buildUp.laidAfter = coats;
      if (coats > 1) cup.buildUp.laid = {{"wrap", *rc::gen::inRange(0, coats)}};
      if (*rc::gen::arbitrary<bool>()) cup.strip.at = WrittenLength::mm(33.25);
      document.cups.push_back(std::move(cup));
    }
    for (Cup& cup : document.cups) giveIds(cup);
    const auto read = readDocument(writeDocument(document));
    RC_ASSERT(read.has_value());
    RC_ASSERT(read->document == document);
  });
  CHECK(holds);
}

TEST_CASE("the demo order is whole and can be planned") {
  const auto text = readFile(AVRELT_DATA "/demo/Brackwater open night.avrelt");
  REQUIRE(text.has_value());
  const CheckedAll<Plan> plan = planDocument(readWell(*text));
  REQUIRE(plan.has_value());
  CHECK(plan->cups.size() == 5);
}

TEST_CASE("orders of every version so far still open and mean the same") {
  const auto text = readFile(AVRELT_TEST_DATA "/version-1.avrelt");
  REQUIRE(text.has_value());
  const Document document = readWell(*text);
  REQUIRE(document.cups.size() == 2);
  CHECK(document.cups[1].blank.stations[0].girth->length == Length::mm(94));
  CHECK(document.cups[0].wrap.overlap.length == Length::inches(3.0 / 16));
  CHECK(document.cups[0].kept.find("made_for") != std::string::npos);
}
