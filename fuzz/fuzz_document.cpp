// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>
#include <cstdlib>
#include <string_view>

#include "files/document_json.h"
#include "job/plan.h"

// Whatever a file holds is refused in words or is an order that survives being saved, and planning
// it ends in a plan or in faults.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace avrelt;
  const auto read = readDocument({reinterpret_cast<const char*>(data), size});
  if (!read) {
    if (read.error().empty()) std::abort();
    return 0;
  }
  const auto again = readDocument(writeDocument(read->document));
  if (!again || !(again->document == read->document)) std::abort();
  const CheckedAll<Plan> plan = planDocument(read->document);
  if (!plan && plan.error().empty()) std::abort();
  return 0;
}
