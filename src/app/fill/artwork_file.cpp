// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/artwork_file.h"

#include <filesystem>
#include <QFileInfo>

#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "files/disk.h"
#include "files/svg_drawing.h"

namespace avrelt {
QString foundWords(const FoundArtwork& found, Unit unit) {
  const Artwork& artwork = found.artwork;
  QString words =
      Order::tr("%1: %2 in a repeat %3 wide and %4 tall")
          .arg(QString::fromStdString(artwork.name))
          .arg(cellCount(artwork.cells.size()))
          .arg(say(Length::mm(artwork.wide), unit), say(Length::mm(artwork.tall), unit));
  words +=
      found.across * found.up > 1
          ? Order::tr(", which the drawing shows %1 × %2 times.").arg(found.across).arg(found.up)
          : Order::tr(".");
  constexpr Length seen = Length::mm(0.05);
  if (found.missAcross > seen) {
    words += Order::tr(" Its left and right edges miss each other by %1.")
                 .arg(say(found.missAcross, unit));
  }
  if (found.missUp > seen) {
    words +=
        Order::tr(" Its lower and upper edges miss each other by %1.").arg(say(found.missUp, unit));
  }
  if (found.lineWidth > Length::mm(0.01)) {
    words += Order::tr(" Lines are about %1 wide.").arg(say(found.lineWidth, unit));
  }
  for (const Sentence& note : found.notes) words += QLatin1Char(' ') + say(note, unit);
  return words;
}

tl::expected<FoundArtwork, QString> takeArtwork(Order& order, const QString& path) {
  const Unit unit = order.unit();
  const QString name = QFileInfo(path).fileName();
  if (zoneInHand(order) == nullptr) {
    return tl::unexpected(Order::tr("Take a zone in hand first, then choose the drawing."));
  }
  const tl::expected<std::string, Sentence> text =
      readFile(std::filesystem::path(path.toStdString()));
  if (!text) return tl::unexpected(say(text.error(), unit));
  const auto drawing = readDrawing(*text, name.toStdString());
  if (!drawing) {
    const ReadFaults& faults = drawing.error();
    QString words = QString::fromStdString(inWords(faults.front(), name.toStdString(), unit));
    if (faults.size() > 1) words += Order::tr(" And %1 more like it.").arg(faults.size() - 1);
    return tl::unexpected(words);
  }
  Checked<FoundArtwork> found = findArtwork(*drawing);
  if (!found) {
    return tl::unexpected(
        Order::tr("%1 cannot be taken. %2").arg(name, say(found.error().sentence, unit)));
  }
  fillWithArtwork(order, found->artwork);
  return std::move(*found);
}

}  // namespace avrelt
