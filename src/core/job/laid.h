// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/set_plan.h"
#include "job/document.h"

namespace avrelt {

/// Kinds of things that are laid on a cup, each at its stage among the coats.
enum class LaidKind { mask, pattern, film, stripe, layer, wrap };

/// What the wrap is called by among the things laid.
inline constexpr char wrapThing[] = "wrap";

/// One of them.
struct LaidThing {
  LaidKind kind = LaidKind::film;
  std::string id;    ///< what it is called by among `BuildUp::laid`
  Sentence name;     ///< "film of zone C", within a sentence
  int after = 0;     ///< coats on the cup when it is laid
  bool own = false;  ///< at a stage of its own
  /// How much of the way round it covers where it covers most, up to 1.
  double round = 1;
  Length overlap;  ///< where it closes on itself
};

/// What is laid on a cup that is divided so: by its stage, in each stencils first; the wrap last
/// where it lies over everything, else before all.
std::vector<LaidThing> laidThings(const Cup& cup, const Divided& divided,
                                  const std::vector<StripePlan>& stripes,
                                  const std::vector<FillPlan>& fills,
                                  const std::vector<SetPlan>& sets = {});

/// Those of its own stages that are of nothing there is any more.
std::vector<OwnStage> stagesOfNothing(const Cup& cup);

}  // namespace avrelt
