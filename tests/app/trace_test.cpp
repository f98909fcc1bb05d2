// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <fstream>
#include <QPainter>

#include "app/application.h"
#include "app/gauge/measures.h"
#include "app/trace/check_dialog.h"
#include "app/trace/photo.h"
#include "app/trace/trace_dialog.h"
#include "job/ids.h"

using namespace avrelt;

namespace {

/// A picture file of a cup 400 pixels wide and 1000 tall.
QString photoIn(const QTemporaryDir& folder) {
  QImage image(1000, 1400, QImage::Format_RGB32);
  image.fill(Qt::lightGray);
  QPainter painter(&image);
  painter.fillRect(300, 200, 400, 1000, Qt::darkBlue);
  painter.end();
  QString path = folder.filePath("cup.png");
  image.save(path);
  return path;
}

std::string refusalOf(const QString& path) {
  const tl::expected<QImage, Sentence> photo = readPhoto(path);
  REQUIRE_FALSE(photo.has_value());
  return inWords(photo.error(), Unit::mm);
}

}  // namespace

TEST_CASE("handles put on a photo give the cup's stations") {
  application();
  const QTemporaryDir folder;
  TraceDialog dialog(Unit::mm, Length::mm(200));
  dialog.show();
  CHECK(dialog.stations().empty());
  CHECK_FALSE(dialog.load(photoIn(folder)).has_value());
  TraceCanvas& canvas = dialog.canvas();
  // Five pixels to the millimetre: 200 mm tall, 80 mm across.
  canvas.move(0, {200, 1200});
  canvas.move(1, {200, 200});
  canvas.move(2, {300, 1200});
  canvas.move(3, {700, 1200});
  canvas.move(4, {300, 200});
  canvas.move(5, {700, 200});
  for (std::size_t i = 6; i < canvas.handleCount(); ++i) {
    canvas.move(i, {700, 1000.0 - 200.0 * static_cast<double>(i - 6)});
  }
  REQUIRE(dialog.stations().size() == 5);
  CHECK(dialog.stations().back().at.length.mm() == Approx(200));
  for (const Station& station : dialog.stations()) {
    CHECK(station.girth->length.mm() == Approx(80));
    CHECK(station.girthIs == Girth::across);
  }
  // Taken, they are the cup's.
  OpenWindow open;
  setStations(open.window.order(), dialog.stations());
  CHECK(open.window.order().planHolds());
  CHECK(open.window.order().plan()->wall.body.aroundRim().mm() ==
        Approx(80 * 3.14159265).epsilon(1e-6));
  CHECK(open.cup().blank.heightAlong == HeightAlong::plumb);
}

TEST_CASE("handles are moved by mouse and by keyboard") {
  application();
  const QTemporaryDir folder;
  TraceDialog dialog(Unit::inch, Length::inches(8));
  dialog.show();
  dialog.load(photoIn(folder));
  TraceCanvas& canvas = dialog.canvas();
  QApplication::processEvents();
  const Point before = canvas.trace().rimRight;
  const QPoint at = canvas.placeOf(5).toPoint();
  QTest::mousePress(&canvas, Qt::LeftButton, {}, at);
  QTest::mouseMove(&canvas, at + QPoint(12, 0));
  QTest::mouseRelease(&canvas, Qt::LeftButton, {}, at + QPoint(12, 0));
  CHECK(canvas.trace().rimRight.x > before.x + 10);
  const double x = canvas.trace().rimRight.x;
  QTest::keyClick(&canvas, Qt::Key_Left, Qt::ShiftModifier);
  CHECK(canvas.trace().rimRight.x == Approx(x - 10));
  QTest::mouseDClick(&canvas, Qt::LeftButton, {}, at + QPoint(30, 60));
  CHECK(canvas.trace().edge.size() == 4);
  QTest::keyClick(&canvas, Qt::Key_Delete);
  CHECK(canvas.trace().edge.size() == 3);
  QTest::keyClick(&canvas, Qt::Key_Insert);
  CHECK(canvas.trace().edge.size() == 4);
}

TEST_CASE("what is no photo, too large or broken is refused in words") {
  application();
  const QTemporaryDir folder;
  const QString text = folder.filePath("note.jpg");
  std::ofstream(text.toStdString()) << "not a picture";
  CHECK_THAT(refusalOf(text), Catch::Contains("no picture Avrelt can read"));
  CHECK_THAT(refusalOf(folder.filePath("nowhere.jpg")), Catch::Contains("cannot be read"));
  // 200 megapixels, said by the head of a bitmap; nothing of it has to be there.
  const QString huge = folder.filePath("huge.bmp");
  {
    QImage small(4, 4, QImage::Format_RGB32);
    small.fill(Qt::white);
    small.save(huge, "BMP");
    std::fstream file(huge.toStdString(), std::ios::in | std::ios::out | std::ios::binary);
    file.seekp(18);
    const std::int32_t size[2] = {20000, 10000};
    file.write(reinterpret_cast<const char*>(size), sizeof size);
  }
  CHECK_THAT(refusalOf(huge), Catch::Contains("200 megapixels"));
  const QString broken = folder.filePath("broken.png");
  {
    std::ifstream whole(photoIn(folder).toStdString(), std::ios::binary);
    std::string bytes((std::istreambuf_iterator<char>(whole)), std::istreambuf_iterator<char>());
    std::ofstream(broken.toStdString(), std::ios::binary) << bytes.substr(0, bytes.size() / 3);
  }
  CHECK_THAT(refusalOf(broken), Catch::Contains("breaks off"));
  TraceDialog dialog(Unit::inch, Length::inches(8));
  CHECK(dialog.load(text).has_value());
  CHECK(dialog.stations().empty());
}

