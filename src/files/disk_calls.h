// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <sys/types.h>

#include <filesystem>
#include <string>
#include <string_view>
#include <utility>

#include "measure/sentence.h"

namespace avrelt {

/// What one of the system's errors means for a file, and what to do.
Sentence whyNot(int error, const std::filesystem::path& path);

/// A file descriptor that is closed when it goes.
class Descriptor {
 public:
  explicit Descriptor(int number = -1) : number_(number) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  Descriptor(Descriptor&& other) noexcept : number_(std::exchange(other.number_, -1)) {}
  Descriptor& operator=(Descriptor&& other) noexcept {
    std::swap(number_, other.number_);
    return *this;
  }
  ~Descriptor() { (void)close(); }
  int number() const { return number_; }
  bool open() const { return number_ >= 0; }
  /// Closes and tells of what a late write failed on; 0 where all went well.
  int close();

 private:
  int number_;
};

/// The calls of the system by which files come to be. Each gives 0 or the error, `errno`'s number.
namespace disk {

using Path = std::filesystem::path;

/// Asked before each call, by its name ("write", "sync", "rename" …), for the error it is to fail
/// with; 0 lets it through. Here none fails: a program that tries failures out is linked with a
/// function of this name of its own.
int refusal(std::string_view call);

/// A new file or folder of a name nobody has: the pattern's last six letters, XXXXXX, are chosen.
/// Locked, for as long as the descriptor lives, against `abandoned`.
int makeFile(std::string& pattern, Descriptor& file);
int makeFolder(std::string& pattern, Descriptor& folder);
/// A file of this name, made where there is none, held against `abandoned`; not open where that
/// cannot be.
Descriptor held(const Path& path);
/// Whether nobody holds it: what is left of a program that ended in the middle.
bool abandoned(const Path& path);

/// The permissions a new file or folder has here.
mode_t usualMode(mode_t wanted);

int write(int file, std::string_view bytes);
/// One file, or a folder's names, onto the disk.
int sync(int file);
int syncFolder(const Path& folder);
/// All that was written to the disk a descriptor lies on.
int syncAll(int file);
int rename(const Path& from, const Path& to);
/// The same where nothing has that name.
int renameToNew(const Path& from, const Path& to);
/// Two names of one disk trade what they stand for, in one step.
int exchange(const Path& a, const Path& b);
/// A second name for a file; links are not followed.
int link(const Path& from, const Path& to);
int unlink(const Path& file);
int removeFolder(const Path& folder);

}  // namespace disk
}  // namespace avrelt
