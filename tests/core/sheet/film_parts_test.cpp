// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/film_parts.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <map>
#include <numbers>
#include <random>
#include <set>

#include "divide/patch.h"
#include "job/plan.h"
#include "shape/segment.h"
#include "sheet/wrap_parts.h"

using namespace avrelt;

namespace {

Cup cupOf(double base, double rim, double tall, double seam = 180) {
  Cup cup = newCup("Cup", Unit::mm);
  cup.blank.stations = {{{}, WrittenLength::mm(base), Girth::around, {}},
                        {WrittenLength::mm(tall), WrittenLength::mm(rim), Girth::around, {}}};
  cup.wrap.baseClearance = WrittenLength::mm(2);
  cup.wrap.rimClearance = WrittenLength::mm(4);
  cup.wrap.overlap = {};
  cup.wrap.seamAt = CupAngle::degrees(seam);
  return cup;
}

CupPlan filmed(const Cup& cup) {
  CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  if (!plan) FAIL(inWords(plan.error().front().sentence, Unit::mm));
  return std::move(*plan);
}

Finish film(bool printed = false) {
  Finish finish;
  finish.kind = FinishKind::film;
  finish.printed = printed;
  return finish;
}

/// Cuts the body, every part film.
void cutInto(Cup& cup, const Cut& cut, std::size_t parts) {
  cup.division.body.cut = cut;
  cup.division.body.parts.assign(parts, ZoneNode());
  for (ZoneNode& part : cup.division.body.parts) part.finish = film();
}

std::vector<Point> pointsOf(const Path& path) {
  std::vector<Point> points{path.start};
  for (const Stretch& stretch : path.stretches) points.push_back(stretch.end);
  return points;
}

Polygon polygonOf(const Part& part) {
  Polygon polygon{pointsOf(part.outline)};
  for (const Path& hole : part.holes) polygon.push_back(pointsOf(hole));
  return polygon;
}

double sumOf(const std::vector<Part>& parts) {
  double area = 0;
  for (const Part& part : parts) area += part.area().mm2();
  return area;
}

const Part& partOf(const std::vector<Part>& parts, const std::string& letter) {
  for (const Part& part : parts) {
    if (part.zones.front() == letter) return part;
  }
  throw std::logic_error("no film for " + letter);
}

FilmWork workOf(const CupPlan& plan) {
  static const std::vector<Feature> none;
  return {plan.wall, plan.divided, plan.stripes, plan.wrap,    plan.of->film, plan.of->wrap.laying,
          none,      {},           Unit::mm,     plan.of->name};
}

}  // namespace

