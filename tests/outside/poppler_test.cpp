// SPDX-License-Identifier: GPL-3.0-or-later
#include <poppler-document.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "files/pdf.h"
#include "sheet/wrap_parts.h"

// Our PDF as poppler, an independent reader, sees it.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

constexpr double dpi = 254;  // ten pixels a millimetre
constexpr double pixelsPerMm = 10;

std::unique_ptr<poppler::document> opened(const std::string& bytes) {
  std::unique_ptr<poppler::document> document(
      poppler::document::load_from_raw_data(bytes.data(), static_cast<int>(bytes.size())));
  REQUIRE(document != nullptr);
  return document;
}

poppler::image drawn(poppler::document& document, int page) {
  const std::unique_ptr<poppler::page> sheet(document.create_page(page));
  poppler::page_renderer renderer;
  return renderer.render_page(sheet.get(), dpi, dpi);
}

bool dark(const poppler::image& image, int x, int y) {
  const char* pixel = image.const_data() + y * image.bytes_per_row() + x * 4;
  return static_cast<unsigned char>(pixel[1]) < 170;
}

/// From the first to the last dark pixel of a rectangle of the page, in mm.
struct Extent {
  double width = 0;
  double height = 0;
};

Extent inkIn(const poppler::image& image, double top, double bottom) {
  int left = image.width(), right = -1, high = image.height(), low = -1;
  for (int y = static_cast<int>(top * pixelsPerMm); y < static_cast<int>(bottom * pixelsPerMm);
       ++y) {
    for (int x = 0; x < image.width(); ++x) {
      if (!dark(image, x, y)) continue;
      left = std::min(left, x);
      right = std::max(right, x);
      high = std::min(high, y);
      low = std::max(low, y);
    }
  }
  return {(right + 1 - left) / pixelsPerMm, (low + 1 - high) / pixelsPerMm};
}

/// The longest dark run along a row of the page, in mm: a bar.
double longestRun(const poppler::image& image, double fromLeft, double atY) {
  double longest = 0;
  for (int y = static_cast<int>((atY - 1) * pixelsPerMm); y < (atY + 1) * pixelsPerMm; ++y) {
    int run = 0;
    for (int x = static_cast<int>(fromLeft * pixelsPerMm); x < image.width(); ++x) {
      run = dark(image, x, y) ? run + 1 : 0;
      longest = std::max(longest, run / pixelsPerMm);
    }
  }
  return longest;
}

Part pieceOf(const Blank& blank) {
  return conePiece(laidOut(developed(blank), wrapOf({}, {}, Length::mm(3))), Unit::inch, "Comet");
}

}  // namespace

TEST_CASE("poppler measures page, piece and bars within a tenth of a millimetre") {
  // Narrow enough for one page of either paper, and square at its corners, where lines end sharp.
  const Part part = pieceOf(body(Length::mm(165), Length::mm(165), Length::mm(110)));
  for (const Paper paper : {Paper::a4, Paper::letter}) {
    const Tiling tiling = tileOver(part.bounds(), paper);
    REQUIRE(tiling.pages.size() == 1);
    const auto pdf = pdfOf(setOf({part}), tiling, Unit::inch, "Comet: Wrap");
    REQUIRE(pdf.has_value());
    const auto document = opened(*pdf);
    REQUIRE(document->pages() == 1);
    const std::unique_ptr<poppler::page> page(document->create_page(0));
    CHECK(page->page_rect().width() / 72 * 25.4 == Approx(tiling.pageWidth().mm()).margin(0.01));
    CHECK(page->page_rect().height() / 72 * 25.4 == Approx(tiling.pageHeight().mm()).margin(0.01));

    const poppler::image image = drawn(*document, 0);
    const double pageHeight = tiling.pageHeight().mm();
    const Extent ink = inkIn(image, 0, pageHeight - 6 - 16);
    // The line is 0.2 mm wide, half of it outside the edge on either side.
    CHECK(ink.width == Approx(part.bounds().width() + 0.2).margin(0.1));
    CHECK(ink.height == Approx(part.bounds().height() + 0.2).margin(0.1));
    CHECK(longestRun(image, 0, pageHeight - 6 - 8) == Approx(100 + 0.2).margin(0.1));
    CHECK(longestRun(image, 0, pageHeight - 6 - 1.5) == Approx(101.6 + 0.2).margin(0.1));
  }
}

TEST_CASE("every page carries reminder and name, and several carry their number") {
  const Part part = pieceOf(body(Length::mm(380), Length::mm(420), Length::mm(240)));
  const Tiling tiling = tileOver(part.bounds(), Paper::a4);
  REQUIRE(tiling.pages.size() > 2);
  const auto pdf = pdfOf(setOf({part}), tiling, Unit::inch, "Comet: Wrap");
  REQUIRE(pdf.has_value());
  const auto document = opened(*pdf);
  REQUIRE(document->pages() == static_cast<int>(tiling.pages.size()));
  for (int i = 0; i < document->pages(); ++i) {
    const std::unique_ptr<poppler::page> page(document->create_page(i));
    const poppler::byte_array bytes = page->text().to_utf8();
    const std::string text(bytes.begin(), bytes.end());
    CHECK_THAT(text, Catch::Contains("Print at 100 %"));
    CHECK_THAT(text, Catch::Contains("100 mm") && Catch::Contains("4 in"));
    CHECK_THAT(text, Catch::Contains("page " + std::to_string(i + 1) + " of "));
    CHECK(longestRun(drawn(*document, i), 0, tiling.pageHeight().mm() - 6 - 8) ==
          Approx(100.2).margin(0.1));
  }
}

TEST_CASE("pages laid over each other by their marks show one piece") {
  // A point of the edge inside a shared band has to appear on both pages, the same way from the
  // windows' corners as the tiling says.
  const Part part = pieceOf(body(Length::mm(300), Length::mm(300), Length::mm(150)));
  const Tiling tiling = tileOver(part.bounds(), Paper::a4);
  REQUIRE(tiling.columns == 2);
  const auto pdf = pdfOf(setOf({part}), tiling, Unit::inch, "x");
  REQUIRE(pdf.has_value());
  const auto document = opened(*pdf);
  const Box laid = boundsOf(laidOn(tiling, part.outline));
  for (const Page& page : tiling.pages) {
    const poppler::image image = drawn(*document, page.row * tiling.columns + page.column);
    const double band = tiling.pages[1].window.low.x + Tiling::join.mm() / 2;
    const double x = band - page.window.low.x + Tiling::margin.mm();
    const double y = page.window.high.y - laid.high.y + Tiling::margin.mm();
    bool found = false;
    for (int dy = -1; dy <= 1; ++dy) {
      found = found || dark(image, static_cast<int>(x * pixelsPerMm),
                            static_cast<int>(y * pixelsPerMm) + dy);
    }
    CHECK(found);
  }
}

TEST_CASE("the face is embedded") {
  const Part part = pieceOf(all()[0].blank);
  const auto pdf = pdfOf(setOf({part}), tileOver(part.bounds(), Paper::a4), Unit::inch, "x");
  REQUIRE(pdf.has_value());
  const auto document = opened(*pdf);
  const std::vector<poppler::font_info> fonts = document->fonts();
  REQUIRE_FALSE(fonts.empty());
  for (const poppler::font_info& font : fonts) {
    CHECK(font.is_embedded());
    CHECK_THAT(font.name(), Catch::Contains("AvreltSans"));
  }
}
