// SPDX-License-Identifier: GPL-3.0-or-later
// Film that is printed first, through the window: a picture chosen for a zone, how it lies, the
// print, how it came out, and the cut that follows it.
#include <QDialogButtonBox>
#include <QFile>
#include <QPrinter>
#include <QPushButton>
#include <QSettings>
#include <QSignalSpy>
#include <QTemporaryDir>

#include "app/application.h"
#include "app/cut/found_dialog.h"
#include "app/cut/printer_dialog.h"
#include "app/order/picture_edits.h"
#include "app/order/set_edits.h"
#include "app/order/zone_edits.h"
#include "app/print/cluster_dialog.h"
#include "app/print/layer_print_dialog.h"
#include "app/print/print_dialog.h"
#include "decal/shapes.h"
#include "files/picture_file.h"
#include "files/print_files.h"

using namespace avrelt;

namespace {

/// A picture in one colour, with a border so that its edges are seen.
QString pictureIn(const QTemporaryDir& folder, const QString& name, const QColor& colour) {
  QImage image(400, 300, QImage::Format_RGB32);
  image.fill(colour);
  const QString path = folder.filePath(name + QStringLiteral(".png"));
  REQUIRE(image.save(path));
  return path;
}

/// A cup in two bands of film, the upper one in hand.
struct PrintWindow : OpenWindow {
  PrintWindow() {
    QSettings().remove(QStringLiteral("sheets"));
    window.shelf().put(usualPrinter(Paper::letter));
    window.resize(1280, 800);
    window.goToStation(MainWindow::dividing);
    cutZone(order(), CutKind::rings);
    for (const Zone& zone : order().plan()->divided.zones) zones.push_back(zone.id);
    for (const std::string& zone : zones) {
      order().pickZone(zone);
      editFinish(order(), QStringLiteral("film"), {},
                 [](Finish& finish) { finish.kind = FinishKind::film; });
    }
    order().pickZone(zones[0]);
  }
  ~PrintWindow() { QSettings().remove(QStringLiteral("sheets")); }
  PrintWindow(const PrintWindow&) = delete;
  PrintWindow& operator=(const PrintWindow&) = delete;

  Order& order() { return window.order(); }
  const Zone& inHand() { return *zoneInHand(order()); }
  PrintDialog dialog() {
    return {order().document(), order().plan()->wall, inHand(), inHand().finish};
  }
  /// Prints the zone in hand with a picture of one colour.
  void print(const QColor& colour) {
    PrintDialog open = dialog();
    REQUIRE_FALSE(open.addFrom(pictureIn(folder, colour.name().mid(1), colour)).has_value());
    printZone(order(), open.choice());
  }
  SheetsBench& bench() { return window.cutStation().bench(); }

  QTemporaryDir folder;
  std::vector<std::string> zones;
};

/// How much of a widget is of a colour.
double shareOf(QWidget& widget, const QColor& colour) {
  const QImage image = widget.grab().toImage();
  long count = 0;
  for (int y = 0; y < image.height(); ++y) {
    for (int x = 0; x < image.width(); ++x) {
      const QColor dot = image.pixelColor(x, y);
      if (std::abs(dot.red() - colour.red()) < 8 && std::abs(dot.green() - colour.green()) < 8 &&
          std::abs(dot.blue() - colour.blue()) < 8) {
        ++count;
      }
    }
  }
  return static_cast<double>(count) / (image.width() * image.height());
}

}  // namespace

