// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <stdexcept>

#include "job/plan.h"
#include "sheet/cover_band.h"
#include "sheet/decal_parts.h"
#include "sheet/divide_parts.h"
#include "sheet/fill_parts.h"
#include "sheet/film_parts.h"
#include "sheet/key_parts.h"
#include "sheet/marking_strip.h"
#include "sheet/place_parts.h"
#include "sheet/wrap_parts.h"

namespace avrelt {
namespace {

/// Which cup parts that are laid then are cut for, in words that go on them.
Sentence stageWords(const CupPlan& plan, const LaidStage& stage) {
  if (plan.of->buildUp.sizedFor == SizedFor::bare || stage.after == 0) {
    return {"cut for the bare cup", {}};
  }
  if (stage.after == 1) return {"cut for the cup after 1 coat", {}};
  return {"cut for the cup after %1 coats", {static_cast<long>(stage.after)}};
}

/// Parts of a thing that is laid at a stage.
std::vector<Part> at(const LaidStage& stage, std::vector<Part> parts) {
  for (Part& part : parts) part.laidAfter = stage.after;
  return parts;
}

/// Parts to mark and measure by, which are used when the cup is divided.
std::vector<Part> used(const CupPlan& plan, std::vector<Part> parts) {
  return at(plan.laidStages.front(), std::move(parts));
}

void append(std::vector<Part>& parts, std::vector<Part> more) {
  for (Part& part : more) parts.push_back(std::move(part));
}

Part discOf(const CupPlan& plan, const Cup& cup) {
  const Checked<Length> radius = baseDiscRadius(plan.wall.body, cup.base);
  Part disc = baseDiscPart(*radius, plan.unit, cup.name);
  drawUprights(disc, plan.divided);
  return disc;
}

std::vector<Part> wrapOf(const CupPlan& plan, bool paper) {
  const Cup& cup = *plan.of;
  if (!isWrapped(cup)) return {};
  const LaidStage& stage = plan.stageOf(wrapThing);
  WrapWork work{stage.wall.body,          plan.laying(),      stage.wrap,
                cup.base.overhang.length, cup.blank.features, plan.layings.runsOff,
                stageWords(plan, stage),  plan.unit,          cup.name,
                cup.division.body.id};
  if (wrapIsBody(cup)) {
    work.lie =
        lieOf(cup.division.body.finish, stage.wall, Region::band(Length(), stage.wall.body.wall()));
  }
  return at(stage, wrapParts(work, paper));
}

/// How the wrap is to be cut, by what it is of.
void asChosen(std::vector<Part>& parts, const Cup& cup) {
  const Finish& finish = cup.division.body.finish;
  const PartMaterial material = cup.wrap.over == WrapOver::printed ? PartMaterial::printed
                                : cup.wrap.over == WrapOver::clear ? PartMaterial::clear
                                                                   : materialOf(finish);
  for (Part& part : parts) {
    part.material = material;
    if (material == PartMaterial::printed) part.mayTurn = MayTurn::no;
  }
}

FilmWork filmWork(const CupPlan& plan, const LaidStage& stage) {
  const Cup& cup = *plan.of;
  return {stage.wall,
          plan.divided,
          plan.stripes,
          stage.wrap,
          cup.film,
          cup.wrap.laying,
          cup.blank.features,
          stageWords(plan, stage),
          plan.unit,
          cup.name,
          {}};
}

/// What knock-outs that are laid after so many coats or later take out of what is below.
Region takenFrom(const CupPlan& plan, int after) {
  Region taken;
  for (const StackItem& item : plan.stack) {
    if (item.layer < 0 || item.after < after) continue;
    const std::vector<LayerPlan>& layers = plan.sets[static_cast<std::size_t>(item.set)].layers();
    if (layers[static_cast<std::size_t>(item.layer)].kind != LayerKind::knockOut) continue;
    taken = taken | coveredBy(plan, item);
  }
  return taken;
}

/// Films of zones; a cup that is one zone is wrapped, unless the wrap lies over everything.
std::vector<Part> filmsOf(const CupPlan& plan, bool paper) {
  const Cup& cup = *plan.of;
  std::vector<Part> parts;
  if (wrapIsBody(cup)) return parts;
  for (const Zone& zone : plan.divided.zones) {
    if (zone.finish.kind != FinishKind::film) continue;
    const LaidStage& stage = plan.stageOf(zone.id);
    FilmWork work = filmWork(plan, stage);
    work.taken = takenFrom(plan, stage.after);
    append(parts, at(stage, filmParts(zone, work, paper)));
  }
  return parts;
}

std::vector<Part> masksOf(const CupPlan& plan, MaskKind kind) {
  std::vector<Part> parts;
  for (const Mask& mask : plan.of->division.masks) {
    if (mask.kind != kind) continue;
    const LaidStage& stage = plan.stageOf(mask.id);
    append(parts, at(stage, maskParts(mask, filmWork(plan, stage))));
  }
  return parts;
}

/// What every pattern gives, one after the other.
template <typename Make>
std::vector<Part> ofFills(const CupPlan& plan, const Make& make) {
  std::vector<Part> parts;
  for (const FillPlan& fill : plan.fills) {
    const auto zone =
        std::find_if(plan.divided.zones.begin(), plan.divided.zones.end(),
                     [&](const Zone& candidate) { return candidate.id == fill.zone; });
    const LaidStage& stage = plan.stageOf(fill.id);
    append(parts, at(stage, make(FillWork{fill, plan.of->fills[static_cast<std::size_t>(fill.fill)],
                                          *zone, stage.wall})));
  }
  return parts;
}

std::vector<Part> furtherOf(const CupPlan& plan, Template which) {
  return ofFills(plan, [which](const FillWork& work) { return furtherTemplates(which, work); });
}

/// Those of one size may be laid at several stages; they say the first.
std::vector<Part> stripesOf(const CupPlan& plan) {
  std::vector<Part> parts = stripeParts(plan.cutList, plan.of->name);
  for (Part& part : parts) {
    part.laidAfter = static_cast<int>(plan.stages.size());
    for (const std::string& id : part.of) {
      part.laidAfter = std::min(part.laidAfter, plan.stageOf(id).after);
    }
  }
  return parts;
}

/// It is laid last, on the cup as large as it is then.
std::vector<Part> coverBandOf(const CupPlan& plan) {
  const std::optional<Liquid>& liquid = plan.of->liquid;
  if (!liquid) return {};
  const Stage& last = plan.stages.back();
  std::optional<Part> band =
      coverBandPart(plan.finished(), *liquid, plan.of->wrap.seamAt, plan.name);
  if (!band) return {};
  band->laidAfter = last.after;
  return {*std::move(band)};
}

std::vector<Part> layersOf(const CupPlan& plan) {
  std::vector<Part> parts;
  for (const SetPlan& set : plan.sets) {
    const DecalSet& chosen = plan.of->sets[static_cast<std::size_t>(set.set)];
    for (Part& part : decalParts(set, chosen, plan.of->name)) {
      part.laidAfter = plan.stageOf(part.of.front()).after;
      parts.push_back(std::move(part));
    }
  }
  return parts;
}

PlaceWork placeWork(const CupPlan& plan) {
  return {plan.wall, plan.divided, plan.unit, plan.of->name};
}

/// A purpose and how its parts are made. Nothing is refused there: what could be was, when the cup
/// was planned.
struct Maker {
  Purpose purpose;
  std::vector<Part> (*make)(const CupPlan& plan);
};

const std::vector<Maker>& makers() {
  static const std::vector<Maker> all{
      {{purpose::wrap, {"Wrap", {}}},
       [](const CupPlan& plan) {
         std::vector<Part> parts = wrapOf(plan, false);
         asChosen(parts, *plan.of);
         return parts;
       }},
      {{purpose::film, {"Film", {}}}, [](const CupPlan& plan) { return filmsOf(plan, false); }},
      {{purpose::testPiece, {"Paper test piece", {}}},
       [](const CupPlan& plan) {
         std::vector<Part> parts = wrapOf(plan, true);
         append(parts, filmsOf(plan, true));
         return parts;
       }},
      {{purpose::patch, {"Patch", {}}},
       [](const CupPlan& plan) {
         std::vector<Part> parts;
         for (const Zone& zone : plan.divided.zones) {
           std::optional<Part> patch = patchPart(zone);
           if (patch) append(parts, at(plan.stageOf(zone.id), {*std::move(patch)}));
         }
         return parts;
       }},
      {{purpose::cover, {"Cover", {}}},
       [](const CupPlan& plan) { return masksOf(plan, MaskKind::cover); }},
      {{purpose::window, {"Window", {}}},
       [](const CupPlan& plan) { return masksOf(plan, MaskKind::window); }},
      {{purpose::markingStrip, {"Marking strip", {}}},
       [](const CupPlan& plan) -> std::vector<Part> {
         const Cup& cup = *plan.of;
         return used(plan, {*markingStripPart(plan.wall.body, cup.strip, cup.wrap.seamAt, plan.unit,
                                              cup.name)});
       }},
      {{purpose::baseDisc, {"Base disc", {}}},
       [](const CupPlan& plan) -> std::vector<Part> {
         return used(plan, {discOf(plan, *plan.of)});
       }},
      {{purpose::uprightGauge, {"Upright gauge", {}}},
       [](const CupPlan& plan) {
         return used(plan, uprightGauge(plan.divided, plan.wall.body, plan.unit, plan.of->name));
       }},
      {{purpose::ringStrip, {"Ring strips", {}}},
       [](const CupPlan& plan) {
         return used(plan, ringStrips(plan.divided, plan.wall.body, plan.of->wrap.seamAt, plan.unit,
                                      plan.of->name));
       }},
      {{purpose::marksSheet, {"Marks sheet", {}}},
       [](const CupPlan& plan) {
         return used(plan, marksSheets(plan.divided, plan.wall.flat, plan.unit, plan.of->name));
       }},
      {{purpose::stripe, {"Stripes", {}}}, stripesOf},
      {{purpose::coverBand, {"Cover band", {}}}, coverBandOf},
      {{purpose::layer, {"Layers of sets", {}}}, layersOf},
      {{purpose::placingMask, {"Placing masks", {}}},
       [](const CupPlan& plan) {
         std::vector<Part> parts;
         for (const SetPlan& set : plan.sets) append(parts, placingMasks(set, placeWork(plan)));
         return used(plan, std::move(parts));
       }},
      {{purpose::rowStrip, {"Strips for rows", {}}},
       [](const CupPlan& plan) {
         return used(plan, rowStrips(plan.sets, plan.rows, placeWork(plan)));
       }},
      {{purpose::peekabooMap, {"Map of peekaboos", {}}},
       [](const CupPlan& plan) { return used(plan, peekabooMap(plan.sets, placeWork(plan))); }},
      {{purpose::stencil, {"Stencil", {}}},
       [](const CupPlan& plan) { return ofFills(plan, stencilParts); }},
      {{purpose::straight, {"Straight stencil", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::straight); }},
      {{purpose::key, {"Key", {}}},
       [](const CupPlan& plan) {
         return ofFills(plan, [&](const FillWork& work) { return keyParts(work, plan.name); });
       }},
      {{purpose::pageKey, {"Key on a page", {}}},
       [](const CupPlan& plan) { return pageKeys(plan.parts(purpose::key)); }},
      {{purpose::filmCell, {"Film cells", {}}},
       [](const CupPlan& plan) { return ofFills(plan, filmCells); }},
      {{purpose::filmWhole, {"Film template", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::film); }},
      {{purpose::doubleSided, {"Double-sided sheet", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::doubleSided); }},
      {{purpose::lineWork, {"Line work", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::lines); }},
  };
  return all;
}

/// A file may name a purpose of a later version: there are no parts for it.
const Maker& makerOf(const std::string& purpose) {
  static const Maker none{{{}, {}}, [](const CupPlan&) { return std::vector<Part>(); }};
  for (const Maker& maker : makers()) {
    if (maker.purpose.id == purpose) return maker;
  }
  return none;
}

}  // namespace

const std::vector<Purpose>& purposes() {
  static const std::vector<Purpose> all = [] {
    std::vector<Purpose> some;
    for (const Maker& maker : makers()) some.push_back(maker.purpose);
    return some;
  }();
  return all;
}

const std::vector<Part>& PartShelf::of(const CupPlan& plan, const std::string& purpose) {
  const auto made = made_.find(purpose);
  if (made != made_.end()) return made->second;
  std::vector<Part> parts = makerOf(purpose).make(plan);
  return made_.emplace(purpose, std::move(parts)).first->second;
}

const std::vector<Part>& CupPlan::parts(const std::string& purpose) const {
  return shelf->of(*this, purpose);
}

const Part& CupPlan::part(const std::string& purpose) const {
  const std::vector<Part>& all = parts(purpose);
  if (all.empty()) throw std::logic_error("a cup's plan lacks one of its parts");
  return all.front();
}

PartSet CupPlan::set(const std::string& purpose) const {
  return setOf(parts(purpose), makerOf(purpose).purpose.title);
}

}  // namespace avrelt
