// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/application.h"
#include "app/gauge/measures.h"

using namespace avrelt;

namespace {

/// A window whose cup bulges, 4 stations.
struct CurvedWindow : OpenWindow {
  CurvedWindow() {
    Document document;
    Cup cup = newCup("Moon", Unit::inch);
    cup.blank.heightAlong = HeightAlong::plumb;
    cup.blank.joined = Joined::smooth;
    cup.blank.stations.clear();
    const auto add = [&](const char* at, const char* around) {
      cup.blank.stations.push_back(
          {*writtenSize(at, Unit::inch), *writtenSize(around, Unit::inch), Girth::around, {}});
    };
    add("0 in", "9 1/4 in");
    add("2 in", "11 in");
    add("4 1/2 in", "12 in");
    add("7 in", "11 3/8 in");
    cup.film.kind = FilmKind::thinCast;
    document.cups = {cup};
    window.order().load(document);
  }
  QTableWidget& table() { return *window.gaugeStation().stationTable().table(); }
  Order& order() { return window.order(); }
};

/// How many pixels differ between two pictures of one size.
int differing(const QImage& a, const QImage& b) {
  int count = 0;
  for (int y = 0; y < a.height(); ++y) {
    for (int x = 0; x < a.width(); ++x) count += a.pixel(x, y) != b.pixel(x, y) ? 1 : 0;
  }
  return count;
}

}  // namespace

TEST_CASE("a straight cup made curved gets a station half-way, and back again") {
  OpenWindow open;
  Order& order = open.window.order();
  setShape(order, Shape::curved);
  REQUIRE(order.currentCup().blank.stations.size() == 3);
  CHECK(order.planHolds());
  CHECK(order.currentCup().blank.joined == Joined::smooth);
  CHECK(order.currentCup().blank.stations[1].at.length == Length::inches(3.5));
  setShape(order, Shape::tapered);
  CHECK(order.currentCup().blank.stations.size() == 2);
  CHECK(shapeOf(order.currentCup()) == Shape::tapered);
  order.history()->undo();
  order.history()->undo();
  CHECK(shapeOf(order.currentCup()) == Shape::straight);
}

TEST_CASE("a station's girth is typed in the table, the rim uppermost") {
  CurvedWindow open;
  REQUIRE(open.table().rowCount() == 4);
  CHECK(open.table().item(0, 1)->text() == "11 3/8");
  CHECK(open.table().item(3, 1)->text() == "9 1/4");
  open.table().item(1, 1)->setText("11-3/4\"");
  QApplication::processEvents();
  CHECK(open.cup().blank.stations[2].girth->length == Length::inches(11.75));
  CHECK(open.order().planHolds());
  CHECK(open.order().history()->undoText() == "Set station girth to 11 3/4 in");
  open.table().item(1, 1)->setText("wide");
  QApplication::processEvents();
  CHECK(open.cup().blank.stations[2].girth->length == Length::inches(11.75));
  CHECK_FALSE(open.window.watchLine().sentence().isEmpty());
}

TEST_CASE("stations out of order are told at their place, and nothing is lost") {
  CurvedWindow open;
  open.table().item(1, 0)->setText("1 in");
  QApplication::processEvents();
  CHECK_FALSE(open.order().planHolds());
  CHECK(open.order().plan() != nullptr);
  CHECK(open.window.watchLine().sentence().contains("from the base up"));
  CHECK(open.table().item(1, 0)->toolTip().contains("from the base up"));
  CHECK(open.window.gaugeStation().goTo(Where(Member::stationAt, std::size_t{2})));
  CHECK(open.table().currentRow() == 1);
  open.order().history()->undo();
  CHECK(open.order().planHolds());
}

TEST_CASE("stations are added and taken away by keyboard") {
  CurvedWindow open;
  open.table().setFocus();
  open.table().setCurrentCell(2, 1);  // the station at 2 in
  QTest::keyClick(&open.table(), Qt::Key_Insert);
  REQUIRE(open.cup().blank.stations.size() == 5);
  CHECK(open.cup().blank.stations[2].at.length == Length::inches(3.25));
  CHECK(open.order().planHolds());
  QTest::keyClick(&open.table(), Qt::Key_Delete);
  CHECK(open.cup().blank.stations.size() == 4);
}

TEST_CASE("a station is dragged on the side view and snaps to the tape") {
  CurvedWindow open;
  ProfileDrawing& drawing = open.window.gaugeStation().drawing();
  QApplication::processEvents();
  const QPoint from = drawing.placeOfStation(2).toPoint();
  const QPoint to = from + QPoint(6, 8);
  QTest::mousePress(&drawing, Qt::LeftButton, {}, from);
  QTest::mouseMove(&drawing, to);
  QTest::mouseRelease(&drawing, Qt::LeftButton, {}, to);
  const Station& moved = open.cup().blank.stations[2];
  CHECK(moved.girth->length > Length::inches(12));
  CHECK(moved.at.length < Length::inches(4.5));
  CHECK(nearestMark(moved.girth->length, Graduation::sixteenth) == moved.girth->length);
  CHECK(open.order().history()->count() == 1);
  CHECK(open.window.gaugeStation().stationTable().picked() == 2);
}

