// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/fill_parts.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "measure/colour.h"
#include "sheet/key_parts.h"
#include "sheet/part_set.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A tapered cup whose wall is cut into V's, and a pattern in one part.
struct Patterned {
  Body body = bodyOf(all()[1].blank);
  Development flat = body.cone();
  Wall wall{body, flat, CupAngle::back()};
  Divided divided;
  std::vector<Fill> fills;
  std::vector<FillPlan> plans;

  Patterned(const ZoneNode& node, const std::string& zone, Family family = Family::hexagons) {
    CheckedAll<Divided> cut = divide(node, wall);
    REQUIRE(cut.has_value());
    divided = std::move(*cut);
    fills = {usualFill(zone, Unit::mm)};
    fills[0].pattern.family = family;
    fills[0].pattern.size = WrittenLength::mm(14);
    CheckedAll<std::vector<FillPlan>> made = planFills(fills, divided, wall);
    REQUIRE(made.has_value());
    plans = std::move(*made);
  }

  FillWork work() const { return workOf(plans.front()); }
  FillWork workOf(const FillPlan& plan) const {
    const auto zone = std::find_if(divided.zones.begin(), divided.zones.end(),
                                   [&](const Zone& one) { return one.id == plan.zone; });
    return {plan, fills[static_cast<std::size_t>(plan.fill)], *zone, wall};
  }
};

ZoneNode vees(int repeat, CupAngle at) {
  ZoneNode node;
  node.cut = VeeCut{.at = at, .repeat = repeat, .wide = WrittenLength::mm(60)};
  return node;
}

Box boundsOfAll(const std::vector<Path>& paths) {
  Box box;
  for (const Path& path : paths) box.add(boundsOf(path));
  return box;
}

void checkWithin(const Box& inner, const Box& outer) {
  CHECK(inner.low.x >= outer.low.x - 0.05);
  CHECK(inner.low.y >= outer.low.y - 0.05);
  CHECK(inner.high.x <= outer.high.x + 0.05);
  CHECK(inner.high.y <= outer.high.y + 0.05);
}

}  // namespace

TEST_CASE("a stencil's cells and labels lie in its sheet, all round, over the seam, in parts") {
  const CupAngle back = CupAngle::back();
  const std::pair<ZoneNode, std::string> zones[] = {
      {ZoneNode(), ""},                    // all round
      {vees(1, back), ".0"},               // over the seam
      {vees(1, CupAngle::front()), ".0"},  // at the front
      {vees(1, back), ".1"},               // all but a V at the seam
      {vees(3, back), ".3"},               // three parts, one of them over the seam
  };
  for (const auto& [node, zone] : zones) {
    for (const Family family : {Family::hexagons, Family::crosses, Family::bricks}) {
      const Patterned cup(node, zone, family);
      INFO(familyName(family) << " in zone " << cup.plans[0].letter);
      const std::vector<Part> stencils = stencilParts(cup.work());
      const std::vector<Part> keys = keyParts(cup.work(), "Comet");
      REQUIRE(stencils.size() == 1);
      REQUIRE(keys.size() == 1);
      checkWithin(boundsOfAll(stencils[0].slits), stencils[0].bounds());
      for (const Part* part : {&stencils[0], &keys[0]}) {
        for (const Lettering& lettering : part->letterings) {
          CHECK(part->bounds().contains(lettering.at));
        }
      }
      for (const Guide& guide : keys[0].guides) {
        checkWithin(boundsOf(guide.path), keys[0].bounds());
      }
      CHECK(keys[0].slits.empty());
      CHECK(keys[0].holes.empty());
    }
  }
}

TEST_CASE("a stencil's holes add to the area of its cells") {
  const Patterned cup(vees(1, CupAngle::back()), ".0");
  const std::vector<Part> stencils = stencilParts(cup.work());
  double cut = 0;
  for (const Path& slit : stencils[0].slits) cut -= areaOf(slit).mm2();
  double cells = 0;
  for (const Cell& cell : cup.plans[0].cells) cells += cell.area.mm2();
  CHECK(cut == Approx(cells).epsilon(1e-3));
}

