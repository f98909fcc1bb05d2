// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "divide/stripes.h"

namespace avrelt {

enum class MaskKind {
  cover,   ///< the zones' own outline: it protects them while others are done
  window,  ///< the wall round them up to a margin, the zones open
};

/// Film or paper laid for a while in place of tape, made of one or several zones.
struct Mask {
  std::string id{};
  MaskKind kind = MaskKind::cover;
  std::vector<std::string> zones;  ///< ids
  /// How far a window reaches beyond its zones.
  WrittenLength margin{Length::inches(1), "1 in"};
  bool paper = false;  ///< of paper, not of film that comes off
  std::string kept{};

  friend bool operator==(const Mask&, const Mask&) = default;
};

/// All that is chosen about dividing a cup.
struct Division {
  ZoneNode body;
  WrittenLength tapeWidth{Length::inches(0.25), "1/4 in"};
  /// Ids of the zones that are to be filled first, in this order.
  std::vector<std::string> order;
  std::vector<Stripe> stripes;
  std::vector<Mask> masks;
  /// Tapes for stripes that the maker owns, by width. Common practice: 1, 2 and 3 mm.
  std::vector<WrittenLength> tapes{
      {Length::mm(1), "1 mm"}, {Length::mm(2), "2 mm"}, {Length::mm(3), "3 mm"}};
  std::string kept{};

  friend bool operator==(const Division&, const Division&) = default;
};

/// What of masks cannot be, by member: "masks[0].margin".
Faults maskFaults(const std::vector<Mask>& masks);

}  // namespace avrelt
