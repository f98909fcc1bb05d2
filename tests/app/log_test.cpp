// SPDX-License-Identifier: GPL-3.0-or-later
// The log through the window: written by working, made and cut again, supplies used and counted,
// figures learnt, the shop out and in.
#include <algorithm>
#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QFile>
#include <QImage>
#include <QPushButton>
#include <QTemporaryDir>

#include "app/application.h"
#include "app/log/again_dialog.h"
#include "app/log/compare_dialog.h"
#include "app/log/figure_cards.h"
#include "app/order/bench_edits.h"
#include "app/order/zone_edits.h"
#include "bench/looks.h"
#include "files/disk.h"
#include "files/outputs.h"
#include "job/ids.h"
#include "job/purpose.h"
#include "shop/qr_code.h"

using namespace avrelt;

namespace {

CivilTime timeAt(const char* text) {
  return *parseCivil(text);
}

/// A glittered cup of an order that no other test has, in a shop of the test's own.
struct LogWindow : OpenWindow {
  LogWindow() {
    static int number = 0;
    // A shop of its own: what another test logged is not looked at.
    qputenv("XDG_DATA_HOME", home.path().toLocal8Bit());
    REQUIRE(window.shelf().open());
    Supply glitter;
    glitter.name = "Night";
    glitter.kind = SupplyKind::glitter;
    glitter.colour = "#202848";
    glitter.low = Amount::ofUnits(MeasuredBy::weight, 0);
    supply = *window.shelf().put(glitter);
    Document document;
    document.id = "o-test-" + std::to_string(++number);
    document.units = Unit::mm;
    Cup cup = newCup("Comet", Unit::mm);
    cup.division.body.finish.kind = FinishKind::glitter;
    cup.division.body.finish.name = "Night";
    cup.division.body.finish.supply = supply;
    document.cups = {cup};
    document.bench.from = timeAt("2026-12-09T18:00");
    order().load(document);
    station().keeper().begin();
    window.goToStation(MainWindow::bench);
    window.benchStation().work().planNow();
  }
  ~LogWindow() { qputenv("XDG_DATA_HOME", before); }
  LogWindow(const LogWindow&) = delete;
  LogWindow& operator=(const LogWindow&) = delete;

  Order& order() { return window.order(); }
  LogStation& station() { return window.logStation(); }
  BenchWork& work() { return window.benchStation().work(); }
  const BenchPlan& plan() { return work().plan(); }
  /// Ticks steps off up to and with the first of a kind, a quarter of an hour each.
  void tickTo(StepKind kind) {
    int minutes = 0;
    for (const Step& step : std::vector<Step>(plan().cups[0].steps)) {
      minutes += 15;
      tickStep(order(), 0, step, timeAt("2026-12-09T18:00") + std::chrono::minutes(minutes),
               Duration::minutes(15));
      if (step.kind == kind) break;
    }
    work().planNow();
    station().keeper().keep();
  }
  std::vector<LogEntry> entries() { return *window.shelf().logbook()->find({}); }

  QByteArray before = qgetenv("XDG_DATA_HOME");
  QTemporaryDir home;
  std::string supply;
};

}  // namespace

TEST_CASE("Work writes the log, undo takes it back, and nothing is told twice", "[log]") {
  LogWindow open;
  CHECK(open.entries().empty());
  open.tickTo(StepKind::glitter);
  REQUIRE(open.entries().size() == 1);
  LogEntry entry = open.entries().front();
  CHECK(entry.name == "Comet");
  CHECK(entry.done == static_cast<int>(open.order().document().cups[0].bench.done.size()));
  CHECK(entry.begun == timeAt("2026-12-09T18:00"));
  CHECK_FALSE(entry.finished);
  CHECK(entry.made.find("Night") != std::string::npos);
  CHECK(entry.worked.minutes() == Approx(15.0 * entry.done));
  const double cm2 = open.order().plan()->divided.zones.front().area.mm2() / 100;
  REQUIRE(open.window.shelf().supplies().uses.size() == 1);
  CHECK(open.window.shelf().supplies().uses.front().amount.units() == Approx(cm2 * 0.025));
  // The same order opened again: the same log.
  const Document saved = open.order().document();
  open.order().load(saved);
  open.station().keeper().begin();
  open.work().planNow();
  open.station().keeper().keep();
  CHECK(open.entries() == std::vector<LogEntry>{entry});
  CHECK(open.window.shelf().supplies().uses.size() == 1);
  // The last tick taken back, and given again.
  REQUIRE(untickLast(open.order()));
  open.work().planNow();
  open.station().keeper().keep();
  CHECK(open.entries().front().done == entry.done - 1);
  CHECK(open.window.shelf().supplies().uses.empty());
  open.press(Qt::Key_Z, Qt::ControlModifier);
  open.work().planNow();
  open.station().keeper().keep();
  CHECK(open.entries() == std::vector<LogEntry>{entry});
  CHECK(open.window.shelf().supplies().uses.size() == 1);
  // A cup that is done to the last step is finished.
  open.tickTo(StepKind::cure);
  CHECK(open.entries().front().finished);
}

