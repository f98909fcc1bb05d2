// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/generation.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <set>

#include "files/disk_calls.h"

namespace avrelt {
namespace {

namespace fs = std::filesystem;

constexpr const char* beside = ".avrelt-new-";  ///< after the folder's name, beside it
constexpr const char* within = ".avrelt-new-";  ///< in the folder, where files go one by one
constexpr const char* before = ".avrelt-old-";  ///< what was there before those
constexpr const char* arrivals = ".arrivals";   ///< in that, the names that were not there before
constexpr std::size_t largestIndex = 1U << 30U;
constexpr int notHere = EXDEV;  ///< the one step cannot be done here

bool startsWith(const std::string& text, const std::string& start) {
  return text.compare(0, start.size(), start) == 0;
}

/// A file put down by `writeFile` and never renamed: ".name.svg.a1B2c3".
bool isForgotten(const std::string& name) {
  if (name.size() < 9 || name[0] != '.' || name[name.size() - 7] != '.') return false;
  const std::string end = name.substr(0, name.size() - 7);
  return std::any_of(std::begin({".svg", ".pdf", ".json"}), std::end({".svg", ".pdf", ".json"}),
                     [&](const std::string& kind) {
                       return end.size() > kind.size() &&
                              end.compare(end.size() - kind.size(), kind.size(), kind) == 0;
                     });
}

std::vector<fs::path> entriesOf(const fs::path& folder) {
  std::vector<fs::path> entries;
  std::error_code error;
  for (fs::directory_iterator each(folder, error), end; !error && each != end;
       each.increment(error)) {
    entries.push_back(each->path());
  }
  return entries;
}

bool sameFile(const fs::path& a, const fs::path& b) {
  struct stat one {};
  struct stat other {};
  return ::lstat(a.c_str(), &one) == 0 && ::lstat(b.c_str(), &other) == 0 &&
         one.st_ino == other.st_ino && one.st_dev == other.st_dev;
}

bool isThere(const fs::path& path) {
  struct stat about {};
  return ::lstat(path.c_str(), &about) == 0;
}

bool isFolder(const fs::path& path) {
  std::error_code ignored;
  return fs::symlink_status(path, ignored).type() == fs::file_type::directory;
}

/// A folder of a name of its own, gone again with all in it that nobody else has.
class Scratch {
 public:
  Scratch() = default;
  Scratch(const Scratch&) = delete;
  Scratch& operator=(const Scratch&) = delete;
  ~Scratch() {
    if (path_.empty()) return;
    for (const fs::path& entry : entriesOf(path_)) disk::unlink(entry);
    disk::removeFolder(path_);
  }
  int make(const fs::path& start) {
    std::string pattern = start.string() + "XXXXXX";
    if (const int error = disk::makeFolder(pattern, held_)) return error;
    path_ = pattern;
    return 0;
  }
  const fs::path& path() const { return path_; }
  int number() const { return held_.number(); }
  void keep() { path_.clear(); }

 private:
  fs::path path_;
  Descriptor held_;
};

/// Whether a file was written when its index was: what an index of other hands names was not.
bool writtenWith(const fs::path& index, const fs::path& file) {
  struct stat one {};
  struct stat other {};
  if (::lstat(index.c_str(), &one) != 0 || ::lstat(file.c_str(), &other) != 0) return false;
  constexpr time_t takesAtMost = 3600;
  return other.st_mtime <= one.st_mtime && one.st_mtime - other.st_mtime < takesAtMost;
}

class Generation {
 public:
  Generation(fs::path folder, const std::vector<OutputFile>& files)
      : folder_(std::move(folder)), files_(files) {
    for (const OutputFile& file : files) names_.insert(file.name);
  }

  /// Somebody else's file that stands where one is to be written.
  const fs::path& foreign() const { return foreign_; }

  int operator()(const ListedIn& listedIn) {
    sweep();
    there_ = isThere(folder_);
    const auto index = readFile(folder_ / files_.back().name, largestIndex);
    const auto listed = index && listedIn ? listedIn(*index) : std::nullopt;
    if (listed) {
      for (const std::string& name : *listed) {
        if (names_.count(name) == 0 && writtenWith(folder_ / files_.back().name, folder_ / name)) {
          gone_.insert(name);
        }
      }
    }
    if (listedIn) {
      std::set<std::string> ours;
      if (listed) ours.insert(listed->begin(), listed->end());
      if (listed) ours.insert(files_.back().name);
      for (const std::string& name : names_) {
        if (ours.count(name) > 0 || !isThere(folder_ / name)) continue;
        foreign_ = folder_ / name;
        return EEXIST;
      }
    }
    for (const std::string& name : names_) {
      if (isFolder(folder_ / name)) return EISDIR;
    }
    std::erase_if(gone_, [this](const std::string& name) { return isFolder(folder_ / name); });
    const int error = inOneStep();
    if (error != notHere) return error;
    return oneByOne();
  }

