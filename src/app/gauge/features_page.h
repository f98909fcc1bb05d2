// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/order/order.h"

namespace avrelt {

/// What the body carries besides its wall: a list, and the place of the one in hand.
class FeaturesPage : public QWidget {
  Q_OBJECT

 public:
  FeaturesPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QListWidget* list() { return list_; }
  /// Takes the feature a fault names ("blank.features[1].high") in hand.
  void pick(int feature);
  void addFeature(FeatureKind kind);

 private:
  void connectFields();
  void refresh();
  int picked() const;
  void edit(const QString& text, const QString& key, const std::function<void(Feature&)>& change);

  Order& order_;
  QListWidget* list_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* remove_ = nullptr;
  LengthField* at_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* low_ = nullptr;
  LengthField* high_ = nullptr;
  bool filling_ = false;
};

/// "Handle", "Lid mouth": what a feature is called.
QString featureTitle(FeatureKind kind);

}  // namespace avrelt
