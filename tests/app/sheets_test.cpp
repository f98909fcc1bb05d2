// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QDir>
#include <QFile>
#include <QSettings>
#include <QTemporaryDir>

#include "app/application.h"
#include "app/cut/cutter_dialog.h"
#include "app/shelf/films_dialog.h"
#include "decal/shapes.h"
#include "files/document_json.h"
#include "job/ids.h"

using namespace avrelt;

namespace {

/// The sheets of a new order, at the station.
struct SheetsWindow : OpenWindow {
  SheetsWindow() {
    QSettings().remove(QStringLiteral("sheets"));
    clearFilms();
    window.resize(1280, 800);
    window.goToStation(MainWindow::cut);
    window.cutStation().showSheets(true);
    bench().work().layNow();
  }
  ~SheetsWindow() {
    QSettings().remove(QStringLiteral("sheets"));
    clearFilms();
  }
  SheetsWindow(const SheetsWindow&) = delete;
  SheetsWindow& operator=(const SheetsWindow&) = delete;

  void clearFilms() {
    const FilmShelf shelf = window.shelf().films();
    for (const ShelfFilm& film : shelf.films) window.shelf().removeFilm(film.key);
    window.shelf().put(Cutter());
  }
  SheetsBench& bench() { return window.cutStation().bench(); }
  const FilmSheets& film() { return bench().work().sheets()->films.front(); }
  void typeInto(LengthField& field, const QString& text) {
    field.edit()->setFocus();
    field.edit()->selectAll();
    QTest::keyClicks(field.edit(), text);
    bench().work().layNow();
  }
};

}  // namespace

TEST_CASE("the parts of an order are laid on sheets in the flat's place, and saved") {
  SheetsWindow open;
  CHECK_FALSE(open.window.flat().isVisible());
  CHECK(open.bench().canvas().isVisible());
  REQUIRE(open.bench().list().count() == 1);
  CHECK(open.bench().list().item(0)->text().contains(QStringLiteral("1 sheet, ")));
  CHECK(open.bench().parts().count() == static_cast<int>(open.film().parts.size()));
  CHECK(open.bench().words().text().contains(QStringLiteral("Plain sheets")));
  CHECK(open.bench().canvas().wordsAt({1, 1}).isEmpty());
  CHECK(open.bench()
            .canvas()
            .wordsAt(open.bench().canvas().placeOf(0))
            .contains(QStringLiteral("Cup 1: ")));
  const QTemporaryDir folder;
  QString said;
  QObject::connect(&open.bench(), &SheetsBench::said, [&](const QString& words) { said = words; });
  CHECK_FALSE(open.bench().saveInto(folder.path()).has_value());
  CHECK(said.contains(QStringLiteral("1 sheet saved")));
  for (const char* kind : {"*.svg", "*.dxf", "*.plt", "*-map.pdf"}) {
    CHECK(QDir(folder.path()).entryList({QLatin1String(kind)}).size() == 1);
  }
  CHECK(QFile::exists(folder.filePath(QStringLiteral("parts.csv"))));
  CHECK(QFile::exists(folder.filePath(QStringLiteral("sheets.json"))));
  CHECK(open.bench().saveInto(QStringLiteral("/proc/nowhere")).has_value());

  // A sheet too small holds nothing, one of nothing is refused at its field; both are said.
  open.typeInto(open.bench().wide(), QStringLiteral("1 in"));
  CHECK(open.bench().list().count() == 0);
  CHECK(open.bench().words().text().contains(QStringLiteral("fits no sheet")));
  CHECK_FALSE(open.bench().saveButton().isEnabled());
  CHECK_FALSE(open.bench().cutButton().isEnabled());
  open.typeInto(open.bench().wide(), QStringLiteral("0 in"));
  CHECK(open.bench().work().sheets() == nullptr);
  CHECK(open.bench().words().text().contains(QStringLiteral("How wide is a sheet")));
  CHECK(open.bench().saveInto(folder.path()).has_value());
  open.bench().cutNow();
  open.bench().bookSheet();
  CHECK_FALSE(open.bench().link().running());
  // What was chosen is there the next time.
  open.typeInto(open.bench().wide(), QStringLiteral("20 in"));
  REQUIRE(open.bench().work().sheets() != nullptr);
  CHECK(open.film().sizeOf(0).wide.inches() == Approx(20));

  // Back at the cup's own parts the flat is there again; the order goes on as ever.
  open.window.cutStation().showSheets(false);
  CHECK(open.window.flat().isVisible());
  CHECK_FALSE(open.bench().canvas().isVisible());
  open.window.cutStation().showSheets(true);
  open.window.goToStation(MainWindow::gauge);
  CHECK(open.window.flat().isVisible());
  open.window.order().removeCup();
  open.window.goToStation(MainWindow::cut);
  open.bench().work().layNow();
  CHECK(open.bench().list().count() == 0);
}

