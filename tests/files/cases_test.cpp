// SPDX-License-Identifier: GPL-3.0-or-later
// Orders that once came out wrong, each held to what is true of it by a way of its own.
#include "files/cases.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <functional>
#include <map>
#include <sstream>

#include "decal/artwork.h"
#include "decal/coverage.h"
#include "decal/peekaboos.h"
#include "files/disk.h"
#include "files/sheet_files.h"
#include "files/svg.h"
#include "files/svg_drawing.h"
#include "job/bench_plan.h"
#include "job/sheets.h"
#include "sheet/film_parts.h"

using namespace avrelt;

namespace {

const PlacePlan& placeOf(const CupPlan& plan, std::size_t set, std::size_t place = 0) {
  return plan.sets.at(set).places.at(place);
}

/// The least between any two places of a row.
double leastInRow(const CupPlan& plan) {
  std::vector<const PlacePlan*> all;
  for (const SetPlan& set : plan.sets) {
    for (const PlacePlan& place : set.places) {
      if (!place.row.empty()) all.push_back(&place);
    }
  }
  double least = 1e6;
  for (const PlacePlan* one : all) {
    for (const PlacePlan* other : all) {
      if (one == other) continue;
      least = std::min(least, apartOn(plan.wall, *one->laid, *other->laid).apart.mm());
    }
  }
  return least;
}

}  // namespace

TEST_CASE("an upright on the seam ends where its zone does: at the point of a V, on a wave") {
  const CupPlan vee = cupOf("41");
  for (const DivideLine& line : vee.divided.lines) {
    if (line.cut != "u") continue;
    // The V is 100 mm deep in a wall of 150 mm, its point on the seam.
    const bool onSeam = line.index == 0;
    INFO("line " << line.id << ", " << line.length.mm());
    CHECK(line.length.mm() == Approx(onSeam ? 50 : 150).margin(1e-3));
  }
  for (const LineMark& mark : vee.divided.marks) {
    if (mark.at == MarkAt::upright && std::abs(mark.onCup.degrees()) > 179) {
      CHECK(mark.fromBase.mm() == Approx(50).margin(1e-3));
    }
  }
  std::vector<double> stripes;
  for (const StripePlan& stripe : vee.stripes) stripes.push_back(stripe.length.mm());
  std::sort(stripes.begin(), stripes.end());
  REQUIRE(stripes.size() == 2);
  CHECK(stripes[0] == Approx(50).margin(1e-3));
  CHECK(stripes[1] == Approx(150).margin(1e-3));

  const CupPlan wave = cupOf("42");
  for (const DivideLine& line : wave.divided.lines) {
    if (line.kind != CutKind::uprights) continue;
    // No place of it lies outside the zones it parts, looked at to both sides.
    for (const WallLine& stretch : line.stretches) {
      for (const double share : {0.01, 0.25, 0.5, 0.75, 0.99}) {
        const Length s = stretch.front().s + (stretch.back().s - stretch.front().s) * share;
        for (const double aside : {-0.01, 0.01}) {
          const Angle theta = (stretch.front().theta + Angle::degrees(aside)).wrapped();
          const auto in = std::find_if(wave.divided.zones.begin(), wave.divided.zones.end(),
                                       [&](const Zone& zone) {
                                         return zone.region.contains({theta, s});
                                       });
          REQUIRE(in != wave.divided.zones.end());
          CHECK(std::equal(line.of.begin(), line.of.end(), in->path.begin()));
        }
      }
    }
  }
}

TEST_CASE("in a row any two keep the gap, not neighbours alone") {
  const CupPlan plan = cupOf("50");
  const double gap = plan.of->rows.front().gap.length.mm();
  CHECK(leastInRow(plan) >= gap - 1e-3);
  CHECK(plan.rows.front().fit.gap.mm() == Approx(leastInRow(plan)).margin(1e-3));
}

TEST_CASE("on a waist and a belly as many of a row fit as the girth there has room for") {
  // Rectangles 20 mm wide with 2 mm between them, where the cup is 180 and 300 mm round.
  CHECK(cupOf("51").rows.front().fit.most == 180 / 22);
  CHECK(cupOf("52").rows.front().fit.most == 300 / 22);
  CHECK(leastInRow(cupOf("51")) == Approx(180.0 / 8 - 20).margin(0.02));
  CHECK(leastInRow(cupOf("52")) == Approx(300.0 / 13 - 20).margin(0.02));
}

