// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <catch2/catch.hpp>
#include <cmath>
#include <vector>

#include "cup/wrap.h"

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

inline Development developed(const Blank& blank) {
  CheckedAll<Development> made = Development::of(blank);
  REQUIRE(made.has_value());
  return *made;
}

inline Wrap wrapOf(Length base, Length rim, Length overlap, Angle seam = Angle::halfTurn()) {
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

}  // namespace avrelt::cups
