// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/disk.h"

#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <csignal>
#include <fstream>

#include "files/generation.h"
#include "files/temporary_folder.h"
#include "refusing_disk.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

struct Folder : TemporaryFolder {
  std::size_t count() const {
    return static_cast<std::size_t>(
        std::distance(fs::directory_iterator(path), fs::directory_iterator()));
  }
};

std::string words(const std::optional<Sentence>& sentence) {
  REQUIRE(sentence.has_value());
  return inWords(*sentence, Unit::mm);
}

}  // namespace

TEST_CASE("a file is written whole and read back") {
  const Folder folder;
  CHECK_FALSE(writeFile(folder.path / "a", "one").has_value());
  CHECK(*readFile(folder.path / "a") == "one");
  CHECK_FALSE(writeFile(folder.path / "a", "two, longer").has_value());
  CHECK(*readFile(folder.path / "a") == "two, longer");
  CHECK(folder.count() == 1);
}

TEST_CASE("permissions of a file already there are kept, and a link is followed") {
  const Folder folder;
  REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
  fs::permissions(folder.path / "a", fs::perms::owner_read | fs::perms::owner_write);
  fs::create_symlink("a", folder.path / "link");
  REQUIRE_FALSE(writeFile(folder.path / "link", "two").has_value());
  CHECK(fs::is_symlink(folder.path / "link"));
  CHECK(*readFile(folder.path / "a") == "two");
  CHECK(fs::status(folder.path / "a").permissions() ==
        (fs::perms::owner_read | fs::perms::owner_write));
}

TEST_CASE("what is not there, is a folder, or is too large is refused in words") {
  const Folder folder;
  CHECK_THAT(inWords(readFile(folder.path / "none").error(), Unit::mm),
             Catch::Contains("There is no"));
  CHECK_THAT(inWords(readFile(folder.path).error(), Unit::mm), Catch::Contains("is a folder"));
  REQUIRE_FALSE(writeFile(folder.path / "big", std::string(1000, 'x')).has_value());
  CHECK_THAT(inWords(readFile(folder.path / "big", 999).error(), Unit::mm),
             Catch::Contains("larger than"));
  CHECK(readFile(folder.path / "big", 1000).has_value());
  CHECK_THAT(words(writeFile(folder.path, "x")), Catch::Contains("is a folder"));
  CHECK_THAT(words(writeFile(folder.path / "none" / "a", "x")), Catch::Contains("There is no"));
  CHECK_THAT(words(writeFile(folder.path / std::string(300, 'n'), "x")),
             Catch::Contains("too long"));
}

TEST_CASE("in a read-only folder the old file stands and the words say what to do") {
  if (::geteuid() == 0) {
    WARN("root may write anywhere; the device test below stands in for it");
    CHECK_THAT(words(writeFile("/proc/avrelt-test", "x")),
               Catch::Contains("Choose another folder") || Catch::Contains("There is no"));
    return;
  }
  const Folder folder;
  REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
  fs::permissions(folder.path, fs::perms::owner_read | fs::perms::owner_exec);
  CHECK_THAT(words(writeFile(folder.path / "a", "two")), Catch::Contains("Choose another folder"));
  CHECK(*readFile(folder.path / "a") == "one");
}

TEST_CASE("when the disk takes no more the old file stands and nothing is left behind") {
  const Folder folder;
  REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
  // A limit on file size stands in for a full disk: the write fails half-way in the same place.
  struct rlimit before {};
  ::getrlimit(RLIMIT_FSIZE, &before);
  const auto handler = ::signal(SIGXFSZ, SIG_IGN);
  const struct rlimit small { 1000, before.rlim_max };
  ::setrlimit(RLIMIT_FSIZE, &small);
  const std::optional<Sentence> fault = writeFile(folder.path / "a", std::string(5000, 'x'));
  const std::optional<Sentence> many =
      writeGeneration(folder.path, {{"b", "fits"}, {"c", std::string(5000, 'x')}});
  ::setrlimit(RLIMIT_FSIZE, &before);
  ::signal(SIGXFSZ, handler);
  CHECK(fault.has_value());
  CHECK(many.has_value());
  CHECK(*readFile(folder.path / "a") == "one");
  CHECK(folder.count() == 1);
}

TEST_CASE("a pipe is refused, not waited for") {
  const Folder folder;
  REQUIRE(::mkfifo((folder.path / "pipe").c_str(), 0600) == 0);
  CHECK_THAT(inWords(readFile(folder.path / "pipe").error(), Unit::mm),
             Catch::Contains("is a pipe or a device"));
  CHECK_THAT(inWords(readFile("/dev/zero").error(), Unit::mm),
             Catch::Contains("is a pipe or a device"));
}

TEST_CASE("what a killed program left of a file is swept by the next to write it") {
  const Folder folder;
  for (const char* name : {".a.xYz123", ".a.AAAAAA", ".b.AAAAAA", ".a.AAAAAAA"}) {
    std::ofstream(folder.path / name) << "half";
  }
  REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
  // Only those of this file.
  CHECK(folder.count() == 3);
  CHECK(fs::exists(folder.path / ".b.AAAAAA"));
  CHECK(fs::exists(folder.path / ".a.AAAAAAA"));
}

TEST_CASE("whichever call of the disk fails, an order's file is the old one or the new one") {
  const Folder folder;
  REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
  int failed = 0;
  for (int at = 1;; ++at) {
    int calls = 0;
    const std::optional<Sentence> fault = [&] {
      const RefusingDisk disk([&](std::string_view) { return ++calls == at ? EIO : 0; });
      return writeFile(folder.path / "a", "two");
    }();
    INFO("call " << at);
    CHECK(*readFile(folder.path / "a") == (fault ? "one" : "two"));
    failed += fault ? 1 : 0;
    REQUIRE_FALSE(writeFile(folder.path / "a", "one").has_value());
    CHECK(folder.count() == 1);
    if (calls < at) break;
  }
  // Making, writing, syncing and renaming.
  CHECK(failed == 4);
}
