// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/recovery.h"

#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QStandardPaths>
#include <QUuid>

#include "files/disk.h"
#include "files/document_json.h"

namespace avrelt {

QString Recovery::folder() {
  return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
         QStringLiteral("/recovery");
}

Recovery::Recovery(Order& order, QObject* parent) : QObject(parent), order_(order) {
  QDir().mkpath(folder());
  copy_ = folder() + QLatin1Char('/') + QUuid::createUuid().toString(QUuid::Id128) +
          QStringLiteral(".avrelt");
  lock_ = std::make_unique<QLockFile>(copy_ + QStringLiteral(".lock"));
  lock_->setStaleLockTime(0);  // stale only when its program is gone
  lock_->tryLock(0);
  soon_.setSingleShot(true);
  soon_.setInterval(2000);
  latest_.setSingleShot(true);
  latest_.setInterval(5000);
  connect(&soon_, &QTimer::timeout, this, &Recovery::keep);
  connect(&latest_, &QTimer::timeout, this, &Recovery::keep);
  connect(order_.history(), &QUndoStack::indexChanged, this, [this] {
    soon_.start();
    if (!latest_.isActive()) latest_.start();
  });
}

Recovery::~Recovery() {
  settle();
  lock_->unlock();
}

void Recovery::setOriginal(const QString& path) {
  original_ = path;
}

void Recovery::keep() {
  soon_.stop();
  latest_.stop();
  if (order_.history()->isClean()) return;
  // A full disk is told of when saving; here there is nobody to tell and the next try may do.
  const auto written = writeFile(copy_.toStdString(), writeDocument(order_.document()));
  if (!written) {
    static_cast<void>(
        writeFile((copy_ + QStringLiteral(".from")).toStdString(), original_.toStdString()));
  }
}

void Recovery::settle() {
  soon_.stop();
  latest_.stop();
  QFile::remove(copy_);
  QFile::remove(copy_ + QStringLiteral(".from"));
}

std::vector<Recovery::Left> Recovery::leftBehind() {
  std::vector<Left> left;
  const QDir dir(folder());
  for (const QFileInfo& file :
       dir.entryInfoList({QStringLiteral("*.avrelt")}, QDir::Files, QDir::Time)) {
    const QString path = file.absoluteFilePath();
    QLockFile lock(path + QStringLiteral(".lock"));
    lock.setStaleLockTime(0);
    if (!lock.tryLock(0)) continue;  // another window is at work on it
    lock.unlock();
    Left found{path, {}, file.lastModified()};
    QFile from(path + QStringLiteral(".from"));
    if (from.open(QIODevice::ReadOnly)) found.original = QString::fromUtf8(from.readAll());
    left.push_back(found);
  }
  return left;
}

void Recovery::discard(const Left& left) {
  QFile::remove(left.copy);
  QFile::remove(left.copy + QStringLiteral(".from"));
}

}  // namespace avrelt