TEST_CASE("A dry run is not logged", "[log]") {
  LogWindow open;
  open.window.benchStation().clock().pretend(timeAt("2026-12-09T18:00"), 0);
  open.work().planNow();
  open.press(Qt::Key_Return, Qt::ControlModifier);
  open.station().keeper().keep();
  CHECK(open.entries().empty());
  open.window.benchStation().clock().endPretending();
}

TEST_CASE("A part is cut again to the byte, whatever became of the cup since", "[log]") {
  LogWindow open;
  REQUIRE(open.order().presentPlan() != nullptr);
  const auto entries = entriesOf(*open.order().plan(), purpose::baseDisc);
  REQUIRE(entries.size() == 1);
  const auto now =
      outputOf(*open.order().plan(), setOf(entries.front()), OutputKind::svg, Paper::a4, Unit::mm);
  REQUIRE(now);
  open.order().markCut(entries.front(), true);
  open.order().presentPlan();
  open.station().keeper().keep();
  REQUIRE(open.entries().size() == 1);
  // Measured again, it would be cut otherwise.
  open.order().editCup("measure", [](Cup& cup) {
    for (::avrelt::Station& station : cup.blank.stations) {
      if (station.girth) station.girth = WrittenLength{station.girth->length + Length::mm(3), {}};
    }
  });
  open.window.goToStation(MainWindow::log);
  REQUIRE(open.station().board().cuts().size() == 1);
  open.station().cups().middle().show(CupCards::cutPage);
  open.station().cups().cutList().setCurrentRow(0);
  const QTemporaryDir folder;
  const QString path = folder.filePath("again.svg");
  CHECK_FALSE(open.station().cups().saveCut(open.station().board().cuts().front().key, path));
  CHECK(*readFile(path.toStdString()) == now->file.bytes);
  CHECK(open.station().cups().saveCut(999, path));
  // Said not to be cut after all, it is out of the log.
  open.order().history()->undo();
  open.order().history()->undo();
  open.order().presentPlan();
  open.station().keeper().keep();
  CHECK(open.window.shelf().logbook()->cutsOf(open.entries().front().key)->empty());
}

TEST_CASE("A cup of the log is made again, on its blank or another", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::mark);
  const Document before = open.order().document();
  open.order().history()->setClean();
  open.window.goToStation(MainWindow::log);
  const auto past = open.station().board().pastOrder();
  REQUIRE(past);
  CHECK(past->cups.front().division == before.cups.front().division);
  AgainDialog dialog(*past, open.window.shelf(), open.order().stock(), Unit::mm);
  dialog.show();
  REQUIRE(dialog.changes().count() == 1);
  CHECK(dialog.changes().item(0)->text().contains("same size"));
  dialog.blank().setCurrentIndex(dialog.blank().findText("straight 900", Qt::MatchStartsWith));
  CHECK(dialog.changes().count() >= 2);
  CHECK(dialog.changes().item(0)->text().contains("281 mm"));
  emit open.station().orderMade(dialog.made().order);
  const Document now = open.order().document();
  CHECK(now.cups.front().blank.name == "straight 900 ml");
  CHECK(now.cups.front().bench.done.empty());
  CHECK(now.id != before.id);
  CHECK_FALSE(now.id.empty());
  CHECK_FALSE(open.order().history()->isClean());
  CHECK(open.window.file().path().isEmpty());
  open.order().history()->setClean();
}

TEST_CASE("Notes are typed once and found again", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::mark);
  open.window.goToStation(MainWindow::log);
  CupCards& cards = open.station().cups();
  CHECK(cards.title().text() == "Comet");
  cards.whom().setFocus();
  QTest::keyClicks(&cards.whom(), "the lock keeper");
  QTest::keyClick(&cards.whom(), Qt::Key_Tab);
  QTest::keyClicks(&cards.price(), "48,50");
  QTest::keyClick(&cards.price(), Qt::Key_Return);
  CHECK(open.entries().front().notes.whom == "the lock keeper");
  CHECK(open.entries().front().notes.price->value() == Approx(48.5));
  cards.price().setText("cheap");
  cards.keepNotes();
  CHECK(open.entries().front().notes.price->value() == Approx(48.5));
  CHECK(open.window.watchLine().sentence().contains("no price"));
  cards.price().setText("");
  cards.faults().setPlainText("a bubble");
  cards.keepNotes();
  CHECK_FALSE(open.entries().front().notes.price);
  QTest::keyClicks(&open.station().area().search(), "BUBBLE lock");
  CHECK(open.station().area().cupRows().rowCount() == 1);
  QTest::keyClicks(&open.station().area().search(), "zz");
  CHECK(open.station().area().cupRows().rowCount() == 0);
  CHECK(cards.title().text().contains("Nothing"));
  open.station().area().search().clear();
  open.station().area().which().setCurrentIndex(2);
  CHECK(open.station().area().cupRows().rowCount() == 0);
  open.station().area().which().setCurrentIndex(0);
  CHECK(cards.whom().text() == "the lock keeper");
}

