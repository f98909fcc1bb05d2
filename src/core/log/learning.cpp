// SPDX-License-Identifier: GPL-3.0-or-later
#include "log/learning.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <string_view>
#include <unordered_map>
#include <utility>

namespace avrelt {

std::string LearnableFigure::name() const {
  switch (of) {
    case Of::glitter:
      return "glitter";
    case Of::paint:
      return "paint";
    case Of::film:
      return "film";
    case Of::growth:
      return std::string("growth.") + materialName(material);
    case Of::wait:
      return std::string("wait.") + methodName(*method);
    case Of::fault:
      return method ? std::string("fault.") + methodName(*method)
                    : std::string("fault.step.") + stepName(kind);
    case Of::pace:
      break;
  }
  return std::string("pace.") + stepName(kind);
}

std::vector<LearnableFigure> learnableFigures() {
  std::vector<LearnableFigure> figures{{LearnableFigure::Of::glitter, {}},
                                       {LearnableFigure::Of::paint, {}},
                                       {LearnableFigure::Of::film, {}}};
  for (std::size_t i = 0; i < stepKinds; ++i) {
    figures.push_back({LearnableFigure::Of::pace, static_cast<StepKind>(i)});
    figures.push_back({LearnableFigure::Of::fault, static_cast<StepKind>(i)});
  }
  for (std::size_t i = 0; i < methodKinds; ++i) {
    for (const auto of : {LearnableFigure::Of::wait, LearnableFigure::Of::fault}) {
      figures.push_back({of, {}, static_cast<MethodKind>(i)});
    }
  }
  for (std::size_t i = 0; i < materialCount; ++i) {
    figures.push_back({LearnableFigure::Of::growth, {}, {}, static_cast<Material>(i)});
  }
  return figures;
}

std::vector<FigureSample> paceSeen(const std::vector<StepWork>& work, StepKind kind) {
  std::vector<FigureSample> seen;
  for (const StepWork& one : work) {
    if (one.kind != kind || one.usual <= Duration() || one.took <= Duration()) continue;
    seen.push_back(
        {one.key, one.words, one.at, {one.usual.minutes(), one.took.minutes()}, false, false});
  }
  return seen;
}

std::vector<FigureSample> filmSeen(const std::vector<FilmTaken>& taken) {
  constexpr double mm2InCm2 = 100;
  std::vector<FigureSample> seen;
  for (const FilmTaken& one : taken) {
    if (one.parts <= Area() || one.taken < one.parts) continue;
    seen.push_back({"film/" + std::to_string(one.key),
                    one.words,
                    one.at,
                    {one.parts.mm2() / mm2InCm2, one.taken.mm2() / mm2InCm2},
                    false,
                    false});
  }
  return seen;
}

std::vector<FigureSample> amountsSeen(const SupplyShelf& shelf, SupplyKind kind) {
  constexpr double mm2InCm2 = 100;
  std::vector<FigureSample> seen;
  for (const Supply& supply : shelf.supplies) {
    if (supply.kind != kind) continue;
    std::vector<const SupplyEvent*> counts;
    for (const SupplyEvent& event : shelf.events) {
      if (event.supply == supply.id && event.kind == SupplyEvent::Kind::counted) {
        counts.push_back(&event);
      }
    }
    std::stable_sort(counts.begin(), counts.end(), [](const SupplyEvent* a, const SupplyEvent* b) {
      return std::pair(a->at, a->key) < std::pair(b->at, b->key);
    });
    for (std::size_t i = 1; i < counts.size(); ++i) {
      const SupplyEvent& from = *counts[i - 1];
      const SupplyEvent& to = *counts[i];
      Amount went = from.amount - to.amount;
      for (const SupplyEvent& event : shelf.events) {
        const auto place = std::pair(event.at, event.key);
        if (event.supply == supply.id && event.kind == SupplyEvent::Kind::bought &&
            place > std::pair(from.at, from.key) && place < std::pair(to.at, to.key)) {
          went = went + event.amount;
        }
      }
      Area area;
      bool whole = true;
      for (const SupplyUse& use : shelf.uses) {
        if (use.supply != supply.id || use.at <= from.at || use.at > to.at) continue;
        whole = whole && use.over.has_value();
        area = area + use.over.value_or(Area());
      }
      if (!whole || area.mm2() <= 0 || went.units() <= 0) continue;
      seen.push_back({supply.id + "/" + std::to_string(from.key) + "/" + std::to_string(to.key),
                      supply.name + ", " + dayText(from.at) + " – " + dayText(to.at),
                      to.at,
                      {area.mm2() / mm2InCm2, went.units()},
                      false,
                      false});
    }
  }
  std::stable_sort(seen.begin(), seen.end(),
                   [](const FigureSample& a, const FigureSample& b) { return a.at < b.at; });
  return seen;
}

std::vector<FigureSample> growthSeen(const std::vector<GrowthNote>& notes, Material material,
                                     const GrowthHabits& habits) {
  std::vector<FigureSample> seen;
  const auto which = static_cast<std::size_t>(material);
  for (const GrowthNote& note : notes) {
    if (note.record.load[which] <= 0) continue;
    CoatLoad others = note.record.load;
    others[which] = 0;
    const Length grown = note.record.thickness - habits.thickness(others);
    seen.push_back({note.observation(),
                    note.words,
                    note.at,
                    {note.record.load[which], grown.mm()},
                    false,
                    false});
  }
  return seen;
}

std::vector<FigureSample> waitsSeen(const std::vector<StepWork>& work, MethodKind method) {
  constexpr double longest = 2;  // times the usual
  std::vector<const StepWork*> steps;
  bool any = false;
  steps.reserve(work.size());
  for (const StepWork& one : work) {
    steps.push_back(&one);
    any = any || one.method == method;
  }
  if (!any) return {};
  const auto sooner = [](const StepWork* a, const StepWork* b) { return a->at < b->at; };
  // The shop tells them in order.
  if (!std::is_sorted(steps.begin(), steps.end(), sooner)) {
    std::stable_sort(steps.begin(), steps.end(), sooner);
  }
  std::vector<FigureSample> seen;
  std::unordered_map<std::string_view, const StepWork*> last;  // of each cup
  last.reserve(work.size() / 8);
  for (const StepWork* next : steps) {
    // Warmed again while it sets, it is waited for still.
    if (next->kind == StepKind::warm) continue;
    const StepWork* one = std::exchange(last[next->cup], next);
    if (one == nullptr || one->method != method || one->usualWait <= Duration()) continue;
    const Duration passed = between(one->at, next->at) - next->took;
    if (passed <= Duration() || passed > one->usualWait * longest) continue;
    seen.push_back({one->key + "/wait",
                    one->words,
                    one->at,
                    {one->usualWait.minutes(), passed.minutes()},
                    false,
                    false});
  }
  std::stable_sort(seen.begin(), seen.end(),
                   [](const FigureSample& a, const FigureSample& b) { return a.at < b.at; });
  return seen;
}

namespace {

bool isOf(const StepWork& work, const LearnableFigure& figure) {
  return figure.method ? work.method == figure.method : !work.method && work.kind == figure.kind;
}

}  // namespace

std::vector<FigureSample> faultsSeen(const std::vector<StepWork>& work,
                                     const LearnableFigure& figure) {
  std::vector<FigureSample> seen;
  std::unordered_map<std::string_view, std::size_t> places;  // of cups among what was seen
  for (const StepWork& one : work) {
    if (!isOf(one, figure)) continue;
    const auto [place, isNew] = places.try_emplace(one.cup, seen.size());
    if (isNew) {
      seen.push_back({one.cup + "/" + figure.name(), one.cupName, one.at, {}, false, false});
    }
    FigureSample& at = seen[place->second];
    at.at = std::max(at.at, one.at);
    at.point.x += 1;
    at.point.y += one.faults.empty() ? 0 : 1;
  }
  return seen;
}

std::vector<std::pair<std::string, int>> faultsCounted(const std::vector<StepWork>& work,
                                                       const LearnableFigure& figure) {
  std::map<std::string, int> counts;
  for (const StepWork& one : work) {
    if (!isOf(one, figure)) continue;
    for (const std::string& fault : one.faults) ++counts[fault];
  }
  std::vector<std::pair<std::string, int>> sorted(counts.begin(), counts.end());
  std::stable_sort(sorted.begin(), sorted.end(),
                   [](const auto& a, const auto& b) { return a.second > b.second; });
  return sorted;
}

std::vector<FigureSample> seenOf(const LearnableFigure& figure, const FigureSources& sources) {
  switch (figure.of) {
    case LearnableFigure::Of::glitter:
      return amountsSeen(sources.supplies, SupplyKind::glitter);
    case LearnableFigure::Of::paint:
      return amountsSeen(sources.supplies, SupplyKind::paint);
    case LearnableFigure::Of::film:
      return filmSeen(sources.films);
    case LearnableFigure::Of::pace:
      return paceSeen(sources.work, figure.kind);
    case LearnableFigure::Of::growth:
      return growthSeen(sources.grown, figure.material, sources.habits);
    case LearnableFigure::Of::wait:
      return waitsSeen(sources.work, *figure.method);
    case LearnableFigure::Of::fault:
      return faultsSeen(sources.work, figure);
  }
  return {};
}

LearntFigure learn(const LearnableFigure& figure, std::vector<FigureSample> seen, double present,
                   const std::set<std::string>& leftOut) {
  LearntFigure learnt;
  learnt.figure = figure;
  learnt.present = present;
  std::vector<FitPoint> all;
  std::vector<FitPoint> points;
  for (FigureSample& one : seen) {
    one.leftOut = leftOut.contains(one.key);
    all.push_back(one.point);
    if (!one.leftOut) points.push_back(one.point);
  }
  if (figure.of == LearnableFigure::Of::fault) {
    // How often of how often: no cup is odd for what happened in it.
    learnt.seen = std::move(seen);
    learnt.fit = shareFit(points);
    learnt.present = learnt.fit.slope;
    return learnt;
  }
  const std::vector<bool> odd = oddOnes(all);
  for (std::size_t i = 0; i < seen.size(); ++i) seen[i].odd = odd[i];
  learnt.seen = std::move(seen);
  learnt.fit = robustFit(points);
  if (learnt.fit.count < fewestToLearn || learnt.fit.slope <= 0) return learnt;
  constexpr double worthIt = 0.05;
  const double change = std::abs(learnt.fit.slope - present) / std::max(present, 1e-12);
  const bool out = present < learnt.fit.low || present > learnt.fit.high;
  const bool sure = learnt.fit.high - learnt.fit.low < worthIt * learnt.fit.slope;
  learnt.offered = change >= worthIt && (out || sure);
  return learnt;
}

}  // namespace avrelt
