// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "job/sheets.h"

namespace avrelt {

/// All there is to say of how parts lie: what the printer does not take, what was laid by hand and
/// does not lie there any more, what keeping together costs and cannot do, what cutting edge to
/// edge saves, how backings lie. Nothing of what is as it was asked for.
std::vector<Sentence> notesOn(const SheetPlan& sheets);

/// That parts laid by hand lie elsewhere now; nothing where there are none.
std::optional<Sentence> lostWords(long lost);
/// How much more film is taken because parts are kept together; nothing where it is hardly any.
std::optional<Sentence> togetherWords(const FilmSheets& film);

}  // namespace avrelt
