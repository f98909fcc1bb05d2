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
  CHECK(open.station().words().contains("Bricks"));
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
  open.type(Member::patternSize, "1/32");
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("cannot be laid"));
  open.window.goToStation(MainWindow::gauge);
  open.window.watchLine().go();
  QApplication::processEvents();
  CHECK(open.field(Member::patternSize).isVisible());
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
      if (contains(cell.whole, middle)) return cell.colour;
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
  QListWidget& peels = open.station().liftPage().list();
  QTest::qWait(150);  // lists catch up when the hand rests
  REQUIRE(peels.count() == 4);
  CHECK(peels.item(0)->text().startsWith("1. a dark"));
  CHECK(open.station().liftPage().sums().contains("60 min"));
  const QImage before = open.window.flat().grab().toImage();
  peels.setCurrentRow(0);
  CHECK(open.order().peel() == 0);
  CHECK(open.window.flat().grab().toImage() != before);
}

TEST_CASE("stencil and key of a filled zone are among the pieces") {
  FillWindow open;
  open.take(Family::triangles);
  const CupPlan& plan = *open.order().plan();
  const PartSet stencil = plan.set(purpose::stencil);
  REQUIRE(stencil.parts.size() == 1);
  CHECK(stencil.parts[0].slits.size() >= open.plan().cells.size());
  REQUIRE(plan.set(purpose::key).parts.size() == 1);
  CHECK(plan.set(purpose::filmCell).parts.empty());
  editFill(open.order(), "film", {},
           [](Fill& fill) { fill.colours[1].finish.kind = FinishKind::film; });
  const auto wanted =
      static_cast<std::size_t>(std::count_if(open.plan().cells.begin(), open.plan().cells.end(),
                                             [](const Cell& cell) { return cell.colour == 1; }));
  CHECK(open.order().plan()->set(purpose::filmCell).parts.size() == wanted);
}

TEST_CASE("a pattern stays with its zone's first part when that is cut, and comes back") {
  FillWindow open;
  open.take(Family::check);
  cutZone(open.order(), CutKind::rings);
  CHECK(open.order().planHolds());
  REQUIRE(open.order().currentCup().fills.size() == 1);
  CHECK(open.order().currentCup().fills[0].zone ==
        open.order().currentCup().division.body.parts[0].id);
  CHECK(open.plan().letter == "A");
  uncutZone(open.order());
  CHECK(open.order().currentCup().fills[0].zone == open.order().currentCup().division.body.id);
  cutZone(open.order(), CutKind::rings);
  // From the other part, which has none, the whole has none.
  open.order().pickPart({1});
  uncutZone(open.order());
  CHECK(open.order().currentCup().fills.empty());
  CHECK(open.order().planHolds());
}

TEST_CASE("what a pattern has no use for cannot be set, and whole ratios stay whole") {
  FillWindow open;
  const auto turn = [&] { return &open.station().fitPage().turned(); };
  open.take(Family::slants);
  open.station().patternPages().show(FillStation::fit);
  CHECK_FALSE(turn()->isEnabled());
  open.station().patternPages().show(FillStation::family);
  CHECK(open.station().patternPage().ratio().isEnabled());
  open.take(Family::hexagons);
  CHECK_FALSE(open.station().patternPage().ratio().isEnabled());
  open.station().patternPages().show(FillStation::fit);
  CHECK(turn()->isEnabled());
  const double across = open.plan().cells[0].area.mm2();
  turn()->click();
  CHECK(fillInHand(open.order())->pattern.turned);
  CHECK(open.plan().cells[0].area.mm2() != Approx(across));
  open.station().patternPages().show(FillStation::family);
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
  CHECK(abs(fillInHand(open.order())->pins[0].onCup.fromFront()) < Angle::degrees(30));
  const QImage before = cup.grab().toImage();
  open.order().pickMove(1);
  CHECK(cup.grab().toImage() == before);
}

TEST_CASE("ways to fit a pattern stand with what they cost, and are taken from the list") {
  FillWindow open;
  open.take(Family::check);
  open.station().patternPages().show(FillStation::fit);
  FitPage& fit = open.station().fitPage();
  REQUIRE(fit.ways().count() == 4);
  CHECK(fit.ways().item(0)->text().contains("9 round, wide exact"));
  // 7 in of wall: seven repeats of an inch.
  CHECK(fit.ways().item(2)->text().contains("tall exact"));
  CHECK(fit.ways().currentRow() == 0);
  fit.ways().setFocus();
  QTest::keyClick(&fit.ways(), Qt::Key_Down);
  CHECK(fillInHand(open.order())->pattern.heightFit == HeightFit::proportion);
  fit.ways().setCurrentRow(3);
  CHECK(fillInHand(open.order())->pattern.taperFit == TaperFit::keep);
  fit.along().setValue(25);
  fit.up().setValue(50);
  CHECK(fillInHand(open.order())->pattern.along == Approx(0.25));
  CHECK(fillInHand(open.order())->pattern.up == Approx(0.5));
  open.order().history()->undo();
  CHECK(fit.up().value() == 0);
  open.station().patternPages().show(FillStation::family);
  open.take(Family::pebbles);
  open.station().patternPages().show(FillStation::fit);
  const double before = open.plan().cells[5].area.mm2();
  fit.seed().setValue(77);
  CHECK(fillInHand(open.order())->pattern.seed == 77);
  CHECK(open.plan().cells[5].area.mm2() != Approx(before));
}

