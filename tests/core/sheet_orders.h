// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <catch2/catch.hpp>
#include <memory>
#include <utility>

#include "job/plan.h"
#include "job/sheets.h"

/// Orders on sheets.
namespace avrelt::cups {

inline SheetPlan sheetsFor(const Document& document, const SheetChoices& choices,
                           const FilmShelf& shelf = FilmShelf()) {
  CheckedAll<Plan> plan = planDocument(document);
  REQUIRE(plan);
  CheckedAll<SheetPlan> sheets =
      sheetsOf(std::make_shared<const Plan>(std::move(*plan)), shelf, choices);
  REQUIRE(sheets);
  return std::move(*sheets);
}

}  // namespace avrelt::cups