TEST_CASE("films with exact edges tile the wall of a cone, wherever its seam stands") {
  std::mt19937 random(7);
  const auto chance = [&](double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(random);
  };
  for (int round = 0; round < 60; ++round) {
    Cup cup = cupOf(chance(180, 260), chance(200, 320), chance(90, 200), chance(-180, 180));
    const double at = chance(-180, 180);
    switch (round % 5) {
      case 0:
        cutInto(cup, RingCut{.count = 3}, 3);
        break;
      case 1:
        cutInto(cup, UprightCut{.count = 3, .at = CupAngle::degrees(at)}, 3);
        break;
      case 2:
        cutInto(cup, VeeCut{.at = CupAngle::degrees(at), .wide = WrittenLength::mm(60)}, 2);
        break;
      case 3:
        cutInto(cup,
                WaveCut{.at = CupAngle::degrees(at), .repeat = 3, .low = WrittenLength::mm(45)}, 2);
        break;
      default:
        cutInto(cup, UprightCut{.count = 2, .at = CupAngle::degrees(at)}, 2);
        cup.division.body.parts[1].cut = RingCut{.count = 2};
        cup.division.body.parts[1].parts.assign(2, ZoneNode());
        for (ZoneNode& part : cup.division.body.parts[1].parts) part.finish = film();
        break;
    }
    const CupPlan plan = filmed(cup);
    const std::vector<Part>& parts = plan.parts(purpose::film);
    INFO("round " << round << ", seam at " << cup.wrap.seamAt.degrees());
    CHECK(parts.size() == plan.divided.zones.size());
    const Length low = plan.wrap.low();
    const Length high = plan.wrap.high();
    CHECK(sumOf(parts) == Approx(plan.wall.body.area(low, high).mm2()).epsilon(3e-5));
    // Any place of the wall lies on one film, or within a hundredth of a millimetre of two.
    std::vector<Polygon> polygons;
    for (const Part& part : parts) polygons.push_back(polygonOf(part));
    for (int i = 0; i < 200; ++i) {
      const WallPoint place{Angle::degrees(chance(-180, 180)),
                            Length::mm(chance(low.mm() + 0.02, high.mm() - 0.02))};
      int on = 0;
      for (const Polygon& polygon : polygons) {
        for (const double turns : {-1.0, 0.0, 1.0}) {
          const Point p = plan.wall.flat.toFlat({place.theta + Angle::turn() * turns, place.s});
          on += contains(polygon, p) ? 1 : 0;
        }
      }
      if (on == 1) continue;
      double nearest = 1e9;
      for (const Polygon& polygon : polygons) {
        for (const std::vector<Point>& outline : polygon) {
          for (std::size_t k = 0; k < outline.size(); ++k) {
            for (const double turns : {-1.0, 0.0, 1.0}) {
              const Point p = plan.wall.flat.toFlat({place.theta + Angle::turn() * turns, place.s});
              nearest = std::min(nearest, std::sqrt(squareDistance(
                                              p, outline[k], outline[(k + 1) % outline.size()])));
            }
          }
        }
      }
      CHECK(nearest < 0.01);
    }
  }
}

TEST_CASE("the film of an uncut body is the wrap, however it is laid") {
  Cup straight = cupOf(230, 230, 180, 40);
  Cup tapered = cupOf(210, 270, 130, -100);
  Cup barrel = cupOf(240, 240, 160, 10);
  barrel.blank.joined = Joined::smooth;
  barrel.blank.stations.insert(barrel.blank.stations.begin() + 1,
                               {WrittenLength::mm(80), WrittenLength::mm(262), Girth::around, {}});
  for (Cup cup : {straight, tapered, barrel}) {
    cup.wrap.overlap = WrittenLength::mm(5);
    cup.division.body.finish = film();
    for (const std::optional<LayingKind> kind :
         {std::optional<LayingKind>(), std::optional(LayingKind::sector),
          std::optional(LayingKind::slits), std::optional(LayingKind::bands),
          std::optional(LayingKind::gores)}) {
      cup.wrap.laying = kind;
      const CupPlan plan = filmed(cup);
      FilmWork work = workOf(plan);
      const std::vector<Part> films = filmParts(work, false);
      const std::vector<Part>& wrap = plan.parts(purpose::wrap);
      INFO(cup.blank.stations[1].at.length.mm() << " " << (kind ? layingName(*kind) : "usual"));
      REQUIRE(films.size() == wrap.size());
      for (std::size_t i = 0; i < films.size(); ++i) {
        CHECK(films[i].area().mm2() == Approx(wrap[i].area().mm2()).epsilon(2e-4));
        CHECK(films[i].bounds().width() == Approx(wrap[i].bounds().width()).margin(0.02));
        CHECK(films[i].bounds().height() == Approx(wrap[i].bounds().height()).margin(0.02));
        CHECK(films[i].slits.size() == wrap[i].slits.size());
      }
    }
  }
}

