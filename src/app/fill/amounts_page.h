// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QSpinBox>
#include <QWidget>

#include "app/order/order.h"

namespace avrelt {

/// How much of everything the pattern in hand takes, and the shop's own rates it is reckoned by.
class AmountsPage : public QWidget {
  Q_OBJECT

 public:
  explicit AmountsPage(Order& order, QWidget* parent = nullptr);

  QSpinBox& coats() { return *coats_; }
  QDoubleSpinBox& glitter() { return *glitter_; }
  QDoubleSpinBox& paint() { return *paint_; }
  QSpinBox& minutes() { return *minutes_; }
  QString words() const { return words_->text(); }

 signals:
  /// Rates for the whole shop were set.
  void ratesSet(const avrelt::FillRates& rates);

 private:
  void refresh();

  Order& order_;
  QSpinBox* coats_ = nullptr;
  QDoubleSpinBox* glitter_ = nullptr;
  QDoubleSpinBox* paint_ = nullptr;
  QSpinBox* minutes_ = nullptr;
  QListWidget* list_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt

Q_DECLARE_METATYPE(avrelt::FillRates)
