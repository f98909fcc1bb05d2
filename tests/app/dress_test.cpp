// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <fstream>
#include <QFile>
#include <QImage>
#include <QMouseEvent>
#include <QPainter>

#include "app/application.h"
#include "app/dress/picture_dialog.h"
#include "app/dress/shape_dialog.h"
#include "app/order/place_edits.h"
#include "app/order/scatter_edits.h"
#include "app/order/stack_edits.h"
#include "app/order/zone_edits.h"
#include "decal/shapes.h"
#include "decal/straight_edges.h"
#include "job/ids.h"

using namespace avrelt;

namespace {

struct DressWindow : OpenWindow {
  DressWindow() {
    window.goToStation(MainWindow::dressing);
    QApplication::processEvents();
  }
  Order& order() { return window.order(); }
  DressStation& dress() { return window.dressStation(); }
  const DecalSet& set() { return *setInHand(order()); }
  const SetPlan& plan() { return *setPlanInHand(order()); }
  void shape(const std::string& id) {
    REQUIRE(addArtwork(order(), shapeArtwork(id)));
    QApplication::processEvents();
  }
  QString told() { return window.watchLine().sentence(); }
};

void settle(PictureDialog& dialog) {
  for (int i = 0; i < 400 && !dialog.settled(); ++i) QTest::qWait(10);
  REQUIRE(dialog.settled());
}

}  // namespace

TEST_CASE("a shape becomes a set at the front, with its layers, and all of it can be undone") {
  DressWindow open;
  open.shape("comet");
  REQUIRE(open.cup().sets.size() == 1);
  CHECK(open.set().layers.size() == 1);
  CHECK(open.order().document().artworks.size() == 1);
  CHECK(std::abs(open.plan().places[0].anchor.theta.degrees()) < 1e-6);
  open.dress().layerPage().addAction(LayerKind::backing)->trigger();
  open.dress().layerPage().addAction(LayerKind::backing)->trigger();
  REQUIRE(open.set().layers.size() == 3);
  // F14: 0.05 in round a motif of 2 in, common practice, no published source; a second as far
  // again.
  CHECK(open.set().layers[1].offset.text == "0.05 in");
  CHECK(open.set().layers[2].offset.text == "0.1 in");
  open.dress().layerPage().coloursButton().click();
  REQUIRE(open.set().layers.size() == 4);
  CHECK(open.set().layers[0].kind == LayerKind::colour);
  while (open.order().history()->canUndo()) open.order().history()->undo();
  CHECK(open.cup().sets.empty());
  CHECK(open.order().document().artworks.empty());
  open.order().history()->redo();
  CHECK(open.cup().sets.size() == 1);
}

TEST_CASE("a set has one size for all its layers, typed, and its fields tell what is refused") {
  DressWindow open;
  open.shape("star");
  open.dress().layerPage().addAction(LayerKind::ring)->trigger();
  open.type(Member::setSize, "3 in");
  CHECK(open.set().size.text == "3 in");
  CHECK(open.plan().box.width() == Approx(76.2).margin(0.01));
  CHECK(boundsOf(open.plan().layers()[0].shape).width() > 76.2);
  open.type(Member::setSize, "0");
  REQUIRE_FALSE(open.order().faults().empty());
  CHECK(open.order().faults().front().where.member == Member::setSize);
  open.type(Member::setSize, "2 in");
  CHECK(open.order().faults().empty());
  QTest::mouseClick(open.dress().setPage().by().button(1), Qt::LeftButton);
  CHECK(open.set().byHeight);
  CHECK(open.plan().box.width() == Approx(50.8).margin(0.01));
}

TEST_CASE("a set across a line is cut there by a tick, undone, and drawn so") {
  DressWindow open;
  open.window.goToStation(MainWindow::dividing);
  cutZone(open.order(), CutKind::uprights);
  open.window.goToStation(MainWindow::dressing);
  open.shape("star");
  // Onto the line that stands behind.
  const Angle line = open.order().plan()->divided.lines.front().stretches.front().front().theta;
  REQUIRE(editSet(open.order(), QStringLiteral("place"), {}, [&](DecalSet& set) {
    set.places.front().at = open.order().plan()->wall.onCup(line);
  }));
  REQUIRE(open.plan().places.front().room.line);
  CHECK(open.plan().layers().front().pieces.empty());
  QTest::mouseClick(&open.dress().setPage().parted(), Qt::LeftButton);
  CHECK(open.set().parted);
  CHECK(open.plan().layers().front().pieces.size() == 2);
  CHECK(open.order().plan()->parts(purpose::layer).size() == 2);
  open.window.flat().grab();
  QTest::mouseClick(&open.dress().setPage().relief(), Qt::LeftButton);
  CHECK(open.set().relief);
  open.order().history()->undo();
  open.order().history()->undo();
  CHECK_FALSE(open.set().parted);
  CHECK_FALSE(open.dress().setPage().parted().isChecked());
  CHECK(open.order().plan()->parts(purpose::layer).size() == 1);
}

