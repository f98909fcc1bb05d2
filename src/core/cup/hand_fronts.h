// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/blank.h"

namespace avrelt {

enum class Hand { right, left, either };

/// What of a cup faces whoever drinks from it; others see what is half a turn on.
struct FacesDrinker {
  Hand hand = Hand::either;
  CupAngle at;
};

/// With a handle, a quarter round from it: one who holds it in the right hand has it to the right,
/// and sees what is a quarter left of it. With a lid that is drunk from at one place, that place.
/// None where there is neither. Common practice, no published source.
std::vector<FacesDrinker> facesDrinker(const std::vector<Feature>& features);

}  // namespace avrelt
