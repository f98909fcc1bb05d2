// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/divide.h"
#include "pattern/fill.h"
#include "watch/watch.h"

namespace avrelt {

/// Under so many dots to the inch they are seen a hand's breadth away: common practice, no
/// published source.
inline constexpr double coarseUnder = 150;

/// What to watch where film is printed with a picture, by the rules under “Pictures on film”.
std::vector<Watch> watchPicture(const Finish& finish, const Zone& zone, const Wall& wall);
/// The same for all films of a cup's zones and cells.
std::vector<Watch> watchPictures(const Divided& divided, const std::vector<Fill>& fills,
                                 const Wall& wall);

}  // namespace avrelt
