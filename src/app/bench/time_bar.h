// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"

namespace avrelt {

/// Time as a bar: how much of it is left.
class TimeBar : public Canvas {
 public:
  explicit TimeBar(QWidget* parent = nullptr);

  /// A share from 0 to 1; below 0 for no bar. Urgent in the colour of what must not be missed.
  void show(double left, bool urgent);
  using QWidget::show;
  double left() const { return left_; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  double left_ = -1;
  bool urgent_ = false;
};

}  // namespace avrelt
