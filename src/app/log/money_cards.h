// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDoubleSpinBox>
#include <QLabel>
#include <QWidget>

#include "app/log/log_board.h"

namespace avrelt {

/// How the shop reckons money, and what came of it.
class MoneyCards : public QWidget {
  Q_OBJECT

 public:
  explicit MoneyCards(LogBoard& board, QWidget* parent = nullptr);

  QDoubleSpinBox& perHour() { return *perHour_; }
  QDoubleSpinBox& factor() { return *factor_; }
  QLabel& words() { return *words_; }

 signals:
  void said(const QString& words);

 private:
  void refresh();
  void keep();

  LogBoard& board_;
  QDoubleSpinBox* perHour_ = nullptr;
  QDoubleSpinBox* perCup_ = nullptr;
  QDoubleSpinBox* waste_ = nullptr;
  QDoubleSpinBox* factor_ = nullptr;
  QDoubleSpinBox* roundTo_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
