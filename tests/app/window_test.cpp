// SPDX-License-Identifier: GPL-3.0-or-later
#include <QFile>
#include <QFileInfo>
#include <QMenu>
#include <QMenuBar>

#include "app/application.h"
#include "app/window/cup_strip.h"
#include "app/window/keys_dialog.h"
#include "files/disk.h"
#include "files/document_json.h"

using namespace avrelt;

namespace {

QString demo() {
  return QStringLiteral(AVRELT_DATA "/demo/Brackwater open night.avrelt");
}

}  // namespace

TEST_CASE("type, drag, undo, save, reopen") {
  const QTemporaryDir folder;
  const QString path = folder.filePath("mine.avrelt");
  Document saved;
  {
    OpenWindow open;
    open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
    open.press(Qt::Key_Return);
    FlatView& flat = open.window.flat();
    const QPoint from = flat.placeOf(GaugeLine::rimClearance).toPoint();
    QTest::mousePress(&flat, Qt::LeftButton, Qt::NoModifier, from);
    QTest::mouseMove(&flat, from + QPoint(0, 25));
    QTest::mouseRelease(&flat, Qt::LeftButton, Qt::NoModifier, from + QPoint(0, 25));
    const Length dragged = open.cup().wrap.rimClearance.length;
    open.press(Qt::Key_Z, Qt::ControlModifier);
    CHECK(open.cup().wrap.rimClearance.length == Length::inches(0.125));
    open.press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    CHECK(open.cup().wrap.rimClearance.length == dragged);
    CHECK(open.window.isWindowModified());
    REQUIRE(open.window.file().saveTo(path));
    CHECK_FALSE(open.window.isWindowModified());
    CHECK(open.window.watchLine().sentence().contains("mine.avrelt"));
    saved = open.window.order().document();
  }
  OpenWindow again;
  REQUIRE(again.window.file().open(path));
  CHECK(again.window.order().document() == saved);
  CHECK_FALSE(again.window.isWindowModified());
}

TEST_CASE("the demo opens with its four cups, and each can be taken in hand") {
  OpenWindow open;
  REQUIRE(open.window.file().open(demo()));
  CHECK(open.window.order().document().cups.size() == 5);
  CupStrip& strip = open.window.cupStrip();
  for (int i = 3; i >= 0; --i) {
    QTest::mouseClick(&strip, Qt::LeftButton, Qt::NoModifier, strip.placeOf(i).center().toPoint());
    CHECK(open.window.order().currentIndex() == i);
    CHECK(open.window.order().planHolds());
  }
}

TEST_CASE("cups are renamed in place; a taken name is refused where it is typed") {
  OpenWindow open;
  REQUIRE(open.window.file().open(demo()));
  CupStrip& strip = open.window.cupStrip();
  open.press(Qt::Key_F2);
  QTest::keyClicks(strip.nameEdit(), "Comet");
  QTest::keyClick(strip.nameEdit(), Qt::Key_Return);
  CHECK(open.window.order().document().cups[0].name == "Mirror");
  CHECK(open.window.watchLine().sentence().contains("Give each cup its own"));
  CHECK(strip.nameEdit()->isVisible());
  strip.nameEdit()->selectAll();
  QTest::keyClicks(strip.nameEdit(), "Segments");
  QTest::keyClick(strip.nameEdit(), Qt::Key_Return);
  CHECK(open.window.order().document().cups[0].name == "Segments");
  CHECK_FALSE(strip.nameEdit()->isVisible());
}

TEST_CASE("cups are dragged along the strip") {
  OpenWindow open;
  REQUIRE(open.window.file().open(demo()));
  CupStrip& strip = open.window.cupStrip();
  const QPoint from = strip.placeOf(0).center().toPoint();
  const QPoint to = strip.placeOf(2).center().toPoint();
  QTest::mousePress(&strip, Qt::LeftButton, Qt::NoModifier, from);
  QTest::mouseMove(&strip, to);
  QTest::mouseRelease(&strip, Qt::LeftButton, Qt::NoModifier, to);
  CHECK(open.window.order().document().cups[2].name == "Mirror");
  CHECK(open.window.order().currentIndex() == 2);
}

TEST_CASE("a file that cannot be opened is told in words and changes nothing") {
  OpenWindow open;
  const Document before = open.window.order().document();
  const QTemporaryDir folder;
  const QString path = folder.filePath("broken.avrelt");
  const std::pair<const char*, const char*> cases[] = {
      {"{\"avrelt\": 1, \"cups\": [{\"na", "cut off"},
      {"{\"avrelt\": 9}", "newer Avrelt"},
      {"{\"avrelt\": 1,\n\"cups\": [{\"name\": \"A\",\n\"blank\": 7}]}", "line 3"}};
  for (const auto& [text, words] : cases) {
    REQUIRE_FALSE(writeFile(path.toStdString(), text).has_value());
    QString seen;
    answerNextDialog("Close", &seen);
    CHECK_FALSE(open.window.file().open(path));
    CHECK(seen.contains(words));
    CHECK(open.window.order().document() == before);
  }
}