TEST_CASE("every colour has its own hatch on the key, and its letter") {
  const Patterned cup(ZoneNode(), "");
  const std::vector<Part> keys = keyParts(cup.work(), "Comet");
  std::string words;
  for (const Lettering& lettering : keys[0].letterings) {
    words += inWords(lettering.words, Unit::mm) + "\n";
  }
  for (const Cell& cell : cup.plans[0].cells) {
    // Letters under 0.9 mm would not be read: the thinnest go without.
    if (cell.area < Area::mm2(25)) continue;
    CHECK_THAT(words, Catch::Contains(cell.label + colourLetter(cell.colour)));
  }
  CHECK_THAT(words, Catch::Contains("a dark, b deep, c bright, d pale"));
  // Lines of three slopes: the first colour stays plain.
  int rising = 0;
  int falling = 0;
  int level = 0;
  for (const Guide& guide : keys[0].guides) {
    if (guide.kind != GuideKind::graduation) continue;
    const Point along = guide.path.end() - guide.path.start;
    if (norm(along) < 0.5) continue;
    const double slope = std::atan2(along.y, along.x) * 180 / M_PI;
    rising += std::abs(slope - 45) < 1 ? 1 : 0;
    falling += std::abs(slope + 45) < 1 ? 1 : 0;
    level += std::abs(slope) < 1 ? 1 : 0;
  }
  CHECK(rising > 10);
  CHECK(falling > 10);
  CHECK(level > 10);
}

TEST_CASE("film cells are cut one by one, whole where the seam parts them") {
  Patterned cup(ZoneNode(), "", Family::bricks);
  for (CellColour& colour : cup.fills[0].colours) colour.finish.kind = FinishKind::film;
  std::vector<Part> cells = filmCells(cup.work());
  const FillPlan& plan = cup.plans[0];
  REQUIRE(cells.size() == plan.cells.size());
  // Film by film, in the order they are laid, each row by row; the label says which film.
  std::size_t at = 0;
  for (const ColourNeed& need : plan.needs) {
    for (const std::size_t index : need.cells) {
      const Part& part = cells[at++];
      const Cell& cell = plan.cells[index];
      CHECK(part.id == "cell-" + cell.label);
      CHECK(part.area().mm2() == Approx(cell.area.mm2()).epsilon(1e-3));
      if (part.letterings.empty()) continue;
      CHECK(inWords(part.letterings[0].words, Unit::mm) == cell.label + colourLetter(need.colour));
    }
  }
  cup.fills[0].cutting.spares = 2;
  cells = filmCells(cup.work());
  CHECK(cells.size() == plan.cells.size());
  CHECK(cells.front().spares == 2);
  CHECK(setOf(cells).parts.size() == 3 * plan.cells.size());
  cup.fills[0].cutting.filmWhole = true;
  CHECK(filmCells(cup.work()).empty());
}

TEST_CASE("an opening in a film cell is cut in it and is no piece of its own, on the seam too") {
  Patterned cup(ZoneNode(), "");
  Repeat frame{"frame", 30, 40, false, {}};
  frame.cells = {{{{2, 2}, {28, 2}, {28, 38}, {2, 38}}, {{10, 15}, {10, 25}, {20, 25}, {20, 15}}}};
  Fill& fill = cup.fills[0];
  fill.pattern.family = Family::artwork;
  fill.pattern.artwork = SharedRepeat(frame);
  fill.pattern.size = WrittenLength::mm(30);
  for (CellColour& colour : fill.colours) colour.finish.kind = FinishKind::film;
  for (const double along : {0.0, 0.5, 0.37}) {
    fill.pattern.along = along;
    const CheckedAll<std::vector<FillPlan>> made = planFills(cup.fills, cup.divided, cup.wall);
    REQUIRE(made.has_value());
    const FillPlan& plan = made->front();
    const std::vector<Part> parts = filmCells(cup.workOf(made->front()));
    REQUIRE(parts.size() == plan.cells.size());
    std::size_t holes = 0;
    std::size_t onSeam = 0;
    for (const Part& part : parts) {
      CHECK(part.slits.empty());
      holes += part.holes.size();
      const auto cell = std::find_if(plan.cells.begin(), plan.cells.end(), [&](const Cell& one) {
        return part.id == "cell-" + one.label;
      });
      REQUIRE(cell != plan.cells.end());
      CHECK(part.area().mm2() == Approx(cell->area.mm2()).epsilon(1e-3));
      onSeam += cell->onSeam && !part.holes.empty() ? 1 : 0;
    }
    // All but those the rim or the base goes through.
    CHECK(holes * 2 > parts.size());
    if (along == 0.5) CHECK(onSeam > 0);
  }
}

