// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace avrelt {

/// Units in a millimetre of the grid on which outlines are joined, slid and measured exactly.
inline constexpr double gridPerMm = 1e4;

}  // namespace avrelt
