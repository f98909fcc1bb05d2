// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/wrap_pieces.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "measure/tape.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

/// One piece and the way from the cup's wall onto it.
struct Draft {
  Piece piece;
  Length low;    ///< up the cup's wall
  Length high;   ///< up the cup's wall
  Angle middle;  ///< round the cup
  Angle half;    ///< to either side of the middle
  std::function<Point(Angle fromMiddle, Length s)> place;

  Length height() const { return high - low; }
  /// Which way words run at an angle from the middle: along the ring.
  Angle turnAt(Angle fromMiddle, Length s) const {
    const Angle a = Angle::radians(1e-3);
    const Point step = place(fromMiddle + a, s) - place(fromMiddle - a, s);
    return Angle::radians(std::atan2(step.y, step.x));
  }
  Path upright(Angle fromMiddle, Length from, Length to) const {
    // A straight line on a cone; a gore's leans with the wall.
    Path path{place(fromMiddle, from), {}};
    const int parts = bent ? std::max(1, static_cast<int>((to - from).mm() / 3)) : 1;
    for (int i = 1; i <= parts; ++i) {
      path.lineTo(place(fromMiddle, from + (to - from) * (static_cast<double>(i) / parts)));
    }
    return path;
  }
  bool bent = false;
};

/// Words across the piece in its middle, at a share of its height; false where they would be
/// unreadable.
bool letterAcross(Draft& draft, double share, double widthShare, Length tallest,
                  std::size_t characters, Sentence words) {
  const Length at = draft.low + draft.height() * share;
  const Point left = draft.place(-draft.half, at);
  const Length width = Length::mm(norm(draft.place(draft.half, at) - left) * widthShare);
  const Length letters = letterHeight(characters, width, std::min(tallest, draft.height() * 0.1));
  if (letters == Length()) return false;
  draft.piece.letterings.push_back({draft.place(Angle(), at), letters, Angle(), std::move(words)});
  return true;
}

/// A bar of known length low on the piece, in the middle, where the piece has room for it.
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
  draft.piece.guides.push_back({GuideKind::scaleBar, path});
  draft.piece.letterings.push_back(
      {middle + Point{0, 3.2}, Length::mm(2.8), Angle(), {"%1", {bar}}});
}

/// Ticks at both ends for the four directions, the front's the longest: enough to line up by, and
/// out of a pattern's way.
void addDirections(Draft& draft, Angle seamAt) {
  Piece& piece = draft.piece;
  const Length height = draft.height();
  for (const RoundMark& mark : roundMarks()) {
    if (abs((mark.onCup - seamAt).wrapped()) < Angle::degrees(0.01)) continue;
    const Angle off = (mark.onCup - draft.middle).wrapped();
    if (abs(off) > draft.half) continue;
    const Length tick = height * (mark.kind == GuideKind::front ? 0.16 : 0.08);
    piece.guides.push_back({mark.kind, draft.upright(off, draft.low, draft.low + tick)});
    piece.guides.push_back({mark.kind, draft.upright(off, draft.high - tick, draft.high)});
    const Length at = draft.high - height * 0.13;
    const double radius =
        norm(draft.place(off + Angle::radians(0.01), at) - draft.place(off, at)) / 0.01;
    const Length letters =
        letterHeight(5, Length::mm(radius * 0.6), std::min(Length::mm(3.5), height * 0.08));
    if (letters == Length()) continue;
    // Beside the line, so that the line stays readable.
    const Angle beside = off + Angle::radians(letters.mm() * 2 / radius);
    if (abs(beside) > draft.half) continue;
    piece.letterings.push_back(
        {draft.place(beside, at), letters, draft.turnAt(beside, at), mark.name});
  }
}

/// The edge of each place to keep clear of, as far as it lies on this piece.
void addFeatures(Draft& draft, const std::vector<Feature>& features) {
  for (const Feature& feature : features) {
    if (!coversWall(feature.kind)) continue;
    const bool allRound = feature.kind == FeatureKind::footLip;
    const Length low = std::max(allRound ? Length() : feature.low.length, draft.low);
    const Length high = std::min(feature.high.length, draft.high);
    if (low >= high) continue;
    const Angle centre = allRound ? Angle() : (feature.at - draft.middle).wrapped();
    const Angle half = allRound ? Angle::halfTurn() : feature.wide / 2;
    // Across the seam a feature shows at both ends of the piece.
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
      draft.piece.guides.push_back({GuideKind::keepClear, path});
    }
  }
}

/// A draft of a piece that is a ring sector on its own cone. `wallLow` is where the cone's own s
/// begins on the cup's wall.
Draft onRing(const WrapLayout& layout, Length wallLow) {
  Draft draft;
  draft.low = layout.low() + wallLow;
  draft.high = layout.high() + wallLow;
  draft.half = Angle::halfTurn();
  draft.middle = layout.seamAt() + Angle::halfTurn();
  draft.piece.outline = layout.outline();
  if (layout.overlap() > Length()) {
    draft.piece.guides.push_back({GuideKind::seam, layout.seamLine()});
  }
  draft.place = [body = layout.body(), wallLow](Angle theta, Length s) {
    return body.toFlat({theta, s - wallLow});
  };
  return draft;
}

