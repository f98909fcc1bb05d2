// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "cup/development.h"
#include "cup/laying_kind.h"
#include "measure/fault.h"
#include "measure/length_text.h"

namespace avrelt {

/// Where the film that goes all round lies, and what it is where it lies over everything. Nothing
/// said, a cup that is not divided, filled or coloured has it, under whatever is laid on it.
enum class WrapOver { unsaid, none, under, clear, printed };

/// What the maker chooses for a full wrap.
struct Wrap {
  /// Bare wall left below the wrap, measured up the wall from the base edge.
  WrittenLength baseClearance;
  /// Bare wall left above it, so that the last coats seal onto metal. About 1/8 in is common
  /// (common practice, no published source).
  WrittenLength rimClearance{Length::inches(0.125), "1/8 in"};
  /// What the wrap runs on past the seam, on its right-hand end. 0 for edges that meet.
  WrittenLength overlap{Length::inches(0.125), "1/8 in"};
  /// Where the seam stands. 180° is the back.
  CupAngle seamAt = CupAngle::back();
  /// How the film is brought onto the wall; left out, as recommended.
  std::optional<LayingKind> laying;
  WrapOver over = WrapOver::unsaid;
  std::string kept;

  friend bool operator==(const Wrap&, const Wrap&) = default;
};

/// A full wrap laid out on its cup: between two rings, once round from the seam, and the overlap.
///
/// In its own frame θ runs from −180° at the seam's left edge to 180° at its right edge, so that
/// seam edges are the part's ends. On the cup those two edges are one line.
class WrapLayout {
 public:
  /// Refused, naming the field: clearances that leave under 1 mm of wall, a clearance outside the
  /// body, an overlap of once round or more, a sector that would lie over itself in the flat.
  ///
  /// `overhang` runs on below the base edge, to be folded under; with it goes no base clearance.
  static CheckedAll<WrapLayout> of(const Development& body, const Wrap& wrap,
                                   Length overhang = Length());

  const Development& body() const { return body_; }
  /// Below 0 where the wrap hangs over the base edge.
  Length low() const { return low_; }
  Length high() const { return high_; }
  Length overlap() const { return overlap_; }
  CupAngle seamAt() const { return seamAt_; }

  /// A direction round the cup in the part's frame, from −180° (left out) to 180°.
  Angle inPiece(CupAngle onCup) const { return (onCup - seamAt_ - Angle::halfTurn()).wrapped(); }

  /// Where the overlap's free edge stands at height s, in the part's frame. The overlap is as
  /// wide as asked at every height: its edge is parallel to the seam in the flat.
  Angle overlapEnd(Length s) const;

  /// How far beyond the seam a flat place lies, square to it: what the overlap would have to be
  /// for its edge to run there. Negative on the wrap itself.
  Length beyondSeam(Point p) const;

  /// The cut line, counter-clockwise from the low left corner.
  Path outline() const;
  /// The seam where the overlap begins; the line the other end is laid to.
  Path seamLine() const;

 private:
  WrapLayout(const Development& body, Length low, Length high, Length overlap, CupAngle seamAt)
      : body_(body), low_(low), high_(high), overlap_(overlap), seamAt_(seamAt) {}

  Development body_;
  Length low_;
  Length high_;
  Length overlap_;
  CupAngle seamAt_;
};

}  // namespace avrelt
