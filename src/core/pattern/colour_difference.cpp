// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colour_difference.h"

#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

double channel(const std::string& colour, std::size_t at) {
  int value = 0;
  for (std::size_t i = at; i < at + 2; ++i) {
    const char c = colour[i];
    const int digit = c >= '0' && c <= '9'   ? c - '0'
                      : c >= 'a' && c <= 'f' ? c - 'a' + 10
                      : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                             : 8;
    value = value * 16 + digit;
  }
  const double share = value / 255.0;
  return share <= 0.04045 ? share / 12.92 : std::pow((share + 0.055) / 1.055, 2.4);
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

LabColour labOf(const std::string& colour) {
  if (colour.size() != 7 || colour[0] != '#') return {50, 0, 0};
  const double r = channel(colour, 1);
  const double g = channel(colour, 3);
  const double b = channel(colour, 5);
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

}  // namespace avrelt
