// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/plan.h"

#include <algorithm>
#include <stdexcept>

#include "sheet/divide_pieces.h"
#include "sheet/fill_pieces.h"
#include "sheet/marking_strip.h"
#include "sheet/wrap_pieces.h"
#include "watch/build_up_rules.h"
#include "watch/cut_rules.h"
#include "watch/division_rules.h"
#include "watch/feature_rules.h"
#include "watch/fill_rules.h"
#include "watch/laying_rules.h"
#include "watch/wrap_rules.h"

namespace avrelt {

const Piece& CupPlan::piece(PieceRole role) const {
  const auto found = std::find_if(pieces.begin(), pieces.end(),
                                  [role](const Piece& piece) { return piece.role == role; });
  if (found == pieces.end()) throw std::logic_error("a cup's plan lacks one of its pieces");
  return *found;
}

std::string slugOf(const std::string& name) {
  std::string slug;
  for (const char c : name) {
    const bool capital = c >= 'A' && c <= 'Z';
    const bool plain = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
    if (capital || plain) {
      slug += capital ? static_cast<char>(c - 'A' + 'a') : c;
    } else if (!slug.empty() && slug.back() != '-') {
      slug += '-';
    }
  }
  while (!slug.empty() && slug.back() == '-') slug.pop_back();
  return slug.empty() ? "cup" : slug;
}

namespace {

/// Which cup the pieces are cut for, in words that go on them.
Sentence stageWords(const BuildUp& buildUp) {
  if (buildUp.sizedFor == SizedFor::bare || buildUp.laidAfter == 0) {
    return {"cut for the bare cup", {}};
  }
  if (buildUp.laidAfter == 1) return {"cut for the cup after 1 coat", {}};
  return {"cut for the cup after %1 coats", {static_cast<long>(buildUp.laidAfter)}};
}

}  // namespace

CheckedAll<CupPlan> planCup(const Cup& cup, Unit unit, const Stock& stock) {
  const CheckedAll<Body> bare = Body::of(cup.blank);
  if (!bare) return tl::unexpected(bare.error());

  CheckedAll<std::vector<Stage>> stages = stagesOf(*bare, cup.buildUp, stock.growth);
  if (!stages) return tl::unexpected(stages.error());
  const Stage& laid = (*stages)[static_cast<std::size_t>(cup.buildUp.laidAfter)];
  const bool asBare = cup.buildUp.sizedFor == SizedFor::bare || laid.thickness == Length();
  const Wall wall = wallOf(asBare ? *bare : bare->grownBy(laid.thickness), cup.wrap.seamAt);
  const Body& body = wall.body;

  Faults faults;
  const auto take = [&](const auto& checked) {
    if (!checked) faults.insert(faults.end(), checked.error().begin(), checked.error().end());
  };
  const std::optional<Fault> hangs = overhangFault(body, cup.base, cup.wrap.baseClearance.length);
  if (hangs) faults.push_back(*hangs);
  const Length overhang = hangs ? Length() : cup.base.overhang.length;
  const CheckedAll<WrapLayout> wrap = WrapLayout::of(wall.flat, cup.wrap, overhang);
  take(wrap);
  CheckedAll<Piece> strip = markingStripPiece(body, cup.strip, cup.wrap.seamAt, unit, cup.name);
  take(strip);
  CheckedAll<Divided> divided = divide(cup.division.body, wall);
  CheckedAll<std::vector<StripePlan>> stripes = std::vector<StripePlan>();
  if (divided) {
    stripes = planStripes(cup.division.stripes, *divided);
    if (!stripes) {
      for (const Fault& fault : stripes.error()) {
        faults.push_back({"divide." + fault.field, fault.sentence});
      }
    }
  } else {
    for (const Fault& fault : divided.error()) {
      faults.push_back({"divide.body." + fault.field, fault.sentence});
    }
  }
  CheckedAll<std::vector<FillPlan>> fills = std::vector<FillPlan>();
  if (divided && !cup.fills.empty()) {
    fills = planFills(cup.fills, *divided, wall, stock.filling);
    take(fills);
  }
  const Checked<Length> disc = baseDiscRadius(body, cup.base);
  if (!disc) faults.push_back(disc.error());
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const SeamDoubt doubt = seamDoubt(*bare, cup.blank.stations[0].girthIs, laid,
                                    cup.buildUp.sizedFor, cup.doubt, usualGraduation(unit));
  Layings layings = layingsOf(body, cup.wrap.baseClearance.length, wrap->high(),
                              cup.wrap.overlap.length, cup.film);
  const LayingKind kind = cup.wrap.laying.value_or(layings.recommended);
  // What cannot be cut is not made: the recommended way stands in, and a watch says so.
  const LayingKind made = layings.of(kind).possible ? kind : layings.recommended;
  CupPlan plan{cup.name,
               slugOf(cup.name),
               *bare,
               wall,
               std::move(*stages),
               cup.buildUp.laidAfter,
               doubt,
               *wrap,
               std::move(layings),
               made,
               snipsFor(body.radius(Length()), body.taper(Length()), overhang),
               std::move(*divided),
               {},
               std::move(*stripes),
               {},
               std::move(*fills),
               {},
               {}};
  plan.cutList = cutList(plan.stripes);
  plan.tapeMoves = tapeProgram(plan.divided, cup.division.tapeWidth.length, usualGraduation(unit),
                               cup.division.order);
  const WrapWork work{
      plan.wall.body,       plan.laying(),           plan.wrap, overhang, cup.blank.features,
      plan.layings.runsOff, stageWords(cup.buildUp), unit,      cup.name};
  for (const PieceRole role : {PieceRole::wrap, PieceRole::testPiece}) {
    for (Piece& piece : wrapPieces(work, role)) plan.pieces.push_back(std::move(piece));
  }
  plan.pieces.push_back(std::move(*strip));
  plan.pieces.push_back(baseDiscPiece(*disc, unit, cup.name));
  drawUprights(plan.pieces.back(), plan.divided);
  const auto add = [&plan](std::vector<Piece> pieces) {
    for (Piece& piece : pieces) plan.pieces.push_back(std::move(piece));
  };
  add(uprightGauge(plan.divided, plan.wall.body, unit, cup.name));
  add(ringStrips(plan.divided, plan.wall.body, cup.wrap.seamAt, unit, cup.name));
  add(marksSheets(plan.divided, plan.wall.flat, unit, cup.name));
  add(stripePieces(plan.cutList, cup.name));
  add(stencilPieces(plan.fills, plan.divided, plan.wall.flat));
  add(furtherTemplates(plan.fills, cup.fills, plan.divided, plan.wall));
  std::vector<Piece> keys =
      keyPieces(plan.fills, cup.fills, plan.divided, plan.wall.flat, cup.name);
  std::vector<Piece> small = pageKeys(keys);
  add(std::move(keys));
  add(std::move(small));
  add(filmCells(plan.fills, cup.fills, plan.wall.flat));

  const auto watch = [&plan](std::vector<Watch> watches) {
    for (Watch& one : watches) plan.watches.push_back(std::move(one));
  };
  watch(watchWrap(*wrap, cup.wrap));
  watch(watchLaying(plan.wall.body, plan.layings, cup.wrap, made, cup.film));
  watch(watchDivision(cup.division, plan.divided, plan.stripes, plan.wall.body));
  watch(watchFills(cup.fills, plan.fills, plan.wall.body));
  watch(watchFeatures(cup.blank, plan.wall.body, plan.wrap));
  watch(watchBuildUp(plan.bare, cup.buildUp, plan.stages));
  if (cup.cut) {
    watch(watchCut({cup.cut->aroundBase.length, cup.cut->aroundRim.length}, plan.wall.body,
                   cup.wrap));
  }
  sortWorstFirst(plan.watches);
  return plan;
}

PieceSet setFor(const CupPlan& plan, LayingKind kind, Unit unit) {
  const std::vector<Feature> none;
  const Length overhang = std::max(-plan.wrap.low(), Length());
  const WrapWork work{plan.wall.body, plan.layings.of(kind), plan.wrap, overhang,
                      none,           plan.layings.runsOff,  {},        unit,
                      plan.name};
  return setOf(wrapPieces(work, PieceRole::wrap), PieceRole::wrap);
}

CheckedAll<Plan> planDocument(const Document& document, const Stock& stock) {
  Plan plan;
  plan.units = document.units;
  plan.paper = document.printPaper();
  Faults faults;
  for (std::size_t index = 0; index < document.cups.size(); ++index) {
    const Cup& cup = document.cups[index];
    const std::string place = "cups[" + std::to_string(index) + "].";
    if (std::optional<Sentence> fault = nameFault(document, index, cup.name)) {
      faults.push_back({place + "name", std::move(*fault)});
    }
    CheckedAll<CupPlan> cupPlan = planCup(cup, document.units, stock);
    if (!cupPlan) {
      for (Fault& fault : cupPlan.error()) {
        faults.push_back({place + fault.field, std::move(fault.sentence)});
      }
      continue;
    }
    const std::string slug = cupPlan->slug;
    const auto used = [&](const std::string& candidate) {
      return std::any_of(plan.cups.begin(), plan.cups.end(),
                         [&](const CupPlan& other) { return other.slug == candidate; });
    };
    for (int number = 2; used(cupPlan->slug); ++number) {
      cupPlan->slug = slug + "-" + std::to_string(number);
    }
    plan.cups.push_back(std::move(*cupPlan));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return plan;
}

}  // namespace avrelt
