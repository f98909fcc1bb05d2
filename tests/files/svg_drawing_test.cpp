// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg_drawing.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "files/disk.h"

using namespace avrelt;

namespace {

std::string svg(
    const std::string& inside,
    const std::string& head = "width=\"100mm\" height=\"50mm\" viewBox=\"0 0 100 50\"") {
  return "<svg xmlns=\"http://www.w3.org/2000/svg\" "
         "xmlns:xlink=\"http://www.w3.org/1999/xlink\" " +
         head + ">\n" + inside + "\n</svg>\n";
}

Drawing read(const std::string& text) {
  const auto drawing = readDrawing(text, "test.svg");
  if (!drawing) FAIL(inWords(drawing.error().front(), "test.svg", Unit::mm));
  return *drawing;
}

std::string refusal(const std::string& text) {
  const auto drawing = readDrawing(text, "test.svg");
  return drawing ? "" : inWords(drawing.error().front(), "test.svg", Unit::mm);
}

double areaOf(const DrawnShape& shape) {
  double area = 0;
  for (const Polyline& line : shape.lines) area += std::abs(signedArea(line.points));
  return area;
}

Box boundsOf(const DrawnShape& shape) {
  Box box;
  for (const Polyline& line : shape.lines) {
    for (const Point& p : line.points) box.add(p);
  }
  return box;
}

}  // namespace

TEST_CASE("the page is in millimetres with y up, whatever its units") {
  const std::string box = "<rect x=\"10\" y=\"5\" width=\"20\" height=\"10\"/>";
  const Drawing drawing = read(svg(box));
  CHECK(drawing.wide.mm() == Approx(100));
  CHECK(drawing.tall.mm() == Approx(50));
  REQUIRE(drawing.shapes.size() == 1);
  CHECK(boundsOf(drawing.shapes[0]).low.x == Approx(10));
  CHECK(boundsOf(drawing.shapes[0]).low.y == Approx(35));
  CHECK(boundsOf(drawing.shapes[0]).high.y == Approx(45));
  // CSS 2.1, 4.3.2: 1 in = 2.54 cm = 25.4 mm = 72 pt = 6 pc = 96 px.
  for (const char* size : {"1in", "2.54cm", "25.4mm", "72pt", "6pc", "96px", "96", "101.6Q"}) {
    const std::string head = "width=\"" + std::string(size) + "\" height=\"" + size + "\"";
    CHECK(read(svg("", head)).wide.mm() == Approx(25.4));
  }
  // The view is fitted in the middle, or stretched, or cut.
  const auto left = [&](const char* aspect) {
    return boundsOf(read(svg(box,
                             "width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 50\" "
                             "preserveAspectRatio=\"" +
                                 std::string(aspect) + "\""))
                        .shapes[0]);
  };
  CHECK(left("xMidYMid meet").low.y == Approx(60));
  CHECK(left("xMidYMin").high.y == Approx(95));
  CHECK(left("none").height() == Approx(20));
  CHECK(left("xMidYMid slice").width() == Approx(40));
}

TEST_CASE("basic shapes have their areas") {
  const auto area = [](const std::string& shape) {
    const Drawing drawing = read(svg(shape));
    REQUIRE(drawing.shapes.size() == 1);
    return areaOf(drawing.shapes[0]);
  };
  CHECK(area("<rect width=\"20\" height=\"10\"/>") == Approx(200));
  // Rounded corners take away (4 - π) rx ry.
  CHECK(area("<rect width=\"20\" height=\"10\" rx=\"3\"/>") ==
        Approx(200 - (4 - M_PI) * 9).epsilon(1e-3));
  CHECK(area("<rect width=\"20\" height=\"10\" rx=\"50\" ry=\"2\"/>") ==
        Approx(200 - (4 - M_PI) * 20).epsilon(2e-3));
  CHECK(area("<circle cx=\"50%\" cy=\"50%\" r=\"10\"/>") == Approx(M_PI * 100).epsilon(2e-3));
  CHECK(area("<ellipse cx=\"20\" cy=\"20\" rx=\"10\" ry=\"5\"/>") ==
        Approx(M_PI * 50).epsilon(2e-3));
  CHECK(area("<polygon points=\"0,0 10,0 10,10\"/>") == Approx(50));
  CHECK(area("<polyline points=\"0 0 10 0 10 10\"/>") == Approx(50));
  CHECK(read(svg("<line x2=\"10\" stroke=\"red\"/>")).shapes[0].filled == false);
  // Of no size: not drawn.
  CHECK(read(svg("<rect width=\"0\" height=\"5\"/><circle r=\"0\"/>")).shapes.empty());
}

