// SPDX-License-Identifier: GPL-3.0-or-later
#include "refusing_disk.h"

#include <utility>

#include "files/disk_calls.h"

namespace avrelt {
namespace {

std::function<int(std::string_view)>& refusing() {
  static std::function<int(std::string_view)> refuses;
  return refuses;
}

}  // namespace

RefusingDisk::RefusingDisk(std::function<int(std::string_view call)> refuses) {
  refusing() = std::move(refuses);
}
RefusingDisk::~RefusingDisk() {
  refusing() = {};
}

int disk::refusal(std::string_view call) {
  return refusing() ? refusing()(call) : 0;
}

}  // namespace avrelt
