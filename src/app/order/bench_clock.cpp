// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/bench_clock.h"

#include <ctime>
#include <filesystem>
#include <QFile>
#include <QJsonDocument>
#include <QJsonObject>

#include "files/disk.h"
#include "shop/shop.h"

namespace avrelt {
namespace {

/// Nobody sets a clock by less, and no reading of two clocks takes so long.
constexpr qint64 leastParted = 90;

qint64 millisSinceStart() {
  timespec time{};
  clock_gettime(CLOCK_BOOTTIME, &time);
  constexpr qint64 thousand = 1000;
  constexpr qint64 million = 1'000'000;
  return static_cast<qint64>(time.tv_sec) * thousand + time.tv_nsec / million;
}

}  // namespace

BenchClock::BenchClock(const QString& file, Reader reader, QObject* parent)
    : QObject(parent), file_(file), reader_(std::move(reader)) {
  anchor_ = read();
  ticks_.setInterval(1000);
  connect(&ticks_, &QTimer::timeout, this, &BenchClock::tick);
  ticks_.start();
}

BenchClock::Reading BenchClock::readingNow() {
  const QDateTime now = QDateTime::currentDateTime();
  Reading reading;
  // As if it were the world's time: a civil time has no zone.
  reading.wall = QDateTime(now.date(), now.time(), Qt::UTC).toSecsSinceEpoch();
  reading.sinceStart = millisSinceStart() / 1000;
  QFile start(QStringLiteral("/proc/sys/kernel/random/boot_id"));
  if (start.open(QIODevice::ReadOnly)) {
    reading.start = QString::fromLatin1(start.readAll().trimmed());
  }
  return reading;
}

QString BenchClock::usualFile() {
  const std::filesystem::path shop = Shop::usualFile();
  if (shop.empty()) return {};
  return QString::fromStdString((shop.parent_path() / "bench-clock.json").string());
}

std::optional<BenchClock::Anchor> BenchClock::read() {
  if (file_.isEmpty()) return std::nullopt;
  QFile kept(file_);
  if (!kept.exists()) return std::nullopt;
  if (!kept.open(QIODevice::ReadOnly)) {
    damaged_ = true;
    return std::nullopt;
  }
  const QJsonObject object = QJsonDocument::fromJson(kept.readAll()).object();
  const QJsonValue wall = object.value(QStringLiteral("wall_s"));
  const QJsonValue since = object.value(QStringLiteral("since_start_s"));
  const QString start = object.value(QStringLiteral("start")).toString();
  if (!wall.isDouble() || !since.isDouble() || start.isEmpty()) {
    damaged_ = true;
    return std::nullopt;
  }
  // Where the machine was started anew only the clock on the wall went on.
  if (start != reader_().start) return std::nullopt;
  return Anchor{wall.toInteger(), since.toInteger(), start};
}

void BenchClock::keep() {
  if (file_.isEmpty()) return;
  if (!anchor_) {
    QFile::remove(file_);
    return;
  }
  const QJsonObject object{{QStringLiteral("wall_s"), anchor_->wall},
                           {QStringLiteral("since_start_s"), anchor_->sinceStart},
                           {QStringLiteral("start"), anchor_->start}};
  std::error_code ignored;
  std::filesystem::create_directories(std::filesystem::path(file_.toStdString()).parent_path(),
                                      ignored);
  // Without it timers go by the clock on the wall once the program is closed, as any others.
  (void)writeFile(file_.toStdString(), QJsonDocument(object).toJson().toStdString());
}

qint64 BenchClock::counted(const Reading& reading) const {
  if (!anchor_ || anchor_->start != reading.start) return reading.wall;
  return anchor_->wall + reading.sinceStart - anchor_->sinceStart;
}

qint64 BenchClock::seconds() const {
  if (pretended_) {
    return *pretended_ + (millisSinceStart() - pretendedAt_) * speed_ / 1000;
  }
  return counted(reader_());
}

CivilTime BenchClock::now() const {
  constexpr qint64 minute = 60;
  return CivilTime(std::chrono::minutes(seconds() / minute));
}

qint64 BenchClock::secondsSince(CivilTime time) const {
  return seconds() -
         std::chrono::duration_cast<std::chrono::seconds>(time.time_since_epoch()).count();
}

/// Another window may have thought that nobody needs it any more.
void BenchClock::tick() {
  if (counts_ && !pretended_ && !file_.isEmpty() && !QFile::exists(file_)) keep();
  emit ticked();
}

void BenchClock::count(bool on) {
  if (pretended_) return;
  counts_ = on;
  if (!on) {
    if (!anchor_) return;
    // What another window counts from by now is its own.
    const std::optional<Anchor> shared = read();
    const bool mine = !shared || shared == anchor_;
    anchor_ = std::nullopt;
    if (mine) keep();
    return;
  }
  if (const std::optional<Anchor> shared = read()) {
    anchor_ = shared;
    return;
  }
  if (!anchor_) {
    const Reading reading = reader_();
    anchor_ = Anchor{reading.wall, reading.sinceStart, reading.start};
  }
  keep();
}

qint64 BenchClock::parted() const {
  if (pretended_) return 0;
  const Reading reading = reader_();
  const qint64 by = reading.wall - counted(reading);
  return std::abs(by) < leastParted ? 0 : by;
}

void BenchClock::goByTheWall() {
  if (!anchor_) return;
  const Reading reading = reader_();
  anchor_ = Anchor{reading.wall, reading.sinceStart, reading.start};
  keep();
  emit ticked();
}

void BenchClock::pretend(CivilTime from, int speed) {
  pretended_ = std::chrono::duration_cast<std::chrono::seconds>(from.time_since_epoch()).count();
  pretendedAt_ = millisSinceStart();
  speed_ = speed;
  ticks_.setInterval(200);
  emit ticked();
}

void BenchClock::skipTo(CivilTime to) {
  if (pretended_) pretend(to, speed_);
}

void BenchClock::endPretending() {
  pretended_ = std::nullopt;
  speed_ = 1;
  ticks_.setInterval(1000);
  emit ticked();
}

}  // namespace avrelt

#include "moc_bench_clock.cpp"
