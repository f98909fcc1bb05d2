// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "divide/picture_lie.h"
#include "pattern/fill.h"
#include "sheet/draft.h"
#include "sheet/part.h"

namespace avrelt {

/// All that a pattern's templates are made from.
struct FillWork {
  const FillPlan& plan;
  const Fill& fill;
  const Zone& zone;
  const Wall& wall;  ///< the cup when they are laid
};

/// A zone rolled out, or one of the strips its template is parted into, and the cells in it where
/// they lie: a zone across the seam is carried on past it; one that goes all round on a true cone
/// is cut there with everything in it, a strip along its cells' own lines.
class TemplateSheet {
 public:
  TemplateSheet(const FillWork& work, const Development& flat);
  /// The strip of this number of the plan's.
  TemplateSheet(const FillWork& work, std::size_t strip);

  /// The cells in it, by their places in the plan, and the edge, openings, middle of each.
  std::size_t count() const { return cells_.size(); }
  const Cell& cell(std::size_t i) const { return work_.plan.cells[cells_[i].index]; }
  /// A cell's outline and openings; where the seam cuts it, of its parts.
  std::vector<std::vector<Point>> outlines(std::size_t i) const;

  /// The edge to be cut. Where it is in several parts, the part is the sheet round them. Its id has
  /// the zone's letter, and a strip's number.
  Part part(PartKind kind, PartMaterial material, const std::string& id) const;
  /// A cell as a part of its own, in one even where the seam cuts it.
  Part whole(std::size_t i) const;
  /// What is printed on it.
  PartPrint printOf(std::size_t i, const PictureLie& lie) const;
  /// What is printed on all of the sheet.
  PartPrint printOf(const PictureLie& lie) const;
  /// Words in the middle of a part.
  static void label(Part& part, const Box& room, const std::string& words);
  /// Writes words on a cell, in every part of it that has room, and gives that room.
  std::vector<Box> label(Part& part, std::size_t i, const std::string& words) const;

 private:
  struct Placed {
    std::size_t index;
    std::vector<WallLine> lines;
    std::vector<Patch> spots;  ///< that a label stands in each of
  };
  const Patch& patchOf(std::size_t i) const;
  std::vector<Point> drawn(const WallLine& line) const;
  void numberJoins(Part& part) const;

  FillWork work_;
  const Development* flat_ = nullptr;  ///< of the whole zone
  WallToPart place_;
  std::vector<WallLine> edge_;
  std::vector<Placed> cells_;
  std::size_t strip_ = 0;  ///< counted from 1; 0 of the whole zone
};

/// The sheets a pattern's template is cut as: one, or one a strip.
std::vector<TemplateSheet> sheetsOf(const FillWork& work);

/// A closed outline through points.
Path closedPath(const std::vector<Point>& points);
/// A rectangle so much larger than a box, and below it.
Path sheetRound(const Box& box, double around, double below);

}  // namespace avrelt
