// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListWidget>
#include <QPushButton>
#include <QStackedWidget>
#include <QTableWidget>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// What comes of a division at the bench: the tape moves in order, where every line is marked, the
/// stripes that cover them.
class WorkPage : public QWidget {
  Q_OBJECT

 public:
  WorkPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  enum Page { moves, marks, stripes };
  void showPage(int page);
  QListWidget& moveList() { return *moves_; }
  QTableWidget& markTable() { return *marks_; }
  QListWidget& stripeList() { return *stripes_; }
  /// The line in hand, to be shown on the views.
  std::string line() const { return line_; }

 signals:
  void linePicked(const QString& line);
  void said(const QString& sentence);

 private:
  void refresh();
  void pickLine(const std::string& line);
  QWidget* stripePage(FieldSet& fields);

  Order& order_;
  Segments* page_ = nullptr;
  QStackedWidget* pages_ = nullptr;
  QListWidget* moves_ = nullptr;
  QTableWidget* marks_ = nullptr;
  QListWidget* stripes_ = nullptr;
  QPushButton* lay_ = nullptr;
  QPushButton* take_ = nullptr;
  Segments* kind_ = nullptr;
  LengthField* width_ = nullptr;
  LengthField* tape_ = nullptr;
  std::string line_;
  bool filling_ = false;
};

}  // namespace avrelt
