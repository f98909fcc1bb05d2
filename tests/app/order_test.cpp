// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/order.h"

#include <catch2/catch.hpp>

#include "app/application.h"
#include "app/gauge/measures.h"

using namespace avrelt;

namespace {

/// Two cups, the first in hand, nothing to undo.
struct TwoCups {
  TwoCups() {
    Document document;
    document.cups = {newCup("Mirror", Unit::inch), newCup("Comet", Unit::inch)};
    order.load(document);
  }
  Order order;
};

}  // namespace

TEST_CASE("every change can be undone and says its name") {
  TwoCups two;
  Order& order = two.order;
  const Document before = order.document();
  order.setMeasure(GaugeLine::overlap, Length::inches(0.25));
  CHECK(order.history()->undoText() == "Set overlap to 1/4 in");
  order.history()->undo();
  CHECK(order.document() == before);
  order.history()->redo();
  CHECK(order.currentCup().wrap.overlap.length == Length::inches(0.25));
}

TEST_CASE("a drag is one step of the history, two drags are two") {
  TwoCups two;
  Order& order = two.order;
  for (int i = 1; i <= 20; ++i) order.setMeasure(GaugeLine::overlap, Length::mm(3 + i));
  CHECK(order.history()->count() == 1);
  order.settle();
  order.setMeasure(GaugeLine::overlap, Length::mm(9));
  CHECK(order.history()->count() == 2);
}

TEST_CASE("out and back again leaves nothing to undo") {
  TwoCups two;
  Order& order = two.order;
  const Length before = *order.measureOf(GaugeLine::rimClearance);
  order.setMeasure(GaugeLine::rimClearance, Length::inches(1));
  order.setMeasure(GaugeLine::rimClearance, before);
  CHECK(order.history()->count() == 0);
}

TEST_CASE("cups are added, copied, moved, removed and come back") {
  TwoCups two;
  Order& order = two.order;
  const auto names = [&] {
    QStringList list;
    for (const Cup& cup : order.document().cups) list << QString::fromStdString(cup.name);
    return list.join(' ');
  };
  order.copyCup();
  CHECK(order.currentIndex() == 1);
  CHECK(names() == "Mirror Mirror 2 Comet");
  order.moveCup(1, 2);
  CHECK(names() == "Mirror Comet Mirror 2");
  CHECK(order.currentIndex() == 2);
  order.removeCup();
  CHECK(names() == "Mirror Comet");
  CHECK(order.currentIndex() == 1);
  order.addCup();
  CHECK(order.currentIndex() == 2);
  while (order.history()->canUndo()) order.history()->undo();
  CHECK(names() == "Mirror Comet");
  CHECK(order.currentIndex() == 0);
}

TEST_CASE("an order may lose its last cup and get another") {
  Order order;
  Document document;
  document.cups = {newCup("Only", Unit::mm)};
  order.load(document);
  order.removeCup();
  CHECK_FALSE(order.hasCup());
  CHECK(order.plan() == nullptr);
  CHECK(order.faults().empty());
  order.copyCup();
  order.nudge(GaugeLine::overlap, 1);
  CHECK_FALSE(order.hasCup());
  order.addCup();
  CHECK(order.planHolds());
}

TEST_CASE("a name taken or empty is refused in words and changes nothing") {
  TwoCups two;
  CHECK(two.order.renameCup(0, "Comet").has_value());
  CHECK(two.order.renameCup(0, "  ").has_value());
  CHECK(two.order.history()->count() == 0);
  CHECK_FALSE(two.order.renameCup(0, " Dome ").has_value());
  CHECK(two.order.document().cups[0].name == "Dome");
}

TEST_CASE("when measures make no cup the last plan stays, and does not hold") {
  TwoCups two;
  Order& order = two.order;
  const double area = order.plan()->part(purpose::wrap).area().mm2();
  setGirth(order, false, WrittenLength::mm(0));
  CHECK_FALSE(order.planHolds());
  REQUIRE(order.plan() != nullptr);
  CHECK(order.plan()->part(purpose::wrap).area().mm2() == area);
  CHECK(order.faults().size() == 1);
  order.choose(1);
  CHECK(order.planHolds());
  order.choose(0);
  CHECK_FALSE(order.planHolds());
  order.history()->undo();
  CHECK(order.planHolds());
}

TEST_CASE("switching the unit changes no length and is undone like anything else") {
  TwoCups two;
  Order& order = two.order;
  const Cup before = order.currentCup();
  order.setUnit(Unit::mm);
  CHECK(order.currentCup() == before);
  CHECK(order.unit() == Unit::mm);
  order.history()->undo();
  CHECK(order.unit() == Unit::inch);
}

