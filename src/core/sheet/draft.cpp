// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/draft.h"

#include <algorithm>
#include <cmath>

#include "cup/base.h"
#include "divide/flat_outline.h"
#include "sheet/round_marks.h"

namespace avrelt {

Path onPart(const WallLine& line, const WallToPart& at, bool closed) {
  constexpr int deepest = 12;
  Path path;
  const auto side = [&](const auto& self, const WallPoint& a, const WallPoint& b, Point to,
                        int depth) -> void {
    const Point from = path.end();
    const WallPoint half{(a.theta + b.theta) / 2, (a.s + b.s) / 2};
    const Point between = at(half);
    const bool near = norm(between - (from + to) * 0.5) < curveTolerance.mm() / 2;
    if (depth < deepest &&
        (!near || b.theta - a.theta > Angle::degrees(8) || a.theta - b.theta > Angle::degrees(8))) {
      self(self, a, half, between, depth + 1);
      self(self, half, b, to, depth + 1);
      return;
    }
    path.lineTo(to);
  };
  path.start = at(line.front());
  for (std::size_t i = 0; i + (closed ? 0 : 1) < line.size(); ++i) {
    const WallPoint& b = line[(i + 1) % line.size()];
    side(side, line[i], b, i + 1 < line.size() ? at(b) : path.start, 0);
  }
  return path;
}

Path Draft::edge(const WallLine& line, Angle from, bool closed) const {
  return onPart(
      line, [&](const WallPoint& p) { return place(p.theta - from, p.s); }, closed);
}

bool letterAcross(Draft& draft, double share, double widthShare, Length tallest,
                  std::size_t characters, Sentence words) {
  const Length at = draft.low + draft.height() * share;
  const Point left = draft.place(-draft.half, at);
  const Length width = Length::mm(norm(draft.place(draft.half, at) - left) * widthShare);
  const Length letters = letterHeight(characters, width, std::min(tallest, draft.height() * 0.1));
  if (letters == Length()) return false;
  draft.part.letterings.push_back({draft.place(Angle(), at), letters, Angle(), std::move(words)});
  return true;
}

void addScaleBar(Draft& draft, Unit unit) {
  const Length bar = unit == Unit::inch ? Length::inches(2) : Length::mm(50);
  const Length at = draft.low + draft.height() * 0.22;
  const double width = norm(draft.place(draft.half, at) - draft.place(-draft.half, at));
  if (draft.height() < Length::mm(40) || width < bar.mm() * 1.4) return;
  const Point middle = draft.place(Angle(), at);
  const Point half{bar.mm() / 2, 0};
  const Point tick{0, 1.5};
  Path path{middle - half + tick, {}};
  path.lineTo(middle - half - tick);
  path.lineTo(middle - half);
  path.lineTo(middle + half);
  path.lineTo(middle + half + tick);
  path.lineTo(middle + half - tick);
  draft.part.guides.push_back({GuideKind::scaleBar, path});
  draft.part.letterings.push_back(
      {middle + Point{0, 3.2}, Length::mm(2.8), Angle(), {"%1", {bar}}});
}

void addDirections(Draft& draft, CupAngle seamAt) {
  Part& part = draft.part;
  const Length height = draft.height();
  for (const RoundMark& mark : roundMarks()) {
    if (abs((mark.onCup - seamAt).wrapped()) < Angle::degrees(0.01)) continue;
    const Angle off = (mark.onCup - draft.middle).wrapped();
    if (abs(off) > draft.half) continue;
    const Length tick = height * (mark.kind == GuideKind::front ? 0.16 : 0.08);
    part.guides.push_back({mark.kind, draft.upright(off, draft.low, draft.low + tick)});
    part.guides.push_back({mark.kind, draft.upright(off, draft.high - tick, draft.high)});
    const Length at = draft.high - height * 0.13;
    const double radius =
        norm(draft.place(off + Angle::radians(0.01), at) - draft.place(off, at)) / 0.01;
    const Length letters =
        letterHeight(5, Length::mm(radius * 0.6), std::min(Length::mm(3.5), height * 0.08));
    if (letters == Length()) continue;
    // Beside the line, so that the line stays readable.
    const Angle beside = off + Angle::radians(letters.mm() * 2 / radius);
    if (abs(beside) > draft.half) continue;
    part.letterings.push_back(
        {draft.place(beside, at), letters, draft.turnAt(beside, at), mark.name});
  }
}

void addFeatures(Draft& draft, const std::vector<Feature>& features) {
  for (const Feature& feature : features) {
    if (!coversWall(feature.kind)) continue;
    const bool allRound = feature.kind == FeatureKind::footLip;
    const Length low = std::max(allRound ? Length() : feature.low.length, draft.low);
    const Length high = std::min(feature.high.length, draft.high);
    if (low >= high) continue;
    const Angle centre = allRound ? Angle() : (feature.at - draft.middle).wrapped();
    const Angle half = allRound ? Angle::halfTurn() : feature.wide / 2;
    // Across the seam a feature shows at both ends of the part.
    for (const double turns : {-1.0, 0.0, 1.0}) {
      const Angle shifted = centre + Angle::turn() * turns;
      const Angle from = std::max(shifted - half, -draft.half);
      const Angle to = std::min(shifted + half, draft.half);
      if (to - from < Angle::degrees(0.5)) continue;
      const int parts = std::max(1, static_cast<int>((to - from).degrees() / 2));
      const auto along = [&](int i, Length s) {
        return draft.place(from + (to - from) * (static_cast<double>(i) / parts), s);
      };
      Path path{along(0, low), {}};
      for (int i = 1; i <= parts; ++i) path.lineTo(along(i, low));
      for (int i = parts; i >= 0; --i) path.lineTo(along(i, high));
      path.lineTo(path.start);
      draft.part.guides.push_back({GuideKind::keepClear, path});
    }
  }
}

Draft onRing(const WrapLayout& layout, Length wallLow) {
  Draft draft;
  draft.layout = layout;
  draft.wallLow = wallLow;
  draft.low = layout.low() + wallLow;
  draft.high = layout.high() + wallLow;
  draft.half = Angle::halfTurn();
  draft.middle = layout.seamAt() + Angle::halfTurn();
  draft.part.outline = layout.outline();
  if (layout.overlap() > Length()) {
    draft.part.guides.push_back({GuideKind::seam, layout.seamLine()});
  }
  draft.place = [body = layout.body(), wallLow](Angle theta, Length s) {
    return body.toFlat({theta, s - wallLow});
  };
  return draft;
}

Draft onFit(const RingFit& fit, Length overlap, CupAngle seamAt, Length overhang) {
  Wrap plain;
  plain.baseClearance = plain.rimClearance = {};
  plain.overlap = {overlap, {}};
  plain.seamAt = seamAt;
  CheckedAll<WrapLayout> layout = WrapLayout::of(fit.cone(), plain, overhang);
  if (!layout) {
    // So steep that there is no room to lap in the flat: the ends meet edge to edge.
    plain.overlap = {};
    layout = WrapLayout::of(fit.cone(), plain, overhang);
  }
  if (!layout) {
    layout = WrapLayout::of(fit.cone(), plain);
  }
  return onRing(*layout, Length::mm(fit.low));
}

void snip(Draft& draft, const Body& body, Length overhang, Angle from, Angle to) {
  if (overhang <= Length()) return;
  const Snips snips = snipsFor(body.radius(Length()), body.taper(Length()), overhang);
  const Length edge = -overhang;
  const Angle each = Angle::turn() / snips.count;
  const Angle half = Angle::turn() * (snips.each / body.around(edge) / 2);
  // Counted from the seam, wherever the part begins.
  const auto first =
      static_cast<int>(std::floor((from + Angle::halfTurn()).radians() / each.radians()));
  for (int i = first;; ++i) {
    const Angle at = -Angle::halfTurn() + each * (i + 0.5);
    if (at + half > to) break;
    if (at - half < from) continue;
    Path cut{draft.place(at - half, edge), {}};
    cut.lineTo(draft.place(at, Length()));
    cut.lineTo(draft.place(at + half, edge));
    draft.part.slits.push_back(std::move(cut));
  }
}

void slit(Draft& draft, const SlitRow& row, Angle from, Angle to) {
  if (row.count < 1) return;
  const Angle each = Angle::turn() / row.count;
  const auto first =
      static_cast<int>(std::floor((from + Angle::halfTurn()).radians() / each.radians()));
  for (int i = first;; ++i) {
    const Angle at = -Angle::halfTurn() + each * (i + 0.5);
    if (at > to) break;
    if (at < from) continue;
    const Length edge = row.atRim ? draft.high : draft.low;
    const Length end = row.atRim ? draft.high - row.depth : draft.low + row.depth;
    draft.part.slits.push_back(draft.upright(at, edge, end));
  }
}

void numberJoin(Draft& draft, Angle theta, Length s, long number) {
  const Length tall = std::min(Length::mm(4), draft.height() * 0.2);
  draft.part.letterings.push_back(
      {draft.place(theta, s), tall, draft.turnAt(theta, s), {"%1", {number}}});
}

Draft onGore(const Gore& gore, CupAngle seamAt, int index) {
  Draft draft;
  draft.bent = true;
  draft.low = gore.low();
  draft.high = gore.high();
  draft.half = gore.half();
  draft.middle = seamAt + gore.half() * (2.0 * index + 1);
  draft.part.outline = gore.outline();
  draft.place = [gore](Angle theta, Length s) { return gore.toFlat(theta, s); };
  return draft;
}

void printOn(Draft& draft, const PictureLie& lie, Angle left, Angle right, Angle middle) {
  const Angle aside = lie.angleOf(printedBeyond);
  PartPrint& print = draft.part.print.emplace();
  print.picture = lie.picture();
  print.mesh =
      lie.over(left - aside, right + aside, draft.low - printedBeyond, draft.high + printedBeyond,
               [&](WallPoint p) { return draft.place(p.theta - middle, p.s); });
}

}  // namespace avrelt
