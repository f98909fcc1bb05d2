// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/liquid_page.h"

#include <cmath>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/labelled.h"
#include "app/fields/marked_field.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"

namespace avrelt {

LiquidPage::LiquidPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(3);
  filled_ = new QCheckBox(tr("Liquid between its walls"));
  column->addWidget(filled_);
  rest_ = new QWidget;
  column->addWidget(rest_);
  column->addStretch();
  auto* inner = new QVBoxLayout(rest_);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->setSpacing(3);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  inner->addLayout(grid);
  // Two beside each other, as the card is low.
  const auto spin = [&](auto* made, const QString& label, const QString& tip) {
    made->setToolTip(tip);
    const int place = grid->count();
    grid->addWidget(labelled(label, made), place / 2, place % 2);
    connect(made, &QAbstractSpinBox::editingFinished, &order_, &Order::settle);
    return made;
  };
  space_ = spin(new QDoubleSpinBox, tr("Space to the seal"),
                tr("Fill it with water up to the seal line, and measure that"));
  space_->setDecimals(1);
  space_->setRange(1, 2000);
  space_->setSuffix(tr(" ml"));
  glycerin_ = spin(new CountBox, tr("Glycerin"), tr("The more of it, the slower glitter falls"));
  glycerin_->setRange(0, 100);
  glycerin_->setSuffix(tr(" %"));
  room_ = spin(new CountBox, tr("Left free"), tr("For the liquid to grow into as it warms"));
  room_->setRange(0, 50);
  room_->setSuffix(tr(" %"));
  warmest_ = spin(new CountBox, tr("Warmest it gets"),
                  tr("In the wash, in a car in the sun, with a hot drink in it"));
  seal_ = addMarkedField(
      order, fields, tr("Seal line at"), Member::liquidSealAt,
      [this]() -> std::optional<Length> {
        if (!order_.hasCup() || !order_.currentCup().liquid) return std::nullopt;
        return order_.currentCup().liquid->sealAt.length;
      },
      [this](const WrittenLength& typed) {
        change(tr("Set the seal line to %1").arg(say(typed.length, order_.unit())),
               Member::liquidSealAt, [&](Liquid& liquid) { liquid.sealAt = typed; });
      });
  band_ = addMarkedField(
      order, fields, tr("Band, tall"), Member::liquidBand,
      [this]() -> std::optional<Length> {
        if (!order_.hasCup() || !order_.currentCup().liquid) return std::nullopt;
        return order_.currentCup().liquid->band.length;
      },
      [this](const WrittenLength& typed) {
        change(tr("Set the cover band to %1").arg(say(typed.length, order_.unit())),
               Member::liquidBand, [&](Liquid& liquid) { liquid.band = typed; });
      });
  auto* lengths = new QHBoxLayout;
  lengths->setSpacing(8);
  lengths->addWidget(seal_);
  lengths->addWidget(band_);
  inner->addLayout(lengths);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  inner->addWidget(words_);

  connectFields();
}

void LiquidPage::connectFields() {
  connect(filled_, &QCheckBox::clicked, this, [this](bool on) {
    const CupPlan* plan = order_.presentPlan();
    const Length wall = plan != nullptr ? plan->wall.body.wall() : Length::mm(100);
    order_.editCup(on ? tr("Fill the cup with liquid") : tr("Leave the liquid out"), [&](Cup& cup) {
      cup.liquid.reset();
      if (on) cup.liquid = usualLiquid(wall, order_.unit());
    });
  });
  connect(space_, &QDoubleSpinBox::valueChanged, this, [this](double ml) {
    change(tr("Set the space to fill"), Member::liquidSpace,
           [ml](Liquid& liquid) { liquid.space = Volume::ml(ml); });
  });
  connect(glycerin_, &QSpinBox::valueChanged, this, [this](int percent) {
    change(tr("Set the share of glycerin"), Member::liquidGlycerin,
           [percent](Liquid& liquid) { liquid.glycerin = percent / 100.0; });
  });
  connect(room_, &QSpinBox::valueChanged, this, [this](int percent) {
    change(tr("Set what is left free"), Member::liquidRoom,
           [percent](Liquid& liquid) { liquid.room = percent / 100.0; });
  });
  connect(warmest_, &QSpinBox::valueChanged, this, [this](int degrees) {
    const Temperature warmest = order_.unit() == Unit::inch ? Temperature::fahrenheit(degrees)
                                                            : Temperature::celsius(degrees);
    change(tr("Set how warm it may get"), Member::liquidWarmest,
           [warmest](Liquid& liquid) { liquid.warmest = warmest; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
}

void LiquidPage::change(const QString& text, Member member,
                        const std::function<void(Liquid&)>& change) {
  order_.editCup(
      text,
      [&](Cup& cup) {
        if (cup.liquid) change(*cup.liquid);
      },
      keyOf(member));
}

bool LiquidPage::goTo(const Where& where) {
  QWidget* found = where.member == Member::liquidSpace      ? static_cast<QWidget*>(space_)
                   : where.member == Member::liquidGlycerin ? glycerin_
                   : where.member == Member::liquidRoom     ? room_
                   : where.member == Member::liquidWarmest  ? warmest_
                                                            : nullptr;
  if (found != nullptr) found->setFocus(Qt::OtherFocusReason);
  return found != nullptr;
}

void LiquidPage::refresh() {
  setEnabled(order_.hasCup());
  const std::optional<Liquid>* liquid = order_.hasCup() ? &order_.currentCup().liquid : nullptr;
  const bool any = liquid != nullptr && liquid->has_value();
  filled_->setChecked(any);
  rest_->setVisible(any);
  if (!any) return;
  const Liquid& now = **liquid;
  const Unit unit = order_.unit();
  showValue(*space_, now.space.ml());
  showValue(*glycerin_, static_cast<int>(std::lround(now.glycerin * 100)));
  showValue(*room_, static_cast<int>(std::lround(now.room * 100)));
  const bool inches = unit == Unit::inch;
  showRange(*warmest_, inches ? 68 : 20, inches ? 212 : 100);
  showSuffix(*warmest_, inches ? tr(" °F") : tr(" °C"));
  showValue(*warmest_, static_cast<int>(
                           std::lround(inches ? now.warmest.fahrenheit() : now.warmest.celsius())));
  seal_->show(now.sealAt.length, unit);
  band_->show(now.band.length, unit);
  const LiquidMix mix = mixOf(now);
  const auto ml = [](Volume volume) { return QString::fromStdString(volumeText(volume)); };
  words_->setText(
      tr("%1 water and %2 glycerin; %3 before the glitter, %4 after. Warm it takes %5 more; %6 are "
         "free.")
          .arg(ml(mix.water), ml(mix.glycerin), ml(mix.first), ml(mix.rest), ml(mix.more()),
               ml(mix.free)));
}

}  // namespace avrelt

#include "moc_liquid_page.cpp"
