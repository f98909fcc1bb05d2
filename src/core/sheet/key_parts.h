// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "sheet/template_sheet.h"

namespace avrelt {

/// The key of a filled zone on paper, true size: the stencil drawn, each cell with its label and
/// its colour's letter, and hatched by its colour, so that it reads in black and white. In as many
/// parts as the stencil.
std::vector<Part> keyParts(const FillWork& work, const std::string& cupName);

/// Keys too large for a page of either paper, made smaller until they fit; their words say by how
/// much.
std::vector<Part> pageKeys(const std::vector<Part>& keys);

}  // namespace avrelt
