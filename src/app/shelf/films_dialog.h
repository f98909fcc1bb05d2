// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

#include "app/fields/length_field.h"
#include "app/fields/swatches.h"
#include "app/order/shelf.h"

namespace avrelt {

/// The films of the shop and what there is of each: sheets, rolls, offcuts. What is changed is on
/// the shelf at once.
class FilmsDialog : public QDialog {
  Q_OBJECT

 public:
  FilmsDialog(Shelf& shelf, Unit unit, QWidget* parent = nullptr);

  QListWidget& films() { return *films_; }
  QListWidget& stock() { return *stock_; }
  QLineEdit& name() { return *name_; }
  QComboBox& kind() { return *kind_; }
  LengthField& wide() { return *wide_; }
  LengthField& tall() { return *tall_; }
  QLabel& words() { return *words_; }
  void addFilm();
  void removeFilm();
  void addStock(StockShape shape);
  void removeStock();

 private:
  ShelfFilm* filmInHand();
  FilmStock* stockInHand();
  void read();
  void showFilm();
  void showStock();
  void keepFilm();
  void keepStock();

  Shelf& shelf_;
  Unit unit_;
  FilmShelf all_;
  std::vector<std::size_t> stockRows_;
  bool showing_ = false;
  QListWidget* films_ = nullptr;
  QLineEdit* name_ = nullptr;
  QComboBox* kind_ = nullptr;
  Swatches* colour_ = nullptr;
  QCheckBox* keepsDirection_ = nullptr;
  QCheckBox* faceDown_ = nullptr;
  QDoubleSpinBox* price_ = nullptr;
  QListWidget* stock_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* tall_ = nullptr;
  QSpinBox* count_ = nullptr;
  QLineEdit* place_ = nullptr;
  QPushButton* removeFilm_ = nullptr;
  QPushButton* removeStock_ = nullptr;
  QLabel* words_ = nullptr;
};

}  // namespace avrelt
