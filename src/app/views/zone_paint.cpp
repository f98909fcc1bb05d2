// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/zone_paint.h"

#include <algorithm>

#include "app/look/theme.h"
#include "measure/colour.h"

namespace avrelt {

ZoneLook lookOf(const Finish& finish) {
  switch (finish.kind) {
    case FinishKind::none:
      return {theme().film, false, false};
    case FinishKind::bare:
      return bareLook();
    case FinishKind::film:
      return {QColor(QString::fromStdString(finish.colour)), true, true};
    case FinishKind::paint:
    case FinishKind::glitter:
    case FinishKind::ink:
    case FinishKind::dip:
      break;
  }
  return {QColor(QString::fromStdString(finish.colour)), false, true};
}

ZoneLook bareLook() {
  return {theme().metal, false, true};
}

bool isFilled(const CupPlan& plan, const Zone& zone) {
  return std::any_of(plan.fills.begin(), plan.fills.end(),
                     [&](const FillPlan& fill) { return fill.zone == zone.id; });
}

QColor lettersOn(const QColor& colour) {
  return luminanceOf(colour.name().toStdString()) > 0.3 ? QColor(Theme::light().ink)
                                                        : QColor(Qt::white);
}

bool standsForAMoment(const Order& order) {
  return order.working() && order.planHolds();
}

}  // namespace avrelt