TEST_CASE("film runs under a stripe by half its width and no farther") {
  for (const double seam : {180.0, 0.0, 63.0}) {
    Cup cup = cupOf(220, 260, 150, seam);
    cutInto(cup, RingCut{.by = CutBy::places, .places = {WrittenLength::mm(50)}}, 2);
    const double bare = sumOf(filmed(cup).parts(purpose::film));
    Stripe stripe;
    stripe.width = WrittenLength::mm(4);
    cup.division.stripes = {stripe};
    const CupPlan plan = filmed(cup);
    const Length line = Length::mm(100);
    const double below = plan.wall.body.area(line - Length::mm(2), line).mm2();
    const double above = plan.wall.body.area(line, line + Length::mm(2)).mm2();
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(bare + below + above).epsilon(1e-5));
  }
  // Only along the line that has one: beyond the other the neighbour is not touched.
  for (const double at : {180.0, 20.0, -95.0}) {
    Cup cup = cupOf(220, 260, 150);
    cutInto(cup, UprightCut{.count = 3, .at = CupAngle::degrees(at)}, 3);
    Stripe stripe;
    stripe.line = 1;
    stripe.width = WrittenLength::mm(6);
    cup.division.stripes = {stripe};
    const CupPlan plan = filmed(cup);
    const FilmWork work = workOf(plan);
    for (const Zone& zone : plan.divided.zones) {
      const Region laid = filmOf(zone, work);
      const Region own = zone.region & Region::band(plan.wrap.low(), plan.wrap.high());
      const double more = laid.area(plan.wall.body).mm2() - own.area(plan.wall.body).mm2();
      const Sides& sides = plan.divided.sides[1];
      const auto index = static_cast<std::size_t>(&zone - plan.divided.zones.data());
      const bool beside = std::count(sides.first.begin(), sides.first.end(), index) > 0 ||
                          std::count(sides.second.begin(), sides.second.end(), index) > 0;
      const double tall = (plan.wrap.high() - plan.wrap.low()).mm();
      INFO("zone " << zone.letter << " at " << at);
      // Beside an upright on a taper it is straight in degrees, so a hair more than asked for.
      CHECK(more >= (beside ? 3 * tall : 0) - 0.01);
      CHECK(more <= (beside ? 3.03 * tall : 0) + 0.01);
    }
  }
}

TEST_CASE("film runs over its lines as far as is asked, and shows where it is trimmed") {
  for (const double seam : {180.0, 40.0}) {
    Cup cup = cupOf(235, 235, 180, seam);
    cutInto(cup, RingCut{.by = CutBy::places, .places = {WrittenLength::mm(60)}}, 2);
    for (ZoneNode& part : cup.division.body.parts) {
      part.finish.edge = FilmEdge::trim;
      part.finish.edgeBy = WrittenLength::mm(5);
    }
    CupPlan plan = filmed(cup);
    const double tall = (plan.wrap.high() - plan.wrap.low()).mm();
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(235 * (tall + 10)).epsilon(1e-6));
    for (const Part& part : plan.parts(purpose::film)) {
      std::vector<Path> trims;
      for (const Guide& guide : part.guides) {
        if (guide.kind == GuideKind::trim) trims.push_back(guide.path);
      }
      REQUIRE(trims.size() == 1);
      // As long as the cup is round, 5 mm within the edge, on the line 60 mm below the rim.
      CHECK(boundsOf(trims[0]).width() == Approx(235).margin(0.01));
      CHECK(trims[0].start.y == Approx(120).margin(0.01));
    }
    for (ZoneNode& part : cup.division.body.parts) part.finish.edge = FilmEdge::under;
    plan = filmed(cup);
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(235 * (tall + 10)).epsilon(1e-6));
    for (const Part& part : plan.parts(purpose::film)) {
      for (const Guide& guide : part.guides) CHECK(guide.kind != GuideKind::trim);
    }
    // Exact, whatever stripe lies there.
    for (ZoneNode& part : cup.division.body.parts) part.finish.edge = FilmEdge::exact;
    cup.division.stripes.resize(1);
    plan = filmed(cup);
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(235 * tall).epsilon(1e-6));
    // More than the neighbour is wide is told.
    cup.division.body.parts[0].finish.kind = FinishKind::paint;
    cup.division.body.parts[1].finish.edge = FilmEdge::trim;
    cup.division.body.parts[1].finish.edgeBy = WrittenLength::mm(61);
    plan = filmed(cup);
    CHECK(std::any_of(plan.watches.begin(), plan.watches.end(),
                      [](const Watch& watch) { return watch.rule == Rule::filmPastNeighbour; }));
  }
  // A V at the seam: both legs, in one film and in the one round it.
  Cup cup = cupOf(220, 250, 160);
  cutInto(cup, VeeCut{.at = CupAngle::back(), .wide = WrittenLength::mm(60)}, 2);
  for (ZoneNode& part : cup.division.body.parts) part.finish.edge = FilmEdge::trim;
  const CupPlan plan = filmed(cup);
  for (const Part& part : plan.parts(purpose::film)) {
    double drawn = 0;
    for (const Guide& guide : part.guides) {
      if (guide.kind == GuideKind::trim) drawn += lengthOf(guide.path).mm();
    }
    const double share = (plan.wrap.high() - plan.wrap.low()) / plan.wall.body.wall();
    double legs = 0;
    for (const DivideLine& line : plan.divided.lines) legs += line.length.mm();
    CHECK(drawn == Approx(legs * share).margin(0.5));
  }
}

