// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/printer_dialog.h"

#include <cmath>
#include <QCheckBox>
#include <QGridLayout>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/kept_length.h"
#include "app/fields/labelled.h"
#include "app/order/phrases.h"

namespace avrelt {

PrinterDialog::PrinterDialog(const Printer& printer, Unit unit, QWidget* parent)
    : QDialog(parent), printer_(printer), unit_(unit) {
  setWindowTitle(tr("The printer"));
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(6);
  struct Row {
    QString label;
    Member member;
    Length& length;
  };
  const Row rows[] = {{tr("Its sheet is wide"), Member::printerWide, printer_.wide},
                      {tr("and tall"), Member::printerTall, printer_.tall},
                      {tr("Not printed, left"), Member::printerLeft, printer_.left},
                      {tr("right"), Member::printerRight, printer_.right},
                      {tr("above"), Member::printerTop, printer_.top},
                      {tr("below"), Member::printerBottom, printer_.bottom},
                      {tr("Print beyond the cut by"), Member::printerBleed, printer_.bleed}};
  int at = 0;
  for (const Row& row : rows) {
    auto* field = keptLength(row.label, row.member, row.length, unit, [this] { refresh(); });
    fields_.push_back(field);
    grid->addWidget(field, at / 2, at % 2);
    ++at;
  }
  auto* dots = new CountBox;
  dots->setRange(72, 600);
  dots->setValue(static_cast<int>(std::lround(printer_.dotsPerInch)));
  grid->addWidget(labelled(tr("Dots to the inch"), dots), at / 2, at % 2);
  connect(dots, &QSpinBox::valueChanged, this, [this](int value) { printer_.dotsPerInch = value; });
  column->addLayout(grid);
  auto* marks = new QCheckBox(tr("Marks at three corners, to cut by"));
  marks->setChecked(printer_.marks);
  connect(marks, &QCheckBox::toggled, this, [this](bool on) {
    printer_.marks = on;
    refresh();
  });
  column->addWidget(marks);
  auto* rolls = new QCheckBox(tr("It prints on rolls too, no wider, a sheet’s length at a time"));
  rolls->setChecked(printer_.rolls);
  connect(rolls, &QCheckBox::toggled, this, [this](bool on) { printer_.rolls = on; });
  column->addWidget(rolls);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  column->addWidget(words_);
  auto* caution = new QLabel(
      tr("Which film the printer takes, and how long a print dries before it is cut or coated, its "
         "maker and the film’s say. Most prints have to be sealed before resin."));
  caution->setProperty("role", "caution");
  caution->setWordWrap(true);
  column->addWidget(caution);
  take_ = closeBelow(*this, *column);
  refresh();
}

void PrinterDialog::refresh() {
  const Faults faults = faultsOf(printer_);
  for (LengthField* field : fields_) {
    field->setFault({});
    for (const Fault& fault : faults) {
      if (fault.where == field->where()) {
        field->setFault(say(fault.sentence, unit_));
      }
    }
  }
  take_->setEnabled(faults.empty());
  if (!faults.empty()) return words_->setText(say(faults.front().sentence, unit_));
  const Box room = boundsOf(printRoom(printer_, printer_.wide, printer_.tall));
  words_->setText(
      tr("Parts have %1 × %2 of the sheet, less the corners the marks take.")
          .arg(say(Length::mm(room.width()), unit_), say(Length::mm(room.height()), unit_)));
}

}  // namespace avrelt

#include "moc_printer_dialog.cpp"