TEST_CASE("where saving fails the words say so and the order stays unsaved") {
  OpenWindow open;
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  QString seen;
  answerNextDialog("Close", &seen);
  CHECK_FALSE(open.window.file().saveTo("/proc/nowhere/order.avrelt"));
  CHECK_FALSE(seen.isEmpty());
  CHECK(open.window.isWindowModified());
  CHECK(open.window.file().path().isEmpty());
}

TEST_CASE("a file changed on disk is noticed, and not saved over without asking") {
  const QTemporaryDir folder;
  const QString path = folder.filePath("mine.avrelt");
  OpenWindow open;
  REQUIRE(open.window.file().saveTo(path));
  Document theirs = open.window.order().document();
  theirs.cups[0].name = "Theirs";
  const std::string text = writeDocument(theirs);
  REQUIRE_FALSE(writeFile(path.toStdString(), text).has_value());
  auto* notice = open.window.findChild<QFrame*>("notice");
  REQUIRE(notice != nullptr);
  CHECK(QTest::qWaitFor([&] { return notice->isVisible(); }, 3000));
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  QString seen;
  answerNextDialog("Go back", &seen);
  open.press(Qt::Key_S, Qt::ControlModifier);
  CHECK(seen.contains("Another program has changed"));
  CHECK(*readFile(path.toStdString()) == text);
  answerNextDialog("Save over", &seen);
  open.press(Qt::Key_S, Qt::ControlModifier);
  CHECK(*readFile(path.toStdString()) == writeDocument(open.window.order().document()));
}

TEST_CASE("closing with changes asks, and goes back when told to") {
  OpenWindow open;
  open.type(Where(Member::stationGirth, std::size_t{0}), "9 3/8");
  QString seen;
  answerNextDialog("Go back", &seen);
  CHECK_FALSE(open.window.close());
  CHECK(seen.contains("not saved"));
  answerNextDialog("Leave without saving", &seen);
  CHECK(open.window.close());
}

TEST_CASE("the chosen piece is saved as SVG and PDF; what cannot be planned is not") {
  const QTemporaryDir folder;
  OpenWindow open;
  open.window.goToStation(MainWindow::cut);
  for (const char* purpose : {purpose::wrap, purpose::testPiece, purpose::markingStrip}) {
    open.window.cutStation().choose(purpose);
    CHECK_FALSE(open.window.savePiece(OutputKind::svg, folder.filePath("p.svg")).has_value());
    CHECK_FALSE(open.window.savePiece(OutputKind::pdf, folder.filePath("p.pdf")).has_value());
  }
  CHECK(readFile(folder.filePath("p.svg").toStdString())->find("viewBox") != std::string::npos);
  CHECK(readFile(folder.filePath("p.pdf").toStdString())->rfind("%PDF", 0) == 0);
  open.window.order().setMeasure(GaugeLine::overlap, Length::inches(300));
  CHECK(open.window.savePiece(OutputKind::svg, folder.filePath("q.svg")).has_value());
  CHECK_FALSE(QFile::exists(folder.filePath("q.svg")));
}

TEST_CASE("every piece is saved as it is on screen, by what the shop has learnt") {
  const QTemporaryDir folder;
  OpenWindow open;
  Order& order = open.window.order();
  order.editCup("coats", [](Cup& cup) {
    cup.buildUp.coats = {{CoatKind::resin, GlitterCut::fine, Volume::ml(30), {}}};
    cup.buildUp.laidAfter = 1;
  });
  // A shop whose resin stays on the cup twice as much as the cautious guess has it.
  Stock stock;
  for (double& mean : stock.growth.mean) mean *= 2;
  stock.growth.records = 5;
  order.setStock(stock);
  const auto saved = open.window.saveAll(folder.path());
  REQUIRE(saved.has_value());
  CHECK(*saved > 5);
  const CupPlan& plan = *order.plan();
  const auto onScreen = outputOf(plan, plan.set(purpose::wrap), OutputKind::svg,
                                 order.document().printPaper(), order.unit());
  REQUIRE(onScreen.has_value());
  const std::string path = folder.filePath("cup-1-wrap.svg").toStdString();
  CHECK(readFile(path).value() == onScreen->file.bytes);
  order.setMeasure(GaugeLine::overlap, Length::inches(300));
  const auto refused = open.window.saveAll(folder.path());
  REQUIRE_FALSE(refused.has_value());
  CHECK(refused.error().join(QString()).contains("overlap"));
  CHECK(readFile(path).value() == onScreen->file.bytes);
}

