// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/pattern_page.h"

#include <algorithm>
#include <cmath>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/labelled.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

PatternPage::PatternPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  gallery_ = new Gallery;
  column->addWidget(gallery_);

  measures_ = new QWidget;
  auto* grid = new QGridLayout(measures_);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(10);
  grid->setVerticalSpacing(4);
  size_ = field(fields, tr("One repeat, wide"), Member::patternSize, &Pattern::size);
  line_ = field(fields, tr("Line between"), Member::patternLine, &Pattern::line);
  repeats_ = new QComboBox;
  repeats_->setMinimumWidth(118);
  repeats_->setAccessibleName(tr("Repeats round the cup"));
  repeats_->setToolTip(
      tr("≈ takes the nearest whole number; what each costs in width is beside it"));
  repeats_->view()->setAccessibleName(repeats_->accessibleName());
  ratio_ = new QDoubleSpinBox;
  ratio_->setAccessibleName(tr("Ratio"));
  ratio_->setDecimals(2);
  // Half typed it is another number, which would be shown for it.
  ratio_->setKeyboardTracking(false);
  ratio_->setSingleStep(0.1);
  ratio_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  grid->addWidget(size_, 0, 0);
  grid->addWidget(line_, 0, 1);
  grid->addWidget(labelled(tr("Repeats round"), repeats_), 0, 2);
  grid->addWidget(labelled(tr("Ratio"), ratio_, &ratioLabel_), 0, 3);
  for (const auto& [at, share] : {std::pair{0, 5}, {1, 5}, {2, 7}, {3, 3}}) {
    grid->setColumnStretch(at, share);
  }
  school_ = segmentsOf<TaperFit>(tr("On a taper cells"), {{TaperFit::narrow, tr("Narrow")},
                                                          {TaperFit::keep, tr("Keep size")}});
  column->addWidget(measures_);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  away_ = new QPushButton(tr("Take it away"));
  away_->setShortcut(QKeySequence(QStringLiteral("Alt+Backspace")));
  away_->setToolTip(tr("Takes the pattern of this zone away (Alt+Backspace)"));
  row->addWidget(school_);
  row->addStretch();
  row->addWidget(away_);
  column->addLayout(row);
  column->addStretch();

  connect(away_, &QPushButton::clicked, this, [this] { unfillZone(order_); });
  connect(gallery_, &Gallery::chosen, this, [this](Family family) { fillZone(order_, family); });
  connect(repeats_, &QComboBox::activated, this, [this](int i) {
    const int count = repeats_->itemData(i).toInt();
    editFill(order_, tr("%1 repeats round the cup").arg(count), {},
             [count](Fill& fill) { fill.pattern.repeats = count; });
  });
  connect(ratio_, &QDoubleSpinBox::valueChanged, this, [this](double ratio) {
    editFill(order_, tr("Set the pattern's ratio"), QStringLiteral("ratio"),
             [ratio](Fill& fill) { fill.pattern.ratio = ratio; });
  });
  onChosen<TaperFit>(*school_, this, [this](TaperFit chosen) {
    editFill(order_,
             chosen == TaperFit::narrow ? tr("Let cells narrow with the cup")
                                        : tr("Let cells keep their size"),
             {}, [chosen](Fill& fill) { fill.pattern.taperFit = chosen; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

LengthField* PatternPage::field(FieldSet& fields, const QString& label, Member member,
                                WrittenLength Pattern::*length) {
  const QString key = keyOf(member);
  LengthField* made = fields.add(label, member);
  const auto set = [this, key, length](const WrittenLength& typed) {
    editFill(order_, tr("Set the pattern to %1").arg(say(typed.length, order_.unit())), key,
             [&](Fill& fill) { fill.pattern.*length = typed; });
  };
  connect(made, &LengthField::typed, this, set);
  connect(made, &LengthField::stepped, this, [this, set, length](int marks) {
    const Fill* fill = fillInHand(order_);
    if (fill == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next =
        nearestMark((fill->pattern.*length).length, graduation) + step(graduation) * marks;
    set(written(std::max(next, Length()), order_.unit()));
  });
  return made;
}

/// The whole numbers of repeats that come near, with what each costs.
void PatternPage::showRepeats(const Fill& fill, const CupPlan& plan) {
  const QSignalBlocker quiet(repeats_);
  std::vector<RepeatChoice> choices = repeatChoices(fill.pattern, plan.wall.body);
  const auto words = [](double stretch) {
    const double percent = std::round(stretch * 1000) / 10;
    return percent > 0   ? tr("+%1 %").arg(percent)
           : percent < 0 ? tr("−%1 %").arg(-percent)
                         : tr("exact");
  };
  // What is listed is only called otherwise where it can be: laid out anew at every step of a drag
  // the list would be felt.
  int listed = 0;
  const auto list = [&](const QString& called, int count) {
    if (listed == repeats_->count()) repeats_->addItem(called);
    if (repeats_->itemText(listed) != called) repeats_->setItemText(listed, called);
    if (repeats_->itemData(listed) != count) repeats_->setItemData(listed, count);
    ++listed;
  };
  list(tr("≈ %1, %2").arg(choices[0].count).arg(words(choices[0].stretch)), 0);
  const bool near = std::any_of(choices.begin(), choices.end(), [&](const RepeatChoice& choice) {
    return choice.count == fill.pattern.repeats;
  });
  if (fill.pattern.repeats > 0 && !near) {
    const double exact = (1 + choices[0].stretch) * choices[0].count;
    choices.push_back({fill.pattern.repeats, exact / fill.pattern.repeats - 1});
  }
  for (const RepeatChoice& choice : choices) {
    list(tr("%1, %2").arg(choice.count).arg(words(choice.stretch)), choice.count);
  }
  while (repeats_->count() > listed) repeats_->removeItem(listed);
  repeats_->setCurrentIndex(std::max(0, repeats_->findData(fill.pattern.repeats)));
}

void PatternPage::refresh() {
  const Zone* zone = zoneInHand(order_);
  const CupPlan* plan = order_.plan();
  const Fill* fill = fillInHand(order_);
  setEnabled(zone != nullptr);
  away_->setVisible(fill != nullptr);
  measures_->setVisible(fill != nullptr);
  school_->setVisible(fill != nullptr);
  gallery_->show(fill == nullptr ? std::nullopt : std::optional<Family>(fill->pattern.family));
  std::vector<QColor> colours;
  if (fill != nullptr) {
    for (const CellColour& colour : fill->colours) {
      colours.emplace_back(QString::fromStdString(colour.finish.colour));
    }
  }
  gallery_->dress(colours, fill == nullptr ? Length::inches(1) : fill->pattern.size.length);
  if (zone == nullptr || plan == nullptr) return;
  const Unit unit = order_.unit();
  if (fill == nullptr) return;
  size_->show(fill->pattern.size.length, unit);
  line_->show(fill->pattern.line.length, unit);
  showRepeats(*fill, *plan);
  const RatioRange range = ratioOf(fill->pattern.family);
  const bool shaped = range.from < range.to;
  ratio_->setEnabled(shaped);
  ratioLabel_->setToolTip(tr(range.says));
  ratio_->setToolTip(tr(range.says));
  if (const int decimals = range.whole ? 0 : 2; ratio_->decimals() != decimals) {
    const QSignalBlocker quiet(ratio_);
    ratio_->setDecimals(decimals);
  }
  ratio_->setSingleStep(range.whole ? 1 : 0.1);
  showRange(*ratio_, range.from, range.to);
  showValue(*ratio_, fill->pattern.ratio.value_or(range.usual));
  showChosen(*school_, fill->pattern.taperFit);
}

}  // namespace avrelt

#include "moc_pattern_page.cpp"
