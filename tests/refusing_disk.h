// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string_view>

namespace avrelt {

/// While it lives, each call to the disk asks it, by the call's name, for the error to fail with; 0
/// lets the call through. One at a time, on one thread.
class RefusingDisk {
 public:
  explicit RefusingDisk(std::function<int(std::string_view call)> refuses);
  RefusingDisk(const RefusingDisk&) = delete;
  RefusingDisk& operator=(const RefusingDisk&) = delete;
  ~RefusingDisk();
};

}  // namespace avrelt