/// The same for a fitted ring: on its own cone from its lower edge, plus what hangs over.
Draft onFit(const WrapWork& work, const RingFit& fit, Length overhang) {
  Wrap plain;
  plain.baseClearance = plain.rimClearance = {};
  plain.overlap = {work.layout.overlap(), {}};
  plain.seamAt = work.layout.seamAt();
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

/// The free edge under the base in triangles, so that it folds.
void snip(Draft& draft, const WrapWork& work) {
  if (work.overhang <= Length()) return;
  const Snips snips =
      snipsFor(work.body.radius(Length()), work.body.taper(Length()), work.overhang);
  const Length edge = -work.overhang;
  const Length girth = work.body.around(edge);
  const Angle half = Angle::turn() * (snips.each / girth / 2);
  for (int i = 0; i < snips.count; ++i) {
    const Angle at = -Angle::halfTurn() + Angle::turn() * ((i + 0.5) / snips.count);
    Path cut{draft.place(at - half, edge), {}};
    cut.lineTo(draft.place(at, Length()));
    cut.lineTo(draft.place(at + half, edge));
    draft.piece.slits.push_back(std::move(cut));
  }
}

void slit(Draft& draft, const SlitRow& row) {
  for (int i = 0; i < row.count; ++i) {
    const Angle at = -Angle::halfTurn() + Angle::turn() * ((i + 0.5) / row.count);
    const Length from = row.atRim ? draft.high : draft.low;
    const Length to = row.atRim ? draft.high - row.depth : draft.low + row.depth;
    draft.piece.slits.push_back(draft.upright(at, from, to));
  }
}

/// A straight sheet on a wall that is not: taller by what it runs off, its ends square.
Draft onSheet(const WrapWork& work) {
  const RingFit& fit = work.laying.rings.front();
  Draft draft = onFit(work, fit, work.overhang);
  if (work.runsOff <= Length()) return draft;
  const double width = boundsOf(draft.piece.outline).width();
  const Point low = draft.piece.outline.start;
  // The ring it follows in front lies off it by so much at the back: below on a cup wider at its
  // rim, above on one wider at its base.
  const bool widerAtRim = work.layout.body().taper() > 0;
  const double off = work.runsOff.mm();
  const double bottom = low.y - (widerAtRim ? off : 0);
  const double top = boundsOf(draft.piece.outline).high.y + (widerAtRim ? 0 : off);
  Path sheet{{low.x, bottom}, {}};
  sheet.lineTo({low.x + width, bottom});
  sheet.lineTo({low.x + width, top});
  sheet.lineTo({low.x, top});
  sheet.lineTo(sheet.start);
  draft.piece.outline = std::move(sheet);
  return draft;
}

/// "2" in a ring's place: the number of a join, at an edge of the piece.
void numberJoin(Draft& draft, Angle theta, Length s, long number) {
  const Length tall = std::min(Length::mm(4), draft.height() * 0.2);
  draft.piece.letterings.push_back(
      {draft.place(theta, s), tall, draft.turnAt(theta, s), {"%1", {number}}});
}

Draft onGore(const WrapWork& work, const Gore& gore, int index) {
  Draft draft;
  draft.bent = true;
  draft.low = gore.low();
  draft.high = gore.high();
  draft.half = gore.half();
  draft.middle = work.layout.seamAt() + gore.half() * (2.0 * index + 1);
  draft.piece.outline = gore.outline();
  draft.place = [gore](Angle theta, Length s) { return gore.toFlat(theta, s); };
  return draft;
}

void title(Draft& draft, const WrapWork& work, PieceRole role, const Sentence& name,
           std::size_t length) {
  const std::size_t characters = work.cupName.size() + length;
  letterAcross(draft, 0.52, 0.45, Length::mm(5), characters, name);
  if (role == PieceRole::testPiece) {
    letterAcross(draft, 0.40, 0.45, Length::mm(3.5), 66,
                 {"The left edge has to meet the seam line from rim to base.", {}});
  } else {
    letterAcross(
        draft, 0.40, 0.45, Length::mm(3.5), 46,
        {"%1 round the base, %2 round the rim", {work.body.aroundBase(), work.body.aroundRim()}});
  }
  letterAcross(draft, 0.33, 0.45, Length::mm(3), 40, work.stage);
}

std::vector<Draft> bandDrafts(const WrapWork& work, PieceRole role) {
  const std::vector<RingFit>& rings = work.laying.rings;
  const auto count = static_cast<long>(rings.size());
  std::vector<Draft> drafts;
  for (std::size_t i = rings.size(); i-- > 0;) {
    Draft draft = onFit(work, rings[i], i == 0 ? work.overhang : Length());
    if (i == 0) snip(draft, work);
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
                 role == PieceRole::testPiece
                     ? Sentence{"%1: paper band %2 of %3", {work.cupName, number, count}}
                     : Sentence{"%1: band %2 of %3", {work.cupName, number, count}});
    if (draft.height() > Length::mm(20)) {
      letterAcross(draft, 0.3, 0.3, Length::mm(3), 40, work.stage);
    }
    drafts.push_back(std::move(draft));
  }
  return drafts;
}