TEST_CASE("a layer is made and cut as its fields say, and one mirrored alone is led to") {
  DressWindow open;
  open.shape("comet");
  LayerPage& page = open.dress().layerPage();
  page.addAction(LayerKind::backing)->trigger();
  open.type(Member::layerOffset, "0.097");
  CHECK(open.set().layers[1].offset.length.inches() == Approx(0.097));
  QTest::mouseClick(page.corners().button(1), Qt::LeftButton);
  CHECK(open.set().layers[1].corners == Corners::sharp);
  page.openings().setCurrentIndex(1);
  emit page.openings().activated(1);
  CHECK(open.set().layers[1].fillOpenings);
  page.mirrored().setCurrentIndex(1);
  emit page.mirrored().activated(1);
  REQUIRE(open.plan().layers()[1].odd);
  CHECK(open.told().contains("Backing of “Comet” is cut mirrored"));
  open.window.watchLine().go();
  CHECK(QApplication::focusWidget() == &page.mirrored());
  page.sees().setCurrentIndex(2);
  emit page.sees().activated(2);
  CHECK_FALSE(open.plan().layers()[1].odd);
  page.material().setCurrentIndex(static_cast<int>(PartMaterial::heatApplied));
  emit page.material().activated(static_cast<int>(PartMaterial::heatApplied));
  CHECK(open.plan().layers()[1].mirrored);
}

TEST_CASE("layers are taken by click and key, raised, lowered and removed") {
  DressWindow open;
  open.shape("heart");
  LayerPage& page = open.dress().layerPage();
  page.addAction(LayerKind::backing)->trigger();
  page.addAction(LayerKind::peekaboo)->trigger();
  LayerStack& stack = page.stack();
  QTest::mouseClick(&stack, Qt::LeftButton, {}, stack.placeOf(0).toPoint());
  CHECK(layerInHand(open.order())->kind == LayerKind::decal);
  QTest::keyClick(&stack, Qt::Key_Down);
  CHECK(layerInHand(open.order())->kind == LayerKind::backing);
  QTest::keyClick(&stack, Qt::Key_PageUp);
  CHECK(open.set().layers[0].kind == LayerKind::backing);
  QTest::keyClick(&stack, Qt::Key_PageUp);
  CHECK(open.set().layers[0].kind == LayerKind::backing);
  QTest::keyClick(&stack, Qt::Key_Delete);
  CHECK(open.set().layers.size() == 2);
}

TEST_CASE("what the stack does not bear is told at its row, mended by one press and undone") {
  DressWindow open;
  open.shape("heart");
  open.dress().layerPage().addAction(LayerKind::peekaboo)->trigger();
  StackPage& page = open.dress().stackPage();
  REQUIRE(open.window.goTo(Member::stack));
  const auto row = [&](const QString& words) {
    for (int i = 0; i < page.items().count(); ++i) {
      if (page.items().item(i)->text().contains(words)) return i;
    }
    return -1;
  };
  const QString told = QStringLiteral("nothing goes over it: paint over it");
  REQUIRE(QTest::qWaitFor([&] { return row(told) >= 0; }));
  page.items().setCurrentRow(row(told));
  REQUIRE(page.mendButton().isVisible());
  page.mendButton().click();
  CHECK(open.set().over);
  REQUIRE(QTest::qWaitFor([&] { return row(told) < 0; }));
  CHECK(row(QStringLiteral("over the stencils")) >= 0);
  open.order().history()->undo();
  CHECK_FALSE(open.set().over);
  // By key, on the row in hand.
  REQUIRE(QTest::qWaitFor([&] { return row(told) >= 0; }));
  page.items().setCurrentRow(row(told));
  QTest::keyClick(&page.items(), Qt::Key_Return);
  CHECK(open.set().over);
  // And by the list at the layer itself.
  QComboBox& over = open.dress().layerPage().over();
  over.setCurrentIndex(0);
  emit over.activated(0);
  CHECK_FALSE(open.set().over);
}

TEST_CASE("a set is dragged on the flat and nudged, by marks of the tape") {
  DressWindow open;
  open.shape("full_moon");
  FlatView& flat = open.window.flat();
  const QPoint from = flat.placeOfSet(open.set().id).toPoint();
  const Length before = open.set().places[0].up.length;
  QTest::mousePress(&flat, Qt::LeftButton, {}, from);
  QTest::mouseMove(&flat, from + QPoint(60, -30));
  QMouseEvent move(QEvent::MouseMove, QPointF(from + QPoint(60, -30)),
                   flat.mapToGlobal(from + QPoint(60, -30)), Qt::NoButton, Qt::LeftButton, {});
  QApplication::sendEvent(&flat, &move);
  QTest::mouseRelease(&flat, Qt::LeftButton, {}, from + QPoint(60, -30));
  CHECK(open.set().places[0].up.length > before);
  CHECK(open.set().places[0].at.degrees() > 5);
  // On a mark of the tape.
  const double sixteenths = open.set().places[0].up.length.inches() * 16;
  CHECK(sixteenths == Approx(std::round(sixteenths)).margin(1e-6));
  const CupAngle at = open.set().places[0].at;
  flat.setFocus();
  QTest::keyClick(&flat, Qt::Key_Right);
  CHECK(open.set().places[0].at > at);
  QTest::keyClick(&flat, Qt::Key_Down, Qt::ShiftModifier);
  CHECK(open.set().places[0].up.length.inches() * 16 == Approx(sixteenths - 8).margin(1e-6));
}

