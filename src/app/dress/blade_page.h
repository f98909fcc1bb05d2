// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/look/painting.h"

namespace avrelt {

/// The artwork of the set in hand with its thin places marked.
class ThinPlaces : public Canvas {
  Q_OBJECT

 public:
  explicit ThinPlaces(Order& order, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Order& order_;
};

/// Whether blade and hook can do what the set asks of them: the thinnest stroke and gap, what is
/// under the limit, and what may be mended.
class BladePage : public QWidget {
  Q_OBJECT

 public:
  BladePage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QCheckBox& thicken() { return *thicken_; }
  QCheckBox& drop() { return *drop_; }
  QLabel& words() { return *words_; }

 private:
  void refresh();

  Order& order_;
  LengthField* limit_ = nullptr;
  QCheckBox* thicken_ = nullptr;
  QCheckBox* drop_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
