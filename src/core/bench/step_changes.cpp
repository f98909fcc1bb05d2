// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/step_changes.h"

#include <algorithm>
#include <map>

namespace avrelt {
namespace {

bool isOverAll(const Step& step) {
  switch (step.kind) {
    case StepKind::clean:
    case StepKind::coat:
    case StepKind::rim:
    case StepKind::cure:
      return !step.own;
    default:
      return false;
  }
}

/// Whether it matters which of two goes first.
bool areTied(const Step& a, const Step& b) {
  if (a.own || b.own) return false;
  if (isOverAll(a) || isOverAll(b)) return true;
  return std::any_of(a.of.begin(), a.of.end(), [&](const std::string& id) {
    return std::find(b.of.begin(), b.of.end(), id) != b.of.end();
  });
}

auto called(std::vector<Step>& steps, const std::string& id) {
  return std::find_if(steps.begin(), steps.end(), [&](const Step& step) { return step.id == id; });
}

class Changing {
 public:
  Changing(std::vector<Step> steps, const std::vector<StepChange>& changes)
      : changes_(changes), planned_(steps) {
    made_.steps = std::move(steps);
  }

  ChangedSteps operator()() {
    for (const StepChange& change : changes_) change_(change);
    for (const StepChange& change : changes_) {
      if (change.moved()) move(change);
    }
    for (const StepChange& change : changes_) {
      if (change.moved() && !change.own()) judgeOrder(change.step);
    }
    for (const StepChange& change : changes_) {
      if (change.dropped) drop(change.step);
    }
    putInOrder(made_.steps);
    return std::move(made_);
  }

 private:
  void tell(Rule rule, const std::string& step, Sentence words) {
    made_.conflicts.push_back({rule, step, std::move(words)});
  }

  void change_(const StepChange& change) {
    auto at = called(made_.steps, change.step);
    if (change.own()) {
      if (at != made_.steps.end()) {
        tell(Rule::stepTwice, change.step,
             {"Two steps have the id “%1”; your own is left out.", {change.step}});
        return;
      }
      Step step;
      step.id = change.step;
      step.words = {"%1", {change.text}};
      step.own = true;
      step.handsOn = Duration::minutes(5);
      made_.steps.push_back(std::move(step));
      at = made_.steps.end() - 1;
    } else if (at == made_.steps.end()) {
      tell(Rule::stepChangeOfNone, change.step,
           {"What you changed of a step the cup no longer takes (%1) is kept, and does nothing.",
            {change.step}});
      return;
    }
    if (change.handsOn) {
      // What it holds it holds from its start.
      if (at->holds > Duration()) at->holds = at->holds - at->handsOn + *change.handsOn;
      at->handsOn = *change.handsOn;
    }
    if (change.wait) {
      if (!at->own && change.wait->least < at->wait.least) {
        tell(Rule::stepWaitShort, change.step,
             {"You wait shorter after “%1” than its method says. What is over it may "
              "sink in, wrinkle or tear.",
              {Phrase(at->words)}});
      }
      if (!at->own && at->wait.most &&
          (!change.wait->most || *change.wait->most > *at->wait.most)) {
        tell(Rule::stepWaitLong, change.step,
             {"You let “%1” wait longer than its method says. What has to go into it, "
              "or come off it, may find it set.",
              {Phrase(at->words)}});
      }
      // What turns on while more is done to it does so by as much longer or shorter.
      const bool beyond = at->holds > at->handsOn + at->wait.least;
      at->holds = beyond ? std::max(Duration(), at->holds - at->wait.least + change.wait->least)
                         : std::min(at->holds, at->handsOn + change.wait->least);
      at->wait = *change.wait;
    }
    at->note = change.note;
    at->notBefore = change.notBefore;
  }

