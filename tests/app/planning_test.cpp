// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/planning.h"

#include <chrono>
#include <set>

#include "app/application.h"
#include "app/order/fill_edits.h"
#include "app/order/zone_edits.h"
#include "files/outputs.h"

using namespace avrelt;
using namespace std::chrono_literals;

namespace {

std::string saidBy(const CupPlan& plan) {
  Plan whole;
  whole.cups.push_back(plan);
  return planJson(whole, {});
}

/// An order of one cup with a pattern of many cells, in a window that waits for no plan.
struct Unwaited : OpenWindow {
  Unwaited() {
    order().load(oneCup());
    fillZone(order(), Family::hexagons);
    setSize(6);
    order().setPatience(0ms);
  }
  static Document oneCup() {
    Document document;
    document.cups.push_back(newCup("One", Unit::inch));
    return document;
  }
  Order& order() { return window.order(); }
  void setSize(double mm) { changeSize(mm, {}); }
  /// A step of one change that goes on.
  void drag(double mm) { changeSize(mm, QStringLiteral("size")); }
  void changeSize(double mm, const QString& key) {
    editFill(order(), QStringLiteral("Size"), key,
             [mm](Fill& fill) { fill.pattern.size = WrittenLength::mm(mm); });
  }
  bool arrives() {
    return QTest::qWaitFor([&] { return !order().working(); }, 20000);
  }
  std::string drawn() { return saidBy(*order().plan()); }
  std::string fresh() { return saidBy(*planCup(order().currentCup(), Unit::inch, {})); }
};

}  // namespace

TEST_CASE("the strip shows every cup once its plan has come, with no hand laid on it") {
  /// How many plans there were when the strip was painted last.
  struct Painted : QObject {
    explicit Painted(Order& painted) : order(painted) {}
    bool eventFilter(QObject* /*watched*/, QEvent* event) override {
      if (event->type() == QEvent::Paint) plans = there();
      return false;
    }
    int there() const {
      int count = 0;
      for (int i = 0; i < static_cast<int>(order.document().cups.size()); ++i) {
        count += order.plan(i) != nullptr ? 1 : 0;
      }
      return count;
    }
    Order& order;
    int plans = 0;
  };
  OpenWindow open;
  Order& order = open.window.order();
  order.setPatience(0ms);
  Painted painted(order);
  open.window.cupStrip().installEventFilter(&painted);
  REQUIRE(
      open.window.file().open(QStringLiteral(AVRELT_DATA "/demo/Brackwater open night.avrelt")));
  REQUIRE(QTest::qWaitFor([&] { return painted.there() == 5; }, 20000));
  CHECK(QTest::qWaitFor([&] { return painted.plans == 5; }, 2000));
}

TEST_CASE("a plan that is not there yet leaves the last one in sight, and comes by itself") {
  Unwaited open;
  const std::size_t before = open.order().plan()->fills.front().cells.size();
  open.setSize(9);
  REQUIRE(open.order().working());
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.order().faults().empty());
  CHECK(open.order().plan()->fills.front().cells.size() == before);
  CHECK(open.window.watchLine().sentence().contains("Working out"));
  open.window.grab();  // views draw the pair that is there
  REQUIRE(open.arrives());
  CHECK(open.order().planHolds());
  CHECK(open.order().plan()->fills.front().cells.size() < before);
  CHECK(open.drawn() == open.fresh());
  CHECK_FALSE(open.window.watchLine().sentence().contains("Working out"));
}

TEST_CASE("in a drag whose plans take long each step is drawn while the next is planned") {
  Unwaited open;
  Order& order = open.order();
  order.setPatience(20s, 0ms);
  open.drag(9);
  CHECK(order.presentPlan() != nullptr);
  for (int i = 1; i < 8; ++i) {
    const std::vector<Fill> stepBefore = order.currentCup().fills;
    open.drag(9 + 0.1 * i);
    // Of the step before, whole and not greyed; but nothing is built on it.
    CHECK(order.plan()->of->fills == stepBefore);
    CHECK(order.planHolds());
    CHECK_FALSE(open.window.watchLine().sentence().contains("Working out"));
    open.window.grab();
  }
  // It is waited for where a change builds on it, and comes by itself where the hand rests.
  CHECK(order.presentPlan()->of->fills == order.currentCup().fills);
  open.drag(11);
  REQUIRE(open.arrives());
  CHECK(open.drawn() == open.fresh());
  // Another change waits for its own.
  open.drag(11.5);
  open.setSize(12);
  CHECK(order.plan()->of->fills == order.currentCup().fills);
  // A drag whose plans are made in no time is never behind.
  order.setPatience(20s, 1h);
  open.drag(12.5);
  open.drag(13);
  CHECK(order.plan()->of->fills == order.currentCup().fills);
  // One that cannot keep up is greyed, as ever.
  order.setPatience(0ms, 0ms);
  for (int i = 0; i < 20; ++i) open.drag(6 + 0.01 * i);
  CHECK_FALSE(order.planHolds());
  REQUIRE(open.arrives());
  CHECK(open.drawn() == open.fresh());
}

