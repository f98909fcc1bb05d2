// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/generation.h"

#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <csignal>
#include <fstream>
#include <map>
#include <random>

#include "files/outputs.h"
#include "files/temporary_folder.h"
#include "refusing_disk.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

using Content = std::map<std::string, std::string>;

/// Every file under a folder, by its place in it; folders and links by what they are.
Content contentOf(const fs::path& folder) {
  Content content;
  for (const fs::directory_entry& entry : fs::recursive_directory_iterator(folder)) {
    const std::string name = entry.path().lexically_relative(folder).string();
    if (entry.is_symlink()) {
      content[name] = "-> " + fs::read_symlink(entry.path()).string();
    } else if (entry.is_directory()) {
      content[name] = "folder";
    } else {
      content[name] = *readFile(entry.path());
    }
  }
  return content;
}

std::vector<OutputFile> generation(const std::string& text, std::vector<std::string> names) {
  std::vector<OutputFile> files;
  for (std::string& name : names) files.push_back({std::move(name), text});
  std::string index = R"({"avrelt_plan": 1, "files": [)";
  for (const OutputFile& file : files) {
    index += (index.back() == '[' ? "" : ", ") + (R"({"path": ")" + file.name + R"("})");
  }
  files.push_back({"plan.json", index + "]}"});
  return files;
}

const std::vector<OutputFile> older = generation("old", {"a-wrap.svg", "a-wrap.pdf", "b-wrap.svg"});
const std::vector<OutputFile> newer = generation("new", {"a-wrap.svg", "a-wrap.pdf", "c-wrap.svg"});

Content asContent(const std::vector<OutputFile>& files) {
  Content content;
  for (const OutputFile& file : files) content[file.name] = file.bytes;
  return content;
}

void put(const fs::path& file, const std::string& text) {
  fs::create_directories(file.parent_path());
  std::ofstream(file) << text;
}

/// A folder with what a maker keeps in it, that goes in one step; one with a folder in it, where
/// files go one by one; one that is not there yet; each with the older generation in it but the
/// last.
struct Ways {
  TemporaryFolder top;
  std::map<std::string, Content> kept;
  Ways() {
    put(top.path / "step" / "notes.txt", "mine");
    fs::create_symlink("/etc/hostname", top.path / "step" / "link");
    put(top.path / "each" / "mine" / "deep.txt", "mine");
    kept["step"] = {{"notes.txt", "mine"}, {"link", "-> /etc/hostname"}};
    kept["each"] = {{"mine", "folder"}, {"mine/deep.txt", "mine"}};
    kept["none"] = {};
    for (const char* name : {"step", "each"}) {
      REQUIRE_FALSE(exportInto(top.path / name, older).has_value());
    }
  }
  Content with(const std::string& name, const std::vector<OutputFile>& files) const {
    Content content = asContent(files);
    content.insert(kept.at(name).begin(), kept.at(name).end());
    return content;
  }
  /// Everything in the folder above beside the three: what was left over.
  std::size_t beside() const {
    std::size_t count = 0;
    for (const fs::directory_entry& entry : fs::directory_iterator(top.path)) {
      count += kept.count(entry.path().filename().string()) == 0 ? 1 : 0;
    }
    return count;
  }
};

}  // namespace

TEST_CASE("a generation takes the place of the one before; what else is there stays") {
  const Ways ways;
  for (const char* name : {"step", "each", "none"}) {
    INFO(name);
    const fs::path folder = ways.top.path / name;
    REQUIRE_FALSE(exportInto(folder, newer).has_value());
    CHECK(contentOf(folder) == ways.with(name, newer));
    CHECK(ways.beside() == 0);
  }
}

TEST_CASE("only what the last plan listed goes, and nothing outside the folder") {
  const TemporaryFolder top;
  const fs::path folder = top.path / "out";
  put(top.path / "far.svg", "far");
  put(folder / "own.svg", "mine");
  put(folder / "thesis.odt", "mine");
  put(folder / "plan.json",
      R"({"avrelt_plan": 1, "files": [{"path": "../far.svg"}, {"path": "thesis.odt"},
          {"path": "/etc/x.svg"}, {"path": 3}, 4, {"path": "gone.svg"}]})");
  REQUIRE_FALSE(exportInto(folder, newer).has_value());
  CHECK(contentOf(top.path / "out").size() == newer.size() + 2);
  CHECK(*readFile(top.path / "far.svg") == "far");
  CHECK(*readFile(folder / "thesis.odt") == "mine");
  // A plan nobody can read lists nothing.
  for (const char* plan : {"", "[", "{}", R"({"avrelt_plan": 1, "files": 7})"}) {
    CHECK(listedIn(plan).value_or(std::vector<std::string>()).empty());
  }
}

