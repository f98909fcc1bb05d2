// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "app/application.h"
#include "app/fields/finish_offers.h"
#include "app/order/fill_edits.h"
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
  CHECK(zoneInHand(open.order())->path == ZonePath{0, 0});
  CHECK(open.order().zone() == zoneInHand(open.order())->id);
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
  CHECK(zoneInHand(open.order())->letter == "B");
  QTest::keyClick(&flat, Qt::Key_Right);
  CHECK(zoneInHand(open.order())->letter == "A");
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
  CHECK(open.order().line() == "1");
  work.showPage(WorkPage::marks);
  CHECK(work.markTable().rowCount() == 1);
  CHECK(work.markTable().item(0, 2)->text() == "3 1/2 in");
  work.showPage(WorkPage::stripes);
  addStripe(open.order(), "1");
  REQUIRE(work.stripePage().list().count() == 1);
  CHECK(work.stripePage().list().item(0)->text().contains("3 mm wide"));
  CHECK(open.order().plan()->set(purpose::stripe).parts.size() == 1);
  CHECK(open.order().plan()->set(purpose::uprightGauge).parts.size() == 1);
  // The line goes with its cut, and so does the stripe.
  open.station().cutPage().uncutButton().click();
  CHECK(work.stripePage().list().count() == 0);
  CHECK(open.order().planHolds());
}

TEST_CASE("a wrong V is told at its field, and the watch line leads there") {
  DivideWindow open;
  open.cut(CutKind::vee);
  open.type(Member::cutWide, "12");
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("along that edge"));
  open.window.goToStation(MainWindow::gauge);
  open.window.watchLine().go();
  QApplication::processEvents();
  CHECK(open.field(Member::cutWide).isVisible());
}

TEST_CASE("what is cut stays what it was when the cup's size changes") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.station().cutPage().count().setValue(4);
  open.order().editCup(
      "taller", [](Cup& cup) { cup.blank.stations[1].at = *writtenSize("8 in", Unit::inch); });
  CHECK(open.divided().lines[0].stretches[0][0].s.inches() == Approx(6));
}

TEST_CASE("stripes by tape and spacer are a way to place rings, with what they need said") {
  DivideWindow open;
  open.cut(CutKind::rings);
  CutPage& page = open.station().cutPage();
  page.by().button(static_cast<int>(CutBy::spacers))->click();
  // 14 stripes and 13 spacers of 1/4 in are 6 3/4 in of 7.
  CHECK(open.divided().zones.size() == 28);
  CHECK(page.runWords().contains("14 stripes fit, 1/4 in is left over"));
  page.count().setValue(3);
  CHECK(open.divided().zones.size() == 6);
  open.type(Member::cutTape, "9");
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("does not fit a zone"));
  open.order().history()->undo();
  CHECK(open.order().planHolds());
}

TEST_CASE("a wave becomes a zigzag and back") {
  DivideWindow open;
  open.cut(CutKind::wave);
  const std::size_t curved = open.divided().lines[0].stretches[0].size();
  open.station().cutPage().shape().button(1)->click();
  CHECK(open.divided().lines[0].stretches[0].size() < curved);
  open.station().cutPage().shape().button(0)->click();
  CHECK(open.divided().lines[0].stretches[0].size() == curved);
}

TEST_CASE("lines are picked and nudged by keys on the flat, by the tape's marks") {
  DivideWindow open;
  open.cut(CutKind::rings);
  FlatView& flat = open.window.flat();
  QTest::keyClick(&flat, Qt::Key_PageDown);
  CHECK(open.order().line() == "1");
  QTest::keyClick(&flat, Qt::Key_Up);
  CHECK(open.divided().marks[0].fromBase.inches() == Approx(3.5 + 1.0 / 16));
  QTest::keyClick(&flat, Qt::Key_Down, Qt::ShiftModifier);
  CHECK(open.divided().marks[0].fromBase.inches() == Approx(3 + 1.0 / 16));
  // An upright goes along by degrees.
  open.station().cutPage().uncutButton().click();
  open.cut(CutKind::uprights);
  open.order().pickLine("2");
  const CupAngle before = open.divided().marks[1].onCup;
  QTest::keyClick(&flat, Qt::Key_Right, Qt::AltModifier);
  CHECK((open.divided().marks[1].onCup - before).degrees() == Approx(1).margin(1e-6));
  // A V by its point and its corner.
  open.station().cutPage().uncutButton().click();
  open.cut(CutKind::vee);
  open.order().pickLine("1");
  QTest::keyClick(&flat, Qt::Key_Up);
  const auto vee = [&] { return std::get<VeeCut>(cutInHand(open.order())->how); };
  CHECK(vee().deep->length.inches() == Approx(7 - 1.0 / 16));
  const Length wide = vee().wide.length;
  QTest::keyClick(&flat, Qt::Key_Left, Qt::AltModifier);
  CHECK((vee().wide.length - wide).inches() == Approx(1.0 / 8));
}

