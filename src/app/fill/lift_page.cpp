// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/lift_page.h"

#include <cmath>
#include <QVBoxLayout>

#include "app/fields/list_lines.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"

namespace avrelt {

LiftPage::LiftPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("What is lifted, colour by colour"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  sums_ = new QLabel;
  sums_->setProperty("role", "label");
  sums_->setWordWrap(true);
  column->addWidget(sums_);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int at) {
    const FillPlan* plan = fillPlanInHand(order_);
    if (filling_ || plan == nullptr) return;
    const bool any = at >= 0 && at < static_cast<int>(plan->needs.size());
    order_.pickPeel(any ? plan->needs[static_cast<std::size_t>(at)].colour : -1);
  });
  // Long lists in wrapped words: not at every step of a drag.
  auto* seen = new WhenSeen(
      this, [this] { refresh(); }, std::chrono::milliseconds(60));
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void LiftPage::refresh() {
  const Fill* fill = fillDrawn(order_);
  const FillPlan* plan = fillPlanInHand(order_);
  const Unit unit = order_.unit();
  filling_ = true;
  QStringList lines;
  if (fill != nullptr && plan != nullptr) {
    for (const ColourNeed& need : plan->needs) {
      QStringList cells;
      for (const std::size_t cell : need.cells) {
        const Cell& one = plan->cells[cell];
        cells << QString::fromStdString(one.label) + (one.onSeam ? QStringLiteral("*") : QString());
      }
      QString words = tr("%1. %2: %3")
                          .arg(lines.size() + 1)
                          .arg(colourWords(*fill, need.colour), say(need.area, unit));
      if (need.glitter > Mass()) {
        words += tr(", about %1 g of glitter").arg(need.glitter.grams(), 0, 'f', 1);
      }
      lines << words + tr(". Lift %1").arg(cells.join(QStringLiteral(", ")));
    }
    QString sums = tr("%1, %2 colours, about %3 min of glittering. A star is on the seam.")
                       .arg(cellCount(plan->cells.size()))
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
  showLines(*list_, lines);
  int at = -1;
  if (plan != nullptr) {
    for (std::size_t i = 0; i < plan->needs.size(); ++i) {
      if (plan->needs[i].colour == order_.peel()) at = static_cast<int>(i);
    }
  }
  list_->setCurrentRow(at);
  filling_ = false;
}

}  // namespace avrelt

#include "moc_lift_page.cpp"
