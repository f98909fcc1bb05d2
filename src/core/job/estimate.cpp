// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/estimate.h"

#include <algorithm>
#include <map>

#include "job/bench_plan.h"
#include "measure/colour.h"

namespace avrelt {
namespace {

/// Each thing once, of both parts of a resin by its method.
void addUnknown(std::vector<MixPart>& unknown, const Step& step, MixPart part) {
  if (step.method && step.working) part.method = step.method;
  part.volume.reset();
  part.mass.reset();
  if (std::find(unknown.begin(), unknown.end(), part) == unknown.end()) {
    unknown.push_back(std::move(part));
  }
}

/// Adds parts up by the film they are cut from, in the order films come up.
class FilmSums {
 public:
  explicit FilmSums(const FilmShelf& shelf) : shelf_(shelf) {}

  void add(const CupPlan& plan, const std::string& purpose, const Part& part) {
    if (part.material == PartMaterial::paper) return;
    const FilmWanted wanted = wantedFor(plan, purpose, part);
    const auto [at, isNew] = byWanted_.try_emplace(wanted, films_.size());
    if (isNew) {
      const ShelfFilm* film = shelf_.likeliest(wanted.kind, wanted.colour);
      if (film != nullptr) {
        at->second = byKey_.try_emplace(film->key, films_.size()).first->second;
      }
      if (at->second == films_.size()) films_.push_back(useOf(wanted, film));
    }
    Area& sum = films_[at->second].area;
    sum = sum + Area::mm2(part.area().mm2() * (part.copies + part.spares));
  }
  const std::vector<FilmUse>& films() const { return films_; }

 private:
  static FilmUse useOf(const FilmWanted& wanted, const ShelfFilm* film) {
    if (film != nullptr) return {film->key, film->name, {}};
    std::string name = inWords(materialTitle(wanted.kind), Unit::mm);
    if (!wanted.colour.empty()) name += ", " + colourInWords(wanted.colour);
    return {0, name, {}};
  }

  const FilmShelf& shelf_;
  std::map<FilmWanted, std::size_t> byWanted_;
  std::map<long long, std::size_t> byKey_;
  std::vector<FilmUse> films_;
};

}  // namespace

CupEstimate estimateOf(const CupPlan& plan, const BenchChoices& bench, const Stock& stock,
                       const SupplyShelf& supplies, const FilmShelf& films,
                       const MoneyRules& rules) {
  CupEstimate estimate;
  const UseReckoning useOf(supplies, stock.filling);
  for (const Step& step : benchSteps(plan, bench, stock).steps) {
    const std::vector<StepDone>& done = plan.of->bench.done;
    const auto was = std::find_if(done.begin(), done.end(),
                                  [&](const StepDone& one) { return one.step == step.id; });
    estimate.worked = estimate.worked + (was == done.end() ? step.handsOn : was->took);
    StepUse use = useOf(step, was == done.end() ? CivilTime() : was->at);
    for (SupplyUse& one : use.of) estimate.uses.push_back(std::move(one));
    for (MixPart& one : use.unknown) addUnknown(estimate.unknown, step, std::move(one));
  }
  FilmSums sums(films);
  for (const Purpose& purpose : purposes()) {
    for (const Part& part : plan.parts(purpose.id)) sums.add(plan, purpose.id, part);
  }
  estimate.films = sums.films();
  estimate.cost = costOf(estimate.uses, estimate.films, estimate.worked, supplies, films, rules);
  estimate.cost.unknown += estimate.unknown.size();
  return estimate;
}

std::vector<FilmNeed> filmNeeds(const std::vector<const CupPlan*>& cups, const FilmShelf& films,
                                double waste) {
  FilmSums sums(films);
  for (const CupPlan* cup : cups) {
    for (const Purpose& purpose : purposes()) {
      for (const PartEntry& entry : entriesOf(*cup, purpose.id)) {
        if (isCut(*cup->of, entry)) continue;
        for (const Part* part : entry.parts) sums.add(*cup, purpose.id, *part);
      }
    }
  }
  std::vector<FilmNeed> needs;
  for (const FilmUse& use : sums.films()) {
    FilmNeed need{use.name, use.film, Area::mm2(use.area.mm2() / (1 - waste)), {}};
    for (const FilmStock& stock : films.stock) {
      if (need.film != 0 && stock.film == need.film && stock.count > 0) {
        need.there = need.there + areaOf(stock);
      }
    }
    needs.push_back(std::move(need));
  }
  return needs;
}

}  // namespace avrelt
