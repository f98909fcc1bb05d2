// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"

namespace avrelt {

/// Where the set in hand stands, place by place: typed, with the room round it and the marks to put
/// it by.
class PlacePage : public QWidget {
  Q_OBJECT

 public:
  PlacePage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QComboBox& places() { return *places_; }
  QPushButton& addButton() { return *add_; }
  QPushButton& removeButton() { return *remove_; }
  LengthField& up() { return *up_; }
  LengthField& at() { return *at_; }
  LengthField& turn() { return *turn_; }
  QCheckBox& follows() { return *follows_; }
  QLabel& room() { return *room_; }

 private:
  void refresh();
  QString roomWords() const;
  QString markWords() const;
  QString peekabooWords(const PlacePlan& place) const;

  Order& order_;
  QComboBox* places_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* remove_ = nullptr;
  LengthField* up_ = nullptr;
  LengthField* at_ = nullptr;
  LengthField* turn_ = nullptr;
  QCheckBox* follows_ = nullptr;
  QLabel* room_ = nullptr;
  QLabel* marks_ = nullptr;
};

}  // namespace avrelt
