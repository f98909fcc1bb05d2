// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/bench_edits.h"

#include <algorithm>
#include <QCoreApplication>

#include "app/order/phrases.h"
#include "bench/step_changes.h"
#include "job/ids.h"

namespace avrelt {
namespace {

QString tr(const char* text) {
  return QCoreApplication::translate("BenchEdits", text);
}

void editBench(Order& order, int cup, const QString& text, const std::function<void(Cup&)>& change,
               const QString& key = {}) {
  order.edit(
      text,
      [&](Document& document) {
        if (cup < 0 || cup >= static_cast<int>(document.cups.size())) return;
        Cup& one = document.cups[static_cast<std::size_t>(cup)];
        change(one);
        tidy(one.bench.changes);
      },
      key);
}

}  // namespace

void tickStep(Order& order, int cup, const Step& step, CivilTime at, Duration took) {
  order.settle();
  editBench(order, cup, tr("Tick off a step"), [&](Cup& one) {
    std::vector<StepDone>& done = one.bench.done;
    done.erase(std::remove_if(done.begin(), done.end(),
                              [&](const StepDone& other) { return other.step == step.id; }),
               done.end());
    done.push_back({step.id, at, took});
    if (one.bench.begun && one.bench.begun->step == step.id) one.bench.begun.reset();
  });
}

void beginStep(Order& order, int cup, const Step& step, CivilTime at, int pair) {
  order.settle();
  editBench(order, cup, tr("Begin a step"), [&](Cup& one) {
    one.bench.begun = StepBegun{step.id, at, pair};
  });
}

void leaveStep(Order& order, int cup, const Step& step) {
  order.settle();
  editBench(order, cup, tr("Leave a step"), [&](Cup& one) {
    if (one.bench.begun && one.bench.begun->step == step.id) one.bench.begun.reset();
  });
}

void untickStep(Order& order, int cup, const Step& step) {
  order.settle();
  editBench(order, cup, tr("Take a tick back"), [&](Cup& one) {
    std::vector<StepDone>& done = one.bench.done;
    done.erase(std::remove_if(done.begin(), done.end(),
                              [&](const StepDone& other) { return other.step == step.id; }),
               done.end());
  });
}

int lastTicked(const Order& order) {
  int cup = -1;
  const StepDone* last = nullptr;
  const std::vector<Cup>& cups = order.document().cups;
  for (std::size_t i = 0; i < cups.size(); ++i) {
    for (const StepDone& done : cups[i].bench.done) {
      if (last != nullptr && done.at < last->at) continue;
      last = &done;
      cup = static_cast<int>(i);
    }
  }
  return cup;
}

bool untickLast(Order& order) {
  const int cup = lastTicked(order);
  if (cup < 0) return false;
  Step step;
  step.id = order.document().cups[static_cast<std::size_t>(cup)].bench.done.back().step;
  untickStep(order, cup, step);
  return true;
}

void changeStep(Order& order, int cup, const QString& text, const Step& step,
                const std::function<void(StepChange&)>& change, const QString& key) {
  editBench(
      order, cup, text, [&](Cup& one) { change(changeOf(one.bench.changes, step.id)); }, key);
}

void moveStep(Order& order, int cup, const std::vector<Step>& steps, std::size_t from,
              std::size_t to) {
  if (from == to || from >= steps.size() || to >= steps.size()) return;
  order.settle();
  editBench(order, cup, tr("Move a step"), [&](Cup& one) {
    std::vector<StepChange>& changes = one.bench.changes;
    StepChange& change = changeOf(changes, steps[from].id);
    change.first = to == 0;
    change.behind = to == 0 ? std::string() : steps[to > from ? to : to - 1].id;
    // What is moved last is put in its place last.
    const auto at = changes.begin() + (&change - changes.data());
    std::rotate(at, at + 1, changes.end());
  });
}

std::string addStep(Order& order, int cup, const std::string& behind, const QString& words,
                    Duration handsOn, const Wait& wait) {
  order.settle();
  std::string id;
  editBench(order, cup, tr("Add a step"), [&](Cup& one) {
    StepChange change;
    change.step = newId(one, "own");
    change.text = words.toStdString();
    change.behind = behind;
    change.first = behind.empty();
    change.handsOn = handsOn;
    if (!(wait == Wait{})) change.wait = wait;
    id = change.step;
    one.bench.changes.push_back(std::move(change));
  });
  return id;
}

void removeOwnStep(Order& order, int cup, const Step& step) {
  order.settle();
  editBench(order, cup, tr("Remove a step"), [&](Cup& one) {
    std::vector<StepChange>& changes = one.bench.changes;
    changes.erase(std::remove_if(changes.begin(), changes.end(),
                                 [&](const StepChange& change) {
                                   return change.own() && change.step == step.id;
                                 }),
                  changes.end());
  });
}

void mend(Order& order, int cup, const Step& step, const Remedy& remedy) {
  order.settle();
  editBench(order, cup, tr("Mend “%1”").arg(say(remedy.wrong, order.unit())), [&](Cup& one) {
    for (StepDone& done : one.bench.done) {
      std::vector<std::string>& faults = done.faults;
      if (done.step == step.id &&
          std::find(faults.begin(), faults.end(), remedy.fault) == faults.end())
        faults.emplace_back(remedy.fault);
    }
    std::string behind = step.id;
    for (const MendingStep& mending : remedy.steps) {
      StepChange change;
      change.step = newId(one, "own");
      change.text = say(mending.words, order.unit()).toStdString();
      change.behind = behind;
      change.handsOn = mending.handsOn;
      if (!(mending.wait == Wait{})) change.wait = mending.wait;
      behind = change.step;
      one.bench.changes.push_back(std::move(change));
    }
  });
}

void changeBench(Order& order, const QString& text,
                 const std::function<void(BenchChoices&)>& change, const QString& key) {
  order.edit(
      text, [&](Document& document) { change(document.bench); }, key);
}

}  // namespace avrelt
