// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/confirmed.h"

#include <QMessageBox>
#include <QPushButton>

namespace avrelt {

bool confirmed(QWidget* over, const QString& title, const QString& question, const QString& act,
               OnReturn onReturn) {
  QMessageBox ask(QMessageBox::NoIcon, title, question, QMessageBox::Cancel, over);
  QPushButton* yes = ask.addButton(act, QMessageBox::AcceptRole);
  auto* no = qobject_cast<QPushButton*>(ask.button(QMessageBox::Cancel));
  no->setIcon({});
  ask.setDefaultButton(onReturn == OnReturn::acts ? yes : no);
  ask.exec();
  return ask.clickedButton() == yes;
}

}  // namespace avrelt
