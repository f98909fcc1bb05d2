// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QIcon>

#include "app/look/painting.h"
#include "decal/artwork.h"

namespace avrelt {

/// Outlines for the painter, openings left open.
QPainterPath painterPath(const Polygon& polygon, const Fit& fit);
/// An artwork in its colours, as large as the room has it.
void paintArtwork(QPainter& painter, const Artwork& artwork, const QRectF& room);
/// The same as a small picture on the colour of a field, in a list chosen or not.
QIcon iconOf(const Artwork& artwork, const QSize& size, double devicePixels);

}  // namespace avrelt
