// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/blade_page.h"

#include <algorithm>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

#include "app/fields/idle.h"
#include "app/fields/when_seen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/views/art_paint.h"

namespace avrelt {

ThinPlaces::ThinPlaces(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setMinimumSize(110, 90);
  setAccessibleName(tr("Thin places"));
  auto* seen = new WhenSeen(this, [this] { update(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void ThinPlaces::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const SetPlan* plan = setPlanInHand(order_);
  if (plan == nullptr || plan->made->artwork.empty()) return;
  const Fit fit(boundsOf(plan->made->artwork), QRectF(rect()).adjusted(6, 6, -6, -6));
  QColor film = t.muted;
  film.setAlpha(110);
  painter.setPen(QPen(t.ink, 0.8));
  painter.setBrush(film);
  painter.drawPath(painterPath(plan->made->artwork, fit));
  painter.setBrush(Qt::NoBrush);
  const auto mark = [&](const std::vector<ThinStretch>& places, const QColor& colour,
                        Qt::PenStyle style) {
    painter.setPen(QPen(colour, 3.5, style, Qt::RoundCap));
    for (const ThinStretch& thin : places) painter.drawLine(fit(thin.from), fit(thin.to));
  };
  // Strokes in one line, gaps in dots: colour is not the only sign.
  mark(plan->fit().thinStrokes, t.stop, Qt::SolidLine);
  mark(plan->fit().thinGaps, t.brass, Qt::DotLine);
  const auto ring = [&](const std::optional<Facing>& place, const QColor& colour) {
    if (!place) return;
    painter.setPen(QPen(colour, 1.6));
    const double r = std::max(5.0, place->width.mm() * fit.scale() / 2);
    painter.drawEllipse(fit(place->at), r, r);
  };
  ring(plan->fit().stroke, t.petrol);
  ring(plan->fit().gap, t.brass);
}

BladePage::BladePage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  auto* row = new QHBoxLayout;
  row->setSpacing(10);
  row->addWidget(new ThinPlaces(order), 3);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  row->addWidget(words_, 4);
  column->addLayout(row, 1);
  auto* below = new QHBoxLayout;
  below->setSpacing(10);
  limit_ = fields.add(tr("Nothing thinner than"), Member::setLimit);
  below->addWidget(limit_, 1);
  auto* checks = new QVBoxLayout;
  checks->setSpacing(2);
  thicken_ = new QCheckBox(tr("Thicken thin strokes"));
  thicken_->setToolTip(tr("Draws only the thin places wider, up to the limit"));
  drop_ = new QCheckBox(tr("Drop specks"));
  drop_->setToolTip(tr("Leaves out parts and openings smaller than a square as wide as the limit"));
  checks->addWidget(thicken_);
  checks->addWidget(drop_);
  below->addLayout(checks, 1);
  column->addLayout(below);

  const auto setLimit = [this](const WrittenLength& typed) {
    editSet(order_, tr("Set the limit to %1").arg(say(typed.length, order_.unit())),
            QStringLiteral("limit"), [&](DecalSet& set) { set.limit = typed; });
  };
  connect(limit_, &LengthField::typed, this, setLimit);
  connect(limit_, &LengthField::stepped, this, [this, setLimit](int by) {
    const DecalSet* set = setInHand(order_);
    if (set == nullptr) return;
    const Length next = std::max(set->limit.length + Length::mm(0.1) * by, Length());
    setLimit(WrittenLength{next, numberText(next.mm(), 2) + " mm"});
  });
  connect(thicken_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Thicken thin strokes"), {}, [on](DecalSet& set) { set.thicken = on; });
  });
  connect(drop_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Drop specks"), {}, [on](DecalSet& set) { set.drop = on; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void BladePage::refresh() {
  const DecalSet* set = setInHand(order_);
  const SetPlan* plan = setPlanInHand(order_);
  setEnabled(set != nullptr);
  if (set == nullptr) {
    showIdle(*this);
    words_->clear();
    return;
  }
  const Unit unit = order_.unit();
  limit_->show(set->limit.length, unit);
  thicken_->setChecked(set->thicken);
  drop_->setChecked(set->drop);
  if (plan == nullptr || plan->gone) {
    words_->clear();
    return;
  }
  const BladeFit& fit = plan->fit();
  // Strokes are told in millimetres too: no tape reads them.
  const auto width = [&](const std::optional<Facing>& facing) {
    if (!facing) return tr("none");
    return unit == Unit::mm
               ? say(facing->width, Unit::mm)
               : tr("%1 in (%2)")
                     .arg(QString::fromStdString(numberText(facing->width.inches(), 3)),
                          say(facing->width, Unit::mm));
  };
  QStringList lines;
  lines << tr("Thinnest stroke %1").arg(width(fit.stroke))
        << tr("Thinnest gap %1").arg(width(fit.gap));
  const QString parts = fit.parts == 1 ? tr("1 part") : tr("%1 parts").arg(fit.parts);
  const QString openings =
      fit.openings == 1 ? tr("1 opening") : tr("%1 openings").arg(fit.openings);
  lines << tr("%1, %2 to weed").arg(parts, openings)
        << tr("Cut %1").arg(say(fit.cut, unit)) + (fit.sharp == 0 ? QString()
                                                   : fit.sharp == 1
                                                       ? tr(", 1 sharp corner")
                                                       : tr(", %1 sharp corners").arg(fit.sharp));
  if (plan->made->leastSize) {
    const Length least = *plan->made->leastSize;
    lines << (least <= set->size.length
                  ? tr("Nothing is thin from %1 on.").arg(say(least, unit))
                  : tr("Only from %1 on nothing is thin.").arg(say(least, unit)));
  }
  words_->setText(lines.join(QLatin1Char('\n')));
}

}  // namespace avrelt

#include "moc_blade_page.cpp"
