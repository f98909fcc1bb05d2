// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/split.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/flat_outline.h"
#include "divide/spacers.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr int mostParts = 500;
constexpr Length thinnest = Length::mm(0.1);

/// A straight line of the flat as it runs over the wall, both ends included.
WallLine straightInFlat(const Wall& wall, WallPoint a, WallPoint b) {
  if (wall.flat.isCylinder()) return {a, b};
  const Point from = wall.flat.toFlat(a);
  const Point to = wall.flat.toFlat(b);
  // Its bend in wall coordinates is that of the taper: a chord of length l strays by at most l² of
  // half the turn a length makes in the flat, |k| / 2r; twice that is taken, against the tolerance.
  const double r = std::max(1e-3, std::min(wall.flat.radius(a.s), wall.flat.radius(b.s)).mm());
  const double longest = std::sqrt(curveTolerance.mm() * r / std::abs(wall.flat.taper()));
  const int steps = std::clamp(static_cast<int>(std::ceil(norm(to - from) / longest)), 2, 2000);
  WallLine line{a};
  for (int i = 1; i < steps; ++i) {
    line.push_back(wall.flat.toWall(from + (to - from) * (static_cast<double>(i) / steps)));
  }
  line.push_back(b);
  return line;
}

tl::unexpected<Fault> tooMany(Member member, long count) {
  return refuse(member, "%1 parts cannot be made here. Give a whole number from 1 to %2.",
                {count, long{mostParts}});
}

/// The widths of parts side by side, the rest worked out.
Checked<std::vector<Length>> widthsOf(const std::vector<std::optional<WrittenLength>>& widths,
                                      Length room) {
  if (widths.empty() || widths.size() > mostParts) {
    return tooMany(Member::cutWidths, static_cast<long>(widths.size()));
  }
  Length given;
  long rests = 0;
  for (std::size_t i = 0; i < widths.size(); ++i) {
    const auto& width = widths[i];
    rests += width ? 0 : 1;
    if (width) given += width->length;
    if (width && width->length < thinnest) {
      return refuse({Member::cutWidths, i}, "A part %1 wide is none. Give at least %2.",
                    {width->length, thinnest});
    }
  }
  const Length left = room - given;
  if (rests == 0 && abs(left) > Length::mm(0.01)) {
    return refuse(Member::cutWidths,
                  "These parts add to %1, and there are %2. Let one of them be the rest.",
                  {given, room});
  }
  if (rests > 0 && left < thinnest * static_cast<double>(rests)) {
    return refuse(Member::cutWidths,
                  "These parts add to %1, and there are only %2: nothing is left for the "
                  "rest. Make one narrower.",
                  {given, room});
  }
  std::vector<Length> result;
  result.reserve(widths.size());
  for (const auto& width : widths) {
    result.push_back(width ? width->length : left / static_cast<double>(rests));
  }
  return result;
}

Checked<Split> divided(const Region& zone, const RingCut& cut, const Wall& wall) {
  const Length high = zone.highest();
  const Length low = zone.lowest();
  std::vector<Length> heights;  // from the top down
  if (cut.by == CutBy::equal) {
    if (cut.count < 1 || cut.count > mostParts) return tooMany(Member::cutCount, cut.count);
    for (int i = 1; i < cut.count; ++i) {
      heights.push_back(high - (high - low) * (static_cast<double>(i) / cut.count));
    }
  } else if (cut.by == CutBy::spacers) {
    Checked<SpacerRun> run = spacerRun(cut, low, high);
    if (!run) return tl::unexpected(run.error());
    heights = std::move(run->lines);
    // A stripe that begins or ends with the zone has no line of its own there.
    if (high - heights.front() < thinnest) heights.erase(heights.begin());
    if (!heights.empty() && heights.back() - low < thinnest) heights.pop_back();
  } else if (cut.by == CutBy::widths) {
    const Checked<std::vector<Length>> widths = widthsOf(cut.widths, high - low);
    if (!widths) return tl::unexpected(widths.error());
    Length at = high;
    for (std::size_t i = 0; i + 1 < widths->size(); ++i) heights.push_back(at -= (*widths)[i]);
  } else {
    for (std::size_t i = 0; i < cut.places.size(); ++i) {
      const Length place = cut.places[i].length;
      const Length s = cut.fromRim ? wall.body.wall() - place : place;
      if (s <= low + thinnest || s >= high - thinnest) {
        return refuse({Member::cutPlaces, i},
                      "A line %1 from the %2 does not cross this zone, which runs from %3 to %4 up "
                      "the wall.",
                      {place, std::string(cut.fromRim ? "rim" : "base"), low, high});
      }
      heights.push_back(s);
    }
    std::sort(heights.begin(), heights.end(), std::greater<>());
    for (std::size_t i = 1; i < heights.size(); ++i) {
      if (heights[i - 1] - heights[i] >= thinnest) continue;
      return refuse(Member::cutPlaces, "Two lines stand on each other at %1 up the wall. Keep one.",
                    {heights[i]});
    }
  }
  Split result;
  Length top = high;
  heights.push_back(low);
  for (const Length height : heights) {
    result.parts.push_back(zone & Region::band(height, top));
    top = height;
  }
  heights.pop_back();
  const auto [from, to] = zone.span();
  for (const Length height : heights) {
    result.lines.push_back(zone.stretchesOf({{from, height}, {to, height}}));
  }
  return result;
}

