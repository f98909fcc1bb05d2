// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "app/application.h"
#include "app/order/fill_edits.h"
#include "app/order/zone_edits.h"

using namespace avrelt;

namespace {

/// A window at the fill station, with a straight cup 9 in round and 7 in tall.
struct FillWindow : OpenWindow {
  FillWindow() {
    window.goToStation(MainWindow::filling);
    QApplication::processEvents();
  }
  Order& order() { return window.order(); }
  FillStation& station() { return window.fillStation(); }
  const FillPlan& plan() {
    REQUIRE(fillPlanInHand(order()) != nullptr);
    return *fillPlanInHand(order());
  }
  void take(Family family) {
    Gallery& gallery = station().patternPage().gallery();
    QTest::mouseClick(&gallery, Qt::LeftButton, {}, gallery.placeOf(family).toPoint());
  }
};

}  // namespace

TEST_CASE("a pattern is taken from the gallery, changed for another and taken away") {
  FillWindow open;
  CHECK(fillInHand(open.order()) == nullptr);
  open.take(Family::bricks);
  CHECK(open.plan().cells.size() > 20);
  CHECK(open.plan().colouring.clashes.empty());
  CHECK(open.station().patternPage().words().contains("Bricks"));
  Gallery& gallery = open.station().patternPage().gallery();
  gallery.setFocus();
  QTest::keyClick(&gallery, Qt::Key_Right);
  QTest::keyClick(&gallery, Qt::Key_Return);
  CHECK(fillInHand(open.order())->pattern.family == Family::check);
  open.order().history()->undo();
  CHECK(fillInHand(open.order())->pattern.family == Family::bricks);
  open.station().patternPage().awayButton().click();
  CHECK(fillInHand(open.order()) == nullptr);
  CHECK(open.order().plan()->fills.empty());
}

TEST_CASE("repeats are offered with what they cost, a wrong size is told at its field") {
  FillWindow open;
  open.take(Family::check);
  QComboBox& repeats = open.station().patternPage().repeats();
  CHECK(repeats.itemText(0).contains("9, exact"));
  repeats.setCurrentIndex(2);
  emit repeats.activated(2);
  CHECK(open.plan().fit.around == repeats.itemData(2).toInt());
  open.type("fill.pattern.size", "1/32");
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("cannot be laid"));
  open.window.goToStation(MainWindow::gauge);
  open.window.watchLine().go();
  QApplication::processEvents();
  CHECK(open.field("fill.pattern.size").isVisible());
}

TEST_CASE("a click on a cell gives it the colour in hand, another frees it") {
  FillWindow open;
  open.take(Family::hexagons);
  open.station().colourPage().list().setCurrentRow(2);
  FlatView& flat = open.window.flat();
  const WallPoint middle = open.plan().cells[open.plan().cells.size() / 2].middle;
  QTest::mouseClick(&flat, Qt::LeftButton, {}, flat.placeOfWall(middle).toPoint());
  REQUIRE(fillInHand(open.order())->pins.size() == 1);
  const auto colourThere = [&] {
    for (const Cell& cell : open.plan().cells) {
      if (cell.whole.contains(middle)) return cell.colour;
    }
    return -1;
  };
  CHECK(colourThere() == 2);
  CHECK(open.plan().colouring.clashes.empty());
  // It stays when the rest is rolled again.
  open.station().colourPage().rollButton().click();
  CHECK(colourThere() == 2);
  QTest::mouseClick(&flat, Qt::LeftButton, {}, flat.placeOfWall(middle).toPoint());
  CHECK(fillInHand(open.order())->pins.empty());
}

TEST_CASE("colours are added, taken away, swapped and shared out") {
  FillWindow open;
  open.take(Family::diamonds);
  ColourPage& page = open.station().colourPage();
  CHECK(page.list().count() == 4);
  page.addButton().click();
  CHECK(fillInHand(open.order())->colours.size() == 5);
  CHECK(page.inHand() == 4);
  page.share().setValue(0);
  for (const Cell& cell : open.plan().cells) CHECK(cell.colour != 4);
  page.takeButton().click();
  CHECK(fillInHand(open.order())->colours.size() == 4);
  page.list().setCurrentRow(0);
  const std::string second = fillInHand(open.order())->colours[1].finish.colour;
  page.swapButton().click();
  CHECK(fillInHand(open.order())->colours[0].finish.colour == second);
  while (fillInHand(open.order())->colours.size() > 1) page.takeButton().click();
  CHECK_FALSE(page.takeButton().isEnabled());
  // One colour for cells that touch cannot be, and that is proved.
  CHECK_FALSE(open.plan().colouring.clashes.empty());
  CHECK(open.window.watchLine().sentence().contains("all touch each other"));
}

