// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <QObject>
#include <QTimer>
#include <set>

#include "app/order/bench_clock.h"
#include "app/order/order.h"
#include "job/bench_plan.h"

namespace avrelt {

/// The order's bench while the program runs: planned whenever order, shop or clock ask for it,
/// searched for a sooner end beside the window, and what is timed told when its time comes.
class BenchWork : public QObject {
  Q_OBJECT

 public:
  BenchWork(Order& order, BenchClock& clock, QObject* parent = nullptr);
  ~BenchWork() override;

  /// While nobody looks, and nothing was begun, the bench is not planned; it catches up when
  /// somebody does. Searched is only while it is looked at.
  void setSeen(bool seen);
  /// How warm the room is as it was measured; what was typed counts where it is not.
  void setMeasured(std::optional<Temperature> warmth);
  /// The order's choices, with the room as warm as it is.
  BenchChoices choices() const;
  const BenchPlan& plan() const { return plan_; }
  Order& order() { return order_; }
  BenchClock& clock() { return clock_; }
  Unit unit() const { return order_.unit(); }

  /// A step of a cup, by their places in the plan.
  struct Place {
    std::size_t cup = 0;
    std::size_t step = 0;

    friend bool operator==(const Place&, const Place&) = default;
  };
  const Step& stepAt(const Place& place) const { return plan_.cups[place.cup].steps[place.step]; }
  /// What is to be begun next, and then, by the schedule.
  std::optional<Place> next(std::size_t which = 0) const;
  /// Whose work is shown, of several pairs of hands: from 1.
  int pair() const;
  int pairs() const { return std::max(1, order_.document().bench.hands); }
  void setPair(int pair);
  /// What that pair is at; where it is at nothing, what it begins next.
  std::optional<Place> now() const;
  /// Whether somebody is at it.
  const StepAtHand* atHand(const Place& place) const;
  /// Whose hands are at another step of its cup: until that is done it can neither be begun nor
  /// ticked off.
  std::optional<int> keptBy(const Place& place) const;
  /// How much later it could begin with all done as soon; nothing where it is done, or begun.
  std::optional<Duration> slackOf(const Place& place) const;
  /// Which cup is begun with, and why.
  std::optional<Sentence> whyFirst() const { return avrelt::whyFirst(plan_, slack_); }
  /// A cup of the plan, by its place in the order; −1 where it is gone.
  int indexOf(std::size_t cup) const;
  std::optional<ScheduledTask> taskOf(const Place& place) const;
  CivilTime startOf(const Place& place) const;
  /// What the maker looks at; what is next where nothing was picked, or what was is gone.
  std::optional<Place> picked() const;
  void pick(const std::optional<Place>& place);

  /// Seconds until the step that is next at a cup may be done, and until it has to be; the second
  /// nothing where it may wait.
  struct Window {
    qint64 opensIn = 0;
    std::optional<qint64> closesIn{};
  };
  std::optional<Window> windowOf(std::size_t cup) const;

  /// Notes that the pair whose work is shown begins it now; or that nobody is at it.
  bool begin(const Place& place);
  void leave(const Place& place);
  /// Ticks the step that is next of its cup off, as done just now.
  bool done(const Place& place);
  bool undoLast();
  /// How late the work is, by what should have begun by now; 0 where it is not.
  Duration late() const;
  /// Plans all that is left from now on.
  void planNow();
  /// While something of the plan is in somebody's hand it stays as it is.
  void hold(bool on);
  /// Waits for the search, up to so long.
  void awaitSearch();
  bool searching() const { return search_ != nullptr; }

 signals:
  void changed();
  void ticked();
  /// A timer rings: something may go on, or has to, soon.
  void rang(const QString& cup, const QString& words, bool urgent);

 private:
  struct Search;
  bool isBegun() const;
  void replan();
  void takePlan();
  void settle(int cup);
  void tick();
  void ring();
  void startSearch();
  void takeFound();
  void stopSearch();

  Order& order_;
  BenchClock& clock_;
  BenchPlan plan_;
  struct Turn {
    Place place;
    int pair = 1;
  };
  std::vector<Turn> turns_;
  std::vector<std::vector<Duration>> slack_;
  int pair_ = 1;
  bool held_ = false;
  bool pretended_ = false;
  std::optional<std::pair<std::string, std::string>> picked_;  ///< cup, step
  std::set<std::string> rung_;
  bool ringing_ = false;
  bool seen_ = false;
  std::optional<Temperature> measured_;
  std::shared_ptr<Search> search_;
  QTimer later_;
  QTimer poll_;
};

}  // namespace avrelt
