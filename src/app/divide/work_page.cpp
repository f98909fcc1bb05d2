// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/work_page.h"

#include <algorithm>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

WorkPage::WorkPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(7);
  page_ = new Segments(tr("Work"), {tr("Tape moves"), tr("Marks"), tr("Stripes")});
  column->addWidget(page_, 0, Qt::AlignLeft);
  pages_ = new QStackedWidget;
  column->addWidget(pages_, 1);

  moves_ = new QListWidget;
  moves_->setWordWrap(true);
  moves_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  moves_->setAccessibleName(tr("Tape moves, in order"));
  auto* moved = new QWidget;
  auto* moveColumn = new QVBoxLayout(moved);
  moveColumn->setContentsMargins(0, 0, 0, 0);
  moveColumn->addWidget(moves_, 1);
  tape_ = fields.add(tr("Tape used, wide"), QStringLiteral("divide.tape_width"));
  moveColumn->addWidget(tape_);
  pages_->addWidget(moved);

  marks_ = new QTableWidget;
  marks_->setColumnCount(5);
  marks_->setHorizontalHeaderLabels(
      {tr("Line"), tr("Place"), tr("From base"), tr("From rim"), tr("From front")});
  marks_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  marks_->verticalHeader()->hide();
  marks_->verticalHeader()->setDefaultSectionSize(22);
  marks_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  marks_->setSelectionBehavior(QAbstractItemView::SelectRows);
  marks_->setShowGrid(false);
  marks_->setTabKeyNavigation(false);
  marks_->setAccessibleName(tr("Where lines are marked"));
  pages_->addWidget(marks_);
  pages_->addWidget(stripePage(fields));
  showPage(moves);

  connect(page_, &Segments::picked, this, &WorkPage::showPage);
  connect(moves_, &QListWidget::currentRowChanged, this, [this](int row) {
    const CupPlan* plan = order_.plan();
    if (filling_ || plan == nullptr || row < 0) return;
    const TapeMove& move = plan->tapeMoves.at(static_cast<std::size_t>(row));
    pickLine(move.line);
    for (const Zone& zone : plan->divided.zones) {
      if (zone.id == move.zone) order_.pickZone(zone.path);
    }
  });
  connect(marks_, &QTableWidget::currentCellChanged, this, [this](int row) {
    const CupPlan* plan = order_.plan();
    if (filling_ || plan == nullptr || row < 0) return;
    pickLine(plan->divided.marks.at(static_cast<std::size_t>(row)).line);
  });
  const auto setTape = [this](const WrittenLength& width) {
    order_.editCup(
        tr("Tape %1 wide").arg(say(width.length, order_.unit())),
        [&](Cup& cup) { cup.division.tapeWidth = width; }, QStringLiteral("tape width"));
  };
  connect(tape_, &LengthField::typed, this, setTape);
  connect(tape_, &LengthField::stepped, this, [this, setTape](int by) {
    const Graduation graduation = usualGraduation(order_.unit());
    const Length now = order_.currentCup().division.tapeWidth.length;
    setTape(
        written(std::max(nearestMark(now, graduation) + step(graduation) * by, step(graduation)),
                order_.unit()));
  });
  connect(&order, &Order::changed, this, &WorkPage::refresh);
}

QWidget* WorkPage::stripePage(FieldSet& fields) {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  stripes_ = new QListWidget;
  stripes_->setAccessibleName(tr("Stripes"));
  column->addWidget(stripes_, 1);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  lay_ = new QPushButton(tr("+ On the line in hand"));
  take_ = new QPushButton(tr("−"));
  take_->setAccessibleName(tr("Take the stripe away"));
  kind_ = new Segments(tr("Stripe of"), {tr("Tape"), tr("Film")});
  row->addWidget(lay_);
  row->addWidget(take_);
  row->addStretch();
  row->addWidget(kind_);
  column->addLayout(row);
  width_ = fields.add(tr("Wide"), QStringLiteral("divide.stripe.width"));
  column->addWidget(width_);

  connect(lay_, &QPushButton::clicked, this, [this] {
    const CupPlan* plan = order_.plan();
    if (plan == nullptr || plan->divided.lines.empty()) return;
    addStripe(order_, line_.empty() ? plan->divided.lines.front().id : line_);
    stripes_->setCurrentRow(stripes_->count() - 1);
  });
  connect(take_, &QPushButton::clicked, this,
          [this] { removeStripe(order_, stripes_->currentRow()); });
  connect(kind_, &Segments::picked, this, [this](int i) {
    editStripe(order_, stripes_->currentRow(), QStringLiteral("kind"),
               [i](Stripe& stripe) { stripe.kind = static_cast<StripeKind>(i); });
  });
  const auto set = [this](const WrittenLength& width) {
    editStripe(order_, stripes_->currentRow(), QStringLiteral("width"),
               [&](Stripe& stripe) { stripe.width = width; });
  };
  connect(width_, &LengthField::typed, this, set);
  connect(width_, &LengthField::stepped, this, [this, set](int by) {
    const auto& all = order_.currentCup().division.stripes;
    const int index = stripes_->currentRow();
    if (index < 0 || index >= static_cast<int>(all.size())) return;
    // Tapes come in whole millimetres, whatever the unit.
    const double now = all[static_cast<std::size_t>(index)].width.length.mm();
    set(writtenSize(std::to_string(std::max(1, static_cast<int>(now) + by)) + " mm", Unit::mm)
            .value());
  });
  connect(stripes_, &QListWidget::currentRowChanged, this, [this](int index) {
    if (filling_) return;
    const CupPlan* plan = order_.plan();
    const auto& all = order_.currentCup().division.stripes;
    if (plan != nullptr && index >= 0 && index < static_cast<int>(all.size())) {
      const Stripe& stripe = all[static_cast<std::size_t>(index)];
      if (const DivideLine* line = lineAt(plan->divided, stripe.of, stripe.line)) {
        pickLine(line->id);
      }
    }
    refresh();
  });
  return page;
}

