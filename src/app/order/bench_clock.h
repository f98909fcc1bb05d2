// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QDateTime>
#include <QObject>
#include <QString>
#include <QTimer>

#include "bench/civil_time.h"

namespace avrelt {

/// What time it is at the bench. The clock on the wall, until something sets or dries: from then on
/// what has really passed counts, also while the machine sleeps or the program is closed, whatever
/// becomes of the clock on the wall; where the two part, `parted` says by how much. Or a pretended
/// time that runs faster, for a dry run.
///
/// Windows that time something at once share what they count from, in one file: who comes second
/// counts from where the first does, and the file goes when nobody needs it.
class BenchClock : public QObject {
  Q_OBJECT

 public:
  /// Two clocks: on the wall, as civil time in seconds, and since the machine was started.
  struct Reading {
    qint64 wall = 0;
    qint64 sinceStart = 0;
    QString start;  ///< which start of the machine that is
  };
  using Reader = std::function<Reading()>;

  /// Keeps what it counts from in `file`, none where that is empty.
  explicit BenchClock(const QString& file = {}, Reader reader = readingNow,
                      QObject* parent = nullptr);

  static Reading readingNow();
  /// Where the workshop keeps it.
  static QString usualFile();

  /// Seconds of civil time.
  qint64 seconds() const;
  CivilTime now() const;
  /// How long ago that was, in seconds; below 0 where it is to come.
  qint64 secondsSince(CivilTime time) const;

  /// Something is timed, or nothing is any more.
  void count(bool on);
  /// How far the clock on the wall is ahead of what has really passed, in seconds; 0 where it is
  /// not by more than a minute and a half.
  qint64 parted() const;
  /// Takes the clock on the wall as right.
  void goByTheWall();
  /// Whether what it counted from could not be read.
  bool damaged() const { return damaged_; }

  bool pretends() const { return pretended_.has_value(); }
  void pretend(CivilTime from, int speed);
  /// Goes on from another pretended time.
  void skipTo(CivilTime to);
  void endPretending();
  int speed() const { return speed_; }

 signals:
  void ticked();

 private:
  struct Anchor {
    qint64 wall = 0;
    qint64 sinceStart = 0;
    QString start;

    friend bool operator==(const Anchor&, const Anchor&) = default;
  };
  void tick();
  void keep();
  std::optional<Anchor> read();
  qint64 counted(const Reading& reading) const;

  QString file_;
  Reader reader_;
  std::optional<Anchor> anchor_;
  bool counts_ = false;  ///< this window times something
  bool damaged_ = false;
  std::optional<qint64> pretended_;  ///< from then
  qint64 pretendedAt_ = 0;           ///< in milliseconds
  int speed_ = 1;
  QTimer ticks_;
};

}  // namespace avrelt
