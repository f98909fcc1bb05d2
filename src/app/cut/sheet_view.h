// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// A part as it lies on its pages, all to one scale: print areas, shared bands, join marks.
class SheetView : public Canvas {
  Q_OBJECT

 public:
  explicit SheetView(Order& order, QWidget* parent = nullptr);

  void show(PartSet set);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Order& order_;
  PartSet set_;
};

}  // namespace avrelt
