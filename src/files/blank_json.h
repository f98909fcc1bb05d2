// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "cup/blank.h"
#include "files/object_reader.h"

namespace avrelt {

/// The members of a station, `at` with `around` or `across`, read from an object that may have
/// others.
Station stationMembers(ObjectReader& object, const Json& value, const std::string& path, Unit unit);
Json written(const Station& station);

/// A blank as an order writes it (`docs/format.md`); bare numbers are mm, texts without a unit are
/// in `unit`.
Blank blankMembers(ObjectReader object, const Json& value, Unit unit);
Json written(const Blank& blank);

/// A blank by itself as JSON text, as the shelf keeps it.
std::string writeBlank(const Blank& blank);
tl::expected<Blank, ReadFaults> readBlank(std::string_view text);

}  // namespace avrelt
