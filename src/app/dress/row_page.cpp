// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/row_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/idle.h"
#include "app/fields/labelled.h"
#include "app/fields/marked_field.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"

namespace avrelt {
namespace {

/// Three of them stand side by side.
constexpr int narrowField = 84;

}  // namespace

RowPage::RowPage(Order& order, FieldSet& fields, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  rows_ = new QComboBox;
  rows_->setAccessibleName(tr("Rows of this cup"));
  rows_->view()->setAccessibleName(rows_->accessibleName());
  rows_->setMinimumContentsLength(6);
  rows_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  add_ = new QPushButton(tr("+ Row"));
  add_->setToolTip(tr("Puts the set in hand round the cup"));
  more_ = new QPushButton(tr("More"));
  more_->setMenu(new QMenu(more_));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove the row"));
  auto* head = new QHBoxLayout;
  head->setSpacing(6);
  head->addWidget(rows_, 1);
  head->addWidget(add_);
  head->addWidget(more_);
  head->addWidget(remove_);
  column->addLayout(head);

  body_ = new QWidget;
  auto* body = new QVBoxLayout(body_);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(4);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  count_ = new CountBox;
  count_->setRange(0, mostInLine);
  count_->setSpecialValueText(tr("all that fit"));
  count_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  gap_ = length(fields, tr("Gap, at least"), Member::rowGap, &Row::gap);
  up_ = length(fields, tr("Up the wall"), Member::rowUp, &Row::up);
  start_ = new QComboBox;
  offer<RowStart>(*start_, {{RowStart::first, tr("First at")},
                            {RowStart::middle, tr("Middle at")},
                            {RowStart::gap, tr("Gap at")},
                            {RowStart::seam, tr("Gap on seam")}});
  start_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  start_->setMinimumContentsLength(8);
  at_ = fields.add(tr("Round the cup"), Member::rowAt, LengthField::Kind::degrees);
  lines_ = new CountBox;
  lines_->setRange(1, mostLines);
  lines_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  apart_ = length(fields, tr("Lines apart"), Member::rowApart, &Row::apart);
  even_ = new QCheckBox(tr("Spread evenly"));
  even_->setToolTip(tr("Off, they stand just the gap apart, and what is left is one larger gap"));
  staggered_ = new QCheckBox(tr("Staggered"));
  staggered_->setToolTip(tr("Every second line stands half way between"));
  start_->view()->setAccessibleName(tr("Starts with"));
  QWidget* count = labelled(tr("How many"), count_);
  QWidget* start = labelled(tr("Starts with"), start_);
  QWidget* lines = labelled(tr("Lines"), lines_);
  grid->addWidget(count, 0, 0);
  grid->addWidget(gap_, 0, 1);
  grid->addWidget(up_, 0, 2);
  grid->addWidget(start, 1, 0);
  grid->addWidget(at_, 1, 1);
  grid->addWidget(even_, 1, 2, Qt::AlignBottom);
  grid->addWidget(lines, 2, 0);
  grid->addWidget(apart_, 2, 1);
  grid->addWidget(staggered_, 2, 2, Qt::AlignBottom);
  for (int i = 0; i < 3; ++i) grid->setColumnStretch(i, 1);
  for (LengthField* one : {gap_, up_, at_, apart_}) one->edit()->setMinimumWidth(narrowField);
  body->addLayout(grid);
  column->addWidget(body_);
  words_ = new QLabel;
  words_->setWordWrap(true);
  column->addWidget(words_);
  column->addStretch();

  connectFields();
}

void RowPage::connectFields() {
  connect(rows_, &QComboBox::activated, this,
          [this](int i) { pickRow(order_, rows_->itemData(i).toString().toStdString()); });
  connect(add_, &QPushButton::clicked, this, [this] { addRow(order_); });
  connect(remove_, &QPushButton::clicked, this, [this] { removeRow(order_); });
  connect(more_->menu(), &QMenu::aboutToShow, this, &RowPage::fillMore);
  connect(count_, &QSpinBox::valueChanged, this, [this](int many) {
    editRow(order_, tr("Set how many stand in a row"), QStringLiteral("count"),
            [many](Row& row) { row.count = many == 0 ? std::nullopt : std::optional(many); });
  });
  connect(lines_, &QSpinBox::valueChanged, this, [this](int many) {
    const Unit unit = order_.unit();
    editRow(order_, tr("Set a row's lines"), QStringLiteral("lines"), [many, unit](Row& row) {
      row.lines = many;
      // Lines on each other are nobody's wish.
      if (many > 1 && row.apart.length == Length()) row.apart = usualLinesApart(unit);
    });
  });
  onChosen<RowStart>(*start_, this, [this](RowStart chosen) {
    editRow(order_, tr("Start a row otherwise"), {}, [chosen](Row& row) { row.start = chosen; });
  });
  const auto turn = [this](CupAngle to) {
    editRow(order_, tr("Move a row round the cup"), QStringLiteral("at"),
            [to](Row& row) { row.at = to; });
  };
  connect(at_, &LengthField::typedAngle, this,
          [turn](Angle typed) { turn(CupAngle::ofFront(typed)); });
  connect(at_, &LengthField::stepped, this, [this, turn](int by) {
    if (const Row* row = rowInHand(order_)) turn((row->at + Angle::degrees(by)).wrapped());
  });
  connect(even_, &QCheckBox::clicked, this, [this](bool on) {
    editRow(order_, on ? tr("Spread a row evenly") : tr("Keep a row's gap"), {},
            [on](Row& row) { row.even = on; });
  });
  connect(staggered_, &QCheckBox::clicked, this, [this](bool on) {
    editRow(order_, tr("Stagger a row"), {}, [on](Row& row) { row.staggered = on; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

LengthField* RowPage::length(FieldSet& fields, const QString& label, Member member,
                             WrittenLength Row::*value) {
  const QString key = keyOf(member);
  return addMarkedField(
      order_, fields, label, member,
      [this, value]() -> std::optional<Length> {
        const Row* row = rowInHand(order_);
        return row == nullptr ? std::nullopt : std::optional((row->*value).length);
      },
      [this, key, value](const WrittenLength& typed) {
        editRow(order_, tr("Set a row to %1").arg(say(typed.length, order_.unit())), key,
                [&](Row& row) { row.*value = typed; });
      });
}

void RowPage::fillMore() {
  QMenu* menu = more_->menu();
  menu->clear();
  const Row* row = rowInHand(order_);
  if (row == nullptr) return;
  menu->addAction(tr("As large as fits"), this, [this] { growToFit(order_); });
  menu->addAction(tr("Take apart into places"), this, [this] { releaseRow(order_); });
  menu->addSeparator();
  for (const DecalSet& set : order_.currentCup().sets) {
    const QString name = nameOf(set);
    const QString size = onTape(set.size.length, order_.unit()).mark;
    const std::string id = set.id;
    menu->addAction(tr("Next in turn: %1, %2").arg(name, size), this, [this, id] {
      editRow(order_, tr("Add to a row's turn"), {}, [&](Row& to) { to.sets.push_back(id); });
    });
  }
  if (row->sets.size() > 1) {
    menu->addAction(tr("Without the last in turn"), this, [this] {
      editRow(order_, tr("Take from a row's turn"), {}, [](Row& from) { from.sets.pop_back(); });
    });
  }
}

void RowPage::refresh() {
  const Row* row = rowInHand(order_);
  const Unit unit = order_.unit();
  setEnabled(setInHand(order_) != nullptr || row != nullptr);
  {
    const QSignalBlocker quiet(rows_);
    rows_->clear();
    if (order_.hasCup()) {
      for (const Row& one : order_.currentCup().rows) {
        QString name = tr("nothing");
        for (const DecalSet& set : order_.currentCup().sets) {
          if (!one.sets.empty() && set.id == one.sets.front() && set.art) {
            name = QString::fromStdString(set.art->name);
          }
        }
        rows_->addItem(tr("%1, %2 up").arg(name, onTape(one.up.length, unit).mark),
                       QString::fromStdString(one.id));
      }
    }
    if (row != nullptr) rows_->setCurrentIndex(rows_->findData(QString::fromStdString(row->id)));
  }
  body_->setEnabled(row != nullptr);
  more_->setEnabled(row != nullptr);
  remove_->setEnabled(row != nullptr);
  rows_->setEnabled(row != nullptr);
  if (row == nullptr) {
    showIdle(*body_);
    start_->setCurrentIndex(-1);
    words_->setText(tr("+ Row puts the set in hand round the cup, as often as you say."));
    return;
  }
  showValue(*count_, row->count.value_or(0));
  showValue(*lines_, row->lines);
  gap_->show(row->gap.length, unit);
  up_->show(row->up.length, unit);
  apart_->show(row->apart.length, unit);
  at_->show(row->at);
  showChosen(*start_, row->start);
  at_->setEnabled(row->start != RowStart::seam);
  apart_->setEnabled(row->lines > 1);
  staggered_->setEnabled(row->lines > 1);
  even_->setChecked(row->even);
  staggered_->setChecked(row->staggered);
  words_->setText(rowWords());
}

/// What comes of it, as one would say it.
QString RowPage::rowWords() const {
  const RowPlan* plan = rowPlanInHand(order_);
  const Row* row = rowInHand(order_);
  if (plan == nullptr || row == nullptr || plan->gone) return {};
  const Unit unit = order_.unit();
  const auto many = static_cast<int>(plan->fit.at.size());
  QString words;
  if (many == 0) {
    words = tr("Not one fits round the cup.");
  } else if (!plan->fit.fits) {
    words =
        tr("%n do not fit: ", nullptr, row->count.value_or(1)) +
        tr("%n stand, with %1 between them.", nullptr, many).arg(onTape(plan->fit.gap, unit).mark);
  } else if (many == 1) {
    words = tr("1 stands, with %1 to itself round the cup.").arg(onTape(plan->fit.gap, unit).mark);
  } else if (row->even) {
    words =
        tr("%n stand with %1 between them", nullptr, many).arg(onTape(plan->fit.gap, unit).mark);
    words += plan->fit.most > many
                 ? tr("; with at least %1, %2 is the most.")
                       .arg(onTape(row->gap.length, unit).mark)
                       .arg(plan->fit.most)
                 : tr("; with at least %1 no more do.").arg(onTape(row->gap.length, unit).mark);
  } else {
    words = tr("%n stand with %1 between them, and %2 are left over.", nullptr, many)
                .arg(onTape(plan->fit.gap, unit).mark, onTape(plan->leftOver, unit).mark);
  }
  if (plan->fitsAt) {
    words += QLatin1Char(' ') + tr("At a size of %1 they all would.").arg(say(*plan->fitsAt, unit));
  }
  if (plan->lines > 1) words += QLatin1Char(' ') + tr("In each of %n lines.", nullptr, plan->lines);
  return words;
}

}  // namespace avrelt

#include "moc_row_page.cpp"
