// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace avrelt::ink {

/// The two inks of everything written to a file: what is cut, and what is only drawn.
inline constexpr const char* edge = "#22262A";
inline constexpr const char* guide = "#1F5E6B";

/// Height of a capital in Avrelt Sans, as a share of the type's size; half of it centres a line.
inline constexpr double capHeight = 0.727;

}  // namespace avrelt::ink
