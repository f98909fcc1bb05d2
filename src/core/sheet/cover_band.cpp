// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/cover_band.h"

#include "sheet/round_marks.h"

namespace avrelt {

std::optional<Part> coverBandPart(const Body& body, const Liquid& liquid, CupAngle seamAt,
                                  const std::string& cupName) {
  const Length tall = liquid.band.length;
  const Length foot = liquid.sealAt.length - tall / 2;
  const Length top = foot + tall;
  const Development cone =
      Development::cone(body.radius(foot), (body.radius(top) - body.radius(foot)) / tall, tall);
  Wrap wrap;
  wrap.baseClearance = {};
  wrap.rimClearance = {};
  wrap.overlap = liquid.overlap;
  wrap.seamAt = seamAt;
  CheckedAll<WrapLayout> layout = WrapLayout::of(cone, wrap);
  if (!layout) {
    // So steep that there is no room for a lap in the flat: the ends are laid edge to edge.
    wrap.overlap = {};
    layout = WrapLayout::of(cone, wrap);
    if (!layout) return std::nullopt;
  }
  Part part;
  part.id = "cover_band";
  part.kind = PartKind::strip;
  part.outline = layout->outline();
  if (layout->overlap() > Length()) part.guides.push_back({GuideKind::seam, layout->seamLine()});
  Path line{cone.toFlat({-Angle::halfTurn(), tall / 2}), {}};
  constexpr int steps = 72;
  for (int i = 1; i <= steps; ++i) {
    line.lineTo(cone.toFlat(
        {-Angle::halfTurn() + Angle::turn() * (static_cast<double>(i) / steps), tall / 2}));
  }
  part.guides.push_back({GuideKind::quarter, std::move(line)});
  const Length letters = letterHeight(cupName.size() + 12, cone.around(tall / 2) * 0.3, tall * 0.3);
  if (letters > Length()) {
    const Angle beside = layout->inPiece(CupAngle::degrees(40));
    part.letterings.push_back({cone.toFlat({beside, tall * 0.75}),
                               letters,
                               -cone.flatAngle(beside),
                               {"%1: cover band", {cupName}}});
    part.letterings.push_back({cone.toFlat({beside, tall * 0.25}),
                               letters * 0.8,
                               -cone.flatAngle(beside),
                               {"for %1 round", {cone.around(tall / 2)}}});
  }
  return part;
}

}  // namespace avrelt
