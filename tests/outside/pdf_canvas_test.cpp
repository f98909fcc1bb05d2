// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn on PDF pages as poppler, an independent reader, sees it.
#include "files/pdf_canvas.h"

#include <poppler-document.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>
#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "files/jpegs.h"

using namespace avrelt;

namespace {

constexpr double pageWide = 120;
constexpr double pageTall = 80;
constexpr int dotsToMm = 10;

PdfCanvas newCanvas() {
  return PdfCanvas(Length::mm(pageWide), Length::mm(pageTall), "Seen");
}

/// A page of a document, drawn.
class SeenPage {
 public:
  explicit SeenPage(const std::string& bytes, int page = 0)
      : document_(
            poppler::document::load_from_raw_data(bytes.data(), static_cast<int>(bytes.size()))) {
    REQUIRE(document_ != nullptr);
    page_.reset(document_->create_page(page));
    REQUIRE(page_ != nullptr);
    poppler::page_renderer renderer;
    renderer.set_paper_color(0xFFFFFFFF);
    image_ = renderer.render_page(page_.get(), dotsToMm * 25.4, dotsToMm * 25.4);
  }

  Rgb at(Point p) const {
    const auto pixel = [](double mm) { return static_cast<int>(std::floor(mm * dotsToMm)); };
    const char* dot =
        image_.const_data() + pixel(pageTall - p.y) * image_.bytes_per_row() + pixel(p.x) * 4;
    const auto part = [&](int i) { return static_cast<int>(static_cast<unsigned char>(dot[i])); };
    return {part(2), part(1), part(0)};
  }
  const poppler::page& page() const { return *page_; }
  poppler::document& document() const { return *document_; }

 private:
  std::unique_ptr<poppler::document> document_;
  std::unique_ptr<poppler::page> page_;
  poppler::image image_;
};

bool nearly(const Rgb& one, const Rgb& other, int by = 1) {
  return std::abs(one.red - other.red) <= by && std::abs(one.green - other.green) <= by &&
         std::abs(one.blue - other.blue) <= by;
}

constexpr Rgb whiteInk{255, 255, 255};
constexpr Rgb teal{31, 94, 107};
constexpr Rgb amber{233, 196, 106};

std::string inUtf8(const poppler::ustring& text) {
  const poppler::byte_array bytes = text.to_utf8();
  return {bytes.begin(), bytes.end()};
}

/// A ring's outlines, of two half circles each.
Path circle(Point middle, double radius) {
  Path path{middle - Point{radius, 0}, {}};
  path.arcTo(middle + Point{radius, 0}, 1);
  path.arcTo(path.start, 1);
  return path;
}

}  // namespace

TEST_CASE("boxes lie where they are drawn, in their colours, within their frames") {
  rc::check([] {
    const auto in = [](int low, int high) { return *rc::gen::inRange(low, high) * 0.1; };
    const Point low{in(20, 500), in(20, 300)};
    const Box drawn{low, low + Point{in(20, 400), in(20, 300)}};
    const Rgb colour{*rc::gen::inRange(0, 255), *rc::gen::inRange(0, 255),
                     *rc::gen::inRange(0, 200)};
    const Point shift{in(-10, 100), in(-10, 100)};
    PdfCanvas page = newCanvas();
    page.save();
    page.frame({1, 0, 0, 1, shift.x, shift.y});
    page.ground(colour);
    page.add(drawn);
    page.fill();
    page.restore();
    page.ground({1, 2, 3});
    page.add(Box{{0, 0}, {1, 1}});  // no frame any more
    page.fill();
    const SeenPage seen(page.finish());
    const Box lies{drawn.low + shift, drawn.high + shift};
    for (const Point corner : {lies.low, lies.high, Point{lies.low.x, lies.high.y}}) {
      const Point inward = (lies.centre() - corner) * (1 / norm(lies.centre() - corner)) * 0.6;
      RC_ASSERT(nearly(seen.at(corner + inward), colour));
      RC_ASSERT(nearly(seen.at(corner - inward), whiteInk) ||
                norm(corner - inward) < 2);  // the corner box
    }
    RC_ASSERT(nearly(seen.at({0.5, 0.5}), {1, 2, 3}));
  });
}

