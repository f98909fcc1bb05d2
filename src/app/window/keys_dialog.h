// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QMenuBar>

namespace avrelt {

/// The page of keys. What the menus have is read off them, so that it cannot fall behind; what else
/// keys do at the stations stands beside it.
class KeysDialog : public QDialog {
  Q_OBJECT

 public:
  KeysDialog(const QMenuBar& menus, QWidget* parent);
};

}  // namespace avrelt
