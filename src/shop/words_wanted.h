// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace avrelt {

/// The words of a text, each as a pattern for LIKE … ESCAPE '\' that finds it anywhere.
std::vector<std::string> patternsOf(const std::string& wanted);

}  // namespace avrelt
