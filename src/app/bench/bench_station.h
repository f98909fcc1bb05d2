// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPointer>
#include <QPushButton>

#include "app/bench/bench_bell.h"
#include "app/bench/film_watch.h"
#include "app/bench/room_thermometer.h"
#include "app/bench/time_bar.h"
#include "app/bench/timeline_view.h"
#include "app/fields/desk.h"
#include "app/fields/pages.h"
#include "app/order/bench_work.h"
#include "app/order/shelf.h"
#include "app/views/watch_line.h"

namespace avrelt {

/// The station where the order is made: what to do now and how long is left for it, what comes
/// next, all steps of the cup in hand, what to mix, and when all of it is done.
class BenchStation : public Desk {
  Q_OBJECT

 public:
  /// Saved files are first offered to go into what `folder` says, and are named by `name`.
  BenchStation(Order& order, Shelf& shelf, std::function<QString()> folder,
               std::function<QString()> name, const QString& clockFile, QWidget* parent = nullptr);

  BenchWork& work() { return work_; }
  BenchClock& clock() { return clock_; }
  BenchBell& bell() { return bell_; }
  RoomThermometer& thermometer() { return thermometer_; }
  TimelineView& timeline() { return *timeline_; }
  FilmWatch& films() { return films_; }

  enum Middle { nextPage, stepsPage };
  enum Right { mixPage, planPage };
  Pages& middle() { return *middle_; }
  Pages& right() { return *right_; }
  QListWidget& nextList() { return *next_; }
  QListWidget& stepList() { return *steps_; }
  QPushButton& doneButton() { return *done_; }
  QPushButton& beginButton() { return *begin_; }
  QComboBox& whoseNow() { return *whose_; }
  QPushButton& wrongButton() { return *wrong_; }
  QLabel& nowTitle() { return *nowTitle_; }
  QLabel& planWords() { return *planWords_; }

  /// A step of a cup that something is told of: "bench.<cup>/<step>".
  bool goTo(const Where& where) override;
  /// What cannot be kept, and what a maker's changes do to a cup.
  std::vector<WatchLine::Item> watches() const;
  /// Another order is on the bench.
  void begin();
  /// Ticks the step shown off, where it is the next of its cup.
  void doneNow();
  /// The same for the step that is picked; where it is not the next of its cup, says which is.
  void donePicked();
  /// Notes that the step shown is begun; where it is, that nobody is at it.
  void beginNow();
  /// Shows what the next pair of hands does.
  void nextPair();
  void undoLast();
  void lookNow();
  void showFromAfar();
  void askAboutStep();
  void addStepBehind();
  /// Drops the step in hand; puts a dropped one back.
  void dropStep();
  void moveStepBy(int by);
  void showTimes();
  void showMethods();
  /// What all that is left takes, and what of it is to be bought.
  QStringList shoppingWords();
  void showShopping();
  void askAndSave();
  /// Writes pages where the path ends with .pdf, else a calendar; why not, in words.
  std::optional<QString> savePlan(const QString& path);
  void dryRun();
  void planAnew();
  void goByTheWall();
  /// Reads the room's thermometer, or leaves it.
  void readRoom();

 signals:
  void watched();

 private:
  QWidget* nowCard();
  QWidget* nextCard();
  QWidget* mixCard();
  QWidget* stepsList();
  QWidget* planPart();
  void refresh();
  void refreshNow();
  void refreshNext();
  void refreshSteps();
  void refreshMix();
  void refreshPlan();
  int cupInHand() const;
  std::optional<std::size_t> shownCup() const;
  const Step* droppedInHand() const;
  bool isDroppedInHand();
  bool isKept(const BenchWork::Place& place);
  void done(const BenchWork::Place& place);

  Order& order_;
  Shelf& shelf_;
  std::function<QString()> folder_;
  std::function<QString()> name_;
  BenchClock clock_;
  BenchWork work_;
  BenchBell bell_;
  RoomThermometer thermometer_;
  FilmWatch films_;
  TimelineView* timeline_ = nullptr;
  Pages* middle_ = nullptr;
  Pages* right_ = nullptr;
  QLabel* nowTitle_ = nullptr;
  QLabel* nowWords_ = nullptr;
  QLabel* count_ = nullptr;
  QLabel* countWords_ = nullptr;
  TimeBar* bar_ = nullptr;
  QLabel* cautions_ = nullptr;
  QComboBox* whose_ = nullptr;
  QPushButton* begin_ = nullptr;
  QPushButton* done_ = nullptr;
  QPushButton* wrong_ = nullptr;
  QListWidget* next_ = nullptr;
  QListWidget* steps_ = nullptr;
  std::vector<BenchWork::Place> nextPlaces_;
  std::string dropped_;  ///< id of the dropped step in hand, as long as the same is picked
  std::optional<BenchWork::Place> pickedThen_;
  QLabel* mixTitle_ = nullptr;
  QLabel* mix_ = nullptr;
  QLabel* mixWords_ = nullptr;
  QLabel* planWords_ = nullptr;
  QLabel* trouble_ = nullptr;
  QPushButton* dry_ = nullptr;
  int beforeDryRun_ = 0;
  QPointer<QWidget> afar_;
  QPushButton* up_ = nullptr;
  QPushButton* down_ = nullptr;
  QPushButton* drop_ = nullptr;
  QPushButton* edit_ = nullptr;
};

}  // namespace avrelt
