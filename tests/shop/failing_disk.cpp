// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/failing_disk.h"

#include <cstring>

// A thin layer over the disk SQLite would use, as its documentation describes ("The SQLite OS
// Interface or VFS").

namespace avrelt {
namespace {

std::function<bool(std::string_view)> failing;
sqlite3_vfs* usual = nullptr;

/// What SQLite sees as a file; the usual one's own follows it in memory.
struct Layered {
  sqlite3_file base;
  sqlite3_file* below() { return reinterpret_cast<sqlite3_file*>(this + 1); }
};
sqlite3_file* below(sqlite3_file* file) {
  return reinterpret_cast<Layered*>(file)->below();
}

bool fails(const char* call) {
  return failing && failing(call);
}

const sqlite3_io_methods methods{
    1,
    [](sqlite3_file* file) { return below(file)->pMethods->xClose(below(file)); },
    [](sqlite3_file* file, void* bytes, int count, sqlite3_int64 at) {
      return below(file)->pMethods->xRead(below(file), bytes, count, at);
    },
    [](sqlite3_file* file, const void* bytes, int count, sqlite3_int64 at) {
      if (fails("write")) return SQLITE_IOERR_WRITE;
      return below(file)->pMethods->xWrite(below(file), bytes, count, at);
    },
    [](sqlite3_file* file, sqlite3_int64 size) {
      if (fails("truncate")) return SQLITE_IOERR_TRUNCATE;
      return below(file)->pMethods->xTruncate(below(file), size);
    },
    [](sqlite3_file* file, int flags) {
      if (fails("sync")) return SQLITE_IOERR_FSYNC;
      return below(file)->pMethods->xSync(below(file), flags);
    },
    [](sqlite3_file* file, sqlite3_int64* size) {
      return below(file)->pMethods->xFileSize(below(file), size);
    },
    [](sqlite3_file* file, int lock) { return below(file)->pMethods->xLock(below(file), lock); },
    [](sqlite3_file* file, int lock) { return below(file)->pMethods->xUnlock(below(file), lock); },
    [](sqlite3_file* file, int* held) {
      return below(file)->pMethods->xCheckReservedLock(below(file), held);
    },
    [](sqlite3_file* file, int operation, void* argument) {
      return below(file)->pMethods->xFileControl(below(file), operation, argument);
    },
    [](sqlite3_file* file) { return below(file)->pMethods->xSectorSize(below(file)); },
    [](sqlite3_file* file) { return below(file)->pMethods->xDeviceCharacteristics(below(file)); },
    nullptr,
    nullptr,
    nullptr,
    nullptr,
    nullptr,
    nullptr};

sqlite3_vfs layer{};

}  // namespace

FailingDisk::FailingDisk(std::function<bool(std::string_view)> which) {
  failing = std::move(which);
  usual = sqlite3_vfs_find(nullptr);
  layer = *usual;
  layer.zName = "failing";
  layer.pNext = nullptr;
  layer.szOsFile = static_cast<int>(sizeof(Layered)) + usual->szOsFile;
  layer.xOpen = [](sqlite3_vfs*, const char* name, sqlite3_file* file, int flags, int* given) {
    file->pMethods = nullptr;
    sqlite3_file* real = below(file);
    std::memset(real, 0, static_cast<std::size_t>(usual->szOsFile));
    const int code = usual->xOpen(usual, name, real, flags, given);
    if (real->pMethods != nullptr) file->pMethods = &methods;
    return code;
  };
  layer.xDelete = [](sqlite3_vfs*, const char* name, int syncFolder) {
    if (fails("delete")) return SQLITE_IOERR_DELETE;
    return usual->xDelete(usual, name, syncFolder);
  };
  sqlite3_vfs_register(&layer, 1);
}

FailingDisk::~FailingDisk() {
  sqlite3_vfs_unregister(&layer);
  sqlite3_vfs_register(usual, 1);
  failing = nullptr;
}

}  // namespace avrelt
