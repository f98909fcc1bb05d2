// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QWidget>

#include "app/order/order.h"

namespace avrelt {

/// What the joined artwork in hand is made of, how, and where each of it lies.
class JoinPage : public QWidget {
  Q_OBJECT

 public:
  explicit JoinPage(Order& order, QWidget* parent = nullptr);

  QListWidget& list() { return *list_; }
  QComboBox& how() { return *how_; }
  QDoubleSpinBox& right() { return *right_; }
  QDoubleSpinBox& percent() { return *percent_; }

 private:
  const Artwork* inHand() const;
  QDoubleSpinBox* number(double least, double most, double JoinedArt::*member, bool length);
  void change(const QString& key, const std::function<void(Joining&)>& change);
  void refresh();

  Order& order_;
  QListWidget* list_ = nullptr;
  QComboBox* how_ = nullptr;
  QDoubleSpinBox* right_ = nullptr;
  QDoubleSpinBox* up_ = nullptr;
  QDoubleSpinBox* percent_ = nullptr;
  QDoubleSpinBox* turn_ = nullptr;
  QLabel* words_ = nullptr;
  bool filling_ = false;
  bool askedForOne_ = false;  ///< that is what the words say
};

}  // namespace avrelt
