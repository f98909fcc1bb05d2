// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/chime.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

struct Stroke {
  double at;     ///< seconds
  double tone;   ///< hertz
  double fades;  ///< seconds until a third of it is left
};

struct Partial {
  double ratio;
  double loud;
  double fades;  ///< to the first one's
};
constexpr std::array<Partial, 3> partials{{{1, 1, 1}, {2.756, 0.4, 0.45}, {5.404, 0.15, 0.2}}};

std::vector<Stroke> strokesOf(Chime chime) {
  constexpr double lower = 587.33;  // D
  constexpr double higher = 880;    // A
  if (chime == Chime::ready) return {{0, lower, 0.35}, {0.28, higher, 0.5}};
  std::vector<Stroke> strokes;
  for (const double group : {0.0, 0.75}) {
    for (const double at : {0.0, 0.13, 0.26}) strokes.push_back({group + at, higher, 0.16});
  }
  return strokes;
}

}  // namespace

std::vector<std::int16_t> chimeSamples(Chime chime) {
  const std::vector<Stroke> strokes = strokesOf(chime);
  // What is left after so many times its fading is not heard.
  constexpr double heard = 4;
  double length = 0;
  for (const Stroke& stroke : strokes) {
    length = std::max(length, stroke.at + heard * stroke.fades);
  }
  std::vector<double> sum(static_cast<std::size_t>(length * chimeRate));
  constexpr double attack = 0.004;
  for (const Stroke& stroke : strokes) {
    for (auto i = static_cast<std::size_t>(stroke.at * chimeRate); i < sum.size(); ++i) {
      const double t = static_cast<double>(i) / chimeRate - stroke.at;
      for (const Partial& partial : partials) {
        sum[i] += partial.loud * std::min(1.0, t / attack) *
                  std::exp(-t / (stroke.fades * partial.fades)) *
                  std::sin(2 * std::numbers::pi * stroke.tone * partial.ratio * t);
      }
    }
  }
  double most = 0;
  for (const double value : sum) most = std::max(most, std::abs(value));
  constexpr double full = 32767 * 0.7;
  constexpr double release = 0.05;
  std::vector<std::int16_t> samples;
  samples.reserve(sum.size());
  for (std::size_t i = 0; i < sum.size(); ++i) {
    const double left = static_cast<double>(sum.size() - 1 - i) / chimeRate;
    samples.push_back(static_cast<std::int16_t>(
        std::lround(sum[i] / most * full * std::min(1.0, left / release))));
  }
  return samples;
}

}  // namespace avrelt
