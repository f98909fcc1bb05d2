// SPDX-License-Identifier: GPL-3.0-or-later
// Where sets stand: level and straight on a cone, room round them over random seams, numbers, cuts
// that places share, and what is to be watched.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "cup/film_strain.h"
#include "decal/anchoring.h"
#include "decal/shapes.h"
#include "job/ids.h"
#include "job/plan.h"
#include "watch/place_rules.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A bar so wide and tall, its long sides in steps of 1 mm.
Artwork bar(double wide, double tall) {
  Artwork artwork;
  artwork.id = "bar";
  artwork.name = "bar";
  std::vector<Point> outline;
  const int steps = static_cast<int>(wide);
  for (int i = 0; i <= steps; ++i) outline.push_back({wide * i / steps, 0});
  for (int i = steps; i >= 0; --i) outline.push_back({wide * i / steps, tall});
  artwork.areas = {{"#000000", {outline}}};
  return artwork;
}

}  // namespace

TEST_CASE("what follows the wall of a cone lies level, and what stays straight runs off it") {
  Cup cup = tapered();
  Place follows = placeAt(20, 90);
  follows.follows = true;
  cup.sets = {setAt(bar(120, 6), 120, {follows, placeAt(20, 90)})};
  const CupPlan plan = planned(cup);
  const std::vector<PlacePlan>& places = plan.sets[0].places;
  REQUIRE(places.size() == 2);
  const WallReach& level = places[0].laid->reach;
  CHECK(level.low.mm() == Approx(87).margin(0.02));
  CHECK(level.high.mm() == Approx(93).margin(0.02));
  // The second way: the flat of a cone is a sector about its apex, where the bar is a straight
  // tangent; its ends are farther from the apex by Pythagoras.
  const Development& flat = plan.wall.flat;
  const double apex = flat.apexDistance(Length::mm(90)).mm();
  const double outer = std::hypot(apex + 3, 60);
  const WallReach& off = places[1].laid->reach;
  CHECK(off.high.mm() == Approx(90 + outer - apex).margin(1e-3));
  CHECK(off.low.mm() == Approx(87).margin(1e-3));
  // Round the cup: by the arc, and by the tangent's angle.
  CHECK((level.to - level.from).radians() ==
        Approx(120 / flat.radius(Length::mm(90)).mm()).epsilon(1e-4));
  CHECK((off.to - off.from).radians() ==
        Approx(2 * std::atan2(60, apex - 3) / flat.taper()).epsilon(1e-4));
}

TEST_CASE("a set is put on its place by the point that was chosen") {
  for (const bool taper : {false, true}) {
    for (const bool follows : {false, true}) {
      Cup cup = taper ? tapered() : straight();
      Place place = placeAt(0, 100);
      place.follows = follows;
      cup.sets = {setAt(bar(40, 10), 40, {place})};
      cup.sets[0].anchor = {0.5, 1};
      const WallReach top = planned(cup).sets[0].places[0].laid->reach;
      CHECK(top.low.mm() == Approx(90).margin(0.02));
      if (!taper || follows) CHECK(top.high.mm() == Approx(100).margin(0.02));
      cup.sets[0].anchor = {0, 0.5};
      const WallReach left = planned(cup).sets[0].places[0].laid->reach;
      CHECK(left.from.radians() ==
            Approx(planned(cup).wall.inFrame(CupAngle::front()).radians()).margin(0.01));
      CHECK(left.low.mm() == Approx(95).margin(taper ? 0.6 : 0.02));
    }
  }
  // Turned a quarter, its left end points down.
  Cup cup = straight();
  Place place = placeAt(0, 60);
  place.turn = Angle::degrees(90);
  cup.sets = {setAt(bar(40, 10), 40, {place})};
  cup.sets[0].anchor = {0, 0.5};
  const WallReach up = planned(cup).sets[0].places[0].laid->reach;
  CHECK(up.low.mm() == Approx(60).margin(1e-3));
  CHECK(up.high.mm() == Approx(100).margin(1e-3));
}

