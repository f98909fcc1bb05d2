// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/fill_pieces.h"

#include <algorithm>
#include <cmath>

#include "divide/flat_outline.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

constexpr Length fine = Length::mm(0.02);

Path closed(const std::vector<Point>& points) {
  Path path{points.front(), {}};
  for (std::size_t i = 1; i < points.size(); ++i) path.lineTo(points[i]);
  path.lineTo(path.start);
  return path;
}

/// The outlines of a region in the flat; what lies over the seam is carried on past it.
std::vector<std::vector<Point>> outlinesOf(const Region& region, const Development& flat) {
  std::vector<std::vector<Point>> outlines;
  for (const WallLine& line : region.outlines().size() > 1 ? region.joined() : region.outlines()) {
    outlines.push_back(inFlat(line, true, flat, fine));
  }
  return outlines;
}

const Zone& zoneOf(const FillPlan& plan, const Divided& divided) {
  return *std::find_if(divided.zones.begin(), divided.zones.end(),
                       [&](const Zone& zone) { return zone.id == plan.zone; });
}

Piece bare(const FillPlan& plan, const Divided& divided, const Development& flat, PieceRole role,
           const std::string& id) {
  Piece piece;
  piece.role = role;
  piece.id = id + "-" + plan.zone;
  std::vector<std::vector<Point>> outlines = outlinesOf(zoneOf(plan, divided).region, flat);
  const auto area = [](const std::vector<Point>& points) {
    double sum = 0;
    for (std::size_t i = 0; i < points.size(); ++i) {
      sum += cross(points[i], points[(i + 1) % points.size()]);
    }
    return sum;
  };
  std::stable_sort(outlines.begin(), outlines.end(),
                   [&](const auto& a, const auto& b) { return area(a) > area(b); });
  piece.outline = closed(outlines.front());
  for (std::size_t i = 1; i < outlines.size(); ++i) {
    if (area(outlines[i]) < 0) piece.holes.push_back(closed(outlines[i]));
  }
  return piece;
}

/// Room for words round a place: the smaller of a cell's sides.
Length roomIn(const Cell& cell) {
  const double tall = (cell.region.highest() - cell.region.lowest()).mm();
  return Length::mm(std::max(0.1, std::min(tall, cell.area.mm2() / std::max(tall, 0.1)) * 0.8));
}

void label(Piece& piece, const Cell& cell, const Development& flat, const std::string& words,
           double lift) {
  const Length tall = letterHeight(words.size(), roomIn(cell), Length::mm(3));
  if (tall <= Length()) return;
  piece.letterings.push_back(
      {flat.toFlat(cell.middle) + Point{0, lift * tall.mm()}, tall, Angle(), {"%1", {words}}});
}

/// Lines across a cell, of a slope and a distance that tell its colour.
void hatch(Piece& piece, const Cell& cell, const Development& flat, int colour) {
  if (colour == 0) return;  // plain
  static constexpr double slopes[] = {45, -45, 0, 90};
  const double apart = 2.2 + 1.4 * ((colour - 1) / 4 % 3);
  const double slope = slopes[(colour - 1) % 4] / 180 * M_PI;
  const Point along{std::cos(slope), std::sin(slope)};
  const Point across = turnedLeft(along);
  for (const std::vector<Point>& outline : outlinesOf(cell.region, flat)) {
    double least = HUGE_VAL;
    double most = -HUGE_VAL;
    for (const Point& p : outline) {
      least = std::min(least, dot(p, across));
      most = std::max(most, dot(p, across));
    }
    for (double at = std::ceil(least / apart) * apart; at < most; at += apart) {
      std::vector<double> cuts;
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point& a = outline[i];
        const Point& b = outline[(i + 1) % outline.size()];
        const double offA = dot(a, across) - at;
        const double offB = dot(b, across) - at;
        if ((offA < 0) == (offB < 0)) continue;
        cuts.push_back(dot(a + (b - a) * (offA / (offA - offB)), along));
      }
      std::sort(cuts.begin(), cuts.end());
      for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
        Path line{across * at + along * cuts[i], {}};
        line.lineTo(across * at + along * cuts[i + 1]);
        piece.guides.push_back({GuideKind::graduation, std::move(line)});
      }
    }
  }
}

}  // namespace

