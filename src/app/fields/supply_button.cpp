// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/supply_button.h"

#include <QMenu>
#include <QPixmap>

namespace avrelt {
namespace {

std::optional<SupplyKind> kindFor(FinishKind kind) {
  switch (kind) {
    case FinishKind::glitter:
      return SupplyKind::glitter;
    case FinishKind::paint:
    case FinishKind::dip:
      return SupplyKind::paint;
    case FinishKind::ink:
      return SupplyKind::ink;
    default:
      return std::nullopt;
  }
}

}  // namespace

SupplyButton::SupplyButton(QWidget* parent) : QPushButton(parent) {
  setAccessibleName(tr("Take it from the shop"));
  setStyleSheet(QStringLiteral("padding: 4px 8px;"));
  auto* menu = new QMenu(this);
  menu->setAccessibleName(accessibleName());
  setMenu(menu);
  connect(menu, &QMenu::aboutToShow, this, &SupplyButton::fill);
  show(Finish());
}

void SupplyButton::show(const Finish& finish) {
  finish_ = finish;
  setVisible(kindFor(finish.kind).has_value());
  setText(finish.supply.empty() ? tr("Shop") : tr("✓ Shop"));
  setToolTip(finish.supply.empty() ? tr("Take one of the shop’s supplies, which steps then use up")
                                   : tr("It is one of the shop’s supplies, which steps use up"));
}

void SupplyButton::take(Finish& finish, const std::optional<Supply>& supply) {
  finish.supply = supply ? supply->id : std::string();
  if (!supply) return;
  finish.name = supply->name;
  if (!supply->colour.empty()) finish.colour = supply->colour;
}

void SupplyButton::fill() {
  menu()->clear();
  const std::optional<SupplyKind> kind = kindFor(finish_.kind);
  if (!supplies_ || !kind) return;
  for (const Supply& supply : supplies_().supplies) {
    if (supply.kind != *kind || supply.gone) continue;
    const bool mine = supply.id == finish_.supply;
    // The pot stands where a tick would.
    QAction* action = menu()->addAction((mine ? QStringLiteral("✓ ") : QString()) +
                                        QString::fromStdString(supply.name));
    if (!supply.colour.empty()) {
      QPixmap pot(12, 12);
      pot.fill(QColor(QString::fromStdString(supply.colour)));
      action->setIcon(pot);
    }
    action->setCheckable(true);
    action->setChecked(mine);
    connect(action, &QAction::triggered, this, [this, supply] { emit taken(supply); });
  }
  if (menu()->isEmpty()) {
    menu()->addAction(tr("The shop has none: add it at the Log station"))->setEnabled(false);
  }
  if (finish_.supply.empty()) return;
  menu()->addSeparator();
  connect(menu()->addAction(tr("None of the shop’s")), &QAction::triggered, this,
          [this] { emit taken(std::nullopt); });
}

}  // namespace avrelt

#include "moc_supply_button.cpp"