TEST_CASE("transforms, groups and uses are carried down") {
  const Drawing drawing =
      read(svg("<defs><g id=\"pair\"><rect width=\"2\" height=\"2\"/><rect x=\"4\" width=\"2\" "
               "height=\"2\"/></g></defs>"
               "<g transform=\"translate(10,10) scale(2)\"><use xlink:href=\"#pair\" x=\"1\"/>"
               "<use href=\"#pair\" transform=\"rotate(90)\"/></g>"));
  REQUIRE(drawing.shapes.size() == 4);
  CHECK(areaOf(drawing.shapes[0]) == Approx(16));
  CHECK(boundsOf(drawing.shapes[0]).low.x == Approx(12));
  CHECK(boundsOf(drawing.shapes[1]).low.x == Approx(20));
  CHECK(boundsOf(drawing.shapes[3]).high.y == Approx(50 - 18));
  const auto moved = [](const char* transform) {
    return boundsOf(read(svg("<rect x=\"10\" y=\"10\" width=\"4\" height=\"4\" transform=\"" +
                             std::string(transform) + "\"/>"))
                        .shapes[0]);
  };
  CHECK(moved("rotate(180 12 12)").low.x == Approx(10));
  CHECK(moved("matrix(1 0 0 1 5 0)").low.x == Approx(15));
  CHECK(moved("skewX(45)").width() == Approx(8));
  CHECK(moved("skewY(45)").height() == Approx(8));
  CHECK(moved("scale(-1 1) translate(-30)").low.x == Approx(16));
}

TEST_CASE("fills and lines come from attributes, styles and style sheets, the nearest first") {
  const Drawing drawing = read(
      svg("<style>/* the lines */ .line, polygon { fill: none; stroke: #000; stroke-width: 2px }"
          " #own{stroke:none!important;fill:red}</style>"
          "<g fill=\"none\" stroke=\"blue\" stroke-width=\"0.5\">"
          "<rect width=\"5\" height=\"5\"/>"
          "<rect width=\"5\" height=\"5\" style=\"fill:red;fill-rule:evenodd\"/></g>"
          "<path class=\"a line\" d=\"M0 0h9v9\"/><polygon id=\"own\" points=\"0 0 9 0 9 9\"/>"
          "<rect width=\"5\" height=\"5\" fill=\"none\"/>"
          "<g display=\"none\"><rect width=\"5\" height=\"5\"/></g>"
          "<rect width=\"5\" height=\"5\" visibility=\"hidden\"/>"));
  REQUIRE(drawing.shapes.size() == 4);
  CHECK_FALSE(drawing.shapes[0].filled);
  CHECK(drawing.shapes[0].stroke.mm() == Approx(0.5));
  CHECK(drawing.shapes[1].filled);
  CHECK(drawing.shapes[1].evenOdd);
  CHECK_FALSE(drawing.shapes[2].filled);
  CHECK(drawing.shapes[2].stroke.mm() == Approx(2));
  CHECK(drawing.shapes[3].filled);
  CHECK(drawing.shapes[3].stroke == Length());
  CHECK(drawing.shapes[3].name == "polygon#own");
}

TEST_CASE("what is not line art is left out, and said") {
  const Drawing drawing = read(
      svg("<script>alert(1)</script><text x=\"1\">moon</text><image href=\"http://a.b/c.png\"/>"
          "<use href=\"other.svg#x\"/><foreignObject><p>hi</p></foreignObject>"
          "<rect width=\"5\" height=\"5\" clip-path=\"url(#c)\"/>"));
  CHECK(drawing.shapes.size() == 1);
  CHECK(drawing.notes.size() == 6);
}

