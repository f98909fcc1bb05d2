// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/log_area.h"

#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

QString dayWords(const std::optional<CivilTime>& time) {
  if (!time) return {};
  // Without its weekday, but with its year: "5 Nov 2026".
  const QString day = QString::fromStdString(dayText(*time));
  return day.section(QLatin1Char(' '), 1) +
         QStringLiteral(" %1").arg(QString::fromStdString(civilText(*time).substr(0, 4)));
}

qlonglong sortTime(const std::optional<CivilTime>& time) {
  return time ? static_cast<qlonglong>(time->time_since_epoch().count()) : 0;
}

}  // namespace

LogArea::LogArea(LogBoard& board, QWidget* parent) : QWidget(parent), board_(board) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 8, 14, 8);
  column->setSpacing(8);
  auto* head = new QHBoxLayout;
  head->setSpacing(12);
  pages_ = new Segments(tr("What the log shows"),
                        {tr("Cups"), tr("Supplies"), tr("Figures"), tr("Months")});
  head->addWidget(pages_);
  search_ = new QLineEdit;
  search_->setPlaceholderText(tr("Search: names, glitters, blanks, for whom"));
  search_->setAccessibleName(tr("Search the log"));
  search_->setClearButtonEnabled(true);
  // What stands beside them keeps its place on the pages that are not searched.
  QSizePolicy held = search_->sizePolicy();
  held.setRetainSizeWhenHidden(true);
  search_->setSizePolicy(held);
  head->addWidget(search_, 1);
  which_ = new QComboBox;
  which_->setAccessibleName(tr("Which cups"));
  which_->view()->setAccessibleName(which_->accessibleName());
  offer<LogBoard::Which>(*which_, {{LogBoard::Which::all, tr("All cups")},
                                   {LogBoard::Which::underWay, tr("Under way")},
                                   {LogBoard::Which::finished, tr("Finished")}});
  head->addWidget(which_);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  head->addWidget(words_);
  column->addLayout(head);
  stack_ = new QStackedWidget;
  column->addWidget(stack_, 1);

  cupRows_ = new RowsModel({tr("Cup"), tr("Order"), tr("Blank"), tr("For"), tr("Begun"),
                            tr("Finished"), tr("Steps"), tr("Worked"), tr("Price")},
                           this);
  cupTable_ = table(cupRows_, tr("Cups that were made"));
  supplyRows_ = new RowsModel({tr("Supply"), tr("Kind"), tr("There is"), tr("Planned"), tr("Left"),
                               tr("Counted"), tr("Lot")},
                              this);
  supplyTable_ = table(supplyRows_, tr("Supplies"));
  auto* learnt = new QWidget;
  auto* row = new QHBoxLayout(learnt);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(10);
  figureList_ = new QListWidget;
  figureList_->setAccessibleName(tr("Figures of the shop"));
  figureList_->setMaximumWidth(300);
  figureList_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  plot_ = new FigurePlot;
  row->addWidget(figureList_, 1);
  row->addWidget(plot_, 3);
  stack_->addWidget(learnt);
  monthRows_ = new RowsModel(
      {tr("Month"), tr("Cups"), tr("Cost"), tr("Sold"), tr("Taken in"), tr("A cup cost")}, this);
  table(monthRows_, tr("Months"))->horizontalHeader()->setStretchLastSection(false);

  connect(pages_, &Segments::picked, this, &LogArea::showPage);
  connect(search_, &QLineEdit::textChanged, this, &LogArea::findNow);
  connect(which_, &QComboBox::currentIndexChanged, this, &LogArea::findNow);
  connect(cupTable_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
          [this](const QModelIndex& now) {
            const int index = cupRows_->indexAt(now.row());
            if (index < 0 || index >= static_cast<int>(board_.entries().size())) return;
            board_.pick(board_.entries()[static_cast<std::size_t>(index)].key);
          });
  connect(cupTable_, &QTableView::activated, this, [this] { emit cupOpened(); });
  connect(supplyTable_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
          [this](const QModelIndex& now) {
            const int index = supplyRows_->indexAt(now.row());
            if (index < 0 || index >= static_cast<int>(board_.supplies().size())) return;
            board_.pickSupply(board_.supplies()[static_cast<std::size_t>(index)].supply->id);
          });
  connect(figureList_, &QListWidget::currentRowChanged, this, [this](int at) {
    if (at >= 0) board_.pickFigure(static_cast<std::size_t>(at));
  });
  connect(plot_, &FigurePlot::toggled, this, [this](int at) {
    const LearntFigure* figure = board_.pickedFigure();
    const auto index = static_cast<std::size_t>(at);
    if (figure == nullptr || index >= figure->seen.size()) return;
    board_.leaveOut(index, !figure->seen[index].leftOut);
  });
  connect(&board_, &LogBoard::changed, this, &LogArea::refresh);
  showPage(cups);
}

