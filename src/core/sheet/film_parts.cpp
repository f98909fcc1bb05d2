// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/film_parts.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/flat_outline.h"
#include "divide/patch.h"
#include "divide/underlap.h"
#include "sheet/draft.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// The ring sector's room once round and its overlap, on the wall.
Patch onceRound(const Draft& draft) {
  constexpr int steps = 64;
  Patch room;
  room.outline = {{-draft.half, draft.low}};
  for (int i = 0; i <= steps; ++i) {
    const Length s = draft.low + draft.height() * (static_cast<double>(i) / steps);
    room.outline.push_back({draft.layout->overlapEnd(s - draft.wallLow), s});
  }
  room.outline.push_back({-draft.half, draft.high});
  return room;
}

/// What hangs over the base edge, wherever film reaches it.
Region hangingOver(const Region& film, Length low) {
  constexpr Length foot = Length::mm(0.01);
  Region hanging = film;
  const Region atBase = film & Region::band(Length(), foot);
  for (const WallLine& outline : atBase.outlines()) {
    Angle from = Angle::turn();
    Angle to = -Angle::turn();
    for (const WallPoint& p : outline) {
      if (p.s > foot / 2) continue;
      from = std::min(from, p.theta);
      to = std::max(to, p.theta);
    }
    if (from < to) hanging = hanging | Region::between(from, to, low, foot);
  }
  return hanging;
}

/// Something of a shape on the wall that is cut from film or paper.
struct Sheet {
  Region region;
  std::string id;  ///< of its parts, before their numbers
  Part like;       ///< what all its parts are
  Sentence name;
  std::size_t nameIsLong = 0;       ///< about so many letters
  const Zone* trimmed = nullptr;    ///< whose lines are drawn on it, to be trimmed along
  std::optional<PictureLie> lie{};  ///< of the picture that is printed on it
};

/// Brings one onto the wall.
class SheetFilm {
 public:
  SheetFilm(const Sheet& sheet, const FilmWork& work)
      : sheet_(sheet), work_(work), region_(sheet.region) {}

  std::vector<Part> operator()() {
    if (region_.empty()) return {};
    const Body& body = work_.wall.body;
    const Length low = region_.lowest();
    const Length high = region_.highest();
    const Length onWall = std::max(low, Length());
    const Layings layings = layingsOf(body, onWall, high, work_.layout.overlap(), work_.film);
    LayingKind kind = work_.laying.value_or(layings.recommended);
    // A straight sheet would not keep to the zone's edges.
    const bool runsOff = kind == LayingKind::sheet && !work_.wall.flat.isCylinder();
    if (runsOff || !layings.of(kind).possible) kind = layings.recommended;
    const Laying& laying = layings.of(kind);
    if (kind == LayingKind::gores) {
      const Gore gore(body, low, high, laying.gores);
      for (int i = 0; i < laying.gores; ++i) {
        // Join n is to the left of gore n; the seam is join 1.
        joins_ = {.left = i + 1, .right = (i + 1) % laying.gores + 1};
        addGore(onGore(gore, work_.layout.seamAt(), i), i);
      }
    } else if (kind == LayingKind::bands) {
      const auto count = static_cast<long>(laying.rings.size());
      for (std::size_t i = laying.rings.size(); i-- > 0;) {
        // Joins are counted from the rim down.
        const long number = count - static_cast<long>(i);
        joins_ = {.above = number - 1, .below = i > 0 ? number : 0};
        addRing(onRingOf(laying.rings[i]));
      }
    } else if (body.isCone()) {
      Draft draft = onRing(work_.layout, Length());
      draft.low = low;
      draft.high = high;
      addRing(draft);
    } else {
      slits_ = laying.slits;
      addRing(onRingOf(laying.rings.front()));
    }
    for (std::size_t i = 0; i < parts_.size(); ++i) {
      parts_[i].id = sheet_.id;
      if (parts_.size() > 1) parts_[i].id += "-" + std::to_string(i + 1);
    }
    return std::move(parts_);
  }

