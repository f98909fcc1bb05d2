// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/body.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <string>

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr Length smallest = Length::mm(1);
constexpr Length leastRise = Length::mm(0.1);
constexpr std::size_t mostStations = 1000;
/// At 1 the wall would lie level, a flat disc; a hair below it the sheet is a whole disc with
/// nothing left for a seam.
constexpr double steepest = 0.999;

/// Gauss and Legendre's five places and weights on [0, 1] (Abramowitz and Stegun, table 25.4).
struct GaussPlace {
  double at;
  double weight;
};
constexpr std::array<GaussPlace, 5> gauss{{{0.046910077030668, 0.1184634425280945},
                                           {0.2307653449471585, 0.2393143352496832},
                                           {0.5, 0.2844444444444444},
                                           {0.7692346550528415, 0.2393143352496832},
                                           {0.953089922969332, 0.1184634425280945}}};

template <typename Function>
double integral(double from, double to, const Function& f) {
  double sum = 0;
  for (const GaussPlace& place : gauss) sum += place.weight * f(from + (to - from) * place.at);
  return sum * (to - from);
}

double cosineOf(double slope) {
  return std::sqrt(std::max(0.0, (1 - slope) * (1 + slope)));
}

double radiusOf(const Station& station) {
  const double girth = station.girth->length.mm();
  return station.girthIs == Girth::around ? girth / (2 * pi) : girth / 2;
}

void checkGirth(const Blank& blank, std::size_t index, Faults& faults) {
  const Station& station = blank.stations[index];
  if (!station.girth) {
    if (index == 0) {
      faults.push_back({Where(Member::stationGirth, std::size_t{0}),
                        {"The base has no measure. Give the length round it (or across it).", {}}});
    }
    return;
  }
  const Length girth = station.girth->length;
  if (girth < smallest) {
    faults.push_back({Where(Member::stationGirth, index),
                      {"This measure is %2; a cup has at least %1 here. Measure round the body, "
                       "or across it.",
                       {smallest, girth}}});
  } else if (girth > longestLength) {
    faults.push_back(
        {Where(Member::stationGirth, index),
         {"Nothing on a bench measures over 10 m. Check the number and its unit.", {}}});
  }
}

void checkHeight(const Blank& blank, std::size_t index, Faults& faults) {
  const Length height = blank.stations[index].at.length;
  const Length below = blank.stations[index - 1].at.length;
  const Where where(Member::stationAt, index);
  if (height > longestLength) {
    faults.push_back(
        {where, {"Nothing on a bench measures over 10 m. Check the number and its unit.", {}}});
  } else if (index + 1 == blank.stations.size() && height < smallest) {
    faults.push_back({where,
                      {"The body is %1 high; a height of at least %2 is wanted. Measure from the "
                       "base edge to the rim.",
                       {height, smallest}}});
  } else if (height == below) {
    faults.push_back({where,
                      {"Two stations stand at %1. Keep one, or move this one up: for a step in the "
                       "wall measure just below and just above it.",
                       {height}}});
  } else if (height < below + leastRise) {
    faults.push_back({where,
                      {"This station stands at %1 and the one before it at %2. Stations go from "
                       "the base up, at least %3 apart.",
                       {height, below, leastRise}}});
  }
}

/// The radii at the stations; one without a girth has that of the station below.
std::vector<double> radiiOf(const Blank& blank) {
  std::vector<double> radii;
  for (const Station& station : blank.stations) {
    radii.push_back(station.girth ? radiusOf(station) : radii.back());
  }
  return radii;
}

Fault tooShort(std::size_t index, Length wall, double step) {
  return {Where(Member::stationAt, index),
          {"A wall of %1 is too short for these two girths: it has to be longer than %2. "
           "Measure along the wall, or say that the height was taken plumb.",
           {wall, Length::mm(step / steepest)}}};
}