TEST_CASE("A supply is counted, runs short on the watch line, and a mixed-up unit is asked about",
          "[log]") {
  LogWindow open;
  open.window.goToStation(MainWindow::log);
  open.press(Qt::Key_S, Qt::ShiftModifier | Qt::AltModifier);
  SupplyCards& cards = open.station().supplies();
  CHECK(open.station().area().page() == LogArea::stock);
  CHECK(cards.name().text() == "Night");
  CHECK(cards.words().text().contains("not counted"));
  cards.amount().setText("56 g");
  cards.note(SupplyEvent::Kind::counted);
  open.station().board().read();
  CHECK(cards.words().text().contains("There should be 56 g"));
  // Two, typed as ounces on a scale that shows grams.
  cards.amount().setText("2");
  answerNextDialog("Take 56.7 g");
  cards.note(SupplyEvent::Kind::counted);
  open.station().board().read();
  CHECK(open.window.shelf().supplies().events.back().amount.units() ==
        Approx(56.699).epsilon(1e-4));
  cards.amount().setText("2");
  answerNextDialog("Keep 2 g");
  cards.note(SupplyEvent::Kind::counted);
  open.station().board().read();
  CHECK(open.window.shelf().supplies().events.back().amount.units() == 2);
  cards.amount().setText("minus two");
  cards.note(SupplyEvent::Kind::counted);
  open.station().board().read();
  CHECK(open.window.watchLine().sentence().contains("Type a weight"));
  open.station().board().read();
  CHECK(cards.words().text().contains("more than there is"));
  CHECK(open.station().area().supplyRows().rows().front().marked);
  open.window.goToStation(MainWindow::bench);
  open.work().planNow();
  bool runsShort = false;
  for (const WatchLine::Item& item : open.window.benchStation().watches()) {
    if (!item.sentence.contains("Night runs short")) continue;
    runsShort = true;
    CHECK(item.level == entryOf(Rule::supplyShort).level);
    CHECK(item.where == Where(Member::supplies));
  }
  CHECK(runsShort);
  CHECK(open.window.benchStation().shoppingWords().join(' ').contains("buy"));
  // Another is added by key, and removed; the name is there to be typed.
  open.window.goToStation(MainWindow::log);
  open.press(Qt::Key_A, Qt::ShiftModifier | Qt::AltModifier);
  // Of which kind is asked, glitter first.
  REQUIRE(QApplication::activePopupWidget() != nullptr);
  QTest::keyClick(QApplication::activePopupWidget(), Qt::Key_Return);
  CHECK(open.station().board().supplies().size() == 2);
  CHECK(cards.name().text() == "New glitter");
  QTest::keyClicks(&cards.name(), "Brass");
  QTest::keyClick(&cards.name(), Qt::Key_Return);
  open.station().board().read();
  CHECK(open.station().board().pickedSupply()->supply->name == "Brass");
  cards.removeSupply();
  open.station().board().read();
  CHECK(open.station().board().supplies().size() == 1);
}

TEST_CASE("A finish is taken from the shop, and by another name is none of it", "[log]") {
  LogWindow open;
  open.window.goToStation(MainWindow::dividing);
  SupplyButton& button = open.window.divideStation().finishPage().supply();
  CHECK(button.isVisible());
  CHECK(button.text() == "✓ Shop");
  emit button.menu()->aboutToShow();
  REQUIRE(button.menu()->actions().size() == 3);
  CHECK(button.menu()->actions().first()->isChecked());
  button.menu()->actions().last()->trigger();
  CHECK(open.cup().division.body.finish.supply.empty());
  CHECK(open.cup().division.body.finish.name == "Night");
  emit button.menu()->aboutToShow();
  button.menu()->actions().first()->trigger();
  CHECK(open.cup().division.body.finish.supply == open.supply);
  CHECK(open.cup().division.body.finish.colour == "#202848");
  QLineEdit& name = open.window.divideStation().finishPage().name();
  name.setFocus();
  QTest::keyClicks(&name, "s");
  CHECK(open.cup().division.body.finish.supply.empty());
}

