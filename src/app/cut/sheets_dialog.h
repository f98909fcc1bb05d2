// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QTimer>

#include "app/cut/sheets_canvas.h"
#include "app/fields/length_field.h"
#include "app/order/order.h"

namespace avrelt {

/// Every part of the order that is to be cut, laid on sheets film by film: their size, margin and
/// gap, each sheet as it comes out, and one press to save them all.
class SheetsDialog : public QDialog {
  Q_OBJECT

 public:
  /// Saved files are first offered to go into `folder`.
  SheetsDialog(Order& order, QString folder, QWidget* parent = nullptr);

  /// Lays everything anew.
  void arrangeNow();
  /// Saves all sheets into a folder; why not, in words.
  std::optional<QString> saveInto(const QString& folder);

  const SheetPlan* sheets() const { return sheets_.get(); }
  QListWidget& list() { return *list_; }
  QLabel& words() { return *words_; }
  LengthField& wide() { return *wide_; }
  LengthField& gap() { return *gap_; }
  SheetsCanvas& canvas() { return *canvas_; }
  QPushButton& saveButton() { return *save_; }

 private:
  LengthField* field(const QString& label, const char* key, Length& length);
  void choose();
  void fill();
  void askAndSave();

  Order& order_;
  QString folder_;
  SheetChoices choices_;
  std::shared_ptr<const SheetPlan> sheets_;
  std::vector<std::pair<std::size_t, std::size_t>> rows_;  ///< film and sheet of each
  QTimer later_;
  bool arranging_ = false;
  SheetsCanvas* canvas_ = nullptr;
  QListWidget* list_ = nullptr;
  QLabel* words_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* tall_ = nullptr;
  LengthField* margin_ = nullptr;
  LengthField* gap_ = nullptr;
  QPushButton* save_ = nullptr;
};

}  // namespace avrelt
