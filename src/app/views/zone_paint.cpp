// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/zone_paint.h"

#include <algorithm>

#include "app/window/theme.h"

namespace avrelt {

ZoneLook lookOf(const Finish& finish) {
  switch (finish.kind) {
    case FinishKind::none:
      return {theme().film, false, false};
    case FinishKind::bare:
      return {theme().metal, false, true};
    case FinishKind::film:
      return {QColor(QString::fromStdString(finish.colour)), true, true};
    case FinishKind::paint:
    case FinishKind::glitter:
      break;
  }
  return {QColor(QString::fromStdString(finish.colour)), false, true};
}

QColor lettersOn(const QColor& colour) {
  return luminanceOf(colour.name().toStdString()) > 0.3 ? QColor(Theme::light().ink)
                                                        : QColor(Qt::white);
}

WallPoint labelPlace(const Region& region) {
  const Length low = region.lowest();
  const Length high = region.highest();
  WallPoint best{Angle(), (low + high) / 2};
  Angle widest;
  for (const double share : {0.5, 0.35, 0.65, 0.2, 0.8}) {
    const Length s = low + (high - low) * share;
    for (const WallLine& stretch :
         region.stretchesOf({{-Angle::halfTurn(), s}, {Angle::halfTurn(), s}})) {
      const Angle width = stretch.back().theta - stretch.front().theta;
      // The middle height wins unless another is clearly wider there.
      if (width <= widest * 1.3) continue;
      widest = width;
      best = {(stretch.front().theta + stretch.back().theta) / 2, s};
    }
  }
  return best;
}

}  // namespace avrelt
