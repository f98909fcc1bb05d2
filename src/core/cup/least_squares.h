// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace avrelt {

/// One observation: what the terms were, what came of them, and how much it counts.
struct Observation {
  std::vector<double> terms;
  double value = 0;
  double weight = 1;  ///< 1 / (standard deviation), of the value's own unit
};

/// The coefficients that make Σ (weight · (value − terms · x))² least.
struct LinearFit {
  std::vector<double> x;
  /// (AᵀW²A)⁻¹, row by row: the coefficients' covariance when weights are true.
  std::vector<std::vector<double>> covariance;
  double sumOfSquares = 0;  ///< weighted
};

/// By Householder QR with column pivoting (Eigen). At least as many independent observations as
/// terms; all with the same number of terms.
LinearFit leastSquares(const std::vector<Observation>& observations);

/// The same, but far-off observations pull no harder than those at 1.345 deviations: Huber's
/// weights, found by taking turns between fit and weights (Huber, "Robust Estimation of a Location
/// Parameter", Ann. Math. Statist. 35, 1964). The first `kept` observations are never weighed down.
LinearFit robustLeastSquares(std::vector<Observation> observations, std::size_t kept = 0);

}  // namespace avrelt
