// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/beside.h"

#include <QCoreApplication>
#include <QEventLoop>
#include <QProgressDialog>
#include <QTimer>

namespace avrelt {

bool waitBeside(QWidget* window, const QString& what, Going& going,
                const std::function<bool(int milliseconds)>& ready) {
  constexpr int unnoticed = 100;  // ms
  if (ready(unnoticed)) return true;
  QProgressDialog dialog(what, QCoreApplication::translate("Beside", "Stop"), 0, 0, window);
  dialog.setWindowModality(Qt::ApplicationModal);
  dialog.setMinimumDuration(0);
  dialog.setAutoClose(false);
  dialog.setAutoReset(false);
  dialog.setMinimumWidth(360);
  dialog.show();
  QEventLoop loop;
  QTimer timer;
  bool finished = false;
  QObject::connect(&timer, &QTimer::timeout, &loop, [&] {
    finished = ready(0);
    if (finished || dialog.wasCanceled()) return loop.quit();
    dialog.setMaximum(going.all);
    dialog.setValue(going.done);
  });
  timer.start(30);
  loop.exec();
  going.stopped = !finished;
  return finished;
}

}  // namespace avrelt
