// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shop.h"

#include <sqlite3.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <csignal>
#include <cstdlib>
#include <fstream>

#include "core/cups.h"
#include "files/disk.h"
#include "shop/failing_disk.h"

using namespace avrelt;
using namespace avrelt::cups;
namespace fs = std::filesystem;

namespace {

/// A folder of its own, gone afterwards.
class Folder {
 public:
  Folder() {
    std::string pattern = (fs::temp_directory_path() / "shop-XXXXXX").string();
    path_ = mkdtemp(pattern.data());
  }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  ~Folder() { fs::remove_all(path_); }
  fs::path file() const { return path_ / "data" / "shop.sqlite"; }

 private:
  fs::path path_;
};

Shop opened(const fs::path& file) {
  tl::expected<Shop, Sentence> shop = Shop::open(file);
  if (!shop) FAIL(inWords(shop.error(), Unit::mm));
  return std::move(*shop);
}

std::string refusal(const fs::path& file) {
  const tl::expected<Shop, Sentence> shop = Shop::open(file);
  REQUIRE_FALSE(shop.has_value());
  return inWords(shop.error(), Unit::mm);
}

void sql(const fs::path& file, const char* statements) {
  sqlite3* handle = nullptr;
  REQUIRE(sqlite3_open(file.c_str(), &handle) == SQLITE_OK);
  REQUIRE(sqlite3_exec(handle, statements, nullptr, nullptr, nullptr) == SQLITE_OK);
  sqlite3_close(handle);
}

ShelfBlank moon() {
  ShelfBlank shelved;
  shelved.blank = allCurved()[1].blank;
  shelved.blank.name = "Moon barrel";
  shelved.blank.features = {{FeatureKind::handle, CupAngle::degrees(90), Angle::degrees(30),
                             WrittenLength::mm(20), WrittenLength::mm(80)}};
  shelved.capacity = Volume::ml(880);
  shelved.notes = "steel, dull";
  shelved.photo = std::string("\x89PNG\0bytes", 10);
  return shelved;
}

ShelfMeasurement measurement(double thickness) {
  ShelfMeasurement made;
  made.taken = "2026-11-25";
  made.stage = "fine glitter, resin 30 ml";
  made.at = Length::mm(200);
  made.around = Length::mm(238);
  made.record = {{0.6, 1, 0, 0, 0}, Length::mm(thickness)};
  return made;
}

}  // namespace

TEST_CASE("a new shop stands with a dozen blanks that all make bodies") {
  const Folder folder;
  Shop shop = opened(folder.file());
  CHECK(shop.find("")->size() == 12);
  CHECK(shop.growthRecords()->empty());
}

TEST_CASE("a blank comes back from the shelf as it was put there, photo and all") {
  const Folder folder;
  {
    Shop shop = opened(folder.file());
    CHECK_FALSE(shop.put({moon()}).has_value());
  }
  Shop shop = opened(folder.file());
  const auto found = shop.find("moon");
  REQUIRE(found.has_value());
  REQUIRE(found->size() == 1);
  ShelfBlank expected = moon();
  CHECK(*shop.photoOf("Moon barrel") == expected.photo);
  expected.photo.clear();
  CHECK(found->front() == expected);
}

TEST_CASE("every word typed has to be found, in name or notes, capitals or not") {
  const Folder folder;
  Shop shop = opened(folder.file());
  shop.put({moon()});
  CHECK(shop.find("BARREL dull")->size() == 1);
  CHECK(shop.find("barrel shiny")->empty());
  CHECK(shop.find("%")->empty());
  CHECK(shop.find("st_aight")->empty());
  CHECK(shop.find("straight")->size() > 2);
}

TEST_CASE("put again, a blank is replaced and keeps its log and photo; removed, both go") {
  const Folder folder;
  Shop shop = opened(folder.file());
  shop.put({moon()});
  CHECK_FALSE(shop.log("Moon barrel", measurement(0.3)).has_value());
  ShelfBlank changed = moon();
  changed.notes = "polished";
  changed.photo.clear();
  shop.put({changed});
  CHECK(shop.find("moon")->front().notes == "polished");
  CHECK(*shop.photoOf("Moon barrel") == moon().photo);
  const auto log = shop.measurementsOf("Moon barrel");
  REQUIRE(log->size() == 1);
  CHECK(log->front().stage == "fine glitter, resin 30 ml");
  CHECK(log->front().around == Length::mm(238));
  CHECK(shop.growthRecords()->front().load[1] == 1);
  CHECK_FALSE(shop.remove("Moon barrel").has_value());
  CHECK(shop.growthRecords()->empty());
  CHECK(inWords(*shop.log("Moon barrel", measurement(1)), Unit::mm).find("not on the shelf") !=
        std::string::npos);
}

