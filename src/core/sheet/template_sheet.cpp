// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/template_sheet.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/flat_outline.h"
#include "divide/wall_line.h"
#include "shape/polygon.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

/// What brings a patch into a zone as it is rolled out from this direction on.
Angle carriedInto(const Patch& patch, Angle from) {
  const auto [left, right] = spanOf(patch);
  const double middle = (left + right).radians() / 2;
  return Angle::turn() * std::ceil((from.radians() - middle) / (2 * std::numbers::pi));
}

Patch carried(Patch patch, Angle by) {
  for (WallPoint& p : patch.outline) p.theta = p.theta + by;
  for (WallLine& opening : patch.openings) {
    for (WallPoint& p : opening) p.theta = p.theta + by;
  }
  return patch;
}

/// Where words of this height stand, with a little room round them.
Box roomOf(const Lettering& lettering, std::size_t characters) {
  const double tall = lettering.height.mm();
  const double wide = tall * 0.66 * static_cast<double>(characters);
  const Point half{wide / 2 + tall * 0.25, tall * 0.75};
  return {lettering.at - half, lettering.at + half};
}

}  // namespace

Path closedPath(const std::vector<Point>& points) {
  Path path{points.front(), {}};
  for (std::size_t i = 1; i < points.size(); ++i) path.lineTo(points[i]);
  path.lineTo(path.start);
  return path;
}

Path sheetRound(const Box& box, double around, double below) {
  const Box sheet{{box.low.x - around, box.low.y - below},
                  {box.high.x + around, box.high.y + around}};
  return closedPath(
      {sheet.low, {sheet.high.x, sheet.low.y}, sheet.high, {sheet.low.x, sheet.high.y}});
}

TemplateSheet::TemplateSheet(const FillWork& work, const Development& flat)
    : work_(work), flat_(&flat), place_([&flat](const WallPoint& p) { return flat.toFlat(p); }) {
  const Region& region = work.zone.region;
  const bool all = region.allRound();
  const Angle from = region.span().first;
  for (const Patch& patch : patchesOf(region)) {
    for (WallLine& line : carried(patch, all ? Angle() : carriedInto(patch, from)).lines()) {
      edge_.push_back(std::move(line));
    }
  }
  for (std::size_t i = 0; i < work.plan.cells.size(); ++i) {
    const Cell& cell = work.plan.cells[i];
    Placed placed{i, {}, {}};
    if (!all) {
      placed.spots.push_back(carried(cell.drawn, carriedInto(cell.drawn, from)));
      placed.lines = placed.spots.front().lines();
    } else {
      placed.lines = cell.region.outlines();
      if (!cell.onSeam) placed.spots.push_back(cell.drawn);
      for (const WallLine& line : placed.lines) {
        if (cell.onSeam && turnOf(line) > 0) placed.spots.push_back({line, {}});
      }
    }
    cells_.push_back(std::move(placed));
  }
}

TemplateSheet::TemplateSheet(const FillWork& work, std::size_t number)
    : work_(work), strip_(number + 1) {
  const FillStrip& strip = work.plan.strips.strips[number];
  if (strip.kind == LayingKind::gores) {
    const Gore gore(work.wall.body, strip.low, strip.high, 3);
    place_ = [gore, middle = strip.middle](const WallPoint& p) {
      return gore.toFlat(p.theta - middle, p.s);
    };
  } else {
    place_ = [cone = strip.ring.cone(), low = Length::mm(strip.ring.low)](const WallPoint& p) {
      return cone.toFlat({p.theta, p.s - low});
    };
  }
  edge_ = stripEdge(strip, work.plan.cells, work.zone);
  for (std::size_t i = 0; i < strip.cells.size(); ++i) {
    const Patch patch =
        carried(work.plan.cells[strip.cells[i]].drawn, Angle::turn() * strip.turns[i]);
    cells_.push_back({strip.cells[i], patch.lines(), {patch}});
  }
}

