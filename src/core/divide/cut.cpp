// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/cut.h"

#include <cmath>

namespace avrelt {

Sentence cutName(const Cut& cut) {
  const auto many = [](const char* one, const char* more, std::size_t count) {
    if (count == 1) return Sentence{one, {}};
    return Sentence{more, {static_cast<long>(count)}};
  };
  switch (cut.kind) {
    case CutKind::rings:
      if (cut.by == CutBy::equal) {
        return {"%1 equal bands", {static_cast<long>(cut.count)}};
      }
      if (cut.by == CutBy::widths) return many("1 band", "%1 bands", cut.widths.size());
      if (cut.by == CutBy::spacers) return {"tape and spacer", {}};
      return many("1 ring", "%1 rings", cut.places.size());
    case CutKind::uprights:
      if (cut.by == CutBy::equal) {
        return {"%1 equal uprights", {static_cast<long>(cut.count)}};
      }
      if (cut.by == CutBy::widths) return many("1 part", "%1 parts round", cut.widths.size());
      return many("1 upright", "%1 uprights", cut.angles.size());
    case CutKind::vee:
      return many("V", "%1 V's", static_cast<std::size_t>(cut.repeat));
    case CutKind::slant:
      return {"slant", {}};
    case CutKind::wave:
      break;
  }
  return cut.zigzag ? Sentence{"zigzag", {}} : Sentence{"wave", {}};
}

double luminanceOf(const std::string& colour) {
  if (colour.size() != 7 || colour[0] != '#') return 0.5;
  double channels[3];
  for (std::size_t i = 0; i < 3; ++i) {
    int value = 0;
    for (std::size_t j = 0; j < 2; ++j) {
      const char c = colour[1 + 2 * i + j];
      const int digit = c >= '0' && c <= '9'   ? c - '0'
                        : c >= 'a' && c <= 'f' ? c - 'a' + 10
                        : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                               : -1;
      if (digit < 0) return 0.5;
      value = value * 16 + digit;
    }
    const double share = value / 255.0;
    channels[i] = share <= 0.04045 ? share / 12.92 : std::pow((share + 0.055) / 1.055, 2.4);
  }
  return 0.2126 * channels[0] + 0.7152 * channels[1] + 0.0722 * channels[2];
}

}  // namespace avrelt