TEST_CASE("words are set as they are typed, keep their height, and what cannot be set is said") {
  DressWindow open;
  open.dress().beginWords();
  WordsPage& page = open.dress().wordsPage();
  const auto taken = [&] { REQUIRE(QTest::qWaitFor([&] { return !page.waits(); })); };
  REQUIRE(open.cup().sets.size() == 1);
  const double tall = open.plan().box.height();
  page.text().selectAll();
  QTest::keyClicks(&page.text(), "Brackwater");
  taken();
  CHECK(open.set().art->words.text == "Brackwater");
  CHECK(open.set().art->name == "Brackwater");
  CHECK(open.plan().box.height() == Approx(tall).epsilon(0.05));
  CHECK(open.plan().scale == Approx(1).margin(0.02));
  // Nothing typed cannot be cut: the outlines stay.
  page.text().selectAll();
  QTest::keyClick(&page.text(), Qt::Key_Delete);
  taken();
  CHECK(page.said().text().contains("no words"));
  CHECK(open.set().art->words.text == "Brackwater");
  QTest::keyClicks(&page.text(), "A");
  taken();
  CHECK(open.set().art->words.text == "A");
  page.text().setPlainText(QString::fromUtf8("A\xE6\x98\x9F"));
  taken();
  CHECK(page.said().text().contains(QString::fromUtf8("\xE6\x98\x9F")));
  page.text().setPlainText("Open night");
  QTest::mouseClick(&page.arched(), Qt::LeftButton, {}, QPoint(8, page.arched().height() / 2));
  CHECK(open.set().art->words.arc.has_value());
  // What was typed just before is in it.
  CHECK(open.set().art->words.text == "Open night");
  // One letter after the other is one step of the history.
  open.order().history()->undo();
  CHECK_FALSE(open.set().art->words.arc.has_value());
}

TEST_CASE("what was typed goes into the words it was typed for, or nowhere") {
  DressWindow open;
  open.dress().beginWords();
  const std::string first = artInHand(open.order())->id;
  open.dress().beginWords();
  const std::string second = artInHand(open.order())->id;
  REQUIRE(first != second);
  WordsPage& page = open.dress().wordsPage();
  const auto taken = [&] { REQUIRE(QTest::qWaitFor([&] { return !page.waits(); })); };
  const std::string before = artInHand(open.order())->words.text;
  page.text().setPlainText("Lock keeper");
  open.order().pickArt(first);
  taken();
  CHECK(artInHand(open.order())->words.text == before);
  CHECK(page.text().toPlainText().toStdString() == before);
  open.order().pickArt(second);
  page.text().setPlainText("Lock keeper");
  open.order().history()->undo();
  taken();
  // Taken back while it waits: the words it was typed for are gone.
  CHECK(open.cup().sets.size() == 1);
  CHECK(open.set().art->words.text == before);
}

TEST_CASE("a face that is missing leaves the outlines as they are, and says so") {
  DressWindow open;
  open.dress().beginWords();
  const std::string id = artInHand(open.order())->id;
  changeArtwork(open.order(), "f", {}, id,
                [](Artwork& artwork) { artwork.words.family = "No Such Face"; });
  QApplication::processEvents();
  WordsPage& page = open.dress().wordsPage();
  CHECK(page.said().text().contains("No Such Face"));
  const auto areas = artInHand(open.order())->areas;
  page.text().setPlainText("Other");
  QApplication::processEvents();
  CHECK(artInHand(open.order())->areas == areas);
  CHECK(page.said().text().contains("not on this machine"));
}

TEST_CASE("a drawing is taken with its colours and clips, the file may vanish") {
  DressWindow open;
  QTemporaryDir folder;
  const QString path = folder.filePath("badge.svg");
  {
    QFile file(path);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(
        "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='40mm' viewBox='0 0 40 40'>"
        "<clipPath id='c'><rect width='20' height='40'/></clipPath>"
        "<circle cx='20' cy='20' r='18' fill='navy' clip-path='url(#c)'/>"
        "<path d='M25 5V35' stroke='#C81E28' stroke-width='2' stroke-linecap='round'/>"
        "<text x='1' y='9'>x</text></svg>");
  }
  open.dress().takeDrawingFrom(path);
  CHECK(open.told().contains("Words were left out"));
  REQUIRE(QFile::remove(path));
  const Artwork& art = *artInHand(open.order());
  REQUIRE(art.areas.size() == 2);
  CHECK(art.areas[0].colour == "#000080");
  CHECK(signedArea(art.areas[0].area) == Approx(M_PI * 18 * 18 / 2).epsilon(1e-3));
  CHECK(signedArea(art.areas[1].area) == Approx(60 + M_PI).epsilon(1e-3));
  // Only words in it: said, and nothing is taken.
  const QString words = folder.filePath("words.svg");
  {
    QFile file(words);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(
        "<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm'>"
        "<text>x</text></svg>");
  }
  open.dress().takeDrawingFrom(words);
  CHECK(open.told().contains("cannot be taken"));
  CHECK(open.order().document().artworks.size() == 1);
}

