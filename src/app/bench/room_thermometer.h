// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QElapsedTimer>
#include <QLocalSocket>
#include <QObject>
#include <QTimer>

#include "measure/temperature.h"

namespace avrelt {

/// A thermometer in the room that tells how warm it is at a local socket, a line a reading: "18.4
/// C". What it tells that no room is, or that no room could have become so fast, is left out; when
/// it falls silent nothing is known.
class RoomThermometer : public QObject {
  Q_OBJECT

 public:
  explicit RoomThermometer(QObject* parent = nullptr);

  /// Where it is looked for: under $XDG_RUNTIME_DIR, or the folder for passing files.
  static QString usualSocket();
  void connectTo(const QString& socket);
  void leave();
  bool wanted() const { return !name_.isEmpty(); }
  /// In steps of half a degree: a plan does not change with every breath.
  std::optional<Temperature> warmth() const { return warmth_; }
  /// How long without a reading is silence.
  void setPatience(int milliseconds) { silence_.setInterval(milliseconds); }

 signals:
  void changed();
  void said(const QString& words);

 private:
  void read();
  void take(const QByteArray& line);
  void lose(const QString& words);

  QString name_;
  QLocalSocket socket_;
  QTimer silence_;
  QElapsedTimer since_;
  std::optional<double> last_;
  std::optional<Temperature> warmth_;
  bool complained_ = false;
};

}  // namespace avrelt
