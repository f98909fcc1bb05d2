// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/confirmed.h"

#include <QMessageBox>
#include <QPushButton>

namespace avrelt {

bool confirmed(QWidget* over, const QString& title, const QString& question, const QString& act) {
  QMessageBox ask(QMessageBox::NoIcon, title, question, QMessageBox::Cancel, over);
  QPushButton* yes = ask.addButton(act, QMessageBox::AcceptRole);
  ask.setDefaultButton(yes);
  ask.button(QMessageBox::Cancel)->setIcon({});
  ask.exec();
  return ask.clickedButton() == yes;
}

}  // namespace avrelt
