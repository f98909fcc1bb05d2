// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"
#include "cup/wrap.h"
#include "watch/watch.h"

namespace avrelt {

/// Where a wrap meets what the body carries, by the rules under “Handle, foot and marks”.
std::vector<Watch> watchFeatures(const Blank& blank, const Body& body, const WrapLayout& wrap);

}  // namespace avrelt
