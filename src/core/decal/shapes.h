// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/artwork.h"

namespace avrelt {

/// A shape of the small shelf drawn for this program.
struct ShelfShape {
  std::string id;     ///< "crescent"
  Sentence title;     ///< "Crescent moon"
  std::string about;  ///< more words it is found by
};

/// All of them, in the order they are shown.
const std::vector<ShelfShape>& shelfShapes();
/// The artwork of one, about 50 mm wide; an empty one where there is no such shape.
Artwork shapeArtwork(const std::string& id);

}  // namespace avrelt
