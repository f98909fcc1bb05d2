// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"
#include "cup/wrap.h"
#include "watch/watch.h"

namespace avrelt {

/// Where a wrap meets what the body carries. Rules, all common practice with no published source:
///
/// - `under_handle`: the wrap runs under a handle or a spout; what is there is lost.
/// - `over_keep_clear`: it covers a place that was to stay clear.
/// - `over_foot`: it runs onto the lip of the foot.
/// - `over_fillet`: it runs into the rounding at the base, where no flat part lies.
/// - `odd_station`: a girth less than half of both its neighbours', or more than twice: a slip,
/// most
///   likely of the unit.
/// - `front_marked_elsewhere`: front mark, lid mouth or spout stand off the front, or a handle
///   stands on it.
std::vector<Watch> watchFeatures(const Blank& blank, const Body& body, const WrapLayout& wrap);

}  // namespace avrelt
