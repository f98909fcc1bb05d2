// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/reshape.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {

Length girthFor(Length radius, Girth girth) {
  return radius * (girth == Girth::around ? 2 * std::numbers::pi : 2);
}

Blank withStationAt(const Blank& blank, const Body& body, std::size_t index, Length plumb,
                    Length radius, Unit unit) {
  Blank next = blank;
  Station& station = next.stations.at(index);
  const Graduation graduation = usualGraduation(unit);
  const Length mark = step(graduation);
  const Length girth = girthFor(std::max(radius, Length::mm(1)), station.girthIs);
  const bool straightRim = index + 1 == blank.stations.size() && !station.girth;
  if (!straightRim) {
    station.girth = written(std::max(nearestMark(girth, graduation), mark), unit);
  }
  if (index == 0) return next;

  Length height = plumb;
  if (blank.heightAlong == HeightAlong::wall) {
    // From the station below, along the straight line between: what the tape would say.
    const Length below = body.stations()[index - 1];
    const double rise = (plumb - body.plumbAt(below)).mm();
    const double across = (straightRim ? Length() : radius - body.radius(below)).mm();
    height = below + Length::mm(std::hypot(std::max(rise, 0.0), across));
  }
  height = nearestMark(height, graduation);
  const Length least = blank.stations[index - 1].at.length + mark;
  height = std::max(height, least);
  if (index + 1 < blank.stations.size()) {
    height = std::max(least, std::min(height, blank.stations[index + 1].at.length - mark));
  }
  station.at = written(height, unit);
  return next;
}

Blank withStationAfter(const Blank& blank, const Body& body, std::size_t index, Unit unit) {
  Blank next = blank;
  const std::size_t low = std::min(index, blank.stations.size() - 2);
  const Station& below = blank.stations[low];
  const Station& above = blank.stations[low + 1];
  const Graduation graduation = usualGraduation(unit);
  const Length at = nearestMark((below.at.length + above.at.length) / 2, graduation);
  const Length wall = blank.heightAlong == HeightAlong::wall ? at : body.wallAt(at);
  Station station;
  station.girthIs = below.girthIs;
  station.at = written(at, unit);
  const Length girth = girthFor(body.radius(wall), station.girthIs);
  station.girth = written(nearestMark(girth, graduation), unit);
  // A straight cup's rim said nothing of its girth: now it has to.
  Station& top = next.stations[low + 1];
  if (!top.girth) {
    top.girthIs = below.girthIs;
    top.girth = below.girth;
  }
  next.stations.insert(next.stations.begin() + static_cast<std::ptrdiff_t>(low) + 1, station);
  return next;
}

Blank withoutStation(const Blank& blank, std::size_t index) {
  Blank next = blank;
  if (next.stations.size() <= 2 || index >= next.stations.size()) return next;
  next.stations.erase(next.stations.begin() + static_cast<std::ptrdiff_t>(index));
  next.stations.front().at = blank.stations.front().at;
  return next;
}

}  // namespace avrelt
