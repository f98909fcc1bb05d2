// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "watch/watch.h"

namespace avrelt {

/// What a wrap risks. Rules, all common practice with no published source:
///
/// - `rim_line`: less than 1/8 in of bare steel at the rim, so the last coats do not seal onto it.
/// - `seam_front`: the seam nearer the front than the back, where it is seen.
/// - `seam_not_back`: the seam off the back by more than 1°.
/// - `no_overlap`: edges that only meet; the slip of a tape shows as a gap.
/// - `thin_overlap`: an overlap too thin to be meant (0.0125 in for 0.125 in).
/// - `wide_overlap`: a tenth of the girth or more lies double.
/// - `steep_taper`: a wall leaning over 30°, which a hand-held tape hardly measures true.
/// - `large_sheet`: a part wider than 600 mm, for a cutter that few have at home.
std::vector<Watch> watchWrap(const WrapLayout& layout, const Wrap& wrap);

}  // namespace avrelt