TEST_CASE("a cup's parts are kept together, and that is remembered and told where it cannot be") {
  SheetsWindow open;
  QComboBox& together = open.bench().together();
  CHECK(together.currentIndex() == 0);
  together.setFocus();
  QTest::keyClick(&together, Qt::Key_End);
  open.bench().work().layNow();
  CHECK(open.bench().work().choices().together == Together::cups);
  REQUIRE(open.film().together.size() == 1);
  CHECK(open.film().arrangement.apart.empty());
  // The wrap fills a sheet, and the disc goes on another.
  open.typeInto(open.bench().wide(), QStringLiteral("11 in"));
  open.typeInto(open.bench().tall(), QStringLiteral("8 in"));
  CHECK(open.bench().list().count() == 2);
  CHECK(open.bench().words().text().contains(QStringLiteral("Cup 1 lies on 2 sheets")));
  {
    MainWindow another;
    another.goToStation(MainWindow::cut);
    another.cutStation().showSheets(true);
    another.cutStation().bench().work().layNow();
    CHECK(another.cutStation().bench().together().currentIndex() == 2);
  }
  QTest::keyClick(&together, Qt::Key_Home);
  open.bench().work().layNow();
  CHECK(open.film().together.empty());
  CHECK_FALSE(open.bench().words().text().contains(QStringLiteral("lies on")));
}

TEST_CASE("strips lie edge to edge and backings like their prints, which hold them") {
  SheetsWindow open;
  open.window.order().edit(QStringLiteral("bands and stars"), [](Document& document) {
    Cup& cup = document.cups[0];
    for (Station& station : cup.blank.stations) station.girth = WrittenLength::mm(240);
    RingCut ring;
    ring.by = CutBy::places;
    ring.places = {WrittenLength::mm(30), WrittenLength::mm(60)};
    cup.division.body.cut = ring;
    cup.division.body.parts.assign(3, ZoneNode());
    for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::film;
    Artwork star = shapeArtwork("star");
    star.id = "star";
    document.artworks.emplace_back(star);
    DecalSet set;
    set.artwork = star.id;
    set.art = SharedArt(star);
    set.size = WrittenLength::mm(25);
    set.places.assign(3, Place());
    for (std::size_t i = 0; i < 3; ++i) {
      set.places[i].at = CupAngle::degrees(100.0 * static_cast<double>(i));
      set.places[i].up = WrittenLength::mm(50);
    }
    set.layers.assign(2, Layer());
    set.layers[0].material = PartMaterial::printable;
    set.layers[0].film = "#2244AA";
    set.layers[1].kind = LayerKind::backing;
    set.layers[1].offset = WrittenLength::mm(1.2);
    set.layers[1].film = "#FFFFFF";
    cup.sets = {set};
    giveIds(cup);
    referToArt(document);
  });
  SheetsWork& work = open.bench().work();
  const auto lay = [&](QCheckBox& box) {
    box.setFocus();
    QTest::keyClick(&box, Qt::Key_Space);
    work.layNow();
  };
  lay(open.bench().stacking());
  CHECK(open.bench().words().text().contains(QStringLiteral("3 strips lie edge to edge")));
  lay(open.bench().likening());
  CHECK(open.bench().words().text().contains(QStringLiteral("as their prints do")));
  const auto row = [&](const QString& words) {
    QListWidget& list = open.bench().list();
    for (int i = 0; i < list.count(); ++i) {
      if (list.item(i)->text().contains(words)) list.setCurrentRow(i);
    }
    return list.currentItem() != nullptr ? list.currentItem()->text() : QString();
  };
  // The backing says whose it is, and is not moved by itself.
  CHECK(row(QStringLiteral("like its print")).contains(QStringLiteral("white")));
  QString said;
  QObject::connect(&open.bench(), &SheetsBench::said, [&](const QString& words) { said = words; });
  SheetsCanvas& canvas = open.bench().canvas();
  canvas.setFocus();
  QTest::keyClick(&canvas, Qt::Key_PageDown);
  QTest::keyClick(&canvas, Qt::Key_Up, Qt::ShiftModifier);
  CHECK(said.contains(QStringLiteral("lies as its print does")));
  CHECK_FALSE(work.anyByHand());
  // The print takes it along.
  row(QStringLiteral("print on"));
  for (const auto key : {Qt::Key_Up, Qt::Key_Right, Qt::Key_Down, Qt::Key_Left}) {
    canvas.setFocus();
    QTest::keyClick(&canvas, Qt::Key_PageUp);
    QTest::keyClick(&canvas, key);
  }
  CHECK(work.anyByHand());
  const FilmSheets* prints = nullptr;
  const FilmSheets* backings = nullptr;
  for (const FilmSheets& film : work.sheets()->films) {
    if (film.prints()) prints = &film;
    if (film.wanted.colour == "#FFFFFF") backings = &film;
  }
  REQUIRE(prints != nullptr);
  REQUIRE(backings != nullptr);
  for (const Laid& print : prints->arrangement.laid) {
    const auto its = std::find_if(backings->arrangement.laid.begin(),
                                  backings->arrangement.laid.end(), [&](const Laid& laid) {
                                    return laid.copy == print.copy && laid.at == print.at &&
                                           laid.turn == print.turn;
                                  });
    const bool follows = its != backings->arrangement.laid.end();
    CHECK((follows || backings->notAlike.count() > 0));
  }
  // Both are remembered.
  MainWindow another;
  another.goToStation(MainWindow::cut);
  another.cutStation().showSheets(true);
  CHECK(another.cutStation().bench().work().choices().stack);
  CHECK(another.cutStation().bench().work().choices().alike);
}

