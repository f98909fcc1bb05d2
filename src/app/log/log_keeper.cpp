// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/log_keeper.h"

#include <algorithm>

#include "app/order/phrases.h"
#include "files/document_json.h"
#include "files/outputs.h"
#include "job/again.h"
#include "job/purpose.h"
#include "job/sheets.h"
#include "job/work.h"

namespace avrelt {

std::string madeWith(const CupPlan& plan) {
  std::string words;
  std::set<std::string> told;
  const auto add = [&](const std::string& what) {
    if (what.empty() || !told.insert(what).second) return;
    words += (words.empty() ? "" : ", ") + what;
  };
  for (const Zone& zone : plan.divided.zones) {
    if (zone.finish.kind != FinishKind::none && zone.finish.kind != FinishKind::bare) {
      add(finishWords(zone.finish));
    }
  }
  for (const Fill& fill : plan.of->fills) {
    for (const CellColour& colour : fill.colours) add(finishWords(colour.finish));
  }
  for (const SetPlan& set : plan.sets) add(set.name);
  for (const Coat& coat : plan.of->buildUp.coats) add(inWords(coatName(coat), Unit::mm));
  return words;
}

LogKeeper::LogKeeper(Order& order, Shelf& shelf, BenchWork& work, std::function<QString()> name,
                     QObject* parent)
    : QObject(parent), order_(order), shelf_(shelf), work_(work), name_(std::move(name)) {
  later_.setSingleShot(true);
  later_.setInterval(200);
  connect(&later_, &QTimer::timeout, this, &LogKeeper::keep);
  connect(&work_, &BenchWork::changed, &later_, [this] { later_.start(); });
  connect(&order_, &Order::changed, &later_, [this] { later_.start(); });
}

void LogKeeper::begin() {
  ticks_.clear();
  cuts_.clear();
  for (const Cup& cup : order_.document().cups) cuts_[cup.id] = cup.cuts;
}

LogKey LogKeeper::keyOf(const Cup& cup) const {
  return {order_.document().id, cup.id};
}

void LogKeeper::keep() {
  later_.stop();
  if (keeping_ || work_.clock().pretends() || order_.document().id.empty()) return;
  const std::vector<Cup>& cups = order_.document().cups;
  const bool any = std::any_of(cups.begin(), cups.end(), [&](const Cup& cup) {
    const auto ticks = ticks_.find(cup.id);
    const auto cuts = cuts_.find(cup.id);
    return !cup.bench.done.empty() || (ticks != ticks_.end() && !ticks->second.empty()) ||
           !(cuts == cuts_.end() ? cup.cuts.empty() : cuts->second == cup.cuts);
  });
  // The shop is not touched before there is something to write.
  if (!any) return;
  // What could not be opened is not tried at each tick; it is said once.
  std::optional<Logbook> log;
  if (!shelf_.trouble()) log = shelf_.logbook();
  if (!log) {
    if (!told_) {
      emit said(
          tr("The work is not logged, as the shop cannot be opened. The order itself keeps "
             "what was done."));
    }
    told_ = true;
    return;
  }
  keeping_ = true;
  const BenchPlan& plan = work_.plan();
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    const int index = work_.indexOf(i);
    if (index >= 0) keepWork(plan.cups[i], static_cast<std::size_t>(index), *log);
  }
  for (std::size_t i = 0; i < cups.size(); ++i) keepCuts(i, *log);
  keeping_ = false;
}

bool LogKeeper::write(const BenchCup& bench, std::size_t index, Logbook& log,
                      const std::vector<LoggedStep>& steps) {
  const Document& document = order_.document();
  const Cup& cup = document.cups[index];
  const CupPlan* plan = order_.plan(static_cast<int>(index));
  LogEntry entry;
  entry.key = keyOf(cup);
  entry.name = cup.name;
  entry.order = name_().toStdString();
  entry.blank = cup.blank.name;
  if (plan != nullptr) entry.made = madeWith(*plan);
  entry.notes.price = cup.price;
  entry.steps = static_cast<int>(bench.steps.size());
  for (const auto& done : bench.done) entry.done += done ? 1 : 0;
  for (const StepDone& done : cup.bench.done) {
    const CivilTime begun = after(done.at, done.took * -1);
    entry.begun = std::min(entry.begun.value_or(begun), begun);
    if (entry.done == entry.steps)
      entry.finished = std::max(entry.finished.value_or(done.at), done.at);
  }
  return shelf_.logged(log.record(entry, writeDocument(alone(document, index)), steps));
}