TEST_CASE("a zone is printed with a picture that is kept in the order, and undone as one") {
  PrintWindow open;
  const QColor colour(20, 200, 120);
  CHECK(shareOf(open.window.flat(), colour) < 0.001);
  const int before = open.order().history()->index();
  open.print(colour);
  CHECK(open.order().history()->index() == before + 1);
  REQUIRE(open.order().document().pictures.size() == 1);
  CHECK(open.order().document().pictures.front()->name == "14c878");
  const Finish finish = open.inHand().finish;
  CHECK(finish.picture.id == open.order().document().pictures.front()->id);
  REQUIRE(finish.picture.picture);
  CHECK(finish.colour == "#14C878");
  // It is seen on the flat and on the cup.
  CHECK(shareOf(open.window.flat(), colour) > 0.05);
  CHECK(open.window.divideStation().finishPage().pictureButton().isVisible());
  CHECK(open.window.divideStation().finishPage().opaque().chosen() == 3);
  // The file may vanish; a second zone takes the same picture.
  QFile::remove(open.folder.filePath(QStringLiteral("14c878.png")));
  open.order().pickZone(open.zones[1]);
  PrintDialog second = open.dialog();
  REQUIRE(second.list().count() == 1);
  CHECK(second.takeButton().isEnabled());
  second.list().setCurrentRow(0);
  printZone(open.order(), second.choice());
  CHECK(open.order().document().pictures.size() == 1);
  CHECK(showing(open.order().document(), finish.picture.id) == 2);
  // What another film shows is not removed.
  PrintDialog third = open.dialog();
  third.removeButton().click();
  CHECK(third.list().count() == 1);
  CHECK(third.words().text().contains(QStringLiteral("Another film of the order")));
  // Film of another kind forgets it; undo brings it back.
  open.window.divideStation().finishPage().opaque().button(0)->click();
  CHECK(open.inHand().finish.picture.id.empty());
  open.order().history()->undo();
  CHECK_FALSE(open.inHand().finish.picture.id.empty());
  open.order().history()->undo();
  open.order().history()->undo();
  CHECK(open.order().document().pictures.empty());
}

TEST_CASE("how a picture lies is chosen, typed, dragged and told") {
  PrintWindow open;
  PrintDialog dialog = open.dialog();
  CHECK_FALSE(dialog.takeButton().isEnabled());
  CHECK(dialog.addFrom(open.folder.filePath(QStringLiteral("none.png"))).has_value());
  QFile no(open.folder.filePath(QStringLiteral("no.png")));
  REQUIRE(no.open(QIODevice::WriteOnly));
  no.write("no picture");
  no.close();
  const auto refused = dialog.addFrom(no.fileName());
  REQUIRE(refused);
  CHECK(refused->contains(QStringLiteral("neither a PNG nor a JPEG")));
  REQUIRE_FALSE(dialog.addFrom(pictureIn(open.folder, QStringLiteral("sky"), Qt::blue)));
  CHECK(dialog.takeButton().isEnabled());
  CHECK(dialog.words().text().contains(QStringLiteral("go round, each")));
  dialog.repeat().button(2)->click();
  CHECK(dialog.choice().picture.repeat == PictureRepeat::once);
  CHECK(dialog.words().text().contains(QStringLiteral("without print")));
  // A key moves it as a drag does.
  const ZonePicture still = dialog.choice().picture;
  QTest::keyClick(&dialog.canvas(), Qt::Key_Right, Qt::ShiftModifier);
  QTest::keyClick(&dialog.canvas(), Qt::Key_Up);
  const ZonePicture moved = dialog.choice().picture;
  CHECK(moved.at > still.at);
  REQUIRE(moved.up);
  const Length middle = (open.inHand().region.lowest() + open.inHand().region.highest()) / 2;
  CHECK(std::abs((moved.up->length - middle).mm() - 1) < 0.05);
  // A width it cannot have is refused at its field, and nothing is drawn.
  dialog.wide().edit()->setFocus();
  dialog.wide().edit()->selectAll();
  QTest::keyClicks(dialog.wide().edit(), QStringLiteral("0 in"));
  CHECK(dialog.words().text().isEmpty());
  printZone(open.order(), dialog.choice());
  bool told = false;
  for (const Watch& watch : open.order().plan()->watches) {
    told = told || watch.rule == Rule::pictureRefused;
  }
  CHECK(told);
}

