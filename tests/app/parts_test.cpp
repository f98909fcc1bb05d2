// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QAbstractItemView>
#include <QDir>
#include <QFile>
#include <QSettings>
#include <QTemporaryDir>

#include "app/application.h"
#include "app/gauge/coats.h"
#include "app/order/fill_edits.h"
#include "app/order/zone_edits.h"

using namespace avrelt;

namespace {

/// A window with a cup in three: glitter, printed film, glitter, under three coats.
struct LayeredWindow : OpenWindow {
  LayeredWindow() {
    Order& order = window.order();
    cutZone(order, CutKind::rings);
    editCut(order, {}, {}, [](Cut& cut) { std::get<RingCut>(cut.how).count = 3; });
    for (int i = 0; i < 3; ++i) {
      order.pickPart({i});
      editFinish(order, "f", {}, [i](Finish& finish) {
        finish.kind = i == 1 ? FinishKind::film : FinishKind::glitter;
        finish.printed = i == 1;
        finish.colour = i == 0 ? "#101030" : "#E0E0F0";
      });
    }
    for (int i = 0; i < 3; ++i) {
      addCoat(order, {CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}});
    }
  }
  Order& order() { return window.order(); }
  const CupPlan& plan() { return *window.order().plan(); }
  CutStation& cutting() { return window.cutStation(); }
  PartChoice* choice(const char* purpose) {
    for (PartChoice* one : cutting().findChildren<PartChoice*>()) {
      if (one->isVisible() && one->purpose() == purpose) return one;
    }
    return nullptr;
  }
  QCheckBox* tick(const QString& words) {
    for (QCheckBox* box : cutting().findChildren<QCheckBox*>()) {
      if (box->isVisible() && box->accessibleName() == words) return box;
    }
    return nullptr;
  }
};

}  // namespace

TEST_CASE("film gets a stage of its own in the growth list, by drag and by key") {
  LayeredWindow open;
  open.window.gaugeStation().showPage(GaugeStation::growth);
  QApplication::processEvents();
  auto* list = open.window.findChild<StageList*>();
  auto* page = open.window.findChild<GrowthPage*>();
  REQUIRE(list != nullptr);
  REQUIRE(page != nullptr);
  CHECK(list->stage() == 3);
  const int film = page->thing().findText("film of zone B");
  REQUIRE(film > 0);
  page->thing().setCurrentIndex(film);
  emit page->thing().activated(film);
  CHECK(list->thing() == open.cup().division.body.parts[1].id);
  list->setFocus();
  open.press(Qt::Key_Up);
  CHECK(list->stage() == 2);
  CHECK(open.cup().buildUp.laidAfter == 3);
  CHECK(open.plan().parts(purpose::film)[0].laidAfter == 2);
  CHECK(page->thing().currentText().contains("after 2 coats"));
  CHECK(page->thing().itemText(0) == "everything else");
  // Measured at its own stage, it is cut for that.
  open.type(Member::measured, "9 1/8");
  open.press(Qt::Key_Return);
  REQUIRE(open.cup().buildUp.measured.size() == 1);
  CHECK(open.cup().buildUp.measured[0].after == 2);
  open.order().history()->undo();
  // One row up by the mouse, and out of the list's top: the bare cup at the least.
  const QPoint here(60, list->height() / 2);
  const int before = list->stage();
  QTest::mousePress(list, Qt::LeftButton, Qt::NoModifier, here);
  QTest::mouseMove(list, here - QPoint(0, 400));
  QTest::mouseRelease(list, Qt::LeftButton, Qt::NoModifier, here - QPoint(0, 400));
  CHECK(list->stage() == 0);
  CHECK(list->stage() <= before);
  open.order().history()->undo();
  // A coat taken off below keeps it where it is among the others.
  layAfter(open.order(), 2, list->thing());
  removeCoat(open.order(), 1);
  CHECK(list->stage() == 1);
  // The zone painted, there is no such thing to be laid any more.
  open.order().pickPart({1});
  editFinish(open.order(), "f", {}, [](Finish& finish) { finish.kind = FinishKind::paint; });
  QApplication::processEvents();
  CHECK(list->thing().empty());
  CHECK(page->thing().findText("film of zone B, after 1 coat") < 0);
}