TEST_CASE("film hangs over the base edge as a wrap does, and is snipped there") {
  for (const double seam : {180.0, -30.0}) {
    Cup cup = cupOf(220, 250, 150, seam);
    cup.wrap.baseClearance = {};
    cup.base.overhang = WrittenLength::mm(9);
    cup.division.body.finish = film();
    const CupPlan whole = filmed(cup);
    const Part& wrap = whole.parts(purpose::wrap).front();
    const std::vector<Part> all = filmParts(workOf(whole), false);
    REQUIRE(all.size() == 1);
    CHECK(all[0].area().mm2() == Approx(wrap.area().mm2()).epsilon(1e-5));
    CHECK(all[0].slits.size() == wrap.slits.size());
    cutInto(cup, UprightCut{.count = 3, .at = CupAngle::degrees(50)}, 3);
    CupPlan plan = filmed(cup);
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(wrap.area().mm2()).epsilon(1e-4));
    std::size_t snips = 0;
    for (const Part& part : plan.parts(purpose::film)) snips += part.slits.size();
    CHECK(snips <= wrap.slits.size());
    CHECK(snips + 3 >= wrap.slits.size());
    // Above a ring nothing hangs over.
    cutInto(cup, RingCut{.count = 2}, 2);
    plan = filmed(cup);
    CHECK(partOf(plan.parts(purpose::film), "A").slits.empty());
    CHECK(partOf(plan.parts(purpose::film), "B").slits.size() == wrap.slits.size());
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(wrap.area().mm2()).epsilon(1e-4));
  }
}

TEST_CASE("a zone across the seam is one film, one open there ends on it") {
  // A V of 5 in at the seam, 2 1/2 in to each side of it (common practice, no published source).
  Cup cup = cupOf(235, 235, 200);
  cutInto(cup, VeeCut{.at = CupAngle::back(), .wide = {Length::inches(5), "5 in"}}, 2);
  const CupPlan plan = filmed(cup);
  const std::vector<Part>& parts = plan.parts(purpose::film);
  REQUIRE(parts.size() == 2);
  const Part& vee = partOf(parts, "A");
  const Part& rest = partOf(parts, "B");
  // Its legs are straight: as long as they are by Pythagoras, less what rim and base take.
  const double share = (plan.wrap.high().mm() - 0) / 200;
  CHECK(vee.bounds().width() == Approx(5 * 25.4 * share).margin(0.02));
  const double left = vee.area().mm2() + rest.area().mm2();
  CHECK(left == Approx(235 * (plan.wrap.high() - plan.wrap.low()).mm()).epsilon(1e-5));
  CHECK(rest.bounds().width() < 235 + 0.01);
}

