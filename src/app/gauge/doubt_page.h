// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// How wrong it can be: what a slip of the tape, an oval cup, shrinking film and guessed coats do
/// at the seam, and the overlap that hides them all.
class DoubtPage : public QWidget {
  Q_OBJECT

 public:
  DoubtPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

 private:
  void refresh();

  Order& order_;
  Segments* marks_;
  Segments* film_;
  LengthField* oval_;
  struct Row {
    QLabel* name;
    QLabel* gap;
  };
  std::vector<Row> rows_;
  QPushButton* take_;
};

}  // namespace avrelt
