// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <QCheckBox>
#include <QDateTimeEdit>
#include <QDialog>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>

#include "bench/choices.h"
#include "measure/length.h"

namespace avrelt {

/// When the maker works and with what: the first hour, the day it is due, hours of each weekday,
/// days away, hands, turners, lamps, spray places and places to dry, how warm the room is, and what
/// is done where schools differ.
class TimesDialog : public QDialog {
  Q_OBJECT

 public:
  /// `now` is what is offered as a first hour where there is none.
  TimesDialog(const BenchChoices& choices, CivilTime now, Unit unit, QWidget* parent = nullptr);

  const BenchChoices& choices() const { return choices_; }

 private:
  void refresh();

  BenchChoices choices_;
  Unit unit_;
  QCheckBox* begins_ = nullptr;
  QDateTimeEdit* from_ = nullptr;
  QCheckBox* isDue_ = nullptr;
  QDateTimeEdit* due_ = nullptr;
  std::array<QLineEdit*, 7> days_{};
  QLineEdit* away_ = nullptr;
  QSpinBox* hands_ = nullptr;
  QSpinBox* turners_ = nullptr;
  QSpinBox* lamps_ = nullptr;
  QSpinBox* sprayPlaces_ = nullptr;
  QSpinBox* shelfPlaces_ = nullptr;
  QCheckBox* isWarm_ = nullptr;
  QDoubleSpinBox* warmth_ = nullptr;
  QCheckBox* sealPrints_ = nullptr;
  QCheckBox* quickCoats_ = nullptr;
  QCheckBox* quickLast_ = nullptr;
  QCheckBox* halfByHalf_ = nullptr;
  QCheckBox* ringOneByOne_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
