// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/ring_fit.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// The steepest cone a sheet is cut for.
constexpr double steepestCut = 0.99;

/// Indices of one hull of r over s, from left to right; `side` 1 for the upper, −1 for the lower.
void hullOf(const std::vector<WallSample>& samples, std::size_t first, std::size_t last,
            double side, std::vector<std::size_t>& hull) {
  hull.clear();
  for (std::size_t i = first; i <= last; ++i) {
    while (hull.size() > 1) {
      const WallSample& a = samples[hull[hull.size() - 2]];
      const WallSample& b = samples[hull.back()];
      const WallSample& c = samples[i];
      const double turn = (b.s - a.s) * (c.r - a.r) - (b.r - a.r) * (c.s - a.s);
      if (side * turn < 0) break;
      hull.pop_back();
    }
    hull.push_back(i);
  }
}

double along(const WallSample& a, const WallSample& b, double s) {
  return a.r + (b.r - a.r) * (s - a.s) / (b.s - a.s);
}

double slope(const WallSample& a, const WallSample& b) {
  return (b.r - a.r) / (b.s - a.s);
}

struct Widest {
  double ratio = 1;
  double s = 0;
  double upper = 0;
  double slope = 0;  ///< of the line between the hulls, before it is scaled
};

/// Where the upper hull stands highest over the lower, and how a line runs between them there.
Widest widestGap(const std::vector<WallSample>& samples, const std::vector<std::size_t>& upper,
                 const std::vector<std::size_t>& lower) {
  Widest widest;
  widest.s = samples[upper.front()].s;
  widest.upper = samples[upper.front()].r;
  std::size_t u = 0;  // the stretch of the upper hull that holds s
  std::size_t l = 0;
  std::size_t atUpper = 0;
  std::size_t atLower = 0;
  const auto consider = [&](double s, bool cornerOfUpper) {
    const double high = along(samples[upper[u]], samples[upper[u + 1]], s);
    const double low = along(samples[lower[l]], samples[lower[l + 1]], s);
    const double ratio = high / low;
    if (ratio <= widest.ratio) return;
    widest.ratio = ratio;
    widest.s = s;
    widest.upper = high;
    // At a corner of one hull the line runs along the other.
    const double e = (ratio - 1) / (ratio + 1);
    widest.slope = cornerOfUpper ? slope(samples[lower[l]], samples[lower[l + 1]]) / (1 - e)
                                 : slope(samples[upper[u]], samples[upper[u + 1]]) / (1 + e);
  };
  widest.slope = slope(samples[upper.front()], samples[upper.back()]);
  while (atUpper + 1 < upper.size() || atLower + 1 < lower.size()) {
    const double nextUpper = atUpper + 1 < upper.size() ? samples[upper[atUpper + 1]].s : HUGE_VAL;
    const double nextLower = atLower + 1 < lower.size() ? samples[lower[atLower + 1]].s : HUGE_VAL;
    if (nextUpper < nextLower) {
      u = atUpper++;
      l = std::min(atLower, lower.size() - 2);
      consider(nextUpper, true);
    } else {
      l = atLower++;
      u = std::min(atUpper, upper.size() - 2);
      consider(nextLower, false);
    }
  }
  return widest;
}

void weigh(const std::vector<WallSample>& samples, std::size_t first, std::size_t last,
           RingFit& fit) {
  fit.most = -HUGE_VAL;
  fit.least = HUGE_VAL;
  for (std::size_t i = first; i <= last; ++i) {
    const double stretch = fit.stretch(samples[i]);
    fit.most = std::max(fit.most, stretch);
    fit.least = std::min(fit.least, stretch);
  }
}

/// The largest stretch of the best fit, without the fit.
class Gauge {
 public:
  explicit Gauge(const std::vector<WallSample>& samples) : samples_(samples) {}

  double operator()(std::size_t first, std::size_t last) {
    if (last <= first + 1) return 0;
    hullOf(samples_, first, last, 1, upper_);
    hullOf(samples_, first, last, -1, lower_);
    const double q = widestGap(samples_, upper_, lower_).ratio;
    return (q - 1) / (q + 1);
  }

 private:
  const std::vector<WallSample>& samples_;
  std::vector<std::size_t> upper_;
  std::vector<std::size_t> lower_;
};

