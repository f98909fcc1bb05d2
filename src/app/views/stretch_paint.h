// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QColor>
#include <QPainter>
#include <QString>

#include "cup/laying.h"

namespace avrelt {

/// The colour a film takes on where it has to bear so much: brass where it stretches, petrol where
/// it lies full, stronger up to what it bears, and full strength beyond.
QColor stretchColour(double stretch, double bears);

/// "+2.1 %", "−0.8 %": stretched, or too full.
QString stretchText(double share);

/// Paints the map of a way of laying, patch by patch; `patch` gives the outline of what lies
/// between two heights and two angles from the seam's left edge, empty where it is not to be seen.
/// What goes beyond the film is hatched as well.
void paintStretch(QPainter& painter, const Laying& laying, double bears, int rows,
                  const std::function<QPolygonF(Length, Length, Angle, Angle)>& patch);

}  // namespace avrelt
