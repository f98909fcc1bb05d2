// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/print_paint.h"

#include <algorithm>
#include <cstring>
#include <QPainter>

#include "files/picture_file.h"

namespace avrelt {

const PictureSizes* dotsFor(const SharedPicture& picture) {
  static PictureDots dots;
  return dots(picture);
}

QImage imageOf(const Picture& picture) {
  QImage image(picture.wide, picture.tall, QImage::Format_RGBA8888);
  const auto row = static_cast<std::size_t>(picture.wide) * 4;
  for (int y = 0; y < picture.tall; ++y) {
    std::memcpy(image.scanLine(y), &picture.rgba[static_cast<std::size_t>(y) * row], row);
  }
  return image;
}

Transform transformOf(const Fit& fit) {
  const QPointF origin = fit({0, 0});
  return {fit.scale(), 0, 0, -fit.scale(), origin.x(), origin.y()};
}

void PrintPaint::begin() {
  kept_.remove_if([](const Kept& one) { return !one.asked; });
  for (Kept& one : kept_) one.asked = false;
}

void PrintPaint::draw(QPainter& painter, const QPainterPath& shape, const SharedPicture& picture,
                      const PictureMesh& mesh, const Transform& toPixels) {
  const QRect window = painter.viewport();
  const QRect room = shape.boundingRect().toAlignedRect().intersected(window);
  if (room.isEmpty()) return;
  auto found = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& one) {
    return one.room == room && one.toPixels == toPixels && one.picture == picture &&
           one.mesh == mesh;
  });
  if (found == kept_.end()) {
    const PictureSizes* dots = dotsFor(picture);
    if (dots == nullptr) return;
    const double sharp = painter.device()->devicePixelRatioF();
    Picture drawn;
    drawn.wide = std::max(1, static_cast<int>(room.width() * sharp));
    drawn.tall = std::max(1, static_cast<int>(room.height() * sharp));
    drawn.rgba.resize(static_cast<std::size_t>(drawn.wide) * static_cast<std::size_t>(drawn.tall) *
                      4);
    const Transform toImage{sharp, 0, 0, sharp, -room.x() * sharp, -room.y() * sharp};
    drawMesh(mesh, *dots, toImage * toPixels, {}, drawn);
    // As the window's own dots are, so that they need not be turned into them at every paint.
    kept_.push_front({picture, mesh, toPixels, room,
                      imageOf(drawn).convertToFormat(QImage::Format_ARGB32_Premultiplied), true});
    kept_.front().image.setDevicePixelRatio(sharp);
    found = kept_.begin();
  }
  found->asked = true;
  painter.save();
  painter.setClipPath(shape, Qt::IntersectClip);
  painter.drawImage(room.topLeft(), found->image);
  painter.restore();
}

}  // namespace avrelt
