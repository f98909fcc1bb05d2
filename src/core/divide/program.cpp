// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/program.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>
#include <set>

namespace avrelt {
namespace {

using std::numbers::pi;

/// How far beside a line a place is looked for, in mm.
constexpr double aside = 0.4;

Sentence pullWords(Stick stick, const std::string& zone) {
  switch (stick) {
    case Stick::resin:
      return {"Pull the tape round %1 within minutes, before the resin sets.", {zone}};
    case Stick::brushGlue:
      return {"Pull the tape round %1 while the glue is wet or just dry; never leave it for hours.",
              {zone}};
    case Stick::wetPaint:
      return {"Pull the tape round %1 when the paint is dry to the touch.", {zone}};
    case Stick::sprayClear:
      return {"Pull the tape round %1 before the spray is dry.", {zone}};
    case Stick::tackyGlue:
      return {"Burnish the glitter in circles, then pull the tape round %1.", {zone}};
    case Stick::uvResin:
      break;
  }
  return {"Pull the tape round %1 before the lamp. Then cure it, eyes shielded.", {zone}};
}

Sentence stickWords(Stick stick, const std::string& zone) {
  switch (stick) {
    case Stick::resin:
      return {"Brush a thin coat of resin on %1. Gloves on, fresh air.", {zone}};
    case Stick::brushGlue:
      return {"Brush glue on %1, edges first: they dry first.", {zone}};
    case Stick::wetPaint:
      return {"Paint %1 and go on while it is wet.", {zone}};
    case Stick::sprayClear:
      return {"Spray clear on %1, outdoors or in extraction, no flame near.", {zone}};
    case Stick::tackyGlue:
      return {"Brush tacky glue on %1 and wait until it is clear.", {zone}};
    case Stick::uvResin:
      break;
  }
  return {"Brush a thin coat of UV resin on %1. Gloves on.", {zone}};
}

/// Whether the side to the left as one goes along a steep line is the one to the left as one faces
/// it: so where the line goes up.
bool goesUp(const DivideLine& line) {
  return !line.stretches.empty() &&
         line.stretches.front().back().s > line.stretches.front().front().s;
}

std::string called(const Finish& finish) {
  return finish.name.empty() ? finish.colour : finish.name;
}

/// Finds the zone at a place: most are ruled out by the rectangles they lie in.
class ZoneFinder {
 public:
  explicit ZoneFinder(const Divided& divided) : divided_(divided) {
    for (std::size_t i = 0; i < divided.zones.size(); ++i) {
      for (const WallLine& outline : divided.zones[i].region.outlines()) {
        Room room{i, HUGE_VAL, -HUGE_VAL, HUGE_VAL, -HUGE_VAL};
        for (const WallPoint& p : outline) {
          room.left = std::min(room.left, p.theta.radians());
          room.right = std::max(room.right, p.theta.radians());
          room.low = std::min(room.low, p.s.mm());
          room.high = std::max(room.high, p.s.mm());
        }
        rooms_.push_back(room);
      }
    }
  }

  Sides sidesOf(const DivideLine& line) const {
    std::set<std::size_t> first;
    std::set<std::size_t> second;
    for (const WallLine& stretch : line.stretches) {
      for (std::size_t i = 1; i < stretch.size(); ++i) {
        const WallPoint& a = stretch[i - 1];
        const WallPoint& b = stretch[i];
        const double along = (b.theta - a.theta).radians() * 40;
        const double up = (b.s - a.s).mm();
        const double length = std::hypot(along, up);
        if (length < 1e-9) continue;
        // Square to the side, to its left as one goes along it; long sides are looked at in places.
        const Angle across = Angle::radians(-up / length * aside / 40);
        const Length over = Length::mm(along / length * aside);
        const int places = std::clamp(static_cast<int>(length / 6), 1, 40);
        for (int place = 0; place < places; ++place) {
          const double share = (place + 0.5) / places;
          const WallPoint middle{a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share};
          look({middle.theta + across, middle.s + over}, first);
          look({middle.theta - across, middle.s - over}, second);
        }
      }
    }
    return {{first.begin(), first.end()}, {second.begin(), second.end()}};
  }

 private:
  struct Room {
    std::size_t zone;
    double left, right, low, high;
  };

  void look(WallPoint p, std::set<std::size_t>& side) const {
    const double theta = std::remainder(p.theta.radians(), 2 * pi);
    const double s = p.s.mm();
    p.theta = Angle::radians(theta);
    for (const Room& room : rooms_) {
      if (theta < room.left || theta > room.right || s < room.low || s > room.high) continue;
      if (side.count(room.zone) == 0 && divided_.zones[room.zone].region.contains(p)) {
        side.insert(room.zone);
      }
    }
  }

