// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/length_text.h"

#include <array>
#include <charconv>
#include <cmath>
#include <optional>

#include "measure/tape.h"

namespace avrelt {
namespace {

struct Glyph {
  std::string_view utf8;
  std::string_view plain;
};

// Characters that stand for something a keyboard spells differently. A vulgar fraction carries a
// blank before it, so that 9⅜ reads as 9 3/8.
constexpr std::array<Glyph, 30> glyphs{{
    {"¼", " 1/4"}, {"½", " 1/2"}, {"¾", " 3/4"},   {"⅛", " 1/8"},   {"⅜", " 3/8"},   {"⅝", " 5/8"},
    {"⅞", " 7/8"}, {"⅓", " 1/3"}, {"⅔", " 2/3"},   {"⅕", " 1/5"},   {"⅖", " 2/5"},   {"⅗", " 3/5"},
    {"⅘", " 4/5"}, {"⅙", " 1/6"}, {"⅚", " 5/6"},   {"⅐", " 1/7"},   {"⅑", " 1/9"},   {"⅒", " 1/10"},
    {"⁄", "/"},    {"∕", "/"},    {"−", "-"},      {"–", "-"},      {"″", "\""},     {"”", "\""},
    {"“", "\""},   {"''", "\""},  {"\u00a0", " "}, {"\u202f", " "}, {"\u2009", " "}, {"\t", " "},
}};

std::string plainSpelling(std::string_view text) {
  std::string plain;
  while (!text.empty()) {
    bool replaced = false;
    for (const Glyph& glyph : glyphs) {
      if (text.substr(0, glyph.utf8.size()) == glyph.utf8) {
        plain += glyph.plain;
        text.remove_prefix(glyph.utf8.size());
        replaced = true;
        break;
      }
    }
    if (!replaced) {
      plain += text.front();
      text.remove_prefix(1);
    }
  }
  return plain;
}

bool isDigit(char c) {
  return c >= '0' && c <= '9';
}

void skipBlanks(std::string_view& text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
}

/// The digits at the front of `text`, taken off it.
std::string_view takeDigits(std::string_view& text) {
  std::size_t count = 0;
  while (count < text.size() && isDigit(text[count])) ++count;
  const std::string_view digits = text.substr(0, count);
  text.remove_prefix(count);
  return digits;
}

/// The value of a string of digits with at most one decimal point. Values too large for a double
/// come back as infinity, which the range check then refuses.
double valueOf(std::string_view digits) {
  double value = 0;
  const auto read = std::from_chars(digits.data(), digits.data() + digits.size(), value);
  if (read.ec == std::errc::result_out_of_range) return HUGE_VAL;
  return value;
}

std::optional<double> mmPer(std::string_view unitText, Unit fallback) {
  if (unitText.empty()) return fallback == Unit::inch ? Length::mmPerInch : 1.0;
  if (unitText == "in" || unitText == "inch" || unitText == "inches" || unitText == "\"") {
    return Length::mmPerInch;
  }
  if (unitText == "mm") return 1.0;
  if (unitText == "cm") return 10.0;
  return std::nullopt;
}

std::string lowerAscii(std::string_view text) {
  std::string lower(text);
  for (char& c : lower) {
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  }
  return lower;
}

/// Long or odd input is quoted short, so that the sentence stays one line.
std::string quoted(std::string_view text) {
  constexpr std::size_t longest = 40;
  if (text.size() <= longest) return std::string(text);
  std::size_t cut = longest;
  while (cut > 0 && (static_cast<unsigned char>(text[cut]) & 0xC0U) == 0x80U) --cut;
  return std::string(text.substr(0, cut)) + "…";
}

tl::unexpected<Fault> notALength(std::string_view text) {
  return refuse({},
                "“%1” is not a length. Type it as a tape reads: 9 3/8, 9.375 in, 238 mm or "
                "23.8 cm.",
                {quoted(text)});
}

/// The number at the front of `rest`, which is taken off it; nothing where none stands there.
Checked<double> takeNumber(std::string_view& rest, std::string_view whole) {
  const std::string_view leading = takeDigits(rest);
  std::string number(leading);

  if (!rest.empty() && (rest.front() == '.' || rest.front() == ',')) {
    rest.remove_prefix(1);
    const std::string_view decimals = takeDigits(rest);
    if (leading.empty() && decimals.empty()) return notALength(whole);
    return valueOf((leading.empty() ? "0" : number) + "." + std::string(decimals));
  }
  if (leading.empty()) return notALength(whole);

  // A whole number, the upper half of a fraction, or a whole number before a fraction.
  double value = valueOf(leading);
  std::string_view ahead = rest;
  skipBlanks(ahead);
  if (!ahead.empty() && ahead.front() == '-') {
    ahead.remove_prefix(1);
    skipBlanks(ahead);
    if (ahead.empty() || !isDigit(ahead.front())) return notALength(whole);
  }
  double wholePart = 0;
  double upper = value;
  if (!ahead.empty() && isDigit(ahead.front())) {
    wholePart = value;
    upper = valueOf(takeDigits(ahead));
    skipBlanks(ahead);
    if (ahead.empty() || ahead.front() != '/') return notALength(whole);
  }
  if (ahead.empty() || ahead.front() != '/') return value;

  ahead.remove_prefix(1);
  skipBlanks(ahead);
  const std::string_view below = takeDigits(ahead);
  if (below.empty()) return notALength(whole);
  const double lower = valueOf(below);
  if (lower == 0) {
    return refuse({}, "“%1” divides by zero. Write the fraction with 2, 4, 8, 16 or 32 below.",
                  {quoted(whole)});
  }
  skipBlanks(ahead);
  if (!ahead.empty() && ahead.front() == '/') {
    return refuse({}, "“%1” has one stroke too many. Write one fraction, such as 9 3/8.",
                  {quoted(whole)});
  }
  rest = ahead;
  return wholePart + upper / lower;
}

}  // namespace

Checked<Length> parseLength(std::string_view text, Unit unit) {
  const std::string plain = plainSpelling(text);
  std::string_view rest = plain;
  skipBlanks(rest);
  while (!rest.empty() && rest.back() == ' ') rest.remove_suffix(1);
  if (rest.empty()) {
    return refuse({}, "No length is given. Type it as a tape reads: 9 3/8, 238 mm or 23.8 cm.");
  }

  const bool negative = rest.front() == '-';
  if (negative || rest.front() == '+') rest.remove_prefix(1);
  skipBlanks(rest);

  const Checked<double> number = takeNumber(rest, text);
  if (!number) return tl::unexpected(number.error());

  skipBlanks(rest);
  std::string unitText = lowerAscii(rest);
  if (unitText.size() > 1 && unitText.back() == '.') unitText.pop_back();  // "in." on a label
  const std::optional<double> scale = mmPer(unitText, unit);
  if (!scale) {
    const bool looksLikeUnit = unitText.find_first_of("0123456789./,-+") == std::string::npos;
    if (!looksLikeUnit) return notALength(text);
    return refuse({}, "“%1” is in no unit known here. Use in, mm or cm.", {quoted(text)});
  }

  const Length length = Length::mm(*number * *scale * (negative ? -1 : 1));
  if (!(abs(length) <= longestLength)) {
    return refuse({}, "“%1” is longer than 10 m. Check the number and its unit.", {quoted(text)});
  }
  return length;
}

Checked<Length> parseSize(std::string_view text, Unit unit) {
  Checked<Length> length = parseLength(text, unit);
  if (length && *length < Length()) {
    return refuse({}, "“%1” is less than nothing. A size is zero or more.", {quoted(text)});
  }
  return length;
}

WrittenLength written(Length length, Unit unit) {
  std::string text = plainText(length, unit);
  const Checked<Length> again = parseLength(text, unit);
  if (!again || *again != length) text.clear();
  return {length, std::move(text)};
}

Checked<WrittenLength> writtenSize(std::string_view text, Unit unit) {
  const Checked<Length> size = parseSize(text, unit);
  if (!size) return tl::unexpected(size.error());
  return writtenOffset(text, unit);
}

Checked<WrittenLength> writtenOffset(std::string_view text, Unit unit) {
  const Checked<Length> length = parseLength(text, unit);
  if (!length) return tl::unexpected(length.error());
  std::string kept(text.substr(text.find_first_not_of(' ')));
  kept.erase(kept.find_last_not_of(' ') + 1);
  const Unit other = unit == Unit::inch ? Unit::mm : Unit::inch;
  const Checked<Length> otherwise = parseLength(kept, other);
  const bool namesItsUnit = otherwise && *otherwise == *length && *length != Length();
  if (!namesItsUnit) kept += unit == Unit::inch ? " in" : " mm";
  const Checked<Length> again = parseLength(kept, other);
  if (!again || *again != *length) return written(*length, unit);
  return WrittenLength{*length, std::move(kept)};
}

}  // namespace avrelt
