// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/plan.h"

#include <algorithm>
#include <set>

#include "job/cup_planner.h"
#include "sheet/wrap_parts.h"

namespace avrelt {

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

CheckedAll<CupPlan> planCup(const Cup& cup, Unit unit, const Stock& stock) {
  return CupPlanner()(cup, unit, stock);
}

const LaidStage& CupPlan::stageOf(const std::string& id) const {
  const int after = laidAfterOf(of->buildUp, id);
  for (const LaidStage& stage : laidStages) {
    if (stage.after == after) return stage;
  }
  return laidStages.front();
}

PartSet setFor(const CupPlan& plan, LayingKind kind, Unit unit) {
  const std::vector<Feature> none;
  const LaidStage& stage = plan.stageOf(wrapThing);
  const Length overhang = std::max(-stage.wrap.low(), Length());
  const WrapWork work{stage.wall.body,
                      plan.layings.of(kind),
                      stage.wrap,
                      overhang,
                      none,
                      plan.layings.runsOff,
                      {},
                      unit,
                      plan.name,
                      {}};
  return setOf(wrapParts(work, false));
}

CheckedAll<Plan> planDocument(const Document& document, const Stock& stock) {
  Plan plan;
  plan.units = document.units;
  plan.paper = document.printPaper();
  plan.artworks = document.artworks;
  Faults faults;
  std::set<std::string> slugs;
  if (std::optional<Sentence> fault = sizeFault(document)) {
    return tl::unexpected(Faults{{Member::cups, std::move(*fault)}});
  }
  for (std::size_t index = 0; index < document.cups.size(); ++index) {
    const Cup& cup = document.cups[index];
    if (std::optional<Sentence> fault = nameFault(document, index, cup.name)) {
      faults.push_back({Member::name, std::move(*fault)});
      faults.back().where.cup = static_cast<int>(index);
    }
    CheckedAll<CupPlan> cupPlan = planCup(cup, document.units, stock);
    if (!cupPlan) {
      for (Fault& fault : cupPlan.error()) {
        fault.where.cup = static_cast<int>(index);
        faults.push_back(std::move(fault));
      }
      continue;
    }
    const std::string slug = cupPlan->slug;
    for (int number = 2; !slugs.insert(cupPlan->slug).second; ++number) {
      cupPlan->slug = slug + "-" + std::to_string(number);
    }
    plan.cups.push_back(std::move(*cupPlan));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  plan.bench = document.bench;
  plan.stock = stock;
  return plan;
}

}  // namespace avrelt
