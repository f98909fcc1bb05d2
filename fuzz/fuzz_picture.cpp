// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdint>

#include "decal/artwork.h"
#include "decal/blade_fit.h"
#include "require.h"

using namespace avrelt;

/// Whatever a picture shows, and however it is traced: areas within it, or words; and of an artwork
/// of them what a blade asks.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  if (size < 6) return 0;
  TraceSetting setting;
  setting.colours = data[0] % 14;
  setting.threshold = data[1] % 103 - 1;
  setting.invert = data[2] % 2 == 1;
  setting.background = data[2] % 3 != 0;
  setting.despeckle = data[3] % 20;
  setting.smoothPercent = data[4] % 110;
  Picture picture;
  picture.wide = data[5] % 48 + 1;
  // One byte a dot: few colours, so that shapes come of it.
  picture.tall = static_cast<int>((size - 6) / static_cast<std::size_t>(picture.wide));
  for (std::size_t i = 6; i < size; ++i) {
    const std::uint8_t dot = data[i];
    picture.rgba.push_back(static_cast<std::uint8_t>((dot & 3U) * 85U));
    picture.rgba.push_back(static_cast<std::uint8_t>((dot >> 2U & 3U) * 85U));
    picture.rgba.push_back(static_cast<std::uint8_t>((dot >> 4U & 3U) * 85U));
    picture.rgba.push_back(dot < 240 ? 255 : 0);
  }
  const Checked<std::vector<TracedColour>> found = traced(picture, setting);
  if (!found) {
    require(!inWords(found.error().sentence, Unit::mm).empty());
    return 0;
  }
  const double wide = picture.wide;
  const double tall = picture.tall;
  for (const TracedColour& one : *found) {
    const Box box = boundsOf(one.area);
    require(box.low.x > -1 && box.low.y > -1 && box.high.x < wide + 1 && box.high.y < tall + 1);
  }
  const Checked<Artwork> artwork = artworkOf("fuzz", *found, setting, 25.4);
  if (!artwork) return 0;
  const BladeFit fit = fitOf(artwork->silhouette(), Length::mm(1));
  require(fit.parts > 0);
  require(!fit.stroke || std::isfinite(fit.stroke->width.mm()));
  return 0;
}
