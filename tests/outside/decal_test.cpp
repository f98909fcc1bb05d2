// SPDX-License-Identifier: GPL-3.0-or-later
// Offsets, clearance and words against libraries that are not ours.
#include <cairo.h>
#include <geos_c.h>
#include <pango/pangocairo.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "decal/shapes.h"
#include "files/face_finder.h"
#include "shape/clearance.h"
#include "shape/edge_tree.h"

using namespace avrelt;

namespace {

/// GEOS, and what is made with it.
class Geos {
 public:
  Geos() : context_(GEOS_init_r()) {}
  ~Geos() { GEOS_finish_r(context_); }
  Geos(const Geos&) = delete;
  Geos& operator=(const Geos&) = delete;

  GEOSGeometry* of(const Polygon& polygon) const {
    std::vector<GEOSGeometry*> parts;
    for (const Polygon& part : partsOf(polygon)) {
      std::vector<GEOSGeometry*> holes;
      for (std::size_t i = 1; i < part.size(); ++i) holes.push_back(ring(part[i]));
      parts.push_back(GEOSGeom_createPolygon_r(context_, ring(part[0]), holes.data(),
                                               static_cast<unsigned>(holes.size())));
    }
    return GEOSGeom_createCollection_r(context_, GEOS_MULTIPOLYGON, parts.data(),
                                       static_cast<unsigned>(parts.size()));
  }
  double areaOfBuffer(const Polygon& polygon, double by) const {
    GEOSGeometry* geometry = of(polygon);
    GEOSGeometry* grown = GEOSBuffer_r(context_, geometry, by, 64);
    const double area = areaOf(grown);
    GEOSGeom_destroy_r(context_, geometry);
    GEOSGeom_destroy_r(context_, grown);
    return area;
  }
  double distance(const Polygon& a, const Polygon& b) const {
    GEOSGeometry* one = of(a);
    GEOSGeometry* other = of(b);
    double apart = -1;
    GEOSDistance_r(context_, one, other, &apart);
    GEOSGeom_destroy_r(context_, one);
    GEOSGeom_destroy_r(context_, other);
    return apart;
  }
  /// What only one of two has, ours and a buffer of GEOS.
  double apart(const Polygon& ours, const Polygon& from, double by) const {
    GEOSGeometry* mine = of(ours);
    GEOSGeometry* geometry = of(from);
    GEOSGeometry* grown = GEOSBuffer_r(context_, geometry, by, 64);
    GEOSGeometry* off = GEOSSymDifference_r(context_, mine, grown);
    const double area = off == nullptr ? -1 : areaOf(off);
    for (GEOSGeometry* one : {mine, geometry, grown, off}) {
      if (one != nullptr) GEOSGeom_destroy_r(context_, one);
    }
    return area;
  }

  /// What two have in common, and what only one of two has.
  double common(const Polygon& a, const Polygon& b) const { return by(GEOSIntersection_r, a, b); }
  double odd(const Polygon& a, const Polygon& b) const { return by(GEOSSymDifference_r, a, b); }

 private:
  template <typename Make>
  double by(const Make& make, const Polygon& a, const Polygon& b) const {
    GEOSGeometry* one = of(a);
    GEOSGeometry* other = of(b);
    GEOSGeometry* made = make(context_, one, other);
    const double area = made == nullptr ? -1 : areaOf(made);
    for (GEOSGeometry* each : {one, other, made}) {
      if (each != nullptr) GEOSGeom_destroy_r(context_, each);
    }
    return area;
  }
  double areaOf(const GEOSGeometry* geometry) const {
    double area = 0;
    GEOSArea_r(context_, geometry, &area);
    return area;
  }
  GEOSGeometry* ring(const std::vector<Point>& points) const {
    GEOSCoordSequence* sequence =
        GEOSCoordSeq_create_r(context_, static_cast<unsigned>(points.size() + 1), 2);
    for (std::size_t i = 0; i <= points.size(); ++i) {
      const Point p = points[i % points.size()];
      GEOSCoordSeq_setXY_r(context_, sequence, static_cast<unsigned>(i), p.x, p.y);
    }
    return GEOSGeom_createLinearRing_r(context_, sequence);
  }
  GEOSContextHandle_t context_;
};

double edgeOf(const Polygon& polygon) {
  double sum = 0;
  for (const std::vector<Point>& outline : polygon) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      sum += norm(outline[(i + 1) % outline.size()] - outline[i]);
    }
  }
  return sum;
}

}  // namespace

