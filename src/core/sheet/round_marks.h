// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/wrap.h"
#include "sheet/part.h"

namespace avrelt {

/// The four directions everybody names round a cup.
struct RoundMark {
  CupAngle onCup;
  GuideKind kind = GuideKind::quarter;
  Sentence name;
};

/// Front, right, back and left, in that order.
const std::vector<RoundMark>& roundMarks();

/// Whether a direction falls on the seam of this layout, within a hundredth of a degree.
bool onSeam(const WrapLayout& layout, CupAngle onCup);

/// Words of about this many characters, no taller than `tallest` and no wider than `width`, in a
/// face whose letters are on average 0.58 of their height wide. Zero where they would be
/// unreadable.
Length letterHeight(std::size_t characters, Length width, Length tallest);

}  // namespace avrelt
