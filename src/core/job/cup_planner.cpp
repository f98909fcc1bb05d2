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
#include "watch/laid_rules.h"
#include "watch/laying_rules.h"
#include "watch/liquid_rules.h"
#include "watch/peekaboo_rules.h"
#include "watch/picture_rules.h"
#include "watch/place_rules.h"
#include "watch/reference_rules.h"
#include "watch/set_rules.h"
#include "watch/wrap_rules.h"

namespace avrelt {

CheckedAll<CupPlanner::Walls> CupPlanner::wallsOf(const Blank& blank, const BuildUp& buildUp,
                                                  CupAngle seamAt, const GrowthHabits& growth) {
  CheckedAll<Body> bare = Body::of(blank);
  if (!bare) return tl::unexpected(bare.error());
  CheckedAll<std::vector<Stage>> stages = stagesOf(*bare, buildUp, growth);
  if (!stages) return tl::unexpected(stages.error());
  Walls walls{std::move(*bare), std::move(*stages), stagesInUse(buildUp), {}};
  for (const int after : walls.after) {
    const Length thickness = walls.stages[static_cast<std::size_t>(after)].thickness;
    const bool asBare = buildUp.sizedFor == SizedFor::bare || thickness == Length();
    walls.walls.push_back(wallOf(asBare ? walls.bare : walls.bare.grownBy(thickness), seamAt));
  }
  return walls;
}

const Wall& CupPlanner::Walls::of(const BuildUp& buildUp, const std::string& id) const {
  const int wanted = laidAfterOf(buildUp, id);
  return walls[static_cast<std::size_t>(std::find(after.begin(), after.end(), wanted) -
                                        after.begin())];
}

Faults CupPlanner::dividedFaults(const CheckedAll<Divided>& divided,
                                 const CheckedAll<std::vector<StripePlan>>& stripes) {
  return !divided ? divided.error() : !stripes ? stripes.error() : Faults();
}

void CupPlanner::addWatches(CupPlan& plan, const Cup& cup) {
  const auto add = [&plan](std::vector<Watch> watches) {
    for (Watch& one : watches) plan.watches.push_back(std::move(one));
  };
  const Body& body = plan.wall.body;
  if (takesFilm(cup)) add(watchWrap(plan.wrap, cup.wrap));
  if (isWrapped(cup))
    add(watchLaying(plan.stageOf(wrapThing).wall.body, plan.layings, cup.wrap, plan.laid,
                    cup.film));
  add(watchFilms(plan.divided, plan.stripes, body, plan.wrap, cup.blank.features, plan.wall));
  add(watchPictures(plan.divided, cup.fills, plan.wall));
  add(watchMasks(cup.division.masks, plan.divided));
  add(watchDivision(cup.division, plan.divided, plan.stripes, body));
  add(watchReferences({cup.division, plan.divided, cup.sets, cup.rows, cup.scatters}));
  add(watchFills(cup.fills, plan.fills, body));
  add(watchSets(cup.sets, plan.sets));
  add(watchPeekaboos(cup.sets, plan.sets, [&](const std::string& id) -> const Body& {
    return plan.stageOf(id).wall.body;
  }));
  add(watchStack(plan));
  add(watchPlaces({cup.sets, cup.rows, cup.scatters, plan.sets, plan.rows, plan.wall, cup.film}));
  if (isWrapped(cup)) add(watchFeatures(cup.blank, body, plan.wrap));
  if (cup.liquid) add(watchLiquid(*cup.liquid));
  add(watchBuildUp(plan.bare, cup.buildUp, plan.stages));
  addStageWatches(plan, cup);
  sortWorstFirst(plan.watches);
}

namespace {

/// Whether a layer that is cut already has the size that its set has now.
std::vector<Watch> watchCutLayer(const Cup& cup, const CutRecord& cut, const Sentence& name) {
  if (!cut.size) return {};
  for (const DecalSet& set : cup.sets) {
    const bool here = std::any_of(set.layers.begin(), set.layers.end(), [&](const Layer& layer) {
      return std::find(cut.of.begin(), cut.of.end(), layer.id) != cut.of.end();
    });
    if (here) return watchCutLayers({{name, cut.size->length}}, set.size.length);
  }
  return {};
}

}  // namespace

/// What is laid at its own stage, and what is cut already.
void CupPlanner::addStageWatches(CupPlan& plan, const Cup& cup) {
  const auto add = [&plan](std::vector<Watch> watches) {
    for (Watch& one : watches) plan.watches.push_back(std::move(one));
  };
  for (const LaidThing& thing : plan.things) {
    // What lies on part of the wall closes nowhere: a girth guessed moves it by less than shows.
    if (thing.kind == LaidKind::layer && thing.round < 0.5) continue;
    const Stage& stage = plan.stages[static_cast<std::size_t>(thing.after)];
    add(watchLaid({thing.name, thing.round, thing.overlap, thing.own}, plan.bare, stage,
                  cup.buildUp.sizedFor));
  }
  if (!stagesOfNothing(cup).empty()) add({laidNothing()});
  for (std::size_t i = 0; i < cup.cuts.size(); ++i) {
    const CutRecord& cut = cup.cuts[i];
    const std::string id = thingOf(cut);
    const auto thing = std::find_if(plan.things.begin(), plan.things.end(),
                                    [&](const LaidThing& candidate) { return candidate.id == id; });
    if (thing == plan.things.end()) continue;
    std::vector<Watch> told = watchCut(
        {thing->name, cut.aroundBase.length, cut.aroundRim.length, thing->round, thing->overlap},
        plan.stageOf(id).wall.body);
    // A layer that goes round part of the cup fits any girth; that its mates fit is another matter.
    if (thing->kind == LaidKind::layer) told = watchCutLayer(cup, cut, thing->name);
    for (Watch& watch : told) watch.where = {Member::cutRecord, i};
    add(std::move(told));
  }
}

void CupPlanner::partIntoStrips(CupPlan& plan, const Cup& cup, const Walls& walls) {
  // Colours and seeds make no other cells, and no other strips.
  std::vector<std::tuple<Pattern, bool, std::string>> patterns;
  patterns.reserve(plan.fills.size());
  for (const FillPlan& fill : plan.fills) {
    const Fill& asked = cup.fills[static_cast<std::size_t>(fill.fill)];
    patterns.emplace_back(asked.pattern, asked.corners, fill.zone);
  }
  const std::vector<FillStrips>& strips = strips_(
      {walls_.times(), divided_.times(), std::move(patterns), cup.film, cup.wrap.laying}, [&] {
        std::vector<FillStrips> parted;
        parted.reserve(plan.fills.size());
        for (const FillPlan& fill : plan.fills) {
          const auto zone =
              std::find_if(plan.divided.zones.begin(), plan.divided.zones.end(),
                           [&](const Zone& candidate) { return candidate.id == fill.zone; });
          parted.push_back(stripsOf(fill.cells, fill.family == Family::artwork, *zone,
                                    walls.of(cup.buildUp, fill.id).body, cup.film,
                                    cup.wrap.laying));
        }
        return parted;
      });
  for (std::size_t i = 0; i < plan.fills.size(); ++i) plan.fills[i].strips = strips[i];
}

CheckedAll<CupPlan> CupPlanner::operator()(const Cup& cup, Unit unit, const Stock& stock) {
  const CheckedAll<Walls>& walls =
      walls_({cup.blank, cup.buildUp, cup.wrap.seamAt, stock.growth},
             [&] { return wallsOf(cup.blank, cup.buildUp, cup.wrap.seamAt, stock.growth); });
  if (!walls) return tl::unexpected(walls.error());
  const Wall& wall = walls->walls.front();
  const Body& body = wall.body;
  const long wallIs = walls_.times();

  Faults faults;
  const auto take = [&faults](const Faults& more) {
    faults.insert(faults.end(), more.begin(), more.end());
  };
  const std::optional<Fault> hangs = overhangFault(body, cup.base, cup.wrap.baseClearance.length);
  if (hangs) faults.push_back(*hangs);
  const Length overhang = hangs ? Length() : cup.base.overhang.length;
  const CheckedAll<std::vector<WrapLayout>>& wraps =
      wraps_({wallIs, cup.wrap, cup.base}, [&]() -> CheckedAll<std::vector<WrapLayout>> {
        std::vector<WrapLayout> layouts;
        for (const Wall& laid : walls->walls) {
          CheckedAll<WrapLayout> layout = WrapLayout::of(laid.flat, cup.wrap, overhang);
          if (!layout) return tl::unexpected(layout.error());
          layouts.push_back(*layout);
        }
        return layouts;
      });
  if (!wraps) take(wraps.error());
  const CheckedAll<Part> strip = markingStripPart(body, cup.strip, cup.wrap.seamAt, unit, cup.name);
  if (!strip) take(strip.error());
  const CheckedAll<Divided>& divided =
      divided_({wallIs, cup.division.body}, [&] { return divide(cup.division.body, wall); });
  CheckedAll<std::vector<StripePlan>> stripes = std::vector<StripePlan>();
  const auto wallFor = [&](const std::string& id) -> const Wall& {
    return walls->of(cup.buildUp, id);
  };
  if (divided) {
    stripes = planStripes(cup.division.stripes, *divided,
                          [&](const std::string& id) -> const Body& { return wallFor(id).body; });
  }
  take(dividedFaults(divided, stripes));
  CheckedAll<std::vector<FillPlan>> fills = std::vector<FillPlan>();
  if (divided) fills = fills_(cup.fills, *divided, wallFor, stock.filling, wallIs);
  if (!fills) take(fills.error());
  static const Divided undivided;
  const std::shared_ptr<const WallLandmarks>& landmarks =
      landmarks_({wallIs, divided_.times(), cup.blank.features}, [&] {
        return std::make_shared<const WallLandmarks>(wall, divided ? *divided : undivided,
                                                     cup.blank.features);
      });
  CheckedAll<Dressed> dressed =
      sets_(cup.sets, cup.rows, cup.scatters,
            {wall, wallFor, wallIs, *landmarks, landmarks_.times(), bearsOf(cup.film)});
  if (!dressed) take(dressed.error());
  take(maskFaults(cup.division.masks));
  if (cup.liquid) take(liquidFaults(*cup.liquid, body.wall()));
  const Checked<Length> disc = baseDiscRadius(body, cup.base);
  if (!disc) faults.push_back(disc.error());
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const Stage& laidAt =
      walls->stages[static_cast<std::size_t>(laidAfterOf(cup.buildUp, wrapThing))];
  const Layings& layings = layings_({wallIs, cup.wrap, cup.base, cup.film}, [&] {
    return layingsOf(wallFor(wrapThing).body, cup.wrap.baseClearance.length, wraps->front().high(),
                     cup.wrap.overlap.length, cup.film);
  });
  const LayingKind kind = cup.wrap.laying.value_or(layings.recommended);
  // What cannot be cut is not made: the recommended way stands in, and a watch says so.
  const LayingKind made = layings.of(kind).possible ? kind : layings.recommended;
  CupPlan plan{
      .name = cup.name,
      .slug = slugOf(cup.name),
      .bare = walls->bare,
      .wall = wall,
      .stages = walls->stages,
      .laidAfter = cup.buildUp.laidAfter,
      .seamDoubt = seamDoubt(walls->bare, cup.blank.stations[0].girthIs, laidAt,
                             cup.buildUp.sizedFor, cup.doubt, usualGraduation(unit)),
      .wrap = wraps->front(),
      .layings = layings,
      .laid = made,
      .snips = snipsFor(body.radius(Length()), body.taper(Length()), overhang),
      .divided = *divided,
      .tapeMoves = tapeProgram(*divided, cup.division.tapeWidth.length, usualGraduation(unit),
                               cup.division.order, cup.division.masks),
      .stripes = std::move(*stripes),
      .fills = std::move(*fills),
      .sets = std::move(dressed->sets),
      .rows = std::move(dressed->rows),
      .landmarks = landmarks,
      .of = std::make_shared<const Cup>(cup),
      .unit = unit,
      .shelf = std::make_shared<PartShelf>()};
  plan.cutList = cutList(plan.stripes);
  partIntoStrips(plan, cup, *walls);
  for (std::size_t i = 0; i < walls->walls.size(); ++i) {
    plan.laidStages.push_back({walls->after[i], walls->walls[i], (*wraps)[i]});
  }
  plan.things = laidThings(cup, plan.divided, plan.stripes, plan.fills, plan.sets);
  plan.stack = stackOf(plan);
  if (!endsInResin(plan.stack, cup.buildUp.coats)) {
    for (const Volume mixed : finishingCoats(plan)) {
      const Coat coat{CoatKind::resin, GlitterCut::fine, mixed};
      plan.finishing = plan.finishing + stock.growth.thickness(loadOf(coat, plan.bare.area()));
    }
  }
  addWatches(plan, cup);
  return plan;
}

}  // namespace avrelt
