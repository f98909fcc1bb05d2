// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QDialogButtonBox>
#include <QPushButton>
#include <QVBoxLayout>

namespace avrelt {

/// The buttons that close a dialog, below all that is in it; the one that takes what was chosen,
/// called so, or OK. Return keeps what is typed in a field; it presses nothing.
inline QPushButton* closeBelow(QDialog& dialog, QVBoxLayout& column, const QString& take = {}) {
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  QPushButton* ok = buttons->button(QDialogButtonBox::Ok);
  if (!take.isEmpty()) ok->setText(take);
  ok->setProperty("primary", true);
  QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
  QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
  column.addWidget(buttons);
  for (QPushButton* button : dialog.findChildren<QPushButton*>()) {
    button->setAutoDefault(false);
    button->setDefault(false);
    button->setIcon({});
  }
  return ok;
}

}  // namespace avrelt