 private:
  Draft onRingOf(const RingFit& fit) const {
    // The lowest of them hangs over with the film.
    const bool lowest = Length::mm(fit.low) < Length::mm(1e-6);
    const Length overhang = lowest ? std::max(-region_.lowest(), Length()) : Length();
    Draft draft = onFit(fit, work_.layout.overlap(), work_.layout.seamAt(), overhang);
    draft.low = Length::mm(fit.low) - overhang;
    draft.high = Length::mm(fit.high);
    return draft;
  }

  void addRing(const Draft& draft) {
    const Region here = region_ & Region::band(draft.low, draft.high);
    if (here.empty()) return;
    const std::vector<Patch> patches =
        closesRound(here) ? within(onceRound(draft), here) : patchesOf(here);
    for (const Patch& patch : patches) add(draft, patch, Angle());
  }

  void addGore(const Draft& draft, int index) {
    const Angle middle = -Angle::halfTurn() + draft.half * (2.0 * index + 1);
    Patch room;
    room.outline = {{middle - draft.half, draft.low},
                    {middle + draft.half, draft.low},
                    {middle + draft.half, draft.high},
                    {middle - draft.half, draft.high}};
    for (const Patch& patch : within(room, region_)) add(draft, patch, middle);
  }

  void add(const Draft& from, const Patch& patch, Angle middle) {
    Draft draft = from;
    const auto [left, right] = spanOf(patch);
    Part part = sheet_.like;
    part.outline = draft.edge(patch.outline, middle);
    for (const WallLine& opening : patch.openings) {
      part.holes.push_back(draft.edge(opening, middle));
    }
    draft.part = std::move(part);
    if (sheet_.lie) printOn(draft, *sheet_.lie, left, right, middle);
    // Gores fold as they are.
    if (draft.layout) snip(draft, work_.wall.body, -draft.low, left, right);
    for (const SlitRow& row : slits_) slit(draft, row, left, right);
    // The seam where the overlap begins.
    if (right - left > Angle::turn() + Angle::degrees(1e-4)) {
      draft.part.guides.push_back(
          {GuideKind::seam, draft.upright(Angle::halfTurn(), draft.low, draft.high)});
    }
    if (sheet_.trimmed != nullptr) drawTrims(draft, patch, middle);
    drawFeatures(draft, patch, middle);
    drawDirections(draft, patch, middle);
    numberJoins(draft, patch, middle);
    letter(draft, patch, middle);
    parts_.push_back(std::move(draft.part));
  }

  /// The zone's lines, to be trimmed along once the film is laid.
  void drawTrims(Draft& draft, const Patch& patch, Angle middle) const {
    const Region inPatch = regionOf(patch);
    const auto [left, right] = spanOf(patch);
    for (const EdgeLine& edge : edgeLinesOf(*sheet_.trimmed, work_.divided)) {
      if (edgeRule(sheet_.trimmed->finish, *edge.line).edge != FilmEdge::trim) continue;
      for (const WallLine& stretch : edge.line->stretches) {
        for (const WallLine& line : inPatch.stretchesOf(stretch)) {
          const Angle at = (line[line.size() / 2].theta + line[(line.size() - 1) / 2].theta) / 2;
          // Where the patch carries it to; twice where it lies in the overlap too.
          for (const int turns : {-1, 0, 1}) {
            const Angle by = Angle::turn() * turns;
            if (at + by < left || at + by > right) continue;
            WallLine carried = line;
            for (WallPoint& p : carried) p.theta = std::clamp(p.theta + by, left, right);
            draft.part.guides.push_back({GuideKind::trim, draft.edge(carried, middle, false)});
          }
        }
      }
    }
  }

