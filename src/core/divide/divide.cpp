// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/divide.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/part_ids.h"
#include "divide/sides.h"

namespace avrelt {
namespace {

using std::numbers::pi;

class Divider {
 public:
  Divider(const ZoneNode& body, const Wall& wall) : wall_(wall), ids_(body) {}

  CheckedAll<Divided> operator()(const ZoneNode& body) {
    if (body.cut) outermost_ = cutIdOf(body, body.id);
    visit(body, body.id, Region::band(Length(), wall_.body.wall()), {});
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    divided_.sides = sidesOf(divided_.lines, divided_.zones);
    return std::move(divided_);
  }

 private:
  void visit(const ZoneNode& node, const std::string& id, const Region& region,
             const ZonePath& path) {
    if (tooMany_) return;
    if (!node.cut) {
      if (divided_.zones.size() == mostZones) {
        tooMany_ = true;
        faults_.push_back({Where(Member::cut, outermost_),
                           {"The wall is cut into more than %1 zones. Take a cut back, or give one "
                            "fewer parts.",
                            {static_cast<long>(mostZones)}}});
        return;
      }
      Zone zone;
      zone.id = id;
      zone.letter = lettersOf(divided_.zones.size());
      zone.path = path;
      zone.area = region.area(wall_.body);
      zone.region = region;
      zone.label = labelPlace(region);
      const bool onSeam = region.outlines().size() > 1 && !region.allRound();
      zone.namedAt = onSeam ? middleOfLargest(region, zone.label) : zone.label;
      zone.finish = node.finish;
      divided_.zones.push_back(std::move(zone));
      return;
    }
    if (path.size() == deepestCut) {
      faults_.push_back({Where(Member::cut, cutIdOf(node, id)),
                         {"Cuts lie in each other %1 deep, and that is the most. Take this one "
                          "back, or give the one round it more parts.",
                          {static_cast<long>(deepestCut)}}});
      return;
    }
    const Checked<Split> cut = split(region, *node.cut, wall_);
    if (!cut) {
      faults_.push_back({cut.error().where.of(cutIdOf(node, id)), cut.error().sentence});
      return;
    }
    divided_.cutNodes.push_back({path, region});
    const std::string cutId = cutIdOf(node, id);
    for (std::size_t i = 0; i < cut->lines.size(); ++i) {
      DivideLine line;
      line.id = std::to_string(divided_.lines.size() + 1);
      line.of = path;
      line.cut = cutId;
      line.kind = node.cut->kind();
      line.index = static_cast<int>(i);
      line.spaced = placedBy(*node.cut) == CutBy::spacers;
      line.stretches = cut->lines[i];
      for (const WallLine& stretch : line.stretches) {
        line.length += lengthOn(wall_.body, stretch);
      }
      mark(line);
      divided_.lines.push_back(std::move(line));
    }
    static const ZoneNode untouched;
    for (std::size_t i = 0; i < cut->parts.size(); ++i) {
      if (cut->parts[i].empty()) {
        faults_.push_back({Where(Member::cut, cutId),
                           {"Part %1 of this cut has no width left. Move its lines apart.",
                            {static_cast<long>(i + 1)}}});
        return;
      }
      ZonePath below = path;
      below.push_back(static_cast<int>(i));
      const ZoneNode& part = i < node.parts.size() ? node.parts[i] : untouched;
      const std::string partId = part.id.empty() ? ids_.ofPart(cutId, i) : part.id;
      visit(part, partId, cut->parts[i], below);
    }
  }

  void mark(const DivideLine& line) {
    if (line.stretches.empty()) return;
    const auto put = [&](MarkAt at, WallPoint p) {
      divided_.marks.push_back({markOf(wall_, p), line.id, at});
    };
    const WallPoint& first = line.stretches.front().front();
    const WallPoint& last = line.stretches.back().back();
    switch (line.kind) {
      case CutKind::rings: {
        const Angle front = wall_.inFrame(CupAngle::front());
        const bool passes = std::any_of(
            line.stretches.begin(), line.stretches.end(), [front](const WallLine& stretch) {
              return stretch.front().theta <= front && front <= stretch.back().theta;
            });
        put(MarkAt::ring, {passes ? front : first.theta, first.s});
        break;
      }
      case CutKind::uprights:
        put(MarkAt::upright, highestOf(line.stretches, 1));
        break;
      case CutKind::vee: {
        // Two lines a V, left and right; they share the point.
        const bool left = line.index % 2 == 0;
        put(left ? MarkAt::leftCorner : MarkAt::rightCorner, left ? first : last);
        divided_.marks.back().leg = line.length;
        if (left) put(MarkAt::point, last);
        break;
      }
      case CutKind::slant:
        put(MarkAt::leftEnd, first);
        put(MarkAt::rightEnd, last);
        break;
      case CutKind::wave:
        put(MarkAt::crest, highestOf(line.stretches, 1));
        put(MarkAt::trough, highestOf(line.stretches, -1));
        break;
    }
  }

