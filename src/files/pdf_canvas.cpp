// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_canvas.h"

#include <cairo-ft.h>
#include <cairo-pdf.h>
#include <ft2build.h>
#include FT_FREETYPE_H

#include <algorithm>
#include <cstdint>
#include <span>
#include <utility>

#include "files/picture_file.h"
#include "fonts/faces.h"
#include "measure/utf8.h"
#include "shape/arc_curves.h"

namespace avrelt {
namespace {

constexpr double pointsPerMm = 72 / 25.4;

/// The shipped face, for the life of the program; cairo sees to it that one thread at a time asks.
cairo_font_face_t* shippedFace() {
  static cairo_font_face_t* const face = [] {
    FT_Library library = nullptr;
    FT_Face read = nullptr;
    const std::span<const unsigned char> bytes = regularFace();
    FT_Init_FreeType(&library);
    FT_New_Memory_Face(library, bytes.data(), static_cast<FT_Long>(bytes.size()), 0, &read);
    return cairo_ft_font_face_create_for_ft_face(read, FT_LOAD_NO_HINTING);
  }();
  return face;
}

/// Letters where the face has them, whatever the size of what is drawn.
cairo_font_options_t* unrounded() {
  static cairo_font_options_t* const options = [] {
    cairo_font_options_t* made = cairo_font_options_create();
    cairo_font_options_set_hint_style(made, CAIRO_HINT_STYLE_NONE);
    cairo_font_options_set_hint_metrics(made, CAIRO_HINT_METRICS_OFF);
    return made;
  }();
  return options;
}

/// The face a thousand units tall, to measure by.
cairo_scaled_font_t* measuringFace() {
  static cairo_scaled_font_t* const face = [] {
    cairo_matrix_t size;
    cairo_matrix_t plain;
    cairo_matrix_init_scale(&size, 1000, 1000);
    cairo_matrix_init_identity(&plain);
    return cairo_scaled_font_create(shippedFace(), &size, &plain, unrounded());
  }();
  return face;
}

/// A picture as cairo holds it: 32 bits a dot, what is clear mixed in before.
cairo_surface_t* imageOf(const Picture& picture) {
  const bool clear = [&] {
    for (std::size_t i = 3; i < picture.rgba.size(); i += 4) {
      if (picture.rgba[i] != 255) return true;
    }
    return false;
  }();
  cairo_surface_t* image = cairo_image_surface_create(
      clear ? CAIRO_FORMAT_ARGB32 : CAIRO_FORMAT_RGB24, picture.wide, picture.tall);
  if (cairo_surface_status(image) != CAIRO_STATUS_SUCCESS) return image;
  cairo_surface_flush(image);
  unsigned char* rows = cairo_image_surface_get_data(image);
  const auto stride = static_cast<std::size_t>(cairo_image_surface_get_stride(image));
  const auto wide = static_cast<std::size_t>(picture.wide);
  for (std::size_t i = 0; i * 4 < picture.rgba.size(); ++i) {
    const std::uint8_t* dot = &picture.rgba[i * 4];
    const unsigned opacity = dot[3];
    const auto through = [&](unsigned part) { return (part * opacity + 127) / 255; };
    const std::uint32_t mixed =
        opacity << 24U | through(dot[0]) << 16U | through(dot[1]) << 8U | through(dot[2]);
    std::copy_n(reinterpret_cast<const unsigned char*>(&mixed), 4,
                rows + i / wide * stride + i % wide * 4);
  }
  cairo_surface_mark_dirty(image);
  return image;
}

}  // namespace

class PdfCanvas::Document {
 public:
  Document(Length wide, Length tall, const std::string& title)
      : tall_(tall),
        surface_(cairo_pdf_surface_create_for_stream(
            &Document::take, &bytes_, wide.mm() * pointsPerMm, tall.mm() * pointsPerMm)),
        cairo_(cairo_create(surface_)) {
    const auto about = [this](cairo_pdf_metadata_t what, const char* words) {
      cairo_pdf_surface_set_metadata(surface_, what, words);
    };
    about(CAIRO_PDF_METADATA_TITLE, readableText(title).c_str());
    about(CAIRO_PDF_METADATA_CREATOR, "Avrelt");
    about(CAIRO_PDF_METADATA_CREATE_DATE, "1970-01-01T00:00:00Z");
    begin();
  }
  Document(const Document&) = delete;
  Document& operator=(const Document&) = delete;
  ~Document() {
    cairo_destroy(cairo_);
    cairo_surface_destroy(surface_);
  }

