// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/fill_parts.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>

#include "divide/flat_outline.h"
#include "divide/wall_line.h"
#include "shape/polygon.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

Path closed(const std::vector<Point>& points) {
  Path path{points.front(), {}};
  for (std::size_t i = 1; i < points.size(); ++i) path.lineTo(points[i]);
  path.lineTo(path.start);
  return path;
}

const Zone& zoneOf(const FillPlan& plan, const Divided& divided) {
  return *std::find_if(divided.zones.begin(), divided.zones.end(),
                       [&](const Zone& zone) { return zone.id == plan.zone; });
}

/// A zone rolled out, and what lies in it where it lies: a zone across the seam is carried on past
/// it, and one that goes all round is cut there with everything in it.
class Sheet {
 public:
  Sheet(const Zone& zone, const Development& flat)
      : zone_(zone), flat_(flat), all_(zone.region.allRound()), from_(zone.region.span().first) {}

  /// The zone's own edge.
  std::vector<std::vector<Point>> edge() const {
    std::vector<std::vector<Point>> outlines;
    for (const Patch& patch : patchesOf(zone_.region)) add(outlines, patch);
    return outlines;
  }
  /// A cell's outline and openings; where the seam cuts it, of its parts.
  std::vector<std::vector<Point>> outlines(const Cell& cell) const {
    std::vector<std::vector<Point>> outlines;
    if (all_) {
      for (const WallLine& line : cell.region.outlines()) {
        outlines.push_back(inFlat(line, true, flat_, curveTolerance));
      }
    } else {
      add(outlines, cell.drawn);
    }
    return outlines;
  }
  /// Where a cell's label stands, and how much room it has across and up: in its middle, or in each
  /// part where the seam cuts it.
  struct Spot {
    Point at;
    double across = 0;
    double tall = 0;
  };
  std::vector<Spot> spots(const Cell& cell) const {
    const auto spot = [this](const Patch& patch) {
      double area = 0;
      std::vector<std::vector<Point>> lines;
      add(lines, patch);
      for (const std::vector<Point>& outline : lines) area += signedArea(outline);
      const Region part({patch.outline});
      const double tall = std::max((part.highest() - part.lowest()).mm(), 0.1);
      WallPoint at = middleOf(patch);
      at.theta = at.theta + carriedBy(patch);
      return Spot{flat_.toFlat(at), area / tall, tall};
    };
    if (!all_ || !cell.onSeam) return {spot(cell.drawn)};
    std::vector<Spot> spots;
    for (const WallLine& line : cell.region.outlines()) {
      if (turnOf(line) > 0) spots.push_back(spot({line, {}}));
    }
    return spots;
  }

  /// The zone's edge to be cut. Where it is in several parts, the part is the sheet round them.
  Part part(PartKind kind, PartMaterial material, const FillPlan& plan,
            const std::string& id) const {
    Part part;
    part.kind = kind;
    part.material = material;
    part.of = {plan.id, plan.zone};
    part.zones = {plan.letter};
    part.id = id + "-" + zone_.letter;
    const std::vector<std::vector<Point>> edges = edge();
    const auto parts = std::count_if(edges.begin(), edges.end(),
                                     [](const auto& edge) { return signedArea(edge) > 0; });
    Box box;
    for (const std::vector<Point>& edge : edges) {
      for (const Point& p : edge) box.add(p);
      if (signedArea(edge) < 0) {
        part.holes.push_back(closed(edge));
      } else if (parts > 1) {
        part.slits.push_back(closed(edge));
      } else {
        part.outline = closed(edge);
      }
    }
    if (parts > 1) part.outline = sheetRound(box, 3, 3);
    return part;
  }

  static Path sheetRound(const Box& box, double around, double below) {
    const Box sheet{{box.low.x - around, box.low.y - below},
                    {box.high.x + around, box.high.y + around}};
    return closed(
        {sheet.low, {sheet.high.x, sheet.low.y}, sheet.high, {sheet.low.x, sheet.high.y}});
  }

 private:
  /// What brings a patch into the zone as it is rolled out.
  Angle carriedBy(const Patch& patch) const {
    if (all_) return {};
    const auto [from, to] = spanOf(patch);
    const double middle = (from + to).radians() / 2;
    return Angle::turn() * std::ceil((from_.radians() - middle) / (2 * std::numbers::pi));
  }
  void add(std::vector<std::vector<Point>>& outlines, const Patch& patch) const {
    const Angle by = carriedBy(patch);
    for (WallLine line : patch.lines()) {
      for (WallPoint& p : line) p.theta = p.theta + by;
      outlines.push_back(inFlat(line, true, flat_, curveTolerance));
    }
  }

