// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/count_box.h"

#include <QToolTip>

namespace avrelt {

void CountBox::stepBy(int steps) {
  const bool stops = steps > 0 ? value() == maximum() : value() == minimum();
  QSpinBox::stepBy(steps);
  if (stops) sayRange();
}

QValidator::State CountBox::validate(QString& text, int& at) const {
  const QValidator::State state = QSpinBox::validate(text, at);
  QString number = text;
  number.remove(suffix()).remove(prefix());
  bool isNumber = false;
  const int typed = number.trimmed().toInt(&isNumber);
  if (state != QValidator::Acceptable && isNumber && (typed > maximum() || typed < minimum())) {
    // A low number may be the beginning of a higher one.
    if (state == QValidator::Invalid || typed > maximum()) sayRange();
  }
  return state;
}

void CountBox::sayRange() const {
  if (!isVisible()) return;
  const QString low =
      specialValueText().isEmpty() ? textFromValue(minimum()) + suffix() : specialValueText();
  const QString words = tr("From %1 to %2").arg(low, textFromValue(maximum()) + suffix());
  QToolTip::showText(mapToGlobal(QPoint(0, height())), words, const_cast<CountBox*>(this));
}

}  // namespace avrelt

#include "moc_count_box.cpp"
