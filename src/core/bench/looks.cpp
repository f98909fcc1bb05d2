// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/looks.h"

#include <cmath>

#include "measure/minutes.h"

namespace avrelt {
namespace {

/// "Bubbles, bare spots, ridges": of a coat that levels.
Look lookAtResin(const Method& resin) {
  const MendingStep sand{{"Sand it level, wet, and wipe it clean and dry.", {}}, min(10)};
  const MendingStep again{
      {"Flood it again, thinly: some 15 ml of resin, spread to the edges. Warm the bubbles out.",
       {}},
      resin.handsOn,
      resin.next};
  return {
      {"Is it level, without bubbles, bare spots or ridges?", {}},
      {{"bubbles",
        {"Bubbles", {}},
        {"While it is wet, warm it for a moment, never near wet ink, paint or a solvent. Once it "
         "has set, sand and coat again.",
         {}},
        {sand, again}},
       {"bare_spots",
        {"Bare spots", {}},
        {"Resin draws back from grease. Once it has set, sand, clean with alcohol, and coat "
         "again.",
         {}},
        {sand, again}},
       {"ridges",
        {"Ridges or runs", {}},
        {"Let it set, then file and sand them level; a thin coat brings the gloss back.", {}},
        {sand, again}},
       {"sticky",
        {"Still sticky", {}},
        {"Mixed wrong or cold: wait as long again in a warm room. Where it stays sticky, scrape "
         "that coat off; never coat over it.",
         {}},
        {{{"Wait, warmer, and feel whether it has set.", {}}, min(2), {resin.next.least}}}}}};
}

}  // namespace

std::optional<Look> lookAfter(const Step& step, const Methods& methods) {
  if (step.own) return std::nullopt;
  switch (step.kind) {
    case StepKind::clean:
      return Look{
          {"Does water run off it as one film, without beads?", {}},
          {{"beads",
            {"It beads", {}},
            {"There is grease: wash it again, and wipe it with alcohol.", {}},
            {{{"Wash it again, wipe it with alcohol, and let it dry.", {}}, min(5), {min(10)}}}}}};
    case StepKind::coat:
      if (step.method == MethodKind::resin || step.method == MethodKind::fastResin) {
        return lookAtResin(methods.of(*step.method));
      }
      if (step.method == MethodKind::paint) {
        return Look{{"Is it even, without streaks, and does no metal show?", {}},
                    {{"streaks",
                      {"Streaks, or metal shows", {}},
                      {"Another thin coat once this is dry; a thick one runs.", {}},
                      {{{"Paint it again, thinly, across the first strokes.", {}},
                        methods.of(MethodKind::paint).handsOn,
                        methods.of(MethodKind::paint).next}}}}};
      }
      [[fallthrough]];
    case StepKind::glitter:
      return Look{
          {"Is it covered, edge to edge, and does nothing stand up?", {}},
          {{"bare_spots",
            {"Bare spots", {}},
            {"Dab on what it is stuck with, only there, and shake again.", {}},
            {{{"Dab glue on the bare spots and shake glitter over them again.", {}},
              min(8),
              step.wait}}},
           {"sharp",
            {"Something spots up, or is sharp", {}},
            {"Once it has set, press it down with a smooth round tool, or sand it lightly: a "
             "foil edge cuts.",
             {}},
            {{{"Burnish it in circles, then sand lightly what still spots up.", {}}, min(6)}}}}};
    case StepKind::paint:
      return Look{{"Is it even, without streaks, and does nothing show through?", {}},
                  {{"streaks",
                    {"Streaks, or it shows through", {}},
                    {"Another thin coat once this is dry.", {}},
                    {{{"Paint it again, thinly.", {}}, step.handsOn, step.wait}}}}};
    case StepKind::seal:
      return Look{{"Is it clear by now?", {}},
                  {{"milky",
                    {"Milky", {}},
                    {"It is not dry. Wait; coated over, it stays milky.", {}},
                    {{{"Wait until the sealer is clear, and look again.", {}}, min(1), {min(30)}}}},
                   {"streaks",
                    {"Streaks", {}},
                    {"A second coat across the first.", {}},
                    {{{"Brush on a second coat of sealer, across the first.", {}},
                      step.handsOn,
                      step.wait}}}}};
    case StepKind::pull:
      return Look{
          {"Is the edge clean?", {}},
          {{"ran_under",
            {"Something ran under the tape", {}},
            {"While it is wet: off resin with alcohol on a swab; off bare steel with "
             "acetone. Never acetone on paint, film or set resin, and no flame near either.",
             {}},
            {{{"Clean the edge with a swab, from the line outwards.", {}}, min(5)}}},
           {"torn_edge",
            {"The edge tore", {}},
            {"It had set. Cut along the line with a new blade and touch the edge up; a "
             "stripe hides the rest.",
             {}},
            {{{"Cut the torn edge straight, and touch it up with a fine brush.", {}},
              min(10),
              step.wait}}}}};
    case StepKind::film:
    case StepKind::wrap:
    case StepKind::decal:
    case StepKind::stripe:
    case StepKind::ring:
      return Look{
          {"Does it lie flat, without bubbles, and is every edge down?", {}},
          {{"creases",
            {"Bubbles or a crease", {}},
            {"Prick it at its edge, press the air out towards it; lift a crease and lay it "
             "again before it holds.",
             {}},
            {{{"Prick the bubbles, press them flat, and warm the film a little.", {}}, min(4)}}},
           {"rough_below",
            {"What lies below is not smooth", {}},
            {"Take it off, sand, coat thinly, and lay a new one.", {}},
            {{{"Take it off, sand the place smooth, and clean it.", {}}, min(12)},
             {{"Lay a new one.", {}}, step.handsOn, step.wait}}}}};
    case StepKind::fill:
      // Poured in, the mix is looked at; sealed, the seam.
      if (!step.mix.empty()) {
        return Look{
            {"Does the glitter fall as slowly as you want?", {}},
            {{"falls_fast",
              {"It falls too fast", {}},
              {"More glycerin holds it up longer.", {}},
              {{{"Draw some of the liquid out, and put as much glycerin in.", {}}, min(8)}}}}};
      }
      return Look{
          {"Is the paper dry that it stood on, and the seam all round?", {}},
          {{"leaks",
            {"It leaks", {}},
            {"Empty it to below the leak, dry the seam and seal it once more.", {}},
            {{{"Draw liquid out, dry the seam, seal it, and stand it on its head again.", {}},
              min(15),
              step.wait}}}}};
    case StepKind::rim:
      return Look{{"Is nothing left on the rim, and is nothing sharp?", {}},
                  {{"sharp_rim",
                    {"Something is left, or sharp", {}},
                    {"Scrape it off along the rim, never towards the lip, and sand the edge.", {}},
                    {{{"Scrape the rim clean, sand its edge smooth, and wash it.", {}}, min(8)}}}}};
    default:
      return std::nullopt;
  }
}

std::optional<Sentence> faultWords(const std::string& fault) {
  // Asked of the looks themselves, so that no fault is without words.
  const Methods methods;
  const auto wordsIn = [&](const Step& step) -> std::optional<Sentence> {
    const std::optional<Look> look = lookAfter(step, methods);
    if (!look) return std::nullopt;
    for (const Remedy& remedy : look->remedies) {
      if (fault == remedy.fault) return remedy.wrong;
    }
    return std::nullopt;
  };
  for (std::size_t kind = 0; kind < stepKinds; ++kind) {
    Step step;
    step.kind = static_cast<StepKind>(kind);
    for (const std::optional<MethodKind> method :
         {std::optional<MethodKind>(), std::optional(MethodKind::resin),
          std::optional(MethodKind::paint)}) {
      step.method = method;
      if (std::optional<Sentence> words = wordsIn(step)) return words;
    }
    step.method.reset();
    step.mix.parts.resize(1);
    if (std::optional<Sentence> words = wordsIn(step)) return words;
  }
  return std::nullopt;
}

Sentence ifDoneAfter(const Step& before, Duration waited) {
  const auto minutes = [](Duration duration) {
    return static_cast<long>(std::lround(duration.minutes()));
  };
  const Wait& wait = before.wait;
  if (waited < wait.least) {
    const Duration left = wait.least - waited;
    switch (before.kind) {
      case StepKind::seal:
        return {"Too soon by %1 min: the sealer is milky yet, and stays so under a coat.",
                {minutes(left)}};
      case StepKind::coat:
      case StepKind::glitter:
      case StepKind::pull:
        return {
            "Too soon by %1 min: it has not set. What goes over it sinks in, and it comes off on "
            "the hand.",
            {minutes(left)}};
      case StepKind::paint:
        return {"Too soon by %1 min: the paint is wet; tape would lift it, resin would crater.",
                {minutes(left)}};
      default:
        return {"Too soon by %1 min: it has not dried.", {minutes(left)}};
    }
  }
  if (wait.most && waited > *wait.most) {
    const Duration past = waited - *wait.most;
    switch (before.kind) {
      case StepKind::glitter:
      case StepKind::stick:
        return {
            "Too late by %1 min: it has set. Tape tears its edge, and glitter no longer sticks. "
            "Cut along the tape, or brush and shake again.",
            {minutes(past)}};
      case StepKind::paint:
        return {
            "Too late by %1 min: the paint is hard, and tape takes flakes of it along. Cut along "
            "the tape first.",
            {minutes(past)}};
      case StepKind::coat:
        return {"Too late by %1 min: it is too hard for the next coat to grip. Sand it dull first.",
                {minutes(past)}};
      default:
        return {"Too late by %1 min.", {minutes(past)}};
    }
  }
  if (wait.most) {
    return {"In time, with %1 min left.", {minutes(*wait.most - waited)}};
  }
  return {"In time: it may wait as long as you like.", {}};
}

}  // namespace avrelt
