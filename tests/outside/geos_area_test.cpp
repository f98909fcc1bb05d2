// SPDX-License-Identifier: GPL-3.0-or-later
#include <geos_c.h>

#include <catch2/catch.hpp>
#include <memory>
#include <numbers>

#include "core/cups.h"
#include "files/json_reader.h"
#include "files/outputs.h"
#include "job/plan.h"

// Areas against GEOS, an independent geometry library.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// What GEOS makes of a ring of points: its area, and whether it is a simple polygon.
struct Measured {
  double area = 0;
  bool valid = false;
};

Measured measuredByGeos(const std::vector<Point>& points) {
  GEOSContextHandle_t geos = GEOS_init_r();
  GEOSCoordSequence* ring =
      GEOSCoordSeq_create_r(geos, static_cast<unsigned>(points.size() + 1), 2);
  for (std::size_t i = 0; i <= points.size(); ++i) {
    const Point p = points[i % points.size()];
    GEOSCoordSeq_setXY_r(geos, ring, static_cast<unsigned>(i), p.x, p.y);
  }
  GEOSGeometry* polygon =
      GEOSGeom_createPolygon_r(geos, GEOSGeom_createLinearRing_r(geos, ring), nullptr, 0);
  Measured measured;
  GEOSArea_r(geos, polygon, &measured.area);
  measured.valid = GEOSisValid_r(geos, polygon) == 1;
  GEOSGeom_destroy_r(geos, polygon);
  GEOS_finish_r(geos);
  return measured;
}

/// Parts laid over each other by GEOS: what all of them cover, and what two of them share.
struct Together {
  double covered = 0;
  double shared = 0;
};

Together togetherByGeos(const std::vector<Part>& first, const std::vector<Part>& second) {
  GEOSContextHandle_t geos = GEOS_init_r();
  const auto ringOf = [&](const Path& path) {
    const auto count = static_cast<unsigned>(path.stretches.size() + 1);
    GEOSCoordSequence* ring = GEOSCoordSeq_create_r(geos, count, 2);
    GEOSCoordSeq_setXY_r(geos, ring, 0, path.start.x, path.start.y);
    for (unsigned i = 1; i < count; ++i) {
      // Back to the bit where it began.
      const Point p = i + 1 == count ? path.start : path.stretches[i - 1].end;
      GEOSCoordSeq_setXY_r(geos, ring, i, p.x, p.y);
    }
    return GEOSGeom_createLinearRing_r(geos, ring);
  };
  const auto areaOfAll = [&](const std::vector<Part>& parts) {
    std::vector<GEOSGeometry*> polygons;
    for (const Part& part : parts) {
      std::vector<GEOSGeometry*> holes;
      for (const Path& hole : part.holes) holes.push_back(ringOf(hole));
      polygons.push_back(GEOSGeom_createPolygon_r(geos, ringOf(part.outline), holes.data(),
                                                  static_cast<unsigned>(holes.size())));
    }
    GEOSGeometry* all = GEOSGeom_createCollection_r(geos, GEOS_MULTIPOLYGON, polygons.data(),
                                                    static_cast<unsigned>(polygons.size()));
    GEOSGeometry* joined = GEOSUnaryUnion_r(geos, all);
    GEOSGeom_destroy_r(geos, all);
    return joined;
  };
  GEOSGeometry* one = areaOfAll(first);
  GEOSGeometry* other = areaOfAll(second);
  GEOSGeometry* both = GEOSUnion_r(geos, one, other);
  GEOSGeometry* lap = GEOSIntersection_r(geos, one, other);
  Together together;
  GEOSArea_r(geos, both, &together.covered);
  GEOSArea_r(geos, lap, &together.shared);
  for (GEOSGeometry* made : {one, other, both, lap}) GEOSGeom_destroy_r(geos, made);
  GEOS_finish_r(geos);
  return together;
}

}  // namespace

TEST_CASE("the flat's area by GEOS is the lateral area by Pappus and Guldinus") {
  // Pappus–Guldinus: area swept = length of the curve × the way of its centroid, here the slant
  // times the circumference half-way up (MathWorld, "Pappus's Centroid Theorem").
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const double pappus = body.wall().mm() * body.around(body.wall() / 2).mm();
    const Measured flat =
        measuredByGeos(flattened(body.wallOutline(), Length::mm(body.wall().mm() * 1e-8)));
    CHECK(flat.area == Approx(pappus).epsilon(1e-6));
    CHECK(flat.valid);
    CHECK(areaOf(body.wallOutline()).mm2() == Approx(pappus).epsilon(1e-12));
  }
}

