// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QApplication>
#include <QDir>
#include <QEventLoop>
#include <QFile>
#include <QFileInfo>
#include <QSettings>
#include <QTimer>

#include "app/bench/standoff_view.h"
#include "app/look/theme.h"
#include "app/order/bench_edits.h"
#include "app/shelf/shelf_dialog.h"
#include "app/trace/trace_dialog.h"
#include "app/window/main_window.h"
#include "cli/command_line.h"
#include "version/version.h"

namespace {

/// The handles where they belong on a photo, as a file beside it says: a place a line, in its
/// pixels.
void placeHandles(avrelt::TraceCanvas& canvas, const QString& file) {
  QFile places(file);
  if (!places.open(QIODevice::ReadOnly)) return;
  std::size_t handle = 0;
  for (const QByteArray& line : places.readAll().split('\n')) {
    const QList<QByteArray> numbers = line.split(' ');
    if (numbers.size() != 2) continue;
    canvas.move(handle++, {numbers[0].toDouble(), numbers[1].toDouble()});
  }
}

/// An evening's work of a dozen cups, half done, in the drawer and from two metres.
template <typename PictureOf>
void picturesOfBench(const avrelt::MainWindow& window, const QDir& data,
                     const PictureOf& pictureOf) {
  avrelt::MainWindow other;
  if (!other.file().open(data.filePath(QStringLiteral("Brackwater twelve cups.avrelt")))) return;
  other.resize(window.size());
  other.show();
  avrelt::BenchStation& bench = other.benchStation();
  const auto go = [&](avrelt::CivilTime time) {
    bench.clock().pretend(time, 0);
    bench.work().planNow();
    bench.work().awaitSearch();
  };
  const auto& from = other.order().document().bench.from;
  if (!from) return;
  go(*from);
  other.goToStation(avrelt::MainWindow::bench);
  bench.work().awaitSearch();
  // As it was planned, until some minutes after something was begun that sets.
  const avrelt::BenchPlan plan = bench.work().plan();
  avrelt::CivilTime until = *from;
  std::vector<avrelt::ScheduledTask> tasks = plan.schedule->tasks;
  std::stable_sort(tasks.begin(), tasks.end(),
                   [](const auto& a, const auto& b) { return a.end < b.end; });
  for (const avrelt::ScheduledTask& task : tasks) {
    const avrelt::Step& step = plan.stepOf(task);
    until = plan.at(task.end);
    avrelt::tickStep(other.order(), bench.work().indexOf(task.chain), step, until, step.handsOn);
    if (task.end.minutes() > 60 && step.wait.most) break;
  }
  go(until + std::chrono::minutes(2));
  other.order().history()->setClean();
  pictureOf(other, "bench");
  avrelt::StandoffView afar(bench.work());
  afar.setAttribute(Qt::WA_DeleteOnClose, false);
  afar.resize(window.size());
  afar.show();
  pictureOf(afar, "bench-afar");
  bench.clock().endPretending();
  other.order().history()->setClean();
}

/// The log of the demo's own shop, which takes the place of the one the pictures are taken with.
template <typename PictureOf>
void picturesOfLog(avrelt::MainWindow& window, const QDir& data, const PictureOf& pictureOf) {
  const QString archive = data.filePath(QStringLiteral("Brackwater shop.zip"));
  if (!QFileInfo::exists(archive)) return;
  (void)window.shelf().takeArchive(archive);
  window.goToStation(avrelt::MainWindow::log);
  avrelt::LogStation& log = window.logStation();
  log.board().read();
  log.area().showPage(avrelt::LogArea::cups);
  log.area().cupTable().selectRow(2);
  log.cups().right().show(avrelt::CupCards::costPage);
  window.order().history()->setClean();
  pictureOf(window, "log");
  window.order().setUnit(avrelt::Unit::mm);
  log.area().showPage(avrelt::LogArea::stock);
  log.area().supplyTable().selectRow(2);
  window.order().history()->setClean();
  pictureOf(window, "log-supplies-mm");
  window.order().setUnit(avrelt::Unit::inch);
  log.area().showPage(avrelt::LogArea::figures);
  log.area().figureList().setCurrentRow(4);
  window.order().history()->setClean();
  pictureOf(window, "log-figures");
}

/// Takes a picture of every main view of the order in the window, then ends the program.
void takePictures(avrelt::MainWindow& window, const QString& folder, const QDir& data) {
  QDir().mkpath(folder);
  // Lists catch up a moment after a change.
  const auto rest = [] {
    QEventLoop loop;
    QTimer::singleShot(120, &loop, &QEventLoop::quit);
    loop.exec();
    // What changed last is laid out before it is seen.
    QApplication::processEvents();
    QApplication::processEvents();
  };
  const auto pictureOf = [&](QWidget& seen, const char* name) {
    rest();
    QImage picture = seen.grab().toImage();
    // Until it stays as it is: lists catch up sooner on one machine than on another.
    constexpr int mostRests = 20;
    for (int i = 0; i < mostRests; ++i) {
      rest();
      QImage next = seen.grab().toImage();
      const bool same = next == picture;
      picture = std::move(next);
      if (same) break;
    }
    picture.save(folder + QLatin1Char('/') + QLatin1String(name) + QStringLiteral(".png"));
  };
  const auto picture = [&](const char* name) {
    window.order().history()->setClean();
    pictureOf(window, name);
  };
  const int cups = static_cast<int>(window.order().document().cups.size());
  window.order().choose(cups > 1 ? 1 : 0);
  picture("gauge");
  window.gaugeStation().showPage(avrelt::GaugeStation::growth);
  picture("growth");
  window.gaugeStation().showPage(avrelt::GaugeStation::figures);
  window.order().choose(cups - 1);
  window.gaugeStation().stationTable().pick(2);
  picture("curved");
  window.gaugeStation().showPage(avrelt::GaugeStation::laying);
  window.gaugeStation().showMeasures(avrelt::GaugeStation::features);
  picture("laying");
  window.gaugeStation().showPage(avrelt::GaugeStation::figures);
  window.gaugeStation().showMeasures(avrelt::GaugeStation::measures);
  {
    avrelt::ShelfDialog shelf(window.shelf(), window.order());
    shelf.show();
    shelf.view().pick(6);
    pictureOf(shelf, "shelf");
    avrelt::TraceDialog trace(avrelt::Unit::inch, avrelt::Length::inches(6.875));
    if (!trace.load(data.filePath(QStringLiteral("Moon from the side.jpg")))) {
      placeHandles(trace.canvas(), data.filePath(QStringLiteral("Moon from the side.handles")));
      trace.show();
      pictureOf(trace, "trace");
    }
  }
  window.order().setUnit(avrelt::Unit::mm);
  window.order().choose(cups > 2 ? 2 : 0);
  picture("gauge-mm");
  window.order().setUnit(avrelt::Unit::inch);
  window.order().choose(0);
  window.goToStation(avrelt::MainWindow::dividing);
  window.divideStation().workPage().moveList().setCurrentRow(0);
  picture("divide");
  window.order().choose(cups > 1 ? 1 : 0);
  window.divideStation().workPage().showPage(avrelt::WorkPage::marks);
  picture("divide-marks");
  window.order().choose(0);
  window.goToStation(avrelt::MainWindow::filling);
  window.order().pickPart({2, 1});
  picture("fill");
  window.order().choose(cups > 2 ? 2 : 0);
  rest();
  window.fillStation().liftPage().list().setCurrentRow(1);
  picture("fill-lift");
  window.order().pickPeel(-1);
  window.order().setUnit(avrelt::Unit::mm);
  window.fillStation().takeArtworkFrom(data.filePath(QStringLiteral("Moons and stars.svg")));
  window.fillStation().workPages().show(avrelt::FillStation::parts);
  picture("fill-drawing-mm");
  while (window.order().history()->canUndo()) window.order().history()->undo();
  window.fillStation().patternPages().show(avrelt::FillStation::family);
  window.fillStation().workPages().show(avrelt::FillStation::lift);
  window.goToStation(avrelt::MainWindow::dressing);
  window.order().setUnit(avrelt::Unit::mm);
  window.order().choose(cups > 2 ? 2 : 0);
  avrelt::DressStation& dress = window.dressStation();
  dress.artPages().show(avrelt::DressStation::ofWords);
  dress.setPages().show(avrelt::DressStation::ofBlade);
  picture("dress-words-mm");
  dress.artPages().show(avrelt::DressStation::ofArt);
  dress.setPages().show(avrelt::DressStation::ofSet);
  window.order().setUnit(avrelt::Unit::inch);
  window.order().choose(cups > 1 ? 1 : 0);
  dress.setPages().show(avrelt::DressStation::ofScatter);
  picture("dress");
  window.order().choose(0);
  window.goToStation(avrelt::MainWindow::cut);
  window.cutStation().choose(avrelt::purpose::film);
  picture("cut");
  window.cutStation().showSheets(true);
  avrelt::SheetsBench& bench = window.cutStation().bench();
  bench.work().layNow();
  // One that is printed first, if there is any.
  for (int row = bench.list().count(); row-- > 0 && !bench.printButton().isVisible();) {
    bench.chooseSheet(row);
  }
  picture("sheets");
  window.cutStation().showSheets(false);
  picturesOfBench(window, data, pictureOf);
  picturesOfLog(window, data, pictureOf);
  window.goToStation(avrelt::MainWindow::gauge);
  window.order().choose(cups - 1);
  avrelt::useTheme(avrelt::Theme::dark());
  picture("dark");
}

}  // namespace

