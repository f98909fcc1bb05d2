// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"

namespace avrelt {

/// The set in hand as a whole: which of the cup's it is, its size, how it is turned, by which point
/// it is placed and what is allowed for. All its layers follow.
class SetPage : public QWidget {
  Q_OBJECT

 public:
  SetPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QComboBox& sets() { return *sets_; }
  LengthField& size() { return *size_; }
  Segments& by() { return *by_; }
  QCheckBox& flipped() { return *flipped_; }
  QCheckBox& parted() { return *parted_; }
  QCheckBox& relief() { return *relief_; }
  QComboBox& anchor() { return *anchor_; }
  QDoubleSpinBox& across() { return *across_; }
  QDoubleSpinBox& up() { return *up_; }
  /// Down while a click on the flat says by which point the set is placed.
  QPushButton& pickButton() { return *pick_; }
  QDoubleSpinBox& shrinks() { return *shrinks_; }
  QPushButton& removeButton() { return *remove_; }
  QPushButton& copyButton() { return *copy_; }

 private:
  LengthField* field(FieldSet& fields, const QString& label, Member member,
                     WrittenLength DecalSet::*length);
  LengthField* angle(FieldSet& fields, const QString& label, Member member, Angle DecalSet::*angle);
  QWidget* makePoint();
  void refresh();
  void fillSets();
  void fillCopies();

  Order& order_;
  QComboBox* sets_ = nullptr;
  QPushButton* copy_ = nullptr;
  QPushButton* remove_ = nullptr;
  LengthField* size_ = nullptr;
  LengthField* turn_ = nullptr;
  Segments* by_ = nullptr;
  QCheckBox* flipped_ = nullptr;
  QComboBox* anchor_ = nullptr;
  QDoubleSpinBox* across_ = nullptr;  ///< where that point is, from the artwork's left
  QDoubleSpinBox* up_ = nullptr;      ///< and from below
  QPushButton* pick_ = nullptr;
  QCheckBox* growth_ = nullptr;
  QCheckBox* flush_ = nullptr;
  QCheckBox* parted_ = nullptr;
  QCheckBox* relief_ = nullptr;
  QDoubleSpinBox* shrinks_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
