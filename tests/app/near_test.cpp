// SPDX-License-Identifier: GPL-3.0-or-later
// Looking at flat, sheets and photos from nearer: what is under the pointer stays there, hands take
// and move as finely as is seen, and what is taken in hand comes into sight.
#include <cmath>
#include <QMouseEvent>
#include <QWheelEvent>
#include <random>

#include "app/application.h"
#include "app/order/place_edits.h"
#include "app/order/set_edits.h"
#include "app/trace/trace_dialog.h"
#include "decal/shapes.h"

using namespace avrelt;

namespace {

void turnWheel(QWidget& view, QPointF at, int notches, Qt::KeyboardModifiers with) {
  QWheelEvent event(at, view.mapToGlobal(at), {}, {0, 120 * notches}, Qt::NoButton, with,
                    Qt::NoScrollPhase, false);
  QApplication::sendEvent(&view, &event);
}

double apart(QPointF a, QPointF b) {
  return std::hypot(a.x() - b.x(), a.y() - b.y());
}

QAction* actionOf(MainWindow& window, const QString& words) {
  for (QAction* action : window.findChildren<QAction*>()) {
    if (action->text().remove(QLatin1Char('&')) == words) return action;
  }
  return nullptr;
}

}  // namespace

TEST_CASE("what lies under the pointer stays there when the flat is seen from nearer") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  std::mt19937 random(31);
  const auto any = [&](double low, double high) {
    return low + (high - low) * static_cast<double>(random() % 1000) / 1000;
  };
  const WallPoint a{Angle::degrees(-40), Length::mm(40)};
  const WallPoint b{Angle::degrees(70), Length::mm(120)};
  const double whole = apart(flat.placeOfWall(a), flat.placeOfWall(b));
  const QPointF before = flat.placeOfWall(a);
  for (int i = 0; i < 60; ++i) {
    const WallPoint under{Angle::degrees(any(-170, 170)), Length::mm(any(10, 160))};
    const QPointF at = flat.placeOfWall(under);
    const double times = flat.times();
    turnWheel(flat, at, i % 3 == 2 ? -2 : 2, Qt::ControlModifier);
    CHECK(flat.times() >= 1);
    CHECK(flat.times() <= NearCanvas::mostTimes);
    // Farther off, what was at the edges may draw it aside.
    if (flat.times() > times) CHECK(apart(flat.placeOfWall(under), at) < 0.01);
    CHECK(apart(flat.placeOfWall(a), flat.placeOfWall(b)) == Approx(whole * flat.times()));
  }
  flat.showAll();
  CHECK(flat.times() == 1);
  CHECK(apart(flat.placeOfWall(a), before) < 1e-9);
  // All of it is seen: there is nowhere to go.
  turnWheel(flat, before, 5, Qt::NoModifier);
  turnWheel(flat, before, -5, Qt::ControlModifier);
  CHECK(apart(flat.placeOfWall(a), before) < 1e-9);
}

TEST_CASE("the middle button and the wheel move what is seen, as far as there is some of it") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  const WallPoint place{Angle(), Length::mm(80)};
  flat.goNearer(4, QRectF(flat.rect()).center());
  const QPointF before = flat.placeOfWall(place);
  const QPoint from = flat.rect().center();
  QTest::mousePress(&flat, Qt::MiddleButton, Qt::NoModifier, from);
  QTest::mouseMove(&flat, from + QPoint(30, -20));
  QTest::mouseRelease(&flat, Qt::MiddleButton, Qt::NoModifier, from + QPoint(30, -20));
  CHECK(apart(flat.placeOfWall(place), before + QPointF(30, -20)) < 0.01);
  QTest::mouseMove(&flat, from + QPoint(90, 90));
  CHECK(apart(flat.placeOfWall(place), before + QPointF(30, -20)) < 0.01);
  turnWheel(flat, from, 1, Qt::NoModifier);
  CHECK(apart(flat.placeOfWall(place), before + QPointF(30, 40)) < 0.01);
  for (int i = 0; i < 200; ++i) turnWheel(flat, from, 5, Qt::NoModifier);
  const QPointF end = flat.placeOfWall(place);
  turnWheel(flat, from, 5, Qt::NoModifier);
  CHECK(apart(flat.placeOfWall(place), end) < 0.01);
  // Another cup is seen whole.
  open.window.order().copyCup();
  CHECK(flat.times() == 1);
}

