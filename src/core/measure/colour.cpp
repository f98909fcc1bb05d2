// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/colour.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <optional>

namespace avrelt {
namespace {

using std::numbers::pi;

/// The parts of "#RRGGBB"; nothing for other texts.
std::optional<std::array<int, 3>> partsOf(const std::string& colour) {
  if (colour.size() != 7 || colour[0] != '#') return std::nullopt;
  std::array<int, 3> parts{};
  for (std::size_t i = 0; i < 3; ++i) {
    for (const char c : colour.substr(1 + 2 * i, 2)) {
      const int digit = c >= '0' && c <= '9'   ? c - '0'
                        : c >= 'a' && c <= 'f' ? c - 'a' + 10
                        : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                               : -1;
      if (digit < 0) return std::nullopt;
      parts[i] = parts[i] * 16 + digit;
    }
  }
  return parts;
}

/// Red, green and blue as light, 0 to 1 (IEC 61966-2-1); nothing for texts that are no colour.
std::optional<std::array<double, 3>> lightOf(const std::string& colour) {
  const std::optional<std::array<int, 3>> parts = partsOf(colour);
  if (!parts) return std::nullopt;
  std::array<double, 3> light{};
  for (std::size_t i = 0; i < 3; ++i) {
    const double share = (*parts)[i] / 255.0;
    light[i] = share <= 0.04045 ? share / 12.92 : std::pow((share + 0.055) / 1.055, 2.4);
  }
  return light;
}

double degrees(double radians) {
  return radians * 180 / pi;
}
double radians(double degrees) {
  return degrees * pi / 180;
}
double seventh(double x) {
  return std::pow(x, 7);
}

}  // namespace

Rgb rgbOf(const std::string& colour) {
  const std::optional<std::array<int, 3>> parts = partsOf(colour);
  return parts ? Rgb{(*parts)[0], (*parts)[1], (*parts)[2]} : Rgb();
}

std::string colourText(double red, double green, double blue) {
  static constexpr char digits[] = "0123456789ABCDEF";
  std::string text = "#";
  for (const double part : {red, green, blue}) {
    const auto byte = static_cast<unsigned>(std::lround(std::clamp(part, 0.0, 255.0)));
    text += digits[byte / 16];
    text += digits[byte % 16];
  }
  return text;
}

LabColour labOf(const std::string& colour) {
  const std::optional<std::array<double, 3>> light = lightOf(colour);
  if (!light) return {50, 0, 0};
  const auto [r, g, b] = *light;
  const auto f = [](double t) {
    constexpr double edge = 6.0 / 29;
    return t > edge * edge * edge ? std::cbrt(t) : t / (3 * edge * edge) + 4.0 / 29;
  };
  const double x = f((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047);
  const double y = f(0.2126729 * r + 0.7151522 * g + 0.0721750 * b);
  const double z = f((0.0193339 * r + 0.1191920 * g + 0.9503041 * b) / 1.08883);
  return {116 * y - 16, 500 * (x - y), 200 * (y - z)};
}

double colourDifference(const LabColour& one, const LabColour& other) {
  const double meanC = (std::hypot(one.a, one.b) + std::hypot(other.a, other.b)) / 2;
  const double g = 0.5 * (1 - std::sqrt(seventh(meanC) / (seventh(meanC) + seventh(25))));
  const double a1 = (1 + g) * one.a;
  const double a2 = (1 + g) * other.a;
  const double c1 = std::hypot(a1, one.b);
  const double c2 = std::hypot(a2, other.b);
  const auto hue = [](double a, double b) {
    if (a == 0 && b == 0) return 0.0;
    const double h = degrees(std::atan2(b, a));
    return h < 0 ? h + 360 : h;
  };
  const double h1 = hue(a1, one.b);
  const double h2 = hue(a2, other.b);
  const double deltaL = other.l - one.l;
  const double deltaC = c2 - c1;
  double turn = 0;
  double meanH = h1 + h2;
  if (c1 * c2 != 0) {
    turn = h2 - h1;
    if (turn > 180) turn -= 360;
    if (turn < -180) turn += 360;
    if (std::abs(h1 - h2) <= 180) {
      meanH = (h1 + h2) / 2;
    } else {
      meanH = (h1 + h2 + (h1 + h2 < 360 ? 360 : -360)) / 2;
    }
  }
  const double deltaH = 2 * std::sqrt(c1 * c2) * std::sin(radians(turn / 2));
  const double meanL = (one.l + other.l) / 2;
  const double meanC2 = (c1 + c2) / 2;
  const double t = 1 - 0.17 * std::cos(radians(meanH - 30)) + 0.24 * std::cos(radians(2 * meanH)) +
                   0.32 * std::cos(radians(3 * meanH + 6)) -
                   0.20 * std::cos(radians(4 * meanH - 63));
  const double around = (meanH - 275) / 25;
  const double rotation = 2 * std::sqrt(seventh(meanC2) / (seventh(meanC2) + seventh(25))) *
                          std::sin(radians(60 * std::exp(-around * around)));
  const double off = (meanL - 50) * (meanL - 50);
  const double sl = 1 + 0.015 * off / std::sqrt(20 + off);
  const double sc = 1 + 0.045 * meanC2;
  const double sh = 1 + 0.015 * meanC2 * t;
  const double l = deltaL / sl;
  const double c = deltaC / sc;
  const double h = deltaH / sh;
  return std::sqrt(l * l + c * c + h * h - rotation * c * h);
}

double luminanceOf(const std::string& colour) {
  const std::optional<std::array<double, 3>> light = lightOf(colour);
  if (!light) return 0.5;
  return 0.2126 * (*light)[0] + 0.7152 * (*light)[1] + 0.0722 * (*light)[2];
}

std::string colourInWords(const std::string& colour) {
  const LabColour lab = labOf(colour);
  const double chroma = std::hypot(lab.a, lab.b);
  if (chroma < 4) {
    return lab.l < 12   ? "black"
           : lab.l < 38 ? "dark grey"
           : lab.l < 68 ? "grey"
           : lab.l < 93 ? "light grey"
                        : "white";
  }
  double hue = degrees(std::atan2(lab.b, lab.a));
  if (hue < 0) hue += 360;
  struct Hue {
    double to;
    const char* name;
  };
  static constexpr std::array<Hue, 10> hues{{{12, "pink"},
                                             {48, "red"},
                                             {76, "orange"},
                                             {108, "yellow"},
                                             {165, "green"},
                                             {220, "teal"},
                                             {308, "blue"},
                                             {330, "violet"},
                                             {350, "magenta"},
                                             {361, "pink"}}};
  std::string name = "pink";
  for (const Hue& one : hues) {
    if (hue >= one.to) continue;
    name = one.name;
    break;
  }
  const bool dark = lab.l < 32;
  const bool pale = lab.l > 78 && chroma < 35;
  if (name == "orange" && lab.l < 55) name = "brown";
  if (name == "yellow" && lab.l < 55) name = "olive";
  if (name == "yellow" && chroma < 35 && lab.l > 85) return "cream";
  if (name == "red" && (pale || lab.l > 72)) name = "pink";
  // Nearly grey: that goes before the hue.
  if (chroma < 16) name = "grey " + name;
  return (dark ? "dark " : pale ? "pale " : "") + name;
}

bool isColour(const std::string& text) {
  constexpr std::size_t length = 7;
  return text.size() == length && text[0] == '#' &&
         text.find_first_not_of("0123456789abcdefABCDEF", 1) == std::string::npos;
}

}  // namespace avrelt