TEST_CASE("A pace that was learnt is offered, taken, and reckoned with at the bench", "[log]") {
  LogWindow open;
  Logbook log = *open.window.shelf().logbook();
  for (int i = 0; i < 8; ++i) {
    LogEntry entry;
    entry.key = {"o-past", "cup-" + std::to_string(i)};
    entry.name = "Past " + std::to_string(i);
    LoggedStep step;
    step.step = "clean";
    step.kind = StepKind::clean;
    step.at = timeAt("2026-10-01T18:00") + std::chrono::days(i);
    step.took = Duration::minutes(i == 3 ? 90 : 18 + i % 2);
    step.usual = Duration::minutes(12);
    REQUIRE_FALSE(log.record(entry, "{}", {step}));
  }
  open.window.goToStation(MainWindow::log);
  open.press(Qt::Key_F, Qt::ShiftModifier | Qt::AltModifier);
  FigureCards& cards = open.station().figures();
  REQUIRE(open.station().board().pickedFigure() != nullptr);
  CHECK(open.station().board().pickedFigure()->figure.name() == "pace.clean");
  CHECK(cards.words().text().contains("from 8 observations"));
  REQUIRE(cards.seen().count() == 8);
  CHECK(cards.seen().item(3)->text().startsWith("▲"));
  // The odd one is left out at the plot, by keys.
  FigurePlot& plot = open.station().area().plot();
  plot.setFocus();
  for (int i = 0; i < 4; ++i) QTest::keyClick(&plot, Qt::Key_Right);
  QTest::keyClick(&plot, Qt::Key_Space);
  CHECK(cards.words().text().contains("from 7 observations"));
  CHECK(cards.seen().item(3)->checkState() == Qt::Unchecked);
  QTest::mouseClick(&cards.useButton(), Qt::LeftButton);
  CHECK(open.order().stock().paces.of(StepKind::clean) == Approx(1.54).epsilon(0.03));
  open.work().planNow();
  CHECK(open.plan().cups[0].steps[0].handsOn.minutes() ==
        Approx(12 * open.order().stock().paces.of(StepKind::clean)));
  CHECK_FALSE(open.station().board().pickedFigure()->offered);
  QTest::mouseClick(&cards.usualButton(), Qt::LeftButton);
  CHECK(open.order().stock().paces == Paces());
}

TEST_CASE("Photos are made smaller, shown, and told where they are gone", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::mark);
  open.window.goToStation(MainWindow::log);
  const QTemporaryDir folder;
  QImage large(3000, 2000, QImage::Format_RGB32);
  large.fill(QColor("#224466"));
  REQUIRE(large.save(folder.filePath("front.png")));
  CupCards& cards = open.station().cups();
  CHECK_FALSE(cards.addPhotoFrom(folder.filePath("front.png")));
  open.station().board().read();
  REQUIRE(cards.photoList().count() == 1);
  CHECK(cards.photoList().item(0)->text().contains("front"));
  const LogPhoto photo = open.station().board().photos().front();
  const QString file =
      QString::fromStdString(open.window.shelf().logbook()->fileOf(photo).string());
  CHECK(QImage(file).width() == 1600);
  CHECK(std::abs(QImage(file).height() - 1067) <= 1);
  CHECK_FALSE(cards.saveCardTo(folder.filePath("card.pdf")));
  CHECK(readFile(folder.filePath("card.pdf").toStdString())->size() > 5000);
  CHECK_FALSE(cards.saveTagTo(folder.filePath("tag.pdf")));
  REQUIRE(QFile::remove(file));
  open.station().board().read();
  CHECK(cards.photoList().item(0)->text().contains("not there any more"));
  CHECK(cards.addPhotoFrom(folder.filePath("none.jpg"))->contains("no picture"));
  cards.photoList().setCurrentRow(0);
  cards.removePhoto();
  open.station().board().read();
  CHECK(cards.photoList().count() == 0);
}

TEST_CASE("The shop goes out and comes in again, and back to yesterday's copy", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::mark);
  const QTemporaryDir folder;
  const QString zip = folder.filePath("shop.zip");
  CHECK(inWords(open.window.shelf().saveArchive(zip), Unit::mm)
            .find(": 1 cup of the log, 0 photos.") != std::string::npos);
  open.window.shelf().backUpToday();
  REQUIRE(QTest::qWaitFor([&] { return open.window.shelf().backups().size() == 1; }, 5000));
  const std::vector<LogEntry> before = open.entries();
  REQUIRE_FALSE(open.window.shelf().logbook()->remove(before.front().key));
  CHECK(open.entries().empty());
  (void)open.window.shelf().takeArchive(zip);
  CHECK(open.entries() == before);
  REQUIRE_FALSE(open.window.shelf().logbook()->remove(before.front().key));
  (void)open.window.shelf().restore(open.window.shelf().backups().front());
  CHECK(open.entries() == before);
  QFile half(zip);
  REQUIRE(half.resize(half.size() / 2));
  CHECK_FALSE(inWords(open.window.shelf().takeArchive(zip), Unit::mm).empty());
  CHECK(open.entries() == before);
}