TEST_CASE("the parts of a sheet are ticked as cut at once, and taken back at once") {
  SheetsWindow open;
  QString said;
  QObject::connect(&open.bench(), &SheetsBench::said, [&](const QString& words) { said = words; });
  const auto cuts = [&] {
    std::size_t sum = 0;
    for (const Cup& cup : open.window.order().document().cups) sum += cup.cuts.size();
    return sum;
  };
  REQUIRE(cuts() == 0);
  const int sheets = open.bench().list().count();
  REQUIRE(sheets > 0);
  open.bench().tickSheet();
  CHECK(said.contains(QStringLiteral("ticked as cut")));
  CHECK(cuts() > 0);
  open.bench().work().layNow();
  CHECK(open.bench().list().count() < sheets);
  open.window.order().history()->undo();
  CHECK(cuts() == 0);
  open.bench().work().layNow();
  CHECK(open.bench().list().count() == sheets);
}

TEST_CASE(
    "a part is laid elsewhere by mouse and by keys, and springs back from where it may not lie") {
  SheetsWindow open;
  SheetsCanvas& canvas = open.bench().canvas();
  QString said;
  QObject::connect(&open.bench(), &SheetsBench::said, [&](const QString& words) { said = words; });
  // The smallest: it has room to go.
  const std::vector<Laid>& all = open.film().arrangement.laid;
  const auto areaOf = [&](const Laid& laid) {
    return signedArea(open.film().pieces()[laid.piece].shape);
  };
  const auto least = std::min_element(
      all.begin(), all.end(), [&](const Laid& a, const Laid& b) { return areaOf(a) < areaOf(b); });
  const auto index = static_cast<std::size_t>(least - all.begin());
  canvas.choose(index);
  CHECK(canvas.accessibleDescription().contains(QStringLiteral("Cup 1")));
  canvas.setFocus();
  const Laid before = open.film().arrangement.laid[index];
  // To where nothing lies, mark by mark, as it is seen.
  QTest::keyClick(&canvas, Qt::Key_Right, Qt::ShiftModifier);
  const Laid moved = open.film().arrangement.laid[index];
  if (moved == before) {
    CHECK(said.contains(QStringLiteral("It stays where it was")));
  } else {
    CHECK(open.bench().work().isKept(0, moved));
    CHECK(std::abs(norm(moved.at - before.at) - 12.7) < 1e-6);
  }
  // Onto another it may not go.
  const QPointF from = canvas.placeOf(index);
  const QPointF onto = canvas.placeOf(index == 0 ? 1 : 0);
  QTest::mousePress(&canvas, Qt::LeftButton, {}, from.toPoint());
  QTest::mouseMove(&canvas, ((from + onto) / 2).toPoint());
  QTest::mouseMove(&canvas, onto.toPoint());
  QTest::mouseRelease(&canvas, Qt::LeftButton, {}, onto.toPoint());
  CHECK(open.film().arrangement.laid[index] == moved);
  CHECK(said.contains(QStringLiteral("It stays where it was")));
  // Into the free corner it may: the offcut is free.
  const auto left = offcutOf(open.film(), 0);
  REQUIRE(left);
  Laid to = moved;
  const Box box = boundsOf(shapeAt(open.film().pieces()[moved.piece], moved));
  to.at = moved.at + (left->centre() - box.centre());
  if (box.width() < left->width() - 14 && box.height() < left->height() - 14) {
    CHECK(open.bench().work().move(0, index, to));
    CHECK(open.film().arrangement.laid[index] == to);
    CHECK_FALSE(tooNear(*open.bench().work().sheets()));
    // Turned about its middle, it may lie there still or is said to stay.
    QTest::keyClick(&canvas, Qt::Key_R);
    CHECK((open.film().arrangement.laid[index].turn != to.turn ||
           said.contains(QStringLiteral("stays"))));
    // The order keeps it, through a file, and what it was is undone.
    {
      const auto again = readDocument(writeDocument(open.window.order().document()));
      REQUIRE(again);
      Laid as = open.film().arrangement.laid[index];
      const auto anew = sheetsOf(std::make_shared<const Plan>(*planDocument(again->document)),
                                 open.bench().work().films(), open.bench().work().choices());
      REQUIRE(anew);
      const std::vector<Laid>& there = anew->films[0].arrangement.laid;
      as.sheet = 0;
      CHECK(std::count(there.begin(), there.end(), as) == 1);
      CHECK(anew->films[0].lost == 0);
      CHECK(open.bench().freeButton().isEnabled());
    }
    // A search lays the others round it.
    const Laid kept = open.film().arrangement.laid[index];
    open.bench().searchOrKeep();
    REQUIRE(open.bench().work().searching());
    CHECK(QTest::qWaitFor([&] { return open.bench().work().tries() >= 2; }, 60000));
    open.bench().searchOrKeep();
    CHECK_FALSE(open.bench().work().searching());
    const std::vector<Laid>& now = open.film().arrangement.laid;
    CHECK(std::count(now.begin(), now.end(), kept) == 1);
    CHECK_FALSE(tooNear(*open.bench().work().sheets()));
  }
  if (open.bench().freeButton().isEnabled()) {
    open.bench().freeButton().click();
    open.bench().work().layNow();
    CHECK(open.film().byHand.empty());
    CHECK_FALSE(open.bench().freeButton().isEnabled());
    open.window.order().history()->undo();
    open.bench().work().layNow();
    CHECK_FALSE(open.film().byHand.empty());
  }
  // From part to part.
  canvas.choose(std::nullopt);
  QTest::keyClick(&canvas, Qt::Key_PageDown);
  REQUIRE(canvas.chosen());
  const std::size_t first = *canvas.chosen();
  QTest::keyClick(&canvas, Qt::Key_PageDown);
  QTest::keyClick(&canvas, Qt::Key_PageUp);
  CHECK(canvas.chosen() == first);
  QTest::keyClick(&canvas, Qt::Key_Escape);
  CHECK_FALSE(canvas.chosen());
}

