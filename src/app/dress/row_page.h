// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/field_set.h"

namespace avrelt {

/// Sets in turn round the cup: how many, how far apart, from where, in how many lines.
class RowPage : public QWidget {
  Q_OBJECT

 public:
  RowPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QComboBox& rows() { return *rows_; }
  QPushButton& addButton() { return *add_; }
  QPushButton& removeButton() { return *remove_; }
  QPushButton& moreButton() { return *more_; }
  QSpinBox& count() { return *count_; }
  LengthField& gap() { return *gap_; }
  LengthField& up() { return *up_; }
  QComboBox& start() { return *start_; }
  LengthField& at() { return *at_; }
  QSpinBox& lines() { return *lines_; }
  LengthField& apart() { return *apart_; }
  QCheckBox& even() { return *even_; }
  QCheckBox& staggered() { return *staggered_; }
  QLabel& words() { return *words_; }

 private:
  void connectFields();
  void refresh();
  void fillMore();
  QString rowWords() const;
  LengthField* length(FieldSet& fields, const QString& label, Member member,
                      WrittenLength Row::*member_);

  Order& order_;
  QComboBox* rows_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* remove_ = nullptr;
  QPushButton* more_ = nullptr;
  QSpinBox* count_ = nullptr;
  LengthField* gap_ = nullptr;
  LengthField* up_ = nullptr;
  QComboBox* start_ = nullptr;
  LengthField* at_ = nullptr;
  QSpinBox* lines_ = nullptr;
  LengthField* apart_ = nullptr;
  QCheckBox* even_ = nullptr;
  QCheckBox* staggered_ = nullptr;
  QLabel* words_ = nullptr;
  QWidget* body_ = nullptr;
};

}  // namespace avrelt