TEST_CASE("on the cup in the round a line is pulled, a click picks a zone, a drag turns it") {
  DivideWindow open;
  open.cut(CutKind::rings);
  RoundView& cup = open.window.round();
  const std::optional<QPointF> place = cup.placeOfLine("1");
  REQUIRE(place.has_value());
  REQUIRE(cup.wallAt(*place).has_value());
  CHECK(cup.wallAt(*place)->s.inches() == Approx(3.5).margin(0.002));
  CHECK_FALSE(cup.wallAt({1, 1}).has_value());
  const int before = open.order().history()->count();
  const QPoint from = place->toPoint();
  const CupAngle facing = cup.facing();
  QTest::mousePress(&cup, Qt::LeftButton, {}, from);
  QTest::mouseMove(&cup, from + QPoint(0, 12));
  QTest::mouseMove(&cup, from + QPoint(0, 25));
  QTest::mouseRelease(&cup, Qt::LeftButton, {}, from + QPoint(0, 25));
  CHECK(open.order().line() == "1");
  CHECK(open.divided().marks[0].fromRim > Length::inches(3.6));
  CHECK(open.order().history()->count() == before + 1);
  CHECK(cup.facing() == facing);
  QTest::mouseClick(&cup, Qt::LeftButton, {}, from + QPoint(0, 50));
  CHECK(zoneInHand(open.order())->letter == "B");
  QTest::mousePress(&cup, Qt::LeftButton, {}, from - QPoint(0, 40));
  QTest::mouseMove(&cup, from + QPoint(30, -40));
  QTest::mouseRelease(&cup, Qt::LeftButton, {}, from + QPoint(30, -40));
  CHECK(cup.facing() != facing);
}

TEST_CASE("the order of filling is changed from the list of moves, and what it risks is said") {
  DivideWindow open;
  open.cut(CutKind::rings);
  const auto fill = [&](ZonePath zone, const char* colour) {
    open.order().pickPart(zone);
    editFinish(open.order(), "f", {}, [&](Finish& finish) {
      finish.kind = FinishKind::glitter;
      finish.colour = colour;
    });
  };
  fill({0}, "#101020");
  fill({1}, "#E0E0F0");
  WorkPage& work = open.station().workPage();
  const auto first = [&] { return open.order().plan()->tapeMoves.front().zones.front(); };
  CHECK(first() == "A");
  work.moveList().setCurrentRow(0);
  work.laterButton().click();
  CHECK(first() == "B");
  CHECK(moveInHand(open.order())->zones.front() == "A");
  CHECK(open.window.watchLine().sentence().contains("Dark goes first"));
  work.asUsualButton().click();
  CHECK(first() == "A");
  CHECK_FALSE(work.asUsualButton().isEnabled());
}

TEST_CASE("a stripe's join, spares and tape are chosen, and what is cut is counted") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.order().pickLine("1");
  StripePage& page = open.station().workPage().stripePage();
  open.station().workPage().showPage(WorkPage::stripes);
  CHECK(page.layButton().text() == "+ On line 1");
  page.layButton().click();
  CHECK(page.cutWords().contains("1 + 1 spare"));
  page.spares().setValue(4);
  CHECK(page.cutWords().contains("1 + 4 spare"));
  page.join().button(1)->click();
  CHECK(open.window.watchLine().sentence().contains("No stripe crosses line 1"));
  page.kind().button(0)->click();
  open.type(Member::stripeWidth, "5 mm");
  CHECK(open.order().plan()->watches.size() == 2);
  page.tapes().setFocus();
  page.tapes().selectAll();
  QTest::keyClicks(&page.tapes(), "3 mm; 5 mm");
  QTest::keyClick(&page.tapes(), Qt::Key_Return);
  CHECK(open.order().currentCup().division.tapes.size() == 2);
  CHECK(open.order().plan()->watches.size() == 1);
}