TEST_CASE("a set that is told by another point of its artwork lies where it lay") {
  rc::prop("over seams, cups, turns, and points of the artwork", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    Place place = placeAt(*rc::gen::inRange(-180, 180), *rc::gen::inRange(60, 120));
    place.turn = Angle::degrees(*rc::gen::inRange(-180, 180));
    place.follows = *rc::gen::inRange(0, 2) == 0;
    cup.sets = {setAt(named("comet"), *rc::gen::inRange(20, 60), {place})};
    cup.sets[0].anchor = {*rc::gen::inRange(0, 11) / 10.0, *rc::gen::inRange(0, 11) / 10.0};
    const CupPlan before = planned(cup);
    const SetPlan& set = before.sets[0];

    // A point that is asked for by where it lies; which is known by laying it there.
    const Anchor asked{*rc::gen::inRange(0, 11) / 10.0, *rc::gen::inRange(0, 11) / 10.0};
    const Told told = toldBy(asked, set, set.places[0], before.wall);
    const Anchor found = anchorUnder(set, set.places[0], told.at, before.wall);
    RC_ASSERT(std::abs(found.across - asked.across) < 1e-3);
    RC_ASSERT(std::abs(found.up - asked.up) < 1e-3);

    cup.sets[0].anchor = asked;
    cup.sets[0].places[0].at = before.wall.onCup(told.at.theta.wrapped());
    cup.sets[0].places[0].up = WrittenLength{told.at.s, {}};
    cup.sets[0].places[0].turn = told.turn;
    const CupPlan after = planned(cup);
    const PlacePlan& was = before.sets[0].places[0];
    const PlacePlan& is = after.sets[0].places[0];
    RC_ASSERT(std::abs((was.laid->reach.low - is.laid->reach.low).mm()) < 0.01);
    RC_ASSERT(std::abs((was.laid->reach.high - is.laid->reach.high).mm()) < 0.01);
    const Region& a = was.laid->layers[0].region;
    const Region& b = is.laid->layers[0].region;
    const Body& body = before.wall.body;
    RC_ASSERT((a - b).area(body).mm2() + (b - a).area(body).mm2() < 2);
  });
  // Off the artwork, the nearest point of its box.
  Cup cup = straight();
  cup.sets = {setAt(bar(40, 10), 40, {placeAt(0, 60)})};
  const CupPlan plan = planned(cup);
  const PlacePlan& place = plan.sets[0].places[0];
  const Anchor corner = anchorUnder(
      plan.sets[0], place, {place.anchor.theta + Angle::degrees(80), Length::mm(160)}, plan.wall);
  CHECK(corner == Anchor{1, 1});
}

TEST_CASE("the room round a place is the same wherever the seam is, but to the seam") {
  rc::prop("over seams, cups and places", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    const double first = *rc::gen::inRange(-180, 180);
    const double second = *rc::gen::inRange(-180, 180);
    cup.sets = {setAt(named("comet"), *rc::gen::inRange(15, 40), {placeAt(first, 70)}),
                setAt(named("star"), 22, {placeAt(second, *rc::gen::inRange(40, 110))})};
    cup.blank.features = {{FeatureKind::handle, CupAngle::degrees(90), Angle::degrees(20),
                           WrittenLength::mm(30), WrittenLength::mm(120)}};
    cup.wrap.seamAt = CupAngle::degrees(180);
    const CupPlan one = planned(cup);
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    const CupPlan other = planned(cup);
    for (std::size_t i = 0; i < 2; ++i) {
      const PlaceRoom& a = one.sets[i].places[0].room;
      const PlaceRoom& b = other.sets[i].places[0].room;
      RC_ASSERT(std::abs((a.rim - b.rim).mm()) < 1e-6);
      RC_ASSERT(std::abs((a.base - b.base).mm()) < 1e-6);
      RC_ASSERT(a.place.has_value() && b.place.has_value());
      RC_ASSERT(std::abs((a.place->apart - b.place->apart).mm()) < 1e-6);
      RC_ASSERT(a.feature.has_value() && b.feature.has_value());
      RC_ASSERT(std::abs((a.feature->apart - b.feature->apart).mm()) < 1e-3);
      // It may just touch the seam.
      const WallReach& reach = other.sets[i].places[0].laid->reach;
      const double over = std::max(-reach.from.radians(), reach.to.radians()) - M_PI;
      if (over > 1e-9) RC_ASSERT(b.seam.apart == Length());
      if (over < -1e-9) RC_ASSERT(b.seam.apart > Length());
    }
    // The two tell the same of each other.
    RC_ASSERT(
        std::abs((one.sets[0].places[0].room.place->apart - one.sets[1].places[0].room.place->apart)
                     .mm()) < 1e-6);
  });
}

