// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/step.h"

#include <array>
#include <map>
#include <set>

namespace avrelt {
namespace {

/// What a step of a kind may do to somebody.
std::vector<Caution> concernsOf(const Step& step) {
  switch (step.kind) {
    case StepKind::clean:
      return {Caution::dust};
    case StepKind::film:
    case StepKind::wrap:
    case StepKind::base:
      return {Caution::blade};
    case StepKind::rim:
      return {Caution::lip};
    default:
      return {};
  }
}

}  // namespace

const char* stepName(StepKind kind) {
  static constexpr std::array<const char*, 22> names{
      "clean",   "mark",   "measure", "coat",    "tape", "cover",   "paint", "stick",
      "glitter", "pull",   "seal",    "pattern", "film", "stencil", "peel",  "ring",
      "decal",   "stripe", "wrap",    "base",    "rim",  "cure"};
  return names[static_cast<std::size_t>(kind)];
}

Sentence cautionWords(Caution caution) {
  switch (caution) {
    case Caution::dust:
      return {"Sand wet, or wear a particle mask; eye protection with rotary tools.", {}};
    case Caution::resin:
      return {
          "Uncured resin sensitises skin and lungs: nitrile gloves, fresh air, and the "
          "respirator its safety data sheet names.",
          {}};
    case Caution::spray:
      return {"Spray outdoors or in extraction, away from flame and heat guns.", {}};
    case Caution::solvent:
      return {"No flame, heat gun or sparks near ink, alcohol, acetone or wet paint.", {}};
    case Caution::lamp:
      return {"Wear eye shields at the UV lamp.", {}};
    case Caution::blade:
      return {"Cut away from your hand.", {}};
    case Caution::lip:
      break;
  }
  return {
      "Keep resin, paint and glitter off the drinking lip and the inside. Whether a cup is fit "
      "to drink from is for the resin maker’s data sheet and your local rules to say.",
      {}};
}

void putInOrder(std::vector<Step>& steps) {
  std::map<std::string, int> ids;
  std::set<Caution> told;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    Step& step = steps[i];
    if (const int count = ++ids[step.id]; count > 1) step.id += "-" + std::to_string(count);
    step.after.clear();
    if (i > 0) step.after.push_back(steps[i - 1].id);
    std::vector<Caution> concerns = concernsOf(step);
    concerns.insert(concerns.end(), step.cautions.begin(), step.cautions.end());
    step.cautions.clear();
    for (const Caution caution : concerns) {
      if (told.insert(caution).second) step.cautions.push_back(caution);
    }
  }
}

TaskChain chainOf(const std::string& cup, const std::vector<Step>& steps) {
  TaskChain chain{cup, {}};
  for (const Step& step : steps) {
    chain.tasks.push_back({step.id, step.handsOn, step.wait, 0, step.onTurner});
  }
  return chain;
}

Duration atLeast(const std::vector<Step>& steps) {
  Duration sum;
  for (const Step& step : steps) sum = sum + step.handsOn + step.wait.least;
  return sum;
}

Duration handsOn(const std::vector<Step>& steps) {
  Duration sum;
  for (const Step& step : steps) sum = sum + step.handsOn;
  return sum;
}

}  // namespace avrelt