  /// The number of a join at an edge of the patch, where it lies on that edge.
  void numberJoins(Draft& draft, const Patch& patch, Angle middle) const {
    constexpr Length hair = Length::mm(0.05);
    const auto [left, right] = spanOf(patch);
    const Length inset = std::min(draft.height() * 0.12, Length::mm(5));
    for (const double share : {0.2, 0.4, 0.6, 0.8}) {
      const Angle at = left + (right - left) * share;
      if (joins_.above > 0 && contains(patch, {at, draft.high - hair})) {
        numberJoin(draft, at - middle, draft.high - inset, joins_.above);
      }
      if (joins_.below > 0 && contains(patch, {at, draft.low + hair})) {
        numberJoin(draft, at - middle, draft.low + inset, joins_.below);
      }
    }
    const Angle edge = draft.half * 0.995;
    for (const double share : {0.35, 0.65}) {
      const Length at = draft.low + draft.height() * share;
      if (joins_.left > 0 && contains(patch, {middle - edge, at})) {
        numberJoin(draft, draft.half * -0.72, at, joins_.left);
      }
      if (joins_.right > 0 && contains(patch, {middle + edge, at})) {
        numberJoin(draft, draft.half * 0.72, at, joins_.right);
      }
    }
  }

  /// Ticks at both ends of every stretch of it that lies in one of the four directions, to line it
  /// up by.
  void drawDirections(Draft& draft, const Patch& patch, Angle middle) const {
    const auto [left, right] = spanOf(patch);
    const Region inPatch = regionOf(patch);
    for (const RoundMark& mark : roundMarks()) {
      if (onSeam(work_.layout, mark.onCup)) continue;
      const Angle at = work_.wall.inFrame(mark.onCup);
      for (const WallLine& line : inPatch.stretchesOf({{at, draft.low}, {at, draft.high}})) {
        const Length low = line.front().s;
        const Length high = line.back().s;
        const Length tick = (high - low) * (mark.kind == GuideKind::front ? 0.16 : 0.08);
        if (tick < Length::mm(0.5)) continue;
        // Where the patch carries it to; twice where it lies in the overlap too.
        for (const int turns : {-1, 0, 1}) {
          const Angle here = at + Angle::turn() * turns;
          if (here < left || here > right) continue;
          for (const auto& [from, to] :
               {std::pair{low, low + tick}, std::pair{high - tick, high}}) {
            draft.part.guides.push_back(
                {mark.kind, draft.edge({{here, from}, {here, to}}, middle, false)});
          }
        }
      }
    }
  }

  /// What of a handle or a logo lies on it, to be kept clear of.
  void drawFeatures(Draft& draft, const Patch& patch, Angle middle) const {
    for (const Feature& feature : work_.features) {
      if (!coversWall(feature.kind)) continue;
      const Length low = std::max(feature.low.length, Length());
      const Length high = std::min(feature.high.length, work_.wall.body.wall());
      if (low >= high) continue;
      const Angle at = work_.wall.inFrame(feature.at);
      const Region covered =
          feature.kind == FeatureKind::footLip
              ? Region::band(Length(), high)
              : Region::between(at - feature.wide / 2, at + feature.wide / 2, low, high);
      for (const Patch& part : within(patch, covered)) {
        draft.part.guides.push_back({GuideKind::keepClear, draft.edge(part.outline, middle)});
      }
    }
  }

