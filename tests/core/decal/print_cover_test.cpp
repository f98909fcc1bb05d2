// SPDX-License-Identifier: GPL-3.0-or-later
// Layers printed with a picture: where it lies, on the wall and on what is cut, and what it leaves
// bare.
#include "decal/print_cover.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "decal/laid_print.h"
#include "sheet/decal_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A picture of so many dots, opaque but where `clear` says.
template <typename Clear>
Picture pictureOf(int wide, int tall, const Clear& clear) {
  Picture picture{wide, tall, {}};
  for (int y = 0; y < tall; ++y) {
    for (int x = 0; x < wide; ++x) {
      const bool none = clear((x + 0.5) / wide, 1 - (y + 0.5) / tall);
      for (const int c : {40, 90, 160, none ? 0 : 255}) {
        picture.rgba.push_back(static_cast<std::uint8_t>(c));
      }
    }
  }
  return picture;
}

LayerPrint printOf(const Picture& picture, double wide) {
  KeptPicture kept;
  kept.id = "sky";
  kept.name = "sky";
  kept.wide = picture.wide;
  kept.tall = picture.tall;
  LayerPrint print;
  print.id = "sky";
  print.picture = SharedPicture(kept);
  print.wide = WrittenLength::mm(wide);
  return print;
}

Polygon square(double side) {
  const double h = side / 2;
  return {{{-h, -h}, {h, -h}, {h, h}, {-h, h}}};
}

}  // namespace

TEST_CASE("a disc the print leaves out is one spot of its area, at its place") {
  // A hole a tenth of the picture in radius, a quarter of it right of and above its middle.
  const Picture picture =
      pictureOf(400, 400, [](double x, double y) { return std::hypot(x - 0.75, y - 0.75) < 0.1; });
  const PictureSizes dots(picture);
  LayerPrint print = printOf(picture, 80);
  const Polygon shape = square(70);
  PrintCover cover = coverOf(shape, print, dots);
  REQUIRE(cover.spots.size() == 1);
  CHECK(cover.bare.mm2() == Approx(std::numbers::pi * 64).epsilon(0.02));
  CHECK(cover.spots[0].middle.x == Approx(20).margin(0.2));
  CHECK(cover.spots[0].middle.y == Approx(20).margin(0.2));
  CHECK(signedArea(cover.spots[0].shape) == Approx(cover.bare.mm2()).epsilon(0.001));
  CHECK(cover.share == Approx(cover.bare.mm2() / 4900));
  // The same turned left by a quarter, and moved.
  print.turn = Angle::degrees(90);
  print.right = WrittenLength::mm(3);
  print.up = WrittenLength::mm(-2);
  cover = coverOf(shape, print, dots);
  REQUIRE(cover.spots.size() >= 1);
  CHECK(cover.spots[0].middle.x == Approx(-17).margin(0.2));
  CHECK(cover.spots[0].middle.y == Approx(18).margin(0.2));
  // Off its edge it prints nothing either: what is left of 80 mm round 90.
  print = printOf(picture, 80);
  cover = coverOf(square(90), print, dots);
  CHECK(cover.bare.mm2() == Approx(8100 - 6400 + std::numbers::pi * 64).epsilon(0.02));
}

TEST_CASE("white is bare, as no printer prints it; near white is not") {
  Picture picture = pictureOf(64, 64, [](double, double) { return false; });
  const auto paint = [&](std::uint8_t shade) {
    for (std::size_t i = 0; i < picture.rgba.size(); ++i) {
      if (i % 4 != 3) picture.rgba[i] = shade;
    }
    return coverOf(square(20), printOf(picture, 40), PictureSizes(picture));
  };
  CHECK(paint(255).share == Approx(1));
  CHECK(paint(240).spots.empty());
}