  const Zone& zone_;
  const Development& flat_;
  bool all_;
  Angle from_;
};

/// Where words of this height stand, with a little room round them.
Box roomOf(const Lettering& lettering, std::size_t characters) {
  const double tall = lettering.height.mm();
  const double wide = tall * 0.66 * static_cast<double>(characters);
  const Point half{wide / 2 + tall * 0.25, tall * 0.75};
  return {lettering.at - half, lettering.at + half};
}

/// The words in every spot that has room, and that room.
std::vector<Box> label(Part& part, const std::vector<Sheet::Spot>& spots,
                       const std::string& words) {
  std::vector<Box> rooms;
  for (const Sheet::Spot& spot : spots) {
    const Length tallest = std::min(Length::mm(3), Length::mm(spot.tall * 0.75));
    const Length tall = letterHeight(words.size(), Length::mm(spot.across * 0.8), tallest);
    if (tall <= Length()) continue;
    part.letterings.push_back({spot.at, tall, Angle(), {"%1", {words}}});
    rooms.push_back(roomOf(part.letterings.back(), words.size()));
  }
  return rooms;
}

/// What of the stretch from one place to another along a line lies in a box, as shares of it.
std::pair<double, double> within(const Box& box, Point from, Point to) {
  double enters = 0;
  double leaves = 1;
  const Point along = to - from;
  for (const auto& [start, step, low, high] :
       {std::array{from.x, along.x, box.low.x, box.high.x},
        std::array{from.y, along.y, box.low.y, box.high.y}}) {
    if (std::abs(step) < 1e-12) {
      if (start < low || start > high) return {1, 0};
      continue;
    }
    const double one = (low - start) / step;
    const double other = (high - start) / step;
    enters = std::max(enters, std::min(one, other));
    leaves = std::min(leaves, std::max(one, other));
  }
  return {enters, leaves};
}

/// Lines across a cell, of a slope and a distance that tell its colour, that leave its label free.
void hatch(Part& part, const std::vector<std::vector<Point>>& outlines, int colour,
           const std::vector<Box>& free) {
  if (colour == 0) return;  // plain
  static constexpr double slopes[] = {45, -45, 0, 90};
  const double apart = 2.2 + 1.4 * ((colour - 1) / 4 % 3);
  const double slope = slopes[(colour - 1) % 4] / 180 * M_PI;
  const Point along{std::cos(slope), std::sin(slope)};
  const Point across = turnedLeft(along);
  double least = HUGE_VAL;
  double most = -HUGE_VAL;
  for (const std::vector<Point>& outline : outlines) {
    for (const Point& p : outline) {
      least = std::min(least, dot(p, across));
      most = std::max(most, dot(p, across));
    }
  }
  const auto draw = [&part](Point from, Point to) {
    if (norm(to - from) < 0.2) return;
    Path line{from, {}};
    line.lineTo(to);
    part.guides.push_back({GuideKind::graduation, std::move(line)});
  };
  for (double at = std::ceil(least / apart) * apart; at < most; at += apart) {
    std::vector<double> cuts;
    for (const std::vector<Point>& outline : outlines) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point& a = outline[i];
        const Point& b = outline[(i + 1) % outline.size()];
        const double offA = dot(a, across) - at;
        const double offB = dot(b, across) - at;
        if ((offA < 0) == (offB < 0)) continue;
        cuts.push_back(dot(a + (b - a) * (offA / (offA - offB)), along));
      }
    }
    std::sort(cuts.begin(), cuts.end());
    for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
      const Point to = across * at + along * cuts[i + 1];
      Point from = across * at + along * cuts[i];
      // Labels of one cell stand apart: they are met from one end to the other.
      std::vector<std::pair<double, double>> gaps;
      for (const Box& box : free) {
        const auto [enters, leaves] = within(box, from, to);
        if (enters < leaves) gaps.emplace_back(enters, leaves);
      }
      std::sort(gaps.begin(), gaps.end());
      const Point start = from;
      for (const auto& [enters, leaves] : gaps) {
        draw(from, start + (to - start) * enters);
        from = start + (to - start) * leaves;
      }
      draw(from, to);
    }
  }
}

/// A colour so pale that lines and letters on it stay clear in print: a quarter of it on white.
std::string paleOf(const std::string& colour) {
  if (colour.size() != 7 || colour[0] != '#') return "#F2F2F2";
  static constexpr const char* digits = "0123456789ABCDEF";
  std::string pale = "#";
  for (std::size_t i = 1; i < 7; i += 2) {
    int value = 0;
    const char* const end = colour.data() + i + 2;
    if (std::from_chars(colour.data() + i, end, value, 16).ptr != end) return "#F2F2F2";
    const int mixed = 255 - (255 - value) / 4;
    pale += digits[mixed / 16];
    pale += digits[mixed % 16];
  }
  return pale;
}

