// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QSpinBox>
#include <QStringList>
#include <QTableWidget>
#include <vector>

#include "files/order_papers.h"
#include "job/estimate.h"

namespace avrelt {

/// A cup to be offered: what it will cost by the plan, and the price asked for it.
struct QuoteCup {
  std::string name;
  std::string made;
  CupCost cost;
  Money price;
  QStringList without{};  ///< what there is no price for
  std::string id{};       ///< of the cup in its order
  bool typed = false;     ///< that the price was
};

/// What an order will cost, cup by cup, and the prices to be asked for it; each can be typed over.
class QuoteDialog : public QDialog {
  Q_OBJECT

 public:
  QuoteDialog(std::vector<QuoteCup> cups, const QString& order, const QString& whom, CivilTime now,
              QWidget* parent = nullptr);

  /// What is offered, as it stands in the dialog.
  Quote quote() const;
  const std::vector<QuoteCup>& cups() const { return cups_; }

  QTableWidget& table() { return *table_; }
  QLineEdit& whom() { return *whom_; }
  QSpinBox& days() { return *days_; }
  QLabel& words() { return *words_; }
  QLabel& total() { return *total_; }

 private:
  enum Column { cupColumn, materialsColumn, workColumn, shareColumn, allColumn, priceColumn };
  void fill();
  void read(QTableWidgetItem* item);
  void tell();

  std::vector<QuoteCup> cups_;
  std::string order_;
  CivilTime now_;
  QLineEdit* whom_ = nullptr;
  QSpinBox* days_ = nullptr;
  QTableWidget* table_ = nullptr;
  QLabel* words_ = nullptr;
  QLabel* total_ = nullptr;
  QPlainTextEdit* notes_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
