// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pattern/fill.h"
#include "watch/watch.h"

namespace avrelt {

/// What a pattern risks. Rules, common practice with no published source unless said:
///
/// - `pattern_waits`: a pattern whose zone is not there.
/// - `neighbours_alike`: cells side by side that had to get one colour, with the proof where there
///   is one.
/// - `pin_cannot_be`: a colour given by hand where no cell is, that is none, twice to one cell, or
/// to
///   neighbours.
/// - `colour_not_here`: a cell left with a colour that is not to be there.
/// - `alike_beyond`: a cell like one across the zone's edge.
/// - `cells_dropped`: bits too narrow to weed that are no cells; a warning from 1 % of the zone.
/// - `against_style`: more than 2 % of cells against their style.
/// - `shares_off`: a colour off its share by more than 3 % and a cell.
/// - `colours_alike`: two colours that look alike (CIEDE2000).
/// - `thin_cells`: cells under 1.5 mm wide, hard to weed.
/// - `stretched_cells`: more than 3 % of width to close at the seam.
/// - `seam_meets`: cells that keep their size on a taper do not close at the seam.
/// - `stencil_parted`: a template that is cut in parts, with what they are off by.
/// - `stencil_strains`: one whose parts are off by more than the film bears.
std::vector<Watch> watchFills(const std::vector<Fill>& fills, const std::vector<FillPlan>& plans,
                              const Body& body);

}  // namespace avrelt