TEST_CASE("on a cylinder distances are those of the rolled out paper") {
  Cup cup = straight();
  const CupPlan bare = planned(cup);
  const double around = bare.wall.flat.aroundBase().mm();
  const double wall = bare.wall.body.wall().mm();
  // Two discs of 20 mm, 50 mm round and 30 mm up from each other.
  cup.sets = {setAt(named("full_moon"), 20, {placeAt(0, 60), placeAt(50 / around * 360, 90)})};
  const CupPlan plan = planned(cup);
  const PlaceRoom& room = plan.sets[0].places[0].room;
  CHECK(room.place->apart.mm() == Approx(std::hypot(50, 30) - 20).margin(0.01));
  CHECK(room.base.mm() == Approx(50).margin(0.01));
  CHECK(room.rim.mm() == Approx(wall - 70).margin(0.01));
  CHECK(room.seam.apart.mm() == Approx(around / 2 - 10).margin(0.01));
  CHECK(plan.sets[0].places[0].mark.fromRim.mm() == Approx(wall - 60));
  CHECK(plan.sets[0].places[1].mark.fromFront.mm() == Approx(50));
  CHECK(plan.sets[0].places[1].mark.fromSeam.mm() == Approx(around / 2 - 50));
}

TEST_CASE("peekaboos are numbered from the seam round, and have a copy of each layer a place") {
  Cup cup = straight();
  std::vector<Place> places{placeAt(100, 60), placeAt(-100, 60), placeAt(10, 60)};
  cup.sets = {setAt(named("full_moon"), 20, places,
                    {layerOf(LayerKind::ring, 1.5), layerOf(LayerKind::peekaboo)}),
              setAt(named("star"), 20, {placeAt(50, 120)})};
  cup.sets[0].layers[0].spares = 1;
  const CupPlan plan = planned(cup);
  CHECK(plan.sets[0].places[0].number == 3);
  CHECK(plan.sets[0].places[1].number == 1);
  CHECK(plan.sets[0].places[2].number == 2);
  CHECK(plan.sets[1].places[0].number == 0);
  const std::vector<Part>& parts = plan.parts(purpose::layer);
  REQUIRE(parts.size() == 3);
  CHECK(parts[0].copies == 3);
  // F15: one spare ring is cut; common practice, no published source.
  CHECK(parts[0].spares == 1);
  CHECK(parts[1].copies == 3);
  CHECK(parts[2].copies == 1);
  // From another seam they are counted from there.
  cup.wrap.seamAt = CupAngle::degrees(0);
  CHECK(planned(cup).sets[0].places[2].number == 1);
}