TEST_CASE("what lies within two outlines is not filled, and a clip hides what is outside") {
  PdfCanvas page = newCanvas();
  page.save();
  page.clip({{0, 0}, {60, 80}});
  page.ink(teal);
  page.ground(amber);
  page.pen(1);
  page.add(circle({60, 40}, 30));
  page.add(circle({60, 40}, 15));
  page.fillAndStroke();
  page.restore();
  const SeenPage seen(page.finish());
  CHECK(nearly(seen.at({60 - 22, 40}), amber));
  CHECK(nearly(seen.at({59, 40}), whiteInk));
  CHECK(nearly(seen.at({60 + 22, 40}), whiteInk));
  // The lines lie on the circles all round, 1 mm wide.
  for (int degree = 95; degree <= 265; degree += 5) {
    const double a = degree / 180.0 * std::numbers::pi;
    for (const double radius : {15.0, 30.0}) {
      for (const double off : {-0.35, 0.0, 0.35}) {
        const Point p = Point{60, 40} + Point{std::cos(a), std::sin(a)} * (radius + off);
        INFO(degree << "° " << radius + off);
        CHECK(nearly(seen.at(p), teal));
      }
      CHECK_FALSE(
          nearly(seen.at(Point{60, 40} + Point{std::cos(a), std::sin(a)} * (radius + 0.7)), teal));
    }
  }
}

TEST_CASE("dashes are as long as told, and nothing gathered is nothing drawn") {
  PdfCanvas page = newCanvas();
  page.ink({0, 0, 0});
  page.pen(1, {3, 1.5});
  page.stroke();
  page.fill();
  page.add(Point{10, 40}, Point{100, 40});
  page.stroke();
  const SeenPage seen(page.finish());
  for (int i = 0; i < 20; ++i) {
    CHECK(nearly(seen.at({10 + 4.5 * i + 1.5, 40}), {0, 0, 0}));
    CHECK(nearly(seen.at({10 + 4.5 * i + 3.75, 40}), whiteInk));
  }
  CHECK(nearly(seen.at({5, 5}), whiteInk));
}

TEST_CASE("words are found where they are, as long as is said, in any letters") {
  rc::check([] {
    const std::string word =
        *rc::gen::element(std::string("Wrap"), std::string("Größe"), std::string("λόγος"),
                          std::string("обёртка"), std::string("8½″"), std::string("iiiWWW"));
    const double size = *rc::gen::inRange(15, 80) * 0.1;
    const Point at{*rc::gen::inRange(5, 60) * 1.0, *rc::gen::inRange(10, 65) * 1.0};
    PdfCanvas page = newCanvas();
    page.ink(teal);
    page.words(word, at, size);
    const SeenPage seen(page.finish());
    const std::vector<poppler::text_box> words = seen.page().text_list();
    RC_ASSERT(words.size() == 1U);
    RC_ASSERT(inUtf8(words[0].text()) == word);
    const poppler::rectf box = words[0].bbox();
    const double mm = 25.4 / 72;
    RC_ASSERT(std::abs(box.left() * mm - at.x) < 0.02);
    RC_ASSERT(std::abs((box.right() - box.left()) * mm - PdfCanvas::lengthOf(word, size)) < 0.02);
    // The line they stand on lies within them.
    RC_ASSERT(box.top() * mm < pageTall - at.y - size / 2);
    RC_ASSERT(box.bottom() * mm > pageTall - at.y);
  });
}

TEST_CASE("the ink of words is where their box is, turned too") {
  // An H is 0.744 of the size wide with 0.09 before its first stem, and 0.727 tall.
  PdfCanvas page = newCanvas();
  page.ink({0, 0, 0});
  page.words("H", {20, 20}, 40);
  page.words("H", {110, 20}, 40, Angle::degrees(90));
  const SeenPage seen(page.finish());
  const double stem = 0.13 * 40;
  CHECK(nearly(seen.at({20 + stem, 25}), {0, 0, 0}));
  CHECK(nearly(seen.at({20 + stem, 20 + 0.727 * 40 - 1}), {0, 0, 0}));
  CHECK(nearly(seen.at({20 + stem, 20 + 0.727 * 40 + 1}), whiteInk));
  CHECK(nearly(seen.at({20 + stem, 19}), whiteInk));
  CHECK(nearly(seen.at({105, 20 + stem}), {0, 0, 0}));
  CHECK(nearly(seen.at({110 - 0.727 * 40 - 1, 20 + stem}), whiteInk));
  CHECK(nearly(seen.at({111, 20 + stem}), whiteInk));
}

