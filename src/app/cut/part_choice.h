// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>
#include <vector>

#include "app/order/order.h"
#include "shape/path.h"

namespace avrelt {

/// A part to choose, or parts that are cut as one: a small picture, what it is for, at which stage
/// it is laid, how many and how large.
class PartChoice : public QAbstractButton {
  Q_OBJECT

 public:
  explicit PartChoice(QWidget* parent = nullptr);

  const std::string& purpose() const { return purpose_; }
  const std::vector<std::string>& of() const { return of_; }
  void show(const PartEntry& entry, const Order& order);

  QSize sizeHint() const override { return {280, 38}; }
  QSize minimumSizeHint() const override { return {150, 37}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::string purpose_;
  std::vector<std::string> of_;
  std::vector<Path> outlines_;
  Box box_;
  bool paper_ = false;
  QString title_;
  QString about_;
};

}  // namespace avrelt