  const Divided& divided_;
  std::vector<Room> rooms_;
};

}  // namespace

const char* moveName(MoveKind kind) {
  static constexpr std::array<const char*, 8> names{"tape",    "cover", "paint", "stick",
                                                    "glitter", "pull",  "film",  "seal"};
  return names[static_cast<std::size_t>(kind)];
}

Sides sidesOf(const DivideLine& line, const Divided& divided) {
  return ZoneFinder(divided).sidesOf(line);
}

std::vector<const Zone*> fillingOrder(const Divided& divided,
                                      const std::vector<std::string>& order) {
  std::vector<const Zone*> zones;
  for (const Zone& zone : divided.zones) {
    const bool filled = zone.finish.kind == FinishKind::paint ||
                        zone.finish.kind == FinishKind::glitter ||
                        zone.finish.kind == FinishKind::film;
    if (filled) zones.push_back(&zone);
  }
  const auto rank = [&](const Zone* zone) {
    const auto asked = std::find(order.begin(), order.end(), zone->id);
    const double place = asked == order.end() ? static_cast<double>(order.size())
                                              : static_cast<double>(asked - order.begin());
    const bool film = zone->finish.kind == FinishKind::film;
    return std::array<double, 3>{place, film ? 1.0 : 0.0,
                                 film ? 0.0 : luminanceOf(zone->finish.colour)};
  };
  std::stable_sort(zones.begin(), zones.end(),
                   [&](const Zone* a, const Zone* b) { return rank(a) < rank(b); });
  return zones;
}

std::vector<TapeMove> tapeProgram(const Divided& divided, Length tapeWidth, Graduation graduation,
                                  const std::vector<std::string>& order) {
  std::vector<Sides> sides;
  sides.reserve(divided.lines.size());
  const ZoneFinder finder(divided);
  for (const DivideLine& line : divided.lines) sides.push_back(finder.sidesOf(line));

  std::vector<TapeMove> moves;
  const auto move = [&](MoveKind kind, const std::string& zone, Sentence words) -> TapeMove& {
    TapeMove made;
    made.number = static_cast<int>(moves.size()) + 1;
    made.kind = kind;
    made.zone = zone;
    made.words = std::move(words);
    moves.push_back(std::move(made));
    return moves.back();
  };
  std::set<std::string> done;
  for (const Zone* zone : fillingOrder(divided, order)) {
    const auto index = static_cast<std::size_t>(zone - divided.zones.data());
    if (zone->finish.kind == FinishKind::film) {
      move(MoveKind::film, zone->id,
           {"Lay the film “%1” on %2, after all glitter is sealed smooth.",
            {called(zone->finish), zone->id}});
      done.insert(zone->id);
      continue;
    }
    int taped = 0;
    for (std::size_t i = 0; i < divided.lines.size(); ++i) {
      const auto has = [index](const std::vector<std::size_t>& list) {
        return std::find(list.begin(), list.end(), index) != list.end();
      };
      const bool first = has(sides[i].first);
      const bool second = has(sides[i].second);
      // A line within the zone's own edge on both sides is the seam side of a ring: nothing to
      // mask.
      if (first == second) continue;
      const DivideLine& line = divided.lines[i];
      const std::vector<std::size_t>& far = first ? sides[i].second : sides[i].first;
      const std::string keeps = far.empty() ? std::string() : divided.zones[far.front()].id;
      const bool level = line.kind == CutKind::rings || line.kind == CutKind::wave;
      const bool left = first != goesUp(line);
      const std::string side =
          level ? (first ? "below" : "above") : (left ? "left of" : "right of");
      const double marks = std::ceil((line.length + tapeTab) / step(graduation) - 1e-9);
      const Length tear = step(graduation) * marks;
      TapeMove& made =
          move(MoveKind::tape, zone->id,
               {"Lay tape %1 line %2, its edge on the line: %3 wide, %4 long with the end folded "
                "over.",
                {side, line.id, tapeWidth, tear}});
      made.line = line.id;
      made.keeps = keeps;
      made.tape = tear;
      ++taped;
    }
    if (!done.empty()) {
      std::string others;
      for (const std::string& id : done) others += (others.empty() ? "" : ", ") + id;
      move(MoveKind::cover, zone->id,
           {"Cover what is done, %1, with film or paper taped down.", {others}});
    }
    const bool glitter = zone->finish.kind == FinishKind::glitter;
    if (!glitter || zone->finish.stick != Stick::wetPaint) {
      move(MoveKind::paint, zone->id,
           {glitter ? "Paint %1 in a colour near “%2” and let it dry."
                    : "Paint %1 with “%2”, thin coats, and let each dry.",
            {zone->id, called(zone->finish)}});
    }
    if (glitter) {
      move(MoveKind::stick, zone->id, stickWords(zone->finish.stick, zone->id));
      move(MoveKind::glitter, zone->id,
           {"Shake “%1” over %2 until nothing wet shows; catch what falls.",
            {called(zone->finish), zone->id}});
    }
    if (taped > 0) {
      move(MoveKind::pull, zone->id,
           glitter ? pullWords(zone->finish.stick, zone->id)
                   : Sentence{"Pull the tape round %1 when the paint is dry to the touch.",
                              {zone->id}});
    }
    if (glitter) {
      move(MoveKind::seal, zone->id,
           {"Seal %1 when it is dry, so that the next tape lifts no glitter.", {zone->id}});
    }
    done.insert(zone->id);
  }
  return moves;
}

}  // namespace avrelt