TEST_CASE("on a taper a straight side is measured in its middle too") {
  for (const char* number : {"53", "54"}) {
    const CupPlan plan = cupOf(number);
    const PlacePlan& place = placeOf(plan, 0);
    // Along its sides, place by place.
    double low = 1e6;
    double high = -1e6;
    for (const std::vector<Point>& outline : place.laid->outline.shape()) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point along = outline[(i + 1) % outline.size()] - outline[i];
        for (int k = 0; k <= 400; ++k) {
          const double s = place.laid->ground.toWall(outline[i] + along * (k / 400.0)).s.mm();
          low = std::min(low, s);
          high = std::max(high, s);
        }
      }
    }
    CHECK(place.room.base.mm() == Approx(low).margin(1e-3));
    CHECK(place.room.rim.mm() == Approx(plan.wall.body.wall().mm() - high).margin(1e-3));
  }
  CHECK(told(cupOf("53"), "set_off_wall"));
  CHECK(placeOf(cupOf("53"), 0).room.base < Length::mm(-1));
  // Its upper edge's middle is the highest of it, 145 mm up.
  const CupPlan rim = cupOf("54");
  CHECK(placeOf(rim, 0).room.rim.mm() == Approx(rim.wall.body.wall().mm() - 145).margin(1e-6));
}

TEST_CASE("what is placed by its end is measured the way round that is nearer") {
  // 170 mm from −5° on to the right on 250 mm: over the handle at −150° and both uprights.
  const CupPlan wide = cupOf("55");
  const PlacePlan& place = placeOf(wide, 0);
  REQUIRE(place.room.feature);
  CHECK(place.room.feature->apart.mm() == Approx(0).margin(1e-6));
  CHECK(told(wide, "set_under_handle"));
  CHECK(wide.sets[0].makes[place.make].layers[0].pieces.size() > 1);
  // One from −30 to 30 mm, the other from 55.56 to 205.56 mm: 14.44 mm to the left.
  const CupPlan two = cupOf("56");
  for (const std::size_t set : {0U, 1U}) {
    REQUIRE(placeOf(two, set).room.place);
    CHECK(placeOf(two, set).room.place->apart.mm() ==
          Approx(250 - 150 - 250 * 80.0 / 360 - 30).margin(1e-6));
  }
}

TEST_CASE("what lies on each other covers a zone once, and is told") {
  const CupPlan plan = cupOf("57");
  for (const auto& [zone, area] : coverageOf(plan.sets, plan.divided, plan.wall.body)) {
    for (const Zone& one : plan.divided.zones) {
      if (one.id == zone) CHECK(area.mm2() <= one.area.mm2() * (1 + 1e-9));
    }
  }
  CHECK(told(plan, "set_over_another"));
  CHECK(told(cupOf("58"), "row_lines_near"));
}

TEST_CASE("the lap of a film at one line stays where the zone beyond is cut again") {
  const CupPlan plan = cupOf("44");
  const Document order = orderOf("44");
  for (const Zone& zone : plan.divided.zones) {
    if (zone.finish.kind != FinishKind::film) continue;
    double area = 0;
    for (const Part& part : plan.parts(purpose::film)) area += part.area().mm2();
    Document plain = order;
    plain.cups[0].division.body.parts.back().finish.edges.clear();
    const CheckedAll<Plan> without = planDocument(plain);
    REQUIRE(without);
    double bare = 0;
    for (const Part& part : without->cups[0].parts(purpose::film)) bare += part.area().mm2();
    // By an independent model of what is nearest to that line.
    CHECK(area - bare == Approx(713).margin(5));
  }
}

TEST_CASE("no stray film lies beyond an exact edge") {
  const CupPlan plan = cupOf("45");
  std::vector<std::string> zones;
  for (const Part& part : plan.parts(purpose::film)) {
    zones.insert(zones.end(), part.zones.begin(), part.zones.end());
  }
  // Of each of its two films one part, and nothing else.
  CHECK(zones == std::vector<std::string>{"A", "D"});
}

TEST_CASE("what a drawing loses is told, and what it draws within a drawing ends there") {
  const auto notesOf = [](const char* name) {
    const auto drawing =
        readDrawing(*readFile(std::string(AVRELT_TEST_DATA "/cases/67-") + name), "drawing");
    REQUIRE(drawing);
    std::string notes;
    for (const Sentence& note : drawing->notes) notes += inWords(note, Unit::mm) + "\n";
    return notes;
  };
  CHECK(notesOf("r_dash.svg").find("Dashes") != std::string::npos);
  CHECK(notesOf("r_scale.svg").find("equally wide") != std::string::npos);
  CHECK(notesOf("r_miter.svg").find("Bevelled") != std::string::npos);
  CHECK(notesOf("r_inner.svg").empty());
  const auto inner = readDrawing(*readFile(AVRELT_TEST_DATA "/cases/67-r_inner.svg"), "inner");
  const auto artwork = artworkOf(*inner);
  REQUIRE(artwork);
  // Two corners of 1 mm each, and of 40 by 12 mm what lies in the 20 mm of the inner drawing.
  CHECK(signedArea(artwork->silhouette()) == Approx(2 + 20 * 12).margin(0.01));
}

