// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/blank.h"
#include "measure/fault.h"
#include "shape/point.h"

namespace avrelt {

/// What was marked on a photo of a cup taken from the side, in pixels, y down as pictures have it.
struct PhotoTrace {
  /// Two places of known distance, and that distance.
  Point scaleA;
  Point scaleB;
  Length apart;
  /// The four corners of the body as it is seen.
  Point baseLeft;
  Point baseRight;
  Point rimLeft;
  Point rimRight;
  /// Along the right-hand edge between base and rim, in any order.
  std::vector<Point> edge;
};

/// The axis runs through the middles of base and rim; a place's height is its distance along it,
/// its radius its distance from it. Comes back as stations across, plumb, from the base up, sorted;
/// places closer than 1 mm in height to the one below are left out, those beyond base or rim too.
/// The two ends take the mean of left and right.
///
/// A photo shows what is nearer larger; taken from 2 m away a cup's edge is off by its radius over
/// that distance squared, under a thousandth. Nothing is corrected.
///
/// Refused in words: no distance, or its two places too close (20 pixels) to measure by; a body
/// without height or width.
Checked<std::vector<Station>> stationsFrom(const PhotoTrace& trace, Unit unit);

/// Where a station lies on the photo: its right-hand edge.
Point placeOnPhoto(const PhotoTrace& trace, Length plumb, Length radius);

}  // namespace avrelt
