// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/key_parts.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

#include "sheet/fill_parts.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

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

Path scaled(Path path, double by) {
  path.start = path.start * by;
  for (Stretch& stretch : path.stretches) stretch.end = stretch.end * by;
  return path;
}

}  // namespace

std::vector<Part> keyParts(const FillWork& work, const std::string& cupName) {
  std::vector<Part> parts;
  const std::vector<CellColour>& all = work.fill.colours;
  for (const TemplateSheet& sheet : sheetsOf(work)) {
    Part part = sheet.part(PartKind::paper, PartMaterial::paper, "key");
    // Nothing of the zone is cut: the sheet is a little larger, with the colours' names below.
    const Box box = part.bounds();
    for (std::vector<Path>* edges : {&part.holes, &part.slits}) {
      for (Path& edge : *edges) part.guides.push_back({GuideKind::front, std::move(edge)});
      edges->clear();
    }
    part.guides.push_back({GuideKind::front, std::move(part.outline)});
    part.outline = sheetRound(box, 3, 9);
    for (std::size_t i = 0; i < sheet.count(); ++i) {
      const Cell& cell = sheet.cell(i);
      const std::vector<std::vector<Point>> outlines = sheet.outlines(i);
      Tint tint;
      tint.colour = paleOf(all[static_cast<std::size_t>(cell.colour)].finish.colour);
      for (const std::vector<Point>& outline : outlines) {
        part.guides.push_back({GuideKind::seam, closedPath(outline)});
        tint.edges.push_back(closedPath(outline));
      }
      part.tints.push_back(std::move(tint));
      const std::vector<Box> free = sheet.label(part, i, cell.label + colourLetter(cell.colour));
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
                                 {"%1, zone %2: %3", {cupName, work.plan.letter, colours}}});
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
    part.outline = sheetRound({over.low, over.high}, 0, below);
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

}  // namespace avrelt