QTableView* LogArea::table(RowsModel* rows, const QString& name) {
  auto* made = new QTableView;
  made->setModel(rows);
  made->setAccessibleName(name);
  made->setSelectionBehavior(QAbstractItemView::SelectRows);
  made->setSelectionMode(QAbstractItemView::SingleSelection);
  made->setEditTriggers(QAbstractItemView::NoEditTriggers);
  made->setShowGrid(false);
  made->setWordWrap(false);
  made->setTabKeyNavigation(false);
  made->setSortingEnabled(true);
  made->verticalHeader()->hide();
  made->verticalHeader()->setDefaultSectionSize(24);
  made->horizontalHeader()->setHighlightSections(false);
  made->horizontalHeader()->setSectionResizeMode(QHeaderView::Interactive);
  made->horizontalHeader()->setSortIndicator(-1, Qt::AscendingOrder);
  made->horizontalHeader()->setStretchLastSection(true);
  stack_->addWidget(made);
  return made;
}

void LogArea::showPage(int page) {
  pages_->show(page);
  stack_->setCurrentIndex(page);
  search_->setVisible(page == cups);
  which_->setVisible(page == cups);
  emit pageShown(page);
  refresh();
}

void LogArea::goToSearch() {
  showPage(cups);
  search_->setFocus();
  search_->selectAll();
}

void LogArea::findNow() {
  board_.find(search_->text(), chosenIn<LogBoard::Which>(*which_));
}

void LogArea::refresh() {
  switch (page()) {
    case cups:
      refreshCups();
      break;
    case stock:
      refreshStock();
      break;
    case figures:
      refreshFigures();
      break;
    default:
      refreshMonths();
  }
}

