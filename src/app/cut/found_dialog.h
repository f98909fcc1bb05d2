// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <QCheckBox>
#include <QDialog>
#include <QLabel>
#include <QProcess>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTimer>

#include "app/fields/length_field.h"
#include "sheet/print_sheet.h"

namespace avrelt {

class PrintedSheetView;

/// How a printed sheet came out: where its marks are found under the blade, what that says of the
/// print, and what would show bare film, cut as planned or where the print is. The print is made by
/// the stand-in printer, a program of its own.
class FoundDialog : public QDialog {
  Q_OBJECT

 public:
  FoundDialog(PartSet parts, Length wide, Length tall, const Printer& printer, Picture print,
              Unit unit, bool mirrored, QWidget* parent = nullptr);
  ~FoundDialog() override;

  /// What to cut by: nothing off where it is to be cut as planned.
  PrintShift shift() const;

  std::array<LengthField*, 6>& fields() { return fields_; }
  QLabel& words() { return *words_; }
  QCheckBox& follow() { return *follow_; }
  QPushButton& takeButton() { return *take_; }
  bool running() const { return printer_.state() != QProcess::NotRunning || later_.isActive(); }
  /// Where the stand-in's program is; empty where it is nowhere.
  static QString program();

 private:
  /// From the left as the blade sees it, and back.
  Length seen(Length right) const { return mirrored_ ? wide_ - right : right; }
  void refresh();
  void send();
  void judge();

  PartSet parts_;
  Length wide_;
  Length tall_;
  Printer figures_;
  Unit unit_;
  /// The sheet is fed face down: to the blade right and left change places.
  bool mirrored_ = false;
  MarkPlaces planned_;
  MarkPlaces found_;
  /// The fields' own.
  std::array<Length, 6> typed_;
  PrintFound told_;
  QTemporaryDir folder_;
  QProcess printer_;
  QTimer later_;
  bool again_ = false;
  QString trouble_;
  Picture sheet_;
  std::array<LengthField*, 6> fields_{};
  PrintedSheetView* view_ = nullptr;
  QLabel* words_ = nullptr;
  QCheckBox* follow_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
