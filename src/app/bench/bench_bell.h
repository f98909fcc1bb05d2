// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

namespace avrelt {

/// Rings: a notification of the desktop, by D-Bus, and a sound. Does without either where the
/// machine has none.
class BenchBell : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;

  void ring(const QString& title, const QString& words, bool urgent);
  /// How often it rang, and what it said last.
  int count() const { return count_; }
  const QString& last() const { return last_; }

 private:
  void notify(const QString& title, const QString& words, bool urgent);
  void sound(bool urgent);

  int count_ = 0;
  QString last_;
  unsigned replaces_ = 0;
  QObject* effects_[2] = {nullptr, nullptr};
};

/// How the part of the window's language for times says one: "11:20", "1 h 05".
QString clockWordsOf(qint64 seconds);

}  // namespace avrelt