std::string colourLetter(int colour) {
  return std::string(1, static_cast<char>('a' + colour % 26));
}

std::vector<Piece> stencilPieces(const std::vector<FillPlan>& plans, const Divided& divided,
                                 const Development& flat) {
  std::vector<Piece> pieces;
  for (const FillPlan& plan : plans) {
    Piece piece = bare(plan, divided, flat, PieceRole::stencil, "stencil");
    for (const Cell& cell : plan.cells) {
      for (std::vector<Point>& outline : outlinesOf(cell.region, flat)) {
        std::reverse(outline.begin(), outline.end());  // as a hole runs
        piece.slits.push_back(closed(outline));
      }
      label(piece, cell, flat, cell.label, 0);
    }
    pieces.push_back(std::move(piece));
  }
  return pieces;
}

std::vector<Piece> keyPieces(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                             const Divided& divided, const Development& flat,
                             const std::string& cupName) {
  std::vector<Piece> pieces;
  for (const FillPlan& plan : plans) {
    Piece piece = bare(plan, divided, flat, PieceRole::key, "key");
    for (const Cell& cell : plan.cells) {
      for (const std::vector<Point>& outline : outlinesOf(cell.region, flat)) {
        piece.guides.push_back({GuideKind::seam, closed(outline)});
      }
      hatch(piece, cell, flat, cell.colour);
      label(piece, cell, flat, cell.label + colourLetter(cell.colour), 0);
    }
    std::string colours;
    const std::vector<CellColour>& all = fills[static_cast<std::size_t>(plan.fill)].colours;
    for (std::size_t c = 0; c < all.size(); ++c) {
      const Finish& finish = all[c].finish;
      colours += (c == 0 ? "" : ", ") + colourLetter(static_cast<int>(c)) + " " +
                 (finish.name.empty() ? finish.colour : finish.name);
    }
    // The sheet is a little larger than the zone, with the colours' names below it.
    const Box box = piece.bounds();
    const Box sheet{{box.low.x - 3, box.low.y - 9}, {box.high.x + 3, box.high.y + 3}};
    piece.guides.push_back({GuideKind::front, piece.outline});
    for (Path& hole : piece.holes) piece.guides.push_back({GuideKind::front, std::move(hole)});
    piece.holes.clear();
    piece.outline =
        closed({sheet.low, {sheet.high.x, sheet.low.y}, sheet.high, {sheet.low.x, sheet.high.y}});
    const Length tall =
        letterHeight(cupName.size() + colours.size() + 12, Length::mm(box.width()), Length::mm(3));
    if (tall > Length()) {
      piece.letterings.push_back({{box.centre().x, box.low.y - 5},
                                  tall,
                                  Angle(),
                                  {"%1, zone %2: %3", {cupName, plan.zone, colours}}});
    }
    pieces.push_back(std::move(piece));
  }
  return pieces;
}

std::vector<Piece> filmCells(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                             const Development& flat) {
  std::vector<Piece> pieces;
  for (const FillPlan& plan : plans) {
    const std::vector<CellColour>& all = fills[static_cast<std::size_t>(plan.fill)].colours;
    for (const Cell& cell : plan.cells) {
      if (all[static_cast<std::size_t>(cell.colour)].finish.kind != FinishKind::film) continue;
      for (const std::vector<Point>& outline : outlinesOf(cell.region, flat)) {
        Piece piece;
        piece.role = PieceRole::filmCell;
        piece.id = "cell-" + cell.label;
        piece.outline = closed(outline);
        label(piece, cell, flat, cell.label, 0);
        pieces.push_back(std::move(piece));
      }
    }
  }
  return pieces;
}

}  // namespace avrelt
