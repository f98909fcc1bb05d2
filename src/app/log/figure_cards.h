// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/log/figure_plot.h"
#include "app/log/log_board.h"

namespace avrelt {

/// The figure picked: what the shop has found out about it, to be taken or not, and what it was
/// found from, each to be left out.
class FigureCards : public QWidget {
  Q_OBJECT

 public:
  FigureCards(LogBoard& board, FigurePlot& plot, QWidget* parent = nullptr);

  QLabel& words() { return *words_; }
  QListWidget& seen() { return *seen_; }
  QPushButton& useButton() { return *use_; }
  QPushButton& usualButton() { return *usual_; }

 signals:
  void said(const QString& words);

 private:
  void refresh();
  void take(bool usual);

  LogBoard& board_;
  FigurePlot& plot_;
  QLabel* title_ = nullptr;
  QLabel* words_ = nullptr;
  QListWidget* seen_ = nullptr;
  QPushButton* use_ = nullptr;
  QPushButton* usual_ = nullptr;
  bool showing_ = false;
};

}  // namespace avrelt
