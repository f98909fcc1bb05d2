// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/figure_plot.h"

#include <algorithm>
#include <cmath>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/look/theme.h"
#include "measure/sentence.h"

namespace avrelt {
namespace {

constexpr double left = 64;
constexpr double below = 46;
constexpr double margin = 22;

/// A step of 1, 2 or 5 times a power of ten, so that about so many make up a range.
double stepOf(double range, int about) {
  const double rough = range / about;
  const double power = std::pow(10, std::floor(std::log10(std::max(rough, 1e-9))));
  const double lead = rough / power;
  return power * (lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10);
}

QString markText(double value) {
  return QString::fromStdString(numberText(value, std::abs(value) < 1 ? 2 : 1));
}

}  // namespace

FigurePlot::FigurePlot(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("What was observed"));
  setMinimumSize(240, 160);
}

void FigurePlot::show(const LearntFigure& figure, const QString& across, const QString& up) {
  figure_ = figure;
  across_ = across;
  up_ = up;
  mostX_ = mostY_ = 0;
  for (const FigureSample& one : figure.seen) {
    mostX_ = std::max(mostX_, one.point.x);
    mostY_ = std::max(mostY_, one.point.y);
  }
  constexpr double room = 1.1;
  mostX_ = mostX_ > 0 ? mostX_ * room : 1;
  mostY_ = std::max(mostY_ * room, figure.present * mostX_);
  if (mostY_ <= 0) mostY_ = 1;
  if (picked_ >= static_cast<int>(figure.seen.size())) picked_ = -1;
  setAccessibleDescription(
      tr("%1 observations, %2 odd")
          .arg(figure.seen.size())
          .arg(std::count_if(figure.seen.begin(), figure.seen.end(),
                             [](const FigureSample& one) { return one.odd; })));
  update();
}

void FigurePlot::pick(int observation) {
  picked_ = observation;
  update();
}

QRectF FigurePlot::room() const {
  return QRectF(rect()).adjusted(left, margin, -margin, -below);
}

/// Points that would lie on each other are drawn a little aside, so that each can be taken.
QPointF FigurePlot::placeOfSeen(std::size_t which) const {
  const FitPoint& point = figure_.seen[which].point;
  constexpr std::size_t most = 13;
  constexpr double apart = 3.2;
  std::size_t before = 0;
  for (std::size_t i = 0; i < which; ++i) before += figure_.seen[i].point.x == point.x ? 1 : 0;
  const std::size_t place = before % most;
  const std::size_t steps = (place + 1) / 2;
  const double aside = static_cast<double>(steps) * (place % 2 == 0 ? apart : -apart);
  return placeOf(point) + QPointF(aside, 0);
}

QPointF FigurePlot::placeOf(const FitPoint& point) const {
  const QRectF box = room();
  return {box.left() + point.x / mostX_ * box.width(),
          box.bottom() - std::max(point.y, 0.0) / mostY_ * box.height()};
}