  cairo_t* cairo() { return cairo_; }

  struct Inks {
    Rgb lines{};
    Rgb grounds{};
  };
  Inks& inks() { return inks_.back(); }
  void save() {
    cairo_save(cairo_);
    inks_.push_back(inks_.back());
  }
  void restore() {
    cairo_restore(cairo_);
    inks_.pop_back();
  }
  void dip(const Rgb& colour) {
    cairo_set_source_rgb(cairo_, colour.red / 255.0, colour.green / 255.0, colour.blue / 255.0);
  }

  /// An image over a box, the surface's own upper left at the box's; nothing where there was no
  /// memory for it or it is too wide for cairo.
  void show(cairo_surface_t* image, const Box& box, cairo_filter_t filter) {
    if (cairo_surface_status(image) != CAIRO_STATUS_SUCCESS) return;
    cairo_save(cairo_);
    cairo_translate(cairo_, box.low.x, box.high.y);
    cairo_scale(cairo_, box.width() / cairo_image_surface_get_width(image),
                -box.height() / cairo_image_surface_get_height(image));
    cairo_set_source_surface(cairo_, image, 0, 0);
    cairo_pattern_set_filter(cairo_get_source(cairo_), filter);
    cairo_paint(cairo_);
    cairo_restore(cairo_);
    cairo_surface_destroy(image);
  }

  /// Millimetres, y up.
  void begin() {
    cairo_identity_matrix(cairo_);
    cairo_translate(cairo_, 0, tall_.mm() * pointsPerMm);
    cairo_scale(cairo_, pointsPerMm, -pointsPerMm);
    cairo_set_fill_rule(cairo_, CAIRO_FILL_RULE_EVEN_ODD);
    cairo_set_font_face(cairo_, shippedFace());
    cairo_set_font_options(cairo_, unrounded());
    // As if nothing had been said yet: what readers take where a page says nothing.
    cairo_set_line_width(cairo_, 1);
    cairo_set_dash(cairo_, nullptr, 0, 0);
    cairo_reset_clip(cairo_);
    cairo_new_path(cairo_);
    inks() = {};
  }
  void turn() {
    cairo_show_page(cairo_);
    begin();
  }

  std::string written() {
    cairo_show_page(cairo_);
    cairo_surface_finish(surface_);
    const bool good = cairo_status(cairo_) == CAIRO_STATUS_SUCCESS &&
                      cairo_surface_status(surface_) == CAIRO_STATUS_SUCCESS;
    return good ? std::move(bytes_) : std::string();
  }

 private:
  static cairo_status_t take(void* into, const unsigned char* bytes, unsigned count) {
    static_cast<std::string*>(into)->append(reinterpret_cast<const char*>(bytes), count);
    return CAIRO_STATUS_SUCCESS;
  }

  std::string bytes_;
  Length tall_;
  cairo_surface_t* surface_;
  cairo_t* cairo_;
  std::vector<Inks> inks_{Inks()};
};

PdfCanvas::PdfCanvas(Length wide, Length tall, const std::string& title)
    : document_(std::make_unique<Document>(wide, tall, title)) {}

PdfCanvas::~PdfCanvas() = default;

void PdfCanvas::save() {
  document_->save();
}

void PdfCanvas::restore() {
  document_->restore();
}

void PdfCanvas::frame(const Transform& transform) {
  cairo_matrix_t matrix;
  cairo_matrix_init(&matrix, transform.a, transform.b, transform.c, transform.d, transform.e,
                    transform.f);
  cairo_transform(document_->cairo(), &matrix);
}

void PdfCanvas::clip(const Box& box) {
  add(box);
  cairo_clip(document_->cairo());
}

void PdfCanvas::ink(const Rgb& colour) {
  document_->inks() = {colour, colour};
}

void PdfCanvas::ground(const Rgb& colour) {
  document_->inks().grounds = colour;
}

void PdfCanvas::pen(double width, std::initializer_list<double> dashes) {
  cairo_set_line_width(document_->cairo(), width);
  cairo_set_dash(document_->cairo(), dashes.begin(), static_cast<int>(dashes.size()), 0);
}

void PdfCanvas::add(const Path& path) {
  constexpr double straight = 1e-6;
  constexpr Length tolerance = Length::mm(0.0005);
  cairo_t* cairo = document_->cairo();
  cairo_move_to(cairo, path.start.x, path.start.y);
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    if (riseOf(from, stretch) < straight) {
      cairo_line_to(cairo, stretch.end.x, stretch.end.y);
    } else {
      for (const Curve& curve : curvesAlong(from, stretch, tolerance)) {
        cairo_curve_to(cairo, curve.out.x, curve.out.y, curve.in.x, curve.in.y, curve.end.x,
                       curve.end.y);
      }
    }
    from = stretch.end;
  }
  if (path.closed()) cairo_close_path(cairo);
}

