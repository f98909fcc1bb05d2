// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"

namespace avrelt {

/// The largest of |K| between two heights, 1/mm²: K = −r″ / r is Gauss's curvature of a surface of
/// revolution (do Carmo, "Differential Geometry of Curves and Surfaces"; from memory). 0 on a cone.
double sharpestBend(const Body& body, Length low, Length high);

/// How much a film is strained that is laid so wide and so tall about a place of a wall curved both
/// ways: by what the best ring sector leaves over its height, or, of what is narrower than tall, by
/// |K| w² / 16, which is the same the other way about. 0 on a cone.
double strainOf(const Body& body, Length middle, Length wide, Length tall);

/// The widest that is strained by no more than `bears` between two heights, however tall it is:
/// 4 √(bears / |K|). The longest there is where nothing is.
Length widestBorne(const Body& body, Length low, Length high, double bears);

}  // namespace avrelt
