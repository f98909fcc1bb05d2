// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/cutter_link.h"

#include <QCoreApplication>
#include <QFileInfo>

#include "files/cut_film_json.h"

namespace avrelt {
namespace {

/// So many commands wait in the machine: it never stands still, and stops within them.
constexpr int ahead = 4;
constexpr int mostAttempts = 200;

}  // namespace

CutterLink::CutterLink(QObject* parent) : QObject(parent) {
  again_.setSingleShot(true);
  again_.setInterval(25);
  connect(&again_, &QTimer::timeout, this, &CutterLink::connectNow);
  connect(&socket_, &QLocalSocket::connected, this, &CutterLink::sendMore);
  connect(&socket_, &QLocalSocket::readyRead, this, &CutterLink::read);
  connect(&socket_, &QLocalSocket::disconnected, this, [this] {
    read();
    if (running_) {
      end(tr("The cutter does not answer any more after %1 of %2 commands. Look at its cable and "
             "its "
             "film, then send the sheet again.")
              .arg(done_)
              .arg(all()));
    }
  });
  connect(&socket_, &QLocalSocket::errorOccurred, this, [this] {
    // It has only just been started.
    if (running_ && done_ == 0) again_.start();
  });
  connect(&cutter_, &QProcess::errorOccurred, this, [this](QProcess::ProcessError error) {
    if (running_ && error == QProcess::FailedToStart) {
      end(tr("The stand-in cutter cannot be started. Put avrelt-cutter beside avrelt."));
    }
  });
}

CutterLink::~CutterLink() {
  running_ = false;
  cutter_.disconnect(this);
  socket_.disconnect(this);
  socket_.abort();
  cutter_.kill();
  cutter_.waitForFinished(2000);
}

QString CutterLink::program() {
  const QString here = QCoreApplication::applicationDirPath();
  for (const QString& path :
       {here + QStringLiteral("/avrelt-cutter"), here + QStringLiteral("/../sim/avrelt-cutter"),
        here + QStringLiteral("/../../src/sim/avrelt-cutter")}) {
    if (QFileInfo(path).isExecutable()) return QFileInfo(path).canonicalFilePath();
  }
  return {};
}

void CutterLink::send(const std::string& plotterFile, const QStringList& arguments) {
  stop();
  commands_.clear();
  for (const QByteArray& one : QByteArray::fromStdString(plotterFile).split(';')) {
    const QByteArray command = one.trimmed();
    if (!command.isEmpty()) commands_.push_back(command + ";\n");
  }
  heard_.clear();
  sent_ = done_ = attempts_ = 0;
  paused_ = false;
  running_ = true;
  const QString path = program();
  if (path.isEmpty()) {
    return end(tr("The stand-in cutter is not there. Put avrelt-cutter beside avrelt."));
  }
  at_ = folder_.filePath(QStringLiteral("cutter"));
  if (cutter_.state() != QProcess::NotRunning) {
    cutter_.kill();
    cutter_.waitForFinished(2000);
  }
  cutter_.setStandardOutputFile(QProcess::nullDevice());
  cutter_.start(path,
                QStringList{QStringLiteral("--once"), QStringLiteral("--socket"), at_} + arguments);
  connectNow();
  emit progressed();
}

void CutterLink::connectNow() {
  if (!running_) return;
  if (++attempts_ > mostAttempts) {
    return end(tr("The stand-in cutter does not answer. Send the sheet again."));
  }
  if (socket_.state() == QLocalSocket::ConnectedState) return;
  socket_.abort();
  socket_.connectToServer(at_);
}

void CutterLink::sendMore() {
  if (socket_.state() != QLocalSocket::ConnectedState || paused_) return;
  while (sent_ < all() && sent_ < done_ + ahead) {
    socket_.write(commands_[static_cast<std::size_t>(sent_++)]);
  }
}

void CutterLink::read() {
  if (socket_.isOpen()) heard_ += socket_.readAll();
  for (qsizetype end = heard_.indexOf('\n'); end >= 0; end = heard_.indexOf('\n')) {
    const QByteArray line = heard_.left(end);
    heard_.remove(0, end + 1);
    constexpr const char* doneWords = "{\"done\":";
    constexpr const char* filmWords = "{\"film\":";
    if (line.startsWith(doneWords)) {
      done_ = line.mid(8, line.size() - 9).toInt();
      emit progressed();
    } else if (line.startsWith(filmWords) && running_) {
      done_ = all();
      running_ = false;
      const auto film = readCutFilm(line.mid(8, line.size() - 9).toStdString());
      socket_.disconnectFromServer();
      emit progressed();
      if (film) {
        emit finished(*film);
      } else {
        emit failed(QString::fromStdString(inWords(film.error(), Unit::mm)));
      }
    }
  }
  sendMore();
}

void CutterLink::pause(bool paused) {
  paused_ = paused;
  sendMore();
  emit progressed();
}

void CutterLink::stop() {
  if (!running_) return;
  end(tr("Stopped after %1 of %2 commands. What was cut is on the film.").arg(done_).arg(all()));
}

void CutterLink::end(const QString& words) {
  running_ = paused_ = false;
  again_.stop();
  socket_.abort();
  if (cutter_.state() != QProcess::NotRunning) cutter_.kill();
  emit progressed();
  emit failed(words);
}

}  // namespace avrelt

#include "moc_cutter_link.cpp"
