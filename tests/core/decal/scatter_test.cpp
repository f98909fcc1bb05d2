// SPDX-License-Identifier: GPL-3.0-or-later
// Scatters: the gap over all pairs, off lines and handles, over the seam, evenness, stability.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/decal_cups.h"
#include "decal/coverage.h"
#include "decal/shapes.h"
#include "job/ids.h"
#include "job/plan.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

DecalSet setOf(const std::string& id, double wide) {
  Artwork artwork = shapeArtwork(id);
  artwork.id = id;
  DecalSet set;
  set.artwork = id;
  set.art = SharedArt(artwork);
  set.size = WrittenLength::mm(wide);
  set.layers = {Layer()};
  return set;
}

/// A cup with stars and moons to throw.
Cup skies(bool taper) {
  Cup cup = newCup("cup", Unit::mm);
  if (taper) cup.blank.stations[1].girth = WrittenLength::mm(290);
  cup.sets = {setOf("star", 9), setOf("crescent", 7)};
  giveIds(cup);
  return cup;
}

Scatter scatterOf(const Cup& cup, int count, double gap) {
  Scatter scatter;
  for (const DecalSet& set : cup.sets) scatter.sets.push_back(set.id);
  scatter.count = count;
  scatter.gap = WrittenLength::mm(gap);
  return scatter;
}

std::vector<ScatterItem> thrown(const Scatter& scatter, const CupPlan& plan) {
  std::vector<Footprint> others;
  for (const SetPlan& set : plan.sets) {
    for (const PlacePlan& place : set.places) {
      if (place.scatter.empty()) others.push_back(*place.laid);
    }
  }
  return scattered(scatter, {*plan.landmarks, plan.divided, plan.of->sets, others});
}

/// How unlike the ways to the nearest are: their spread over their mean.
double spread(const std::vector<Point>& points, double around) {
  double sum = 0;
  double squares = 0;
  for (const Point& p : points) {
    double least = 1e9;
    for (const Point& q : points) {
      if (&p == &q) continue;
      least = std::min(least, std::hypot(std::remainder(p.x - q.x, around), p.y - q.y));
    }
    sum += least;
    squares += least * least;
  }
  const auto n = static_cast<double>(points.size());
  const double mean = sum / n;
  return std::sqrt(std::max(0.0, squares / n - mean * mean)) / mean;
}

/// Points no nearer than so much, each thrown in the ring about one before it (Bridson, "Fast
/// Poisson disk sampling in arbitrary dimensions", 2007; from memory), on paper that closes round.
std::vector<Point> bridson(double around, double tall, double least, std::mt19937& random) {
  std::uniform_real_distribution<double> share(0, 1);
  std::vector<Point> points{{share(random) * around, share(random) * tall}};
  std::vector<std::size_t> active{0};
  while (!active.empty()) {
    const auto at = static_cast<std::size_t>(share(random) * static_cast<double>(active.size()));
    const Point from = points[active[at]];
    bool found = false;
    for (int i = 0; i < 30 && !found; ++i) {
      const double r = least * std::sqrt(1 + 3 * share(random));
      const double turn = 2 * M_PI * share(random);
      const Point p{std::fmod(from.x + r * std::cos(turn) + around, around),
                    from.y + r * std::sin(turn)};
      if (p.y < 0 || p.y > tall) continue;
      found = std::all_of(points.begin(), points.end(), [&](const Point& q) {
        return std::hypot(std::remainder(p.x - q.x, around), p.y - q.y) >= least;
      });
      if (!found) continue;
      active.push_back(points.size());
      points.push_back(p);
    }
    if (!found) active.erase(active.begin() + static_cast<std::ptrdiff_t>(at));
  }
  return points;
}

}  // namespace

