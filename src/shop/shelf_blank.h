// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/blank.h"
#include "cup/growth_habits.h"
#include "measure/volume.h"

namespace avrelt {

/// A blank on the shelf: measured once, taken down as often as wanted. Its name is the blank's own.
struct ShelfBlank {
  Blank blank;
  /// What its maker says it holds.
  std::optional<Volume> capacity;
  std::string notes;
  /// A picture, as the file's bytes; empty for none.
  std::string photo;

  friend bool operator==(const ShelfBlank&, const ShelfBlank&) = default;
};

/// A girth of such a blank measured under coats.
struct ShelfMeasurement {
  std::string taken;  ///< the day, as 2026-11-25
  std::string stage;  ///< what was on, in words: "fine glitter, resin 30 ml"
  Length at;          ///< up the wall
  Length around;
  GrowthRecord record;
};

}  // namespace avrelt