TEST_CASE("files that are no drawing are refused in words, with their line") {
  CHECK(refusal("<!DOCTYPE html>\n<html><body><svg/></body></html>") ==
        "test.svg, line 2: The file begins with <html>, so it is no drawing. Save the drawing as "
        "SVG.");
  CHECK(refusal("").find("This is no whole SVG") != std::string::npos);
  CHECK(refusal("hello").find("This is no whole SVG") != std::string::npos);
  CHECK(refusal(svg("<g><rect/>")).find("This is no whole SVG") != std::string::npos);
  CHECK(refusal("\x1f\x8b\x08...").find("is compressed") != std::string::npos);
  CHECK(refusal(svg("\n<path id=\"p\" d=\"M0 0L5\"/>")) ==
        "test.svg, line 3, path#p: A number is wanted at character 7.");
  CHECK(refusal(svg("<g transform=\"turn(5)\"/>")).find("\"turn(5)\" cannot be read") !=
        std::string::npos);
  CHECK(refusal(svg("<rect width=\"wide\" height=\"2\"/>")).find("is no length") !=
        std::string::npos);
  CHECK(refusal(svg("<use href=\"#nobody\"/>")).find("which is not in the drawing") !=
        std::string::npos);
  CHECK(refusal(svg("<g id=\"a\"><use href=\"#a\"/></g>")).find("uses itself") !=
        std::string::npos);
}

TEST_CASE("bombs of entities, uses, depth and points go off softly") {
  // Entities of the file's own are not expanded.
  std::string laughs = "<!DOCTYPE svg [<!ENTITY a \"M0 0\">";
  for (char c = 'b'; c < 'k'; ++c) {
    laughs += "<!ENTITY " + std::string(1, c) + " \"";
    for (int i = 0; i < 10; ++i) laughs += "&" + std::string(1, static_cast<char>(c - 1)) + ";";
    laughs += "\">";
  }
  CHECK_FALSE(refusal(laughs + "]>" + svg("<path d=\"&j;\"/>")).empty());

  std::string uses = "<defs><rect id=\"u0\" width=\"1\" height=\"1\"/>";
  for (int i = 1; i < 12; ++i) {
    uses += "<g id=\"u" + std::to_string(i) + "\">";
    for (int k = 0; k < 10; ++k) uses += "<use href=\"#u" + std::to_string(i - 1) + "\"/>";
    uses += "</g>";
  }
  CHECK(refusal(svg(uses + "</defs><use href=\"#u11\"/>")).find("more than 20000 shapes") !=
        std::string::npos);

  std::string deep;
  for (int i = 0; i < 100'000; ++i) deep += "<g>";
  deep += "<rect width=\"1\" height=\"1\"/>";
  for (int i = 0; i < 100'000; ++i) deep += "</g>";
  CHECK(refusal(svg(deep)).find("nested more than 200 deep") != std::string::npos);

  std::string points = "<path d=\"M0 0";
  for (int i = 0; i < 1'100'000; ++i) points += i % 2 == 0 ? "h1" : "v1";
  CHECK(refusal(svg(points + "z\"/>")).find("more than 1000000 points") != std::string::npos);
}

TEST_CASE("the demo's drawing gives its repeat") {
  const tl::expected<std::string, Sentence> text =
      readFile(AVRELT_DATA "/demo/Moons and stars.svg");
  REQUIRE(text.has_value());
  const Checked<FoundRepeat> found = findRepeat(read(*text));
  REQUIRE(found.has_value());
  CHECK(found->across == 2);
  CHECK(found->up == 2);
  CHECK(found->artwork.wide == Approx(36).margin(0.01));
  CHECK(found->artwork.tall == Approx(36).margin(0.01));
  CHECK(found->artwork.cells.size() == 3);
  CHECK(found->missAcross == Length());
}

TEST_CASE("of a style sheet with selectors without end the first are taken, and that is said") {
  std::string selectors;
  for (int i = 0; i < 400'000; ++i) selectors += ".a" + std::to_string(i) + ",";
  const auto drawing = readDrawing(
      R"(<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="10mm"><style>)" + selectors +
          R"(.z{fill:red}</style><rect class="a5" width="5" height="5"/></svg>)",
      "many.svg");
  REQUIRE(drawing.has_value());
  CHECK(drawing->shapes.front().filled);
  REQUIRE(drawing->notes.size() == 1);
  CHECK_THAT(inWords(drawing->notes.front(), Unit::mm), Catch::Contains("10000 selectors"));
}
