// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/laying_tile.h"

#include <QPainter>

#include "app/look/painting.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {

LayingTile::LayingTile(Order& order, LayingKind kind, QWidget* parent)
    : QAbstractButton(parent), order_(order), kind_(kind) {
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(say(layingTitle(kind), order.unit()));
  connect(&order, &Order::changed, this, &LayingTile::describe);
}

void LayingTile::describe() {
  if (const CupPlan* plan = order_.plan()) {
    const Laying& laying = plan->layings.of(kind_);
    setAccessibleDescription(
        tr("%1; stretch %2, fullness %3; joins %4%5")
            .arg(layingWords(laying), percentText(laying.most), percentText(-laying.least),
                 say(laying.joins, order_.unit()),
                 kind_ == plan->layings.recommended ? tr("; recommended") : QString()));
  }
  update();
}

void LayingTile::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const CupPlan* plan = order_.plan();
  const bool taken = plan != nullptr && plan->laid == kind_;
  const QRectF frame = QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5);
  painter.setBrush(taken ? t.field : t.panel);
  painter.setPen(hasFocus() ? QPen(t.brass, 2.5) : taken ? QPen(t.petrol, 2) : QPen(t.rule, 1));
  painter.drawRoundedRect(frame, 6, 6);
  if (plan == nullptr) return;
  if (!order_.planHolds()) painter.setOpacity(0.4);
  const Laying& laying = plan->layings.of(kind_);
  const Unit unit = order_.unit();
  const QRectF picture(8, 26, width() - 16, height() - 128);
  if (laying.possible) {
    const PartSet set = setFor(*plan, kind_, unit);
    const Fit fit(set.bounds(), picture);
    painter.setPen(QPen(t.petrol, 1));
    painter.setBrush(t.film);
    for (const Part& part : set.parts) painter.drawPath(painterPath(part.outline, fit));
    painter.setBrush(Qt::NoBrush);
    for (const Part& part : set.parts) {
      for (const Path& slit : part.slits) painter.drawPath(painterPath(slit, fit));
    }
  }
  painter.setPen(t.ink);
  painter.setFont(face(12, QFont::DemiBold));
  const QString title = kind_ == LayingKind::bands || kind_ == LayingKind::gores
                            ? layingWords(laying)
                            : say(layingTitle(kind_), unit);
  painter.drawText(QRectF(6, 5, width() - 12.0, 20), Qt::AlignCenter,
                   painter.fontMetrics().elidedText(title, Qt::ElideRight, width() - 12));

  double y = height() - 98;
  const auto line = [&](const QString& name, const QString& value, const QColor& colour) {
    painter.setFont(face(11));
    painter.setPen(t.muted);
    painter.drawText(QRectF(8, y, width() - 16.0, 16), Qt::AlignLeft | Qt::AlignVCenter, name);
    painter.setFont(face(12, QFont::DemiBold));
    painter.setPen(colour);
    painter.drawText(QRectF(8, y, width() - 16.0, 16), Qt::AlignRight | Qt::AlignVCenter, value);
    y += 17;
  };
  if (!laying.possible) {
    line(tr("cannot be cut"), {}, t.muted);
    return;
  }
  const double bears = bearsOf(order_.currentCup().film) * (1 + 1e-9);
  line(tr("stretch"), percentText(laying.most), laying.most > bears ? t.stop : t.ink);
  line(tr("fullness"), percentText(-laying.least), -laying.least > bears ? t.stop : t.ink);
  line(tr("joins"), onTape(laying.joins, unit).mark, t.ink);
  const double square =
      unit == Unit::inch ? laying.film.mm2() / (25.4 * 25.4) : laying.film.mm2() / 100;
  line(tr("film"),
       unit == Unit::inch ? tr("%1 in²").arg(square, 0, 'f', 0)
                          : tr("%1 cm²").arg(square, 0, 'f', 0),
       t.ink);
  painter.setFont(face(11, QFont::DemiBold));
  painter.setPen(laying.bears ? t.petrol : t.stop);
  const QString verdict = kind_ == plan->layings.recommended ? tr("✓ recommended")
                          : laying.bears                     ? tr("the film bears it")
                                                             : tr("✗ too much");
  painter.drawText(QRectF(8, height() - 26, width() - 16.0, 18), Qt::AlignCenter, verdict);
}

}  // namespace avrelt

#include "moc_laying_tile.cpp"
