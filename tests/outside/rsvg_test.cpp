// SPDX-License-Identifier: GPL-3.0-or-later
#include <cairo.h>
#include <librsvg/rsvg.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "files/svg.h"
#include "sheet/marking_strip.h"
#include "sheet/wrap_parts.h"

// Our SVG as librsvg, an independent reader, sees it.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

constexpr double dotsPerMm = 20;

/// Width and height in mm as stated in the file, and the extent of the ink as drawn.
struct SeenDots {
  double width = 0;
  double height = 0;
  double inkWidth = 0;
  double inkHeight = 0;
  bool inkAt(Point mm) const {
    const auto x = static_cast<int>(mm.x * dotsPerMm);
    const auto y = static_cast<int>(mm.y * dotsPerMm);
    for (int i = -3; i <= 3; ++i) {
      for (int j = -3; j <= 3; ++j) {
        if (dark(x + i, y + j)) return true;
      }
    }
    return false;
  }
  bool dark(int x, int y) const {
    if (x < 0 || y < 0 || x >= columns || y >= rows) return false;
    return alpha[static_cast<std::size_t>(y) * static_cast<std::size_t>(columns) +
                 static_cast<std::size_t>(x)] > 40;
  }
  int columns = 0;
  int rows = 0;
  std::vector<unsigned char> alpha;
};

SeenDots seenByRsvg(const std::string& svg) {
  GError* error = nullptr;
  RsvgHandle* handle =
      rsvg_handle_new_from_data(reinterpret_cast<const guint8*>(svg.data()), svg.size(), &error);
  REQUIRE(error == nullptr);
  REQUIRE(handle != nullptr);
  SeenDots seen;
  RsvgLength width;
  RsvgLength height;
  gboolean hasWidth = FALSE;
  gboolean hasHeight = FALSE;
  gboolean hasBox = FALSE;
  RsvgRectangle box;
  rsvg_handle_get_intrinsic_dimensions(handle, &hasWidth, &width, &hasHeight, &height, &hasBox,
                                       &box);
  REQUIRE(width.unit == RSVG_UNIT_MM);
  REQUIRE(height.unit == RSVG_UNIT_MM);
  seen.width = width.length;
  seen.height = height.length;
  seen.columns = static_cast<int>(std::ceil(seen.width * dotsPerMm));
  seen.rows = static_cast<int>(std::ceil(seen.height * dotsPerMm));
  cairo_surface_t* surface =
      cairo_image_surface_create(CAIRO_FORMAT_ARGB32, seen.columns, seen.rows);
  cairo_t* context = cairo_create(surface);
  const RsvgRectangle view{0, 0, seen.width * dotsPerMm, seen.height * dotsPerMm};
  REQUIRE(rsvg_handle_render_layer(handle, context, "#cut", &view, &error));
  cairo_surface_flush(surface);
  const unsigned char* data = cairo_image_surface_get_data(surface);
  const int stride = cairo_image_surface_get_stride(surface);
  int left = seen.columns, right = -1, top = seen.rows, bottom = -1;
  seen.alpha.resize(static_cast<std::size_t>(seen.columns) * static_cast<std::size_t>(seen.rows));
  for (int y = 0; y < seen.rows; ++y) {
    for (int x = 0; x < seen.columns; ++x) {
      const unsigned char a = data[y * stride + x * 4 + 3];
      seen.alpha[static_cast<std::size_t>(y) * static_cast<std::size_t>(seen.columns) +
                 static_cast<std::size_t>(x)] = a;
      if (a > 40) {
        left = std::min(left, x);
        right = std::max(right, x);
        top = std::min(top, y);
        bottom = std::max(bottom, y);
      }
    }
  }
  seen.inkWidth = (right + 1 - left) / dotsPerMm;
  seen.inkHeight = (bottom + 1 - top) / dotsPerMm;
  cairo_destroy(context);
  cairo_surface_destroy(surface);
  g_object_unref(handle);
  return seen;
}

}  // namespace

TEST_CASE("librsvg finds the size stated and drawn within a tenth of a millimetre") {
  for (const Named& cup : all()) {
    if (cup.blank.stations[0].girth->length > Length::mm(500)) continue;
    if (cup.blank.stations[1].at.length < Length::mm(20)) continue;
    INFO(cup.name);
    const WrapLayout layout = laidOut(developed(cup.blank), wrapOf({}, {}, Length::mm(1)));
    const Part part = conePiece(layout, Unit::inch, cup.name);
    const SeenDots seen = seenByRsvg(svgOf(setOf({part}), Unit::inch, cup.name));
    const Box size = part.bounds();
    CHECK(seen.width == Approx(size.width()).margin(0.1));
    CHECK(seen.height == Approx(size.height()).margin(0.1));
    CHECK(seen.inkWidth == Approx(size.width()).margin(0.1));
    CHECK(seen.inkHeight == Approx(size.height()).margin(0.1));
    // Every point of our own polyline is under librsvg's ink: its arcs are our arcs.
    for (const Point& p : flattened(part.outline, Length::mm(0.05))) {
      CHECK(seen.inkAt({p.x - size.low.x, size.high.y - p.y}));
    }
  }
}
