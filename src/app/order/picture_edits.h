// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "divide/picture_lay.h"

namespace avrelt {

/// A picture chosen for a film, and what of the order's pictures that changes.
struct PictureChoice {
  /// Taken into the order with it; one of them is chosen by the id it has here, which is no other
  /// picture's.
  std::vector<KeptPicture> added;
  std::vector<std::string> removed;  ///< ids of those nothing shows any more
  ZonePicture picture;
  std::string mean = "#808080";  ///< its colour on the whole, which the finish takes
};

/// How many films of the order show a picture.
int showing(const Document& document, const std::string& picture);

/// Prints the film of the zone in hand.
void printZone(Order& order, const PictureChoice& choice);
/// Prints the cells of a colour of the fill in hand.
void printColour(Order& order, int colour, const PictureChoice& choice);

}  // namespace avrelt
