// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cairo-ft.h>
#include <cairo.h>

#include <string>

namespace avrelt {

inline constexpr double pointsPerMm = 72 / 25.4;

/// The shipped face as cairo wants it. FreeType reads the bytes where they lie. One for the life of
/// the program: cairo keeps what it learnt of a face beyond the documents that used it, and a new
/// face in the old one's place would be taken for it.
class PdfFace {
 public:
  PdfFace(const PdfFace&) = delete;
  PdfFace& operator=(const PdfFace&) = delete;
  ~PdfFace();
  cairo_font_face_t* cairo() const { return cairo_; }

  static const PdfFace& shipped();

 private:
  PdfFace();

  FT_Library library_ = nullptr;
  FT_Face face_ = nullptr;
  cairo_font_face_t* cairo_ = nullptr;
};

/// Puts what cairo writes at the end of a `std::string`.
cairo_status_t appendTo(void* text, const unsigned char* data, unsigned int length);

/// A surface for pages of this size in mm, that writes to `bytes`; named, and with no date but the
/// epoch's, so that the same pages give the same bytes.
cairo_surface_t* pdfSurface(std::string& bytes, double wide, double tall, const std::string& title);
}  // namespace avrelt
