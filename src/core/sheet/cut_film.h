// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "measure/duration.h"
#include "measure/length.h"
#include "shape/polyline.h"

namespace avrelt {

/// A closed line in cut film, and how often the blade went round it.
struct CutShape {
  std::vector<Point> outline;
  int passes = 1;
};

/// What a cutter left on its film, the sheet's lower left at 0, mm.
struct CutFilm {
  std::vector<CutShape> shapes;   ///< in the order they were cut
  std::vector<Polyline> open;     ///< cuts that do not close
  std::vector<Polyline> drawn;    ///< by the pen
  std::vector<std::string> said;  ///< what the cutter complained of, in its own words
  Length cut;
  Duration took;
};

}  // namespace avrelt