TEST_CASE("of many blanks put at once all arrive or none") {
  const Folder folder;
  Shop shop = opened(folder.file());
  ShelfBlank nameless = moon();
  nameless.blank.name = "  ";
  CHECK(shop.put({moon(), nameless}).has_value());
  CHECK(shop.find("moon")->empty());
  std::vector<ShelfBlank> many;
  for (int i = 0; i < 10000; ++i) {
    many.push_back(moon());
    many.back().blank.name = "Zz row " + std::to_string(i);
    many.back().photo.clear();
  }
  CHECK_FALSE(shop.put(many).has_value());
  CHECK(shop.find("zz row")->size() == 10000);
}

TEST_CASE("a shop of the first version is brought up and loses nothing") {
  const Folder folder;
  fs::create_directories(folder.file().parent_path());
  // The file as version 1 left it.
  sql(folder.file(),
      "CREATE TABLE blanks (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE,"
      " blank TEXT NOT NULL, capacity_ml REAL, notes TEXT NOT NULL DEFAULT '');"
      "CREATE TABLE measurements (id INTEGER PRIMARY KEY,"
      " blank INTEGER NOT NULL REFERENCES blanks ON DELETE CASCADE,"
      " taken TEXT NOT NULL, stage TEXT NOT NULL, at_mm REAL NOT NULL, around_mm REAL NOT NULL,"
      " thickness_mm REAL NOT NULL, resin REAL NOT NULL, fine REAL NOT NULL, medium REAL NOT NULL,"
      " chunky REAL NOT NULL, paint REAL NOT NULL);"
      "INSERT INTO blanks (name, blank, capacity_ml) VALUES ('Old', '{\"name\":\"Old\","
      "\"stations\":[{\"at\":0,\"around\":240},{\"at\":200}]}', 600);"
      "INSERT INTO measurements VALUES (1, 1, '2026-01-02', 'resin', 200, 243, 0.4, 0.9, 0, 0, 0,"
      " 0);"
      "PRAGMA user_version = 1;");
  Shop shop = opened(folder.file());
  REQUIRE(shop.find("")->size() == 1);
  CHECK(shop.find("old")->front().capacity->ml() == 600);
  CHECK(shop.growthRecords()->size() == 1);
  ShelfBlank old = shop.find("old")->front();
  old.photo = "picture";
  CHECK_FALSE(shop.put({old}).has_value());
  CHECK(*shop.photoOf("old") == "picture");
}

TEST_CASE("methods are kept, cautious until then, and refused where they mean nothing") {
  const Folder folder;
  Methods methods;
  {
    Shop shop = opened(folder.file());
    CHECK(*shop.methods() == Methods());
    methods.of(MethodKind::resin).next = {Duration::minutes(200), Duration::minutes(1000)};
    methods.of(MethodKind::fastResin).mixing.partB = 0.5;
    methods.of(MethodKind::fastResin).mayBeLast = true;
    methods.of(MethodKind::sealer).next.most = Duration::minutes(500);
    methods.of(MethodKind::resin).pull.most = std::nullopt;
    CHECK_FALSE(shop.put(methods).has_value());
  }
  Shop shop = opened(folder.file());
  CHECK(*shop.methods() == methods);
  Methods wrong = methods;
  wrong.of(MethodKind::dip).cure = Duration::minutes(-1);
  CHECK(shop.put(wrong).has_value());
  wrong = methods;
  wrong.of(MethodKind::ink).pull = {Duration::minutes(20), Duration::minutes(10)};
  CHECK(shop.put(wrong).has_value());
  CHECK(*shop.methods() == methods);
  // What was spoilt by hand is as it comes, the rest stays.
  sql(folder.file(), "UPDATE methods SET value = -7 WHERE kind = 'sealer' AND name = 'cure'");
  Shop again = opened(folder.file());
  CHECK(again.methods()->of(MethodKind::sealer) == Methods().of(MethodKind::sealer));
  CHECK(again.methods()->of(MethodKind::resin) == methods.of(MethodKind::resin));
}

TEST_CASE("a shop file from a newer version, damaged or no shop at all is left as it is") {
  const Folder folder;
  { Shop shop = opened(folder.file()); }
  sql(folder.file(), "PRAGMA user_version = 99");
  CHECK_THAT(refusal(folder.file()), Catch::Contains("newer Avrelt (version 99"));
  {
    std::ofstream out(folder.file(), std::ios::trunc);
    out << "this is a shopping list, and long enough to be looked at as a page of something";
  }
  const auto size = fs::file_size(folder.file());
  CHECK_THAT(refusal(folder.file()), Catch::Contains("damaged"));
  CHECK(fs::file_size(folder.file()) == size);
}