TEST_CASE("pictures are traced beside the window, of any kind, and what is none is said") {
  application();
  QTemporaryDir folder;
  const auto saved = [&](const QImage& image, const char* name) {
    QString path = folder.filePath(name);
    REQUIRE(image.save(path));
    return path;
  };
  QImage disc(300, 300, QImage::Format_RGB32);
  disc.fill(Qt::white);
  {
    QPainter painter(&disc);
    painter.setBrush(Qt::black);
    painter.drawEllipse(QPointF(150, 150), 100, 100);
  }
  disc.setDotsPerMeterX(static_cast<int>(300 / 0.0254));
  PictureDialog dialog(Unit::mm);
  REQUIRE_FALSE(dialog.load(saved(disc, "disc.png")));
  settle(dialog);
  const Checked<Artwork> traced = dialog.artwork();
  REQUIRE(traced);
  // A disc of 200 dots at 300 to the inch; the pen adds a dot.
  CHECK(signedArea(traced->silhouette()) ==
        Approx(M_PI * std::pow(100.5 * 25.4 / 300, 2)).epsilon(0.01));
  // Many changes in a row: the last counts.
  for (int i = 0; i < 8; ++i) dialog.threshold().setValue(30 + i);
  dialog.invert().click();
  settle(dialog);
  CHECK(dialog.artwork());
  SECTION("one dot") {
    QImage dot(1, 1, QImage::Format_RGB32);
    dot.fill(Qt::black);
    CHECK_FALSE(dialog.load(saved(dot, "dot.png")));
    settle(dialog);
    CHECK_FALSE(dialog.takeButton().isEnabled());
    CHECK_FALSE(dialog.words().text().isEmpty());
  }
  SECTION("all white") {
    QImage white(60, 60, QImage::Format_RGB32);
    white.fill(Qt::white);
    PictureDialog other(Unit::mm);
    CHECK_FALSE(other.load(saved(white, "white.png")));
    settle(other);
    CHECK_FALSE(other.takeButton().isEnabled());
    CHECK(other.words().text().contains("Nothing was found"));
  }
  SECTION("sixteen bits a colour, and cyan with the rest") {
    CHECK_FALSE(dialog.load(saved(disc.convertToFormat(QImage::Format_RGBA64), "deep.png")));
    settle(dialog);
    CHECK(dialog.artwork());
  }
  SECTION("a hundred million dots") {
    QImage large(10'000, 10'000, QImage::Format_Mono);
    large.fill(1);
    {
      QPainter painter(&large);
      painter.fillRect(2000, 2000, 5000, 5000, Qt::black);
    }
    CHECK_FALSE(dialog.load(saved(large, "large.png")));
    settle(dialog);
    CHECK(dialog.words().text().contains("made smaller"));
  }
  SECTION("no picture") {
    QFile file(folder.filePath("none.png"));
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write("no picture at all");
    file.close();
    const auto fault = dialog.load(file.fileName());
    REQUIRE(fault);
    CHECK(fault->contains("none.png"));
  }
}

TEST_CASE("artworks are joined, taken apart, copied and removed; what holds them is said") {
  DressWindow open;
  open.shape("full_moon");
  open.shape("star");
  QListWidget& list = open.dress().artPage().list();
  list.selectAll();
  open.dress().artPage().joinAction(JoinKind::without)->trigger();
  QApplication::processEvents();
  REQUIRE(open.order().document().artworks.size() == 3);
  const Artwork joined = *artInHand(open.order());
  CHECK(joined.kind == ArtKind::joined);
  // The star is moved and made smaller within it; too far away, the moon is whole again.
  open.dress().artPages().show(DressStation::ofJoined);
  QApplication::processEvents();
  JoinPage& page = open.dress().joinPage();
  REQUIRE(page.list().count() == 2);
  const double before = signedArea(joined.silhouette());
  page.list().setCurrentRow(1);
  page.percent().setValue(50);
  CHECK(signedArea(artInHand(open.order())->silhouette()) > before);
  page.right().setValue(40);
  CHECK(signedArea(artInHand(open.order())->silhouette()) == Approx(M_PI * 625).epsilon(1e-3));
  page.how().setCurrentIndex(static_cast<int>(JoinKind::common));
  emit page.how().activated(static_cast<int>(JoinKind::common));
  CHECK(artInHand(open.order())->joining.kind == JoinKind::without);  // nothing would be left
  const std::string moon = open.order().document().artworks[0]->id;
  removeArtwork(open.order(), moon);
  CHECK(open.told().contains("is part of"));
  CHECK(open.order().document().artworks.size() == 3);
  open.dress().artPage().apartAction()->trigger();
  CHECK(open.order().document().artworks.size() == 2);
  CHECK(open.cup().sets.back().artwork == moon);
  copyArtwork(open.order(), moon);
  CHECK(open.order().document().artworks.back()->name == "Full moon 2");
  removeArtwork(open.order(), moon);
  CHECK(std::none_of(open.cup().sets.begin(), open.cup().sets.end(),
                     [&](const DecalSet& set) { return set.artwork == moon; }));
}

