// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/cutting_page.h"

#include <algorithm>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "pattern/line_tape.h"

namespace avrelt {

CuttingPage::CuttingPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  straight_ = choice(tr("Straight version too"),
                     tr("As if the wall were upright: as wide as the zone half-way up, and of the "
                        "same height"),
                     &FillCutting::straight);
  filmWhole_ =
      choice(tr("Whole again in film"), tr("The whole template, instead of its film cells alone"),
             &FillCutting::filmWhole);
  doubleSided_ =
      choice(tr("Whole, double-sided"), tr("The whole template in sheet that sticks on both sides"),
             &FillCutting::doubleSided);
  column->addWidget(straight_);
  column->addWidget(filmWhole_);
  column->addWidget(doubleSided_);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  lines_ = segmentsOf<LineWork>(tr("Lines between cells"), {{LineWork::leave, tr("Leave")},
                                                            {LineWork::piece, tr("One part")},
                                                            {LineWork::tape, tr("Tape")}});
  spares_ = new CountBox;
  spares_->setRange(0, 20);
  spares_->setPrefix(tr("spares "));
  spares_->setAccessibleName(tr("Spares of every cell of film"));
  spares_->setToolTip(spares_->accessibleName());
  spares_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  auto* label = new QLabel(tr("Lines between cells"));
  label->setProperty("role", "label");
  label->setBuddy(lines_);
  column->addWidget(label);
  row->addWidget(lines_);
  row->addStretch();
  column->addLayout(row);
  column->addWidget(spares_, 0, Qt::AlignLeft);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  column->addWidget(words_, 1);

  connect(spares_, &QSpinBox::valueChanged, this, [this](int spares) {
    editFill(order_, tr("%1 spares of every film cell").arg(spares), QStringLiteral("spares"),
             [spares](Fill& fill) { fill.cutting.spares = spares; });
  });
  onChosen<LineWork>(*lines_, this, [this](LineWork chosen) {
    editFill(order_, tr("Choose what becomes of the lines"), {},
             [chosen](Fill& fill) { fill.cutting.lines = chosen; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

QCheckBox* CuttingPage::choice(const QString& words, const QString& tip,
                               bool FillCutting::*member) {
  auto* box = new QCheckBox(words);
  box->setToolTip(tip);
  connect(box, &QCheckBox::clicked, this, [this, words, member](bool on) {
    editFill(order_, on ? tr("Cut: %1").arg(words) : tr("Do not cut: %1").arg(words), {},
             [&](Fill& fill) { fill.cutting.*member = on; });
  });
  return box;
}

void CuttingPage::refresh() {
  const Fill* fill = fillInHand(order_);
  const FillPlan* plan = fillPlanInHand(order_);
  const CupPlan* cup = order_.plan();
  const Unit unit = order_.unit();
  setEnabled(fill != nullptr);
  if (fill == nullptr || plan == nullptr || cup == nullptr) {
    words_->setText(tr("Take a pattern and this says what is cut for it."));
    return;
  }
  const bool film =
      std::any_of(fill->colours.begin(), fill->colours.end(),
                  [](const CellColour& colour) { return colour.finish.kind == FinishKind::film; });
  straight_->setEnabled(!cup->wall.flat.isCylinder());
  straight_->setChecked(fill->cutting.straight);
  filmWhole_->setEnabled(film);
  filmWhole_->setToolTip(film ? tr("The whole template, instead of its film cells alone")
                              : tr("None of the colours is film, so there is nothing to cut again. "
                                   "Give one of them film under Colours."));
  straight_->setToolTip(
      cup->wall.flat.isCylinder()
          ? tr("This wall is upright: the template is straight already.")
          : tr("As if the wall were upright: as wide as the zone half-way up, and of the same "
               "height"));
  filmWhole_->setChecked(fill->cutting.filmWhole);
  doubleSided_->setChecked(fill->cutting.doubleSided);
  showChosen(*lines_, fill->cutting.lines);
  const bool artwork = fill->pattern.family == Family::artwork;
  lines_->button(static_cast<int>(LineWork::tape))->setEnabled(!artwork);
  spares_->setEnabled(film && !fill->cutting.filmWhole);
  showValue(*spares_, fill->cutting.spares);
  const auto metresWords = [unit](Length length) {
    const double metres = length.mm() / 1000;
    return unit == Unit::inch ? tr("%1 ft").arg(metres / 0.3048, 0, 'f', 0)
                              : tr("%1 m").arg(metres, 0, 'f', 1);
  };
  QString words = tr("To weed: %1, the narrowest about %2, %3 of cuts.")
                      .arg(cellCount(plan->cells.size()))
                      .arg(say(plan->thinnest, unit), metresWords(plan->cutLength));
  if (plan->islands > 0) words += tr(" %1 islands come loose.").arg(plan->islands);
  if (!plan->tape.runs.empty()) {
    QStringList runs;
    for (const LineRun& run : plan->tape.runs) {
      if (runs.size() == 6) {
        runs << tr("…");
        break;
      }
      runs << tr("%1 × %2").arg(run.count).arg(onTape(run.length, unit).mark);
    }
    words += tr(" Tape %1 wide, %2 in all, each run %3 longer than its line to lift it by: %4.")
                 .arg(say(plan->tape.width, unit), metresWords(plan->tape.total),
                      onTape(lineTab * 2, unit).mark, runs.join(QStringLiteral(", ")));
  }
  words_->setText(words + tr(" Hook and knife away from the hand."));
}

}  // namespace avrelt

#include "moc_cutting_page.cpp"
