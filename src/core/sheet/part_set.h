// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "sheet/part.h"

namespace avrelt {

/// The parts that serve one purpose together, a wrap in bands for one, as they lie side by side to
/// be cut from one sheet and printed as one.
struct PartSet {
  std::string id;  ///< of the part, where it is one; else what their ids begin with
  Sentence title;  ///< their purpose
  std::vector<Part> parts;

  Box bounds() const;
};

/// Parts as a set, each with its copies and spares: a lone one stays where it is; several are laid
/// in rows of at most 560 mm from the upper left, 6 mm apart, in their order: strips side by side,
/// bands one below the other.
PartSet setOf(const std::vector<Part>& parts, Sentence title = {});

}  // namespace avrelt
