// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QByteArray>
#include <QDateTime>
#include <QObject>
#include <QString>
#include <QTimer>

#include "app/order/order.h"
#include "files/disk_calls.h"

namespace avrelt {

/// Keeps the order in hand safe against a crash: within two seconds of a change, and every five
/// while changes go on, a copy goes into the program's data folder. A clean end removes it.
///
/// Beside the copy lie a note, written before it, of the file the order came from and of what was
/// in that file then; and a lock, held by the system for as long as the program lives, whatever is
/// in it.
class Recovery : public QObject {
  Q_OBJECT

 public:
  explicit Recovery(Order& order, QObject* parent = nullptr);
  ~Recovery() override;

  /// A copy left by a run that did not end well.
  struct Left {
    QString copy;      ///< the file with the copy
    QString original;  ///< the file it was opened from; empty for an order never saved
    QByteArray base;   ///< what that file held, by `fingerprint`; empty where that is not known
    QDateTime when;
  };
  /// The newest first. What is left beside copies that are gone is swept.
  static std::vector<Left> leftBehind();
  /// Takes a left copy off the disk.
  static void discard(const Left& left);
  static QByteArray fingerprint(const QByteArray& bytes);

  /// Where the order lives and what that file holds, told along with the copy.
  void setOriginal(const QString& path, const QByteArray& bytes);
  /// The order is safe in its own file: no copy is needed until it changes.
  void settle();
  /// Writes the copy now; whether all that is not in its own file is in it.
  bool keep();
  QString copyPath() const { return copy_; }

 signals:
  /// The copy could not be written, the first time of several.
  void failed(const QString& sentence);

 private:
  static QString folder();
  std::optional<Sentence> write();

  Order& order_;
  QString copy_;
  QByteArray note_;
  bool noted_ = false;
  bool failing_ = false;
  Descriptor lock_;
  QTimer soon_;
  QTimer latest_;
};

}  // namespace avrelt
