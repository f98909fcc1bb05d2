// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/strips.h"

#include <catch2/catch.hpp>
#include <map>
#include <numbers>
#include <random>

#include "core/cups.h"
#include "divide/patch.h"
#include "pattern/fill.h"
#include "pattern/least_cut.h"
#include "sheet/fill_parts.h"
#include "sheet/template_sheet.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A pattern in a zone of a body, its seam anywhere.
struct StripsBench {
  Wall wall;
  Divided divided;
  std::vector<Fill> fills;
  std::vector<FillPlan> plans;
  Film film;

  StripsBench(const Blank& blank, const ZoneNode& node, const std::string& zone, Family family,
              double size, double seam, std::optional<LayingKind> laying = std::nullopt)
      : wall(wallOf(bodyOf(blank), CupAngle::degrees(seam))) {
    film.kind = FilmKind::thinCast;
    CheckedAll<Divided> cut = divide(node, wall);
    REQUIRE(cut.has_value());
    divided = std::move(*cut);
    fills = {usualFill(zone, Unit::mm)};
    fills[0].pattern.family = family;
    fills[0].pattern.size = WrittenLength::mm(size);
    CheckedAll<std::vector<FillPlan>> made = planFills(fills, divided, wall);
    REQUIRE(made.has_value());
    plans = std::move(*made);
    plans[0].strips = stripsOf(plans[0].cells, false, this->zone(), wall.body, film, laying);
  }

  const FillPlan& plan() const { return plans[0]; }
  const Zone& zone() const {
    return *std::find_if(divided.zones.begin(), divided.zones.end(),
                         [&](const Zone& one) { return one.id == plans[0].zone; });
  }
  FillWork work() const { return {plans[0], fills[0], zone(), wall}; }
  std::vector<std::vector<WallLine>> edges() const {
    std::vector<std::vector<WallLine>> edges;
    for (const FillStrip& strip : plan().strips.strips) {
      edges.push_back(stripEdge(strip, plan().cells, zone()));
    }
    return edges;
  }
};

/// A V at the back, its point down, as wide as a third of the cup.
ZoneNode vee(CupAngle at) {
  ZoneNode node;
  node.cut = VeeCut{.at = at, .wide = WrittenLength::mm(80)};
  return node;
}

bool inside(const std::vector<WallLine>& lines, WallPoint p) {
  bool in = false;
  for (const int turns : {-2, -1, 0, 1, 2}) {
    const Angle theta = p.theta + Angle::turn() * turns;
    for (const WallLine& line : lines) {
      for (std::size_t i = 0; i < line.size(); ++i) {
        const WallPoint& a = line[i];
        const WallPoint& b = line[(i + 1) % line.size()];
        if ((a.s > p.s) == (b.s > p.s)) continue;
        const double share = (p.s - a.s) / (b.s - a.s);
        if (theta < a.theta + (b.theta - a.theta) * share) in = !in;
      }
    }
  }
  return in;
}

}  // namespace

TEST_CASE("a least cut is as short as the shortest of all") {
  std::mt19937 random(7);
  for (int round = 0; round < 200; ++round) {
    const std::size_t count = 4 + random() % 8;
    std::vector<Between> between;
    for (std::size_t a = 0; a < count; ++a) {
      for (std::size_t b = a + 1; b < count; ++b) {
        if (random() % 3 == 0) between.push_back({a, b, (random() % 500) / 100.0 + 0.1});
      }
    }
    std::vector<int> held(count, 0);
    held[0] = -1;
    held[count - 1] = 1;
    const auto lengthOf = [&](const auto& beyond) {
      double sum = 0;
      for (const Between& one : between) sum += beyond(one.a) != beyond(one.b) ? one.line : 0;
      return sum;
    };
    const std::vector<bool> cut = leastCut(held, between);
    CHECK_FALSE(cut[0]);
    CHECK(cut[count - 1]);
    double least = 1e9;
    // Every way to part them.
    for (unsigned long sides = 0; sides < 1UL << (count - 2); ++sides) {
      least = std::min(least, lengthOf([&](std::size_t i) {
                         return i == count - 1 || (i > 0 && ((sides >> (i - 1)) & 1) != 0);
                       }));
    }
    CHECK(lengthOf([&](std::size_t i) { return cut[i]; }) ==
          Approx(least).margin(0.011 * static_cast<double>(between.size())));
  }
}

