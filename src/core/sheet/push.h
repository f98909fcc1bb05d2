// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// How far a shape can go straight down till it meets another, exactly, side by side; 0
/// where they touch, nothing where the other is not in its way. They do not lie on each other by
/// more than 0.05 mm; one may lie in an opening of the other.
std::optional<Length> wayDownTo(const Polygon& moving, const Polygon& fixed);

/// A shape among others that are pushed together.
struct Pushed {
  Polygon shape;
  bool fixed = false;  ///< it stays where it is
  Point by{};          ///< so far it went
};

/// Pushes shapes down, then to the left, the lowest first, again till hardly any moves; each goes
/// straight until it meets another or the borders, left and below, which are all at `low` or
/// further in. None comes to lie on another, so what is drawn out by half a gap keeps it.
void pushTogether(std::vector<Pushed>& shapes, Point low);

}  // namespace avrelt