  /// The first of the highest places along a line; of the lowest with −1.
  static WallPoint highestOf(const std::vector<WallLine>& stretches, int sign) {
    constexpr Length same = Length::mm(1e-5);
    WallPoint best = stretches.front().front();
    for (const WallLine& stretch : stretches) {
      for (const WallPoint& p : stretch) {
        if ((p.s - best.s) * sign > same) best = p;
      }
    }
    return best;
  }

  const Wall& wall_;
  PartIds ids_;
  std::string outermost_;  ///< the cut round all others
  Divided divided_;
  Faults faults_;
  bool tooMany_ = false;
};

}  // namespace

const char* markName(MarkAt at) {
  static constexpr const char* names[] = {"ring",         "upright", "left corner",
                                          "right corner", "point",   "left end",
                                          "right end",    "crest",   "trough"};
  return names[static_cast<std::size_t>(at)];
}

std::string lettersOf(std::size_t index) {
  std::string id;
  for (std::size_t n = index + 1; n > 0; n = (n - 1) / 26) {
    id.insert(id.begin(), static_cast<char>('A' + (n - 1) % 26));
  }
  return id;
}

CheckedAll<Divided> divide(const ZoneNode& body, const Wall& wall) {
  return Divider(body, wall)(body);
}

const ZoneNode* nodeAt(const ZoneNode& body, const ZonePath& path) {
  const ZoneNode* node = &body;
  for (const int part : path) {
    if (part < 0 || static_cast<std::size_t>(part) >= node->parts.size()) return nullptr;
    node = &node->parts[static_cast<std::size_t>(part)];
  }
  return node;
}

ZoneNode& nodeAt(ZoneNode& body, const ZonePath& path) {
  ZoneNode* node = &body;
  for (const int part : path) {
    const auto index = static_cast<std::size_t>(std::max(part, 0));
    if (index >= node->parts.size()) node->parts.resize(index + 1);
    node = &node->parts[index];
  }
  return *node;
}

TapedBands tapedBands(const std::vector<Length>& bands, Graduation graduation, Absorb absorb) {
  TapedBands taped;
  Length total;
  for (const Length band : bands) total += band;
  std::vector<Length> heights;
  if (absorb == Absorb::spread) {
    Length exact;
    Length before;
    for (std::size_t i = 0; i + 1 < bands.size(); ++i) {
      exact += bands[i];
      const Length mark = nearestMark(exact, graduation);
      heights.push_back(mark - before);
      before = mark;
    }
    heights.push_back(total - before);
  } else {
    for (const Length band : bands) heights.push_back(nearestMark(band, graduation));
    Length others;
    const std::size_t takes = absorb == Absorb::rim ? 0 : bands.size() - 1;
    for (std::size_t i = 0; i < heights.size(); ++i) {
      if (i != takes) others += heights[i];
    }
    heights[takes] = total - others;
  }
  Length at;
  for (std::size_t i = 0; i < bands.size(); ++i) {
    taped.errors.push_back(heights[i] - bands[i]);
    at += heights[i];
    if (i + 1 < bands.size()) taped.marks.push_back(at);
  }
  return taped;
}

double tapeStrain(const Body& body, Length s, Length width) {
  return width.mm() * std::abs(body.taper(s)) / (2 * body.radius(s).mm());
}

Length widestTape(const Body& body, Length s, double strain) {
  const double k = std::abs(body.taper(s));
  const Length any = Length::mm(10'000);
  return k < 1e-9 ? any : std::min(any, body.radius(s) * (2 * strain / k));
}

}  // namespace avrelt
