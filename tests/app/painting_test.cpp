// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn quickly looks as what the window's library draws at leisure.
#include "app/views/painting.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <QImage>
#include <QPainter>
#include <random>

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
