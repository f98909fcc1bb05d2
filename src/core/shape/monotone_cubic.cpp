// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/monotone_cubic.h"

#include <algorithm>
#include <cmath>

namespace avrelt {

std::vector<double> monotoneSlopes(const std::vector<Knot>& knots) {
  const std::size_t count = knots.size();
  std::vector<double> chord(count - 1);
  for (std::size_t i = 0; i + 1 < count; ++i) {
    chord[i] = (knots[i + 1].y - knots[i].y) / (knots[i + 1].x - knots[i].x);
  }
  std::vector<double> slope(count);
  slope.front() = chord.front();
  slope.back() = chord.back();
  for (std::size_t i = 1; i + 1 < count; ++i) {
    const bool turns = chord[i - 1] * chord[i] <= 0;
    slope[i] = turns ? 0 : (chord[i - 1] + chord[i]) / 2;
  }
  for (std::size_t i = 0; i + 1 < count; ++i) {
    if (chord[i] == 0) {
      slope[i] = slope[i + 1] = 0;
      continue;
    }
    const double alpha = slope[i] / chord[i];
    const double beta = slope[i + 1] / chord[i];
    const double reach = std::hypot(alpha, beta);
    if (reach <= 3) continue;
    slope[i] = 3 / reach * alpha * chord[i];
    slope[i + 1] = 3 / reach * beta * chord[i];
  }
  return slope;
}

double HermiteCubic::at(double x) const {
  const double t = x / length;
  const double u = 1 - t;
  return y0 * u * u * (1 + 2 * t) + y1 * t * t * (3 - 2 * t) + length * t * u * (m0 * u - m1 * t);
}

double HermiteCubic::slope(double x) const {
  const double t = x / length;
  const double chord = (y1 - y0) / length;
  return 6 * chord * t * (1 - t) + m0 * (1 - t) * (1 - 3 * t) + m1 * t * (3 * t - 2);
}

double HermiteCubic::curvature(double x) const {
  const double t = x / length;
  const double chord = (y1 - y0) / length;
  return (6 * chord * (1 - 2 * t) + m0 * (6 * t - 4) + m1 * (6 * t - 2)) / length;
}

double HermiteCubic::steepest() const {
  double most = std::max(std::abs(m0), std::abs(m1));
  // The slope is a parabola over t; its summit, where it lies inside.
  const double chord = (y1 - y0) / length;
  const double bend = 6 * (m0 + m1 - 2 * chord);
  if (bend != 0) {
    const double t = (4 * m0 + 2 * m1 - 6 * chord) / bend;
    if (t > 0 && t < 1) most = std::max(most, std::abs(slope(t * length)));
  }
  return most;
}

}  // namespace avrelt
