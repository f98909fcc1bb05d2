// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <vector>

#include "shape/picture.h"
#include "shape/polygon.h"
#include "shape/transform.h"

namespace avrelt {

/// A place of a plane, and which place of a picture lies there.
struct MeshNode {
  Point at;  ///< mm
  Point on;  ///< picture widths from its left, heights from its foot

  friend bool operator==(const MeshNode&, const MeshNode&) = default;
};

/// A picture spread over some of a plane: nodes in rows, between which it runs evenly.
struct PictureMesh {
  std::size_t across = 0;  ///< nodes in a row
  std::vector<MeshNode> nodes;
  /// After how many widths or heights it comes again; 0 where it does not. Between one picture and
  /// the next nothing is shown.
  double everyWide = 0;
  double everyTall = 0;

  /// The place of the picture itself for one of any of its copies: off it, below 0 or above 1,
  /// where nothing is shown.
  Point within(Point on) const {
    const auto once = [](double at, double every) {
      return every > 0 ? at - std::floor(at / every) * every : at;
    };
    return {once(on.x, everyWide), once(on.y, everyTall)};
  }

  friend bool operator==(const PictureMesh&, const PictureMesh&) = default;
};

/// A picture half as wide and tall: each dot the mean of four, colours by how opaque they are.
Picture halved(const Picture& from);

/// A picture ready to be drawn at many sizes: with itself halved, and again, so that what is drawn
/// smaller is an average of what it covers.
class PictureSizes {
 public:
  explicit PictureSizes(Picture picture);

  /// Red, green, blue, opacity, each 0 to 255, at a place of the picture; `dots` of the whole
  /// picture go on one dot of what is drawn. Nothing, all 0, beyond its edge.
  struct Dot {
    double red = 0;
    double green = 0;
    double blue = 0;
    double opacity = 0;
  };
  Dot at(Point on, double dots) const;
  int wide() const { return sizes_.front().wide; }
  int tall() const { return sizes_.front().tall; }

 private:
  std::vector<Picture> sizes_;
};

/// Draws a mesh onto a picture, over what is there. `toDots` brings places of its plane to dots,
/// from the upper left; `within`, in dots, says where it is drawn, everywhere where it is empty.
void drawMesh(const PictureMesh& mesh, const PictureSizes& picture, const Transform& toDots,
              const Polygon& within, Picture& onto);
/// Fills a shape, in dots, with a colour, #RRGGBB.
void fillShape(const Polygon& shape, const std::string& colour, Picture& onto);

/// Which dots of a row of a picture a shape covers, by their middles: from, and up to but without.
std::vector<std::pair<int, int>> dotsOfRow(const Polygon& shape, int row, int wide);

}  // namespace avrelt
