// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/laid_out.h"

#include "shape/transform.h"

namespace avrelt {

Polygon pieceShape(const Part& part) {
  constexpr Length closely = Length::mm(0.005);
  Polygon shape{flattened(part.outline, closely)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, closely));
  }
  return shape;
}

namespace {

Path turnedBy(const Path& path, const Transform& turn) {
  // A stretch's bulge is its own, however it is turned.
  Path turned{turn(path.start), {}};
  turned.stretches.reserve(path.stretches.size());
  for (const Stretch& stretch : path.stretches) {
    turned.stretches.push_back({turn(stretch.end), stretch.bulge});
  }
  return turned;
}

}  // namespace

Part laidOut(const Part& part, Angle turn, Point at) {
  const Transform way = turning(turn);
  Part laid = part;
  laid.outline = turnedBy(part.outline, way);
  for (std::vector<Path>* paths : {&laid.more, &laid.holes, &laid.slits}) {
    for (Path& path : *paths) path = turnedBy(path, way);
  }
  for (Tint& tint : laid.tints) {
    for (Path& edge : tint.edges) edge = turnedBy(edge, way);
  }
  if (laid.print) {
    for (MeshNode& node : laid.print->mesh.nodes) node.at = way(node.at);
  }
  for (Guide& guide : laid.guides) guide.path = turnedBy(guide.path, way);
  for (Lettering& lettering : laid.letterings) {
    lettering.at = way(lettering.at);
    lettering.turn = lettering.turn + turn;
  }
  return movedBy(laid, at);
}

}  // namespace avrelt