TEST_CASE("a scatter keeps its gap between all pairs and stays off what it is kept off") {
  rc::prop("over seams, cups, sizes and seeds", [] {
    Cup cup = skies(*rc::gen::inRange(0, 2) == 0);
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    cup.blank.features = {{FeatureKind::handle, CupAngle::degrees(*rc::gen::inRange(-180, 180)),
                           Angle::degrees(30), WrittenLength::mm(40), WrittenLength::mm(120)}};
    cup.division.body.cut = RingCut{};
    Place main;
    main.up = WrittenLength::mm(60);
    cup.sets.push_back(setOf("full_moon", 30));
    cup.sets.back().places = {main};
    const CupPlan before = planned(cup);
    Cup named = *before.of;
    Scatter scatter = scatterOf(named, *rc::gen::inRange(5, 60), *rc::gen::inRange(0, 30) / 10.0);
    scatter.sets.pop_back();
    scatter.away = WrittenLength::mm(*rc::gen::inRange(0, 4));
    scatter.seed = *rc::gen::inRange(1, 1000);
    scatter.offSeam = *rc::gen::inRange(0, 2) == 0;
    scatter.zone = before.divided.zones[static_cast<std::size_t>(*rc::gen::inRange(0, 2))].id;
    scatter.items = thrown(scatter, before);
    RC_ASSERT(!scatter.items.empty());
    RC_ASSERT(scatter.items == thrown(scatter, before));
    named.scatters = {scatter};
    const CupPlan plan = planned(named);
    const double least = std::max(scatter.gap.length.mm(), scatter.away.length.mm());
    int count = 0;
    std::vector<const PlacePlan*> all;
    for (const SetPlan& set : plan.sets) {
      for (const PlacePlan& place : set.places) {
        if (place.scatter.empty()) {
          RC_ASSERT(place.room.place->apart.mm() >= least - 1e-6);
          continue;
        }
        ++count;
        all.push_back(&place);
        RC_ASSERT(place.room.zone == scatter.zone);
        RC_ASSERT(place.room.rim >= scatter.away.length);
        RC_ASSERT(place.room.base >= scatter.away.length);
        RC_ASSERT(place.room.line->apart >= scatter.away.length);
        RC_ASSERT(place.room.feature->apart >= scatter.away.length);
        if (scatter.offSeam) RC_ASSERT(place.room.seam.apart >= scatter.away.length);
      }
    }
    RC_ASSERT(count == static_cast<int>(scatter.items.size()));
    // All pairs, not the nearest alone.
    for (const PlacePlan* a : all) {
      for (const PlacePlan* b : all) {
        if (a == b) continue;
        RC_ASSERT(apartOn(plan.wall, *a->laid, *b->laid).apart >= scatter.gap.length);
      }
    }
  });
}