TEST_CASE("the page of keys names every key the menus have") {
  OpenWindow open;
  KeysDialog dialog(*open.window.menuBar(), &open.window);
  QString seen;
  for (const QLabel* label : dialog.findChildren<QLabel*>()) seen += label->text();
  int keys = 0;
  for (const QAction* menu : open.window.menuBar()->actions()) {
    for (const QAction* action : menu->menu()->actions()) {
      if (action->shortcut().isEmpty()) continue;
      INFO(action->text().toStdString());
      CHECK(seen.contains(action->shortcut().toString(QKeySequence::NativeText)));
      ++keys;
    }
  }
  CHECK(keys > 25);
  CHECK(seen.contains("Ctrl+5"));
  CHECK(seen.contains("Ctrl+Alt+G"));
  CHECK(seen.contains("Alt+Backspace"));
}

TEST_CASE("the watch line shows the worst first, and goes to its field") {
  OpenWindow open;
  REQUIRE(open.window.file().open(demo()));
  open.window.order().choose(3);
  WatchLine& watch = open.window.watchLine();
  CHECK(watch.count() == 3);
  CHECK(watch.sentence().contains("bare steel"));
  QTest::mouseClick(&watch, Qt::LeftButton, Qt::NoModifier, QPoint(60, 16));
  CHECK(QApplication::focusWidget() == open.field(Member::rimClearance).edit());
  open.press(Qt::Key_F8);
  CHECK(watch.sentence().contains("172°"));
}

TEST_CASE("the strip's faults lead to the cut station") {
  OpenWindow open;
  open.window.order().setMeasure(GaugeLine::strip, Length::inches(30));
  CHECK(open.window.watchLine().sentence().contains("does not lie on the wall"));
  open.press(Qt::Key_F7);
  CHECK(open.field(Member::stripAt).isVisible());
  CHECK(QApplication::focusWidget() == open.field(Member::stripAt).edit());
}

TEST_CASE("every action has a name, and every one but the recent files a way by keys") {
  OpenWindow open;
  QList<QKeySequence> seen;
  for (QAction* menu : open.window.menuBar()->actions()) {
    for (QAction* action : menu->menu()->actions()) {
      if (action->isSeparator() || action->menu() != nullptr) continue;
      INFO(action->text().toStdString());
      CHECK_FALSE(action->text().isEmpty());
      if (!action->text().contains("About")) CHECK_FALSE(action->shortcut().isEmpty());
      if (!action->shortcut().isEmpty()) {
        CHECK_FALSE(seen.contains(action->shortcut()));
        seen << action->shortcut();
      }
    }
  }
}

TEST_CASE("whatever takes the keyboard says what it is") {
  OpenWindow open;
  for (QWidget* widget : open.window.findChildren<QWidget*>()) {
    if (widget->focusPolicy() == Qt::NoFocus || widget->objectName().startsWith("qt_")) continue;
    if (qobject_cast<QMenuBar*>(widget) != nullptr || qobject_cast<QMenu*>(widget) != nullptr)
      continue;
    auto* button = qobject_cast<QAbstractButton*>(widget);
    INFO(widget->metaObject()->className());
    CHECK(
        (!widget->accessibleName().isEmpty() || (button != nullptr && !button->text().isEmpty())));
  }
}

TEST_CASE("the recent files are remembered, newest first") {
  const QTemporaryDir folder;
  OpenWindow open;
  QSettings().clear();
  REQUIRE(open.window.file().saveTo(folder.filePath("one.avrelt")));
  REQUIRE(open.window.file().saveTo(folder.filePath("two.avrelt")));
  const QStringList recent = QSettings().value("recent").toStringList();
  REQUIRE(recent.size() == 2);
  CHECK(QFileInfo(recent[0]).fileName() == "two.avrelt");
}

TEST_CASE("a name that is being typed goes with the order it was typed for") {
  OpenWindow open;
  Order& order = open.window.order();
  REQUIRE(order.addCup());
  CupStrip* strip = open.window.findChild<CupStrip*>();
  REQUIRE(strip != nullptr);
  strip->rename(1);
  QTest::keyClicks(strip->nameEdit(), QStringLiteral("gone"));
  Document other;
  other.cups = {newCup("Other", Unit::inch)};
  order.load(other);
  CHECK_FALSE(strip->nameEdit()->isVisible());
  QTest::keyClick(strip->nameEdit(), Qt::Key_Return);
  REQUIRE(order.document().cups.size() == 1);
  CHECK(order.document().cups[0].name == "Other");
  CHECK_FALSE(order.renameCup(7, QStringLiteral("nobody")).has_value());
}
