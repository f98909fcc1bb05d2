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

/// Whether a text is "#RRGGBB".
bool isColour(const std::string& text);

/// A colour by its parts, each 0 to 255.
struct Rgb {
  int red = 128;
  int green = 128;
  int blue = 128;
};
/// Of "#RRGGBB"; a middle grey for a text that is no colour.
Rgb rgbOf(const std::string& colour);

/// "#1F5E6B", of parts from 0 to 255, each rounded.
std::string colourText(double red, double green, double blue);

/// Of "#RRGGBB" (IEC 61966-2-1, sRGB); a middle grey for a text that is no colour.
LabColour labOf(const std::string& colour);

/// How different two colours look, CIEDE2000 (CIE 142:2001; Sharma, Wu, Dalal 2005, "The CIEDE2000
/// color-difference formula"): about 1 is just seen side by side.
double colourDifference(const LabColour& one, const LabColour& other);

/// Finishes nearer than this are told apart only in good light: a guess.
inline constexpr double alikeUnder = 8;

/// Relative luminance of "#RRGGBB", 0 black to 1 white (WCAG 2.1, "relative luminance"); 0.5 for a
/// text that is no colour.
double luminanceOf(const std::string& colour);

/// What a person would call "#RRGGBB" that has no name: "dark blue", "grey blue", "cream". By
/// lightness, chroma and hue in L*a*b*; where one word ends and the next begins is a guess.
std::string colourInWords(const std::string& colour);

}  // namespace avrelt