TEST_CASE("what somebody else keeps in the folder is neither replaced nor taken away") {
  const TemporaryFolder top;
  const fs::path folder = top.path / "out";
  put(folder / "a-wrap.svg", "mine");
  const auto refused = exportInto(folder, newer);
  REQUIRE(refused);
  CHECK(inWords(*refused, Unit::mm).find("a-wrap.svg") != std::string::npos);
  CHECK(contentOf(folder) == Content{{"a-wrap.svg", "mine"}});
  // A file of that name that is no plan of ours.
  const fs::path other = top.path / "other";
  put(other / "plan.json", "{\"rooms\": 4}");
  CHECK(exportInto(other, newer));
  CHECK(*readFile(other / "plan.json") == "{\"rooms\": 4}");
  // A plan of other hands that names what was there long before it.
  const fs::path forged = top.path / "forged";
  put(forged / "letters.pdf", "mine");
  fs::last_write_time(forged / "letters.pdf",
                      fs::file_time_type::clock::now() - std::chrono::hours(30));
  put(forged / "plan.json", R"({"avrelt_plan": 1, "files": [{"path": "letters.pdf"}]})");
  REQUIRE_FALSE(exportInto(forged, newer));
  CHECK(*readFile(forged / "letters.pdf") == "mine");
}

TEST_CASE("a planted link is replaced, not followed") {
  const TemporaryFolder top;
  put(top.path / "mine.txt", "mine");
  for (const char* name : {"step", "each"}) {
    const fs::path folder = top.path / name;
    fs::create_directory(folder);
    if (std::string(name) == "each") fs::create_directory(folder / "sub");
    fs::create_symlink(top.path / "mine.txt", folder / "a-wrap.svg");
    put(folder / "plan.json", R"({"avrelt_plan": 1, "files": [{"path": "a-wrap.svg"}]})");
    REQUIRE_FALSE(exportInto(folder, newer).has_value());
    CHECK_FALSE(fs::is_symlink(folder / "a-wrap.svg"));
    CHECK(*readFile(top.path / "mine.txt") == "mine");
  }
}

TEST_CASE("a folder of files is written whole or not at all") {
  const TemporaryFolder folder;
  CHECK_FALSE(writeGeneration(folder.path / "new" / "deep", {{"a", "1"}, {"b", "2"}}).has_value());
  CHECK(*readFile(folder.path / "new" / "deep" / "b") == "2");
  fs::create_directory(folder.path / "taken");
  put(folder.path / "taken" / "mine", "mine");
  CHECK(writeGeneration(folder.path, {{"x", "1"}, {"taken", "2"}}).has_value());
  CHECK_FALSE(fs::exists(folder.path / "x"));
  CHECK(*readFile(folder.path / "taken" / "mine") == "mine");
  CHECK(writeGeneration(folder.path / "new" / "deep" / "a", {{"x", "1"}}).has_value());
  CHECK(writeGeneration(folder.path / "out", {{std::string(300, 'n'), "1"}}).has_value());
  CHECK_FALSE(fs::exists(folder.path / "out"));
  CHECK(writeGeneration(folder.path / std::string(300, 'n'), {{"x", "1"}}).has_value());
  CHECK(contentOf(folder.path).size() == 6);
}

TEST_CASE("a program at work in the folder stays in it") {
  const TemporaryFolder top;
  const fs::path before = fs::current_path();
  fs::current_path(top.path);
  REQUIRE_FALSE(exportInto(".", older).has_value());
  REQUIRE_FALSE(exportInto(".", newer).has_value());
  CHECK(contentOf(".") == asContent(newer));
  CHECK(fs::equivalent(".", top.path));
  fs::current_path(before);
}

