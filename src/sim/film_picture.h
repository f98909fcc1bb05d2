// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "sheet/cut_film.h"

namespace avrelt::sim {

/// Cut film as a PNG: what fell out lighter, cuts that do not close in red, 4 pixels a millimetre
/// and at most 4 000 either way. Empty where there is no memory for it.
std::string filmPicture(const CutFilm& film, Length wide, Length tall);

}  // namespace avrelt::sim