/// The last sample that a run from `first` reaches within `bears`. A longer run never fits better,
/// so doubling and halving finds it.
std::size_t reach(Gauge& gauge, std::size_t first, std::size_t end, double bears) {
  std::size_t good = std::min(first + 1, end);
  std::size_t stride = 1;
  while (good < end) {
    const std::size_t next = std::min(good + stride, end);
    if (gauge(first, next) > bears) break;
    good = next;
    stride *= 2;
  }
  std::size_t bad = std::min(good + stride, end + 1);
  while (good + 1 < bad) {
    const std::size_t middle = good + (bad - good) / 2;
    (gauge(first, middle) <= bears ? good : bad) = middle;
  }
  return good;
}

/// Where the runs end, taken as long as they will go; more than `most` of them are not counted out.
std::vector<std::size_t> runs(Gauge& gauge, std::size_t end, double bears, std::size_t most) {
  std::vector<std::size_t> ends;
  std::size_t first = 0;
  while (first < end && ends.size() <= most) {
    first = reach(gauge, first, end, bears);
    ends.push_back(first);
  }
  return ends;
}

}  // namespace

Development RingFit::cone() const {
  return Development::cone(Length::mm(radiusAtLow), taper, Length::mm(high - low));
}

RingFit fitRing(const std::vector<WallSample>& samples, std::size_t first, std::size_t last) {
  std::vector<std::size_t> upper;
  std::vector<std::size_t> lower;
  hullOf(samples, first, last, 1, upper);
  hullOf(samples, first, last, -1, lower);
  const Widest widest = widestGap(samples, upper, lower);
  RingFit fit;
  fit.low = samples[first].s;
  fit.high = samples[last].s;
  const double e = (widest.ratio - 1) / (widest.ratio + 1);
  fit.taper = std::clamp(widest.slope, -steepestCut, steepestCut);
  fit.radiusAtLow = widest.upper / (1 + e) + fit.taper * (fit.low - widest.s);
  weigh(samples, first, last, fit);
  return fit;
}

RingFit fitSheet(const std::vector<WallSample>& samples, std::size_t first, std::size_t last) {
  RingFit fit;
  fit.low = samples[first].s;
  fit.high = samples[last].s;
  for (std::size_t i = first; i <= last; ++i) {
    fit.radiusAtLow = std::max(fit.radiusAtLow, samples[i].r);
  }
  weigh(samples, first, last, fit);
  return fit;
}

std::vector<RingFit> fitBands(const std::vector<WallSample>& samples, double bears, int most) {
  Gauge gauge(samples);
  const std::size_t end = samples.size() - 1;
  const auto cap = static_cast<std::size_t>(most);
  std::vector<std::size_t> best = runs(gauge, end, bears, cap);
  const bool tooMany = best.size() > cap;
  const std::size_t wanted = tooMany ? cap : best.size();
  double tooLittle = tooMany ? bears : 0;
  double enough = tooMany ? gauge(0, end) : bears;
  if (tooMany) best = runs(gauge, end, enough, cap);
  // The least stretch that so many bands can leave, halved down to.
  for (int i = 0; i < 14 && (wanted > 1 || tooMany); ++i) {
    const double middle = (tooLittle + enough) / 2;
    std::vector<std::size_t> tried = runs(gauge, end, middle, cap);
    if (tried.size() <= wanted) {
      enough = middle;
      best = std::move(tried);
    } else {
      tooLittle = middle;
    }
  }
  std::vector<RingFit> bands;
  std::size_t first = 0;
  for (const std::size_t last : best) {
    bands.push_back(fitRing(samples, first, last));
    first = last;
  }
  return bands;
}

RingFit longestFit(const std::vector<WallSample>& samples, double bears) {
  Gauge gauge(samples);
  const std::size_t end = samples.size() - 1;
  std::size_t bestFirst = 0;
  std::size_t bestLast = 1;
  std::size_t last = 1;
  for (std::size_t first = 0; first < end; ++first) {
    last = std::max(last, first + 1);
    while (last < end && gauge(first, last + 1) <= bears) ++last;
    if (samples[last].s - samples[first].s >
        (samples[bestLast].s - samples[bestFirst].s) * (1 + 1e-9)) {
      bestFirst = first;
      bestLast = last;
    }
    if (last == end) break;
  }
  return fitRing(samples, bestFirst, bestLast);
}

}  // namespace avrelt
