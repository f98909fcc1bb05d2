// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QFont>
#include <QPainterPath>
#include <QPointF>
#include <QPolygonF>
#include <QTransform>
#include <QVector>
#include <QWidget>
#include <vector>

#include "shape/path.h"

namespace avrelt {

/// Flat to pixels: one scale, y turned down.
class Fit {
 public:
  Fit() = default;
  /// The largest scale at which `box` lies in `room`, centred.
  Fit(const Box& box, const QRectF& room);

  double scale() const { return scale_; }
  /// So many times as large about a place of the screen, then moved by so many pixels.
  Fit closer(double times, QPointF about, QPointF by) const;
  QPointF operator()(Point p) const { return {x_ + p.x * scale_, y_ - p.y * scale_}; }
  Point back(QPointF p) const { return {(p.x() - x_) / scale_, (y_ - p.y()) / scale_}; }

 private:
  double scale_ = 1;
  double x_ = 0;
  double y_ = 0;
};

/// A core path for the painter, no farther than a quarter of a pixel from the true curve.
QPainterPath painterPath(const Path& path, const Fit& fit);

/// Outlines as one path, each closed.
QPainterPath painterPath(const std::vector<QPolygonF>& outlines);

/// Draws outlines with the painter's pen and brush. Most cells are one, which is drawn sooner than
/// a path of several.
void drawOutlines(QPainter& painter, const std::vector<QPolygonF>& outlines);

/// Draws along a path with the painter's pen. As `strokePath`, but a pen of one colour that hides
/// what is under it goes line by line, which is seven times as quick where it is wider than a dot:
/// corners are square then. A pen of round joins goes so along curves only.
void strokeLines(QPainter& painter, const QPainterPath& path);

/// Fills a shape whose edge a line hides afterwards with the painter's brush, edges not smoothed:
/// several times as quick, and beside another no ground shows through.
void fillUnderLines(QPainter& painter, const QPainterPath& shape);

/// What follows shows within a shape whose edge a line hides afterwards.
void clipUnderLines(QPainter& painter, const QPainterPath& shape);

/// Within so many pixels the mouse takes a line.
inline constexpr double lineReach = 7;

/// How far a place is from a path's nearest side, in pixels.
double distanceTo(const QPainterPath& path, QPointF p);

/// The place at a share of the length of an open line.
QPointF placeAlong(const QPolygonF& line, double share);

/// Words centred on a place, turned clockwise by so many degrees.
void drawWords(QPainter& painter, QPointF centre, const QString& words, double turn = 0);

/// Keeps words from lying on each other: the first to come stands.
class WordRoom {
 public:
  /// Takes the room round `centre` that these words need; false where some of it is taken.
  bool take(QPointF centre, const QFont& font, const QString& words);

 private:
  QVector<QRectF> taken_;
};

/// Where an arrow key goes from a place in a grid that fills row by row; nothing for another key.
std::optional<int> goneInGrid(int key, int at, int perRow, int last);
/// Whether a key takes what it stands on: Return, Enter, Space.
bool takes(int key);

/// Words on a small plate of the panel's colour, so that they stand on any ground. They lie on
/// whole dots; the pen is the theme's ink afterwards, and there is no brush.
void drawPlate(QPainter& painter, QPointF centre, const QString& words);

/// A widget that gets the ground of the bench and paints smooth lines on it. Repaints itself when
/// the theme changes.
class Canvas : public QWidget {
 public:
  using QWidget::QWidget;

 protected:
  void changeEvent(QEvent* event) override;
  /// The frame comes and goes with the keyboard.
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  /// The frame that shows where the keyboard is.
  void drawFocus(QPainter& painter);
};

}  // namespace avrelt