TEST_CASE("a layer is printed with a picture, its bare spots are closed, and undone as one") {
  OpenWindow open;
  Order& order = open.window.order();
  const QTemporaryDir folder;
  open.window.goToStation(MainWindow::dressing);
  REQUIRE(addArtwork(order, shapeArtwork("heart")));
  const Layer* layer = layerInHand(order);
  REQUIRE(layer != nullptr);
  const std::string id = layer->id;
  const std::size_t index = layerIndex(order);
  const auto dialog = [&] {
    return LayerPrintDialog(order.document(), QStringLiteral("Print"), *layerInHand(order),
                            printedShapes(*setPlanInHand(order), index));
  };
  // A picture with a hole in its middle, where the heart is.
  QImage image(600, 600, QImage::Format_ARGB32);
  image.fill(QColor(20, 120, 200));
  for (int y = 270; y < 330; ++y) {
    for (int x = 270; x < 330; ++x) image.setPixelColor(x, y, Qt::transparent);
  }
  const QString path = folder.filePath(QStringLiteral("sky.png"));
  REQUIRE(image.save(path));
  LayerPrintDialog first = dialog();
  CHECK_FALSE(first.takeButton().isEnabled());
  CHECK_FALSE(first.moveButton().isEnabled());
  CHECK_FALSE(first.noneButton().isVisibleTo(&first));
  CHECK(first.addFrom(folder.filePath(QStringLiteral("none.png"))).has_value());
  REQUIRE_FALSE(first.addFrom(path));
  CHECK(first.takeButton().isEnabled());
  CHECK(first.words().text().contains(QStringLiteral("1 spot of it stays bare")));
  first.wide().edit()->setFocus();
  first.wide().edit()->selectAll();
  QTest::keyClicks(first.wide().edit(), QStringLiteral("9 in"));
  CHECK(first.words().text().contains(QStringLiteral("1 spot of it stays bare")));
  // Moved by keys, typed below nought, refused, and closed by the press of a button.
  QTest::keyClick(&first.canvas(), Qt::Key_Left);
  CHECK(first.choice().print.right.length.mm() == Approx(-1).margin(0.02));
  first.right().edit()->setFocus();
  first.right().edit()->selectAll();
  QTest::keyClicks(first.right().edit(), QStringLiteral("-1/4 in"));
  CHECK(first.choice().print.right.length.inches() == Approx(-0.25));
  first.wide().edit()->selectAll();
  QTest::keyClicks(first.wide().edit(), QStringLiteral("0"));
  CHECK_FALSE(first.takeButton().isEnabled());
  first.wide().edit()->selectAll();
  QTest::keyClicks(first.wide().edit(), QStringLiteral("9 in"));
  REQUIRE(first.moveButton().isEnabled());
  first.moveButton().click();
  CHECK(first.words().text().contains(QStringLiteral("covers all of it")));
  CHECK_FALSE(first.moveButton().isEnabled());
  const int before = order.history()->index();
  printLayer(order, first.choice());
  CHECK(order.history()->index() == before + 1);
  layer = layerInHand(order);
  REQUIRE(layer != nullptr);
  CHECK(layer->id == id);
  REQUIRE(layer->printedWith() != nullptr);
  CHECK(layer->film == "#1478C8");
  CHECK(shareOf(open.window.flat(), QColor(20, 120, 200)) > 0.003);
  // It is on its parts, and no other set's picture may be removed while it shows it.
  CHECK(order.plan()->parts(purpose::layer).front().print->picture == layer->print.picture);
  CHECK(showing(order.document(), layer->print.id) == 1);
  // Taken away again; the picture stays in the order.
  LayerPrintDialog second = dialog();
  CHECK(second.noneButton().isVisibleTo(&second));
  second.noneButton().click();
  printLayer(order, second.choice());
  CHECK(layerInHand(order)->printedWith() == nullptr);
  CHECK(order.document().pictures.size() == 1);
  order.history()->undo();
  CHECK(layerInHand(order)->printedWith() != nullptr);
  order.history()->undo();
  CHECK(order.document().pictures.empty());
}

