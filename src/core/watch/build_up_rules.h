// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/build_up.h"
#include "watch/watch.h"

namespace avrelt {

/// What the coats under a wrap risk. Rules, all common practice with no published source:
///
/// - `cut_for_bare`: sized for the bare cup, laid on a larger one, and so short at the seam.
/// - `growth_guessed`: sized for a girth that was predicted and not measured.
/// - `measured_early`: the last measurement is older than the last coat under the wrap.
/// - `shrunk`: a girth measured smaller than the bare cup's.
std::vector<Watch> watchBuildUp(const Body& bare, const BuildUp& buildUp,
                                const std::vector<Stage>& stages);

}  // namespace avrelt
