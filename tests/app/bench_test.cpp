// SPDX-License-Identifier: GPL-3.0-or-later
// The bench through the window: steps ticked off and taken back, timers, steps changed by hand, the
// timeline by mouse and keys, from two metres, the dry run, and a clock that is set or sleeps.
#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFile>
#include <QLocalServer>
#include <QLocalSocket>
#include <QPushButton>
#include <QSignalSpy>
#include <QSpinBox>
#include <QTemporaryDir>

#include "app/application.h"
#include "app/bench/bench_bell.h"
#include "app/bench/methods_dialog.h"
#include "app/bench/standoff_view.h"
#include "app/bench/step_dialog.h"
#include "app/bench/times_dialog.h"
#include "app/look/theme.h"
#include "app/order/bench_edits.h"
#include "bench/looks.h"
#include "files/disk.h"

using namespace avrelt;

namespace {

CivilTime at(const char* text) {
  return *parseCivil(text);
}

/// Two cups with a coat of resin, in a pretended evening that does not run by itself.
struct BenchWindow : OpenWindow {
  BenchWindow() {
    Document document;
    for (const char* name : {"Comet", "Dome"}) {
      Cup cup = newCup(name, Unit::inch);
      Coat coat;
      coat.kind = CoatKind::resin;
      coat.mixed = Volume::ml(20);
      cup.buildUp.coats = {coat};
      document.cups.push_back(cup);
    }
    document.bench.from = at("2026-12-09T18:00");
    order().load(document);
    window.resize(1280, 800);
    window.goToStation(MainWindow::bench);
    go("2026-12-09T18:00");
  }
  ~BenchWindow() { station().clock().endPretending(); }
  BenchWindow(const BenchWindow&) = delete;
  BenchWindow& operator=(const BenchWindow&) = delete;

  Order& order() { return window.order(); }
  BenchStation& station() { return window.benchStation(); }
  BenchWork& work() { return station().work(); }
  void go(const char* time) {
    station().clock().pretend(at(time), 0);
    work().planNow();
    work().awaitSearch();
  }
  const std::vector<StepDone>& done(std::size_t cup) {
    return order().document().cups[cup].bench.done;
  }
  std::size_t doneAll() { return done(0).size() + done(1).size(); }
};

}  // namespace

