// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/wrap_parts.h"

#include <algorithm>
#include <cmath>

#include "measure/tape.h"
#include "sheet/draft.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

/// A straight sheet on a wall that is not: taller by what it runs off, its ends square.
Draft onSheet(const WrapWork& work) {
  const RingFit& fit = work.laying.rings.front();
  Draft draft = onFit(fit, work.layout.overlap(), work.layout.seamAt(), work.overhang);
  if (work.runsOff <= Length()) return draft;
  const double width = boundsOf(draft.part.outline).width();
  const Point low = draft.part.outline.start;
  // The ring it follows in front lies off it by so much at the back: below on a cup wider at its
  // rim, above on one wider at its base.
  const bool widerAtRim = work.layout.body().taper() > 0;
  const double off = work.runsOff.mm();
  const double bottom = low.y - (widerAtRim ? off : 0);
  const double top = boundsOf(draft.part.outline).high.y + (widerAtRim ? 0 : off);
  Path sheet{{low.x, bottom}, {}};
  sheet.lineTo({low.x + width, bottom});
  sheet.lineTo({low.x + width, top});
  sheet.lineTo({low.x, top});
  sheet.lineTo(sheet.start);
  draft.part.outline = std::move(sheet);
  return draft;
}

void title(Draft& draft, const WrapWork& work, bool paper, const Sentence& name,
           std::size_t length) {
  const std::size_t characters = work.cupName.size() + length;
  letterAcross(draft, 0.52, 0.45, Length::mm(5), characters, name);
  if (paper) {
    letterAcross(draft, 0.40, 0.45, Length::mm(3.5), 66,
                 {"The left edge has to meet the seam line from rim to base.", {}});
  } else {
    letterAcross(
        draft, 0.40, 0.45, Length::mm(3.5), 46,
        {"%1 round the base, %2 round the rim", {work.body.aroundBase(), work.body.aroundRim()}});
  }
  letterAcross(draft, 0.33, 0.45, Length::mm(3), 40, work.stage);
}

std::vector<Draft> bandDrafts(const WrapWork& work, bool paper) {
  const std::vector<RingFit>& rings = work.laying.rings;
  const auto count = static_cast<long>(rings.size());
  std::vector<Draft> drafts;
  for (std::size_t i = rings.size(); i-- > 0;) {
    Draft draft = onFit(rings[i], work.layout.overlap(), work.layout.seamAt(),
                        i == 0 ? work.overhang : Length());
    if (i == 0) snip(draft, work.body, work.overhang);
    const long number = count - static_cast<long>(i);
    const Length inset = draft.height() * 0.12;
    for (const double degrees : {-120.0, -60.0, 60.0, 120.0}) {
      // Joins are counted from the rim down; the uppermost band has none above it.
      if (number > 1) {
        numberJoin(draft, Angle::degrees(degrees), draft.high - inset, number - 1);
      }
      if (i > 0) numberJoin(draft, Angle::degrees(degrees), draft.low + inset, number);
    }
    letterAcross(draft, 0.5, 0.3, Length::mm(5), work.cupName.size() + 26,
                 paper ? Sentence{"%1: paper band %2 of %3", {work.cupName, number, count}}
                       : Sentence{"%1: band %2 of %3", {work.cupName, number, count}});
    if (draft.height() > Length::mm(20)) {
      letterAcross(draft, 0.3, 0.3, Length::mm(3), 40, work.stage);
    }
    drafts.push_back(std::move(draft));
  }
  return drafts;
}

std::vector<Draft> goreDrafts(const WrapWork& work, bool paper) {
  const int count = work.laying.gores;
  const Gore gore(work.body, work.layout.low(), work.layout.high(), count);
  std::vector<Draft> drafts;
  for (int i = 0; i < count; ++i) {
    Draft draft = onGore(gore, work.layout.seamAt(), i);
    const Length at = draft.low + draft.height() * 0.6;
    const Angle side = draft.half * 0.72;
    // Join n is to the left of gore n; the seam is join 1.
    numberJoin(draft, -side, at, i + 1);
    numberJoin(draft, side, at, (i + 1) % count + 1);
    letterAcross(draft, 0.5, 0.7, Length::mm(5), 8, {"%1 / %2", {long{i} + 1, long{count}}});
    letterAcross(draft, 0.42, 0.8, Length::mm(3), work.cupName.size() + 7,
                 paper ? Sentence{"%1, paper", {work.cupName}} : Sentence{"%1", {work.cupName}});
    letterAcross(draft, 0.36, 0.8, Length::mm(2.2), 32, work.stage);
    drafts.push_back(std::move(draft));
  }
  return drafts;
}

