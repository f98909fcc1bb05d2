// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/coverage.h"

namespace avrelt {

std::map<std::string, Area> coverageOf(const std::vector<SetPlan>& sets, const Divided& divided,
                                       const Body& body) {
  std::vector<WallLine> outlines;
  for (const SetPlan& set : sets) {
    for (const PlacePlan& place : set.places) {
      for (std::size_t i = 0; i < place.laid->layers.size(); ++i) {
        // A knock-out takes away and lays nothing.
        if (set.makes[place.make].layers[i].kind == LayerKind::knockOut) continue;
        const std::vector<WallLine>& lines = place.laid->layers[i].region.outlines();
        outlines.insert(outlines.end(), lines.begin(), lines.end());
      }
    }
  }
  std::map<std::string, Area> covered;
  if (outlines.empty()) return covered;
  // Openings run clockwise, so that what is wound round once is covered once.
  const Region all = Region(std::move(outlines)) | Region();
  for (const Zone& zone : divided.zones) {
    const Area area = (zone.region & all).area(body);
    if (area.mm2() > 0) covered[zone.id] = area;
  }
  return covered;
}

}  // namespace avrelt
