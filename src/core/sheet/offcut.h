// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "sheet/arrangement.h"

namespace avrelt {

/// The largest rectangle of a sheet that is left once its parts are cut out, at least `apart` from
/// each of them, to 1 mm; nothing where none is `least` both ways. On a roll up to what is used.
std::optional<Box> largestOffcut(const std::vector<Polygon>& shapes, const FilmPiece& film,
                                 Length reaches, Length apart, Length least);

}  // namespace avrelt
