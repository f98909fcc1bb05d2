// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "measure/duration.h"
#include "measure/length.h"

namespace avrelt {

/// A blade cutter by its figures.
struct Cutter {
  std::string name = "Cutter";
  Length widest = Length::mm(305);    ///< across, as it cuts
  Length longest = Length::mm(3000);  ///< along the film it feeds
  /// How far the blade's tip trails the middle it turns about; 0 for one that is steered.
  Length bladeOffset;
  Length overcut = Length::mm(1);     ///< past where a closed line began
  Length perSecond = Length::mm(50);  ///< while it cuts
  Length liftedPerSecond = Length::mm(150);
  int passes = 1;
  bool mirrored = false;  ///< films are fed face down
  bool pen = false;       ///< it draws guides with a second tool

  friend bool operator==(const Cutter&, const Cutter&) = default;
};

}  // namespace avrelt
