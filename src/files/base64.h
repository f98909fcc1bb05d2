// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace avrelt {

/// Bytes as text (RFC 4648, 4, with padding).
std::string base64Of(std::string_view bytes);
/// The bytes a text stands for; nothing where it is none such. White space between is left out.
std::optional<std::string> fromBase64(std::string_view text);

}  // namespace avrelt
