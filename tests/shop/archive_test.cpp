// SPDX-License-Identifier: GPL-3.0-or-later
// The whole shop out and in again, and its copies: nothing is lost, half a file changes nothing.
#include "shop/archive.h"

#include <algorithm>
#include <cerrno>
#include <fstream>

#include "files/disk.h"
#include "refusing_disk.h"
#include "shop/backups.h"
#include "shop/logs.h"

using namespace avrelt;
using namespace avrelt::logs;
using namespace avrelt::cups;
namespace fs = std::filesystem;

namespace {

/// All rows of all tables, as text.
std::string contentsOf(const fs::path& file) {
  sqlite3* handle = nullptr;
  REQUIRE(sqlite3_open(file.c_str(), &handle) == SQLITE_OK);
  std::vector<std::string> tables;
  const auto each = [&](const std::string& sql, const auto& act) {
    sqlite3_stmt* statement = nullptr;
    REQUIRE(sqlite3_prepare_v2(handle, sql.c_str(), -1, &statement, nullptr) == SQLITE_OK);
    while (sqlite3_step(statement) == SQLITE_ROW) act(statement);
    sqlite3_finalize(statement);
  };
  each("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY 1",
       [&](sqlite3_stmt* row) {
         tables.emplace_back(reinterpret_cast<const char*>(sqlite3_column_text(row, 0)));
       });
  std::string all;
  for (const std::string& table : tables) {
    all += "= " + table + "\n";
    each("SELECT * FROM " + table + " ORDER BY rowid", [&](sqlite3_stmt* row) {
      for (int i = 0; i < sqlite3_column_count(row); ++i) {
        all += std::to_string(sqlite3_column_type(row, i)) + ":";
        const auto* bytes = static_cast<const char*>(sqlite3_column_blob(row, i));
        if (bytes != nullptr) {
          all.append(bytes, static_cast<std::size_t>(sqlite3_column_bytes(row, i)));
        }
        all += "|";
      }
      all += "\n";
    });
  }
  sqlite3_close(handle);
  return all;
}

std::string photosOf(const fs::path& folder) {
  std::vector<std::string> all;
  for (const auto& file : fs::directory_iterator(folder / "photos")) {
    all.push_back(file.path().filename().string() + "=" + *readFile(file.path()));
  }
  std::sort(all.begin(), all.end());
  std::string text;
  for (const std::string& one : all) text += one + "\n";
  return text;
}

}  // namespace

TEST_CASE("a shop goes into an archive and comes out the same elsewhere", "[archive]") {
  const ShopFolder here;
  const ShopFolder there;
  {
    Shop shop = here.open();
    Chance chance(9);
    fill(shop, chance, 9);
    ShelfBlank blank = shop.find("straight 600")->front();
    blank.photo = std::string("\xFF\xD8\0bytes", 8);
    REQUIRE_FALSE(shop.put({blank}));
  }
  const fs::path zip = here.path / "shop.zip";
  const auto written = writeArchive(here.file(), zip, at("2026-12-01T10:00"));
  REQUIRE(written);
  CHECK(written->orders == 9);
  CHECK(written->missing == 0);
  // The same shop gives the same bytes.
  const std::string bytes = *readFile(zip);
  REQUIRE(writeArchive(here.file(), zip, at("2026-12-01T10:00")));
  CHECK(*readFile(zip) == bytes);
  // In the place of a shop that was there, which is kept.
  {
    Shop shop = there.open();
    REQUIRE(shop.supplies().put(glitter("Theirs")));
  }
  const std::string theirs = contentsOf(there.file());
  const auto read = readArchive(zip, there.file(), at("2026-12-02T10:00"));
  REQUIRE(read);
  CHECK(read->orders == 9);
  CHECK(read->photos == written->photos);
  CHECK(read->missing == 0);
  CHECK(contentsOf(there.file()) == contentsOf(here.file()));
  CHECK(photosOf(there.path) == photosOf(here.path));
  CHECK(contentsOf(there.path / "backups" / "before-import-2026-12-02T10-00.sqlite") == theirs);
  Shop shop = there.open();
  CHECK(*shop.logbook().orderText({"o-0", "cup-1"}) ==
        "{\"avrelt\": 2, \"cups\": [ ], \"n\": 1}\n");
  CHECK(shop.photoOf("straight 600 ml")->size() == 8);
}

