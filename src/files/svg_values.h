// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "shape/transform.h"

namespace avrelt {

/// CSS 2.1, 4.3.2.
inline constexpr double pxPerInch = 96;

/// "12mm", "3.5 in", "50%" in px; `whole` is what a per cent is of. Nothing where it is no length.
std::optional<double> lengthIn(std::string_view text, double whole);
/// "translate(3 4) rotate(30)"; nothing where it cannot be read.
std::optional<Transform> transformIn(std::string_view text);
/// A view's left, top, width and height; empty where it has none that can be used.
std::vector<double> viewBoxIn(std::string_view box);
/// What brings a view box into a width and a height (SVG 1.1, 7.8).
Transform fitted(const std::vector<double>& view, double wide, double tall,
                 std::string_view aspect);

}  // namespace avrelt
