// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/base.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {

Snips snipsFor(Length radius, double taper, Length overhang) {
  using std::numbers::pi;
  Snips snips;
  if (overhang <= Length()) return snips;
  constexpr double sag = 0.5;  // mm
  const double r = std::max(radius.mm(), 1.0);
  snips.count = std::max(8, static_cast<int>(std::ceil(pi / std::acos(1 - sag / r))));
  snips.depth = overhang;
  snips.each = overhang * (2 * pi * (1 - taper) / snips.count);
  return snips;
}

Checked<Length> baseDiscRadius(const Body& body, const Base& base) {
  constexpr Length least = Length::mm(5);
  const Length flat = body.radius(Length()) - body.filletReach();
  // On a thimble half the base stays bare at most, whatever the clearance usual on cups.
  const Length radius = flat < least * 2 ? std::max(flat - base.discClearance.length, flat / 2)
                                         : flat - base.discClearance.length;
  if (radius >= least || flat < least * 2) return radius;
  return refuse(Member::discClearance,
                "A clearance of %1 leaves nothing of a base %2 across. Take %3 at most.",
                {base.discClearance.length, flat * 2, std::max(flat - least, Length())});
}

std::optional<Fault> overhangFault(const Body& body, const Base& base, Length baseClearance) {
  const Length overhang = base.overhang.length;
  if (overhang <= Length()) return std::nullopt;
  if (baseClearance > Length()) {
    return Fault{Member::overhang,
                 {"The wrap stops %1 above the base edge, so nothing hangs over. Leave 0 bare at "
                  "the base, or let it hang over by 0.",
                  {baseClearance}}};
  }
  const Length most = body.radius(Length()) * 0.8;
  if (overhang > most) {
    return Fault{Member::overhang,
                 {"%1 to fold under does not lie on a base %2 across. Take %3 at most.",
                  {overhang, body.radius(Length()) * 2, most}}};
  }
  return std::nullopt;
}

}  // namespace avrelt