TEST_CASE("zones of a divided cup are simple polygons that add to the body, by GEOS") {
  for (const Named& cup : all()) {
    const Length wall = cup.blank.stations[1].at.length;
    if (wall < Length::mm(100) || wall > Length::mm(400)) continue;
    INFO(cup.name);
    Document document;
    document.units = Unit::mm;
    document.cups = {newCup(cup.name, Unit::mm)};
    document.cups[0].blank = cup.blank;
    ZoneNode& root = document.cups[0].division.body;
    root.cut = RingCut{.count = 3};
    ZoneNode& top = nodeAt(root, {0});
    top.cut = VeeCut{.wide = WrittenLength::mm(40)};
    ZoneNode& middle = nodeAt(root, {1});
    middle.cut = UprightCut{.count = 4, .at = CupAngle::degrees(40)};
    ZoneNode& bottom = nodeAt(root, {2});
    bottom.cut = WaveCut{
        .repeat = 5, .low = {wall / 6, {}}, .fromRim = false, .swing = WrittenLength::mm(10)};
    const CheckedAll<Plan> plan = planDocument(document);
    REQUIRE(plan.has_value());
    const Json json = Json::parse(planJson(*plan, {}))["cups"][0];
    double sum = 0;
    for (const Json& zone : json["zones"]) {
      std::vector<Json> outlines{zone["outline_mm"]};
      for (const Json& other : zone["others_mm"]) outlines.push_back(other);
      double area = 0;
      for (const Json& outline : outlines) {
        std::vector<Point> points;
        for (const Json& p : outline) points.push_back({p[0], p[1]});
        const Measured measured = measuredByGeos(points);
        CHECK(measured.valid);
        area += measured.area;
      }
      CHECK(area == Approx(zone["area_mm2"].get<double>()).epsilon(1e-4));
      sum += area;
    }
    CHECK(json["zones"].size() == 2 + 4 + 2);
    CHECK(sum == Approx(plan->cups[0].wall.body.area().mm2()).epsilon(1e-6));
  }
}

TEST_CASE("every piece of a plan is a simple polygon of the area the plan says") {
  Document document;
  document.units = Unit::mm;
  for (const Named& cup : all()) {
    if (cup.blank.stations[1].at.length < Length::mm(20)) continue;
    document.cups.push_back(newCup(cup.name, Unit::mm));
    document.cups.back().blank = cup.blank;
  }
  const CheckedAll<Plan> plan = planDocument(document);
  REQUIRE(plan.has_value());
  const Json json = Json::parse(planJson(*plan, {}));
  for (const Json& cup : json["cups"]) {
    for (const Json& part : cup["parts"]) {
      INFO(cup["name"].get<std::string>() << " " << part["id"].get<std::string>());
      std::vector<Point> points;
      for (const Json& p : part["outline_mm"]) points.push_back({p[0], p[1]});
      const Measured measured = measuredByGeos(points);
      CHECK(measured.valid);
      CHECK(measured.area == Approx(part["area_mm2"].get<double>()).epsilon(1e-4));
    }
  }
}

