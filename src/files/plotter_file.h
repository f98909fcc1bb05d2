// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "sheet/cut_job.h"

namespace avrelt {

/// A machine's way as a plotter file: a subset of HPGL, 40 units a millimetre (`docs/plotter.md`).
/// One command a line, at most 20 points in each, so that a machine that takes them one at a time
/// can be stopped anywhere.
std::string plotterFile(const std::vector<Stroke>& path, const Cutter& cutter);

}  // namespace avrelt