TEST_CASE("the shelf of shapes is searched, and keeps the maker's own") {
  DressWindow open;
  open.shape("comet");
  open.dress().keepShape();
  CHECK(open.told().contains("on the shelf of shapes"));
  const auto kept = open.window.shelf().shapes();
  REQUIRE(kept.size() == 1);
  CHECK(kept[0].artwork.areas == shapeArtwork("comet").areas);
  std::string removed;
  std::vector<ShapeChoice> shapes = shippedShapes();
  shapes.push_back({"7", kept[0].artwork, "own Comet", true});
  ShapeDialog dialog(shapes, [&](const std::string& key) { removed = key; });
  const int all = dialog.list().count();
  dialog.search().setText("moon");
  CHECK(dialog.list().count() >= 4);
  CHECK(dialog.list().count() < all);
  dialog.search().setText("own comet");
  REQUIRE(dialog.list().count() == 1);
  CHECK(dialog.chosen()->own);
  for (QPushButton* button : dialog.findChildren<QPushButton*>()) {
    if (button->text().contains("Remove")) button->click();
  }
  CHECK(removed == "7");
  CHECK(dialog.list().count() == 0);
  CHECK_FALSE(dialog.takeButton().isEnabled());
  REQUIRE(open.window.shelf().removeShape(kept[0].key));
  CHECK(open.window.shelf().shapes().empty());
}

TEST_CASE("a set is copied to another cup, and its layers are ticked as cut with their size") {
  DressWindow open;
  open.order().addCup();
  open.order().choose(0);
  open.shape("laurel");
  open.dress().layerPage().addAction(LayerKind::backing)->trigger();
  copySetTo(open.order(), open.set().id, 1);
  REQUIRE(open.order().document().cups[1].sets.size() == 1);
  CHECK(open.order().document().cups[1].sets[0].size == open.set().size);
  const CupPlan* plan = open.order().presentPlan();
  REQUIRE(plan != nullptr);
  const std::vector<PartEntry> entries = entriesOf(*plan, purpose::layer);
  REQUIRE(entries.size() == 2);
  open.order().markCut(entries[0], true);
  REQUIRE(open.cup().cuts.size() == 1);
  CHECK(open.cup().cuts[0].size->length == open.set().size.length);
  open.type(Member::setSize, "2 1/4 in");
  const auto& watches = open.order().plan()->watches;
  CHECK(std::any_of(watches.begin(), watches.end(),
                    [](const Watch& watch) { return watch.rule == Rule::setCutOtherwise; }));
}

TEST_CASE("thin strokes are thickened and specks dropped by a tick, on the Blade page") {
  DressWindow open;
  open.shape("frame");
  open.type(Member::setSize, "1/2 in");
  open.dress().setPages().show(DressStation::ofBlade);
  QApplication::processEvents();
  CHECK(open.dress().bladePage().words().text().contains("Thinnest stroke"));
  CHECK(open.told().contains("thinnest stroke"));
  const Length before = open.plan().fit().stroke->width;
  open.dress().bladePage().thicken().click();
  CHECK(open.plan().fit().stroke->width > before);
  CHECK(open.plan().fit().stroke->width >= Length::mm(0.98));
  open.dress().bladePage().drop().click();
  CHECK(open.set().drop);
}

TEST_CASE("a set is put on the cup once more, typed, picked and taken away again") {
  DressWindow open;
  open.shape("star");
  open.type(Member::setSize, "1 in");
  open.dress().setPages().show(DressStation::ofPlace);
  PlacePage& page = open.dress().placePage();
  page.addButton().click();
  REQUIRE(open.set().places.size() == 2);
  CHECK(page.places().count() == 2);
  CHECK(page.places().currentIndex() == 1);
  open.type(Member::placeAt, "120");
  open.type(Member::placeUp, "2 1/4 in");
  CHECK(open.set().places[1].at.degrees() == Approx(120));
  CHECK(open.set().places[1].up.text == "2 1/4 in");
  CHECK(open.set().places[0].at.degrees() == Approx(0).margin(1e-9));
  CHECK(page.room().text().contains(QStringLiteral("base 1 3/4 in")));
  page.follows().click();
  CHECK(open.set().places[1].follows);
  // The other one is taken on the flat by keys, and moved by a mark of the tape.
  FlatView& flat = open.window.flat();
  flat.setFocus();
  QTest::keyClick(&flat, Qt::Key_PageUp);
  CHECK(page.places().currentIndex() == 0);
  const Length up = open.set().places[0].up.length;
  QTest::keyClick(&flat, Qt::Key_Up);
  CHECK((open.set().places[0].up.length - up).inches() == Approx(1.0 / 16));
  page.removeButton().click();
  REQUIRE(open.set().places.size() == 1);
  CHECK(open.set().places[0].at.degrees() == Approx(120));
  page.removeButton().click();
  CHECK(open.set().places.empty());
  CHECK(open.told().contains(QStringLiteral("stands nowhere")));
  page.addButton().click();
  CHECK(open.set().places.size() == 1);
  while (open.order().history()->canUndo()) open.order().history()->undo();
  CHECK(open.cup().sets.empty());
}

