// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/fill_station.h"

#include <QFileDialog>
#include <QPushButton>

#include "app/fields/card.h"
#include "app/fields/scrolled.h"
#include "app/fields/when_seen.h"
#include "app/fill/artwork_file.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

FillStation::FillStation(Order& order, QWidget* parent)
    : Desk(parent), order_(order), fields_(order) {
  QHBoxLayout* drawer = makeDrawer(this);
  pattern_ = new PatternPage(order, fields_);
  fit_ = new FitPage(order);
  patternPages_ = new Pages(tr("Pattern"), {tr("Pattern"), tr("Fit")}, {pattern_, fit_});
  zone_ = new QLabel;
  zone_->setProperty("role", "label");
  patternPages_->head()->addWidget(zone_, 1);
  auto* drawing = new QPushButton(tr("Drawing…"));
  drawing->setToolTip(tr("Fills the zone with line art from an SVG file (Ctrl+Shift+A)"));
  patternPages_->head()->addWidget(drawing);
  addCard(drawer, {}, patternPages_, 38);
  colours_ = new ColourPage(order);
  addCard(drawer, tr("Colours"), colours_, 42);
  lift_ = new LiftPage(order);
  amounts_ = new AmountsPage(order);
  cutting_ = new CuttingPage(order);
  workPages_ = new Pages(tr("Work"), {tr("Lift"), tr("Amounts"), tr("Parts")},
                         {lift_, amounts_, scrolledPage(cutting_)});
  workPages_->head()->addStretch();
  addCard(drawer, {}, workPages_, 28);

  connect(drawing, &QPushButton::clicked, this, &FillStation::askForArtwork);
  connect(colours_, &ColourPage::said, this, &FillStation::said);
  connect(&order, &Order::changed, this, &FillStation::refresh);
  connect(&order, &Order::gaugeLinePicked, this, [this] { fields_.showFaults(); });
  auto* seen = new WhenSeen(this, [this] { refreshHead(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void FillStation::refresh() {
  setEnabled(order_.hasCup());
  fields_.showFaults();
}

void FillStation::refreshHead() {
  const Zone* zone = zoneInHand(order_);
  const Fill* fill = fillInHand(order_);
  if (zone == nullptr) {
    zone_->clear();
    return;
  }
  const QString id = QString::fromStdString(zone->letter);
  zone_->setText(
      fill == nullptr
          ? tr("Zone %1: take a pattern").arg(id)
          : tr("Zone %1: %2").arg(id, say(familyTitle(fill->pattern.family), order_.unit())));
}

void FillStation::askForArtwork() {
  if (zoneInHand(order_) == nullptr) return;
  const QString path = QFileDialog::getOpenFileName(
      this,
      tr("Fill zone %1 with a drawing").arg(QString::fromStdString(zoneInHand(order_)->letter)), {},
      tr("Line art (*.svg);;All files (*)"));
  if (!path.isEmpty()) takeArtworkFrom(path);
}

void FillStation::takeArtworkFrom(const QString& path) {
  const tl::expected<FoundRepeat, QString> taken = takeArtwork(order_, path, this);
  if (taken) {
    fit_->tell(*taken);
    patternPages_->show(fit);
  }
  emit said(taken ? foundWords(*taken, order_.unit()) : taken.error());
}

bool FillStation::goTo(const Where& where) {
  const auto focus = [](QWidget& widget) {
    widget.setFocus(Qt::OtherFocusReason);
    return true;
  };
  switch (where.member) {
    case Member::patternTaper:
    case Member::patternRise:
      patternPages_->show(fit);
      return focus(fit_->ways());
    case Member::colours:
    case Member::style:
    case Member::pins:
      return focus(colours_->list());
    case Member::cuttingLines:
      workPages_->show(parts);
      return focus(cutting_->lines());
    default:
      break;
  }
  patternPages_->show(family);
  return fields_.goTo(where) || focus(pattern_->gallery());
}

}  // namespace avrelt

#include "moc_fill_station.cpp"