TEST_CASE("half an archive, a newer one, another file: told, and nothing is changed", "[archive]") {
  const ShopFolder here;
  const ShopFolder there;
  {
    Shop shop = here.open();
    Chance chance(10);
    fill(shop, chance, 5);
    (void)there.open();
  }
  const fs::path zip = here.path / "shop.zip";
  REQUIRE(writeArchive(here.file(), zip, at("2026-12-01T10:00")));
  const std::string whole = *readFile(zip);
  const std::string before = contentsOf(there.file());
  const fs::path broken = here.path / "broken.zip";
  const auto refused = [&](const std::string& bytes) {
    std::ofstream(broken, std::ios::binary) << bytes;
    const auto read = readArchive(broken, there.file(), at("2026-12-02T10:00"));
    CHECK(contentsOf(there.file()) == before);
    CHECK_FALSE(fs::exists(there.path / "shop.sqlite.half"));
    CHECK_FALSE(fs::exists(there.path / "photos.half"));
    CHECK_FALSE(fs::exists(there.path / "backups"));
    return read ? std::string() : inWords(read.error(), Unit::mm);
  };
  for (const std::size_t size : {std::size_t{0}, whole.size() / 3, whole.size() / 2}) {
    INFO(size);
    CHECK_FALSE(refused(whole.substr(0, size)).empty());
  }
  CHECK_FALSE(refused("no zip at all").empty());
  // A byte spoilt here and there: refused, or of no moment; never half taken.
  const std::string all = contentsOf(here.file());
  for (std::size_t at = 0; at < whole.size(); at += whole.size() / 60 + 1) {
    const ShopFolder elsewhere;
    (void)elsewhere.open();
    const std::string own = contentsOf(elsewhere.file());
    std::string spoilt = whole;
    spoilt[at] = static_cast<char>(spoilt[at] ^ 0x55);
    std::ofstream(broken, std::ios::binary) << spoilt;
    const auto read = readArchive(broken, elsewhere.file(), logs::at("2026-12-02T10:00"));
    CHECK(contentsOf(elsewhere.file()) == (read ? all : own));
  }
  CHECK_THAT(
      inWords(readArchive(here.path / "none.zip", there.file(), at("2026-12-02T10:00")).error(),
              Unit::mm),
      Catch::Contains("no archive"));
}

TEST_CASE("photos that are gone are counted, and the rest goes along", "[archive]") {
  const ShopFolder here;
  const ShopFolder there;
  Shop shop = here.open();
  Logbook log = shop.logbook();
  const LogEntry entry = entryOf("o-1", "cup-1", "Comet");
  REQUIRE_FALSE(log.record(entry, "", {}));
  for (const char* name : {"front", "back"}) {
    REQUIRE(log.addPhoto(entry.key, name, name, at("2026-12-01T20:00")));
  }
  fs::remove(log.fileOf(log.photosOf(entry.key)->front()));
  const fs::path zip = here.path / "shop.zip";
  const auto written = writeArchive(here.file(), zip, at("2026-12-01T10:00"));
  REQUIRE(written);
  CHECK(written->photos == 1);
  CHECK(written->missing == 1);
  // Where there is no shop yet, too.
  const auto read = readArchive(zip, there.path / "new" / "shop.sqlite", at("2026-12-02T10:00"));
  REQUIRE(read);
  CHECK(read->photos == 1);
  CHECK(read->missing == 1);
}

TEST_CASE("a shop is not written over by its own archive", "[archive]") {
  const ShopFolder here;
  {
    Shop shop = here.open();
    REQUIRE(shop.supplies().put(glitter("First")));
  }
  const std::string before = contentsOf(here.file());
  fs::create_symlink(here.file(), here.path / "also.zip");
  for (const fs::path& over :
       {here.file(), here.path / "also.zip", here.path / "." / "shop.sqlite"}) {
    const auto refused = writeArchive(here.file(), over, at("2026-12-01T10:00"));
    REQUIRE_FALSE(refused);
    CHECK(inWords(refused.error(), Unit::mm).find("shop itself") != std::string::npos);
  }
  CHECK(contentsOf(here.file()) == before);
}

