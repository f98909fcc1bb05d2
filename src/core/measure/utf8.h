// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace avrelt {

/// How many bytes the UTF-8 character at the front of a text takes; 0 where it is none (RFC 3629).
inline std::size_t characterLength(std::string_view text) {
  const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(text[i]); };
  const unsigned char first = byte(0);
  if (first < 0x80) return 1;
  const std::size_t length = first >= 0xF0 ? 4 : first >= 0xE0 ? 3 : 2;
  // 0xC0, 0xC1 and all from 0xF5 begin no character; nor do bytes that only go on with one.
  if (first < 0xC2 || first > 0xF4 || text.size() < length) return 0;
  for (std::size_t i = 1; i < length; ++i) {
    if ((byte(i) & 0xC0) != 0x80) return 0;
  }
  // Longer than need be, halves of a pair, or beyond the last character there is.
  const unsigned char second = byte(1);
  const bool wrong = (first == 0xE0 && second < 0xA0) || (first == 0xED && second > 0x9F) ||
                     (first == 0xF0 && second < 0x90) || (first == 0xF4 && second > 0x8F);
  return wrong ? 0 : length;
}

/// The number of that character (Unicode).
inline char32_t characterOf(std::string_view text, std::size_t length) {
  const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(text[i]); };
  char32_t character = length == 1 ? byte(0) : byte(0) & (0x7FU >> length);
  for (std::size_t i = 1; i < length; ++i) character = character << 6U | (byte(i) & 0x3FU);
  return character;
}

/// The same text with U+FFFD for each byte of what is no UTF-8, and for NUL.
inline std::string readableText(std::string_view text) {
  std::string readable;
  while (!text.empty()) {
    const std::size_t length = text.front() == '\0' ? 0 : characterLength(text);
    readable += length == 0 ? std::string_view("\xEF\xBF\xBD") : text.substr(0, length);
    text.remove_prefix(length == 0 ? 1 : length);
  }
  return readable;
}

}  // namespace avrelt
