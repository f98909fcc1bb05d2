// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/photo_sight.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "cup/least_squares.h"

namespace avrelt {
namespace {

constexpr double usualDistance = 2000;  // mm
constexpr double closestMarks = 20;     // px
/// How much marks that are off by a pixel count against a distance e times the usual.
constexpr double prior = 0.3;
constexpr double mostOff = 0.03;
constexpr std::size_t unknowns = 6;

}  // namespace

/// About the cup with the camera before it, at (0, −distance, above).
Point PhotoSight::seen(const Camera& camera, SpacePoint p) const {
  const double x = p.x;
  const double y = p.y + std::exp(camera.logDistance);
  const double z = p.z - camera.above;
  const double x1 = x * std::cos(camera.yaw) - y * std::sin(camera.yaw);
  const double y1 = x * std::sin(camera.yaw) + y * std::cos(camera.yaw);
  const double y2 = y1 * std::cos(camera.pitch) + z * std::sin(camera.pitch);
  const double z2 = z * std::cos(camera.pitch) - y1 * std::sin(camera.pitch);
  const double x3 = x1 * std::cos(camera.roll) + z2 * std::sin(camera.roll);
  const double z3 = z2 * std::cos(camera.roll) - x1 * std::sin(camera.roll);
  const double lens = std::exp(camera.logLens) / std::max(y2, 1e-6);
  return {marks_.width / 2 + x3 * lens, marks_.height / 2 - z3 * lens};
}

/// Where a ring ends to the eye: where an upright plane through the camera touches it.
Point PhotoSight::ringEnd(const Camera& camera, Length s, double side) const {
  const double reach = body_.radius(s).mm() / std::exp(camera.logDistance);
  const double theta = side * std::acos(std::clamp(reach, -1.0, 1.0));
  return seen(camera, body_.toSpace({Angle::radians(theta), s}));
}

PhotoSight::Camera PhotoSight::begin() const {
  const Point base = (marks_.baseLeft + marks_.baseRight) * 0.5;
  const Point rim = (marks_.rimLeft + marks_.rimRight) * 0.5;
  const Point up = rim - base;
  Camera camera;
  camera.logDistance = std::log(usualDistance);
  const double plumb = body_.plumb().mm();
  const double lens = norm(up) * usualDistance / plumb;
  camera.logLens = std::log(lens);
  camera.roll = std::atan2(up.x, -up.y);
  // By how much the rim's near side hangs below its ends: it is seen from above.
  const Point across = marks_.rimRight - marks_.rimLeft;
  const double hangs = dot(marks_.rimNear - rim, up * (-1 / norm(up)));
  const double sine = std::clamp(2 * hangs / norm(across), -0.7, 0.7);
  camera.above = plumb + usualDistance * sine / std::sqrt(1 - sine * sine);
  const Point middle = (base + rim) * 0.5;
  camera.pitch = std::atan2(plumb / 2 - camera.above, usualDistance) -
                 std::atan2(marks_.height / 2 - middle.y, lens);
  camera.yaw = std::atan2(marks_.width / 2 - middle.x, lens);
  return camera;
}

std::vector<double> PhotoSight::misses(const Camera& camera, std::optional<Length> distance) const {
  const Length rim = body_.wall();
  const std::array<std::pair<Point, Point>, 6> pairs{{
      {ringEnd(camera, Length(), -1), marks_.baseLeft},
      {ringEnd(camera, Length(), 1), marks_.baseRight},
      {seen(camera, body_.toSpace({Angle(), Length()})), marks_.baseNear},
      {ringEnd(camera, rim, -1), marks_.rimLeft},
      {ringEnd(camera, rim, 1), marks_.rimRight},
      {seen(camera, body_.toSpace({Angle(), rim})), marks_.rimNear},
  }};
  std::vector<double> off;
  for (const auto& [made, marked] : pairs) {
    off.push_back(made.x - marked.x);
    off.push_back(made.y - marked.y);
  }
  const double known = distance ? distance->mm() : usualDistance;
  off.push_back((camera.logDistance - std::log(known)) * (distance ? 1e4 : prior));
  return off;
}

void PhotoSight::fit(std::optional<Length> distance) {
  using Values = std::array<double, unknowns>;
  const auto values = [](const Camera& c) {
    return Values{c.logLens, c.logDistance, c.above, c.pitch, c.yaw, c.roll};
  };
  const auto cameraOf = [](const Values& v) { return Camera{v[0], v[1], v[2], v[3], v[4], v[5]}; };
  // Steps that move a mark by about as much.
  const Values scale{1, 1, usualDistance, 1, 1, 1};
  const auto sum = [](const std::vector<double>& off) {
    double all = 0;
    for (const double one : off) all += one * one;
    return all;
  };
  Values now = values(begin());
  std::vector<double> off = misses(cameraOf(now), distance);
  double best = sum(off);
  double damping = 1e-3;
  for (int step = 0; step < 200 && damping < 1e12; ++step) {
    std::vector<Observation> observations(off.size());
    for (std::size_t k = 0; k < off.size(); ++k) {
      observations[k].terms.resize(unknowns);
      observations[k].value = -off[k];
    }
    Values steep{};
    for (std::size_t i = 0; i < unknowns; ++i) {
      constexpr double by = 1e-6;
      Values aside = now;
      aside[i] += by * scale[i];
      const std::vector<double> there = misses(cameraOf(aside), distance);
      for (std::size_t k = 0; k < off.size(); ++k) {
        observations[k].terms[i] = (there[k] - off[k]) / by;
        steep[i] += observations[k].terms[i] * observations[k].terms[i];
      }
    }
    for (std::size_t i = 0; i < unknowns; ++i) {
      Observation held;
      held.terms.assign(unknowns, 0);
      held.terms[i] = std::sqrt(damping * std::max(steep[i], 1e-12));
      observations.push_back(std::move(held));
    }
    const LinearFit way = leastSquares(observations);
    Values next = now;
    for (std::size_t i = 0; i < unknowns; ++i) next[i] += way.x[i] * scale[i];
    next[1] = std::clamp(next[1], std::log(body_.widestRadius().mm() * 1.2), std::log(1e5));
    std::vector<double> there = misses(cameraOf(next), distance);
    const double less = sum(there);
    if (!(less < best)) {
      damping *= 8;
      continue;
    }
    const bool done = best - less < 1e-14 * (1 + best);
    now = next;
    off = std::move(there);
    best = less;
    damping = std::max(damping / 8, 1e-12);
    if (done) break;
  }
  camera_ = cameraOf(now);
  off.pop_back();
  off_ = std::sqrt(sum(off) / 6);
}

Checked<PhotoSight> PhotoSight::of(const Body& body, const PhotoMarks& marks,
                                   std::optional<Length> distance) {
  const Point base = (marks.baseLeft + marks.baseRight) * 0.5;
  const Point rim = (marks.rimLeft + marks.rimRight) * 0.5;
  const double tall = norm(rim - base);
  if (tall < closestMarks || norm(marks.baseRight - marks.baseLeft) < closestMarks ||
      norm(marks.rimRight - marks.rimLeft) < closestMarks) {
    return refuse(Member::photoMarks,
                  "The marks lie on each other. Pull them to the ends of base and rim.");
  }
  // y runs down on a picture, so a quarter to the left of up is what the eye calls right.
  const Point right = turnedLeft((rim - base) * (1 / tall));
  if (dot(marks.baseRight - marks.baseLeft, right) <= 0 ||
      dot(marks.rimRight - marks.rimLeft, right) <= 0) {
    return refuse(Member::photoMarks,
                  "The marks are turned about: the left ends go to the left, the rim above the "
                  "base. Put them right.");
  }
  if (distance && *distance < body.widestRadius() * 1.5) {
    return refuse(Member::photoDistance,
                  "So near no camera sees the cup whole. Give how far it stood from the cup.");
  }
  PhotoSight sight(body, marks);
  sight.fit(distance);
  if (!std::isfinite(sight.off_) || sight.off_ > mostOff * tall) {
    return refuse(Member::photoMarks,
                  "No camera sees this cup so. Put each mark on its place: the ends of base and "
                  "rim, and the middles of their near sides.");
  }
  const std::optional<Place> front = sight.onWall(marks.front);
  if (!front) {
    return refuse(Member::photoFront, "The front's mark lies beside the cup. Put it on the wall.");
  }
  sight.front_ = front->onCup.fromFront();
  return sight;
}

std::optional<Point> PhotoSight::onPhoto(const Place& place) const {
  const SpacePoint p = body_.toSpace({place.onCup.fromFront() + front_, place.s});
  const double k = body_.taper(place.s);
  const double radius = std::hypot(p.x, p.y);
  if (radius <= 0) return std::nullopt;
  // The wall's outward normal against the way to the camera.
  const double out = std::sqrt(std::max(0.0, 1 - k * k)) / radius;
  const double towards = -p.x * p.x * out - p.y * (p.y + std::exp(camera_.logDistance)) * out -
                         k * (camera_.above - p.z);
  if (towards <= 0) return std::nullopt;
  return seen(camera_, p);
}

std::optional<PhotoSight::Place> PhotoSight::onWall(Point onPhoto) const {
  // The ray through that place, back through roll, pitch and yaw.
  const double lens = std::exp(camera_.logLens);
  const double x3 = (onPhoto.x - marks_.width / 2) / lens;
  const double z3 = (marks_.height / 2 - onPhoto.y) / lens;
  const double x1 = x3 * std::cos(camera_.roll) - z3 * std::sin(camera_.roll);
  const double z2 = x3 * std::sin(camera_.roll) + z3 * std::cos(camera_.roll);
  const double y1 = std::cos(camera_.pitch) - z2 * std::sin(camera_.pitch);
  const double z = std::sin(camera_.pitch) + z2 * std::cos(camera_.pitch);
  const double x = x1 * std::cos(camera_.yaw) + y1 * std::sin(camera_.yaw);
  const double y = y1 * std::cos(camera_.yaw) - x1 * std::sin(camera_.yaw);
  const double far = std::exp(camera_.logDistance);
  const auto at = [&](double t) { return SpacePoint{x * t, y * t - far, camera_.above + z * t}; };
  const double plumb = body_.plumb().mm();
  // Above 0 outside the wall, taken on beyond base and rim.
  const auto outside = [&](double t) {
    const SpacePoint p = at(t);
    const double height = std::clamp(p.z, 0.0, plumb);
    return std::hypot(p.x, p.y) - body_.radius(body_.wallAt(Length::mm(height))).mm();
  };
  const double reach = body_.widestRadius().mm() + plumb;
  const double begin = std::max(0.0, (far - reach) / std::hypot(x, y));
  const double end = (far + reach) / std::hypot(x, y);
  constexpr int steps = 400;
  double before = begin;
  for (int i = 1; i <= steps; ++i) {
    const double next = begin + (end - begin) * i / steps;
    if (!(outside(before) > 0 && outside(next) <= 0)) {
      before = next;
      continue;
    }
    double low = before;
    double high = next;
    for (int halve = 0; halve < 60; ++halve) {
      const double middle = (low + high) / 2;
      (outside(middle) > 0 ? low : high) = middle;
    }
    const SpacePoint p = at(high);
    if (p.z < -1e-6 || p.z > plumb + 1e-6) return std::nullopt;
    const Length s = body_.wallAt(Length::mm(std::clamp(p.z, 0.0, plumb)));
    return Place{CupAngle::ofFront((Angle::radians(std::atan2(p.x, -p.y)) - front_).wrapped()), s};
  }
  return std::nullopt;
}

Length PhotoSight::distance() const {
  return Length::mm(std::exp(camera_.logDistance));
}

Length PhotoSight::above() const {
  return Length::mm(camera_.above);
}

}  // namespace avrelt