Checked<Split> divided(const Region& zone, const UprightCut& cut, const Wall& wall) {
  const auto [from, to] = zone.span();
  const bool all = uprightRoomOf(zone, wall).whole;
  const Angle begins = all ? wall.inFrame(cut.at) : from;
  const Angle room = all ? Angle::turn() : to - from;
  const Length high = zone.highest();
  const Length low = zone.lowest();
  if (cut.by == CutBy::spacers) {
    return refuse(Member::cutBy,
                  "Stripes by tape and spacer run round the cup. Cut rings for them.");
  }
  std::vector<Angle> places;  // where parts begin, from the left; the first is `begins`
  if (cut.by == CutBy::equal) {
    if (cut.count < 1 || cut.count > mostParts) return tooMany(Member::cutCount, cut.count);
    for (int i = 0; i < cut.count; ++i) {
      places.push_back(begins + room * (static_cast<double>(i) / cut.count));
    }
  } else if (cut.by == CutBy::widths) {
    // As a tape laid along the zone's upper edge measures them.
    const Length r = wall.body.radius(high);
    const Checked<std::vector<Length>> widths = widthsOf(cut.widths, r * room.radians());
    if (!widths) return tl::unexpected(widths.error());
    Angle at = begins;
    for (const Length width : *widths) {
      places.push_back(at);
      at = at + Angle::radians(width / r);
    }
  } else {
    if (cut.angles.empty() || cut.angles.size() > mostParts) {
      return tooMany(Member::cutAngles, static_cast<long>(cut.angles.size()));
    }
    if (!all) places.push_back(begins);
    for (std::size_t i = 0; i < cut.angles.size(); ++i) {
      const Angle at = wall.inFrame(cut.angles[i]);
      // Counted from where the zone begins.
      double on = std::fmod((at - begins).radians() + 4 * pi, 2 * pi);
      if (!all && (on <= 1e-6 || on >= room.radians() - 1e-6)) {
        return refuse({Member::cutAngles, i},
                      "A line at %1 does not cross this zone, which runs from %2 to %3 round the "
                      "cup.",
                      {cut.angles[i], wall.onCup(from), wall.onCup(to)});
      }
      places.push_back(begins + Angle::radians(on));
    }
    std::sort(places.begin(), places.end());
    for (std::size_t i = all ? 0 : 1; i < places.size() && places.size() > 1; ++i) {
      // All round the last stands before the first.
      const Angle before = i > 0 ? places[i - 1] : places.back() - Angle::turn();
      if (places[i] - before > Angle::degrees(0.05)) continue;
      return refuse(Member::cutAngles, "Two lines stand on each other at %1. Keep one.",
                    {wall.onCup(places[i])});
    }
  }
  Split result;
  for (std::size_t i = 0; i < places.size(); ++i) {
    const Angle end = i + 1 < places.size() ? places[i + 1]
                      : all                 ? places.front() + Angle::turn()
                                            : begins + room;
    result.parts.push_back(zone & Region::between(places[i], end, low, high));
  }
  // A single line all round cuts nothing off: it only opens the ring where it stands.
  for (std::size_t i = all ? 0 : 1; i < places.size(); ++i) {
    const Angle at = Angle::radians(std::remainder(places[i].radians(), 2 * pi));
    result.lines.push_back(zone.stretchesOf({{at, low}, {at, high}}));
  }
  return result;
}