TEST_CASE("parts are listed film by film, each with its tick") {
  LayeredWindow open;
  open.window.goToStation(MainWindow::cut);
  QApplication::processEvents();
  // Printed film first, paper last.
  const auto choices = open.cutting().findChildren<PartChoice*>();
  REQUIRE(choices.size() > 4);
  CHECK(choices.front()->purpose() == purpose::film);
  CHECK(choices.front()->accessibleName() == "Film, zone B");
  CHECK(choices.front()->accessibleDescription().contains("after 3 coats"));
  CHECK(open.cutting().purpose() == purpose::film);
  CHECK(open.cutting().isForZones());
  CHECK(zoneInHand(open.order())->letter == "B");
  QStringList headings;
  for (QLabel* label : open.cutting().findChildren<QLabel*>()) {
    if (label->property("role") == "label") headings << label->text();
  }
  CHECK(headings.contains("Printed film"));
  CHECK(headings.contains("Paper"));
  QCheckBox* cut = open.tick("Film, zone B is cut");
  REQUIRE(cut != nullptr);
  cut->click();
  REQUIRE(open.cup().cuts.size() == 1);
  CHECK(open.cup().cuts[0].purpose == purpose::film);
  CHECK(open.cup().cuts[0].after == 3);
  // By the key, the part that is chosen.
  QTest::mouseClick(open.choice(purpose::baseDisc), Qt::LeftButton);
  CHECK(open.cutting().purpose() == purpose::baseDisc);
  open.press(Qt::Key_K, Qt::ControlModifier);
  CHECK(open.cup().cuts.size() == 2);
  CHECK(open.tick("Base disc is cut")->isChecked());
  open.press(Qt::Key_K, Qt::ControlModifier);
  CHECK(open.cup().cuts.size() == 1);
  // The cup measured larger: the film is told, and F7 leads to its tick.
  open.order().editCup("m", [](Cup& cup) {
    for (Station& station : cup.blank.stations) {
      if (station.girth) station.girth->length += Length::inches(0.25);
    }
  });
  CHECK(open.window.watchLine().sentence().contains("film of zone B was cut for"));
  open.window.goToStation(MainWindow::gauge);
  open.press(Qt::Key_F7);
  QApplication::processEvents();
  CHECK(open.tick("Film, zone B is cut")->hasFocus());
  open.order().history()->undo();
  cut = open.tick("Film, zone B is cut");
  REQUIRE(cut != nullptr);
  cut->click();
  CHECK(open.cup().cuts.empty());
}

TEST_CASE("arrow keys go through the parts, and what is chosen is what is saved") {
  LayeredWindow open;
  const QTemporaryDir folder;
  open.window.goToStation(MainWindow::cut);
  QApplication::processEvents();
  open.choice(purpose::film)->setFocus();
  open.press(Qt::Key_Down);
  CHECK(open.cutting().purpose() != purpose::film);
  open.press(Qt::Key_Up);
  CHECK(open.cutting().purpose() == purpose::film);
  REQUIRE_FALSE(open.window.savePiece(OutputKind::svg, folder.filePath("f.svg")).has_value());
  CHECK(open.cutting().set()->id == "film-B");
  // A cup without film shows what it has; saving what is gone is refused in words.
  open.order().pickPart({1});
  editFinish(open.order(), "f", {}, [](Finish& finish) { finish.kind = FinishKind::paint; });
  QApplication::processEvents();
  CHECK(open.choice(purpose::film) == nullptr);
  CHECK(open.cutting().set().has_value());
}

TEST_CASE("a cover and a window are made of zones in hand and take tape's place") {
  LayeredWindow open;
  open.window.goToStation(MainWindow::dividing);
  open.window.divideStation().workPage().showPage(WorkPage::masks);
  QApplication::processEvents();
  MaskPage& page = open.window.divideStation().workPage().maskPage();
  open.order().pickPart({0});
  QApplication::processEvents();
  CHECK(page.coverButton().text() == "+ Cover of A");
  page.windowButton().click();
  REQUIRE(open.cup().division.masks.size() == 1);
  CHECK(page.list().item(0)->text() == "Window to A");
  REQUIRE(page.zones().count() == 3);
  CHECK(page.zones().item(0)->checkState() == Qt::Checked);
  // The last zone stays; another may come.
  page.zones().item(0)->setCheckState(Qt::Unchecked);
  CHECK(open.cup().division.masks[0].zones.size() == 1);
  CHECK(page.zones().item(0)->checkState() == Qt::Checked);
  page.zones().item(2)->setCheckState(Qt::Checked);
  CHECK(open.cup().division.masks[0].zones.size() == 2);
  CHECK(page.list().item(0)->text() == "Window to A, C");
  page.zones().item(2)->setCheckState(Qt::Unchecked);
  const auto moves = [&](MoveKind kind) {
    return std::count_if(open.plan().tapeMoves.begin(), open.plan().tapeMoves.end(),
                         [&](const TapeMove& move) { return move.kind == kind; });
  };
  CHECK(moves(MoveKind::mask) == 1);
  open.type(Member::maskMargin, "1/2");
  open.press(Qt::Key_Return);
  CHECK(open.cup().division.masks[0].margin.length == Length::inches(0.5));
  open.type(Member::maskMargin, "20");
  open.press(Qt::Key_Return);
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("cannot be laid"));
  open.order().history()->undo();
  emit page.material().picked(1);
  CHECK(open.plan().parts(purpose::window)[0].material == PartMaterial::paper);
  open.order().pickPart({1});
  QApplication::processEvents();
  page.coverButton().click();
  CHECK(open.plan().parts(purpose::cover).size() == 1);
  CHECK(page.list().currentRow() == 1);
  page.removeButton().click();
  CHECK(open.plan().parts(purpose::cover).empty());
  CHECK(open.cup().division.masks.size() == 1);
  open.order().history()->undo();
  CHECK(open.cup().division.masks.size() == 2);
}

