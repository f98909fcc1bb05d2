// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <QObject>

#include "app/cut/sheets_work.h"

class QPrinter;

namespace avrelt {

/// Printing sheets of film that is printed first: on paper at true size, and how each came out.
class SheetPrinting : public QObject {
  Q_OBJECT

 public:
  /// Prints are named by `name`.
  SheetPrinting(SheetsWork& work, std::function<QString()> name, QWidget* window);

  /// Asks for a printer, and prints a sheet on it.
  void ask(std::size_t film, std::size_t sheet);
  /// Prints a sheet on a printer that is set up, its page the sheet; why not, in words.
  std::optional<QString> printOn(QPrinter& printer, std::size_t film, std::size_t sheet);
  /// Asks how a sheet came out.
  void askFound(std::size_t film, std::size_t sheet);
  void askFigures();

  /// What a sheet is cut by: nothing off until it is known how it came out.
  PrintShift shiftOf(std::size_t film, std::size_t sheet) const;
  void set(std::size_t film, std::size_t sheet, const PrintShift& shift);

 signals:
  void said(const QString& words);
  void changed();

 private:
  /// A sheet's print, made beside the window; why not, said.
  std::optional<Picture> printOf(std::size_t film, std::size_t sheet, double dotsPerInch);

  SheetsWork& work_;
  std::function<QString()> name_;
  QWidget* window_;
  std::shared_ptr<const SheetPlan> of_;
  std::map<std::pair<std::size_t, std::size_t>, PrintShift> shifts_;
};

}  // namespace avrelt