TEST_CASE("letters of more than one list are all found, and a missing one loses no other") {
  std::string all;
  std::u32string letters;
  for (char32_t letter = 0xC0; letter < 0x17F; ++letter) {
    if (letter == 0xD7 || letter == 0xF7 || letter == 0x132 || letter == 0x133) continue;
    letters += letter;
    all += static_cast<char>(0xC0U | (static_cast<unsigned>(letter) >> 6U));
    all += static_cast<char>(0x80U | (static_cast<unsigned>(letter) & 0x3FU));
  }
  PdfCanvas page = newCanvas();
  page.words(all, {2, 40}, 0.6);
  page.words("cup \xE4\xB8\x80 rim", {2, 20}, 4);
  const SeenPage seen(page.finish());
  const std::string text =
      inUtf8(seen.page().text(poppler::rectf(), poppler::page::raw_order_layout));
  CHECK(text.find(all) != std::string::npos);
  CHECK_THAT(text, Catch::Contains("cup") && Catch::Contains("rim"));
  for (const poppler::font_info& font : seen.document().fonts()) CHECK(font.is_embedded());
}

TEST_CASE("JPEG pictures of one, three and four colours lie over their box") {
  for (const int colours : {1, 3, 4}) {
    PdfCanvas page = newCanvas();
    CHECK(page.jpeg(jpegOf(40, 20, colours), {{10, 10}, {90, 50}}));
    CHECK_FALSE(page.jpeg("no picture", {{10, 10}, {90, 50}}));
    const SeenPage seen(page.finish());
    INFO(colours);
    const Rgb middle = seen.at({50, 30});
    const Rgb wanted = colours == 1 ? Rgb{200, 200, 200} : Rgb{200, 60, 40};
    // Inks look as the reader's own table says: near, not alike.
    CHECK(nearly(middle, wanted, colours == 4 ? 40 : 4));
    CHECK(nearly(seen.at({9, 30}), whiteInk));
    CHECK(nearly(seen.at({91, 30}), whiteInk));
    CHECK(nearly(seen.at({50, 51}), whiteInk));
    CHECK_FALSE(nearly(seen.at({11, 11}), whiteInk, 20));
    CHECK_FALSE(nearly(seen.at({89, 49}), whiteInk, 20));
  }
}

TEST_CASE("dots lie upright over their box, and what is clear shows the page") {
  // Amber at its upper left, teal at its lower right, half of each row clear.
  Picture picture{4, 2, {}};
  for (int row = 0; row < 2; ++row) {
    for (int x = 0; x < 4; ++x) {
      const Rgb colour = row == 0 ? amber : teal;
      for (const int part : {colour.red, colour.green, colour.blue}) {
        picture.rgba.push_back(static_cast<std::uint8_t>(part));
      }
      picture.rgba.push_back((x < 2) == (row == 0) ? 255 : 0);
    }
  }
  PdfCanvas page = newCanvas();
  page.ground({0, 200, 0});
  page.add(Box{{0, 0}, {pageWide, pageTall}});
  page.fill();
  page.dots(picture, {{20, 20}, {100, 60}});
  const SeenPage seen(page.finish());
  CHECK(nearly(seen.at({25, 55}), amber, 3));
  CHECK(nearly(seen.at({95, 25}), teal, 3));
  CHECK(nearly(seen.at({95, 55}), {0, 200, 0}, 3));
  CHECK(nearly(seen.at({25, 25}), {0, 200, 0}, 3));
  CHECK(nearly(seen.at({10, 40}), {0, 200, 0}));
  // Each as sharp as it is: a print's marks are looked for by a camera.
  CHECK(nearly(seen.at({59.8, 40.2}), amber, 3));
  CHECK(nearly(seen.at({60.2, 40.2}), {0, 200, 0}, 3));
}

TEST_CASE("pages follow each other, each with its own, and the same gives the same bytes") {
  const auto made = [] {
    PdfCanvas page = newCanvas();
    for (const char* const word : {"one", "two", "three"}) {
      if (std::string(word) != "one") page.turn();
      page.words(word, {10, 10}, 5);
      page.jpeg(jpegOf(8, 8, 3), {{40, 40}, {50, 50}});
    }
    return page.finish();
  };
  const std::string bytes = made();
  CHECK(bytes == made());
  for (int i = 0; i < 3; ++i) {
    const SeenPage seen(bytes, i);
    CHECK(seen.document().pages() == 3);
    const auto words = seen.page().text_list();
    REQUIRE(words.size() == 1);
    CHECK(inUtf8(words[0].text()) ==
          std::array{"one", "two", "three"}.at(static_cast<std::size_t>(i)));
    CHECK(nearly(seen.at({45, 45}), {200, 60, 40}, 4));
  }
  CHECK(inUtf8(SeenPage(bytes).document().info_key("Title")) == "Seen");
}
