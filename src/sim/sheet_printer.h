// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "shape/picture.h"
#include "sheet/print_sheet.h"

namespace avrelt::sim {

/// A printer as it is, with what it does wrong.
struct PaperFeed {
  double dotsPerInch = 300;
  /// What it cannot print on.
  Length left;
  Length right;
  Length top;
  Length bottom;
  PrintShift shift;       ///< how it prints off
  bool mirrored = false;  ///< by its driver
};

/// A sheet as it comes out: every dot where it was asked for, shifted, turned and scaled about the
/// sheet's lower left, nothing in the margins. Clear where nothing was printed, so that film shows.
/// `row` hears how many rows are done; false from it ends the sheet there, as pulling it out does.
Picture comesOut(const Picture& print, const PaperFeed& feed,
                 const std::function<bool(int row)>& row = {});

}  // namespace avrelt::sim