TEST_CASE("the template is cut again as asked: straight, in film, double-sided, its lines") {
  Patterned cup(ZoneNode(), "", Family::hexagons);
  const FillPlan& plan = cup.plans[0];
  const auto further = [&] {
    std::vector<Part> all;
    for (const Template which :
         {Template::straight, Template::film, Template::doubleSided, Template::lines}) {
      for (Part& part : furtherTemplates(which, cup.work())) {
        all.push_back(std::move(part));
      }
    }
    return all;
  };
  CHECK(further().empty());
  FillCutting& cutting = cup.fills[0].cutting;
  cutting = {0, true, true, true, LineWork::piece};
  std::vector<Part> parts = further();
  REQUIRE(parts.size() == 3);  // no film in it, so none in film
  cup.fills[0].colours[0].finish.kind = FinishKind::film;
  parts = further();
  REQUIRE(parts.size() == 4);
  const Part& straight = parts[0];
  CHECK(straight.kind == PartKind::stencil);
  // The straight and the curved version have the same height along the wall, and every cell.
  const Part curved = stencilParts(cup.work())[0];
  CHECK(straight.bounds().height() == Approx(cup.flat.wall().mm()).epsilon(1e-9));
  CHECK(norm(cup.flat.toFlat({Angle(), cup.flat.wall()}) - cup.flat.toFlat({Angle(), Length()})) ==
        Approx(straight.bounds().height()).epsilon(1e-9));
  CHECK(straight.slits.size() == curved.slits.size());
  CHECK(straight.bounds().width() ==
        Approx(cup.flat.around(cup.flat.wall() / 2).mm()).epsilon(1e-6));
  CHECK(parts[1].mayTurn == MayTurn::no);
  CHECK(parts[1].slits.size() == curved.slits.size());
  CHECK(parts[2].material == PartMaterial::doubleSided);
  // The lines are the zone less its cells.
  double cells = 0;
  for (const Cell& cell : plan.cells) cells += cell.area.mm2();
  CHECK(parts[3].kind == PartKind::film);
  CHECK(parts[3].area().mm2() == Approx(plan.zoneArea.mm2() - cells).epsilon(2e-3));
  CHECK(parts[3].holes.size() >= plan.cells.size());
}

TEST_CASE("a key larger than a page is made small enough, and says it is not true") {
  const Patterned cup(ZoneNode(), "", Family::hexagons);
  const std::vector<Part> keys = keyParts(cup.work(), "Cup");
  const std::vector<Part> small = pageKeys(keys);
  REQUIRE(small.size() == 1);
  const Box box = small[0].bounds();
  CHECK(std::max(box.width(), box.height()) <= 250.001);
  CHECK(std::min(box.width(), box.height()) <= 190.001);
  // Below the key made small there is a line of its own for what is said of the size.
  CHECK(box.width() / (box.height() - 5) ==
        Approx(keys[0].bounds().width() / keys[0].bounds().height()));
  const Lettering& remark = small[0].letterings.back();
  CHECK(inWords(remark.words, Unit::mm).find("not true size") == 0);
  for (std::size_t i = 0; i + 1 < small[0].letterings.size(); ++i) {
    const Lettering& other = small[0].letterings[i];
    CHECK(other.at.y - other.height.mm() / 2 > remark.at.y + remark.height.mm() / 2);
  }
  CHECK(pageKeys(small).empty());
}

TEST_CASE("a key's hatches leave its labels free, and every cell has its pale tint") {
  const Patterned cup(ZoneNode(), "", Family::hexagons);
  const Part key = keyParts(cup.work(), "Cup").front();
  CHECK(key.tints.size() == cup.plans[0].cells.size());
  for (const Tint& tint : key.tints) CHECK(luminanceOf(tint.colour) > 0.5);
  int hatches = 0;
  for (const Guide& guide : key.guides) {
    if (guide.kind != GuideKind::graduation) continue;
    ++hatches;
    // Every tenth of the stretch, against the middle of every label.
    for (int step = 0; step <= 10; ++step) {
      const Point end = guide.path.stretches.back().end;
      const Point at = guide.path.start + (end - guide.path.start) * (step / 10.0);
      for (std::size_t i = 0; i + 1 < key.letterings.size(); ++i) {
        const Lettering& label = key.letterings[i];
        const bool over = std::abs(at.x - label.at.x) < label.height.mm() * 0.5 &&
                          std::abs(at.y - label.at.y) < label.height.mm() * 0.5;
        CHECK_FALSE(over);
      }
    }
  }
  CHECK(hatches > 100);
}

TEST_CASE("a cell the seam cuts has its label on both parts, and neither on the cut") {
  const Patterned cup(ZoneNode(), "", Family::bricks);
  const std::vector<Part> stencils = stencilParts(cup.work());
  int seams = 0;
  for (const Cell& cell : cup.plans[0].cells) {
    std::vector<Point> places;
    for (const Lettering& lettering : stencils[0].letterings) {
      if (inWords(lettering.words, Unit::mm) == cell.label) places.push_back(lettering.at);
    }
    const std::vector<WallLine>& parts = cell.region.outlines();
    const bool readable = std::all_of(parts.begin(), parts.end(), [&](const WallLine& part) {
      return Region({part}).area(cup.body) > Area::mm2(25);
    });
    if (!cell.onSeam || !readable) continue;
    ++seams;
    REQUIRE(places.size() == 2);
    for (const Point& place : places) {
      const Angle theta = cup.flat.toWall(place).theta;
      CHECK(Angle::halfTurn() - abs(theta) > Angle::degrees(1));
    }
  }
  CHECK(seams > 3);
}
