// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "divide/stripes.h"

namespace avrelt {

/// All that is chosen about dividing a cup.
struct Division {
  ZoneNode body;
  WrittenLength tapeWidth{Length::inches(0.25), "1/4 in"};
  /// Ids of the zones that are to be filled first, in this order.
  std::vector<std::string> order;
  std::vector<Stripe> stripes;
  /// Tapes for stripes that the maker owns, by width. Common practice: 1, 2 and 3 mm.
  std::vector<WrittenLength> tapes{
      {Length::mm(1), "1 mm"}, {Length::mm(2), "2 mm"}, {Length::mm(3), "3 mm"}};
  std::string kept{};

  friend bool operator==(const Division&, const Division&) = default;
};

}  // namespace avrelt
