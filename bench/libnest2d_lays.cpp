// SPDX-License-Identifier: GPL-3.0-or-later
// Its headers are no C++20: apart from everything of ours.
#include "libnest2d_lays.h"

#include <algorithm>
#include <cmath>
#include <libnest2d/libnest2d.hpp>

long layByLibnest2d(const std::vector<std::pair<double, double>>& outline, int copies, double wide,
                    double tall, double gap) {
  using namespace libnest2d;
  constexpr double inMm = 1e6;
  PolygonImpl polygon;
  // Clockwise, and closed.
  for (auto p = outline.rbegin(); p != outline.rend(); ++p) {
    polygon.Contour.push_back({std::llround(p->first * inMm), std::llround(p->second * inMm)});
  }
  polygon.Contour.push_back(polygon.Contour.front());
  std::vector<Item> items(static_cast<std::size_t>(copies), Item(polygon));
  const Box sheet(std::llround(wide * inMm), std::llround(tall * inMm));
  NestConfig<NfpPlacer, FirstFitSelection> config;
  config.placer_config.rotations = {0, M_PI / 2, M_PI, 3 * M_PI / 2};
  nest<NfpPlacer, FirstFitSelection>(items, sheet, std::llround(gap * inMm), config);
  return std::count_if(items.begin(), items.end(),
                       [](const Item& item) { return item.binId() == 0; });
}
