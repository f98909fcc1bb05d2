// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg.h"

#include <catch2/catch.hpp>
#include <regex>

#include "core/cups.h"
#include "sheet/wrap_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Part wrapOn(const Blank& blank) {
  return conePiece(laidOut(developed(blank), wrapOf({}, {}, Length())), Unit::inch, "Comet");
}

int countOf(const std::string& text, const std::string& word) {
  int count = 0;
  for (std::size_t at = text.find(word); at != std::string::npos; at = text.find(word, at + 1)) {
    ++count;
  }
  return count;
}

std::string cutLayer(const std::string& svg) {
  const std::size_t begin = svg.find("<g id=\"cut\"");
  return svg.substr(begin, svg.find("</g>", begin) - begin);
}

}  // namespace

TEST_CASE("width, height and viewBox agree in millimetres") {
  const Part part = wrapOn(all()[1].blank);
  const std::string svg = svgOf(setOf({part}), Unit::inch, "Comet: Wrap");
  std::smatch found;
  REQUIRE(std::regex_search(
      svg, found,
      std::regex(
          "width=\"([0-9.]+)mm\" height=\"([0-9.]+)mm\" viewBox=\"0 0 ([0-9.]+) ([0-9.]+)\"")));
  CHECK(found[1] == found[3]);
  CHECK(found[2] == found[4]);
  CHECK(std::stod(found[1]) == Approx(part.bounds().width()).margin(1e-4));
  CHECK(std::stod(found[2]) == Approx(part.bounds().height()).margin(1e-4));
}

TEST_CASE("a cone's wrap is cut along two true arcs, a cylinder's along none") {
  CHECK(countOf(cutLayer(svgOf(setOf({wrapOn(all()[1].blank)}), Unit::inch, "x")), " A") == 2);
  CHECK(countOf(cutLayer(svgOf(setOf({wrapOn(all()[0].blank)}), Unit::inch, "x")), " A") == 0);
}

TEST_CASE("a hair of taper writes no radius of kilometres") {
  const std::string svg = svgOf(setOf({wrapOn(all()[5].blank)}), Unit::inch, "x");
  CHECK(countOf(cutLayer(svg), " A") == 0);
}

TEST_CASE("what is drawn is kept apart from what is cut") {
  const std::string svg = svgOf(setOf({wrapOn(all()[1].blank)}), Unit::inch, "x");
  CHECK(countOf(cutLayer(svg), "<path") == 1);
  CHECK(countOf(cutLayer(svg), "<text") == 0);
  CHECK(countOf(svg, "<g id=\"guide\"") == 1);
  CHECK(countOf(svg, "<text") > 3);
}

TEST_CASE("names cannot break the file") {
  Part part = wrapOn(all()[0].blank);
  part.letterings.push_back({{0, 0}, Length::mm(3), Angle(), {"%1", {std::string("<&\"\x01>")}}});
  const std::string svg = svgOf(setOf({part}), Unit::inch, "a<b>&\"c\"");
  CHECK_THAT(svg, Catch::Contains("<title>a&lt;b&gt;&amp;&quot;c&quot;</title>"));
  CHECK_THAT(svg, Catch::Contains("&lt;&amp;&quot; &gt;"));
}
