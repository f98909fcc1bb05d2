// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "bench/method.h"

namespace avrelt {

/// How resins, glues, paints and sealers behave in this shop: every figure of every method, a
/// column each, cautious until the maker puts down what the data sheet says.
class MethodsDialog : public QDialog {
  Q_OBJECT

 public:
  explicit MethodsDialog(const Methods& methods, QWidget* parent = nullptr);

  const Methods& methods() const { return methods_; }
  QTableWidget& table() { return *table_; }

 private:
  void fill();
  void take();

  Methods methods_;
  QTableWidget* table_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
