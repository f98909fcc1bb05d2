// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/cut.h"

#include "measure/colour.h"

namespace avrelt {

namespace {

Sentence many(const char* one, const char* more, std::size_t count) {
  if (count == 1) return Sentence{one, {}};
  return Sentence{more, {static_cast<long>(count)}};
}

Sentence nameOf(const RingCut& cut) {
  switch (cut.by) {
    case CutBy::equal:
      return {"%1 equal bands", {static_cast<long>(cut.count)}};
    case CutBy::widths:
      return many("1 band", "%1 bands", cut.widths.size());
    case CutBy::spacers:
      return {"tape and spacer", {}};
    case CutBy::places:
      break;
  }
  return many("1 ring", "%1 rings", cut.places.size());
}

Sentence nameOf(const UprightCut& cut) {
  if (cut.by == CutBy::equal) return {"%1 equal uprights", {static_cast<long>(cut.count)}};
  if (cut.by == CutBy::widths) return many("1 part", "%1 parts round", cut.widths.size());
  return many("1 upright", "%1 uprights", cut.angles.size());
}

Sentence nameOf(const VeeCut& cut) {
  return many("V", "%1 V's", static_cast<std::size_t>(cut.repeat));
}

Sentence nameOf(const SlantCut& /*cut*/) {
  return {"slant", {}};
}

Sentence nameOf(const WaveCut& cut) {
  return cut.zigzag ? Sentence{"zigzag", {}} : Sentence{"wave", {}};
}

}  // namespace

Sentence cutName(const Cut& cut) {
  return std::visit([](const auto& how) { return nameOf(how); }, cut.how);
}

std::optional<CutBy> placedBy(const Cut& cut) {
  if (const auto* rings = std::get_if<RingCut>(&cut.how)) return rings->by;
  if (const auto* uprights = std::get_if<UprightCut>(&cut.how)) return uprights->by;
  return std::nullopt;
}

std::string finishWords(const Finish& finish) {
  return finish.name.empty() ? colourInWords(finish.colour) : finish.name;
}

}  // namespace avrelt
