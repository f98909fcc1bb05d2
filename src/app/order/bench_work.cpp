// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/bench_work.h"

#include <algorithm>
#include <cmath>
#include <mutex>
#include <QThreadPool>
#include <thread>

#include "app/order/bench_edits.h"
#include "app/order/phrases.h"
#include "job/work.h"

namespace avrelt {
namespace {

/// What is begun so much after its time is planned anew.
constexpr double mostLate = 5;

}  // namespace

/// A search beside the window.
struct BenchWork::Search {
  std::atomic<bool> stopped{false};
  std::atomic<bool> over{false};
  std::mutex guard;
  std::optional<FoundSchedule> found;
};

BenchWork::BenchWork(Order& order, BenchClock& clock, QObject* parent)
    : QObject(parent), order_(order), clock_(clock) {
  later_.setSingleShot(true);
  later_.setInterval(30);
  connect(&later_, &QTimer::timeout, this, [this] { replan(); });
  poll_.setInterval(50);
  connect(&poll_, &QTimer::timeout, this, &BenchWork::takeFound);
  connect(&order, &Order::changed, this, [this] {
    if (seen_ || isBegun()) later_.start();
  });
  connect(&clock, &BenchClock::ticked, this, &BenchWork::tick);
}

bool BenchWork::isBegun() const {
  const std::vector<Cup>& cups = order_.document().cups;
  return std::any_of(cups.begin(), cups.end(),
                     [](const Cup& cup) { return !cup.bench.done.empty() || cup.bench.begun; });
}

void BenchWork::setSeen(bool seen) {
  if (seen == seen_) return;
  seen_ = seen;
  if (seen) {
    planNow();
  } else {
    stopSearch();
  }
}

BenchWork::~BenchWork() {
  stopSearch();
}

void BenchWork::setMeasured(std::optional<Temperature> warmth) {
  if (warmth == measured_) return;
  measured_ = warmth;
  planNow();
}

BenchChoices BenchWork::choices() const {
  BenchChoices choices = order_.document().bench;
  if (measured_) choices.warmth = measured_;
  return choices;
}

void BenchWork::planNow() {
  later_.stop();
  replan();
}

void BenchWork::replan() {
  std::vector<const CupPlan*> cups;
  const Document& document = order_.document();
  for (std::size_t i = 0; i < document.cups.size(); ++i) {
    const CupPlan* plan = order_.plan(static_cast<int>(i));
    // What is still being planned, or refused, is shown as it was.
    if (plan != nullptr) cups.push_back(plan);
  }
  BenchPlan next = benchPlan(cups, choices(), order_.stock(), clock_.now(), &plan_);
  stopSearch();
  plan_ = std::move(next);
  takePlan();
  bool timed = false;
  for (std::size_t i = 0; i < plan_.cups.size(); ++i) {
    timed = timed || windowOf(i).has_value() || plan_.cups[i].atHand;
  }
  clock_.count(timed);
  startSearch();
  ring();
  emit changed();
}

void BenchWork::stopSearch() {
  if (search_) search_->stopped = true;
  search_.reset();
  poll_.stop();
}

void BenchWork::startSearch() {
  if (!seen_ || !plan_.schedule || plan_.proven || plan_.schedule->tasks.empty()) return;
  search_ = std::make_shared<Search>();
  QThreadPool::globalInstance()->start(
      [search = search_, problem = plan_.problem, start = *plan_.schedule] {
        SearchLimits limits;
        limits.stop = &search->stopped;
        FoundSchedule found = searchSchedule(problem, start, limits);
        const std::lock_guard<std::mutex> lock(search->guard);
        search->found = std::move(found);
        search->over = true;
      });
  poll_.start();
}

void BenchWork::takeFound() {
  if (held_ || !search_ || !search_->over) return;
  std::optional<FoundSchedule> found;
  {
    const std::lock_guard<std::mutex> lock(search_->guard);
    found = std::move(search_->found);
  }
  search_.reset();
  poll_.stop();
  if (found) {
    take(plan_, *found);
    takePlan();
  }
  emit changed();
}

void BenchWork::awaitSearch() {
  constexpr int mostRounds = 300;
  for (int i = 0; i < mostRounds && search_; ++i) {
    std::this_thread::sleep_for(std::chrono::milliseconds(20));
    takeFound();
  }
}

std::optional<BenchWork::Place> BenchWork::next(std::size_t which) const {
  if (which >= turns_.size()) return std::nullopt;
  return turns_[which].place;
}

int BenchWork::pair() const {
  return std::clamp(pair_, 1, pairs());
}

void BenchWork::setPair(int pair) {
  pair_ = pair;
  emit changed();
}

std::optional<BenchWork::Place> BenchWork::now() const {
  // Of hands that there are fewer of by now the last have the work.
  const auto isMine = [&](std::size_t whose) {
    return std::min(static_cast<int>(whose), pairs()) == pair();
  };
  for (std::size_t i = 0; i < plan_.cups.size(); ++i) {
    const auto& atHand = plan_.cups[i].atHand;
    if (atHand && isMine(atHand->pair)) return Place{i, atHand->step};
  }
  for (const Turn& turn : turns_) {
    if (isMine(static_cast<std::size_t>(turn.pair))) return turn.place;
  }
  return std::nullopt;
}

std::optional<int> BenchWork::keptBy(const Place& place) const {
  const auto& atHand = plan_.cups[place.cup].atHand;
  if (!atHand || atHand->step == place.step) return std::nullopt;
  return static_cast<int>(atHand->pair);
}

std::optional<Duration> BenchWork::slackOf(const Place& place) const {
  if (slack_.empty()) return std::nullopt;
  const std::vector<std::size_t>& left = plan_.cups[place.cup].left;
  const auto at = std::find(left.begin(), left.end(), place.step);
  if (at == left.end()) return std::nullopt;
  return slack_[place.cup][static_cast<std::size_t>(at - left.begin())];
}

const StepAtHand* BenchWork::atHand(const Place& place) const {
  const auto& atHand = plan_.cups[place.cup].atHand;
  return atHand && atHand->step == place.step ? &*atHand : nullptr;
}

/// By when they start; of what starts together what must not wait goes first.
void BenchWork::takePlan() {
  slack_ = avrelt::slackOf(plan_);
  turns_.clear();
  if (!plan_.schedule) return;
  std::vector<ScheduledTask> tasks = plan_.schedule->tasks;
  const auto hurries = [&](const ScheduledTask& task) {
    return task.task == 0 && plan_.cups[task.chain].closes ? 0 : 1;
  };
  std::stable_sort(tasks.begin(), tasks.end(), [&](const auto& a, const auto& b) {
    return std::pair(a.start, hurries(a)) < std::pair(b.start, hurries(b));
  });
  for (const ScheduledTask& task : tasks) {
    turns_.push_back({{task.chain, plan_.stepIndex(task)}, static_cast<int>(task.pair)});
  }
}

std::optional<ScheduledTask> BenchWork::taskOf(const Place& place) const {
  if (!plan_.schedule) return std::nullopt;
  for (const ScheduledTask& task : plan_.schedule->tasks) {
    if (task.chain == place.cup && plan_.stepIndex(task) == place.step) return task;
  }
  return std::nullopt;
}

CivilTime BenchWork::startOf(const Place& place) const {
  if (const StepAtHand* begun = atHand(place)) return begun->since;
  const auto task = taskOf(place);
  return task ? plan_.at(task->start) : plan_.zero;
}

std::optional<BenchWork::Place> BenchWork::picked() const {
  if (picked_) {
    for (std::size_t i = 0; i < plan_.cups.size(); ++i) {
      if (plan_.cups[i].name != picked_->first) continue;
      for (std::size_t k = 0; k < plan_.cups[i].steps.size(); ++k) {
        if (plan_.cups[i].steps[k].id == picked_->second) return Place{i, k};
      }
    }
  }
  return now();
}

void BenchWork::pick(const std::optional<Place>& place) {
  picked_ = place ? std::optional(std::pair(plan_.cups[place->cup].name, stepAt(*place).id))
                  : std::nullopt;
  emit changed();
}

std::optional<BenchWork::Window> BenchWork::windowOf(std::size_t cup) const {
  const BenchCup& one = plan_.cups[cup];
  if (!one.opens || one.left.empty() || one.atHand) return std::nullopt;
  Window window{-clock_.secondsSince(*one.opens), {}};
  if (one.closes) window.closesIn = -clock_.secondsSince(*one.closes);
  // What opened and never closes is no timer any more.
  if (window.opensIn <= 0 && !window.closesIn) return std::nullopt;
  return window;
}

bool BenchWork::begin(const Place& place) {
  const int index = indexOf(place.cup);
  if (index < 0 || keptBy(place)) return false;
  const Step step = stepAt(place);
  order_.choose(index);
  beginStep(order_, index, step, clock_.now(), pair());
  settle(index);
  return true;
}

void BenchWork::leave(const Place& place) {
  const int index = indexOf(place.cup);
  if (index < 0) return;
  const Step step = stepAt(place);
  order_.choose(index);
  leaveStep(order_, index, step);
  settle(index);
}

bool BenchWork::done(const Place& place) {
  const BenchCup& cup = plan_.cups[place.cup];
  const Step& step = cup.steps[place.step];
  const CivilTime now = clock_.now();
  const Duration took = tookUntil(plan_, place.cup, place.step, now);
  const int index = indexOf(place.cup);
  if (index < 0 || keptBy(place)) return false;
  picked_ = std::nullopt;
  // The cup worked at is the one in hand: its plan is waited for.
  const Step ticked = step;
  order_.choose(index);
  tickStep(order_, index, ticked, now, took);
  settle(index);
  return true;
}

/// Once a cup's plan is there, all is planned anew.
void BenchWork::settle(int cup) {
  if (order_.currentIndex() == cup) (void)order_.presentPlan();
  planNow();
}

int BenchWork::indexOf(std::size_t cup) const {
  const std::vector<Cup>& cups = order_.document().cups;
  for (std::size_t i = 0; i < cups.size(); ++i) {
    if (cups[i].name == plan_.cups[cup].name) return static_cast<int>(i);
  }
  return -1;
}

bool BenchWork::undoLast() {
  const int cup = lastTicked(order_);
  if (cup < 0) return false;
  order_.choose(cup);
  untickLast(order_);
  settle(cup);
  return true;
}

Duration BenchWork::late() const {
  const CivilTime now = clock_.now();
  Duration by;
  for (const BenchCup& cup : plan_.cups) {
    if (cup.atHand) by = std::max(by, between(cup.atHand->ends, now));
  }
  if (plan_.schedule && !plan_.schedule->tasks.empty()) {
    by = std::max(by, between(plan_.at(plan_.schedule->tasks.front().end), now));
  }
  return by;
}

void BenchWork::hold(bool on) {
  held_ = on;
}

void BenchWork::tick() {
  if (!seen_ && !isBegun()) return;
  if (pretended_ != clock_.pretends()) {
    pretended_ = clock_.pretends();
    rung_.clear();
    ringing_ = false;
    planNow();
  }
  if (late().minutes() >= mostLate && !held_) planNow();
  ring();
  emit ticked();
}

void BenchWork::ring() {
  // What was over before anybody looked is shown, not rung.
  const bool quiet = !ringing_;
  ringing_ = true;
  for (const BenchCup& cup : plan_.cups) {
    if (!cup.opens || cup.left.empty() || cup.atHand) continue;
    const Step& step = cup.steps[cup.left.front()];
    const auto tell = [&](const char* what, const QString& words, bool urgent) {
      const std::string key = cup.name + "/" + step.id + "/" + civilText(*cup.opens) + what;
      if (!rung_.insert(key).second || quiet) return;
      emit rang(QString::fromStdString(cup.name), words, urgent);
    };
    const QString words = say(step.words, unit());
    if (clock_.secondsSince(*cup.opens) >= 0) tell("opens", words, false);
    if (!cup.closes) continue;
    constexpr qint64 early = 180;
    constexpr double half = 30;  // of a minute, in seconds
    const auto wholeHalf = static_cast<qint64>(between(*cup.opens, *cup.closes).minutes() * half);
    const qint64 left = -clock_.secondsSince(*cup.closes);
    if (left <= std::min(early, wholeHalf)) tell("closes", words, true);
    if (left <= 0) tell("closed", words, true);
  }
}

}  // namespace avrelt

#include "moc_bench_work.cpp"
