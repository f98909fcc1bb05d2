// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/print_files.h"

#include <cairo.h>

#include <cstring>

#include "files/pdf_page.h"

namespace avrelt {
namespace {

/// As cairo holds dots: one word each, opacity first, colours times opacity.
cairo_surface_t* surfaceOf(const Picture& print) {
  cairo_surface_t* surface =
      cairo_image_surface_create(CAIRO_FORMAT_ARGB32, print.wide, print.tall);
  unsigned char* data = cairo_image_surface_get_data(surface);
  if (data == nullptr) return surface;
  const auto stride = static_cast<std::size_t>(cairo_image_surface_get_stride(surface));
  for (std::size_t y = 0; y < static_cast<std::size_t>(print.tall); ++y) {
    const std::uint8_t* from = &print.rgba[y * static_cast<std::size_t>(print.wide) * 4];
    for (std::size_t x = 0; x < static_cast<std::size_t>(print.wide); ++x, from += 4) {
      const auto times = [&](std::uint8_t colour) {
        return static_cast<std::uint32_t>((colour * from[3] + 127) / 255);
      };
      const std::uint32_t word = static_cast<std::uint32_t>(from[3]) << 24U |
                                 times(from[0]) << 16U | times(from[1]) << 8U | times(from[2]);
      std::memcpy(data + y * stride + x * 4, &word, 4);
    }
  }
  cairo_surface_mark_dirty(surface);
  return surface;
}

}  // namespace

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
  std::string bytes;
  cairo_surface_t* page = pdfSurface(bytes, wide.mm(), tall.mm(), title);
  cairo_t* context = cairo_create(page);
  cairo_surface_t* image = surfaceOf(print);
  cairo_scale(context, wide.mm() * pointsPerMm / print.wide, tall.mm() * pointsPerMm / print.tall);
  cairo_set_source_surface(context, image, 0, 0);
  cairo_paint(context);
  const bool failed = cairo_status(context) != CAIRO_STATUS_SUCCESS;
  cairo_destroy(context);
  cairo_surface_destroy(image);
  cairo_surface_finish(page);
  const bool lost = cairo_surface_status(page) != CAIRO_STATUS_SUCCESS;
  cairo_surface_destroy(page);
  return failed || lost ? std::string() : bytes;
}

}  // namespace avrelt