TEST_CASE("a sheet is cut by the stand-in, paused, stopped, and judged") {
  SheetsWindow open;
  SheetsBench& bench = open.bench();
  REQUIRE_FALSE(CutterLink::program().isEmpty());
  Cutter quick;
  quick.perSecond = Length::mm(1000);
  quick.bladeOffset = Length::mm(0.25);
  REQUIRE(bench.work().set(quick));
  bench.cutNow();
  REQUIRE(bench.link().running());
  CHECK(bench.cutButton().text() == QStringLiteral("Stop"));
  bench.link().pause(true);
  QTest::qWait(100);
  const int paused = bench.link().done();
  CHECK(paused < bench.link().all());
  bench.link().pause(false);
  CHECK(QTest::qWaitFor([&] { return !bench.link().running(); }, 60000));
  INFO(bench.verdict().text().toStdString());
  CHECK(bench.verdict().text().contains(QStringLiteral("Not scaled, not mirrored")));
  CHECK(bench.cutButton().text() == QStringLiteral("Cut this sheet"));

  // Stopped in the midst.
  quick.perSecond = Length::mm(1);
  REQUIRE(bench.work().set(quick));
  bench.cutNow();
  CHECK(QTest::qWaitFor([&] { return bench.link().done() >= 2; }, 60000));
  QTest::mouseClick(&bench.cutButton(), Qt::LeftButton);
  CHECK_FALSE(bench.link().running());
  CHECK(bench.verdict().text().contains(QStringLiteral("Stopped after")));

  // The cable is pulled.
  bench.link().send("IN;PA;SP1;PU0,0;PD400,0;PD400,400;PD0,0;PU;SP0;",
                    {QStringLiteral("--fault"), QStringLiteral("unplugged=5")});
  CHECK(QTest::qWaitFor([&] { return !bench.link().running(); }, 60000));
  CHECK(bench.verdict().text().contains(QStringLiteral("does not answer any more")));

  // A sheet that no such cutter takes is not sent.
  Cutter narrow;
  narrow.widest = Length::mm(100);
  REQUIRE(bench.work().set(narrow));
  bench.cutNow();
  CHECK_FALSE(bench.link().running());
  CHECK(bench.verdict().text().contains(QStringLiteral("wide")));
}

