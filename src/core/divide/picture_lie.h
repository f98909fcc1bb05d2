// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <optional>
#include <vector>

#include "cup/wall.h"
#include "divide/cut.h"
#include "divide/region.h"
#include "divide/wall_mesh.h"
#include "measure/fault.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// What is wrong with how a picture lies, by member: "wide", "up".
Faults faultsOf(const ZonePicture& picture);

/// A zone's picture as it lies on the wall.
///
/// Bent, it is as wide at the height of its middle as asked (tiles: as near to it as goes round a
/// whole number of times) and as tall as its proportion then makes it; toward the wider end of the
/// cup it is drawn wide. Straight, it lies in the flat as it is, and closes at the seam only where
/// the flat is a rectangle: there the two are one.
class PictureLie {
 public:
  /// `picture` has to be there, and its lay without faults.
  PictureLie(const ZonePicture& picture, const Wall& wall, const Region& zone);

  /// Which place of the picture lies at a place of the wall, in widths and heights of one.
  Point operator()(WallPoint p) const;
  const SharedPicture& picture() const { return picture_; }
  /// It again over a plane: `at` brings places of the wall there. Nodes at most 4 mm apart, so that
  /// what runs evenly between them is off by less than 0.05 mm on any cup over 80 mm round.
  template <typename At>
  PictureMesh over(Angle from, Angle to, Length low, Length high, const At& at) const {
    PictureMesh mesh = emptyMesh();
    addNodes(mesh, from, to, low, high, Length::mm(radius_), at, *this);
    return mesh;
  }

  /// The same over what of a zone lies between two angles, in as many pieces as it comes to lie
  /// there: it begins at the zone's own left edge, however many times round that is.
  template <typename At>
  std::vector<PictureMesh> overZone(const Region& zone, Angle from, Angle to, const At& at) const {
    std::vector<PictureMesh> meshes;
    const auto [left, right] = zone.span();
    for (const int turns : {-1, 0, 1}) {
      const Angle by = Angle::turn() * turns;
      const Angle low = std::max(left + by, from);
      const Angle high = std::min(right + by, to);
      if (low >= high) continue;
      meshes.push_back(over(low - by, high - by, zone.lowest(), zone.highest(), [&](WallPoint p) {
        return at(WallPoint{p.theta + by, p.s});
      }));
    }
    return meshes;
  }
  /// All of a zone in the flat, which ends at the seam.
  std::vector<PictureMesh> overFlat(const Region& zone, const Development& flat) const {
    return overZone(zone, -Angle::halfTurn(), Angle::halfTurn(),
                    [&flat](WallPoint p) { return flat.toFlat(p); });
  }

  Length wide() const { return Length::mm(wide_); }  ///< of one, at its middle
  Length tall() const { return Length::mm(tall_); }
  long round() const { return round_; }  ///< how many go round; 0 where it is there once
  /// Whether what is left and right of the seam belongs together.
  bool closes() const { return closes_; }
  /// By what share it is drawn wide at a height; below 0, narrow.
  double drawnWide(Length s) const;
  /// So far round the cup where it is narrowest.
  Angle angleOf(Length along) const { return Angle::radians(along / wall_.body.narrowestRadius()); }
  double dotsPerInch() const;
  /// The share of a region that none of it covers, by places 1 mm apart, coarser on a large one.
  double bareOf(const Region& region) const;

 private:
  PictureMesh emptyMesh() const;

  SharedPicture picture_;
  Wall wall_;
  bool straight_ = false;
  bool once_ = false;
  Angle at_;  ///< of the frame
  Length up_;
  Angle turn_;
  double radius_ = 0;  // mm, at the middle's height
  double wide_ = 0;
  double tall_ = 0;
  int dots_ = 0;
  long round_ = 0;
  bool closes_ = true;
  double everyTall_ = 0;
};

/// How the picture of a zone's finish lies; nothing where it has none, or one that cannot lie so.
std::optional<PictureLie> lieOf(const Finish& finish, const Wall& wall, const Region& zone);

}  // namespace avrelt