TEST_CASE("Labels are printed, and found again by their codes", "[log]") {
  LogWindow open;
  ShelfFilm film;
  film.name = "Gold";
  const auto key = open.window.shelf().put(film);
  REQUIRE(key);
  FilmStock stock;
  stock.film = *key;
  stock.shape = StockShape::offcut;
  stock.wide = Length::mm(120);
  stock.tall = Length::mm(80);
  stock.place = "box";
  const auto piece = open.window.shelf().put(stock);
  REQUIRE(piece);
  const QTemporaryDir folder;
  CHECK_FALSE(open.station().saveLabelsTo(folder.filePath("labels.pdf")));
  CHECK(readFile(folder.filePath("labels.pdf").toStdString())->size() > 5000);
  const QString words = open.station().wordsOfCode(QStringLiteral(" avrelt-film-%1 ").arg(*piece));
  CHECK(words.contains("Gold"));
  CHECK(words.contains("box"));
  CHECK(open.station().wordsOfCode("AVRELT-BLANK-1").contains("the blank"));
  CHECK(open.station().wordsOfCode("something").contains("Nothing on the shelf"));
  // By a picture of it, read by zbar.
  const auto code = qrCode("AVRELT-FILM-" + std::to_string(*piece));
  constexpr int side = 6;
  constexpr int quiet = 5;
  const auto wide = (static_cast<int>(code.size()) + 2 * quiet) * side;
  QImage picture(wide, wide, QImage::Format_RGB32);
  picture.fill(Qt::white);
  for (int y = 0; y < wide; ++y) {
    for (int x = 0; x < wide; ++x) {
      const int row = y / side - quiet;
      const int column = x / side - quiet;
      const auto size = static_cast<int>(code.size());
      if (row < 0 || column < 0 || row >= size || column >= size) continue;
      if (code[static_cast<std::size_t>(row)][static_cast<std::size_t>(column)]) {
        picture.setPixel(x, y, qRgb(0, 0, 0));
      }
    }
  }
  REQUIRE(picture.save(folder.filePath("label.png")));
  CHECK(open.station().wordsOfPicture(folder.filePath("label.png")) == words);
  picture.fill(Qt::white);
  REQUIRE(picture.save(folder.filePath("blank.png")));
  CHECK(open.station().wordsOfPicture(folder.filePath("blank.png")).contains("No code was found"));
}

TEST_CASE("Two cups stand side by side, and what differs is marked", "[log]") {
  LogWindow open;
  Logbook log = *open.window.shelf().logbook();
  for (int i = 0; i < 2; ++i) {
    LogEntry entry;
    entry.key = {"o-past", "cup-" + std::to_string(i)};
    entry.name = "Past " + std::to_string(i);
    entry.blank = "straight 600 ml";
    entry.begun = timeAt("2026-10-01T18:00");
    LoggedStep step;
    step.step = "glitter";
    step.kind = StepKind::glitter;
    step.at = timeAt("2026-10-01T18:30");
    step.took = Duration::minutes(10 + 20 * i);
    step.uses = {{open.supply, step.at, Amount::ofUnits(MeasuredBy::weight, 4 + i), {}}};
    REQUIRE_FALSE(log.record(entry, "{}", {step}));
  }
  open.window.goToStation(MainWindow::log);
  CompareDialog dialog(open.station().board());
  dialog.show();
  CHECK(dialog.first().currentIndex() != dialog.second().currentIndex());
  const auto rowOf = [&](const QString& what) {
    for (int i = 0; i < dialog.table().rowCount(); ++i) {
      if (dialog.table().item(i, 0)->text().mid(2).trimmed() == what) return i;
    }
    return -1;
  };
  REQUIRE(rowOf("Night") >= 0);
  CHECK(dialog.table().item(rowOf("Night"), 0)->text().startsWith("≠"));
  CHECK(dialog.table().item(rowOf("Night"), 1)->text().startsWith("4 g"));
  CHECK(dialog.table().item(rowOf("Night"), 2)->text().startsWith("5 g"));
  CHECK_FALSE(dialog.table().item(rowOf("Blank"), 0)->text().startsWith("≠"));
  dialog.second().setCurrentIndex(dialog.first().currentIndex());
  CHECK_FALSE(dialog.table().item(rowOf("Night"), 0)->text().startsWith("≠"));
}

