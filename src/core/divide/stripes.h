// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "divide/divide.h"

namespace avrelt {

enum class StripeKind { tape, film };

/// A stripe laid on a cut line, over the join of two zones.
struct Stripe {
  ZonePath of;   ///< the node whose cut the line is of
  int line = 0;  ///< among that cut's lines
  StripeKind kind = StripeKind::film;
  WrittenLength width{Length::mm(3), "3 mm"};
  WrittenLength overlap{Length::mm(3), "3 mm"};  ///< 0 for a butt: score through both
  int spares = 1;
  std::string kept{};

  friend bool operator==(const Stripe&, const Stripe&) = default;
};

/// A stripe worked out: its line's true length, and what is cut.
struct StripePlan {
  std::string line;
  StripeKind kind = StripeKind::film;
  Length width;
  Length length;  ///< of the line on the cup, and the overlap
  int copies = 1;
  int spares = 0;
  /// Where stripes lie on each other, the wider below: 0 the lowest.
  int layer = 0;
};

/// Stripes in the order they are laid, wider below narrower on the same line. Common practice: 12
/// strips were too few for a weave, 18 advised; so spares are counted beside.
///
/// Refused, naming the member ("stripes[2].width"): a line that is not there, a width of nothing or
/// over 50 mm, an overlap as long as the line, more than 100 spares.
CheckedAll<std::vector<StripePlan>> planStripes(const std::vector<Stripe>& stripes,
                                                const Divided& divided);

/// A line by the node and the place in its cut; nothing where there is none.
const DivideLine* lineAt(const Divided& divided, const ZonePath& of, int line);

}  // namespace avrelt
