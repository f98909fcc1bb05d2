// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>
#include <cstdlib>
#include <string_view>

#include "measure/length_text.h"
#include "measure/tape.h"

// Whatever is typed is a length within bounds or a fault in words; what is written back reads the
// same.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace avrelt;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  for (const Unit unit : {Unit::inch, Unit::mm}) {
    const Checked<WrittenLength> length = writtenSize(text, unit);
    if (!length) {
      if (inWords(length.error().sentence, unit).empty()) std::abort();
      continue;
    }
    if (length->length < Length() || length->length > longestLength) std::abort();
    if (!length->text.empty()) {
      const Checked<Length> again = parseSize(length->text, Unit::mm);
      if (!again || *again != length->length) std::abort();
    }
    readTape(length->length, Graduation::thirtySecond);
  }
  return 0;
}
