// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheet_printing.h"

#include <QPageLayout>
#include <QPainter>
#include <QPrintDialog>
#include <QPrinter>

#include "app/cut/found_dialog.h"
#include "app/cut/printer_dialog.h"
#include "app/fields/beside.h"
#include "app/order/phrases.h"
#include "app/views/print_paint.h"
#include "files/picture_file.h"
#include "files/print_files.h"

namespace avrelt {
namespace {

/// The sheet as a printer's page, to its edges.
void setUp(QPrinter& printer, const SheetSize& size) {
  printer.setPageSize(QPageSize(QSizeF(size.wide.mm(), size.tall.mm()), QPageSize::Millimeter, {},
                                QPageSize::ExactMatch));
  printer.setPageOrientation(QPageLayout::Portrait);
  printer.setFullPage(true);
}

}  // namespace

SheetPrinting::SheetPrinting(SheetsWork& work, std::function<QString()> name, QWidget* window)
    : QObject(window), work_(work), name_(std::move(name)), window_(window) {
  // How sheets came out is of those that were laid then.
  connect(&work_, &SheetsWork::changed, this, [this] {
    if (work_.sheets() == of_) return;
    of_ = work_.sheets();
    if (shifts_.empty()) return;
    shifts_.clear();
    emit said(
        tr("Parts lie elsewhere now than when the sheet was printed. Print it again, or take "
           "back what moved them."));
  });
}

std::optional<Picture> SheetPrinting::printOf(std::size_t film, std::size_t sheet,
                                              double dotsPerInch) {
  const std::shared_ptr<const SheetPlan> sheets = work_.sheets();
  if (!sheets || film >= sheets->films.size() || !sheets->films[film].prints() ||
      sheet >= sheets->films[film].arrangement.sheets.size()) {
    return std::nullopt;
  }
  SheetPlan plan = *sheets;
  plan.choices.printer.dotsPerInch = dotsPerInch;
  const auto made = beside(
      window_, tr("Making the print…"), [plan = std::move(plan), film, sheet](Going& /*going*/) {
        PictureDots dots;
        return printOfSheet(plan, plan.films[film], sheet,
                            [&dots](const SharedPicture& picture) { return dots(picture); });
      });
  if (!made) {
    emit said(made.error());
    return std::nullopt;
  }
  if (!*made) {
    emit said(say(made->error(), Unit::mm));
    return std::nullopt;
  }
  return **made;
}

std::optional<QString> SheetPrinting::printOn(QPrinter& printer, std::size_t film,
                                              std::size_t sheet) {
  const std::shared_ptr<const SheetPlan> held = work_.sheets();
  const auto print = held ? printOf(film, sheet, held->choices.printer.dotsPerInch) : std::nullopt;
  // Laid anew while somebody chose a printer, it may not be there any more.
  if (!print) return tr("The sheet is not there any more. Print it again.");
  const SheetPlan& sheets = *held;
  setUp(printer, sheets.films[film].sizeOf(sheet));
  printer.setDocName(
      QString::fromStdString(sheetName(sheets.films[film], sheet, name_().toStdString())));
  QPainter painter;
  if (!painter.begin(&printer)) {
    return tr("The printer does not answer. See that it is on and not waiting, then print again.");
  }
  const SheetSize size = sheets.films[film].sizeOf(sheet);
  const double perMm = printer.resolution() / 25.4;
  painter.drawImage(QRectF(0, 0, size.wide.mm() * perMm, size.tall.mm() * perMm), imageOf(*print));
  return painter.end() ? std::nullopt
                       : std::optional(tr("The print could not be finished. Print it again."));
}

void SheetPrinting::ask(std::size_t film, std::size_t sheet) {
  QPrinter printer(QPrinter::HighResolution);
  setUp(printer, work_.sheets()->films[film].sizeOf(sheet));
  QPrintDialog dialog(&printer, window_);
  dialog.setWindowTitle(tr("Print this sheet"));
  if (dialog.exec() != QDialog::Accepted) return;
  const std::optional<QString> fault = printOn(printer, film, sheet);
  emit said(fault.value_or(
      tr("The sheet is on its way to the printer, at true size. Let it dry, then say how it came "
         "out before you cut it.")));
}

void SheetPrinting::askFound(std::size_t film, std::size_t sheet) {
  const std::shared_ptr<const SheetPlan> sheets = work_.sheets();
  // As fine as is needed to see a tenth of a millimetre or two.
  constexpr double dots = 150;
  auto print = printOf(film, sheet, dots);
  if (!print) return;
  Printer printer = sheets->choices.printer;
  printer.dotsPerInch = dots;
  const SheetSize size = sheets->films[film].sizeOf(sheet);
  FoundDialog dialog(onSheet(sheets->films[film], sheet), size.wide, size.tall, printer,
                     std::move(*print), sheets->plan->units,
                     cutterFor(work_.cutter(), sheets->films[film]).mirrored, window_);
  if (dialog.exec() != QDialog::Accepted) return;
  set(film, sheet, dialog.shift());
}

void SheetPrinting::askFigures() {
  const SheetChoices& choices = work_.choices();
  PrinterDialog dialog(choices.printer, work_.unit(), window_);
  if (dialog.exec() == QDialog::Accepted) work_.set(dialog.printer());
}

PrintShift SheetPrinting::shiftOf(std::size_t film, std::size_t sheet) const {
  const auto found = shifts_.find({film, sheet});
  return found == shifts_.end() ? PrintShift() : found->second;
}

void SheetPrinting::set(std::size_t film, std::size_t sheet, const PrintShift& shift) {
  shifts_[{film, sheet}] = shift;
  emit changed();
}

}  // namespace avrelt

#include "moc_sheet_printing.cpp"
