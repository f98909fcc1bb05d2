// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/weeding.h"

#include <algorithm>

#include "shape/polygon.h"
#include "sheet/template_sheet.h"

namespace avrelt {

std::optional<Part> weedingOf(const std::vector<Polygon>& shapes, Length wide, Length tall,
                              Length apart) {
  // What drawing out may leave of a round corner.
  constexpr Length roundedBy = Length::mm(0.01);
  constexpr double edge = 0.5;  // what the blade keeps from the film's own
  Box box;
  for (const Polygon& shape : shapes) box.add(boundsOf(shape));
  if (shapes.empty()) return std::nullopt;
  const double gap = apart.mm();
  const Box round{
      {std::max(box.low.x - gap, edge), std::max(box.low.y - gap, edge)},
      {std::min(box.high.x + gap, wide.mm() - edge), std::min(box.high.y + gap, tall.mm() - edge)}};
  // One nearer to a part than parts are to each other would lift it.
  const double least = std::min({box.low.x - round.low.x, box.low.y - round.low.y,
                                 round.high.x - box.high.x, round.high.y - box.high.y});
  if (least < gap - 1e-9) return std::nullopt;
  Part weeding;
  weeding.id = "weeding";
  weeding.outline =
      closedPath({round.low, {round.high.x, round.low.y}, round.high, {round.low.x, round.high.y}});
  std::vector<Polygon> grown;
  grown.reserve(shapes.size());
  // Openings are waste of their own, and come off with what is round them.
  for (const Polygon& shape : shapes) {
    Polygon outer;
    for (const std::vector<Point>& outline : shape) {
      if (signedArea(outline) > 0) outer.push_back(outline);
    }
    grown.push_back(offsetBy(outer, apart + roundedBy, Corners::round));
  }
  const Polygon waste =
      Polygon{{round.low, {round.high.x, round.low.y}, round.high, {round.low.x, round.high.y}}} -
      unionOf(grown);
  const auto add = [&](Point from, Point to) {
    Path cut{from, {}};
    cut.lineTo(to);
    weeding.slits.push_back(std::move(cut));
  };
  // Evenly, so that none comes close to the box's own sides.
  const auto places = [](double low, double high) {
    const int count = static_cast<int>((high - low) / crossCutsApart.mm());
    std::vector<double> at;
    for (int i = 1; i <= count; ++i) at.push_back(low + (high - low) * i / (count + 1));
    return at;
  };
  for (const double y : places(round.low.y, round.high.y)) {
    const std::vector<double> cuts = cutsAt(waste, y);
    for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
      if (cuts[i + 1] - cuts[i] >= leastCrossCut.mm()) add({cuts[i], y}, {cuts[i + 1], y});
    }
  }
  const Polygon turned = mapped(waste, {0, 1, 1, 0, 0, 0});
  for (const double x : places(round.low.x, round.high.x)) {
    const std::vector<double> cuts = cutsAt(turned, x);
    for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
      if (cuts[i + 1] - cuts[i] >= leastCrossCut.mm()) add({x, cuts[i]}, {x, cuts[i + 1]});
    }
  }
  return weeding;
}

}  // namespace avrelt
