// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/wrap.h"
#include "divide/division.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch where film is laid on zones of a divided cup:
/// - `film_no_room`: a zone that lies wholly in what rim and base are kept clear of; nothing is
/// cut.
/// - `film_narrow`: film under 1 mm wide on average, that no blade cuts and no hook weeds.
/// - `film_past_neighbour`: film that runs over a line by more than the zone beyond is wide.
/// - `film_under_handle`: film where a handle or a logo keeps it off the wall.
/// - `point_shows`: film that ends at the point of a V which no stripe covers, and no patch is cut.
/// - `patch_size`: a patch too small to be laid, or larger than any hides.
std::vector<Watch> watchFilms(const Divided& divided, const std::vector<StripePlan>& stripes,
                              const Body& body, const WrapLayout& layout,
                              const std::vector<Feature>& features, const Wall& wall);

/// What to watch about covers and windows:
/// - `mask_waits`: one of a zone that is not there, gone or cut further.
std::vector<Watch> watchMasks(const std::vector<Mask>& masks, const Divided& divided);

}  // namespace avrelt
