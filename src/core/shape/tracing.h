// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "measure/fault.h"
#include "shape/picture.h"
#include "shape/polygon.h"

namespace avrelt {

/// How a picture is traced.
struct TraceSetting {
  /// How many colours are told apart; 1 for dark against light.
  int colours = 1;
  /// Darker than this, in per cent of lightness, is traced; below 0 where the picture itself parts
  /// best (Otsu 1979). Of one colour only.
  int threshold = -1;
  bool invert = false;     ///< light against dark
  int despeckle = 4;       ///< areas of up to so many dots are left out
  int smoothPercent = 75;  ///< 0 keeps every corner, 100 none
  bool background = true;  ///< the colour round the picture's edge is left out

  friend bool operator==(const TraceSetting&, const TraceSetting&) = default;
};

/// What was traced of one colour, in dots, y up from the picture's foot.
struct TracedColour {
  std::string colour;  ///< #RRGGBB
  Polygon area;
};

/// The most dots that are traced; larger pictures are made smaller first by who reads them.
inline constexpr long mostDots = 16'000'000;

/// Traces a picture: dark against light, or its colours as clusters in CIE L*a*b* (k-means, begun
/// from what is farthest apart; deterministic), each outlined by potrace. What is more than half
/// clear counts as background. `goOn` is asked now and then, and answered by false ends it.
///
/// Refused: a picture of no or too many dots, one in which nothing is found, and where it was
/// ended.
Checked<std::vector<TracedColour>> traced(const Picture& picture, const TraceSetting& setting,
                                          const std::function<bool()>& goOn = {});

}  // namespace avrelt