namespace {

/// Shows which row is picked without telling anyone.
void selectRow(QTableView& table, int row) {
  const QSignalBlocker quiet(table.selectionModel());
  if (row < 0) {
    table.clearSelection();
  } else if (table.currentIndex().row() != row || !table.selectionModel()->hasSelection()) {
    const QModelIndex at = table.model()->index(row, 0);
    table.selectionModel()->setCurrentIndex(
        at, QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    table.scrollTo(at);
    table.viewport()->update();
  }
}

bool sameRows(const std::vector<RowsModel::Row>& a, const std::vector<RowsModel::Row>& b) {
  if (a.size() != b.size()) return false;
  std::vector<const RowsModel::Row*> of(b.size(), nullptr);
  for (const RowsModel::Row& row : b) of[static_cast<std::size_t>(row.index)] = &row;
  return std::all_of(a.begin(), a.end(), [&](const RowsModel::Row& row) {
    const RowsModel::Row& other = *of[static_cast<std::size_t>(row.index)];
    return row.cells == other.cells && row.colour == other.colour && row.marked == other.marked;
  });
}

/// Rows that are the same are left as they are: a click on one must not end where it began.
void put(RowsModel& model, QTableView& table, std::vector<RowsModel::Row> rows,
         const std::vector<int>& widths) {
  if (!sameRows(model.rows(), rows)) {
    const QSignalBlocker quiet(table.selectionModel());
    model.setRows(std::move(rows));
  }
  if (table.property("sized").toBool()) return;
  table.setProperty("sized", true);
  for (std::size_t i = 0; i < widths.size(); ++i) {
    table.setColumnWidth(static_cast<int>(i), widths[i]);
  }
}

}  // namespace

void LogArea::refreshCups() {
  std::vector<RowsModel::Row> rows;
  const std::vector<LogEntry>& entries = board_.entries();
  rows.reserve(entries.size());
  for (std::size_t i = 0; i < entries.size(); ++i) {
    const LogEntry& entry = entries[i];
    RowsModel::Row row;
    row.index = static_cast<int>(i);
    row.cells = {
        QString::fromStdString(entry.name),
        QString::fromStdString(entry.order),
        QString::fromStdString(entry.blank),
        QString::fromStdString(entry.notes.whom),
        dayWords(entry.begun),
        dayWords(entry.finished),
        entry.steps > 0 ? tr("%1 of %2").arg(entry.done).arg(entry.steps) : QString(),
        entry.worked > Duration() ? hoursWords(entry.worked) : QString(),
        entry.notes.price ? QString::fromStdString(moneyText(*entry.notes.price)) : QString()};
    row.keys = {{},
                {},
                {},
                {},
                sortTime(entry.begun),
                sortTime(entry.finished),
                static_cast<double>(entry.done),
                entry.worked.minutes(),
                entry.notes.price ? entry.notes.price->value() : -1.0};
    rows.push_back(std::move(row));
  }
  put(*cupRows_, *cupTable_, std::move(rows), {120, 140, 130, 125, 95, 95, 80, 65, 60});
  const LogEntry* picked = board_.picked();
  int at = -1;
  for (std::size_t i = 0; i < entries.size(); ++i) {
    if (&entries[i] == picked) at = cupRows_->rowOf(static_cast<int>(i));
  }
  selectRow(*cupTable_, at);
  const bool searched =
      !search_->text().isEmpty() || chosenIn<LogBoard::Which>(*which_) != LogBoard::Which::all;
  words_->setText(entries.empty()
                      ? searched ? tr("No cup is like that.") : tr("Nothing was made yet.")
                  : entries.size() == 1 ? tr("1 cup")
                                        : tr("%1 cups").arg(entries.size()));
}

void LogArea::refreshStock() {
  std::vector<RowsModel::Row> rows;
  const Unit unit = board_.unit();
  const auto text = [&](const Amount& amount) {
    return QString::fromStdString(amountText(amount, unit));
  };
  int warned = 0;
  for (std::size_t i = 0; i < board_.supplies().size(); ++i) {
    const LogBoard::SupplyLine& line = board_.supplies()[i];
    const SupplyLevel& level = line.level;
    RowsModel::Row row;
    row.index = static_cast<int>(i);
    row.colour = QString::fromStdString(line.supply->colour);
    row.marked = level.low || level.empty || level.tooLittle;
    if (row.marked) ++warned;
    const bool known = level.counted || level.there.units() != 0;
    row.cells = {QString::fromStdString(line.supply->name),
                 supplyKindWords(line.supply->kind),
                 !known        ? tr("not counted")
                 : level.empty ? tr("▲ %1: count it").arg(text(level.there))
                 : level.low   ? tr("▲ %1, low").arg(text(level.there))
                               : text(level.there),
                 level.reserved.units() > 0 ? text(level.reserved) : QString(),
                 !known            ? QString()
                 : level.tooLittle ? tr("▲ %1 short").arg(text(level.left() * -1))
                                   : text(level.left()),
                 dayWords(level.lastCounted),
                 QString::fromStdString(line.supply->lot)};
    row.keys = {{},
                {},
                level.there.units(),
                level.reserved.units(),
                level.left().units(),
                sortTime(level.lastCounted),
                {}};
    rows.push_back(std::move(row));
  }
  put(*supplyRows_, *supplyTable_, std::move(rows), {190, 80, 150, 90, 140, 110, 100});
  const LogBoard::SupplyLine* picked = board_.pickedSupply();
  int at = -1;
  for (std::size_t i = 0; i < board_.supplies().size(); ++i) {
    if (&board_.supplies()[i] == picked) at = supplyRows_->rowOf(static_cast<int>(i));
  }
  selectRow(*supplyTable_, at);
  words_->setText(board_.supplies().empty() ? tr("No supplies yet. Add the first below.")
                  : warned > 0              ? tr("%1 to count or to buy").arg(warned)
                  : board_.supplies().size() == 1
                      ? tr("1 supply")
                      : tr("%1 supplies").arg(board_.supplies().size()));
}

void LogArea::refreshFigures() {
  QStringList lines;
  for (const LearntFigure& figure : board_.figures()) {
    QString line = figureWords(figure.figure);
    line += figure.offered ? tr("  ▲ differs") : QStringLiteral("  (%1)").arg(figure.seen.size());
    lines << line;
  }
  {
    const QSignalBlocker quiet(figureList_);
    showLines(*figureList_, lines);
    figureList_->setCurrentRow(static_cast<int>(board_.figureIndex()));
  }
  const LearntFigure* figure = board_.pickedFigure();
  if (figure != nullptr) {
    using Of = LearnableFigure::Of;
    const Of of = figure->figure.of;
    plot_->show(*figure,
                of == Of::pace || of == Of::wait             ? tr("usual minutes")
                : of == Of::film                             ? tr("cm² of parts")
                : of == Of::fault                            ? tr("times done, a point a cup")
                : of != Of::growth                           ? tr("cm², coats counted")
                : figure->figure.material == Material::resin ? tr("mm poured, if all of it stayed")
                                                             : tr("coats"),
                of == Of::pace      ? tr("minutes it took")
                : of == Of::wait    ? tr("minutes till it was gone on with")
                : of == Of::film    ? tr("cm² of film taken")
                : of == Of::fault   ? tr("times something was wrong")
                : of == Of::growth  ? tr("mm grown, less what else was on")
                : of == Of::glitter ? tr("grams that went")
                                    : tr("ml that went"));
  }
  words_->clear();
}

void LogArea::refreshMonths() {
  std::vector<RowsModel::Row> rows;
  int index = 0;
  for (const LogBoard::Month& month : board_.months()) {
    RowsModel::Row row;
    row.index = index++;
    const Money each = month.cost * (1.0 / std::max(1, month.cups));
    row.cells = {QString::fromStdString(civilText(month.from).substr(0, 7)),
                 QString::number(month.cups),
                 (month.unknown > 0 ? tr("over %1") : QStringLiteral("%1"))
                     .arg(QString::fromStdString(moneyText(month.cost))),
                 QString::number(month.sold),
                 QString::fromStdString(moneyText(month.price)),
                 QString::fromStdString(moneyText(each))};
    row.keys = {{},
                static_cast<double>(month.cups),
                month.cost.value(),
                static_cast<double>(month.sold),
                month.price.value(),
                each.value()};
    rows.push_back(std::move(row));
  }
  auto& view = dynamic_cast<QTableView&>(*stack_->widget(months));
  put(*monthRows_, view, std::move(rows), {120, 80, 120, 80, 120, 120});
  words_->setText(board_.months().empty() ? tr("No cup was finished yet.") : QString());
}

}  // namespace avrelt

#include "moc_log_area.cpp"
