// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/print_sheet.h"

#include <algorithm>
#include <cmath>

#include "shape/segment.h"

namespace avrelt {
namespace {

/// Dots are a twelfth of a millimetre at the usual fineness.
constexpr Length edgeTolerance = Length::mm(0.01);
/// Less opaque than half, of 255, what is below shows.
constexpr int bareUnder = 128;

Polygon cutOf(const Part& part) {
  Polygon shape{flattened(part.outline, edgeTolerance)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, edgeTolerance));
  }
  return shape;
}

Transform toDots(Length tall, double dotsPerInch) {
  const double perMm = dotsPerInch / Length::inches(1).mm();
  return {perMm, 0, 0, -perMm, 0, tall.mm() * perMm};
}

constexpr std::size_t mostAsked = 5000;

/// How far a point is from a shape's sides.
double awayFrom(const Polygon& shape, Point p) {
  double least = 1e18;
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      least = std::min(least, squareDistance(p, outline[i], outline[(i + 1) % outline.size()]));
    }
  }
  return std::sqrt(least);
}

int dotsAcross(Length side, double dotsPerInch) {
  return std::max(1, static_cast<int>(std::lround(side.inches() * dotsPerInch)));
}

}  // namespace

Polygon printedOf(const Part& part, Length bleed) {
  return offsetBy(cutOf(part), bleed, Corners::round);
}

Picture printOf(const PartSet& parts, Length wide, Length tall, const Printer& printer,
                const DotsOfPicture& dotsOf) {
  Picture print;
  print.wide = dotsAcross(wide, printer.dotsPerInch);
  print.tall = dotsAcross(tall, printer.dotsPerInch);
  print.rgba.assign(static_cast<std::size_t>(print.wide) * static_cast<std::size_t>(print.tall) * 4,
                    0);
  const Transform map = toDots(tall, printer.dotsPerInch);
  for (const Part& part : parts.parts) {
    if (!part.print) continue;
    const Polygon within = mapped(printedOf(part, printer.bleed), map);
    if (within.empty()) continue;
    if (!part.print->picture) {
      fillShape(within, part.print->colour, print);
    } else if (const PictureSizes* picture = dotsOf(part.print->picture)) {
      drawMesh(part.print->mesh, *picture, map, within, print);
    }
  }
  if (printer.marks) {
    for (const Point at : markPlaces(printer, wide, tall)) {
      fillShape(mapped(movedBy(markShape(), at), map), "#000000", print);
    }
  }
  return print;
}

PrintFound printFound(const MarkPlaces& planned, const MarkPlaces& found) {
  Point from{};
  Point to{};
  for (std::size_t i = 0; i < planned.size(); ++i) {
    from = from + planned[i] * (1.0 / 3);
    to = to + found[i] * (1.0 / 3);
  }
  double along = 0;
  double across = 0;
  double size = 0;
  for (std::size_t i = 0; i < planned.size(); ++i) {
    const Point p = planned[i] - from;
    const Point q = found[i] - to;
    along += p.x * q.x + p.y * q.y;
    across += p.x * q.y - p.y * q.x;
    size += p.x * p.x + p.y * p.y;
  }
  PrintFound result;
  result.shift.turn = Angle::radians(std::atan2(across, along));
  const double scale = size > 0 ? std::hypot(along, across) / size : 1;
  result.shift.percent = (scale - 1) * 100;
  const double c = scale * std::cos(result.shift.turn.radians());
  const double s = scale * std::sin(result.shift.turn.radians());
  const Point off = to - Point{c * from.x - s * from.y, s * from.x + c * from.y};
  result.shift.right = Length::mm(off.x);
  result.shift.up = Length::mm(off.y);
  const Transform map = transformOf(result.shift);
  for (std::size_t i = 0; i < planned.size(); ++i) {
    result.worst = std::max(result.worst, Length::mm(norm(map(planned[i]) - found[i])));
  }
  return result;
}

Transform transformOf(const PrintShift& shift) {
  const double scale = 1 + shift.percent / 100;
  const double c = scale * std::cos(shift.turn.radians());
  const double s = scale * std::sin(shift.turn.radians());
  return {c, s, -s, c, shift.right.mm(), shift.up.mm()};
}

std::vector<BarePart> barePartsOf(const PartSet& parts, const Picture& printed, Length tall,
                                  double dotsPerInch, const Transform& cutBy) {
  const Transform map = toDots(tall, dotsPerInch) * cutBy;
  const double mmPerDot = Length::inches(1).mm() / dotsPerInch;
  std::vector<BarePart> bare;
  for (const Part& part : parts.parts) {
    if (!part.print) continue;
    const Polygon cut = mapped(cutOf(part), map);
    const Box box = boundsOf(cut);
    const int top = std::max(0, static_cast<int>(box.low.y));
    const int foot = std::min(printed.tall, static_cast<int>(std::ceil(box.high.y)));
    std::vector<Point> dots;
    for (int y = top; y < foot; ++y) {
      for (const auto& [from, to] : dotsOfRow(cut, y, printed.wide)) {
        for (int x = from; x < to; ++x) {
          const std::size_t dot =
              static_cast<std::size_t>(y) * static_cast<std::size_t>(printed.wide) +
              static_cast<std::size_t>(x);
          if (printed.rgba[dot * 4 + 3] < bareUnder) dots.push_back({x + 0.5, y + 0.5});
        }
      }
    }
    if (dots.empty()) continue;
    BarePart one;
    one.part = part.id;
    one.bare = Area::mm2(static_cast<double>(dots.size()) * mmPerDot * mmPerDot);
    Point sum{};
    for (const Point dot : dots) sum = sum + dot;
    // How deep is told by so many of them, evenly chosen.
    const std::size_t every = dots.size() / mostAsked + 1;
    for (std::size_t i = 0; i < dots.size(); i += every) {
      one.deep = std::max(one.deep, Length::mm(awayFrom(cut, dots[i]) * mmPerDot));
    }
    const Point middle = sum * (1.0 / static_cast<double>(dots.size()));
    one.at = {middle.x * mmPerDot, tall.mm() - middle.y * mmPerDot};
    bare.push_back(std::move(one));
  }
  return bare;
}

}  // namespace avrelt