TEST_CASE("films on the shelf are laid on, offcuts first, and taken off it once cut") {
  SheetsWindow open;
  SheetsBench& bench = open.bench();
  Shelf& shelf = open.window.shelf();
  FilmsDialog dialog(shelf, Unit::inch);
  dialog.show();
  CHECK(dialog.words().text().contains(QStringLiteral("no film on the shelf")));
  dialog.addStock(StockShape::sheet);
  CHECK(dialog.stock().count() == 0);
  dialog.addFilm();
  REQUIRE(dialog.films().count() == 1);
  dialog.name().selectAll();
  QTest::keyClicks(&dialog.name(), QStringLiteral("Plain white"));
  QTest::keyClick(&dialog.name(), Qt::Key_Return);
  CHECK(shelf.films().films.front().name == "Plain white");
  dialog.addStock(StockShape::roll);
  REQUIRE(dialog.stock().count() == 1);
  dialog.wide().edit()->setFocus();
  dialog.wide().edit()->selectAll();
  QTest::keyClicks(dialog.wide().edit(), QStringLiteral("14 in"));
  QTest::keyClick(dialog.wide().edit(), Qt::Key_Return);
  CHECK(shelf.films().stock.front().wide.inches() == Approx(14));
  // What is no width is not kept.
  dialog.wide().edit()->selectAll();
  QTest::keyClicks(dialog.wide().edit(), QStringLiteral("0 in"));
  QTest::keyClick(dialog.wide().edit(), Qt::Key_Return);
  CHECK(shelf.films().stock.front().wide.inches() == Approx(14));
  // Another by the same name gives way.
  dialog.addFilm();
  dialog.name().selectAll();
  QTest::keyClicks(&dialog.name(), QStringLiteral("plain white"));
  QTest::keyClick(&dialog.name(), Qt::Key_Return);
  CHECK(dialog.words().text().contains(QStringLiteral("already")));
  dialog.removeFilm();
  CHECK(dialog.films().count() == 1);

  // The kind of the film in hand, chosen there.
  ShelfFilm film = shelf.films().films.front();
  film.kind = open.film().wanted.kind;
  film.pricePerM2 = 12;
  REQUIRE(shelf.put(film));
  bench.work().layNow();
  const int choice = bench.filmChoice().findText(QStringLiteral("Plain white"));
  REQUIRE(choice > 0);
  bench.filmChoice().setCurrentIndex(choice);
  emit bench.filmChoice().activated(choice);
  bench.work().layNow();
  REQUIRE(open.film().film);
  CHECK(open.film().film->name == "Plain white");
  CHECK_FALSE(open.film().isPlain(0));
  CHECK(open.film().from[open.film().arrangement.sheets[0].film].roll);
  CHECK(open.film().price().value_or(0) > 0);
  CHECK(bench.list().item(0)->text().contains(QStringLiteral("of roll")));
  const double used = open.film().sizeOf(0).tall.mm();
  const double before = shelf.films().stock.front().tall.mm();
  const double wide = open.film().sizeOf(0).wide.mm();
  double parts = 0;
  for (const Laid& laid : open.film().arrangement.laid) {
    if (laid.sheet == 0) parts += open.film().parts[laid.piece].part->area().mm2();
  }
  QString said;
  QObject::connect(&bench, &SheetsBench::said, [&](const QString& words) { said = words; });
  CHECK(bench.bookButton().isEnabled());
  QTest::mouseClick(&bench.bookButton(), Qt::LeftButton);
  CHECK(said.contains(QStringLiteral("off the shelf")));
  // What came of it is kept: the parts, and all that was taken but the offcut.
  const std::vector<FilmTaken> taken = shelf.filmsTaken();
  REQUIRE(taken.size() == 1);
  CHECK(taken.front().parts.mm2() == Approx(parts).epsilon(1e-3));
  double kept = 0;
  for (const FilmStock& stock : shelf.films().stock) {
    if (stock.shape == StockShape::offcut) kept += stock.wide.mm() * stock.tall.mm();
  }
  CHECK(taken.front().taken.mm2() == Approx(wide * used - kept));
  CHECK(taken.front().words.find("Plain white") == 0);
  // Pressed again at once it takes no more, nor is anything old saved.
  bench.bookSheet();
  CHECK(said.contains(QStringLiteral("still being laid")));
  CHECK(bench.saveInto(QDir::tempPath()).has_value());
  const FilmShelf after = shelf.films();
  REQUIRE_FALSE(after.stock.empty());
  CHECK(after.stock.front().tall.mm() == Approx(before - used));
  // Large enough an offcut is used before the roll.
  FilmStock offcut;
  offcut.film = film.key;
  offcut.shape = StockShape::offcut;
  offcut.wide = offcut.tall = Length::mm(2000);
  REQUIRE(shelf.put(offcut));
  bench.work().layNow();
  CHECK(bench.list().item(0)->text().contains(QStringLiteral("an offcut")));
}