Checked<Split> divided(const Region& zone, const VeeCut& cut, const Wall& wall) {
  const Length high = zone.highest();
  const Length low = zone.lowest();
  if (cut.repeat < 1 || cut.repeat > mostParts) return tooMany(Member::cutRepeat, cut.repeat);
  const Length deep = cut.deep ? cut.deep->length : high - low;
  if (deep < thinnest || deep > high - low + Length::mm(1e-6)) {
    return refuse(Member::cutDeep,
                  "A V %1 deep does not fit a zone %2 tall. Take that much at most.",
                  {deep, high - low});
  }
  const Length open = cut.opensAtRim ? high : low;
  const Length point = cut.opensAtRim ? high - deep : low + deep;
  const Length r = wall.body.radius(open);
  const auto [from, to] = zone.span();
  const bool all = zone.allRound();
  const Length room = all ? r * (2 * pi) : r * (to - from).radians();
  const Length wide = cut.wide.length;
  if (wide < thinnest) {
    return refuse(Member::cutWide, "A V %1 wide is none. Give at least %2.", {wide, thinnest});
  }
  if (wide * cut.repeat > room + Length::mm(1e-6)) {
    return refuse(Member::cutWide,
                  "%1 V of %2 do not fit: there are %3 along that edge. Take %4 at most.",
                  {long{cut.repeat}, wide, room, room / cut.repeat});
  }
  const Angle half = Angle::radians(wide / r / 2);
  Split result;
  std::vector<WallLine> triangles;
  for (int i = 0; i < cut.repeat; ++i) {
    // All round from its middle; in a zone with sides several are spread evenly over it.
    const Angle middle =
        all || cut.repeat == 1
            ? wall.inFrame(cut.at) + Angle::turn() * (static_cast<double>(i) / cut.repeat)
            : from + (to - from) * ((i + 0.5) / cut.repeat);
    Angle centre = middle;
    if (!all) {
      while (centre < from) centre = centre + Angle::turn();
      while (centre > to) centre = centre - Angle::turn();
      if (centre - half < from - Angle::radians(1e-6) ||
          centre + half > to + Angle::radians(1e-6)) {
        return refuse(Member::cutAt,
                      "A V %1 wide with its middle at %2 runs out of its zone. Move it, or "
                      "make it narrower.",
                      {wide, cut.at});
      }
    }
    const WallLine left = straightInFlat(wall, {centre - half, open}, {centre, point});
    const WallLine right = straightInFlat(wall, {centre, point}, {centre + half, open});
    WallLine outline = left;
    outline.insert(outline.end(), right.begin() + 1, right.end());
    if (!cut.opensAtRim) std::reverse(outline.begin(), outline.end());
    const Region triangle = Region::folded(outline, Length(), wall.body.wall()) & zone;
    result.parts.push_back(triangle);
    triangles.insert(triangles.end(), triangle.outlines().begin(), triangle.outlines().end());
    result.lines.push_back(zone.stretchesOf(left));
    result.lines.push_back(zone.stretchesOf(right));
  }
  // All at once: they lie apart.
  result.parts.push_back(zone - Region(std::move(triangles)));
  return result;
}

Checked<Split> divided(const Region& zone, const SlantCut& cut, const Wall& wall) {
  if (zone.allRound()) {
    return refuse(Member::cutTo,
                  "A slant needs sides to end on, and this zone goes all round. Cut it with "
                  "uprights first.");
  }
  const auto [from, to] = zone.span();
  const auto inZone = [&, from = from, to = to](CupAngle onCup) {
    // An end so near to the edge was meant to be on it: as typed to a thousandth of a degree, or on
    // a curve that is drawn so finely.
    const Angle near = std::max(Angle::degrees(0.001),
                                Angle::radians(Length::mm(0.01) / wall.body.narrowestRadius()));
    Angle at = wall.inFrame(onCup);
    while (at < from - near) at = at + Angle::turn();
    while (at > to + near) at = at - Angle::turn();
    return at < from - near ? at : std::clamp(at, from, to);
  };
  struct End {
    Member member;
    WallPoint place;
  };
  End a{Member::cutAt, {inZone(cut.at), cut.low.length}};
  End b{Member::cutTo, {inZone(cut.to), cut.high.length}};
  const Length high = zone.highest();
  const Length low = zone.lowest();
  for (const End& end : {a, b}) {
    const bool out = end.place.theta < from - Angle::radians(1e-6) ||
                     end.place.s < low - Length::mm(0.01) || end.place.s > high + Length::mm(0.01);
    if (out) {
      return refuse(
          end.member,
          "This end of the slant, %1 round and %2 up the wall, lies outside its zone: "
          "%3 to %4 round, %5 to %6 up.",
          {wall.onCup(end.place.theta), end.place.s, wall.onCup(from), wall.onCup(to), low, high});
    }
  }
  if (a.place.theta > b.place.theta) std::swap(a, b);
  if (b.place.theta - a.place.theta < Angle::degrees(0.5)) {
    return refuse(Member::cutTo,
                  "The slant begins and ends at %1 round the cup: that is an upright. Move "
                  "one end, or cut an upright.",
                  {cut.at});
  }
  // Taken on straight to both sides of the zone.
  const Point p = wall.flat.toFlat(a.place);
  const Point q = wall.flat.toFlat(b.place);
  const auto meets = [&](Angle side, Point near) {
    // Where the straight line of the flat meets an upright: by halving along it.
    const Point along = (q - p) * (1 / norm(q - p));
    const double sense = near == p ? -1 : 1;
    double reach = 0;
    double step = 1;
    const auto beyond = [&](double d) {
      const Angle theta = wall.flat.toWall(near + along * (sense * d)).theta;
      return sense < 0 ? theta <= side : theta >= side;
    };
    while (!beyond(reach + step) && reach < 4000) {
      reach += step;
      step *= 1.5;
    }
    double good = reach;
    double bad = reach + step;
    for (int i = 0; i < 60; ++i) {
      const double middle = (good + bad) / 2;
      (beyond(middle) ? bad : good) = middle;
    }
    WallPoint end = wall.flat.toWall(near + along * (sense * bad));
    end.theta = side;
    return end;
  };
  const bool onLeft = a.place.theta - from < Angle::radians(1e-6);
  const bool onRight = to - b.place.theta < Angle::radians(1e-6);
  const WallPoint left = onLeft ? a.place : meets(from, p);
  const WallPoint right = onRight ? b.place : meets(to, q);
  const WallLine line = straightInFlat(wall, left, right);
  WallLine above = line;
  const Length over = std::max(high, std::max(left.s, right.s)) + Length::mm(1);
  above.push_back({right.theta, over});
  above.push_back({left.theta, over});
  const Region upper = Region::folded(above, low, high);
  Split result;
  result.parts = {zone & upper, zone - upper};
  result.lines = {zone.stretchesOf(line)};
  if (result.parts[0].empty() || result.parts[1].empty()) {
    return refuse(Member::cutTo,
                  "This slant leaves nothing on one of its sides. Move an end into the zone.");
  }
  return result;
}

