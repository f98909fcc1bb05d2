// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/growth_habits.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "cup/least_squares.h"

namespace avrelt {
namespace {

/// What reading the tape twice leaves open, as thickness: half a sixteenth of an inch at most each
/// time, evenly spread.
const double spreadOfTwo =
    std::sqrt(2.0) * Length::inches(1.0 / 32).mm() / std::sqrt(3.0) / (2 * std::numbers::pi);

double loaded(const CoatLoad& load, const CoatLoad& mean) {
  double sum = 0;
  for (std::size_t i = 0; i < materialCount; ++i) sum += load[i] * mean[i];
  return sum;
}

bool counts(const GrowthRecord& record) {
  double total = 0;
  for (const double amount : record.load) total += amount;
  // No coat is as thick as this, and no cup takes as much: a slip, or another unit.
  constexpr Length thickest = Length::mm(50);
  constexpr double mostLoad = 1e4;
  return abs(record.thickness) <= thickest && total > 0 && total <= mostLoad;
}

}  // namespace

const char* materialName(Material material) {
  static constexpr std::array<const char*, materialCount> names{
      "resin", "fine_glitter", "medium_glitter", "chunky_glitter", "paint"};
  return names[static_cast<std::size_t>(material)];
}

Length GrowthHabits::thickness(const CoatLoad& load) const {
  return Length::mm(loaded(load, mean));
}

Length GrowthHabits::spread(const CoatLoad& load) const {
  double variance = 0;
  bool any = false;
  for (std::size_t i = 0; i < materialCount; ++i) {
    any = any || load[i] > 0;
    variance += load[i] * loaded(load, covariance[i]);
  }
  if (!any) return {};
  return Length::mm(std::sqrt(std::max(0.0, variance) + scatter.mm() * scatter.mm()));
}

GrowthHabits habitsFrom(const std::vector<GrowthRecord>& records) {
  GrowthHabits habits;
  std::vector<Observation> observations;
  for (std::size_t i = 0; i < materialCount; ++i) {
    Observation guess;
    guess.terms.assign(materialCount, 0);
    guess.terms[i] = 1;
    guess.value = habits.mean[i];
    guess.weight = 1 / std::sqrt(habits.covariance[i][i]);
    observations.push_back(std::move(guess));
  }
  for (const GrowthRecord& record : records) {
    if (!counts(record)) continue;
    ++habits.records;
    for (std::size_t i = 0; i < materialCount; ++i) habits.seen[i] += record.load[i] > 0 ? 1 : 0;
    observations.push_back(
        {{record.load.begin(), record.load.end()}, record.thickness.mm(), 1 / spreadOfTwo});
  }
  if (habits.records == 0) return habits;

  const LinearFit first = robustLeastSquares(observations, materialCount);
  // How far cups really stray: the middle of what is left over, scaled to a deviation (1.4826 for
  // a normal spread), and never less than the tape.
  std::vector<double> left;
  for (std::size_t i = materialCount; i < observations.size(); ++i) {
    double off = observations[i].value;
    for (std::size_t j = 0; j < materialCount; ++j) off -= observations[i].terms[j] * first.x[j];
    left.push_back(std::abs(off));
  }
  std::sort(left.begin(), left.end());
  const double middle = (left[left.size() / 2] + left[(left.size() - 1) / 2]) / 2;
  const double scatter = std::max(1.4826 * middle, spreadOfTwo);
  for (std::size_t i = materialCount; i < observations.size(); ++i) {
    observations[i].weight = 1 / scatter;
  }
  const LinearFit fit = robustLeastSquares(observations, materialCount);
  for (std::size_t i = 0; i < materialCount; ++i) {
    // A coat never takes away.
    habits.mean[i] = std::max(0.0, fit.x[i]);
    for (std::size_t j = 0; j < materialCount; ++j) {
      habits.covariance[i][j] = fit.covariance[i][j];
    }
  }
  habits.scatter = Length::mm(scatter);
  return habits;
}

}  // namespace avrelt
