// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/stripes.h"

#include <algorithm>

#include "divide/split.h"

namespace avrelt {
namespace {

/// Whether a line's ends meet.
bool goesRound(const DivideLine& line) {
  if (line.kind != CutKind::rings && line.kind != CutKind::wave) return false;
  Angle round;
  for (const WallLine& stretch : line.stretches) {
    for (std::size_t i = 1; i < stretch.size(); ++i) {
      round = round + abs(stretch[i].theta - stretch[i - 1].theta);
    }
  }
  return round > Angle::turn() - Angle::degrees(0.01);
}

Length lengthOn(const Body& body, const std::vector<WallLine>& stretches) {
  Length length;
  for (const WallLine& stretch : stretches) length += avrelt::lengthOn(body, stretch);
  return length;
}

/// Whether a line comes to within a millimetre of the height of another that goes round.
bool crosses(const DivideLine& line, const DivideLine& round) {
  Length low = Length::mm(1e9);
  Length high;
  for (const WallLine& stretch : round.stretches) {
    for (const WallPoint& p : stretch) {
      low = std::min(low, p.s);
      high = std::max(high, p.s);
    }
  }
  constexpr Length touch = Length::mm(1);
  Length lowest = Length::mm(1e9);
  Length highest;
  for (const WallLine& stretch : line.stretches) {
    for (const WallPoint& p : stretch) {
      lowest = std::min(lowest, p.s);
      highest = std::max(highest, p.s);
    }
  }
  return lowest <= low + touch && highest >= high - touch;
}

const DivideLine& lineNamed(const Divided& divided, const std::string& id) {
  return *std::find_if(divided.lines.begin(), divided.lines.end(),
                       [&](const DivideLine& line) { return line.id == id; });
}

/// The line whose stripe hides a join: one that crosses and is laid later.
std::string hiderOf(const StripePlan& plan, const std::vector<StripePlan>& plans,
                    const Divided& divided) {
  const DivideLine& round = lineNamed(divided, plan.line);
  for (const StripePlan& other : plans) {
    if (!other.closed && crosses(lineNamed(divided, other.line), round)) return other.line;
  }
  return {};
}

Sentence layingWords(const StripePlan& plan, bool butt) {
  if (!plan.closed) {
    return {"Lay it along line %1 and cut both ends flush.", {plan.line}};
  }
  if (plan.joinUnder.empty()) {
    return {butt ? "Lay it round on line %1, ends over each other at the seam; score through both "
                   "and lift both offcuts."
                 : "Lay it round on line %1, ends over each other at the seam.",
            {plan.line}};
  }
  return {butt ? "Lay it round on line %1, ends over each other where line %2 crosses; score "
                 "through both and lift both offcuts. The stripe on line %2 hides it."
               : "Lay it round on line %1, ends over each other where line %2 crosses: the stripe "
                 "there hides it.",
          {plan.line, plan.joinUnder}};
}

}  // namespace

const DivideLine* lineAt(const Divided& divided, const std::string& cut, int line) {
  for (const DivideLine& candidate : divided.lines) {
    if (candidate.cut == cut && candidate.index == line) return &candidate;
  }
  return nullptr;
}

CheckedAll<std::vector<StripePlan>> planStripes(const std::vector<Stripe>& stripes,
                                                const Divided& divided, const StripeBody& bodyOf) {
  constexpr Length widest = Length::mm(50);
  constexpr int mostSpares = 100;
  Faults faults;
  std::vector<StripePlan> plans;
  for (std::size_t i = 0; i < stripes.size(); ++i) {
    const Stripe& stripe = stripes[i];
    const DivideLine* line = lineAt(divided, stripe.of, stripe.line);
    if (line == nullptr) continue;
    const Length width = stripe.width.length;
    if (width <= Length() || width > widest) {
      faults.push_back(
          {Where(Member::stripeWidth, stripe.id),
           {"A stripe %1 wide cannot be laid. Give more than 0 and at most %2.", {width, widest}}});
    }
    const Length length = bodyOf ? lengthOn(bodyOf(stripe.id), line->stretches) : line->length;
    if (stripe.overlap.length >= length) {
      faults.push_back({Where(Member::stripeOverlap, stripe.id),
                        {"An overlap of %1 is as long as its line, %2. 3 mm is common.",
                         {stripe.overlap.length, length}}});
    }
    if (stripe.spares && (*stripe.spares < 0 || *stripe.spares > mostSpares)) {
      faults.push_back({Where(Member::stripeSpares, stripe.id),
                        {"%1 spares are not meant. Give 0 to %2.",
                         {static_cast<long>(*stripe.spares), long{mostSpares}}}});
    }
    StripePlan plan;
    plan.stripe = static_cast<int>(i);
    plan.id = stripe.id;
    plan.line = line->id;
    plan.kind = stripe.kind;
    plan.colour = stripe.colour;
    plan.width = width;
    plan.length = length + stripe.overlap.length;
    plan.spares = stripe.spares;
    plan.closed = goesRound(*line);
    plan.join = plan.closed ? stripe.join : StripeJoin::seam;
    plans.push_back(std::move(plan));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  // Lines in the order the maker gave them stripes, on each the widest first.
  const auto firstOn = [&plans](const StripePlan& plan) {
    int first = plan.stripe;
    for (const StripePlan& other : plans) {
      if (other.line == plan.line) first = std::min(first, other.stripe);
    }
    return first;
  };
  std::vector<std::pair<int, StripePlan>> inTurn;
  inTurn.reserve(plans.size());
  for (const StripePlan& plan : plans) inTurn.emplace_back(firstOn(plan), plan);
  std::stable_sort(inTurn.begin(), inTurn.end(), [](const auto& a, const auto& b) {
    if (a.second.closed != b.second.closed) return a.second.closed;
    if (a.first != b.first) return a.first < b.first;
    return a.second.width > b.second.width;
  });
  plans.clear();
  for (auto& [turn, plan] : inTurn) plans.push_back(std::move(plan));
  for (StripePlan& plan : plans) {
    for (const StripePlan& other : plans) {
      if (other.line == plan.line && other.width > plan.width) ++plan.layer;
    }
    const Stripe& stripe = stripes[static_cast<std::size_t>(plan.stripe)];
    if (plan.join == StripeJoin::hidden) plan.joinUnder = hiderOf(plan, plans, divided);
    plan.laying = layingWords(plan, stripe.butt);
  }
  return plans;
}

std::vector<StripCut> cutList(const std::vector<StripePlan>& stripes) {
  constexpr Length alike = Length::mm(0.05);
  std::vector<StripCut> list;
  std::vector<int> byRule;  // copies without a number of spares, beside each
  for (const StripePlan& stripe : stripes) {
    auto same = std::find_if(list.begin(), list.end(), [&](const StripCut& cut) {
      return cut.kind == stripe.kind && abs(cut.width - stripe.width) < alike &&
             abs(cut.length - stripe.length) < alike;
    });
    if (same == list.end()) {
      list.push_back({stripe.kind, stripe.width, stripe.length, {}, {}, 0, 0});
      byRule.push_back(0);
      same = list.end() - 1;
    }
    ++same->copies;
    same->lines.push_back(stripe.line);
    same->stripes.push_back(stripe.id);
    same->spares += stripe.spares.value_or(0);
    if (!stripe.spares) ++byRule[static_cast<std::size_t>(same - list.begin())];
  }
  for (std::size_t i = 0; i < list.size(); ++i) list[i].spares += (byRule[i] + 1) / 2;
  std::stable_sort(list.begin(), list.end(),
                   [](const StripCut& a, const StripCut& b) { return a.length > b.length; });
  return list;
}

}  // namespace avrelt
