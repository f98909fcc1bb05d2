// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <sqlite3.h>

#include <functional>
#include <string_view>

namespace avrelt {

/// While it lives, SQLite reaches the disk through it, and each call that changes something is
/// asked about first, by its name ("write", "sync", "truncate", "delete"): true makes it fail.
class FailingDisk {
 public:
  explicit FailingDisk(std::function<bool(std::string_view call)> fails);
  ~FailingDisk();
  FailingDisk(const FailingDisk&) = delete;
  FailingDisk& operator=(const FailingDisk&) = delete;
};

}  // namespace avrelt