TEST_CASE("a cluster of the order's artworks is made a picture, and what cannot be is said") {
  OpenWindow open;
  Order& order = open.window.order();
  CHECK_FALSE(ClusterDialog(order.unit(), order.document().artworks).takeButton().isEnabled());
  for (const char* shape : {"heart", "full_moon"}) {
    REQUIRE(addArtwork(order, shapeArtwork(shape)));
  }
  ClusterDialog dialog(order.unit(), order.document().artworks);
  REQUIRE(dialog.list().count() == 2);
  REQUIRE(dialog.takeButton().isEnabled());
  CHECK(dialog.words().text().contains(QStringLiteral("motifs. It meets itself")));
  const std::size_t both = dialog.plan().items.size();
  dialog.list().item(0)->setCheckState(Qt::Unchecked);
  for (const ClusterItem& item : dialog.plan().items) CHECK(item.of == 0);
  dialog.list().item(1)->setCheckState(Qt::Unchecked);
  CHECK_FALSE(dialog.takeButton().isEnabled());
  CHECK(dialog.words().text().contains(QStringLiteral("at least one artwork")));
  for (int i = 0; i < 2; ++i) dialog.list().item(i)->setCheckState(Qt::Checked);
  CHECK(dialog.plan().items.size() == both);
  dialog.motif().edit()->setFocus();
  dialog.motif().edit()->selectAll();
  QTest::keyClicks(dialog.motif().edit(), QStringLiteral("40 in"));
  CHECK_FALSE(dialog.takeButton().isEnabled());
  dialog.motif().edit()->selectAll();
  QTest::keyClicks(dialog.motif().edit(), QStringLiteral("1 in"));
  REQUIRE(dialog.takeButton().isEnabled());
  dialog.colours().clearSelection();
  for (const ClusterItem& item : dialog.plan().items) CHECK(item.colour.empty());
  dialog.colours().item(5)->setSelected(true);
  dialog.colours().item(7)->setSelected(true);
  for (const ClusterItem& item : dialog.plan().items) {
    CHECK((item.colour == "#8C2F39" || item.colour == "#B08A3C"));
  }
  const auto first = dialog.picture();
  REQUIRE(first);
  CHECK(first->wide == 1200);
  CHECK(first->tall == 1200);
  dialog.againButton().click();
  const auto second = dialog.picture();
  REQUIRE(second);
  CHECK(second->bytes != first->bytes);
  // It is chosen like any other, for a layer or a zone.
  LayerPrintDialog print(order.document(), QStringLiteral("Print"), *layerInHand(order),
                         printedShapes(*setPlanInHand(order), layerIndex(order)));
  print.pictures().add(*first);
  CHECK(print.takeButton().isEnabled());
  printLayer(order, print.choice());
  REQUIRE(order.document().pictures.size() == 1);
  CHECK(order.document().pictures.front()->name.rfind("Cluster: ", 0) == 0);
}

