// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/base_page.h"

#include <algorithm>
#include <QVBoxLayout>

#include "app/order/phrases.h"

namespace avrelt {

BasePage::BasePage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  const auto field = [&](const QString& label, Member member, const auto& of) {
    LengthField* made = fields.add(label, member);
    column->addWidget(made);
    const auto set = [this, member, of](const WrittenLength& length) {
      order_.editCup(
          tr("Set %1").arg(say(length.length, order_.unit())), [&](Cup& cup) { of(cup) = length; },
          keyOf(member));
    };
    connect(made, &LengthField::typed, this, set);
    connect(made, &LengthField::stepped, this, [this, set, of](int marks) {
      const Graduation graduation = usualGraduation(order_.unit());
      Cup cup = order_.currentCup();
      const Length next = nearestMark(of(cup).length, graduation) + step(graduation) * marks;
      set(written(std::max(next, Length()), order_.unit()));
    });
    return made;
  };
  overhang_ = field(tr("Hangs over the base by"), Member::overhang,
                    [](Cup& cup) -> WrittenLength& { return cup.base.overhang; });
  disc_ = field(tr("Bare round the base disc"), Member::discClearance,
                [](Cup& cup) -> WrittenLength& { return cup.base.discClearance; });
  fillet_ = field(tr("Radius of the base's rounding"), Member::fillet,
                  [](Cup& cup) -> WrittenLength& { return cup.blank.fillet; });
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);
  column->addStretch();
  connect(&order, &Order::changed, this, &BasePage::refresh);
}

void BasePage::refresh() {
  const CupPlan* plan = order_.plan();
  if (!order_.hasCup()) return;
  const Unit unit = order_.unit();
  const Cup& cup = order_.currentCup();
  overhang_->show(cup.base.overhang.length, unit);
  disc_->show(cup.base.discClearance.length, unit);
  fillet_->show(cup.blank.fillet.length, unit);
  if (plan == nullptr) return;
  const Length disc = Length::mm(plan->part(purpose::baseDisc).bounds().width());
  QString words = tr("Base disc %1 across.").arg(onTape(disc, unit).mark);
  if (plan->snips.count > 0) {
    words += QLatin1Char(' ') + tr("%1 snips, %2 deep and %3 wide at the edge.")
                                    .arg(plan->snips.count)
                                    .arg(say(plan->snips.depth, unit),
                                         QString::fromStdString(decimalText(
                                             plan->snips.each, unit, unit == Unit::inch ? 3 : 1)));
  }
  words_->setText(words);
  words_->setEnabled(order_.planHolds());
}

}  // namespace avrelt

#include "moc_base_page.cpp"
