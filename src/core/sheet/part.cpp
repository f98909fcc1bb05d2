// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/part.h"

namespace avrelt {

const char* kindName(PartKind kind) {
  static constexpr const char* names[] = {"film", "stencil", "strip", "decal", "paper"};
  return names[static_cast<std::size_t>(kind)];
}

const char* materialName(PartMaterial material) {
  static constexpr const char* names[] = {"permanent_film", "printed_film",       "clear_film",
                                          "printable_film", "heat_applied_film",  "stencil_film",
                                          "removable_film", "double_sided_sheet", "paper"};
  return names[static_cast<std::size_t>(material)];
}

Sentence materialTitle(PartMaterial material) {
  static const Sentence titles[] = {
      {"Film that stays", {}},     {"Printed film", {}},       {"Clear film", {}},
      {"Film to print on", {}},    {"Film set by heat", {}},   {"Stencil film", {}},
      {"Film that comes off", {}}, {"Double-sided sheet", {}}, {"Paper", {}}};
  return titles[static_cast<std::size_t>(material)];
}

const char* turnName(MayTurn turn) {
  static constexpr const char* names[] = {"any", "half", "no"};
  return names[static_cast<std::size_t>(turn)];
}

Area Part::area() const {
  Area total = areaOf(outline);
  for (const Path& hole : holes) total = total + areaOf(hole);  // clockwise: negative
  return total;
}

Part movedBy(const Part& part, Point offset) {
  Part moved = part;
  moved.outline = movedBy(part.outline, offset);
  for (Path& hole : moved.holes) hole = movedBy(hole, offset);
  for (Path& slit : moved.slits) slit = movedBy(slit, offset);
  for (Tint& tint : moved.tints) {
    for (Path& edge : tint.edges) edge = movedBy(edge, offset);
  }
  for (Guide& guide : moved.guides) guide.path = movedBy(guide.path, offset);
  for (Lettering& lettering : moved.letterings) lettering.at = lettering.at + offset;
  return moved;
}

}  // namespace avrelt
