// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/compare_dialog.h"

#include <algorithm>
#include <map>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

struct Line {
  QString what;
  QString first;
  QString second;
};

/// What two cups say under the same words, in the order the words first came.
class Lines {
 public:
  void add(int side, const QString& what, const QString& says) {
    const auto [at, isNew] = place_.try_emplace(what, lines_.size());
    if (isNew) lines_.push_back({what, {}, {}});
    (side == 0 ? lines_[at->second].first : lines_[at->second].second) = says;
  }
  const std::vector<Line>& all() const { return lines_; }

 private:
  std::vector<Line> lines_;
  std::map<QString, std::size_t> place_;
};

}  // namespace

CompareDialog::CompareDialog(LogBoard& board, QWidget* parent)
    : QDialog(parent), board_(board), entries_(board.entries()) {
  setWindowTitle(tr("Compare two cups"));
  openAt(*this, {760, 560});
  auto* column = new QVBoxLayout(this);
  auto* row = new QHBoxLayout;
  const auto choice = [&](const QString& name) {
    auto* made = new QComboBox;
    for (const LogEntry& entry : entries_) {
      made->addItem(tr("%1, %2").arg(QString::fromStdString(entry.name),
                                     QString::fromStdString(entry.order)));
    }
    row->addWidget(labelled(name, made), 1);
    made->view()->setAccessibleName(name);
    connect(made, &QComboBox::currentIndexChanged, this, &CompareDialog::look);
    return made;
  };
  first_ = choice(tr("This cup"));
  second_ = choice(tr("against this one"));
  column->addLayout(row);
  table_ = new QTableWidget(0, 3);
  table_->setAccessibleName(tr("What they are, side by side"));
  table_->setHorizontalHeaderLabels({{}, tr("This cup"), tr("The other")});
  table_->verticalHeader()->hide();
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setTabKeyNavigation(false);
  table_->setShowGrid(false);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  column->addWidget(table_, 1);
  closeBelow(*this, *column);
  const LogEntry* picked = board.picked();
  for (std::size_t i = 0; i < entries_.size(); ++i) {
    if (picked != nullptr && entries_[i].key == picked->key) {
      first_->setCurrentIndex(static_cast<int>(i));
      // One like it is the likeliest to be held against it.
      const auto same = std::find_if(entries_.begin(), entries_.end(), [&](const LogEntry& other) {
        return !(other.key == entries_[i].key) && other.blank == entries_[i].blank;
      });
      const auto next = static_cast<std::ptrdiff_t>((i + 1) % entries_.size());
      second_->setCurrentIndex(
          static_cast<int>(same == entries_.end() ? next : same - entries_.begin()));
    }
  }
  look();
}

void CompareDialog::look() {
  Lines lines;
  for (const int side : {0, 1}) {
    const int at = (side == 0 ? first_ : second_)->currentIndex();
    if (at < 0 || at >= static_cast<int>(entries_.size())) continue;
    const LogBoard::Facts facts = board_.factsOf(entries_[static_cast<std::size_t>(at)]);
    const LogEntry& entry = facts.entry;
    const auto add = [&](const QString& what, const QString& says) { lines.add(side, what, says); };
    const auto day = [](const std::optional<CivilTime>& time) {
      return time ? QString::fromStdString(civilText(*time).substr(0, 10)) : QString();
    };
    add(tr("Blank"), QString::fromStdString(entry.blank));
    add(tr("Made with"), QString::fromStdString(entry.made));
    add(tr("For"), QString::fromStdString(entry.notes.whom));
    add(tr("Begun"), day(entry.begun));
    add(tr("Finished"), day(entry.finished));
    add(tr("Steps done"), tr("%1 of %2").arg(entry.done).arg(entry.steps));
    for (const CostLine& line : facts.cost.lines) {
      const QString money =
          line.known ? QString::fromStdString(moneyText(line.money)) : tr("no price");
      const QString name = QString::fromStdString(line.name);
      switch (line.of) {
        case CostLine::Of::supply:
          add(name, tr("%1, %2").arg(QString::fromStdString(amountText(line.amount, board_.unit())),
                                     money));
          break;
        case CostLine::Of::film:
          add(name, tr("%1, %2").arg(say(line.area, board_.unit()), money));
          break;
        case CostLine::Of::time:
          add(tr("Work"), tr("%1, %2").arg(hoursWords(line.time), money));
          break;
        case CostLine::Of::share:
          break;
      }
    }
    add(tr("Cost"), QString::fromStdString(moneyText(facts.cost.total)));
    add(tr("Sold for"),
        entry.notes.price ? QString::fromStdString(moneyText(*entry.notes.price)) : QString());
    add(tr("Faults, notes"), QString::fromStdString(entry.notes.faults));
  }
  table_->setRowCount(static_cast<int>(lines.all().size()));
  int row = 0;
  for (const Line& line : lines.all()) {
    const bool differs = line.first != line.second;
    const QStringList cells{(differs ? QStringLiteral("≠ ") : QStringLiteral("   ")) + line.what,
                            line.first, line.second};
    for (int i = 0; i < 3; ++i) {
      auto* item = new QTableWidgetItem(cells[i]);
      item->setToolTip(cells[i]);
      QFont font = item->font();
      font.setBold(differs && i > 0);
      item->setFont(font);
      table_->setItem(row, i, item);
    }
    ++row;
  }
}

}  // namespace avrelt

#include "moc_compare_dialog.cpp"
