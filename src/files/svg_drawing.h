// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "files/read_fault.h"
#include "pattern/repeat.h"

namespace avrelt {

/// Reads line art from SVG 1.1: paths and basic shapes, groups, transforms, `use` of what is in the
/// file, fills and line widths by attribute, style and simple style sheets, lengths in any of its
/// units; y is turned up and all is in mm. Curves are drawn to within 0.01 mm.
///
/// Colours are kept, of a gradient its first; clip paths in user units come with the shapes they
/// clip. Nothing is run and nothing outside the file is followed. Words, pictures, scripts, masks
/// and outside references are left out, and the notes say so.
///
/// Faults name line and element: what is no XML, what is XML but no SVG (a web page, say), path
/// data or a transform that cannot be read, groups nested too deep, uses of uses that multiply
/// beyond 20 000 shapes.
tl::expected<Drawing, ReadFaults> readDrawing(std::string_view text, const std::string& name);

}  // namespace avrelt