TEST_CASE("whichever call of the disk fails, a folder has the old generation or the new one") {
  for (const char* name : {"step", "each", "none"}) {
    int failed = 0;
    int took = 0;
    for (int at = 1;; ++at) {
      const Ways ways;
      const fs::path folder = ways.top.path / name;
      const Content before = fs::exists(folder) ? contentOf(folder) : Content{{"no", "folder"}};
      int calls = 0;
      const std::optional<Sentence> fault = [&] {
        const RefusingDisk disk([&](std::string_view) { return ++calls == at ? EIO : 0; });
        return exportInto(folder, newer);
      }();
      INFO(name << ", call " << at);
      Content now = fs::exists(folder) ? contentOf(folder) : Content{{"no", "folder"}};
      std::erase_if(now, [](const auto& entry) { return entry.first.starts_with(".avrelt-"); });
      CHECK(now == (fault ? before : ways.with(name, newer)));
      failed += fault ? 1 : 0;
      took += fault ? 0 : 1;
      // The next one finds its way, and sweeps.
      REQUIRE_FALSE(exportInto(folder, newer).has_value());
      CHECK(contentOf(folder) == ways.with(name, newer));
      CHECK(ways.beside() == 0);
      if (calls < at) break;
    }
    CHECK(failed >= 6);
    CHECK(took >= 2);
  }
}

TEST_CASE("where even putting back fails what was there is kept for the next to put back") {
  int failed = 0;
  for (int turn = 2; turn < 60; ++turn) {
    const int from = turn / 2;
    const bool onlyNames = turn % 2 == 0;
    const Ways ways;
    const fs::path folder = ways.top.path / "each";
    int calls = 0;
    // From one call on the disk says no to everything, or to new names only.
    const std::optional<Sentence> fault = [&] {
      const RefusingDisk disk([&](std::string_view call) {
        return ++calls >= from && (!onlyNames || call == "rename") ? EIO : 0;
      });
      return exportInto(folder, newer);
    }();
    INFO("from call " << from << (onlyNames ? ", names" : ""));
    if (!fault) continue;
    ++failed;
    // One that is refused right after its sweep leaves what it found: the older generation, whole.
    {
      const RefusingDisk full([](std::string_view call) { return call == "make" ? ENOSPC : 0; });
      CHECK(exportInto(folder, newer).has_value());
    }
    Content now = contentOf(folder);
    std::erase_if(now, [](const auto& entry) { return entry.first.starts_with(".avrelt-"); });
    CHECK(now == ways.with("each", older));
  }
  CHECK(failed > 30);
}

TEST_CASE(
    "killed at any moment, two hundred times: the old generation or the new, nothing between") {
  std::mt19937 chance(7);
  int old = 0;
  int fresh = 0;
  for (int n = 0; n < 200; ++n) {
    const Ways ways;
    const std::string name = n % 2 == 0 ? "step" : "each";
    const fs::path folder = ways.top.path / name;
    // How far it comes is told in calls, so that it is spread over all of them.
    const int last = static_cast<int>(chance() % 24);
    const pid_t child = ::fork();
    REQUIRE(child >= 0);
    if (child == 0) {
      int calls = 0;
      const RefusingDisk disk([&](std::string_view) {
        if (calls++ == last) ::kill(::getpid(), SIGKILL);
        return 0;
      });
      (void)exportInto(folder, newer);
      ::_exit(0);
    }
    int status = 0;
    REQUIRE(::waitpid(child, &status, 0) == child);
    Content now = contentOf(folder);
    std::erase_if(now, [](const auto& entry) { return entry.first.starts_with(".avrelt-"); });
    INFO(name << ", killed at call " << last);
    const bool isOld = now == ways.with(name, older);
    const bool isNew = now == ways.with(name, newer);
    // Where they go one by one there is no plan until the end: nothing says what belongs.
    CHECK((isOld || isNew || (name == "each" && now.count("plan.json") == 0)));
    old += isOld ? 1 : 0;
    fresh += isNew ? 1 : 0;
    REQUIRE_FALSE(exportInto(folder, newer).has_value());
    CHECK(contentOf(folder) == ways.with(name, newer));
    CHECK(ways.beside() == 0);
  }
  CHECK(old > 20);
  CHECK(fresh > 20);
}
