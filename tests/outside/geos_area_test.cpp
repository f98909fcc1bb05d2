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
    middle.cut = UprightCut{.count = 4, .at = Angle::degrees(40)};
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
      divided.wrap.seamAt = Angle::degrees(seam);
      ZoneNode& body = divided.division.body;
      body.cut = UprightCut{.count = 3, .at = Angle::degrees(40)};
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
