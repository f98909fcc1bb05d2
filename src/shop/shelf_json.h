// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "files/read_fault.h"
#include "shop/shelf_blank.h"

namespace avrelt {

/// Blanks as JSON: { "avrelt_shelf": 1, "blanks": [ … ] }, each as an order writes a blank, with
/// `capacity` and `notes` beside. Photos are not in it. All faults come at once, with their lines.
tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelfJson(std::string_view text);
std::string writeShelfJson(const std::vector<ShelfBlank>& blanks);

/// Either kind, told apart by how the text begins.
tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelf(std::string_view text);

}  // namespace avrelt
