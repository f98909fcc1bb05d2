// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/body.h"

namespace avrelt {

/// The ring sector that fits a stretch of wall best, and what the film on it has to bear.
///
/// Laid with its heights kept, a sector of cone radius c(s) = a + k s has to stretch round the wall
/// of radius r(s) by r/c − 1: above 0 the film stretches, below 0 it lies full.
struct RingFit {
  double low = 0;          ///< mm up the wall
  double high = 0;         ///< mm up the wall
  double radiusAtLow = 0;  ///< mm, of the cone
  double taper = 0;        ///< of the cone
  double most = 0;         ///< largest stretch, as a share
  double least = 0;        ///< smallest; below 0 it is fullness

  double radius(double s) const { return radiusAtLow + taper * (s - low); }
  double stretch(const WallSample& sample) const { return sample.r / radius(sample.s) - 1; }
  double largest() const { return most > -least ? most : -least; }
  /// The cone with its base edge at `low`.
  Development cone() const;
};

/// Over samples[first … last]: the cone whose largest |stretch| is the least possible.
///
/// c fits within e where r/(1+e) ≤ c ≤ r/(1−e) all along, a straight line between two curves. It
/// exists just where the upper hull U of r and the lower hull L keep U/(1+e) ≤ L/(1−e), so that
/// e = (q − 1)/(q + 1) with q = max U/L: no search is needed. On a true cone U = L and e = 0.
RingFit fitRing(const std::vector<WallSample>& samples, std::size_t first, std::size_t last);

/// A cylinder as wide as the widest place: a straight sheet that goes round everywhere and lies
/// full where the wall is narrower.
RingFit fitSheet(const std::vector<WallSample>& samples, std::size_t first, std::size_t last);

/// The fewest runs of neighbouring samples that a ring sector each fits within `bears`, with the
/// stretch spread evenly over that many. At most `most` runs; where they do not do, the stretch
/// they leave is the least for that many. A run's last sample is the next one's first.
std::vector<RingFit> fitBands(const std::vector<WallSample>& samples, double bears, int most);

/// The longest run that one ring sector fits within `bears`; of equals the lowest.
RingFit longestFit(const std::vector<WallSample>& samples, double bears);

}  // namespace avrelt