 private:
  mode_t fileMode(const fs::path& old) const {
    struct stat about {};
    if (::lstat(old.c_str(), &about) == 0 && S_ISREG(about.st_mode)) return about.st_mode & 07777U;
    return disk::usualMode(0666);
  }

  int putInto(const fs::path& folder) const {
    for (const OutputFile& file : files_) {
      Descriptor made(::open((folder / file.name).c_str(),
                             O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC | O_NOFOLLOW, 0666));
      if (!made.open()) return errno;
      ::fchmod(made.number(), fileMode(folder_ / file.name));
      if (const int error = disk::write(made.number(), file.bytes)) return error;
      if (const int error = made.close()) return error;
    }
    return 0;
  }

  /// Beside the folder, then in its place.
  int inOneStep() {
    std::error_code ignored;
    struct stat old {};
    if (there_) {
      if (::stat(folder_.c_str(), &old) != 0) return errno;
      // Whoever works in the folder would find himself in the old one.
      const std::string here = fs::current_path(ignored).string() + "/";
      if (old.st_uid != ::geteuid() || startsWith(here, folder_.string() + "/")) return notHere;
      if (::access(folder_.c_str(), W_OK | X_OK) != 0) return errno;
    }
    Scratch staged;
    const fs::path start = folder_.parent_path() / ("." + folder_.filename().string() + beside);
    if (const int error = staged.make(start)) {
      return there_ && (error == EACCES || error == EROFS || error == EPERM) ? notHere : error;
    }
    ::fchmod(staged.number(), there_ ? old.st_mode & 07777U : disk::usualMode(0777));
    if (const int error = putInto(staged.path())) return error;
    if (there_) {
      for (const fs::path& entry : entriesOf(folder_)) {
        const std::string name = entry.filename().string();
        if (names_.count(name) > 0 || gone_.count(name) > 0) continue;
        if (isForgotten(name) && disk::abandoned(entry)) continue;
        if (isFolder(entry)) return notHere;
        if (disk::link(entry, staged.path() / name) != 0) return notHere;
      }
    }
    if (const int error = disk::syncAll(staged.number())) return error;
    const int error =
        there_ ? disk::exchange(staged.path(), folder_) : disk::renameToNew(staged.path(), folder_);
    if (error == EINVAL || error == ENOSYS || error == EBUSY) return notHere;
    if (error != 0) return error;
    disk::syncFolder(folder_.parent_path());
    if (there_) clearOld(staged.path());
    staged.keep();
    return 0;
  }

  /// Takes away a folder that has been replaced. Of what is not ours only second names go.
  void clearOld(const fs::path& old) const {
    bool empty = true;
    for (const fs::path& entry : entriesOf(old)) {
      const std::string name = entry.filename().string();
      const std::string kind = entry.extension().string();
      const bool ours = names_.count(name) > 0 || gone_.count(name) > 0 || isForgotten(name) ||
                        kind == ".svg" || kind == ".pdf" || name == "plan.json";
      if (ours || sameFile(entry, folder_ / name)) {
        empty = disk::unlink(entry) == 0 && empty;
      } else {
        // Put there while we were at it.
        empty = disk::renameToNew(entry, folder_ / name) == 0 && empty;
      }
    }
    if (empty) disk::removeFolder(old);
  }

  /// In the folder itself.
  int oneByOne() {
    if (!there_ && ::mkdir(folder_.c_str(), 0777) != 0) return errno;
    const int error = oneByOneInto();
    if (error != 0 && !there_) disk::removeFolder(folder_);
    return error;
  }

  int oneByOneInto() {
    Scratch fresh;
    Scratch old;
    if (const int error = fresh.make(folder_ / within)) return error;
    if (const int error = putInto(fresh.path())) return error;
    if (const int error = old.make(folder_ / before)) return error;
    std::set<std::string> all = names_;
    all.insert(gone_.begin(), gone_.end());
    std::string news;
    for (const std::string& name : all) {
      const fs::path now = folder_ / name;
      if (!isThere(now)) {
        news += name + "\n";
      } else if (disk::link(now, old.path() / name) != 0) {
        // Some disks have no second names.
        std::error_code error;
        fs::copy(now, old.path() / name, fs::copy_options::copy_symlinks, error);
        if (error) return error.value();
      }
    }
    {
      Descriptor list(
          ::open((old.path() / arrivals).c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0600));
      if (!list.open()) return errno;
      if (const int error = disk::write(list.number(), news)) return error;
    }
    if (const int error = disk::syncAll(fresh.number())) return error;
    const int error = takeNames(fresh.path());
    if (error != 0) {
      putBack(old.path());
      old.keep();  // what could not be put back now is, by the next to come
      return error;
    }
    disk::unlink(old.path() / arrivals);  // from here on the new one stands
    disk::syncFolder(folder_);
    return 0;
  }

