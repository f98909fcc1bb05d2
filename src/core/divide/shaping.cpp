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

CupAngle onDegree(CupAngle angle) {
  return CupAngle::degrees(std::round(angle.degrees()));
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

/// What a hand that pulls a line has to know.
struct Pull {
  const Region& zone;
  const Wall& wall;
  int line;
  WallPoint taken;
  WallPoint to;
  Unit unit;
  Length mark = step(usualGraduation(unit));
  Length high = zone.highest();
  Length low = zone.lowest();
};

RingCut pulled(RingCut cut, const Pull& pull) {
  const Checked<Split> now = split(pull.zone, cut, pull.wall);
  if (!now) return cut;
  // Each line by its own place, from the end the cut counts from; the one taken goes along.
  cut.by = CutBy::places;
  cut.places.clear();
  const Length rim = pull.wall.body.wall();
  for (std::size_t i = 0; i < now->lines.size(); ++i) {
    if (now->lines[i].empty()) continue;
    Length s = now->lines[i].front().front().s;
    if (static_cast<int>(i) == pull.line) {
      // Between its neighbours, a mark away from them.
      const Length above = i == 0 ? pull.high : now->lines[i - 1].front().front().s;
      const Length below =
          i + 1 == now->lines.size() ? pull.low : now->lines[i + 1].front().front().s;
      s = std::clamp(pull.to.s, below + pull.mark, std::max(below + pull.mark, above - pull.mark));
      cut.places.push_back(onMark(cut.fromRim ? rim - s : s, pull.unit));
    } else {
      cut.places.push_back(written(cut.fromRim ? rim - s : s, pull.unit));
    }
  }
  return cut;
}

UprightCut pulled(UprightCut cut, const Pull& pull) {
  const Checked<Split> now = split(pull.zone, cut, pull.wall);
  if (!now) return cut;
  const CupAngle to = onDegree(pull.wall.onCup(pull.to.theta));
  if (cut.by == CutBy::equal && pull.zone.allRound()) {
    // Equal parts stay equal: all of them turn.
    cut.at = onDegree(pull.wall.onCup(pull.to.theta) -
                      Angle::turn() * (static_cast<double>(pull.line) / cut.count))
                 .wrapped();
    return cut;
  }
  cut.by = CutBy::places;
  cut.angles.clear();
  for (std::size_t i = 0; i < now->lines.size(); ++i) {
    // The others stay where they are, whatever they were placed by.
    cut.angles.push_back(static_cast<int>(i) == pull.line
                             ? to
                             : pull.wall.onCup(now->lines[i].front().front().theta));
  }
  return cut;
}

VeeCut pulled(VeeCut cut, const Pull& pull) {
  const Length deep = cut.deep ? cut.deep->length : pull.high - pull.low;
  const Length open = cut.opensAtRim ? pull.high : pull.low;
  const bool corner = abs(pull.taken.s - open) < deep / 2;
  if (corner) {
    const int which = pull.line / 2;
    const Angle middle =
        pull.wall.inFrame(cut.at) + Angle::turn() * (static_cast<double>(which) / cut.repeat);
    const double off = std::abs(std::remainder((pull.to.theta - middle).radians(), 2 * pi));
    cut.wide = onMark(pull.wall.body.radius(open) * (2 * off), pull.unit);
  } else {
    const Length reach = cut.opensAtRim ? pull.high - pull.to.s : pull.to.s - pull.low;
    cut.deep = onMark(std::clamp(reach, pull.mark, pull.high - pull.low), pull.unit);
    if (cut.deep->length > pull.high - pull.low) cut.deep = std::nullopt;
  }
  return cut;
}

SlantCut pulled(SlantCut cut, const Pull& pull) {
  const auto distance = [&](CupAngle onCup) {
    return std::abs(
        std::remainder((pull.wall.inFrame(onCup) - pull.taken.theta).radians(), 2 * pi));
  };
  const bool first = distance(cut.at) <= distance(cut.to);
  (first ? cut.low : cut.high) =
      onMark(std::clamp(pull.to.s, pull.low + pull.mark, pull.high - pull.mark), pull.unit);
  return cut;
}

WaveCut pulled(WaveCut cut, const Pull& pull) {
  cut.low = onMark(cut.fromRim ? pull.wall.body.wall() - pull.to.s : pull.to.s, pull.unit);
  return cut;
}

}  // namespace

