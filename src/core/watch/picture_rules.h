// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/divide.h"
#include "pattern/fill.h"
#include "watch/watch.h"

namespace avrelt {

/// Under so many dots to the inch they are seen a hand's breadth away: common practice, no
/// published source.
inline constexpr double coarseUnder = 150;

/// What to watch where film is printed with a picture:
/// - `picture_gone`: the order does not have it any more; nothing is printed.
/// - `picture_refused`: a width or height it cannot have; nothing is printed.
/// - `picture_open`: left and right of the seam do not belong together.
/// - `picture_bare`: some of the zone it does not reach.
/// - `picture_coarse`: under 150 dots to the inch, where a hand's breadth away shows them: common
///   practice, no published source.
/// - `picture_drawn`: drawn wide or narrow by more than 5 % toward an edge of the zone, which the
///   eye sees: a guess.
std::vector<Watch> watchPicture(const Finish& finish, const Zone& zone, const Wall& wall);
/// The same for all films of a cup's zones and cells.
std::vector<Watch> watchPictures(const Divided& divided, const std::vector<Fill>& fills,
                                 const Wall& wall);

}  // namespace avrelt