TEST_CASE("What is next is told, ticked off by key, and taken back", "[bench]") {
  BenchWindow open;
  CHECK(open.station().nowTitle().text().startsWith("Sand the cup"));
  CHECK(open.station().nextList().count() > 10);
  open.press(Qt::Key_Return, Qt::ControlModifier);
  REQUIRE(open.doneAll() == 1);
  const StepDone first = open.done(0).empty() ? open.done(1).front() : open.done(0).front();
  CHECK(first.step == "clean");
  CHECK(civilText(first.at) == "2026-12-09T18:00");
  // The other cup is cleaned while this one dries.
  open.go("2026-12-09T18:12");
  CHECK(open.station().nowTitle().text().startsWith("Sand the cup"));
  open.station().doneButton().click();
  CHECK(open.doneAll() == 2);
  open.press(Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(open.doneAll() == 1);
  open.order().history()->undo();
  open.order().history()->undo();
  open.order().history()->undo();
  CHECK(open.doneAll() == 0);
  open.order().history()->redo();
  CHECK(open.doneAll() == 1);
}

TEST_CASE("All steps can be done one after the other, and then nothing is left", "[bench]") {
  BenchWindow open;
  const std::size_t all = open.work().plan().countLeft();
  for (std::size_t i = 0; i < all; ++i) {
    const auto place = open.work().next();
    REQUIRE(place);
    const CivilTime start = open.work().startOf(*place);
    open.go(civilText(after(start, open.work().stepAt(*place).handsOn)).c_str());
    open.station().doneNow();
    CHECK(open.work().plan().countLeft() == all - i - 1);
    CHECK(open.work().plan().troubles.empty());
  }
  CHECK_FALSE(open.work().next());
  CHECK(open.station().nowTitle().text() == "Everything is done.");
  CHECK_FALSE(open.station().doneButton().isEnabled());
  open.station().doneNow();
  CHECK(open.doneAll() == all);
}

TEST_CASE("A timer rings as a wait is over, and again before it must end", "[bench]") {
  BenchWindow open;
  StepChange change{"mark"};
  changeStep(open.order(), 0, "x", open.work().plan().cups[0].steps[1], [](StepChange& one) {
    one.wait = Wait{Duration::minutes(20), Duration::minutes(40)};
  });
  open.go("2026-12-09T18:00");
  tickStep(open.order(), 0, open.work().plan().cups[0].steps[0], at("2026-12-09T18:00"), {});
  tickStep(open.order(), 0, open.work().plan().cups[0].steps[1], at("2026-12-09T18:10"), {});
  open.go("2026-12-09T18:10");
  const int before = open.station().bell().count();
  const auto window = open.work().windowOf(0);
  REQUIRE(window);
  CHECK(window->opensIn == 20 * 60);
  REQUIRE(window->closesIn);
  CHECK(*window->closesIn == 40 * 60);
  const auto ticksAt = [&](const char* time) {
    open.station().clock().pretend(at(time), 0);
    return open.station().bell().count() - before;
  };
  CHECK(ticksAt("2026-12-09T18:29") == 0);
  CHECK(ticksAt("2026-12-09T18:30") == 1);
  CHECK(open.station().bell().last().contains("Comet"));
  CHECK(ticksAt("2026-12-09T18:40") == 1);
  CHECK(ticksAt("2026-12-09T18:47") == 2);
  CHECK(ticksAt("2026-12-09T18:51") == 3);
  CHECK(ticksAt("2026-12-09T18:58") == 3);
  CHECK(clockWordsOf(680) == "11:20");
  CHECK(clockWordsOf(-65) == "1:05");
  CHECK(clockWordsOf(7500) == "2 h 05");
}

TEST_CASE("Steps are moved, dropped, added and timed by hand, each undone in one step", "[bench]") {
  BenchWindow open;
  open.order().choose(0);
  const auto ids = [&] {
    std::vector<std::string> all;
    for (const Step& step : open.work().plan().cups[0].steps) all.push_back(step.id);
    return all;
  };
  const std::vector<std::string> before = ids();
  open.station().stepList().setCurrentRow(1);
  REQUIRE(open.work().picked() == BenchWork::Place{0, 1});
  open.press(Qt::Key_Up, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(ids()[0] == before[1]);
  CHECK_FALSE(open.work().plan().cups[0].conflicts.empty());
  CHECK(open.station().stepList().item(0)->text().startsWith("▲"));
  open.press(Qt::Key_Down, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(ids() == before);
  open.press(Qt::Key_Backspace, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(ids().size() == before.size() - 1);
  open.order().history()->undo();
  open.work().planNow();
  CHECK(ids() == before);
  // Dropped, it stands at the end of the list, and the same key puts it back.
  open.station().stepList().setCurrentRow(1);
  open.press(Qt::Key_Backspace, Qt::ControlModifier | Qt::ShiftModifier);
  REQUIRE(ids().size() == before.size() - 1);
  const int last = open.station().stepList().count() - 1;
  REQUIRE(last == static_cast<int>(before.size()) - 1);
  CHECK(open.station().stepList().item(last)->text().startsWith("dropped:"));
  open.station().middle().show(BenchStation::stepsPage);
  open.station().stepList().setFocus();
  open.station().stepList().setCurrentRow(last);
  CHECK(open.station().stepList().currentRow() == last);
  open.press(Qt::Key_Backspace, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(ids() == before);
  CHECK(open.work().picked() == BenchWork::Place{0, 1});
  for (const StepChange& change : open.order().document().cups[0].bench.changes) {
    CHECK_FALSE(change.dropped);
  }
  const std::string own =
      addStep(open.order(), 0, before[1], "Look for hairs.", Duration::minutes(3), {});
  open.work().planNow();
  CHECK(ids()[2] == own);
  CHECK(open.work().plan().cups[0].steps[2].own);
  removeOwnStep(open.order(), 0, open.work().plan().cups[0].steps[2]);
  open.work().planNow();
  CHECK(ids() == before);
}

TEST_CASE("What did not come out right is mended by steps of its own", "[bench]") {
  BenchWindow open;
  while (open.work().next()) {
    const auto place = open.work().next();
    const Step step = open.work().stepAt(*place);
    open.go(civilText(after(open.work().startOf(*place), step.handsOn)).c_str());
    open.station().doneNow();
    if (step.kind == StepKind::coat) break;
  }
  const std::size_t before = open.work().plan().countLeft();
  QTimer taker;
  QObject::connect(&taker, &QTimer::timeout, [&] {
    if (auto* dialog = qobject_cast<LookDialog*>(QApplication::activeModalWidget())) {
      taker.stop();
      dialog->accept();
    }
  });
  taker.start(20);
  open.station().lookNow();
  // Sanded, and coated again.
  CHECK(open.work().plan().countLeft() == before + 2);
  // Once it has set.
  bool sanded = false;
  for (const BenchCup& cup : open.work().plan().cups) {
    const Step& first = cup.steps[cup.left.front()];
    sanded = sanded || (first.own && inWords(first.words, Unit::mm).find("Sand it level") == 0);
  }
  CHECK(sanded);
  open.order().history()->undo();
  open.work().planNow();
  CHECK(open.work().plan().countLeft() == before);
}

TEST_CASE("The timeline takes mouse and keys: picked, dragged within what is allowed, let go",
          "[bench]") {
  BenchWindow open;
  TimelineView& timeline = open.station().timeline();
  REQUIRE(timeline.isVisible());
  const BenchWork::Place second{0, 1};
  const QRectF block = timeline.blockOf(second);
  REQUIRE_FALSE(block.isEmpty());
  const CivilTime before = open.work().startOf(second);
  QTest::mouseClick(&timeline, Qt::LeftButton, {}, block.center().toPoint());
  CHECK(open.work().picked() == second);
  CHECK(open.order().currentIndex() == 0);
  // To the right: it begins later.
  QTest::mousePress(&timeline, Qt::LeftButton, {}, block.center().toPoint());
  QTest::mouseMove(&timeline, block.center().toPoint() + QPoint(60, 0));
  QMouseEvent move(QEvent::MouseMove, block.center() + QPointF(60, 0),
                   timeline.mapToGlobal(block.center() + QPointF(60, 0)), Qt::LeftButton,
                   Qt::LeftButton, {});
  QApplication::sendEvent(&timeline, &move);
  QTest::mouseRelease(&timeline, Qt::LeftButton, {}, block.center().toPoint() + QPoint(60, 0));
  REQUIRE(open.work().stepAt(second).notBefore);
  const CivilTime later = open.work().startOf(second);
  CHECK(later > before);
  CHECK(later.time_since_epoch().count() % 5 == 0);
  // No sooner than what comes before lets it, however far it is dragged.
  const QRectF moved = timeline.blockOf(second);
  QTest::mousePress(&timeline, Qt::LeftButton, {}, moved.center().toPoint());
  QMouseEvent back(QEvent::MouseMove, QPointF(0, moved.center().y()),
                   timeline.mapToGlobal(QPointF(0, moved.center().y())), Qt::LeftButton,
                   Qt::LeftButton, {});
  QApplication::sendEvent(&timeline, &back);
  QTest::mouseRelease(&timeline, Qt::LeftButton, {}, QPoint(0, moved.center().toPoint().y()));
  CHECK_FALSE(open.work().stepAt(second).notBefore);
  CHECK(open.work().startOf(second) == before);
  // The same by keys.
  timeline.setFocus();
  QTest::keyClick(&timeline, Qt::Key_Right, Qt::ShiftModifier);
  CHECK(open.work().startOf(second) > before);
  QTest::keyClick(&timeline, Qt::Key_Delete);
  CHECK(open.work().startOf(second) == before);
  QTest::keyClick(&timeline, Qt::Key_Right);
  CHECK(open.work().picked() == BenchWork::Place{0, 2});
  QTest::keyClick(&timeline, Qt::Key_Left);
  QTest::keyClick(&timeline, Qt::Key_Down);
  CHECK(open.work().picked()->cup == 1);
  CHECK(open.order().currentIndex() == 1);
  QTest::keyClick(&timeline, Qt::Key_PageDown);
  CHECK(timeline.firstDay() <= 1);
  CHECK(timeline.whenDone().startsWith("done "));
}

TEST_CASE("From two metres one knock is one step, and back is back", "[bench]") {
  BenchWindow open;
  auto* afar = new StandoffView(open.work(), &open.window);
  afar->resize(1280, 800);
  afar->show();
  CHECK(afar->title().startsWith("Sand the cup"));
  QTest::keyClick(afar, Qt::Key_Space);
  CHECK(open.doneAll() == 1);
  // A glove that knocks twice.
  QTest::mouseClick(afar, Qt::LeftButton, {}, {40, 40});
  CHECK(open.doneAll() == 1);
  QTest::keyClick(afar, Qt::Key_Left);
  CHECK(open.doneAll() == 0);
  QTest::qWait(750);
  QTest::mouseClick(afar, Qt::LeftButton, {}, {1200, 700});
  CHECK(open.doneAll() == 1);
  const QImage seen = afar->grab().toImage();
  CHECK(seen.pixelColor(10, 10) == Theme::light().slider);
  QTest::keyClick(afar, Qt::Key_Escape);
  CHECK_FALSE(afar->isVisible());
}

TEST_CASE("A dry run leaves nothing behind", "[bench]") {
  BenchWindow open;
  open.station().clock().endPretending();
  const Document before = open.order().document();
  open.station().dryRun();
  CHECK(open.station().clock().pretends());
  CHECK(open.station().clock().speed() == 60);
  CHECK(civilText(open.station().clock().now()).substr(0, 15) == "2026-12-09T18:0");
  open.station().doneNow();
  open.station().doneNow();
  CHECK(open.doneAll() == 2);
  open.station().dryRun();
  CHECK_FALSE(open.station().clock().pretends());
  CHECK(open.order().document() == before);
}

TEST_CASE("Times and methods are taken from their dialogs, refused in words", "[bench]") {
  BenchWindow open;
  TimesDialog times(open.order().document().bench, at("2026-12-09T18:00"), Unit::inch);
  CHECK(times.choices() == open.order().document().bench);
  auto* ok = times.findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok);
  QLineEdit* monday = nullptr;
  for (QLineEdit* edit : times.findChildren<QLineEdit*>()) {
    if (edit->accessibleName() == "Monday") monday = edit;
  }
  REQUIRE(monday != nullptr);
  monday->setText("22-18");
  CHECK_FALSE(ok->isEnabled());
  monday->setText("");
  CHECK(ok->isEnabled());
  CHECK_FALSE(times.choices().hours.days[1].works());
  MethodsDialog methods(open.order().stock().methods);
  CHECK(methods.methods() == Methods());
  ok = methods.findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok);
  methods.table().item(9, 0)->setText("700");
  CHECK(methods.methods().of(MethodKind::resin).handle.minutes() == 700);
  methods.table().item(0, 1)->setText("soon");
  CHECK_FALSE(ok->isEnabled());
  // Something else that is right does not make that right.
  methods.table().item(0, 0)->setText("11");
  CHECK_FALSE(ok->isEnabled());
  methods.table().item(0, 1)->setText("9");
  CHECK(ok->isEnabled());
  REQUIRE(open.window.shelf().put(methods.methods()));
  CHECK(open.order().stock().methods == methods.methods());
  open.work().planNow();
  bool seen = false;
  for (const Step& step : open.work().plan().cups[0].steps) {
    // From the last coat: 15 min till it is warmed again, and 3 that takes.
    seen = seen || step.wait.least.minutes() == 700 - 15 - 3;
  }
  CHECK(seen);
  CHECK(open.window.shelf().put(Methods()));
}

TEST_CASE("A step opened says why, and what happens now or in an hour", "[bench]") {
  BenchWindow open;
  Step step = open.work().plan().cups[0].steps[0];
  StepDialog dialog(step, Unit::inch);
  CHECK(dialog.handsOn() == step.handsOn);
  CHECK(dialog.wait() == step.wait);
  bool why = false;
  for (const QLabel* label : dialog.findChildren<QLabel*>()) {
    why = why || label->text() == QString::fromStdString(inWords(reasonOf(step), Unit::inch));
  }
  CHECK(why);
}

TEST_CASE("An own step takes its times from how something behaves in the shop", "[bench]") {
  BenchWindow open;
  Methods methods;
  Method& print = methods.of(MethodKind::waterPrint);
  print.handsOn = Duration::minutes(17);
  print.next = {Duration::minutes(431), Duration::minutes(900)};
  Step own;
  own.own = true;
  own.words = {"%1", {std::string("Lay the tide print.")}};
  StepDialog dialog(own, Unit::inch, &open.window);
  dialog.offer(methods);
  auto* by = dialog.findChild<QComboBox*>();
  REQUIRE(by != nullptr);
  const int row = by->findText("Water-release print");
  REQUIRE(row > 0);
  by->setCurrentIndex(row);
  emit by->activated(row);
  CHECK(dialog.handsOn().minutes() == 17);
  CHECK(dialog.wait() == print.next);
  // A step of the plan has its own method.
  StepDialog planned(open.work().plan().cups[0].steps[0], Unit::inch, &open.window);
  planned.offer(methods);
  CHECK(planned.findChild<QComboBox*>() == nullptr);
}

TEST_CASE("The calendar is saved as the bench stands", "[bench]") {
  BenchWindow open;
  const QTemporaryDir folder;
  const QString path = folder.filePath("bench.ics");
  CHECK_FALSE(open.station().savePlan(path).has_value());
  const auto text = readFile(path.toStdString());
  REQUIRE(text);
  std::size_t count = 0;
  for (std::size_t from = 0; (from = text->find("BEGIN:VEVENT", from)) != std::string::npos;
       ++from) {
    ++count;
  }
  CHECK(count == open.work().plan().countLeft());
  const QString pages = folder.filePath("bench.PDF");
  CHECK_FALSE(open.station().savePlan(pages).has_value());
  CHECK(readFile(pages.toStdString())->rfind("%PDF-", 0) == 0);
  CHECK(open.station().savePlan("/nowhere/at/all.ics").has_value());
}

TEST_CASE("The room's thermometer stretches waits, and what no room is, is left out", "[bench]") {
  BenchWindow open;
  QTemporaryDir folder;
  QLocalServer server;
  const QString name = folder.filePath("thermometer");
  REQUIRE(server.listen(name));
  RoomThermometer& thermometer = open.station().thermometer();
  QSignalSpy told(&open.station(), &BenchStation::said);
  const auto coat = [&] {
    Duration wait;
    for (const Step& step : open.work().plan().cups[0].steps) {
      if (step.kind == StepKind::coat) wait = step.holds - step.handsOn;
    }
    return wait.minutes();
  };
  const double usual = coat();
  thermometer.connectTo(name);
  REQUIRE(server.waitForNewConnection(2000));
  QLocalSocket* line = server.nextPendingConnection();
  const auto send = [&](const char* text) {
    line->write(text);
    line->flush();
    QTest::qWait(60);
  };
  send("11.0 C\n");
  REQUIRE(thermometer.warmth());
  CHECK(thermometer.warmth()->celsius() == 11);
  // Twice as long at ten degrees less.
  CHECK(coat() == Approx(2 * usual));
  // The order is not changed by it.
  CHECK_FALSE(open.order().document().bench.warmth);
  send("11.1 C\n");
  CHECK(thermometer.warmth()->celsius() == 11);
  const auto before = told.count();
  send("51.0 C\n?!\n900 C\n");
  CHECK(thermometer.warmth()->celsius() == 11);
  CHECK(told.count() == before + 1);
  send("12.4 C\n");
  CHECK(thermometer.warmth()->celsius() == 12.5);
  // It falls silent.
  thermometer.setPatience(50);
  send("12.4 C\n");
  CHECK(QTest::qWaitFor([&] { return !thermometer.warmth(); }, 3000));
  CHECK(coat() == Approx(usual));
  CHECK(told.last().first().toString().contains("says nothing"));
  // Nobody is there.
  thermometer.connectTo(folder.filePath("nobody"));
  CHECK(QTest::qWaitFor([&] { return !thermometer.wanted(); }, 3000));
  CHECK(told.last().first().toString().contains("avrelt-thermometer"));
}

TEST_CASE("Timers go by what has passed: over sleep, a clock set back, a closed program",
          "[bench]") {
  application();
  const QTemporaryDir folder;
  const QString file = folder.filePath("clock.json");
  BenchClock::Reading reading{1'000'000, 500, "first"};
  const auto reader = [&] { return reading; };
  BenchClock clock(file, reader);
  CHECK(clock.seconds() == 1'000'000);
  // Nothing is timed: the wall is right.
  reading.wall += 7200;
  CHECK(clock.seconds() == reading.wall);
  clock.count(true);
  const qint64 begun = clock.seconds();
  // Asleep for an hour: both went on.
  reading.wall += 3600;
  reading.sinceStart += 3600;
  CHECK(clock.seconds() == begun + 3600);
  CHECK(clock.parted() == 0);
  // The clock is set back an hour, as in autumn.
  reading.wall -= 3600;
  CHECK(clock.seconds() == begun + 3600);
  CHECK(clock.parted() == -3600);
  // Closed for ten minutes, and opened again.
  reading.wall += 600;
  reading.sinceStart += 600;
  {
    const BenchClock again(file, reader);
    CHECK_FALSE(again.damaged());
    CHECK(again.seconds() == begun + 4200);
    CHECK(again.parted() == -3600);
  }
  clock.goByTheWall();
  CHECK(clock.parted() == 0);
  CHECK(clock.seconds() == reading.wall);
  // The machine was started anew: only the wall went on.
  reading.start = "second";
  reading.sinceStart = 3;
  reading.wall += 100;
  CHECK(BenchClock(file, reader).seconds() == reading.wall);
  // A spoilt file is told, and the wall counts.
  REQUIRE_FALSE(writeFile(file.toStdString(), "{\"wall_s\": \"soon\"").has_value());
  const BenchClock spoilt(file, reader);
  CHECK(spoilt.damaged());
  CHECK(spoilt.seconds() == reading.wall);
  clock.count(false);
  CHECK_FALSE(QFile::exists(file));
}

TEST_CASE("Two windows that time something count from one moment, and neither stops the other",
          "[bench]") {
  application();
  const QTemporaryDir folder;
  const QString file = folder.filePath("clock.json");
  BenchClock::Reading reading{1'000'000, 500, "first"};
  const auto reader = [&] { return reading; };
  BenchClock one(file, reader);
  BenchClock other(file, reader);
  one.count(true);
  // The wall is set back before the other begins to count.
  reading.wall -= 3600;
  reading.sinceStart += 60;
  other.count(true);
  CHECK(other.seconds() == one.seconds());
  CHECK(other.parted() == one.parted());
  // One of them takes the wall as right: the other does too, when it plans anew.
  one.goByTheWall();
  other.count(true);
  CHECK(other.seconds() == reading.wall);
  // What one needs no more is still there for the other.
  one.count(false);
  other.count(true);
  REQUIRE(QFile::exists(file));
  reading.wall += 1800;
  CHECK(BenchClock(file, reader).seconds() == other.seconds());
  // A window that timed nothing takes nothing away, or what it took comes back.
  one.count(false);
  CHECK(QFile::exists(file));
  BenchClock third(file, reader);
  third.count(false);
  CHECK(QTest::qWaitFor([&] { return QFile::exists(file); }, 60'000));
  CHECK(BenchClock(file, reader).seconds() == other.seconds());
  other.count(false);
  CHECK_FALSE(QFile::exists(file));
}

TEST_CASE("Two pairs of hands work by one list: what one has begun is not the other's", "[bench]") {
  BenchWindow open;
  changeBench(open.order(), "two", [](BenchChoices& choices) { choices.hands = 2; });
  open.go("2026-12-09T18:00");
  REQUIRE(open.station().whoseNow().isVisible());
  CHECK(open.station().whoseNow().count() == 2);
  const auto mine = open.work().now();
  REQUIRE(mine);
  open.press(Qt::Key_N, Qt::AltModifier | Qt::ShiftModifier);
  REQUIRE(open.work().atHand(*mine) != nullptr);
  CHECK(open.work().atHand(*mine)->pair == 1);
  CHECK(open.work().now() == mine);
  CHECK(open.station().beginButton().text() == "Leave it");
  open.press(Qt::Key_H, Qt::AltModifier | Qt::ShiftModifier);
  CHECK(open.work().pair() == 2);
  const auto theirs = open.work().now();
  REQUIRE(theirs);
  CHECK(theirs->cup != mine->cup);
  QTest::mouseClick(&open.station().beginButton(), Qt::LeftButton);
  REQUIRE(open.work().atHand(*theirs) != nullptr);
  // Five minutes on, the second is done; the first still is at it, and goes on.
  open.go("2026-12-09T18:05");
  open.press(Qt::Key_Return, Qt::ControlModifier);
  CHECK(open.doneAll() == 1);
  CHECK(open.done(theirs->cup).front().took.minutes() == 5);
  REQUIRE(open.work().atHand(*mine) != nullptr);
  CHECK(open.work().now() != mine);
  open.press(Qt::Key_H, Qt::AltModifier | Qt::ShiftModifier);
  CHECK(open.work().now() == mine);
  CHECK_FALSE(open.station().timeline().blockOf(*mine).isEmpty());
  // What comes after it on that cup can neither be begun nor ticked off, and nothing is lost.
  const BenchWork::Place behind{mine->cup, mine->step + 1};
  CHECK(open.work().keptBy(behind) == 1);
  const Document before = open.order().document();
  CHECK_FALSE(open.work().begin(behind));
  CHECK_FALSE(open.work().done(behind));
  CHECK(open.order().document() == before);
  // Hands that are gone leave their work to those that are left.
  changeBench(open.order(), "one", [](BenchChoices& choices) { choices.hands = 1; });
  open.work().planNow();
  CHECK(open.work().now() == mine);
  open.order().history()->undo();
  open.work().planNow();
  // Left, it is anybody's again; all of it is undone by undo.
  open.press(Qt::Key_N, Qt::AltModifier | Qt::ShiftModifier);
  CHECK(open.work().atHand(*mine) == nullptr);
  open.order().history()->undo();
  open.work().planNow();
  CHECK(open.work().atHand(*mine) != nullptr);
}

TEST_CASE("The step that is picked is ticked off by key, or what comes first is said", "[bench]") {
  BenchWindow open;
  QString words;
  QObject::connect(&open.station(), &BenchStation::said,
                   [&words](const QString& said) { words = said; });
  // The second cup's first step, though the first cup's is Now.
  const std::size_t other = open.work().now()->cup == 0 ? 1 : 0;
  open.work().pick(BenchWork::Place{other, 0});
  open.press(Qt::Key_Return, Qt::ControlModifier);
  REQUIRE(open.doneAll() == 1);
  CHECK(open.done(other).size() == 1);
  // One that is done, and one that has others before it.
  open.work().pick(BenchWork::Place{other, 0});
  open.press(Qt::Key_Return, Qt::ControlModifier);
  CHECK(open.doneAll() == 1);
  CHECK(words.contains(QStringLiteral("ticked off already")));
  open.work().pick(BenchWork::Place{other, 3});
  open.press(Qt::Key_Return, Qt::ControlModifier);
  CHECK(open.doneAll() == 1);
  CHECK(words.contains(QStringLiteral("first comes")));
}

TEST_CASE("Planned from now, an order that was to begin later begins now", "[bench]") {
  BenchWindow open;
  open.go("2026-12-08T19:00");
  CHECK(civilText(open.work().startOf(*open.work().now())) == "2026-12-09T18:00");
  open.station().planAnew();
  CHECK(civilText(open.work().startOf(*open.work().now())) == "2026-12-08T19:00");
  open.order().history()->undo();
  CHECK(open.order().document().bench.from == at("2026-12-09T18:00"));
}