TEST_CASE("a line on a photo is read back where it is on the cup") {
  OpenWindow open;
  open.window.order().editCup(QStringLiteral("cut"), [](Cup& cup) {
    RingCut ring;
    ring.by = CutBy::places;
    ring.fromRim = false;
    ring.places = {WrittenLength::mm(80)};
    cup.division.body.cut = ring;
    giveIds(cup);
  });
  const CupPlan& plan = *open.window.order().plan();
  const Body& body = plan.wall.body;
  // A camera before the front, level, 1.5 m off, as high as 220 mm: its photo of a ring taped 2 mm
  // too high.
  constexpr double far = 1500;
  constexpr double above = 220;
  constexpr double lens = 9000;
  constexpr double wide = 1600;
  constexpr double tall = 2000;
  const auto seen = [&](double degrees, Length s) {
    const SpacePoint p = body.toSpace({Angle::degrees(degrees), s});
    const double k = lens / (p.y + far);
    return QPointF(wide / 2 + p.x * k, tall / 2 - (p.z - above) * k);
  };
  const Length taped = Length::mm(82);
  QImage image(wide, tall, QImage::Format_RGB32);
  image.fill(Qt::white);
  {
    QPainter painter(&image);
    painter.setPen(QPen(Qt::black, 3));
    QPolygonF line;
    for (int i = -85; i <= 85; ++i) line << seen(i, taped);
    painter.drawPolyline(line);
  }
  const QTemporaryDir folder;
  const QString path = folder.filePath("taped.png");
  image.save(path);

  CheckDialog dialog(plan);
  dialog.show();
  CHECK(dialog.words().text().contains(QStringLiteral("Nothing is loaded")));
  CHECK_FALSE(dialog.load(path).has_value());
  CheckCanvas& canvas = dialog.canvas();
  const auto put = [&](CheckCanvas::Handle handle, QPointF at) {
    canvas.move(handle, {at.x(), at.y()});
  };
  for (const bool rim : {false, true}) {
    const Length s = rim ? body.wall() : Length();
    const double end = std::acos(body.radius(s).mm() / far) * 180 / 3.14159265358979;
    put(rim ? CheckCanvas::rimLeft : CheckCanvas::baseLeft, seen(-end, s));
    put(rim ? CheckCanvas::rimRight : CheckCanvas::baseRight, seen(end, s));
    put(rim ? CheckCanvas::rimNear : CheckCanvas::baseNear, seen(0, s));
  }
  put(CheckCanvas::front, seen(0, Length::mm(150)));
  REQUIRE(canvas.sight());
  CHECK(canvas.sight()->distance().mm() == Approx(far).epsilon(0.05));
  // The middle of the black in a column of the picture.
  const auto lineAt = [&](int x) {
    double sum = 0;
    double dark = 0;
    for (int y = 0; y < image.height(); ++y) {
      const double ink = 255 - qGray(image.pixel(x, y));
      sum += ink * (y + 0.5);
      dark += ink;
    }
    REQUIRE(dark > 0);
    return QPointF(x + 0.5, sum / dark);
  };
  for (const double round : {0.0, 30.0, 60.0, -60.0}) {
    put(CheckCanvas::asked, lineAt(static_cast<int>(seen(round, taped).x())));
    const std::optional<PhotoSight::Place> read = canvas.askedAt();
    REQUIRE(read);
    const double off = (read->s - taped).mm();
    CHECK(std::abs(off) < (round == 0 ? 0.5 : 1.0));
    INFO(dialog.askedWords().text().toStdString());
    CHECK(dialog.askedWords().text().contains(QStringLiteral("Line 1 is to run 1/16 in")));
  }
  // Where the line belongs it says so; a click asks about another place; beside it there is none.
  put(CheckCanvas::asked, seen(10, Length::mm(80)));
  CHECK(dialog.askedWords().text().contains(QStringLiteral("Line 1 runs there")));
  QTest::mouseClick(&canvas, Qt::LeftButton, {}, QPoint(3, canvas.height() / 2));
  CHECK_FALSE(canvas.askedAt().has_value());
  CHECK(dialog.askedWords().text().contains(QStringLiteral("beside the wall")));
  // By keys as well: from handle to handle, and by pixels.
  canvas.setFocus();
  QTest::keyClick(&canvas, Qt::Key_Right, Qt::ShiftModifier);
  QTest::keyClick(&canvas, Qt::Key_Tab);
  put(CheckCanvas::rimLeft, seen(60, body.wall()));
  CHECK_FALSE(canvas.sight());
  CHECK(dialog.askedWords().text().contains(QStringLiteral("marks right")));
}
