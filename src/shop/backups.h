// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <tl/expected.hpp>
#include <vector>

#include "bench/civil_time.h"
#include "measure/sentence.h"

namespace avrelt {

/// A copy of a shop's file, of one day.
struct Backup {
  std::filesystem::path file;
  CivilTime day;
  std::size_t bytes = 0;
};

/// The copies of a shop, the newest first. They lie in `backups` beside its file.
std::vector<Backup> backupsOf(const std::filesystem::path& shop);

/// Which copies are still wanted on a day, the newest first: those of the last seven days, the
/// first of each week for six weeks, and the first of each month for a year. By weeks and months of
/// the calendar, so that what is kept today is not thrown out for a newer one tomorrow.
std::vector<CivilTime> wantedBackups(std::vector<CivilTime> days, CivilTime today);

/// Copies a shop for today, where there is no copy of today yet, and takes away copies that are not
/// wanted any more. The shop may be in use. Nothing else happens where it fails.
std::optional<Sentence> backUp(const std::filesystem::path& shop, CivilTime today);

/// Puts a copy in the place of a shop that nobody has open, once it was looked at and found whole;
/// what was there is kept beside the copies as "before-restore-…", and is told.
tl::expected<std::filesystem::path, Sentence> restoreBackup(const std::filesystem::path& shop,
                                                            const std::filesystem::path& backup,
                                                            CivilTime now);

/// Opens a file as a shop, which brings an older one up, and closes it again; why not, in words.
std::optional<Sentence> lookedAt(const std::filesystem::path& file);

/// Puts what is there aside, among the copies, under a name that says why, and another file in its
/// place, by renaming; where it is now. Refused while any window has the shop open.
tl::expected<std::filesystem::path, Sentence> replaceShop(const std::filesystem::path& shop,
                                                          const std::filesystem::path& by,
                                                          const std::string& why, CivilTime now);

}  // namespace avrelt
