// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/chime_player.h"

#include <QAudioDevice>
#include <QMediaDevices>

namespace avrelt {

bool ChimePlayer::play(Chime chime) {
  const QAudioDevice device = QMediaDevices::defaultAudioOutput();
  QAudioFormat format;
  format.setSampleRate(chimeRate);
  format.setChannelCount(1);
  format.setSampleFormat(QAudioFormat::Int16);
  if (device.isNull() || !device.isFormatSupported(format)) return false;
  const auto [at, isNew] = samples_.try_emplace(chime);
  if (isNew) {
    const std::vector<std::int16_t> made = chimeSamples(chime);
    at->second = QByteArray(reinterpret_cast<const char*>(made.data()),
                            static_cast<qsizetype>(made.size() * sizeof(made.front())));
  }
  // Another sink each time: the device may be another one by now.
  sink_ = std::make_unique<QAudioSink>(device, format);
  playing_.close();
  playing_.setData(at->second);
  playing_.open(QIODevice::ReadOnly);
  sink_->start(&playing_);
  return sink_->error() == QAudio::NoError;
}

}  // namespace avrelt

#include "moc_chime_player.cpp"
