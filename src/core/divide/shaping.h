// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

#include "divide/divide.h"

namespace avrelt {

/// What a hand does to cuts. Each gives the cut as it then is; whether it can be made is for
/// `split`.

/// A cut of this kind as it most often is, fit for this zone.
Cut usualCut(CutKind kind, const Region& zone, const Wall& wall, Unit unit);

/// The same cut with one of its lines pulled to a place on the wall, on the tape's nearest mark (or
/// the whole degree): a ring or an upright of equal parts becomes one of places; a V's side moves
/// its corner or its point, whichever was nearer to where it was taken; a slant its nearer end; a
/// wave its height.
Cut withLineAt(const Cut& cut, const Region& zone, const Wall& wall, int line, WallPoint taken,
               WallPoint to, Unit unit);

/// Where a line is best taken to be moved up or down, or along: a V by its point or its corner, a
/// slant by its left end.
WallPoint handleOf(const DivideLine& line, bool along);

/// Rings put onto the tape's marks as `tapedBands` does: a cut by widths, the part that takes what
/// is over being the rest. Any other cut comes back as it is.
Cut ontoTape(const Cut& cut, const Region& zone, const Wall& wall, Absorb absorb, Unit unit);

/// Parts as they are typed: "4 in; 1 in; rest". Semicolons, plus signs, or commas with a blank part
/// them. The fault says which part could not be read.
Checked<std::vector<std::optional<WrittenLength>>> parseWidths(std::string_view text, Unit unit);
Checked<std::vector<WrittenLength>> parsePlaces(std::string_view text, Unit unit);
Checked<std::vector<CupAngle>> parseAngles(std::string_view text);
/// The same lists written out again.
std::string widthsText(const std::vector<std::optional<WrittenLength>>& widths, Unit unit);
std::string placesText(const std::vector<WrittenLength>& places, Unit unit);
std::string anglesText(const std::vector<CupAngle>& angles);

}  // namespace avrelt
