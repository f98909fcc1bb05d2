// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/quote_dialog.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"

namespace avrelt {
namespace {

QString moneyWords(Money money) {
  return QString::fromStdString(moneyText(money));
}

}  // namespace

QuoteDialog::QuoteDialog(std::vector<QuoteCup> cups, const QString& order, const QString& whom,
                         CivilTime now, QWidget* parent)
    : QDialog(parent), cups_(std::move(cups)), order_(order.toStdString()), now_(now) {
  setWindowTitle(tr("Quote"));
  openAt(*this, {680, 520});
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* row = new QHBoxLayout;
  whom_ = new QLineEdit(whom);
  whom_->setMaxLength(200);
  days_ = new CountBox;
  days_->setRange(1, 366);
  days_->setValue(30);
  row->addWidget(labelled(tr("For whom"), whom_), 3);
  row->addWidget(labelled(tr("Holds for so many days"), days_), 1);
  column->addLayout(row);
  table_ = new QTableWidget(static_cast<int>(cups_.size()), priceColumn + 1);
  table_->setAccessibleName(tr("What each cup will cost, and its price"));
  table_->setHorizontalHeaderLabels(
      {tr("Cup"), tr("Materials"), tr("Work"), tr("Share"), tr("Costs"), tr("Price")});
  table_->verticalHeader()->hide();
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setTabKeyNavigation(false);
  table_->setShowGrid(false);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Interactive);
  table_->horizontalHeader()->setSectionResizeMode(cupColumn, QHeaderView::Stretch);
  table_->horizontalHeader()->setHighlightSections(false);
  table_->horizontalHeaderItem(cupColumn)->setTextAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  column->addWidget(table_, 1);
  total_ = new QLabel;
  total_->setAlignment(Qt::AlignRight);
  column->addWidget(total_);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);
  notes_ = new QPlainTextEdit;
  notes_->setTabChangesFocus(true);
  notes_->setMaximumHeight(70);
  column->addWidget(labelled(tr("Your own words below it"), notes_));
  closeBelow(*this, *column, tr("Save as pages…"));
  fill();
  connect(table_, &QTableWidget::itemChanged, this, &QuoteDialog::read);
  connect(table_, &QTableWidget::currentCellChanged, this, &QuoteDialog::tell);
  if (!cups_.empty()) table_->setCurrentCell(0, priceColumn);
  tell();
}

void QuoteDialog::fill() {
  filling_ = true;
  for (int row = 0; row < table_->rowCount(); ++row) {
    const QuoteCup& cup = cups_[static_cast<std::size_t>(row)];
    const bool over = cup.cost.unknown > 0;
    const QStringList cells{
        QString::fromStdString(cup.name),
        moneyWords(cup.cost.materials),
        moneyWords(cup.cost.time),
        moneyWords(cup.cost.share),
        over ? tr("over %1").arg(moneyWords(cup.cost.total)) : moneyWords(cup.cost.total),
        moneyWords(cup.price)};
    for (int column = 0; column < cells.size(); ++column) {
      auto* item = new QTableWidgetItem(cells[column]);
      if (column != priceColumn) item->setFlags(item->flags() & ~Qt::ItemIsEditable);
      if (column != cupColumn) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      table_->setItem(row, column, item);
    }
  }
  filling_ = false;
}

void QuoteDialog::read(QTableWidgetItem* item) {
  if (filling_ || item->column() != priceColumn) return;
  QuoteCup& cup = cups_[static_cast<std::size_t>(item->row())];
  const QString typed = item->text().trimmed();
  const std::optional<Money> price = parseMoney(typed.toStdString());
  if (price) {
    cup.typed = cup.typed || !(cup.price == *price);
    cup.price = *price;
  }
  filling_ = true;
  item->setText(moneyWords(cup.price));
  filling_ = false;
  tell();
  if (!price) {
    words_->setText(tr("“%1” is no price. Type a number, from 0 to a million.").arg(typed));
  }
}

void QuoteDialog::tell() {
  total_->setText(tr("All together %1").arg(moneyWords(quote().total())));
  const int row = table_->currentRow();
  if (row < 0) return;
  const QuoteCup& cup = cups_[static_cast<std::size_t>(row)];
  const QString name = QString::fromStdString(cup.name);
  QString words = tr("By your rule %1 sells for %2; double-click or F2 types another price.")
                      .arg(name, moneyWords(cup.cost.price));
  if (!cup.without.isEmpty()) {
    words += QLatin1Char(' ') + tr("It costs more than is said here. Without a price: %1. Give "
                                   "them one among the supplies or films.")
                                    .arg(cup.without.join(tr(", ")));
  }
  words_->setText(words);
}

Quote QuoteDialog::quote() const {
  Quote quote;
  quote.order = order_;
  quote.whom = whom_->text().trimmed().toStdString();
  quote.day = dayOf(now_);
  quote.until = quote.day + std::chrono::days(days_->value());
  quote.notes = notes_->toPlainText().trimmed().toStdString();
  for (const QuoteCup& cup : cups_) quote.lines.push_back({cup.name, cup.made, cup.price});
  return quote;
}

}  // namespace avrelt

#include "moc_quote_dialog.cpp"
