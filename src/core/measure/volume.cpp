// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/volume.h"

#include <charconv>
#include <cmath>

#include "measure/tape.h"

namespace avrelt {
namespace {

constexpr Volume most = Volume::ml(5000);

tl::unexpected<Fault> notAVolume(std::string_view text) {
  return refuse({}, "“%1” is not an amount. Type it in ml or fl oz, such as 30 ml.",
                {std::string(text.substr(0, 40))});
}

}  // namespace

Checked<Volume> parseVolume(std::string_view text) {
  std::string plain(text);
  for (char& c : plain) {
    if (c == ',') c = '.';
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  }
  const std::size_t begin = plain.find_first_not_of(' ');
  if (begin == std::string::npos) return notAVolume(text);
  const char* const end = plain.data() + plain.size();
  double number = 0;
  const auto read = std::from_chars(plain.data() + begin, end, number, std::chars_format::fixed);
  if (read.ec != std::errc() || !std::isfinite(number)) return notAVolume(text);

  std::string unit;
  for (const char* c = read.ptr; c != end; ++c) {
    if (*c != ' ' && *c != '.') unit += *c;
  }
  Volume volume;
  if (unit.empty() || unit == "ml") {
    volume = Volume::ml(number);
  } else if (unit == "floz" || unit == "oz") {
    volume = Volume::fluidOunces(number);
  } else {
    return notAVolume(text);
  }
  if (!(volume >= Volume() && volume <= most)) {
    return refuse({}, "“%1” is out of range. An amount goes from 0 to 5000 ml.",
                  {std::string(text.substr(0, 40))});
  }
  return volume;
}

std::string volumeText(Volume volume) {
  // Digits as a millimetre's; only the unit behind them differs.
  std::string text = decimalText(Length::mm(volume.ml()), Unit::mm, 1);
  text.resize(text.size() - 2);
  return text + "ml";
}

}  // namespace avrelt
