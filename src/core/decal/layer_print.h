// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "measure/angle.h"
#include "measure/fault.h"
#include "measure/length_text.h"
#include "shape/box.h"
#include "shape/picture_mesh.h"
#include "shape/polygon.h"

namespace avrelt {

/// The picture a layer is printed with before it is cut, and how it lies: in the plane of the set
/// as it lies unturned on a place, from its middle. It goes where the set goes, turned and larger
/// with it, but is never bent.
struct LayerPrint {
  std::string id{};         ///< of one of the order's pictures; empty: none
  SharedPicture picture{};  ///< put here by who holds the order; none where it is gone
  bool tiled = false;       ///< side by side and one above the other, else there once
  WrittenLength wide{Length::mm(60), "60 mm"};  ///< of one
  WrittenLength right{};                        ///< its middle from the set's; below 0 to the left
  WrittenLength up{};
  Angle turn{};  ///< to the left
  std::string kept{};

  friend bool operator==(const LayerPrint&, const LayerPrint&) = default;
};

inline constexpr Length widestPrint = Length::mm(2000);

/// What of a print cannot be, by member: "wide", "right".
Faults faultsOf(const LayerPrint& print);

/// How tall one is, how many of its dots go on an inch, and where the one in the middle lies. All
/// want the picture to be there.
Length tallOf(const LayerPrint& print);
double dotsPerInch(const LayerPrint& print);
Polygon fieldOf(const LayerPrint& print);
/// Which place of its picture lies at a place of the set's plane.
Point onPicture(const LayerPrint& print, Point p);
/// The picture over a box of the set's plane; `way` brings that plane to the mesh's.
PictureMesh meshOf(const LayerPrint& print, const Box& over, const Transform& way);
/// A mesh without nodes that repeats as the print does.
PictureMesh emptyMesh(const LayerPrint& print);

}  // namespace avrelt
