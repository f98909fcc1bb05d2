// SPDX-License-Identifier: GPL-3.0-or-later
#include <stdexcept>

#include "job/plan.h"
#include "sheet/divide_parts.h"
#include "sheet/fill_parts.h"
#include "sheet/film_parts.h"
#include "sheet/marking_strip.h"
#include "sheet/wrap_parts.h"

namespace avrelt {
namespace {

/// Which cup the parts are cut for, in words that go on them.
Sentence stageWords(const BuildUp& buildUp) {
  if (buildUp.sizedFor == SizedFor::bare || buildUp.laidAfter == 0) {
    return {"cut for the bare cup", {}};
  }
  if (buildUp.laidAfter == 1) return {"cut for the cup after 1 coat", {}};
  return {"cut for the cup after %1 coats", {static_cast<long>(buildUp.laidAfter)}};
}

Part discOf(const CupPlan& plan, const Cup& cup) {
  const Checked<Length> radius = baseDiscRadius(plan.wall.body, cup.base);
  Part disc = baseDiscPart(*radius, plan.unit, cup.name);
  drawUprights(disc, plan.divided);
  return disc;
}

std::vector<Part> wrapOf(const CupPlan& plan, bool paper) {
  const Cup& cup = *plan.of;
  return wrapParts(
      {plan.wall.body, plan.laying(), plan.wrap, cup.base.overhang.length, cup.blank.features,
       plan.layings.runsOff, stageWords(cup.buildUp), plan.unit, cup.name, cup.division.body.id},
      paper);
}

/// How the wrap is to be cut, by what it is of.
void asChosen(std::vector<Part>& parts, const Cup& cup) {
  const Finish& finish = cup.division.body.finish;
  const bool over = cup.wrap.over != WrapOver::none;
  const bool printed = over ? cup.wrap.over == WrapOver::printed : finish.printed;
  const bool clear = over ? cup.wrap.over == WrapOver::clear : !finish.opaque;
  for (Part& part : parts) {
    part.material = printed ? PartMaterial::printed
                    : clear ? PartMaterial::clear
                            : PartMaterial::permanent;
    if (printed) part.mayTurn = MayTurn::no;
  }
}

/// Films of zones; a cup that is one zone is wrapped, unless the wrap lies over everything.
std::vector<Part> filmsOf(const CupPlan& plan, bool paper) {
  const Cup& cup = *plan.of;
  if (!cup.division.body.cut && cup.wrap.over == WrapOver::none) return {};
  return filmParts({plan.wall, plan.divided, plan.stripes, plan.wrap, cup.film, cup.wrap.laying,
                    cup.blank.features, stageWords(cup.buildUp), plan.unit, cup.name},
                   paper);
}

std::vector<Part> furtherOf(const CupPlan& plan, Template which) {
  return furtherTemplates(which, plan.fills, plan.of->fills, plan.divided, plan.wall);
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
         std::vector<Part> parts;
         if (isWrapped(*plan.of)) parts = wrapOf(plan, false);
         asChosen(parts, *plan.of);
         return parts;
       }},
      {{purpose::film, {"Film for zones", {}}},
       [](const CupPlan& plan) { return filmsOf(plan, false); }},
      {{purpose::testPiece, {"Paper test piece", {}}},
       [](const CupPlan& plan) {
         std::vector<Part> parts;
         if (isWrapped(*plan.of)) parts = wrapOf(plan, true);
         for (Part& part : filmsOf(plan, true)) parts.push_back(std::move(part));
         return parts;
       }},
      {{purpose::markingStrip, {"Marking strip", {}}},
       [](const CupPlan& plan) -> std::vector<Part> {
         const Cup& cup = *plan.of;
         return {
             *markingStripPart(plan.wall.body, cup.strip, cup.wrap.seamAt, plan.unit, cup.name)};
       }},
      {{purpose::baseDisc, {"Base disc", {}}},
       [](const CupPlan& plan) -> std::vector<Part> { return {discOf(plan, *plan.of)}; }},
      {{purpose::uprightGauge, {"Upright gauge", {}}},
       [](const CupPlan& plan) {
         return uprightGauge(plan.divided, plan.wall.body, plan.unit, plan.of->name);
       }},
      {{purpose::ringStrip, {"Ring strips", {}}},
       [](const CupPlan& plan) {
         return ringStrips(plan.divided, plan.wall.body, plan.of->wrap.seamAt, plan.unit,
                           plan.of->name);
       }},
      {{purpose::marksSheet, {"Marks sheet", {}}},
       [](const CupPlan& plan) {
         return marksSheets(plan.divided, plan.wall.flat, plan.unit, plan.of->name);
       }},
      {{purpose::stripe, {"Stripes", {}}},
       [](const CupPlan& plan) { return stripeParts(plan.cutList, plan.of->name); }},
      {{purpose::stencil, {"Stencil", {}}},
       [](const CupPlan& plan) { return stencilParts(plan.fills, plan.divided, plan.wall.flat); }},
      {{purpose::straight, {"Straight stencil", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::straight); }},
      {{purpose::key, {"Key", {}}},
       [](const CupPlan& plan) {
         return keyParts(plan.fills, plan.of->fills, plan.divided, plan.wall.flat, plan.of->name);
       }},
      {{purpose::pageKey, {"Key on a page", {}}},
       [](const CupPlan& plan) { return pageKeys(plan.parts(purpose::key)); }},
      {{purpose::filmCell, {"Film cells", {}}},
       [](const CupPlan& plan) { return filmCells(plan.fills, plan.of->fills, plan.wall.flat); }},
      {{purpose::filmWhole, {"Film template", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::film); }},
      {{purpose::doubleSided, {"Double-sided sheet", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::doubleSided); }},
      {{purpose::lineWork, {"Line work", {}}},
       [](const CupPlan& plan) { return furtherOf(plan, Template::lines); }},
  };
  return all;
}

const Maker& makerOf(const std::string& purpose) {
  for (const Maker& maker : makers()) {
    if (maker.purpose.id == purpose) return maker;
  }
  throw std::logic_error("parts are asked for a purpose there is not");
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
  return made_.emplace(purpose, makerOf(purpose).make(plan)).first->second;
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
