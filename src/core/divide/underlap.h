// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "divide/divide.h"

namespace avrelt {

/// A zone grown over lines at its edge, by so much for each line, square to the line as it runs
/// over the body: film that lies under the stripes there. On
/// a taper a hundredth of it more at most. A line that gives 0 stays the exact edge:
/// the zone beyond it is not touched.
Region grownOver(const Zone& zone, const Divided& divided, const Body& body,
                 const std::function<Length(const DivideLine&)>& by);

}  // namespace avrelt