TEST_CASE("what of a scatter was put by hand stays, and the others are thrown round it") {
  std::mt19937 random(17);
  const auto from = [&](int low, int below) {
    return low + static_cast<int>(random() % static_cast<unsigned>(below - low));
  };
  for (int round = 0; round < 8; ++round) {
    Cup cup = from(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(from(-180, 180));
    cup.sets = {setAt(named("star"), 12, {}), setAt(named("full_moon"), 9, {})};
    giveIds(cup);
    const CupPlan plan = planned(cup);
    Scatter scatter = scatterOf(cup, from(8, 40), 1);
    scatter.items = thrown(scatter, plan);
    std::vector<ScatterItem> put;
    for (std::size_t i = 0; i < scatter.items.size(); ++i) {
      scatter.items[i].place.id = "p" + std::to_string(i);
      // Apart from each other and all the rest: they were thrown.
      scatter.items[i].byHand = from(0, 4) == 0;
      if (scatter.items[i].byHand) put.push_back(scatter.items[i]);
    }
    scatter.seed += from(1, 1000);
    const std::vector<ScatterItem> next = thrown(scatter, plan);
    CHECK(next.size() >= put.size());
    CHECK(std::vector<ScatterItem>(next.begin(), next.begin() + static_cast<long>(put.size())) ==
          put);
    CHECK(std::count_if(next.begin(), next.end(), [](const ScatterItem& item) {
            return item.byHand;
          }) == static_cast<long>(put.size()));
    CHECK(static_cast<int>(next.size()) <= scatter.count);
    // The gap over all pairs, by the plan's own figures.
    cup.scatters = {scatter};
    cup.scatters[0].items = next;
    giveIds(cup);
    for (const SetPlan& set : planned(cup).sets) {
      for (const PlacePlan& place : set.places) {
        if (place.room.place) CHECK(place.room.place->apart.mm() >= 1 - 1e-3);
      }
    }
  }
}

TEST_CASE("an even scatter is about as even as Poisson discs are") {
  Cup cup = skies(false);
  const CupPlan plan = planned(cup);
  const double around = plan.wall.flat.aroundBase().mm();
  const double tall = plan.wall.body.wall().mm();
  std::mt19937 random(2007);
  double ours = 0;
  double theirs = 0;
  constexpr int runs = 5;
  for (int run = 1; run <= runs; ++run) {
    Scatter scatter = scatterOf(cup, 150, 1);
    scatter.seed = run;
    std::vector<Point> points;
    for (const ScatterItem& item : thrown(scatter, plan)) {
      points.push_back({item.place.at.radians() * around / (2 * M_PI), item.place.up.length.mm()});
    }
    REQUIRE(points.size() == 150);
    ours += spread(points, around) / runs;
    theirs += spread(bridson(around, tall, 14, random), around) / runs;
  }
  // By chance alone it would be 0.52 (Clark and Evans 1954, from memory).
  CHECK(ours < 0.25);
  CHECK(ours < 2 * theirs);
}

TEST_CASE("a scatter is denser where it is to be, and covers as much as is asked for") {
  Cup cup = skies(false);
  const CupPlan plan = planned(cup);
  Scatter scatter = scatterOf(cup, 120, 0.5);
  scatter.density = ScatterDensity::rim;
  int upper = 0;
  for (const ScatterItem& item : thrown(scatter, plan)) {
    upper += item.place.up.length > plan.wall.body.wall() / 2 ? 1 : 0;
  }
  CHECK(upper > 72);
  scatter.density = ScatterDensity::front;
  int front = 0;
  for (const ScatterItem& item : thrown(scatter, plan)) {
    front += std::abs(item.place.at.degrees()) < 90 ? 1 : 0;
  }
  CHECK(front > 72);
  scatter.density = ScatterDensity::even;
  scatter.coverPercent = 8;
  scatter.items = thrown(scatter, plan);
  cup.scatters = {scatter};
  const CupPlan made = planned(cup);
  const Zone& zone = made.divided.zones[0];
  const double share =
      coverageOf(made.sets, made.divided, made.wall.body).at(zone.id).mm2() / zone.area.mm2();
  CHECK(share >= 0.08);
  CHECK(share < 0.085);
}

TEST_CASE("some are thrown again while the others stay, and artwork may change under all") {
  Cup cup = skies(true);
  const CupPlan plan = planned(cup);
  Scatter scatter = scatterOf(cup, 30, 1);
  scatter.items = thrown(scatter, plan);
  cup.scatters = {scatter};
  giveIds(cup);
  Scatter next = cup.scatters[0];
  next.seed = 99;
  const std::vector<ScatterItem> again =
      scattered(next, {*plan.landmarks, plan.divided, cup.sets, {}}, {3, 7});
  REQUIRE(again.size() == 30);
  for (std::size_t i = 0; i < 30; ++i) {
    CHECK(again[i].place.id == cup.scatters[0].items[i].place.id);
    CHECK((again[i] == cup.scatters[0].items[i]) == (i != 3 && i != 7));
  }
  cup.scatters[0].items = again;
  for (const SetPlan& set : planned(cup).sets) {
    for (const PlacePlan& place : set.places) CHECK(place.room.place->apart.mm() >= 1 - 1e-6);
  }
  Cup other = cup;
  const std::string id = other.sets[0].id;
  other.sets[0].art = SharedArt(shapeArtwork("heart"));
  CHECK(planned(other).sets[0].places.size() == planned(cup).sets[0].places.size());
  CHECK(planned(other).sets[0].places[0].anchor == planned(cup).sets[0].places[0].anchor);
  // Three sizes of each are cut, however many there are.
  CHECK(planned(cup).sets[0].makes.size() <= 3);
  forget(other, {id});
  for (const ScatterItem& item : other.scatters[0].items) CHECK(item.set != id);
}

TEST_CASE("what may run over rim and base is not told off for it") {
  Cup cup = skies(false);
  Scatter scatter = scatterOf(cup, 3, 1);
  ScatterItem item;
  item.set = cup.sets[0].id;
  item.place.up = WrittenLength::mm(1);
  scatter.items = {item};
  cup.scatters = {scatter};
  const auto told = [](const CupPlan& plan) {
    return std::any_of(plan.watches.begin(), plan.watches.end(),
                       [](const Watch& watch) { return watch.rule == Rule::setOffWall; });
  };
  CHECK(told(planned(cup)));
  cup.scatters[0].whole = false;
  CHECK_FALSE(told(planned(cup)));
}

TEST_CASE("a scatter keeps off what goes most of the way round") {
  Cup cup = skies(false);
  Artwork band;
  band.id = "band";
  band.areas = {{"#000000", {{{0, 0}, {200, 0}, {200, 20}, {0, 20}}}}};
  DecalSet wide = setOf("star", 200);
  wide.artwork = "band";
  wide.art = SharedArt(band);
  Place place;
  place.up = WrittenLength::mm(90);
  wide.places = {place};
  cup.sets.push_back(wide);
  const CupPlan before = planned(cup);
  Scatter scatter = scatterOf(*before.of, 150, 1);
  scatter.sets.pop_back();
  scatter.away = WrittenLength::mm(2);
  scatter.items = thrown(scatter, before);
  Cup full = *before.of;
  full.scatters = {scatter};
  const CupPlan plan = planned(full);
  CHECK(plan.sets[2].places[0].room.place->apart.mm() >= 2 - 1e-6);
}

TEST_CASE("no more are thrown than there is room for, and a scatter is checked by member") {
  Cup cup = skies(false);
  cup.sets[0].size = WrittenLength::mm(60);
  cup.sets[1].size = WrittenLength::mm(60);
  const CupPlan plan = planned(cup);
  Scatter scatter = scatterOf(cup, 200, 5);
  scatter.smallestPercent = 100;
  const std::size_t many = thrown(scatter, plan).size();
  CHECK(many > 3);
  CHECK(many < 20);
  scatter.sets = {"gone"};
  CHECK(thrown(scatter, plan).empty());
  scatter.sets.clear();
  scatter.count = 0;
  scatter.gap = WrittenLength::mm(900);
  std::vector<Member> members;
  for (const Fault& fault : scatterFaults(scatter)) members.push_back(fault.where.member);
  CHECK(members == std::vector{Member::scatterSets, Member::scatterCount, Member::scatterGap});
}
