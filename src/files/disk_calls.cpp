// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/disk_calls.h"

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstdlib>
#include <cstring>

namespace avrelt {

Sentence whyNot(int error, const std::filesystem::path& path) {
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

int Descriptor::close() {
  const int number = std::exchange(number_, -1);
  return number < 0 || ::close(number) == 0 ? 0 : errno;
}

namespace disk {
namespace {

/// Does a call that gives 0 or less than 0, unless it is refused.
template <typename Call>
int did(const char* name, const Call& call) {
  if (const int error = refusal(name)) return error;
  return call() < 0 ? errno : 0;
}

}  // namespace

int makeFile(std::string& pattern, Descriptor& file) {
  return did("make", [&] {
    file = Descriptor(::mkostemp(pattern.data(), O_CLOEXEC));
    if (file.open()) ::flock(file.number(), LOCK_EX | LOCK_NB);
    return file.number();
  });
}

int makeFolder(std::string& pattern, Descriptor& folder) {
  return did("make", [&] {
    if (::mkdtemp(pattern.data()) == nullptr) return -1;
    folder = Descriptor(::open(pattern.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folder.open()) ::flock(folder.number(), LOCK_EX | LOCK_NB);
    return folder.number();
  });
}

Descriptor held(const Path& path) {
  Descriptor file(::open(path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC | O_NOFOLLOW, 0600));
  if (file.open() && ::flock(file.number(), LOCK_EX | LOCK_NB) != 0) return Descriptor();
  return file;
}

bool abandoned(const Path& path) {
  struct stat about {};
  if (::lstat(path.c_str(), &about) != 0 || about.st_uid != ::geteuid()) return false;
  if (!S_ISREG(about.st_mode) && !S_ISDIR(about.st_mode)) return false;
  const Descriptor held(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW));
  return held.open() && ::flock(held.number(), LOCK_EX | LOCK_NB) == 0;
}

mode_t usualMode(mode_t wanted) {
  const mode_t mask = ::umask(0);
  ::umask(mask);
  return wanted & ~mask;
}

int write(int file, std::string_view bytes) {
  while (!bytes.empty()) {
    ssize_t count = 0;
    const int error =
        did("write", [&] { return count = ::write(file, bytes.data(), bytes.size()); });
    if (error == EINTR) continue;
    if (error != 0) return error;
    bytes.remove_prefix(static_cast<std::size_t>(count));
  }
  return 0;
}

int sync(int file) {
  return did("sync", [&] { return ::fsync(file); });
}

int syncFolder(const Path& folder) {
  const Descriptor opened(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  return opened.open() ? sync(opened.number()) : errno;
}

int syncAll(int file) {
  return did("sync", [&] { return ::syncfs(file); });
}

int rename(const Path& from, const Path& to) {
  return did("rename", [&] { return ::rename(from.c_str(), to.c_str()); });
}

int renameToNew(const Path& from, const Path& to) {
  return did("rename", [&] {
    return ::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE);
  });
}

int exchange(const Path& a, const Path& b) {
  return did("exchange", [&] {
    return ::renameat2(AT_FDCWD, a.c_str(), AT_FDCWD, b.c_str(), RENAME_EXCHANGE);
  });
}

int link(const Path& from, const Path& to) {
  return did("link", [&] { return ::linkat(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), 0); });
}

int unlink(const Path& file) {
  return did("unlink", [&] { return ::unlink(file.c_str()); });
}

int removeFolder(const Path& folder) {
  return did("unlink", [&] { return ::rmdir(folder.c_str()); });
}

}  // namespace disk
}  // namespace avrelt
