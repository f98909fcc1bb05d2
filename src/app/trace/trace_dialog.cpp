// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/trace_dialog.h"

#include <numbers>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/fields/scrolled.h"
#include "app/order/phrases.h"
#include "app/trace/photo.h"

namespace avrelt {

TraceDialog::TraceDialog(Unit unit, Length apart, QWidget* parent) : QDialog(parent), unit_(unit) {
  setWindowTitle(tr("Trace a photo"));
  resize(1040, 680);
  auto* row = new QHBoxLayout(this);
  row->setSpacing(14);
  canvas_ = new TraceCanvas;
  canvas_->setUnit(unit);
  row->addWidget(canvas_, 1);

  auto* side = new QWidget;
  side->setFixedWidth(290);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* open = new QPushButton(tr("Load a photo…"));
  column->addWidget(open);
  auto* how = new QLabel(tr(
      "Put the two blue-green marks on places whose distance you measured, the dark ones on the "
      "corners of base and rim, the others along the right-hand edge. A double click adds one."));
  how->setWordWrap(true);
  column->addWidget(how);
  apart_ = new LengthField(tr("The two marks are apart by"), QStringLiteral("trace.apart"));
  apart_->show(apart, unit);
  column->addWidget(apart_);
  table_ = new QTableWidget;
  table_->setColumnCount(2);
  table_->setHorizontalHeaderLabels({tr("Plumb"), tr("Round")});
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(22);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setShowGrid(false);
  table_->setAccessibleName(tr("Girths that follow, from the rim down"));
  column->addWidget(table_, 1);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  column->addWidget(words_);
  auto* buttons = new QHBoxLayout;
  auto* leave = new QPushButton(tr("Leave it"));
  take_ = new QPushButton(tr("Take these stations"));
  take_->setProperty("primary", true);
  buttons->addWidget(leave);
  buttons->addWidget(take_, 1);
  column->addLayout(buttons);
  table_->setMinimumHeight(110);
  row->addWidget(scrolledColumn(side));

  connect(open, &QPushButton::clicked, this, &TraceDialog::ask);
  connect(leave, &QPushButton::clicked, this, &QDialog::reject);
  connect(take_, &QPushButton::clicked, this, &QDialog::accept);
  connect(canvas_, &TraceCanvas::traced, this, &TraceDialog::refresh);
  connect(apart_, &LengthField::typed, this,
          [this](const WrittenLength& typed) { canvas_->setApart(typed.length); });
  connect(apart_, &LengthField::stepped, this, [this](int marks) {
    const Graduation graduation = usualGraduation(unit_);
    const Length next = nearestMark(canvas_->trace().apart, graduation) + step(graduation) * marks;
    canvas_->setApart(std::max(next, Length()));
    apart_->show(canvas_->trace().apart, unit_);
  });
  canvas_->setApart(apart);
  refresh();
}

std::optional<Sentence> TraceDialog::load(const QString& path) {
  tl::expected<QImage, Sentence> photo = readPhoto(path);
  if (!photo) {
    words_->setText(say(photo.error(), unit_));
    return photo.error();
  }
  loaded_ = true;
  canvas_->show(*photo);
  canvas_->setFocus(Qt::OtherFocusReason);
  return std::nullopt;
}

void TraceDialog::ask() {
  const QString path = QFileDialog::getOpenFileName(
      this, tr("Load a photo"), {}, tr("Pictures (*.jpg *.jpeg *.png *.bmp *.gif);;All files (*)"));
  if (!path.isEmpty()) load(path);
}

void TraceDialog::refresh() {
  stations_.clear();
  QString fault;
  if (loaded_) {
    Checked<std::vector<Station>> stations = stationsFrom(canvas_->trace(), unit_);
    if (stations) {
      stations_ = std::move(*stations);
    } else {
      fault = say(stations.error().sentence, unit_);
    }
  }
  table_->setRowCount(static_cast<int>(stations_.size()));
  int row = 0;
  for (auto station = stations_.rbegin(); station != stations_.rend(); ++station, ++row) {
    const auto put = [&](int column, Length length) {
      auto* item = new QTableWidgetItem(onTape(length, unit_).mark);
      item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      table_->setItem(row, column, item);
    };
    put(0, station->at.length);
    put(1, station->girth->length * std::numbers::pi);
  }
  take_->setEnabled(!stations_.empty());
  words_->setText(!fault.isEmpty() ? fault
                  : loaded_ ? tr("Stand 2 m away for the photo, level with the cup's middle. "
                                 "Check one girth with the tape before film is cut.")
                            : tr("Nothing is loaded yet."));
}

}  // namespace avrelt