TEST_CASE("nudging goes to the next mark of the tape and not below nothing") {
  TwoCups two;
  Order& order = two.order;
  order.setMeasure(GaugeLine::overlap, Length::inches(0.13));
  order.nudge(GaugeLine::overlap, 1);
  CHECK(order.currentCup().wrap.overlap.text == "3/16 in");
  order.nudge(GaugeLine::overlap, -100);
  CHECK(order.currentCup().wrap.overlap.length == Length());
  order.nudge(GaugeLine::seam, -8);
  CHECK(order.currentCup().wrap.seamAt.degrees() == Approx(172));
  order.setUnit(Unit::mm);
  order.nudge(GaugeLine::overlap, 2);
  CHECK(order.currentCup().wrap.overlap.length == Length::mm(2));
}

TEST_CASE("straight to tapered and back, round to across and back, keep the cup") {
  TwoCups two;
  Order& order = two.order;
  const Length girth = order.currentCup().blank.stations[0].girth->length;
  setShape(order, Shape::tapered);
  CHECK(shapeOf(order.currentCup()) == Shape::tapered);
  CHECK(order.planHolds());
  setGirthMeasured(order, Girth::across);
  CHECK(order.plan()->wall.flat.aroundBase().mm() == Approx(girth.mm()));
  setGirthMeasured(order, Girth::around);
  CHECK(order.currentCup().blank.stations[0].girth->length.mm() == Approx(girth.mm()));
  setShape(order, Shape::straight);
  CHECK(shapeOf(order.currentCup()) == Shape::straight);
}

TEST_CASE("the height's number stays when it is said to be plumb") {
  TwoCups two;
  Order& order = two.order;
  setShape(order, Shape::tapered);
  setGirth(order, true, WrittenLength::mm(300));
  const Length wall = order.plan()->wall.flat.wall();
  setHeightAlong(order, HeightAlong::plumb);
  CHECK(order.plan()->wall.flat.plumb().mm() == Approx(wall.mm()));
  CHECK(order.plan()->wall.flat.wall() > wall);
}

TEST_CASE("a cup without stations can be measured from the fields") {
  Order order;
  Document document;
  document.cups.emplace_back();
  document.cups[0].name = "Bare";
  order.load(document);
  CHECK_FALSE(order.planHolds());
  setGirth(order, false, WrittenLength::mm(240));
  setHeight(order, WrittenLength::mm(150));
  CHECK(order.planHolds());
}

TEST_CASE("the history keeps what changed, and only so many steps") {
  application();
  Document document;
  for (int i = 0; i < 5; ++i) document.cups.push_back(newCup("Cup " + std::to_string(i), Unit::mm));
  const Snapshot before(document, 0, {});
  document.cups[2].wrap.overlap = WrittenLength::mm(7);
  const Snapshot after(document, 0, before);
  for (std::size_t i = 0; i < 5; ++i) CHECK((before.cups()[i] == after.cups()[i]) == (i != 2));
  CHECK(after.document() == document);
  CHECK_FALSE(after.sameDocument(before));
  // One moved or added leaves the others shared.
  document.cups.insert(document.cups.begin(), newCup("New", Unit::mm));
  const Snapshot added(document, 0, after);
  for (std::size_t i = 0; i < 5; ++i) CHECK(added.cups()[i + 1] == after.cups()[i]);

  Order order;
  order.load(document);
  for (int i = 0; i < 1200; ++i) {
    order.editCup(QStringLiteral("step"),
                  [i](Cup& cup) { cup.name = "Name " + std::to_string(i); });
  }
  CHECK(order.history()->count() == 1000);
  while (order.history()->canUndo()) order.history()->undo();
  CHECK(order.currentCup().name == "Name 199");
}

TEST_CASE("an order takes so many cups and no more") {
  OpenWindow open;
  Document document;
  for (std::size_t i = 0; i < Document::mostCups; ++i) {
    document.cups.push_back(newCup("Cup " + std::to_string(i), Unit::inch));
  }
  open.window.order().load(document);
  open.press(Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(open.window.order().document().cups.size() == Document::mostCups);
  CHECK(open.window.watchLine().sentence().contains("200 cups"));
  open.press(Qt::Key_D, Qt::ControlModifier);
  CHECK(open.window.order().document().cups.size() == Document::mostCups);
}

TEST_CASE("what was in hand of a cup is not of the one that takes its place") {
  TwoCups two;
  Order& order = two.order;
  int taken = 0;
  QObject::connect(&order, &Order::cupTaken, [&taken] { ++taken; });
  order.pickLine("7");
  order.setTyping(Member::overlap, Sentence{"No length.", {}});
  // The second is the first now: as many cups before it, and another cup.
  order.removeCup();
  CHECK(order.currentIndex() == 0);
  CHECK(taken == 1);
  CHECK(order.line().empty());
  CHECK(order.faults().empty());
  order.pickLine("7");
  order.history()->undo();
  CHECK(taken == 2);
  CHECK(order.line().empty());
  order.pickLine("7");
  order.setUnit(Unit::mm);
  CHECK(taken == 2);
  CHECK(order.line() == "7");
}
