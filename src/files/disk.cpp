// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/disk.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstring>
#include <utility>

namespace avrelt {
namespace {

namespace fs = std::filesystem;

Sentence whyNot(int error, const fs::path& path) {
  const std::string name = path.string();
  switch (error) {
    case ENOENT:
      return {"There is no “%1”. Check the name and its folder.", {name}};
    case EACCES:
    case EPERM:
      return {"“%1” may not be used by you. Choose another folder, or change its permissions.",
              {name}};
    case EROFS:
      return {"“%1” lies on a disk that cannot be written. Choose another folder.", {name}};
    case ENOSPC:
    case EDQUOT:
      return {
          "The disk is full; “%1” was not written and nothing was changed. Make room, or choose "
          "another disk.",
          {name}};
    case EISDIR:
      return {"“%1” is a folder. Name a file in it.", {name}};
    case ENOTDIR:
      return {"“%1” cannot be: part of its path is a file, not a folder.", {name}};
    case ENAMETOOLONG:
      return {"The name is too long for this disk. Choose a shorter one.", {}};
    default:
      return {"“%1” could not be used: %2.", {name, std::string(std::strerror(error))}};
  }
}

/// A file descriptor that is closed when it goes.
class Descriptor {
 public:
  explicit Descriptor(int number) : number_(number) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  ~Descriptor() {
    if (number_ >= 0) ::close(number_);
  }
  int number() const { return number_; }
  bool open() const { return number_ >= 0; }
  /// Closes and tells of what a late write failed on; 0 where all went well.
  int close() { return ::close(std::exchange(number_, -1)) == 0 ? 0 : errno; }

 private:
  int number_;
};

/// Bytes on disk under a temporary name beside their goal; gone again unless they take the name.
class Staged {
 public:
  Staged(const Staged&) = delete;
  Staged& operator=(const Staged&) = delete;
  Staged(Staged&& other) noexcept
      : temporary_(std::exchange(other.temporary_, {})), goal_(std::move(other.goal_)) {}
  Staged& operator=(Staged&&) = delete;
  ~Staged() {
    if (!temporary_.empty()) ::unlink(temporary_.c_str());
  }

  static tl::expected<Staged, Sentence> put(const fs::path& path, std::string_view bytes) {
    std::error_code ignored;
    fs::path goal = fs::weakly_canonical(path, ignored);
    if (ignored) goal = path;
    if (fs::is_directory(goal, ignored)) return tl::unexpected(whyNot(EISDIR, path));

    std::string pattern =
        (goal.parent_path() / ("." + goal.filename().string() + ".XXXXXX")).string();
    Descriptor file(::mkostemp(pattern.data(), O_CLOEXEC));
    if (!file.open()) return tl::unexpected(whyNot(errno, path));
    Staged staged(pattern, goal);

    struct stat old {};
    const mode_t mask = ::umask(0);
    ::umask(mask);
    const bool replaces = ::stat(goal.c_str(), &old) == 0;
    if (replaces && ::access(goal.c_str(), W_OK) != 0) {
      return tl::unexpected(whyNot(errno, path));
    }
    ::fchmod(file.number(), replaces ? old.st_mode & 07777U : 0666U & ~mask);

    while (!bytes.empty()) {
      const ssize_t count = ::write(file.number(), bytes.data(), bytes.size());
      if (count < 0 && errno == EINTR) continue;
      if (count < 0) return tl::unexpected(whyNot(errno, path));
      bytes.remove_prefix(static_cast<std::size_t>(count));
    }
    if (::fsync(file.number()) != 0) return tl::unexpected(whyNot(errno, path));
    if (const int error = file.close()) return tl::unexpected(whyNot(error, path));
    return staged;
  }

  std::optional<Sentence> takeName() {
    if (::rename(temporary_.c_str(), goal_.c_str()) != 0) return whyNot(errno, goal_);
    temporary_.clear();
    // The new name is on disk only once its folder is.
    const Descriptor folder(
        ::open(goal_.parent_path().c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folder.open()) ::fsync(folder.number());
    return std::nullopt;
  }

 private:
  Staged(std::string temporary, fs::path goal)
      : temporary_(std::move(temporary)), goal_(std::move(goal)) {}

  std::string temporary_;
  fs::path goal_;
};

}  // namespace

tl::expected<std::string, Sentence> readFile(const fs::path& path, std::size_t most) {
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC));
  if (!file.open()) return tl::unexpected(whyNot(errno, path));
  struct stat about {};
  if (::fstat(file.number(), &about) != 0) return tl::unexpected(whyNot(errno, path));
  if (S_ISDIR(about.st_mode)) return tl::unexpected(whyNot(EISDIR, path));

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
          Sentence{"“%1” is larger than %2 MB; an order takes a few kilobytes. Is it another kind "
                   "of file?",
                   {path.string(), static_cast<long>(most >> 20U)}});
    }
  }
}

std::optional<Sentence> writeFile(const fs::path& path, std::string_view bytes) {
  tl::expected<Staged, Sentence> staged = Staged::put(path, bytes);
  if (!staged) return staged.error();
  return staged->takeName();
}

std::optional<Sentence> writeFiles(const fs::path& folder, const std::vector<OutputFile>& files) {
  std::error_code error;
  const bool made = fs::create_directories(folder, error);
  if (error) return whyNot(error.value(), folder);

  std::vector<Staged> staged;
  std::optional<Sentence> fault;
  for (const OutputFile& file : files) {
    tl::expected<Staged, Sentence> put = Staged::put(folder / file.name, file.bytes);
    if (!put) {
      fault = put.error();
      break;
    }
    staged.push_back(std::move(*put));
  }
  for (Staged& file : staged) {
    if (!fault) fault = file.takeName();
  }
  if (fault && made) {
    staged.clear();
    fs::remove(folder, error);  // only if empty
  }
  return fault;
}

}  // namespace avrelt
