// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "sheet/part_set.h"
#include "sheet/printer.h"

namespace avrelt {

/// A picture's dots by what is kept of it; null where it cannot be read. What it gives has to last
/// while a sheet is drawn.
using DotsOfPicture = std::function<const PictureSizes*(const SharedPicture&)>;

/// What is printed on a sheet: every part's print up to its edge and by the bleed beyond it, at the
/// printer's dots to the inch, clear where nothing is printed; then the registration marks. Parts
/// lie as they do on the sheet, its lower left at 0.
Picture printOf(const PartSet& parts, Length wide, Length tall, const Printer& printer,
                const DotsOfPicture& dotsOf);

/// What goes from a part's print onto paper: its outline drawn out by the bleed, openings drawn in.
Polygon printedOf(const Part& part, Length bleed);

/// How a sheet was printed, against where it should have been.
struct PrintShift {
  Length right;  ///< so far the print lies off
  Length up;
  Angle turn;          ///< to the left, about the sheet's lower left
  double percent = 0;  ///< drawn so much larger
};

/// Where the marks were found, as a shift, a turn and a scale: least squares of a similarity
/// (Umeyama 1991, in closed form for the plane), and by how much the worst of them is off it.
struct PrintFound {
  PrintShift shift;
  Length worst;
};
PrintFound printFound(const MarkPlaces& planned, const MarkPlaces& found);
/// What brings a place of the sheet as planned to where it was printed.
Transform transformOf(const PrintShift& shift);

/// How much of what is cut out of a printed sheet is bare.
struct BarePart {
  std::string part;  ///< its id on the sheet
  Area bare;
  Length deep;  ///< how far in from its edge, at most
  Point at;     ///< mm, on the sheet: its middle
};
/// Parts that would show what is below the print: those with dots within their cut that nothing was
/// printed on. `printed` is a sheet as it came out of the printer; `cutBy` brings what is cut to
/// where it is cut.
std::vector<BarePart> barePartsOf(const PartSet& parts, const Picture& printed, Length tall,
                                  double dotsPerInch, const Transform& cutBy = {});

}  // namespace avrelt
