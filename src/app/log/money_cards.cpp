// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/money_cards.h"

#include <QGridLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/card.h"
#include "app/fields/labelled.h"
#include "app/order/bench_words.h"

namespace avrelt {

MoneyCards::MoneyCards(LogBoard& board, QWidget* parent) : QWidget(parent), board_(board) {
  QHBoxLayout* row = makeDrawer(this);
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("How you reckon"), body);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(8);
  const auto field = [&](const QString& name, double most, int decimals, int at) {
    auto* made = new QDoubleSpinBox;
    made->setRange(0, most);
    made->setDecimals(decimals);
    grid->addWidget(labelled(name, made), at / 3, at % 3);
    connect(made, &QDoubleSpinBox::editingFinished, this, &MoneyCards::keep);
    return made;
  };
  perHour_ = field(tr("An hour of your work"), 1e5, 2, 0);
  perCup_ = field(tr("A cup’s share of rent, gloves …"), 1e5, 2, 1);
  waste_ = field(tr("Of film, goes to waste"), 90, 0, 2);
  waste_->setSuffix(tr(" %"));
  factor_ = field(tr("Price, times the cost"), 100, 2, 3);
  factor_->setMinimum(0.1);
  roundTo_ = field(tr("Rounded up to"), 1e4, 2, 4);
  roundTo_->setSpecialValueText(tr("not rounded"));
  body->addLayout(grid);
  body->addStretch();
  row->addWidget(card, 55);
  card = makeCard(tr("How it comes about"), body);
  words_ = wordsLabel("label");
  body->addWidget(words_);
  body->addStretch();
  row->addWidget(card, 45);
  connect(&board_, &LogBoard::changed, this, &MoneyCards::refresh);
  refresh();
}

void MoneyCards::refresh() {
  if (!isVisible()) return;
  const MoneyRules rules = board_.rules();
  const auto show = [](QDoubleSpinBox* field, double value) {
    const QSignalBlocker quiet(field);
    if (!field->hasFocus()) field->setValue(value);
  };
  constexpr double percent = 100;
  show(perHour_, rules.perHour.value());
  show(perCup_, rules.perCup.value());
  show(waste_, rules.waste * percent);
  show(factor_, rules.factor);
  show(roundTo_, rules.roundTo.value());
  int cups = 0;
  Money cost;
  Money price;
  for (const LogBoard::Month& month : board_.months()) {
    cups += month.cups;
    cost = cost + month.cost;
    price = price + month.price;
  }
  QString words =
      tr("A cup costs what it used, at your prices; the film cut for it with its waste; your hours "
         "by the rate; and its share. The price by your rule is that times %1.")
          .arg(QString::fromStdString(numberText(rules.factor, 2)));
  if (cups > 0) {
    words +=
        QLatin1Char(' ') +
        (cups == 1 ? tr("1 cup was finished") : tr("%1 cups were finished").arg(cups)) +
        tr(": %1 spent, %2 taken in.")
            .arg(QString::fromStdString(moneyText(cost)), QString::fromStdString(moneyText(price)));
  }
  words += tr(" Taxes, fees and what local law asks of who sells drinkware are not in it.");
  words_->setText(words);
}

void MoneyCards::keep() {
  MoneyRules rules = board_.rules();
  const MoneyRules before = rules;
  constexpr double percent = 100;
  rules.perHour = Money::of(perHour_->value());
  rules.perCup = Money::of(perCup_->value());
  rules.waste = waste_->value() / percent;
  rules.factor = factor_->value();
  rules.roundTo = Money::of(roundTo_->value());
  if (rules == before) return;
  if (board_.put(rules)) emit said(tr("Kept, for all cups of the log."));
}

}  // namespace avrelt

#include "moc_money_cards.cpp"
