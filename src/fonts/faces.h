// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <span>

namespace avrelt {

/// The faces Avrelt writes in, on screen and in print, carried inside the program: OpenType files
/// as bytes that live as long as the program runs.
std::span<const unsigned char> regularFace();
std::span<const unsigned char> semiBoldFace();
std::span<const unsigned char> boldFace();

}  // namespace avrelt
