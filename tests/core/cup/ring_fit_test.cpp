// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/ring_fit.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

std::vector<WallSample> samplesOf(const Body& body, int count = 120) {
  return body.samples(Length(), body.wall(), count);
}

double largestOf(const std::vector<WallSample>& samples, double radius, double taper) {
  double largest = 0;
  for (const WallSample& wall : samples) {
    const double film = radius + taper * wall.s;
    largest = std::max(largest, film > 0 ? std::abs(wall.r / film - 1) : HUGE_VAL);
  }
  return largest;
}

}  // namespace

TEST_CASE("of a cone the best fit is the cone itself") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Body body = bodyOf(cup.blank);
    const std::vector<WallSample> samples = samplesOf(body);
    const RingFit fit = fitRing(samples, 0, samples.size() - 1);
    CHECK(fit.largest() < 1e-9);
    CHECK(fit.taper == Approx(body.cone().taper()).margin(1e-9));
    CHECK(fit.radiusAtLow == Approx(body.radius(Length()).mm()));
  }
}

TEST_CASE("no other cone stretches less: tried all round the best one") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const std::vector<WallSample> samples = samplesOf(bodyOf(cup.blank));
    const RingFit fit = fitRing(samples, 0, samples.size() - 1);
    CHECK(fit.most == Approx(-fit.least).margin(1e-9));
    CHECK(fit.most == Approx(largestOf(samples, fit.radiusAtLow, fit.taper)).margin(1e-9));
    for (int i = -20; i <= 20; ++i) {
      for (int j = -20; j <= 20; ++j) {
        const double radius = fit.radiusAtLow * (1 + i * 0.002);
        const double taper = fit.taper + j * 0.001;
        CHECK(largestOf(samples, radius, taper) >= fit.largest() - 1e-9);
      }
    }
  }
}

TEST_CASE("any wall's best fit touches its bound at both signs") {
  const bool holds = rc::check([] {
    std::vector<WallSample> samples;
    const int count = *rc::gen::inRange(3, 60);
    for (int i = 0; i < count; ++i) {
      samples.push_back({i * 2.0, 30 + *rc::gen::inRange(-90, 90) / 100.0, 0, 0});
    }
    const RingFit fit = fitRing(samples, 0, samples.size() - 1);
    RC_ASSERT(fit.most >= -1e-9);
    RC_ASSERT(fit.least <= 1e-9);
    RC_ASSERT(std::abs(fit.most + fit.least) < 1e-9);
  });
  CHECK(holds);
}

TEST_CASE("a straight sheet goes round at the widest place and lies full elsewhere") {
  const Body body = bodyOf(allCurved()[1].blank);
  const std::vector<WallSample> samples = samplesOf(body);
  const RingFit sheet = fitSheet(samples, 0, samples.size() - 1);
  CHECK(sheet.taper == 0);
  CHECK(sheet.most == Approx(0).margin(1e-12));
  CHECK(sheet.least == Approx(230.0 / 280 - 1).epsilon(1e-6));
}

TEST_CASE("bands cover the wall without a gap, each within what the film bears") {
  for (const Named& cup : allCurved()) {
    for (const double bears : {0.001, 0.01, 0.04}) {
      INFO(cup.name << " bears " << bears);
      const std::vector<WallSample> samples = samplesOf(bodyOf(cup.blank));
      const std::vector<RingFit> bands = fitBands(samples, bears, 200);
      CHECK(bands.front().low == samples.front().s);
      CHECK(bands.back().high == samples.back().s);
      for (std::size_t i = 0; i < bands.size(); ++i) {
        CHECK(bands[i].largest() <= bears + 1e-9);
        if (i > 0) CHECK(bands[i].low == bands[i - 1].high);
      }
      // One band fewer would not do: the first of them alone reaches no farther within `bears`.
      if (bands.size() > 1) {
        CHECK(
            static_cast<int>(fitBands(samples, bears, static_cast<int>(bands.size()) - 1).size()) <
            static_cast<int>(bands.size()));
        double worst = 0;
        for (const RingFit& band : fitBands(samples, bears, static_cast<int>(bands.size()) - 1)) {
          worst = std::max(worst, band.largest());
        }
        CHECK(worst > bears);
      }
    }
  }
}

TEST_CASE("a body of straight parts comes apart at its corners without stretch") {
  const Body plump = bodyOf(allCurved()[0].blank);
  const std::vector<WallSample> samples = samplesOf(plump);
  const std::vector<RingFit> bands = fitBands(samples, 0.001, 24);
  REQUIRE(bands.size() == 3);
  CHECK(bands[0].high == Approx(plump.stations()[1].mm()).margin(1.7));
  for (const RingFit& band : bands) CHECK(band.largest() <= 0.001);
}

TEST_CASE("the longest run within a bound cannot be made longer at either end") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const std::vector<WallSample> samples = samplesOf(bodyOf(cup.blank));
    const double bears = 0.01;
    const RingFit longest = longestFit(samples, bears);
    CHECK(longest.largest() <= bears + 1e-12);
    for (std::size_t first = 0; first < samples.size(); ++first) {
      for (std::size_t last = first + 1; last < samples.size(); last += 7) {
        if (samples[last].s - samples[first].s <= longest.high - longest.low + 1e-9) continue;
        CHECK(fitRing(samples, first, last).largest() > bears);
      }
    }
  }
}
