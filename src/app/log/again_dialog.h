// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QListWidget>
#include <QPushButton>

#include "app/order/shelf.h"
#include "job/again.h"

namespace avrelt {

/// A cup made before, to be made again: on the same blank or another, and what then comes out
/// otherwise.
class AgainDialog : public QDialog {
  Q_OBJECT

 public:
  AgainDialog(Document past, Shelf& shelf, const Stock& stock, Unit unit,
              QWidget* parent = nullptr);

  QComboBox& blank() { return *blank_; }
  QListWidget& changes() { return *changes_; }
  const Again& made() const { return made_; }

 private:
  void look();

  Document past_;
  Stock stock_;
  Unit unit_;
  std::vector<ShelfBlank> blanks_;
  Again made_;
  QComboBox* blank_ = nullptr;
  QListWidget* changes_ = nullptr;
  QPushButton* begin_ = nullptr;
};

}  // namespace avrelt
