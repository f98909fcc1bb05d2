// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/field_set.h"

namespace avrelt {

/// Sets thrown over a zone as if by chance: how many, how far apart, of which sizes, where denser.
class ScatterPage : public QWidget {
  Q_OBJECT

 public:
  ScatterPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QComboBox& scatters() { return *scatters_; }
  QPushButton& addButton() { return *add_; }
  QPushButton& removeButton() { return *remove_; }
  QPushButton& moreButton() { return *more_; }
  QSpinBox& count() { return *count_; }
  QDoubleSpinBox& cover() { return *cover_; }
  QSpinBox& smallest() { return *smallest_; }
  QSpinBox& turns() { return *turns_; }
  QComboBox& density() { return *density_; }
  QCheckBox& whole() { return *whole_; }
  QCheckBox& offSeam() { return *offSeam_; }
  QLabel& words() { return *words_; }

 private:
  void connectFields();
  void refresh();
  void fillMore();
  QString scatterWords() const;
  LengthField* length(FieldSet& fields, const QString& label, Member member,
                      WrittenLength Scatter::*value);

  Order& order_;
  QComboBox* scatters_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* more_ = nullptr;
  QPushButton* remove_ = nullptr;
  QSpinBox* count_ = nullptr;
  QDoubleSpinBox* cover_ = nullptr;
  LengthField* gap_ = nullptr;
  LengthField* away_ = nullptr;
  QSpinBox* smallest_ = nullptr;
  QSpinBox* turns_ = nullptr;
  QComboBox* density_ = nullptr;
  QCheckBox* whole_ = nullptr;
  QCheckBox* offSeam_ = nullptr;
  QLabel* words_ = nullptr;
  QWidget* body_ = nullptr;
};

}  // namespace avrelt
