// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>

#include "app/application.h"
#include "app/gauge/coats.h"
#include "app/shelf/shelf_dialog.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

/// A window with a shop of its own, new each time.
struct ShopWindow : OpenWindow {
  ShopWindow() {
    fs::remove_all(Shop::usualFile().parent_path());
    QObject::connect(&window.shelf(), &Shelf::said, &window,
                     [this](const QString& words) { said = words; });
  }
  Shelf& shelf() { return window.shelf(); }
  QString said;
};

}  // namespace

TEST_CASE("the shelf is searched as one types, and a blank taken to the bench") {
  ShopWindow open;
  ShelfDialog dialog(open.shelf(), open.window.order());
  dialog.show();
  CHECK(dialog.view().count() == 12);
  QTest::keyClicks(&dialog.search(), "wine");
  CHECK(dialog.view().count() == 1);
  QTest::keyClick(&dialog.view(), Qt::Key_Return);
  CHECK(open.cup().blank.name == "wine 350 ml");
  CHECK(open.window.order().planHolds());
  CHECK(open.window.order().history()->undoText() == "Put wine 350 ml on the bench");
  CHECK(open.said.contains("Measure one girth"));
}

TEST_CASE("arrow keys go along the boards") {
  ShopWindow open;
  ShelfDialog dialog(open.shelf(), open.window.order());
  dialog.show();
  dialog.view().pick(0);
  QTest::keyClick(&dialog.view(), Qt::Key_Right);
  CHECK(dialog.view().picked() == 1);
  QTest::keyClick(&dialog.view(), Qt::Key_Down);
  CHECK(dialog.view().picked() > 2);
  QTest::keyClick(&dialog.view(), Qt::Key_Up);
  CHECK(dialog.view().picked() == 1);
}

TEST_CASE("the cup in hand goes to the shelf and is found again") {
  ShopWindow open;
  open.window.order().editCup("name", [](Cup& cup) { cup.blank.name = "my own"; });
  ShelfDialog dialog(open.shelf(), open.window.order());
  dialog.show();
  QTest::mouseClick(&dialog.saveButton(), Qt::LeftButton);
  CHECK(dialog.words().contains("stands on the shelf"));
  CHECK(dialog.view().count() == 13);
  REQUIRE(open.shelf().find("my own").size() == 1);
  CHECK(open.shelf().find("my own")[0].blank == open.cup().blank);
}

TEST_CASE("logged girths replace the guess of growth, in the plan and in words") {
  ShopWindow open;
  Order& order = open.window.order();
  addCoat(order, {.kind = CoatKind::resin, .mixed = Volume::ml(30)});
  const Length guessed = order.plan()->wall.body.aroundRim();
  CHECK_FALSE(open.shelf().logMeasurement());
  CHECK(open.said.contains("Nothing was measured"));
  // This maker's resin runs off: almost nothing stays.
  remeasure(order, *writtenSize("9 1/32 in", Unit::inch), order.currentCup().buildUp.laidAfter);
  for (int i = 0; i < 6; ++i) CHECK(open.shelf().logMeasurement());
  CHECK(order.stock().growth.records == 6);
  CHECK(open.said.contains("6 measurements"));
  CHECK(open.shelf().measurementsOf("straight").size() == 6);
  CHECK(open.shelf().measurementsOf("straight")[0].stage == "resin 30 ml");
  order.editCup("forget", [](Cup& cup) { cup.buildUp.measured.clear(); });
  CHECK(order.plan()->wall.body.aroundRim() < guessed);
  CHECK(order.plan()->wall.body.aroundRim() > Length::inches(9));
  bool told = false;
  for (QLabel* label : open.window.findChildren<QLabel*>()) {
    told = told || label->text().startsWith("From 6 of your measurements");
  }
  CHECK(told);
  // And the next window knows it from the start.
  MainWindow next;
  next.openShelf();
  CHECK(next.order().stock().growth.records == 6);
  next.order().history()->setClean();
}

TEST_CASE("a girth is logged as it was measured, also where pieces are cut for the bare cup") {
  ShopWindow open;
  Order& order = open.window.order();
  addCoat(order, {.kind = CoatKind::resin, .mixed = Volume::ml(30)});
  order.editCup("bare", [](Cup& cup) { cup.buildUp.sizedFor = SizedFor::bare; });
  remeasure(order, *writtenSize("9 1/8 in", Unit::inch), order.currentCup().buildUp.laidAfter);
  REQUIRE(open.shelf().logMeasurement());
  const std::vector<ShelfMeasurement> logged = open.shelf().measurementsOf("straight");
  REQUIRE(logged.size() == 1);
  CHECK(logged[0].around.inches() == Approx(9.125));
}

TEST_CASE("tables of blanks are brought in and written out, faults said with their line") {
  ShopWindow open;
  const QTemporaryDir folder;
  const QString csv = folder.filePath("blanks.csv");
  std::ofstream(csv.toStdString()) << "name;at;around\nMond;0;24,1 cm\nMond;20 cm;24,1 cm\n";
  CHECK(inWords(open.shelf().import(csv), Unit::mm) == "1 blank was put on the shelf.");
  CHECK(open.shelf().find("mond").size() == 1);
  std::ofstream(csv.toStdString()) << "name,at,around\nStar,0,240\nStar,high,240\n";
  CHECK_THAT(inWords(open.shelf().import(csv), Unit::mm), Catch::Contains("line 3"));
  std::ofstream(csv.toStdString()) << "name,at,around\nStar,50,240\nStar,40,240\n";
  CHECK_THAT(inWords(open.shelf().import(csv), Unit::mm),
             Catch::Contains("“Star”") && Catch::Contains("Nothing was taken in"));
  CHECK(open.shelf().find("star").empty());
  const QString json = folder.filePath("out.json");
  CHECK_THAT(inWords(open.shelf().exportTo(json), Unit::mm), Catch::Contains("13 blanks"));
  CHECK(inWords(open.shelf().import(json), Unit::mm) == "13 blanks were put on the shelf.");
}

TEST_CASE("a shelf that cannot be opened is said, and the order goes on") {
  ShopWindow open;
  fs::create_directories(Shop::usualFile().parent_path());
  std::ofstream(Shop::usualFile()) << "no database, but long enough to be read as one by anybody";
  open.window.openShelf();
  CHECK(open.window.watchLine().sentence().contains("damaged"));
  ShelfDialog dialog(open.shelf(), open.window.order());
  dialog.show();
  CHECK(dialog.words().contains("damaged"));
  CHECK_FALSE(dialog.saveButton().isEnabled());
  open.type(Where(Member::stationGirth, std::size_t{0}), "10");
  CHECK(open.window.order().planHolds());
  fs::remove(Shop::usualFile());
}
