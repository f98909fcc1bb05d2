// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// Covers and windows: what is cut to be laid in place of tape, and of which zones.
class MaskPage : public QWidget {
  Q_OBJECT

 public:
  MaskPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QListWidget& list() { return *list_; }
  QListWidget& zones() { return *zones_; }
  QPushButton& coverButton() { return *cover_; }
  QPushButton& windowButton() { return *window_; }
  QPushButton& removeButton() { return *remove_; }
  Segments& material() { return *material_; }

 private:
  void connectFields();
  /// The mask in hand; nothing for none.
  const Mask* inHand() const;
  void change(const QString& key, const std::function<void(Mask&)>& change);
  void add(MaskKind kind);
  void refresh();

  Order& order_;
  QListWidget* list_ = nullptr;
  QListWidget* zones_ = nullptr;
  QPushButton* cover_ = nullptr;
  QPushButton* window_ = nullptr;
  QPushButton* remove_ = nullptr;
  Segments* material_ = nullptr;
  LengthField* margin_ = nullptr;
  QLabel* words_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
