// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bench_bell.h"

#include <QApplication>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QSettings>
#include <QVariantMap>

namespace avrelt {
namespace {

constexpr char soundKey[] = "bench/sound";

}  // namespace

bool BenchBell::isHeard() {
  return QSettings().value(QLatin1String(soundKey), true).toBool();
}

void BenchBell::setHeard(bool heard) {
  QSettings().setValue(QLatin1String(soundKey), heard);
}

void BenchBell::ring(const QString& title, const QString& words, bool urgent) {
  ++count_;
  last_ = title + QStringLiteral(": ") + words;
  notify(title, words, urgent);
  if (isHeard() && !chimes_.play(urgent ? Chime::soon : Chime::ready)) QApplication::beep();
}

void BenchBell::notify(const QString& title, const QString& words, bool urgent) {
  QDBusConnection bus = QDBusConnection::sessionBus();
  if (!bus.isConnected()) return;
  // The desktop's notifications as freedesktop.org describes them.
  QDBusMessage call = QDBusMessage::createMethodCall(
      QStringLiteral("org.freedesktop.Notifications"),
      QStringLiteral("/org/freedesktop/Notifications"),
      QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
  const QVariantMap hints{{QStringLiteral("urgency"), QVariant::fromValue<uchar>(urgent ? 2 : 1)},
                          {QStringLiteral("desktop-entry"), QStringLiteral("avrelt")}};
  constexpr int byTheDesktop = -1;
  constexpr uint replacesNone = 0;
  call << QApplication::applicationDisplayName() << replacesNone << QStringLiteral("avrelt")
       << title << words.toHtmlEscaped() << QStringList() << hints << (urgent ? 0 : byTheDesktop);
  auto* watcher = new QDBusPendingCallWatcher(bus.asyncCall(call), this);
  connect(watcher, &QDBusPendingCallWatcher::finished, watcher, &QObject::deleteLater);
}

QString clockWordsOf(qint64 seconds) {
  const qint64 all = std::abs(seconds);
  constexpr qint64 hour = 3600;
  constexpr qint64 minute = 60;
  if (all >= 2 * hour) {
    return QStringLiteral("%1 h %2")
        .arg(all / hour)
        .arg(all % hour / minute, 2, 10, QLatin1Char('0'));
  }
  return QStringLiteral("%1:%2").arg(all / minute).arg(all % minute, 2, 10, QLatin1Char('0'));
}

}  // namespace avrelt

#include "moc_bench_bell.cpp"
