// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/blade_fit.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// The sides of a corner sharper than 45° run back on each other by more than this cosine.
constexpr double sharpCos = -0.7071067811865476;

}  // namespace

std::optional<Length> BladeFit::leastSize(Length size, Length limit) const {
  if (!stroke && !gap) return std::nullopt;
  const Length thinnest = stroke && gap ? std::min(stroke->width, gap->width)
                          : stroke      ? stroke->width
                                        : gap->width;
  if (thinnest <= Length()) return std::nullopt;
  return size * (limit / thinnest);
}

BladeFit fitOf(const Polygon& shape, Length limit) {
  return fitOf(shape, Clearance(shape), limit);
}

BladeFit fitOf(const Polygon& shape, const Clearance& clearance, Length limit) {
  BladeFit fit;
  fit.stroke = clearance.thinnestStroke();
  fit.gap = clearance.thinnestGap();
  fit.thinStrokes = clearance.strokesUnder(limit);
  fit.thinGaps = clearance.gapsUnder(limit);
  for (const std::vector<Point>& outline : shape) {
    const double area = signedArea(outline);
    (area > 0 ? fit.parts : fit.openings) += 1;
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point& here = outline[i];
      const Point in = here - outline[(i + outline.size() - 1) % outline.size()];
      const Point out = outline[(i + 1) % outline.size()] - here;
      fit.cut += Length::mm(norm(out));
      if (cross(in, out) > 0 && dot(in, out) < sharpCos * norm(in) * norm(out)) ++fit.sharp;
    }
  }
  return fit;
}

WithoutSpecks withoutSpecks(const Polygon& shape, Length limit) {
  const double least = limit.mm() * limit.mm();
  WithoutSpecks result;
  for (const Polygon& part : partsOf(shape)) {
    if (signedArea(part) < least) {
      ++result.dropped;
      continue;
    }
    for (std::size_t i = 0; i < part.size(); ++i) {
      if (i > 0 && -signedArea(part[i]) < least) {
        ++result.dropped;
      } else {
        result.shape.push_back(part[i]);
      }
    }
  }
  return result;
}

}  // namespace avrelt