TEST_CASE("a drawing fills the zone in hand; one that is none changes nothing and says why") {
  FillWindow open;
  open.station().takeArtworkFrom(AVRELT_DATA "/demo/Moons and stars.svg");
  REQUIRE(fillInHand(open.order()) != nullptr);
  CHECK(fillInHand(open.order())->pattern.family == Family::artwork);
  CHECK(fillInHand(open.order())->pattern.artwork->cells.size() == 3);
  CHECK(open.plan().cells.size() > 50);
  CHECK(open.plan().colouring.clashes.empty());
  CHECK(open.station().patternPages().shown() == FillStation::fit);
  FitPage& fit = open.station().fitPage();
  CHECK(fit.told().contains("2 × 2 times"));
  CHECK(fit.picture().isVisible());
  // A picture is not squashed: the way is refused in words, and the last plan stands greyed.
  fit.picture().click();
  fit.ways().setCurrentRow(2);
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("would squash the picture"));
  fit.picture().click();
  CHECK(open.order().planHolds());
  fit.picture().click();
  CHECK(fillInHand(open.order())->pattern.heightFit == HeightFit::proportion);

  const Fill before = *fillInHand(open.order());
  open.station().takeArtworkFrom(AVRELT_DATA "/demo/Moon from the side.jpg");
  CHECK(*fillInHand(open.order()) == before);
  CHECK(open.window.watchLine().sentence().contains("no whole SVG"));
  open.station().takeArtworkFrom("/nowhere/at-all.svg");
  CHECK(*fillInHand(open.order()) == before);
  CHECK(open.window.watchLine().sentence().contains("at-all.svg"));
}

TEST_CASE("a cell is given a colour, or kept from one, by its label") {
  FillWindow open;
  open.take(Family::hexagons);
  ColourPage& page = open.station().colourPage();
  page.list().setCurrentRow(1);
  const auto colourOf = [&](const std::string& label) {
    for (const Cell& cell : open.plan().cells) {
      if (cell.label == label) return cell.colour;
    }
    return -1;
  };
  page.cell().setText("c4");
  QTest::keyClick(&page.cell(), Qt::Key_Return);
  CHECK(colourOf("C4") == 1);
  page.barButton().click();
  REQUIRE(fillInHand(open.order())->pins.size() == 1);
  CHECK(fillInHand(open.order())->pins[0].bar);
  CHECK(colourOf("C4") != 1);
  page.barButton().click();
  CHECK(fillInHand(open.order())->pins.empty());
  page.cell().setText("Z99");
  QTest::keyClick(&page.cell(), Qt::Key_Return);
  CHECK(open.window.watchLine().sentence().contains("no cell Z99"));
}

TEST_CASE("rates are the shop's: amounts and time follow, and stay for the next order") {
  FillWindow open;
  open.take(Family::check);
  open.station().workPages().show(FillStation::amounts);
  AmountsPage& amounts = open.station().amountsPage();
  CHECK(amounts.words().contains("cautious guesses"));
  const double before = open.plan().needs[0].glitter.grams();
  amounts.glitter().setValue(amounts.glitter().value() * 2);
  CHECK(open.plan().needs[0].glitter.grams() == Approx(2 * before).epsilon(0.01));
  amounts.minutes().setValue(12);
  CHECK(open.plan().work.minutes() == Approx(48));
  CHECK_FALSE(amounts.words().contains("cautious guesses"));
  amounts.coats().setValue(1);
  CHECK(open.plan().needs[0].glitter.grams() == Approx(before).epsilon(0.01));
  CHECK(fillInHand(open.order())->coats == 1);
  CHECK(open.order().stock().filling.perColour.minutes() == Approx(12));
  // What is shown rounded is not stored rounded when another rate is typed.
  const double paint = FillRates().paintPerCm2.ml();
  CHECK(open.order().stock().filling.paintPerCm2.ml() == paint);
}

TEST_CASE("what is cut besides the stencil is chosen, and weeding is foretold") {
  FillWindow open;
  open.take(Family::check);
  open.station().workPages().show(FillStation::parts);
  CuttingPage& cutting = open.station().cuttingPage();
  CHECK(cutting.words().contains("cells, the narrowest about"));
  CHECK_FALSE(cutting.straight().isEnabled());  // it is straight
  CHECK_FALSE(cutting.spares().isEnabled());    // no film
  cutting.lines().button(2)->click();
  CHECK(cutting.words().contains("Tape 1/32 in wide"));
  cutting.lines().button(1)->click();
  CHECK(open.order().plan()->set(purpose::lineWork).parts.size() == 1);
  cutting.doubleSided().click();
  CHECK(open.order().plan()->set(purpose::doubleSided).parts.size() == 1);
  editFill(open.order(), "film", {},
           [](Fill& fill) { fill.colours[1].finish.kind = FinishKind::film; });
  const std::size_t cells = open.order().plan()->set(purpose::filmCell).parts.size();
  cutting.spares().setValue(1);
  CHECK(open.order().plan()->set(purpose::filmCell).parts.size() == 2 * cells);
  cutting.filmWhole().click();
  CHECK(open.order().plan()->set(purpose::filmCell).parts.empty());
  CHECK(open.order().plan()->set(purpose::filmWhole).parts.size() == 1);
}
