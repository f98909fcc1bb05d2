// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "app/fields/length_field.h"
#include "app/order/order.h"

namespace avrelt {

/// The number fields of one station: told of to the order as they are typed in, shown the plan's
/// faults, found by what they are for.
class FieldSet {
 public:
  explicit FieldSet(Order& order) : order_(order) {}

  LengthField* add(const QString& label, const Where& where,
                   LengthField::Kind kind = LengthField::Kind::length);
  /// A field for a line of the views: entering it picks the line, arrow keys nudge it.
  LengthField* add(const QString& label, GaugeLine gaugeLine,
                   LengthField::Kind kind = LengthField::Kind::length);

  /// Shows at every field what the plan says against it.
  void showFaults();
  /// The field for that, if it is one of these and can be typed in now.
  LengthField* find(const Where& where) const;
  /// Puts the keyboard into it; false where there is none.
  bool goTo(const Where& where);

 private:
  Order& order_;
  std::vector<LengthField*> fields_;
};

}  // namespace avrelt
