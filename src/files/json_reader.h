// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <nlohmann/json.hpp>
#include <string_view>
#include <tl/expected.hpp>

#include "files/read_fault.h"

namespace avrelt {

/// Members in the order the file has them.
using Json = nlohmann::ordered_json;

/// A JSON text read whole, and where its fields stand.
struct ReadJson {
  Json root;
  FieldLines lines;
};

/// Reads JSON as RFC 8259 has it. Refused with its line: broken syntax, text that is not UTF-8, a
/// member that stands twice, and nesting deeper than 64, which no order needs and a hostile file
/// would bring.
tl::expected<ReadJson, ReadFault> readJson(std::string_view text);

}  // namespace avrelt
