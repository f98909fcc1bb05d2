// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/film_rules.h"

#include <algorithm>

#include "divide/patch.h"
#include "divide/underlap.h"

namespace avrelt {

namespace {

/// Whether a zone's edge runs to the point of a V, or to a corner of one, that no stripe covers.
bool pointShows(const Zone& zone, const Divided& divided, const std::vector<StripePlan>& stripes) {
  for (const EdgeLine& edge : edgeLinesOf(zone, divided)) {
    if (edge.line->kind != CutKind::vee) continue;
    const bool covered = std::any_of(stripes.begin(), stripes.end(), [&](const StripePlan& stripe) {
      return stripe.line == edge.line->id;
    });
    if (!covered) return true;
  }
  return false;
}

/// What to say about the patch of a zone's film, cut or not.
void watchPatch(const Zone& zone, const Divided& divided, const std::vector<StripePlan>& stripes,
                std::vector<Watch>& watches) {
  const Length across = zone.finish.patchAcross.length;
  if (zone.finish.patch != PatchShape::none) {
    if (across >= leastPatch && across <= mostPatch) return;
    watches.push_back({Rule::patchSize,
                       WatchLevel::warn,
                       Where(Member::patchAcross, zone.id),
                       {"A patch %1 across for the film of zone %2 hides nothing, so none is cut. "
                        "Give %3 to %4.",
                        {across, zone.letter, leastPatch, mostPatch}}});
  } else if (pointShows(zone, divided, stripes)) {
    watches.push_back({Rule::pointShows,
                       WatchLevel::note,
                       Where(Member::patchAcross, zone.id),
                       {"The film of zone %1 ends at the point of a V that no stripe covers, and "
                        "every slip shows there. Cut a small patch for it, a drop or a disc.",
                        {zone.letter}}});
  }
}

}  // namespace

std::vector<Watch> watchFilms(const Divided& divided, const std::vector<StripePlan>& stripes,
                              const Body& body, const WrapLayout& layout,
                              const std::vector<Feature>& features, const Wall& wall) {
  constexpr Length narrow = Length::mm(1);
  std::vector<Watch> watches;
  if (divided.cutNodes.empty()) return watches;
  const Region room = Region::band(std::max(layout.low(), Length()), layout.high());
  for (const Zone& zone : divided.zones) {
    if (zone.finish.kind != FinishKind::film) continue;
    const Region film = zone.region & room;
    if (film.empty()) {
      watches.push_back({Rule::filmNoRoom,
                         WatchLevel::warn,
                         Member::rimClearance,
                         {"Zone %1 lies wholly in the wall left bare at rim or base, so no film is "
                          "cut for it. Leave less bare, or give the zone another finish.",
                          {zone.letter}}});
      continue;
    }
    Length least = Length::mm(1e6);
    for (const Patch& patch : patchesOf(film)) {
      least = std::min(least, measureOf(patch, body).meanWidth());
    }
    if (least < narrow) {
      watches.push_back({Rule::filmNarrow,
                         WatchLevel::warn,
                         Where(Member::zone, zone.id),
                         {"The film of zone %1 is %2 wide: it tears when it is weeded. Make the "
                          "zone wider, or lay a stripe there.",
                          {zone.letter, least}}});
    }
    watchPatch(zone, divided, stripes, watches);
    const Finish& finish = zone.finish;
    for (const EdgeLine& edge : edgeLinesOf(zone, divided)) {
      const EdgeRule rule = edgeRule(finish, *edge.line);
      if (rule.edge != FilmEdge::under && rule.edge != FilmEdge::trim) continue;
      const auto thin = std::find_if(edge.beyond.begin(), edge.beyond.end(), [&](std::size_t i) {
        const std::vector<Patch> patches = patchesOf(divided.zones[i].region);
        return std::any_of(patches.begin(), patches.end(), [&](const Patch& patch) {
          return measureOf(patch, body).meanWidth() < rule.by;
        });
      });
      if (thin == edge.beyond.end()) continue;
      watches.push_back({Rule::filmPastNeighbour,
                         WatchLevel::warn,
                         Where(Member::edgeBy, zone.id),
                         {"The film of zone %1 runs %2 over line %3 and past zone %4. Give less.",
                          {zone.letter, rule.by, edge.line->id, divided.zones[*thin].letter}}});
      break;
    }
    for (const Feature& feature : features) {
      if (!coversWall(feature.kind) || feature.kind == FeatureKind::footLip) continue;
      const Angle at = wall.inFrame(feature.at);
      const Region covered = Region::between(at - feature.wide / 2, at + feature.wide / 2,
                                             feature.low.length, feature.high.length);
      if ((covered & film).empty()) continue;
      watches.push_back({Rule::filmUnderHandle,
                         WatchLevel::note,
                         Member::feature,
                         {"The film of zone %1 runs where a handle, a logo or a spout is marked. "
                          "Cut it out there, or lay it before the handle goes on.",
                          {zone.letter}}});
      break;
    }
  }
  return watches;
}

std::vector<Watch> watchMasks(const std::vector<Mask>& masks, const Divided& divided) {
  std::vector<Watch> watches;
  for (const Mask& mask : masks) {
    const auto gone = [&](const std::string& id) {
      return std::none_of(divided.zones.begin(), divided.zones.end(),
                          [&](const Zone& zone) { return zone.id == id; });
    };
    if (std::none_of(mask.zones.begin(), mask.zones.end(), gone)) continue;
    watches.push_back({Rule::maskWaits,
                       WatchLevel::note,
                       Where(Member::maskZones, mask.id),
                       {mask.kind == MaskKind::cover
                            ? "A cover waits for a zone that is not there. Cut the wall as it was, "
                              "or remove the cover."
                            : "A window waits for a zone that is not there. Cut the wall as it "
                              "was, or remove the window.",
                        {}}});
  }
  return watches;
}

}  // namespace avrelt
