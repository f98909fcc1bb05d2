// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/tape_rail.h"

#include <algorithm>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {
namespace {
constexpr double slot = 84;
constexpr double firstMark = 42;
constexpr double sliderHeight = 72;
constexpr int pointer = 10;
constexpr double namedSlot = 64;  ///< less has no room for names below numbers
}  // namespace

TapeRail::TapeRail(const QStringList& stations, QWidget* parent)
    : Canvas(parent), stations_(stations) {
  setFocusPolicy(Qt::TabFocus);
  setAccessibleName(tr("Stations"));
  setNarrow(false);
  setCurrent(0);
}

int TapeRail::tapeWidth() const {
  return narrow_ ? 52 : 92;
}

void TapeRail::setNarrow(bool narrow) {
  narrow_ = narrow;
  setFixedWidth(tapeWidth() + pointer);
  update();
}

void TapeRail::setCurrent(int station) {
  current_ = station;
  setAccessibleDescription(
      tr("%1 of %2: %3").arg(station + 1).arg(stations_.size()).arg(stations_.value(station)));
  update();
}

/// All stations are in sight, closer to each other on a low screen.
double TapeRail::slotHeight() const {
  return std::min(slot, (height() - 8.0) / (static_cast<double>(stations_.size()) + 0.4));
}

QRectF TapeRail::place(int station) const {
  const double share = slotHeight() / slot;
  return {0, (firstMark + station * slot) * share, static_cast<double>(tapeWidth()),
          sliderHeight * share};
}

void TapeRail::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const double wide = tapeWidth();
  painter.fillRect(QRectF(0, 0, wide, height()), t.tape);
  painter.setPen(QPen(t.tapeTick, 1.2));
  painter.drawLine(QPointF(wide, 0), QPointF(wide, height()));
  painter.setPen(QPen(t.tapeTick, 0.8));
  // An inch every 112 px, in sixteenths: the tick tells which it is.
  for (int mark = 0; mark * 7 < height(); ++mark) {
    const double length = mark % 16 == 0 ? 30 : mark % 8 == 0 ? 22 : mark % 4 == 0 ? 14 : 8;
    painter.drawLine(QPointF(wide - length * (narrow_ ? 0.5 : 1), mark * 7.0),
                     QPointF(wide, mark * 7.0));
  }

  for (int i = 0; i < stations_.size(); ++i) {
    const QRectF box = place(i);
    const bool now = i == current_;
    if (now) {
      QPainterPath slider;
      slider.moveTo(box.topLeft());
      slider.lineTo(box.right() - 6, box.top());
      slider.lineTo(box.right() + pointer - 1, box.center().y());
      slider.lineTo(box.right() - 6, box.bottom());
      slider.lineTo(box.bottomLeft());
      slider.closeSubpath();
      painter.setPen(hasFocus() ? QPen(t.brass, 3) : QPen(Qt::NoPen));
      painter.setBrush(t.slider);
      painter.drawPath(slider);
    }
    painter.setPen(now ? t.onSlider : t.tapeTick);
    const bool named = !narrow_ && slotHeight() >= namedSlot;
    const int size = std::clamp(static_cast<int>(box.height() * 0.6), 14, 30);
    painter.setFont(face(size, QFont::Bold));
    const double baseline = named ? 38 : box.height() / 2 + size * 0.36;
    painter.drawText(QPointF(14, box.top() + baseline), QString::number(i + 1));
    if (named) {
      painter.setFont(face(13, QFont::DemiBold));
      painter.drawText(QPointF(14, box.top() + 57), stations_[i]);
    }
  }
  if (!narrow_ && slotHeight() >= slot) {
    painter.setPen(t.tapeTick);
    painter.setFont(face(13, QFont::Bold));
    painter.drawText(QPointF(14, height() - 16.0), QStringLiteral("Avrelt"));
  }
}

void TapeRail::mousePressEvent(QMouseEvent* event) {
  for (int i = 0; i < stations_.size(); ++i) {
    if (place(i).contains(event->position())) emit chosen(i);
  }
}

void TapeRail::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Down && current_ + 1 < stations_.size()) {
    emit chosen(current_ + 1);
  } else if (event->key() == Qt::Key_Up && current_ > 0) {
    emit chosen(current_ - 1);
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_tape_rail.cpp"
