// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/liquid.h"
#include "files/object_reader.h"

namespace avrelt {

/// What is filled in between a cup's walls, as an order writes it.
Liquid liquidMembers(ObjectReader object, Unit unit);
Json written(const Liquid& liquid);

}  // namespace avrelt
