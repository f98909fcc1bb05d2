// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/painting.h"

#include <algorithm>
#include <QEvent>
#include <QPainter>
#include <QPixmap>
#include <QPixmapCache>
#include <QRegion>

#include "app/look/laid_words.h"
#include "app/look/theme.h"

namespace avrelt {

Fit::Fit(const Box& box, const QRectF& room) {
  const double width = std::max(box.width(), 1e-6);
  const double height = std::max(box.height(), 1e-6);
  scale_ = std::max(1e-6, std::min(room.width() / width, room.height() / height));
  const Point centre = box.centre();
  x_ = room.center().x() - centre.x * scale_;
  y_ = room.center().y() + centre.y * scale_;
}

Fit Fit::closer(double times, QPointF about, QPointF by) const {
  Fit nearer;
  nearer.scale_ = scale_ * times;
  nearer.x_ = about.x() + (x_ - about.x()) * times + by.x();
  nearer.y_ = about.y() + (y_ - about.y()) * times + by.y();
  return nearer;
}

QPainterPath painterPath(const Path& path, const Fit& fit) {
  QPainterPath drawn;
  bool first = true;
  for (const Point& p : flattened(path, Length::mm(0.25 / fit.scale()))) {
    if (first) {
      drawn.moveTo(fit(p));
    } else {
      drawn.lineTo(fit(p));
    }
    first = false;
  }
  if (path.closed()) drawn.closeSubpath();
  return drawn;
}

QPainterPath painterPath(const std::vector<QPolygonF>& outlines) {
  QPainterPath path;
  for (const QPolygonF& outline : outlines) {
    path.addPolygon(outline);
    path.closeSubpath();
  }
  return path;
}

void drawOutlines(QPainter& painter, const std::vector<QPolygonF>& outlines) {
  if (outlines.size() == 1) {
    painter.drawPolygon(outlines.front());
  } else {
    painter.drawPath(painterPath(outlines));
  }
}

namespace {

QPointF unit(QPointF way) {
  const double length = std::hypot(way.x(), way.y());
  return length > 0 ? way / length : QPointF();
}

/// Whether a line makes a corner where it goes on another way.
bool turnsAway(QPointF one, QPointF other) {
  constexpr double nearly = 0.9;  // the cosine of some 25 degrees
  return !one.isNull() && !other.isNull() && QPointF::dotProduct(one, other) < nearly;
}

/// How far a line reaches out where it goes on another way. Along a curve no more than hides where
/// the two meet: whole caps on each other would show as beads. At a corner as a square cap does.
double reachAt(QPointF one, QPointF other, double half) {
  constexpr double hidden = 0.25;  // px
  if (turnsAway(one, other)) return half;
  const double cosine = QPointF::dotProduct(one, other);
  const double sine = std::abs(one.x() * other.y() - one.y() * other.x());
  return std::min(half, hidden + half * sine / (1 + cosine));
}

}  // namespace

void strokeLines(QPainter& painter, const QPainterPath& path) {
  const QPen pen = painter.pen();
  const bool hides =
      pen.style() == Qt::SolidLine && pen.color().alpha() == 255 && painter.opacity() >= 1;
  const bool wide = pen.widthF() * painter.device()->devicePixelRatioF() > 1;
  if (!hides || !wide) {
    painter.strokePath(path, pen);
    return;
  }
  const double half = pen.widthF() / 2;
  const double beyondEnds = pen.capStyle() == Qt::FlatCap ? 0 : half;
  QVector<QLineF> lines;
  for (const QPolygonF& stretch : path.toSubpathPolygons()) {
    const bool closed = stretch.size() > 2 && stretch.isClosed();
    const qsizetype last = stretch.size() - 1;
    QPointF before = closed ? unit(stretch[last] - stretch[last - 1]) : QPointF();
    const auto reach = [&](QPointF one, QPointF other) {
      return one.isNull() || other.isNull() ? beyondEnds : reachAt(one, other, half);
    };
    for (qsizetype i = 1; i <= last; ++i) {
      const QPointF along = unit(stretch[i] - stretch[i - 1]);
      if (along.isNull()) continue;
      const QPointF after = i < last ? unit(stretch[i + 1] - stretch[i])
                            : closed ? unit(stretch[1] - stretch[0])
                                     : QPointF();
      if (pen.joinStyle() == Qt::RoundJoin &&
          (turnsAway(before, along) || turnsAway(along, after))) {
        painter.strokePath(path, pen);
        return;
      }
      lines.append({stretch[i - 1] - along * reach(before, along),
                    stretch[i] + along * reach(along, after)});
      before = along;
    }
  }
  QPen flat = pen;
  flat.setCapStyle(Qt::FlatCap);
  painter.setPen(flat);
  painter.drawLines(lines);
  painter.setPen(pen);
}

void fillUnderLines(QPainter& painter, const QPainterPath& shape) {
  painter.setRenderHint(QPainter::Antialiasing, false);
  painter.fillPath(shape, painter.brush());
  painter.setRenderHint(QPainter::Antialiasing);
}

void clipUnderLines(QPainter& painter, const QPainterPath& shape) {
  // A clip by whole dots; a path would be smoothed, which takes ten times as long. Scaled up, a dot
  // of it is several of the screen's.
  if (painter.deviceTransform().type() <= QTransform::TxTranslate) {
    painter.setClipRegion(QRegion(shape.toFillPolygon().toPolygon(), shape.fillRule()));
  } else {
    painter.setClipPath(shape);
  }
}

double distanceTo(const QPainterPath& path, QPointF p) {
  double least = HUGE_VAL;
  for (int i = 1; i < path.elementCount(); ++i) {
    if (path.elementAt(i).isMoveTo()) continue;
    const QPointF a = path.elementAt(i - 1);
    const QPointF ab = QPointF(path.elementAt(i)) - a;
    const double along = QPointF::dotProduct(ab, ab);
    const double t = along == 0 ? 0 : std::clamp(QPointF::dotProduct(p - a, ab) / along, 0.0, 1.0);
    const QPointF off = p - a - ab * t;
    least = std::min(least, std::hypot(off.x(), off.y()));
  }
  return least;
}

QPointF placeAlong(const QPolygonF& line, double share) {
  double whole = 0;
  for (qsizetype i = 1; i < line.size(); ++i) whole += QLineF(line[i - 1], line[i]).length();
  double left = whole * share;
  for (qsizetype i = 1; i < line.size(); ++i) {
    const QLineF side(line[i - 1], line[i]);
    const double length = side.length();
    if (length > 0 && left <= length) return side.pointAt(left / length);
    left -= length;
  }
  return line.isEmpty() ? QPointF() : line.last();
}

void drawWords(QPainter& painter, QPointF centre, const QString& words, double turn) {
  const LaidOut laidOut(painter.font());
  const LaidWords& laid = laidOut(words);
  const QPointF start(-laid.width / 2, laid.capHeight / 2 - laid.ascent);
  if (turn == 0) {
    for (const QGlyphRun& run : laid.runs) painter.drawGlyphRun(centre + start, run);
    return;
  }
  painter.save();
  painter.translate(centre);
  painter.rotate(turn);
  for (const QGlyphRun& run : laid.runs) painter.drawGlyphRun(start, run);
  painter.restore();
}

std::optional<int> goneInGrid(int key, int at, int perRow, int last) {
  const int by = key == Qt::Key_Left    ? -1
                 : key == Qt::Key_Right ? 1
                 : key == Qt::Key_Up    ? -perRow
                 : key == Qt::Key_Down  ? perRow
                                        : 0;
  if (by == 0) return std::nullopt;
  return std::clamp(at + by, 0, last);
}

bool takes(int key) {
  return key == Qt::Key_Return || key == Qt::Key_Enter || key == Qt::Key_Space;
}

bool WordRoom::take(QPointF centre, const QFont& font, const QString& words) {
  const LaidOut laidOut(font);
  const LaidWords& laid = laidOut(words);
  QRectF room(0, 0, laid.width + 8, laid.ascent + 2);
  room.moveCenter(centre);
  for (const QRectF& other : taken_) {
    if (other.intersects(room)) return false;
  }
  taken_.push_back(room);
  return true;
}

void drawPlate(QPainter& painter, QPointF centre, const QString& words) {
  constexpr int tall = 18;
  const QFont font = painter.font();
  const LaidOut laidOut(font);
  const int wide = static_cast<int>(std::ceil(laidOut(words).width)) + 10;
  const double sharp = painter.device()->devicePixelRatioF();
  // Dozens of plates stand on a divided flat and only move: each is painted once.
  const QString key = QStringLiteral("plate %1 %2 %3 %4 ")
                          .arg(sharp)
                          .arg(theme().panel.rgba())
                          .arg(theme().ink.rgba())
                          .arg(font.key()) +
                      words;
  QPixmap plate;
  if (!QPixmapCache::find(key, &plate)) {
    plate = QPixmap((QSizeF(wide, tall) * sharp).toSize());
    plate.setDevicePixelRatio(sharp);
    plate.fill(Qt::transparent);
    QPainter on(&plate);
    on.setRenderHint(QPainter::Antialiasing);
    on.setPen(Qt::NoPen);
    on.setBrush(theme().panel);
    on.drawRoundedRect(QRectF(0, 0, wide, tall), 3, 3);
    on.setFont(font);
    on.setPen(theme().ink);
    drawWords(on, {wide / 2.0, tall / 2.0}, words);
    QPixmapCache::insert(key, plate);
  }
  painter.drawPixmap(
      QPointF(std::round(centre.x() - wide / 2.0), std::round(centre.y() - tall / 2.0)), plate);
  painter.setPen(theme().ink);
  painter.setBrush(Qt::NoBrush);
}

void Canvas::changeEvent(QEvent* event) {
  QWidget::changeEvent(event);
  if (event->type() == QEvent::PaletteChange || event->type() == QEvent::StyleChange) update();
}

void Canvas::focusInEvent(QFocusEvent* event) {
  QWidget::focusInEvent(event);
  update();
}

void Canvas::focusOutEvent(QFocusEvent* event) {
  QWidget::focusOutEvent(event);
  update();
}

void Canvas::drawFocus(QPainter& painter) {
  if (!hasFocus()) return;
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(theme().brass, 1.5));
  painter.drawRoundedRect(QRectF(rect()).adjusted(2, 2, -2, -2), 6, 6);
}

}  // namespace avrelt