void LogKeeper::keepWork(const BenchCup& bench, std::size_t index, Logbook& log) {
  const Cup& cup = order_.document().cups[index];
  const LogKey key = keyOf(cup);
  const auto known = ticks_.find(cup.id);
  if (known == ticks_.end()) {
    if (cup.bench.done.empty()) return;
    // Of what is in the log, what this order knows of too: the rest is left alone.
    Ticks ticks;
    for (const LoggedStep& step : shelf_.tell(log.stepsOf(key))) {
      for (const StepDone& done : cup.bench.done) {
        if (done.step == step.step && done.at == step.at) ticks[step.step] = {step.at, step.faults};
      }
    }
    ticks_[cup.id] = std::move(ticks);
  }
  Ticks& ticks = ticks_[cup.id];
  bool changed = false;
  for (auto at = ticks.begin(); at != ticks.end();) {
    const bool still = std::any_of(cup.bench.done.begin(), cup.bench.done.end(),
                                   [&](const StepDone& done) { return done.step == at->first; });
    if (still) {
      ++at;
      continue;
    }
    if (!shelf_.logged(log.forgetStep(key, at->first))) return;
    at = ticks.erase(at);
    changed = true;
  }
  std::vector<LoggedStep> steps;
  for (const WorkDone& done :
       workDone(bench, cup, order_.stock(), shelf_.supplies(), work_.choices().warmth)) {
    const auto one = ticks.find(done.step);
    if (one != ticks.end() && one->second == Tick{done.at, done.faults}) continue;
    steps.push_back({done.step, inWords(done.words, order_.unit()), done.kind, done.at, done.took,
                     done.usual, done.use.of, done.method, done.usualWait, done.faults});
  }
  if (steps.empty() && !changed) return;
  if (!write(bench, index, log, steps)) return;
  for (const LoggedStep& step : steps) ticks[step.step] = {step.at, step.faults};
}

void LogKeeper::keepCuts(std::size_t index, Logbook& log) {
  const Cup& cup = order_.document().cups[index];
  std::vector<CutRecord>& before = cuts_[cup.id];
  if (before == cup.cuts) return;
  // What is drawn is of the cup as it stands now, or it waits.
  const CupPlan* plan = order_.plan(static_cast<int>(index));
  if (plan == nullptr || !(*plan->of == cup)) return;
  const LogKey key = keyOf(cup);
  std::set<std::string> purposes;
  for (const CutRecord& cut : before) purposes.insert(cut.purpose);
  for (const CutRecord& cut : cup.cuts) purposes.insert(cut.purpose);
  Cup was = cup;
  was.cuts = before;
  const FilmShelf films = shelf_.films();
  bool entered = false;
  for (const std::string& purpose : purposes) {
    for (const PartEntry& entry : entriesOf(*plan, purpose)) {
      const bool is = isCut(cup, entry);
      if (is == isCut(was, entry)) continue;
      const std::string title = inWords(titleOf(entry), order_.unit());
      if (!is) {
        if (!shelf_.logged(log.forgetCut(key, purpose, title))) return;
        continue;
      }
      const PartSet set = setOf(entry);
      const auto output =
          outputOf(*plan, set, OutputKind::svg, order_.document().printPaper(), order_.unit());
      if (!output) continue;
      if (!entered) {
        // A cup is in the log as soon as something was cut for it.
        entered = true;
        const BenchPlan& bench = work_.plan();
        BenchCup nothing;
        const BenchCup* of = &nothing;
        for (std::size_t i = 0; i < bench.cups.size(); ++i) {
          if (work_.indexOf(i) == static_cast<int>(index)) of = &bench.cups[i];
        }
        if (!write(*of, index, log, {})) return;
      }
      CutKept kept;
      kept.purpose = purpose;
      kept.title = title;
      kept.at = work_.clock().now();
      kept.file = output->file.name;
      kept.svg = output->file.bytes;
      const Part& first = *entry.parts.front();
      const FilmWanted wanted = wantedFor(*plan, purpose, first);
      const ShelfFilm* film = films.likeliest(wanted.kind, wanted.colour);
      kept.film.film = film == nullptr ? 0 : film->key;
      kept.film.name =
          film == nullptr ? inWords(materialTitle(first.material), Unit::mm) : film->name;
      for (const Part* part : entry.parts) {
        kept.film.area =
            kept.film.area + Area::mm2(part->area().mm2() * (part->copies + part->spares));
      }
      if (!shelf_.logged(log.keepCut(key, kept))) return;
    }
  }
  before = cup.cuts;
}

}  // namespace avrelt

#include "moc_log_keeper.cpp"