TEST_CASE("a set that is dragged is drawn to the front; Alt leaves it where it is put") {
  DressWindow open;
  open.shape("star");
  open.type(Member::setSize, "1 in");
  open.dress().placePage();
  const std::string id = open.set().places[0].id;
  FlatView& flat = open.window.flat();
  editPlace(open.order(), QStringLiteral("move"), {}, [](Place& place) {
    place.at = CupAngle::degrees(40);
    place.up = WrittenLength{Length::inches(2), "2 in"};
  });
  QApplication::processEvents();
  const QPoint from = flat.placeOfSet(id).toPoint();
  const QPoint front =
      flat.placeOfWall({open.order().plan()->wall.inFrame(CupAngle::front()), Length::inches(2)})
          .toPoint();
  const auto drag = [&](QPoint to, Qt::KeyboardModifiers keys) {
    QTest::mousePress(&flat, Qt::LeftButton, {}, flat.placeOfSet(id).toPoint());
    QMouseEvent move(QEvent::MouseMove, to, flat.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                     keys);
    QApplication::sendEvent(&flat, &move);
    QTest::mouseRelease(&flat, Qt::LeftButton, keys, to);
    QApplication::processEvents();
  };
  drag(front + QPoint(4, 30), Qt::NoModifier);
  CHECK(open.set().places[0].at == CupAngle::front());
  drag(front + QPoint(4, 30), Qt::AltModifier);
  CHECK(open.set().places[0].at.degrees() > 0.2);
  CHECK(open.set().places[0].at.degrees() < 10);
  // By whole degrees from there, by keys.
  flat.setFocus();
  QTest::keyClick(&flat, Qt::Key_Right, Qt::AltModifier);
  const double degrees = open.set().places[0].at.degrees();
  CHECK(degrees == Approx(std::round(degrees)));
  drag(from, Qt::NoModifier);
  CHECK(open.set().places[0].at.degrees() == Approx(40).margin(2));
}

TEST_CASE("a set is placed by a point of it that is picked on the flat, typed, or left alone") {
  DressWindow open;
  open.shape("star");
  open.type(Member::setSize, "2 in");
  FlatView& flat = open.window.flat();
  const std::string id = open.set().places[0].id;
  SetPage& page = open.dress().setPage();
  const auto reach = [&] { return open.order().presentPlan()->sets[0].places[0].laid->reach; };
  const WallReach before = reach();
  const QPoint middle = flat.placeOfSet(id).toPoint();
  const Length up = open.set().places[0].up.length;

  // By the menu's key; Escape leaves it.
  page.pickButton().click();
  CHECK(page.pickButton().isChecked());
  QTest::keyClick(&flat, Qt::Key_Escape);
  CHECK_FALSE(page.pickButton().isChecked());
  CHECK(open.set().anchor == Anchor());

  page.pickButton().click();
  QTest::mouseClick(&flat, Qt::LeftButton, {}, middle + QPoint(20, -25));
  QApplication::processEvents();
  CHECK_FALSE(page.pickButton().isChecked());
  CHECK(open.set().anchor.across > 0.55);
  CHECK(open.set().anchor.up > 0.55);
  // The marks are the point's, and the star has not moved.
  CHECK(open.set().places[0].up.length > up);
  const WallReach after = reach();
  CHECK(after.low.mm() == Approx(before.low.mm()).margin(0.01));
  CHECK(after.high.mm() == Approx(before.high.mm()).margin(0.01));
  CHECK(after.from.degrees() == Approx(before.from.degrees()).margin(0.01));
  CHECK((flat.placeOfSet(id).toPoint() - middle - QPoint(20, -25)).manhattanLength() <= 2);
  CHECK(page.anchor().currentText() == QStringLiteral("Another point"));
  CHECK(page.across().value() == Approx(open.set().anchor.across * 100).margin(0.01));
  open.order().history()->undo();
  CHECK(open.set().anchor == Anchor());
  CHECK(open.set().places[0].up.length == up);

  // Typed, the marks stay and the star goes there.
  page.across().setFocus();
  page.across().setValue(0);
  page.up().setValue(100);
  QApplication::processEvents();
  CHECK(open.set().anchor == Anchor{0, 1});
  CHECK(page.anchor().currentText() == QStringLiteral("Top left"));
  CHECK(open.set().places[0].up.length == up);
  CHECK(reach().low < before.low);

  // With a refused number in sight, by the last good plan; the number stays as it was typed.
  open.type(Member::setSize, "0 in");
  REQUIRE_FALSE(open.order().faults().empty());
  page.pickButton().click();
  QTest::mouseClick(&flat, Qt::LeftButton, {}, flat.placeOfSet(id).toPoint() + QPoint(12, 12));
  QApplication::processEvents();
  CHECK_FALSE(page.pickButton().isChecked());
  CHECK_FALSE(open.set().anchor == Anchor{0, 1});
  CHECK_FALSE(open.order().faults().empty());
  open.type(Member::setSize, "2 in");
  CHECK(open.order().faults().empty());

  // Another station: nothing is waited for.
  page.pickButton().click();
  open.window.goToStation(MainWindow::filling);
  CHECK_FALSE(page.pickButton().isChecked());
}

TEST_CASE("edges of an artwork are laid level and stood plumb, one after the other") {
  DressWindow open;
  open.shape("mirror");
  editPlace(open.order(), QStringLiteral("turn"), {},
            [](Place& place) { place.turn = Angle::degrees(13); });
  QApplication::processEvents();
  const auto turn = [&] { return open.set().places[0].turn.degrees(); };
  const auto level = [&] {
    double least = 90;
    for (const StraightEdge& edge : straightEdges(open.plan().made->artwork)) {
      least = std::min(least, std::abs(std::remainder(edge.lean.degrees() + turn(), 180)));
    }
    return least;
  };
  CHECK(level() > 1);
  alignEdge(open.order(), false);
  CHECK(level() < 1e-6);
  const double first = turn();
  alignEdge(open.order(), false);
  CHECK(level() < 1e-6);
  CHECK(std::abs(std::remainder(turn() - first, 180)) > 1);
  open.order().history()->undo();
  open.order().history()->undo();
  CHECK(turn() == Approx(13));
  open.shape("full_moon");
  alignEdge(open.order(), true);
  CHECK(open.told().contains(QStringLiteral("no straight edge")));
}

