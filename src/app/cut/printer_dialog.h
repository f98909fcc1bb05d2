// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QPushButton>

#include "app/fields/length_field.h"
#include "sheet/printer.h"

namespace avrelt {

/// The printer's figures: its sheet, what it can print on, how finely and how far beyond the cut.
class PrinterDialog : public QDialog {
  Q_OBJECT

 public:
  PrinterDialog(const Printer& printer, Unit unit, QWidget* parent = nullptr);

  const Printer& printer() const { return printer_; }

 private:
  void refresh();

  Printer printer_;
  Unit unit_;
  std::vector<LengthField*> fields_;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
