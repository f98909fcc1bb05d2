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

/// A shape about a place of the wall, laid there flat.
Region onWall(const Polygon& shape, WallPoint middle, const Wall& wall) {
  if (shape.empty()) return {};
  const Point centre = wall.flat.toFlat({Angle(), middle.s});
  std::vector<WallLine> outlines;
  bool folded = false;
  bool beyond = false;
  for (const std::vector<Point>& outline : shape) {
    WallLine line;
    line.reserve(outline.size());
    for (const Point& p : outline) {
      WallPoint at = wall.flat.toWall(centre + p);
      at.theta = at.theta + middle.theta;
      folded = folded || std::abs(at.theta.radians()) > Angle::halfTurn().radians();
      beyond = beyond || at.s < Length() || at.s > wall.body.wall();
      line.push_back(at);
    }
    outlines.push_back(std::move(line));
  }
  if (!folded && !beyond) return Region(std::move(outlines));
  Region inside;
  Region openings;
  for (WallLine& line : outlines) {
    double turn = 0;
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      turn += a.theta.radians() * b.s.mm() - b.theta.radians() * a.s.mm();
    }
    if (turn < 0) std::reverse(line.begin(), line.end());
    const Region one = Region::folded(line, Length(), wall.body.wall());
    Region& sum = turn < 0 ? openings : inside;
    sum = sum | one;
  }
  return inside - openings;
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
      one.region = onWall(made.shape, plan.middle, wall);
      plan.layers.push_back(std::move(one));
    }
    plans.push_back(plan);
    kept.push_back(std::move(now));
  }
  kept_ = std::move(kept);
  return plans;
}

}  // namespace avrelt
