// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/order/order.h"

namespace avrelt {

/// The underside: what hangs over it and is snipped, the disc that covers it, its rounding.
class BasePage : public QWidget {
  Q_OBJECT

 public:
  BasePage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

 private:
  void refresh();

  Order& order_;
  LengthField* overhang_ = nullptr;
  LengthField* disc_ = nullptr;
  LengthField* fillet_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
