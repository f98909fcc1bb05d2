// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/base64.h"

#include <array>
#include <cstdint>

namespace avrelt {
namespace {

constexpr std::string_view alphabet =
    "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
constexpr std::uint8_t noDigit = 255;

constexpr std::array<std::uint8_t, 256> valuesOf() {
  std::array<std::uint8_t, 256> values{};
  for (std::uint8_t& value : values) value = noDigit;
  for (std::size_t i = 0; i < alphabet.size(); ++i) {
    values[static_cast<unsigned char>(alphabet[i])] = static_cast<std::uint8_t>(i);
  }
  return values;
}
constexpr std::array<std::uint8_t, 256> values = valuesOf();

}  // namespace

std::string base64Of(std::string_view bytes) {
  std::string text;
  text.reserve((bytes.size() + 2) / 3 * 4);
  for (std::size_t i = 0; i < bytes.size(); i += 3) {
    const std::size_t left = bytes.size() - i;
    const auto byte = [&](std::size_t k) -> std::uint32_t {
      return k < left ? static_cast<unsigned char>(bytes[i + k]) : 0;
    };
    const std::uint32_t three = byte(0) << 16U | byte(1) << 8U | byte(2);
    text += alphabet[three >> 18U & 63U];
    text += alphabet[three >> 12U & 63U];
    text += left > 1 ? alphabet[three >> 6U & 63U] : '=';
    text += left > 2 ? alphabet[three & 63U] : '=';
  }
  return text;
}

std::optional<std::string> fromBase64(std::string_view text) {
  std::string bytes;
  bytes.reserve(text.size() / 4 * 3);
  std::uint32_t four = 0;
  int held = 0;
  int padding = 0;
  for (const char c : text) {
    if (c == ' ' || c == '\n' || c == '\r' || c == '\t') continue;
    if (c == '=') {
      ++padding;
      continue;
    }
    const std::uint8_t value = values[static_cast<unsigned char>(c)];
    if (value == noDigit || padding > 0) return std::nullopt;
    four = four << 6U | value;
    if (++held < 4) continue;
    bytes += static_cast<char>(four >> 16U & 255U);
    bytes += static_cast<char>(four >> 8U & 255U);
    bytes += static_cast<char>(four & 255U);
    four = 0;
    held = 0;
  }
  if (held == 1 || (held == 0 ? padding != 0 : held + padding != 4)) return std::nullopt;
  if (held >= 2) bytes += static_cast<char>(four >> (held == 2 ? 4U : 10U) & 255U);
  if (held == 3) bytes += static_cast<char>(four >> 2U & 255U);
  return bytes;
}

}  // namespace avrelt
