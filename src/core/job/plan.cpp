// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/plan.h"

#include <algorithm>
#include <stdexcept>

#include "sheet/marking_strip.h"
#include "sheet/wrap_pieces.h"
#include "watch/build_up_rules.h"
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

CheckedAll<CupPlan> planCup(const Cup& cup, Unit unit) {
  const CheckedAll<Development> bare = Development::of(cup.blank);
  if (!bare) return tl::unexpected(bare.error());

  CheckedAll<std::vector<Stage>> stages = stagesOf(*bare, cup.buildUp);
  if (!stages) return tl::unexpected(stages.error());
  const Stage& laid = (*stages)[static_cast<std::size_t>(cup.buildUp.laidAfter)];
  const Development surface =
      cup.buildUp.sizedFor == SizedFor::bare ? *bare : bare->grownBy(laid.thickness);

  Faults faults;
  const CheckedAll<WrapLayout> wrap = WrapLayout::of(surface, cup.wrap);
  if (!wrap) faults.insert(faults.end(), wrap.error().begin(), wrap.error().end());
  CheckedAll<Piece> strip = markingStripPiece(surface, cup.strip, cup.wrap.seamAt, unit, cup.name);
  if (!strip) faults.insert(faults.end(), strip.error().begin(), strip.error().end());
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const SeamDoubt doubt = seamDoubt(*bare, cup.blank.stations[0].girthIs, laid,
                                    cup.buildUp.sizedFor, cup.doubt, usualGraduation(unit));
  CupPlan plan{cup.name,
               slugOf(cup.name),
               *bare,
               surface,
               std::move(*stages),
               cup.buildUp.laidAfter,
               doubt,
               *wrap,
               {},
               {}};
  plan.pieces.push_back(wrapPiece(*wrap, unit, cup.name));
  plan.pieces.push_back(testPiece(*wrap, unit, cup.name));
  plan.pieces.push_back(std::move(*strip));
  plan.watches = watchWrap(*wrap, cup.wrap);
  for (Watch& watch : watchBuildUp(plan.bare, cup.buildUp, plan.stages)) {
    plan.watches.push_back(std::move(watch));
  }
  sortWorstFirst(plan.watches);
  return plan;
}

CheckedAll<Plan> planDocument(const Document& document) {
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
    CheckedAll<CupPlan> cupPlan = planCup(cup, document.units);
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
