// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/zone_field.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "divide/flat_outline.h"

namespace avrelt {
namespace {

/// What is nowhere wider is given to the zone beside: no blade cuts it, no hand lays it.
constexpr Length sliver = Length::mm(0.1);

/// As far as asked, but not near the apex, where rings end.
Length beyond(const Development& ground, Length s) {
  const double taper = std::abs(ground.taper());
  if (taper < 1e-9) return fieldsBeyond;
  return std::min(fieldsBeyond, ground.radius(s) * (0.8 / taper));
}

/// An outline whose stretches along rim and base are drawn on beyond them.
WallLine drawnOn(const WallLine& outline, const Development& ground) {
  const Length top = ground.wall();
  constexpr Length on = Length::mm(1e-5);
  WallLine line;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const WallPoint& a = outline[i];
    const WallPoint& b = outline[(i + 1) % outline.size()];
    line.push_back(a);
    if (a.s >= top - on && b.s >= top - on) {
      const Length s = top + beyond(ground, top);
      line.push_back({a.theta, s});
      line.push_back({b.theta, s});
    } else if (a.s <= on && b.s <= on) {
      const Length s = -beyond(ground, Length());
      line.push_back({a.theta, s});
      line.push_back({b.theta, s});
    }
  }
  return line;
}

/// What of a shape lies in a zone, round the seam too.
Polygon within(const Polygon& shape, const Transform& way, Angle anchor, const ZoneField& field,
               const Development& ground) {
  std::vector<Polygon> fields;
  for (const int turns : {-1, 0, 1}) {
    const Transform there = ground.turning(anchor + Angle::turn() * turns) * way;
    const Box box = boundsOf(mapped(shape, there));
    if (box.meets(field.box)) fields.push_back(mapped(field.flat, inverseOf(there)));
  }
  if (fields.empty()) return {};
  return shape & (fields.size() == 1 ? fields.front() : unionOf(fields));
}

}  // namespace

std::vector<ZoneField> zoneFields(const WallLandmarks& landmarks, const Development& ground) {
  std::vector<ZoneField> fields;
  for (const WallLandmarks::ZoneOnWall& zone : landmarks.zones()) {
    std::vector<Polyline> lines;
    for (const WallLine& outline : zone.region.outlines()) {
      lines.push_back({inFlat(drawnOn(outline, ground), true, ground, curveTolerance), true});
    }
    ZoneField field{zone.id, zone.letter, enclosedBy(lines, false), {}};
    field.box = boundsOf(field.flat);
    fields.push_back(std::move(field));
  }
  return fields;
}

std::vector<ZoneShare> sharesOf(const Polygon& shape, const Transform& way, Angle anchor,
                                const std::vector<ZoneField>& fields, const Development& ground) {
  std::vector<ZoneShare> shares;
  std::vector<Polygon> slivers;
  for (const ZoneField& field : fields) {
    Polygon share = within(shape, way, anchor, field, ground);
    if (share.empty()) continue;
    if (shrunkBy(share, sliver / 2).empty()) {
      slivers.push_back(std::move(share));
    } else {
      shares.push_back({field.zone, field.letter, std::move(share)});
    }
  }
  if (shares.empty()) return shares;
  // Of what is left for nobody, what is beside a share goes to it; a large one first.
  std::vector<ZoneShare*> order;
  order.reserve(shares.size());
  for (ZoneShare& share : shares) order.push_back(&share);
  std::stable_sort(order.begin(), order.end(), [](const ZoneShare* a, const ZoneShare* b) {
    return signedArea(a->shape) > signedArea(b->shape);
  });
  for (const Polygon& one : slivers) {
    const Polygon wider = offsetBy(one, Length::mm(0.01), Corners::sharp);
    const auto beside = std::find_if(order.begin(), order.end(), [&](const ZoneShare* share) {
      return !(wider & share->shape).empty();
    });
    ZoneShare& to = beside == order.end() ? *order.front() : **beside;
    to.shape = unionOf({std::move(to.shape), one});
  }
  if (shares.size() == 1) shares.front().shape = shape;
  return shares;
}

}  // namespace avrelt
