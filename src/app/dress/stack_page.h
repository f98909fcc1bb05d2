// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/dress/stack_rows.h"
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
  /// Does what helps the item in hand.
  QPushButton& mendButton() { return *mend_; }

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
  StackRow rowOf(const StackItem& item) const;
  /// What is told of an item, the worst first; none where nothing is.
  const Watch* conflictOf(const std::string& id) const;
  void mend(const std::string& id);
  std::string idAt(int row) const;

  Order& order_;
  std::string chosen_;  ///< id of the item in hand
  QListWidget* items_ = nullptr;
  StackRows* rows_ = nullptr;
  QPushButton* mend_ = nullptr;
  QPushButton* peel_ = nullptr;
  QPushButton* putBack_ = nullptr;
  QPushButton* outwards_ = nullptr;
  QPushButton* inwards_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
