// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/decal_json.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/random_cups.h"
#include "decal/shapes.h"
#include "files/document_json.h"
#include "files/face_finder.h"
#include "files/svg_colours.h"
#include "files/svg_drawing.h"
#include "job/ids.h"

using namespace avrelt;

namespace {

Document fullOfDecals() {
  Document document;
  document.cups = {newCup("A", Unit::mm)};
  Artwork shape = shapeArtwork("planet");
  shape.id = "art-1";
  Artwork words = shapeArtwork("star");
  words.id = "art-2";
  words.kind = ArtKind::lettering;
  words.words.text = "Ada\n1926";
  words.words.align = TextAlign::right;
  words.words.spacingPercent = 12.5;
  words.words.arc = WrittenLength{Length::mm(60), "6 cm"};
  words.words.under = true;
  words.words.merged = false;
  Artwork picture = shapeArtwork("comet");
  picture.id = "art-3";
  picture.kind = ArtKind::picture;
  picture.trace = {4, 37, true, 9, 20, false};
  Artwork joined = shapeArtwork("heart");
  joined.id = "art-4";
  joined.kind = ArtKind::joined;
  joined.joining = {JoinKind::without, {{"art-1", 0, 0, 100, 0}, {"art-2", 3.5, -2, 50, 12}}};
  for (Artwork* artwork : {&shape, &words, &picture, &joined}) {
    document.artworks.emplace_back(*artwork);
  }
  DecalSet set;
  set.id = "set-1";
  set.artwork = "art-1";
  set.size = {Length::inches(2.5), "2 1/2 in"};
  set.byHeight = true;
  set.turn = Angle::degrees(15);
  set.flipped = true;
  set.anchor = {0.25, 1};
  Place place;
  place.follows = true;
  place.at = CupAngle::degrees(-40);
  place.up = WrittenLength::mm(88);
  place.turn = Angle::degrees(7);
  set.places = {place, Place()};
  set.shrinkPercent = 0.4;
  set.allowGrowth = false;
  set.flush = true;
  set.parted = true;
  set.relief = true;
  set.limit = WrittenLength::mm(0.8);
  set.thicken = true;
  set.drop = true;
  for (int kind = 0; kind < 8; ++kind) {
    Layer layer;
    layer.id = "layer-" + std::to_string(kind + 1);
    layer.kind = static_cast<LayerKind>(kind);
    layer.offset = {Length::inches(0.05), "0.05 in"};
    layer.corners = Corners::sharp;
    layer.fillOpenings = true;
    layer.smallestOpening = WrittenLength::mm(2);
    layer.lap = WrittenLength::mm(0.5);
    layer.source = "#1F5E6B";
    layer.film = "#A8741A";
    layer.material = PartMaterial::heatApplied;
    layer.sees = BladeSees::front;
    layer.mirrored = true;
    layer.spares = 2;
    layer.print.id = "picture-1";
    layer.print.tiled = kind % 2 == 0;
    layer.print.wide = {Length::inches(2.25), "2 1/4 in"};
    layer.print.right = {Length::inches(-0.5), "-1/2 in"};
    layer.print.up = WrittenLength::mm(3);
    layer.print.turn = Angle::degrees(-20);
    set.layers.push_back(layer);
  }
  document.cups[0].sets = {set};
  Row row;
  row.sets = {"set-1", "set-1"};
  row.count = 5;
  row.gap = {Length::inches(0.25), "1/4 in"};
  row.even = false;
  row.start = RowStart::gap;
  row.at = CupAngle::degrees(12);
  row.up = WrittenLength::mm(40);
  row.turn = Angle::degrees(-3);
  row.follows = true;
  row.lines = 2;
  row.apart = WrittenLength::mm(30);
  row.staggered = true;
  document.cups[0].rows = {row, Row{.sets = {"set-1"}, .count = std::nullopt}};
  Scatter scatter;
  scatter.sets = {"set-1"};
  scatter.zone = "body";
  scatter.seed = 7;
  scatter.count = 9;
  scatter.coverPercent = 12.5;
  scatter.gap = WrittenLength::mm(2);
  scatter.away = WrittenLength::mm(3);
  scatter.smallestPercent = 50;
  scatter.turns = Angle::degrees(20);
  scatter.density = ScatterDensity::base;
  scatter.whole = false;
  scatter.offSeam = true;
  scatter.items = {{place, "set-1", 75, true}};
  document.cups[0].scatters = {scatter};
  document.cups[0].laidByHand = {
      {"layers", "set-1-layer-2", 0, 3, 4, 12, 1, Angle::degrees(-31.5), {12.25, 0.1}},
      {"wrap", "wrap", 2, 0, 0, 0, 0, Angle(), {-3, 40}}};
  giveIds(document.cups[0]);
  referToArt(document);
  return document;
}

std::string faultOf(const std::string& text) {
  const auto read = readDocument(text);
  if (read) return "none";
  return read.error().front().path;
}

std::string withSets(const std::string& artworks, const std::string& sets) {
  return R"({"avrelt": 2, "artworks": [)" + artworks +
         R"(], "cups": [{"name": "A", "blank": {"stations": []}, "sets": [)" + sets + "]}]}";
}

const char* const square =
    R"({"id": "a", "areas": [{"colour": "#102030", "outlines": "M0 0 10 0 10 10 0 10Z"}]})";

}  // namespace

