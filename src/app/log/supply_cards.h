// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/fields/swatches.h"
#include "app/log/log_board.h"

namespace avrelt {

/// The supply picked: what it is, what was counted and bought of it, and how far it goes.
class SupplyCards : public QWidget {
  Q_OBJECT

 public:
  explicit SupplyCards(LogBoard& board, QWidget* parent = nullptr);

  QLineEdit& name() { return *name_; }
  QComboBox& kind() { return *kind_; }
  QComboBox& method() { return *method_; }
  QLineEdit& amount() { return *amount_; }
  QListWidget& events() { return *events_; }
  QLabel& words() { return *words_; }
  QDoubleSpinBox& price() { return *price_; }

  /// Asks of which kind, and adds one.
  void askAndAdd();
  void addSupply(SupplyKind kind);
  void removeSupply();
  /// Takes what is typed as what is there, or as what came in.
  void note(SupplyEvent::Kind kind);
  void forgetEvent();

 signals:
  void said(const QString& words);

 private:
  QWidget* supplyCard();
  QWidget* eventsCard();
  QWidget* wordsCard();
  void refresh();
  void keep();

  LogBoard& board_;
  std::string shown_;
  QLineEdit* name_ = nullptr;
  QComboBox* kind_ = nullptr;
  QComboBox* method_ = nullptr;
  Swatches* colour_ = nullptr;
  QDoubleSpinBox* price_ = nullptr;
  QLabel* priceLabel_ = nullptr;
  QLineEdit* low_ = nullptr;
  QLineEdit* lot_ = nullptr;
  QLineEdit* thinning_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* remove_ = nullptr;
  QListWidget* events_ = nullptr;
  std::vector<long long> eventKeys_;
  QLineEdit* amount_ = nullptr;
  QDoubleSpinBox* paid_ = nullptr;
  QPushButton* counted_ = nullptr;
  QPushButton* bought_ = nullptr;
  QPushButton* forget_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
