// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/disk.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <utility>

#include "files/disk_calls.h"

namespace avrelt {
namespace {

namespace fs = std::filesystem;

/// Bytes on disk under a temporary name beside their goal; gone again unless they take the name.
class Staged {
 public:
  Staged(const Staged&) = delete;
  Staged& operator=(const Staged&) = delete;
  Staged(Staged&& other) noexcept
      : temporary_(std::exchange(other.temporary_, {})),
        goal_(std::move(other.goal_)),
        held_(std::move(other.held_)) {}
  Staged& operator=(Staged&&) = delete;
  ~Staged() {
    if (!temporary_.empty()) disk::unlink(temporary_);
  }

  static tl::expected<Staged, Sentence> put(const fs::path& path, std::string_view bytes) {
    std::error_code ignored;
    fs::path goal = fs::weakly_canonical(path, ignored);
    if (ignored) goal = path;
    if (fs::is_directory(goal, ignored)) return tl::unexpected(whyNot(EISDIR, path));
    if (auto fault = notAFile(goal)) return tl::unexpected(std::move(*fault));

    const std::string start = "." + goal.filename().string() + ".";
    sweep(goal.parent_path(), start);
    std::string pattern = (goal.parent_path() / (start + "XXXXXX")).string();
    Descriptor file;
    if (const int error = disk::makeFile(pattern, file)) return tl::unexpected(whyNot(error, path));
    Staged staged(pattern, goal);

    struct stat old {};
    const bool replaces = ::stat(goal.c_str(), &old) == 0;
    if (replaces && ::access(goal.c_str(), W_OK) != 0) {
      return tl::unexpected(whyNot(errno, path));
    }
    ::fchmod(file.number(), replaces ? old.st_mode & 07777U : disk::usualMode(0666));

    if (const int error = disk::write(file.number(), bytes)) {
      return tl::unexpected(whyNot(error, path));
    }
    if (const int error = disk::sync(file.number())) return tl::unexpected(whyNot(error, path));
    // Held till it has its name, or nobody would know that somebody is at it.
    staged.held_ = std::move(file);
    return staged;
  }

  std::optional<Sentence> takeName() {
    if (const int error = disk::rename(temporary_, goal_)) return whyNot(error, goal_);
    temporary_.clear();
    // The new name is on disk only once its folder is.
    disk::syncFolder(goal_.parent_path());
    return std::nullopt;
  }

 private:
  Staged(std::string temporary, fs::path goal)
      : temporary_(std::move(temporary)), goal_(std::move(goal)) {}

  /// What programs left that were killed while they wrote this file.
  static void sweep(const fs::path& folder, const std::string& start) {
    std::error_code error;
    for (fs::directory_iterator each(folder, error), end; !error && each != end;
         each.increment(error)) {
      const std::string name = each->path().filename().string();
      if (name.size() == start.size() + 6 && name.compare(0, start.size(), start) == 0 &&
          disk::abandoned(each->path())) {
        disk::unlink(each->path());
      }
    }
  }

  std::string temporary_;
  fs::path goal_;
  Descriptor held_;
};

}  // namespace

tl::expected<std::string, Sentence> readFile(const fs::path& path, std::size_t most) {
  // A pipe nobody writes into would be waited for without end.
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
  if (!file.open()) return tl::unexpected(whyNot(errno, path));
  struct stat about {};
  if (::fstat(file.number(), &about) != 0) return tl::unexpected(whyNot(errno, path));
  if (S_ISDIR(about.st_mode)) return tl::unexpected(whyNot(EISDIR, path));
  if (!S_ISREG(about.st_mode)) {
    return tl::unexpected(
        Sentence{"“%1” is a pipe or a device, not a file. Save it as a file, then open that.",
                 {path.string()}});
  }

  std::string bytes;
  std::string block(1U << 16U, '\0');
  for (;;) {
    const ssize_t count = ::read(file.number(), block.data(), block.size());
    if (count < 0 && errno == EINTR) continue;
    if (count < 0) return tl::unexpected(whyNot(errno, path));
    if (count == 0) return bytes;
    bytes.append(block, 0, static_cast<std::size_t>(count));
    if (bytes.size() > most) {
      return tl::unexpected(
          Sentence{"“%1” is larger than %2 MB, which no order is with all its pictures. Is it "
                   "another kind of file?",
                   {path.string(), static_cast<long>(most >> 20U)}});
    }
  }
}

std::optional<Sentence> notAFile(const fs::path& path) {
  struct stat about {};
  if (::stat(path.c_str(), &about) != 0 || S_ISREG(about.st_mode) || S_ISDIR(about.st_mode)) {
    return std::nullopt;
  }
  return Sentence{"“%1” is a pipe or a device, and stays what it is. Name a file to write.",
                  {path.string()}};
}

std::optional<Sentence> writeFiles(const std::vector<std::pair<fs::path, std::string>>& files) {
  std::vector<Staged> all;
  for (const auto& [path, bytes] : files) {
    tl::expected<Staged, Sentence> staged = Staged::put(path, bytes);
    if (!staged) return staged.error();
    all.push_back(std::move(*staged));
  }
  for (Staged& one : all) {
    if (auto fault = one.takeName()) return fault;
  }
  return std::nullopt;
}

std::optional<Sentence> writeFile(const fs::path& path, std::string_view bytes) {
  tl::expected<Staged, Sentence> staged = Staged::put(path, bytes);
  if (!staged) return staged.error();
  return staged->takeName();
}

}  // namespace avrelt