TEST_CASE("strips of a template take every cell once and make up the zone, over any seam") {
  std::mt19937 random(11);
  int several = 0;
  for (const Named& cup : allCurved()) {
    for (const Family family : {Family::bricks, Family::hexagons, Family::pebbles,
                                Family::herringbone, Family::diamonds}) {
      const double seam = static_cast<double>(random() % 360) - 180;
      const double at = static_cast<double>(random() % 360) - 180;
      const bool whole = random() % 2 == 0;
      const std::optional<LayingKind> kinds[] = {std::nullopt, LayingKind::bands,
                                                 LayingKind::gores};
      const std::optional<LayingKind> kind = kinds[random() % 3];
      const StripsBench bench(cup.blank, whole ? ZoneNode() : vee(CupAngle::degrees(at)),
                              whole               ? ""
                              : random() % 2 == 0 ? ".0"
                                                  : ".1",
                              family, 14, seam, kind);
      const FillPlan& plan = bench.plan();
      const std::vector<FillStrip>& strips = plan.strips.strips;
      INFO(cup.name << " " << familyName(family) << " seam " << seam << " V " << at << " "
                    << (whole ? "whole" : "V") << " " << (kind ? layingName(*kind) : "-") << " "
                    << strips.size() << " strips");
      REQUIRE_FALSE(strips.empty());
      several += strips.size() > 1 ? 1 : 0;
      std::vector<int> times(plan.cells.size(), 0);
      for (const FillStrip& strip : strips) {
        for (const std::size_t cell : strip.cells) ++times[cell];
        CHECK(strip.strain <= plan.strips.strain);
        CHECK(strip.misfit <= plan.strips.misfit);
      }
      CHECK(times == std::vector<int>(plan.cells.size(), 1));
      const std::vector<std::vector<WallLine>> edges = bench.edges();
      double sum = 0;
      for (const std::vector<WallLine>& lines : edges) {
        sum += enclosedArea(lines, bench.wall.body).mm2();
      }
      CHECK(sum == Approx(bench.zone().area.mm2()).epsilon(3e-4));
      // Every place of the zone is in one strip, and one in a cell in that cell's.
      std::uniform_real_distribution<double> degrees(-180, 180);
      std::uniform_real_distribution<double> share(0.003, 0.997);
      int missed = 0;
      for (int i = 0; i < 200; ++i) {
        const WallPoint p{Angle::degrees(degrees(random)), bench.wall.body.wall() * share(random)};
        const bool inZone = bench.zone().region.contains(p);
        int in = 0;
        for (const std::vector<WallLine>& lines : edges) in += inside(lines, p) ? 1 : 0;
        if (in != (inZone ? 1 : 0)) ++missed;
      }
      // A place on a join to within rounding may fall to either.
      CHECK(missed <= 1);
      for (std::size_t k = 0; k < strips.size(); ++k) {
        for (const std::size_t cell : strips[k].cells) {
          CHECK(inside(edges[k], middleOf(plan.cells[cell].drawn)));
        }
      }
    }
  }
  CHECK(several > 15);
}

TEST_CASE("a strip strains its film no more than it says, and its misfit is that of its rings") {
  for (const Named& cup : allCurved()) {
    for (const LayingKind kind : {LayingKind::bands, LayingKind::gores}) {
      const StripsBench bench(cup.blank, ZoneNode(), "", Family::bricks, 12, 97, kind);
      const FillPlan& plan = bench.plan();
      INFO(cup.name << " " << layingName(kind));
      for (const FillStrip& strip : plan.strips.strips) {
        CHECK(strip.kind == kind);
        if (kind != LayingKind::bands) continue;
        double low = 1e9;
        double high = -1e9;
        double left = 1e9;
        double right = -1e9;
        for (std::size_t i = 0; i < strip.cells.size(); ++i) {
          for (const WallPoint& p : plan.cells[strip.cells[i]].whole.outline) {
            low = std::min(low, p.s.mm());
            high = std::max(high, p.s.mm());
            const double theta = (p.theta + Angle::turn() * strip.turns[i]).radians();
            left = std::min(left, theta);
            right = std::max(right, theta);
          }
        }
        // On the film an arc is as long as its cone is round; on the wall as the body is.
        double worst = 0;
        for (int i = 0; i <= 40; ++i) {
          const double s = low + (high - low) * i / 40;
          const double onFilm = strip.ring.radius(s);
          const double onWall = bench.wall.body.radius(Length::mm(s)).mm();
          worst = std::max(worst, std::abs(onFilm - onWall));
          CHECK(std::abs(onWall / onFilm - 1) <= strip.strain + 2e-4);
        }
        const double round = std::min(right - left, 2 * std::numbers::pi);
        CHECK(worst * round == Approx(strip.misfit.mm()).margin(0.08));
      }
      CHECK(plan.strips.bears == (plan.strips.strain <= bearsOf(bench.film) * (1 + 1e-9)));
    }
  }
}