void PdfCanvas::add(const std::vector<Point>& outline) {
  if (outline.empty()) return;
  cairo_new_sub_path(document_->cairo());
  for (const Point& p : outline) cairo_line_to(document_->cairo(), p.x, p.y);
  cairo_close_path(document_->cairo());
}

void PdfCanvas::add(const Box& box) {
  cairo_rectangle(document_->cairo(), box.low.x, box.low.y, box.width(), box.height());
}

void PdfCanvas::add(Point from, Point to) {
  cairo_move_to(document_->cairo(), from.x, from.y);
  cairo_line_to(document_->cairo(), to.x, to.y);
}

void PdfCanvas::stroke() {
  document_->dip(document_->inks().lines);
  cairo_stroke(document_->cairo());
}

void PdfCanvas::fill() {
  document_->dip(document_->inks().grounds);
  cairo_fill(document_->cairo());
}

void PdfCanvas::fillAndStroke() {
  document_->dip(document_->inks().grounds);
  cairo_fill_preserve(document_->cairo());
  stroke();
}

void PdfCanvas::words(const std::string& words, Point at, double size, Angle turn) {
  if (words.empty()) return;
  cairo_t* cairo = document_->cairo();
  document_->dip(document_->inks().grounds);
  cairo_save(cairo);
  cairo_translate(cairo, at.x, at.y);
  cairo_rotate(cairo, turn.radians());
  cairo_matrix_t upright;
  cairo_matrix_init_scale(&upright, size, -size);
  cairo_set_font_matrix(cairo, &upright);
  cairo_move_to(cairo, 0, 0);
  cairo_show_text(cairo, readableText(words).c_str());
  cairo_restore(cairo);
  cairo_new_path(cairo);
}

double PdfCanvas::lengthOf(const std::string& words, double size) {
  cairo_text_extents_t extents;
  cairo_scaled_font_text_extents(measuringFace(), readableText(words).c_str(), &extents);
  return extents.x_advance / 1000 * size;
}

bool PdfCanvas::jpeg(const std::string& bytes, const Box& box) {
  auto head = pictureHead(bytes);
  if (!head || head->type != PictureType::jpeg) return false;
  const int colours = coloursOfJpeg(bytes);
  if (colours != 1 && colours != 3 && colours != 4) return false;
  if (colours == 4) {
    // Readers do not agree on which way inks are written: as a screen shows them they do.
    head->bytes = bytes;
    const auto read = dotsOf(*head);
    if (!read) return false;
    document_->show(imageOf(*read), box, CAIRO_FILTER_GOOD);
    return true;
  }
  // Only its size is looked at: the file goes in as it is.
  cairo_surface_t* image = cairo_image_surface_create(CAIRO_FORMAT_RGB24, head->wide, head->tall);
  if (cairo_surface_status(image) != CAIRO_STATUS_SUCCESS) return false;
  auto* kept = new std::string(bytes);
  cairo_surface_set_mime_data(
      image, CAIRO_MIME_TYPE_JPEG, reinterpret_cast<const unsigned char*>(kept->data()),
      kept->size(), [](void* held) { delete static_cast<std::string*>(held); }, kept);
  document_->show(image, box, CAIRO_FILTER_GOOD);
  return true;
}

void PdfCanvas::dots(const Picture& picture, const Box& box) {
  document_->show(imageOf(picture), box, CAIRO_FILTER_NEAREST);
}

void PdfCanvas::turn() {
  document_->turn();
}

std::string PdfCanvas::finish() {
  return document_->written();
}

}  // namespace avrelt