TEST_CASE("places share a cut where it comes out the same, and have their own where not") {
  Cup cup = tapered();
  Place low = placeAt(0, 40);
  Place high = placeAt(90, 120);
  Place straightOne = placeAt(180, 80);
  low.follows = high.follows = true;
  cup.sets = {setAt(named("crescent"), 40, {low, high, straightOne, placeAt(-90, 40)})};
  const CupPlan plan = planned(cup);
  // Two rings of other curves, and one cut for both straight ones.
  CHECK(plan.sets[0].makes.size() == 3);
  CHECK(plan.parts(purpose::layer).size() == 3);
  int copies = 0;
  for (const Part& part : plan.parts(purpose::layer)) copies += part.copies;
  CHECK(copies == 4);
  // Laid at later coats than its mate, what stands turned is wider along another of its sides.
  Cup grown = straight();
  for (int i = 0; i < 4; ++i) {
    grown.buildUp.coats.push_back({.kind = CoatKind::resin, .mixed = Volume::ml(30)});
  }
  Place turned = placeAt(90, 80);
  turned.turn = Angle::degrees(90);
  grown.sets = {setAt(named("crescent"), 60, {placeAt(0, 80), turned},
                      {layerOf(LayerKind::ring, 1.5), layerOf(LayerKind::peekaboo)})};
  giveIds(grown);
  grown.buildUp.laid = {{grown.sets[0].layers[0].id, 4, {}}};
  const CupPlan wide = planned(grown);
  REQUIRE(wide.sets[0].makes.size() == 2);
  const Box plain = boundsOf(wide.sets[0].makes[0].layers[0].shape);
  const Box upright = boundsOf(wide.sets[0].makes[0].layers[0].cut);
  const Box lying = boundsOf(wide.sets[0].makes[1].layers[0].cut);
  CHECK(upright.width() > plain.width() + 0.2);
  CHECK(upright.height() == Approx(plain.height()));
  CHECK(lying.width() == Approx(plain.width()));
  CHECK(lying.height() > plain.height() + 0.2);
  CHECK_FALSE(told(wide, "set_odd_layer"));
}

TEST_CASE("what is seen at once is as wide as the cup, and things look as their shadow falls") {
  const CupPlan plan = planned(straight());
  const Body& body = plan.wall.body;
  const Length s = Length::mm(60);
  const double radius = body.radius(s).mm();
  CHECK(seenAtOnce(body, s).mm() == Approx(2 * radius));
  rc::prop("by an orthographic view of the places themselves", [&] {
    const double wide = *rc::gen::inRange(1, 4000) / 1000.0 * radius;
    double low = 0;
    double high = 0;
    for (int i = 0; i <= 2000; ++i) {
      const double theta = (i / 2000.0 - 0.5) * wide / radius;
      if (std::cos(theta) < 0) continue;
      const SpacePoint p = body.toSpace({Angle::radians(theta), s});
      low = std::min(low, p.x);
      high = std::max(high, p.x);
    }
    RC_ASSERT(std::abs(looksAcross(body, s, Length::mm(wide)).mm() - (high - low)) < 1e-3 * radius);
  });
  Cup cup = straight();
  cup.sets = {setAt(bar(90, 5), 2 * radius + 2, {placeAt(0, 60)})};
  CHECK(told(planned(cup), "set_too_wide"));
  cup.sets[0].size = WrittenLength::mm(2 * radius - 1);
  CHECK_FALSE(told(planned(cup), "set_too_wide"));
}

TEST_CASE("what lies under a handle, across a line, or nowhere is told once with its place") {
  rc::prop("over seams", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    const int handle = *rc::gen::inRange(-180, 180);
    cup.blank.features = {{FeatureKind::handle, CupAngle::degrees(handle), Angle::degrees(30),
                           WrittenLength::mm(40), WrittenLength::mm(120)}};
    cup.sets = {setAt(named("star"), 20, {placeAt(handle + 90, 80), placeAt(handle, 80)})};
    const CupPlan on = planned(cup);
    RC_ASSERT(told(on, "set_under_handle"));
    RC_ASSERT(watchOf(on, "set_under_handle")->where.member == Member::placeAt);
    cup.sets[0].places.pop_back();
    RC_ASSERT(!told(planned(cup), "set_under_handle"));
    cup.sets[0].places.clear();
    const CupPlan nowhere = planned(cup);
    RC_ASSERT(told(nowhere, "set_no_place"));
    RC_ASSERT(nowhere.parts(purpose::layer).empty());
  });
  Cup cup = straight();
  cup.sets = {setAt(named("full_moon"), 20, {placeAt(0, 60), placeAt(10, 60)},
                    {layerOf(LayerKind::peekaboo)})};
  CHECK(told(planned(cup), "set_on_another"));
  cup.sets[0].places[1].at = CupAngle::degrees(90);
  CHECK_FALSE(told(planned(cup), "set_on_another"));
}

