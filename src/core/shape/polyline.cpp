// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/polyline.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr double mostSteps = 1000;

/// The steps that keep a curve whose second derivative is at most `bend` within the tolerance.
int stepsFor(double bend, double tolerance) {
  return static_cast<int>(std::clamp(std::ceil(std::sqrt(bend / (8 * tolerance))), 1.0, mostSteps));
}

}  // namespace

void Pen::moveTo(Point p) {
  open_ = false;
  at_ = start_ = p;
}

void Pen::begin() {
  if (open_) return;
  open_ = true;
  lines_.emplace_back();
  put(start_);
}

void Pen::put(Point p) {
  lines_.back().points.push_back(map_(p));
  ++points_;
}

void Pen::lineTo(Point p) {
  begin();
  put(p);
  at_ = p;
}

void Pen::cubicTo(Point c1, Point c2, Point p) {
  begin();
  const Point from = at_;
  const auto mapped = [this](Point v) {
    return Point{map_.a * v.x + map_.c * v.y, map_.b * v.x + map_.d * v.y};
  };
  const double bend = 6 * std::max(norm(mapped(from - 2 * c1 + c2)), norm(mapped(c1 - 2 * c2 + p)));
  const int steps = stepsFor(bend, tolerance_);
  for (int i = 1; i < steps; ++i) {
    const double t = static_cast<double>(i) / steps;
    const double u = 1 - t;
    put(u * u * u * from + 3 * u * u * t * c1 + 3 * u * t * t * c2 + t * t * t * p);
  }
  put(p);
  at_ = p;
}

void Pen::quadraticTo(Point c, Point p) {
  cubicTo(at_ + (c - at_) * (2.0 / 3), p + (c - p) * (2.0 / 3), p);
}

void Pen::arcTo(double rx, double ry, Angle turn, bool large, bool sweep, Point p) {
  rx = std::abs(rx);
  ry = std::abs(ry);
  if (p == at_) return;
  if (rx < 1e-12 || ry < 1e-12) return lineTo(p);
  begin();
  // From the ends to the centre: SVG 1.1, appendix F.6.5 and F.6.6.
  const double cosine = std::cos(turn.radians());
  const double sine = std::sin(turn.radians());
  const Point half = (at_ - p) * 0.5;
  const Point own{cosine * half.x + sine * half.y, -sine * half.x + cosine * half.y};
  const double short2 = own.x * own.x / (rx * rx) + own.y * own.y / (ry * ry);
  if (short2 > 1) {
    rx *= std::sqrt(short2);
    ry *= std::sqrt(short2);
  }
  const double below = rx * rx * own.y * own.y + ry * ry * own.x * own.x;
  double root = std::sqrt(std::max(0.0, rx * rx * ry * ry / below - 1));
  if (large == sweep) root = -root;
  const Point centred{root * rx * own.y / ry, -root * ry * own.x / rx};
  const Point middle = (at_ + p) * 0.5;
  const Point centre{cosine * centred.x - sine * centred.y + middle.x,
                     sine * centred.x + cosine * centred.y + middle.y};
  const double from = std::atan2((own.y - centred.y) / ry, (own.x - centred.x) / rx);
  double by = std::atan2((-own.y - centred.y) / ry, (-own.x - centred.x) / rx) - from;
  if (sweep && by < 0) by += 2 * pi;
  if (!sweep && by > 0) by -= 2 * pi;
  const double bend =
      std::max(rx, ry) * std::max(std::hypot(map_.a, map_.b), std::hypot(map_.c, map_.d)) * by * by;
  const int steps = stepsFor(bend, tolerance_);
  for (int i = 1; i < steps; ++i) {
    const double angle = from + by * i / steps;
    const Point on{rx * std::cos(angle), ry * std::sin(angle)};
    put({cosine * on.x - sine * on.y + centre.x, sine * on.x + cosine * on.y + centre.y});
  }
  put(p);
  at_ = p;
}

void Pen::close() {
  if (open_) {
    Polyline& line = lines_.back();
    line.closed = true;
    if (line.points.size() > 1 && norm(line.points.back() - line.points.front()) < 1e-9) {
      line.points.pop_back();
    }
  }
  // A path that goes on after its end begins again where it began.
  open_ = false;
  at_ = start_;
}

std::vector<Polyline> Pen::take() {
  open_ = false;
  std::erase_if(lines_, [](const Polyline& line) { return line.points.size() < 2; });
  return std::move(lines_);
}

}  // namespace avrelt
