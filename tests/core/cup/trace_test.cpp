// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/trace.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// Marks on a made-up photo of a body: `scale` pixels to the mm, leaning by an angle.
PhotoTrace photoOf(const Body& body, double scale, double leaning, int places) {
  const double c = std::cos(leaning);
  const double s = std::sin(leaning);
  const auto seen = [&](double x, double y) {
    return Point{900 + scale * (c * x + s * y), 2100 + scale * (s * x - c * y)};
  };
  PhotoTrace trace;
  trace.scaleA = seen(-20, 10);
  trace.scaleB = seen(-20, 110);
  trace.apart = Length::mm(100);
  const double base = body.radius(Length()).mm();
  const double rim = body.radius(body.wall()).mm();
  const double height = body.plumb().mm();
  trace.baseLeft = seen(-base, 0);
  trace.baseRight = seen(base, 0);
  trace.rimLeft = seen(-rim, height);
  trace.rimRight = seen(rim, height);
  for (int i = places; i-- > 1;) {
    const Length at = body.wall() * (static_cast<double>(i) / places);
    trace.edge.push_back(seen(body.radius(at).mm(), body.plumbAt(at).mm()));
  }
  return trace;
}

}  // namespace

TEST_CASE("a traced photo gives the cup it was taken of, however it is held") {
  const Body barrel = bodyOf(allCurved()[1].blank);
  for (const double leaning : {0.0, 0.1, -0.3}) {
    const PhotoTrace trace = photoOf(barrel, 7.3, leaning, 12);
    const Checked<std::vector<Station>> stations = stationsFrom(trace, Unit::mm);
    REQUIRE(stations.has_value());
    REQUIRE(stations->size() == 13);
    Blank blank;
    blank.heightAlong = HeightAlong::plumb;
    blank.joined = Joined::smooth;
    blank.stations = *stations;
    const Body traced = bodyOf(blank);
    CHECK(traced.plumb().mm() == Approx(barrel.plumb().mm()).margin(0.1));
    for (const double share : {0.0, 0.2, 0.5, 0.8, 1.0}) {
      // Rounded to a tenth of a millimetre across: a third of one round.
      const Length plumb = barrel.plumb() * share;
      CHECK(traced.around(traced.wallAt(plumb)).mm() ==
            Approx(barrel.around(barrel.wallAt(plumb)).mm()).margin(0.6));
    }
    const Point edge = placeOnPhoto(trace, barrel.plumb(), barrel.radius(barrel.wall()));
    CHECK(norm(edge - trace.rimRight) < 1e-6);
  }
}

TEST_CASE("marks out of order are sorted, those on one another or outside are left out") {
  PhotoTrace trace = photoOf(bodyOf(all()[0].blank), 5, 0, 4);
  const std::size_t plain = stationsFrom(trace, Unit::mm)->size();
  trace.edge.push_back(trace.edge.front());
  trace.edge.push_back(trace.rimRight + Point{0, -400});
  trace.edge.push_back(trace.baseRight + Point{0, 50});
  const Checked<std::vector<Station>> stations = stationsFrom(trace, Unit::mm);
  REQUIRE(stations.has_value());
  CHECK(stations->size() == plain);
  for (std::size_t i = 1; i < stations->size(); ++i) {
    CHECK((*stations)[i].at.length > (*stations)[i - 1].at.length);
  }
}

TEST_CASE("a photo that cannot be measured by is refused in words") {
  const Body body = bodyOf(all()[0].blank);
  PhotoTrace trace = photoOf(body, 5, 0, 3);
  trace.apart = Length();
  CHECK(stationsFrom(trace, Unit::mm).error().where.member == Member::traceApart);
  trace = photoOf(body, 5, 0, 3);
  trace.scaleB = trace.scaleA + Point{3, 0};
  CHECK(stationsFrom(trace, Unit::mm).error().where.member == Member::traceApart);
  trace = photoOf(body, 5, 0, 3);
  trace.rimLeft = trace.baseLeft;
  trace.rimRight = trace.baseRight;
  CHECK(stationsFrom(trace, Unit::mm).error().where.member == Member::traceCorners);
}
