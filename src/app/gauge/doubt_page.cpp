// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/doubt_page.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

/// What films are said to shrink by; another number can stand in the file.
constexpr std::array<double, 4> filmPercents{0, 0.5, 1, 2};

}  // namespace

DoubtPage::DoubtPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);

  const auto labelled = [](const QString& text, QWidget* widget) {
    auto* row = new QHBoxLayout;
    auto* label = new QLabel(text);
    label->setProperty("role", "label");
    row->addWidget(label);
    row->addStretch();
    row->addWidget(widget);
    return row;
  };
  marks_ = new Segments(tr("Tape off by marks"), {tr("0"), tr("1"), tr("2"), tr("3")});
  film_ = new Segments(tr("Film shrinks by"), {tr("0 %"), tr("0.5"), tr("1"), tr("2 %")});
  column->addLayout(labelled(tr("Tape off by marks"), marks_));
  column->addLayout(labelled(tr("Film shrinks by"), film_));
  oval_ = fields.add(tr("Out of round, widest less narrowest"), Member::outOfRound);
  column->addWidget(oval_);

  auto* grid = new QGridLayout;
  grid->setVerticalSpacing(3);
  grid->setColumnStretch(0, 1);
  for (int i = 0; i < 2; ++i) {
    Row row{new QLabel, new QLabel};
    row.name->setProperty("role", "label");
    row.gap->setFont(face(14, QFont::DemiBold));
    row.gap->setAlignment(Qt::AlignRight);
    grid->addWidget(row.name, i, 0);
    grid->addWidget(row.gap, i, 1);
    rows_.push_back(row);
  }
  column->addLayout(grid);
  take_ = new QPushButton;
  column->addWidget(take_);
  column->addStretch();

  const auto edit = [this](const QString& text, const auto& change, const QString& key) {
    order_.editCup(
        text, [&](Cup& cup) { change(cup.doubt); }, key);
  };
  connect(marks_, &Segments::picked, this, [edit](int marks) {
    edit(Order::tr("Tape off by %1 marks").arg(marks),
         [marks](Doubt& doubt) { doubt.tapeMarks = marks; }, {});
  });
  connect(film_, &Segments::picked, this, [edit](int i) {
    const double percent = filmPercents.at(static_cast<std::size_t>(i));
    edit(Order::tr("Film shrinks by %1 %").arg(percent),
         [percent](Doubt& doubt) { doubt.filmShrinksPercent = percent; }, {});
  });
  const auto setOval = [this, edit](const WrittenLength& length) {
    edit(
        tr("Set out of round to %1").arg(say(length.length, order_.unit())),
        [&](Doubt& doubt) { doubt.outOfRound = length; }, keyOf(Member::outOfRound));
  };
  connect(oval_, &LengthField::typed, this, setOval);
  connect(oval_, &LengthField::stepped, this, [this, setOval](int marks) {
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = order_.currentCup().doubt.outOfRound.length;
    const Length next = nearestMark(now, graduation) + step(graduation) * marks;
    setOval(written(std::max(next, Length()), order_.unit()));
  });
  connect(take_, &QPushButton::clicked, this, [this] {
    if (const CupPlan* plan = order_.plan()) {
      order_.setMeasure(GaugeLine::overlap, plan->seamDoubt.cover);
      order_.settle();
    }
  });
  connect(&order, &Order::changed, this, &DoubtPage::refresh);
}

void DoubtPage::refresh() {
  const CupPlan* plan = order_.plan();
  if (!order_.hasCup() || plan == nullptr) return;
  const Unit unit = order_.unit();
  const Cup& cup = order_.currentCup();
  marks_->show(cup.doubt.tapeMarks);
  const auto* const percent =
      std::find(filmPercents.begin(), filmPercents.end(), cup.doubt.filmShrinksPercent);
  film_->show(percent == filmPercents.end() ? -1
                                            : static_cast<int>(percent - filmPercents.begin()));
  oval_->show(cup.doubt.outOfRound.length, unit);

  const SeamDoubt& seam = plan->seamDoubt;
  const auto put = [&](std::size_t row, const QString& name, Length gap) {
    rows_[row].name->setText(name);
    rows_[row].gap->setText(
        QString::fromStdString(decimalText(gap, unit, unit == Unit::inch ? 3 : 1)));
    rows_[row].gap->setEnabled(order_.planHolds());
  };
  put(0, tr("Coats guessed, give or take"), seam.growth);
  put(1, tr("All at once, gap or lap at the seam"), seam.worst);
  const bool covered = cup.wrap.overlap.length >= seam.cover;
  take_->setText(covered ? tr("Your overlap covers it")
                         : tr("Take an overlap of %1").arg(say(seam.cover, unit)));
  take_->setEnabled(!covered && order_.planHolds());
}

}  // namespace avrelt

#include "moc_doubt_page.cpp"
