// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_content.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace avrelt {

void PdfContent::number(double value, int decimals) {
  static constexpr std::array<double, 7> powers{1, 10, 100, 1e3, 1e4, 1e5, 1e6};
  constexpr double most = 1e9;  // beyond any page
  const double bounded = std::isnan(value) ? 0 : std::clamp(value, -most, most);
  // Whole numbers are printed many times faster than others.
  long long whole = std::llround(bounded * powers.at(static_cast<std::size_t>(decimals)));
  if (whole < 0) {
    text_ += '-';
    whole = -whole;
  }
  std::array<char, 32> digits{};
  const auto end = std::to_chars(digits.data(), digits.data() + digits.size(), whole);
  const std::string_view written(digits.data(), static_cast<std::size_t>(end.ptr - digits.data()));
  const auto after = static_cast<std::size_t>(decimals);
  if (written.size() <= after) {
    text_ += '0';
    fraction(written, after - written.size());
  } else {
    text_ += written.substr(0, written.size() - after);
    fraction(written.substr(written.size() - after), 0);
  }
  text_ += ' ';
}

void PdfContent::fraction(std::string_view digits, std::size_t zeros) {
  const std::size_t last = digits.find_last_not_of('0');
  if (last == std::string_view::npos) return;
  text_ += '.';
  text_.append(zeros, '0');
  text_ += digits.substr(0, last + 1);
}

void PdfContent::place(Point p) {
  number(p.x);
  number(p.y);
}

void PdfContent::map(const Transform& transform) {
  for (const double share : {transform.a, transform.b, transform.c, transform.d}) number(share, 6);
  place({transform.e, transform.f});
}

void PdfContent::hex(unsigned value) {
  constexpr std::string_view digits = "0123456789ABCDEF";
  for (const unsigned shift : {12U, 8U, 4U, 0U}) text_ += digits[(value >> shift) & 0xFU];
}

void PdfContent::say(std::string_view words) {
  text_ += words;
  text_ += '\n';
}

}  // namespace avrelt