TEST_CASE("The papers of an order: sheet, cut list, and a quote at prices typed over", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::mark);
  LogNotes notes;
  notes.whom = "the lock keeper";
  const LogKey key = open.entries().front().key;
  REQUIRE_FALSE(open.window.shelf().logbook()->note(key, notes));
  Papers& papers = open.station().papers();
  const QTemporaryDir folder;
  CHECK_FALSE(papers.saveOrderSheetTo(folder.filePath("sheet.pdf")));
  CHECK_FALSE(papers.saveCutListTo(folder.filePath("list.pdf")));
  CHECK(QFile(folder.filePath("sheet.pdf")).size() > 1000);
  CHECK(QFile(folder.filePath("list.pdf")).size() > 1000);
  CHECK(papers.saveCutListTo(folder.filePath("gone/list.pdf")));

  const auto dialog = papers.quoteDialog();
  REQUIRE(dialog);
  QuoteDialog& quote = **dialog;
  quote.open();
  CHECK(quote.whom().text() == "the lock keeper");
  REQUIRE(quote.table().rowCount() == 1);
  const Money rule = quote.quote().lines.front().price;
  CHECK(rule.value() > 0);
  CHECK(quote.words().text().contains(QString::fromStdString(moneyText(rule))));
  // The glitter has no price yet: it is named.
  CHECK(quote.words().text().contains("Night"));
  // In words, not as files write it.
  CHECK(quote.words().text().contains("art A"));
  CHECK_FALSE(quote.words().text().contains('_'));
  quote.table().setFocus();
  quote.table().setCurrentCell(0, 5);
  QTest::keyClick(&quote.table(), Qt::Key_F2);
  auto* editor = quote.table().findChild<QLineEdit*>();
  REQUIRE(editor != nullptr);
  editor->setText("47,5");
  QTest::keyClick(editor, Qt::Key_Return);
  CHECK(QTest::qWaitFor([&] { return quote.quote().total().value() == 47.5; }, 2000));
  CHECK(quote.total().text().contains("47.50"));
  CHECK(quote.isVisible());
  // What is no price is told and the one before stays.
  quote.table().item(0, 5)->setText("cheap");
  CHECK(quote.words().text().contains("cheap"));
  CHECK(quote.quote().total().value() == Approx(47.5));
  CHECK(quote.table().item(0, 5)->text() == "47.50");
  quote.days().setValue(7);
  CHECK(between(quote.quote().day, quote.quote().until).minutes() == Approx(7 * 24 * 60));
  CHECK_FALSE(papers.saveQuoteTo(folder.filePath("quote.pdf"), quote.quote()));
  CHECK(QFile(folder.filePath("quote.pdf")).size() > 1000);

  // What was asked is asked the next time, and is in the log.
  papers.keepPrices(quote.cups());
  CHECK(open.order().document().cups.front().price == Money::of(47.5));
  CHECK(open.window.shelf().logbook()->find("")->front().notes.price == Money::of(47.5));
  CHECK(open.window.shelf().logbook()->find("")->front().notes.whom == "the lock keeper");
  CHECK((*papers.quoteDialog())->quote().total() == Money::of(47.5));
  open.order().history()->undo();
  CHECK_FALSE(open.order().document().cups.front().price);

  // Without a cup there is nothing to write, and that is said.
  Document empty;
  open.order().load(empty);
  CHECK(papers.saveOrderSheetTo(folder.filePath("sheet.pdf"))->contains("Add a cup"));
  CHECK_FALSE(papers.quoteDialog());
}

TEST_CASE("Saved under another name, an order goes on, or is another the log keeps apart",
          "[log]") {
  LogWindow open;
  const QTemporaryDir folder;
  OrderFile& file = open.window.file();
  open.tickTo(StepKind::mark);
  const std::string id = open.order().document().id;
  const std::size_t done = open.order().document().cups[0].bench.done.size();
  REQUIRE(done > 0);
  // The first name is asked about by nobody.
  REQUIRE(file.saveUnder(folder.filePath("one.avrelt")));
  QString seen;
  answerNextDialog("The same order", &seen);
  REQUIRE(file.saveUnder(folder.filePath("two.avrelt")));
  CHECK(open.order().document().id == id);
  answerNextDialog("Go back", &seen);
  CHECK_FALSE(file.saveUnder(folder.filePath("three.avrelt")));
  CHECK_FALSE(QFile::exists(folder.filePath("three.avrelt")));
  CHECK(open.order().document().cups[0].bench.done.size() == done);
  // Where it cannot be written, all of it stays as it is.
  answerNextDialog("Another like it", &seen);
  QTimer::singleShot(300, &open.window, [] { answerNextDialog("Close"); });
  CHECK_FALSE(file.saveUnder(folder.filePath("gone/three.avrelt")));
  CHECK(open.order().document().id == id);
  CHECK(file.path().endsWith("two.avrelt"));

  answerNextDialog("Another like it", &seen);
  REQUIRE(file.saveUnder(folder.filePath("three.avrelt")));
  CHECK(seen.contains("log"));
  CHECK(file.path().endsWith("three.avrelt"));
  CHECK(open.order().document().id != id);
  CHECK_FALSE(open.order().document().id.empty());
  CHECK(open.order().document().cups[0].bench.done.empty());
  CHECK(open.order().history()->isClean());
  open.work().planNow();
  open.station().keeper().keep();
  // The log has what was done of the first, and only that.
  REQUIRE(open.entries().size() == 1);
  CHECK(open.entries().front().done == static_cast<int>(done));
  open.tickTo(StepKind::clean);
  REQUIRE(open.entries().size() == 2);
  for (const LogEntry& entry : open.entries()) {
    CHECK((entry.key.order == id) == (entry.done == static_cast<int>(done)));
  }
}

TEST_CASE("Film's waste is learnt from the sheets that were taken, and reckoned with", "[log]") {
  LogWindow open;
  Shelf& shelf = open.window.shelf();
  LogBoard& board = open.station().board();
  open.window.goToStation(MainWindow::log);
  const auto figure = [&]() -> const LearntFigure& {
    board.read();
    for (std::size_t i = 0; i < board.figures().size(); ++i) {
      if (board.figures()[i].figure.of == LearnableFigure::Of::film) board.pickFigure(i);
    }
    REQUIRE(board.pickedFigure() != nullptr);
    return *board.pickedFigure();
  };
  open.station().area().showPage(LogArea::figures);
  CHECK(figure().seen.empty());
  CHECK(open.station().figures().words().text().contains("off the shelf"));
  for (int i = 1; i <= 5; ++i) {
    REQUIRE(shelf.use(0, {}, {}, {0, "Blue", {}, Area::mm2(10000.0 * i), Area::mm2(16000.0 * i)}));
  }
  CHECK(figure().seen.size() == 5);
  CHECK(figure().present == Approx(1 / 0.75));
  CHECK(figure().offered);
  CHECK(figureText(figure().figure, figure().fit.slope) == "1.6 × their area, 38 % waste");
  REQUIRE(board.useFigure(figure(), false));
  CHECK(shelf.moneyRules().waste == Approx(0.375));
  CHECK_FALSE(figure().offered);
  REQUIRE(board.useFigure(figure(), true));
  CHECK(shelf.moneyRules().waste == Approx(0.25));
}

