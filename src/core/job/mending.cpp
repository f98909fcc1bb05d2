// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/mending.h"

#include <algorithm>

#include "job/laid.h"

namespace avrelt {
namespace {

/// Everything that stands by a number of coats, from this one on, by so many more.
void shift(Cup& cup, int from, int by) {
  BuildUp& buildUp = cup.buildUp;
  const auto move = [&](int& after) {
    if (after >= from) after += by;
  };
  move(buildUp.laidAfter);
  for (OwnStage& own : buildUp.laid) move(own.after);
  for (Remeasure& measured : buildUp.measured) move(measured.after);
  for (CutRecord& cut : cup.cuts) move(cut.after);
}

/// No stage of its own is the one everything is laid at.
void tidyStages(BuildUp& buildUp) {
  std::erase_if(buildUp.laid, [&](const OwnStage& own) { return own.after == buildUp.laidAfter; });
}

void coatBetween(Cup& cup, const Mend& mend) {
  BuildUp& buildUp = cup.buildUp;
  const auto at = static_cast<std::size_t>(mend.after);
  if (at > buildUp.coats.size()) return;
  const bool there = at < buildUp.coats.size() && buildUp.coats[at].kind == CoatKind::resin;
  if (!there) {
    Coat coat;
    coat.mixed = mend.amount;
    buildUp.coats.insert(buildUp.coats.begin() + mend.after, std::move(coat));
    shift(cup, mend.after + 1, 1);
  }
  const int later = mend.after + 1;
  if (!mend.of.empty()) {
    for (const std::string& id : mend.of) layAfter(buildUp, id, later);
    return;
  }
  if (buildUp.laidAfter == mend.after) buildUp.laidAfter = later;
  for (OwnStage& own : buildUp.laid) {
    if (own.after == mend.after) own.after = later;
  }
  tidyStages(buildUp);
}

Layer* layerCalled(Cup& cup, const std::string& id) {
  for (DecalSet& set : cup.sets) {
    for (Layer& layer : set.layers) {
      if (layer.id == id) return &layer;
    }
  }
  return nullptr;
}

template <typename Thing, typename Act>
void withCalled(std::vector<Thing>& things, const std::vector<std::string>& ids, const Act& act) {
  for (Thing& thing : things) {
    if (std::find(ids.begin(), ids.end(), thing.id) != ids.end()) act(thing);
  }
}

}  // namespace

void takeCoatOut(Cup& cup, int number) {
  BuildUp& buildUp = cup.buildUp;
  if (number < 1 || number > static_cast<int>(buildUp.coats.size())) return;
  buildUp.coats.erase(buildUp.coats.begin() + number - 1);
  std::erase_if(buildUp.measured,
                [&](const Remeasure& measured) { return measured.after == number; });
  shift(cup, number, -1);
  tidyStages(buildUp);
}

void applyMend(Cup& cup, const Mend& mend) {
  switch (mend.kind) {
    case MendKind::layLater:
      for (const std::string& id : mend.of) layAfter(cup.buildUp, id, mend.after);
      break;
    case MendKind::coatBetween:
      coatBetween(cup, mend);
      break;
    case MendKind::filmUnder:
      cup.wrap.over = WrapOver::under;
      layAfter(cup.buildUp, wrapThing, mend.after);
      break;
    case MendKind::clearFilm:
      cup.wrap.over = WrapOver::clear;
      break;
    case MendKind::noFilmRound:
      cup.wrap.over = WrapOver::none;
      break;
    case MendKind::leaveCoatOut:
      for (std::size_t i = cup.buildUp.coats.size(); i-- > 0;) {
        const std::string& id = cup.buildUp.coats[i].id;
        if (std::find(mend.of.begin(), mend.of.end(), id) == mend.of.end()) continue;
        takeCoatOut(cup, static_cast<int>(i) + 1);
      }
      break;
    case MendKind::mixUsual:
      withCalled(cup.buildUp.coats, mend.of, [&](Coat& coat) { coat.mixed = mend.amount; });
      break;
    case MendKind::paintOver:
      withCalled(cup.sets, mend.of, [](DecalSet& set) {
        if (set.over) return;
        set.over.emplace();
        set.over->kind = FinishKind::paint;
      });
      break;
    case MendKind::holdByGlue:
      withCalled(cup.fills, mend.of, [](Fill& fill) {
        for (CellColour& colour : fill.colours) {
          const bool glitter = colour.finish.kind == FinishKind::glitter;
          if (glitter) colour.finish.stick = Stick::brushGlue;
        }
      });
      break;
    case MendKind::filmThatStays:
      for (const std::string& id : mend.of) {
        if (Layer* layer = layerCalled(cup, id)) layer->material = PartMaterial::permanent;
      }
      break;
  }
}

}  // namespace avrelt
