// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/place_relief.h"

#include <algorithm>

#include "cup/film_strain.h"

namespace avrelt {
namespace {

/// The plane that layers are made in, and the wall as it lies about a place: round it to the right,
/// in mm at the place's height, up it upwards.
class PlaceOnWall {
 public:
  PlaceOnWall(const Stand& stand, Point anchor, const Development& ground, double radius)
      : ground_(ground),
        radius_(radius),
        way_(standing(stand, anchor, ground)),
        back_(inverseOf(way_)) {}

  Polygon onWall(const Polygon& shape) const {
    Polygon there = mapped(shape, way_);
    for (std::vector<Point>& outline : there) {
      for (Point& p : outline) {
        const WallPoint at = ground_.toWall(p);
        p = {at.theta.radians() * radius_, at.s.mm()};
      }
    }
    return there;
  }
  Point asMade(Point p) const {
    return back_(ground_.toFlat({Angle::radians(p.x / radius_), Length::mm(p.y)}));
  }

 private:
  const Development& ground_;
  double radius_;
  Transform way_;
  Transform back_;
};

}  // namespace

std::vector<Relief> reliefsOf(const SetShape& made, const LaidSet& laid, const Stand& stand,
                              Point anchor, const Wall& wall, double bears) {
  std::vector<Relief> reliefs(made.layers.size());
  const Body& body = wall.body;
  const WallReach& reach = laid.reach;
  const double radius = body.radius(std::clamp(stand.anchor.s, Length(), body.wall())).mm();
  const Length wide = Length::mm(radius * (reach.to - reach.from).radians());
  const Length middle = (reach.low + reach.high) / 2;
  if (strainOf(body, middle, wide, reach.high - reach.low) <= bears) return reliefs;
  const Length widest = widestBorne(body, reach.low, reach.high, bears);
  const PlaceOnWall place(stand, anchor, laid.ground, radius);
  const Polygon artwork = place.onWall(made.artwork);
  for (std::size_t i = 0; i < reliefs.size(); ++i) {
    Relief& relief = reliefs[i];
    relief = reliefOf(place.onWall(made.layers[i].shape), artwork, widest);
    for (ReliefCut& cut : relief.cuts) cut = {place.asMade(cut.from), place.asMade(cut.to)};
  }
  return reliefs;
}

std::vector<ReliefCut> reliefOnFlat(const PlacePlan& place, const LayerPlan& layer,
                                    const Development& flat) {
  const Transform way = place.onGround * inverseOf(layer.fromSet);
  std::vector<ReliefCut> cuts;
  for (const int turns : {-1, 0, 1}) {
    const auto there = [&](Point p) {
      WallPoint at = place.laid->ground.toWall(way(p));
      at.theta = at.theta + place.anchor.theta + Angle::turn() * turns;
      return flat.toFlat(at);
    };
    for (const ReliefCut& cut : layer.relief) cuts.push_back({there(cut.from), there(cut.to)});
  }
  return cuts;
}

}  // namespace avrelt
