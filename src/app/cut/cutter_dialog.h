// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QSpinBox>

#include "app/fields/length_field.h"
#include "sheet/cutter.h"

namespace avrelt {

/// The cutter's figures.
class CutterDialog : public QDialog {
  Q_OBJECT

 public:
  CutterDialog(const Cutter& cutter, Unit unit, QWidget* parent = nullptr);

  const Cutter& cutter() const { return cutter_; }
  LengthField& offset() { return *offset_; }

 private:
  LengthField* field(const QString& label, Member member, Length& length, Unit unit);

  Cutter cutter_;
  LengthField* offset_ = nullptr;
};

}  // namespace avrelt
