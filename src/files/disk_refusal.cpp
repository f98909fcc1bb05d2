// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/disk_calls.h"

namespace avrelt::disk {

int refusal(std::string_view /*call*/) {
  return 0;
}

}  // namespace avrelt::disk
