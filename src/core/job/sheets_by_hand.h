// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <utility>
#include <vector>

#include "job/sheets.h"

namespace avrelt {

/// Lays what of a film's parts was laid by hand on its sheets again, besides what is kept already.
/// What does not find its sheet, or may not lie there any more, is counted as lost.
void addByHand(FilmSheets& film, const Plan& plan, Arrangement& kept);

/// The same with what lies by hand now, where the sheets that are like prints' came to stand
/// otherwise: `likeSheets` are those before.
void addMoved(FilmSheets& film, const std::vector<std::pair<std::size_t, std::size_t>>& likeSheets,
              Arrangement& kept);

/// Whether what is kept as laid by hand, of a cup, is of one of a film's parts as they are laid.
bool isOf(const FilmSheets& film, std::size_t cup, const HandLaid& hand);

/// Which of a film's parts have a copy that was laid by hand, by itself, not in a stack.
std::set<std::size_t> laidSinglyByHand(const FilmSheets& film, const Plan& plan);

}  // namespace avrelt
