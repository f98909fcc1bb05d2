// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/fill/gallery.h"
#include "app/order/order.h"

namespace avrelt {

/// Which pattern fills the zone in hand, and its measures.
class PatternPage : public QWidget {
  Q_OBJECT

 public:
  PatternPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  Gallery& gallery() { return *gallery_; }
  QComboBox& repeats() { return *repeats_; }
  QDoubleSpinBox& ratio() { return *ratio_; }
  Segments& school() { return *school_; }
  QPushButton& awayButton() { return *away_; }

 private:
  void refresh();
  LengthField* field(FieldSet& fields, const QString& label, Member member,
                     WrittenLength Pattern::*length);
  void showRepeats(const Fill& fill, const CupPlan& plan);

  Order& order_;
  QPushButton* away_ = nullptr;
  Gallery* gallery_ = nullptr;
  LengthField* size_ = nullptr;
  LengthField* line_ = nullptr;
  QComboBox* repeats_ = nullptr;
  QLabel* ratioLabel_ = nullptr;
  QDoubleSpinBox* ratio_ = nullptr;
  Segments* school_ = nullptr;
  QWidget* measures_ = nullptr;
};

}  // namespace avrelt