/// One part once round, on the cone itself where the body is one.
Draft wholeDraft(const WrapWork& work, bool paper) {
  const bool straightSheet =
      work.laying.kind == LayingKind::sheet && !work.layout.body().isCylinder();
  const bool exact = work.body.isCone() && work.laying.slits.empty() && !straightSheet;
  Draft draft = exact           ? onRing(work.layout, Length())
                : straightSheet ? onSheet(work)
                                : onFit(work.laying.rings.front(), work.layout.overlap(),
                                        work.layout.seamAt(), work.overhang);
  for (const SlitRow& row : work.laying.slits) slit(draft, row);
  snip(draft, work.body, work.overhang);
  title(draft, work, paper,
        paper ? Sentence{"%1: paper test piece", {work.cupName}}
              : Sentence{"%1: wrap", {work.cupName}},
        paper ? 19 : 6);
  return draft;
}

/// The picture over one of the drafts and its overlap.
void print(Draft& draft, const WrapWork& work, std::size_t index) {
  const bool gores = work.laying.kind == LayingKind::gores;
  const Angle middle =
      gores ? draft.half * (2.0 * static_cast<double>(index) + 1) - Angle::halfTurn() : Angle();
  printOn(draft, *work.lie, middle - draft.half,
          middle + draft.half + work.lie->angleOf(work.layout.overlap()), middle);
}

}  // namespace

std::vector<Part> wrapParts(const WrapWork& work, bool paper) {
  std::vector<Draft> drafts;
  if (work.laying.kind == LayingKind::bands) {
    drafts = bandDrafts(work, paper);
  } else if (work.laying.kind == LayingKind::gores) {
    drafts = goreDrafts(work, paper);
  } else {
    drafts.push_back(wholeDraft(work, paper));
  }
  const std::string id = paper ? "test" : "wrap";
  std::vector<Part> parts;
  for (std::size_t i = 0; i < drafts.size(); ++i) {
    Draft& draft = drafts[i];
    draft.part.id = drafts.size() > 1 ? id + "-" + std::to_string(i + 1) : id;
    draft.part.kind = paper ? PartKind::paper : PartKind::film;
    draft.part.material = paper ? PartMaterial::paper : PartMaterial::permanent;
    if (!paper && work.lie) print(draft, work, i);
    draft.part.of = {work.of};
    addDirections(draft, work.layout.seamAt());
    addFeatures(draft, work.features);
    if (i == 0) addScaleBar(draft, work.unit);
    parts.push_back(std::move(draft.part));
  }
  return parts;
}

Part baseDiscPart(Length radius, Unit unit, const std::string& cupName) {
  const double r = radius.mm();
  Part part;
  part.id = "base";
  part.outline.start = {-r, 0};
  part.outline.arcTo({r, 0}, 1);
  part.outline.arcTo({-r, 0}, 1);
  // Seen as it is laid, from below: the front at the lower edge, left and right as one then sees
  // them.
  for (const RoundMark& mark : roundMarks()) {
    const double a = mark.onCup.radians();
    const Point out{-std::sin(a), -std::cos(a)};
    Path tick{out * r, {}};
    tick.lineTo(out * (r * (mark.kind == GuideKind::front ? 0.6 : 0.8)));
    part.guides.push_back({mark.kind, tick});
    const Length letters = letterHeight(5, radius * 0.35, Length::mm(3));
    if (letters == Length()) continue;
    part.letterings.push_back(
        {out * (r * (mark.kind == GuideKind::front ? 0.52 : 0.68)), letters, Angle(), mark.name});
  }
  Path middle{{-2, 0}, {}};
  middle.lineTo({2, 0});
  part.guides.push_back({GuideKind::quarter, middle});
  Path cross{{0, -2}, {}};
  cross.lineTo({0, 2});
  part.guides.push_back({GuideKind::quarter, cross});
  const Length letters = letterHeight(cupName.size() + 6, radius * 1.2, Length::mm(3.5));
  if (letters > Length()) {
    part.letterings.push_back({{0, r * 0.3}, letters, Angle(), {"%1: base", {cupName}}});
  }
  const Length size = letterHeight(14, radius, Length::mm(2.8));
  if (size > Length()) {
    const Length across = readTape(radius * 2, usualGraduation(unit)).mark;
    part.letterings.push_back({{0, r * 0.16}, size, Angle(), {"%1 across", {across}}});
  }
  return part;
}

}  // namespace avrelt
