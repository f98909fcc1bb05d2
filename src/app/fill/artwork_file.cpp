// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/artwork_file.h"

#include <filesystem>
#include <QFileInfo>

#include "app/fields/beside.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "files/disk.h"
#include "files/svg_drawing.h"

namespace avrelt {
namespace {

tl::expected<Checked<FoundRepeat>, ReadFaults> readArtwork(const std::string& text,
                                                           const std::string& name) {
  const auto drawing = readDrawing(text, name);
  if (!drawing) return tl::unexpected(drawing.error());
  return findRepeat(*drawing);
}

}  // namespace

QString foundWords(const FoundRepeat& found, Unit unit) {
  const Repeat& artwork = found.artwork;
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

tl::expected<FoundRepeat, QString> takeArtwork(Order& order, const QString& path, QWidget* window) {
  const Unit unit = order.unit();
  const QString name = QFileInfo(path).fileName();
  if (zoneInHand(order) == nullptr) {
    return tl::unexpected(Order::tr("Take a zone in hand first, then choose the drawing."));
  }
  const tl::expected<std::string, Sentence> text =
      readFile(std::filesystem::path(path.toStdString()));
  if (!text) return tl::unexpected(say(text.error(), unit));
  const auto taken = beside(window, Order::tr("Reading %1…").arg(name),
                            [text = *text, name = name.toStdString()](Going& /*going*/) {
                              return readArtwork(text, name);
                            });
  if (!taken) return tl::unexpected(Order::tr("%1 was not taken. %2").arg(name, taken.error()));
  if (!*taken) {
    const ReadFaults& faults = taken->error();
    QString words = QString::fromStdString(inWords(faults.front(), name.toStdString(), unit));
    if (faults.size() > 1) words += Order::tr(" And %1 more like it.").arg(faults.size() - 1);
    return tl::unexpected(words);
  }
  const Checked<FoundRepeat>& found = **taken;
  if (!found) {
    return tl::unexpected(
        Order::tr("%1 cannot be taken. %2").arg(name, say(found.error().sentence, unit)));
  }
  if (!fillWithArtwork(order, found->artwork)) {
    return tl::unexpected(
        Order::tr("%1 was not taken: the order would be too large to be saved. Simplify its paths, "
                  "or begin another order.")
            .arg(name));
  }
  return *found;
}

}  // namespace avrelt