void checkFeatures(const Blank& blank, Length wall, Faults& faults) {
  for (std::size_t i = 0; i < blank.features.size(); ++i) {
    const Feature& feature = blank.features[i];
    const Length low = feature.kind == FeatureKind::footLip ? Length() : feature.low.length;
    if (!coversWall(feature.kind)) continue;
    if (feature.high.length > wall + leastRise) {
      faults.push_back({Where(Member::featureHigh, i),
                        {"This reaches up to %1, and the wall ends at %2. Measure along the wall "
                         "from the base edge.",
                         {feature.high.length, wall}}});
    } else if (feature.high.length <= low) {
      faults.push_back({Where(Member::featureHigh, i),
                        {"This ends at %1 and begins at %2. Its upper end comes above its lower "
                         "one.",
                         {feature.high.length, low}}});
    }
    if (feature.wide <= Angle() || feature.wide > Angle::turn()) {
      faults.push_back({Where(Member::featureWide, i),
                        {"This is %1 wide. Give more than 0° and at most 360°.", {feature.wide}}});
    }
  }
}

}  // namespace

bool coversWall(FeatureKind kind) {
  return kind == FeatureKind::handle || kind == FeatureKind::spout ||
         kind == FeatureKind::footLip || kind == FeatureKind::keepClear;
}