std::vector<Draft> goreDrafts(const WrapWork& work, PieceRole role) {
  const int count = work.laying.gores;
  const Gore gore(work.body, work.layout.low(), work.layout.high(), count);
  std::vector<Draft> drafts;
  for (int i = 0; i < count; ++i) {
    Draft draft = onGore(work, gore, i);
    const Length at = draft.low + draft.height() * 0.6;
    const Angle side = draft.half * 0.72;
    // Join n is to the left of gore n; the seam is join 1.
    numberJoin(draft, -side, at, i + 1);
    numberJoin(draft, side, at, (i + 1) % count + 1);
    letterAcross(draft, 0.5, 0.7, Length::mm(5), 8, {"%1 / %2", {long{i} + 1, long{count}}});
    letterAcross(draft, 0.42, 0.8, Length::mm(3), work.cupName.size() + 7,
                 role == PieceRole::testPiece ? Sentence{"%1, paper", {work.cupName}}
                                              : Sentence{"%1", {work.cupName}});
    letterAcross(draft, 0.36, 0.8, Length::mm(2.2), 32, work.stage);
    drafts.push_back(std::move(draft));
  }
  return drafts;
}

/// One piece once round, on the cone itself where the body is one.
Draft wholeDraft(const WrapWork& work, PieceRole role) {
  const bool straightSheet =
      work.laying.kind == LayingKind::sheet && !work.layout.body().isCylinder();
  const bool exact = work.body.isCone() && work.laying.slits.empty() && !straightSheet;
  Draft draft = exact           ? onRing(work.layout, Length())
                : straightSheet ? onSheet(work)
                                : onFit(work, work.laying.rings.front(), work.overhang);
  for (const SlitRow& row : work.laying.slits) slit(draft, row);
  snip(draft, work);
  const bool paper = role == PieceRole::testPiece;
  title(draft, work, role,
        paper ? Sentence{"%1: paper test piece", {work.cupName}}
              : Sentence{"%1: wrap", {work.cupName}},
        paper ? 19 : 6);
  return draft;
}

}  // namespace

std::vector<Piece> wrapPieces(const WrapWork& work, PieceRole role) {
  std::vector<Draft> drafts;
  if (work.laying.kind == LayingKind::bands) {
    drafts = bandDrafts(work, role);
  } else if (work.laying.kind == LayingKind::gores) {
    drafts = goreDrafts(work, role);
  } else {
    drafts.push_back(wholeDraft(work, role));
  }
  const std::string id = role == PieceRole::wrap ? "wrap" : "test";
  std::vector<Piece> pieces;
  for (std::size_t i = 0; i < drafts.size(); ++i) {
    Draft& draft = drafts[i];
    draft.piece.id = drafts.size() > 1 ? id + "-" + std::to_string(i + 1) : id;
    draft.piece.role = role;
    addDirections(draft, work.layout.seamAt());
    addFeatures(draft, work.features);
    if (i == 0) addScaleBar(draft, work.unit);
    pieces.push_back(std::move(draft.piece));
  }
  return pieces;
}

Piece baseDiscPiece(Length radius, Unit unit, const std::string& cupName) {
  const double r = radius.mm();
  Piece piece;
  piece.id = "base";
  piece.role = PieceRole::baseDisc;
  piece.outline.start = {-r, 0};
  piece.outline.arcTo({r, 0}, 1);
  piece.outline.arcTo({-r, 0}, 1);
  // Seen as it is laid, from below: the front at the lower edge, left and right as one then sees
  // them.
  for (const RoundMark& mark : roundMarks()) {
    const double a = mark.onCup.radians();
    const Point out{-std::sin(a), -std::cos(a)};
    Path tick{out * r, {}};
    tick.lineTo(out * (r * (mark.kind == GuideKind::front ? 0.6 : 0.8)));
    piece.guides.push_back({mark.kind, tick});
    const Length letters = letterHeight(5, radius * 0.35, Length::mm(3));
    if (letters == Length()) continue;
    piece.letterings.push_back(
        {out * (r * (mark.kind == GuideKind::front ? 0.52 : 0.68)), letters, Angle(), mark.name});
  }
  Path middle{{-2, 0}, {}};
  middle.lineTo({2, 0});
  piece.guides.push_back({GuideKind::quarter, middle});
  Path cross{{0, -2}, {}};
  cross.lineTo({0, 2});
  piece.guides.push_back({GuideKind::quarter, cross});
  const Length letters = letterHeight(cupName.size() + 6, radius * 1.2, Length::mm(3.5));
  if (letters > Length()) {
    piece.letterings.push_back({{0, r * 0.3}, letters, Angle(), {"%1: base", {cupName}}});
  }
  const Length size = letterHeight(14, radius, Length::mm(2.8));
  if (size > Length()) {
    const Length across = readTape(radius * 2, usualGraduation(unit)).mark;
    piece.letterings.push_back({{0, r * 0.16}, size, Angle(), {"%1 across", {across}}});
  }
  return piece;
}

}  // namespace avrelt
