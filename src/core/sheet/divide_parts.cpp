// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/divide_parts.h"

#include <algorithm>
#include <cmath>

#include "divide/flat_outline.h"
#include "measure/tape.h"
#include "sheet/marking_strip.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

Path rectangle(double width, double height) {
  Path path{{0, 0}, {}};
  path.lineTo({width, 0});
  path.lineTo({width, height});
  path.lineTo({0, height});
  path.lineTo(path.start);
  return path;
}

Path between(Point a, Point b) {
  Path path{a, {}};
  path.lineTo(b);
  return path;
}

/// The zones and lines of a wall rolled out, small, with their letters and numbers.
void drawPicture(Part& part, const Divided& divided, const Development& flat, const Box& room) {
  const Box whole = boundsOf(flat.wallOutline());
  const double scale = std::min(room.width() / whole.width(), room.height() / whole.height());
  const auto place = [&](Point p) { return room.centre() + (p - whole.centre()) * scale; };
  const auto draw = [&](const WallLine& line, bool closed) {
    const std::vector<Point> points = inFlat(line, closed, flat, Length::mm(0.15 / scale));
    if (points.size() < 2) return;
    Path path{place(points.front()), {}};
    for (std::size_t i = 1; i < points.size(); ++i) path.lineTo(place(points[i]));
    if (closed) path.lineTo(path.start);
    part.guides.push_back({GuideKind::graduation, std::move(path)});
  };
  for (const Zone& zone : divided.zones) {
    for (const WallLine& outline : zone.region.outlines()) draw(outline, true);
    const WallPoint middle = zone.namedAt;
    part.letterings.push_back(
        {place(flat.toFlat(middle)), Length::mm(3.2), Angle(), {"%1", {zone.letter}}});
  }
  for (const DivideLine& line : divided.lines) {
    if (line.stretches.empty()) continue;
    const WallLine& stretch = line.stretches.front();
    const WallPoint& a = stretch[(stretch.size() - 1) / 2];
    const WallPoint& b = stretch[(stretch.size() - 1) / 2 + 1];
    // A third along, beside the line.
    const WallPoint at{a.theta + (b.theta - a.theta) * 0.3, a.s + (b.s - a.s) * 0.3};
    const Point beside = place(flat.toFlat(at)) + Point{1.8, 1.6};
    part.letterings.push_back({beside, Length::mm(2.2), Angle(), {"%1", {line.id}}});
  }
}

}  // namespace

std::vector<Part> uprightGauge(const Divided& divided, const Body& body, Unit unit,
                               const std::string& cupName) {
  if (divided.marks.empty()) return {};
  constexpr double wide = 32;
  Part part;
  part.id = "gauge";
  part.kind = PartKind::paper;
  part.material = PartMaterial::paper;
  const double wall = body.wall().mm();
  part.outline = rectangle(wide, wall);
  const Length step_ = step(usualGraduation(unit));
  const int perNumber = unit == Unit::inch ? 16 : 10;
  for (int i = 1; step_ * i < body.wall(); ++i) {
    const double y = (step_ * i).mm();
    const double tick = i % perNumber == 0 ? 6 : i % (perNumber / 2) == 0 ? 4 : 2.2;
    part.guides.push_back({GuideKind::graduation, between({0, y}, {tick, y})});
    if (i % perNumber == 0) {
      part.letterings.push_back(
          {{8, y}, Length::mm(2.4), Angle(), {"%1", {static_cast<long>(i / perNumber)}}});
    }
  }
  double lastWords = -HUGE_VAL;
  std::vector<const LineMark*> marks;
  for (const LineMark& mark : divided.marks) {
    const double y = mark.fromBase.mm();
    if (y > 0.5 && y < wall - 0.5) marks.push_back(&mark);
  }
  std::stable_sort(marks.begin(), marks.end(),
                   [](const LineMark* a, const LineMark* b) { return a->fromBase < b->fromBase; });
  for (const LineMark* mark : marks) {
    const double y = mark->fromBase.mm();
    part.guides.push_back({GuideKind::front, between({10, y}, {wide, y})});
    // Lines that crowd share their words' room; the tick is drawn all the same.
    if (y - lastWords < 3.2) continue;
    lastWords = y;
    part.letterings.push_back(
        {{21, y + 1.6}, Length::mm(2.2), Angle(), {"%1: %2", {mark->line, mark->fromBase}}});
  }
  if (wall > 40) {
    part.letterings.push_back({{wide - 3, wall / 2},
                               Length::mm(2.4),
                               Angle::degrees(90),
                               {"%1: up the wall", {cupName}}});
  }
  return {part};
}

std::vector<Part> stripeParts(const std::vector<StripCut>& cuts, const std::string& cupName) {
  std::vector<Part> parts;
  for (const StripCut& cut : cuts) {
    if (cut.kind != StripeKind::film) continue;
    const int count = cut.count();
    Part part;
    part.id = "stripe-" + std::to_string(parts.size() + 1);
    part.kind = PartKind::strip;
    part.of = cut.stripes;
    const double width = cut.width.mm();
    const double length = cut.length.mm();
    part.outline = rectangle(length, width * count);
    for (int i = 1; i < count; ++i) {
      part.slits.push_back(between({0, width * i}, {length, width * i}));
    }
    if (width * count > 3) {
      std::string lines;
      for (const std::string& line : cut.lines) lines += (lines.empty() ? "" : ", ") + line;
      const Length tall = std::min(Length::mm(2.4), cut.width * (0.6 * count));
      const std::size_t letters = cupName.size() + lines.size() + 8;
      part.letterings.push_back({{length / 2, width * count / 2},
                                 letterHeight(letters, cut.length * 0.9, tall),
                                 Angle(),
                                 {"%1: line %2", {cupName, lines}}});
      if (part.letterings.back().height <= Length()) part.letterings.pop_back();
    }
    parts.push_back(std::move(part));
  }
  return parts;
}

