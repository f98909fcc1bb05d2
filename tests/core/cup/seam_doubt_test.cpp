// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/seam_doubt.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

SeamDoubt doubtOf(Girth measured, const Doubt& doubt, const Stage& laid = {},
                  SizedFor sizedFor = SizedFor::laid) {
  return seamDoubt(bodyOf(all()[0].blank), measured, laid, sizedFor, doubt, Graduation::sixteenth);
}

/// Once round an ellipse, by adding up many short chords.
double perimeter(double a, double b) {
  double total = 0;
  constexpr int steps = 100000;
  for (int i = 0; i < steps; ++i) {
    const double t0 = 2 * pi * i / steps;
    const double t1 = 2 * pi * (i + 1) / steps;
    total += std::hypot(a * (std::cos(t1) - std::cos(t0)), b * (std::sin(t1) - std::sin(t0)));
  }
  return total;
}

}  // namespace

TEST_CASE("a tape one mark short leaves one mark of gap, a rule across pi marks") {
  CHECK(doubtOf(Girth::around, {1, {}, 0}).worst.inches() == Approx(1.0 / 16));
  CHECK(doubtOf(Girth::across, {1, {}, 0}).worst.inches() == Approx(pi / 16));
  CHECK(doubtOf(Girth::around, {0, {}, 0}).worst == Length());
  CHECK(doubtOf(Girth::around, {0, {}, 0}).cover == Length());
}

TEST_CASE("on an oval cup the tape is right and the rule is off, as the ellipse itself says") {
  const double mean = 75;
  const double difference = 1;
  const double a = mean / 2 + difference / 4;
  const double b = mean / 2 - difference / 4;
  const double true_ = perimeter(a, b);
  CHECK(std::abs(true_ - pi * mean) < 0.01);
  const double acrossLargest = pi * 2 * a;
  const SeamDoubt seam = doubtOf(Girth::across, {0, {Length::mm(difference), {}}, 0});
  CHECK(seam.round.mm() == Approx(acrossLargest - true_).epsilon(0.01));
  CHECK(doubtOf(Girth::around, {0, {Length::mm(difference), {}}, 0}).round == Length());
}

TEST_CASE("film that shrinks by a half per cent leaves a half per cent of the girth") {
  CHECK(doubtOf(Girth::around, {0, {}, 0.5}).film.inches() == Approx(9.25 * 0.005));
}

TEST_CASE("a guessed girth is in doubt by twice its spread, a bare size by all of the growth") {
  const Stage laid{2, Length::mm(0.5), Length::mm(0.1), false};
  CHECK(doubtOf(Girth::around, {0, {}, 0}, laid).growth.mm() == Approx(2 * pi * 0.2));
  CHECK(doubtOf(Girth::around, {0, {}, 0}, laid, SizedFor::bare).growth.mm() ==
        Approx(2 * pi * 0.5));
}

TEST_CASE("a girth measured at its stage leaves only what the tape leaves") {
  const Stage measured{2, Length::mm(0.5), Length::mm(0.1), true};
  const SeamDoubt seam = doubtOf(Girth::around, {1, {}, 0}, measured);
  CHECK(seam.growth == Length());
  CHECK(seam.worst.inches() == Approx(1.0 / 16));
  CHECK(doubtOf(Girth::around, {0, {}, 0}, measured, SizedFor::bare).growth.mm() ==
        Approx(2 * pi * 0.5));
}

TEST_CASE("the overlap that covers the worst lies on the next mark and does cover it") {
  const Stage laid{1, Length::mm(0.3), Length::mm(0.07), false};
  for (int marks = 0; marks <= 4; ++marks) {
    const SeamDoubt seam = doubtOf(Girth::across, {marks, {Length::mm(0.4), {}}, 0.3}, laid);
    CHECK(seam.worst == seam.tape + seam.round + seam.film + seam.growth);
    CHECK(seam.cover >= seam.worst - Length::mm(1e-6));
    CHECK(seam.cover - seam.worst < Length::inches(1.0 / 16));
    CHECK(nearestMark(seam.cover, Graduation::sixteenth) == seam.cover);
  }
}