std::vector<TemplateSheet> sheetsOf(const FillWork& work) {
  std::vector<TemplateSheet> sheets;
  for (std::size_t i = 0; i < work.plan.strips.strips.size(); ++i) sheets.emplace_back(work, i);
  if (sheets.empty()) sheets.emplace_back(work, work.wall.flat);
  return sheets;
}

std::vector<Point> TemplateSheet::drawn(const WallLine& line) const {
  if (flat_ != nullptr) return inFlat(line, true, *flat_, curveTolerance);
  const Path path = onPart(line, place_);
  std::vector<Point> points{path.start};
  for (const Stretch& stretch : path.stretches) points.push_back(stretch.end);
  points.pop_back();
  return points;
}

std::vector<std::vector<Point>> TemplateSheet::outlines(std::size_t i) const {
  std::vector<std::vector<Point>> outlines;
  for (const WallLine& line : cells_[i].lines) outlines.push_back(drawn(line));
  return outlines;
}

Part TemplateSheet::part(PartKind kind, PartMaterial material, const std::string& id) const {
  Part part;
  part.kind = kind;
  part.material = material;
  part.of = {work_.plan.id, work_.plan.zone};
  part.zones = {work_.plan.letter};
  part.id = id + "-" + work_.zone.letter;
  if (strip_ > 0) part.id += "-" + std::to_string(strip_);
  std::vector<std::vector<Point>> edges;
  for (const WallLine& line : edge_) edges.push_back(drawn(line));
  const auto parts = std::count_if(edges.begin(), edges.end(),
                                   [](const auto& edge) { return signedArea(edge) > 0; });
  Box box;
  for (const std::vector<Point>& edge : edges) {
    for (const Point& p : edge) box.add(p);
    if (signedArea(edge) < 0) {
      part.holes.push_back(closedPath(edge));
    } else if (parts > 1) {
      part.slits.push_back(closedPath(edge));
    } else {
      part.outline = closedPath(edge);
    }
  }
  if (parts > 1) part.outline = sheetRound(box, 3, 3);
  if (strip_ > 0) numberJoins(part);
  return part;
}

/// The number of each join, on both parts that meet there, a little inside the edge.
void TemplateSheet::numberJoins(Part& part) const {
  const std::vector<FillStrip>& strips = work_.plan.strips.strips;
  const FillStrip& strip = strips[strip_ - 1];
  const bool gore = strip.kind == LayingKind::gores;
  constexpr double inside = 3;
  const auto write = [&](const WallPoint& at, std::size_t number) {
    part.letterings.push_back(
        {place_(at), Length::mm(2.5), Angle(), {"%1", {static_cast<long>(number)}}});
  };
  // Where a line across the strip, in its middle or near it, meets its edge first and last.
  double least = HUGE_VAL;
  double most = -HUGE_VAL;
  Angle middle = gore ? strip.middle : (strip.from + strip.to) / 2;
  Length height = (strip.low + strip.high) / 2;
  const auto across = [&] {
    for (const WallLine& line : edge_) {
      for (std::size_t i = 0; i < line.size(); ++i) {
        const WallPoint& a = line[i];
        const WallPoint& b = line[(i + 1) % line.size()];
        const double before = gore ? (a.s - height).mm() : (a.theta - middle).radians();
        const double after = gore ? (b.s - height).mm() : (b.theta - middle).radians();
        if ((before < 0) == (after < 0)) continue;
        const double share = before / (before - after);
        const double at = gore ? (a.theta + (b.theta - a.theta) * share).radians()
                               : (a.s + (b.s - a.s) * share).mm();
        least = std::min(least, at);
        most = std::max(most, at);
      }
    }
  };
  for (const double share : {0.5, 0.42, 0.58, 0.3, 0.7, 0.2, 0.8, 0.1, 0.9}) {
    if (gore) height = strip.low + (strip.high - strip.low) * share;
    if (!gore) middle = strip.from + (strip.to - strip.from) * share;
    across();
    if (least < most) break;
  }
  if (least >= most) return;
  const std::size_t count = strips.size();
  if (!gore) {
    // Strips are counted from the rim down, joins too.
    if (strip_ > 1) write({middle, Length::mm(most - inside)}, strip_ - 1);
    if (strip_ < count) write({middle, Length::mm(least + inside)}, strip_);
    return;
  }
  const double radius = std::max(work_.wall.body.radius(height).mm(), 1.0);
  const bool round = work_.zone.region.allRound();
  const Angle in = Angle::radians(inside / radius);
  if (strip_ > 1 || round) {
    write({Angle::radians(least) + in, height}, strip_ > 1 ? strip_ - 1 : count);
  }
  if (strip_ < count || round) write({Angle::radians(most) - in, height}, strip_);
}

