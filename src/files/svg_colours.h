// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace avrelt {

/// A colour as SVG 1.1 and CSS write it, "#1F5E6B", "rgb(31, 94, 107)", "teal", as #RRGGBB; how
/// clear it is is left aside. Nothing for anything else.
std::optional<std::string> colourIn(std::string_view text);

}  // namespace avrelt