TEST_CASE("a printed sheet is printed at its size, and cut where its print came out") {
  PrintWindow open;
  open.print(QColor(200, 60, 40));
  open.window.goToStation(MainWindow::cut);
  open.window.cutStation().showSheets(true);
  open.bench().work().layNow();
  const auto& films = open.bench().work().sheets()->films;
  std::size_t printed = films.size();
  int row = 0;
  for (std::size_t i = 0; i < films.size() && printed == films.size(); ++i) {
    if (films[i].prints()) {
      printed = i;
    } else {
      row += static_cast<int>(films[i].arrangement.sheets.size());
    }
  }
  REQUIRE(printed < films.size());
  open.bench().chooseSheet(row);
  CHECK(open.bench().printButton().isVisible());
  CHECK(shareOf(open.bench().canvas(), QColor(200, 60, 40)) > 0.02);
  // On paper, or into a PDF, its page is the sheet.
  QPrinter printer(QPrinter::HighResolution);
  printer.setOutputFormat(QPrinter::PdfFormat);
  printer.setOutputFileName(open.folder.filePath(QStringLiteral("print.pdf")));
  CHECK_FALSE(open.bench().printing().printOn(printer, printed, 0).has_value());
  CHECK(QFile(printer.outputFileName()).size() > 1000);
  const QSizeF page = printer.pageLayout().fullRect(QPageLayout::Millimeter).size();
  CHECK(page.width() == Approx(films[printed].sizeOf(0).wide.mm()).margin(0.5));
  CHECK(page.height() == Approx(films[printed].sizeOf(0).tall.mm()).margin(0.5));

  // It came out three millimetres to the right: more than the bleed.
  const SheetPlan& sheets = *open.bench().work().sheets();
  Printer figures = sheets.choices.printer;
  figures.dotsPerInch = 100;
  SheetPlan coarse = sheets;
  coarse.choices.printer = figures;
  PictureDots dots;
  const auto print = printOfSheet(coarse, coarse.films[printed], 0,
                                  [&](const SharedPicture& picture) { return dots(picture); });
  REQUIRE(print);
  const SheetSize size = films[printed].sizeOf(0);
  FoundDialog found(onSheet(films[printed], 0), size.wide, size.tall, figures, *print, Unit::mm,
                    false);
  const auto wait = [&] {
    for (int i = 0; i < 400 && found.running(); ++i) QTest::qWait(25);
    REQUIRE_FALSE(found.running());
  };
  wait();
  CHECK(found.words().text().contains(QStringLiteral("lies where it should")));
  CHECK(found.words().text().contains(QStringLiteral("no part shows bare film")));
  const MarkPlaces planned = markPlaces(figures, size.wide, size.tall);
  for (std::size_t i = 0; i < 3; ++i) {
    QLineEdit* edit = found.fields()[2 * i]->edit();
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, QString::number(planned[i].x + 3, 'f', 3) + QStringLiteral(" mm"));
  }
  wait();
  CHECK(found.words().text().contains(QStringLiteral("3 mm to the right")));
  CHECK(found.words().text().contains(QStringLiteral("Cut as planned, 1 part shows bare film")));
  CHECK(found.words().text().contains(
      QStringLiteral("Cut where the print is, no part shows bare film")));
  CHECK(found.shift().right.mm() == Approx(3).margin(0.01));
  found.follow().click();
  CHECK(found.shift().right == Length());
  found.follow().click();
  // Read in another unit they are not believed, and nothing is cut by them.
  CHECK(found.takeButton().isEnabled());
  FoundDialog wild(onSheet(films[printed], 0), size.wide, size.tall, figures, *print, Unit::mm,
                   false);
  QLineEdit* slip = wild.fields()[2]->edit();
  slip->setFocus();
  slip->selectAll();
  QTest::keyClicks(slip, QString::number(planned[1].x / 25.4, 'f', 3) + QStringLiteral(" mm"));
  CHECK_FALSE(wild.takeButton().isEnabled());
  CHECK(wild.words().text().contains(QStringLiteral("Read the marks again")));
  // Fed face down, the blade finds them from the other side.
  FoundDialog back(onSheet(films[printed], 0), size.wide, size.tall, figures, *print, Unit::mm,
                   true);
  for (std::size_t i = 0; i < 3; ++i) {
    QLineEdit* edit = back.fields()[2 * i]->edit();
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(
        edit, QString::number(size.wide.mm() - planned[i].x - 3, 'f', 3) + QStringLiteral(" mm"));
  }
  CHECK(back.shift().right.mm() == Approx(3).margin(0.01));
  open.bench().printing().set(printed, 0, found.shift());
  CHECK(open.bench().foundButton().text().contains(QStringLiteral("Cut by its marks")));
  QSignalSpy cut(&open.bench().link(), &CutterLink::finished);
  open.bench().cutNow();
  REQUIRE(cut.wait(30000));
  const auto film = cut.front().front().value<CutFilm>();
  // What was cut lies three to the right of the plan.
  const CutJob job = jobOf(films[printed], 0, "sheet");
  REQUIRE(film.shapes.size() == job.shapes().size());
  Box before;
  Box now;
  for (const auto& shape : job.shapes()) before.add(boundsOf(Polygon{shape}));
  for (const CutShape& shape : film.shapes) now.add(boundsOf(Polygon{shape.outline}));
  CHECK(now.low.x - before.low.x == Approx(3).margin(0.06));
  CHECK(now.low.y == Approx(before.low.y).margin(0.06));
  CHECK(open.bench().verdict().text().contains(QStringLiteral("0.")));
  // The cutter's figures are no matter.
  open.bench().work().set(Cutter());
  CHECK(open.bench().printing().shiftOf(printed, 0).right.mm() == Approx(3).margin(0.01));
  // Laid anew, it is not known any more how it came out.
  open.bench().weeding().click();
  open.bench().work().layNow();
  CHECK(open.bench().printing().shiftOf(printed, 0).right == Length());
}

TEST_CASE("the printer's figures are kept, and ones that leave nothing to print on are not taken") {
  PrintWindow open;
  Printer printer = usualPrinter(Paper::a4);
  printer.bleed = Length::mm(2);
  open.bench().work().set(printer);
  CHECK(open.window.shelf().printer() == printer);
  printer.left = Length::mm(500);
  PrinterDialog dialog(printer, Unit::mm);
  CHECK_FALSE(dialog.findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->isEnabled());
  CHECK_FALSE(open.bench().work().set(printer));
  CHECK(open.window.shelf().printer()->left == Length::mm(6));
}
