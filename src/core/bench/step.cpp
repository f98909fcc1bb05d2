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
    case StepKind::sand:
      return {Caution::dust};
    case StepKind::warm:
      return {Caution::heat};
    case StepKind::lamp:
      return {Caution::lamp};
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
  static constexpr std::array<const char*, stepKinds> names{
      "clean", "mark", "measure", "coat", "tape",    "cover", "paint", "stick", "glitter",
      "pull",  "seal", "pattern", "film", "stencil", "peel",  "ring",  "decal", "stripe",
      "wrap",  "base", "rim",     "cure", "fill",    "sand",  "warm",  "lamp"};
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
    case Caution::ink:
      return {"Alcohol and other solvents make ink run, also when it is dry: keep them off it.",
              {}};
    case Caution::lamp:
      return {"Wear eye shields at the UV lamp.", {}};
    case Caution::blade:
      return {"Cut away from your hand.", {}};
    case Caution::heat:
      return {
          "Torches, heat guns and presses burn: keep your hands, and all that burns, away, and "
          "give no more heat than the maker names.",
          {}};
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

Sentence reasonOf(const Step& step) {
  if (step.own) return {"You put it in.", {}};
  switch (step.kind) {
    case StepKind::clean:
      return {"Grease and gloss keep everything else from holding.", {}};
    case StepKind::mark:
      return {"Every line is found from the front mark; it cannot be found again under a coat.",
              {}};
    case StepKind::measure:
      return {"Coats have made the cup larger: what is cut for the bare cup would not meet.", {}};
    case StepKind::coat:
      return {"A coat of the stack: it hides, holds or levels what lies below it.", {}};
    case StepKind::tape:
      return {"Tape guards what lies beside the zone that is filled next.", {}};
    case StepKind::cover:
      return {"What is not filled now is covered, or it catches what is.", {}};
    case StepKind::paint:
      return {"Glitter shows gaps: paint of its colour below them hides the metal.", {}};
    case StepKind::stick:
      return {"Glitter needs something wet to stick in.", {}};
    case StepKind::glitter:
      return {"It goes on while what it sticks in is wet.", {}};
    case StepKind::pull:
      return {"Tape comes off before what it guards against sets; later it tears the edge.", {}};
    case StepKind::seal:
      return {"A sealer keeps glitter from coming loose, and inks from bubbling under resin.", {}};
    case StepKind::pattern:
      return {"The whole template lies before the first cell is lifted, so that all lines meet.",
              {}};
    case StepKind::film:
      return {"Film goes on before what is laid over its edges.", {}};
    case StepKind::stencil:
      return {"It keeps what lies below from being covered.", {}};
    case StepKind::peel:
      return {"Nearly dry it lifts cleanly; under resin it would stay for good.", {}};
    case StepKind::ring:
      return {"A ring hides the edge that the stencil left.", {}};
    case StepKind::decal:
      return {"It is laid once what it lies on is smooth and set.", {}};
    case StepKind::stripe:
      return {"A stripe hides the line where two finishes meet.", {}};
    case StepKind::wrap:
      return {"It goes round once nothing else changes how large the cup is.", {}};
    case StepKind::base:
      return {"It is what is forgotten most often; resin then seals its edge.", {}};
    case StepKind::rim:
      return {"Lips touch it: nothing may stay on it.", {}};
    case StepKind::sand:
      return {"Gloss keeps the next coat from holding, and what is laid on a bump shows it.", {}};
    case StepKind::warm:
      return {"Bubbles rise for a while; what is not warmed out now sets as it is.", {}};
    case StepKind::lamp:
      return {"It never sets by itself.", {}};
    case StepKind::fill:
      return {"A seam that leaks is found before work is spent on the outside.", {}};
    case StepKind::cure:
      break;
  }
  return {"Before it has cured it can be dented, and heat would soften it.", {}};
}

TaskChain chainOf(const std::string& cup, const std::vector<Step>& steps, CivilTime zero) {
  TaskChain chain;
  chain.name = cup;
  for (const Step& step : steps) {
    Task task{step.id, step.handsOn, step.wait, 0, step.holds, step.spot};
    if (step.notBefore) task.notBefore = between(zero, *step.notBefore);
    chain.tasks.push_back(std::move(task));
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
