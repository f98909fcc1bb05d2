// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

namespace avrelt {

/// A colour as the eye measures it: CIE 1976 L*a*b*, D65.
struct LabColour {
  double l = 0;
  double a = 0;
  double b = 0;
};

/// Of "#RRGGBB" (IEC 61966-2-1, sRGB); a middle grey for a text that is no colour.
LabColour labOf(const std::string& colour);

/// How different two colours look, CIEDE2000 (CIE 142:2001; Sharma, Wu, Dalal 2005, "The CIEDE2000
/// color-difference formula"): about 1 is just seen side by side.
double colourDifference(const LabColour& one, const LabColour& other);

/// Finishes nearer than this are told apart only in good light: a guess.
inline constexpr double alikeUnder = 8;

}  // namespace avrelt