TEST_CASE("a patch is asked for where a V's point shows") {
  OpenWindow open;
  Order& order = open.window.order();
  open.window.goToStation(MainWindow::dividing);
  cutZone(order, CutKind::vee);
  order.pickPart({0});
  editFinish(order, "f", {}, [](Finish& finish) { finish.kind = FinishKind::film; });
  QApplication::processEvents();
  const auto told = [&] {
    return std::any_of(order.plan()->watches.begin(), order.plan()->watches.end(),
                       [](const Watch& watch) { return watch.rule == Rule::pointShows; });
  };
  CHECK(told());
  FinishPage& page = open.window.divideStation().finishPage();
  CHECK(page.patch().isVisible());
  page.patch().setCurrentIndex(2);
  emit page.patch().activated(2);
  CHECK_FALSE(told());
  CHECK(order.plan()->parts(purpose::patch).size() == 1);
  open.type(Member::patchAcross, "1/2");
  open.press(Qt::Key_Return);
  CHECK(order.plan()->part(purpose::patch).bounds().width() == Approx(12.7));
}

TEST_CASE("film's edge is chosen for all lines or for one, and back") {
  LayeredWindow open;
  open.window.goToStation(MainWindow::dividing);
  open.order().pickPart({1});
  QApplication::processEvents();
  FinishPage& page = open.window.divideStation().finishPage();
  REQUIRE(page.edgeAt().count() == 3);
  CHECK(page.edgeAt().itemText(0) == "all lines");
  const double exact = open.plan().parts(purpose::film)[0].area().mm2();
  page.edgeAt().setCurrentIndex(2);
  emit page.edgeAt().activated(2);
  CHECK(open.order().line() == "2");
  emit page.edge().activated(3);
  REQUIRE(open.cup().division.body.parts[1].finish.edges.size() == 1);
  CHECK(page.edge().currentIndex() == 3);
  open.type(Member::edgeBy, "1/4");
  open.press(Qt::Key_Return);
  CHECK(open.cup().division.body.parts[1].finish.edges[0].by.length == Length::inches(0.25));
  CHECK(open.plan().parts(purpose::film)[0].area().mm2() > exact);
  // A ring added above: it stays on the line it was said of.
  editCut(open.order(), {}, {}, [](Cut& cut) {
    cut =
        RingCut{.by = CutBy::places, .places = {{Length::inches(2), {}}, {Length::inches(4), {}}}};
  });
  page.edgeAt().setCurrentIndex(0);
  emit page.edgeAt().activated(0);
  CHECK(page.edge().currentIndex() == 0);
  page.edgeAt().setCurrentIndex(2);
  emit page.edgeAt().activated(2);
  emit page.edge().activated(0);
  page.edgeAt().setCurrentIndex(0);
  open.order().history()->undo();
  CHECK(open.cup().division.body.parts[1].finish.edges.size() == 1);
}

TEST_CASE("a warning about a cut part leads to its tick where the Cut station was never seen") {
  LayeredWindow open;
  open.order().markCut(entriesOf(open.plan(), purpose::baseDisc).front(), true);
  open.order().markCut(entriesOf(open.plan(), purpose::film).front(), true);
  open.order().editCup("m", [](Cup& cup) {
    for (Station& station : cup.blank.stations) {
      if (station.girth) station.girth->length += Length::inches(0.25);
    }
  });
  REQUIRE(open.window.watchLine().sentence().contains("film of zone B was cut for"));
  open.press(Qt::Key_F7);
  QApplication::processEvents();
  REQUIRE(open.tick("Film, zone B is cut") != nullptr);
  CHECK(open.tick("Film, zone B is cut")->hasFocus());
  CHECK(open.cutting().purpose() == purpose::film);
}
