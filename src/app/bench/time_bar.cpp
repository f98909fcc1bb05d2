// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/time_bar.h"

#include <algorithm>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {

TimeBar::TimeBar(QWidget* parent) : Canvas(parent) {
  setFixedHeight(8);
}

void TimeBar::show(double left, bool urgent) {
  left_ = std::min(left, 1.0);
  urgent_ = urgent;
  update();
}

void TimeBar::paintEvent(QPaintEvent* /*event*/) {
  if (left_ < 0) return;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(Qt::NoPen);
  painter.setBrush(theme().rule);
  painter.drawRoundedRect(rect(), 4, 4);
  painter.setBrush(urgent_ ? theme().stop : theme().petrol);
  painter.drawRoundedRect(QRectF(0, 0, width() * left_, height()), 4, 4);
}

}  // namespace avrelt
