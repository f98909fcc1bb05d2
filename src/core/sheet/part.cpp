// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/part.h"

namespace avrelt {

const char* kindName(PartKind kind) {
  static constexpr const char* names[] = {"film", "stencil", "strip", "decal", "paper"};
  return names[static_cast<std::size_t>(kind)];
}

const char* turnName(MayTurn turn) {
  static constexpr const char* names[] = {"any", "half", "no"};
  return names[static_cast<std::size_t>(turn)];
}

Box Part::bounds() const {
  Box box = boundsOf(outline);
  for (const Path& one : more) box.add(boundsOf(one));
  return box;
}

Area Part::area() const {
  Area total = areaOf(outline);
  for (const Path& one : more) total = total + areaOf(one);
  for (const Path& hole : holes) total = total + areaOf(hole);  // clockwise: negative
  return total;
}

PartMaterial materialOf(const Finish& finish) {
  if (finish.picture.picture) return PartMaterial::printable;
  if (finish.printed) return PartMaterial::printed;
  return finish.opaque ? PartMaterial::permanent : PartMaterial::clear;
}

Part movedBy(const Part& part, Point offset) {
  Part moved = part;
  moved.outline = movedBy(part.outline, offset);
  for (Path& one : moved.more) one = movedBy(one, offset);
  for (Path& hole : moved.holes) hole = movedBy(hole, offset);
  for (Path& slit : moved.slits) slit = movedBy(slit, offset);
  for (Tint& tint : moved.tints) {
    for (Path& edge : tint.edges) edge = movedBy(edge, offset);
  }
  if (moved.print) {
    for (MeshNode& node : moved.print->mesh.nodes) node.at = node.at + offset;
  }
  for (Guide& guide : moved.guides) guide.path = movedBy(guide.path, offset);
  for (Lettering& lettering : moved.letterings) lettering.at = lettering.at + offset;
  return moved;
}

}  // namespace avrelt
