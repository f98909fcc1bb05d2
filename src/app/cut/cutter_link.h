// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLocalSocket>
#include <QObject>
#include <QProcess>
#include <QStringList>
#include <QTemporaryDir>
#include <QTimer>

#include "sheet/cut_film.h"

namespace avrelt {

/// Sends a plotter file to the stand-in cutter, a program of its own that is started for it,
/// command by command, so that it can be paused and stopped, and hears what was cut.
class CutterLink : public QObject {
  Q_OBJECT

 public:
  explicit CutterLink(QObject* parent = nullptr);
  ~CutterLink() override;

  /// `arguments` besides the socket: the machine's figures.
  void send(const std::string& plotterFile, const QStringList& arguments);
  void pause(bool paused);
  void stop();

  bool running() const { return running_; }
  bool paused() const { return paused_; }
  int done() const { return done_; }
  int all() const { return static_cast<int>(commands_.size()); }
  /// Where the stand-in's program is; empty where it is nowhere.
  static QString program();

 signals:
  void progressed();
  void finished(const avrelt::CutFilm& film);
  /// It ended without a film, and why.
  void failed(const QString& words);

 private:
  void connectNow();
  void sendMore();
  void read();
  void end(const QString& words);

  QProcess cutter_;
  QLocalSocket socket_;
  QTemporaryDir folder_;
  QTimer again_;
  int attempts_ = 0;
  QString at_;
  std::vector<QByteArray> commands_;
  QByteArray heard_;
  int sent_ = 0;
  int done_ = 0;
  bool running_ = false;
  bool paused_ = false;
};

}  // namespace avrelt
