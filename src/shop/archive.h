// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <tl/expected.hpp>

#include "bench/civil_time.h"
#include "measure/sentence.h"

namespace avrelt {

/// What an archive took, or gave.
struct ArchiveCount {
  std::size_t rows = 0;
  std::size_t orders = 0;
  std::size_t photos = 0;
  std::size_t missing = 0;  ///< photos the shop knows of that are not there
};

/// "2 cups of the log, 1 photo".
Sentence inWords(const ArchiveCount& count);

/// Writes the whole shop into one ZIP file (`docs/format.md`): `shop.json` says what it is, a JSON
/// file holds each table, `orders/` every cup's order as it can be opened by itself, `cut/` what
/// was cut, `photos/` the photos, and CSV files the log, the work, the supplies and the films as a
/// spreadsheet takes them. Written under another name first, renamed when whole.
tl::expected<ArchiveCount, Sentence> writeArchive(const std::filesystem::path& shop,
                                                  const std::filesystem::path& archive,
                                                  CivilTime now);

/// Puts what an archive holds in the place of a shop that nobody has open; what was there is kept
/// among its copies as "before-import-…". Photos are added to those that are there. Refused, with
/// nothing changed: what is no archive of a shop, half of one, one of a newer version.
tl::expected<ArchiveCount, Sentence> readArchive(const std::filesystem::path& archive,
                                                 const std::filesystem::path& shop, CivilTime now);

}  // namespace avrelt
