// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/tiling.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>

using namespace avrelt;

namespace {

Box sized(double width, double height) {
  return {{-width / 2, 10}, {width / 2, 10 + height}};
}

bool covered(const Tiling& tiling, Point p) {
  for (const Page& page : tiling.pages) {
    if (page.window.grownBy(1e-9).contains(p)) return true;
  }
  return false;
}

}  // namespace

TEST_CASE("a small piece takes one upright page, in its middle") {
  const Tiling tiling = tileOver(sized(100, 100), Paper::a4);
  CHECK(tiling.pages.size() == 1);
  CHECK_FALSE(tiling.landscape);
  CHECK_FALSE(tiling.turned);
  CHECK(tiling.joins.empty());
  CHECK(norm(tiling.pages.front().window.centre() - Point{0, 60}) < 1e-9);
}

TEST_CASE("a wide piece lies, and a tall page is turned to rather than joined") {
  CHECK(tileOver(sized(265, 132), Paper::letter).pages.size() == 1);
  CHECK(tileOver(sized(265, 132), Paper::letter).landscape);
  const Tiling turned = tileOver(sized(246, 192), Paper::a4);
  CHECK(turned.pages.size() == 1);
  CHECK(turned.turned);
}

TEST_CASE("a piece exactly as large as the print area takes one page") {
  const double width = 210 - 12;
  const double height = 297 - 12 - 16;
  CHECK(tileOver(sized(width, height), Paper::a4).pages.size() == 1);
  CHECK(tileOver(sized(width + 0.1, height + 0.1), Paper::a4).pages.size() > 1);
}

TEST_CASE("pages cover the piece, share their bands, and carry two marks a join") {
  const bool holds = rc::check([] {
    const double width = *rc::gen::inRange(1, 1500);
    const double height = *rc::gen::inRange(1, 1500);
    const Paper paper = *rc::gen::element(Paper::a4, Paper::letter);
    const Tiling tiling = tileOver(sized(width, height), paper);
    RC_ASSERT(tiling.pages.size() == static_cast<std::size_t>(tiling.rows * tiling.columns));
    for (int i = 0; i <= 10; ++i) {
      for (int j = 0; j <= 10; ++j) {
        const Point p{-width / 2 + width * i / 10, 10 + height * j / 10};
        RC_ASSERT(covered(tiling, laidOn(tiling, p)));
      }
    }
    const int joins = tiling.rows * (tiling.columns - 1) + tiling.columns * (tiling.rows - 1);
    RC_ASSERT(tiling.joins.size() == static_cast<std::size_t>(2 * joins));
    for (const JoinMark& mark : tiling.joins) {
      int shownOn = 0;
      for (const Page& page : tiling.pages) shownOn += page.window.contains(mark.at) ? 1 : 0;
      RC_ASSERT(shownOn >= 2);
    }
    for (std::size_t i = 1; i < tiling.pages.size(); ++i) {
      const Page& before = tiling.pages[i - 1];
      const Page& page = tiling.pages[i];
      if (page.row != before.row) continue;
      RC_ASSERT(std::abs(before.window.high.x - page.window.low.x - Tiling::join.mm()) < 1e-9);
    }
  });
  CHECK(holds);
}

TEST_CASE("a piece beyond four hundred pages comes back without any") {
  CHECK(tileOver(sized(10000, 10000), Paper::a4).pages.empty());
}

TEST_CASE("join marks are lettered as columns of a sheet are") {
  const Tiling tiling = tileOver(sized(1500, 1500), Paper::a4);
  REQUIRE(tiling.joins.size() > 27);
  CHECK(tiling.joins[0].label == "A");
  CHECK(tiling.joins[25].label == "Z");
  CHECK(tiling.joins[26].label == "AA");
}
