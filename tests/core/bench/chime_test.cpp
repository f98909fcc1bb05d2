// SPDX-License-Identifier: GPL-3.0-or-later
// What the bench rings with: the tones of a free bar, no clicks, never too loud.
#include "bench/chime.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <numbers>

using namespace avrelt;

namespace {

/// How much of a tone is in so many seconds of it: the discrete Fourier sum at that tone.
double heard(const std::vector<std::int16_t>& samples, double tone, double from, double seconds) {
  double real = 0;
  double imaginary = 0;
  const auto first = static_cast<std::size_t>(from * chimeRate);
  const auto count = static_cast<std::size_t>(seconds * chimeRate);
  for (std::size_t i = 0; i < count; ++i) {
    const double angle = 2 * std::numbers::pi * tone * static_cast<double>(i) / chimeRate;
    const double window = 0.5 - 0.5 * std::cos(2 * std::numbers::pi * static_cast<double>(i) /
                                               static_cast<double>(count));
    real += window * samples[first + i] * std::cos(angle);
    imaginary += window * samples[first + i] * std::sin(angle);
  }
  return std::hypot(real, imaginary) / static_cast<double>(count);
}

}  // namespace

TEST_CASE("A chime has the tones of a bar that is free at both ends", "[chime]") {
  const std::vector<std::int16_t> ready = chimeSamples(Chime::ready);
  // The roots of cos x cosh x = 1, which the tones of such a bar are the squares of.
  const auto root = [](double low, double high) {
    const auto f = [](double x) { return std::cos(x) * std::cosh(x) - 1; };
    for (int i = 0; i < 60; ++i) {
      const double middle = (low + high) / 2;
      ((f(low) < 0) == (f(middle) < 0) ? low : high) = middle;
    }
    return low;
  };
  const double first = root(4, 5);
  const double second = std::pow(root(7, 8.5) / first, 2);
  const double third = std::pow(root(10.5, 11.5) / first, 2);
  for (const double ratio : {1.0, second, third}) {
    INFO(ratio);
    const double tone = 587.33 * ratio;
    CHECK(heard(ready, tone, 0, 0.2) > 20 * heard(ready, tone * 1.09, 0, 0.2));
    CHECK(heard(ready, tone, 0, 0.2) > 20 * heard(ready, tone * 0.92, 0, 0.2));
  }
  // It rises.
  CHECK(heard(ready, 880, 0, 0.25) < heard(ready, 880, 0.3, 0.25) / 20);
}

TEST_CASE("Chimes begin and end in silence, are not too loud, and differ", "[chime]") {
  for (const Chime chime : {Chime::ready, Chime::soon}) {
    const std::vector<std::int16_t> samples = chimeSamples(chime);
    CHECK(samples.size() > chimeRate);
    CHECK(samples.size() < 3 * chimeRate);
    CHECK(std::abs(samples.front()) < 50);
    CHECK(std::abs(samples.back()) < 50);
    int most = 0;
    int step = 0;
    for (std::size_t i = 0; i < samples.size(); ++i) {
      most = std::max(most, std::abs(samples[i]));
      if (i > 0) step = std::max(step, std::abs(samples[i] - samples[i - 1]));
    }
    CHECK(most <= 32767 * 0.7 + 1);
    CHECK(most > 32767 * 0.6);
    // No click: never more in one sample than the tones themselves ask for.
    CHECK(step < most);
    CHECK(chimeSamples(chime) == samples);
  }
  CHECK(chimeSamples(Chime::ready) != chimeSamples(Chime::soon));
}