TEST_CASE("it is moved to where it covers all, the nearest way, and only where that is better") {
  Chance chance(9);
  for (int trial = 0; trial < 12; ++trial) {
    const double x = chance.between(0.3, 0.7);
    const double y = chance.between(0.3, 0.7);
    const Picture picture = pictureOf(
        200, 160, [&](double u, double v) { return std::hypot((u - x) * 100, (v - y) * 80) < 5; });
    const PictureSizes dots(picture);
    LayerPrint print = printOf(picture, 100);
    print.tiled = chance.one(2);
    print.turn = Angle::degrees(chance.between(-40, 40));
    const Polygon shape = square(40);
    INFO("trial " << trial);
    const PrintCover before = coverOf(shape, print, dots);
    const auto offer = movedToCover(shape, print, dots);
    if (before.spots.empty()) {
      CHECK_FALSE(offer);
      continue;
    }
    REQUIRE(offer);
    CHECK(offer->cover.spots.empty());
    // What it says is so: asked again of the print it gives.
    CHECK(coverOf(shape, offer->print, dots).spots.empty());
    CHECK(offer->print.wide == print.wide);
    // No farther than half a picture, as any other is nearer then.
    const Point by{offer->print.right.length.mm(), offer->print.up.length.mm()};
    CHECK(norm(by) <= std::hypot(50, 40) + 1e-6);
    // The second way: a disc that lies wholly in the square has to go out by its nearest side,
    // which is at most half a side, its own radius, and what a quarter of a turn adds.
    CHECK(norm(by) < 20 * std::numbers::sqrt2 + 5 + 2);
  }
  // What is bare everywhere gets no better.
  const Picture none = pictureOf(50, 50, [](double, double) { return true; });
  CHECK_FALSE(movedToCover(square(20), printOf(none, 40), PictureSizes(none)));
  CHECK_FALSE(grownToCover(square(20), printOf(none, 40), PictureSizes(none)));
}

TEST_CASE("it is enlarged by the least that covers all") {
  // A picture of 60 by 60 mm under a square of 72: it wants 1.2 times, to within a hundredth.
  const Picture whole = pictureOf(120, 120, [](double, double) { return false; });
  const auto offer = grownToCover(square(72), printOf(whole, 60), PictureSizes(whole));
  REQUIRE(offer);
  CHECK(offer->print.wide.length.mm() == Approx(72).margin(0.7));
  CHECK(offer->cover.spots.empty());
  // Not even three times as large.
  CHECK_FALSE(grownToCover(square(300), printOf(whole, 60), PictureSizes(whole)));
}

