// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace avrelt {

/// A QR code (ISO/IEC 18004) of a text, level M: row by row which of its squares are dark, as many
/// rows as columns; empty where it is too long for one. The quiet zone round it, four squares wide,
/// is not among them.
std::vector<std::vector<bool>> qrCode(const std::string& text);

}  // namespace avrelt
