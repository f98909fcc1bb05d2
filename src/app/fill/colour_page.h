// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/fields/segments.h"
#include "app/fields/supply_button.h"
#include "app/fields/swatches.h"
#include "app/order/order.h"

namespace avrelt {

/// The colours of the pattern in hand: which, how much of each, and how they are scattered.
class ColourPage : public QWidget {
  Q_OBJECT

 public:
  explicit ColourPage(Order& order, QWidget* parent = nullptr);

  SupplyButton& supply() { return *supply_; }

  QListWidget& list() { return *list_; }
  QComboBox& style() { return *style_; }
  QComboBox& stick() { return *stick_; }
  QDoubleSpinBox& share() { return *share_; }
  QPushButton& rollButton() { return *roll_; }
  QPushButton& addButton() { return *add_; }
  QPushButton& takeButton() { return *take_; }
  QPushButton& swapButton() { return *swap_; }
  Swatches& swatches() { return *swatches_; }
  /// The colour a click on a cell gives.
  int inHand() const { return list_->currentRow(); }

  QLineEdit& cell() { return *cell_; }
  QPushButton& barButton() { return *bar_; }
  QCheckBox& beyond() { return *beyond_; }

 signals:
  void said(const QString& sentence);

 private:
  void connectFields();
  void refresh();
  void refreshList(const Fill* fill, const FillPlan* plan);
  void askForPicture();
  void pinTyped(bool bar);
  void change(const QString& text, const QString& key,
              const std::function<void(CellColour&)>& change);

  Order& order_;
  QListWidget* list_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* take_ = nullptr;
  QPushButton* swap_ = nullptr;
  QLineEdit* name_ = nullptr;
  SupplyButton* supply_ = nullptr;
  QDoubleSpinBox* share_ = nullptr;
  Segments* kind_ = nullptr;
  QComboBox* stick_ = nullptr;
  QPushButton* picture_ = nullptr;  ///< what cells of film are printed with
  Swatches* swatches_ = nullptr;
  QComboBox* style_ = nullptr;
  QPushButton* roll_ = nullptr;
  QCheckBox* corners_ = nullptr;
  QCheckBox* beyond_ = nullptr;
  QLineEdit* cell_ = nullptr;
  QPushButton* give_ = nullptr;
  QPushButton* bar_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
