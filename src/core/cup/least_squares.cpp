// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/least_squares.h"

#include <algorithm>
#include <cmath>
#include <Eigen/Dense>

namespace avrelt {

LinearFit leastSquares(const std::vector<Observation>& observations) {
  const auto rows = static_cast<Eigen::Index>(observations.size());
  const auto columns = static_cast<Eigen::Index>(observations.front().terms.size());
  Eigen::MatrixXd a(rows, columns);
  Eigen::VectorXd y(rows);
  for (Eigen::Index i = 0; i < rows; ++i) {
    const Observation& seen = observations[static_cast<std::size_t>(i)];
    for (Eigen::Index j = 0; j < columns; ++j) {
      a(i, j) = seen.weight * seen.terms[static_cast<std::size_t>(j)];
    }
    y(i) = seen.weight * seen.value;
  }
  const Eigen::VectorXd x = a.colPivHouseholderQr().solve(y);
  const Eigen::MatrixXd covariance = (a.transpose() * a).inverse();
  LinearFit fit;
  fit.x.assign(x.data(), x.data() + x.size());
  fit.sumOfSquares = (y - a * x).squaredNorm();
  const auto size = static_cast<std::size_t>(columns);
  fit.covariance.assign(size, std::vector<double>(size));
  for (Eigen::Index i = 0; i < columns; ++i) {
    for (Eigen::Index j = 0; j < columns; ++j) {
      fit.covariance[static_cast<std::size_t>(i)][static_cast<std::size_t>(j)] = covariance(i, j);
    }
  }
  return fit;
}

LinearFit robustLeastSquares(std::vector<Observation> observations, std::size_t kept) {
  constexpr double bend = 1.345;
  constexpr int turns = 40;
  std::vector<double> weights;
  weights.reserve(observations.size());
  for (const Observation& seen : observations) weights.push_back(seen.weight);
  LinearFit fit = leastSquares(observations);
  for (int turn = 0; turn < turns; ++turn) {
    for (std::size_t i = kept; i < observations.size(); ++i) {
      Observation& seen = observations[i];
      double off = seen.value;
      for (std::size_t j = 0; j < fit.x.size(); ++j) off -= seen.terms[j] * fit.x[j];
      const double deviations = std::abs(off) * weights[i];
      // The weight stands squared in the sum, so its root is taken here.
      seen.weight = weights[i] * (deviations <= bend ? 1 : std::sqrt(bend / deviations));
    }
    const LinearFit next = leastSquares(observations);
    double moved = 0;
    for (std::size_t j = 0; j < fit.x.size(); ++j) {
      moved = std::max(moved, std::abs(next.x[j] - fit.x[j]));
    }
    fit = next;
    if (moved < 1e-12) break;
  }
  return fit;
}

}  // namespace avrelt
