// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/application.h"

#include <QMessageBox>

#include "app/look/theme.h"

namespace avrelt {

QApplication& application() {
  // No display, and nothing of the tester's own settings and data.
  static const QTemporaryDir home;
  qputenv("QT_QPA_PLATFORM", "offscreen");
  qputenv("XDG_DATA_HOME", home.filePath(QStringLiteral("data")).toLocal8Bit());
  qputenv("XDG_CONFIG_HOME", home.filePath(QStringLiteral("config")).toLocal8Bit());
  qputenv("XDG_RUNTIME_DIR", home.path().toLocal8Bit());
  static int argc = 1;
  static char name[] = "avrelt-tests";
  static char* argv[] = {name, nullptr};
  static QApplication* app = [] {
    auto* made = new QApplication(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("avrelt"));
    QApplication::setApplicationName(QStringLiteral("avrelt"));
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
