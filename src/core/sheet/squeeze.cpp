// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/squeeze.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <utility>

#include "measure/dice.h"
#include "shape/evenly.h"
#include "shape/polygon.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

/// How deep places lie in a shape, on a grid.
class DepthField {
 public:
  explicit DepthField(const std::vector<Point>& outline) {
    const Box box = boundsOf(Polygon{outline});
    step_ = std::max(box.width(), box.height()) / (across - 3);
    low_ = box.low - Point{step_, step_};
    depths_.resize(across * across);
    for (std::size_t row = 0; row < across; ++row) {
      for (std::size_t column = 0; column < across; ++column) {
        const Point at =
            low_ + Point{static_cast<double>(column) * step_, static_cast<double>(row) * step_};
        depths_[row * across + column] = depthIn(outline, at);
      }
    }
  }

  /// Of a place in the shape, and how it grows towards x and y; 0 outside.
  struct Depth {
    double deep = 0;
    Point growing{};
  };
  Depth operator()(Point at) const {
    const double x = (at.x - low_.x) / step_;
    const double y = (at.y - low_.y) / step_;
    if (x < 0 || y < 0 || x >= across - 1 || y >= across - 1) return {};
    const auto column = static_cast<std::size_t>(x);
    const auto row = static_cast<std::size_t>(y);
    const double right = x - static_cast<double>(column);
    const double up = y - static_cast<double>(row);
    const double* from = &depths_[row * across + column];
    const double a = from[0];
    const double b = from[1];
    const double c = from[across];
    const double d = from[across + 1];
    const double deep =
        (a * (1 - right) + b * right) * (1 - up) + (c * (1 - right) + d * right) * up;
    if (deep <= 0) return {};
    return {deep,
            {((b - a) * (1 - up) + (d - c) * up) / step_,
             ((c - a) * (1 - right) + (d - b) * right) / step_}};
  }

 private:
  static constexpr std::size_t across = 128;

  static double depthIn(const std::vector<Point>& outline, Point at) {
    double square = std::numeric_limits<double>::infinity();
    bool inside = false;
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point from = outline[i];
      const Point to = outline[i + 1 == outline.size() ? 0 : i + 1];
      square = std::min(square, squareDistance(at, from, to));
      if ((from.y > at.y) != (to.y > at.y) &&
          at.x < from.x + (to.x - from.x) * (at.y - from.y) / (to.y - from.y)) {
        inside = !inside;
      }
    }
    return std::sqrt(square) * (inside ? 1 : -1);
  }

  Point low_;
  double step_ = 1;
  std::vector<double> depths_;
};

struct Lying {
  Point at{};
  double turn = 0;
};

/// What lies on each other, and which way it goes apart.
class Overlaps {
 public:
  Overlaps(const std::vector<Point>& outline, const DepthField& field, double wide, double tall)
      : outline_(outline), field_(field), wide_(wide), tall_(tall) {}

  /// So many places are looked at along each edge, and all its sharp corners.
  void lookAt(std::size_t places) {
    edge_ = evenlyAlong(outline_, places);
    constexpr double sharp = 0.25;  // rad
    for (std::size_t i = 0; i < outline_.size(); ++i) {
      const Point corner = outline_[i];
      const Point in = corner - outline_[i == 0 ? outline_.size() - 1 : i - 1];
      const Point out = outline_[i + 1 == outline_.size() ? 0 : i + 1] - corner;
      if (std::atan2(cross(in, out), dot(in, out)) > sharp) edge_.push_back(corner);
    }
    reach_ = 0;
    for (const Point p : edge_) reach_ = std::max(reach_, norm(p));
  }

  double reach() const { return reach_; }
  double deepest() const { return deepest_; }

  /// The squares of depths, summed; `push` is how that grows as each moves and turns.
  double operator()(const std::vector<Lying>& bodies, std::vector<Lying>& push) {
    deepest_ = 0;
    double sum = 0;
    std::fill(push.begin(), push.end(), Lying{});
    for (std::size_t i = 0; i < bodies.size(); ++i) {
      const double cosine = std::cos(bodies[i].turn);
      const double sine = std::sin(bodies[i].turn);
      turned_.clear();
      for (const Point p : edge_) {
        turned_.push_back({cosine * p.x - sine * p.y, sine * p.x + cosine * p.y});
      }
      for (const Point p : turned_) sum += beyondEdge(bodies[i].at + p, p, push[i]);
      for (std::size_t j = 0; j < bodies.size(); ++j) {
        const Point between = bodies[i].at - bodies[j].at;
        if (i != j && dot(between, between) < 4 * reach_ * reach_) {
          sum += lyingOn(bodies[j], between, push[i], push[j]);
        }
      }
    }
    return sum;
  }

 private:
  double beyondEdge(Point at, Point arm, Lying& push) {
    const Point over{at.x < 0 ? at.x : std::max(0.0, at.x - wide_),
                     at.y < 0 ? at.y : std::max(0.0, at.y - tall_)};
    if (over == Point{}) return 0;
    deepest_ = std::max(deepest_, norm(over));
    push.at = push.at + over * 2;
    push.turn += 2 * cross(arm, over);
    return dot(over, over);
  }

