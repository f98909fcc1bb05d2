// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QStackedWidget>

#include "app/fields/desk.h"
#include "app/log/cup_cards.h"
#include "app/log/figure_cards.h"
#include "app/log/log_area.h"
#include "app/log/log_board.h"
#include "app/log/log_keeper.h"
#include "app/log/money_cards.h"
#include "app/log/papers.h"
#include "app/log/past_cup.h"
#include "app/log/supply_cards.h"

namespace avrelt {

/// The station where the shop looks back: what was made, with what, for how much, and again.
class LogStation : public Desk {
  Q_OBJECT

 public:
  LogStation(Order& order, Shelf& shelf, BenchWork& work, std::function<QString()> folder,
             std::function<QString()> name, QWidget* parent = nullptr);

  LogArea& area() { return *area_; }
  LogBoard& board() { return board_; }
  LogKeeper& keeper() { return keeper_; }
  CupCards& cups() { return *cups_; }
  SupplyCards& supplies() { return *supplies_; }
  FigureCards& figures() { return *figures_; }
  MoneyCards& money() { return *money_; }
  Papers& papers() { return papers_; }
  PastCup& pastCup() { return pastCup_; }

  void setSeen(bool seen);
  /// Copies of the shop, to go back to one.
  void showBackups();
  void askAndExport();
  void askAndImport();
  /// Labels with a code for offcuts and blanks.
  void saveLabels();
  std::optional<QString> saveLabelsTo(const QString& path);
  /// Finds what a label is of, by its code.
  void findByCode();
  QString wordsOfCode(const QString& code);
  /// The same by a picture of the label, where zbar's reader is installed.
  void findByPicture();
  QString wordsOfPicture(const QString& path);

 signals:
  void orderMade(const Document& order);

 private:
  Order& order_;
  Shelf& shelf_;
  std::function<QString()> folder_;
  LogBoard board_;
  LogKeeper keeper_;
  PastCup pastCup_;
  Papers papers_;
  LogArea* area_ = nullptr;
  QStackedWidget* drawers_ = nullptr;
  CupCards* cups_ = nullptr;
  SupplyCards* supplies_ = nullptr;
  FigureCards* figures_ = nullptr;
  MoneyCards* money_ = nullptr;
};

}  // namespace avrelt
