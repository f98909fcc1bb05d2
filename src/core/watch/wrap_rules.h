// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "watch/watch.h"

namespace avrelt {

/// What a wrap risks, by the rules under “The wrap”.
std::vector<Watch> watchWrap(const WrapLayout& layout, const Wrap& wrap);

}  // namespace avrelt
