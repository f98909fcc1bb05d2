// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/recovery.h"

#include <fcntl.h>

#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QStandardPaths>
#include <QUuid>

#include "app/order/phrases.h"
#include "files/disk.h"
#include "files/document_json.h"

namespace avrelt {
namespace {

QString noteOf(const QString& copy) {
  return copy + QStringLiteral(".from");
}

QString lockOf(const QString& copy) {
  return copy + QStringLiteral(".lock");
}

/// Whether a program that lives has it in hand. Where its lock is not even there, none does.
bool isInUse(const QString& copy) {
  return QFile::exists(lockOf(copy)) && !disk::abandoned(lockOf(copy).toStdString());
}

}  // namespace

QString Recovery::folder() {
  return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
         QStringLiteral("/recovery");
}

QByteArray Recovery::fingerprint(const QByteArray& bytes) {
  return QCryptographicHash::hash(bytes, QCryptographicHash::Sha256).toHex();
}

Recovery::Recovery(Order& order, QObject* parent) : QObject(parent), order_(order) {
  QDir().mkpath(folder());
  copy_ = folder() + QLatin1Char('/') + QUuid::createUuid().toString(QUuid::Id128) +
          QStringLiteral(".avrelt");
  lock_ = disk::held(lockOf(copy_).toStdString());
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
  QFile::remove(lockOf(copy_));
}

void Recovery::setOriginal(const QString& path, const QByteArray& bytes) {
  note_ = path.toUtf8() + '\n' + (path.isEmpty() ? QByteArray() : fingerprint(bytes)) + '\n';
  noted_ = false;
}

std::optional<Sentence> Recovery::write() {
  // The note first: a copy without one would not know whose it is.
  if (!noted_) {
    if (auto fault = writeFile(noteOf(copy_).toStdString(), note_.toStdString())) return fault;
    noted_ = true;
  }
  return writeFile(copy_.toStdString(), writeDocument(order_.document()));
}

bool Recovery::keep() {
  soon_.stop();
  latest_.stop();
  if (order_.history()->isClean()) return true;
  const std::optional<Sentence> fault = write();
  if (fault && !failing_) {
    emit failed(tr("The copy against a crash could not be kept: %1 Save the order itself soon.")
                    .arg(say(*fault, order_.unit())));
  }
  failing_ = fault.has_value();
  return !failing_;
}

void Recovery::settle() {
  soon_.stop();
  latest_.stop();
  QFile::remove(copy_);
  QFile::remove(noteOf(copy_));
  noted_ = false;
}

std::vector<Recovery::Left> Recovery::leftBehind() {
  std::vector<Left> left;
  const QDir dir(folder());
  for (const QFileInfo& file :
       dir.entryInfoList({QStringLiteral("*.avrelt")}, QDir::Files, QDir::Time)) {
    const QString path = file.absoluteFilePath();
    if (isInUse(path)) continue;
    Left found{path, {}, {}, file.lastModified()};
    QFile from(noteOf(path));
    if (from.open(QIODevice::ReadOnly)) {
      const QList<QByteArray> lines = from.readAll().split('\n');
      found.original = QString::fromUtf8(lines.value(0));
      found.base = lines.value(1);
    }
    left.push_back(found);
  }
  for (const QString& name :
       dir.entryList({QStringLiteral("*.avrelt.lock"), QStringLiteral("*.avrelt.from")})) {
    const QString copy = dir.filePath(name.left(name.lastIndexOf(QLatin1Char('.'))));
    if (!QFile::exists(copy) && !isInUse(copy)) QFile::remove(dir.filePath(name));
  }
  return left;
}

void Recovery::discard(const Left& left) {
  for (const QString& file : {left.copy, noteOf(left.copy), lockOf(left.copy)}) {
    QFile::remove(file);
  }
}

}  // namespace avrelt

#include "moc_recovery.cpp"
