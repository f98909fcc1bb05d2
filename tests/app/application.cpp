// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/application.h"

#include <QMessageBox>

#include "app/window/theme.h"

namespace avrelt {

QApplication& application() {
  static int argc = 1;
  static char name[] = "avrelt-tests";
  static char* argv[] = {name, nullptr};
  static QApplication* app = [] {
    auto* made = new QApplication(argc, argv);
    // Tests run side by side: what one leaves behind must not reach another.
    QApplication::setOrganizationName(QStringLiteral("avrelt-tests"));
    QApplication::setApplicationName(
        QStringLiteral("avrelt-%1").arg(QApplication::applicationPid()));
    loadFaces();
    useTheme(Theme::light());
    return made;
  }();
  return *app;
}

void answerNextDialog(const QString& words, QString* seen) {
  auto* timer = new QTimer(&application());
  timer->setInterval(20);
  QObject::connect(timer, &QTimer::timeout, timer, [timer, words, seen] {
    auto* dialog = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
    if (dialog == nullptr) return;
    timer->stop();
    timer->deleteLater();
    if (seen != nullptr) *seen = dialog->text();
    for (QAbstractButton* button : dialog->buttons()) {
      if (button->text().remove(QLatin1Char('&')).contains(words)) {
        button->click();
        return;
      }
    }
    dialog->reject();
  });
  timer->start();
}

}  // namespace avrelt
