// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/again_dialog.h"

#include <QAbstractItemView>
#include <QLabel>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"
#include "app/order/phrases.h"

namespace avrelt {

AgainDialog::AgainDialog(Document past, Shelf& shelf, const Stock& stock, Unit unit,
                         QWidget* parent)
    : QDialog(parent), past_(std::move(past)), stock_(stock), unit_(unit) {
  setWindowTitle(tr("Make it again"));
  openAt(*this, {560, 420});
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  blank_ = new QComboBox;
  const QString was =
      past_.cups.empty() ? QString() : QString::fromStdString(past_.cups.front().blank.name);
  blank_->addItem(was.isEmpty() ? tr("The same blank, as it was measured")
                                : tr("%1, as it was measured").arg(was));
  blanks_ = shelf.find({});
  for (const ShelfBlank& one : blanks_) {
    blank_->addItem(tr("%1, from the shelf").arg(QString::fromStdString(one.blank.name)));
  }
  column->addWidget(labelled(tr("On what blank"), blank_));
  blank_->view()->setAccessibleName(tr("Blanks"));
  auto* heading = new QLabel(tr("What comes out otherwise"));
  heading->setProperty("role", "label");
  column->addWidget(heading);
  changes_ = new QListWidget;
  changes_->setAccessibleName(heading->text());
  changes_->setWordWrap(true);
  heading->setBuddy(changes_);
  column->addWidget(changes_, 1);
  auto* words = new QLabel(
      tr("The design, its coats and your own steps are taken over; nothing of it counts as done or "
         "cut. Blanks of one kind differ: measure this one before anything is cut."));
  words->setProperty("role", "label");
  words->setWordWrap(true);
  column->addWidget(words);
  begin_ = closeBelow(*this, *column, tr("Begin the order"));
  connect(blank_, &QComboBox::currentIndexChanged, this, &AgainDialog::look);
  look();
}

void AgainDialog::look() {
  const int row = blank_->currentIndex();
  std::optional<Blank> other;
  if (row > 0) other = blanks_[static_cast<std::size_t>(row - 1)].blank;
  changes_->clear();
  if (!other) {
    made_ = againOf(past_, other, stock_);
  } else {
    auto made = beside(
        this, tr("Planning it on that blank…"),
        [past = past_, other, stock = stock_](Going&) { return againOf(past, other, stock); });
    begin_->setEnabled(made.has_value());
    if (!made) {
      changes_->addItem(tr("%1 Choose a blank again.").arg(made.error()));
      return;
    }
    made_ = std::move(*made);
  }
  begin_->setEnabled(true);
  for (const Sentence& change : made_.changed) changes_->addItem(say(change, unit_));
  if (made_.changed.empty()) {
    changes_->addItem(row > 0 ? tr("Nothing: it measures the same.")
                              : tr("Nothing: it is cut to the same size."));
  }
}

}  // namespace avrelt

#include "moc_again_dialog.cpp"