const Patch& TemplateSheet::patchOf(std::size_t i) const {
  // On the whole zone's flat it lies as it was drawn, past the seam where it crosses it.
  return flat_ != nullptr ? cell(i).drawn : cells_[i].spots.front();
}

PartPrint TemplateSheet::printOf(std::size_t i, const PictureLie& lie) const {
  const Patch& patch = patchOf(i);
  const auto [left, right] = spanOf(patch);
  const auto [low, high] =
      std::minmax_element(patch.outline.begin(), patch.outline.end(),
                          [](const WallPoint& a, const WallPoint& b) { return a.s < b.s; });
  const Angle aside = lie.angleOf(printedBeyond);
  return {lie.picture(),
          lie.over(left - aside, right + aside, low->s - printedBeyond, high->s + printedBeyond,
                   place_),
          {}};
}

PartPrint TemplateSheet::printOf(const PictureLie& lie) const {
  Angle left = Angle::turn();
  Angle right = -Angle::turn();
  Length low = Length::mm(1e7);
  Length high;
  for (const WallLine& line : edge_) {
    for (const WallPoint& p : line) {
      left = std::min(left, p.theta);
      right = std::max(right, p.theta);
      low = std::min(low, p.s);
      high = std::max(high, p.s);
    }
  }
  const Angle aside = lie.angleOf(printedBeyond);
  return {lie.picture(),
          lie.over(left - aside, right + aside, low - printedBeyond, high + printedBeyond, place_),
          {}};
}

Part TemplateSheet::whole(std::size_t i) const {
  Part part;
  const Patch& patch = patchOf(i);
  part.outline = closedPath(drawn(patch.outline));
  for (const WallLine& opening : patch.openings) part.holes.push_back(closedPath(drawn(opening)));
  return part;
}

namespace {

/// The words where there is room for them; how tall they came out.
Length written(Part& part, Point at, Length wide, Length tall, const std::string& words) {
  const Length size = letterHeight(words.size(), wide * 0.8, std::min(Length::mm(3), tall * 0.75));
  if (size > Length()) part.letterings.push_back({at, size, Angle(), {"%1", {words}}});
  return size;
}

}  // namespace

void TemplateSheet::label(Part& part, const Box& room, const std::string& words) {
  written(part, room.centre(), Length::mm(room.width() * 0.8), Length::mm(room.height()), words);
}

std::vector<Box> TemplateSheet::label(Part& part, std::size_t i, const std::string& words) const {
  std::vector<Box> rooms;
  for (const Patch& patch : cells_[i].spots) {
    double area = 0;
    for (const WallLine& line : patch.lines()) area += signedArea(drawn(line));
    double low = HUGE_VAL;
    double high = -HUGE_VAL;
    for (const WallPoint& p : patch.outline) {
      low = std::min(low, p.s.mm());
      high = std::max(high, p.s.mm());
    }
    const double spotTall = std::max(high - low, 0.1);
    const Length size = written(part, place_(middleOf(patch)), Length::mm(area / spotTall),
                                Length::mm(spotTall), words);
    if (size <= Length()) continue;
    rooms.push_back(roomOf(part.letterings.back(), words.size()));
  }
  return rooms;
}

}  // namespace avrelt
