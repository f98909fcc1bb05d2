// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "app/bench/chime_player.h"

namespace avrelt {

/// Rings: a notification of the desktop, by D-Bus, and a chime, or the system's bell where nothing
/// plays one. Does without either where the machine has none.
class BenchBell : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;

  void ring(const QString& title, const QString& words, bool urgent);
  /// Whether it is heard, kept for all orders; it is seen anyway.
  static bool isHeard();
  static void setHeard(bool heard);
  /// How often it rang, and what it said last.
  int count() const { return count_; }
  const QString& last() const { return last_; }

 private:
  void notify(const QString& title, const QString& words, bool urgent);

  ChimePlayer chimes_;
  int count_ = 0;
  QString last_;
};

/// How the part of the window's language for times says one: "11:20", "1 h 05".
QString clockWordsOf(qint64 seconds);

}  // namespace avrelt
