// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/step_words.h"

namespace avrelt {
namespace {

std::string measured(double amount, const char* unit) {
  constexpr double small = 10;
  return numberText(amount, amount < small ? 1 : 0) + unit;
}

}  // namespace

Sentence nameOf(const MixPart& part) {
  const bool known = part.method || !part.of.empty();
  const Sentence of = part.method ? methodTitle(*part.method) : Sentence{"%1", {part.of}};
  switch (part.kind) {
    case MixKind::partA:
      return known ? Sentence{"%1, part A", {of}} : Sentence{"Part A", {}};
    case MixKind::partB:
      return known ? Sentence{"%1, part B", {of}} : Sentence{"Part B", {}};
    case MixKind::resin:
      return known ? of : Sentence{"Resin", {}};
    case MixKind::water:
      return {"Distilled water", {}};
    case MixKind::glycerin:
      return {"Glycerin", {}};
    case MixKind::glitter:
      return known ? Sentence{"Glitter, %1", {of}} : Sentence{"Glitter", {}};
    case MixKind::ink:
      return known ? Sentence{"Ink, %1", {of}} : Sentence{"Ink", {}};
    case MixKind::glue:
      return {"Glue", {}};
    case MixKind::sealer:
      return {"Sealer", {}};
    case MixKind::paint:
      break;
  }
  return known ? Sentence{"Paint, %1", {of}} : Sentence{"Paint", {}};
}

std::string measured(Volume volume) {
  return measured(volume.ml(), " ml");
}
std::string measured(Mass mass) {
  return measured(mass.grams(), " g");
}

std::optional<Sentence> takesWords(const Mix& mix) {
  std::optional<Sentence> all;
  for (const MixPart& part : mix.parts) {
    Sentence one{"%1", {nameOf(part)}};
    if (part.volume) one = {"%1, %2", {one, measured(*part.volume)}};
    if (part.mass) one = {"%1, %2", {one, measured(*part.mass)}};
    all = all ? Sentence{"%1; %2", {*all, one}} : one;
  }
  if (all) all = Sentence{"Takes: %1.", {*all}};
  return all;
}

std::optional<Sentence> waitWords(const Wait& wait) {
  const bool waits = wait.least > Duration();
  if (!wait.most) {
    return waits ? std::optional(Sentence{"Then wait at least %1.", {wait.least}}) : std::nullopt;
  }
  if (waits) return Sentence{"Then wait at least %1, at most %2.", {wait.least, *wait.most}};
  return *wait.most > Duration() ? Sentence{"Go on within %1.", {*wait.most}}
                                 : Sentence{"Go on at once.", {}};
}

std::vector<Sentence> detailsOf(const Step& step) {
  std::vector<Sentence> details;
  for (std::optional<Sentence> one : {takesWords(step.mix), waitWords(step.wait)}) {
    if (one) details.push_back(std::move(*one));
  }
  return details;
}

}  // namespace avrelt
