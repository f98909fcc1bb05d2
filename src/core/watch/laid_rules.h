// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/build_up.h"
#include "watch/watch.h"

namespace avrelt {

/// Something laid after so many coats.
struct LaidOn {
  Sentence name;   ///< "film of zone C"
  double round;    ///< how much of the way round it covers
  Length overlap;  ///< where it closes on itself
  bool ownStage;
};

/// What it risks to be laid at this stage: `laidOpens` or `laidGuessed`.
std::vector<Watch> watchLaid(const LaidOn& laid, const Body& bare, const Stage& stage,
                             SizedFor sizedFor);

/// `laid_nothing`: a place among the coats is kept for something that is gone.
Watch laidNothing();

}  // namespace avrelt
