// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QStackedWidget>
#include <QTableView>

#include "app/fields/segments.h"
#include "app/log/figure_plot.h"
#include "app/log/log_board.h"
#include "app/log/rows_model.h"

namespace avrelt {

/// The log's large part: the cups that were made, the supplies, the figures learnt with their plot,
/// the months; one of them shown.
class LogArea : public QWidget {
  Q_OBJECT

 public:
  explicit LogArea(LogBoard& board, QWidget* parent = nullptr);

  enum Page { cups, stock, figures, months };
  int page() const { return stack_->currentIndex(); }
  void showPage(int page);
  QLineEdit& search() { return *search_; }
  QComboBox& which() { return *which_; }
  RowsModel& cupRows() { return *cupRows_; }
  RowsModel& supplyRows() { return *supplyRows_; }
  RowsModel& monthRows() { return *monthRows_; }
  QTableView& cupTable() { return *cupTable_; }
  QTableView& supplyTable() { return *supplyTable_; }
  QListWidget& figureList() { return *figureList_; }
  FigurePlot& plot() { return *plot_; }
  void goToSearch();

 signals:
  void pageShown(int page);
  /// A cup was opened: Return, or a second click.
  void cupOpened();

 private:
  QTableView* table(RowsModel* rows, const QString& name);
  void refresh();
  void refreshCups();
  void refreshStock();
  void refreshFigures();
  void refreshMonths();
  void findNow();

  LogBoard& board_;
  Segments* pages_ = nullptr;
  QLineEdit* search_ = nullptr;
  QComboBox* which_ = nullptr;
  QLabel* words_ = nullptr;
  QStackedWidget* stack_ = nullptr;
  RowsModel* cupRows_ = nullptr;
  RowsModel* supplyRows_ = nullptr;
  RowsModel* monthRows_ = nullptr;
  QTableView* cupTable_ = nullptr;
  QTableView* supplyTable_ = nullptr;
  QListWidget* figureList_ = nullptr;
  FigurePlot* plot_ = nullptr;
};

}  // namespace avrelt
