// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "measure/where.h"

namespace avrelt {

/// What the drawer shows at one station of the window. A new one is a folder with a class of this
/// kind and a line in `MainWindow::makeDesks`.
class Desk : public QWidget {
  Q_OBJECT

 public:
  using QWidget::QWidget;

  /// Takes the keyboard to the field for what something was told of; false where there is none.
  virtual bool goTo(const Where& /*where*/) { return false; }

 signals:
  /// Something for the watch line.
  void said(const QString& sentence);
};

}  // namespace avrelt