int main(int argc, char** argv) {
  if (avrelt::askedFor(argc, argv) == avrelt::Asked::commandLine) {
    return avrelt::runCommandLine(argc, argv);
  }
  QApplication app(argc, argv);
  QApplication::setOrganizationName(QStringLiteral("avrelt"));
  QApplication::setApplicationName(QStringLiteral("avrelt"));
  QApplication::setApplicationDisplayName(QStringLiteral("Avrelt"));
  QApplication::setApplicationVersion(QLatin1String(avrelt::version));
  QApplication::setDesktopFileName(QStringLiteral("avrelt"));
  avrelt::loadFaces();
  avrelt::useTheme(QSettings().value(QStringLiteral("dark")).toBool() ? avrelt::Theme::dark()
                                                                      : avrelt::Theme::light());
  avrelt::MainWindow window;
  window.show();
  QStringList words = QApplication::arguments();
  const int shots = static_cast<int>(words.indexOf(QStringLiteral("--shots")));
  if (shots > 0 && shots + 1 < words.size()) {
    const QString folder = words.at(shots + 1);
    words.remove(shots, 2);
    if (words.size() > 1 && !window.file().open(words.at(1))) return 2;
    takePictures(window, folder, QFileInfo(words.value(1)).dir());
    window.order().history()->setClean();
    return 0;
  }
  // What takes longer than a hand notices is shown when it is there.
  window.order().setPatience(std::chrono::milliseconds(60));
  QTimer::singleShot(0, &window, [&window, words] {
    if (words.size() > 1) window.file().open(words.at(1));
    window.openShelf();
    window.shelf().backUpToday();
    window.file().offerRecovery();
  });
  return QApplication::exec();
}
