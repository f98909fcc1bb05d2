// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shelf/shelf_view.h"

#include <algorithm>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {
namespace {

constexpr double wide = 128;   // px, for each blank
constexpr double tall = 150;   // px, from board to board
constexpr double board = 112;  // px below a row's top

}  // namespace

ShelfView::ShelfView(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Blanks on the shelf"));
  setMinimumWidth(static_cast<int>(wide * 2));
}

void ShelfView::show(const std::vector<ShelfBlank>& blanks) {
  stands_.clear();
  double tallest = 1;
  double widest = 1;
  for (const ShelfBlank& shelved : blanks) {
    Stand stand{QString::fromStdString(shelved.blank.name), {}};
    if (const CheckedAll<Body> body = Body::of(shelved.blank)) {
      stand.side = body->sideView();
      const Box box = boundsOf(stand.side);
      tallest = std::max(tallest, box.height());
      widest = std::max(widest, box.width());
    }
    stands_.push_back(std::move(stand));
  }
  scale_ = std::min((board - 14) / tallest, (wide - 24) / widest);
  pick(stands_.empty() ? -1 : std::clamp(picked_, 0, count() - 1));
  fitHeight();
  update();
}

void ShelfView::pick(int index) {
  picked_ = index;
  if (index >= 0) {
    setAccessibleDescription(stands_[static_cast<std::size_t>(index)].name);
  }
  emit pickedNow(index);
  update();
}

int ShelfView::perBoard() const {
  return std::max(1, static_cast<int>(width() / wide));
}

void ShelfView::fitHeight() {
  const int boards = (count() + perBoard() - 1) / perBoard();
  setMinimumHeight(static_cast<int>(std::max(1, boards) * tall + 8));
}

void ShelfView::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  fitHeight();
}

QRectF ShelfView::placeOf(int index) const {
  const int row = index / perBoard();
  const int column = index % perBoard();
  return {column * wide + 4, row * tall + 4, wide - 8, tall - 8};
}

int ShelfView::at(QPointF p) const {
  for (int i = 0; i < count(); ++i) {
    if (placeOf(i).contains(p)) return i;
  }
  return -1;
}

void ShelfView::paintEvent(QPaintEvent* event) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.panel);
  if (stands_.empty()) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, {width() / 2.0, 60}, tr("Nothing on the shelf is called so."));
  }
  for (int i = 0; i < count(); ++i) {
    const QRectF place = placeOf(i);
    if (!place.intersects(event->rect())) continue;
    const bool now = i == picked_;
    if (now) {
      painter.setPen(hasFocus() ? QPen(t.brass, 2.5) : QPen(t.petrol, 2));
      painter.setBrush(t.field);
      painter.drawRoundedRect(place, 6, 6);
    }
    const double level = place.top() + board;
    const int column = i % perBoard();
    const bool ends = column + 1 == perBoard() || i + 1 == count();
    painter.setPen(QPen(t.brass, 3));
    painter.drawLine(QPointF(column == 0 ? 8 : column * wide, level + 2),
                     QPointF(ends ? width() - 8 : (column + 1) * wide, level + 2));
    const Stand& stand = stands_[static_cast<std::size_t>(i)];
    if (!stand.side.stretches.empty()) {
      const Box box = boundsOf(stand.side);
      const QRectF room(place.center().x() - box.width() * scale_ / 2,
                        level - box.height() * scale_, box.width() * scale_, box.height() * scale_);
      painter.setPen(QPen(t.ink, 1.2));
      painter.setBrush(now ? t.film : t.metal);
      painter.drawPath(painterPath(stand.side, Fit(box, room)));
    }
    painter.setFont(face(12, now ? QFont::DemiBold : QFont::Normal));
    painter.setPen(t.ink);
    painter.drawText(QRectF(place.left() + 4, level + 6, place.width() - 8, 24), Qt::AlignCenter,
                     painter.fontMetrics().elidedText(stand.name, Qt::ElideRight,
                                                      static_cast<int>(place.width()) - 10));
  }
}

void ShelfView::mousePressEvent(QMouseEvent* event) {
  const int index = at(event->position());
  if (index >= 0) pick(index);
}

void ShelfView::mouseDoubleClickEvent(QMouseEvent* event) {
  const int index = at(event->position());
  if (index >= 0) emit taken(index);
}

void ShelfView::keyPressEvent(QKeyEvent* event) {
  if (stands_.empty()) {
    Canvas::keyPressEvent(event);
    return;
  }
  const auto go = [&](int by) { pick(std::clamp(picked_ + by, 0, count() - 1)); };
  switch (event->key()) {
    case Qt::Key_Left:
      go(-1);
      break;
    case Qt::Key_Right:
      go(1);
      break;
    case Qt::Key_Up:
      go(-perBoard());
      break;
    case Qt::Key_Down:
      go(perBoard());
      break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
      emit taken(picked_);
      break;
    default:
      Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_shelf_view.cpp"
