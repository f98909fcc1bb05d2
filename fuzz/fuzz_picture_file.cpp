// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>

#include "files/base64.h"
#include "files/picture_file.h"
#include "measure/length_text.h"
#include "require.h"

using namespace avrelt;

/// Whatever the bytes: a picture with its dots, or words; as text and back they are the same.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string bytes(reinterpret_cast<const char*>(data), size);
  require(fromBase64(base64Of(bytes)) == bytes);
  if (const auto back = fromBase64(bytes)) require(fromBase64(base64Of(*back)) == *back);
  const auto head = pictureHead(bytes);
  if (!head) {
    require(!inWords(head.error(), Unit::mm).empty());
    return 0;
  }
  // A few bytes may stand for millions of dots: those take memory, not faults.
  if (static_cast<long>(head->wide) * head->tall > 200'000) return 0;
  const auto taken = pictureToKeep(bytes, "night");
  if (!taken) {
    require(!inWords(taken.error(), Unit::mm).empty());
    return 0;
  }
  const auto dots = dotsOf(taken->picture);
  require(dots.has_value());
  require(dots->rgba.size() ==
          static_cast<std::size_t>(dots->wide) * static_cast<std::size_t>(dots->tall) * 4);
  require(dots->wide == taken->picture.wide && dots->tall == taken->picture.tall);
  return 0;
}