TEST_CASE("artworks and sets are written and come back, to the byte") {
  const Document document = fullOfDecals();
  const std::string text = writeDocument(document);
  const auto read = readDocument(text);
  REQUIRE(read);
  CHECK(read->document == document);
  CHECK(writeDocument(read->document) == text);
  CHECK(read->document.cups[0].sets[0].art == document.artworks[0]);
}

TEST_CASE("what a later version adds to artworks and sets is kept") {
  const auto read = readDocument(withSets(
      R"({"id": "a", "glow": 1, "areas": [{"outlines": "M0 0 10 0 10 10 0 10Z"}]})",
      R"({"artwork": "a", "tilt": 3, "layers": [{"kind": "ring", "offset": 1, "shine": true}]})"));
  REQUIRE(read);
  const std::string text = writeDocument(read->document);
  for (const char* kept : {"glow", "tilt", "shine"}) CHECK(text.find(kept) != std::string::npos);
}

TEST_CASE("faults of artworks and sets are told by their place") {
  CHECK(faultOf(withSets(square, R"({"artwork": "a"})")) == "none");
  CHECK(faultOf(withSets(R"({"id": "a"})", "")) == "artworks[0].areas");
  CHECK(faultOf(withSets(R"({"areas": [{"outlines": "M0 0 L"}]})", "")) ==
        "artworks[0].areas[0].outlines");
  CHECK(faultOf(withSets(R"({"areas": [{"outlines": 7}]})", "")) ==
        "artworks[0].areas[0].outlines");
  CHECK(faultOf(withSets(R"({"areas": [{"outlines": "M0 0 99999 0 5 5Z"}]})", "")) ==
        "artworks[0].areas[0].outlines");
  CHECK(faultOf(withSets(R"({"areas": [{"colour": "red", "outlines": "M0 0 9 0 9 9Z"}]})", "")) ==
        "artworks[0].areas[0].colour");
  CHECK(faultOf(withSets(std::string(square) + "," + square, "")) == "artworks[1].id");
  CHECK(faultOf(withSets(square, R"({"layers": [{"kind": "shadow"}]})")) ==
        "cups[0].sets[0].layers[0].kind");
  CHECK(faultOf(withSets(square, R"({"turn": 900})")) == "cups[0].sets[0].turn");
  CHECK(faultOf(withSets(square, R"({"places": [{"turn": 900}]})")) ==
        "cups[0].sets[0].places[0].turn");
  CHECK(faultOf(withSets(square, R"({"anchor": {"up": 2}})")) == "cups[0].sets[0].anchor.up");
  CHECK(faultOf(withSets(square, R"({}], "rows": [{"sets": [3]})")) == "cups[0].rows[0].sets[0]");
  CHECK(faultOf(withSets(square, R"({}], "rows": [{"count": 999})")) == "cups[0].rows[0].count");
  CHECK(faultOf(withSets(square, R"({}], "rows": [{"start": "back"})")) == "cups[0].rows[0].start");
  CHECK(faultOf(withSets(square, R"({"id": "s"}, {"id": "s"})")) == "cups[0].sets[1].id");
}