TEST_CASE("a true cone's template is not parted, and smaller cells strain less") {
  for (const double seam : {180.0, 20.0}) {
    const StripsBench cone(all()[1].blank, ZoneNode(), "", Family::bricks, 12, seam);
    CHECK(cone.plan().strips.strips.empty());
    CHECK(stencilParts(cone.work()).size() == 1);
  }
  const Blank& wine = allCurved()[2].blank;
  const StripsBench large(wine, ZoneNode(), "", Family::bricks, 60, 180, LayingKind::bands);
  const StripsBench small(wine, ZoneNode(), "", Family::bricks, 10, 180, LayingKind::bands);
  // Thin cast film bears 4 %: one cell 60 mm wide is too tall for the wall, rows of 10 mm are not.
  CHECK(small.plan().strips.strips.size() > 1);
  CHECK(small.plan().strips.bears);
  Film stiff;
  stiff.takesPercent = 0.2;
  const FillStrips off =
      stripsOf(large.plan().cells, false, large.zone(), large.wall.body, stiff, LayingKind::bands);
  CHECK_FALSE(off.bears);
  CHECK(off.strain > 0.002);
  CHECK(off.misfit > Length());
}

TEST_CASE("the parts of a parted stencil hold every cell, and number the joins they share") {
  for (const Named& cup : allCurved()) {
    for (const LayingKind kind : {LayingKind::bands, LayingKind::gores}) {
      const StripsBench bench(cup.blank, ZoneNode(), "", Family::bricks, 14, -40, kind);
      const FillPlan& plan = bench.plan();
      const std::vector<Part> parts = stencilParts(bench.work());
      INFO(cup.name << " " << layingName(kind));
      REQUIRE(parts.size() == plan.strips.strips.size());
      // Nobody lays gores over a sharp edge round the cup.
      if (plan.strips.strain > 0.2) continue;
      double cut = 0;
      double film = 0;
      bool loose = false;
      std::map<std::string, int> joins;
      for (std::size_t i = 0; i < parts.size(); ++i) {
        CHECK(parts[i].id == "stencil-A-" + std::to_string(i + 1));
        film += parts[i].area().mm2();
        // In a strip of several outlines those are slits too.
        for (const Path& slit : parts[i].slits) {
          cut += std::max(-areaOf(slit).mm2(), 0.0);
          loose = loose || areaOf(slit).mm2() > 0;
        }
        for (const Lettering& lettering : parts[i].letterings) {
          if (lettering.height == Length::mm(2.5)) ++joins[inWords(lettering.words, Unit::mm)];
        }
      }
      double cells = 0;
      for (const Cell& cell : plan.cells) cells += cell.area.mm2();
      // Film and wall differ by what the film has to bear.
      const double strain = plan.strips.strain;
      CHECK(cut == Approx(cells).epsilon(strain + 1e-3));
      // Cells wider than a gore come apart: they are cut from a sheet round them.
      if (!loose) CHECK(film == Approx(bench.zone().area.mm2()).epsilon(strain + 1e-3));
      const std::size_t expected = kind == LayingKind::gores ? parts.size() : parts.size() - 1;
      if (parts.size() < 2) continue;
      CHECK(joins.size() == expected);
      for (const auto& [number, times] : joins) {
        INFO("join " << number);
        CHECK(times == 2);
      }
    }
  }
}