TEST_CASE("a page spoilt in the middle of the file is found when it is opened") {
  const Folder folder;
  { Shop shop = opened(folder.file()); }
  {
    std::fstream file(folder.file(), std::ios::in | std::ios::out | std::ios::binary);
    file.seekp(4096);
    for (int i = 0; i < 4096; ++i) file.put('\x5A');
  }
  CHECK_THAT(refusal(folder.file()), Catch::Contains("damaged"));
}

TEST_CASE("a shop in use by another program says so and changes nothing") {
  const Folder folder;
  Shop shop = opened(folder.file());
  sqlite3* other = nullptr;
  REQUIRE(sqlite3_open(folder.file().c_str(), &other) == SQLITE_OK);
  REQUIRE(sqlite3_exec(other, "BEGIN EXCLUSIVE", nullptr, nullptr, nullptr) == SQLITE_OK);
  const std::optional<Sentence> trouble = shop.put({moon()});
  REQUIRE(trouble.has_value());
  CHECK_THAT(inWords(*trouble, Unit::mm), Catch::Contains("in use by another program"));
  CHECK_FALSE(shop.find("").has_value());
  sqlite3_exec(other, "COMMIT", nullptr, nullptr, nullptr);
  sqlite3_close(other);
  // Once it is free everything goes on.
  CHECK_FALSE(shop.put({moon()}).has_value());
  CHECK(shop.find("moon")->size() == 1);
}

TEST_CASE("on a full disk nothing is lost and nothing half written") {
  // A limit on the size of files stands in for the disk's end.
  const Folder folder;
  Shop shop = opened(folder.file());
  const auto size = fs::file_size(folder.file());
  rlimit before{};
  getrlimit(RLIMIT_FSIZE, &before);
  const auto handler = std::signal(SIGXFSZ, SIG_IGN);
  rlimit tight = before;
  tight.rlim_cur = size + 8192;
  setrlimit(RLIMIT_FSIZE, &tight);
  ShelfBlank heavy = moon();
  heavy.photo.assign(200000, 'x');
  const std::optional<Sentence> trouble = shop.put({heavy});
  setrlimit(RLIMIT_FSIZE, &before);
  std::signal(SIGXFSZ, handler);
  REQUIRE(trouble.has_value());
  CHECK_THAT(inWords(*trouble, Unit::mm), Catch::Contains("disk may be full"));
  CHECK(shop.find("moon")->empty());
  CHECK(shop.find("")->size() == 12);
  CHECK_FALSE(shop.put({heavy}).has_value());
}

TEST_CASE("a database of something else is refused, and not a byte of it changes") {
  for (const char* statements :
       {"CREATE TABLE songs (id INTEGER PRIMARY KEY, title TEXT)",
        "CREATE TABLE songs (id INTEGER PRIMARY KEY); PRAGMA user_version = 2",
        "CREATE TABLE blanks (id INTEGER PRIMARY KEY, form TEXT); PRAGMA user_version = 3",
        "PRAGMA user_version = -1", "PRAGMA user_version = 1"}) {
    INFO(statements);
    const Folder folder;
    fs::create_directories(folder.file().parent_path());
    sql(folder.file(), statements);
    const std::string before = *readFile(folder.file());
    CHECK_THAT(refusal(folder.file()), Catch::Contains("something else"));
    CHECK(*readFile(folder.file()) == before);
    // Nothing put beside it either.
    CHECK(std::distance(fs::directory_iterator(folder.file().parent_path()),
                        fs::directory_iterator()) == 1);
  }
}

TEST_CASE("an empty file becomes a shop; a pipe, a folder and too long a name are refused") {
  const Folder folder;
  fs::create_directories(folder.file().parent_path());
  std::ofstream(folder.file()).close();
  CHECK(opened(folder.file()).find("")->size() == 12);
  const fs::path pipe = folder.file().parent_path() / "pipe";
  REQUIRE(mkfifo(pipe.c_str(), 0600) == 0);
  CHECK_THAT(refusal(pipe), Catch::Contains("is no file"));
  CHECK_THAT(refusal(folder.file().parent_path()), Catch::Contains("is no file"));
  CHECK_THAT(refusal(folder.file().parent_path() / std::string(5000, 'n')),
             Catch::Contains("too long"));
}

