// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "decal/decal_set.h"
#include "decal/row.h"
#include "decal/scatter.h"
#include "files/object_reader.h"

namespace avrelt {

/// The members of `artworks` and of a cup's `sets`, `rows` and `scatters`; what this version does
/// not know is kept.
Artwork artworkMembers(ObjectReader object, Unit unit);
Json written(const Artwork& artwork);
/// One artwork as a text of its own, as the shop keeps it.
std::string writeArtwork(const Artwork& artwork);
tl::expected<Artwork, ReadFaults> readArtwork(std::string_view text);

DecalSet setMembers(ObjectReader object, Unit unit);
Json written(const DecalSet& set);
Row rowMembers(ObjectReader object, Unit unit);
Json written(const Row& row);
Scatter scatterMembers(ObjectReader object, Unit unit);
Json written(const Scatter& scatter);

}  // namespace avrelt
