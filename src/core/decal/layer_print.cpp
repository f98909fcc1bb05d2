// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/layer_print.h"

namespace avrelt {

Faults faultsOf(const LayerPrint& print) {
  Faults faults;
  if (print.id.empty()) return faults;
  constexpr Length least = Length::mm(1);
  if (print.wide.length < least || print.wide.length > widestPrint) {
    faults.push_back(
        {Member::printWide, {"A picture on a layer is from %1 to %2 wide.", {least, widestPrint}}});
  }
  const auto off = [&](Member member, const WrittenLength& by) {
    if (abs(by.length) > widestPrint) {
      faults.push_back({member, {"A picture lies up to %1 off the set's middle.", {widestPrint}}});
    }
  };
  off(Member::printRight, print.right);
  off(Member::printUp, print.up);
  return faults;
}

Length tallOf(const LayerPrint& print) {
  return print.wide.length / print.picture->proportion();
}

double dotsPerInch(const LayerPrint& print) {
  return print.picture->wide / print.wide.length.inches();
}

Polygon fieldOf(const LayerPrint& print) {
  const double x = print.wide.length.mm() / 2;
  const double y = tallOf(print).mm() / 2;
  const Transform lies =
      Transform{1, 0, 0, 1, print.right.length.mm(), print.up.length.mm()} * turning(print.turn);
  return mapped({{{-x, -y}, {x, -y}, {x, y}, {-x, y}}}, lies);
}

Point onPicture(const LayerPrint& print, Point p) {
  const Point off = turning(-print.turn)(p - Point{print.right.length.mm(), print.up.length.mm()});
  return {off.x / print.wide.length.mm() + 0.5, off.y / tallOf(print).mm() + 0.5};
}

PictureMesh emptyMesh(const LayerPrint& print) {
  PictureMesh mesh;
  if (print.tiled) mesh.everyWide = mesh.everyTall = 1;
  return mesh;
}

PictureMesh meshOf(const LayerPrint& print, const Box& over, const Transform& way) {
  PictureMesh mesh = emptyMesh(print);
  mesh.across = 2;
  // Both ways are straight: four corners say all.
  for (const Point& p :
       {over.low, Point{over.high.x, over.low.y}, Point{over.low.x, over.high.y}, over.high}) {
    mesh.nodes.push_back({way(p), onPicture(print, p)});
  }
  return mesh;
}

}  // namespace avrelt
