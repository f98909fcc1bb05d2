// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/phrases.h"

#include <QCoreApplication>

namespace avrelt {

QString say(const Sentence& sentence, Unit unit) {
  const QString pattern = QCoreApplication::translate("core", sentence.pattern.c_str());
  return QString::fromStdString(inWords(pattern.toStdString(), sentence.parts, unit));
}

QString say(Length length, Unit unit) {
  return QString::fromStdString(plainText(length, unit));
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

}  // namespace avrelt
