// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/wrap.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

constexpr Length leastWall = Length::mm(1);

/// asin(k x) / k, whole at k = 0.
double arcsineOver(double k, double x) {
  const double t = k * x;
  if (std::abs(t) < 1e-4) return x * (1 + t * t / 6);
  return std::asin(t) / k;
}

}  // namespace

CheckedAll<WrapLayout> WrapLayout::of(const Development& body, const Wrap& wrap, Length overhang) {
  Faults faults;
  const Length wall = body.wall();
  const Length base = wrap.baseClearance.length;
  const Length rim = wrap.rimClearance.length;
  const Length overlap = wrap.overlap.length;

  const auto clearance = [&](Member member, Length value, const char* where) {
    if (value < Length() || value > wall - leastWall) {
      faults.push_back({member,
                        {"A clearance of %1 at the %2 leaves nothing of a wall of %3. Take 0 to "
                         "%4.",
                         {value, std::string(where), wall, wall - leastWall}}});
    }
  };
  clearance(Member::baseClearance, base, "base");
  clearance(Member::rimClearance, rim, "rim");
  if (faults.empty() && base + rim > wall - leastWall) {
    faults.push_back({Member::rimClearance,
                      {"The clearances at base and rim come to %1, and the wall is %2. Leave %3 at "
                       "most at the rim.",
                       {base + rim, wall, wall - leastWall - base}}});
  }
  if (overlap < Length() || overlap >= body.aroundNarrow()) {
    faults.push_back({Member::overlap,
                      {"An overlap of %1 goes more than once round: the cup measures %2 at its "
                       "narrow end. Take less than that; 1/8 in is common.",
                       {overlap, body.aroundNarrow()}}});
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const WrapLayout layout(body, base - overhang, wall - rim, overlap, wrap.seamAt);

  // In the flat the overlap is a band beside the seam; it has to begin on both rings, and the
  // whole must not close on itself about the apex.
  const double k = std::abs(body.taper());
  const Length narrow = std::min(body.radius(layout.low_), body.radius(layout.high_));
  const bool beginsOnBoth = k * overlap.mm() < narrow.mm();
  const bool staysOpen =
      beginsOnBoth && (Angle::turn().radians() * k + std::asin(k * overlap.mm() / narrow.mm())) <
                          Angle::turn().radians();
  if (!staysOpen) {
    const double room = Angle::turn().radians() * (1 - k);
    const double span = std::min(room, std::numbers::pi / 2);
    const double most = narrow.mm() * std::sin(span) / k;
    return tl::unexpected(
        Faults{{Member::overlap,
                {"On so steep a taper an overlap of %1 would lie over the other end of the sheet. "
                 "Take less than %2.",
                 {overlap, Length::mm(most)}}}});
  }
  return layout;
}

Angle WrapLayout::overlapEnd(Length s) const {
  const double r = body_.radius(s).mm();
  // The flat distance w beside the seam is reached after the arc asin(k w / r) about the apex.
  return Angle::halfTurn() + Angle::radians(arcsineOver(body_.taper(), overlap_.mm() / r));
}

Length WrapLayout::beyondSeam(Point p) const {
  const Path seam = seamLine();
  const Point along = seam.end() - seam.start;
  return Length::mm(cross(p - seam.start, along) / norm(along));
}

Path WrapLayout::outline() const {
  const Angle left = -Angle::halfTurn();
  const Angle lowRight = overlapEnd(low_);
  const Angle highRight = overlapEnd(high_);
  Path path{body_.toFlat({left, low_}), {}};
  path.arcTo(body_.toFlat({lowRight, low_}), body_.ringBulge(left, lowRight));
  path.lineTo(body_.toFlat({highRight, high_}));
  path.arcTo(body_.toFlat({left, high_}), body_.ringBulge(highRight, left));
  path.lineTo(path.start);
  return path;
}

Path WrapLayout::seamLine() const {
  return body_.upright(Angle::halfTurn(), low_, high_);
}

}  // namespace avrelt
