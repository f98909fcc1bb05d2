// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/cutter_dialog.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/kept_length.h"
#include "app/fields/labelled.h"

namespace avrelt {

CutterDialog::CutterDialog(const Cutter& cutter, Unit unit, QWidget* parent)
    : QDialog(parent), cutter_(cutter) {
  setWindowTitle(tr("The cutter"));
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(6);
  grid->addWidget(field(tr("Widest film it cuts"), Member::cutterWidest, cutter_.widest, unit), 0,
                  0);
  grid->addWidget(field(tr("Longest"), Member::cutterLongest, cutter_.longest, unit), 0, 1);
  offset_ = field(tr("The blade’s tip trails by"), Member::cutterOffset, cutter_.bladeOffset, unit);
  offset_->setToolTip(
      tr("0 where the cutter steers the blade or makes up for it itself. Else the offset on the "
         "blade’s packet: the blade is led so that its tip stays on the line"));
  grid->addWidget(offset_, 1, 0);
  grid->addWidget(
      field(tr("It cuts past its start by"), Member::cutterOvercut, cutter_.overcut, unit), 1, 1);
  auto* speed = new CountBox;
  speed->setRange(1, 1000);
  speed->setSuffix(tr(" mm/s"));
  speed->setValue(static_cast<int>(cutter_.perSecond.mm()));
  grid->addWidget(labelled(tr("Speed"), speed), 2, 0);
  connect(speed, &QSpinBox::valueChanged, this,
          [this](int value) { cutter_.perSecond = Length::mm(value); });
  auto* passes = new CountBox;
  passes->setRange(1, 9);
  passes->setValue(cutter_.passes);
  grid->addWidget(labelled(tr("Times round"), passes), 2, 1);
  connect(passes, &QSpinBox::valueChanged, this, [this](int value) { cutter_.passes = value; });
  column->addLayout(grid);
  auto* mirrored = new QCheckBox(tr("All film is fed face down: send sheets mirrored"));
  mirrored->setChecked(cutter_.mirrored);
  connect(mirrored, &QCheckBox::toggled, this, [this](bool on) { cutter_.mirrored = on; });
  column->addWidget(mirrored);
  auto* pen = new QCheckBox(tr("A pen as its second tool draws the guides"));
  pen->setChecked(cutter_.pen);
  connect(pen, &QCheckBox::toggled, this, [this](bool on) { cutter_.pen = on; });
  column->addWidget(pen);
  auto* caution = new QLabel(
      tr("Depth, force and which blade suits a film are for the makers of both to say. Try a small "
         "square first."));
  caution->setProperty("role", "caution");
  caution->setWordWrap(true);
  column->addWidget(caution);
  closeBelow(*this, *column);
}

LengthField* CutterDialog::field(const QString& label, Member member, Length& length, Unit unit) {
  return keptLength(label, member, length, unit);
}

}  // namespace avrelt

#include "moc_cutter_dialog.cpp"