TEST_CASE("what no shop can hold is refused in an archive, and nothing is changed", "[archive]") {
  for (const char* spoilt :
       {"UPDATE supplies SET price = 'dear'", "UPDATE supplies SET low = -4",
        "UPDATE supply_events SET at = '2026-02-30T10:00'", "UPDATE supplies SET gone = 1.5"}) {
    INFO(spoilt);
    const ShopFolder here;
    const ShopFolder there;
    {
      Shop shop = here.open();
      const auto key = shop.supplies().put(glitter("First"));
      REQUIRE(key);
      there.open();
    }
    here.sql(
        "INSERT INTO supply_events (supply, kind, at, amount, paid)"
        " SELECT id, 'counted', '2026-02-28T10:00', 3, 0 FROM supplies");
    here.sql(spoilt);
    const fs::path zip = here.path / "shop.zip";
    REQUIRE(writeArchive(here.file(), zip, at("2026-12-01T10:00")));
    const std::string before = contentsOf(there.file());
    CHECK_FALSE(readArchive(zip, there.file(), at("2026-12-02T10:00")));
    CHECK(contentsOf(there.file()) == before);
  }
}

TEST_CASE("an import that fails on its way leaves the shop and its photos", "[archive]") {
  const ShopFolder here;
  const ShopFolder there;
  const auto withPhoto = [](const ShopFolder& folder, const char* bytes) {
    Shop shop = folder.open();
    Logbook log = shop.logbook();
    const LogEntry entry = entryOf("o-1", "cup-1", "Comet");
    REQUIRE_FALSE(log.record(entry, "", {}));
    REQUIRE(log.addPhoto(entry.key, bytes, "front", at("2026-12-01T20:00")));
  };
  withPhoto(here, "new");
  withPhoto(there, "old");
  const fs::path zip = here.path / "shop.zip";
  REQUIRE(writeArchive(here.file(), zip, at("2026-12-01T10:00")));
  const std::string before = contentsOf(there.file());
  const std::string photos = photosOf(there.path);
  // After the photo's own: the step in which the new shop takes the old one's name.
  int renames = 0;
  {
    const RefusingDisk disk(
        [&](std::string_view call) { return call == "rename" && ++renames == 2 ? EIO : 0; });
    CHECK_FALSE(readArchive(zip, there.file(), at("2026-12-02T10:00")));
  }
  CHECK(renames == 2);
  CHECK(contentsOf(there.file()) == before);
  CHECK(photosOf(there.path) == photos);
  REQUIRE(readArchive(zip, there.file(), at("2026-12-02T10:00")));
  CHECK(contentsOf(there.file()) == contentsOf(here.file()));
}

TEST_CASE("a copy a day, those of a week, a month, a year kept", "[backups]") {
  const CivilTime today = at("2026-12-31");
  std::vector<CivilTime> days;
  for (int i = 0; i < 500; ++i) days.push_back(today - std::chrono::days(i));
  const std::vector<CivilTime> wanted = wantedBackups(days, today);
  // Seven days; five or six weeks more; thirteen or fourteen months, the youngest of them weeks
  // too.
  CHECK(wanted.size() >= 7 + 5 + 11);
  CHECK(wanted.size() <= 7 + 6 + 14);
  for (std::size_t i = 0; i < 7; ++i) CHECK(wanted[i] == days[i]);
  CHECK(std::is_sorted(wanted.rbegin(), wanted.rend()));
  CHECK(wantedBackups({}, today).empty());
  // Day by day for two years, as it is used: there is always one of each age.
  std::vector<CivilTime> kept;
  for (int i = 0; i < 730; ++i) {
    const CivilTime day = today + std::chrono::days(i);
    kept.push_back(day);
    kept = wantedBackups(kept, day);
    const auto old = [&](int from, int to) {
      return std::any_of(kept.begin(), kept.end(), [&](CivilTime one) {
        const auto age = std::chrono::duration_cast<std::chrono::days>(day - one).count();
        return age >= from && age <= to;
      });
    };
    if (i > 100) {
      CHECK(old(1, 1));
      CHECK(old(7, 13));
      CHECK(old(28, 34));
      CHECK(old(35, 66));
      CHECK(kept.size() < 32);
    }
    if (i > 420) {
      CHECK(old(330, 365));
    }
  }
}

