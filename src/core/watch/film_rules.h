// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/wrap.h"
#include "divide/division.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch where film is laid on zones of a divided cup, by the rules under “Film of zones”.
std::vector<Watch> watchFilms(const Divided& divided, const std::vector<StripePlan>& stripes,
                              const Body& body, const WrapLayout& layout,
                              const std::vector<Feature>& features, const Wall& wall);

/// Covers and windows for zones that are not there.
std::vector<Watch> watchMasks(const std::vector<Mask>& masks, const Divided& divided);

}  // namespace avrelt