TEST_CASE("from four times as near the hand is four times as fine") {
  Length moved[2];
  for (const int times : {1, 4}) {
    OpenWindow open;
    FlatView& flat = open.window.flat();
    flat.goNearer(times, flat.placeOf(GaugeLine::rimClearance));
    const QPoint from = flat.placeOf(GaugeLine::rimClearance).toPoint();
    QTest::mousePress(&flat, Qt::LeftButton, Qt::NoModifier, from);
    QTest::mouseMove(&flat, from + QPoint(0, 10 * times));
    QTest::mouseMove(&flat, from + QPoint(0, 20 * times));
    QTest::mouseRelease(&flat, Qt::LeftButton, Qt::NoModifier, from + QPoint(0, 20 * times));
    moved[times == 1 ? 0 : 1] = open.cup().wrap.rimClearance.length;
  }
  CHECK(moved[0] > Length::inches(0.25));
  // Both come to a mark of the tape, and the hand takes the line to a pixel.
  CHECK(std::abs((moved[0] - moved[1]).inches()) < 1.0 / 16 + 1e-9);
}

TEST_CASE("by keys alone the flat is seen from nearer, about what is in hand") {
  OpenWindow open;
  FlatView& flat = open.window.flat();
  flat.setFocus();
  open.press(Qt::Key_Right);
  REQUIRE(open.window.order().gaugeLine() == GaugeLine::rimClearance);
  for (int i = 0; i < 9; ++i) QTest::keyClick(&flat, Qt::Key_Plus, Qt::ControlModifier);
  CHECK(flat.times() == NearCanvas::mostTimes);
  CHECK(flat.rect().contains(flat.placeOf(GaugeLine::rimClearance).toPoint()));
  for (int i = 0; i < 5; ++i) {
    open.press(Qt::Key_Right);
    CHECK(flat.rect().contains(flat.placeOf(open.window.order().gaugeLine()).toPoint()));
  }
  QTest::keyClick(&flat, Qt::Key_Minus, Qt::ControlModifier);
  CHECK(flat.times() == Approx(NearCanvas::mostTimes / 1.5));
  QTest::keyClick(&flat, Qt::Key_0, Qt::ControlModifier);
  CHECK(flat.times() == 1);
  // The same from the menu, wherever the keyboard is, and not where nothing is drawn to a scale.
  open.field(Member::overlap).edit()->setFocus();
  actionOf(open.window, QStringLiteral("Zoom in"))->trigger();
  CHECK(flat.times() == Approx(1.5));
  actionOf(open.window, QStringLiteral("Zoom out"))->trigger();
  actionOf(open.window, QStringLiteral("Zoom to fit"))->trigger();
  CHECK(flat.times() == 1);
  open.window.goToStation(MainWindow::bench);
  CHECK_FALSE(actionOf(open.window, QStringLiteral("Zoom in"))->isEnabled());
}

TEST_CASE(
    "a place that is moved round the cup stays in sight over the seam, on a taper and a curve") {
  for (const bool curved : {false, true}) {
    OpenWindow open;
    Order& order = open.window.order();
    order.editCup("x", [&](Cup& cup) {
      cup.blank.stations[0].girth = WrittenLength::mm(210);
      cup.blank.stations[1].girth = WrittenLength::mm(260);
      if (!curved) return;
      Station middle = cup.blank.stations[0];
      middle.at = WrittenLength::mm(80);
      middle.girth = WrittenLength::mm(270);
      cup.blank.stations.insert(cup.blank.stations.begin() + 1, middle);
      cup.wrap.seamAt = CupAngle::degrees(40);
    });
    REQUIRE(order.planHolds());
    open.window.goToStation(MainWindow::dressing);
    REQUIRE(addArtwork(order, shapeArtwork("star")));
    FlatView& flat = open.window.flat();
    flat.setFocus();
    for (int i = 0; i < 4; ++i) flat.goOneStep(true);
    int seams = 0;
    double last = 0;
    for (int i = 0; i < 40; ++i) {
      // Fifteen degrees at a time, with a number refused from half way on.
      if (i == 20) order.setMeasure(GaugeLine::overlap, Length::inches(60));
      open.press(Qt::Key_Right, Qt::AltModifier | Qt::ShiftModifier);
      order.settle();
      const StandingSet standing = placeInHand(order);
      REQUIRE(standing);
      const WallPoint at{standing.place->anchor.theta.wrapped(), standing.place->anchor.s};
      seams += at.theta.degrees() < last - 180;
      last = at.theta.degrees();
      CHECK(flat.rect().contains(flat.placeOfWall(at).toPoint()));
    }
    CHECK(seams > 0);
    CHECK_FALSE(flat.grab().isNull());
  }
}