TEST_CASE("a shop goes back to a copy, and what it was is kept", "[backups]") {
  const ShopFolder folder;
  std::string first;
  {
    Shop shop = folder.open();
    REQUIRE(shop.supplies().put(glitter("First")));
    // While it is open.
    REQUIRE_FALSE(backUp(folder.file(), at("2026-12-01")));
    first = contentsOf(folder.file());
    REQUIRE(shop.supplies().put(glitter("Second")));
    // A second copy of one day is not made.
    REQUIRE_FALSE(backUp(folder.file(), at("2026-12-01")));
  }
  const std::string second = contentsOf(folder.file());
  const std::vector<Backup> backups = backupsOf(folder.file());
  REQUIRE(backups.size() == 1);
  CHECK(backups.front().day == at("2026-12-01"));
  CHECK(backups.front().bytes > 0);
  const auto aside = restoreBackup(folder.file(), backups.front().file, at("2026-12-02T10:00"));
  REQUIRE(aside);
  CHECK(contentsOf(folder.file()) == first);
  CHECK(contentsOf(*aside) == second);
  // The copy is still there, and what was put aside is no copy of a day.
  CHECK(backupsOf(folder.file()).size() == 1);
}

TEST_CASE("a copy that is damaged, newer or gone is refused, and the shop stays", "[backups]") {
  const ShopFolder folder;
  { Shop shop = folder.open(); }
  const std::string before = contentsOf(folder.file());
  const fs::path bad = folder.path / "bad.sqlite";
  CHECK_FALSE(restoreBackup(folder.file(), bad, at("2026-12-02T10:00")));
  std::ofstream(bad) << "no database";
  CHECK_FALSE(restoreBackup(folder.file(), bad, at("2026-12-02T10:00")));
  fs::copy_file(folder.file(), bad, fs::copy_options::overwrite_existing);
  {
    sqlite3* handle = nullptr;
    REQUIRE(sqlite3_open(bad.c_str(), &handle) == SQLITE_OK);
    sqlite3_exec(handle, "PRAGMA user_version = 99", nullptr, nullptr, nullptr);
    sqlite3_close(handle);
  }
  const auto newer = restoreBackup(folder.file(), bad, at("2026-12-02T10:00"));
  REQUIRE_FALSE(newer);
  CHECK_THAT(inWords(newer.error(), Unit::mm), Catch::Contains("newer Avrelt"));
  CHECK(contentsOf(folder.file()) == before);
  CHECK_FALSE(fs::exists(folder.path / "shop.sqlite.half"));
}

TEST_CASE("a shop that another window has open is not replaced under it", "[backups]") {
  const ShopFolder folder;
  {
    Shop shop = folder.open();
    REQUIRE_FALSE(backUp(folder.file(), at("2026-12-01")));
  }
  const fs::path zip = folder.path / "shop.zip";
  REQUIRE(writeArchive(folder.file(), zip, at("2026-12-01T10:00")));
  const Backup backup = backupsOf(folder.file()).front();
  {
    Shop theirs = folder.open();
    REQUIRE(theirs.supplies().put(glitter("Theirs")));
    const std::string before = contentsOf(folder.file());
    const auto restored = restoreBackup(folder.file(), backup.file, at("2026-12-02T10:00"));
    REQUIRE_FALSE(restored);
    CHECK_THAT(inWords(restored.error(), Unit::mm), Catch::Contains("another window"));
    CHECK_FALSE(readArchive(zip, folder.file(), at("2026-12-02T10:00")));
    CHECK(contentsOf(folder.file()) == before);
    // Two windows share it as they always did.
    Shop ours = folder.open();
    CHECK(ours.supplies().put(glitter("Ours")));
    CHECK(theirs.supplies().all()->supplies.size() == 2);
  }
  CHECK(restoreBackup(folder.file(), backup.file, at("2026-12-02T10:00")));
  CHECK(folder.open().supplies().all()->supplies.empty());
  CHECK_FALSE(fs::exists(folder.path / "shop.sqlite.half.lock"));
}
