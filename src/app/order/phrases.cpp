// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/phrases.h"

#include <cmath>
#include <QCoreApplication>

#include "app/order/order.h"

namespace avrelt {

QString say(const Sentence& sentence, Unit unit) {
  return QString::fromStdString(inWords(sentence, unit, [](const std::string& pattern) {
    return QCoreApplication::translate("core", pattern.c_str()).toStdString();
  }));
}

QString say(Length length, Unit unit) {
  return QString::fromStdString(plainText(length, unit));
}

QString layingWords(const Laying& laying) {
  switch (laying.kind) {
    case LayingKind::bands:
      return laying.pieces == 1 ? Order::tr("1 band") : Order::tr("%1 bands").arg(laying.pieces);
    case LayingKind::gores:
      return Order::tr("%1 gores").arg(laying.gores);
    case LayingKind::slits: {
      int count = 0;
      for (const SlitRow& row : laying.slits) count += row.count;
      return count == 0 ? Order::tr("sector, no slits needed")
                        : Order::tr("sector with %1 slits").arg(count);
    }
    case LayingKind::sheet:
    case LayingKind::sector:
      break;
  }
  return laying.kind == LayingKind::sheet ? Order::tr("straight sheet") : Order::tr("ring sector");
}

QString say(Area area, Unit unit) {
  return unit == Unit::inch ? Order::tr("%1 in²").arg(area.mm2() / (25.4 * 25.4), 0, 'f', 1)
                            : Order::tr("%1 cm²").arg(area.mm2() / 100, 0, 'f', 1);
}

QString percentText(double share) {
  return QString::number(std::abs(share) * 100, 'f', 1) + QStringLiteral(" %");
}

TapePhrase onTape(Length length, Unit unit) {
  const TapeReading reading = readTape(length, usualGraduation(unit));
  TapePhrase phrase{QString::fromStdString(reading.text), {}};
  if (abs(reading.error) >= Length::mm(0.01)) {
    // What to add to the mark to reach the true length reads more naturally than the reverse.
    phrase.error = QString::fromStdString(errorText(-reading.error, unit));
  }
  return phrase;
}

QString say(const WallMark& mark, Unit unit) {
  const QString off = onTape(abs(mark.fromFront), unit).mark;
  const QString round = abs(mark.fromFront) < Length::mm(0.05) ? Order::tr("on the front")
                        : mark.fromFront > Length() ? Order::tr("%1 right of the front").arg(off)
                                                    : Order::tr("%1 left of the front").arg(off);
  return Order::tr("%1 up from the base, %2 down from the rim, %3")
      .arg(onTape(mark.fromBase, unit).mark, onTape(mark.fromRim, unit).mark, round);
}

}  // namespace avrelt