/// A zone's template: its edge and every cell cut, the labels drawn.
Part templateOf(const FillPlan& plan, const Sheet& sheet, PartKind kind, PartMaterial material,
                const char* id) {
  Part part = sheet.part(kind, material, plan, id);
  for (const Cell& cell : plan.cells) {
    for (std::vector<Point>& outline : sheet.outlines(cell)) {
      std::reverse(outline.begin(), outline.end());  // as a hole runs
      part.slits.push_back(closed(outline));
    }
    label(part, sheet.spots(cell), cell.label);
  }
  return part;
}

/// What is left of a zone when all its cells are weeded. Where lines end at the zone's edge and the
/// part would fall apart, it still is cut as one and laid by its transfer tape.
Part lineWork(const FillPlan& plan, const Sheet& sheet) {
  Part part = sheet.part(PartKind::film, PartMaterial::permanent, plan, "line-work");
  for (const Cell& cell : plan.cells) {
    for (std::vector<Point>& outline : sheet.outlines(cell)) {
      std::reverse(outline.begin(), outline.end());
      part.holes.push_back(closed(outline));
    }
  }
  return part;
}

bool isFilm(const Cell& cell, const Fill& fill) {
  return fill.colours[static_cast<std::size_t>(cell.colour)].finish.kind == FinishKind::film;
}

bool hasFilm(const FillPlan& plan, const std::vector<Fill>& fills) {
  const Fill& fill = fills[static_cast<std::size_t>(plan.fill)];
  return std::any_of(plan.cells.begin(), plan.cells.end(),
                     [&](const Cell& cell) { return isFilm(cell, fill); });
}

Path scaled(Path path, double by) {
  path.start = path.start * by;
  for (Stretch& stretch : path.stretches) stretch.end = stretch.end * by;
  return path;
}

}  // namespace

std::string colourLetter(int colour) {
  return std::string(1, static_cast<char>('a' + colour % 26));
}

std::vector<Part> stencilParts(const std::vector<FillPlan>& plans, const Divided& divided,
                               const Development& flat) {
  std::vector<Part> parts;
  for (const FillPlan& plan : plans) {
    const Sheet sheet(zoneOf(plan, divided), flat);
    parts.push_back(templateOf(plan, sheet, PartKind::stencil, PartMaterial::stencil, "stencil"));
  }
  return parts;
}

std::vector<Part> furtherTemplates(Template which, const std::vector<FillPlan>& plans,
                                   const std::vector<Fill>& fills, const Divided& divided,
                                   const Wall& wall) {
  std::vector<Part> parts;
  for (const FillPlan& plan : plans) {
    const FillCutting& cutting = fills[static_cast<std::size_t>(plan.fill)].cutting;
    const Zone& zone = zoneOf(plan, divided);
    const Sheet sheet(zone, wall.flat);
    switch (which) {
      case Template::straight:
        if (cutting.straight && !wall.flat.isCylinder()) {
          const Length middle = (zone.region.lowest() + zone.region.highest()) / 2;
          const Development upright =
              Development::cone(wall.body.radius(middle), 0, wall.body.wall());
          parts.push_back(templateOf(plan, Sheet(zone, upright), PartKind::stencil,
                                     PartMaterial::stencil, "straight-stencil"));
        }
        break;
      case Template::film:
        if (cutting.filmWhole && hasFilm(plan, fills)) {
          parts.push_back(
              templateOf(plan, sheet, PartKind::film, PartMaterial::printed, "film-template"));
          parts.back().mayTurn = MayTurn::no;
        }
        break;
      case Template::doubleSided:
        if (cutting.doubleSided) {
          parts.push_back(
              templateOf(plan, sheet, PartKind::film, PartMaterial::doubleSided, "double-sided"));
        }
        break;
      case Template::lines:
        if (cutting.lines == LineWork::piece) parts.push_back(lineWork(plan, sheet));
        break;
    }
  }
  return parts;
}