TEST_CASE(
    "films of zones are simple polygons, and on a cone fill the wall they may cover by GEOS") {
  Document document;
  document.units = Unit::mm;
  for (const Named& cup : all()) {
    if (cup.blank.stations[1].at.length < Length::mm(60)) continue;
    for (const double seam : {180.0, 0.0, 75.0}) {
      Cup divided =
          newCup(std::string(cup.name) + " " + std::to_string(static_cast<int>(seam)), Unit::mm);
      divided.blank = cup.blank;
      divided.wrap.overlap = {};
      divided.wrap.seamAt = CupAngle::degrees(seam);
      ZoneNode& body = divided.division.body;
      body.cut = UprightCut{.count = 3, .at = CupAngle::degrees(40)};
      body.parts.assign(3, ZoneNode());
      body.parts[1].cut = RingCut{.count = 2};
      body.parts[1].parts.assign(2, ZoneNode());
      for (ZoneNode* node :
           {&body.parts[0], &body.parts[1].parts[0], &body.parts[1].parts[1], &body.parts[2]}) {
        node->finish.kind = FinishKind::film;
      }
      document.cups.push_back(divided);
    }
  }
  REQUIRE(document.cups.size() > 6);
  const CheckedAll<Plan> plan = planDocument(document);
  REQUIRE(plan.has_value());
  const Json json = Json::parse(planJson(*plan, {}));
  for (std::size_t i = 0; i < plan->cups.size(); ++i) {
    double sum = 0;
    std::size_t films = 0;
    for (const Json& part : json["cups"][i]["parts"]) {
      if (part["kind"] != "film" || part["zones"].empty()) continue;
      INFO(plan->cups[i].name << " " << part["id"].get<std::string>());
      std::vector<Point> points;
      for (const Json& p : part["outline_mm"]) points.push_back({p[0], p[1]});
      const Measured measured = measuredByGeos(points);
      CHECK(measured.valid);
      CHECK(measured.area == Approx(part["area_mm2"].get<double>()).epsilon(1e-5));
      sum += measured.area;
      ++films;
    }
    CHECK(films >= 4);
    const CupPlan& cup = plan->cups[i];
    if (!cup.wall.body.isCone()) continue;
    CHECK(sum == Approx(cup.wall.body.area(cup.wrap.low(), cup.wrap.high()).mm2()).epsilon(3e-5));
  }
}

TEST_CASE("a cover and a window of one zone leave neither gap nor lap between them, by GEOS") {
  int cups = 0;
  for (const Named& named : all()) {
    const Length wall = named.blank.stations[1].at.length;
    if (wall < Length::mm(60) || wall > Length::mm(400)) continue;
    // A V of 40 mm on a rim of 60 would be most of the cup.
    if (named.blank.stations[0].girth->length < Length::mm(150)) continue;
    if (named.blank.stations[1].girth->length < Length::mm(150)) continue;
    ++cups;
    for (const double seam : {180.0, 0.0, 75.0}) {
      for (const bool vee : {true, false}) {
        Cup cup = newCup(named.name, Unit::mm);
        cup.blank = named.blank;
        cup.wrap.seamAt = CupAngle::degrees(seam);
        cup.wrap.overlap = {};
        ZoneNode& body = cup.division.body;
        if (vee) {
          body.cut = VeeCut{.at = CupAngle::degrees(60), .wide = WrittenLength::mm(40)};
        } else {
          body.cut = UprightCut{.count = 3, .at = CupAngle::degrees(50)};
        }
        Mask cover;
        cover.id = "cover";
        cover.zones = {vee ? ".0" : ".1"};
        Mask window = cover;
        window.id = "window";
        window.kind = MaskKind::window;
        window.margin = WrittenLength::mm(15);
        cup.division.masks = {cover, window};
        const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
        REQUIRE(plan.has_value());
        const std::vector<Part>& covers = plan->parts(purpose::cover);
        const std::vector<Part>& windows = plan->parts(purpose::window);
        INFO(named.name << " seam " << seam << (vee ? " V" : " third"));
        double sum = 0;
        for (const Part& part : covers) sum += part.area().mm2();
        const double covered = sum;
        for (const Part& part : windows) sum += part.area().mm2();
        CHECK(covered == Approx(plan->divided.zones[vee ? 0 : 1].area.mm2()).epsilon(2e-5));
        for (const std::vector<Part>* some : {&covers, &windows}) {
          for (const Part& part : *some) {
            std::vector<Point> points{part.outline.start};
            for (const Stretch& stretch : part.outline.stretches) points.push_back(stretch.end);
            points.pop_back();
            INFO(part.id << " " << points.size());
            CHECK(measuredByGeos(points).valid);
          }
        }
        // Across the seam they lie in the flat a turn apart; else edge to edge.
        const Together together = togetherByGeos(covers, windows);
        CHECK(together.shared < 0.01 * 4 * wall.mm());
        CHECK(together.covered == Approx(sum).margin(0.01 * 4 * wall.mm()));
      }
    }
  }
  CHECK(cups >= 4);
}
