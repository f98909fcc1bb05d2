// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstdio>
#include <QApplication>
#include <QElapsedTimer>
#include <QFile>
#include <QMouseEvent>
#include <vector>

#include "app/look/theme.h"
#include "app/order/fill_edits.h"
#include "app/order/zone_edits.h"
#include "app/window/main_window.h"

// What the hand feels, measured in the real window: from start to the first painted picture with
// an order open, from a step of a drag to the repaint, and the memory it takes.
//
//     bench_window ORDER.avrelt

using namespace avrelt;

namespace {

double megabytes(const char* what) {
  QFile status(QStringLiteral("/proc/self/status"));
  if (!status.open(QIODevice::ReadOnly)) return 0;
  for (const QByteArray& line : status.readAll().split('\n')) {
    if (line.startsWith(what)) return line.simplified().split(' ').value(1).toDouble() / 1024;
  }
  return 0;
}

/// The median of steps, said beside the plain drag step of the same run.
double tell(const char* what, std::vector<double>& steps, double plain) {
  std::sort(steps.begin(), steps.end());
  const double median = steps[steps.size() / 2];
  std::printf("%s: %.1f ms median, %.1f ms at the 95th percentile", what, median,
              steps[steps.size() * 95 / 100]);
  if (plain > 0) std::printf(", %.2f times the plain step", median / plain);
  std::printf("\n");
  return median;
}

/// Drags on the flat from a place up and down, and says how long the steps took that changed
/// something.
template <typename Value>
double dragOn(MainWindow& window, QPointF from, const char* what, const Value& value,
              double plain = 0) {
  FlatView& flat = window.flat();
  const auto send = [&](QEvent::Type type, QPointF at) {
    QMouseEvent event(type, at, flat.mapToGlobal(at), Qt::LeftButton, Qt::LeftButton,
                      Qt::NoModifier);
    QApplication::sendEvent(&flat, &event);
  };
  send(QEvent::MouseButtonPress, from);
  std::vector<double> steps;
  QElapsedTimer clock;
  for (int i = 0; i < 600; ++i) {
    const Length before = value();
    clock.restart();
    send(QEvent::MouseMove, from + QPointF(0, 1.0 + i * 3 % 60));
    QApplication::processEvents();
    const double took = static_cast<double>(clock.nsecsElapsed()) / 1e6;
    // Between two marks of the tape nothing moves and nothing is painted.
    if (value() != before) steps.push_back(took);
  }
  send(QEvent::MouseButtonRelease, from);
  QApplication::processEvents();
  if (steps.empty()) {
    std::printf("%s: nothing moved\n", what);
    return 0;
  }
  return tell(what, steps, plain);
}

/// When a widget was painted first since it was set back.
class FirstPaint : public QObject {
 public:
  explicit FirstPaint(const QElapsedTimer& clock) : clock_(clock) {}
  double first = 0;  ///< ms

 protected:
  bool eventFilter(QObject* /*watched*/, QEvent* event) override {
    if (event->type() == QEvent::Paint && first == 0) {
      first = static_cast<double>(clock_.nsecsElapsed()) / 1e6;
    }
    return false;
  }

 private:
  const QElapsedTimer& clock_;
};

}  // namespace