TEST_CASE("a program killed in the middle of a change leaves the shop as it was") {
  const Folder folder;
  { opened(folder.file()); }
  for (int n = 0; n < 20; ++n) {
    const pid_t child = fork();
    REQUIRE(child >= 0);
    if (child == 0) {
      sqlite3* handle = nullptr;
      sqlite3_open(folder.file().c_str(), &handle);
      // So small a cache puts changes into the file before they are all made.
      sqlite3_exec(handle, "PRAGMA cache_size = 1; BEGIN IMMEDIATE; DELETE FROM blanks;", nullptr,
                   nullptr, nullptr);
      for (int i = 0; i < n * 20; ++i) {
        sqlite3_exec(handle,
                     "INSERT INTO blanks (name, blank, photo) VALUES"
                     " (hex(randomblob(8)), '{}', randomblob(2000))",
                     nullptr, nullptr, nullptr);
      }
      kill(getpid(), SIGKILL);
    }
    int status = 0;
    REQUIRE(waitpid(child, &status, 0) == child);
    CHECK(opened(folder.file()).find("")->size() == 12);
  }
}

TEST_CASE("any write or sync or removal that fails leaves a shop as it was, or wholly changed") {
  const auto change = [](Shop& shop, int which) -> std::optional<Sentence> {
    ShelfBlank heavy = moon();
    heavy.photo.assign(60000, 'x');
    ShelfBlank other = moon();
    other.blank.name = "Second moon";
    switch (which) {
      case 0:
        return shop.put({heavy, other});
      case 1:
        return shop.remove("Moon barrel");
      default:
        return shop.log("Moon barrel", measurement(0.9));
    }
  };
  const auto stateOf = [](const fs::path& file) {
    Shop shop = opened(file);
    std::string state;
    const auto found = shop.find("");
    for (const ShelfBlank& blank : *found) state += blank.blank.name + "\n";
    state += std::to_string(shop.measurementsOf("Moon barrel")->size());
    const auto photo = shop.photoOf("Moon barrel");
    return state + " " + std::to_string(photo ? photo->size() : 0);
  };
  for (int which = 0; which < 3; ++which) {
    // What it is before and after, where nothing fails.
    const Folder calm;
    const auto prepare = [&](const fs::path& file) {
      Shop shop = opened(file);
      if (which > 0) REQUIRE_FALSE(shop.put({moon()}).has_value());
    };
    prepare(calm.file());
    const std::string before = stateOf(calm.file());
    {
      Shop shop = opened(calm.file());
      REQUIRE_FALSE(change(shop, which).has_value());
    }
    const std::string after = stateOf(calm.file());
    REQUIRE(before != after);
    int failed = 0;
    for (int nth = 1;; ++nth) {
      const Folder folder;
      prepare(folder.file());
      int calls = 0;
      std::optional<Sentence> trouble;
      {
        const FailingDisk disk([&](std::string_view) { return ++calls == nth; });
        Shop shop = opened(folder.file());
        trouble = change(shop, which);
      }
      if (calls < nth) break;
      ++failed;
      INFO("change " << which << ", call " << nth);
      const std::string now = stateOf(folder.file());
      // Told where it is not made; what was told as made is.
      CHECK(now == (trouble ? before : after));
      if (trouble) CHECK_FALSE(inWords(*trouble, Unit::mm).empty());
    }
    CHECK(failed > 5);
  }
}

TEST_CASE("a place that is no folder is refused in words") {
  CHECK_THAT(refusal("/proc/self/nowhere/shop.sqlite"), Catch::Contains("cannot be opened"));
}

TEST_CASE("the usual file lies under the data folder") {
  setenv("XDG_DATA_HOME", "/somewhere/data", 1);
  CHECK(Shop::usualFile() == "/somewhere/data/avrelt/shop.sqlite");
  setenv("XDG_DATA_HOME", "relative", 1);
  setenv("HOME", "/home/maker", 1);
  CHECK(Shop::usualFile() == "/home/maker/.local/share/avrelt/shop.sqlite");
  // Without a home nothing lands in the folder the program was started from.
  unsetenv("HOME");
  CHECK(Shop::usualFile().empty());
  CHECK_THAT(refusal(Shop::usualFile()), Catch::Contains("There is no folder for the shelf"));
  setenv("HOME", "relative", 1);
  CHECK(Shop::usualFile().empty());
  setenv("HOME", "/home/maker", 1);
}

TEST_CASE("what patterns take is kept; nonsense is refused") {
  const Folder folder;
  FillRates rates;
  {
    Shop shop = *Shop::open(folder.file());
    CHECK(*shop.fillRates() == FillRates());
    rates.glitterPerCm2 = Mass::grams(0.04);
    rates.paintPerCm2 = Volume::ml(0.02);
    rates.perColour = Duration::minutes(11);
    CHECK_FALSE(shop.put(rates).has_value());
  }
  Shop shop = *Shop::open(folder.file());
  CHECK(*shop.fillRates() == rates);
  FillRates wrong = rates;
  wrong.glitterPerCm2 = Mass::grams(-1);
  CHECK(shop.put(wrong).has_value());
  wrong = rates;
  wrong.perColour = Duration::minutes(5000);
  CHECK(shop.put(wrong).has_value());
  CHECK(*shop.fillRates() == rates);
}
