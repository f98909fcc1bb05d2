// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/divide/cut_page.h"
#include "app/divide/finish_page.h"
#include "app/divide/work_page.h"
#include "app/fields/desk.h"
#include "app/fields/field_set.h"
#include "app/order/order.h"

namespace avrelt {

/// Station 2: the wall parted into zones, what fills them, and the work that comes of it.
class DivideStation : public Desk {
  Q_OBJECT

 public:
  explicit DivideStation(Order& order, QWidget* parent = nullptr);

  /// Puts the keyboard to what the field names ("divide.body.parts[1].cut.wide"); false where it is
  /// none of this station's.
  bool goTo(const Where& where) override;
  CutPage& cutPage() { return *cut_; }
  FinishPage& finishPage() { return *finish_; }
  WorkPage& workPage() { return *work_; }

 private:
  void refresh();

  Order& order_;
  FieldSet fields_;
  CutPage* cut_ = nullptr;
  FinishPage* finish_ = nullptr;
  WorkPage* work_ = nullptr;
};

}  // namespace avrelt