TEST_CASE("cells are smoothed where the hand rests, and not at each step of a drag") {
  const auto colours = [](QWidget& view) {
    const QImage picture = view.grab().toImage();
    std::set<QRgb> all;
    for (int y = 0; y < picture.height(); ++y) {
      for (int x = 0; x < picture.width(); ++x) all.insert(picture.pixel(x, y));
    }
    return all.size();
  };
  Unwaited open;
  open.window.goToStation(MainWindow::filling);
  Order& order = open.order();
  order.setPatience(20s, 0ms);
  open.drag(9);
  REQUIRE(order.presentPlan() != nullptr);
  const std::size_t smoothed = colours(open.window.flat());
  const std::size_t smoothedRound = colours(open.window.round());
  open.drag(9.1);
  open.drag(9.2);
  REQUIRE(order.working());
  CHECK(colours(open.window.flat()) < smoothed * 3 / 4);
  CHECK(colours(open.window.round()) < smoothedRound);
  REQUIRE(open.arrives());
  const QImage rests = open.window.flat().grab().toImage();
  const QImage restsRound = open.window.round().grab().toImage();
  CHECK(colours(open.window.flat()) > smoothed * 3 / 4);
  // As if it had never been dragged.
  order.setPatience(std::nullopt);
  order.history()->undo();
  order.history()->redo();
  CHECK(open.window.flat().grab().toImage() == rests);
  CHECK(open.window.round().grab().toImage() == restsRound);
}

TEST_CASE("of many changes at once the last is planned") {
  Unwaited open;
  for (int i = 0; i < 30; ++i) open.setSize(6.5 + i * 0.1);
  REQUIRE(open.arrives());
  CHECK(open.order().planHolds());
  CHECK(open.order().plan()->of->fills == open.order().currentCup().fills);
  CHECK(open.drawn() == open.fresh());
}

TEST_CASE("a change taken back while its plan is made needs none") {
  Unwaited open;
  open.setSize(9);
  REQUIRE(open.order().working());
  open.order().history()->undo();
  CHECK_FALSE(open.order().working());
  CHECK(open.order().planHolds());
  open.order().history()->redo();
  REQUIRE(open.arrives());
  CHECK(open.drawn() == open.fresh());
}

TEST_CASE("what builds on the plan waits for it") {
  Unwaited open;
  open.order().editCup("Taller",
                       [](Cup& cup) { cup.blank.stations.back().at = WrittenLength::mm(200); });
  REQUIRE(open.order().working());
  cutZone(open.order(), CutKind::uprights);
  CHECK(open.order().currentCup().division.body.cut.has_value());
  REQUIRE(open.order().presentPlan() != nullptr);
  CHECK(open.drawn() == open.fresh());
}

TEST_CASE("a number that is refused is told when that is known, and put right again") {
  Unwaited open;
  open.order().editCup("Overlap", [](Cup& cup) { cup.wrap.overlap = WrittenLength::mm(1500); });
  REQUIRE(open.arrives());
  CHECK_FALSE(open.order().planHolds());
  CHECK_FALSE(open.order().faults().empty());
  CHECK(open.order().presentPlan() == nullptr);
  open.order().history()->undo();
  REQUIRE(open.arrives());
  CHECK(open.order().planHolds());
  CHECK(open.order().faults().empty());
}

TEST_CASE("a window goes while its plan is being made") {
  for (int i = 0; i < 5; ++i) {
    Unwaited open;
    open.setSize(3 + i);
  }
}

TEST_CASE("cups that come and go while plans are made keep their own") {
  Unwaited open;
  open.setSize(7);
  open.order().copyCup();
  open.setSize(8);
  open.order().choose(0);
  open.order().renameCup(0, "Other");
  open.setSize(9);
  open.order().moveCup(0, 1);
  REQUIRE(QTest::qWaitFor(
      [&] {
        for (int i = 0; i < 2; ++i) {
          open.order().choose(i);
          if (open.order().working()) return false;
        }
        return true;
      },
      20000));
  for (int i = 0; i < 2; ++i) {
    open.order().choose(i);
    CHECK(open.order().planHolds());
    CHECK(open.order().plan()->name == open.order().currentCup().name);
    CHECK(open.drawn() == open.fresh());
  }
}