std::vector<Part> ringStrips(const Divided& divided, const Body& body, CupAngle seamAt, Unit unit,
                             const std::string& cupName) {
  constexpr Length wide = Length::mm(12);
  std::vector<RoundMark> uprights;
  for (const LineMark& mark : divided.marks) {
    if (mark.at != MarkAt::upright) continue;
    uprights.push_back({mark.onCup, GuideKind::quarter, {"%1", {mark.line}}});
  }
  std::vector<Part> strips;
  std::vector<Length> heights;
  for (const DivideLine& line : divided.lines) {
    if (line.kind != CutKind::rings || line.stretches.empty()) continue;
    const Length s = line.stretches.front().front().s;
    const bool there = std::any_of(heights.begin(), heights.end(), [&](Length height) {
      return abs(height - s) < Length::mm(0.01);
    });
    if (there || s < Length::mm(5)) continue;
    heights.push_back(s);
    MarkingStrip strip;
    strip.at = WrittenLength{s, {}};
    strip.width = {std::min(wide, s), {}};
    CheckedAll<Part> made =
        markingStripPart(body, strip, seamAt, unit, cupName + ", line " + line.id, uprights);
    if (!made) continue;
    made->id = "ring-" + line.id;
    made->of = {line.cut};
    strips.push_back(std::move(*made));
  }
  return strips;
}

std::vector<Part> marksSheets(const Divided& divided, const Development& flat, Unit unit,
                              const std::string& cupName) {
  constexpr double wide = 180;
  constexpr double tall = 240;
  constexpr double rowTall = 4.4;
  constexpr std::size_t perSheet = 30;
  constexpr double tableTop = 144;
  struct Column {
    double middle;
    const char* title;
  };
  static constexpr Column columns[] = {{9, "line"},          {29, "place"},
                                       {61, "up from base"}, {98, "down from rim"},
                                       {132, "from front"},  {163, "from seam"}};
  const Graduation graduation = usualGraduation(unit);
  const auto both = [&](Length length) {
    const std::string exact = decimalText(length, unit, unit == Unit::inch ? 3 : 1);
    return readTape(length, graduation).text + " (" + exact.substr(0, exact.find(' ')) + ")";
  };
  const std::size_t sheets = (divided.marks.size() + perSheet - 1) / perSheet;
  std::vector<Part> parts;
  for (std::size_t sheet = 0; sheet < sheets; ++sheet) {
    Part part;
    part.id = sheets == 1 ? "marks" : "marks-" + std::to_string(sheet + 1);
    part.kind = PartKind::paper;
    part.material = PartMaterial::paper;
    part.outline = rectangle(wide, tall);
    const auto write = [&](double x, double y, double height, Sentence words) {
      part.letterings.push_back({{x, y}, Length::mm(height), Angle(), std::move(words)});
    };
    write(wide / 2, tall - 8, 4, {"%1: where to mark its lines", {cupName}});
    drawPicture(part, divided, flat, {{12, 156}, {wide - 12, tall - 16}});
    for (const Column& column : columns) write(column.middle, tableTop, 2.5, {column.title, {}});
    part.guides.push_back(
        {GuideKind::graduation, between({4, tableTop - 2.5}, {wide - 4, tableTop - 2.5})});
    for (std::size_t row = 0; row < perSheet; ++row) {
      const std::size_t index = sheet * perSheet + row;
      if (index >= divided.marks.size()) break;
      const LineMark& mark = divided.marks[index];
      const double y = tableTop - rowTall * (static_cast<double>(row) + 1.2);
      const bool round = mark.at == MarkAt::ring;
      const auto cell = [&](std::size_t column, Sentence words) {
        write(columns[column].middle, y, 2.4, std::move(words));
      };
      cell(0, {"%1", {mark.line}});
      const Sentence name{markName(mark.at), {}};
      cell(1, mark.leg > Length() ? Sentence{"%1, leg %2", {Phrase(name), mark.leg}} : name);
      cell(2, {"%1", {both(mark.fromBase)}});
      cell(3, {"%1", {both(mark.fromRim)}});
      if (round) {
        cell(4, {"all round", {}});
      } else {
        cell(4, {mark.fromFront < Length() ? "%1 left" : "%1 right", {both(abs(mark.fromFront))}});
        cell(5, {"%1", {both(mark.fromSeam)}});
      }
    }
    parts.push_back(std::move(part));
  }
  return parts;
}

void drawUprights(Part& disc, const Divided& divided) {
  const double r = disc.bounds().width() / 2;
  for (const LineMark& mark : divided.marks) {
    if (mark.at != MarkAt::upright) continue;
    const double a = mark.onCup.radians();
    // Seen from below, as the disc's other marks are.
    const Point out{-std::sin(a), -std::cos(a)};
    disc.guides.push_back({GuideKind::quarter, between({0, 0}, out * r)});
    disc.letterings.push_back(
        {out * (r * 0.86) + turnedLeft(out) * 3, Length::mm(2.6), Angle(), {"%1", {mark.line}}});
  }
}

}  // namespace avrelt
