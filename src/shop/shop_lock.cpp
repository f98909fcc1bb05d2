// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shop_lock.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <cerrno>

namespace avrelt {

std::filesystem::path lockFileOf(const std::filesystem::path& shop) {
  return shop.string() + ".lock";
}

ShopLock::ShopLock(const std::filesystem::path& shop, Kind kind) {
  constexpr int readable = 0644;
  handle_ = ::open(lockFileOf(shop).c_str(), O_RDWR | O_CREAT | O_CLOEXEC, readable);  // NOLINT
  if (handle_ < 0) {
    held_ = true;
    return;
  }
  const int how = (kind == Kind::shared ? LOCK_SH : LOCK_EX) | LOCK_NB;
  held_ = ::flock(handle_, how) == 0 || errno != EWOULDBLOCK;
}

ShopLock::~ShopLock() {
  if (handle_ >= 0) ::close(handle_);
}

}  // namespace avrelt