  void move(const StepChange& change) {
    const auto from = called(made_.steps, change.step);
    if (from == made_.steps.end()) return;
    if (!change.first && change.behind == change.step) {
      tell(Rule::stepBehindItself, change.step,
           {"“%1” was to stand behind itself. It stands where the plan has it, your own "
            "at the end.",
            {Phrase(from->words)}});
      return;
    }
    if (!change.first && called(made_.steps, change.behind) == made_.steps.end()) {
      tell(Rule::stepBehindNone, change.step,
           {"“%1” was to stand behind a step the cup no longer takes. It stands where "
            "the plan has it, your own at the end.",
            {Phrase(from->words)}});
      return;
    }
    Step step = std::move(*from);
    made_.steps.erase(from);
    const auto to = change.first ? made_.steps.begin() : called(made_.steps, change.behind) + 1;
    made_.steps.insert(to, std::move(step));
  }

  /// What it now stands before though it needs it, or behind though that needs it.
  void judgeOrder(const std::string& id) {
    const auto placeOf = [](std::vector<Step>& in, const std::string& step) {
      return called(in, step) - in.begin();
    };
    const auto now = placeOf(made_.steps, id);
    const auto was = placeOf(planned_, id);
    const auto count = static_cast<std::ptrdiff_t>(planned_.size());
    if (was == count) return;
    const Step& moved = planned_[static_cast<std::size_t>(was)];
    for (std::ptrdiff_t i = 0; i < count; ++i) {
      const Step& other = planned_[static_cast<std::size_t>(i)];
      if (i == was || !areTied(moved, other)) continue;
      const bool before = placeOf(made_.steps, other.id) < now;
      if (before == (i < was)) continue;
      const Step& first = i < was ? other : moved;
      const Step& second = i < was ? moved : other;
      tell(Rule::stepOutOfOrder, id,
           {"“%1” stands before “%2”, which it needs. Move it back, or change the design.",
            {Phrase(second.words), Phrase(first.words)}});
      return;
    }
  }

  void drop(const std::string& id) {
    const auto at = called(made_.steps, id);
    if (at == made_.steps.end()) return;
    const Step dropped = *at;
    made_.dropped.push_back(dropped);
    const auto next = made_.steps.erase(at);
    if (next != made_.steps.begin()) {
      Step& before = *(next - 1);
      before.wait.least = std::max(before.wait.least, dropped.wait.least);
      if (before.wait.most) before.wait.most = std::max(*before.wait.most, before.wait.least);
    }
    static const std::map<StepKind, StepKind> needs{{StepKind::pull, StepKind::tape},
                                                    {StepKind::glitter, StepKind::stick},
                                                    {StepKind::peel, StepKind::stencil}};
    for (const auto& [second, first] : needs) {
      if (dropped.kind != first && dropped.kind != second) continue;
      const StepKind left = dropped.kind == first ? second : first;
      const auto other = std::find_if(
          made_.steps.begin(), made_.steps.end(),
          [&](const Step& step) { return step.kind == left && areTied(step, dropped); });
      if (other == made_.steps.end()) continue;
      tell(Rule::stepLeftAlone, id,
           {"You left out “%1”, but not “%2”, which goes with it.",
            {Phrase(dropped.words), Phrase(other->words)}});
    }
    if (dropped.kind == StepKind::clean || dropped.kind == StepKind::rim) {
      tell(Rule::stepNothingDoes, id,
           {"You left out “%1”. Nothing else does it.", {Phrase(dropped.words)}});
    }
  }

  const std::vector<StepChange>& changes_;
  std::vector<Step> planned_;
  ChangedSteps made_;
};

}  // namespace

ChangedSteps withChanges(std::vector<Step> steps, const std::vector<StepChange>& changes) {
  return Changing(std::move(steps), changes)();
}

StepChange& changeOf(std::vector<StepChange>& changes, const std::string& step) {
  const auto at = std::find_if(changes.begin(), changes.end(),
                               [&](const StepChange& change) { return change.step == step; });
  if (at != changes.end()) return *at;
  changes.push_back({step});
  return changes.back();
}

void tidy(std::vector<StepChange>& changes) {
  changes.erase(
      std::remove_if(changes.begin(), changes.end(),
                     [](const StepChange& change) { return change == StepChange{change.step}; }),
      changes.end());
}

}  // namespace avrelt
