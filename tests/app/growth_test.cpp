// SPDX-License-Identifier: GPL-3.0-or-later
#include <QMenu>

#include "app/application.h"
#include "app/gauge/coats.h"
#include "app/gauge/measures.h"

using namespace avrelt;

namespace {

Coat resin(double ml) {
  return {CoatKind::resin, GlitterCut::fine, Volume::ml(ml), {}};
}

double wrapWidth(OpenWindow& open) {
  return open.window.order().plan()->part(purpose::wrap).bounds().width();
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
  open.window.gaugeStation().showPage(GaugeStation::growth);
  const double bare = wrapWidth(open);
  pickCoat(open, "Glitter, fine");
  pickCoat(open, "Resin, 30 ml mixed");
  CHECK(open.cup().buildUp.laidAfter == 2);
  CHECK(wrapWidth(open) > bare + 1);
  CHECK(open.window.order().history()->undoText() == "Add resin 30 ml");
  // The wrap would hide that glitter; and what the coats come to is a guess.
  WatchLine& watch = open.window.watchLine();
  const auto tells = [&](const QString& words) {
    for (int i = 0; i < watch.count(); ++i, watch.next()) {
      if (watch.sentence().contains(words)) return true;
    }
    return false;
  };
  CHECK(tells("nothing of it is seen"));
  CHECK(tells("a guess from the coats"));
  open.window.order().history()->undo();
  open.window.order().history()->undo();
  CHECK(wrapWidth(open) == bare);
}

TEST_CASE("the girth measured at this stage is typed, and the wrap follows it") {
  OpenWindow open;
  open.window.gaugeStation().showPage(GaugeStation::growth);
  addCoat(open.window.order(), resin(30));
  CHECK(open.field(Member::measured).edit()->text() == "not yet");
  open.type(Member::measured, "9 1/8");
  open.press(Qt::Key_Return);
  CHECK(wrapWidth(open) == Approx((9.125 + 0.125) * 25.4));
  CHECK(open.window.watchLine().count() == 0);
  open.type(Member::measured, "12");
  open.press(Qt::Key_Return);
  CHECK_FALSE(open.window.order().planHolds());
  CHECK(open.window.watchLine().sentence().contains("does not fit this cup"));
}

TEST_CASE("measuring and handles stay with the bare cup") {
  OpenWindow open;
  addCoat(open.window.order(), resin(30));
  CHECK(open.field(Where(Member::stationGirth, std::size_t{0})).edit()->text() == "9 in");
  CHECK(open.window.order().plan()->bare.aroundRim().inches() == Approx(9));
  CHECK(open.window.order().plan()->wall.flat.aroundRim() > Length::inches(9));
}

TEST_CASE("the stage the wrap is laid at moves by click and by key") {
  OpenWindow open;
  open.window.gaugeStation().showPage(GaugeStation::growth);
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
    remeasure(order, {Length::inches(9 + stage / 32.0), {}}, stage);
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

TEST_CASE("how wrong it can be is worked out, and one press takes the overlap that covers it") {
  OpenWindow open;
  open.window.gaugeStation().showPage(GaugeStation::doubt);
  for (Segments* segments : open.window.findChildren<Segments*>()) {
    if (segments->accessibleName() == "Tape off by marks") {
      QTest::mouseClick(segments->button(2), Qt::LeftButton);
    }
    if (segments->accessibleName() == "Film shrinks by") {
      QTest::mouseClick(segments->button(2), Qt::LeftButton);
    }
  }
  CHECK(open.cup().doubt.tapeMarks == 2);
  CHECK(open.cup().doubt.filmShrinksPercent == 1);
  // Two sixteenths and a hundredth of nine inches: 0.215 in, covered by a quarter.
  CHECK(open.window.order().plan()->seamDoubt.worst.inches() == Approx(0.215));
  QPushButton* take = nullptr;
  for (QPushButton* button : open.window.findChildren<QPushButton*>()) {
    if (button->text().contains("Take an overlap of 1/4 in")) take = button;
  }
  REQUIRE(take != nullptr);
  QTest::mouseClick(take, Qt::LeftButton);
  CHECK(open.cup().wrap.overlap.text == "1/4 in");
  CHECK_FALSE(take->isEnabled());
  open.window.order().history()->undo();
  CHECK(open.cup().wrap.overlap.text == "1/8 in");
}

TEST_CASE("how far a cup is out of round is typed, and counts for a rule across") {
  OpenWindow open;
  open.window.gaugeStation().showPage(GaugeStation::doubt);
  open.type(Member::outOfRound, "1/16");
  CHECK(open.window.order().plan()->seamDoubt.round == Length());
  setGirthMeasured(open.window.order(), Girth::across);
  CHECK(open.window.order().plan()->seamDoubt.round > Length::mm(2));
}

TEST_CASE("a doubt the buttons do not offer lights none of them") {
  OpenWindow open;
  open.window.order().editCup("x", [](Cup& cup) {
    cup.doubt.tapeMarks = 7;
    cup.doubt.filmShrinksPercent = 0.7;
  });
  for (Segments* segments : open.window.findChildren<Segments*>()) {
    if (segments->accessibleName() == "Tape off by marks" ||
        segments->accessibleName() == "Film shrinks by") {
      CHECK(segments->chosen() == -1);
    }
  }
  CHECK(open.window.order().plan()->seamDoubt.worst > Length::inches(0.4));
}
