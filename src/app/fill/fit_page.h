// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QSpinBox>
#include <QWidget>

#include "app/order/order.h"
#include "pattern/repeat.h"

namespace avrelt {

/// How the pattern in hand is fitted to its zone: the ways with what each costs, and where it
/// begins.
class FitPage : public QWidget {
  Q_OBJECT

 public:
  explicit FitPage(Order& order, QWidget* parent = nullptr);

  QListWidget& ways() { return *ways_; }
  QDoubleSpinBox& along() { return *along_; }
  QDoubleSpinBox& up() { return *up_; }
  QSpinBox& seed() { return *seed_; }
  QCheckBox& turned() { return *turned_; }
  QCheckBox& mirror() { return *mirror_; }
  QCheckBox& picture() { return *picture_; }
  /// What was found in a drawing; shown while its pattern is in hand.
  void tell(const FoundRepeat& found);
  QString told() const { return told_->text(); }

 private:
  void refresh();
  void take(int way);

  Order& order_;
  QListWidget* ways_ = nullptr;
  QDoubleSpinBox* along_ = nullptr;
  QDoubleSpinBox* up_ = nullptr;
  QSpinBox* seed_ = nullptr;
  QCheckBox* turned_ = nullptr;
  QCheckBox* mirror_ = nullptr;
  QCheckBox* picture_ = nullptr;
  QLabel* told_ = nullptr;
  std::optional<FoundRepeat> found_;
  bool filling_ = false;
};

}  // namespace avrelt
