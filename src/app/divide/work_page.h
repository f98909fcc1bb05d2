// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QTableWidget>
#include <QWidget>

#include "app/divide/mask_page.h"
#include "app/divide/stripe_page.h"
#include "app/fields/field_set.h"
#include "app/fields/pages.h"
#include "app/order/order.h"

namespace avrelt {

/// What comes of a division at the bench: the tape moves in order, where every line is marked, the
/// stripes that cover them.
class WorkPage : public QWidget {
  Q_OBJECT

 public:
  WorkPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  enum Page { moves, marks, stripes, masks };
  void showPage(int page);
  QListWidget& moveList() { return *moves_; }
  QTableWidget& markTable() { return *marks_; }
  StripePage& stripePage() { return *stripes_; }
  MaskPage& maskPage() { return *masks_; }
  QPushButton& earlierButton() { return *earlier_; }
  QPushButton& laterButton() { return *later_; }
  QPushButton& asUsualButton() { return *asUsual_; }

 private:
  QWidget* movePage(FieldSet& fields);
  QWidget* markPage();
  void refreshMoves(const CupPlan& plan);
  void refreshMarks(const CupPlan& plan);
  void fill(int by);

  Order& order_;
  Pages* pages_ = nullptr;
  QListWidget* moves_ = nullptr;
  QPushButton* earlier_ = nullptr;
  QPushButton* later_ = nullptr;
  QPushButton* asUsual_ = nullptr;
  QTableWidget* marks_ = nullptr;
  QLabel* legs_ = nullptr;
  StripePage* stripes_ = nullptr;
  MaskPage* masks_ = nullptr;
  LengthField* tape_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
