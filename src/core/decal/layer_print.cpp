// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/layer_print.h"

#include <algorithm>
#include <cmath>

namespace avrelt {

Faults faultsOf(const LayerPrint& print) {
  Faults faults;
  if (print.id.empty()) return faults;
  constexpr Length least = Length::mm(1);
  if (print.wide.length < least || print.wide.length > widestPrint) {
    faults.push_back(
        {"wide", {"A picture on a layer is from %1 to %2 wide.", {least, widestPrint}}});
  }
  const auto off = [&](const char* field, const WrittenLength& by) {
    if (abs(by.length) > widestPrint) {
      faults.push_back({field, {"A picture lies up to %1 off the set's middle.", {widestPrint}}});
    }
  };
  off("right", print.right);
  off("up", print.up);
  return faults;
}

Point onPicture(const LayerPrint& print, Point p) {
  const double wide = print.wide.length.mm();
  const double tall = wide / print.picture->proportion();
  const Point off = turning(-print.turn)(p - Point{print.right.length.mm(), print.up.length.mm()});
  return {off.x / wide + 0.5, off.y / tall + 0.5};
}

PictureMesh meshOf(const LayerPrint& print, const Box& over, const Transform& way, Length apart) {
  const auto steps = [&](double mm) {
    return std::max<std::size_t>(1, static_cast<std::size_t>(std::ceil(mm / apart.mm())));
  };
  const std::size_t across = steps(over.width());
  const std::size_t up = steps(over.height());
  PictureMesh mesh;
  mesh.across = across + 1;
  if (print.tiled) mesh.everyWide = mesh.everyTall = 1;
  for (std::size_t row = 0; row <= up; ++row) {
    for (std::size_t column = 0; column <= across; ++column) {
      const Point p{
          over.low.x + over.width() * static_cast<double>(column) / static_cast<double>(across),
          over.low.y + over.height() * static_cast<double>(row) / static_cast<double>(up)};
      mesh.nodes.push_back({way(p), onPicture(print, p)});
    }
  }
  return mesh;
}

}  // namespace avrelt
