// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/set_plan.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// What of a set has nothing to do with where it stands, or how its parts are called and coloured.
DecalSet anywhere(DecalSet set) {
  set.at = {};
  set.up = {};
  set.kept.clear();
  for (Layer& layer : set.layers) {
    layer.kept.clear();
    layer.film.clear();
    layer.spares = 0;
    layer.id.clear();
    layer.sees.reset();
    layer.mirrored.reset();
    layer.material = {};
  }
  return set;
}

/// The layer that the others are matched to: what is seen of the artwork, or what is laid first.
std::size_t firstOf(const std::vector<Layer>& layers) {
  for (const LayerKind kind : {LayerKind::decal, LayerKind::colour, LayerKind::peekaboo}) {
    for (std::size_t i = 0; i < layers.size(); ++i) {
      if (layers[i].kind == kind) return i;
    }
  }
  return layers.empty() ? 0 : layers.size() - 1;
}

/// Cut wider by `across`, larger by what the film shrinks.
Transform cutting(const Layer& layer, double across, double shrinkPercent) {
  const double larger = 1 / (1 - shrinkPercent / 100);
  return {(layer.cutMirrored() ? -1 : 1) * across * larger, 0, 0, larger, 0, 0};
}

Transform laying(const Layer& layer, double across, double shrinkPercent) {
  const double smaller = 1 - shrinkPercent / 100;
  return {(layer.bladeSees() == BladeSees::back ? -1 : 1) / across * smaller, 0, 0, smaller, 0, 0};
}

/// Whether two shapes are one to within the tolerance: each lies in the other drawn out by it.
bool agree(const Polygon& a, const Polygon& b) {
  const Length by = layersAgree;
  return (a - offsetBy(b, by, Corners::sharp)).empty() &&
         (b - offsetBy(a, by, Corners::sharp)).empty();
}

/// A shape about a place of the wall, laid there flat: what of it lies on the wall, and how far it
/// reaches.
void layOn(LayerPlan& layer, WallPoint middle, const Wall& wall) {
  layer.reach = {middle.theta, middle.theta, middle.s, middle.s};
  const Point centre = wall.flat.toFlat({Angle(), middle.s});
  WallReach& reach = layer.reach;
  const auto placed = [&](const std::vector<Point>& outline) {
    WallLine line;
    line.reserve(outline.size());
    for (const Point& p : outline) {
      WallPoint at = wall.flat.toWall(centre + p);
      at.theta = at.theta + middle.theta;
      reach = {std::min(reach.from, at.theta), std::max(reach.to, at.theta),
               std::min(reach.low, at.s), std::max(reach.high, at.s)};
      line.push_back(at);
    }
    return line;
  };
  std::vector<WallLine> outlines;
  outlines.reserve(layer.shape.size());
  for (const std::vector<Point>& outline : layer.shape) outlines.push_back(placed(outline));
  const Length top = wall.body.wall();
  if (reach.from >= -Angle::halfTurn() && reach.to <= Angle::halfTurn() && reach.low >= Length() &&
      reach.high <= top) {
    layer.region = Region(std::move(outlines));
    return;
  }
  // Part by part, as a part may lie in the opening of another.
  for (const Polygon& part : partsOf(layer.shape)) {
    Region region = Region::folded(placed(part.front()), Length(), top);
    for (std::size_t i = 1; i < part.size(); ++i) {
      WallLine opening = placed(part[i]);
      std::reverse(opening.begin(), opening.end());
      region = region - Region::folded(opening, Length(), top);
    }
    layer.region = layer.region | region;
  }
}

double curveAt(const Wall& wall, Length s) {
  const double radius = wall.flat.radius(s).mm();
  return radius > 0 ? wall.flat.taper() / radius : 0;
}

}  // namespace

Polygon asLaid(const Polygon& cut, const Layer& layer, double across, double shrinkPercent) {
  return mapped(cut, laying(layer, across, shrinkPercent));
}

CheckedAll<std::vector<SetPlan>> SetPlanner::operator()(const std::vector<DecalSet>& sets,
                                                        const Wall& wall, const LayerWall& wallOf,
                                                        long wallIs) {
  Faults faults;
  for (std::size_t i = 0; i < sets.size(); ++i) {
    for (Fault& fault : setFaults(sets[i])) {
      faults.push_back(
          {"sets[" + std::to_string(i) + "]." + fault.field, std::move(fault.sentence)});
    }
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  std::vector<SetPlan> plans;
  std::vector<Kept> kept;
  for (std::size_t i = 0; i < sets.size(); ++i) {
    const DecalSet& set = sets[i];
    const auto before = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& candidate) {
      return candidate.set.id == set.id;
    });
    if (before != kept_.end() && before->wallIs == wallIs && before->set == set) {
      kept.push_back(*before);
      kept.back().plan.set = static_cast<int>(i);
      plans.push_back(kept.back().plan);
      continue;
    }
    const Length s = std::clamp(set.up.length, Length(), wall.body.wall());
    // As finely as matters, so that a drag up the wall does not make it anew at each step.
    const double curve = set.follows && set.art ? std::round(curveAt(wall, s) * 1e7) / 1e7 : 0.0;
    const bool same =
        before != kept_.end() && before->curve == curve && anywhere(before->set) == anywhere(set);
    Kept now{set,
             curve,
             wallIs,
             same ? before->made : std::make_shared<const SetShape>(shapeOf(set, curve)),
             {}};
    SetPlan& plan = now.plan;
    plan.id = set.id;
    plan.set = static_cast<int>(i);
    plan.artwork = set.artwork;
    plan.name = set.art ? set.art->name : set.artwork;
    plan.gone = !set.art;
    plan.scale = now.made->scale;
    plan.box = now.made->box;
    plan.middle = {wall.inFrame(set.at), set.up.length};
    plan.made = now.made;
    const std::size_t first = firstOf(set.layers);
    for (std::size_t k = 0; k < now.made->layers.size(); ++k) {
      const Layer& layer = set.layers[k];
      const LayerShape& made = now.made->layers[k];
      const double across = set.allowGrowth ? wallOf(layer.id).body.radius(s) /
                                                  wallOf(set.layers[first].id).body.radius(s)
                                            : 1.0;
      LayerPlan one;
      one.id = layer.id;
      one.kind = layer.kind;
      one.shape = made.shape;
      one.mirrored = layer.cutMirrored();
      one.nothing = made.nothing;
      const Transform map = cutting(layer, across, set.shrinkPercent);
      one.cut = mapped(made.shape, map);
      for (const Polygon& mark : made.marks) one.marks.push_back(mapped(mark, map));
      one.wider = Length::mm(boundsOf(one.cut).width() - boundsOf(made.shape).width());
      one.area = Area::mm2(signedArea(one.cut));
      one.odd =
          !one.nothing && !agree(asLaid(one.cut, layer, across, set.shrinkPercent), made.shape);
      layOn(one, plan.middle, wall);
      plan.layers.push_back(std::move(one));
    }
    plans.push_back(plan);
    kept.push_back(std::move(now));
  }
  kept_ = std::move(kept);
  return plans;
}

}  // namespace avrelt