  int takeNames(const fs::path& fresh) const {
    const std::string& index = files_.back().name;
    if (isThere(folder_ / index)) {
      if (const int error = disk::unlink(folder_ / index)) return error;
    }
    for (const std::string& name : gone_) {
      if (!isThere(folder_ / name)) continue;
      if (const int error = disk::unlink(folder_ / name)) return error;
    }
    for (const OutputFile& file : files_) {
      if (const int error = disk::rename(fresh / file.name, folder_ / file.name)) return error;
    }
    return 0;
  }

  /// What an unfinished one took away comes back, what it brought goes.
  void putBack(const fs::path& old) const {
    const auto list = readFile(old / arrivals);
    bool all = true;
    if (list) {
      std::string name;
      for (const char c : *list) {
        if (c != '\n') {
          name += c;
          continue;
        }
        if (name.find('/') == std::string::npos && isThere(folder_ / name)) {
          all = disk::unlink(folder_ / name) == 0 && all;
        }
        name.clear();
      }
    }
    for (const fs::path& entry : entriesOf(old)) {
      const std::string name = entry.filename().string();
      if (name == arrivals) continue;
      // Two names of one file: renaming would do nothing and leave both. Without its list it was
      // not begun, or had come to its end.
      if (!list || sameFile(entry, folder_ / name)) {
        all = disk::unlink(entry) == 0 && all;
      } else {
        all = disk::rename(entry, folder_ / name) == 0 && all;
      }
    }
    if (!all) return;  // its list stays with it: it can be taken up again
    disk::unlink(old / arrivals);
    disk::removeFolder(old);
  }

  /// What others left that were killed here: beside the folder and in it.
  void sweep() const {
    const std::string start = "." + folder_.filename().string() + beside;
    for (const fs::path& entry : entriesOf(folder_.parent_path())) {
      const std::string name = entry.filename().string();
      if (name.size() == start.size() + 6 && startsWith(name, start) && disk::abandoned(entry)) {
        clearOld(entry);
      }
    }
    for (const fs::path& entry : entriesOf(folder_)) {
      const std::string name = entry.filename().string();
      if (startsWith(name, before) && disk::abandoned(entry)) putBack(entry);
    }
    for (const fs::path& entry : entriesOf(folder_)) {
      const std::string name = entry.filename().string();
      if (startsWith(name, within) && disk::abandoned(entry)) {
        for (const fs::path& file : entriesOf(entry)) disk::unlink(file);
        disk::removeFolder(entry);
      } else if (isForgotten(name) && disk::abandoned(entry)) {
        disk::unlink(entry);
      }
    }
  }

  fs::path folder_;
  const std::vector<OutputFile>& files_;
  std::set<std::string> names_;
  std::set<std::string> gone_;
  fs::path foreign_;
  bool there_ = false;
};

}  // namespace

std::optional<Sentence> writeGeneration(const fs::path& folder,
                                        const std::vector<OutputFile>& files,
                                        const ListedIn& listedIn) {
  if (files.empty()) return std::nullopt;
  std::error_code error;
  fs::path goal = fs::absolute(folder, error);
  if (!error) goal = fs::weakly_canonical(goal, error);
  if (error) return whyNot(error.value(), folder);
  if (goal.filename().empty()) goal = goal.parent_path();
  const bool there = fs::is_directory(goal, error);
  if (!there && isThere(goal)) return whyNot(ENOTDIR, folder);
  fs::create_directories(goal.parent_path(), error);
  if (error) return whyNot(error.value(), folder);
  Generation generation(goal, files);
  const int failed = generation(listedIn);
  if (!generation.foreign().empty()) {
    return Sentence{
        "“%1” is there already, and was not written by Avrelt with the files beside it. "
        "Move it away, or choose another folder; nothing was written.",
        {generation.foreign().string()}};
  }
  if (failed != 0) return whyNot(failed, folder);
  return std::nullopt;
}

}  // namespace avrelt
