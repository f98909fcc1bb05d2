// SPDX-License-Identifier: GPL-3.0-or-later
#include <cairo.h>
#include <librsvg/rsvg.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <filesystem>
#include <sstream>

#include "files/disk.h"
#include "files/svg_drawing.h"

// Drawings as we read them against librsvg, an independent reader: what it draws of the file, and
// what it draws of our reading written out again.

using namespace avrelt;

namespace {

constexpr double coarseDotsPerMm = 8;

struct DrawnPicture {
  int columns = 0;
  int rows = 0;
  std::vector<unsigned char> alpha;
};

DrawnPicture drawnByRsvg(const std::string& svg, double wide, double tall) {
  GError* error = nullptr;
  RsvgHandle* handle =
      rsvg_handle_new_from_data(reinterpret_cast<const guint8*>(svg.data()), svg.size(), &error);
  REQUIRE(handle != nullptr);
  rsvg_handle_set_dpi(handle, 96);  // as CSS has it; its own is 90
  DrawnPicture picture;
  picture.columns = static_cast<int>(std::lround(wide * coarseDotsPerMm));
  picture.rows = static_cast<int>(std::lround(tall * coarseDotsPerMm));
  cairo_surface_t* surface =
      cairo_image_surface_create(CAIRO_FORMAT_ARGB32, picture.columns, picture.rows);
  cairo_t* context = cairo_create(surface);
  const RsvgRectangle view{0, 0, wide * coarseDotsPerMm, tall * coarseDotsPerMm};
  REQUIRE(rsvg_handle_render_document(handle, context, &view, &error));
  cairo_surface_flush(surface);
  const unsigned char* data = cairo_image_surface_get_data(surface);
  const int stride = cairo_image_surface_get_stride(surface);
  for (int y = 0; y < picture.rows; ++y) {
    for (int x = 0; x < picture.columns; ++x) {
      picture.alpha.push_back(data[y * stride + 4 * x + 3]);
    }
  }
  cairo_destroy(context);
  cairo_surface_destroy(surface);
  g_object_unref(handle);
  return picture;
}

/// Our reading written out: plain polylines in mm.
std::string writtenOut(const Drawing& drawing) {
  std::ostringstream out;
  out.precision(12);
  out << "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" << drawing.wide.mm()
      << "mm\" height=\"" << drawing.tall.mm() << "mm\" viewBox=\"0 0 " << drawing.wide.mm() << ' '
      << drawing.tall.mm() << "\">";
  for (const DrawnShape& shape : drawing.shapes) {
    out << "<path fill=\"" << (shape.filled ? "black" : "none") << "\" fill-rule=\""
        << (shape.evenOdd ? "evenodd" : "nonzero") << "\" stroke=\""
        << (shape.stroke > Length() ? "black" : "none") << "\" stroke-width=\"" << shape.stroke.mm()
        << "\" d=\"";
    for (const Polyline& line : shape.lines) {
      for (std::size_t i = 0; i < line.points.size(); ++i) {
        out << (i == 0 ? 'M' : 'L') << line.points[i].x << ' '
            << drawing.tall.mm() - line.points[i].y;
      }
      if (line.closed) out << 'Z';
    }
    out << "\"/>";
  }
  out << "</svg>";
  return out.str();
}

void checkAlike(const std::string& svg) {
  const auto drawing = readDrawing(svg, "test.svg");
  if (!drawing) FAIL(inWords(drawing.error().front(), "test.svg", Unit::mm));
  const DrawnPicture own =
      drawnByRsvg(writtenOut(*drawing), drawing->wide.mm(), drawing->tall.mm());
  const DrawnPicture theirs = drawnByRsvg(svg, drawing->wide.mm(), drawing->tall.mm());
  REQUIRE(own.alpha.size() == theirs.alpha.size());
  long ink = 0;
  long off = 0;
  for (std::size_t i = 0; i < own.alpha.size(); ++i) {
    ink += theirs.alpha[i] > 127 ? 1 : 0;
    off += std::abs(own.alpha[i] - theirs.alpha[i]) > 80 ? 1 : 0;
  }
  CHECK(ink > 1000);
  CHECK(off * 2000 < ink);
}

std::string page(const std::string& inside, const std::string& more = "") {
  return "<svg xmlns=\"http://www.w3.org/2000/svg\" "
         "xmlns:xlink=\"http://www.w3.org/1999/xlink\" width=\"60mm\" height=\"4cm\" "
         "viewBox=\"0 0 120 80\" " +
         more + ">" + inside + "</svg>";
}

}  // namespace