TEST_CASE("an artwork told clockwise is turned round when it is read") {
  const Plan plan = planned("96");
  for (const PartSet& set : plan.cups[0].partSets(purpose::layer)) {
    for (const Part& part : set.parts) CHECK(part.area().mm2() > 0);
  }
}

TEST_CASE("a step that is to stand behind itself stays where it was, and nobody working is told") {
  for (const char* number : {"70", "71", "72"}) {
    const Plan plan = planned(number);
    const BenchPlan bench = benchPlan(plan, *plan.bench.from);
    CHECK(bench.schedule);
    std::size_t conflicts = 0;
    for (const BenchCup& cup : bench.cups) conflicts += cup.conflicts.size();
    if (std::string(number) != "72") CHECK(conflicts == 1);
  }
  const Plan plan = planned("73");
  const BenchPlan bench = benchPlan(plan, *plan.bench.from);
  CHECK_FALSE(bench.schedule);
  REQUIRE(bench.troubles.size() == 1);
  CHECK(inWords(bench.troubles[0].words, Unit::mm).find("Nobody works") != std::string::npos);
}

TEST_CASE("openings go with what stands in them, and are as wide as what is free of them") {
  for (const char* number : {"61", "62"}) {
    const CupPlan plan = cupOf(number);
    for (std::size_t i = 0; i < plan.sets[0].layers().size(); ++i) {
      const LayerPlan& layer = plan.sets[0].layers()[i];
      const Layer& asked = plan.of->sets[0].layers[i];
      if (layer.kind != LayerKind::backing || asked.smallestOpening.length <= Length()) continue;
      // No piece lies within another, and no opening is left.
      CHECK(partsOf(layer.cut).size() == 1);
      CHECK(partsOf(layer.cut).front().size() == 1);
    }
  }
}

TEST_CASE("specks that are dropped take nothing off the size") {
  const CupPlan plan = cupOf("64");
  CHECK(plan.sets[0].made->box.width() == Approx(50).margin(0.01));
}

TEST_CASE("stencils alike are found however they are turned") {
  const CupPlan plan = cupOf("63");
  std::size_t alike = 0;
  for (const Peekaboo& one : peekaboosOf(plan.sets)) alike += one.alike.empty() ? 0 : 1;
  CHECK(alike >= 2);
}

TEST_CASE("growth at a quarter turn is told, and no stop is put on what is its own mirror image") {
  const CupPlan grown = cupOf("65");
  const SetPlan& set = grown.sets[0];
  double most = 0;
  for (const LayerPlan& layer : set.makes[placeOf(grown, 0).make].layers) {
    most = std::max(most, std::abs(layer.wider.mm()));
  }
  // 6 mm more round 250, over the 20 to 23 mm that lie round the cup so.
  CHECK(most > 20 * 6.0 / 256);
  CHECK(most < 24 * 6.0 / 250);
  CHECK_FALSE(told(cupOf("66"), "set_odd_layer"));
}

TEST_CASE("by colour the thinnest place is each colour's own") {
  // A frame 0.5 and 0.4 mm wide round a rectangle.
  const CupPlan plan = cupOf("59");
  REQUIRE(plan.sets[0].made->leastSize);
  CHECK(plan.sets[0].made->leastSize->mm() > 40);
}

TEST_CASE("a slant's end a hair beside its zone is on the edge") {
  CHECK(planned("47").cups.size() == 1);
}

namespace {

SheetPlan laidOn(const std::string& number, double wide, double tall,
                 const std::function<void(SheetChoices&)>& choose = {}) {
  auto plan = std::make_shared<const Plan>(planned(number));
  SheetChoices choices = usualSheets(plan->units);
  choices.size.wide = Length::mm(wide);
  choices.size.tall = Length::mm(tall);
  if (choose) choose(choices);
  CheckedAll<SheetPlan> sheets = sheetsOf(plan, FilmShelf(), choices);
  REQUIRE(sheets);
  return std::move(*sheets);
}

}  // namespace

TEST_CASE("pieces of parted parts, and prints that fit slantwise, are laid") {
  for (const char* number : {"91", "92"}) {
    const SheetPlan sheets = laidOn(number, 210, 297);
    for (const FilmSheets& film : sheets.films) {
      for (const PartsNotLaid& one : notLaidOf(film)) {
        INFO(number << ": " << one.part->part->id);
        CHECK(false);
      }
    }
  }
}

