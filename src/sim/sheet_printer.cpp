// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/sheet_printer.h"

#include <algorithm>
#include <cmath>

namespace avrelt::sim {

Picture comesOut(const Picture& print, const PaperFeed& feed,
                 const std::function<bool(int row)>& row) {
  const double perMm = feed.dotsPerInch / Length::inches(1).mm();
  const double tall = print.tall / perMm;
  const double wide = print.wide / perMm;
  const Transform map = transformOf(feed.shift);
  const double size = map.determinant();
  Picture sheet{print.wide, print.tall, std::vector<std::uint8_t>(print.rgba.size(), 0)};
  const auto dotOf = [&](int x, int y) {
    return (static_cast<std::size_t>(y) * static_cast<std::size_t>(print.wide) +
            static_cast<std::size_t>(x)) *
           4;
  };
  for (int y = 0; y < sheet.tall; ++y) {
    if (row && !row(y)) break;
    const double up = tall - (y + 0.5) / perMm;
    if (up < feed.bottom.mm() || up > tall - feed.top.mm()) continue;
    for (int x = 0; x < sheet.wide; ++x) {
      const double right = (x + 0.5) / perMm;
      if (right < feed.left.mm() || right > wide - feed.right.mm()) continue;
      const Point p{right - map.e, up - map.f};
      Point from{(p.x * map.d - p.y * map.c) / size, (p.y * map.a - p.x * map.b) / size};
      if (feed.mirrored) from.x = wide - from.x;
      const auto column = static_cast<int>(std::floor(from.x * perMm));
      const auto line = static_cast<int>(std::floor((tall - from.y) * perMm));
      if (column < 0 || column >= print.wide || line < 0 || line >= print.tall) continue;
      std::copy_n(&print.rgba[dotOf(column, line)], 4, &sheet.rgba[dotOf(x, y)]);
    }
  }
  return sheet;
}

}  // namespace avrelt::sim
