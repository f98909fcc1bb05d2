// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "files/object_reader.h"
#include "job/hand_laid.h"

namespace avrelt {

/// A part that was laid by hand, as an order keeps it.
HandLaid handLaidMembers(ObjectReader object);
Json written(const HandLaid& laid);

}  // namespace avrelt
