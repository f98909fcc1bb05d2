// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/order/order.h"

namespace avrelt {

/// Everything on the cup in hand, the outermost first, down to the metal: taken in hand, put in
/// another order, peeled back on flat and cup.
class StackPage : public QWidget {
  Q_OBJECT

 public:
  explicit StackPage(Order& order, QWidget* parent = nullptr);

  QListWidget& items() { return *items_; }
  QPushButton& peelButton() { return *peel_; }
  QPushButton& putBackButton() { return *putBack_; }
  QPushButton& outwardsButton() { return *outwards_; }
  QPushButton& inwardsButton() { return *inwards_; }
  QLabel& words() { return *words_; }

  /// Lays the item in hand farther out or, below 0, farther in; where none was picked, the layer in
  /// hand.
  void move(int by);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  const StackItem* inHand() const;
  void takeInHand(int row);
  void refresh();
  QString wordsOf(const StackItem& item) const;

  Order& order_;
  std::string chosen_;  ///< id of the item in hand
  QListWidget* items_ = nullptr;
  QPushButton* peel_ = nullptr;
  QPushButton* putBack_ = nullptr;
  QPushButton* outwards_ = nullptr;
  QPushButton* inwards_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
