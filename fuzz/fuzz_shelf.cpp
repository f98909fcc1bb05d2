// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>
#include <cstdlib>
#include <string_view>

#include "cup/body.h"
#include "shop/shelf_csv.h"
#include "shop/shelf_json.h"

// Whatever is brought in is a list of blanks or faults in words; every blank makes a body or says
// why not; what is written out reads again as as many blanks.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace avrelt;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const auto blanks = readShelf(text);
  if (!blanks) {
    if (blanks.error().empty()) std::abort();
    for (const ReadFault& fault : blanks.error()) inWords(fault, "shelf", Unit::mm);
    return 0;
  }
  for (const ShelfBlank& shelved : *blanks) {
    const CheckedAll<Body> body = Body::of(shelved.blank);
    if (body) {
      body->sideView();
      body->holds(Length::mm(1), Length::mm(1));
    } else if (body.error().empty()) {
      std::abort();
    }
  }
  const auto again = readShelfJson(writeShelfJson(*blanks));
  if (!again || again->size() != blanks->size()) std::abort();
  writeShelfCsv(*blanks);
  return 0;
}