TEST_CASE("a row stands as it is asked for, over random seams") {
  rc::prop("its gaps, its start and its heights", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    cup.sets = {setAt(named("star"), 18, {}), setAt(named("heart"), 14, {})};
    giveIds(cup);
    Row row;
    row.sets = {cup.sets[0].id, cup.sets[1].id};
    row.count = 2 * *rc::gen::inRange(1, 5);
    row.gap = WrittenLength::mm(3);
    row.at = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    row.up = WrittenLength::mm(50);
    row.start = static_cast<RowStart>(*rc::gen::inRange(0, 4));
    row.lines = *rc::gen::inRange(1, 3);
    row.apart = WrittenLength::mm(40);
    cup.rows = {row};
    const CupPlan plan = planned(cup);
    RC_ASSERT(plan.rows.size() == 1);
    RC_ASSERT(plan.rows[0].fit.fits);
    std::vector<const PlacePlan*> line;
    for (const SetPlan& set : plan.sets) {
      for (const PlacePlan& place : set.places) {
        RC_ASSERT(place.row == plan.rows[0].id);
        if (place.index < *row.count) {
          line.push_back(&place);
          RC_ASSERT(std::abs(place.anchor.s.mm() - 50) < 1e-9);
        } else {
          RC_ASSERT(std::abs(place.anchor.s.mm() - 90) < 1e-9);
        }
        RC_ASSERT(place.room.place->apart.mm() >= 3 - 1e-3);
      }
    }
    RC_ASSERT(static_cast<int>(line.size()) == *row.count);
    std::sort(line.begin(), line.end(),
              [](const PlacePlan* a, const PlacePlan* b) { return a->index < b->index; });
    const auto between = [](CupAngle a, CupAngle b) { return abs((a - b).wrapped()).radians(); };
    const CupAngle first = line.front()->mark.onCup;
    const CupAngle last = line.back()->mark.onCup;
    const Angle closing = Angle::radians(std::fmod((first - last).radians() + 4 * M_PI, 2 * M_PI));
    const CupAngle gap = last + closing / 2;
    if (row.start == RowStart::first) RC_ASSERT(between(first, row.at) < 1e-6);
    if (row.start == RowStart::gap && *row.count > 1) RC_ASSERT(between(gap, row.at) < 1e-6);
    if (row.start == RowStart::middle && *row.count > 1) {
      RC_ASSERT(between(gap + Angle::halfTurn(), row.at) < 1e-6);
    }
    if (row.start == RowStart::seam && *row.count > 1) {
      RC_ASSERT(between(gap, cup.wrap.seamAt) < 1e-6);
    }
  });
}

TEST_CASE("a row that does not fit stands as far as it does, and says at which size it would") {
  Cup cup = straight();
  cup.sets = {setAt(named("full_moon"), 30, {},
                    {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 2)})};
  giveIds(cup);
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 12;
  row.gap = WrittenLength::mm(5);
  row.up = WrittenLength::mm(60);
  cup.rows = {row};
  const CupPlan plan = planned(cup);
  CHECK_FALSE(plan.rows[0].fit.fits);
  CHECK(static_cast<int>(plan.sets[0].places.size()) == plan.rows[0].fit.most);
  CHECK(told(plan, "row_too_many"));
  REQUIRE(plan.rows[0].fitsAt);
  // On a cylinder: 12 discs with their backing and gaps go round; straight sides of the polygon are
  // nothing against that.
  const double around = plan.wall.flat.aroundBase().mm();
  CHECK(plan.rows[0].fitsAt->mm() == Approx(around / 12 - 5 - 4).epsilon(2e-3));
  cup.sets[0].size = WrittenLength{*plan.rows[0].fitsAt, {}};
  CHECK(planned(cup).rows[0].fit.fits);
  cup.rows[0].count = 0;
  giveIds(cup);
  const CheckedAll<CupPlan> refused = planCup(cup, Unit::mm);
  REQUIRE_FALSE(refused);
  CHECK(refused.error().front().where.member == Member::rowCount);
  cup.rows[0].count = 5;
  cup.rows[0].sets = {"gone"};
  CHECK(told(planned(cup), "row_of_nothing"));
}

