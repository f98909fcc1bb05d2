// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

namespace avrelt {

/// The faces Avrelt writes in, on screen and in print, carried inside the program: OpenType files
/// as bytes that live as long as the program runs.
std::span<const unsigned char> regularFace();
std::span<const unsigned char> semiBoldFace();
std::span<const unsigned char> boldFace();

/// A face carried for lettering on cups.
struct ShippedFace {
  const char* family;
  const char* style;
  std::span<const unsigned char> bytes;
};
/// Those of different character, and the two that Avrelt itself writes in.
std::span<const ShippedFace> letteringFaces();

}  // namespace avrelt
