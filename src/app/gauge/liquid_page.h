// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/order/order.h"

namespace avrelt {

/// What a cup with two walls is filled with between them: how much goes in, what room it is left,
/// where it is sealed and how tall the band over that line is.
class LiquidPage : public QWidget {
  Q_OBJECT

 public:
  LiquidPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);
  QCheckBox& filled() { return *filled_; }
  QDoubleSpinBox& space() { return *space_; }
  const QLabel& words() const { return *words_; }
  /// Whether a fault or a watch is about one of its fields, and takes the keyboard there.
  bool goTo(const Where& where);

 private:
  void connectFields();
  void refresh();
  void change(const QString& text, Member member, const std::function<void(Liquid&)>& change);

  Order& order_;
  QCheckBox* filled_ = nullptr;
  QWidget* rest_ = nullptr;
  QDoubleSpinBox* space_ = nullptr;
  QSpinBox* glycerin_ = nullptr;
  QSpinBox* room_ = nullptr;
  QSpinBox* warmest_ = nullptr;
  LengthField* seal_ = nullptr;
  LengthField* band_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
