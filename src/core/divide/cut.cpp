// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/cut.h"

#include "measure/colour.h"

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

std::string finishWords(const Finish& finish) {
  return finish.name.empty() ? colourInWords(finish.colour) : finish.name;
}

}  // namespace avrelt
