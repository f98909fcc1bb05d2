// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/cup_planner.h"

#include <algorithm>

#include "sheet/marking_strip.h"
#include "watch/build_up_rules.h"
#include "watch/cut_rules.h"
#include "watch/division_rules.h"
#include "watch/feature_rules.h"
#include "watch/fill_rules.h"
#include "watch/film_rules.h"
#include "watch/laying_rules.h"
#include "watch/wrap_rules.h"

namespace avrelt {

CheckedAll<CupPlanner::Walls> CupPlanner::wallsOf(const Blank& blank, const BuildUp& buildUp,
                                                  Angle seamAt, const GrowthHabits& growth) {
  CheckedAll<Body> bare = Body::of(blank);
  if (!bare) return tl::unexpected(bare.error());
  CheckedAll<std::vector<Stage>> stages = stagesOf(*bare, buildUp, growth);
  if (!stages) return tl::unexpected(stages.error());
  const Stage& laid = (*stages)[static_cast<std::size_t>(buildUp.laidAfter)];
  const bool asBare = buildUp.sizedFor == SizedFor::bare || laid.thickness == Length();
  Wall wall = wallOf(asBare ? *bare : bare->grownBy(laid.thickness), seamAt);
  return Walls{std::move(*bare), std::move(*stages), std::move(wall)};
}

Faults CupPlanner::dividedFaults(const CheckedAll<Divided>& divided,
                                 const CheckedAll<std::vector<StripePlan>>& stripes) {
  Faults faults;
  if (!divided) {
    for (const Fault& fault : divided.error()) {
      faults.push_back({"divide.body." + fault.field, fault.sentence});
    }
  } else if (!stripes) {
    for (const Fault& fault : stripes.error()) {
      faults.push_back({"divide." + fault.field, fault.sentence});
    }
  }
  return faults;
}

void CupPlanner::addWatches(CupPlan& plan, const Cup& cup) {
  const auto add = [&plan](std::vector<Watch> watches) {
    for (Watch& one : watches) plan.watches.push_back(std::move(one));
  };
  const Body& body = plan.wall.body;
  if (takesFilm(cup)) add(watchWrap(plan.wrap, cup.wrap));
  if (isWrapped(cup)) add(watchLaying(body, plan.layings, cup.wrap, plan.laid, cup.film));
  add(watchFilms(plan.divided, body, plan.wrap, cup.blank.features, plan.wall));
  add(watchDivision(cup.division, plan.divided, plan.stripes, body));
  add(watchFills(cup.fills, plan.fills, body));
  if (isWrapped(cup)) add(watchFeatures(cup.blank, body, plan.wrap));
  add(watchBuildUp(plan.bare, cup.buildUp, plan.stages));
  if (cup.cut && isWrapped(cup)) {
    add(watchCut({cup.cut->aroundBase.length, cup.cut->aroundRim.length}, body, cup.wrap));
  }
  sortWorstFirst(plan.watches);
}

CheckedAll<CupPlan> CupPlanner::operator()(const Cup& cup, Unit unit, const Stock& stock) {
  const CheckedAll<Walls>& walls =
      walls_({cup.blank, cup.buildUp, cup.wrap.seamAt, stock.growth},
             [&] { return wallsOf(cup.blank, cup.buildUp, cup.wrap.seamAt, stock.growth); });
  if (!walls) return tl::unexpected(walls.error());
  const Wall& wall = walls->wall;
  const Body& body = wall.body;
  const long wallIs = walls_.times();

  Faults faults;
  const auto take = [&faults](const Faults& more) {
    faults.insert(faults.end(), more.begin(), more.end());
  };
  const std::optional<Fault> hangs = overhangFault(body, cup.base, cup.wrap.baseClearance.length);
  if (hangs) faults.push_back(*hangs);
  const Length overhang = hangs ? Length() : cup.base.overhang.length;
  const CheckedAll<WrapLayout>& wrap = wrap_(
      {wallIs, cup.wrap, cup.base}, [&] { return WrapLayout::of(wall.flat, cup.wrap, overhang); });
  if (!wrap) take(wrap.error());
  const CheckedAll<Part> strip = markingStripPart(body, cup.strip, cup.wrap.seamAt, unit, cup.name);
  if (!strip) take(strip.error());
  const CheckedAll<Divided>& divided =
      divided_({wallIs, cup.division.body}, [&] { return divide(cup.division.body, wall); });
  CheckedAll<std::vector<StripePlan>> stripes = std::vector<StripePlan>();
  if (divided) stripes = planStripes(cup.division.stripes, *divided);
  take(dividedFaults(divided, stripes));
  CheckedAll<std::vector<FillPlan>> fills = std::vector<FillPlan>();
  if (divided) fills = fills_(cup.fills, *divided, wall, stock.filling, wallIs);
  if (!fills) take(fills.error());
  const Checked<Length> disc = baseDiscRadius(body, cup.base);
  if (!disc) faults.push_back(disc.error());
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const Stage& laidAt = walls->stages[static_cast<std::size_t>(cup.buildUp.laidAfter)];
  const SeamDoubt doubt = seamDoubt(walls->bare, cup.blank.stations[0].girthIs, laidAt,
                                    cup.buildUp.sizedFor, cup.doubt, usualGraduation(unit));
  const Layings& layings = layings_({wallIs, cup.wrap, cup.base, cup.film}, [&] {
    return layingsOf(body, cup.wrap.baseClearance.length, wrap->high(), cup.wrap.overlap.length,
                     cup.film);
  });
  const LayingKind kind = cup.wrap.laying.value_or(layings.recommended);
  // What cannot be cut is not made: the recommended way stands in, and a watch says so.
  const LayingKind made = layings.of(kind).possible ? kind : layings.recommended;
  CupPlan plan{cup.name,
               slugOf(cup.name),
               walls->bare,
               wall,
               walls->stages,
               cup.buildUp.laidAfter,
               doubt,
               *wrap,
               layings,
               made,
               snipsFor(body.radius(Length()), body.taper(Length()), overhang),
               *divided,
               {},
               std::move(*stripes),
               {},
               std::move(*fills),
               {},
               std::make_shared<const Cup>(cup),
               unit,
               std::make_shared<PartShelf>()};
  plan.cutList = cutList(plan.stripes);
  plan.tapeMoves = tapeProgram(plan.divided, cup.division.tapeWidth.length, usualGraduation(unit),
                               cup.division.order);
  addWatches(plan, cup);
  return plan;
}

}  // namespace avrelt
