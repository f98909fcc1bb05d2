// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_page.h"

#include <cairo-pdf.h>

#include <stdexcept>

#include "fonts/faces.h"

namespace avrelt {

PdfFace::PdfFace() {
  const auto bytes = regularFace();
  if (FT_Init_FreeType(&library_) != 0 ||
      FT_New_Memory_Face(library_, bytes.data(), static_cast<FT_Long>(bytes.size()), 0, &face_) !=
          0) {
    throw std::runtime_error("the face shipped with Avrelt cannot be read");
  }
  cairo_ = cairo_ft_font_face_create_for_ft_face(face_, 0);
}

PdfFace::~PdfFace() {
  cairo_font_face_destroy(cairo_);
  FT_Done_Face(face_);
  FT_Done_FreeType(library_);
}

const PdfFace& PdfFace::shipped() {
  static const PdfFace face;
  return face;
}

cairo_status_t appendTo(void* text, const unsigned char* data, unsigned int length) {
  static_cast<std::string*>(text)->append(data, data + length);
  return CAIRO_STATUS_SUCCESS;
}

cairo_surface_t* pdfSurface(std::string& bytes, double wide, double tall,
                            const std::string& title) {
  cairo_surface_t* surface =
      cairo_pdf_surface_create_for_stream(appendTo, &bytes, wide * pointsPerMm, tall * pointsPerMm);
  cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_TITLE, title.c_str());
  cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_CREATOR, "Avrelt");
  cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_CREATE_DATE, "1970-01-01T00:00:00Z");
  return surface;
}

}  // namespace avrelt