int main(int argc, char** argv) {
  QElapsedTimer clock;
  clock.start();
  QApplication app(argc, argv);
  QApplication::setOrganizationName(QStringLiteral("avrelt-bench"));
  loadFaces();
  useTheme(Theme::light());
  MainWindow window;
  // As the program itself: a step of a drag that takes long to plan is painted while the next is
  // planned, each of them, one behind the hand.
  window.order().setPatience(std::chrono::milliseconds(60));
  if (argc < 2 || !window.file().open(QString::fromLocal8Bit(argv[1]))) return 2;
  window.show();
  QApplication::processEvents();
  window.repaint();
  std::printf("start to first painted window: %.0f ms (under 700 wanted)\n",
              static_cast<double>(clock.nsecsElapsed()) / 1e6);

  window.order().choose(1);
  QApplication::processEvents();
  const auto rim = [&] { return window.order().currentCup().wrap.rimClearance.length; };
  const double plain = dragOn(window, window.flat().placeOf(GaugeLine::rimClearance),
                              "a plain drag step to repaint (under 16 ms wanted)", rim);

  window.order().choose(0);
  window.goToStation(MainWindow::dividing);
  QApplication::processEvents();
  const auto line = [&] { return window.order().plan()->divided.marks.front().fromRim; };
  dragOn(window, window.flat().placeOfLine("1"), "a cut line's", line, plain);
  window.order().history()->undo();
  cutZone(window.order(), CutKind::rings);
  editCut(window.order(), {}, {}, [](Cut& cut) { cut = RingCut{.count = 10}; });
  for (int band = 0; band < 10; ++band) {
    window.order().pickPart({0, band});
    cutZone(window.order(), CutKind::uprights);
    editCut(window.order(), {}, {}, [](Cut& cut) { std::get<UprightCut>(cut.how).count = 6; });
    spreadFinish(window.order(), 2);
  }
  QApplication::processEvents();
  std::printf("with %zu zones (1.4 times wanted), ", window.order().plan()->divided.zones.size());
  dragOn(window, window.flat().placeOfLine("1"), "the same", line, plain);

  // A pattern of four hundred cells, its size drawn to and fro.
  window.order().choose(2);
  window.goToStation(MainWindow::filling);
  fillZone(window.order(), Family::hexagons);
  editFill(window.order(), {}, {}, [](Fill& fill) {
    fill.pattern.size = WrittenLength::mm(10.7);
    fill.pattern.line = WrittenLength::mm(0.8);
  });
  QApplication::processEvents();
  const FillPlan* filled = fillPlanInHand(window.order());
  if (filled == nullptr) return 3;
  const std::size_t cells = filled->cells.size();
  std::vector<double> steps;
  std::vector<double> planned;
  for (int i = 0; i < 200; ++i) {
    clock.restart();
    editFill(window.order(), QStringLiteral("size"), QStringLiteral("size"),
             [i](Fill& fill) { fill.pattern.size = WrittenLength::mm(10.6 + 0.02 * (i % 11)); });
    planned.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    QApplication::processEvents();
    steps.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
  }
  std::printf("a pattern of %zu cells (1.5 times and under 20 ms at the 95th wanted), ", cells);
  tell("its size drawn", steps, plain);
  tell("of that till it is planned", planned, plain);

  // The same with six films beside it: opening the station where all of it is cut.
  const std::string filledZone = window.order().currentCup().fills.front().zone;
  for (const Zone& zone : window.order().plan()->divided.zones) {
    if (zone.id == filledZone) continue;
    window.order().pickZone(zone.id);
    break;
  }
  cutZone(window.order(), CutKind::uprights);
  editCut(window.order(), {}, {}, [](Cut& cut) { std::get<UprightCut>(cut.how).count = 6; });
  editFinish(window.order(), {}, {}, [](Finish& finish) { finish.kind = FinishKind::film; });
  spreadFinish(window.order(), 1);
  steps.clear();
  std::vector<double> switches;
  for (int i = 0; i < 30; ++i) {
    window.goToStation(MainWindow::gauge);
    window.order().setMeasure(GaugeLine::rimClearance, Length::mm(3 + 0.1 * (i % 7)));
    window.order().settle();
    QApplication::processEvents();
    clock.restart();
    window.goToStation(MainWindow::cut);
    QApplication::processEvents();
    steps.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    for (const char* purpose : {purpose::film, purpose::stencil, purpose::markingStrip}) {
      clock.restart();
      window.cutStation().choose(purpose);
      QApplication::processEvents();
      switches.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    }
  }
  const std::size_t films = window.order().plan()->parts(purpose::film).size();
  std::printf("with %zu films (150 and 16 ms wanted), ", films);
  tell("opening the Cut station", steps, plain);
  tell("choosing another part there", switches, plain);
  // Words typed letter by letter, until the field shows them and until the cup does.
  window.order().choose(0);
  window.goToStation(MainWindow::dressing);
  window.dressStation().beginWords();
  QApplication::processEvents();
  steps.clear();
  std::vector<double> shown;
  const QString typed = QStringLiteral("Brackwater open night 1926");
  QPlainTextEdit& field = window.dressStation().wordsPage().text();
  FirstPaint painted(clock);
  field.viewport()->installEventFilter(&painted);
  for (int i = 0; i < 200; ++i) {
    painted.first = 0;
    clock.restart();
    field.setPlainText(typed.left(1 + i % typed.size()));
    while (painted.first == 0 && clock.elapsed() < 1000) QApplication::processEvents();
    shown.push_back(painted.first);
    while ((window.dressStation().wordsPage().waits() || window.order().working()) &&
           clock.elapsed() < 2000) {
      QApplication::processEvents();
    }
    window.repaint();
    steps.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    QApplication::processEvents();
  }
  tell("a letter typed, till it stands in the field (under 16 ms at the median wanted)", shown,
       plain);
  tell("till it is on the cup", steps, plain);
  std::printf("memory: %.0f MB (under 150 wanted)\n", megabytes("VmRSS:"));
  window.order().history()->setClean();
  return 0;
}
