// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/shaping.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

WrittenLength onMark(Length length, Unit unit) {
  const Graduation graduation = usualGraduation(unit);
  return written(std::max(nearestMark(length, graduation), step(graduation)), unit);
}

Angle onDegree(Angle angle) {
  return Angle::degrees(std::round(angle.degrees()));
}

std::vector<std::string> partsOf(std::string_view text) {
  std::vector<std::string> parts;
  std::string part;
  const auto finish = [&] {
    const std::size_t from = part.find_first_not_of(" \t");
    const std::size_t to = part.find_last_not_of(" \t");
    if (from != std::string::npos) parts.push_back(part.substr(from, to - from + 1));
    part.clear();
  };
  for (std::size_t i = 0; i < text.size(); ++i) {
    const bool list = text[i] == ',' && (i + 1 == text.size() || text[i + 1] == ' ');
    if (text[i] == ';' || text[i] == '+' || list) {
      finish();
    } else {
      part += text[i];
    }
  }
  finish();
  return parts;
}

std::string lengthText(const WrittenLength& length, Unit unit) {
  return length.text.empty() ? plainText(length.length, unit) : length.text;
}

template <typename Item, typename Text>
std::string listed(const std::vector<Item>& items, const Text& text) {
  std::string list;
  for (const Item& item : items) list += (list.empty() ? "" : "; ") + text(item);
  return list;
}

}  // namespace

Cut usualCut(CutKind kind, const Region& zone, const Wall& wall, Unit unit) {
  Cut cut;
  cut.kind = kind;
  const Length high = zone.highest();
  const Length low = zone.lowest();
  const auto [from, to] = zone.span();
  const Length r = wall.body.radius(high);
  switch (kind) {
    case CutKind::rings:
      cut.tape = unit == Unit::inch ? cut.tape : WrittenLength::mm(6);
      cut.spacer = cut.tape;
      break;
    case CutKind::uprights:
      cut.at = wall.seamAt;
      break;
    case CutKind::vee: {
      const Length room = r * (to - from).radians();
      cut.wide = onMark(room / 3, unit);
      cut.at = onDegree(wall.onCup((from + to) / 2));
      break;
    }
    case CutKind::slant:
      cut.at = wall.onCup(from);
      cut.to = wall.onCup(to);
      cut.low = onMark(low + (high - low) * 0.25, unit);
      cut.high = onMark(low + (high - low) * 0.75, unit);
      break;
    case CutKind::wave:
      cut.fromRim = false;
      cut.at = Angle();
      cut.low = onMark((low + high) / 2, unit);
      cut.swing = onMark((high - low) / 4, unit);
      cut.repeat = 6;
      break;
  }
  return cut;
}

Cut withLineAt(const Cut& cut, const Region& zone, const Wall& wall, int line, WallPoint taken,
               WallPoint to, Unit unit) {
  Cut next = cut;
  const Graduation graduation = usualGraduation(unit);
  const Length mark = step(graduation);
  const Length high = zone.highest();
  const Length low = zone.lowest();
  switch (cut.kind) {
    case CutKind::rings: {
      const Checked<Split> now = split(zone, cut, wall);
      if (!now) return cut;
      // Each line by its own place, from the end the cut counts from; the one taken goes along.
      next.by = CutBy::places;
      next.places.clear();
      const Length rim = wall.body.wall();
      for (std::size_t i = 0; i < now->lines.size(); ++i) {
        if (now->lines[i].empty()) continue;
        Length s = now->lines[i].front().front().s;
        if (static_cast<int>(i) == line) {
          // Between its neighbours, a mark away from them.
          const Length above = i == 0 ? high : now->lines[i - 1].front().front().s;
          const Length below =
              i + 1 == now->lines.size() ? low : now->lines[i + 1].front().front().s;
          s = std::clamp(to.s, below + mark, std::max(below + mark, above - mark));
          next.places.push_back(onMark(cut.fromRim ? rim - s : s, unit));
        } else {
          next.places.push_back(written(cut.fromRim ? rim - s : s, unit));
        }
      }
      break;
    }
    case CutKind::uprights: {
      const Checked<Split> now = split(zone, cut, wall);
      if (!now) return cut;
      if (cut.by == CutBy::equal && zone.allRound()) {
        // Equal parts stay equal: all of them turn.
        next.at = onDegree(wall.onCup(to.theta) -
                           Angle::turn() * (static_cast<double>(line) / cut.count));
        next.at = next.at.wrapped();
        break;
      }
      next.by = CutBy::places;
      next.angles.clear();
      for (std::size_t i = 0; i < now->lines.size(); ++i) {
        // The others stay where they are, whatever they were placed by.
        next.angles.push_back(static_cast<int>(i) == line
                                  ? onDegree(wall.onCup(to.theta))
                                  : wall.onCup(now->lines[i].front().front().theta));
      }
      break;
    }
    case CutKind::vee: {
      const Length deep = cut.deep ? cut.deep->length : high - low;
      const Length open = cut.opensAtRim ? high : low;
      const bool corner = abs(taken.s - open) < deep / 2;
      if (corner) {
        const int which = line / 2;
        const Angle middle =
            wall.inFrame(cut.at) + Angle::turn() * (static_cast<double>(which) / cut.repeat);
        const double off = std::abs(std::remainder((to.theta - middle).radians(), 2 * pi));
        next.wide = onMark(wall.body.radius(open) * (2 * off), unit);
      } else {
        const Length reach = cut.opensAtRim ? high - to.s : to.s - low;
        next.deep = onMark(std::clamp(reach, mark, high - low), unit);
        if (next.deep->length > high - low) next.deep = std::nullopt;
      }
      break;
    }
    case CutKind::slant: {
      const auto distance = [&](Angle onCup) {
        return std::abs(std::remainder((wall.inFrame(onCup) - taken.theta).radians(), 2 * pi));
      };
      const bool first = distance(cut.at) <= distance(cut.to);
      (first ? next.low : next.high) = onMark(std::clamp(to.s, low + mark, high - mark), unit);
      break;
    }
    case CutKind::wave: {
      const Length s = cut.fromRim ? wall.body.wall() - to.s : to.s;
      next.low = onMark(s, unit);
      break;
    }
  }
  return next;
}

