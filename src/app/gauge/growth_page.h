// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/gauge/stage_list.h"
#include "app/order/order.h"

namespace avrelt {

/// What coats add: the stages, the one the parts are laid at, and the girth measured there.
class GrowthPage : public QWidget {
  Q_OBJECT

 public:
  GrowthPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  StageList* stages() const { return stages_; }
  QComboBox& thing() { return *thing_; }

 signals:
  void logAsked();
  void said(const QString& sentence);

 private:
  void refresh();
  void showHabits();
  void listThings();
  QMenu* coatMenu();
  void askAmount();
  void askThickness();

  Order& order_;
  QLabel* thingLabel_;
  QComboBox* thing_;
  StageList* stages_;
  QPushButton* add_;
  QPushButton* remove_;
  Segments* sized_;
  LengthField* again_;
  QPushButton* log_;
  QLabel* habits_;
  QLabel* caution_;
};

}  // namespace avrelt
