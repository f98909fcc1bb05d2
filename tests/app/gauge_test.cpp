// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/application.h"

using namespace avrelt;

namespace {

QLabel* bubble(OpenWindow& open) {
  for (QLabel* label : open.window.findChildren<QLabel*>()) {
    if (label->property("role") == "bubble" && label->isVisible()) return label;
  }
  return nullptr;
}

}  // namespace

TEST_CASE("a straight cup takes two numbers typed") {
  OpenWindow open;
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  open.type(Where(Member::stationAt, std::size_t{1}), "7 7/8");
  open.press(Qt::Key_Return);
  CHECK(open.cup().blank.stations[0].girth->text == "9 3/8 in");
  CHECK(open.cup().blank.stations[1].at.length == Length::inches(7.875));
  CHECK(open.window.order().planHolds());
  const Box size = open.window.order().plan()->part(purpose::wrap).bounds();
  CHECK(size.width() == Approx((9.375 + 0.125) * 25.4));
}

TEST_CASE("one number typed is one step of the history, and undo brings the old one back") {
  OpenWindow open;
  const WrittenLength before = *open.cup().blank.stations[0].girth;
  open.type(Where(Member::stationGirth, std::size_t{0}), "10 1/2");
  open.press(Qt::Key_Return);
  CHECK(open.window.order().history()->count() == 1);
  CHECK(open.window.order().history()->undoText() == "Set girth to 10 1/2 in");
  open.press(Qt::Key_Z, Qt::ControlModifier);
  CHECK(*open.cup().blank.stations[0].girth == before);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 in");
  open.press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "10 1/2 in");
}

TEST_CASE("typing nonsense greys the plan, says why beside the field, and loses nothing") {
  OpenWindow open;
  const Document before = open.window.order().document();
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/0");
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.order().plan() != nullptr);
  open.press(Qt::Key_Return);
  QLabel* said = bubble(open);
  REQUIRE(said != nullptr);
  CHECK(said->text().contains("divides by zero"));
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 3/0");
  CHECK(open.window.watchLine().sentence().contains("divides by zero"));
  open.press(Qt::Key_Escape);
  CHECK(bubble(open) == nullptr);
  CHECK(open.window.order().planHolds());
  // "9" was a length on the way to "9 3/0"; it was the girth already, so nothing changed.
  CHECK(open.window.order().document() == before);
}

TEST_CASE("a half-typed number raises no bubble until the hand pauses") {
  OpenWindow open;
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/");
  CHECK(bubble(open) == nullptr);
  QTest::qWait(900);
  CHECK(bubble(open) != nullptr);
  QTest::keyClicks(open.field(Where(Member::stationGirth, std::size_t{0})).edit(), "8");
  CHECK(bubble(open) == nullptr);
  CHECK(open.cup().blank.stations[0].girth->length == Length::inches(9.375));
}

TEST_CASE("a measure the plan refuses is said at its field, and undo helps") {
  OpenWindow open;
  open.type(Member::overlap, "40");
  open.press(Qt::Key_Return);
  QLabel* said = bubble(open);
  REQUIRE(said != nullptr);
  CHECK(said->text().contains("more than once round"));
  open.press(Qt::Key_Z, Qt::ControlModifier);
  CHECK(bubble(open) == nullptr);
  CHECK(open.window.order().planHolds());
}

TEST_CASE("arrow keys step a field by one mark, with Shift by eight") {
  OpenWindow open;
  open.field(Where(Member::stationGirth, std::size_t{0})).edit()->setFocus();
  open.press(Qt::Key_Up);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 1/16 in");
  open.press(Qt::Key_Down, Qt::ShiftModifier);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "8 9/16 in");
}

TEST_CASE("F4 switches the unit and every field shows the same length in it") {
  OpenWindow open;
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  open.press(Qt::Key_Return);
  open.press(Qt::Key_F4);
  CHECK(open.window.order().unit() == Unit::mm);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "238.13 mm");
  CHECK(open.cup().blank.stations[0].girth->text == "9 3/8 in");
  open.press(Qt::Key_F4);
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 3/8 in");
}

TEST_CASE("tapered brings the rim's field, straight takes it away") {
  OpenWindow open;
  CHECK(open.field(Where(Member::stationGirth, std::size_t{1})).isHidden());
  for (Segments* segments : open.window.findChildren<Segments*>()) {
    if (segments->accessibleName() != "Shape") continue;
    QTest::mouseClick(segments->button(1), Qt::LeftButton);
  }
  CHECK_FALSE(open.field(Where(Member::stationGirth, std::size_t{1})).isHidden());
  open.type(Where(Member::stationGirth, std::size_t{1}), "10 1/2");
  CHECK_FALSE(open.window.order().plan()->wall.flat.isCylinder());
}

