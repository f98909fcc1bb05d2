// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <list>
#include <QImage>
#include <QPainterPath>

#include "app/look/painting.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// A picture's dots, read once and kept for all views; null where it cannot be read.
const PictureSizes* dotsFor(const SharedPicture& picture);
/// A drawn picture for the painter.
QImage imageOf(const Picture& picture);
/// What brings mm to pixels as a fit does.
Transform transformOf(const Fit& fit);

/// Pictures drawn over shapes; each kept as an image while it is asked for in the same way.
class PrintPaint {
 public:
  /// Begins a picture of the view: what was not drawn in the last one is forgotten.
  void begin();
  /// Draws a picture within a shape of the painter's. `toPixels` brings the mesh's plane there.
  void draw(QPainter& painter, const QPainterPath& shape, const SharedPicture& picture,
            const PictureMesh& mesh, const Transform& toPixels);

 private:
  struct Kept {
    SharedPicture picture;
    PictureMesh mesh;
    Transform toPixels;
    QRect room;
    QImage image;
    bool asked = true;
  };
  std::list<Kept> kept_;
};

}  // namespace avrelt
