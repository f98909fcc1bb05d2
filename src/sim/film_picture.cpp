// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/film_picture.h"

#include <cairo.h>

#include <algorithm>
#include <cmath>

namespace avrelt::sim {
namespace {

void trace(cairo_t* context, const std::vector<Point>& points, bool closed) {
  for (const Point& p : points) cairo_line_to(context, p.x, p.y);
  if (closed) cairo_close_path(context);
}

cairo_status_t append(void* bytes, const unsigned char* data, unsigned int length) {
  static_cast<std::string*>(bytes)->append(data, data + length);
  return CAIRO_STATUS_SUCCESS;
}

}  // namespace

std::string filmPicture(const CutFilm& film, Length wide, Length tall) {
  constexpr double most = 4000;
  const double scale = std::min(4.0, most / std::max({wide.mm(), tall.mm(), 1.0}));
  const auto pixels = [&](Length side) {
    return std::max(1, static_cast<int>(std::ceil(side.mm() * scale)));
  };
  cairo_surface_t* surface =
      cairo_image_surface_create(CAIRO_FORMAT_RGB24, pixels(wide), pixels(tall));
  cairo_t* context = cairo_create(surface);
  cairo_set_source_rgb(context, 0.85, 0.75, 0.5);
  cairo_paint(context);
  cairo_translate(context, 0, pixels(tall));
  cairo_scale(context, scale, -scale);
  cairo_set_line_width(context, 1 / scale);
  cairo_set_fill_rule(context, CAIRO_FILL_RULE_EVEN_ODD);
  for (const CutShape& shape : film.shapes) trace(context, shape.outline, true);
  cairo_set_source_rgb(context, 1, 0.98, 0.93);
  cairo_fill_preserve(context);
  cairo_set_source_rgb(context, 0.1, 0.1, 0.12);
  cairo_stroke(context);
  const auto draw = [&](const std::vector<Polyline>& lines) {
    for (const Polyline& line : lines) {
      cairo_new_sub_path(context);
      trace(context, line.points, false);
    }
    cairo_stroke(context);
  };
  cairo_set_source_rgb(context, 0.1, 0.35, 0.4);
  draw(film.drawn);
  cairo_set_source_rgb(context, 0.8, 0.1, 0.1);
  draw(film.open);
  std::string png;
  if (cairo_surface_write_to_png_stream(surface, append, &png) != CAIRO_STATUS_SUCCESS) png.clear();
  cairo_destroy(context);
  cairo_surface_destroy(surface);
  return png;
}

}  // namespace avrelt::sim
