// SPDX-License-Identifier: GPL-3.0-or-later
#include "log/origin_fit.h"

#include <algorithm>
#include <boost/math/distributions/students_t.hpp>
#include <cmath>
#include <limits>

namespace avrelt {
namespace {

/// Of the absolute deviations from the middle to a standard deviation, of what is normal.
constexpr double perMiddle = 1.4826;

double middleOf(std::vector<double> values) {
  const std::size_t half = values.size() / 2;
  std::sort(values.begin(), values.end());
  return values.size() % 2 == 1 ? values[half] : (values[half - 1] + values[half]) / 2;
}

std::vector<FitPoint> usable(const std::vector<FitPoint>& points) {
  std::vector<FitPoint> kept;
  for (const FitPoint& point : points) {
    if (point.x > 0 && std::isfinite(point.x) && std::isfinite(point.y)) kept.push_back(point);
  }
  return kept;
}

double slopeOf(const std::vector<FitPoint>& points, const std::vector<double>& weights) {
  double xy = 0;
  double xx = 0;
  for (std::size_t i = 0; i < points.size(); ++i) {
    xy += weights[i] * points[i].x * points[i].y;
    xx += weights[i] * points[i].x * points[i].x;
  }
  return xx > 0 ? xy / xx : 0;
}

OriginFit withErrors(const std::vector<FitPoint>& points, const std::vector<double>& weights) {
  OriginFit fit;
  fit.count = points.size();
  if (points.empty()) return fit;
  fit.slope = slopeOf(points, weights);
  double squares = 0;
  double xx = 0;
  double sum = 0;
  for (std::size_t i = 0; i < points.size(); ++i) {
    const double off = points[i].y - fit.slope * points[i].x;
    squares += weights[i] * off * off;
    xx += weights[i] * points[i].x * points[i].x;
    sum += weights[i];
  }
  if (points.size() < 2) {
    fit.low = -std::numeric_limits<double>::infinity();
    fit.high = std::numeric_limits<double>::infinity();
    return fit;
  }
  // Points that count for less count for less here too.
  const double freedom = std::max(sum - 1, 0.5);
  fit.scatter = std::sqrt(squares / freedom);
  fit.error = fit.scatter / std::sqrt(xx);
  constexpr double upper = 0.975;
  const boost::math::students_t student(static_cast<double>(points.size() - 1));
  const double reach = boost::math::quantile(student, upper) * fit.error;
  fit.low = fit.slope - reach;
  fit.high = fit.slope + reach;
  return fit;
}

}  // namespace

OriginFit plainFit(const std::vector<FitPoint>& points) {
  const std::vector<FitPoint> kept = usable(points);
  return withErrors(kept, std::vector<double>(kept.size(), 1));
}

OriginFit robustFit(const std::vector<FitPoint>& points) {
  const std::vector<FitPoint> kept = usable(points);
  std::vector<double> weights(kept.size(), 1);
  if (kept.size() < 3) return withErrors(kept, weights);
  std::vector<double> slopes;
  slopes.reserve(kept.size());
  for (const FitPoint& point : kept) slopes.push_back(point.y / point.x);
  double slope = middleOf(slopes);
  constexpr double k = 1.345;
  constexpr int mostRounds = 200;
  constexpr double still = 1e-12;
  for (int round = 0; round < mostRounds; ++round) {
    std::vector<double> off;
    off.reserve(kept.size());
    for (const FitPoint& point : kept) off.push_back(std::abs(point.y - slope * point.x));
    const double reach = k * perMiddle * middleOf(off);
    for (std::size_t i = 0; i < kept.size(); ++i) {
      // Where more than half lie on the line there is no scatter: what does not, counts for little.
      weights[i] = off[i] <= reach ? 1 : std::max(reach / off[i], 1e-9);
    }
    const double next = slopeOf(kept, weights);
    const bool done = std::abs(next - slope) <= still * std::abs(next);
    slope = next;
    if (done) break;
  }
  return withErrors(kept, weights);
}

OriginFit shareFit(const std::vector<FitPoint>& points) {
  constexpr double z = 1.959963984540054;  // 95 of 100 of a normal spread
  OriginFit fit;
  double times = 0;
  double found = 0;
  for (const FitPoint& point : points) {
    if (point.x <= 0) continue;
    ++fit.count;
    times += point.x;
    found += std::clamp(point.y, 0.0, point.x);
  }
  if (times <= 0) return fit;
  const double share = found / times;
  fit.slope = share;
  fit.error = std::sqrt(share * (1 - share) / times);
  const double middle = (share + z * z / (2 * times)) / (1 + z * z / times);
  const double half = z / (1 + z * z / times) *
                      std::sqrt(share * (1 - share) / times + z * z / (4 * times * times));
  // At either end rounding would leave a hair.
  fit.low = found > 0 ? std::max(0.0, middle - half) : 0;
  fit.high = found < times ? std::min(1.0, middle + half) : 1;
  return fit;
}

std::vector<bool> oddOnes(const std::vector<FitPoint>& points) {
  std::vector<bool> odd(points.size(), false);
  std::vector<double> logs;
  for (const FitPoint& point : points) {
    if (point.x > 0 && point.y > 0) logs.push_back(std::log(point.y / point.x));
  }
  constexpr std::size_t fewest = 4;
  if (logs.size() < fewest) return odd;
  const double middle = middleOf(logs);
  std::vector<double> off;
  off.reserve(logs.size());
  for (const double one : logs) off.push_back(std::abs(one - middle));
  const double spread = perMiddle * middleOf(off);
  // Where most are the same, a tenth is no oddity.
  constexpr double leastSpread = 0.03;
  constexpr double most = 3.5;
  for (std::size_t i = 0; i < points.size(); ++i) {
    const FitPoint& point = points[i];
    if (point.x <= 0) continue;
    odd[i] = point.y <= 0 ||
             std::abs(std::log(point.y / point.x) - middle) > most * std::max(spread, leastSpread);
  }
  return odd;
}

}  // namespace avrelt