TEST_CASE("the stack is peeled back on the views by keys, and a layer laid a coat later") {
  DressWindow open;
  open.shape("star");
  open.dress().layerPage().addAction(LayerKind::backing)->trigger();
  open.order().editCup(QStringLiteral("coats"), [](Cup& cup) {
    cup.buildUp.coats = {Coat(), Coat()};
    giveIds(cup);
  });
  open.dress().setPages().show(DressStation::ofStack);
  QTest::qWait(120);
  StackPage& page = open.dress().stackPage();
  // Two coats, metal, decal and backing, and the wrap of a cup that is nothing else.
  REQUIRE(page.items().count() == 6);
  CHECK(page.items().item(5)->text() == QStringLiteral("Metal, sanded, washed"));
  const QImage whole = open.window.flat().grab().toImage();
  open.press(Qt::Key_F9);
  QTest::qWait(120);
  const std::string backing = open.set().layers[1].id;
  CHECK(open.order().outermost() == backing);
  CHECK(open.window.flat().grab().toImage() != whole);
  CHECK(page.putBackButton().isEnabled());
  for (int i = 0; i < 5; ++i) open.press(Qt::Key_F9);
  CHECK(open.order().outermost() == "metal");
  for (int i = 0; i < 5; ++i) open.press(Qt::Key_F9, Qt::ShiftModifier);
  CHECK(open.order().outermost().empty());
  QTest::qWait(120);
  CHECK(open.window.flat().grab().toImage() == whole);
  // The backing, laid under the decal and on the metal with it, over it, and a coat later.
  const auto rowOf = [&](const char* words) {
    for (int i = 0; i < page.items().count(); ++i) {
      if (page.items().item(i)->text().startsWith(QLatin1String(words))) return i;
    }
    return -1;
  };
  page.items().setCurrentRow(rowOf("Backing"));
  CHECK(open.order().layer() == backing);
  CHECK(page.words().text().contains(QStringLiteral("hides no glitter")));
  CHECK_FALSE(page.inwardsButton().isEnabled());
  page.outwardsButton().click();
  CHECK(open.set().layers[0].id == backing);
  QTest::keyClick(&page.items(), Qt::Key_Up, Qt::AltModifier);
  QTest::qWait(120);
  CHECK(laidAfterOf(open.cup().buildUp, backing) == 1);
  CHECK(page.words().text().contains(QStringLiteral("after 1 coat")));
  open.order().history()->undo();
  open.order().history()->undo();
  CHECK(open.set().layers[1].id == backing);
  // The same by the menu's keys, and why it goes no farther.
  open.press(Qt::Key_Up, Qt::ControlModifier | Qt::AltModifier);
  CHECK(open.set().layers[0].id == backing);
  for (int i = 0; i < 4; ++i) moveInStack(open.order(), backing, 1);
  CHECK(laidAfterOf(open.cup().buildUp, backing) == 2);
  CHECK(open.told().contains(QStringLiteral("after the last coat already")));
  moveInStack(open.order(), "metal", 1);
  CHECK(open.told().contains(QStringLiteral("put in order at Gauge")));
}

TEST_CASE("a row is made, counted, grown to fit, moved whole and taken apart") {
  DressWindow open;
  open.shape("full_moon");
  open.type(Member::setSize, "1 in");
  open.dress().setPages().show(DressStation::ofRow);
  RowPage& page = open.dress().rowPage();
  page.addButton().click();
  REQUIRE(open.cup().rows.size() == 1);
  // One step of the history, also where fewer fit than a row begins with.
  open.order().history()->undo();
  CHECK(open.cup().rows.empty());
  CHECK(open.set().places.size() == 1);
  open.order().history()->redo();
  REQUIRE(open.cup().rows.size() == 1);
  // The set's one place became the row's first.
  CHECK(open.set().places.empty());
  const int before = static_cast<int>(open.plan().places.size());
  CHECK(before >= 6);
  page.count().setValue(5);
  CHECK(open.plan().places.size() == 5);
  CHECK(page.words().text().startsWith(QStringLiteral("5 stand with")));
  page.count().setValue(60);
  CHECK(page.words().text().startsWith(QStringLiteral("60 do not fit")));
  CHECK(open.told().contains(QStringLiteral("60 of a row do not fit")));
  page.count().setValue(8);
  growToFit(open.order());
  CHECK(open.plan().places.size() == 8);
  const Length fits = open.set().size.length;
  open.type(Member::setSize,
            (QString::number(fits.inches() + 1.0 / 32) + " in").toUtf8().constData());
  CHECK(open.plan().places.size() < 8);
  open.order().history()->undo();
  // Moved by one of its places, all go along.
  const StandingSet one = {&open.plan(), &open.plan().places[3]};
  pickPlace(open.order(), one);
  const Angle at = open.plan().places[0].anchor.theta;
  const Length up = open.plan().places[0].anchor.s;
  nudgePlace(open.order(), 2, -3);
  CHECK((open.plan().places[0].anchor.theta - at).degrees() > 0.5);
  CHECK((up - open.plan().places[0].anchor.s).inches() == Approx(3.0 / 16));
  CHECK(open.plan().places[7].anchor.s == open.plan().places[0].anchor.s);
  // A place of a row is not removed alone.
  removePlace(open.order());
  CHECK(open.plan().places.size() == 8);
  open.type(Member::rowGap, "9 ft");
  CHECK_FALSE(open.order().faults().empty());
  open.type(Member::rowGap, "1/4 in");
  CHECK(open.order().faults().empty());
  releaseRow(open.order());
  CHECK(open.cup().rows.empty());
  CHECK(open.set().places.size() == 8);
  open.order().history()->undo();
  CHECK(open.cup().rows.size() == 1);
  page.removeButton().click();
  CHECK(open.cup().rows.empty());
}