void FigurePlot::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const QRectF box = room();
  painter.fillRect(box, t.field);
  painter.setFont(face(12));
  constexpr int marks = 6;
  const double stepX = stepOf(mostX_, marks);
  const double stepY = stepOf(mostY_, marks);
  for (double x = 0; x <= mostX_; x += stepX) {
    const double at = placeOf({x, 0}).x();
    painter.setPen(QPen(t.rule, 1));
    painter.drawLine(QPointF(at, box.top()), QPointF(at, box.bottom()));
    painter.setPen(t.muted);
    painter.drawText(QRectF(at - 40, box.bottom() + 4, 80, 16), Qt::AlignCenter, markText(x));
  }
  for (double y = 0; y <= mostY_; y += stepY) {
    const double at = placeOf({0, y}).y();
    painter.setPen(QPen(t.rule, 1));
    painter.drawLine(QPointF(box.left(), at), QPointF(box.right(), at));
    painter.setPen(t.muted);
    painter.drawText(QRectF(0, at - 8, left - 8, 16), Qt::AlignRight | Qt::AlignVCenter,
                     markText(y));
  }
  painter.setPen(t.ink);
  painter.drawText(QRectF(box.left(), box.bottom() + 22, box.width(), 18), Qt::AlignCenter,
                   across_);
  painter.drawText(QRectF(box.left() - left + 6, 2, box.width() + left, 18),
                   Qt::AlignLeft | Qt::AlignVCenter, up_);
  painter.save();
  painter.setClipRect(box);
  const auto lineAt = [&](double slope) {
    return QLineF(placeOf({0, 0}), placeOf({mostX_, slope * mostX_}));
  };
  if (figure_.fit.count >= 2) {
    QColor band = t.petrol;
    band.setAlpha(40);
    QPainterPath between;
    between.moveTo(placeOf({0, 0}));
    between.lineTo(lineAt(std::max(0.0, figure_.fit.low)).p2());
    between.lineTo(lineAt(std::max(0.0, figure_.fit.high)).p2());
    between.closeSubpath();
    painter.fillPath(between, band);
  }
  if (figure_.figure.of != LearnableFigure::Of::fault) {
    painter.setPen(QPen(t.muted, 1.4, Qt::DashLine));
    painter.drawLine(lineAt(figure_.present));
  }
  if (figure_.fit.count >= 1) {
    painter.setPen(QPen(t.petrol, 2));
    painter.drawLine(lineAt(figure_.fit.slope));
  }
  painter.restore();
  for (std::size_t i = 0; i < figure_.seen.size(); ++i) {
    const FigureSample& one = figure_.seen[i];
    const QPointF place = placeOfSeen(i);
    painter.setPen(QPen(one.odd ? t.warn : t.ink, 1.6));
    painter.setBrush(one.leftOut ? QBrush(Qt::NoBrush) : QBrush(one.odd ? t.warn : t.ink));
    constexpr double size = 4.5;
    if (one.odd) {
      // Told by their shape too.
      painter.drawPolygon(QPolygonF({place + QPointF(0, -size - 1), place + QPointF(size + 1, size),
                                     place + QPointF(-size - 1, size)}));
    } else {
      painter.drawEllipse(place, size, size);
    }
    if (static_cast<int>(i) == picked_) {
      painter.setPen(QPen(t.brass, 2));
      painter.setBrush(Qt::NoBrush);
      painter.drawEllipse(place, 2 * size, 2 * size);
    }
  }
  if (figure_.seen.empty()) {
    painter.setPen(t.muted);
    painter.setFont(face(14));
    painter.drawText(box.adjusted(20, 20, -20, -20), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Nothing was observed yet. It comes of the work: steps ticked off at the "
                        "bench, supplies counted."));
  }
  drawFocus(painter);
}

int FigurePlot::at(QPointF place) const {
  constexpr double reach = 12;
  double nearest = reach;
  int found = -1;
  for (std::size_t i = 0; i < figure_.seen.size(); ++i) {
    const double off = QLineF(place, placeOfSeen(i)).length();
    if (off > nearest) continue;
    nearest = off;
    found = static_cast<int>(i);
  }
  return found;
}

void FigurePlot::mousePressEvent(QMouseEvent* event) {
  if (const int found = at(event->position()); found >= 0) {
    picked_ = found;
    update();
    emit pickedAt(found);
  }
}

void FigurePlot::mouseDoubleClickEvent(QMouseEvent* event) {
  if (const int found = at(event->position()); found >= 0) emit toggled(found);
}

void FigurePlot::keyPressEvent(QKeyEvent* event) {
  const int count = static_cast<int>(figure_.seen.size());
  const int by = event->key() == Qt::Key_Right || event->key() == Qt::Key_Down ? 1
                 : event->key() == Qt::Key_Left || event->key() == Qt::Key_Up  ? -1
                                                                               : 0;
  if (by != 0 && count > 0) {
    picked_ = std::clamp(picked_ + by, 0, count - 1);
    update();
    emit pickedAt(picked_);
  } else if (takes(event->key()) && picked_ >= 0) {
    emit toggled(picked_);
  } else {
    Canvas::keyPressEvent(event);
  }
}

bool FigurePlot::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = dynamic_cast<QHelpEvent*>(event);
    const int found = help == nullptr ? -1 : at(help->pos());
    if (found < 0) {
      QToolTip::hideText();
    } else {
      QToolTip::showText(
          help->globalPos(),
          QString::fromStdString(figure_.seen[static_cast<std::size_t>(found)].words));
    }
    return true;
  }
  return Canvas::event(event);
}

}  // namespace avrelt

#include "moc_figure_plot.cpp"