TEST_CASE(
    "what stands on the seam, a line, the rim or the base is in a zone, and off the wall in none") {
  for (const bool taper : {false, true}) {
    for (const double seam : {180.0, 37.0, -90.0}) {
      Cup cup = taper ? tapered() : straight();
      cup.wrap.seamAt = CupAngle::degrees(seam);
      cup.division.body.cut = RingCut{};
      const Length wall = planned(cup).wall.body.wall();
      cup.sets = {setAt(named("star"), 20,
                        {placeAt(seam, 40), placeAt(seam, wall.mm() / 2), placeAt(10, 0),
                         placeAt(10, wall.mm()), placeAt(10, wall.mm() + 5), placeAt(10, -5)})};
      const CupPlan plan = planned(cup);
      const std::vector<PlacePlan>& places = plan.sets[0].places;
      REQUIRE(plan.divided.zones.size() == 2);
      const std::string& upper = plan.divided.zones[0].id;
      const std::string& lower = plan.divided.zones[1].id;
      CHECK(places[0].room.zone == lower);
      CHECK((places[1].room.zone == upper || places[1].room.zone == lower));
      CHECK(places[2].room.zone == lower);
      CHECK(places[3].room.zone == upper);
      CHECK(places[4].room.zone.empty());
      CHECK(places[5].room.zone.empty());
    }
  }
}

TEST_CASE("a row grown to fit does so in its narrowest line too") {
  Cup cup = tapered();
  cup.sets = {setAt(named("star"), 30, {})};
  giveIds(cup);
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 9;
  row.gap = WrittenLength::mm(3);
  row.up = WrittenLength::mm(120);
  row.lines = 2;
  row.apart = WrittenLength::mm(-90);
  cup.rows = {row};
  const CupPlan plan = planned(cup);
  REQUIRE(plan.rows[0].fitsAt);
  cup.sets[0].size = WrittenLength{*plan.rows[0].fitsAt, {}};
  CHECK(planned(cup).rows[0].fit.fits);
  cup.sets[0].size.length = cup.sets[0].size.length * 1.004;
  CHECK_FALSE(planned(cup).rows[0].fit.fits);
}

TEST_CASE("rows of all that fit are counted before they are placed") {
  Cup cup = straight();
  cup.sets = {setAt(named("star"), 2, {})};
  giveIds(cup);
  Row row;
  row.sets = {cup.sets[0].id};
  row.count.reset();
  row.up = WrittenLength::mm(10);
  row.lines = 12;
  row.apart = WrittenLength::mm(6);
  cup.rows = {row, row};
  giveIds(cup);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE_FALSE(plan);
  CHECK(plan.error().front().where.member == Member::rowCount);
}

TEST_CASE("two hundred places at one point are planned and told") {
  Cup cup = straight();
  cup.sets = {setAt(named("star"), 12, std::vector<Place>(200, placeAt(30, 60)),
                    {layerOf(LayerKind::peekaboo)})};
  const CupPlan plan = planned(cup);
  CHECK(plan.sets[0].places.size() == 200);
  CHECK(told(plan, "set_on_another"));
  CHECK(plan.sets[0].makes.size() == 1);
}

TEST_CASE("The ends of a straight set run off its ring as the cone's development has it",
          "[place]") {
  rc::prop("", [] {
    Cup cup = tapered();
    const bool wider = *rc::gen::inRange(0, 2) == 0;
    if (!wider) cup.blank.stations[1].girth = WrittenLength::mm(210);
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    const double up = *rc::gen::inRange(40, 140);
    cup.sets = {setAt(bar(100, 2), 100, {placeAt(*rc::gen::inRange(-180, 181), up)})};
    const CupPlan plan = planned(cup);
    const PlacePlan& place = plan.sets[0].places[0];
    // By the sector: the apex lies r / k from the ring; a level bar 100 mm long touches it in its
    // middle, and its ends are hypot(ρ, 50) from the apex.
    const Development& flat = plan.wall.flat;
    const double apex = flat.radius(place.anchor.s).mm() / flat.taper();
    const double off = std::copysign(std::hypot(apex, 50) - std::abs(apex), apex);
    RC_ASSERT(std::abs(runsOff(plan.wall, place).mm() - off) < 0.05);
    // Where it was laid, its ends are that far above or below its middle.
    const WallPoint end = flat.toWall({50, place.anchor.s.mm()});
    RC_ASSERT(std::abs((end.s - place.anchor.s).mm() - off) < 0.01);
    Cup follows = cup;
    follows.sets[0].places[0].follows = true;
    RC_ASSERT(runsOff(planned(follows).wall, planned(follows).sets[0].places[0]) == Length());
  });
}