TEST_CASE("what is cut follows from the design: no wrap that nobody asked for") {
  Cup cup = cupOf(230, 250, 180);
  cutInto(cup, RingCut{.count = 3}, 3);
  cup.division.body.parts[0].finish.kind = FinishKind::glitter;
  cup.division.body.parts[2].finish.kind = FinishKind::paint;
  cup.division.body.parts[1].finish = film(true);
  cup.division.body.parts[1].id = "middle";
  CupPlan plan = filmed(cup);
  CHECK(plan.parts(purpose::wrap).empty());
  REQUIRE(plan.parts(purpose::film).size() == 1);
  const Part& part = plan.parts(purpose::film)[0];
  CHECK(part.id == "film-B");
  CHECK(part.of == std::vector<std::string>{"middle"});
  CHECK(part.zones == std::vector<std::string>{"B"});
  CHECK(part.material == PartMaterial::printed);
  CHECK(part.mayTurn == MayTurn::no);
  const std::vector<Part>& paper = plan.parts(purpose::testPiece);
  REQUIRE(paper.size() == 1);
  CHECK(paper[0].outline == part.outline);
  CHECK(paper[0].material == PartMaterial::paper);
  // Over everything, where that is asked for.
  cup.wrap.over = WrapOver::clear;
  plan = filmed(cup);
  REQUIRE(plan.parts(purpose::wrap).size() == 1);
  CHECK(plan.parts(purpose::wrap)[0].material == PartMaterial::clear);
  CHECK(plan.parts(purpose::film).size() == 1);
  CHECK(plan.parts(purpose::testPiece).size() == 2);
  // With no film on it there is none, and nothing to watch about one.
  cup.wrap.over = WrapOver::none;
  cup.wrap.seamAt = CupAngle::degrees(20);
  cup.division.body.parts[1].finish.kind = FinishKind::bare;
  plan = filmed(cup);
  for (const char* of : {purpose::wrap, purpose::film, purpose::testPiece}) {
    CHECK(plan.parts(of).empty());
  }
  for (const Watch& watch : plan.watches) {
    const bool ofWrap =
        watch.where.member >= Member::rimClearance && watch.where.member <= Member::wrapOver;
    CHECK_FALSE(ofWrap);
  }
}

TEST_CASE("an uncut cup of film is wrapped in that film") {
  Cup cup = cupOf(230, 250, 180);
  CHECK(filmed(cup).parts(purpose::wrap).size() == 1);
  cup.division.body.finish = film(true);
  CupPlan plan = filmed(cup);
  REQUIRE(plan.parts(purpose::wrap).size() == 1);
  CHECK(plan.parts(purpose::wrap)[0].material == PartMaterial::printed);
  CHECK(plan.parts(purpose::wrap)[0].mayTurn == MayTurn::no);
  CHECK(plan.parts(purpose::film).empty());
  cup.division.body.finish.kind = FinishKind::glitter;
  plan = filmed(cup);
  CHECK(plan.parts(purpose::wrap).empty());
}

TEST_CASE("film that cannot be is told: no room, too narrow, under a handle") {
  const auto rules = [](const Cup& cup) {
    std::vector<std::string> all;
    for (const Watch& watch : filmed(cup).watches) {
      if (idOf(watch.rule).starts_with("film_")) all.emplace_back(idOf(watch.rule));
    }
    return all;
  };
  Cup cup = cupOf(230, 250, 180);
  cutInto(cup, RingCut{.by = CutBy::places, .places = {WrittenLength::mm(3)}}, 2);
  cup.division.body.parts[1].finish.kind = FinishKind::glitter;
  CHECK(rules(cup) == std::vector<std::string>{"film_no_room"});
  CHECK(filmed(cup).parts(purpose::film).empty());
  cup.division.body.cut =
      RingCut{.by = CutBy::places, .places = {WrittenLength::mm(50), WrittenLength::mm(50.4)}};
  cup.division.body.parts.assign(3, ZoneNode());
  cup.division.body.parts[1].finish = film();
  CHECK(rules(cup) == std::vector<std::string>{"film_narrow"});
  CHECK(filmed(cup).parts(purpose::film).size() == 1);
  cup.division.body.parts[1].finish = {};
  cup.division.body.parts[2].finish = film();
  Feature handle;
  handle.kind = FeatureKind::handle;
  handle.at = CupAngle::degrees(170);
  handle.wide = Angle::degrees(30);
  handle.low = WrittenLength::mm(40);
  handle.high = WrittenLength::mm(90);
  for (const double at : {170.0, 180.0, 0.0, -120.0}) {
    handle.at = CupAngle::degrees(at);
    cup.blank.features = {handle};
    CHECK(rules(cup) == std::vector<std::string>{"film_under_handle"});
    // Drawn on the film where it is to be kept clear of, on the seam at both ends.
    const CupPlan plan = filmed(cup);
    double clear = 0;
    for (const Guide& guide : plan.parts(purpose::film).front().guides) {
      if (guide.kind == GuideKind::keepClear) clear += areaOf(guide.path).mm2();
    }
    const Body& body = plan.wall.body;
    CHECK(clear == Approx(body.area(Length::mm(40), Length::mm(90)).mm2() / 12).epsilon(1e-4));
  }
}

