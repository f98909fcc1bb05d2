// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/order_file.h"

#include <algorithm>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QLocale>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QStandardPaths>
#include <QTimer>
#include <QUuid>

#include "app/order/phrases.h"
#include "files/disk.h"
#include "files/document_json.h"
#include "job/again.h"

namespace avrelt {
namespace {

constexpr int mostRecent = 8;

QString recentKey() {
  return QStringLiteral("recent");
}

QString filter() {
  return OrderFile::tr("Avrelt order (*.avrelt)");
}

}  // namespace

void tell(QWidget* window, const QString& title, const QString& sentence) {
  QMessageBox box(QMessageBox::NoIcon, title, sentence, QMessageBox::Close, window);
  box.setTextFormat(Qt::PlainText);
  box.exec();
}

OrderFile::OrderFile(Order& order, QWidget* window)
    : order_(order), window_(window), recovery_(order) {
  connect(&watcher_, &QFileSystemWatcher::fileChanged, this, &OrderFile::lookAtDisk);
  connect(&recovery_, &Recovery::failed, this, &OrderFile::said);
}

QString OrderFile::name() const {
  return path_.isEmpty() ? tr("New order") : QFileInfo(path_).completeBaseName();
}

namespace {

/// No other order has it.
std::string newOrderId() {
  constexpr int letters = 16;
  return "o-" + QUuid::createUuid().toString(QUuid::Id128).left(letters).toStdString();
}

}  // namespace

void OrderFile::startOver() {
  Document document;
  document.units = QLocale().measurementSystem() == QLocale::MetricSystem ? Unit::mm : Unit::inch;
  document.cups.push_back(newCup(tr("Cup 1").toStdString(), document.units));
  document.id = newOrderId();
  adopt(document, {}, {});
}

void OrderFile::begin(const Document& document) {
  Document made = document;
  // One of the log goes on as what it was.
  if (made.id.empty()) made.id = newOrderId();
  adopt(made, {}, {});
  order_.history()->resetClean();
}

void OrderFile::adopt(const Document& document, const QString& path, const QByteArray& bytes) {
  path_ = path;
  bytes_ = bytes;
  watch();
  recovery_.settle();
  recovery_.setOriginal(path_, bytes_);
  order_.load(document);
  emit changedOnDisk(OnDisk::same);
  emit adopted();
}

/// Only the present file is watched.
void OrderFile::watch() {
  if (!watcher_.files().isEmpty()) watcher_.removePaths(watcher_.files());
  if (!path_.isEmpty()) watcher_.addPath(path_);
}

bool OrderFile::open(const QString& path) {
  const QString absolute = QFileInfo(path).absoluteFilePath();
  const auto bytes = readFile(absolute.toStdString());
  if (!bytes) {
    tell(window_, tr("This order could not be opened"), say(bytes.error(), order_.unit()));
    return false;
  }
  auto read = readDocument(*bytes);
  if (!read) {
    QStringList lines;
    for (const ReadFault& fault : read.error()) {
      lines << QString::fromStdString(
          inWords(fault, QFileInfo(path).fileName().toStdString(), order_.unit()));
      if (lines.size() == 8) break;
    }
    tell(window_, tr("This order could not be opened"), lines.join(QStringLiteral("\n\n")));
    return false;
  }
  adopt(read->document, absolute, QByteArray::fromStdString(*bytes));
  remember(absolute);
  return true;
}

void OrderFile::askAndOpen() {
  if (!mayLeave()) return;
  const QString chosen =
      QFileDialog::getOpenFileName(window_, tr("Open an order"), folder(), filter());
  if (!chosen.isEmpty()) open(chosen);
}

bool OrderFile::saveTo(const QString& path) {
  const QString absolute = QFileInfo(path).absoluteFilePath();
  const std::string text = writeDocument(order_.document());
  if (const std::optional<Sentence> fault = writeFile(absolute.toStdString(), text)) {
    tell(window_, tr("The order is not saved"), say(*fault, order_.unit()));
    return false;
  }
  path_ = absolute;
  bytes_ = QByteArray::fromStdString(text);
  watch();
  order_.settle();
  order_.history()->setClean();
  recovery_.settle();
  recovery_.setOriginal(path_, bytes_);
  remember(path_);
  emit changedOnDisk(OnDisk::same);
  emit changed();
  emit said(tr("Saved as %1.").arg(QDir::toNativeSeparators(path_)));
  return true;
}

bool OrderFile::save() {
  if (path_.isEmpty()) return saveAs();
  if (onDisk() == OnDisk::differs) {
    QMessageBox ask(QMessageBox::NoIcon, tr("Changed on disk"),
                    tr("Another program has changed this order's file since you opened it. Saving "
                       "over it loses that change; saving under another name keeps both."),
                    QMessageBox::NoButton, window_);
    QPushButton* over = ask.addButton(tr("Save over it"), QMessageBox::DestructiveRole);
    QPushButton* other = ask.addButton(tr("Save under another name…"), QMessageBox::AcceptRole);
    ask.addButton(tr("Go back"), QMessageBox::RejectRole);
    ask.setDefaultButton(other);
    ask.exec();
    if (ask.clickedButton() == other) return saveAs();
    if (ask.clickedButton() != over) return false;
  }
  return saveTo(path_);
}

bool OrderFile::saveAs() {
  const QString wanted = path_.isEmpty() ? folder() + tr("/order.avrelt") : path_;
  QString chosen = QFileDialog::getSaveFileName(window_, tr("Save the order as"), wanted, filter());
  if (chosen.isEmpty()) return false;
  if (QFileInfo(chosen).suffix().isEmpty()) {
    chosen += QStringLiteral(".avrelt");
    if (QFileInfo::exists(chosen) &&
        QMessageBox::question(window_, tr("Save over it?"),
                              tr("%1 is there already. Save over it?").arg(chosen)) !=
            QMessageBox::Yes) {
      return false;
    }
  }
  return saveUnder(chosen);
}

bool OrderFile::saveUnder(const QString& path) {
  const Document& document = order_.document();
  const bool worked = std::any_of(document.cups.begin(), document.cups.end(), [](const Cup& cup) {
    return !cup.bench.done.empty() || !cup.cuts.empty();
  });
  const bool copy = !path_.isEmpty() && QFileInfo(path).absoluteFilePath() != path_;
  if (!worked || !copy || onDisk() == OnDisk::gone) return saveTo(path);
  QMessageBox ask(QMessageBox::NoIcon, tr("The same order, or another like it?"),
                  tr("Some of this order is done or cut, and the log knows it. Under the new name "
                     "it can go on as the same order, or be another like it, with nothing done or "
                     "cut yet: then the log keeps what was done as it is."),
                  QMessageBox::NoButton, window_);
  QPushButton* same = ask.addButton(tr("The same order"), QMessageBox::AcceptRole);
  QPushButton* another = ask.addButton(tr("Another like it"), QMessageBox::AcceptRole);
  ask.addButton(tr("Go back"), QMessageBox::RejectRole);
  ask.setDefaultButton(same);
  ask.exec();
  if (ask.clickedButton() == same) return saveTo(path);
  if (ask.clickedButton() != another) return false;
  Document made = likeOf(document);
  made.id = newOrderId();
  // Written first: where that fails, what is on the bench stays there.
  if (const auto fault = writeFile(path.toStdString(), writeDocument(made))) {
    tell(window_, tr("The order is not saved"), say(*fault, order_.unit()));
    return false;
  }
  if (!open(path)) return false;
  emit said(
      tr("Saved as %1. Nothing of it is done or cut yet.").arg(QDir::toNativeSeparators(path_)));
  return true;
}

bool OrderFile::mayLeave() {
  const bool gone = onDisk() == OnDisk::gone;
  if (order_.history()->isClean() && !gone) return true;
  QMessageBox ask(QMessageBox::NoIcon, tr("Not saved"),
                  gone ? tr("The order's file is gone: %1. What is on the bench is all there is of "
                            "it.")
                             .arg(QDir::toNativeSeparators(path_))
                       : tr("The order has changes that are not saved."),
                  QMessageBox::NoButton, window_);
  QPushButton* keep = ask.addButton(tr("Save"), QMessageBox::AcceptRole);
  QPushButton* drop = ask.addButton(tr("Leave without saving"), QMessageBox::DestructiveRole);
  ask.addButton(tr("Go back"), QMessageBox::RejectRole);
  ask.setDefaultButton(keep);
  ask.exec();
  if (ask.clickedButton() == keep) return save();
  return ask.clickedButton() == drop;
}

OnDisk OrderFile::onDisk() const {
  if (path_.isEmpty()) return OnDisk::same;
  const auto now = readFile(path_.toStdString());
  if (!now) return QFileInfo::exists(path_) ? OnDisk::differs : OnDisk::gone;
  return QByteArray::fromStdString(*now) == bytes_ ? OnDisk::same : OnDisk::differs;
}

void OrderFile::lookAtDisk() {
  // Programs that save by renaming take the watch off the name; put it back.
  if (QFileInfo::exists(path_) && !watcher_.files().contains(path_)) watcher_.addPath(path_);
  const OnDisk state = onDisk();
  // Gone for the blink of an eye while another program saves it is not gone.
  if (state == OnDisk::gone) QTimer::singleShot(1000, this, &OrderFile::lookAgain);
  if (state != OnDisk::gone) emit changedOnDisk(state);
}

void OrderFile::lookAgain() {
  if (QFileInfo::exists(path_) && !watcher_.files().contains(path_)) watcher_.addPath(path_);
  emit changedOnDisk(onDisk());
}

void OrderFile::reload() {
  if (mayLeave()) open(path_);
}

QStringList OrderFile::recent() {
  QStringList there;
  for (const QString& path : QSettings().value(recentKey()).toStringList()) {
    if (QFileInfo::exists(path)) there << path;
  }
  return there;
}

void OrderFile::remember(const QString& path) {
  QStringList paths = recent();
  paths.removeAll(path);
  paths.prepend(path);
  while (paths.size() > mostRecent) paths.removeLast();
  QSettings().setValue(recentKey(), paths);
}

QString OrderFile::folder() const {
  if (!path_.isEmpty()) return QFileInfo(path_).absolutePath();
  return QStandardPaths::writableLocation(QStandardPaths::DocumentsLocation);
}

namespace {

/// Whether the file a copy came from is not what it was then.
bool changedSince(const Recovery::Left& left) {
  if (left.original.isEmpty() || !QFileInfo::exists(left.original)) return false;
  const auto now = readFile(left.original.toStdString());
  if (!now) return true;
  if (left.base.isEmpty()) return QFileInfo(left.original).lastModified() > left.when;
  return Recovery::fingerprint(QByteArray::fromStdString(*now)) != left.base;
}

}  // namespace

void OrderFile::take(const Recovery::Left& left, const Document& document) {
  const bool changed = changedSince(left);
  QByteArray bytes;
  if (const auto now = readFile(left.original.toStdString()); now && !changed) {
    bytes = QByteArray::fromStdString(*now);
  }
  // With other bytes than the file has, saving over it asks first.
  adopt(document, left.original, bytes);
  order_.history()->resetClean();  // as the copy is nowhere but here
  // Where the disk has no room for another copy, the old one stays, to be offered again.
  if (recovery_.keep()) Recovery::discard(left);
  if (changed) emit changedOnDisk(OnDisk::differs);
  emit this->changed();
}

void OrderFile::offerRecovery() {
  for (const Recovery::Left& left : Recovery::leftBehind()) {
    const auto bytes = readFile(left.copy.toStdString());
    auto read = bytes ? readDocument(*bytes)
                      : tl::expected<ReadDocument, ReadFaults>(tl::unexpected(ReadFaults{}));
    if (!read) continue;  // kept on disk: somebody may still make sense of it
    const QString name = left.original.isEmpty() ? tr("an order never saved")
                                                 : QFileInfo(left.original).completeBaseName();
    const auto words = [](const QDateTime& when) {
      return QLocale().toString(when, QLocale::ShortFormat);
    };
    QString found = tr("Avrelt did not end well last time. There is a copy of %1, kept on %2.")
                        .arg(name, words(left.when));
    if (changedSince(left)) {
      const QDateTime saved = QFileInfo(left.original).lastModified();
      found += QStringLiteral("\n\n") +
               (saved > left.when
                    ? tr("The file itself was changed after that, on %1: it is the newer of the "
                         "two. The copy opens beside it, and saving it asks before it replaces "
                         "anything.")
                    : tr("The file itself was changed elsewhere too, on %1; the copy is the newer "
                         "of the two. It opens beside it, and saving it asks before it replaces "
                         "anything."))
                   .arg(words(saved));
    }
    QMessageBox ask(QMessageBox::NoIcon, tr("Unsaved work was found"), found, QMessageBox::NoButton,
                    window_);
    QPushButton* open = ask.addButton(tr("Open the copy"), QMessageBox::AcceptRole);
    QPushButton* drop = ask.addButton(tr("Throw it away"), QMessageBox::DestructiveRole);
    ask.addButton(tr("Ask me next time"), QMessageBox::RejectRole);
    ask.setDefaultButton(open);
    ask.exec();
    if (ask.clickedButton() == open) {
      take(left, read->document);
      return;
    }
    if (ask.clickedButton() == drop) Recovery::discard(left);
  }
}

}  // namespace avrelt

#include "moc_order_file.cpp"