TEST_CASE("Film strains on a sphere as its curvature has it, and not on a cone", "[place]") {
  // A ball of 60 mm radius about its equator: K = 1 / R².
  std::vector<cups::At> places;
  constexpr double ball = 60;
  for (int i = 0; i <= 40; ++i) {
    const double z = -40 + 2 * i;
    places.push_back({z + 40, 2 * M_PI * std::sqrt(ball * ball - z * z)});
  }
  const Body body = cups::bodyOf(cups::curved(places));
  const Length equator = body.wall() / 2;
  for (const double size : {10.0, 20.0, 30.0}) {
    // A sector over h leaves K h² / 16 when the stretch is shared by both sides: r = R cos(s / R)
    // against its chord and tangent.
    const double expected = size * size / (16 * ball * ball);
    CHECK(strainOf(body, equator, Length::mm(80), Length::mm(size)) ==
          Approx(expected).epsilon(0.06));
    CHECK(strainOf(body, equator, Length::mm(size), Length::mm(60)) ==
          Approx(expected).epsilon(0.06));
  }
  CHECK(strainOf(planned(tapered()).wall.body, Length::mm(80), Length::mm(90), Length::mm(90)) ==
        0);
}

// Common practice, no published source: stiff film gives 1 %.
TEST_CASE("A decal too large for a round wall is told, with what cutting apart would do",
          "[place]") {
  Cup cup = straight();
  cup.blank = cups::allCurved()[1].blank;
  cup.film.kind = FilmKind::stiff;
  cup.sets = {setAt(named("full_moon"), 90, {placeAt(0, 100)})};
  const CupPlan large = planned(cup);
  const Watch* watch = watchOf(large, "set_strained");
  REQUIRE(watch != nullptr);
  CHECK(watch->level == WatchLevel::warn);
  cup.sets[0].size = WrittenLength::mm(12);
  CHECK_FALSE(told(planned(cup), "set_strained"));
  cup.sets[0].size = WrittenLength::mm(90);
  cup.film.kind = FilmKind::stretchy;
  CHECK_FALSE(told(planned(cup), "set_strained"));
}

TEST_CASE("What is to be cut off at rim and base is not told to reach over them", "[place]") {
  Cup cup = straight();
  cup.sets = {setAt(named("star"), 40, {placeAt(0, 5), placeAt(90, 175)})};
  CHECK(told(planned(cup), "set_off_wall"));
  cup.sets[0].flush = true;
  const CupPlan plan = planned(cup);
  CHECK_FALSE(told(plan, "set_off_wall"));
  // What is seen of it ends there, and it is cut whole.
  for (const PlacePlan& place : plan.sets[0].places) {
    const Region& region = place.laid->layers[0].region;
    CHECK(region.lowest() >= Length());
    CHECK(region.highest() <= plan.wall.body.wall());
  }
  CHECK(plan.sets[0].makes.size() == 1);
}

