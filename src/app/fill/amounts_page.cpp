// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/amounts_page.h"

#include <cmath>
#include <QGridLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/list_lines.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

/// Amounts are typed for a patch of the wall that a hand covers.
double patchCm2(Unit unit) {
  return unit == Unit::inch ? 64.516 : 100;
}

}  // namespace

AmountsPage::AmountsPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(6);
  const auto amount = [this](const QString& prefix, const QString& name, const auto& set) {
    auto* box = new QDoubleSpinBox;
    box->setRange(0, 100);
    box->setDecimals(2);
    box->setSingleStep(0.1);
    box->setPrefix(prefix);
    box->setAccessibleName(name);
    box->setToolTip(name);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setKeyboardTracking(false);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, set](double value) {
      // Only what was typed: the others are shown rounded.
      FillRates rates = order_.stock().filling;
      set(rates, value / patchCm2(order_.unit()));
      emit ratesSet(rates);
    });
    return box;
  };
  glitter_ =
      amount(tr("glitter "), tr("Grams of glitter for a coat; kept for the whole shop"),
             [](FillRates& rates, double perCm2) { rates.glitterPerCm2 = Mass::grams(perCm2); });
  paint_ = amount(tr("paint "), tr("Millilitres of paint for a coat; kept for the whole shop"),
                  [](FillRates& rates, double perCm2) { rates.paintPerCm2 = Volume::ml(perCm2); });
  minutes_ = new CountBox;
  minutes_->setRange(0, 24 * 60);
  minutes_->setSuffix(tr(" min each"));
  minutes_->setAccessibleName(tr("Minutes a colour takes; kept for the whole shop"));
  minutes_->setToolTip(minutes_->accessibleName());
  minutes_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  minutes_->setKeyboardTracking(false);
  coats_ = new CountBox;
  coats_->setRange(1, 20);
  coats_->setAccessibleName(tr("Coats of glitter on every cell"));
  coats_->setToolTip(coats_->accessibleName());
  coats_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  grid->addWidget(glitter_, 0, 0, 1, 2);
  grid->addWidget(paint_, 1, 0, 1, 2);
  grid->addWidget(minutes_, 2, 0);
  grid->addWidget(coats_, 2, 1);
  // The card keeps its width whatever stands in them.
  for (QAbstractSpinBox* box :
       std::initializer_list<QAbstractSpinBox*>{glitter_, paint_, minutes_, coats_}) {
    box->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  }
  column->addLayout(grid);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("What every colour takes"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  column->addWidget(words_);

  connect(minutes_, &QSpinBox::valueChanged, this, [this](int minutes) {
    FillRates rates = order_.stock().filling;
    rates.perColour = Duration::minutes(minutes);
    emit ratesSet(rates);
  });
  connect(coats_, &QSpinBox::valueChanged, this, [this](int coats) {
    editFill(order_, tr("%1 coats of glitter").arg(coats), QStringLiteral("coats"),
             [coats](Fill& fill) { fill.coats = coats; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void AmountsPage::refresh() {
  const Fill* fill = fillInHand(order_);
  const FillPlan* plan = fillPlanInHand(order_);
  const Unit unit = order_.unit();
  setEnabled(order_.hasCup());
  const FillRates& rates = order_.stock().filling;
  const double patch = patchCm2(unit);
  const QString area = unit == Unit::inch ? tr("10 in²") : tr("100 cm²");
  showSuffix(*glitter_, tr(" g / %1").arg(area));
  showSuffix(*paint_, tr(" ml / %1").arg(area));
  showValue(*glitter_, rates.glitterPerCm2.grams() * patch);
  showValue(*paint_, rates.paintPerCm2.ml() * patch);
  showValue(*minutes_, static_cast<int>(std::lround(rates.perColour.minutes())));
  coats_->setEnabled(fill != nullptr);
  const int coats = fill == nullptr ? 2 : fill->coats;
  showSuffix(*coats_, coats == 1 ? tr(" coat") : tr(" coats"));
  showValue(*coats_, coats);
  const Fill* drawn = fillDrawn(order_);
  if (fill == nullptr || drawn == nullptr) {
    showLines(*list_, {});
    words_->setText(tr("Take a pattern and this says how much of each colour to have."));
    return;
  }
  QStringList lines;
  Mass glitter;
  Volume paint;
  for (const ColourNeed& need : plan->needs) {
    QString line = colourWords(*drawn, need.colour);
    line += tr(": %1").arg(cellCount(need.cells.size()));
    if (need.glitter > Mass()) line += tr(", %1 g").arg(need.glitter.grams(), 0, 'f', 1);
    if (need.paint > Volume()) line += tr(", %1 ml").arg(need.paint.ml(), 0, 'f', 1);
    lines << line;
    glitter = glitter + need.glitter;
    paint = paint + need.paint;
  }
  showLines(*list_, lines);
  QString sums = tr("In all %1 g of glitter, %2 ml of paint, about %3 min.")
                     .arg(glitter.grams(), 0, 'f', 1)
                     .arg(paint.ml(), 0, 'f', 1)
                     .arg(std::lround(plan->work.minutes()));
  if (rates == FillRates()) {
    sums += tr(" The rates are cautious guesses: put in your shop's own. Data sheets go first.");
  }
  words_->setText(sums);
}

}  // namespace avrelt

#include "moc_amounts_page.cpp"