TEST_CASE("a patch is a disc or a drop of the zone's own film, offered where a V's point shows") {
  const auto said = [](const CupPlan& plan, const std::string& rule) {
    return std::any_of(plan.watches.begin(), plan.watches.end(),
                       [&](const Watch& watch) { return idOf(watch.rule) == rule; });
  };
  for (const double at : {180.0, 0.0, -71.0}) {
    Cup cup = cupOf(220, 250, 160);
    cutInto(cup, VeeCut{.at = CupAngle::degrees(at), .wide = WrittenLength::mm(60)}, 2);
    CHECK(said(filmed(cup), "point_shows"));
    CHECK(filmed(cup).parts(purpose::patch).empty());
    cup.division.body.parts[0].finish.printed = true;
    for (ZoneNode& part : cup.division.body.parts) part.finish.patch = PatchShape::disc;
    cup.division.body.parts[1].finish.patch = PatchShape::drop;
    cup.division.body.parts[1].finish.patchAcross = WrittenLength::mm(12);
    const CupPlan plan = filmed(cup);
    CHECK_FALSE(said(plan, "point_shows"));
    const std::vector<Part>& patches = plan.parts(purpose::patch);
    REQUIRE(patches.size() == 2);
    const Part& disc = partOf(patches, plan.divided.zones[0].letter);
    CHECK(disc.area().mm2() == Approx(std::numbers::pi * 25));
    const bool printed = disc.material == PartMaterial::printed;
    CHECK(disc.mayTurn == (printed ? MayTurn::no : MayTurn::any));
    // Two thirds of a circle and a kite of two right triangles with sides r and r times root 3.
    const Part& drop = partOf(patches, plan.divided.zones[1].letter);
    CHECK(drop.area().mm2() ==
          Approx(36 * (2 * std::numbers::pi / 3 + std::sqrt(3.0))).epsilon(1e-9));
    CHECK(drop.bounds().width() == Approx(12));
    CHECK(drop.bounds().height() == Approx(18));
    cup.division.body.parts[1].finish.patchAcross = WrittenLength::mm(0.4);
    CHECK(said(filmed(cup), "patch_size"));
    CHECK(filmed(cup).parts(purpose::patch).size() == 1);
  }
  // A stripe on its legs hides it.
  Cup cup = cupOf(220, 250, 160);
  cutInto(cup, VeeCut{.at = CupAngle::front(), .wide = WrittenLength::mm(60)}, 2);
  Stripe stripe;
  cup.division.stripes = {stripe, stripe};
  cup.division.stripes[1].line = 1;
  CHECK_FALSE(said(filmed(cup), "point_shows"));
}

