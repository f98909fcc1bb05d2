// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/peekaboos.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// What a stencil looks like, however it is turned, and which ring is cut for it.
struct Look {
  const SetMake* make = nullptr;
  double longest = 0;  ///< sides of the rectangle that is spread as the stencil is
  double shortest = 0;
  double reach = 0;  ///< from the middle of its mass
  double area = 0;
  bool ringed = false;
  Box ring;

  Look(const SetMake& of, const Peekaboo& peekaboo) : make(&of), ringed(!peekaboo.ring.empty()) {
    for (const LayerPlan& layer : of.layers) {
      if (ringed && layer.id == peekaboo.ring) ring = boundsOf(layer.shape);
      if (layer.id == peekaboo.stencil) measure(layer.shape);
    }
  }
  /// Buried, one sees neither which way up it is nor which side.
  bool like(const Look& other) const {
    const auto near = [](double a, double b) { return std::abs(a - b) < seenToDiffer.mm(); };
    return near(longest, other.longest) && near(shortest, other.shortest) &&
           near(reach * 2, other.reach * 2) &&
           std::abs(area - other.area) < seenLarger * std::max(area, other.area);
  }
  bool ringGoesRound(const Look& other) const {
    return std::abs(ring.width() - other.ring.width()) < ringsAgree.mm() &&
           std::abs(ring.height() - other.ring.height()) < ringsAgree.mm();
  }

 private:
  /// By its area's moments about the middle of its mass: ∮ of their polynomials over triangles from
  /// there (Steger 1996, from memory).
  void measure(const Polygon& shape) {
    const Point middle = centroidOf(shape);
    double xx = 0;
    double xy = 0;
    double yy = 0;
    for (const std::vector<Point>& outline : shape) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point a = outline[i] - middle;
        const Point b = outline[(i + 1) % outline.size()] - middle;
        const double twice = cross(a, b);
        area += twice / 2;
        xx += twice * (a.x * a.x + a.x * b.x + b.x * b.x) / 12;
        yy += twice * (a.y * a.y + a.y * b.y + b.y * b.y) / 12;
        xy += twice * (a.x * (2 * a.y + b.y) + b.x * (a.y + 2 * b.y)) / 24;
        reach = std::max(reach, norm(a));
      }
    }
    if (area <= 0) return;
    const double mean = (xx + yy) / 2;
    const double apart = std::hypot((xx - yy) / 2, xy);
    // A rectangle w wide has w² / 12 of its area.
    longest = std::sqrt(12 * (mean + apart) / area);
    shortest = std::sqrt(12 * std::max(0.0, mean - apart) / area);
  }
};

}  // namespace

std::vector<Peekaboo> peekaboosOf(const std::vector<SetPlan>& sets) {
  std::vector<Peekaboo> found;
  for (std::size_t i = 0; i < sets.size(); ++i) {
    for (std::size_t k = 0; k < sets[i].places.size(); ++k) {
      const PlacePlan& place = sets[i].places[k];
      if (place.number == 0) continue;
      Peekaboo one{place.number, i, k, {}, {}, place.room.zone, {}};
      for (const LayerPlan& layer : sets[i].makes[place.make].layers) {
        if (layer.nothing) continue;
        if (layer.kind == LayerKind::peekaboo) one.stencil = layer.id;
        if (layer.kind == LayerKind::ring) one.ring = layer.id;
      }
      if (!one.stencil.empty()) found.push_back(std::move(one));
    }
  }
  std::sort(found.begin(), found.end(),
            [](const Peekaboo& a, const Peekaboo& b) { return a.number < b.number; });
  std::vector<Look> looks;
  for (const Peekaboo& one : found) {
    const SetPlan& set = sets[one.set];
    looks.emplace_back(set.makes[set.places[one.place].make], one);
  }
  for (std::size_t i = 0; i < found.size(); ++i) {
    for (std::size_t k = 0; k < found.size(); ++k) {
      // What has no ring, and what the same ring goes round, need not be told apart.
      if (looks[i].make == looks[k].make || (!looks[i].ringed && !looks[k].ringed)) continue;
      if (found[i].set == found[k].set && looks[i].ringGoesRound(looks[k])) continue;
      if (looks[i].like(looks[k])) found[i].alike.push_back(found[k].number);
    }
  }
  return found;
}

LiftOrder liftOrderOf(const std::vector<Peekaboo>& peekaboos) {
  LiftOrder order;
  for (const Peekaboo& one : peekaboos) {
    (one.alike.empty() ? order.atOnce : order.oneByOne).push_back(one.number);
  }
  return order;
}

}  // namespace avrelt
