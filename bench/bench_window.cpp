// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstdio>
#include <QApplication>
#include <QElapsedTimer>
#include <QFile>
#include <QMouseEvent>
#include <vector>

#include "app/window/main_window.h"
#include "app/window/theme.h"

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

}  // namespace

int main(int argc, char** argv) {
  QElapsedTimer clock;
  clock.start();
  QApplication app(argc, argv);
  QApplication::setOrganizationName(QStringLiteral("avrelt-bench"));
  loadFaces();
  useTheme(Theme::light());
  MainWindow window;
  if (argc < 2 || !window.file().open(QString::fromLocal8Bit(argv[1]))) return 2;
  window.show();
  QApplication::processEvents();
  window.repaint();
  std::printf("start to first painted window: %.0f ms (under 700 wanted)\n",
              static_cast<double>(clock.nsecsElapsed()) / 1e6);

  window.order().choose(1);
  QApplication::processEvents();
  FlatView& flat = window.flat();
  const QPointF from = flat.placeOf(Thing::rimClearance);
  const auto send = [&](QEvent::Type type, QPointF at) {
    QMouseEvent event(type, at, flat.mapToGlobal(at), Qt::LeftButton, Qt::LeftButton,
                      Qt::NoModifier);
    QApplication::sendEvent(&flat, &event);
  };
  send(QEvent::MouseButtonPress, from);
  std::vector<double> steps;
  const auto clearance = [&] { return window.order().currentCup().wrap.rimClearance.length; };
  for (int i = 0; i < 2000; ++i) {
    const Length before = clearance();
    clock.restart();
    send(QEvent::MouseMove, from + QPointF(0, 1.0 + i * 3 % 120));
    QApplication::processEvents();
    const double took = static_cast<double>(clock.nsecsElapsed()) / 1e6;
    // Between two marks of the tape nothing moves and nothing is painted.
    if (clearance() != before) steps.push_back(took);
  }
  send(QEvent::MouseButtonRelease, from);
  std::sort(steps.begin(), steps.end());
  std::printf(
      "drag step to repaint: %.1f ms median, %.1f ms at the 95th percentile (under 16 "
      "wanted)\n",
      steps[steps.size() / 2], steps[steps.size() * 95 / 100]);
  std::printf("memory: %.0f MB (under 150 wanted)\n", megabytes("VmRSS:"));
  window.order().history()->setClean();
  return 0;
}
