// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/stripes.h"

#include <algorithm>

namespace avrelt {

const DivideLine* lineAt(const Divided& divided, const ZonePath& of, int line) {
  for (const DivideLine& candidate : divided.lines) {
    if (candidate.of == of && candidate.index == line) return &candidate;
  }
  return nullptr;
}

CheckedAll<std::vector<StripePlan>> planStripes(const std::vector<Stripe>& stripes,
                                                const Divided& divided) {
  constexpr Length widest = Length::mm(50);
  constexpr int mostSpares = 100;
  Faults faults;
  std::vector<StripePlan> plans;
  for (std::size_t i = 0; i < stripes.size(); ++i) {
    const Stripe& stripe = stripes[i];
    const std::string place = "stripes[" + std::to_string(i) + "].";
    const DivideLine* line = lineAt(divided, stripe.of, stripe.line);
    if (line == nullptr) {
      faults.push_back({place + "line",
                        {"This stripe lies on a line that is not cut any more. Take it away, or "
                         "lay it on another.",
                         {}}});
      continue;
    }
    const Length width = stripe.width.length;
    if (width <= Length() || width > widest) {
      faults.push_back(
          {place + "width",
           {"A stripe %1 wide cannot be laid. Give more than 0 and at most %2.", {width, widest}}});
    }
    if (stripe.overlap.length >= line->length) {
      faults.push_back({place + "overlap",
                        {"An overlap of %1 is as long as its line, %2. 3 mm is common.",
                         {stripe.overlap.length, line->length}}});
    }
    if (stripe.spares < 0 || stripe.spares > mostSpares) {
      faults.push_back({place + "spares",
                        {"%1 spares are not meant. Give 0 to %2.",
                         {static_cast<long>(stripe.spares), long{mostSpares}}}});
    }
    StripePlan plan;
    plan.line = line->id;
    plan.kind = stripe.kind;
    plan.width = width;
    plan.length = line->length + stripe.overlap.length;
    plan.spares = stripe.spares;
    plans.push_back(std::move(plan));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  std::stable_sort(plans.begin(), plans.end(), [](const StripePlan& a, const StripePlan& b) {
    return a.line == b.line && a.width > b.width;
  });
  for (std::size_t i = 0; i < plans.size(); ++i) {
    for (const StripePlan& other : plans) {
      if (other.line == plans[i].line && other.width > plans[i].width) ++plans[i].layer;
    }
  }
  return plans;
}

}  // namespace avrelt
