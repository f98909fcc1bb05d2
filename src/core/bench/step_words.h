// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "bench/step.h"

namespace avrelt {

// What is told with a step, in the window, on papers, in the calendar and by the command line.

/// "Part A", "Fast resin, part A", "Glitter, night".
Sentence nameOf(const MixPart& part);
/// "7.9 ml", "12 g": as a cup or a scale shows it.
std::string measured(Volume volume);
std::string measured(Mass mass);
/// What a step takes: "Takes: Part A, 11 ml, 12 g; Part B, 11 ml, 11 g." None where it takes
/// nothing that is measured out.
std::optional<Sentence> takesWords(const Mix& mix);
/// "Then wait at least 5 h." None where nothing has to wait or hurry.
std::optional<Sentence> waitWords(const Wait& wait);
/// Both, where there are such.
std::vector<Sentence> detailsOf(const Step& step);

}  // namespace avrelt