TEST_CASE("ways of laying are compared and taken with a click, and given back") {
  CurvedWindow open;
  GaugeStation& station = open.window.gaugeStation();
  station.showPage(GaugeStation::laying);
  LayingPage& page = station.layingPage();
  const LayingKind recommended = open.order().plan()->layings.recommended;
  CHECK(open.order().plan()->laid == recommended);
  LayingTile* gores = page.tiles().back();
  REQUIRE(gores->kind() == LayingKind::gores);
  QTest::mouseClick(gores, Qt::LeftButton);
  CHECK(open.cup().wrap.laying == LayingKind::gores);
  CHECK(open.order().plan()->laid == LayingKind::gores);
  CHECK(open.order().plan()->set(purpose::wrap).parts.size() > 2);
  CHECK(gores->accessibleDescription().contains("gores"));
  page.take(std::nullopt);
  CHECK_FALSE(open.cup().wrap.laying.has_value());
  CHECK(open.order().plan()->laid == recommended);
  // Another film asks for another way, or at least bears otherwise.
  page.film().button(0)->click();
  CHECK(open.cup().film.kind == FilmKind::paper);
  CHECK_FALSE(open.order().plan()->layings.of(LayingKind::sector).bears);
}

TEST_CASE("the stretch is drawn on flat and cup, and can be hidden") {
  CurvedWindow open;
  QApplication::processEvents();
  const QImage flat = open.window.flat().grab().toImage();
  const QImage round = open.window.round().grab().toImage();
  open.window.flat().showStretch(false);
  open.window.round().showStretch(false);
  CHECK(differing(flat, open.window.flat().grab().toImage()) > 5000);
  CHECK(differing(round, open.window.round().grab().toImage()) > 1500);
}

TEST_CASE("a handle is put on the body, seen in both views, and watched") {
  OpenWindow open;
  FeaturesPage& page = open.window.gaugeStation().featuresPage();
  open.window.gaugeStation().showMeasures(GaugeStation::features);
  const QImage before = open.window.flat().grab().toImage();
  page.addFeature(FeatureKind::handle);
  REQUIRE(open.cup().blank.features.size() == 1);
  CHECK(open.cup().blank.features[0].at == CupAngle::degrees(90));
  CHECK(differing(before, open.window.flat().grab().toImage()) > 200);
  CHECK(open.window.watchLine().sentence().contains("handle"));
  open.type(Member::featureAt, "0");
  open.press(Qt::Key_Return);
  CHECK(open.cup().blank.features[0].at == CupAngle::front());
  CHECK(open.window.watchLine().sentence().contains("stands on the front"));
  // A width below nothing is no width, and could not be read again.
  const Angle wide = open.cup().blank.features[0].wide;
  open.type(Member::featureWide, "-1");
  CHECK(open.field(Member::featureWide).unreadable());
  CHECK(open.cup().blank.features[0].wide == wide);
  open.type(Member::featureWide, "40");
  CHECK(open.cup().blank.features[0].wide == Angle::degrees(40));
  open.type(Member::featureHigh, "9");
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("the wall ends at"));
  CHECK(open.window.gaugeStation().goTo(Where(Member::featureHigh, std::size_t{0})));
}

TEST_CASE("what hangs over the base is snipped, or refused at its field") {
  OpenWindow open;
  open.window.gaugeStation().showWrap(GaugeStation::base);
  open.type(Member::overhang, "3/8");
  open.press(Qt::Key_Return);
  const CupPlan* plan = open.window.order().plan();
  CHECK(plan->snips.count > 8);
  CHECK(plan->wrap.low() == -Length::inches(0.375));
  open.window.order().setMeasure(GaugeLine::baseClearance, Length::inches(0.25));
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("nothing hangs over"));
}

TEST_CASE("a wrap marked as cut is held against what is measured later") {
  OpenWindow open;
  Order& order = open.window.order();
  const PartEntry wrap = entriesOf(*order.plan(), purpose::wrap).front();
  order.markCut(wrap, true);
  REQUIRE(open.cup().cuts.size() == 1);
  CHECK(isCut(open.cup(), wrap));
  CHECK(open.cup().cuts[0].aroundRim.length.inches() == Approx(9));
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  open.press(Qt::Key_Return);
  CHECK(open.window.watchLine().sentence().contains("cut it again"));
  order.markCut(wrap, false);
  CHECK(open.cup().cuts.empty());
}
