// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "sheet/part_set.h"

namespace avrelt {

/// Pieces as SVG 1.1 at true size: width and height in mm, one user unit a millimetre, y turned
/// down. The page is exactly the parts' own rectangle.
///
/// Two layers: `cut` holds edges, holes and slits, arcs as arcs; `guide` what is drawn and never
/// cut, lettering included. Stretches that stand off their chord by under a nanometre are written
/// as lines, since a radius of kilometres loses the place in other people's readers.
std::string svgOf(const PartSet& set, Unit unit, const std::string& title);
/// The same on a page of its own size, which holds them. Where a print lies below, a third layer,
/// `print`, shows the picture of this file name over the whole page.
std::string svgOf(const PartSet& set, Unit unit, const std::string& title, const Box& page,
                  const std::string& print = {});

}  // namespace avrelt