  /// What of the edge that is looked at lies in another.
  double lyingOn(const Lying& other, Point between, Lying& push, Lying& pushOther) {
    const double cosine = std::cos(other.turn);
    const double sine = std::sin(other.turn);
    double sum = 0;
    for (const Point arm : turned_) {
      const Point from = between + arm;
      if (dot(from, from) > reach_ * reach_) continue;
      const DepthField::Depth depth =
          field_({cosine * from.x + sine * from.y, cosine * from.y - sine * from.x});
      if (depth.deep <= 0) continue;
      deepest_ = std::max(deepest_, depth.deep);
      sum += depth.deep * depth.deep;
      const Point growing = Point{cosine * depth.growing.x - sine * depth.growing.y,
                                  sine * depth.growing.x + cosine * depth.growing.y} *
                            (2 * depth.deep);
      push.at = push.at + growing;
      push.turn += cross(arm, growing);
      pushOther.at = pushOther.at - growing;
      pushOther.turn -= cross(from, growing);
    }
    return sum;
  }

  const std::vector<Point>& outline_;
  const DepthField& field_;
  double wide_;
  double tall_;
  double reach_ = 0;
  double deepest_ = 0;
  std::vector<Point> edge_;
  std::vector<Point> turned_;
};

/// Bodies on their way apart, with some inertia.
class Parting {
 public:
  explicit Parting(std::vector<Lying> bodies)
      : bodies_(std::move(bodies)), push_(bodies_.size()), speed_(bodies_.size()) {}

  const std::vector<Lying>& bodies() const { return bodies_; }
  /// The squares of depths, as of the last step.
  double left() const { return left_; }
  bool isApart() const { return apart_; }

  /// At most so many steps, till none lies on another.
  void go(Overlaps& overlaps, bool mayTurn, int steps) {
    apart_ = false;
    for (int step = 0; step < steps; ++step) {
      left_ = overlaps(bodies_, push_);
      apart_ = overlaps.deepest() <= squeezeLeaves.mm();
      if (apart_) return;
      for (Lying& push : push_) push.turn = mayTurn ? push.turn / overlaps.reach() : 0;
      steer();
      for (std::size_t i = 0; i < bodies_.size(); ++i) {
        speed_[i].at = speed_[i].at - push_[i].at * pace_;
        speed_[i].turn -= push_[i].turn * pace_;
        bodies_[i].at = bodies_[i].at + speed_[i].at * pace_;
        bodies_[i].turn += speed_[i].turn * pace_ / overlaps.reach();
      }
    }
  }

 private:
  // The usual figures of the method.
  static constexpr double slowest = 0.05;
  static constexpr double fastest = 0.3;
  static constexpr double mixedAtFirst = 0.1;
  static constexpr int stepsTillFaster = 5;

  /// Downhill the speed turns towards the push, and faster; uphill all begins at rest.
  void steer() {
    double power = 0;
    double speeds = 0;
    double pushes = 0;
    for (std::size_t i = 0; i < bodies_.size(); ++i) {
      const Lying& push = push_[i];
      const Lying& speed = speed_[i];
      power -= dot(push.at, speed.at) + push.turn * speed.turn;
      speeds += dot(speed.at, speed.at) + speed.turn * speed.turn;
      pushes += dot(push.at, push.at) + push.turn * push.turn;
    }
    if (power <= 0) {
      std::fill(speed_.begin(), speed_.end(), Lying{});
      downhill_ = 0;
      pace_ /= 2;
      mixed_ = mixedAtFirst;
      return;
    }
    const double along = pushes > 0 ? mixed_ * std::sqrt(speeds / pushes) : 0;
    for (std::size_t i = 0; i < bodies_.size(); ++i) {
      speed_[i].at = speed_[i].at * (1 - mixed_) - push_[i].at * along;
      speed_[i].turn = speed_[i].turn * (1 - mixed_) - push_[i].turn * along;
    }
    if (++downhill_ > stepsTillFaster) {
      pace_ = std::min(pace_ * 1.1, fastest);
      mixed_ *= 0.99;
    }
  }

  std::vector<Lying> bodies_;
  std::vector<Lying> push_;
  std::vector<Lying> speed_;
  double left_ = 0;
  bool apart_ = false;
  double pace_ = slowest;
  double mixed_ = mixedAtFirst;
  int downhill_ = 0;
};

