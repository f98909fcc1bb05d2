// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/trace_dialog.h"

#include <numbers>
#include <QHBoxLayout>
#include <QHeaderView>

#include "app/order/phrases.h"

namespace avrelt {

TraceDialog::TraceDialog(Unit unit, Length apart, QWidget* parent) : PhotoDialog(unit, parent) {
  setWindowTitle(tr("Trace a photo"));
  canvas_ = new TraceCanvas;
  canvas_->setUnit(unit);
  lay(canvas_,
      tr("Put the two blue-green marks on places whose distance you measured, the dark ones on the "
         "corners of base and rim, the others along the right-hand edge. A double click adds "
         "one."));
  apart_ = new LengthField(tr("The two marks are apart by"), Member::traceApart);
  apart_->show(apart, unit);
  column()->addWidget(apart_);
  table_ = new QTableWidget;
  table_->setColumnCount(2);
  table_->setHorizontalHeaderLabels({tr("Plumb"), tr("Round")});
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(22);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setShowGrid(false);
  table_->setAccessibleName(tr("Girths that follow, from the rim down"));
  column()->addWidget(table_, 1);
  column()->addWidget(wordsLabel());
  auto* buttons = new QHBoxLayout;
  auto* leave = new QPushButton(tr("Leave it"));
  take_ = new QPushButton(tr("Take these stations"));
  take_->setProperty("primary", true);
  buttons->addWidget(leave);
  buttons->addWidget(take_, 1);
  column()->addLayout(buttons);
  table_->setMinimumHeight(110);

  connect(leave, &QPushButton::clicked, this, &QDialog::reject);
  connect(take_, &QPushButton::clicked, this, &QDialog::accept);
  connect(canvas_, &TraceCanvas::traced, this, &TraceDialog::refresh);
  connect(apart_, &LengthField::typed, this,
          [this](const WrittenLength& typed) { canvas_->setApart(typed.length); });
  connect(apart_, &LengthField::stepped, this, [this](int marks) {
    const Graduation graduation = usualGraduation(this->unit());
    const Length next = nearestMark(canvas_->trace().apart, graduation) + step(graduation) * marks;
    canvas_->setApart(std::max(next, Length()));
    apart_->show(canvas_->trace().apart, this->unit());
  });
  canvas_->setApart(apart);
  refresh();
}

void TraceDialog::refresh() {
  stations_.clear();
  QString fault;
  if (isLoaded()) {
    Checked<std::vector<Station>> stations = stationsFrom(canvas_->trace(), unit());
    if (stations) {
      stations_ = std::move(*stations);
    } else {
      fault = say(stations.error().sentence, unit());
    }
  }
  table_->setRowCount(static_cast<int>(stations_.size()));
  int row = 0;
  for (auto station = stations_.rbegin(); station != stations_.rend(); ++station, ++row) {
    const auto put = [&](int column, Length length) {
      auto* item = new QTableWidgetItem(onTape(length, unit()).mark);
      item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      table_->setItem(row, column, item);
    };
    put(0, station->at.length);
    put(1, station->girth->length * std::numbers::pi);
  }
  take_->setEnabled(!stations_.empty());
  wordsLabel()->setText(!fault.isEmpty() ? fault
                        : isLoaded()
                            ? tr("Stand 2 m away for the photo, level with the cup's middle. "
                                 "Check one girth with the tape before film is cut.")
                            : tr("Nothing is loaded yet."));
}

}  // namespace avrelt

#include "moc_trace_dialog.cpp"
