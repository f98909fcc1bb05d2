// SPDX-License-Identifier: GPL-3.0-or-later
#include <QMenu>

#include "app/application.h"
#include "app/gauge/coats.h"

using namespace avrelt;

namespace {

Coat resin(double ml) {
  return {CoatKind::resin, GlitterCut::fine, Volume::ml(ml), {}};
}

double wrapWidth(OpenWindow& open) {
  return open.window.order().plan()->piece(PieceRole::wrap).bounds().width();
}

/// A menu entry as a person finds it.
void pickCoat(OpenWindow& open, const QString& words) {
  for (QPushButton* button : open.window.findChildren<QPushButton*>()) {
    if (button->accessibleName() != "Add a coat") continue;
    for (QAction* action : button->menu()->actions()) {
      if (action->text() == words) {
        action->trigger();
        return;
      }
    }
  }
  FAIL("no coat " << words.toStdString());
}

}  // namespace

TEST_CASE("coats from the menu make the wrap wider, and undo takes them off") {
  OpenWindow open;
  open.window.gaugeStation().showGrowth(true);
  const double bare = wrapWidth(open);
  pickCoat(open, "Glitter, fine");
  pickCoat(open, "Resin, 30 ml mixed");
  CHECK(open.cup().buildUp.laidAfter == 2);
  CHECK(wrapWidth(open) > bare + 1);
  CHECK(open.window.order().history()->undoText() == "Add resin 30 ml");
  CHECK(open.window.watchLine().sentence().contains("a guess from the coats"));
  open.window.order().history()->undo();
  open.window.order().history()->undo();
  CHECK(wrapWidth(open) == bare);
}

TEST_CASE("the girth measured at this stage is typed, and the wrap follows it") {
  OpenWindow open;
  open.window.gaugeStation().showGrowth(true);
  addCoat(open.window.order(), resin(30));
  CHECK(open.field("build_up.measured").edit()->text() == "not yet");
  open.type("build_up.measured", "9 1/8");
  open.press(Qt::Key_Return);
  CHECK(wrapWidth(open) == Approx((9.125 + 0.125) * 25.4));
  CHECK(open.window.watchLine().count() == 0);
  open.type("build_up.measured", "12");
  open.press(Qt::Key_Return);
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("does not fit this cup"));
}

TEST_CASE("measuring and handles stay with the bare cup") {
  OpenWindow open;
  addCoat(open.window.order(), resin(30));
  CHECK(open.field("blank.stations[0].around").edit()->text() == "9 in");
  CHECK(open.window.order().plan()->bare.aroundRim().inches() == Approx(9));
  CHECK(open.window.order().plan()->surface.aroundRim() > Length::inches(9));
}

TEST_CASE("the stage the wrap is laid at moves by click and by key") {
  OpenWindow open;
  open.window.gaugeStation().showGrowth(true);
  Order& order = open.window.order();
  for (int i = 0; i < 3; ++i) addCoat(order, resin(20));
  auto* list = open.window.findChild<StageList*>();
  REQUIRE(list != nullptr);
  QTest::mouseClick(list, Qt::LeftButton, Qt::NoModifier, QPoint(60, 30));
  CHECK(open.cup().buildUp.laidAfter == 1);
  list->setFocus();
  open.press(Qt::Key_Up);
  CHECK(open.cup().buildUp.laidAfter == 0);
  open.press(Qt::Key_Up);
  CHECK(open.cup().buildUp.laidAfter == 0);
  open.press(Qt::Key_Down);
  open.press(Qt::Key_Down);
  open.press(Qt::Key_Delete);
  CHECK(open.cup().buildUp.coats.size() == 2);
  CHECK(open.cup().buildUp.laidAfter == 1);
}

TEST_CASE("taking a coat off takes its measurement with it and keeps the others in place") {
  OpenWindow open;
  Order& order = open.window.order();
  for (int i = 0; i < 3; ++i) addCoat(order, resin(20));
  for (const int stage : {2, 3}) {
    layAfter(order, stage);
    remeasure(order, {Length::inches(9 + stage / 32.0), {}});
    order.settle();
  }
  removeCoat(order, 2);
  REQUIRE(open.cup().buildUp.measured.size() == 1);
  CHECK(open.cup().buildUp.measured[0].after == 2);
  CHECK(open.cup().buildUp.laidAfter == 2);
  CHECK(order.planHolds());
}

TEST_CASE("sized for bare is said to be short, and the warning leads to the card") {
  OpenWindow open;
  Order& order = open.window.order();
  addCoat(order, resin(30));
  setSizedFor(order, SizedFor::bare);
  CHECK(wrapWidth(open) == Approx(9.125 * 25.4));
  CHECK(open.window.watchLine().sentence().contains("short"));
  open.press(Qt::Key_F7);
  CHECK(open.window.findChild<StageList*>()->isVisible());
}
