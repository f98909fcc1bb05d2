// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/marking_strip.h"

#include <algorithm>
#include <cmath>

#include "sheet/round_marks.h"

namespace avrelt {
namespace {

constexpr Length narrowest = Length::mm(5);
constexpr Length widest = Length::mm(100);
constexpr Length tab = Length::mm(10);

/// How the ticks of a tape differ in length, and which carry a number.
struct TickRule {
  Length apart;
  /// Every so many ticks, a tick of this length; the first rule that fits is taken.
  struct Kind {
    int every;
    Length length;
  };
  std::vector<Kind> kinds;
  int numberEvery;
};

const TickRule& tickRule(Unit unit) {
  static const TickRule inches{Length::inches(1.0 / 16),
                               {{16, Length::mm(5.0)},
                                {8, Length::mm(3.8)},
                                {4, Length::mm(2.8)},
                                {2, Length::mm(2.0)},
                                {1, Length::mm(1.2)}},
                               16};
  static const TickRule millimetres{
      Length::mm(1), {{10, Length::mm(4.4)}, {5, Length::mm(2.8)}, {1, Length::mm(1.4)}}, 10};
  return unit == Unit::inch ? inches : millimetres;
}

Length tickLength(const TickRule& rule, int index) {
  for (const TickRule::Kind& kind : rule.kinds) {
    if (index % kind.every == 0) return kind.length;
  }
  return {};
}

/// Ticks to one side of the front until the seam; `side` is 1 to the right, −1 to the left.
void tickAlong(Part& part, const WrapLayout& layout, const TickRule& rule, int side) {
  const Development& body = layout.body();
  const Length top = layout.high();
  const Length width = top - layout.low();
  const Angle front = layout.inPiece(CupAngle::front());
  const double radius = body.radius(top).mm();
  const Angle end = Angle::halfTurn() + Angle::radians(1e-9);
  for (int index = side > 0 ? 0 : 1;; ++index) {
    const Angle theta = front + Angle::radians(side * index * rule.apart.mm() / radius);
    if (abs(theta) > end) break;
    const Length length = std::min(tickLength(rule, index), width);
    part.guides.push_back({GuideKind::graduation, body.upright(theta, top - length, top)});
    const bool numbered = index > 0 && index % rule.numberEvery == 0;
    if (!numbered || width < Length::mm(9)) continue;
    const Length numeral = Length::mm(2.4);
    const Length at = top - length - numeral * 0.7;
    if (abs(theta) + Angle::radians(numeral / body.radius(top)) > end) continue;
    part.letterings.push_back({body.toFlat({theta, at}),
                               numeral,
                               -body.flatAngle(theta),
                               {"%1", {static_cast<long>(index / rule.numberEvery)}}});
  }
}

}  // namespace

Length stripHeight(const Body& body, const MarkingStrip& strip) {
  if (strip.at) return strip.at->length;
  // Half-way, but never so low that the strip would hang over the base.
  return std::min(body.wall(), std::max(body.wall() / 2, strip.width.length));
}

CheckedAll<Part> markingStripPart(const Body& cup, const MarkingStrip& strip, CupAngle seamAt,
                                  Unit unit, const std::string& cupName,
                                  const std::vector<RoundMark>& more) {
  // On a very low cup the usual strip is cut down to the wall; a chosen height is taken at its
  // word.
  const Length width = strip.at ? strip.width.length : std::min(strip.width.length, cup.wall());
  if (strip.width.length < narrowest || strip.width.length > widest) {
    return tl::unexpected(Faults{{Member::stripWidth,
                                  {"A marking strip of %1 cannot be handled. Take %2 to %3.",
                                   {strip.width.length, narrowest, widest}}}});
  }
  const Length height = stripHeight(cup, strip);
  if (height > cup.wall() || height < width) {
    return tl::unexpected(Faults{
        {Member::stripAt,
         {"A strip %1 wide with its upper edge at %2 does not lie on the wall. Put that edge "
          "between %1 and %3 up the wall.",
          {width, height, cup.wall()}}}});
  }

  // The cone the strip lies on: the body itself, or the one through the strip's two edges, which
  // counts its heights from the lower one.
  const Length foot = height - width;
  const Development body =
      cup.isCone() ? cup.cone()
                   : Development::cone(cup.radius(foot),
                                       (cup.radius(height) - cup.radius(foot)) / width, width);
  const Length at = cup.isCone() ? height : width;

  Wrap band;
  band.baseClearance = {at - width, {}};
  band.rimClearance = {body.wall() - at, {}};
  band.overlap = {tab, {}};
  band.seamAt = seamAt;
  CheckedAll<WrapLayout> layout = WrapLayout::of(body, band);
  if (!layout) {
    // So steep that there is no room for a tab in the flat: the ends are taped edge to edge.
    band.overlap = {};
    layout = WrapLayout::of(body, band);
    if (!layout) return tl::unexpected(layout.error());
  }

  Part part;
  part.id = "strip";
  part.kind = PartKind::paper;
  part.material = PartMaterial::paper;
  part.outline = layout->outline();
  if (layout->overlap() > Length()) part.guides.push_back({GuideKind::seam, layout->seamLine()});

  const TickRule& rule = tickRule(unit);
  tickAlong(part, *layout, rule, 1);
  tickAlong(part, *layout, rule, -1);

  const Length nameAt = layout->low() + width * 0.16;
  const Length letters = std::min(Length::mm(2.6), width * 0.2);
  std::vector<RoundMark> marks = roundMarks();
  marks.insert(marks.end(), more.begin(), more.end());
  for (const RoundMark& mark : marks) {
    if (onSeam(*layout, mark.onCup)) continue;
    const Angle theta = layout->inPiece(mark.onCup);
    part.guides.push_back({mark.kind, body.upright(theta, layout->low(), layout->high())});
    const Angle beside = theta + Angle::radians(letters * 1.9 / body.radius(nameAt));
    part.letterings.push_back(
        {body.toFlat({beside, nameAt}), letters, -body.flatAngle(beside), mark.name});
  }
  const Angle atSeam = Angle::halfTurn() - Angle::radians(letters * 2.4 / body.radius(nameAt));
  part.letterings.push_back(
      {body.toFlat({atSeam, nameAt}), letters, -body.flatAngle(atSeam), {"seam", {}}});
  const Angle atName = layout->inPiece(CupAngle::degrees(52));
  const Length titleHeight = letterHeight(cupName.size() + 22, body.around(at) * 0.15, letters);
  if (titleHeight > Length() && width >= Length::mm(9)) {
    part.letterings.push_back({body.toFlat({atName, nameAt}),
                               titleHeight,
                               -body.flatAngle(atName),
                               {"%1: top edge %2 up the wall", {cupName, height}}});
  }
  return part;
}

}  // namespace avrelt