TEST_CASE("ink, dips, chunky glitter and clear film are finishes to choose") {
  DivideWindow open;
  FinishPage& page = open.station().finishPage();
  const auto finish = [&]() -> const Finish& { return zoneInHand(open.order())->finish; };
  page.kind().button(1)->click();
  emit page.way().activated(page.way().findData(static_cast<int>(PaintWay::dip)));
  CHECK(finish().kind == FinishKind::dip);
  CHECK(page.kind().chosen() == 1);
  page.kind().button(2)->click();
  emit page.grain().activated(2);
  CHECK(finish().grain == GlitterCut::chunky);
  page.kind().button(3)->click();
  page.opaque().button(1)->click();
  CHECK_FALSE(finish().opaque);
}

TEST_CASE("a finish is given to all parts of a cut, or to every second one") {
  DivideWindow open;
  FinishPage& page = open.station().finishPage();
  CHECK(page.onAllButton().isHidden());
  open.cut(CutKind::rings);
  open.station().cutPage().count().setValue(5);
  page.kind().button(2)->click();
  page.onSecondButton().click();
  const auto filled = [&] {
    std::string letters;
    for (const Zone& zone : open.divided().zones) {
      if (zone.finish.kind == FinishKind::glitter) letters += zone.letter;
    }
    return letters;
  };
  CHECK(filled() == "ACE");
  open.order().pickPart({1});
  page.kind().button(2)->click();
  page.onAllButton().click();
  CHECK(filled() == "ABCDE");
  open.order().history()->undo();
  CHECK(filled() == "ABCE");
}

TEST_CASE("a ring added above leaves patterns, stripes and the order of filling where they were") {
  DivideWindow open;
  open.cut(CutKind::rings);
  editCut(open.order(), "places", {}, [](Cut& cut) {
    cut.how = RingCut{.by = CutBy::places, .places = {WrittenLength::mm(100)}};
  });
  open.order().pickPart({1});
  editFinish(open.order(), "f", {}, [](Finish& finish) {
    finish.kind = FinishKind::glitter;
    finish.name = "low";
  });
  fillZone(open.order(), Family::hexagons);
  addStripe(open.order(), "1");
  const std::string zone = open.order().zone();
  CHECK(open.order().plan()->fills.front().letter == "B");
  editCut(open.order(), "another", {},
          [](Cut& cut) { std::get<RingCut>(cut.how).places.push_back(WrittenLength::mm(40)); });
  REQUIRE(open.divided().zones.size() == 3);
  CHECK(open.order().zone() == zone);
  CHECK(open.order().plan()->fills.front().letter == "C");
  CHECK(open.divided().zones[2].finish.name == "low");
  CHECK(open.divided().zones[0].finish.kind == FinishKind::none);
  CHECK(open.order().plan()->stripes.front().line == "2");
  open.order().history()->undo();
  CHECK(open.order().plan()->fills.front().letter == "B");
}

TEST_CASE("film on a zone is cut for that zone, and lights it up where it goes") {
  DivideWindow open;
  open.cut(CutKind::rings);
  open.order().pickPart({1});
  editFinish(open.order(), "f", {}, [](Finish& finish) { finish.kind = FinishKind::film; });
  open.order().pickPart({0});
  open.window.goToStation(MainWindow::cut);
  CutStation& cutting = open.window.cutStation();
  CHECK(open.order().plan()->parts(purpose::wrap).empty());
  cutting.choose(purpose::film);
  CHECK(zoneInHand(open.order())->letter == "B");
  CHECK(cutting.isForZones());
  // A wrap over everything is asked for, and taken back.
  auto* over = cutting.findChild<Segments*>("over");
  REQUIRE(over != nullptr);
  emit over->picked(static_cast<int>(WrapOver::clear));
  REQUIRE(open.order().plan()->parts(purpose::wrap).size() == 1);
  cutting.choose(purpose::wrap);
  CHECK_FALSE(cutting.isForZones());
  open.order().history()->undo();
  CHECK(open.order().plan()->parts(purpose::wrap).empty());
  CHECK(cutting.purpose() == purpose::film);
}
