// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/path.h"

#include <cmath>
#include <numbers>

#include "shape/smooth.h"

namespace avrelt {
namespace {

using std::numbers::pi;

double sweepOf(double bulge) {
  return 4 * std::atan(bulge);
}

/// (x − sin x) / x³, whole at x = 0: what an arc adds to its chord's area, written so that a flat
/// arc loses no digits.
double arcExcess(double x) {
  const double x2 = x * x;
  if (x2 < 0.1) {
    return 1.0 / 6 * (1 - x2 / 20 * (1 - x2 / 42 * (1 - x2 / 72 * (1 - x2 / 110))));
  }
  return (x - std::sin(x)) / (x2 * x);
}

double lengthOf(Point from, const Stretch& stretch) {
  const double chord = norm(stretch.end - from);
  return chord / sinc(sweepOf(stretch.bulge) / 2);
}

/// Between an arc and its chord, positive where the arc turns left:
/// r²/2 (φ − sin φ), with the chord c = 2 r sin(φ/2) put in for r.
double segmentArea(Point from, const Stretch& stretch) {
  const double sweep = sweepOf(stretch.bulge);
  const double chord = norm(stretch.end - from);
  const double half = sinc(sweep / 2);
  return chord * chord / (2 * half * half) * sweep * arcExcess(sweep);
}

}  // namespace

ArcFigures arcFigures(Point from, const Stretch& stretch) {
  const double b = stretch.bulge;
  const Point chord = stretch.end - from;
  ArcFigures figures;
  figures.sweep = sweepOf(b);
  figures.radius = norm(chord) * (1 + b * b) / (4 * std::abs(b));
  // From the middle of the chord to the centre: to the left for a shallow left turn.
  figures.centre = from + chord * 0.5 + avrelt::turnedLeft(chord) * ((1 - b * b) / (4 * b));
  const Point spoke = from - figures.centre;
  figures.startAngle = std::atan2(spoke.y, spoke.x);
  return figures;
}

double riseOf(Point from, const Stretch& stretch) {
  return std::abs(stretch.bulge) * norm(stretch.end - from) / 2;
}

Point pointAlong(Point from, const Stretch& stretch, double share) {
  if (share <= 0) return from;
  if (share >= 1) return stretch.end;
  const Point chord = stretch.end - from;
  const double sweep = sweepOf(stretch.bulge);
  // In the circle's own terms, without its radius: the part of the arc from the start to here is
  // itself an arc, whose chord is shorter and turned.
  const double part = sweep * share / 2;
  const double scale = share * sinc(part) / sinc(sweep / 2);
  const double turn = part - sweep / 2;
  const Point along = chord * scale;
  return from + Point{along.x * std::cos(turn) - along.y * std::sin(turn),
                      along.x * std::sin(turn) + along.y * std::cos(turn)};
}

Length lengthOf(const Path& path) {
  double total = 0;
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    total += lengthOf(from, stretch);
    from = stretch.end;
  }
  return Length::mm(total);
}

bool isRound(const Path& path) {
  return std::all_of(path.stretches.begin(), path.stretches.end(),
                     [](const Stretch& stretch) { return stretch.bulge == 1; });
}

Area areaOf(const Path& path) {
  double total = 0;
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    // Measured from the start of the path, so that a part far from the origin loses no digits.
    total += cross(from - path.start, stretch.end - path.start) / 2 + segmentArea(from, stretch);
    from = stretch.end;
  }
  return Area::mm2(total);
}

Box boundsOf(const Path& path) {
  Box box;
  box.add(path.start);
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    box.add(stretch.end);
    if (stretch.bulge != 0) {
      const double sweep = sweepOf(stretch.bulge);
      const Point chord = stretch.end - from;
      // The heading turns evenly along an arc; where it is level or upright the arc is outermost.
      const double heading = std::atan2(chord.y, chord.x) - sweep / 2;
      for (int quarter = -6; quarter <= 6; ++quarter) {
        const double share = (quarter * pi / 2 - heading) / sweep;
        if (share > 0 && share < 1) box.add(pointAlong(from, stretch, share));
      }
    }
    from = stretch.end;
  }
  return box;
}

std::vector<Point> flattened(const Path& path, Length tolerance) {
  std::vector<Point> points{path.start};
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    int parts = 1;
    if (riseOf(from, stretch) > tolerance.mm()) {
      const double sweep = std::abs(sweepOf(stretch.bulge));
      const double radius = lengthOf(from, stretch) / sweep;
      const double largest = 2 * std::acos(std::max(0.0, 1 - tolerance.mm() / radius));
      parts = std::max(1, static_cast<int>(std::ceil(sweep / largest)));
    }
    for (int part = 1; part < parts; ++part) {
      points.push_back(pointAlong(from, stretch, static_cast<double>(part) / parts));
    }
    points.push_back(stretch.end);
    from = stretch.end;
  }
  if (path.closed()) points.pop_back();
  return points;
}

Path movedBy(const Path& path, Point offset) {
  Path moved{path.start + offset, path.stretches};
  for (Stretch& stretch : moved.stretches) stretch.end = stretch.end + offset;
  return moved;
}

Path turnedLeft(const Path& path) {
  Path turned{turnedLeft(path.start), path.stretches};
  for (Stretch& stretch : turned.stretches) stretch.end = turnedLeft(stretch.end);
  return turned;
}

}  // namespace avrelt
