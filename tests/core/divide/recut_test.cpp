// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/recut.h"

#include <catch2/catch.hpp>

using namespace avrelt;

namespace {

Cut ringsAt(std::vector<double> places, bool fromRim = true) {
  RingCut rings{.by = CutBy::places, .fromRim = fromRim};
  for (const double mm : places) rings.places.push_back(WrittenLength::mm(mm));
  return rings;
}

/// A body cut so, its parts called a, b, c … from the top, with a stripe on every line.
Division cutInto(Cut cut, int parts, int lines) {
  Division division;
  cut.id = "cut";
  division.body.cut = std::move(cut);
  for (int i = 0; i < parts; ++i) {
    division.body.parts.emplace_back();
    division.body.parts.back().id = std::string(1, static_cast<char>('a' + i));
  }
  for (int i = 0; i < lines; ++i) {
    Stripe stripe;
    stripe.id = std::to_string(i);
    stripe.of = "cut";
    stripe.line = i;
    division.stripes.push_back(stripe);
  }
  return division;
}

std::string partsOf(const Division& division) {
  std::string names;
  for (const ZoneNode& part : division.body.parts) {
    names += names.empty() ? "" : " ";
    names += part.id;
  }
  return names;
}

/// "0>1": the stripe that was on line 0 lies on line 1.
std::string stripesOf(const Division& division) {
  std::string all;
  for (const Stripe& stripe : division.stripes) {
    all += (all.empty() ? "" : " ") + stripe.id + ">" + std::to_string(stripe.line);
  }
  return all;
}

void change(Division& division, const Cut& next,
            UprightRoom zone = {true, CupAngle::degrees(-180)}) {
  Cut named = next;
  named.id = "cut";
  recut(division, division.body, named, zone);
}

}  // namespace

TEST_CASE("a ring added above leaves what is below what it was") {
  Division division = cutInto(ringsAt({60, 120}), 3, 2);
  change(division, ringsAt({30, 60, 120}));
  CHECK(partsOf(division) == "cut.0 a b c");
  CHECK(stripesOf(division) == "0>1 1>2");
}

TEST_CASE("a ring added in the middle parts a band; its lower part is the band") {
  for (const bool fromRim : {true, false}) {
    Division division = cutInto(fromRim ? ringsAt({60, 120}) : ringsAt({60, 120}, false), 3, 2);
    change(division, fromRim ? ringsAt({60, 90, 120}) : ringsAt({60, 90, 120}, false));
    CHECK(partsOf(division) == "a cut.1 b c");
    CHECK(stripesOf(division) == "0>0 1>2");
  }
}

TEST_CASE("a ring taken away joins two bands; typed again it brings the other back") {
  Division division = cutInto(ringsAt({60, 120}), 3, 2);
  change(division, ringsAt({120}));
  CHECK(partsOf(division) == "b c a");
  CHECK(stripesOf(division) == "1>0");
  change(division, ringsAt({60, 120}));
  CHECK(partsOf(division) == "a b c");
  CHECK(stripesOf(division) == "1>1");
}

TEST_CASE("moving rings without adding any keeps each by its number") {
  Division division = cutInto(ringsAt({60, 120}), 3, 2);
  change(division, ringsAt({50, 140}));
  CHECK(partsOf(division) == "a b c");
  CHECK(stripesOf(division) == "0>0 1>1");
}

TEST_CASE("bands by widths are the same where their width is") {
  const auto widths = [](std::vector<double> mm) {
    RingCut rings{.by = CutBy::widths};
    for (const double one : mm) {
      rings.widths.push_back(one > 0 ? std::optional(WrittenLength::mm(one)) : std::nullopt);
    }
    return Cut(rings);
  };
  Division division = cutInto(widths({100, 25, 0}), 3, 2);
  change(division, widths({40, 100, 25, 0}));
  CHECK(partsOf(division) == "cut.0 a b c");
  CHECK(stripesOf(division) == "0>1 1>2");
}

TEST_CASE("uprights by widths keep their lines, round the cup too") {
  const auto widths = [](std::vector<double> mm) {
    UprightCut uprights{.by = CutBy::widths};
    for (const double one : mm) uprights.widths.push_back(WrittenLength::mm(one));
    return Cut(uprights);
  };
  Division round = cutInto(widths({50, 80, 100}), 3, 3);
  change(round, widths({20, 30, 80, 100}));
  // All round, a line is the left-hand edge of a part: that of the part taken away has gone.
  CHECK(partsOf(round) == "cut.0 a b c");
  CHECK(stripesOf(round) == "1>2 2>3");
  Division open = cutInto(widths({50, 80, 100}), 3, 2);
  change(open, widths({50, 80, 60, 40}), {false, {}});
  CHECK(partsOf(open) == "a b cut.2 c");
  CHECK(stripesOf(open) == "0>0 1>1");
}

namespace {

Cut uprightsAt(std::vector<double> degrees) {
  UprightCut uprights{.by = CutBy::places};
  for (const double one : degrees) uprights.angles.push_back(CupAngle::degrees(one));
  return Cut(uprights);
}

}  // namespace

TEST_CASE("uprights by places keep parts and lines where they stand, round the cup too") {
  // Counted from the seam at 180°: a goes from −90° to 0°, c from 90° on past the seam.
  Division round = cutInto(uprightsAt({-90, 0, 90}), 3, 3);
  change(round, uprightsAt({-90, -30, 0, 90}));
  CHECK(partsOf(round) == "cut.0 a b c");
  CHECK(stripesOf(round) == "0>0 1>2 2>3");
  // One before all others parts the last, whose right-hand piece stays what it was.
  Division first = cutInto(uprightsAt({-90, 0, 90}), 3, 3);
  change(first, uprightsAt({-150, -90, 0, 90}));
  CHECK(partsOf(first) == "c a b cut.3");
  CHECK(stripesOf(first) == "0>1 1>2 2>3");
  change(first, uprightsAt({-90, 0, 90}));
  CHECK(partsOf(first) == "a b c cut.3");
  CHECK(stripesOf(first) == "0>0 1>1 2>2");
  // In a zone that runs from 60° over the seam to −60° they are counted from there.
  Division open = cutInto(uprightsAt({-170, 170}), 3, 2);
  change(open, uprightsAt({-170, 100, 170}), {false, CupAngle::degrees(60)});
  CHECK(partsOf(open) == "cut.0 a b c");
  CHECK(stripesOf(open) == "0>1 1>2");
}
