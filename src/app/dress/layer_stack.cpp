// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/layer_stack.h"

#include <algorithm>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/fields/when_seen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/views/art_paint.h"
#include "app/views/zone_paint.h"
#include "sheet/decal_parts.h"

namespace avrelt {
namespace {

QColor filmOf(const DecalSet& set, std::size_t layer) {
  return {QString::fromStdString(set.layers[layer].film)};
}

Box boxOf(const SetPlan& plan) {
  Box box = plan.box;
  for (const LayerPlan& layer : plan.layers()) box.add(boundsOf(layer.shape));
  return box;
}

}  // namespace

LayerStack::LayerStack(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(184, 110);
  setAccessibleName(tr("Layers"));
  setAccessibleDescription(tr("Up and down take a layer in hand, Page Up and Page Down move it."));
  auto* seen = new WhenSeen(this, [this] { update(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

int LayerStack::count() const {
  const DecalSet* set = setInHand(order_);
  return set == nullptr ? 0 : static_cast<int>(set->layers.size());
}

/// Where a sheet lies in the left half, the topmost layer at the top.
QRectF LayerStack::sheetAt(int layer) const {
  const int all = std::max(count(), 1);
  const double room = height() - 8.0;
  const double step = std::min(room / all, 74.0);
  return {6, 4 + step * layer, width() * 0.67 - 10, step - 4};
}

void LayerStack::take(int layer) {
  const DecalSet* set = setInHand(order_);
  if (set == nullptr || layer < 0 || layer >= count()) return;
  order_.pickLayer(set->layers[static_cast<std::size_t>(layer)].id);
}

void LayerStack::mousePressEvent(QMouseEvent* event) {
  for (int i = 0; i < count(); ++i) {
    if (sheetAt(i).contains(event->position())) take(i);
  }
}

void LayerStack::keyPressEvent(QKeyEvent* event) {
  const int at = static_cast<int>(layerIndex(order_));
  const Layer* layer = layerInHand(order_);
  switch (event->key()) {
    case Qt::Key_Up:
      return take(at - 1);
    case Qt::Key_Down:
      return take(at + 1);
    case Qt::Key_PageUp:
      if (layer != nullptr) raiseLayer(order_, std::string(layer->id), 1);
      return;
    case Qt::Key_PageDown:
      if (layer != nullptr) raiseLayer(order_, std::string(layer->id), -1);
      return;
    case Qt::Key_Delete:
      if (layer != nullptr) removeLayer(order_, std::string(layer->id));
      return;
    default:
      Canvas::keyPressEvent(event);
  }
}

void LayerStack::paintStack(QPainter& painter) const {
  const Theme& t = theme();
  const SetPlan* plan = setPlanInHand(order_);
  const DecalSet* set = setInHand(order_);
  const Box box = plan != nullptr ? boxOf(*plan) : Box();
  const std::size_t inHand = layerIndex(order_);
  for (int i = 0; i < count(); ++i) {
    const auto index = static_cast<std::size_t>(i);
    const QRectF sheet = sheetAt(i);
    const bool here = index == inHand;
    painter.setPen(QPen(here ? t.brass : t.rule, here ? 2 : 1));
    painter.setBrush(t.field);
    painter.drawRoundedRect(sheet, 6, 6);
    const QRectF room(sheet.left() + 5, sheet.top() + 4,
                      std::min(sheet.width() * 0.3, sheet.height() * 2.2), sheet.height() - 8);
    const bool made = plan != nullptr && index < plan->layers().size();
    if (made && !plan->layers()[index].nothing && room.height() > 6) {
      const QColor film = filmOf(*set, index);
      painter.setPen(QPen(t.ink, 0.8));
      painter.setBrush(film);
      painter.drawPath(painterPath(plan->layers()[index].shape, Fit(box, room)));
      painter.setBrush(Qt::NoBrush);
    }
    const QRectF words(room.right() + 8, sheet.top(), sheet.right() - room.right() - 12,
                       sheet.height());
    painter.setFont(face(12, QFont::DemiBold));
    painter.setPen(made && plan->layers()[index].odd ? t.stop : t.ink);
    const Layer& layer = set->layers[index];
    QString about;
    if (layer.offset.length > Length()) {
      about = (layer.kind == LayerKind::inset ? QStringLiteral("− ") : QStringLiteral("+ ")) +
              say(layer.offset.length, order_.unit());
    }
    if (made && plan->layers()[index].mirrored) {
      about += (about.isEmpty() ? QString() : QStringLiteral(" · ")) + tr("mirrored");
    }
    const QString title = say(layerWords(*set, index), order_.unit());
    const QFontMetricsF metrics(painter.font());
    const bool two = sheet.height() > 34 && !about.isEmpty();
    if (two) {
      painter.drawText(words.adjusted(0, 0, 0, -sheet.height() / 2 + 2),
                       static_cast<int>(Qt::AlignBottom),
                       metrics.elidedText(title, Qt::ElideRight, words.width()));
    } else {
      painter.drawText(
          words, static_cast<int>(Qt::AlignVCenter) | static_cast<int>(Qt::TextWordWrap), title);
    }
    if (!two) continue;
    painter.setFont(face(11));
    painter.setPen(t.muted);
    painter.drawText(
        words.adjusted(0, sheet.height() / 2 - 1, 0, 0), static_cast<int>(Qt::AlignTop),
        QFontMetricsF(painter.font()).elidedText(about, Qt::ElideRight, words.width()));
  }
}

void LayerStack::paintLaid(QPainter& painter) const {
  const SetPlan* plan = setPlanInHand(order_);
  if (plan == nullptr || plan->layers().empty()) return;
  // The set that plan is of: while a number is refused the present one may have fewer layers.
  const DecalSet* set = &order_.drawnCup().sets.at(static_cast<std::size_t>(plan->set));
  const QRectF room(width() * 0.67 + 8, 8, width() * 0.33 - 14, height() - 30.0);
  const Fit fit(boxOf(*plan), room);
  for (std::size_t i = plan->layers().size(); i-- > 0;) {
    const LayerPlan& layer = plan->layers()[i];
    if (layer.nothing || layer.kind == LayerKind::knockOut) continue;
    painter.setPen(QPen(theme().ink, 0.8));
    // What is lifted again lets what lies below be seen.
    QColor film = filmOf(*set, i);
    if (layer.kind == LayerKind::peekaboo) film.setAlpha(120);
    painter.setBrush(film);
    painter.drawPath(painterPath(layer.shape, fit));
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(theme().muted);
  painter.setFont(face(11));
  drawWords(painter, {room.center().x(), height() - 12.0}, tr("as laid"));
}

void LayerStack::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const DecalSet* set = setInHand(order_);
  if (set == nullptr) {
    painter.setPen(theme().muted);
    painter.setFont(face(13));
    painter.drawText(rect().adjusted(12, 12, -12, -12),
                     static_cast<int>(Qt::AlignCenter) | static_cast<int>(Qt::TextWordWrap),
                     tr("No set on this cup yet. Take an artwork and its layers are made here."));
    drawFocus(painter);
    return;
  }
  if (!order_.planHolds()) painter.setOpacity(0.4);
  paintStack(painter);
  paintLaid(painter);
  painter.setOpacity(1);
  drawFocus(painter);
}

}  // namespace avrelt

#include "moc_layer_stack.cpp"
