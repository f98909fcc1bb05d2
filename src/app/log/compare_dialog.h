// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QTableWidget>

#include "app/log/log_board.h"

namespace avrelt {

/// Two cups of the log side by side: what they are, what went into them, what they cost; what
/// differs is marked.
class CompareDialog : public QDialog {
  Q_OBJECT

 public:
  explicit CompareDialog(LogBoard& board, QWidget* parent = nullptr);

  QComboBox& first() { return *first_; }
  QComboBox& second() { return *second_; }
  QTableWidget& table() { return *table_; }

 private:
  void look();

  LogBoard& board_;
  std::vector<LogEntry> entries_;
  QComboBox* first_ = nullptr;
  QComboBox* second_ = nullptr;
  QTableWidget* table_ = nullptr;
};

}  // namespace avrelt
