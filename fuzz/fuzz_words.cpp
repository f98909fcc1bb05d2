// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdint>

#include "decal/artwork.h"
#include "fonts/faces.h"
#include "require.h"

using namespace avrelt;

/// Whatever is typed, in whichever shipped face or a torn one, is set as outlines that are closed
/// and finite, or refused in words.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  if (size < 6) return 0;
  const auto faces = letteringFaces();
  const ShippedFace& shipped = faces[data[0] % faces.size()];
  std::string bytes(reinterpret_cast<const char*>(shipped.bytes.data()), shipped.bytes.size());
  // Some faces are torn, or wrong at a place.
  if (data[1] > 200) bytes.resize(bytes.size() * data[2] / 256);
  if (data[1] > 100 && data[1] <= 200 && !bytes.empty()) {
    bytes[(data[2] * 256U + data[3]) * 97 % bytes.size()] = static_cast<char>(data[4]);
  }
  TextSetting setting;
  setting.capHeight = Length::mm(data[3] / 8.0);
  setting.align = static_cast<TextAlign>(data[4] % 3);
  setting.spacingPercent = data[5] - 100.0;
  if (data[4] % 2 == 0) setting.arc = Length::mm(data[5]);
  setting.under = data[4] % 4 == 0;
  setting.merged = data[4] % 5 != 0;
  setting.text.assign(reinterpret_cast<const char*>(data + 6), std::min<std::size_t>(size - 6, 60));
  const Checked<TextOutline> outline =
      outlineOf({std::make_shared<const std::string>(std::move(bytes)), 0}, setting);
  if (!outline) {
    require(!inWords(outline.error().sentence, Unit::mm).empty());
    return 0;
  }
  require(!outline->letters.empty());
  for (const Polygon& letter : outline->letters) {
    for (const std::vector<Point>& line : letter) {
      require(line.size() >= 3);
      for (const Point& p : line) require(std::isfinite(p.x) && std::isfinite(p.y));
    }
  }
  return 0;
}
