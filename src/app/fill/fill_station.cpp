// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/fill_station.h"

#include <algorithm>
#include <cmath>

#include "app/fields/card.h"
#include "app/fields/list_lines.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "sheet/fill_pieces.h"

namespace avrelt {

FillStation::FillStation(Order& order, QWidget* parent)
    : QWidget(parent), order_(order), fields_(order) {
  QHBoxLayout* drawer = makeDrawer(this);
  pattern_ = new PatternPage(order, fields_);
  colours_ = new ColourPage(order);
  addCard(drawer, tr("Pattern"), pattern_, 36);
  addCard(drawer, tr("Colours"), colours_, 42);
  peels_ = new QListWidget;
  peels_->setAccessibleName(tr("What is lifted, colour by colour"));
  peels_->setWordWrap(true);
  peels_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  QVBoxLayout* work = addCard(drawer, tr("Lift and glitter, in this order"), peels_, 30);
  sums_ = new QLabel;
  sums_->setProperty("role", "label");
  sums_->setWordWrap(true);
  work->addWidget(sums_);

  connect(peels_, &QListWidget::currentRowChanged, this, [this](int at) {
    const FillPlan* plan = fillPlanInHand(order_);
    if (filling_ || plan == nullptr) return;
    const bool any = at >= 0 && at < static_cast<int>(plan->needs.size());
    order_.pickPeel(any ? plan->needs[static_cast<std::size_t>(at)].colour : -1);
  });
  connect(&order, &Order::changed, this, &FillStation::refresh);
  auto* seen = new WhenSeen(this, [this] { refreshPeels(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::thingPicked, seen, &WhenSeen::changed);
}

void FillStation::refresh() {
  setEnabled(order_.hasCup());
  fields_.showFaults();
}

void FillStation::refreshPeels() {
  const Fill* fill = fillInHand(order_);
  const FillPlan* plan = fillPlanInHand(order_);
  const Unit unit = order_.unit();
  filling_ = true;
  QStringList lines;
  if (fill != nullptr && plan != nullptr) {
    const auto area = [unit](Area mm2) {
      return unit == Unit::inch ? tr("%1 in²").arg(mm2.mm2() / 645.16, 0, 'f', 1)
                                : tr("%1 cm²").arg(mm2.mm2() / 100, 0, 'f', 1);
    };
    for (const ColourNeed& need : plan->needs) {
      const Finish& finish = fill->colours[static_cast<std::size_t>(need.colour)].finish;
      QStringList cells;
      for (const std::size_t cell : need.cells) {
        const Cell& one = plan->cells[cell];
        cells << QString::fromStdString(one.label) + (one.onSeam ? QStringLiteral("*") : QString());
      }
      QString words =
          tr("%1. %2 %3: %4")
              .arg(lines.size() + 1)
              .arg(QString::fromStdString(colourLetter(need.colour)),
                   QString::fromStdString(finish.name.empty() ? finish.colour : finish.name),
                   area(need.area));
      if (need.glitter > Mass()) {
        words += tr(", about %1 g of glitter").arg(need.glitter.grams(), 0, 'f', 1);
      }
      lines << words + tr(". Lift %1").arg(cells.join(QStringLiteral(", ")));
    }
    QString sums = tr("%1 cells, %2 colours, about %3 min of glittering. A star is on the seam.")
                       .arg(plan->cells.size())
                       .arg(fill->colours.size())
                       .arg(std::lround(plan->work.minutes()));
    if (plan->merged + plan->dropped > 0) {
      sums += tr(" %1 slivers under 1 mm went to a neighbour, %2 were dropped.")
                  .arg(plan->merged)
                  .arg(plan->dropped);
    }
    sums_->setText(sums + tr(" Amounts are guesses; the makers' data sheets go first."));
  } else {
    sums_->setText(tr("Take a pattern and this says which cells to lift for which colour."));
  }
  showLines(*peels_, lines);
  int at = -1;
  if (plan != nullptr) {
    for (std::size_t i = 0; i < plan->needs.size(); ++i) {
      if (plan->needs[i].colour == order_.peel()) at = static_cast<int>(i);
    }
  }
  peels_->setCurrentRow(at);
  filling_ = false;
}

bool FillStation::goTo(const QString& field) {
  if (!field.startsWith(QStringLiteral("fills["))) return false;
  const int index = field.mid(6, field.indexOf(QLatin1Char(']')) - 6).toInt();
  if (order_.hasCup()) {
    const std::vector<Fill>& fills = order_.currentCup().fills;
    if (index >= 0 && index < static_cast<int>(fills.size())) {
      order_.pickZone(fills[static_cast<std::size_t>(index)].zone);
    }
  }
  if (!fields_.goTo(field)) pattern_->gallery().setFocus(Qt::OtherFocusReason);
  return true;
}

}  // namespace avrelt
