// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "files/object_reader.h"
#include "job/document.h"

namespace avrelt {

/// A zone's pattern as an order writes it (`docs/format.md`).
Fill fillMembers(ObjectReader object, Unit unit);
Json written(const Fill& fill);

}  // namespace avrelt