TEST_CASE("the one place that older orders told becomes the first") {
  const auto read = readDocument(
      withSets(square, R"({"artwork": "a", "at": 30, "up": "2 in", "follows_ring": true},
                 {"artwork": "a", "places": []})"));
  REQUIRE(read);
  const std::vector<DecalSet>& sets = read->document.cups[0].sets;
  REQUIRE(sets[0].places.size() == 1);
  CHECK(sets[0].places[0].at.degrees() == Approx(30));
  CHECK(sets[0].places[0].up.text == "2 in");
  CHECK(sets[0].places[0].follows);
  CHECK_FALSE(sets[0].places[0].id.empty());
  CHECK(sets[1].places.empty());
}

TEST_CASE("outlines that cross in a file of other hands are resolved") {
  const auto read = readDocument(
      withSets(R"({"id": "a", "areas": [{"outlines": "M0 0 20 20 20 0 0 20Z"}]})", ""));
  REQUIRE(read);
  const Polygon& area = read->document.artworks[0]->areas[0].area;
  CHECK(area.size() == 2);
  // Read again, it is what it is.
  const std::string text = writeDocument(read->document);
  CHECK(writeDocument(readDocument(text)->document) == text);
}

TEST_CASE("an artwork alone is written and read") {
  const Artwork comet = shapeArtwork("comet");
  const auto read = readArtwork(writeArtwork(comet));
  REQUIRE(read);
  CHECK(read->areas == comet.areas);
  CHECK_FALSE(readArtwork("[]"));
  CHECK_FALSE(readArtwork("{\"areas\": []}"));
}

TEST_CASE("colours are read as SVG writes them") {
  CHECK(colourIn("#1f5e6b") == "#1F5E6B");
  CHECK(colourIn("#abc") == "#AABBCC");
  CHECK(colourIn("#abcd") == "#AABBCC");
  CHECK(colourIn(" rgb(31, 94,107) ") == "#1F5E6B");
  CHECK(colourIn("rgba(100%,0%,50%,0.5)") == "#FF0080");
  CHECK(colourIn("RebeccaPurple") == std::nullopt);  // of CSS 4, not of SVG 1.1
  CHECK(colourIn("DarkSlateGray") == "#2F4F4F");
  for (const char* none : {"", "#12", "#ggg", "rgb(", "rgb(1,2", "none"}) {
    CHECK(colourIn(none) == std::nullopt);
  }
}

TEST_CASE("a drawing brings colours, clips and the ends of its lines") {
  const auto drawing = readDrawing(
      "<svg xmlns='http://www.w3.org/2000/svg' width='60mm' height='60mm' viewBox='0 0 60 60'>"
      "<defs><linearGradient id='g'><stop stop-color='teal'/></linearGradient>"
      "<clipPath id='c' transform='translate(10 0)'><circle cx='20' cy='30' r='10'/></clipPath>"
      "<clipPath id='d' clip-path='url(#c)'><rect width='30' height='60'/></clipPath></defs>"
      "<rect width='60' height='60' fill='url(#g)' clip-path='url(#d)'/>"
      "<g color='#B08A3C'><path d='M5 5H25' fill='none' stroke='currentColor' stroke-width='3'"
      " stroke-linecap='square' stroke-linejoin='round'/></g>"
      "<rect width='9' height='9' clip-path='url(#none)'/></svg>",
      "clips");
  REQUIRE(drawing);
  REQUIRE(drawing->shapes.size() == 3);
  CHECK(drawing->shapes[0].fillColour == "#008080");
  REQUIRE(drawing->shapes[0].clip);
  CHECK(drawing->shapes[1].lineColour == "#B08A3C");
  CHECK(drawing->shapes[1].cap == LineCap::square);
  // The gradient and the clip that is not there are told.
  CHECK(drawing->notes.size() == 2);
  CHECK(signedArea(coveredBy(drawing->shapes[1]).line) == Approx(23 * 3).epsilon(1e-6));
}

TEST_CASE("a clip in shares of what it clips is the same as one written out") {
  // SVG 1.1, 14.3.5: the box is that of the shape's outline, in its own units, lines left out.
  cups::Chance chance(43);
  for (int round = 0; round < 30; ++round) {
    const auto number = [&](double low, double high) {
      return numberText(chance.between(low, high), 3);
    };
    const double x = chance.between(-20, 20);
    const double y = chance.between(-20, 20);
    const double wide = chance.between(4, 30);
    const double tall = chance.between(4, 30);
    const std::string turned = "translate(30 30) rotate(" + number(0, 360) + ") skewX(" +
                               number(-40, 40) + ") scale(" + number(0.4, 2) + ")";
    const double cx = chance.between(0.1, 0.9);
    const double cw = chance.between(0.1, 0.9);
    const double cy = chance.between(-0.2, 0.9);
    const double ch = chance.between(0.1, 0.9);
    const auto rect = [](double left, double low, double w, double h) {
      return "<rect x='" + numberText(left, 6) + "' y='" + numberText(low, 6) + "' width='" +
             numberText(w, 6) + "' height='" + numberText(h, 6) + "'";
    };
    // A group of two, whose box is that of both.
    const std::string inside = rect(x, y, wide / 2, tall) + "/>" +
                               rect(x + wide / 4, y, wide * 0.75, tall / 3) +
                               " stroke='black' stroke-width='3'/>";
    const auto drawn = [&](const std::string& clip) {
      std::string text =
          "<svg xmlns='http://www.w3.org/2000/svg' width='60mm' height='60mm' viewBox='0 0 60 60'>"
          "<defs>";
      text += clip;
      text += "</defs><g transform='";
      text += turned;
      text += "'><g clip-path='url(#c)'>";
      text += inside;
      text += "</g></g></svg>";
      const auto drawing = readDrawing(text, "clips");
      REQUIRE(drawing);
      // Turned and leaning, at most that lines are no longer equally wide.
      CHECK(drawing->notes.size() <= 1);
      double area = 0;
      for (const DrawnShape& shape : drawing->shapes) {
        REQUIRE(shape.clip);
        const Covered covered = avrelt::coveredBy(shape);
        area += signedArea(covered.inside) + signedArea(covered.line);
      }
      return area;
    };
    const double shares = drawn("<clipPath id='c' clipPathUnits='objectBoundingBox'>" +
                                rect(cx, cy, cw, ch) + "/></clipPath>");
    const double written =
        drawn("<clipPath id='c'>" + rect(x + cx * wide, y + cy * tall, cw * wide, ch * tall) +
              "/></clipPath>");
    CHECK(shares == Approx(written).epsilon(1e-4).margin(1e-3));
  }
  // What has no width has no box: it is drawn whole, and that is said.
  const auto flat = readDrawing(
      "<svg xmlns='http://www.w3.org/2000/svg' width='60mm' height='60mm' viewBox='0 0 60 60'>"
      "<clipPath id='c' clipPathUnits='objectBoundingBox'><rect width='1' height='1'/></clipPath>"
      "<path d='M5 5H25' stroke='black' clip-path='url(#c)'/></svg>",
      "clips");
  REQUIRE(flat);
  CHECK(flat->notes.size() == 1);
}

TEST_CASE("shipped faces are there, of different character, and set words") {
  const auto& faces = facesToChoose();
  CHECK(std::count_if(faces.begin(), faces.end(),
                      [](const FaceChoice& face) { return face.shipped; }) >= 5);
  for (const FaceChoice& face : faces) {
    if (!face.shipped) continue;
    INFO(face.family);
    Words words;
    words.text = "Comet 12";
    words.family = face.family;
    words.style = face.style;
    const Checked<Lettered> made = lettered(words);
    REQUIRE(made);
    CHECK(made->missing.empty());
    CHECK(made->artwork.name == "Comet 12");
  }
  CHECK_FALSE(faceCalled("No Such Face", "Bold"));
  // Another style of the same family stands in.
  CHECK(faceCalled("Comfortaa", "Hairline"));
}