TEST_CASE("The line nearest to a place is told with where it runs, over the seam as well",
          "[place]") {
  rc::prop("", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    UprightCut uprights;
    uprights.at = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    cup.division.body.cut = uprights;
    const CupPlan plan = planned(cup);
    const WallPoint place{Angle::degrees(*rc::gen::inRange(-180, 181)),
                          Length::mm(*rc::gen::inRange(20, 150))};
    const std::optional<Apart> near = plan.landmarks->lineNear(place);
    RC_ASSERT(near.has_value());
    // An upright is straight on the flat: by the distance of a point from each of its stretches.
    double least = 1e9;
    const auto flat = [&](WallPoint at) {
      return plan.wall.flat.toFlat({(at.theta - place.theta).wrapped(), at.s});
    };
    const Point from = plan.wall.flat.toFlat({Angle(), place.s});
    for (const DivideLine& line : plan.divided.lines) {
      for (const WallLine& stretch : line.stretches) {
        for (std::size_t i = 1; i < stretch.size(); ++i) {
          const Point a = flat(stretch[i - 1]);
          const Point along = flat(stretch[i]) - a;
          const double share = std::clamp(dot(from - a, along) / dot(along, along), 0.0, 1.0);
          least = std::min(least, norm(a + along * share - from));
        }
      }
    }
    RC_ASSERT(std::abs(near->apart.mm() - least) < 1e-5);
  });
}

namespace {

/// Places along a set's outline as it lies on the cup, in the room.
std::vector<SpacePoint> inTheRoom(const CupPlan& plan, const PlacePlan& place) {
  std::vector<SpacePoint> all;
  const LaidSet& laid = *place.laid;
  for (const std::vector<Point>& outline : laid.outline.shape()) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point along = outline[(i + 1) % outline.size()] - outline[i];
      const int steps = std::max(1, static_cast<int>(norm(along) / 0.2));
      for (int k = 0; k < steps; ++k) {
        WallPoint at = laid.ground.toWall(outline[i] + along * (static_cast<double>(k) / steps));
        at.theta = at.theta + place.anchor.theta;
        all.push_back(plan.wall.body.toSpace(at));
      }
    }
  }
  return all;
}

double nearestInTheRoom(const std::vector<SpacePoint>& a, const std::vector<SpacePoint>& b) {
  double least = 1e9;
  for (const SpacePoint& p : a) {
    for (const SpacePoint& q : b) {
      least = std::min(least, std::hypot(p.x - q.x, p.y - q.y, p.z - q.z));
    }
  }
  return least;
}

}  // namespace

TEST_CASE("two sets are as far apart as they are in the room, on cones, waists and bellies") {
  // The straight way through the room is shorter than that along the wall by no more than
  // d³ / 24 r², which for gaps of up to 9 mm on cups of over 60 mm is less than 0.04 mm.
  int measured = 0;
  rc::prop("any cup, any two", [&] {
    Chance chance(*rc::gen::arbitrary<unsigned>());
    Cup cup = straight();
    const std::vector<Named>& curved = allCurved();
    cup.blank = chance.one(2) ? curved[static_cast<std::size_t>(chance.whole(0, 3))].blank
                              : body(Length::mm(chance.between(200, 300)),
                                     Length::mm(chance.between(200, 300)), Length::mm(170));
    cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
    const double at = chance.between(-180, 180);
    const double up = chance.between(35, 80);
    const Artwork star = named("star");
    const Artwork comet = named("comet");
    DecalSet one = setAt(star, chance.between(8, 16), {placeAt(at, up)});
    DecalSet other = setAt(comet, chance.between(8, 20),
                           {placeAt(at + chance.between(20, 40) * (chance.one(2) ? 1 : -1),
                                    up + chance.between(-12, 12))});
    one.turn = Angle::degrees(chance.between(-180, 180));
    other.anchor = {chance.between(0, 1), chance.between(0, 1)};
    cup.sets = {one, other};
    const CupPlan plan = planned(cup);
    const PlacePlan& a = plan.sets[0].places[0];
    const PlacePlan& b = plan.sets[1].places[0];
    const double told = apartOn(plan.wall, *a.laid, *b.laid).apart.mm();
    if (told <= 0.5 || told > 9) return;
    ++measured;
    const double there = nearestInTheRoom(inTheRoom(plan, a), inTheRoom(plan, b));
    RC_ASSERT(std::abs(told - there) < 0.15);
    RC_ASSERT(plan.sets[0].places[0].room.place->apart.mm() == told);
  });
  CHECK(measured > 5);
}
