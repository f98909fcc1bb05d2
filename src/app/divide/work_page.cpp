// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/work_page.h"

#include <algorithm>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/list_lines.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

WorkPage::WorkPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  stripes_ = new StripePage(order, fields);
  masks_ = new MaskPage(order, fields);
  QWidget* movesPage = movePage(fields);
  pages_ = new Pages(tr("Work"), {tr("Tape moves"), tr("Marks"), tr("Stripes"), tr("Covers")},
                     {movesPage, markPage(), stripes_, masks_});
  pages_->head()->addStretch();
  column->addWidget(pages_);
  const auto keep = [&](QWidget* page, void (WorkPage::*refill)(const CupPlan&)) {
    auto* seen = new WhenSeen(page, [this, refill] {
      const CupPlan* plan = order_.plan();
      if (!order_.hasCup() || plan == nullptr) return;
      filling_ = true;
      (this->*refill)(*plan);
      filling_ = false;
    });
    connect(&order, &Order::changed, seen, &WhenSeen::changed);
  };
  keep(movesPage, &WorkPage::refreshMoves);
  keep(marks_, &WorkPage::refreshMarks);
}

QWidget* WorkPage::movePage(FieldSet& fields) {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  moves_ = new QListWidget;
  moves_->setWordWrap(true);
  moves_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  moves_->setAccessibleName(tr("Tape moves, in order"));
  column->addWidget(moves_, 1);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  tape_ = fields.add(tr("Tape used"), Member::tapeWidth);
  row->addWidget(tape_, 1);
  const auto button = [&](const QString& words, const QString& tip, const char* key) {
    auto* made = new QPushButton(words);
    if (*key != 0) made->setShortcut(QKeySequence(QLatin1String(key)));
    made->setToolTip(*key == 0 ? tip : tip + QStringLiteral(" (%1)").arg(QLatin1String(key)));
    row->addWidget(made, 0, Qt::AlignBottom);
    return made;
  };
  earlier_ = button(tr("Earlier"), tr("Fills the zones of this move earlier"), "Alt+Up");
  later_ = button(tr("Later"), tr("Fills the zones of this move later"), "Alt+Down");
  asUsual_ = button(tr("Usual"), tr("The usual order: dark before light, film last"), "");
  column->addLayout(row);

  connect(moves_, &QListWidget::currentRowChanged, this, [this](int at) {
    const CupPlan* plan = order_.plan();
    if (filling_ || plan == nullptr || at < 0) return;
    const TapeMove& move = plan->tapeMoves.at(static_cast<std::size_t>(at));
    order_.pickMove(move.number);
    order_.pickLine(move.lines.empty() ? std::string() : move.lines.front());
    for (const Zone& zone : plan->divided.zones) {
      if (zone.letter == move.zones.front()) order_.pickZone(zone.id);
    }
  });
  connect(earlier_, &QPushButton::clicked, this, [this] { fill(-1); });
  connect(later_, &QPushButton::clicked, this, [this] { fill(1); });
  connect(asUsual_, &QPushButton::clicked, this, [this] { fillAsUsual(order_); });
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
  return page;
}

QWidget* WorkPage::markPage() {
  marks_ = new QTableWidget;
  marks_->setColumnCount(6);
  marks_->setHorizontalHeaderLabels({tr("Line"), tr("Place"), tr("From\nbase"), tr("From\nrim"),
                                     tr("From\nfront"), tr("From\nseam")});
  marks_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  for (const int column : {0, 1}) {
    marks_->horizontalHeader()->setSectionResizeMode(column, QHeaderView::ResizeToContents);
  }
  marks_->verticalHeader()->hide();
  marks_->verticalHeader()->setDefaultSectionSize(22);
  marks_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  marks_->setSelectionBehavior(QAbstractItemView::SelectRows);
  marks_->setShowGrid(false);
  marks_->setTabKeyNavigation(false);
  marks_->setAccessibleName(tr("Where lines are marked"));
  connect(marks_, &QTableWidget::currentCellChanged, this, [this](int row) {
    const CupPlan* plan = order_.plan();
    if (filling_ || plan == nullptr || row < 0) return;
    order_.pickLine(plan->divided.marks.at(static_cast<std::size_t>(row)).line);
  });
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(marks_, 1);
  legs_ = new QLabel;
  legs_->setProperty("role", "label");
  legs_->setWordWrap(true);
  column->addWidget(legs_);
  return page;
}