TEST_CASE("shapes of the shelf are as far apart as GEOS has it, beside and in each other") {
  const Geos geos;
  std::mt19937 random(14);
  std::uniform_real_distribution<double> turns(0, 2 * M_PI);
  std::uniform_real_distribution<double> away(-60, 60);
  int beside = 0;
  for (const ShelfShape& first : shelfShapes()) {
    for (const ShelfShape& second : shelfShapes()) {
      const Polygon a = shapeArtwork(first.id).silhouette();
      const double turn = turns(random);
      const Polygon b = mapped(shapeArtwork(second.id).silhouette(),
                               {std::cos(turn), std::sin(turn), -std::sin(turn), std::cos(turn),
                                away(random), away(random)});
      INFO(first.id << " and " << second.id);
      const double ours = nearest(EdgeTree(a), EdgeTree(b)).apart.mm();
      // Parts are told apart in ten-thousandths of a millimetre.
      CHECK(ours == Approx(geos.distance(a, b)).margin(2e-4));
      beside += ours > 0 ? 1 : 0;
    }
  }
  CHECK(beside > 100);
}

TEST_CASE("offsets of every shape of the shelf agree with GEOS buffers, out and in") {
  const Geos geos;
  for (const ShelfShape& shape : shelfShapes()) {
    INFO(shape.id);
    const Polygon art = shapeArtwork(shape.id).silhouette();
    for (const double by : {1.27, 2.46, 6.0, -0.3}) {
      INFO(by);
      const Polygon ours = offsetBy(art, Length::mm(by), Corners::round);
      const double tolerance = 0.006 * (edgeOf(ours) + edgeOf(art)) + 0.02;
      CHECK(std::abs(signedArea(ours) - geos.areaOfBuffer(art, by)) < tolerance);
      CHECK(geos.apart(ours, art, by) < tolerance);
    }
  }
}

TEST_CASE("what is cut at lines lies apart and makes up the set, as GEOS has it") {
  const Geos geos;
  cups::Chance chance(5);
  int parted = 0;
  for (int trial = 0; trial < 20; ++trial) {
    Cup cup = trial % 2 == 0 ? cups::straight() : cups::tapered();
    cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
    cup.division.body.cut = WaveCut{.repeat = 4, .low = WrittenLength::mm(90), .fromRim = false};
    Place place = cups::placeAt(chance.between(-180, 180), chance.between(80, 100));
    place.turn = Angle::degrees(chance.between(-180, 180));
    cup.sets = {cups::setAt(cups::named("laurel"), chance.between(40, 80), {place})};
    cup.sets[0].parted = true;
    const CupPlan plan = cups::planned(cup);
    const LayerPlan& layer = plan.sets[0].makes.front().layers.front();
    if (layer.pieces.empty()) continue;
    ++parted;
    INFO("trial " << trial);
    std::vector<Polygon> all;
    double sum = 0;
    for (const LayerPiece& piece : layer.pieces) {
      all.push_back(piece.cut);
      sum += geos.areaOfBuffer(piece.cut, 0);
      for (const LayerPiece& other : layer.pieces) {
        if (&other != &piece) CHECK(geos.common(piece.cut, other.cut) < 0.05);
      }
    }
    CHECK(sum == Approx(geos.areaOfBuffer(layer.cut, 0)).margin(0.1));
    // Along a line lies a seam as wide as outlines are rounded to.
    CHECK(geos.odd(unionOf(all), layer.cut) < 0.1);
  }
  CHECK(parted > 15);
}

TEST_CASE("the thinnest stroke is where GEOS first parts a shape drawn in, or loses a part of it") {
  // A second way to the same figure: drawn in by half of it and a little more, a stroke comes apart
  // or a part vanishes; by a little less, neither.
  const Geos geos;
  for (const char* id : {"full_moon", "hexagon", "frame", "mirror", "orbit"}) {
    INFO(id);
    const Polygon art = shapeArtwork(id).silhouette();
    const Clearance clearance(art);
    REQUIRE(clearance.thinnestStroke());
    const double width = clearance.thinnestStroke()->width.mm();
    const auto partsLeft = [&](double by) {
      return static_cast<int>(partsOf(offsetBy(art, Length::mm(-by), Corners::round)).size());
    };
    const int before = static_cast<int>(partsOf(art).size());
    CHECK(partsLeft(width / 2 - 0.02) == before);
    const int after = partsLeft(width / 2 + 0.02);
    CHECK((after != before || geos.areaOfBuffer(art, -width / 2 - 0.02) < 1e-9));
  }
}

