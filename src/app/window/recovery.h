// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <QDateTime>
#include <QLockFile>
#include <QObject>
#include <QString>
#include <QTimer>

#include "app/order/order.h"

namespace avrelt {

/// Keeps the order in hand safe against a crash: within two seconds of a change, and every five
/// while changes go on, a copy goes into the program's data folder. A clean end removes it.
class Recovery : public QObject {
  Q_OBJECT

 public:
  explicit Recovery(Order& order, QObject* parent = nullptr);
  ~Recovery() override;

  /// A copy left by a run that did not end well.
  struct Left {
    QString copy;      ///< the file with the copy
    QString original;  ///< the file it was opened from; empty for an order never saved
    QDateTime when;
  };
  static std::vector<Left> leftBehind();
  /// Takes a left copy off the disk.
  static void discard(const Left& left);

  /// Where the order lives, told along with the copy.
  void setOriginal(const QString& path);
  /// The order is safe in its own file: no copy is needed until it changes.
  void settle();
  /// Writes the copy now.
  void keep();
  QString copyPath() const { return copy_; }

 private:
  static QString folder();

  Order& order_;
  QString copy_;
  QString original_;
  std::unique_ptr<QLockFile> lock_;
  QTimer soon_;
  QTimer latest_;
};

}  // namespace avrelt