TEST_CASE("a layer's print lies on the wall as on what is cut, over any seam, turned and bent") {
  Chance chance(31);
  const Picture picture = pictureOf(64, 48, [](double, double) { return false; });
  int folded = 0;
  for (int trial = 0; trial < 40; ++trial) {
    Cup cup = newCup("by chance", Unit::mm);
    const double base = chance.between(200, 300);
    cup.blank.stations[0].girth = WrittenLength::mm(base);
    cup.blank.stations[1].girth =
        WrittenLength::mm(chance.one(3) ? base : base * chance.between(0.85, 1.25));
    cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
    DecalSet set = setAt(named("star"), chance.between(20, 60), {});
    set.layers[0].material = PartMaterial::printable;
    if (chance.one(3)) set.layers[0].mirrored = true;
    set.turn = Angle::degrees(chance.between(-90, 90));
    for (int k = 0; k < 2; ++k) {
      Place place = placeAt(chance.between(-180, 180), chance.between(60, 120));
      if (k == 0) place.at = cup.wrap.seamAt;
      place.turn = Angle::degrees(chance.between(-180, 180));
      place.follows = chance.one(2);
      set.places.push_back(place);
    }
    LayerPrint print = printOf(picture, chance.between(15, 80));
    print.tiled = chance.one(2);
    print.turn = Angle::degrees(chance.between(-180, 180));
    print.right = WrittenLength::mm(chance.between(-10, 10));
    set.layers[0].print = print;
    cup.sets = {set};
    giveIds(cup);
    INFO("trial " << trial);
    const CupPlan plan = planned(cup);
    const std::vector<Part>& parts = plan.parts(purpose::layer);
    for (const PlacePlan& place : plan.sets[0].places) {
      const std::string id = layerPartIds(plan.sets[0], 0, place.make).front();
      const auto part =
          std::find_if(parts.begin(), parts.end(), [&](const Part& one) { return one.id == id; });
      REQUIRE(part != parts.end());
      REQUIRE(part->print);
      CHECK(part->print->picture == print.picture);
      // A corner of the cut: where the part's mesh says it lies on the picture …
      const LayerPlan& layer = plan.sets[0].makes[place.make].layers[0];
      const std::vector<MeshNode>& nodes = part->print->mesh.nodes;
      REQUIRE(nodes.size() == 4);
      const Point across = nodes[1].at - nodes[0].at;
      const Point up = nodes[2].at - nodes[0].at;
      const double det = across.x * up.y - across.y * up.x;
      const SetMake& make = plan.sets[0].makes[place.make];
      const std::vector<Point>& made = make.made->layers[0].shape.front();
      const Transform cutting = layer.fromSet * inverseOf(make.fromSet);
      for (std::size_t k = 0; k < made.size(); k += 3) {
        const Point corner = cutting(made[k]);
        CHECK(std::any_of(layer.cut.front().begin(), layer.cut.front().end(),
                          [&](Point q) { return norm(q - corner) < 1e-6; }));
        const Point p = corner - nodes[0].at;
        const double u = (p.x * up.y - p.y * up.x) / det;
        const double v = (across.x * p.y - across.y * p.x) / det;
        CHECK(u >= 0);
        CHECK(u <= 1);
        const Point onPart =
            nodes[0].on + (nodes[1].on - nodes[0].on) * u + (nodes[2].on - nodes[0].on) * v;
        // … and where the wall's meshes do, at the place the set is laid on.
        Stand stand{{}, {}, {}, 0, place.anchor, place.turn, place.follows, 100};
        stand.follows = curveOf(stand, plan.sets[0].anchor, plan.wall) != 0;
        // One that is bent is turned before, so that its anchor is that of the artwork.
        const Point flat = standing(stand, plan.sets[0].anchor, place.laid->ground)(made[k]);
        const Point onWall = onPicture(print, inverseOf(place.onGround)(flat));
        CHECK(norm(onWall - onPart) < 1e-6);
      }
      const auto meshes = laidPrint(print, place, 0, plan.wall, -Angle::halfTurn(),
                                    Angle::halfTurn(), [](WallPoint p) {
                                      return Point{p.theta.degrees(), p.s.mm()};
                                    });
      if (meshes.size() > 1) ++folded;
      for (const PictureMesh& mesh : meshes) {
        for (const MeshNode& node : mesh.nodes) {
          CHECK(node.at.x >= -180 - 1e-9);
          CHECK(node.at.x <= 180 + 1e-9);
        }
      }
    }
  }
  CHECK(folded > 20);
}

TEST_CASE(
    "a picture on a layer that cannot be, is gone, coarse or too short is told, and planned") {
  Cup cup = straight();
  cup.sets = {setOf(named("star"), 40, {layerOf(LayerKind::decal)})};
  Layer& layer = cup.sets[0].layers[0];
  layer.material = PartMaterial::printable;
  const Picture picture = pictureOf(400, 400, [](double, double) { return false; });
  const auto rules = [&](const LayerPrint& print) {
    layer.print = print;
    const CupPlan plan = planned(cup);
    std::string found;
    for (const char* rule : {"layer_picture_gone", "layer_picture_refused", "layer_picture_coarse",
                             "layer_picture_short"}) {
      if (told(plan, rule)) found += std::string(rule).substr(14) + " ";
    }
    // Where there is no picture to print, its colour is.
    const PartPrint& on = plan.parts(purpose::layer).front().print.value();
    CHECK(static_cast<bool>(on.picture) == (layer.printedWith() != nullptr));
    CHECK(on.colour.empty() == static_cast<bool>(on.picture));
    return found;
  };
  CHECK(rules(printOf(picture, 60)).empty());
  CHECK(rules(printOf(picture, 0)) == "refused ");
  LayerPrint print = printOf(picture, 60);
  print.up = WrittenLength::mm(-3000);
  CHECK(rules(print) == "refused ");
  print.up = WrittenLength::mm(20);
  CHECK(rules(print) == "short ");
  print.tiled = true;
  CHECK(rules(print).empty());
  // 400 dots over 68 mm are 149 to the inch.
  print.wide = WrittenLength::mm(68);
  CHECK(rules(print) == "coarse ");
  print = printOf(picture, 60);
  print.picture = SharedPicture();
  CHECK(rules(print) == "gone ");
  // Other film shows none, and nothing is told.
  layer.material = PartMaterial::permanent;
  CHECK_FALSE(told(planned(cup), "layer_picture_gone"));
}
