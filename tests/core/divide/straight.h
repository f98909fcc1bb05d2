// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/cups.h"
#include "divide/divide.h"

namespace avrelt::cups {

/// A straight cup 9 in round and 8 in tall, seam at the back, to be divided.
struct Straight {
  Body body = bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(8)));
  Development flat = body.cone();
  Wall wall{body, flat, CupAngle::back()};

  Divided made(const ZoneNode& node) const {
    CheckedAll<Divided> result = divide(node, wall);
    REQUIRE(result.has_value());
    return std::move(*result);
  }
};

}  // namespace avrelt::cups
