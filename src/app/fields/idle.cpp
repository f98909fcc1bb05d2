// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/idle.h"

#include <QAbstractSpinBox>
#include <QCheckBox>
#include <QSignalBlocker>

#include "app/fields/length_field.h"
#include "app/fields/segments.h"

namespace avrelt {

void showIdle(QWidget& page) {
  for (LengthField* field : page.findChildren<LengthField*>()) field->showNothing();
  for (Segments* segments : page.findChildren<Segments*>()) segments->show(-1);
  for (QAbstractSpinBox* box : page.findChildren<QAbstractSpinBox*>()) {
    const QSignalBlocker quiet(box);
    box->clear();
  }
  for (QCheckBox* box : page.findChildren<QCheckBox*>()) {
    const QSignalBlocker quiet(box);
    box->setChecked(false);
  }
}

}  // namespace avrelt
