// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "job/document.h"
#include "watch/mend.h"

namespace avrelt {

/// Does to a cup what a remedy says; what it is of and is not there any more is left alone. A coat
/// that is put in has no id yet.
void applyMend(Cup& cup, const Mend& mend);

/// Takes the coat of this number, from 1, out of the build-up; what stands after it stands after
/// one less, and what was measured right after it is gone.
void takeCoatOut(Cup& cup, int number);

}  // namespace avrelt
