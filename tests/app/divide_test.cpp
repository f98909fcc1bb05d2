// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "app/application.h"
#include "app/order/zone_edits.h"

using namespace avrelt;

namespace {

/// A window at the divide station, with a straight cup 9 in round and 7 in tall.
struct DivideWindow : OpenWindow {
  DivideWindow() {
    window.goToStation(MainWindow::dividing);
    QApplication::processEvents();
  }
  Order& order() { return window.order(); }
  DivideStation& station() { return window.divideStation(); }
  const Divided& divided() { return order().plan()->divided; }
  void cut(CutKind kind) { station().cutPage().action(kind).click(); }
};

}  // namespace

TEST_CASE("a body is cut into equal bands, one of them into a V, by the row of actions") {
  DivideWindow open;
  CHECK(open.divided().zones.size() == 1);
  open.cut(CutKind::rings);
  open.station().cutPage().count().setValue(3);
  REQUIRE(open.divided().zones.size() == 3);
  CHECK(open.divided().lines[0].stretches[0][0].s.inches() == Approx(7.0 * 2 / 3));
  open.cut(CutKind::vee);
  CHECK(open.divided().zones.size() == 4);
  CHECK(open.order().zone() == ZonePath{0, 0});
  open.station().cutPage().uncutButton().click();
  CHECK(open.divided().zones.size() == 3);
  open.order().history()->undo();
  CHECK(open.divided().zones.size() == 4);
}

TEST_CASE("parts are typed as people say them: 4, 1 and the rest") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.station().cutPage().by().button(2)->click();
  QLineEdit& list = open.station().cutPage().list();
  list.setFocus();
  list.selectAll();
  QTest::keyClicks(&list, "4; 1; rest");
  QTest::keyClick(&list, Qt::Key_Return);
  REQUIRE(open.divided().zones.size() == 3);
  CHECK(open.divided().lines[1].stretches[0][0].s.inches() == Approx(2));
  list.selectAll();
  QTest::keyClicks(&list, "6; 4; rest");
  QTest::keyClick(&list, Qt::Key_Return);
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("nothing is left"));
  list.selectAll();
  QTest::keyClicks(&list, "wide");
  QTest::keyClick(&list, Qt::Key_Return);
  CHECK_FALSE(open.window.watchLine().sentence().isEmpty());
}

TEST_CASE("lines between the tape's marks are said, and put onto them with a press") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.station().cutPage().count().setValue(3);
  const auto press = [&](const char* words) {
    for (QPushButton* button : open.station().cutPage().findChildren<QPushButton*>()) {
      if (button->text() == QLatin1String(words) && button->isVisible()) {
        button->click();
        return true;
      }
    }
    return false;
  };
  CHECK(press("Base takes it"));
  for (const LineMark& mark : open.divided().marks) {
    CHECK(abs(nearestMark(mark.fromRim, Graduation::sixteenth) - mark.fromRim) < Length::mm(1e-4));
  }
  CHECK(open.divided().zones.size() == 3);
  // Now there is nothing more to say.
  CHECK_FALSE(press("Base takes it"));
}

TEST_CASE("a line is pulled on the flat and snaps to the tape; one pull is one step") {
  DivideWindow open;
  open.cut(CutKind::rings);
  const int before = open.order().history()->count();
  FlatView& flat = open.window.flat();
  const QPoint from = flat.placeOfLine("1").toPoint();
  QTest::mousePress(&flat, Qt::LeftButton, {}, from);
  QTest::mouseMove(&flat, from + QPoint(0, 20));
  QTest::mouseMove(&flat, from + QPoint(0, 41));
  QTest::mouseRelease(&flat, Qt::LeftButton, {}, from + QPoint(0, 41));
  const Length fromRim = open.divided().marks[0].fromRim;
  CHECK(fromRim > Length::inches(3.6));
  CHECK(abs(nearestMark(fromRim, Graduation::sixteenth) - fromRim) < Length::mm(1e-4));
  CHECK(open.order().history()->count() == before + 1);
}

TEST_CASE("a zone is picked by a click or the arrow keys, and given a finish") {
  DivideWindow open;
  open.cut(CutKind::rings);
  FlatView& flat = open.window.flat();
  QTest::mouseClick(&flat, Qt::LeftButton, {}, flat.placeOfZone("B").toPoint());
  CHECK(zoneInHand(open.order())->id == "B");
  QTest::keyClick(&flat, Qt::Key_Right);
  CHECK(zoneInHand(open.order())->id == "A");
  QTest::keyClick(&flat, Qt::Key_Left);
  const QImage before = flat.grab().toImage();
  open.station().finishPage().kind().button(2)->click();
  emit open.station().finishPage().swatches().chosen("#26314F");
  QLineEdit& name = open.station().finishPage().name();
  name.setFocus();
  QTest::keyClicks(&name, "night");
  const Finish& finish = zoneInHand(open.order())->finish;
  CHECK(finish.kind == FinishKind::glitter);
  CHECK(finish.colour == "#26314F");
  CHECK(finish.name == "night");
  CHECK(before != flat.grab().toImage());
}

TEST_CASE("tape moves, marks and stripes come of it, and a move shows its line") {
  DivideWindow open;
  open.cut(CutKind::rings);
  editFinish(open.order(), "f", {}, [](Finish& finish) { finish.kind = FinishKind::glitter; });
  WorkPage& work = open.station().workPage();
  REQUIRE(work.moveList().count() > 4);
  CHECK(work.moveList().item(0)->text().startsWith("1. Lay tape below line 1"));
  work.moveList().setCurrentRow(0);
  CHECK(work.line() == "1");
  CHECK(work.markTable().rowCount() == 1);
  CHECK(work.markTable().item(0, 2)->text() == "3 1/2 in");
  addStripe(open.order(), "1");
  REQUIRE(work.stripeList().count() == 1);
  CHECK(work.stripeList().item(0)->text().contains("3 mm wide"));
  CHECK(open.order().plan()->set(PieceRole::stripe).pieces.size() == 1);
  CHECK(open.order().plan()->set(PieceRole::uprightGauge).pieces.size() == 1);
  // The line goes with its cut, and so does the stripe.
  open.station().cutPage().uncutButton().click();
  CHECK(work.stripeList().count() == 0);
  CHECK(open.order().planHolds());
}

TEST_CASE("a wrong V is told at its field, and the watch line leads there") {
  DivideWindow open;
  open.cut(CutKind::vee);
  open.type("divide.cut.wide", "12");
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("along that edge"));
  open.window.goToStation(MainWindow::gauge);
  open.window.watchLine().go();
  QApplication::processEvents();
  CHECK(open.field("divide.cut.wide").isVisible());
}

TEST_CASE("what is cut stays what it was when the cup's size changes") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.station().cutPage().count().setValue(4);
  open.order().editCup(
      "taller", [](Cup& cup) { cup.blank.stations[1].at = *writtenSize("8 in", Unit::inch); });
  CHECK(open.divided().lines[0].stretches[0][0].s.inches() == Approx(6));
}