TEST_CASE("a film goes as far as is said of each of its lines") {
  for (const double seam : {180.0, 25.0, -140.0}) {
    Cup cup = cupOf(235, 235, 180, seam);
    cutInto(cup,
            RingCut{.by = CutBy::places, .places = {WrittenLength::mm(60), WrittenLength::mm(120)}},
            3);
    for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::paint;
    Finish& middle = cup.division.body.parts[1].finish;
    middle = film();
    middle.edge = FilmEdge::exact;
    CHECK(sumOf(filmed(cup).parts(purpose::film)) == Approx(235 * 60).epsilon(1e-6));
    // Under its upper line by 2 mm, to be trimmed along its lower by 5.
    middle.edges = {{"", 0, FilmEdge::under, WrittenLength::mm(2), {}},
                    {"", 1, FilmEdge::trim, WrittenLength::mm(5), {}}};
    const CupPlan plan = filmed(cup);
    CHECK(plan.divided.lines[0].cut == middle.edges[0].of);
    CHECK(sumOf(plan.parts(purpose::film)) == Approx(235 * 67).epsilon(1e-6));
    std::vector<double> trims;
    for (const Guide& guide : plan.parts(purpose::film)[0].guides) {
      if (guide.kind == GuideKind::trim) trims.push_back(boundsOf(guide.path).low.y);
    }
    REQUIRE(trims.size() == 1);
    // On the line, 120 mm below the rim.
    CHECK(trims[0] == Approx(60).margin(0.01));
  }
  // A neighbour met across an exact line and across a wider one is only kept off along the first.
  Cup cup = cupOf(240, 240, 180);
  cutInto(cup, UprightCut{.count = 2, .at = CupAngle::degrees(30)}, 2);
  cup.division.body.parts[1].finish.kind = FinishKind::paint;
  Finish& finish = cup.division.body.parts[0].finish;
  finish.edge = FilmEdge::exact;
  finish.edges = {{"", 1, FilmEdge::under, WrittenLength::mm(4), {}}};
  const CupPlan plan = filmed(cup);
  const double tall = (plan.wrap.high() - plan.wrap.low()).mm();
  CHECK(sumOf(plan.parts(purpose::film)) == Approx((120 + 4) * tall).epsilon(1e-5));
}

TEST_CASE("an exact upright keeps film off wherever the seam stands, on it too") {
  // Below a ring the film runs under, between two exact uprights: the same film from any seam.
  std::vector<double> areas;
  for (const double seam : {75.0, -120.0, 180.0, 0.0}) {
    Cup cup = cupOf(240, 240, 180, seam);
    cutInto(cup, RingCut{.count = 2}, 2);
    cup.division.body.parts[0].finish.kind = FinishKind::paint;
    ZoneNode& lower = cup.division.body.parts[1];
    lower.cut = UprightCut{.count = 2, .at = CupAngle::back()};
    lower.parts.resize(2);
    lower.parts[0].finish = film();
    lower.parts[0].finish.edge = FilmEdge::exact;
    lower.parts[1].finish.kind = FinishKind::paint;
    cup.division.body.cut->id = "ring";
    lower.cut->id = "uprights";
    lower.parts[0].finish.edges = {{"ring", 0, FilmEdge::under, WrittenLength::mm(4), {}}};
    areas.push_back(sumOf(filmed(cup).parts(purpose::film)));
  }
  for (const double area : areas) CHECK(area == Approx(areas.front()).margin(0.05));
}

TEST_CASE("films in bands and gores number their joins twice, and show the directions they cover") {
  Cup cup = cupOf(230, 235, 160, 77);
  cup.blank.joined = Joined::smooth;
  cup.blank.stations.insert(cup.blank.stations.begin() + 1,
                            {WrittenLength::mm(80), WrittenLength::mm(280), Girth::around, {}});
  cup.wrap.over = WrapOver::clear;  // so that the body's own film is a zone's
  cup.division.body.finish = film();
  for (const LayingKind kind : {LayingKind::bands, LayingKind::gores}) {
    cup.wrap.laying = kind;
    const CupPlan plan = filmed(cup);
    const std::vector<Part>& films = plan.parts(purpose::film);
    REQUIRE(films.size() > 1);
    std::map<std::string, int> joins;
    std::map<GuideKind, int> marks;
    for (const Part& part : films) {
      std::set<std::string> here;
      for (const Lettering& lettering : part.letterings) {
        const std::string words = inWords(lettering.words, Unit::mm);
        if (words.find_first_not_of("0123456789") == std::string::npos) here.insert(words);
      }
      for (const std::string& words : here) ++joins[words];
      for (const Guide& guide : part.guides) ++marks[guide.kind];
    }
    INFO(layingName(kind) << ", " << films.size());
    CHECK(joins.size() == (kind == LayingKind::gores ? films.size() : films.size() - 1));
    for (const auto& [number, times] : joins) CHECK(times == 2);
    // A tick at both ends on every band; on gores, on the ones that have the direction.
    const int each = kind == LayingKind::bands ? static_cast<int>(films.size()) : 1;
    CHECK(marks[GuideKind::front] == 2 * each);
    CHECK(marks[GuideKind::quarter] >= 6 * each);
  }
}
