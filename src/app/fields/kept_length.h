// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>

#include "app/fields/length_field.h"
#include "measure/tape.h"

namespace avrelt {

/// A field of a dialog that changes a length of its own, which has to outlive it, and steps by the
/// tape's marks; `changed` hears of it.
inline LengthField* keptLength(const QString& label, Member member, Length& length, Unit unit,
                               const std::function<void()>& changed = {}) {
  auto* made = new LengthField(label, member);
  made->show(length, unit);
  QObject::connect(made, &LengthField::typed, made,
                   [made, unit, &length, changed](const WrittenLength& typed) {
                     length = typed.length;
                     made->show(length, unit);
                     if (changed) changed();
                   });
  QObject::connect(made, &LengthField::stepped, made, [made, unit, &length, changed](int marks) {
    const Graduation graduation = usualGraduation(unit);
    length = std::max(nearestMark(length, graduation) + step(graduation) * marks, Length());
    made->show(length, unit);
    if (changed) changed();
  });
  return made;
}

}  // namespace avrelt
