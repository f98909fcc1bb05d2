// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/paper.h"

#include <catch2/catch.hpp>

using namespace avrelt;

TEST_CASE("papers have the sizes of their standards") {
  // ISO 216: A4 is 210 mm × 297 mm.
  CHECK(sizeOf(Paper::a4).width == Length::mm(210));
  CHECK(sizeOf(Paper::a4).height == Length::mm(297));
  // ANSI/ASME Y14.1: size A is 8.5 in × 11 in.
  CHECK(sizeOf(Paper::letter).width.mm() == Approx(215.9));
  CHECK(sizeOf(Paper::letter).height.mm() == Approx(279.4));
}

TEST_CASE("papers are known by name, capitals or not") {
  CHECK(paperFromName("A4") == Paper::a4);
  CHECK(paperFromName("LETTER") == Paper::letter);
  CHECK_FALSE(paperFromName("A3").has_value());
  CHECK_FALSE(paperFromName("").has_value());
  CHECK(paperFromName(paperName(Paper::letter)) == Paper::letter);
  CHECK(usualPaper(Unit::inch) == Paper::letter);
  CHECK(usualPaper(Unit::mm) == Paper::a4);
}
