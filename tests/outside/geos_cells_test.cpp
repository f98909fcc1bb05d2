// SPDX-License-Identifier: GPL-3.0-or-later
#include <geos_c.h>

#include <catch2/catch.hpp>
#include <vector>

#include "core/cups.h"
#include "divide/flat_outline.h"
#include "pattern/fill.h"

// Cells and the lines between them against GEOS, an independent geometry library.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// GEOS and what it made, given back at the end.
class Geos {
 public:
  Geos() : handle_(GEOS_init_r()) {}
  ~Geos() {
    for (GEOSGeometry* geometry : made_) GEOSGeom_destroy_r(handle_, geometry);
    GEOS_finish_r(handle_);
  }
  Geos(const Geos&) = delete;
  Geos& operator=(const Geos&) = delete;

  const GEOSGeometry* polygon(const std::vector<Point>& points) {
    GEOSCoordSequence* ring =
        GEOSCoordSeq_create_r(handle_, static_cast<unsigned>(points.size() + 1), 2);
    for (std::size_t i = 0; i <= points.size(); ++i) {
      const Point p = points[i % points.size()];
      GEOSCoordSeq_setXY_r(handle_, ring, static_cast<unsigned>(i), p.x, p.y);
    }
    return keep(
        GEOSGeom_createPolygon_r(handle_, GEOSGeom_createLinearRing_r(handle_, ring), nullptr, 0));
  }
  const GEOSGeometry* unionOf(const std::vector<const GEOSGeometry*>& parts) {
    std::vector<GEOSGeometry*> copies;
    for (const GEOSGeometry* part : parts) copies.push_back(GEOSGeom_clone_r(handle_, part));
    const GEOSGeometry* all = keep(GEOSGeom_createCollection_r(
        handle_, GEOS_GEOMETRYCOLLECTION, copies.data(), static_cast<unsigned>(copies.size())));
    return keep(GEOSUnaryUnion_r(handle_, all));
  }
  const GEOSGeometry* difference(const GEOSGeometry* a, const GEOSGeometry* b) {
    return keep(GEOSDifference_r(handle_, a, b));
  }
  double area(const GEOSGeometry* geometry) const {
    double area = 0;
    GEOSArea_r(handle_, geometry, &area);
    return area;
  }

 private:
  const GEOSGeometry* keep(GEOSGeometry* geometry) {
    REQUIRE(geometry != nullptr);
    made_.push_back(geometry);
    return geometry;
  }
  GEOSContextHandle_t handle_;
  std::vector<GEOSGeometry*> made_;
};

}  // namespace

TEST_CASE("cells and lines are the zone, for every family in both schools") {
  const Body body = bodyOf(all()[1].blank);
  const Development flat = body.cone();
  const Wall wall{body, flat, CupAngle::back()};
  const CheckedAll<Divided> divided = divide(ZoneNode(), wall);
  REQUIRE(divided.has_value());
  constexpr Length fine = Length::mm(0.0005);
  for (const Family family : families) {
    for (const TaperFit taperFit : {TaperFit::narrow, TaperFit::keep}) {
      INFO(familyName(family) << (taperFit == TaperFit::keep ? ", keeping size" : ", narrowing"));
      Fill fill = usualFill("", Unit::mm);
      fill.pattern.family = family;
      fill.pattern.taperFit = taperFit;
      fill.pattern.size = WrittenLength::mm(30);
      fill.pattern.line = WrittenLength::mm(1);
      const CheckedAll<std::vector<FillPlan>> plans = planFills({fill}, *divided, wall);
      REQUIRE(plans.has_value());
      Geos geos;
      const GEOSGeometry* zone =
          geos.polygon(inFlat(divided->zones[0].region.outlines()[0], true, flat, fine));
      std::vector<const GEOSGeometry*> cells;
      double sum = 0;
      double ours = 0;
      for (const Cell& cell : plans->front().cells) {
        ours += cell.area.mm2();
        std::vector<const GEOSGeometry*> parts;
        std::vector<const GEOSGeometry*> holes;
        for (const WallLine& outline : cell.region.outlines()) {
          // A sliver may join a cell to itself round another one.
          const bool hole = Region({outline}).area(body).mm2() < 0;
          (hole ? holes : parts).push_back(geos.polygon(inFlat(outline, true, flat, fine)));
        }
        const GEOSGeometry* whole = geos.unionOf(parts);
        cells.push_back(holes.empty() ? whole : geos.difference(whole, geos.unionOf(holes)));
        sum += geos.area(cells.back());
      }
      const GEOSGeometry* together = geos.unionOf(cells);
      const GEOSGeometry* lines = geos.difference(zone, together);
      // No two cells share wall, none reaches out of the zone, and the core's areas are GEOS's.
      CHECK(geos.area(together) == Approx(sum).epsilon(1e-6));
      CHECK(geos.area(lines) + sum == Approx(geos.area(zone)).epsilon(1e-6));
      CHECK(ours == Approx(sum).epsilon(2e-5));
      // Half a line off each cell's edge, along the outer ones too: about a millimetre of line for
      // each millimetre between two cells.
      const double edge = plans->front().cutLength.mm();
      if (plans->front().dropped == 0) CHECK(geos.area(lines) == Approx(edge * 0.5).epsilon(0.08));
    }
  }
}
