// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <tl/expected.hpp>

#include "measure/sentence.h"
#include "sheet/cut_film.h"

namespace avrelt {

/// Cut film as a cutter tells of it, in one line (`docs/plotter.md`).
std::string cutFilmJson(const CutFilm& film);
tl::expected<CutFilm, Sentence> readCutFilm(std::string_view json);

}  // namespace avrelt