  /// Which zone of which cup it is for, which way is up, and for which cup it is cut.
  void letter(Draft& draft, const Patch& patch, Angle middle) const {
    const WallPoint place = middleOf(patch);
    const Box box = draft.part.bounds();
    const double room =
        std::min(box.width(), draft.part.area().mm2() / std::max(box.height(), 1.0));
    const Point at = draft.place(place.theta - middle, place.s);
    const Angle turn = draft.turnAt(place.theta - middle, place.s);
    const Point up = Point{-std::sin(turn.radians()), std::cos(turn.radians())};
    const double tall = box.height();
    if (tall > 14) {
      const double long_ = std::min(tall * 0.18, 12.0);
      const Point along = turnedLeft(up) * -1.0;
      Path arrow{at + up * (tall * 0.06), {}};
      const Point tip = arrow.start + up * long_;
      arrow.lineTo(tip);
      arrow.lineTo(tip - up * (long_ * 0.3) + along * (long_ * 0.2));
      arrow.lineTo(tip);
      arrow.lineTo(tip - up * (long_ * 0.3) - along * (long_ * 0.2));
      draft.part.guides.push_back({GuideKind::graduation, std::move(arrow)});
    }
    const auto write = [&](double below, std::size_t letters, Length tallest, Sentence words) {
      const Length size =
          letterHeight(letters, Length::mm(room * 0.8), std::min(tallest, Length::mm(tall * 0.1)));
      if (size == Length()) return;
      draft.part.letterings.push_back({at - up * below, size, turn, std::move(words)});
    };
    write(0, sheet_.nameIsLong, Length::mm(4.5), sheet_.name);
    write(std::min(tall * 0.12, 6.0), 40, Length::mm(2.8), work_.stage);
  }

  const Sheet& sheet_;
  const FilmWork& work_;
  Region region_;
  /// The numbers of the joins at its edges; 0 where there is none.
  struct Joins {
    long above = 0;
    long below = 0;
    long left = 0;
    long right = 0;
  };
  Joins joins_;
  std::vector<SlitRow> slits_;
  std::vector<Part> parts_;
};

}  // namespace

Region filmOf(const Zone& zone, const FilmWork& work) {
  const Region grown = grownOver(zone, work.divided, work.wall.body, [&](const DivideLine& line) {
    const EdgeRule rule = edgeRule(zone.finish, line);
    if (rule.edge == FilmEdge::exact) return Length();
    if (rule.edge != FilmEdge::stripes) return rule.by;
    Length widest;
    for (const StripePlan& stripe : work.stripes) {
      if (stripe.line == line.id) widest = std::max(widest, stripe.width);
    }
    return widest / 2;
  });
  const Region film =
      (grown & Region::band(std::max(work.layout.low(), Length()), work.layout.high())) -
      work.taken;
  return work.layout.low() < Length() ? hangingOver(film, work.layout.low()) : film;
}

std::vector<Part> filmParts(const Zone& zone, const FilmWork& work, bool paper) {
  Sheet sheet;
  sheet.region = filmOf(zone, work);
  sheet.id = (paper ? "test-" : "film-") + zone.letter;
  sheet.like.kind = paper ? PartKind::paper : PartKind::film;
  sheet.like.material = paper ? PartMaterial::paper : materialOf(zone.finish);
  sheet.like.of = {zone.id};
  sheet.like.zones = {zone.letter};
  sheet.like.mayTurn = sheet.like.material == PartMaterial::printed ? MayTurn::no : MayTurn::any;
  sheet.name = paper ? Sentence{"%1, zone %2, paper", {work.cupName, zone.letter}}
                     : Sentence{"%1, zone %2", {work.cupName, zone.letter}};
  sheet.nameIsLong = work.cupName.size() + 16;
  sheet.trimmed = &zone;
  if (!paper) sheet.lie = lieOf(zone.finish, work.wall, zone.region);
  return SheetFilm(sheet, work)();
}

std::vector<Part> filmParts(const FilmWork& work, bool paper) {
  std::vector<Part> parts;
  for (const Zone& zone : work.divided.zones) {
    if (zone.finish.kind != FinishKind::film) continue;
    for (Part& part : filmParts(zone, work, paper)) parts.push_back(std::move(part));
  }
  return parts;
}

