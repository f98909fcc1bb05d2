// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/evenly.h"

namespace avrelt {

std::vector<Point> evenlyAlong(const std::vector<Point>& outline, std::size_t count) {
  double around = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    around += norm(outline[(i + 1) % outline.size()] - outline[i]);
  }
  std::vector<Point> places;
  const double step = around / static_cast<double>(count);
  double next = 0;
  double gone = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Point from = outline[i];
    const Point way = outline[(i + 1) % outline.size()] - from;
    const double length = norm(way);
    while (length > 0 && next < gone + length && places.size() < count) {
      places.push_back(from + way * ((next - gone) / length));
      next += step;
    }
    gone += length;
  }
  return places;
}

}  // namespace avrelt
