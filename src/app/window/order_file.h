// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFileSystemWatcher>
#include <QObject>
#include <QStringList>

#include "app/order/order.h"
#include "app/window/recovery.h"

namespace avrelt {

/// How an order's file stands to the order as it was last read or written.
enum class OnDisk { same, differs, gone };

/// The file an order lives in: opening, saving, what happens to it on disk meanwhile, and the
/// copies kept against a crash. Asks and tells in dialogs over the window it is given.
class OrderFile : public QObject {
  Q_OBJECT

 public:
  OrderFile(Order& order, QWidget* window);

  /// Empty for an order never saved.
  const QString& path() const { return path_; }
  /// The order's name on the bench: its file's, without the ending.
  QString name() const;
  /// Where dialogs start.
  QString folder() const;
  Recovery& recovery() { return recovery_; }

  /// A new order with one cup, in the unit usual where the maker is.
  void startOver();
  /// An order as another part of the program made it, with an id of its own where it has none; it
  /// is not saved yet.
  void begin(const Document& document);
  /// What cannot be opened is told in words and changes nothing.
  bool open(const QString& path);
  void askAndOpen();
  /// Asks first where the file has been changed by another program.
  bool save();
  bool saveAs();
  /// Saves into another file. Of an order that was worked at, asks whether it goes on as what it
  /// is, or is another like it from then on, which the log keeps apart.
  bool saveUnder(const QString& path);
  bool saveTo(const QString& path);
  /// Whether the order may be given up: saved, or its maker says so.
  bool mayLeave();
  /// Takes what another program has made of the file.
  void reload();
  /// Offers what a run that did not end well has left.
  void offerRecovery();

  /// Newest first; only those still there.
  static QStringList recent();

 signals:
  /// Another order is on the bench.
  void adopted();
  /// The file's name changed, or it was saved.
  void changed();
  /// Another program changed the file or took it away, or that no longer matters.
  void changedOnDisk(OnDisk state);
  void said(const QString& sentence);

 private:
  void adopt(const Document& document, const QString& path, const QByteArray& bytes);
  void watch();
  void lookAtDisk();
  void lookAgain();
  OnDisk onDisk() const;
  void take(const Recovery::Left& left, const Document& document);
  static void remember(const QString& path);

  Order& order_;
  QWidget* window_;
  Recovery recovery_;
  QFileSystemWatcher watcher_;
  QString path_;
  QByteArray bytes_;  ///< the file's bytes as last read or written
};

/// A message in a dialog of our own, without an alarming picture.
void tell(QWidget* window, const QString& title, const QString& sentence);

}  // namespace avrelt
