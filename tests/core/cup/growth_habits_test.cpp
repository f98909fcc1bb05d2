// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/growth_habits.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "cup/least_squares.h"

using namespace avrelt;

namespace {

CoatLoad load(double resin, double fine = 0, double paint = 0) {
  return {resin, fine, 0, 0, paint};
}

/// What a maker would log whose resin stays on by 0.30 and whose fine glitter is 0.20 mm thick.
std::vector<GrowthRecord> logged(int count, double noise = 0) {
  std::vector<GrowthRecord> records;
  for (int i = 0; i < count; ++i) {
    const double resin = 0.2 + 0.1 * (i % 4);
    const double fine = i % 2;
    const double off = noise * ((i * 7) % 5 - 2) / 2;
    records.push_back({load(resin, fine), Length::mm(0.30 * resin + 0.20 * fine + off)});
  }
  return records;
}

}  // namespace

TEST_CASE("least squares agree with NIST's certified values") {
  // NIST Statistical Reference Datasets, linear regression, "Norris" (lower difficulty): 36
  // calibrations of an ozone monitor; certified B0 = -0.262323073774029, B1 = 1.00211681802045,
  // residual sum of squares 26.6173985294224. Data and values from memory: a slip in either would
  // not give the other's twelve digits.
  const double data[][2] = {{0.1, 0.2},     {338.8, 337.4}, {118.1, 118.2}, {888.0, 884.6},
                            {9.2, 10.1},    {228.1, 226.5}, {668.5, 666.3}, {998.5, 996.3},
                            {449.1, 448.6}, {778.9, 777.0}, {559.2, 558.2}, {0.3, 0.4},
                            {0.1, 0.6},     {778.1, 775.5}, {668.8, 666.9}, {339.3, 338.0},
                            {448.9, 447.5}, {10.8, 11.6},   {557.7, 556.0}, {228.3, 228.1},
                            {998.0, 995.8}, {888.8, 887.6}, {119.6, 120.2}, {0.3, 0.3},
                            {0.6, 0.3},     {557.6, 556.8}, {339.3, 339.1}, {888.0, 887.2},
                            {998.5, 999.0}, {778.9, 779.0}, {10.2, 11.1},   {117.6, 118.3},
                            {228.9, 229.2}, {668.4, 669.1}, {449.2, 448.9}, {0.2, 0.5}};
  std::vector<Observation> observations;
  for (const auto& row : data) observations.push_back({{1, row[1]}, row[0], 1});
  const LinearFit fit = leastSquares(observations);
  CHECK(fit.x[0] == Approx(-0.262323073774029).epsilon(1e-11));
  CHECK(fit.x[1] == Approx(1.00211681802045).epsilon(1e-12));
  CHECK(fit.sumOfSquares == Approx(26.6173985294224).epsilon(1e-10));
  // And robustly: no point of it lies far off at a spread of 3, so nothing changes.
  for (Observation& seen : observations) seen.weight = 1.0 / 3;
  CHECK(robustLeastSquares(observations).x[1] == Approx(1.00211681802045).epsilon(1e-10));
}

TEST_CASE("a straight line with one wild point is found by the robust fit") {
  std::vector<Observation> observations;
  for (int i = 0; i < 20; ++i) observations.push_back({{1, double(i)}, 3 + 0.5 * i, 10});
  observations[7].value = 60;
  const LinearFit plain = leastSquares(observations);
  const LinearFit robust = robustLeastSquares(observations);
  CHECK(std::abs(robust.x[0] - 3) < 0.05);
  CHECK(std::abs(robust.x[1] - 0.5) < 0.01);
  CHECK(std::abs(plain.x[0] - 3) > 1);
}

TEST_CASE("without records the habits are the cautious guess") {
  const GrowthHabits habits = habitsFrom({});
  CHECK(habits == GrowthHabits());
  CHECK(habits.records == 0);
  CHECK(habits.thickness(load(0.5, 1)).mm() == Approx(0.40 * 0.5 + 0.10));
  CHECK(habits.spread(load(0.5)).mm() == Approx(0.12 * 0.5));
  CHECK(habits.spread(load(0)) == Length());
}

TEST_CASE("a maker's own records replace the guess, the more of them the surer") {
  const GrowthHabits few = habitsFrom(logged(4));
  const GrowthHabits many = habitsFrom(logged(40));
  CHECK(many.records == 40);
  CHECK(many.seen[static_cast<std::size_t>(Material::resin)] == 40);
  CHECK(many.seen[static_cast<std::size_t>(Material::fineGlitter)] == 20);
  CHECK(many.seen[static_cast<std::size_t>(Material::paint)] == 0);
  const CoatLoad cup = load(0.4, 1);
  const double truth = 0.30 * 0.4 + 0.20;
  CHECK(many.thickness(cup).mm() == Approx(truth).margin(0.02));
  CHECK(std::abs(many.thickness(cup).mm() - truth) <=
        std::abs(GrowthHabits().thickness(cup).mm() - truth));
  CHECK(many.spread(cup) < few.spread(cup));
  // What was never on a logged cup stays the guess.
  CHECK(many.mean[static_cast<std::size_t>(Material::paint)] == Approx(0.03));
}

TEST_CASE("one cup measured wildly wrong hardly moves the habits") {
  std::vector<GrowthRecord> records = logged(20, 0.02);
  const double before = habitsFrom(records).thickness(load(0.4, 1)).mm();
  records.push_back({load(0.3, 1), Length::mm(4)});
  CHECK(habitsFrom(records).thickness(load(0.4, 1)).mm() == Approx(before).margin(0.03));
}

TEST_CASE("scattered records say so") {
  CHECK(habitsFrom(logged(30, 0.3)).scatter > habitsFrom(logged(30)).scatter);
  CHECK(habitsFrom(logged(30)).scatter > Length());  // never surer than the tape
}

TEST_CASE("no logged value, however wild, makes a figure that is none") {
  for (const double wild : {1e300, -1e300, 1e18, 60.0, -60.0}) {
    for (const double amount : {0.3, 1e-300, 1e300}) {
      std::vector<GrowthRecord> records = logged(3);
      records.push_back({load(amount, 1), Length::mm(wild)});
      records.push_back({load(amount), Length::mm(wild)});
      const GrowthHabits habits = habitsFrom(records);
      CHECK(std::isfinite(habits.thickness(load(0.4, 1)).mm()));
      CHECK(std::isfinite(habits.spread(load(0.4, 1)).mm()));
      CHECK(habits.thickness(load(0.4, 1)) < Length::mm(5));
    }
  }
}

TEST_CASE("records that say nothing are left out") {
  CHECK(habitsFrom({{load(0), Length::mm(1)}, {load(0.3), Length::mm(NAN)}}).records == 0);
}
