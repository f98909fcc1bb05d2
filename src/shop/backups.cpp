// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/backups.h"

#include <algorithm>
#include <set>

#include "files/disk_calls.h"
#include "shop/database.h"
#include "shop/shop.h"
#include "shop/shop_lock.h"

namespace avrelt {
namespace {

namespace fs = std::filesystem;

constexpr const char* prefix = "shop-";
constexpr const char* ending = ".sqlite";

fs::path folderOf(const fs::path& shop) {
  return shop.parent_path() / "backups";
}

std::string dayName(CivilTime day) {
  constexpr std::size_t digits = 10;
  return civilText(day).substr(0, digits);
}

/// "shop-2026-12-01.sqlite" is of that day.
std::optional<CivilTime> dayOfFile(const std::string& name) {
  const std::string_view start = prefix;
  const std::string_view end = ending;
  if (name.size() <= start.size() + end.size() || !name.starts_with(start) ||
      !name.ends_with(end)) {
    return std::nullopt;
  }
  return parseCivil(name.substr(start.size(), name.size() - start.size() - end.size()));
}

int daysFrom(CivilTime day, CivilTime today) {
  return static_cast<int>(
      std::chrono::duration_cast<std::chrono::days>(dayOf(today) - dayOf(day)).count());
}

}  // namespace

std::vector<Backup> backupsOf(const fs::path& shop) {
  std::vector<Backup> backups;
  std::error_code error;
  for (fs::directory_iterator at(folderOf(shop), error), end; !error && at != end;
       at.increment(error)) {
    std::error_code ignored;
    if (!at->is_regular_file(ignored)) continue;
    if (const auto day = dayOfFile(at->path().filename().string())) {
      backups.push_back({at->path(), *day, static_cast<std::size_t>(at->file_size(ignored))});
    }
  }
  std::sort(backups.begin(), backups.end(),
            [](const Backup& a, const Backup& b) { return a.day > b.day; });
  return backups;
}

std::vector<CivilTime> wantedBackups(std::vector<CivilTime> days, CivilTime today) {
  std::sort(days.begin(), days.end());
  constexpr int week = 7;
  constexpr int weekly = 6 * week;
  constexpr int monthly = weekly + 12 * 31;
  std::vector<CivilTime> wanted;
  // The first of each: what is the first of its week today still is when it is older.
  std::set<long> weeks;
  std::set<std::string> months;
  for (const CivilTime day : days) {
    const int old = daysFrom(day, today);
    const long inWeek = static_cast<long>(
        std::chrono::duration_cast<std::chrono::days>(day.time_since_epoch()).count() / week);
    constexpr std::size_t monthDigits = 7;
    const bool ofWeek = old < weekly && weeks.insert(inWeek).second;
    const bool ofMonth =
        old < monthly && months.insert(civilText(day).substr(0, monthDigits)).second;
    if (old < week || ofWeek || ofMonth) wanted.push_back(day);
  }
  std::reverse(wanted.begin(), wanted.end());
  return wanted;
}

std::optional<Sentence> backUp(const fs::path& shop, CivilTime today) {
  const fs::path folder = folderOf(shop);
  const fs::path target = folder / (prefix + dayName(today) + ending);
  std::error_code error;
  if (fs::exists(target, error)) return std::nullopt;
  fs::create_directories(folder, error);
  if (error) return whyNot(error.value(), folder);
  const fs::path half = target.string() + ".half";
  fs::remove(half, error);
  {
    Database database(shop, Database::Use::looking);
    {
      Statement copy(database, "VACUUM INTO ?");
      copy.bind(half.string()).step();
    }
    if (std::optional<Sentence> trouble = database.trouble()) {
      fs::remove(half, error);
      return trouble;
    }
  }
  fs::rename(half, target, error);
  if (error) return whyNot(error.value(), target);
  std::vector<CivilTime> days;
  const std::vector<Backup> all = backupsOf(shop);
  days.reserve(all.size());
  for (const Backup& backup : all) days.push_back(backup.day);
  const std::vector<CivilTime> wanted = wantedBackups(days, today);
  for (const Backup& backup : all) {
    if (std::find(wanted.begin(), wanted.end(), backup.day) == wanted.end()) {
      fs::remove(backup.file, error);
    }
  }
  return std::nullopt;
}

tl::expected<fs::path, Sentence> replaceShop(const fs::path& shop, const fs::path& by,
                                             const std::string& why, CivilTime now) {
  const ShopLock alone(shop, ShopLock::Kind::alone);
  if (!alone.held()) {
    return tl::unexpected(
        Sentence{"The shop is open in another window (%1). Close that one, then do this again; "
                 "nothing was changed.",
                 {shop.string()}});
  }
  const fs::path folder = folderOf(shop);
  std::error_code error;
  fs::create_directories(folder, error);
  if (error) return tl::unexpected(whyNot(error.value(), folder));
  std::string stamp = civilText(now);
  std::replace(stamp.begin(), stamp.end(), ':', '-');
  std::string name = why;
  name.append("-").append(stamp);
  fs::path aside = folder / (name + ending);
  for (int another = 2; fs::exists(aside, error); ++another) {
    std::string next = name;
    next.append("-").append(std::to_string(another)).append(ending);
    aside = folder / next;
  }
  // The old one gets a second name, then the new one takes the first in one step: at every moment
  // there is a shop.
  const bool there = fs::exists(shop, error);
  if (there && disk::link(shop, aside) != 0) {
    // Some disks have no second names.
    fs::copy_file(shop, aside, error);
    if (error) {
      const Sentence fault = whyNot(error.value(), aside);
      std::error_code ignored;
      fs::remove(aside, ignored);
      return tl::unexpected(fault);
    }
  }
  if (const int failed = disk::rename(by, shop)) {
    const Sentence fault = whyNot(failed, shop);
    std::error_code ignored;
    if (there) fs::remove(aside, ignored);
    return tl::unexpected(fault);
  }
  disk::syncFolder(shop.parent_path());
  return aside;
}

std::optional<Sentence> lookedAt(const fs::path& file) {
  std::optional<Sentence> fault;
  {
    const auto opened = Shop::open(file);
    if (!opened) fault = opened.error();
  }
  std::error_code ignored;
  fs::remove(lockFileOf(file), ignored);
  return fault;
}

tl::expected<fs::path, Sentence> restoreBackup(const fs::path& shop, const fs::path& backup,
                                               CivilTime now) {
  const fs::path half = shop.string() + ".half";
  std::error_code error;
  fs::copy_file(backup, half, fs::copy_options::overwrite_existing, error);
  if (error) return tl::unexpected(whyNot(error.value(), backup));
  // Opening it brings an older one up, and refuses what is damaged, newer, or no shop.
  const std::optional<Sentence> fault = lookedAt(half);
  if (fault) {
    fs::remove(half, error);
    return tl::unexpected(*fault);
  }
  auto aside = replaceShop(shop, half, "before-restore", now);
  if (!aside) fs::remove(half, error);
  return aside;
}

}  // namespace avrelt