TEST_CASE("words cover the dots that pango and cairo paint, in every shipped face of the system") {
  // DejaVu is on the machine for the tests; pango sets it by its own copy of HarfBuzz and paints it
  // by cairo. Left to right with marks, and right to left.
  struct Case {
    const char* family;
    const char* text;
  };
  for (const Case& one : {Case{"DejaVu Sans", "Ag8 No\xCC\x88"},
                          Case{"DejaVu Sans", "\xD7\xA9\xD7\x9C\xD7\x95\xD7\x9D"},
                          Case{"DejaVu Sans", "\xD9\x86\xD8\xAC\xD9\x85\xD8\xA9 7"},
                          Case{"DejaVu Serif", "Comet, fi"}}) {
    INFO(one.family << ": " << one.text);
    Words words;
    words.text = one.text;
    words.family = one.family;
    words.style = "Book";
    words.capHeight = WrittenLength::mm(80);
    const Checked<Lettered> made = lettered(words);
    REQUIRE(made);
    CHECK(made->missing.empty());
    const Polygon ours = made->artwork.silhouette();
    // Pango at 1 dot a millimetre: capitals of DejaVu are 0.729 of an em tall (its own OS/2 table).
    cairo_surface_t* surface = cairo_image_surface_create(CAIRO_FORMAT_A8, 1200, 400);
    cairo_t* cairo = cairo_create(surface);
    PangoLayout* layout = pango_cairo_create_layout(cairo);
    PangoFontDescription* font = pango_font_description_from_string(one.family);
    pango_font_description_set_absolute_size(font, 80 / 0.729 * PANGO_SCALE);
    pango_layout_set_font_description(layout, font);
    cairo_font_options_t* options = cairo_font_options_create();
    cairo_font_options_set_hint_style(options, CAIRO_HINT_STYLE_NONE);
    cairo_font_options_set_hint_metrics(options, CAIRO_HINT_METRICS_OFF);
    pango_cairo_context_set_font_options(pango_layout_get_context(layout), options);
    pango_context_set_round_glyph_positions(pango_layout_get_context(layout), FALSE);
    pango_layout_set_text(layout, one.text, -1);
    PangoRectangle ink;
    pango_layout_get_extents(layout, &ink, nullptr);
    const double inkX = static_cast<double>(ink.x) / PANGO_SCALE;
    const double inkY = static_cast<double>(ink.y) / PANGO_SCALE;
    cairo_move_to(cairo, 10 - inkX, 10 - inkY);
    pango_cairo_show_layout(cairo, layout);
    cairo_surface_flush(surface);
    const unsigned char* dots = cairo_image_surface_get_data(surface);
    const int stride = cairo_image_surface_get_stride(surface);
    const Box box = boundsOf(ours);
    CHECK(box.width() == Approx(static_cast<double>(ink.width) / PANGO_SCALE).margin(0.6));
    CHECK(box.height() == Approx(static_cast<double>(ink.height) / PANGO_SCALE).margin(0.6));
    double painted = 0;
    double apart = 0;
    for (int y = 0; y < 400; ++y) {
      for (int x = 0; x < 1200; ++x) {
        const double theirs = dots[y * stride + x] / 255.0;
        painted += theirs;
        // A dot counts as ours by its middle: on an edge both may be half right.
        const bool in = contains(ours, {x + 0.5 - 10 + box.low.x, box.high.y - (y + 0.5 - 10)});
        if ((in && theirs < 0.15) || (!in && theirs > 0.85)) apart += 1;
      }
    }
    CHECK(painted == Approx(signedArea(ours)).epsilon(0.01));
    CHECK(apart < 0.002 * painted + 3);
    cairo_font_options_destroy(options);
    pango_font_description_free(font);
    g_object_unref(layout);
    cairo_destroy(cairo);
    cairo_surface_destroy(surface);
  }
}