TEST_CASE("the demo's drawing and the fuzzing seeds look to librsvg as we read them") {
  const std::filesystem::path data = AVRELT_DATA;
  for (const std::filesystem::path& file :
       {data / "demo" / "Moons and stars.svg",
        data / ".." / "fuzz" / "seeds" / "drawing" / "mixed.svg"}) {
    INFO(file.string());
    const tl::expected<std::string, Sentence> text = readFile(file);
    REQUIRE(text.has_value());
    // Words are no line art: librsvg draws them, we leave them out.
    std::string plain = *text;
    if (const std::size_t from = plain.find("<text>"); from != std::string::npos) {
      plain.erase(from, plain.find("</text>") + 7 - from);
    }
    checkAlike(plain);
  }
}

TEST_CASE("paths of every command look alike") {
  checkAlike(page("<path d=\"M10 10h30v20H10zm5 5l0 10 20 0 0-10z\" fill-rule=\"evenodd\"/>"));
  checkAlike(
      page("<path d=\"M60 10c10-10 20 20 30 0s20 20 20 30S80 60 70 30Q60 50 60 30T50 20Z\"/>"));
  checkAlike(page("<path d=\"M10 50a20 10 30 1 0 30 5A15 15 0 01 60 60a5 20-20 0 0 10 10z\"/>"));
  checkAlike(
      page("<path d=\"M10 40t10-20 20 5 20 20 20-30z\" fill=\"none\" stroke=\"#000\" "
           "stroke-width=\"3\" stroke-linejoin=\"miter\"/>"));
}

TEST_CASE("shapes, units and percentages look alike") {
  checkAlike(
      page("<rect x=\"10%\" y=\"10%\" width=\"2cm\" height=\"50pt\" rx=\"8\" ry=\"3\"/>"
           "<circle cx=\"90\" cy=\"30\" r=\"10%\"/>"
           "<ellipse cx=\"30\" cy=\"60\" rx=\"1pc\" ry=\"3mm\"/>"
           "<polygon points=\"70,50 110,50 100,75 80,75\"/>"
           "<polyline points=\"5 75 20 70 35 78\" fill=\"none\" stroke=\"red\" "
           "stroke-width=\"2\"/><line x1=\"2\" y1=\"2\" x2=\"118\" y2=\"8\" "
           "stroke=\"blue\" stroke-width=\"1mm\"/>"));
}

TEST_CASE("transforms nested, turned, leaning and mirrored look alike") {
  checkAlike(
      page("<g transform=\"translate(60 40)\"><g transform=\"rotate(25) scale(1.5 .7)\">"
           "<rect x=\"-20\" y=\"-10\" width=\"25\" height=\"15\"/>"
           "<g transform=\"skewX(20) skewY(-10) matrix(-1 .2 0 1 5 5)\">"
           "<circle r=\"12\" cx=\"-20\"/></g></g></g>"));
}

TEST_CASE("uses, symbols, inner pages and styles look alike") {
  checkAlike(
      page("<style>.a{fill:none;stroke:#123;stroke-width:2} #b{fill:red}</style>"
           "<defs><path id=\"p\" d=\"M0 0l20 0 0 10z\"/></defs>"
           "<use xlink:href=\"#p\" x=\"10\" y=\"10\"/>"
           "<use href=\"#p\" transform=\"translate(50 20) rotate(45)\" class=\"a\"/>"
           "<svg x=\"60\" y=\"40\" width=\"50\" height=\"30\" viewBox=\"0 0 10 10\">"
           "<circle id=\"b\" cx=\"5\" cy=\"5\" r=\"4\"/></svg>"));
  // A symbol takes its size from the use, from all of the page, or has none to fit into.
  for (const char* size : {"width=\"30\" height=\"40\"", "width=\"50%\"", ""}) {
    checkAlike(
        page("<defs><symbol id=\"s\" viewBox=\"0 0 10 10\"><rect x=\"1\" y=\"1\" width=\"8\" "
             "height=\"5\"/></symbol><symbol id=\"t\"><circle cx=\"8\" cy=\"9\" r=\"6\"/></symbol>"
             "</defs><use href=\"#s\" x=\"20\" y=\"10\" " +
             std::string(size) + "/><use href=\"#t\" x=\"3\" y=\"50\"/>"));
  }
  checkAlike(
      page("<svg width=\"100%\" height=\"50%\" viewBox=\"0 0 10 10\"><rect x=\"2\" y=\"2\" "
           "width=\"6\" height=\"6\"/></svg>"
           "<svg x=\"10\" y=\"40\" width=\"60\" height=\"30\"><rect width=\"50%\" "
           "height=\"50%\"/></svg>"));
  for (const char* aspect : {"none", "xMinYMin meet", "xMaxYMax meet", "xMidYMid slice"}) {
    checkAlike(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"50mm\" height=\"40mm\" "
        "viewBox=\"5 10 80 30\" preserveAspectRatio=\"" +
        std::string(aspect) + "\"><path d=\"M10 12h50l10 20H20z\"/></svg>");
  }
}