TEST_CASE("What a look finds wrong is counted by what it was done with, and taken back", "[log]") {
  LogWindow open;
  open.tickTo(StepKind::glitter);
  const std::vector<Step> steps = open.plan().cups[0].steps;
  const auto glitter = std::find_if(
      steps.begin(), steps.end(), [](const Step& step) { return step.kind == StepKind::glitter; });
  REQUIRE(glitter != steps.end());
  open.window.goToStation(MainWindow::log);
  LogBoard& board = open.station().board();
  const auto faults = [&]() -> const LearntFigure* {
    open.work().planNow();
    open.station().keeper().keep();
    board.read();
    for (std::size_t i = 0; i < board.figures().size(); ++i) {
      const LearnableFigure& figure = board.figures()[i].figure;
      if (figure.of != LearnableFigure::Of::fault || figure.method != glitter->method) continue;
      if (!glitter->method && figure.kind != StepKind::glitter) continue;
      board.pickFigure(i);
      return &board.figures()[i];
    }
    return nullptr;
  };
  // Where nothing was wrong, there is nothing to tell.
  CHECK(faults() == nullptr);
  const auto look = lookAfter(*glitter, open.order().stock().methods);
  REQUIRE(look);
  mend(open.order(), 0, *glitter, look->remedies.front());
  CHECK(open.order().document().cups.front().bench.done.back().faults ==
        std::vector<std::string>{"bare_spots"});
  const LearntFigure* after = faults();
  REQUIRE(after != nullptr);
  CHECK(after->fit.slope == 1);
  CHECK(after->fit.low < 0.5);  // of one, nothing is sure
  CHECK(after->told == std::vector<std::pair<std::string, int>>{{"bare_spots", 1}});
  // In words, without a button that would do nothing.
  FigureCards* cards = open.window.findChild<FigureCards*>();
  REQUIRE(cards != nullptr);
  CHECK(cards->words().text().contains("Bare spots: 1"));
  CHECK_FALSE(cards->useButton().isVisibleTo(cards));
  open.order().history()->undo();
  CHECK(faults() == nullptr);
}

TEST_CASE("The cup picked in the log stands in the round as it was, and is only looked at",
          "[log]") {
  LogWindow open;
  PastCup& past = open.station().pastCup();
  RoundView& view = past.view();
  open.window.goToStation(MainWindow::log);
  // Nothing was made yet: the cup in hand stands there.
  CHECK_FALSE(view.isVisible());
  CHECK(open.window.round().isVisible());
  open.tickTo(StepKind::mark);
  LogBoard& board = open.station().board();
  board.read();
  REQUIRE_FALSE(board.entries().empty());
  board.pick(board.entries().front().key);
  CHECK(view.isVisible());
  CHECK_FALSE(open.window.round().isVisible());
  REQUIRE(QTest::qWaitFor([&] { return past.order().plan() != nullptr; }, 5000));
  CHECK(past.order().currentCup().name == "Comet");
  // Changed on the bench, it stands here as it was when it was logged.
  const Document logged = past.order().document();
  open.order().editCup("Wider",
                       [](Cup& cup) { cup.blank.stations.front().girth = WrittenLength::mm(200); });
  CHECK(past.order().document() == logged);
  // Turned by mouse and by the menu's keys, clicked anywhere: nothing of it changes.
  const CupAngle before = view.facing();
  QTest::mousePress(&view, Qt::LeftButton, {}, view.rect().center());
  QTest::mouseMove(&view, view.rect().center() + QPoint(25, 0));
  QTest::mouseRelease(&view, Qt::LeftButton, {}, view.rect().center() + QPoint(25, 0));
  open.press(Qt::Key_Right, Qt::ControlModifier);
  CHECK(std::abs((view.facing() - before).degrees()) > 1);
  for (int y = 10; y < view.height(); y += 15) {
    QTest::mouseClick(&view, Qt::LeftButton, {}, QPoint(view.width() / 2, y));
  }
  CHECK(past.order().document() == logged);
  CHECK_FALSE(past.order().history()->canUndo());
  // Elsewhere it is the cup in hand again.
  open.station().area().showPage(LogArea::stock);
  CHECK(open.window.round().isVisible());
  CHECK_FALSE(view.isVisible());
  open.station().area().showPage(LogArea::cups);
  CHECK(view.isVisible());
  open.window.goToStation(MainWindow::gauge);
  CHECK(open.window.round().isVisible());
  CHECK_FALSE(view.isVisible());
}

