// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/application.h"

using namespace avrelt;

namespace {

void drag(QWidget& view, QPoint from, QPoint by) {
  QTest::mousePress(&view, Qt::LeftButton, Qt::NoModifier, from);
  QTest::mouseMove(&view, from + by / 2);
  QTest::mouseMove(&view, from + by);
  QTest::mouseRelease(&view, Qt::LeftButton, Qt::NoModifier, from + by);
}

}  // namespace

TEST_CASE("the rim line is dragged on the flat, snaps, and is one step") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  const int steps = open.window.order().history()->count();
  drag(flat, flat.placeOf(GaugeLine::rimClearance).toPoint(), {0, 30});
  const Length clearance = open.cup().wrap.rimClearance.length;
  CHECK(clearance > Length::inches(0.3));
  CHECK(clearance.inches() * 16 == Approx(std::round(clearance.inches() * 16)));
  CHECK(open.window.order().history()->count() == steps + 1);
  CHECK(open.window.order().gaugeLine() == GaugeLine::rimClearance);
}

TEST_CASE("a line cannot be dragged to where no wrap is left") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  drag(flat, flat.placeOf(GaugeLine::rimClearance).toPoint(), {0, 2000});
  CHECK(open.window.order().planHolds());
  drag(flat, flat.placeOf(GaugeLine::baseClearance).toPoint(), {0, -2000});
  CHECK(open.window.order().planHolds());
  drag(flat, flat.placeOf(GaugeLine::overlap).toPoint(), {2000, 0});
  CHECK(open.window.order().planHolds());
}

TEST_CASE("lines are picked and moved by keys alone") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  flat.setFocus();
  open.press(Qt::Key_Right);
  CHECK(open.window.order().gaugeLine() == GaugeLine::rimClearance);
  open.press(Qt::Key_Down);
  CHECK(open.cup().wrap.rimClearance.text == "3/16 in");
  open.press(Qt::Key_Down, Qt::ShiftModifier);
  CHECK(open.cup().wrap.rimClearance.text == "11/16 in");
  open.press(Qt::Key_Right);
  CHECK(open.window.order().gaugeLine() == GaugeLine::baseClearance);
  open.press(Qt::Key_Up);
  CHECK(open.cup().wrap.baseClearance.text == "1/16 in");
}

TEST_CASE("what is picked in a field is picked in both views") {
  OpenWindow open;
  open.field(Member::overlap).edit()->setFocus();
  CHECK(open.window.order().gaugeLine() == GaugeLine::overlap);
  open.field(Member::rimClearance).edit()->setFocus();
  CHECK(open.window.order().gaugeLine() == GaugeLine::rimClearance);
}

TEST_CASE("the cup turns by dragging and by keys, and comes back to the front") {
  OpenWindow open;
  RoundView& round = open.window.round();
  drag(round, round.rect().center(), {40, 0});
  CHECK(round.facing().degrees() < -5);
  round.setFocus();
  open.press(Qt::Key_Home);
  CHECK(round.facing() == CupAngle::front());
  open.press(Qt::Key_Right);
  CHECK(round.facing().degrees() == Approx(5));
  open.press(Qt::Key_Left, Qt::ShiftModifier);
  CHECK(round.facing().degrees() == Approx(-40));
}

TEST_CASE("both views and the drawing show the cup in its colours, and grey when it fails") {
  OpenWindow open;
  const auto inkOf = [](QWidget& view) {
    const QImage image = view.grab().toImage();
    int dark = 0;
    for (int y = 0; y < image.height(); y += 2) {
      for (int x = 0; x < image.width(); x += 2) {
        if (qGray(image.pixel(x, y)) < 90) ++dark;
      }
    }
    return dark;
  };
  for (QWidget* view :
       {static_cast<QWidget*>(&open.window.flat()), static_cast<QWidget*>(&open.window.round())}) {
    const int before = inkOf(*view);
    CHECK(before > 100);
    open.type(Member::overlap, "40");
    CHECK(inkOf(*view) < before / 2);
    open.window.order().history()->undo();
    CHECK(inkOf(*view) > before / 2);
  }
}

TEST_CASE("views bear any cup, however odd, at any size") {
  OpenWindow open;
  const std::pair<double, double> girths[] = {
      {1, 1}, {60, 300}, {300, 60}, {9000, 10000}, {240, 240.001}};
  for (const auto& [base, rim] : girths) {
    open.window.order().editCup("x", [&, b = base, r = rim](Cup& cup) {
      cup.blank.stations[0].girth = WrittenLength::mm(b);
      cup.blank.stations[1].girth = WrittenLength::mm(r);
      cup.blank.stations[1].at = WrittenLength::mm(60);
      cup.wrap.overlap = WrittenLength::mm(0.5);
    });
    for (const QSize size : {QSize(1000, 660), QSize(1280, 800), QSize(2400, 1400)}) {
      open.window.resize(size);
      CHECK_FALSE(open.window.grab().isNull());
    }
  }
}
