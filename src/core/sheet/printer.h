// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "measure/fault.h"
#include "measure/length.h"
#include "shape/polygon.h"
#include "sheet/paper.h"

namespace avrelt {

/// A printer by its figures, as its maker gives them.
struct Printer {
  Length wide = Length::inches(8.5);  ///< the sheet it takes
  Length tall = Length::inches(11);
  Length left = Length::inches(0.25);  ///< what it cannot print on, at each edge
  Length right = Length::inches(0.25);
  Length top = Length::inches(0.25);
  Length bottom = Length::inches(0.5);
  double dotsPerInch = 300;
  Length bleed = Length::mm(1.5);  ///< print goes so far beyond what is cut
  bool marks = true;               ///< registration marks at three corners
  bool rolls = false;  ///< it takes rolls no wider than a sheet, and prints as long as one on them

  friend bool operator==(const Printer&, const Printer&) = default;
};

/// A printer as it is before anyone changes it, for letter or A4 sheets.
Printer usualPrinter(Paper paper);

/// Why a printer cannot be so, by its field: "printer.wide", "printer.left" …
Faults faultsOf(const Printer& printer);

/// How far a registration mark reaches from its middle, and what is kept clear of print round it.
inline constexpr Length markRadius = Length::mm(4);
inline constexpr Length markClear = Length::mm(2);

/// Where the middles of the marks of a sheet are: lower left, lower right, upper left, as far into
/// the corners of what can be printed as they go.
using MarkPlaces = std::array<Point, 3>;
MarkPlaces markPlaces(const Printer& printer, Length wide, Length tall);
/// What of a mark is printed, about its middle: two of the four quarters of a disc, opposite to
/// each other, so that the middle is where their corners meet.
Polygon markShape();

/// Where parts may lie on a sheet that is printed first: within what can be printed, so that their
/// bleed is too, clear of the marks; nothing where that leaves no room.
Polygon printRoom(const Printer& printer, Length wide, Length tall);

/// The same of a roll, which is cut off beyond what lies highest, with no marks at its end yet.
Polygon printRoomOfRoll(const Printer& printer, Length wide, Length tall);
/// What a print on a roll takes beyond what lies highest: its bleed, the marks at its end, and what
/// cannot be printed on.
Length abovePrint(const Printer& printer);

}  // namespace avrelt