TEST_CASE("parts of a sheet come into sight as they are chosen") {
  OpenWindow open;
  for (int i = 0; i < 4; ++i) open.window.order().copyCup();
  open.window.goToStation(MainWindow::cut);
  open.window.cutStation().showSheets(true);
  open.window.cutStation().bench().work().layNow();
  SheetsCanvas& canvas = open.window.cutStation().bench().canvas();
  canvas.setFocus();
  actionOf(open.window, QStringLiteral("Zoom in"))->trigger();
  CHECK(canvas.times() == Approx(1.5));
  canvas.goNearer(4, {0, 0});
  for (int i = 0; i < 10; ++i) {
    QTest::keyClick(&canvas, Qt::Key_PageDown);
    REQUIRE(canvas.chosen());
    CHECK(canvas.rect().contains(canvas.placeOf(*canvas.chosen()).toPoint()));
    CHECK_FALSE(canvas.wordsAt(canvas.placeOf(*canvas.chosen())).isEmpty());
  }
  CHECK_FALSE(canvas.grab().isNull());
}

TEST_CASE("a photo's handles are put by a quarter of a pixel from four times as near") {
  application();
  const QTemporaryDir folder;
  QImage image(800, 800, QImage::Format_RGB32);
  image.fill(Qt::lightGray);
  const QString path = folder.filePath(QStringLiteral("grey.png"));
  REQUIRE(image.save(path));
  TraceDialog dialog(Unit::mm, Length::mm(200));
  dialog.show();
  REQUIRE_FALSE(dialog.load(path).has_value());
  TraceCanvas& canvas = dialog.canvas();
  canvas.move(0, {400, 400});
  canvas.move(1, {420, 400});
  const double pixel = apart(canvas.placeOf(0), canvas.placeOf(1)) / 20;
  turnWheel(canvas, canvas.placeOf(0), 2, Qt::ControlModifier);
  CHECK(apart(canvas.placeOf(0), canvas.placeOf(1)) == Approx(30 * pixel));
  canvas.goNearer(4 / canvas.times(), canvas.placeOf(0));
  const QPointF other = canvas.placeOf(1);
  const QPoint from = canvas.placeOf(0).toPoint();
  QTest::mousePress(&canvas, Qt::LeftButton, Qt::NoModifier, from);
  QTest::mouseMove(&canvas, from + QPoint(8, 0));
  QTest::mouseRelease(&canvas, Qt::LeftButton, Qt::NoModifier, from + QPoint(8, 0));
  CHECK(apart(canvas.placeOf(0), from + QPoint(8, 0)) < 0.01);
  CHECK(apart(canvas.placeOf(1), other) < 0.01);
  // Tab goes from handle to handle, each in sight.
  canvas.setFocus();
  for (std::size_t i = 0; i < canvas.handleCount(); ++i) {
    QTest::keyClick(&canvas, Qt::Key_Right);
    bool any = false;
    for (std::size_t k = 0; k < canvas.handleCount(); ++k) {
      any = any || canvas.rect().contains(canvas.placeOf(k).toPoint());
    }
    CHECK(any);
    QTest::keyClick(&canvas, Qt::Key_Tab);
  }
}
