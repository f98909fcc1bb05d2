// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/room_thermometer.h"

#include <cmath>
#include <QDir>
#include <QStandardPaths>

namespace avrelt {
namespace {

constexpr double coldest = -20;
constexpr double warmest = 60;
/// No room changes by more from one reading to the next.
constexpr double mostChange = 8;
constexpr int silent = 30'000;
constexpr qsizetype longestLine = 200;

}  // namespace

RoomThermometer::RoomThermometer(QObject* parent) : QObject(parent) {
  silence_.setSingleShot(true);
  silence_.setInterval(silent);
  connect(&silence_, &QTimer::timeout, this, [this] {
    lose(tr("The thermometer says nothing any more. Waits go by the warmth that was typed."));
  });
  connect(&socket_, &QLocalSocket::readyRead, this, &RoomThermometer::read);
  connect(&socket_, &QLocalSocket::connected, this, [this] { silence_.start(); });
  connect(&socket_, &QLocalSocket::errorOccurred, this, [this] {
    if (!wanted()) return;
    const bool had = warmth_.has_value();
    const QString name = name_;
    leave();
    emit said(had ? tr("The thermometer is gone. Waits go by the warmth that was typed.")
                  : tr("No thermometer answers at %1. Start it there first; avrelt-thermometer is "
                       "one to try.")
                        .arg(name));
  });
}

QString RoomThermometer::usualSocket() {
  const QString folder = QStandardPaths::writableLocation(QStandardPaths::RuntimeLocation);
  return QDir(folder.isEmpty() ? QDir::tempPath() : folder)
      .filePath(QStringLiteral("avrelt-thermometer"));
}

void RoomThermometer::connectTo(const QString& socket) {
  leave();
  name_ = socket;
  complained_ = false;
  socket_.connectToServer(socket, QIODevice::ReadOnly);
}

void RoomThermometer::leave() {
  name_.clear();
  silence_.stop();
  socket_.abort();
  last_.reset();
  if (!warmth_) return;
  warmth_.reset();
  emit changed();
}

void RoomThermometer::lose(const QString& words) {
  const bool had = warmth_.has_value();
  warmth_.reset();
  last_.reset();
  emit said(words);
  if (had) emit changed();
}

void RoomThermometer::read() {
  while (socket_.canReadLine()) take(socket_.readLine(longestLine));
  // No line is so long.
  if (socket_.bytesAvailable() > longestLine) socket_.readAll();
}

void RoomThermometer::take(const QByteArray& line) {
  const QByteArray text = line.trimmed();
  bool read = false;
  const double celsius =
      text.endsWith(" C") ? text.left(text.size() - 2).toDouble(&read) : HUGE_VAL;
  const bool fits = read && celsius >= coldest && celsius <= warmest &&
                    (!last_ || std::abs(celsius - *last_) <= mostChange);
  if (!fits) {
    if (!complained_) {
      emit said(tr("The thermometer tells what no room is (“%1”). That is left out.")
                    .arg(QString::fromLatin1(text.left(40))));
    }
    complained_ = true;
    return;
  }
  silence_.start();
  last_ = celsius;
  const Temperature halves = Temperature::celsius(std::round(celsius * 2) / 2);
  if (warmth_ == halves) return;
  warmth_ = halves;
  emit changed();
}

}  // namespace avrelt

#include "moc_room_thermometer.cpp"
