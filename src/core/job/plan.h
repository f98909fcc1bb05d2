// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cup/development.h"
#include "cup/wrap.h"
#include "job/document.h"
#include "sheet/piece.h"
#include "sheet/tiling.h"
#include "watch/watch.h"

namespace avrelt {

/// Everything computed for one cup.
struct CupPlan {
  std::string name;
  /// The name as files carry it: lower case, digits and hyphens; unique within a plan.
  std::string slug;
  /// The bare cup, as its stations measure it.
  Development bare;
  /// The cup the pieces are sized for: bare, or under the coats on it when they are laid.
  Development surface;
  /// The cup from bare to its last coat, and the one the pieces are laid at.
  std::vector<Stage> stages;
  int laidAfter = 0;
  /// How wrong it can be at the seam.
  SeamDoubt seamDoubt;
  WrapLayout wrap;
  std::vector<Piece> pieces;  ///< wrap, test piece, marking strip
  std::vector<Watch> watches;

  const Piece& piece(PieceRole role) const;
};

/// Everything computed from a document. A value: the same document gives the same plan.
struct Plan {
  Unit units = Unit::inch;
  Paper paper = Paper::letter;
  std::vector<CupPlan> cups;
};

/// Plans one cup. Faults name fields counted from the cup ("wrap.overlap").
CheckedAll<CupPlan> planCup(const Cup& cup, Unit unit);

/// Plans a document. Faults name fields counted from the document ("cups[0].wrap.overlap"), all
/// of them at once, cup by cup.
CheckedAll<Plan> planDocument(const Document& document);

/// A name fit for a file: "Tapered 350" → "tapered-350"; nothing readable left → "cup".
std::string slugOf(const std::string& name);

}  // namespace avrelt
