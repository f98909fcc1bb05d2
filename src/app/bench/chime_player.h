// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <QAudioSink>
#include <QBuffer>
#include <QObject>

#include "bench/chime.h"

namespace avrelt {

/// Plays the bench's chimes where the machine has something to play them on.
class ChimePlayer : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;

  /// False where nothing plays it.
  bool play(Chime chime);

 private:
  std::map<Chime, QByteArray> samples_;
  QBuffer playing_;
  std::unique_ptr<QAudioSink> sink_;
};

}  // namespace avrelt
