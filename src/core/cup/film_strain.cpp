// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/film_strain.h"

#include <algorithm>
#include <cmath>

#include "cup/ring_fit.h"

namespace avrelt {

double sharpestBend(const Body& body, Length low, Length high) {
  double bend = 0;
  for (const WallSample& sample : body.samples(low, high, 24)) {
    bend = std::max(bend, std::abs(sample.bend / sample.r));
  }
  return bend;
}

double strainOf(const Body& body, Length middle, Length wide, Length tall) {
  if (body.isCone() || tall <= Length()) return 0;
  const Length low = std::max(middle - tall / 2, Length());
  const Length high = std::min(middle + tall / 2, body.wall());
  if (high - low < Length::mm(0.1)) return 0;
  const std::vector<WallSample> samples = body.samples(low, high, 24);
  const double sector = fitRing(samples, 0, samples.size() - 1).largest();
  return std::min(sector, sharpestBend(body, low, high) * wide.mm() * wide.mm() / 16);
}

Length widestBorne(const Body& body, Length low, Length high, double bears) {
  constexpr Length longest = Length::mm(1e4);
  const double bend = sharpestBend(body, low, high);
  if (bend * longest.mm() * longest.mm() / 16 <= bears) return longest;
  return Length::mm(4 * std::sqrt(bears / bend));
}

}  // namespace avrelt
