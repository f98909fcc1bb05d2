// SPDX-License-Identifier: GPL-3.0-or-later
#include <initializer_list>

#include "shop/shop.h"

namespace avrelt {
namespace {

/// Height up the wall or plumb, and girth round the body, both as a tape says it.
struct StarterPlace {
  const char* at;
  const char* around;
};

WrittenLength typed(const char* text) {
  return *writtenSize(text, Unit::mm);
}

ShelfBlank blank(const char* name, double ml, const char* notes, HeightAlong along, Joined joined,
                 std::initializer_list<StarterPlace> places) {
  ShelfBlank shelved;
  shelved.blank.name = name;
  shelved.blank.heightAlong = along;
  shelved.blank.joined = joined;
  for (const StarterPlace& place : places) {
    shelved.blank.stations.push_back({typed(place.at), typed(place.around), Girth::around, {}});
  }
  shelved.capacity = Volume::ml(ml);
  shelved.notes = notes;
  return shelved;
}

ShelfBlank with(ShelfBlank shelved, std::initializer_list<Feature> features) {
  shelved.blank.features = features;
  return shelved;
}

Feature feature(FeatureKind kind, double at, double wide, const char* low, const char* high) {
  return {kind, CupAngle::degrees(at), Angle::degrees(wide), typed(low), typed(high)};
}

}  // namespace

std::vector<ShelfBlank> starterBlanks() {
  constexpr HeightAlong wall = HeightAlong::wall;
  constexpr HeightAlong plumb = HeightAlong::plumb;
  constexpr Joined straight = Joined::straight;
  constexpr Joined smooth = Joined::smooth;
  std::vector<ShelfBlank> shelf{
      blank("straight 450 ml", 450, "slim, straight, screw lid", wall, straight,
            {{"0 mm", "226 mm"}, {"168 mm", "226 mm"}}),
      blank("straight 600 ml", 600, "slim, straight, the usual one", wall, straight,
            {{"0 mm", "243 mm"}, {"195 mm", "243 mm"}}),
      blank("straight 900 ml", 900, "straight, tall", wall, straight,
            {{"0 mm", "281 mm"}, {"228 mm", "281 mm"}}),
      blank("tapered 350 ml", 350, "short, wider at the rim", wall, straight,
            {{"0 mm", "211 mm"}, {"129 mm", "259 mm"}}),
      blank("tapered 700 ml", 700, "tall, wider at the rim, for a cup holder", wall, straight,
            {{"0 mm", "214 mm"}, {"214 mm", "287 mm"}}),
      with(blank("tapered 1200 ml with handle", 1150, "tall, narrow foot, handle on the right",
                 wall, straight,
                 {{"0 mm", "232 mm"},
                  {"92 mm", "236 mm"},
                  {"118 mm", "322 mm"},
                  {"252 mm", "330 mm"}}),
           {feature(FeatureKind::handle, 90, 34, "124 mm", "240 mm")}),
      blank("plump 650 ml", 640, "wide and straight above, narrower below", wall, straight,
            {{"0 mm", "214 mm"}, {"58 mm", "218 mm"}, {"76 mm", "292 mm"}, {"172 mm", "296 mm"}}),
      blank("curved 900 ml", 880, "bulges both ways", plumb, smooth,
            {{"0 mm", "238 mm"}, {"48 mm", "283 mm"}, {"112 mm", "306 mm"}, {"176 mm", "288 mm"}}),
      with(blank("wine 350 ml", 350, "short and rounded, with a lid", plumb, smooth,
                 {{"0 mm", "138 mm"},
                  {"14 mm", "196 mm"},
                  {"40 mm", "262 mm"},
                  {"72 mm", "276 mm"},
                  {"112 mm", "238 mm"}}),
           {feature(FeatureKind::lidMouth, 0, 30, "0 mm", "0 mm")}),
      with(blank("child's 270 ml", 250, "screw-on lid with two grips", wall, straight,
                 {{"0 mm", "202 mm"}, {"104 mm", "214 mm"}}),
           {feature(FeatureKind::handle, 90, 40, "60 mm", "104 mm"),
            feature(FeatureKind::handle, -90, 40, "60 mm", "104 mm"),
            feature(FeatureKind::spout, 0, 20, "96 mm", "104 mm")}),
      blank("double-wall 450 ml", 300, "clear, to be filled with liquid and glitter", wall,
            straight, {{"0 mm", "216 mm"}, {"148 mm", "272 mm"}}),
      with(blank(
               "mug 400 ml with foot", 380, "steel, a lip round the foot", wall, straight,
               {{"0 mm", "252 mm"}, {"6 mm", "252 mm"}, {"10 mm", "240 mm"}, {"112 mm", "268 mm"}}),
           {feature(FeatureKind::footLip, 0, 360, "0 mm", "10 mm"),
            feature(FeatureKind::handle, 180, 30, "26 mm", "96 mm")}),
  };
  shelf[1].blank.fillet = typed("3 mm");
  return shelf;
}

}  // namespace avrelt
