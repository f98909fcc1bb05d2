// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fill/colour_page.h"
#include "app/fill/pattern_page.h"
#include "app/order/order.h"

namespace avrelt {

/// Station 3: patterns that fill zones, their colours, and what is lifted for each.
class FillStation : public QWidget {
  Q_OBJECT

 public:
  explicit FillStation(Order& order, QWidget* parent = nullptr);

  /// Puts the keyboard to what the field names ("fills[0].pattern.size"); false where it is none of
  /// this station's.
  bool goTo(const QString& field);
  PatternPage& patternPage() { return *pattern_; }
  ColourPage& colourPage() { return *colours_; }
  QListWidget& peelList() { return *peels_; }
  QString sums() const { return sums_->text(); }

 private:
  void refresh();
  void refreshPeels();

  Order& order_;
  FieldSet fields_;
  PatternPage* pattern_ = nullptr;
  ColourPage* colours_ = nullptr;
  QListWidget* peels_ = nullptr;
  QLabel* sums_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