TEST_CASE("Film that runs short is said while planning, until there is enough or it is cut",
          "[log]") {
  LogWindow open;
  open.order().editCup("Film", [](Cup& cup) {
    cup.division.body.finish = {};
    cup.division.body.finish.kind = FinishKind::film;
    cup.division.body.finish.colour = "#E8B64A";
  });
  FilmWatch& films = open.window.benchStation().films();
  const auto told = [&] {
    films.lookNow();
    for (const WatchLine::Item& item : open.window.benchStation().watches()) {
      if (item.sentence.contains("Lock gold")) return item.sentence;
    }
    return QString();
  };
  // Of what the shelf has none, nothing is said: it is cut from what is at hand.
  CHECK(told().isEmpty());
  ShelfFilm film;
  film.name = "Lock gold";
  film.kind = PartMaterial::permanent;
  film.colour = "#E8B64A";
  const auto key = open.window.shelf().put(film);
  REQUIRE(key);
  FilmStock stock;
  stock.film = *key;
  stock.wide = Length::mm(100);
  stock.tall = Length::mm(100);
  const auto sheet = open.window.shelf().put(stock);
  REQUIRE(sheet);
  CHECK(told().contains("runs short"));
  open.order().edit("Due",
                    [](Document& document) { document.bench.due = timeAt("2026-12-12T18:00"); });
  open.work().planNow();
  CHECK(told().contains("12 Dec"));
  // What is bought is enough, and what is cut wants none.
  const Document before = open.order().document();
  for (const PartEntry& entry : entriesOf(*open.order().plan(), purpose::film)) {
    open.order().markCut(entry, true);
  }
  for (const char* other : {purpose::wrap, purpose::baseDisc}) {
    for (const PartEntry& entry : entriesOf(*open.order().plan(), other)) {
      open.order().markCut(entry, true);
    }
  }
  CHECK(told().isEmpty());
  open.order().load(before);
  CHECK_FALSE(told().isEmpty());
  // Bought while nobody looks at the bench: what was said is taken back by itself.
  open.window.goToStation(MainWindow::gauge);
  stock.key = *sheet;
  stock.wide = Length::mm(900);
  stock.tall = Length::mm(900);
  REQUIRE(open.window.shelf().put(stock));
  CHECK(QTest::qWaitFor([&] { return films.missing().empty(); }, 10000));
  // Of another order nothing is known before it is reckoned.
  stock.wide = stock.tall = Length::mm(100);
  REQUIRE(open.window.shelf().put(stock));
  CHECK_FALSE(told().isEmpty());
  Document other = before;
  other.id += "-other";
  open.order().load(other);
  open.window.benchStation().begin();
  CHECK(films.missing().empty());
}

TEST_CASE("The shopping list has the film that is wanted, and says which cups it leaves out",
          "[log]") {
  LogWindow open;
  const auto words = [&] { return open.window.benchStation().shoppingWords().join("\n"); };
  CHECK(words().contains("not on the shelf"));
  CHECK_FALSE(words().contains("cannot be planned"));
  Document document = open.order().document();
  Cup narrow = newCup("Narrow", Unit::mm);
  narrow.blank.stations.front().girth = WrittenLength::mm(0.5);
  document.cups.push_back(narrow);
  open.order().load(document);
  CHECK(words().contains("Narrow cannot be planned yet"));
}

TEST_CASE("A supply of every kind is added, and a choice that is refused goes back", "[log]") {
  LogWindow open;
  open.window.goToStation(MainWindow::log);
  SupplyCards& cards = open.station().supplies();
  for (std::size_t i = 0; i < supplyKinds; ++i) {
    cards.addSupply(static_cast<SupplyKind>(i));
    REQUIRE(open.station().board().pickedSupply() != nullptr);
    CHECK(open.station().board().pickedSupply()->supply->kind == static_cast<SupplyKind>(i));
  }
  // What was not counted yet may be of any kind.
  const std::string id = open.station().board().pickedSupply()->supply->id;
  cards.kind().setCurrentIndex(static_cast<int>(SupplyKind::tape));
  emit cards.kind().activated(cards.kind().currentIndex());
  CHECK(open.window.shelf().supplies().called(id)->kind == SupplyKind::tape);
  SupplyEvent counted;
  counted.supply = id;
  counted.at = timeAt("2026-12-09T18:00");
  counted.amount = Amount::ofUnits(MeasuredBy::length, 2000);
  REQUIRE(open.window.shelf().note(counted));
  open.station().board().read();
  cards.kind().setCurrentIndex(static_cast<int>(SupplyKind::resin));
  emit cards.kind().activated(cards.kind().currentIndex());
  CHECK(open.window.shelf().supplies().called(id)->kind == SupplyKind::tape);
  CHECK(cards.kind().currentIndex() == static_cast<int>(SupplyKind::tape));
}
