// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "measure/angle.h"
#include "measure/length_text.h"
#include "shape/picture.h"

namespace avrelt {

/// How often a picture is there.
enum class PictureRepeat {
  tile,   ///< side by side and one above the other, a whole number round where it is bent
  round,  ///< once round the cup
  once,   ///< where it is put, as wide as asked
};

/// The picture a zone's film is printed with, and how it lies there. Its proportion is kept.
struct ZonePicture {
  std::string id;  ///< of one of the order's; empty: none
  SharedPicture
      picture{};  ///< that picture, put here by who holds the order; none where it is gone
  PictureRepeat repeat = PictureRepeat::tile;
  /// Bent so that what is level in it runs along a ring of the cup; else straight in the flat.
  bool bent = true;
  WrittenLength wide{Length::mm(60), "60 mm"};  ///< of one; once round it is the cup's
  CupAngle at{};                                ///< where on the cup the middle of one stands
  /// How far up the wall that middle is; left out, in the zone's middle.
  std::optional<WrittenLength> up{};
  Angle turn{};  ///< to the left; only where it is there once
  std::string kept{};

  friend bool operator==(const ZonePicture&, const ZonePicture&) = default;
};

}  // namespace avrelt