Checked<Split> divided(const Region& zone, const WaveCut& cut, const Wall& wall) {
  if (cut.repeat < 1 || cut.repeat > mostParts) return tooMany(Member::cutRepeat, cut.repeat);
  const Length high = zone.highest();
  const Length low = zone.lowest();
  const Length middle = cut.fromRim ? wall.body.wall() - cut.low.length : cut.low.length;
  const Length half = cut.swing.length / 2;
  if (middle - half <= low || middle + half >= high) {
    return refuse(Member::cutLow,
                  "A wave %1 tall about %2 up the wall runs out of its zone, %3 to %4.",
                  {cut.swing.length, middle, low, high});
  }
  const Angle at = wall.inFrame(cut.at);
  // By quarters of a swing, so that crests and troughs are places of it, and these so finely that
  // no chord lies farther off than any curve may: a sine's is off by half its swing × step² / 8.
  const double off = half.mm() / 8 / curveTolerance.mm();
  const int finer =
      cut.zigzag ? 1 : std::clamp(static_cast<int>(std::ceil(pi / 2 * std::sqrt(off))), 2, 100);
  const int steps = cut.repeat * 4 * finer;
  // Its own corners, wherever in the zone they fall, and the zone's ends.
  const auto [from, to] = zone.span();
  std::vector<double> places{from.radians()};
  const double step = 2 * pi / steps;
  const double first = std::ceil((from - at).radians() / step - 1e-9);
  for (double i = first; at.radians() + i * step < to.radians() - 1e-9; ++i) {
    if (at.radians() + i * step > from.radians() + 1e-9) places.push_back(at.radians() + i * step);
  }
  places.push_back(to.radians());
  const auto height = [&](double theta) {
    const double phase = cut.repeat * (theta - at.radians());
    const double swing =
        cut.zigzag ? 2 / pi * std::asin(std::clamp(std::sin(phase), -1.0, 1.0)) : std::sin(phase);
    return middle + half * swing;
  };
  WallLine line;
  for (const double theta : places) line.push_back({Angle::radians(theta), height(theta)});
  WallLine above = line;
  above.push_back({to, high + Length::mm(1)});
  above.push_back({from, high + Length::mm(1)});
  const Region upper = Region::folded(above, low, high);
  Split result;
  result.parts = {zone & upper, zone - upper};
  result.lines = {zone.stretchesOf(line)};
  return result;
}

}  // namespace

UprightRoom uprightRoomOf(const Region& zone, const Wall& wall) {
  const auto [from, to] = zone.span();
  return {to - from >= Angle::turn() - Angle::radians(1e-6), wall.onCup(from)};
}

Checked<Split> split(const Region& zone, const Cut& cut, const Wall& wall) {
  return std::visit([&](const auto& how) { return divided(zone, how, wall); }, cut.how);
}

Length lengthOn(const Body& body, const WallLine& line) {
  double length = 0;
  for (std::size_t i = 1; i < line.size(); ++i) {
    const WallPoint& a = line[i - 1];
    const WallPoint& b = line[i];
    // A ring is an arc: its chord would be short.
    const double r = body.radius((a.s + b.s) / 2).mm();
    length += std::hypot(r * (b.theta - a.theta).radians(), (b.s - a.s).mm());
  }
  return Length::mm(length);
}

}  // namespace avrelt
