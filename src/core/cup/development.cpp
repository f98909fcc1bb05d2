// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/development.h"

#include <cmath>
#include <numbers>
#include <string>

#include "shape/smooth.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr Length smallest = Length::mm(1);

/// atan2(k x, q) / k, whole at k = 0 where it is x / q. The angle round the cup of a flat place.
double angleAbout(double k, double x, double q) {
  const double lean = k * x;
  if (q > 0 && std::abs(lean) < 1e-4 * q) {
    const double t2 = lean * lean / (q * q);
    return x / q * (1 - t2 / 3 + t2 * t2 / 5);
  }
  return std::atan2(lean, q) / k;
}

std::string stationField(std::size_t index, const char* member) {
  return "blank.stations[" + std::to_string(index) + "]." + member;
}

const char* girthMember(const Station& station) {
  return station.girthIs == Girth::around ? "around" : "across";
}

double radiusOf(const Station& station) {
  const double girth = station.girth->length.mm();
  return station.girthIs == Girth::around ? girth / (2 * pi) : girth / 2;
}

void checkGirth(const Blank& blank, std::size_t index, Faults& faults) {
  const Station& station = blank.stations[index];
  if (!station.girth) {
    if (index == 0) {
      faults.push_back({stationField(0, "around"),
                        {"The base has no measure. Give the length round it (or across it).", {}}});
    }
    return;
  }
  const Length girth = station.girth->length;
  if (girth < smallest) {
    faults.push_back({stationField(index, girthMember(station)),
                      {"This measure is %2; a cup has at least %1 here. Measure round the body, "
                       "or across it.",
                       {smallest, girth}}});
  } else if (girth > longestLength) {
    faults.push_back(
        {stationField(index, girthMember(station)),
         {"Nothing on a bench measures over 10 m. Check the number and its unit.", {}}});
  }
}

}  // namespace

CheckedAll<Development> Development::of(const Blank& blank) {
  const std::size_t count = blank.stations.size();
  if (count != 2) {
    return tl::unexpected(
        Faults{{"blank.stations",
                {"The body has %1 stations; this version reads two, the base and the rim.",
                 {static_cast<long>(count)}}}});
  }
  Faults faults;
  if (blank.stations[0].at.length != Length()) {
    faults.push_back({stationField(0, "at"),
                      {"The first station stands at %1; it has to be the base edge, at 0.",
                       {blank.stations[0].at.length}}});
  }
  const Length height = blank.stations[1].at.length;
  if (height < smallest) {
    faults.push_back({stationField(1, "at"),
                      {"The body is %1 high; a height of at least %2 is wanted. Measure from the "
                       "base edge to the rim.",
                       {height, smallest}}});
  } else if (height > longestLength) {
    faults.push_back(
        {stationField(1, "at"),
         {"Nothing on a bench measures over 10 m. Check the number and its unit.", {}}});
  }
  checkGirth(blank, 0, faults);
  checkGirth(blank, 1, faults);
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const double base = radiusOf(blank.stations[0]);
  const double rim = blank.stations[1].girth ? radiusOf(blank.stations[1]) : base;
  const double step = rim - base;
  if (blank.heightAlong == HeightAlong::plumb) {
    const double wall = std::hypot(height.mm(), step);
    return Development(base, step / wall, wall);
  }
  // At the limit the wall would lie level, a flat disc; a hair above it the wrap is a whole disc
  // with nothing left for a seam.
  if (std::abs(step) > 0.999 * height.mm()) {
    return tl::unexpected(
        Faults{{stationField(1, "at"),
                {"A wall of %1 is too short for these two girths: it has to be longer than %2. "
                 "Measure along the wall, or say that the height was taken plumb.",
                 {height, Length::mm(std::abs(step) / 0.999)}}}});
  }
  return Development(base, step / height.mm(), height.mm());
}

Development Development::grownBy(Length thickness) const {
  return Development(r0_ + thickness.mm() * std::sqrt((1 - k_) * (1 + k_)), k_, wall_);
}

Length Development::plumb() const {
  return Length::mm(wall_ * std::sqrt((1 - k_) * (1 + k_)));
}

Length Development::wallFor(Length plumb) const {
  return Length::mm(std::hypot(plumb.mm(), k_ * wall_));
}

Length Development::around(Length s) const {
  return Length::mm(2 * pi * radiusMm(s.mm()));
}

Length Development::aroundNarrow() const {
  return k_ < 0 ? aroundRim() : aroundBase();
}

bool Development::isCylinder() const {
  return abs(aroundRim() - aroundBase()) < Length::mm(1e-6);
}

Angle Development::lean() const {
  return Angle::radians(std::asin(k_));
}

Length Development::apexDistance(Length s) const {
  return Length::mm(radiusMm(s.mm()) / std::abs(k_));
}

Point Development::toFlat(WallPoint p) const {
  const double theta = p.theta.radians();
  const double s = p.s.mm();
  const double r = radiusMm(s);
  // One sine and one cosine of the half angle serve both coordinates.
  const double half = k_ * theta / 2;
  const double halfSinc = sinc(half);
  const double across = theta * halfSinc;
  return {r * across * std::cos(half), s - r * k_ * across * across / 2};
}

WallPoint Development::toWall(Point p) const {
  const double q = r0_ + k_ * p.y;
  const double r = std::hypot(k_ * p.x, q);
  const double s = (k_ * (p.x * p.x + p.y * p.y) + 2 * p.y * r0_) / (r + r0_);
  return {Angle::radians(angleAbout(k_, p.x, q)), Length::mm(s)};
}

SpacePoint Development::toSpace(WallPoint p) const {
  const double s = p.s.mm();
  const double r = radiusMm(s);
  const double theta = p.theta.radians();
  return {r * std::sin(theta), -r * std::cos(theta), s * std::sqrt((1 - k_) * (1 + k_))};
}

double Development::ringBulge(Angle from, Angle to) const {
  return -std::tan(k_ * (to - from).radians() / 4);
}

Path Development::ring(Length s, Angle from, Angle to) const {
  Path path{toFlat({from, s}), {}};
  path.arcTo(toFlat({to, s}), ringBulge(from, to));
  return path;
}

Path Development::upright(Angle theta, Length from, Length to) const {
  Path path{toFlat({theta, from}), {}};
  path.lineTo(toFlat({theta, to}));
  return path;
}

Path Development::sideView() const {
  const double base = r0_;
  const double rim = radiusMm(wall_);
  const double height = plumb().mm();
  Path path{{-base, 0}, {}};
  path.lineTo({base, 0});
  path.lineTo({rim, height});
  path.lineTo({-rim, height});
  path.lineTo(path.start);
  return path;
}

Path Development::wallOutline() const {
  const Angle left = -Angle::halfTurn();
  const Angle right = Angle::halfTurn();
  Path path = ring(Length(), left, right);
  path.lineTo(toFlat({right, wall()}));
  path.arcTo(toFlat({left, wall()}), ringBulge(right, left));
  path.lineTo(path.start);
  return path;
}

Length Development::bow(Length s) const {
  return abs(Length::mm(toFlat({Angle::halfTurn(), s}).y - s.mm()));
}

}  // namespace avrelt