TEST_CASE("the pen stays on the film, and what lies within another is cut before it") {
  const SheetPlan sheets = laidOn("94", 600, 1200);
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      const SheetSize size = film.sizeOf(i);
      const CutJob job = jobOf(film, i, "job");
      for (const Stroke& stroke : job.strokes) {
        for (const Point& p : stroke.points) {
          CHECK(p.x >= -1e-3);
          CHECK(p.y >= -1e-3);
          CHECK(p.x <= size.wide.mm() + 1e-3);
          CHECK(p.y <= size.tall.mm() + 1e-3);
        }
      }
      // Of two closed cuts the one within the other comes first.
      const std::vector<std::vector<Point>> shapes = job.shapes();
      for (std::size_t a = 0; a < shapes.size(); ++a) {
        for (std::size_t b = a + 1; b < shapes.size(); ++b) {
          CHECK_FALSE(contains({shapes[a]}, shapes[b].front()));
        }
      }
    }
  }
}

TEST_CASE("twelve small stars lie in a corner of a sheet, and a disc is round in its drawing") {
  const SheetPlan sheets = laidOn("95", 304.8, 609.6);
  for (const FilmSheets& film : sheets.films) {
    CHECK(film.arrangement.notLaid.empty());
    if (film.parts.front().part->copies < 12) continue;
    CHECK(film.arrangement.sheets[0].reaches < Length::mm(30));
  }
  // Each arc by its ends and radius, as a reader finds its middle: SVG 1.1, F.6.5.
  const CupPlan plan = cupOf("46");
  std::size_t arcs = 0;
  for (const Purpose& purpose : purposes()) {
    for (const PartSet& set : plan.partSets(purpose.id)) {
      const std::string svg = svgOf(set, Unit::mm, "disc");
      for (std::size_t at = svg.find(" A"); at != std::string::npos; at = svg.find(" A", at + 1)) {
        std::istringstream figures(svg.substr(at + 2, 80));
        double r = 0;
        double same = 0;
        double turn = 0;
        double more = 0;
        figures >> r >> same >> turn >> more;
        CHECK(r == same);
        CHECK(more == 0);
        ++arcs;
      }
    }
  }
  CHECK(arcs > 0);
}

TEST_CASE("a weave scattered evenly has as much of each colour as is asked for") {
  const CupPlan plan = cupOf("43");
  const FillPlan& fill = plan.fills[0];
  std::map<int, int> count;
  for (const Cell& cell : fill.cells) ++count[cell.colour];
  CHECK(count.size() == 4);
  for (const auto& [colour, cells] : count) {
    CHECK(cells == Approx(static_cast<double>(fill.cells.size()) / 4)
                       .margin(0.05 * static_cast<double>(fill.cells.size())));
  }
  CHECK(fill.colouring.clashes.empty());
}

TEST_CASE("a turned set is placed by a point of its own side") {
  // The middle of a triangle's lower side, turned by 45°: on its edge wherever that now is.
  const CupPlan plan = cupOf("60");
  const PlacePlan& place = placeOf(plan, 0);
  const Point at = place.laid->ground.toFlat({Angle(), place.anchor.s});
  const Polygon& outline = place.laid->outline.shape();
  CHECK(contains(offsetBy(outline, Length::mm(0.02), Corners::sharp), at));
  CHECK_FALSE(contains(offsetBy(outline, Length::mm(-0.02), Corners::sharp), at));
}

TEST_CASE("a zone's outlines leave out the slivers beside it") {
  const CupPlan plan = cupOf("48");
  for (const Zone& zone : plan.divided.zones) {
    INFO(zone.letter);
    double sum = 0;
    for (const Patch& patch : patchesOf(zone.region)) {
      sum += enclosedArea(patch.lines(), plan.wall.body).mm2();
    }
    CHECK(sum == Approx(zone.area.mm2()).margin(0.01));
  }
}

TEST_CASE("backings lie as their prints do, whatever margin they take, or the reason is told") {
  const auto choose = [](double margin) {
    return [margin](SheetChoices& choices) {
      choices.rules.gap = Length::mm(0.5);
      choices.size.margin = Length::mm(margin);
      choices.alike = true;
      choices.lap = Length::mm(10);
    };
  };
  for (const double margin : {3.0, 10.0, 20.0}) {
    const SheetPlan sheets = laidOn("93", 305, 305, choose(margin));
    for (const FilmSheets& film : sheets.films) {
      INFO(margin);
      CHECK(film.notAlike.noRoom == 0);
      CHECK(film.notAlike.atEdge == 0);
    }
  }
  // On sheets smaller than what the printer takes they cannot; the size that does is told.
  const SheetPlan small = laidOn("93", 150, 200, choose(3));
  NotAlike all;
  for (const FilmSheets& film : small.films) all.add(film.notAlike);
  REQUIRE(all.noSheet > 0);
  CHECK(all.count() == all.noSheet);
  CHECK(all.wanted.wide.mm() > 150);
  const SheetPlan enough = laidOn("93", all.wanted.wide.mm(), all.wanted.tall.mm(), choose(3));
  for (const FilmSheets& film : enough.films) CHECK(film.notAlike.count() == 0);
}
