// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>
#include <optional>

#include "app/fields/field_set.h"
#include "measure/tape.h"

namespace avrelt {

/// A field for a length of what is in hand, which arrow keys step by marks of the tape, not below
/// 0. `now` is nothing while there is nothing in hand.
inline LengthField* addMarkedField(Order& order, FieldSet& fields, const QString& label,
                                   Member member, const std::function<std::optional<Length>()>& now,
                                   const std::function<void(const WrittenLength&)>& set) {
  LengthField* made = fields.add(label, member);
  QObject::connect(made, &LengthField::typed, made, set);
  QObject::connect(made, &LengthField::stepped, made, [&order, now, set](int marks) {
    const std::optional<Length> length = now();
    if (!length) return;
    const Graduation graduation = usualGraduation(order.unit());
    const Length next = nearestMark(*length, graduation) + step(graduation) * marks;
    set(written(std::max(next, Length()), order.unit()));
  });
  return made;
}

}  // namespace avrelt