Cut usualCut(CutKind kind, const Region& zone, const Wall& wall, Unit unit) {
  const Length high = zone.highest();
  const Length low = zone.lowest();
  const auto [from, to] = zone.span();
  switch (kind) {
    case CutKind::rings: {
      RingCut cut;
      if (unit == Unit::mm) cut.tape = cut.spacer = WrittenLength::mm(6);
      return cut;
    }
    case CutKind::uprights:
      return UprightCut{.at = wall.seamAt};
    case CutKind::vee: {
      const Length room = wall.body.radius(high) * (to - from).radians();
      return VeeCut{.at = onDegree(wall.onCup((from + to) / 2)), .wide = onMark(room / 3, unit)};
    }
    case CutKind::slant:
      return SlantCut{.at = wall.onCup(from),
                      .low = onMark(low + (high - low) * 0.25, unit),
                      .to = wall.onCup(to),
                      .high = onMark(low + (high - low) * 0.75, unit)};
    case CutKind::wave:
      break;
  }
  return WaveCut{.at = CupAngle::front(),
                 .repeat = 6,
                 .low = onMark((low + high) / 2, unit),
                 .fromRim = false,
                 .swing = onMark((high - low) / 4, unit)};
}

Cut withLineAt(const Cut& cut, const Region& zone, const Wall& wall, int line, WallPoint taken,
               WallPoint to, Unit unit) {
  const Pull pull{zone, wall, line, taken, to, unit};
  Cut next = cut;
  std::visit([&](auto& how) { how = pulled(how, pull); }, next.how);
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
  const auto* rings = std::get_if<RingCut>(&cut.how);
  if (rings == nullptr) return cut;
  const Checked<Split> now = split(zone, cut, wall);
  if (!now || now->parts.size() < 2) return cut;
  std::vector<Length> bands;
  bands.reserve(now->parts.size());
  for (const Region& part : now->parts) bands.push_back(part.highest() - part.lowest());
  const TapedBands taped = tapedBands(bands, usualGraduation(unit), absorb);
  const std::size_t rest = absorb == Absorb::rim ? 0 : bands.size() - 1;
  RingCut next = *rings;
  next.by = CutBy::widths;
  next.widths.clear();
  for (std::size_t i = 0; i < bands.size(); ++i) {
    if (i == rest) {
      next.widths.push_back(std::nullopt);
    } else {
      next.widths.push_back(written(bands[i] + taped.errors[i], unit));
    }
  }
  Cut taken = cut;
  taken.how = std::move(next);
  return taken;
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

Checked<std::vector<CupAngle>> parseAngles(std::string_view text) {
  std::vector<CupAngle> angles;
  for (std::string part : partsOf(text)) {
    if (part.size() > 2 && part.substr(part.size() - 2) == "°") part.resize(part.size() - 2);
    double degrees = 0;
    const char* end = part.data() + part.size();
    const auto [stop, error] = std::from_chars(part.data(), end, degrees);
    if (error != std::errc() || stop != end || !(std::abs(degrees) <= 360)) {
      return refuse({}, "“%1” is no angle. Give degrees, such as “0; 90; 180”.", {part});
    }
    angles.push_back(CupAngle::degrees(degrees));
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

std::string anglesText(const std::vector<CupAngle>& angles) {
  return listed(angles, [](CupAngle angle) { return angleText(angle); });
}

}  // namespace avrelt
