// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/photo.h"

#include <QFileInfo>
#include <QImageReader>

namespace avrelt {

tl::expected<QImage, Sentence> readPhoto(const QString& path) {
  const std::string name = QFileInfo(path).fileName().toStdString();
  QImageReader reader(path);
  reader.setDecideFormatFromContent(true);
  reader.setAutoTransform(true);
  if (!QFileInfo(path).isReadable()) {
    return tl::unexpected(
        Sentence{"“%1” cannot be read. Check that it is there and yours to open.", {name}});
  }
  if (!reader.canRead()) {
    return tl::unexpected(Sentence{
        "“%1” is no picture Avrelt can read. Choose a photo as JPEG, PNG, BMP or GIF.", {name}});
  }
  const QSize size = reader.size();
  const double megapixels = static_cast<double>(size.width()) * size.height() / 1e6;
  if (megapixels > mostMegapixels) {
    return tl::unexpected(
        Sentence{"“%1” has %2 megapixels, and up to %3 are read. Save it smaller: 12 are plenty.",
                 {name, static_cast<long>(megapixels), long{mostMegapixels}}});
  }
  QImage image = reader.read();
  if (image.isNull()) {
    return tl::unexpected(
        Sentence{"“%1” breaks off or is damaged. Take the photo again, or save it anew.", {name}});
  }
  return image;
}

}  // namespace avrelt