TEST_CASE("the seam is typed in degrees, with or without the sign, or refused") {
  OpenWindow open;
  open.type(Member::seamAt, "170");
  CHECK(open.cup().wrap.seamAt.degrees() == Approx(170));
  open.type(Member::seamAt, "-90");
  CHECK(open.cup().wrap.seamAt.degrees() == Approx(-90));
  open.type(Member::seamAt, "behind");
  CHECK_FALSE(open.window.order().planHolds());
  open.press(Qt::Key_Escape);
  CHECK(open.field(Member::seamAt).edit()->text() == "-90°");
}

TEST_CASE("the rim's handle is dragged on the drawing and snaps to sixteenths") {
  OpenWindow open;
  auto* drawing = open.window.findChild<ProfileDrawing*>();
  REQUIRE(drawing != nullptr);
  const QPoint from = drawing->placeOf(ProfileDrawing::Handle::rim).toPoint();
  QTest::mousePress(drawing, Qt::LeftButton, Qt::NoModifier, from);
  QTest::mouseMove(drawing, from + QPoint(6, 0));
  QTest::mouseMove(drawing, from + QPoint(13, 0));
  QTest::mouseRelease(drawing, Qt::LeftButton, Qt::NoModifier, from + QPoint(13, 0));
  const Length girth = open.cup().blank.stations[0].girth->length;
  CHECK(girth > Length::inches(9));
  CHECK(girth.inches() * 16 == Approx(std::round(girth.inches() * 16)));
  CHECK(open.window.order().history()->undoText().startsWith("Set girth to"));
  const int steps = open.window.order().history()->count();
  open.window.order().history()->undo();
  CHECK(open.cup().blank.stations[0].girth->length == Length::inches(9));
  CHECK(steps == 1);
}

TEST_CASE("the height's handle is dragged up") {
  OpenWindow open;
  auto* drawing = open.window.findChild<ProfileDrawing*>();
  const QPoint from = drawing->placeOf(ProfileDrawing::Handle::height).toPoint();
  QTest::mousePress(drawing, Qt::LeftButton, Qt::NoModifier, from);
  QTest::mouseMove(drawing, from + QPoint(0, 20));
  QTest::mouseRelease(drawing, Qt::LeftButton, Qt::NoModifier, from + QPoint(0, 20));
  CHECK(open.cup().blank.stations[1].at.length < Length::inches(7));
}

TEST_CASE("nonsense typed for one cup does not follow to the next") {
  OpenWindow open;
  open.window.order().addCup();
  open.type(Where(Member::stationGirth, std::size_t{0}), "10 1/0");
  CHECK_FALSE(open.window.order().planHolds());
  open.window.order().choose(0);
  CHECK(open.window.order().planHolds());
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 in");
  CHECK(bubble(open) == nullptr);
  open.window.order().choose(1);
  CHECK(open.window.order().planHolds());
}

TEST_CASE(
    "a cup with two walls is filled: said what goes in, refused where the band has no place") {
  OpenWindow open;
  GaugeStation& gauge = open.window.gaugeStation();
  CHECK(gauge.goTo(Member::liquidRoom));
  LiquidPage& page = gauge.liquidPage();
  REQUIRE(page.isVisible());
  CHECK_FALSE(open.cup().liquid);
  page.filled().setFocus();
  open.press(Qt::Key_Space);
  REQUIRE(open.cup().liquid);
  CHECK(open.window.order().planHolds());
  CHECK(page.words().text().contains("95 ml water and 95 ml glycerin"));
  page.space().setFocus();
  page.space().selectAll();
  QTest::keyClicks(&page.space(), "300");
  CHECK(open.cup().liquid->space.ml() == Approx(300));
  CHECK(page.words().text().contains("142.5 ml water"));
  open.type(Member::liquidSealAt, "20");
  open.press(Qt::Key_Return);
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("does not lie on the wall"));
  open.type(Member::liquidSealAt, "3/4");
  open.press(Qt::Key_Return);
  CHECK(open.window.order().planHolds());
  CHECK(open.window.order().plan()->parts(purpose::coverBand).size() == 1);
  // Looked at in the other unit nothing changes.
  const Liquid before = *open.cup().liquid;
  open.window.order().setUnit(Unit::mm);
  CHECK(*open.cup().liquid == before);
  // Taken back one by one, to none.
  while (open.window.order().history()->canUndo()) open.window.order().history()->undo();
  CHECK_FALSE(open.cup().liquid);
  CHECK_FALSE(page.space().isVisible());
}
