// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// What is cut for the pattern in hand besides its stencil, and what weeding it will be like.
class CuttingPage : public QWidget {
  Q_OBJECT

 public:
  explicit CuttingPage(Order& order, QWidget* parent = nullptr);

  QSpinBox& spares() { return *spares_; }
  QCheckBox& filmWhole() { return *filmWhole_; }
  QCheckBox& doubleSided() { return *doubleSided_; }
  QCheckBox& straight() { return *straight_; }
  Segments& lines() { return *lines_; }
  QString words() const { return words_->text(); }

 private:
  void refresh();
  QCheckBox* choice(const QString& words, const QString& tip, bool FillCutting::*member);

  Order& order_;
  QSpinBox* spares_ = nullptr;
  QCheckBox* filmWhole_ = nullptr;
  QCheckBox* doubleSided_ = nullptr;
  QCheckBox* straight_ = nullptr;
  Segments* lines_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
