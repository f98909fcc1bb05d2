// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include "app/order/shelf.h"
#include "app/shelf/shelf_view.h"

namespace avrelt {

/// The shelf of blanks: looked through as one types, one put on the bench, the one on the bench put
/// there, tables of them brought in and out.
class ShelfDialog : public QDialog {
  Q_OBJECT

 public:
  ShelfDialog(Shelf& shelf, Order& order, QWidget* parent = nullptr);

  QLineEdit& search() { return *search_; }
  ShelfView& view() { return *view_; }
  QPushButton& takeButton() { return *take_; }
  QPushButton& saveButton() { return *save_; }
  QString words() const { return words_->text(); }

 private:
  void refresh();
  void showOne(int index);
  void take(int index);
  void change(const std::function<void(ShelfBlank&)>& edit);
  void addPhoto();
  void askImport();
  void askExport();
  void removeOne();

  Shelf& shelf_;
  Order& order_;
  std::vector<ShelfBlank> found_;
  QLineEdit* search_ = nullptr;
  ShelfView* view_ = nullptr;
  QLabel* name_ = nullptr;
  QLabel* photo_ = nullptr;
  QLabel* figures_ = nullptr;
  QLineEdit* capacity_ = nullptr;
  QLineEdit* notes_ = nullptr;
  QListWidget* log_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
  QPushButton* save_ = nullptr;
  QPushButton* remove_ = nullptr;
  QPushButton* addPhoto_ = nullptr;
};

}  // namespace avrelt
