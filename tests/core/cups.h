// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <catch2/catch.hpp>
#include <cmath>
#include <vector>

#include "cup/body.h"
#include "cup/wrap.h"
#include "sheet/wrap_parts.h"

/// A small set of named cups that every operation is checked against.
namespace avrelt::cups {

inline Blank body(Length base, Length rim, Length height, HeightAlong along = HeightAlong::wall) {
  Blank blank;
  blank.heightAlong = along;
  blank.stations = {{{Length(), {}}, WrittenLength{base, {}}, Girth::around, {}},
                    {{height, {}}, WrittenLength{rim, {}}, Girth::around, {}}};
  return blank;
}

struct Named {
  const char* name;
  Blank blank;
};

inline const std::vector<Named>& all() {
  static const std::vector<Named> cups{
      {"straight", body(Length::inches(9.25), Length::inches(9.25), Length::inches(8))},
      {"tapered", body(Length::inches(9.25), Length::inches(10.5), Length::inches(4.75))},
      {"wide-based", body(Length::mm(290), Length::mm(240), Length::mm(140))},
      {"plumb", body(Length::mm(200), Length::mm(270), Length::mm(120), HeightAlong::plumb)},
      {"a thousandth of a millimetre", body(Length::mm(240), Length::mm(240.001), Length::mm(200))},
      {"last bit", body(Length::mm(240), Length::mm(std::nextafter(240, 241)), Length::mm(200))},
      {"steep", body(Length::mm(60), Length::mm(300), Length::mm(60))},
      {"steep, wide-based", body(Length::mm(300), Length::mm(60), Length::mm(60))},
      {"tiny", body(Length::mm(1), Length::mm(1), Length::mm(1))},
      {"huge", body(Length::mm(9000), Length::mm(10000), Length::mm(10000))},
  };
  return cups;
}

inline Body bodyOf(const Blank& blank) {
  CheckedAll<Body> made = Body::of(blank);
  REQUIRE(made.has_value());
  return *made;
}

/// What is said against this field of a blank that makes no body.
inline std::string faultAt(const Blank& blank, const Where& where) {
  const CheckedAll<Body> made = Body::of(blank);
  REQUIRE_FALSE(made.has_value());
  for (const Fault& fault : made.error()) {
    if (fault.where == where) return inWords(fault.sentence, Unit::mm);
  }
  FAIL("no fault there");
  return {};
}

inline Development developed(const Blank& blank) {
  return bodyOf(blank).cone();
}

/// A body through girths up the wall or plumb beside it, in mm.
struct At {
  double height;
  double around;
};
inline Blank curved(const std::vector<At>& places, Joined joined = Joined::smooth,
                    HeightAlong along = HeightAlong::plumb) {
  Blank blank;
  blank.heightAlong = along;
  blank.joined = joined;
  for (const At& place : places) {
    blank.stations.push_back(
        {WrittenLength::mm(place.height), WrittenLength::mm(place.around), Girth::around, {}});
  }
  return blank;
}

/// Shapes that are no cones, for every operation that takes any body.
inline const std::vector<Named>& allCurved() {
  static const std::vector<Named> cups{
      {"plump", curved({{0, 205}, {60, 215}, {75, 285}, {190, 290}}, Joined::straight)},
      {"barrel", curved({{0, 230}, {50, 270}, {100, 280}, {150, 270}, {200, 235}})},
      {"wine", curved({{0, 130}, {15, 190}, {40, 255}, {70, 270}, {105, 235}})},
      {"waist", curved({{0, 260}, {80, 225}, {160, 265}})},
      {"foot",
       curved({{0, 220}, {8, 220}, {11, 205}, {120, 260}}, Joined::straight, HeightAlong::wall)},
  };
  return cups;
}

inline Wrap wrapOf(Length base, Length rim, Length overlap, CupAngle seam = CupAngle::back()) {
  Wrap wrap;
  wrap.baseClearance = {base, {}};
  wrap.rimClearance = {rim, {}};
  wrap.overlap = {overlap, {}};
  wrap.seamAt = seam;
  return wrap;
}

inline WrapLayout laidOut(const Development& body, const Wrap& wrap) {
  CheckedAll<WrapLayout> layout = WrapLayout::of(body, wrap);
  REQUIRE(layout.has_value());
  return *layout;
}

/// The one part of a wrap on a cone.
inline Part conePiece(const WrapLayout& layout, Unit unit, const std::string& name,
                      bool paper = false) {
  const Body body = Body::of(layout.body());
  const Layings layings = layingsOf(body, layout.low(), layout.high(), layout.overlap(), Film());
  return wrapParts({body,
                    layings.of(LayingKind::sector),
                    layout,
                    Length(),
                    {},
                    layings.runsOff,
                    {"cut for the bare cup", {}},
                    unit,
                    name,
                    {}},
                   paper)
      .front();
}

}  // namespace avrelt::cups