CheckedAll<Body> Body::of(const Blank& blank) {
  const std::size_t count = blank.stations.size();
  if (count < 2 || count > mostStations) {
    return tl::unexpected(
        Faults{{Member::stations,
                {"The body has %1 stations; from 2, the base and the rim, to %2 are wanted.",
                 {static_cast<long>(count), static_cast<long>(mostStations)}}}});
  }
  Faults faults;
  if (blank.stations[0].at.length != Length()) {
    faults.push_back({Where(Member::stationAt, std::size_t{0}),
                      {"The first station stands at %1; it has to be the base edge, at 0.",
                       {blank.stations[0].at.length}}});
  }
  for (std::size_t i = 1; i < count; ++i) checkHeight(blank, i, faults);
  for (std::size_t i = 0; i < count; ++i) checkGirth(blank, i, faults);
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const std::vector<double> radii = radiiOf(blank);
  const bool plumb = blank.heightAlong == HeightAlong::plumb;
  const bool smooth = blank.joined == Joined::smooth && count > 2;
  std::vector<Knot> knots;
  for (std::size_t i = 0; i < count; ++i) {
    knots.push_back({blank.stations[i].at.length.mm(), radii[i]});
  }

  Body body;
  body.stations_.emplace_back();
  double s = 0;
  const auto rise = [&](double length, double r0, double r1, double m0, double m1, bool straight) {
    body.rises_.push_back({s, 0, {length, r0, r1, m0, m1}, straight, 0});
    s += length;
    body.ends_.push_back(s);
  };
  const std::vector<double> slopes = smooth ? monotoneSlopes(knots) : std::vector<double>();
  for (std::size_t i = 0; i + 1 < count; ++i) {
    const double height = knots[i + 1].x - knots[i].x;
    const double step = radii[i + 1] - radii[i];
    if (smooth && plumb) {
      // The curve is over plumb height; short rises carry it over to wall height.
      const HermiteCubic over{height, radii[i], radii[i + 1], slopes[i], slopes[i + 1]};
      const int parts = std::clamp(static_cast<int>(800 / count), 4, 24);
      for (int part = 0; part < parts; ++part) {
        const double from = height * part / parts;
        const double to = height * (part + 1) / parts;
        const double length =
            integral(from, to, [&](double z) { return std::hypot(1, over.slope(z)); });
        const auto along = [&](double z) { return over.slope(z) / std::hypot(1, over.slope(z)); };
        rise(length, over.at(from), over.at(to), along(from), along(to), false);
      }
    } else if (plumb) {
      const double length = std::hypot(height, step);
      rise(length, radii[i], radii[i + 1], step / length, step / length, true);
    } else {
      if (std::abs(step) > steepest * height) {
        faults.push_back(tooShort(i + 1, Length::mm(height), std::abs(step)));
        continue;
      }
      if (smooth) {
        rise(height, radii[i], radii[i + 1], slopes[i], slopes[i + 1], false);
        if (body.rises_.back().r.steepest() > steepest) {
          faults.push_back({Where(Member::stationAt, i + 1),
                            {"Up to here the wall steps by %1 over %2 of tape: too steep for a "
                             "smooth line. Join the stations straight, or measure one more "
                             "between.",
                             {Length::mm(std::abs(step)), Length::mm(height)}}});
        }
      } else {
        rise(height, radii[i], radii[i + 1], step / height, step / height, true);
      }
    }
    body.stations_.push_back(Length::mm(s));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  body.finish();

  checkFeatures(blank, body.wall(), faults);
  const double fillet = blank.fillet.length.mm();
  body.setFillet(fillet);
  if (fillet < 0 || body.filletReach_ > 0.5 * std::min(body.rises_.front().r.y0, s)) {
    faults.push_back({Member::fillet,
                      {"A rounding of %1 has no room on this base. Measure the radius of the "
                       "corner, or give 0.",
                       {blank.fillet.length}}});
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return body;
}

Body Body::of(const Development& cone) {
  Body body;
  const double wall = cone.wall().mm();
  const double base = cone.radius(Length()).mm();
  const double rim = cone.radius(cone.wall()).mm();
  body.rises_ = {{0, 0, {wall, base, rim, cone.taper(), cone.taper()}, true, 0}};
  body.ends_ = {wall};
  body.stations_ = {Length(), cone.wall()};
  body.finish();
  return body;
}

void Body::finish() {
  double z = 0;
  double below = 0;
  widest_ = 0;
  narrowest_ = HUGE_VAL;
  for (Rise& rise : rises_) {
    rise.z = z;
    rise.below = below;
    below += rise.integral(rise.r.length);
    z += rise.straight
             ? rise.r.length * cosineOf(rise.r.m0)
             : integral(0, rise.r.length, [&](double x) { return cosineOf(rise.r.slope(x)); });
    // The cubics are monotone: extremes are at their ends.
    widest_ = std::max({widest_, rise.r.y0, rise.r.y1});
    narrowest_ = std::min({narrowest_, rise.r.y0, rise.r.y1});
  }
  plumb_ = z;
  cone_ = true;
  const double k = (rises_.back().r.y1 - rises_.front().r.y0) / ends_.back();
  for (const Rise& rise : rises_) {
    const double off = rise.r.y0 - (rises_.front().r.y0 + k * rise.s);
    if (std::abs(off) > 1e-6 || (!rise.straight && rises_.size() > 1)) cone_ = false;
  }
}

void Body::setFillet(double radius) {
  fillet_ = std::max(0.0, radius);
  // An arc that touches two lines meeting at an angle a leaves each at R / tan(a/2) from the
  // corner; base and wall meet at 90° plus the lean.
  const double lean = std::asin(slopeAt(0));
  filletReach_ = fillet_ / std::tan((pi / 2 + lean) / 2);
}

Body Body::grownBy(Length thickness) const {
  Body grown = *this;
  grown.rises_.clear();
  grown.ends_.clear();
  const double t = thickness.mm();
  const auto gain = [&](std::size_t i, bool atEnd) {
    // Where two rises meet at a corner the coat rounds it: the mean of both.
    const auto side = [&](const Rise& rise, bool end) {
      return cosineOf(end ? rise.r.m1 : rise.r.m0);
    };
    const double own = side(rises_[i], atEnd);
    if (atEnd && i + 1 < rises_.size()) return t * (own + side(rises_[i + 1], false)) / 2;
    if (!atEnd && i > 0) return t * (own + side(rises_[i - 1], true)) / 2;
    return t * own;
  };
  for (std::size_t i = 0; i < rises_.size(); ++i) {
    const Rise& bare = rises_[i];
    if (bare.straight) {
      Rise rise = bare;
      rise.r.y0 += gain(i, false);
      rise.r.y1 += gain(i, true);
      // A lone straight wall keeps its slope to the bit.
      if (rises_.size() > 1) rise.r.m0 = rise.r.m1 = (rise.r.y1 - rise.r.y0) / rise.r.length;
      grown.rises_.push_back(rise);
      grown.ends_.push_back(ends_[i]);
      continue;
    }
    // What is offset from a cubic is none: short pieces follow it within hundredths of the coat.
    const int parts = std::clamp(static_cast<int>(bare.r.length / 6), 1, 24);
    const auto turned = [&](double x) {
      const double m = bare.r.slope(x);
      return m - t * m * bare.r.curvature(x) / std::max(cosineOf(m), 0.05);
    };
    const auto radius = [&](double x) { return bare.r.at(x) + t * cosineOf(bare.r.slope(x)); };
    for (int part = 0; part < parts; ++part) {
      const double from = bare.r.length * part / parts;
      const double to = bare.r.length * (part + 1) / parts;
      const bool last = part + 1 == parts;
      grown.rises_.push_back(
          {bare.s + from,
           0,
           {to - from, part == 0 ? bare.r.y0 + gain(i, false) : radius(from),
            last ? bare.r.y1 + gain(i, true) : radius(to), turned(from), turned(to)},
           false,
           0});
      grown.ends_.push_back(last ? ends_[i] : bare.s + to);
    }
  }
  grown.finish();
  grown.cone_ = cone_;
  grown.setFillet(fillet_);
  return grown;
}

const Body::Rise& Body::riseAt(double s) const {
  const auto above = std::upper_bound(ends_.begin(), ends_.end(), s);
  const auto index = std::min(static_cast<std::size_t>(above - ends_.begin()), rises_.size() - 1);
  return rises_[index];
}

double Body::radiusMm(double s) const {
  if (s < 0) return rises_.front().r.y0 + s * rises_.front().r.m0;
  const Rise& rise = riseAt(s);
  if (rise.straight) return rise.r.y0 + rise.r.m0 * (s - rise.s);
  if (s > ends_.back()) return rise.r.y1 + (s - ends_.back()) * rise.r.m1;
  return rise.r.at(s - rise.s);
}

double Body::slopeAt(double s) const {
  const Rise& rise = riseAt(s);
  if (rise.straight) return rise.r.m0;
  return rise.r.slope(std::clamp(s - rise.s, 0.0, rise.r.length));
}

double Body::taper(Length s) const {
  return slopeAt(s.mm());
}

Angle Body::lean(Length s) const {
  return Angle::radians(std::asin(slopeAt(s.mm())));
}

Length Body::around(Length s) const {
  return Length::mm(2 * pi * radiusMm(s.mm()));
}

Length Body::plumbAt(Length s) const {
  const Rise& rise = riseAt(s.mm());
  const double x = s.mm() - rise.s;
  if (rise.straight || x < 0) return Length::mm(rise.z + x * cosineOf(rise.r.m0));
  if (x >= rise.r.length) {
    return Length::mm(plumb_ + (x - rise.r.length) * cosineOf(rise.r.m1));
  }
  return Length::mm(rise.z + integral(0, x, [&](double at) { return cosineOf(rise.r.slope(at)); }));
}

SpacePoint Body::toSpace(WallPoint p) const {
  const double r = radiusMm(p.s.mm());
  const double theta = p.theta.radians();
  return {r * std::sin(theta), -r * std::cos(theta), plumbAt(p.s).mm()};
}

Length Body::wallAt(Length plumb) const {
  const auto above =
      std::upper_bound(rises_.begin(), rises_.end(), plumb.mm(),
                       [](double height, const Rise& rise) { return height < rise.z; });
  const Rise& rise = above == rises_.begin() ? *above : *(above - 1);
  double s = rise.s + (plumb.mm() - rise.z) / std::max(cosineOf(slopeAt(rise.s)), 0.02);
  // Newton's way: the wall rises by cos(lean) for each millimetre of it.
  for (int i = 0; i < 30; ++i) {
    const double off = plumb.mm() - plumbAt(Length::mm(s)).mm();
    if (std::abs(off) < 1e-10) break;
    s += off / std::max(cosineOf(slopeAt(s)), 0.05);
  }
  return Length::mm(s);
}

Development Body::cone() const {
  const double wall = ends_.back();
  const double k = rises_.size() == 1 && rises_.front().straight
                       ? rises_.front().r.m0
                       : (rises_.back().r.y1 - rises_.front().r.y0) / wall;
  return Development::cone(Length::mm(rises_.front().r.y0), k, Length::mm(wall));
}

std::vector<WallSample> Body::samples(Length low, Length high, int least) const {
  const double from = low.mm();
  const double to = high.mm();
  std::vector<double> heights;
  const int count = std::max(least, 2);
  heights.reserve(static_cast<std::size_t>(count) + stations_.size());
  for (int i = 0; i < count; ++i) heights.push_back(from + (to - from) * i / (count - 1));
  heights.back() = to;
  for (const Length station : stations_) {
    if (station > low && station < high) heights.push_back(station.mm());
  }
  std::sort(heights.begin(), heights.end());
  const double close = (to - from) * 1e-6;
  heights.erase(std::unique(heights.begin(), heights.end(),
                            [close](double a, double b) { return b - a < close; }),
                heights.end());
  heights.back() = to;

  const double span = std::min(2.0, ends_.back() / 50);
  std::vector<WallSample> samples;
  samples.reserve(heights.size());
  for (const double s : heights) {
    const double r = radiusMm(s);
    const double above = radiusMm(s + span);
    const double below = radiusMm(s - span);
    samples.push_back(
        {s, r, (above - below) / (2 * span), (above - 2 * r + below) / (span * span)});
  }
  return samples;
}

double Body::Rise::integral(double x) const {
  if (straight) return x * (r.y0 + r.m0 * x / 2);
  return avrelt::integral(0, x, [this](double at) { return r.at(at); });
}

/// ∫ r ds from the base up to a height on the wall.
double Body::radiusIntegral(double s) const {
  if (s <= 0) return 0;
  const Rise& rise = riseAt(s);
  return rise.below + rise.integral(std::min(s - rise.s, rise.r.length));
}

Area Body::area(Length low, Length high) const {
  return Area::mm2(2 * pi * std::max(0.0, radiusIntegral(high.mm()) - radiusIntegral(low.mm())));
}

Volume Body::holds(Length wallThickness, Length floorThickness) const {
  double sum = 0;
  const double floor = wallAt(floorThickness).mm();
  for (const Rise& rise : rises_) {
    const double from = std::max(floor - rise.s, 0.0);
    if (rise.r.length <= from) continue;
    sum += integral(from, rise.r.length, [&](double x) {
      const double inner = std::max(0.0, rise.r.at(x) - wallThickness.mm());
      return inner * inner * cosineOf(rise.r.slope(x));
    });
  }
  return Volume::ml(pi * sum / 1000);
}

Path Body::sideView() const {
  // The right-hand wall from the base up, then mirrored.
  std::vector<Point> wall;
  const double reach = filletReach_;
  for (const Rise& rise : rises_) {
    const int parts = rise.straight ? 1 : std::max(1, static_cast<int>(rise.r.length / 1.5));
    for (int i = 0; i < parts; ++i) {
      const double s = rise.s + rise.r.length * i / parts;
      if (s < reach) continue;
      wall.push_back({radiusMm(s), plumbAt(Length::mm(s)).mm()});
    }
  }
  wall.push_back({rises_.back().r.y1, plumb_});
  const double base = rises_.front().r.y0;
  Path path;
  double bulge = 0;
  if (reach > 0) {
    wall.insert(wall.begin(), {radiusMm(reach), plumbAt(Length::mm(reach)).mm()});
    const double turn = pi / 2 - std::asin(slopeAt(0));
    bulge = std::tan(turn / 4);
  }
  path.start = {-(base - reach), 0};
  if (reach > 0) {
    path.lineTo({base - reach, 0});
    path.arcTo(wall.front(), bulge);
  } else {
    path.lineTo(wall.front());
  }
  for (std::size_t i = 1; i < wall.size(); ++i) path.lineTo(wall[i]);
  for (std::size_t i = wall.size(); i-- > (reach > 0 ? 0U : 1U);) {
    path.lineTo({-wall[i].x, wall[i].y});
  }
  if (reach > 0) {
    path.arcTo(path.start, bulge);
  } else {
    path.lineTo(path.start);
  }
  return path;
}

}  // namespace avrelt