std::vector<Part> keyParts(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                           const Divided& divided, const Development& flat,
                           const std::string& cupName) {
  std::vector<Part> parts;
  for (const FillPlan& plan : plans) {
    const Sheet sheet(zoneOf(plan, divided), flat);
    const std::vector<CellColour>& all = fills[static_cast<std::size_t>(plan.fill)].colours;
    Part part = sheet.part(PartKind::paper, PartMaterial::paper, plan, "key");
    // Nothing of the zone is cut: the sheet is a little larger, with the colours' names below.
    const Box box = part.bounds();
    for (std::vector<Path>* edges : {&part.holes, &part.slits}) {
      for (Path& edge : *edges) part.guides.push_back({GuideKind::front, std::move(edge)});
      edges->clear();
    }
    part.guides.push_back({GuideKind::front, std::move(part.outline)});
    part.outline = Sheet::sheetRound(box, 3, 9);
    for (const Cell& cell : plan.cells) {
      const std::vector<std::vector<Point>> outlines = sheet.outlines(cell);
      Tint tint;
      tint.colour = paleOf(all[static_cast<std::size_t>(cell.colour)].finish.colour);
      for (const std::vector<Point>& outline : outlines) {
        part.guides.push_back({GuideKind::seam, closed(outline)});
        tint.edges.push_back(closed(outline));
      }
      part.tints.push_back(std::move(tint));
      const std::vector<Box> free =
          label(part, sheet.spots(cell), cell.label + colourLetter(cell.colour));
      hatch(part, outlines, cell.colour, free);
    }
    std::string colours;
    for (std::size_t c = 0; c < all.size(); ++c) {
      const Finish& finish = all[c].finish;
      colours +=
          (c == 0 ? "" : ", ") + colourLetter(static_cast<int>(c)) + " " + finishWords(finish);
    }
    const Length tall =
        letterHeight(cupName.size() + colours.size() + 12, Length::mm(box.width()), Length::mm(3));
    if (tall > Length()) {
      part.letterings.push_back({{box.centre().x, box.low.y - 5},
                                 tall,
                                 Angle(),
                                 {"%1, zone %2: %3", {cupName, plan.letter, colours}}});
    }
    parts.push_back(std::move(part));
  }
  return parts;
}

std::vector<Part> pageKeys(const std::vector<Part>& keys) {
  // Room on both papers, with a margin for the printer.
  constexpr double shortSide = 190;
  constexpr double longSide = 250;
  // For a line of its own below the colours' names.
  constexpr double below = 5;
  std::vector<Part> parts;
  for (const Part& key : keys) {
    const Box box = key.bounds();
    const double shorter = std::min(box.width(), box.height());
    const double longer = std::max(box.width(), box.height());
    if (shorter <= shortSide && longer <= longSide) continue;
    const double by = std::min((shortSide - below) / shorter, (longSide - below) / longer);
    Part part = key;
    part.id = "page-" + key.id;
    part.outline = scaled(std::move(part.outline), by);
    for (Guide& guide : part.guides) guide.path = scaled(std::move(guide.path), by);
    for (Tint& tint : part.tints) {
      for (Path& edge : tint.edges) edge = scaled(std::move(edge), by);
    }
    for (Lettering& lettering : part.letterings) {
      lettering.at = lettering.at * by;
      lettering.height = lettering.height * by;
    }
    const Box over = part.bounds();
    part.outline = Sheet::sheetRound({over.low, over.high}, 0, below);
    const Box small = part.bounds();
    const Sentence words{"not true size: %1 % of it", {static_cast<long>(std::lround(by * 100))}};
    const Length tall = letterHeight(26, Length::mm(small.width() / 2), Length::mm(2.5));
    if (tall > Length()) {
      part.letterings.push_back(
          {{small.centre().x, small.low.y + below / 2}, tall, Angle(), words});
    }
    parts.push_back(std::move(part));
  }
  return parts;
}

std::vector<Part> filmCells(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                            const Development& flat) {
  std::vector<Part> parts;
  for (const FillPlan& plan : plans) {
    const Fill& fill = fills[static_cast<std::size_t>(plan.fill)];
    if (fill.cutting.filmWhole) continue;
    const auto films = std::count_if(
        fill.colours.begin(), fill.colours.end(),
        [](const CellColour& colour) { return colour.finish.kind == FinishKind::film; });
    for (const ColourNeed& need : plan.needs) {
      for (const std::size_t index : need.cells) {
        const Cell& cell = plan.cells[index];
        if (!isFilm(cell, fill)) continue;
        Part part;
        part.material = PartMaterial::printed;
        part.mayTurn = MayTurn::no;
        part.of = {plan.id, plan.zone};
        part.zones = {plan.letter};
        part.id = "cell-" + cell.label;
        part.outline = closed(inFlat(cell.drawn.outline, true, flat, curveTolerance));
        for (const WallLine& opening : cell.drawn.openings) {
          part.holes.push_back(closed(inFlat(opening, true, flat, curveTolerance)));
        }
        const Box box = part.bounds();
        // With more than one film, the film's letter tells whose it is.
        label(part, {{box.centre(), box.width() * 0.8, box.height()}},
              films > 1 ? cell.label + colourLetter(cell.colour) : cell.label);
        part.spares = fill.cutting.spares;
        parts.push_back(std::move(part));
      }
    }
  }
  return parts;
}

}  // namespace avrelt
