// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/cut.h"
#include "divide/region.h"
#include "measure/fault.h"

namespace avrelt {

/// What is folded over at the end of a tape so that it can be lifted.
inline constexpr Length tapeTab = Length::mm(12);

/// Stripes laid with tape and spacer: a tape, a spacer touching it, a tape touching that, and so
/// on; then the spacers are lifted. Common practice, no published source.
struct SpacerRun {
  int stripes = 0;
  Length leftOver;              ///< of the zone's height
  std::vector<Length> lines;    ///< up the wall, from the top down: both edges of every stripe
  std::vector<Length> middles;  ///< up the wall, of every stripe from the top down
};

/// How tape and spacers of a cut fall between two heights. Refused, naming the member: tape or
/// spacer under 0.5 mm, a zone too low for one stripe, more stripes than fit.
Checked<SpacerRun> spacerRun(const RingCut& cut, Length low, Length high);

/// Tape to tear off for a run, tabs included.
struct SpacerTape {
  Length stripes;
  Length spacers;
};
SpacerTape tapeFor(const SpacerRun& run, const Region& zone, const Body& body);

}  // namespace avrelt