/// Rows of a lattice, turned and shifted by chance and so tight that about so many lie on the
/// rectangle; by chance one more here, one fewer there.
std::vector<Lying> tightRows(const Lattice& lattice, double wide, double tall, double inset,
                             MayTurn mayTurn, std::size_t count, Dice& dice) {
  const double turn = mayTurn == MayTurn::any ? dice.between(0, 2 * M_PI) : 0;
  const Point shift{dice.share(), dice.share()};
  const Point middle{wide / 2, tall / 2};
  const auto turned = [turn](Point p) {
    return Point{std::cos(turn) * p.x - std::sin(turn) * p.y,
                 std::sin(turn) * p.x + std::cos(turn) * p.y};
  };
  const auto rows = [&](double scale) {
    std::vector<Lying> bodies;
    const Point along = lattice.along * scale;
    const Point across = lattice.across * scale;
    const double area = std::abs(cross(along, across));
    const double far = std::hypot(wide, tall);
    const int mostAlong = static_cast<int>(far * norm(across) / area) + 2;
    const int mostAcross = static_cast<int>(far * norm(along) / area) + 2;
    for (int i = -mostAlong; i <= mostAlong; ++i) {
      for (int j = -mostAcross; j <= mostAcross; ++j) {
        for (const Lattice::Member& member : lattice.members) {
          const Point at =
              middle + turned(along * (i + shift.x) + across * (j + shift.y) + member.at * scale);
          if (std::min(at.x, at.y) < inset || at.x > wide - inset || at.y > tall - inset) continue;
          bodies.push_back({at, turn + member.turn.radians()});
        }
      }
    }
    return bodies;
  };
  double tight = 0.6;
  double loose = 1.2;
  std::vector<Lying> bodies = rows(tight);
  constexpr int halvings = 12;
  for (int i = 0; i < halvings; ++i) {
    const double scale = (tight + loose) / 2;
    std::vector<Lying> tried = rows(scale);
    const bool enough = tried.size() >= count;
    (enough ? tight : loose) = scale;
    if (enough) bodies = std::move(tried);
  }
  while (bodies.size() > count) {
    bodies.erase(bodies.begin() + static_cast<std::ptrdiff_t>(dice.one(bodies.size())));
  }
  constexpr double loosened = 0.5;
  for (Lying& body : bodies) {
    body.at = body.at + Point{dice.between(-loosened, loosened), dice.between(-loosened, loosened)};
    if (mayTurn == MayTurn::any) body.turn += dice.between(-0.05, 0.05);
  }
  return bodies;
}

}  // namespace

std::optional<std::vector<LatticePlace>> squeezedOn(const std::vector<Point>& outline,
                                                    const std::vector<Lattice>& lattices,
                                                    Length across, Length up, MayTurn mayTurn,
                                                    std::size_t count, long seed) {
  const double wide = across.mm();
  const double tall = up.mm();
  if (lattices.empty() || count == 0 || count > mostSqueezed) return std::nullopt;
  const double area = std::abs(signedArea(outline));
  // More than it holds however they lie.
  if (area * static_cast<double>(count) > wide * tall) return std::nullopt;
  // About the middle, which is turned about.
  const Point middle = boundsOf(Polygon{outline}).centre();
  std::vector<Point> centred;
  centred.reserve(outline.size());
  for (const Point p : outline) centred.push_back(p - middle);
  const DepthField field(centred);
  Overlaps overlaps(centred, field, wide, tall);
  const double inset = std::sqrt(area / M_PI) * 0.7;

  // Many begin; those with least left to part go on; the best to the end, at last finely.
  constexpr std::size_t starts = 16;
  constexpr std::array<std::pair<std::size_t, int>, 3> rounds{{{16, 30}, {6, 50}, {2, 150}}};
  constexpr std::size_t roughly = 36;
  constexpr std::array<std::pair<std::size_t, int>, 3> passes{
      {{roughly, 600}, {144, 200}, {360, 100}}};
  const bool turns = mayTurn == MayTurn::any;
  Dice dice(static_cast<std::uint64_t>(seed));
  std::vector<Parting> partings;
  for (std::size_t start = 0; start < starts; ++start) {
    // The densest likelier.
    const Lattice& lattice = lattices[static_cast<std::size_t>(
        static_cast<double>(lattices.size()) * dice.share() * dice.share())];
    if (lattice.members.size() > 1 && mayTurn == MayTurn::no) continue;
    std::vector<Lying> bodies = tightRows(lattice, wide, tall, inset, mayTurn, count, dice);
    if (bodies.size() == count) partings.emplace_back(std::move(bodies));
  }
  overlaps.lookAt(roughly);
  for (const auto& [most, steps] : rounds) {
    while (partings.size() > most) partings.pop_back();
    for (Parting& one : partings) one.go(overlaps, turns, steps);
    std::stable_sort(partings.begin(), partings.end(),
                     [](const Parting& a, const Parting& b) { return a.left() < b.left(); });
  }
  if (partings.empty()) return std::nullopt;
  Parting& best = partings.front();
  for (const auto& [places, steps] : passes) {
    overlaps.lookAt(places);
    best.go(overlaps, turns, steps);
    if (!best.isApart()) return std::nullopt;
  }
  std::vector<LatticePlace> places;
  places.reserve(count);
  for (const Lying& body : best.bodies()) {
    const Point off{std::cos(body.turn) * middle.x - std::sin(body.turn) * middle.y,
                    std::sin(body.turn) * middle.x + std::cos(body.turn) * middle.y};
    places.push_back({Angle::radians(body.turn), body.at - off});
  }
  return places;
}

}  // namespace avrelt
