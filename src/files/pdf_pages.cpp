// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_pages.h"

#include <algorithm>
#include <cstdlib>
#include <sstream>

#include "files/pdf_page.h"
#include "files/picture_file.h"

namespace avrelt {

struct PdfPages::Drawing {
  Drawing(std::string& bytes, Length wide, Length tall, const std::string& title)
      : surface(pdfSurface(bytes, wide.mm(), tall.mm(), title)), context(cairo_create(surface)) {
    cairo_set_font_face(context, PdfFace::shipped().cairo());
    cairo_scale(context, pointsPerMm, pointsPerMm);
  }
  Drawing(const Drawing&) = delete;
  Drawing& operator=(const Drawing&) = delete;
  ~Drawing() {
    cairo_destroy(context);
    cairo_surface_destroy(surface);
  }

  cairo_surface_t* surface;
  cairo_t* context;
};

PdfPages::PdfPages(std::string& bytes, Length wide, Length tall, const std::string& title)
    : drawing_(std::make_unique<Drawing>(bytes, wide, tall, title)) {}

PdfPages::~PdfPages() = default;

double PdfPages::lengthOf(const std::string& words, double size) const {
  cairo_set_font_size(drawing_->context, size);
  cairo_text_extents_t extents;
  cairo_text_extents(drawing_->context, words.c_str(), &extents);
  return extents.x_advance;
}

std::vector<std::string> PdfPages::wrapped(const std::string& words, double size,
                                           double most) const {
  std::vector<std::string> lines;
  std::istringstream stream(words);
  std::string line;
  for (std::string word; stream >> word;) {
    std::string longer = line;
    longer.append(line.empty() ? "" : " ").append(word);
    if (!line.empty() && lengthOf(longer, size) > most) {
      lines.push_back(line);
      line = word;
    } else {
      line = std::move(longer);
    }
  }
  if (!line.empty()) lines.push_back(line);
  return lines;
}

std::string PdfPages::fitted(std::string name, double size, double most) const {
  if (lengthOf(name, size) <= most) return name;
  while (!name.empty() && lengthOf(name + "…", size) > most) {
    do {
      const unsigned char last = static_cast<unsigned char>(name.back());
      name.pop_back();
      if ((last & 0xC0U) != 0x80U) break;
    } while (!name.empty());
  }
  return name + "…";
}

namespace {

constexpr double hairline = 0.25;

void inkDark(cairo_t* context) {
  cairo_set_source_rgb(context, 0x22 / 255.0, 0x26 / 255.0, 0x2A / 255.0);
}

}  // namespace

void PdfPages::text(const std::string& words, double x, double y, double size) {
  inkDark(drawing_->context);
  cairo_set_font_size(drawing_->context, size);
  cairo_move_to(drawing_->context, x, y);
  cairo_show_text(drawing_->context, words.c_str());
}

void PdfPages::box(double x, double y, double wide, double tall) {
  inkDark(drawing_->context);
  cairo_set_line_width(drawing_->context, hairline);
  cairo_rectangle(drawing_->context, x, y, wide, tall);
  cairo_stroke(drawing_->context);
}

void PdfPages::filled(double x, double y, double wide, double tall) {
  cairo_set_source_rgb(drawing_->context, 0, 0, 0);
  cairo_rectangle(drawing_->context, x, y, wide, tall);
  cairo_fill(drawing_->context);
}

void PdfPages::line(double fromX, double fromY, double toX, double toY) {
  inkDark(drawing_->context);
  cairo_set_line_width(drawing_->context, hairline);
  cairo_move_to(drawing_->context, fromX, fromY);
  cairo_line_to(drawing_->context, toX, toY);
  cairo_stroke(drawing_->context);
}

void PdfPages::outlines(const Polygon& shape) {
  cairo_t* context = drawing_->context;
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      (i == 0 ? cairo_move_to : cairo_line_to)(context, outline[i].x, outline[i].y);
    }
    cairo_close_path(context);
  }
  constexpr double pale = 0.93;
  cairo_set_source_rgb(context, pale, pale, pale);
  cairo_set_fill_rule(context, CAIRO_FILL_RULE_EVEN_ODD);
  cairo_fill_preserve(context);
  inkDark(context);
  cairo_set_line_width(context, hairline / 2);
  cairo_stroke(context);
}

double PdfPages::picture(const std::string& jpeg, double x, double y, double mostWide,
                         double mostTall) {
  const auto head = pictureHead(jpeg);
  if (!head || head->type != PictureType::jpeg) return 0;
  const double scale = std::min(mostWide / head->wide, mostTall / head->tall);
  // Its own bytes go into the file; the dots of this surface are never looked at.
  cairo_surface_t* dots = cairo_image_surface_create(CAIRO_FORMAT_RGB24, head->wide, head->tall);
  const auto size = jpeg.size();
  auto* copy = static_cast<unsigned char*>(std::malloc(size));  // NOLINT: cairo frees it
  if (copy != nullptr) {
    std::copy(jpeg.begin(), jpeg.end(), copy);
    cairo_surface_set_mime_data(dots, CAIRO_MIME_TYPE_JPEG, copy, size, std::free, copy);
  }
  cairo_save(drawing_->context);
  cairo_translate(drawing_->context, x, y);
  cairo_scale(drawing_->context, scale, scale);
  cairo_set_source_surface(drawing_->context, dots, 0, 0);
  cairo_paint(drawing_->context);
  cairo_restore(drawing_->context);
  cairo_surface_destroy(dots);
  return head->tall * scale;
}

void PdfPages::turn() {
  cairo_show_page(drawing_->context);
}

bool PdfPages::finish() {
  cairo_show_page(drawing_->context);
  cairo_surface_finish(drawing_->surface);
  return cairo_status(drawing_->context) == CAIRO_STATUS_SUCCESS &&
         cairo_surface_status(drawing_->surface) == CAIRO_STATUS_SUCCESS;
}

}  // namespace avrelt