std::optional<Part> patchPart(const Zone& zone) {
  const Finish& finish = zone.finish;
  if (finish.kind != FinishKind::film || finish.patch == PatchShape::none) return std::nullopt;
  const Length across = finish.patchAcross.length;
  if (across < leastPatch || across > mostPatch) return std::nullopt;
  Part part;
  part.id = "patch-" + zone.letter;
  part.kind = PartKind::film;
  part.material = materialOf(finish);
  part.of = {zone.id};
  part.zones = {zone.letter};
  part.mayTurn = part.material == PartMaterial::printed ? MayTurn::no : MayTurn::any;
  const double r = across.mm() / 2;
  if (finish.patch == PatchShape::disc) {
    part.outline = {{r, 0}, {{{-r, 0}, 1}, {{r, 0}, 1}}};
  } else {
    // Lines from the tip, two radii from the middle, touch the circle 30° above it on both sides;
    // below them it goes on in two arcs of 120°.
    const double third = std::tan(pi / 6);
    const Point right{r * std::cos(pi / 6), r / 2};
    const Point left{-right.x, right.y};
    part.outline = {{0, 2 * r}, {{left, 0}, {{0, -r}, third}, {right, third}, {{0, 2 * r}, 0}}};
  }
  if (finish.picture.picture && faultsOf(finish.picture).empty()) {
    // Some of the middle of the picture, as large as it is on the zone where its width is its own.
    const double reach = 2 * r + printedBeyond.mm();
    const double wide = finish.picture.wide.length.mm();
    PartPrint& print = part.print.emplace();
    print.picture = finish.picture.picture;
    print.mesh.across = 2;
    print.mesh.everyWide = print.mesh.everyTall = 1;
    for (const Point at :
         {Point{-reach, -reach}, {reach, -reach}, {-reach, reach}, {reach, reach}}) {
      print.mesh.nodes.push_back(
          {at, {0.5 + at.x / wide, 0.5 + at.y / wide * print.picture->proportion()}});
    }
  }
  const Length tall = letterHeight(8, Length::mm(r * 1.6), Length::mm(2.5));
  if (tall > Length()) {
    part.letterings.push_back({{0, 0}, tall, Angle(), {"zone %1", {zone.letter}}});
  }
  return part;
}

Region maskOf(const Mask& mask, const Divided& divided, const Body& body) {
  Region zones;
  for (const Zone& zone : divided.zones) {
    if (std::find(mask.zones.begin(), mask.zones.end(), zone.id) == mask.zones.end()) continue;
    zones = zones | zone.region;
  }
  if (mask.kind == MaskKind::cover || zones.empty()) return zones;
  Region round;
  for (const Patch& patch : patchesOf(zones)) {
    round = round | regionOf(drawnOut(patch, mask.margin.length, body));
  }
  return (round & Region::band(Length(), body.wall())) - zones;
}

std::vector<Part> maskParts(const Mask& mask, const FilmWork& work) {
  Sheet sheet;
  sheet.region = maskOf(mask, work.divided, work.wall.body);
  std::string letters;
  for (const Zone& zone : work.divided.zones) {
    if (std::find(mask.zones.begin(), mask.zones.end(), zone.id) == mask.zones.end()) continue;
    sheet.like.zones.push_back(zone.letter);
    letters += (letters.empty() ? "" : ", ") + zone.letter;
  }
  const bool cover = mask.kind == MaskKind::cover;
  sheet.id = cover ? "cover-" : "window-";
  for (const std::string& letter : sheet.like.zones) sheet.id += letter;
  sheet.like.kind = mask.paper ? PartKind::paper : PartKind::stencil;
  sheet.like.material = mask.paper ? PartMaterial::paper : PartMaterial::removable;
  sheet.like.of = {mask.id};
  sheet.name = cover ? Sentence{"%1, cover of %2", {work.cupName, letters}}
                     : Sentence{"%1, window to %2", {work.cupName, letters}};
  sheet.nameIsLong = work.cupName.size() + 12 + letters.size();
  return SheetFilm(sheet, work)();
}

}  // namespace avrelt
