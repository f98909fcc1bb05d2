// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/program.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "measure/colour.h"

namespace avrelt {
namespace {

/// Taking off what protects the zones round one: tape, or what was laid in its place.
Sentence liftWords(Stick stick, const std::string& zone) {
  switch (stick) {
    case Stick::resin:
      return {"Lift what was laid in place of tape round %1 within minutes, before the resin sets.",
              {zone}};
    case Stick::brushGlue:
      return {
          "Lift what was laid in place of tape round %1 while the glue is wet or just dry; "
          "never leave it for hours.",
          {zone}};
    case Stick::wetPaint:
      return {"Lift what was laid in place of tape round %1 when the paint is dry to the touch.",
              {zone}};
    case Stick::sprayClear:
      return {"Lift what was laid in place of tape round %1 before the spray is dry.", {zone}};
    case Stick::tackyGlue:
      return {"Burnish the glitter in circles, then lift what was laid in place of tape round %1.",
              {zone}};
    case Stick::uvResin:
      break;
  }
  return {"Lift what was laid in place of tape round %1 before the lamp.", {zone}};
}

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
  return {"Pull the tape round %1 before the lamp.", {zone}};
}

Sentence stickWords(Stick stick, const std::string& zone) {
  switch (stick) {
    case Stick::resin:
      return {"Brush a thin coat of resin on %1. Gloves on, fresh air.", {zone}};
    case Stick::brushGlue:
      return {
          "Brush glue on %1, edges first: they dry first. Mix no paint into it: that lifts with "
          "the tape.",
          {zone}};
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

/// Zones filled together, by their places in the plan.
using Group = std::vector<std::size_t>;

/// A tape a group needs: along a line on one of its sides.
struct Edge {
  std::size_t line;
  bool onFirst;       ///< the tape lies on the side to the left as one goes along the line
  std::size_t keeps;  ///< the zone there

  friend bool operator==(const Edge&, const Edge&) = default;
};

bool has(const std::vector<std::size_t>& list, std::size_t item) {
  return std::find(list.begin(), list.end(), item) != list.end();
}

/// What lies along which line, and what of it is filled together.
class Boundaries {
 public:
  explicit Boundaries(const Divided& divided) : divided_(divided), sides_(divided.sides) {}

  std::vector<Group> groups(const std::vector<std::string>& order) const {
    std::vector<Group> groups;
    std::size_t run = 0;  // where the groups with the finish in hand begin
    const Finish* finish = nullptr;
    for (const Zone* zone : fillingOrder(divided_, order)) {
      const auto index = static_cast<std::size_t>(zone - divided_.zones.data());
      if (finish == nullptr || !(*finish == zone->finish)) run = groups.size();
      finish = &zone->finish;
      bool taken = false;
      for (std::size_t i = run; i < groups.size() && !taken; ++i) {
        groups[i].push_back(index);
        taken = !wantsBothSides(groups[i]);
        if (!taken) groups[i].pop_back();
      }
      if (!taken) groups.push_back({index});
    }
    return groups;
  }

  std::vector<Edge> edges(const Group& group) const {
    std::vector<Edge> edges;
    for (std::size_t i = 0; i < sides_.size(); ++i) {
      const auto [first, second] = touches(sides_[i], group);
      // Within the group on both sides, a line is an edge of nothing.
      if (first == second) continue;
      const std::vector<std::size_t>& far = first ? sides_[i].second : sides_[i].first;
      if (!far.empty()) edges.push_back({i, !first, far.front()});
    }
    return edges;
  }

  const Sides& sides(std::size_t line) const { return sides_[line]; }

 private:
  static std::pair<bool, bool> touches(const Sides& sides, const Group& group) {
    bool first = false;
    bool second = false;
    for (const std::size_t zone : group) {
      first = first || has(sides.first, zone);
      second = second || has(sides.second, zone);
    }
    return {first, second};
  }

  /// Whether a line has the group on both its sides and something else as well.
  bool wantsBothSides(const Group& group) const {
    return std::any_of(sides_.begin(), sides_.end(), [&](const Sides& sides) {
      const auto [first, second] = touches(sides, group);
      if (!first || !second) return false;
      const auto within = [&](std::size_t zone) { return has(group, zone); };
      return !std::all_of(sides.first.begin(), sides.first.end(), within) ||
             !std::all_of(sides.second.begin(), sides.second.end(), within);
    });
  }

  const Divided& divided_;
  const std::vector<Sides>& sides_;
};

/// Writes the moves down.
class Program {
 public:
  Program(const Divided& divided, Length tapeWidth, Graduation graduation,
          const std::vector<Mask>& masks)
      : divided_(divided),
        bounds_(divided),
        tapeWidth_(tapeWidth),
        graduation_(graduation),
        masks_(masks) {}

  std::vector<TapeMove> of(const std::vector<std::string>& order) {
    const std::vector<Group> groups = bounds_.groups(order);
    for (std::size_t i = 0; i < groups.size(); ++i) {
      static const Group none;
      fill(groups[i], i + 1 < groups.size() ? groups[i + 1] : none);
      for (const std::size_t zone : groups[i]) done_.push_back(zone);
    }
    return std::move(moves_);
  }

 private:
  struct Laid {
    Edge edge;
    int move;
  };

  TapeMove& move(MoveKind kind, const Group& group, Sentence words) {
    TapeMove made;
    made.number = static_cast<int>(moves_.size()) + 1;
    made.kind = kind;
    for (const std::size_t zone : group) made.zones.push_back(divided_.zones[zone].letter);
    made.words = std::move(words);
    moves_.push_back(std::move(made));
    return moves_.back();
  }

  std::string named(const Group& group) const {
    std::string names;
    for (const std::size_t zone : group) {
      names += (names.empty() ? "" : ", ") + divided_.zones[zone].letter;
    }
    return names;
  }

  Length torn(Length length) const {
    return step(graduation_) * std::ceil((length + tapeTab) / step(graduation_) - 1e-9);
  }

  std::string sideOf(const Edge& edge) const {
    const DivideLine& line = divided_.lines[edge.line];
    if (line.kind == CutKind::rings || line.kind == CutKind::wave) {
      return edge.onFirst ? "above" : "below";
    }
    return edge.onFirst == goesUp(line) ? "left of" : "right of";
  }

  /// The band a tape protects whole: its other line, where that is taped for the same band too.
  const Edge* acrossBand(const Edge& edge, const std::vector<Edge>& edges) const {
    const Region& band = divided_.zones[edge.keeps].region;
    if (divided_.lines[edge.line].kind != CutKind::rings || !keepsOnly(edge)) return nullptr;
    if (band.highest() - band.lowest() > tapeWidth_ + Length::mm(0.01)) return nullptr;
    for (const Edge& other : edges) {
      if (other.line != edge.line && other.keeps == edge.keeps && keepsOnly(other) &&
          divided_.lines[other.line].kind == CutKind::rings && other.onFirst != edge.onFirst) {
        return &other;
      }
    }
    return nullptr;
  }

  bool keepsOnly(const Edge& edge) const {
    const Sides& sides = bounds_.sides(edge.line);
    return (edge.onFirst ? sides.first : sides.second).size() == 1;
  }

  /// Lays what the group needs; gives how many tapes are on.
  int tape(const Group& group) {
    std::vector<Edge> edges = bounds_.edges(group);
    layMasks(group, edges);
    std::vector<std::size_t> covered;  // lines
    Length above = Length::mm(-1);     // where the last band by tape and spacer ended
    int tapes = 0;
    for (const Edge& edge : edges) {
      if (has(covered, edge.line)) continue;
      ++tapes;
      const auto left = std::find_if(left_.begin(), left_.end(),
                                     [&](const Laid& laid) { return laid.edge == edge; });
      if (left != left_.end()) {
        TapeMove& made =
            move(MoveKind::leave, group,
                 {"Tape %1 line %2 still lies from move %3: press its edge down again.",
                  {sideOf(edge), divided_.lines[edge.line].id, static_cast<long>(left->move)}});
        note(made, edge);
        made.sameAs = left->move;
        continue;
      }
      const Edge* other = acrossBand(edge, edges);
      if (other == nullptr) {
        layAlong(edge, group);
      } else {
        layOn(edge, *other, group, above);
        covered.push_back(other->line);
      }
    }
    left_.clear();
    return tapes;
  }

  bool isOf(const Mask& mask, std::size_t zone) const {
    return std::find(mask.zones.begin(), mask.zones.end(), divided_.zones[zone].id) !=
           mask.zones.end();
  }

  /// Lays what was cut to be laid in place of tape, and strikes the edges it serves.
  void layMasks(const Group& group, std::vector<Edge>& edges) {
    masked_ = false;
    const auto inGroup = [&](const Mask& mask) {
      const auto is = [&](std::size_t zone) { return isOf(mask, zone); };
      return static_cast<std::size_t>(std::count_if(group.begin(), group.end(), is));
    };
    for (const Mask& mask : masks_) {
      if (edges.empty()) return;
      if (mask.kind != MaskKind::window || inGroup(mask) != group.size() ||
          mask.zones.size() != group.size()) {
        continue;
      }
      move(MoveKind::mask, group,
           {"Lay the window round %1, its edge on the lines, in place of tape. Press its edge "
            "down.",
            {named(group)}});
      masked_ = true;
      edges.clear();
    }
    for (const Mask& mask : masks_) {
      if (mask.kind != MaskKind::cover || inGroup(mask) > 0) continue;
      const auto serves = [&](const Edge& edge) {
        const Sides& sides = bounds_.sides(edge.line);
        const std::vector<std::size_t>& far = edge.onFirst ? sides.first : sides.second;
        return std::all_of(far.begin(), far.end(),
                           [&](std::size_t zone) { return isOf(mask, zone); });
      };
      if (std::none_of(edges.begin(), edges.end(), serves)) continue;
      Group zones;
      for (std::size_t i = 0; i < divided_.zones.size(); ++i) {
        if (isOf(mask, i)) zones.push_back(i);
      }
      TapeMove& made = move(
          MoveKind::mask, group,
          {"Lay the cover on %1, its edge on the lines, in place of tape. Press its edge down.",
           {named(zones)}});
      made.keeps = divided_.zones[zones.front()].letter;
      masked_ = true;
      std::erase_if(edges, serves);
    }
  }

  void note(TapeMove& made, const Edge& edge) const {
    made.lines.push_back(divided_.lines[edge.line].id);
    made.keeps = divided_.zones[edge.keeps].letter;
    made.width = tapeWidth_;
  }

  void layAlong(const Edge& edge, const Group& group) {
    const DivideLine& line = divided_.lines[edge.line];
    const Length tear = torn(line.length);
    const auto before = std::find_if(laid_.begin(), laid_.end(),
                                     [&](const Laid& laid) { return laid.edge == edge; });
    Sentence words{
        "Lay tape %1 line %2, its edge on the line: %3 wide, %4 long with the end folded over.",
        {sideOf(edge), line.id, tapeWidth_, tear}};
    if (before != laid_.end()) {
      words = {
          "Lay fresh tape %1 line %2, as in move %5: %3 wide, %4 long with the end folded "
          "over.",
          {sideOf(edge), line.id, tapeWidth_, tear, static_cast<long>(before->move)}};
    }
    TapeMove& made = move(MoveKind::tape, group, std::move(words));
    note(made, edge);
    made.tape = tear;
    if (before != laid_.end()) made.sameAs = before->move;
    laid_.push_back({edge, made.number});
  }

  /// One tape on both lines of a band.
  void layOn(const Edge& edge, const Edge& other, const Group& group, Length& above) {
    const DivideLine& line = divided_.lines[edge.line];
    const DivideLine& second = divided_.lines[other.line];
    const Zone& band = divided_.zones[edge.keeps];
    const Length wide = band.region.highest() - band.region.lowest();
    const Length tear = torn(std::max(line.length, second.length));
    const bool fits = tapeWidth_ - wide < Length::mm(0.3);
    const Length gap = above - band.region.highest();
    Sentence words{fits ? "Lay tape exactly on %1, from line %2 to line %3: %4 wide, %5 long with "
                          "the end folded over."
                        : "Cut tape down to %4 and lay it exactly on %1, from line %2 to line %3: "
                          "%5 long with the end folded over.",
                   {band.letter, line.id, second.id, wide, tear}};
    if (line.spaced && second.spaced && above > Length() && gap > Length()) {
      words = {
          "Lay a spacer %6 wide touching the tape before, then tape touching the spacer, on "
          "%1 from line %2 to line %3: %4 wide, %5 long. Lift the spacer.",
          {band.letter, line.id, second.id, wide, tear, gap}};
    }
    above = line.spaced && second.spaced ? band.region.lowest() : Length::mm(-1);
    TapeMove& made = move(MoveKind::tape, group, std::move(words));
    note(made, edge);
    made.lines.push_back(second.id);
    made.width = wide;
    made.tape = tear;
  }

  /// What is done, and what is left as it is or has to stay smooth for film or a template, beside
  /// what is filled now.
  Group staysBeside(const Group& group) const {
    Group kept = done_;
    for (std::size_t i = 0; i < divided_.zones.size(); ++i) {
      const FinishKind kind = divided_.zones[i].finish.kind;
      const bool stays =
          kind == FinishKind::bare || kind == FinishKind::none || kind == FinishKind::film;
      if (stays && !has(group, i)) kept.push_back(i);
    }
    return kept;
  }

  void fill(const Group& group, const Group& next) {
    const Finish& finish = divided_.zones[group.front()].finish;
    const std::string zones = named(group);
    const std::string name = finishWords(finish);
    if (finish.kind == FinishKind::film) {
      move(MoveKind::film, group,
           {finish.opaque ? "Lay the film “%1” on %2, after all glitter is sealed smooth."
                          : "Lay the clear film “%1” on %2, over white or light glitter: what is "
                            "below shows through.",
            {name, zones}});
      return;
    }
    const int tapes = tape(group);
    const Group kept = staysBeside(group);
    if (!kept.empty()) {
      move(MoveKind::cover, group,
           {"Cover what is to stay as it is, %1, with film or paper taped down.", {named(kept)}});
    }
    switch (finish.kind) {
      case FinishKind::ink:
        move(MoveKind::paint, group,
             {"Drip “%2” on %1 and tilt the cup. Fresh air, no flame and no sparks near. Let it "
              "dry.",
              {zones, name}});
        break;
      case FinishKind::dip:
        move(MoveKind::paint, group,
             {"Float “%2” on water and dip %1 through it, gloves on. Let it dry.", {zones, name}});
        break;
      case FinishKind::glitter:
        if (finish.stick != Stick::wetPaint) {
          move(MoveKind::paint, group,
               {"Paint %1 in a colour near “%2” and let it dry.", {zones, name}});
        }
        move(MoveKind::stick, group, stickWords(finish.stick, zones));
        move(MoveKind::glitter, group,
             {finish.grain == GlitterCut::chunky
                  ? "Pat “%1” onto %2 piece by piece; chunky glitter drinks resin, so watch for "
                    "dry spots."
                  : "Shake “%1” over %2 until nothing wet shows; catch what falls.",
              {name, zones}});
        break;
      default:
        move(MoveKind::paint, group,
             {finish.sprayed ? "Spray %1 with “%2”, a thin coat, and let it dry."
                             : "Paint %1 with “%2”, a thin coat, and let it dry.",
              {zones, name}});
    }
    if (masked_) {
      move(MoveKind::pull, group,
           finish.kind == FinishKind::glitter
               ? liftWords(finish.stick, zones)
               : Sentence{"Lift what was laid in place of tape round %1 when it is dry to the "
                          "touch.",
                          {zones}});
    }
    if (tapes > 0) pull(group, next);
    if (!kept.empty() && moves_.back().kind == MoveKind::pull) {
      Sentence& words = moves_.back().words;
      words = {"%1 Take the cover off with it.", {Phrase(words)}};
    }
    if (finish.kind == FinishKind::glitter && finish.stick == Stick::uvResin) {
      move(MoveKind::lamp, group,
           {"Cure %1 under the lamp, eyes shielded, turning the cup until nothing of it is tacky.",
            {zones}});
    }
    if (finish.kind == FinishKind::glitter) {
      move(MoveKind::seal, group,
           {"Seal %1 when it is dry, so that the next tape lifts no glitter.", {zones}});
    } else if (finish.kind == FinishKind::ink || finish.kind == FinishKind::dip) {
      move(MoveKind::seal, group,
           {"Seal %1 with spray clear before any resin: it would run.", {zones}});
    }
  }

  void pull(const Group& group, const Group& next) {
    const Finish& finish = divided_.zones[group.front()].finish;
    const std::string zones = named(group);
    if (finish.kind == FinishKind::glitter) {
      move(MoveKind::pull, group, pullWords(finish.stick, zones));
      return;
    }
    // Round dry paint a tape may stay for the next, where that wants it just so.
    std::string lines;
    const bool paints =
        !next.empty() && divided_.zones[next.front()].finish.kind != FinishKind::film;
    if (paints && finish.kind == FinishKind::paint) {
      const std::vector<Edge> wanted = bounds_.edges(next);
      for (const Laid& laid : laid_) {
        const bool now = !moves_.empty() && onNow(laid, group);
        if (!now || std::find(wanted.begin(), wanted.end(), laid.edge) == wanted.end()) continue;
        if (acrossBand(laid.edge, wanted) != nullptr) continue;
        left_.push_back(laid);
        lines += (lines.empty() ? "" : ", ") + divided_.lines[laid.edge.line].id;
      }
    }
    if (lines.empty()) {
      move(MoveKind::pull, group, {"Pull the tape round %1 when it is dry to the touch.", {zones}});
    } else {
      move(MoveKind::pull, group,
           {"Pull the tape round %1 when it is dry to the touch, but leave it at line %2: it "
            "serves %3 next.",
            {zones, lines, named(next)}});
    }
  }

  /// Whether a tape was laid for this group, and so is on.
  bool onNow(const Laid& laid, const Group& group) const {
    const TapeMove& made = moves_[static_cast<std::size_t>(laid.move - 1)];
    return made.zones.front() == divided_.zones[group.front()].letter;
  }

  const Divided& divided_;
  const Boundaries bounds_;
  const Length tapeWidth_;
  const Graduation graduation_;
  std::vector<TapeMove> moves_;
  std::vector<std::size_t> done_;
  std::vector<Laid> laid_;  ///< all tapes along single lines
  const std::vector<Mask>& masks_;
  bool masked_ = false;     ///< whether the group in hand has something in place of tape
  std::vector<Laid> left_;  ///< those left on for the next group
};

}  // namespace

const char* moveName(MoveKind kind) {
  static constexpr std::array<const char*, 11> names{"tape",  "leave",   "cover", "paint",
                                                     "stick", "glitter", "pull",  "film",
                                                     "seal",  "mask",    "lamp"};
  return names[static_cast<std::size_t>(kind)];
}

std::vector<const Zone*> fillingOrder(const Divided& divided,
                                      const std::vector<std::string>& order) {
  std::vector<const Zone*> zones;
  for (const Zone& zone : divided.zones) {
    const bool filled = zone.finish.kind == FinishKind::paint ||
                        zone.finish.kind == FinishKind::glitter ||
                        zone.finish.kind == FinishKind::film ||
                        zone.finish.kind == FinishKind::ink || zone.finish.kind == FinishKind::dip;
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

std::vector<std::string> movedInOrder(const Divided& divided, const std::vector<std::string>& order,
                                      const std::string& zone, int by) {
  const Boundaries bounds(divided);
  std::vector<Group> groups = bounds.groups(order);
  const auto here = std::find_if(groups.begin(), groups.end(), [&](const Group& group) {
    return std::any_of(group.begin(), group.end(),
                       [&](std::size_t i) { return divided.zones[i].id == zone; });
  });
  if (here != groups.end()) {
    const std::ptrdiff_t from = here - groups.begin();
    const std::ptrdiff_t last = static_cast<std::ptrdiff_t>(groups.size()) - 1;
    const std::ptrdiff_t to = std::clamp<std::ptrdiff_t>(from + by, 0, last);
    Group moved = std::move(*here);
    groups.erase(here);
    groups.insert(groups.begin() + to, std::move(moved));
  }
  std::vector<std::string> ids;
  for (const Group& group : groups) {
    for (const std::size_t i : group) ids.push_back(divided.zones[i].id);
  }
  return ids;
}

std::vector<TapeMove> tapeProgram(const Divided& divided, Length tapeWidth, Graduation graduation,
                                  const std::vector<std::string>& order,
                                  const std::vector<Mask>& masks) {
  return Program(divided, tapeWidth, graduation, masks).of(order);
}

}  // namespace avrelt