TEST_CASE("a set is scattered, thrown again in whole and in part, and moved by hand") {
  DressWindow open;
  open.shape("spark");
  open.type(Member::setSize, "3/8 in");
  open.dress().setPages().show(DressStation::ofScatter);
  ScatterPage& page = open.dress().scatterPage();
  page.addButton().click();
  REQUIRE(open.cup().scatters.size() == 1);
  CHECK(open.cup().scatters[0].items.size() == 40);
  CHECK(open.set().places.empty());
  CHECK(page.words().text().startsWith(QStringLiteral("40 are thrown.")));
  page.count().setValue(25);
  CHECK(open.cup().scatters[0].items.size() == 25);
  const std::vector<ScatterItem> first = open.cup().scatters[0].items;
  throwAllAgain(open.order());
  CHECK(open.cup().scatters[0].items != first);
  // One by the mouse's hand, and one thrown again: the others stay.
  const std::vector<ScatterItem> second = open.cup().scatters[0].items;
  pickPlace(open.order(), {&open.plan(), open.plan().placeCalled(second[4].place.id)});
  nudgePlace(open.order(), 8, 0);
  CHECK(open.cup().scatters[0].items[4].place.at != second[4].place.at);
  pickPlace(open.order(), {&open.plan(), open.plan().placeCalled(second[9].place.id)});
  throwAgain(open.order());
  for (std::size_t i = 0; i < second.size(); ++i) {
    CHECK((open.cup().scatters[0].items[i] == second[i]) == (i != 4 && i != 9));
  }
  // What was put by hand stays when all are thrown; thrown by itself, it is like the others again.
  CHECK(page.words().text().contains(QStringLiteral("One stays where you put it.")));
  const ScatterItem put = open.cup().scatters[0].items[4];
  throwAllAgain(open.order());
  CHECK(open.cup().scatters[0].items.size() == second.size());
  CHECK(open.cup().scatters[0].items[0] == put);
  pickPlace(open.order(), {&open.plan(), open.plan().placeCalled(put.place.id)});
  throwAgain(open.order());
  CHECK_FALSE(open.cup().scatters[0].items[0].byHand);
  // One of it is taken away like any place.
  removePlace(open.order());
  CHECK(open.cup().scatters[0].items.size() == 24);
  page.cover().setValue(6);
  CHECK(open.cup().scatters[0].items.size() > 25);
  page.whole().click();
  CHECK_FALSE(open.cup().scatters[0].whole);
  open.type(Member::scatterGap, "12 ft");
  CHECK_FALSE(open.order().faults().empty());
  open.type(Member::scatterGap, "1/8 in");
  CHECK(open.order().faults().empty());
  page.removeButton().click();
  CHECK(open.cup().scatters.empty());
  while (open.order().history()->canUndo()) open.order().history()->undo();
  CHECK(open.cup().sets.empty());
}

TEST_CASE("words taken back are shown as they are, also where the hand is still in them") {
  DressWindow open;
  open.dress().beginWords();
  WordsPage& page = open.dress().wordsPage();
  const auto taken = [&] { REQUIRE(QTest::qWaitFor([&] { return !page.waits(); })); };
  const QString before = page.text().toPlainText();
  page.text().setFocus();
  page.text().selectAll();
  QTest::keyClicks(&page.text(), "Lock");
  taken();
  open.order().history()->undo();
  CHECK(page.text().toPlainText() == before);
  // Artwork that is none of words leaves nothing of them behind.
  open.shape("spark");
  CHECK(page.text().toPlainText().isEmpty());
  CHECK(open.field(Member::wordsCapHeight).edit()->text().isEmpty());
}

TEST_CASE("the scatter shown is that of what is in hand") {
  DressWindow open;
  open.dress().setPages().show(DressStation::ofScatter);
  open.shape("spark");
  open.type(Member::setSize, "3/8 in");
  open.dress().scatterPage().addButton().click();
  open.shape("disc");
  open.type(Member::setSize, "1/4 in");
  open.dress().scatterPage().addButton().click();
  REQUIRE(open.cup().scatters.size() == 2);
  for (std::size_t i = 0; i < 2; ++i) {
    open.order().pickSet(open.cup().scatters[i].sets.front());
    CHECK(scatterInHand(open.order())->id == open.cup().scatters[i].id);
  }
}
