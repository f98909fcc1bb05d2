// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>
#include <QPainter>

#include "app/application.h"
#include "app/gauge/measures.h"
#include "app/trace/photo.h"
#include "app/trace/trace_dialog.h"

using namespace avrelt;

namespace {

/// A picture file of a cup 400 pixels wide and 1000 tall.
QString photoIn(const QTemporaryDir& folder) {
  QImage image(1000, 1400, QImage::Format_RGB32);
  image.fill(Qt::lightGray);
  QPainter painter(&image);
  painter.fillRect(300, 200, 400, 1000, Qt::darkBlue);
  painter.end();
  const QString path = folder.filePath("cup.png");
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