void WorkPage::showPage(int page) {
  page_->show(page);
  pages_->setCurrentIndex(page);
}

void WorkPage::pickLine(const std::string& line) {
  line_ = line;
  emit linePicked(QString::fromStdString(line));
}

void WorkPage::refresh() {
  const CupPlan* plan = order_.plan();
  if (!order_.hasCup() || plan == nullptr) return;
  const Unit unit = order_.unit();
  filling_ = true;
  const int move = moves_->currentRow();
  moves_->clear();
  for (const TapeMove& made : plan->tapeMoves) {
    moves_->addItem(tr("%1. %2").arg(made.number).arg(say(made.words, unit)));
  }
  if (moves_->count() == 0) {
    moves_->addItem(tr("Nothing to do yet. Cut the body and give zones a finish."));
  } else {
    moves_->setCurrentRow(std::min(move, moves_->count() - 1));
  }
  moves_->setEnabled(!plan->tapeMoves.empty());
  tape_->show(order_.currentCup().division.tapeWidth.length, unit);

  marks_->setRowCount(static_cast<int>(plan->divided.marks.size()));
  int row = 0;
  for (const LineMark& mark : plan->divided.marks) {
    const auto put = [&](int at, const QString& text, bool number) {
      auto* item = new QTableWidgetItem(text);
      if (number) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      marks_->setItem(row, at, item);
    };
    put(0, QString::fromStdString(mark.line), false);
    put(1, say(mark.what, unit), false);
    const TapePhrase base = onTape(mark.fromBase, unit);
    put(2, base.mark, true);
    marks_->item(row, 2)->setToolTip(
        tr("exactly %1").arg(QString::fromStdString(decimalText(mark.fromBase, unit, 3))));
    put(3, onTape(mark.fromRim, unit).mark, true);
    const bool ring = mark.what.pattern == "ring";
    const QString side = mark.fromFront > Length() ? tr(" right") : tr(" left");
    put(4, ring ? QString() : onTape(abs(mark.fromFront), unit).mark + side, true);
    ++row;
  }

  const int stripe = stripes_->currentRow();
  stripes_->clear();
  const auto& all = order_.currentCup().division.stripes;
  for (const Stripe& laid : all) {
    const DivideLine* line = lineAt(plan->divided, laid.of, laid.line);
    const QString what = laid.kind == StripeKind::tape ? tr("tape") : tr("film");
    if (line == nullptr) {
      stripes_->addItem(tr("on a line no longer cut"));
      continue;
    }
    stripes_->addItem(tr("Line %1: %2, %3 wide, %4 long; 1 and %5 spare")
                          .arg(QString::fromStdString(line->id), what,
                               laid.width.text.empty() ? say(laid.width.length, unit)
                                                       : QString::fromStdString(laid.width.text),
                               onTape(line->length + laid.overlap.length, unit).mark)
                          .arg(laid.spares));
  }
  stripes_->setCurrentRow(
      std::clamp(stripe, all.empty() ? -1 : 0, static_cast<int>(all.size()) - 1));
  const int index = stripes_->currentRow();
  const bool any = index >= 0;
  lay_->setEnabled(!plan->divided.lines.empty());
  lay_->setText(line_.empty() ? tr("+ On line 1")
                              : tr("+ On line %1").arg(QString::fromStdString(line_)));
  take_->setEnabled(any);
  kind_->setEnabled(any);
  width_->setVisible(any);
  if (any) {
    const Stripe& laid = all[static_cast<std::size_t>(index)];
    kind_->show(static_cast<int>(laid.kind));
    width_->show(laid.width.length, unit);
  }
  filling_ = false;
}

}  // namespace avrelt
