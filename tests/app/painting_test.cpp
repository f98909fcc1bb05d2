// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn quickly looks as what the window's library draws at leisure.
#include "app/look/painting.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <QFontMetricsF>
#include <QImage>
#include <QPainter>
#include <random>

#include "app/application.h"
#include "app/look/laid_words.h"
#include "app/look/theme.h"

using namespace avrelt;

namespace {

template <typename Draw>
QImage painted(const Draw& draw) {
  QImage image(200, 160, QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  painter.setRenderHint(QPainter::Antialiasing);
  draw(painter);
  return image;
}

/// How many dots of two pictures differ by more than a quarter of black from white.
int dotsApart(const QImage& one, const QImage& other) {
  int apart = 0;
  for (int y = 0; y < one.height(); ++y) {
    for (int x = 0; x < one.width(); ++x) {
      apart += std::abs(qGray(one.pixel(x, y)) - qGray(other.pixel(x, y))) > 64 ? 1 : 0;
    }
  }
  return apart;
}

/// Part of an oval, or all of it, in short lines as views flatten curves.
QPainterPath bow(std::mt19937& random, bool closed) {
  std::uniform_real_distribution<double> radius(25, 70);
  std::uniform_real_distribution<double> angle(0, 6.28);
  const double wide = radius(random);
  const double tall = radius(random);
  const double from = angle(random);
  const int steps = 48;
  const double turn = closed ? 2 * M_PI : 1.5 + angle(random) / 2;
  QPainterPath path;
  for (int i = 0; i <= steps; ++i) {
    const double a = from + turn * i / steps;
    const QPointF at(100 + wide * std::cos(a), 80 + tall * std::sin(a));
    if (i == 0) {
      path.moveTo(at);
    } else {
      path.lineTo(at);
    }
  }
  if (closed) path.closeSubpath();
  return path;
}

}  // namespace

TEST_CASE("lines along a curve look as its stroke: neither beads nor gaps") {
  std::mt19937 random(7);
  for (int i = 0; i < 60; ++i) {
    const QPainterPath path = bow(random, i % 2 == 0);
    for (const double width : {0.6, 1.0, 1.4, 1.6, 3.0, 7.0}) {
      const QPen pen(Qt::black, width);
      const QImage wanted = painted([&](QPainter& painter) { painter.strokePath(path, pen); });
      const QImage quick = painted([&](QPainter& painter) {
        painter.setPen(pen);
        strokeLines(painter, path);
        CHECK(painter.pen() == pen);
      });
      INFO("curve " << i << ", " << width << " wide");
      CHECK(dotsApart(wanted, quick) <= 2);
    }
  }
}

TEST_CASE("at a corner lines meet as mitres do") {
  QPainterPath box;
  box.addPolygon(QPolygonF({{30.3, 20.6}, {170.2, 32.1}, {160.8, 140.4}, {21.7, 128.9}}));
  box.closeSubpath();
  for (const double width : {1.6, 3.0, 7.0}) {
    QPen pen(Qt::black, width);
    pen.setJoinStyle(Qt::MiterJoin);
    const QImage wanted = painted([&](QPainter& painter) { painter.strokePath(box, pen); });
    const QImage quick = painted([&](QPainter& painter) {
      painter.setPen(pen);
      strokeLines(painter, box);
    });
    INFO(width);
    CHECK(dotsApart(wanted, quick) <= 2);
  }
}

TEST_CASE("pens that lines on each other would show are stroked in one go") {
  std::mt19937 random(8);
  const QPainterPath path = bow(random, true);
  QColor clear(Qt::black);
  clear.setAlpha(90);
  for (const QPen& pen : {QPen(clear, 3), QPen(Qt::black, 2, Qt::DashLine)}) {
    const QImage wanted = painted([&](QPainter& painter) { painter.strokePath(path, pen); });
    const QImage quick = painted([&](QPainter& painter) {
      painter.setPen(pen);
      strokeLines(painter, path);
    });
    CHECK(wanted == quick);
  }
  const QImage pale = painted([&](QPainter& painter) {
    painter.setOpacity(0.35);
    painter.strokePath(path, QPen(Qt::black, 3));
  });
  const QImage quick = painted([&](QPainter& painter) {
    painter.setOpacity(0.35);
    painter.setPen(QPen(Qt::black, 3));
    strokeLines(painter, path);
  });
  CHECK(pale == quick);
}

TEST_CASE("under its line a fill and a clip look as smoothed ones") {
  std::mt19937 random(9);
  for (int i = 0; i < 60; ++i) {
    const QPainterPath shape = bow(random, true);
    const QPen line(Qt::black, 1.6);
    const QImage wanted = painted([&](QPainter& painter) {
      painter.setPen(line);
      painter.setBrush(QColor(150, 190, 200));
      painter.drawPath(shape);
    });
    const QImage filled = painted([&](QPainter& painter) {
      painter.setBrush(QColor(150, 190, 200));
      fillUnderLines(painter, shape);
      painter.strokePath(shape, line);
      CHECK(painter.testRenderHint(QPainter::Antialiasing));
    });
    const QImage clipped = painted([&](QPainter& painter) {
      painter.save();
      clipUnderLines(painter, shape);
      painter.fillRect(0, 0, 200, 160, QColor(150, 190, 200));
      painter.restore();
      painter.strokePath(shape, line);
    });
    INFO("shape " << i);
    CHECK(dotsApart(wanted, filled) == 0);
    CHECK(dotsApart(wanted, clipped) == 0);
    // Inside and outside nothing is other at all.
    CHECK(wanted.pixel(100, 80) == filled.pixel(100, 80));
    CHECK(wanted.pixel(2, 2) == clipped.pixel(2, 2));
  }
}

TEST_CASE("outlines are closed, one or several") {
  const QPolygonF box({{20, 20}, {90, 20}, {90, 120}, {20, 120}});
  for (const std::vector<QPolygonF>& outlines :
       {std::vector{box}, std::vector{box, box.translated(95, 10)}}) {
    const QImage lines = painted([&](QPainter& painter) {
      painter.setPen(QPen(Qt::black, 3));
      strokeLines(painter, painterPath(outlines));
    });
    const QImage drawn = painted([&](QPainter& painter) {
      painter.setPen(QPen(Qt::black, 3));
      painter.setBrush(QColor(150, 190, 200));
      drawOutlines(painter, outlines);
    });
    for (const QPolygonF& outline : outlines) {
      const QPoint onLast = ((outline.first() + outline.last()) / 2).toPoint();
      CHECK(qGray(lines.pixel(onLast)) < 20);
      CHECK(qGray(drawn.pixel(onLast)) < 20);
      const QPoint inside = outline.boundingRect().center().toPoint();
      CHECK(qGray(lines.pixel(inside)) == 255);
      CHECK(drawn.pixelColor(inside) == QColor(150, 190, 200));
    }
  }
}

TEST_CASE("a tape along a curve ends where the curve does, and at a corner has round joins") {
  std::mt19937 random(11);
  const auto pen = [](double width) {
    return QPen(Qt::black, width, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin);
  };
  const auto quick = [&](const QPainterPath& path, double width) {
    return painted([&](QPainter& painter) {
      painter.setPen(pen(width));
      strokeLines(painter, path);
    });
  };
  for (int i = 0; i < 40; ++i) {
    const QPainterPath path = bow(random, i % 2 == 0);
    for (const double width : {2.5, 6.0, 11.0}) {
      const QImage wanted =
          painted([&](QPainter& painter) { painter.strokePath(path, pen(width)); });
      INFO("curve " << i << ", " << width << " wide");
      CHECK(dotsApart(wanted, quick(path, width)) <= width);
    }
  }
  QPainterPath corner;
  corner.moveTo(30, 30);
  corner.lineTo(120, 40);
  corner.lineTo(60, 130);
  const QImage wanted = painted([&](QPainter& painter) { painter.strokePath(corner, pen(11)); });
  CHECK(wanted == quick(corner, 11));
}

TEST_CASE("a place along a line is where the library says it is") {
  std::mt19937 random(12);
  std::uniform_real_distribution<double> somewhere(0, 200);
  std::uniform_real_distribution<double> any(0, 1);
  for (int i = 0; i < 200; ++i) {
    QPolygonF line;
    for (int k = 0; k < 2 + i % 9; ++k) {
      const QPointF at(somewhere(random), somewhere(random));
      line << at;
      if (k % 4 == 3) line << at;  // a side of no length
    }
    QPainterPath path;
    path.addPolygon(line);
    for (const double share : {0.0, any(random), any(random), 1.0}) {
      const QPointF off = placeAlong(line, share) - path.pointAtPercent(share);
      CHECK(std::hypot(off.x(), off.y()) < 1e-6);
    }
  }
  CHECK(placeAlong({}, 0.5) == QPointF());
  CHECK(placeAlong({{3, 4}}, 0.5) == QPointF(3, 4));
}

TEST_CASE("words laid out once look as the library's, turned or not, alone or together") {
  application();
  QFont font = face(13, QFont::DemiBold);
  const QStringList all{QStringLiteral("B3"), QStringLiteral("0.25 in"),
                        QStringLiteral("seam, front"), QStringLiteral("größer ±½")};
  for (const int pixels : {9, 13, 21}) {
    font.setPixelSize(pixels);
    const QFontMetricsF metrics(font);
    for (const QString& words : all) {
      // Lines of text make blanks of small letters a dot wider.
      if (pixels == 9 && words.contains(QLatin1Char(' '))) continue;
      for (const double turn : {0.0, -90.0, 23.0}) {
        const QImage wanted = painted([&](QPainter& painter) {
          painter.setFont(font);
          painter.translate(100.2, 80.3);
          painter.rotate(turn);
          painter.drawText(QPointF(-metrics.horizontalAdvance(words) / 2, metrics.capHeight() / 2),
                           words);
        });
        for (int again = 0; again < 2; ++again) {
          const QImage drawn = painted([&](QPainter& painter) {
            painter.setFont(font);
            drawWords(painter, {100.2, 80.3}, words, turn);
          });
          INFO(words.toStdString() << ", " << pixels << " px, turned " << turn);
          CHECK(dotsApart(wanted, painted([](QPainter&) {})) > 10);
          CHECK(dotsApart(wanted, drawn) <= (turn == 0 ? 0 : 12));
        }
      }
    }
  }
  const QImage together = painted([&](QPainter& painter) {
    ManyWords many(font);
    for (int i = 0; i < 4; ++i) {
      many.add({100, 20 + 36.0 * i}, all[i], i % 2 == 0 ? Qt::black : Qt::red);
      CHECK(many.widthOf(all[i]) ==
            Approx(QFontMetricsF(font).horizontalAdvance(all[i])).margin(1));
    }
    many.draw(painter);
  });
  const QImage alone = painted([&](QPainter& painter) {
    for (int i = 0; i < 4; ++i) {
      ManyWords one(font);
      one.add({100, 20 + 36.0 * i}, all[i], i % 2 == 0 ? Qt::black : Qt::red);
      one.draw(painter);
    }
  });
  CHECK(together == alone);
}

TEST_CASE("very many words, and many fonts, are laid out none the worse") {
  application();
  const QFont font = face(12);
  const LaidOut laidOut(font);
  const double width = laidOut(QStringLiteral("A1")).width;
  for (int i = 0; i < 20'000; ++i) laidOut(QString::number(i));
  for (int i = 8; i < 80; ++i) CHECK(LaidOut(face(i))(QStringLiteral("A1")).width > 0);
  CHECK(laidOut(QStringLiteral("A1")).width == width);
  CHECK(laidOut(QString()).width == 0);
}

TEST_CASE(
    "plates say what they are told in the colours of the theme, on screens of any sharpness") {
  application();
  for (const double sharp : {1.0, 2.0}) {
    for (const Theme* t : {&Theme::light(), &Theme::dark(), &Theme::light()}) {
      useTheme(*t);
      const auto plate = [&](const QString& words) {
        QImage image(QSize(100, 60) * sharp, QImage::Format_RGB32);
        image.setDevicePixelRatio(sharp);
        image.fill(Qt::magenta);
        QPainter painter(&image);
        painter.setFont(face(12, QFont::DemiBold));
        drawPlate(painter, {50.4, 29.8}, words);
        CHECK(painter.pen().color() == t->ink);
        CHECK(painter.brush().style() == Qt::NoBrush);
        return image;
      };
      const QImage one = plate(QStringLiteral("12"));
      CHECK(plate(QStringLiteral("12")) == one);
      CHECK(plate(QStringLiteral("17")) != one);
      // Panel round the words, some of them ink, and none of it beyond.
      const auto at = [&](double x, double y) {
        return one.pixelColor(QPointF(x * sharp, y * sharp).toPoint());
      };
      CHECK(at(42, 23.5) == t->panel);
      CHECK(at(50, 10) == QColor(Qt::magenta));
      CHECK(at(20, 30) == QColor(Qt::magenta));
      int inked = 0;
      for (int y = 0; y < one.height(); ++y) {
        for (int x = 0; x < one.width(); ++x) inked += one.pixelColor(x, y) == t->ink ? 1 : 0;
      }
      CHECK(inked > 4);
    }
  }
}

TEST_CASE("words take room only where none is taken") {
  application();
  WordRoom room;
  const QFont font = face(13);
  CHECK(room.take({50, 50}, font, QStringLiteral("here")));
  CHECK_FALSE(room.take({55, 52}, font, QStringLiteral("here")));
  CHECK(room.take({50, 80}, font, QStringLiteral("here")));
  CHECK_FALSE(room.take({90, 50}, font, QStringLiteral("long words that reach there")));
}
