// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/gore.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "shape/smooth.h"

namespace avrelt {

Gore::Gore(const Body& body, Length low, Length high, int count)
    : body_(body), low_(low), high_(high), count_(count) {}

double Gore::taperAt(double s) const {
  // As the samples have it: a corner of the wall is bent over a few millimetres, not at a point.
  const double span = std::min(2.0, body_.wall().mm() / 50);
  const Length above = body_.radius(Length::mm(s + span));
  return (above - body_.radius(Length::mm(s - span))).mm() / (2 * span);
}

Point Gore::toFlat(Angle theta, Length s) const {
  const double r = body_.radius(s).mm();
  const double k = taperAt(s.mm());
  const double half = k * theta.radians() / 2;
  const double across = theta.radians() * sinc(half);
  return {r * across * std::cos(half), (s - low_).mm() - r * k * across * across / 2};
}

Path Gore::ring(Length s) const {
  const double bulge = -std::tan(taperAt(s.mm()) * half().radians() / 2);
  Path path{toFlat(-half(), s), {}};
  path.arcTo(toFlat(half(), s), bulge);
  return path;
}

Path Gore::outline() const {
  const Path bottom = ring(low_);
  const Path top = ring(high_);
  // Half-millimetre steps keep the chord of a bend of 30 mm radius within a thousandth.
  const int steps = std::clamp(static_cast<int>((high_ - low_).mm()), 24, 400);
  std::vector<Point> edge;
  for (int i = 0; i <= steps; ++i) {
    edge.push_back(toFlat(half(), low_ + (high_ - low_) * (static_cast<double>(i) / steps)));
  }
  Path path{bottom.start, {}};
  path.arcTo(edge.front(), bottom.stretches.front().bulge);
  for (std::size_t i = 1; i < edge.size(); ++i) path.lineTo(edge[i]);
  path.arcTo({-edge.back().x, edge.back().y}, -top.stretches.front().bulge);
  for (std::size_t i = edge.size() - 1; i-- > 0;) path.lineTo({-edge[i].x, edge[i].y});
  return path;
}

double Gore::stretch(const WallSample& wall, double theta) {
  // Lengthwise the flat is 1 − r k′ θ²/2 of the wall; across the true line it slides by
  // r k k′ θ³/6.
  const double length = wall.r * wall.bend * theta * theta / 2;
  const double slide = wall.r * wall.taper * wall.bend * theta * theta * theta / 6;
  const double size = std::abs(length) / 2 + std::hypot(length, slide) / 2;
  return length < 0 ? -size : size;
}

int Gore::countFor(const std::vector<WallSample>& samples, double bears, int most) {
  int count = 3;
  for (const WallSample& wall : samples) {
    while (count < most && std::abs(stretch(wall, std::numbers::pi / count)) > bears) ++count;
  }
  return count;
}

}  // namespace avrelt
