// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "files/object_reader.h"
#include "job/document.h"

namespace avrelt {

/// How a cup is divided, as an order writes it (`docs/format.md`): the tree of cuts with the zones'
/// finishes, the maker's order, the stripes.
Division divisionMembers(ObjectReader object, Unit unit);
Finish finishMembers(ObjectReader object, Unit unit);
Json written(const Finish& finish);
Json written(const Division& division);

}  // namespace avrelt