WallPoint handleOf(const DivideLine& line, bool along) {
  const WallPoint first = line.stretches.front().front();
  const WallPoint last = line.stretches.back().back();
  if (line.kind != CutKind::vee) return first;
  // Its left line runs from the corner to the point, its right one back from the point.
  const bool left = line.index % 2 == 0;
  return left == along ? first : last;
}

Cut ontoTape(const Cut& cut, const Region& zone, const Wall& wall, Absorb absorb, Unit unit) {
  if (cut.kind != CutKind::rings) return cut;
  const Checked<Split> now = split(zone, cut, wall);
  if (!now || now->parts.size() < 2) return cut;
  std::vector<Length> bands;
  bands.reserve(now->parts.size());
  for (const Region& part : now->parts) bands.push_back(part.highest() - part.lowest());
  const TapedBands taped = tapedBands(bands, usualGraduation(unit), absorb);
  const std::size_t rest = absorb == Absorb::rim ? 0 : bands.size() - 1;
  Cut next = cut;
  next.by = CutBy::widths;
  next.widths.clear();
  for (std::size_t i = 0; i < bands.size(); ++i) {
    if (i == rest) {
      next.widths.push_back(std::nullopt);
    } else {
      next.widths.push_back(written(bands[i] + taped.errors[i], unit));
    }
  }
  return next;
}

Checked<std::vector<std::optional<WrittenLength>>> parseWidths(std::string_view text, Unit unit) {
  std::vector<std::optional<WrittenLength>> widths;
  for (const std::string& part : partsOf(text)) {
    if (part == "rest" || part == "Rest") {
      widths.push_back(std::nullopt);
      continue;
    }
    Checked<WrittenLength> width = writtenSize(part, unit);
    if (!width) return tl::unexpected(width.error());
    widths.push_back(std::move(*width));
  }
  if (widths.empty()) {
    return refuse({}, "Type the parts one after another, such as “4; 1; rest”.");
  }
  return widths;
}

Checked<std::vector<WrittenLength>> parsePlaces(std::string_view text, Unit unit) {
  std::vector<WrittenLength> places;
  for (const std::string& part : partsOf(text)) {
    Checked<WrittenLength> place = writtenSize(part, unit);
    if (!place) return tl::unexpected(place.error());
    places.push_back(std::move(*place));
  }
  if (places.empty()) return refuse({}, "Type the places one after another, such as “2; 5 1/2”.");
  return places;
}

Checked<std::vector<Angle>> parseAngles(std::string_view text) {
  std::vector<Angle> angles;
  for (std::string part : partsOf(text)) {
    if (part.size() > 2 && part.substr(part.size() - 2) == "°") part.resize(part.size() - 2);
    double degrees = 0;
    const char* end = part.data() + part.size();
    const auto [stop, error] = std::from_chars(part.data(), end, degrees);
    if (error != std::errc() || stop != end || !(std::abs(degrees) <= 360)) {
      return refuse({}, "“%1” is no angle. Give degrees, such as “0; 90; 180”.", {part});
    }
    angles.push_back(Angle::degrees(degrees));
  }
  if (angles.empty()) return refuse({}, "Give degrees, such as “0; 90; 180”.");
  return angles;
}

std::string widthsText(const std::vector<std::optional<WrittenLength>>& widths, Unit unit) {
  return listed(widths, [unit](const std::optional<WrittenLength>& width) {
    return width ? lengthText(*width, unit) : std::string("rest");
  });
}

std::string placesText(const std::vector<WrittenLength>& places, Unit unit) {
  return listed(places, [unit](const WrittenLength& place) { return lengthText(place, unit); });
}

std::string anglesText(const std::vector<Angle>& angles) {
  return listed(angles, [](Angle angle) { return angleText(angle); });
}

}  // namespace avrelt
