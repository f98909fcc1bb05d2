// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

namespace avrelt {

/// Whether a shop's file is in use: every program that has it open shares a lock beside it
/// ("shop.sqlite.lock"), and who wants to put another file in its place takes it alone. The system
/// lets go of it with the program.
class ShopLock {
 public:
  enum class Kind { shared, alone };
  ShopLock(const std::filesystem::path& shop, Kind kind);
  ShopLock(const ShopLock&) = delete;
  ShopLock& operator=(const ShopLock&) = delete;
  ~ShopLock();

  /// Whether it was given. Where no lock can be had at all, on a disk that knows none, it counts as
  /// given.
  bool held() const { return held_; }

 private:
  int handle_ = -1;
  bool held_ = false;
};

/// Where the lock of a shop lies.
std::filesystem::path lockFileOf(const std::filesystem::path& shop);

}  // namespace avrelt