/// The zones of the move in hand are filled earlier or later; the list follows them.
void WorkPage::fill(int by) {
  const TapeMove* move = moveInHand(order_);
  if (move == nullptr) return;
  const std::string zone = move->zones.front();
  fillLater(order_, zone, by);
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  for (const TapeMove& made : plan->tapeMoves) {
    if (made.zones.front() != zone) continue;
    moves_->setCurrentRow(made.number - 1);
    return;
  }
}

void WorkPage::showPage(int page) {
  pages_->show(page);
}

void WorkPage::refreshMoves(const CupPlan& plan) {
  const Unit unit = order_.unit();
  const int move = moves_->currentRow();
  QStringList words;
  for (const TapeMove& made : plan.tapeMoves) {
    words << tr("%1. %2").arg(made.number).arg(say(made.words, unit));
  }
  const bool any = !words.isEmpty();
  if (!any) words << tr("Nothing to do yet. Cut the body and give zones a finish.");
  showLines(*moves_, words);
  moves_->setCurrentRow(any ? std::min(move, moves_->count() - 1) : -1);
  moves_->setEnabled(any);
  earlier_->setEnabled(any);
  later_->setEnabled(any);
  asUsual_->setEnabled(!order_.currentCup().division.order.empty());
  tape_->show(order_.currentCup().division.tapeWidth.length, unit);
}

void WorkPage::refreshMarks(const CupPlan& plan) {
  const Unit unit = order_.unit();
  marks_->setRowCount(static_cast<int>(plan.divided.marks.size()));
  QStringList legs;
  int row = 0;
  for (const LineMark& mark : plan.divided.marks) {
    const auto put = [&](int at, const QString& text) {
      auto* item = new QTableWidgetItem(text);
      if (at > 1) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      marks_->setItem(row, at, item);
      return item;
    };
    const auto length = [&](int at, Length exact, const QString& side) {
      put(at, side.arg(onTape(exact, unit).mark))
          ->setToolTip(tr("exactly %1").arg(QString::fromStdString(decimalText(exact, unit, 3))));
    };
    const QString plain = QStringLiteral("%1");
    put(0, QString::fromStdString(mark.line));
    put(1, say(Sentence{markName(mark.at), {}}, unit));
    if (mark.leg > Length()) {
      legs << tr("line %1: %2").arg(QString::fromStdString(mark.line), onTape(mark.leg, unit).mark);
    }
    length(2, mark.fromBase, plain);
    length(3, mark.fromRim, plain);
    if (mark.at == MarkAt::ring) {
      put(4, tr("all round"));
      put(5, {});
    } else {
      const bool ahead = abs(mark.fromFront) < Length::mm(0.005);
      length(4, abs(mark.fromFront),
             ahead                       ? plain
             : mark.fromFront < Length() ? tr("← %1", "to the left")
                                         : tr("%1 →", "to the right"));
      length(5, mark.fromSeam, plain);
    }
    ++row;
  }
  // Of many only the first few: the marks sheet has all.
  constexpr qsizetype fit = 8;
  const bool more = legs.size() > fit;
  legs = legs.mid(0, fit);
  if (more) legs << tr("…");
  legs_->setText(tr("From corner to point, %1").arg(legs.join(QStringLiteral("; "))));
  legs_->setVisible(!legs.isEmpty());
}

}  // namespace avrelt

#include "moc_work_page.cpp"