TEST_CASE("the cutter's figures are kept, and refused ones are not") {
  SheetsWindow open;
  CutterDialog dialog(open.bench().work().cutter(), Unit::mm);
  dialog.show();
  dialog.offset().edit()->setFocus();
  dialog.offset().edit()->selectAll();
  QTest::keyClicks(dialog.offset().edit(), QStringLiteral("0.3 mm"));
  CHECK(dialog.cutter().bladeOffset.mm() == Approx(0.3));
  CHECK(open.bench().work().set(dialog.cutter()));
  CHECK(open.window.shelf().cutter().bladeOffset.mm() == Approx(0.3));
  Cutter wrong = dialog.cutter();
  wrong.bladeOffset = Length::mm(30);
  QString said;
  QObject::connect(&open.window.shelf(), &Shelf::said, [&](const QString& words) { said = words; });
  CHECK_FALSE(open.bench().work().set(wrong));
  CHECK(said.contains(QStringLiteral("up to 2 mm")));
  CHECK(open.window.shelf().cutter().bladeOffset.mm() == Approx(0.3));
}

TEST_CASE("sheets of an order that is left are gone with it") {
  SheetsWindow open;
  REQUIRE(open.bench().work().sheets() != nullptr);
  Document other;
  other.cups = {newCup("Other", Unit::inch)};
  // A girth that cannot be: nothing is laid of it.
  other.cups[0].blank.stations[0].girth = WrittenLength::mm(0);
  open.window.order().load(other);
  CHECK(open.bench().work().sheets() == nullptr);
  open.bench().work().layNow();
  CHECK(open.bench().work().sheets() == nullptr);
  CHECK(open.bench().list().count() == 0);
}
