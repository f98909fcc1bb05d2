// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QString>
#include <tl/expected.hpp>

#include "measure/sentence.h"

namespace avrelt {

/// The largest photo taken in: more pixels show nothing more of a cup, and cost the memory.
inline constexpr int mostMegapixels = 60;

/// Reads a photo, turned as its camera says. Refused in words: a file that cannot be read, that is
/// no picture, or that is larger than `mostMegapixels`; which is known before it is unpacked.
tl::expected<QImage, Sentence> readPhoto(const QString& path);

}  // namespace avrelt
