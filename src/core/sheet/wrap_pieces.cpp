// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/wrap_pieces.h"

#include "sheet/round_marks.h"

namespace avrelt {
namespace {

/// Words across the piece at its front-opposite-seam middle, at a share of its height.
void letterAcross(Piece& piece, const WrapLayout& layout, double share, Length tallest,
                  std::size_t characters, Sentence words) {
  const Length height = layout.high() - layout.low();
  const Length at = layout.low() + height * share;
  const Length width = layout.body().around(at) * 0.45;
  const Length letters = letterHeight(characters, width, std::min(tallest, height * 0.1));
  if (letters == Length()) return;
  piece.letterings.push_back(
      {layout.body().toFlat({Angle::degrees(0), at}), letters, Angle(), std::move(words)});
}

/// A bar of known length low on the piece, in the middle, where the piece has room for it.
void addScaleBar(Piece& piece, const WrapLayout& layout, Unit unit) {
  const Length bar = unit == Unit::inch ? Length::inches(2) : Length::mm(50);
  const Length height = layout.high() - layout.low();
  const Length at = layout.low() + height * 0.22;
  if (height < Length::mm(40) || layout.body().around(at) < bar * 2) return;
  const Point middle = layout.body().toFlat({Angle(), at});
  const Point half{bar.mm() / 2, 0};
  const Point tick{0, 1.5};
  Path path{middle - half + tick, {}};
  path.lineTo(middle - half - tick);
  path.lineTo(middle - half);
  path.lineTo(middle + half);
  path.lineTo(middle + half + tick);
  path.lineTo(middle + half - tick);
  piece.guides.push_back({GuideKind::scaleBar, path});
  piece.letterings.push_back({middle + Point{0, 3.2}, Length::mm(2.8), Angle(), {"%1", {bar}}});
}

Piece onLayout(const WrapLayout& layout) {
  Piece piece;
  piece.outline = layout.outline();
  if (layout.overlap() > Length()) piece.guides.push_back({GuideKind::seam, layout.seamLine()});

  const Development& body = layout.body();
  const Length height = layout.high() - layout.low();
  for (const RoundMark& mark : roundMarks()) {
    if (onSeam(layout, mark.onCup)) continue;
    const Angle theta = layout.inPiece(mark.onCup);
    // Ticks at both ends, the front's the longest: enough to line up by, and out of a pattern's
    // way.
    const Length tick = height * (mark.kind == GuideKind::front ? 0.16 : 0.08);
    piece.guides.push_back({mark.kind, body.upright(theta, layout.low(), layout.low() + tick)});
    piece.guides.push_back({mark.kind, body.upright(theta, layout.high() - tick, layout.high())});
    const Length at = layout.high() - height * 0.13;
    const Length letters =
        letterHeight(5, body.around(at) * 0.1, std::min(Length::mm(3.5), height * 0.08));
    if (letters == Length()) continue;
    // Beside the line, so that the line stays readable.
    const Angle beside = Angle::radians((letters * 2) / body.radius(at));
    piece.letterings.push_back(
        {body.toFlat({theta + beside, at}), letters, -body.flatAngle(theta + beside), mark.name});
  }
  return piece;
}

}  // namespace

Piece wrapPiece(const WrapLayout& layout, Unit unit, const std::string& cupName) {
  Piece piece = onLayout(layout);
  addScaleBar(piece, layout, unit);
  piece.id = "wrap";
  piece.role = PieceRole::wrap;
  letterAcross(piece, layout, 0.52, Length::mm(5), cupName.size() + 6, {"%1: wrap", {cupName}});
  letterAcross(piece, layout, 0.40, Length::mm(3.5), 46,
               {"%1 round the base, %2 round the rim",
                {layout.body().aroundBase(), layout.body().aroundRim()}});
  return piece;
}

Piece testPiece(const WrapLayout& layout, Unit unit, const std::string& cupName) {
  Piece piece = onLayout(layout);
  addScaleBar(piece, layout, unit);
  piece.id = "test";
  piece.role = PieceRole::testPiece;
  letterAcross(piece, layout, 0.52, Length::mm(5), cupName.size() + 19,
               {"%1: paper test piece", {cupName}});
  letterAcross(piece, layout, 0.40, Length::mm(3.5), 66,
               {"The left edge has to meet the seam line from rim to base.", {}});
  return piece;
}

}  // namespace avrelt
