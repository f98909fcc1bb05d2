// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "divide/picture_lay.h"

namespace avrelt {

/// What of the order's pictures a choice among them changes.
struct PictureTaking {
  /// Taken into the order; one of them may be chosen by the id it has here, which is no other
  /// picture's.
  std::vector<KeptPicture> added;
  std::vector<std::string> removed;  ///< ids of those nothing shows any more
};

/// A picture chosen for a film.
struct PictureChoice {
  PictureTaking taking;
  ZonePicture picture;
  std::string mean = "#808080";  ///< its colour on the whole, which the finish takes
};

/// How many films of the order show a picture.
int showing(const Document& document, const std::string& picture);

/// Prints the film of the zone in hand.
void printZone(Order& order, const PictureChoice& choice);
/// Prints the cells of a colour of the fill in hand.
void printColour(Order& order, int colour, const PictureChoice& choice);

/// A picture chosen for a layer; none takes the one it has away.
struct LayerPrintChoice {
  PictureTaking taking;
  LayerPrint print;
  std::string mean = "#808080";
};
/// Prints the film of the layer in hand, which is then cut from printable film.
void printLayer(Order& order, const LayerPrintChoice& choice);

}  // namespace avrelt