TEST_CASE("what is lifted for a colour stands in the list and out on the flat") {
  FillWindow open;
  open.take(Family::check);
  QListWidget& peels = open.station().peelList();
  REQUIRE(peels.count() == 4);
  CHECK(peels.item(0)->text().startsWith("1. a dark"));
  CHECK(open.station().sums().contains("60 min"));
  const QImage before = open.window.flat().grab().toImage();
  peels.setCurrentRow(0);
  CHECK(open.order().peel() == 0);
  CHECK(open.window.flat().grab().toImage() != before);
}

TEST_CASE("stencil and key of a filled zone are among the pieces") {
  FillWindow open;
  open.take(Family::triangles);
  const CupPlan& plan = *open.order().plan();
  const PieceSet stencil = plan.set(PieceRole::stencil);
  REQUIRE(stencil.pieces.size() == 1);
  CHECK(stencil.pieces[0].slits.size() >= open.plan().cells.size());
  REQUIRE(plan.set(PieceRole::key).pieces.size() == 1);
  CHECK(plan.set(PieceRole::filmCell).pieces.empty());
  editFill(open.order(), "film", {},
           [](Fill& fill) { fill.colours[1].finish.kind = FinishKind::film; });
  const auto wanted =
      static_cast<std::size_t>(std::count_if(open.plan().cells.begin(), open.plan().cells.end(),
                                             [](const Cell& cell) { return cell.colour == 1; }));
  CHECK(open.order().plan()->set(PieceRole::filmCell).pieces.size() == wanted);
}

TEST_CASE("a pattern stays with its zone's first part when that is cut, and comes back") {
  FillWindow open;
  open.take(Family::check);
  cutZone(open.order(), CutKind::rings);
  CHECK(open.order().planHolds());
  REQUIRE(open.order().currentCup().fills.size() == 1);
  CHECK(open.order().currentCup().fills[0].zone == ZonePath{0});
  CHECK(open.plan().zone == "A");
  uncutZone(open.order());
  CHECK(open.order().currentCup().fills[0].zone.empty());
  cutZone(open.order(), CutKind::rings);
  // From the other part, which has none, the whole has none.
  open.order().pickZone({1});
  uncutZone(open.order());
  CHECK(open.order().currentCup().fills.empty());
  CHECK(open.order().planHolds());
}

TEST_CASE("what a pattern has no use for cannot be set, and whole ratios stay whole") {
  FillWindow open;
  const auto turn = [&] {
    for (QCheckBox* box : open.station().patternPage().findChildren<QCheckBox*>()) {
      if (box->text() == "Quarter turn") return box;
    }
    return static_cast<QCheckBox*>(nullptr);
  };
  open.take(Family::slants);
  REQUIRE(turn() != nullptr);
  CHECK_FALSE(turn()->isEnabled());
  CHECK(open.station().patternPage().ratio().isEnabled());
  open.take(Family::hexagons);
  CHECK(turn()->isEnabled());
  CHECK_FALSE(open.station().patternPage().ratio().isEnabled());
  const double across = open.plan().cells[0].area.mm2();
  turn()->click();
  CHECK(fillInHand(open.order())->pattern.turned);
  CHECK(open.plan().cells[0].area.mm2() != Approx(across));
  open.take(Family::herringbone);
  CHECK(open.station().patternPage().ratio().decimals() == 0);
}

TEST_CASE("a cell is given its colour on the cup in the round too, and tape is not shown there") {
  FillWindow open;
  open.take(Family::check);
  open.station().colourPage().list().setCurrentRow(1);
  RoundView& cup = open.window.round();
  QTest::mouseClick(&cup, Qt::LeftButton, {}, cup.rect().center());
  REQUIRE(fillInHand(open.order())->pins.size() == 1);
  CHECK(fillInHand(open.order())->pins[0].colour == 1);
  CHECK(abs(fillInHand(open.order())->pins[0].onCup) < Angle::degrees(30));
  const QImage before = cup.grab().toImage();
  open.order().pickMove(1);
  CHECK(cup.grab().toImage() == before);
}
