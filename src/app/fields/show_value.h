// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <QDoubleSpinBox>
#include <QSignalBlocker>
#include <QSpinBox>

namespace avrelt {

// Fields of numbers are painted and laid out anew whenever something is set, be it what they show
// already; at every step of a drag the hand would feel that. None of these tells those who listen.

inline void showValue(QSpinBox& box, int value) {
  if (box.value() == value && !box.cleanText().isEmpty()) return;
  const QSignalBlocker quiet(box);
  box.setValue(value);
}

inline void showValue(QDoubleSpinBox& box, double value) {
  const bool same = std::abs(box.value() - value) < std::pow(10, -box.decimals()) / 2;
  if (same && !box.cleanText().isEmpty()) return;
  const QSignalBlocker quiet(box);
  box.setValue(value);
}

template <typename Box, typename Value>
void showRange(Box& box, Value low, Value high) {
  if (box.minimum() == low && box.maximum() == high) return;
  const QSignalBlocker quiet(box);
  box.setRange(low, high);
}

template <typename Box>
void showSuffix(Box& box, const QString& suffix) {
  if (box.suffix() != suffix) box.setSuffix(suffix);
}

}  // namespace avrelt
