// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

namespace avrelt {

/// What the bench rings with: that something may go on, or that it has to, soon.
enum class Chime { ready, soon };

/// Samples a second.
inline constexpr int chimeRate = 44'100;

/// The sound as samples, one channel: strokes on a bar that is free at both ends, whose second and
/// third tones are 2.756 and 5.404 times as high as the first and die away sooner (Euler and
/// Bernoulli's beam; as in Fletcher and Rossing, The Physics of Musical Instruments, from memory).
/// Two strokes, rising, for what may go on; three quick ones, twice, for what hurries. Silent at
/// both ends, and never louder than seven tenths of full.
std::vector<std::int16_t> chimeSamples(Chime chime);

}  // namespace avrelt
