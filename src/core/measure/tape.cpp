// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/tape.h"

#include <array>
#include <charconv>
#include <cmath>
#include <numeric>

namespace avrelt {
namespace {

const char* symbol(Unit unit) {
  return unit == Unit::inch ? "in" : "mm";
}

std::string fixedDigits(double value, int decimals) {
  // 238.125 mm may be held a hair below itself; people round a five up.
  value *= 1 + 1e-12;
  std::array<char, 512> buffer{};
  const auto written = std::to_chars(buffer.data(), buffer.data() + buffer.size(), value,
                                     std::chars_format::fixed, decimals);
  std::string text(buffer.data(), written.ptr);
  if (text.find('.') != std::string::npos) {
    text.erase(text.find_last_not_of('0') + 1);
    if (text.back() == '.') text.pop_back();
  }
  return text == "-0" ? "0" : text;
}

/// `count` marks of 1/`denominator` inch, reduced.
std::string fractionText(long long count, long long denominator) {
  const std::string sign = count < 0 ? "-" : "";
  count = std::abs(count);
  const long long whole = count / denominator;
  const long long rest = count % denominator;
  if (rest == 0) return sign + std::to_string(whole) + " in";
  const long long common = std::gcd(rest, denominator);
  const std::string fraction =
      std::to_string(rest / common) + "/" + std::to_string(denominator / common) + " in";
  return whole == 0 ? sign + fraction : sign + std::to_string(whole) + " " + fraction;
}

long long marksPerInch(Graduation graduation) {
  switch (graduation) {
    case Graduation::eighth:
      return 8;
    case Graduation::sixteenth:
      return 16;
    case Graduation::thirtySecond:
      return 32;
    case Graduation::millimetre:
      break;
  }
  return 0;
}

double marksIn(Length length, Graduation graduation) {
  if (graduation == Graduation::millimetre) return std::round(length.mm());
  return std::round(length.inches() * static_cast<double>(marksPerInch(graduation)));
}

Length atMark(double count, Graduation graduation) {
  if (graduation == Graduation::millimetre) return Length::mm(count);
  return Length::inches(count / static_cast<double>(marksPerInch(graduation)));
}

}  // namespace

Length step(Graduation graduation) {
  return atMark(1, graduation);
}

Graduation usualGraduation(Unit unit) {
  return unit == Unit::inch ? Graduation::sixteenth : Graduation::millimetre;
}

Length nearestMark(Length length, Graduation graduation) {
  return atMark(marksIn(length, graduation), graduation);
}

TapeReading readTape(Length length, Graduation graduation) {
  const double count = marksIn(length, graduation);
  TapeReading reading;
  reading.mark = atMark(count, graduation);
  reading.error = reading.mark - length;
  reading.text = graduation == Graduation::millimetre
                     ? fixedDigits(count, 0) + " mm"
                     : fractionText(std::llround(count), marksPerInch(graduation));
  return reading;
}

std::string decimalText(Length length, Unit unit, int decimals) {
  const double value = unit == Unit::inch ? length.inches() : length.mm();
  return fixedDigits(value, decimals) + " " + symbol(unit);
}

std::string plainText(Length length, Unit unit) {
  if (unit == Unit::inch) {
    constexpr double perInch = 64;
    constexpr double tolerance = 0.001;  // mm: far below any blade or tape
    const double count = std::round(length.inches() * perInch);
    if (std::abs(Length::inches(count / perInch).mm() - length.mm()) < tolerance) {
      return fractionText(std::llround(count), static_cast<long long>(perInch));
    }
    return decimalText(length, unit, 3);
  }
  return decimalText(length, unit, 2);
}

std::string tapeText(Length length, Unit unit) {
  if (unit == Unit::mm) return decimalText(length, unit, 1);
  const Length size = abs(length);
  if (size < step(Graduation::thirtySecond)) return decimalText(length, unit, 3);
  const bool small = size < Length::inches(0.5);
  return readTape(length, small ? Graduation::thirtySecond : Graduation::sixteenth).text;
}

std::string errorText(Length error, Unit unit) {
  std::string text = decimalText(error, unit, unit == Unit::inch ? 3 : 1);
  if (text.front() == '-') return "\u2212" + text.substr(1);
  return text.front() == '0' && text.find('.') == std::string::npos ? text : "+" + text;
}

}  // namespace avrelt
