// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>

#include "core/random_cups.h"
#include "decal/shapes.h"
#include "files/document_json.h"
#include "files/outputs.h"
#include "files/where_text.h"
#include "job/cup_planner.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// Everything a plan says, or what is refused of it.
std::string saidBy(const CheckedAll<CupPlan>& plan) {
  if (plan) {
    Plan whole;
    whole.cups.push_back(*plan);
    return planJson(whole, {});
  }
  std::string faults;
  for (const Fault& fault : plan.error()) {
    faults +=
        std::string(textOf(fault.where.member)) + ": " + inWords(fault.sentence, Unit::mm) + "\n";
  }
  return faults;
}

/// One thing a hand may do to a cup, refused numbers among them.
void change(Cup& cup, Stock& stock, Chance& chance) {
  const auto length = [&](double low, double high) {
    return WrittenLength::mm(chance.between(low, high));
  };
  Fill* fill = cup.fills.empty() ? nullptr : &cup.fills.front();
  DecalSet* set = cup.sets.empty() ? nullptr : &cup.sets.front();
  switch (chance.whole(0, 29)) {
    case 0:
      cup.wrap.rimClearance = length(0, 12);
      break;
    case 1:
      cup.wrap.overlap = length(0, chance.one(5) ? 900 : 12);
      break;
    case 2:
      cup.wrap.seamAt = CupAngle::degrees(chance.whole(-180, 180));
      break;
    case 3:
      cup.blank.stations[0].girth = length(150, 320);
      break;
    case 4:
      cup.buildUp.coats.push_back({.kind = CoatKind::glitter, .cut = GlitterCut::medium});
      cup.buildUp.laidAfter = static_cast<int>(cup.buildUp.coats.size());
      break;
    case 5:
      cup.division.body.finish.name = chance.one(2) ? "night" : "dawn";
      break;
    case 6:
      cup.division.body = ZoneNode();
      break;
    case 7:
      cup.division.body.cut = RingCut{.count = chance.whole(2, chance.one(6) ? 501 : 4)};
      break;
    case 8:
      cup.division.body.cut = UprightCut{.count = chance.whole(2, 3)};
      break;
    case 9:
      cup.fills = {usualFill(chance.one(2) ? "" : ".0", Unit::mm)};
      break;
    case 10:
      cup.fills.push_back(usualFill(".1", Unit::mm));
      cup.fills.back().beyond = chance.one(2);
      break;
    case 11:
      if (fill != nullptr) fill->pattern.size = length(chance.one(5) ? 0 : 18, 60);
      break;
    case 12:
      if (fill != nullptr) fill->seed = chance.whole(1, 9);
      break;
    case 13:
      if (fill != nullptr) fill->style = static_cast<ColourStyle>(chance.whole(0, 4));
      break;
    case 14:
      if (fill != nullptr)
        fill->pins.push_back({CupAngle::degrees(chance.whole(-180, 180)), length(5, 150), 1});
      break;
    case 15:
      stock.filling.glitterPerCm2 = Mass::grams(chance.between(0.01, 0.05));
      break;
    case 16:
      cup.film.takesPercent = chance.whole(0, 6);
      break;
    case 17:
      cup.blank.stations.back().girth = length(150, 320);
      break;
    case 18:
      // Curved both ways, and a tape that was laid plumb.
      cup.blank.joined = chance.one(2) ? Joined::smooth : Joined::straight;
      cup.blank.stations.resize(2);
      cup.blank.stations.insert(cup.blank.stations.begin() + 1,
                                {length(60, 120), length(180, 300), Girth::around, {}});
      cup.blank.heightAlong = chance.one(2) ? HeightAlong::plumb : HeightAlong::wall;
      break;
    case 19: {
      // Something laid at a stage of its own.
      const int after = chance.whole(0, static_cast<int>(cup.buildUp.coats.size()));
      cup.wrap.over = chance.one(2) ? WrapOver::clear : WrapOver::none;
      layAfter(cup.buildUp, chance.one(2) ? wrapThing : "", after);
      break;
    }
    case 20: {
      Mask mask;
      mask.id = "mask-" + std::to_string(cup.division.masks.size());
      mask.kind = chance.one(2) ? MaskKind::cover : MaskKind::window;
      mask.zones = {chance.one(2) ? ".0" : ".1"};
      cup.division.masks.push_back(std::move(mask));
      break;
    }
    case 21:
    case 22: {
      Artwork artwork = shapeArtwork(chance.one(2) ? "comet" : "frame");
      artwork.id = "art";
      DecalSet made;
      made.id = "set-" + std::to_string(cup.sets.size());
      made.artwork = "art";
      made.art = SharedArt(artwork);
      Place place;
      place.id = made.id + "-place";
      place.up = length(20, 150);
      place.follows = chance.one(2);
      made.places = {place};
      made.layers = {usualLayer(LayerKind::ring, made, Unit::mm),
                     usualLayer(LayerKind::decal, made, Unit::mm)};
      made.layers[0].id = made.id + "-ring";
      made.layers[1].id = made.id + "-decal";
      cup.sets.insert(cup.sets.begin(), made);
      break;
    }
    case 23:
      if (set == nullptr || set->places.empty()) break;
      set->places[0].at = CupAngle::degrees(chance.whole(-180, 180));
      if (chance.one(2)) set->places[0].up = length(0, 400);
      if (chance.one(3)) set->places[0].turn = Angle::degrees(chance.whole(-90, 90));
      if (chance.one(4)) set->anchor = {chance.whole(0, 2) / 2.0, chance.whole(0, 2) / 2.0};
      break;
    case 24:
      if (set != nullptr) set->size = length(chance.one(5) ? 0 : 10, 90);
      break;
    case 26: {
      // A row of it, or what there is of rows otherwise.
      if (set == nullptr) break;
      if (cup.rows.empty() || chance.one(3)) {
        Row row;
        row.id = "row-" + std::to_string(cup.rows.size());
        row.sets = {set->id};
        if (chance.one(2)) row.sets.push_back(cup.sets.back().id);
        row.gap = length(0, 12);
        cup.rows.push_back(std::move(row));
      }
      Row& row = cup.rows.back();
      row.count = chance.one(4) ? std::nullopt : std::optional(chance.whole(1, 12));
      row.up = length(10, 120);
      row.even = chance.one(2);
      row.follows = chance.one(2);
      row.start = static_cast<RowStart>(chance.whole(0, 3));
      row.lines = chance.whole(1, 2);
      row.apart = length(20, 50);
      break;
    }
    case 27:
      // Cut at lines, and in where it strains its film, on and off.
      if (set != nullptr) set->parted = chance.one(2);
      if (set != nullptr) set->relief = chance.one(2);
      break;
    case 28: {
      if (set == nullptr) break;
      Layer& layer = set->layers[static_cast<std::size_t>(chance.whole(0, 1))];
      layer.material = PartMaterial::printable;
      KeptPicture picture;
      picture.id = "sky";
      picture.wide = 64;
      picture.tall = 48;
      layer.print.id = picture.id;
      layer.print.picture = SharedPicture(picture);
      layer.print.wide = length(chance.one(5) ? 0 : 20, 90);
      layer.print.right = length(-20, 20);
      layer.print.tiled = chance.one(2);
      break;
    }
    case 25:
      if (set != nullptr) set->layers[0].mirrored = chance.one(2);
      if (set != nullptr) set->thicken = chance.one(2);
      if (set != nullptr) layAfter(cup.buildUp, set->layers[0].id, 0);
      break;
    default:
      cup.base.overhang = length(0, 9);
      break;
  }
}

}  // namespace

TEST_CASE("a plan kept in stages is what a fresh one is, byte for byte, over any edits") {
  int planned = 0;
  int curved = 0;
  int refused = 0;
  for (unsigned seed = 1; seed <= 5; ++seed) {
    Chance chance(seed);
    CupPlanner planner;
    Cup cup = newCup("Comet", Unit::mm);
    Stock stock;
    for (int step = 0; step < 25; ++step) {
      change(cup, stock, chance);
      INFO("seed " << seed << ", step " << step);
      const CheckedAll<CupPlan> kept = planner(cup, Unit::mm, stock);
      CHECK(saidBy(kept) == saidBy(planCup(cup, Unit::mm, stock)));
      planned += kept ? 1 : 0;
      refused += kept ? 0 : 1;
      curved += kept && !kept->wall.body.isCone() ? 1 : 0;
    }
  }
  CHECK(planned > 50);
  CHECK(curved > 10);
  CHECK(refused > 8);
}
