// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/print_files.h"

#include "files/pdf_canvas.h"

namespace avrelt {

tl::expected<Picture, Sentence> printOfSheet(const SheetPlan& sheets, const FilmSheets& film,
                                             std::size_t sheet, const DotsOfPicture& dotsOf) {
  const PartSet parts = onSheet(film, sheet);
  for (const Part& part : parts.parts) {
    if (!part.print || !part.print->picture || dotsOf(part.print->picture) != nullptr) continue;
    return tl::unexpected(
        Sentence{"The picture %1 cannot be read, so nothing was printed. Take it out of the order "
                 "and add it again.",
                 {part.print->picture->name}});
  }
  const SheetSize size = film.sizeOf(sheet);
  Picture print = printOf(parts, size.wide, size.tall, sheets.choices.printer, dotsOf);
  return print;
}

std::string printPdf(const Picture& print, Length wide, Length tall, const std::string& title) {
  PdfCanvas page(wide, tall, title);
  page.dots(print, {{0, 0}, {wide.mm(), tall.mm()}});
  return page.finish();
}

}  // namespace avrelt
