// SPDX-License-Identifier: GPL-3.0-or-later
// The stand-in cutter, fed what a real one is fed: what it gives back is what was planned, and what
// is wrong with it is found by what it cut.
#include "sim/film_cutter.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "files/plotter_file.h"
#include "shape/polygon.h"
#include "sheet/cut_proof.h"
#include "sim/film_picture.h"

using namespace avrelt;
using namespace avrelt::sim;

namespace {

Path closedPath(const std::vector<Point>& corners) {
  Path path{corners.front(), {}};
  for (std::size_t i = 1; i < corners.size(); ++i) path.lineTo(corners[i]);
  path.lineTo(corners.front());
  return path;
}

Part partOf(Path outline) {
  Part part;
  part.id = "part";
  part.outline = std::move(outline);
  return part;
}

/// Rosettes, discs with an opening, and pointed stars: curves, corners, and both.
CutJob sheet(double wide = 200, double tall = 160) {
  PartSet set;
  for (int i = 0; i < 3; ++i) {
    std::vector<Point> rosette;
    std::vector<Point> star;
    const Point at{30 + 55.0 * i, 35};
    for (int k = 0; k < 180; ++k) {
      const double t = 2 * M_PI * k / 180;
      const double r = (10 + 3.0 * i) * (0.75 + 0.25 * std::cos(5 * t));
      rosette.push_back(at + Point{r * std::cos(t), r * std::sin(t)});
    }
    for (int k = 0; k < 10; ++k) {
      const double t = 2 * M_PI * k / 10;
      const double r = k % 2 == 0 ? 18 : 7;
      star.push_back({at.x + r * std::cos(t), 130 + r * std::sin(t)});
    }
    set.parts.push_back(partOf(closedPath(rosette)));
    set.parts.push_back(partOf(closedPath(star)));
    const Point centre{at.x, 85};
    Part ring =
        partOf({centre - Point{15, 0}, {{centre + Point{15, 0}, 1}, {centre - Point{15, 0}, 1}}});
    ring.holes.push_back(
        {centre - Point{6, 0}, {{centre + Point{6, 0}, -1}, {centre - Point{6, 0}, -1}}});
    set.parts.push_back(ring);
  }
  return cutJobOf(set, Length::mm(wide), Length::mm(tall), "sheet");
}

CutFilm cut(const CutJob& job, const Cutter& cutter, const Machine& machine) {
  FilmCutter film(machine);
  film.feed(plotterFile(machinePath(job, cutter), cutter));
  CHECK(film.done());
  return film.finish();
}

std::string words(const CutProof& proof) {
  std::string all;
  for (const Sentence& sentence : wordsOf(proof)) all += inWords(sentence, Unit::mm) + " ";
  return all;
}

}  // namespace

TEST_CASE("Shapes cut by a blade that trails, mirrored or not, lie within 0.05 mm of the plan",
          "[cutter]") {
  rc::prop("", [] {
    const CutJob job = sheet();
    Cutter cutter;
    cutter.bladeOffset = Length::mm(*rc::gen::inRange(0, 60) / 100.0);
    cutter.mirrored = *rc::gen::inRange(0, 2) == 1;
    cutter.passes = *rc::gen::inRange(1, 4);
    cutter.overcut = Length::mm(*rc::gen::inRange(1, 30) / 10.0);
    Machine machine;
    machine.bladeOffset = cutter.bladeOffset;
    machine.pointsTo = Angle::degrees(*rc::gen::inRange(0, 360));
    const CutFilm film = cut(job, cutter, machine);
    RC_ASSERT(film.said.empty());
    RC_ASSERT(film.shapes.size() == 12U);
    for (const CutShape& shape : film.shapes) RC_ASSERT(shape.passes == cutter.passes);
    const CutProof proof = proofOf(job, cutter, film);
    RC_ASSERT(proof.good());
    RC_ASSERT(proof.worst <= Length::mm(0.05));
    RC_ASSERT(std::abs(proof.areas - 1) < 1e-3);
  });
}

TEST_CASE("A spike thinner than film holds stays part of its shape, wherever the cut begins",
          "[cutter]") {
  // A square of 20 mm with a spike of 0.04 mm on top of it, its sides divided.
  std::vector<Point> outline{{10, 10}, {30, 10}, {30, 30}, {20.02, 30}};
  for (const double y : {30.2, 30.4, 30.6}) outline.push_back({20.02, y});
  for (const double y : {30.6, 30.4, 30.2}) outline.push_back({19.98, y});
  outline.push_back({19.98, 30});
  outline.push_back({10, 30});
  for (std::size_t i = 0; i < outline.size(); ++i) {
    std::rotate(outline.begin(), outline.begin() + 1, outline.end());
    CutJob job{"spike", Length::mm(60), Length::mm(60), {{Tool::blade, outline, true}}};
    const CutProof proof = proofOf(job, Cutter(), cut(job, Cutter(), Machine()));
    CHECK(proof.good());
    CHECK(proof.worst < Length::mm(0.03));
  }
}

TEST_CASE("A trailing blade that is not led rounds every corner, and that is found", "[cutter]") {
  const CutJob job = sheet();
  Machine machine;
  machine.bladeOffset = Length::mm(0.5);
  const CutProof proof = proofOf(job, Cutter(), cut(job, Cutter(), machine));
  CHECK_FALSE(proof.good());
  CHECK(proof.worst > Length::mm(0.1));
  CHECK_THAT(words(proof), Catch::Contains("off"));
}

TEST_CASE("Each fault of a machine is found from what it cut", "[cutter]") {
  const CutJob job = sheet();
  Machine machine;
  machine.scale = 1.02;
  CutProof proof = proofOf(job, Cutter(), cut(job, Cutter(), machine));
  REQUIRE(proof.wrong);
  CHECK(proof.wrong->wide == Approx(1.02).margin(2e-4));
  CHECK(proof.wrong->tall == Approx(1.02).margin(2e-4));
  CHECK_THAT(words(proof), Catch::Contains("98.0"));

  machine = {};
  machine.mirrored = true;
  proof = proofOf(job, Cutter(), cut(job, Cutter(), machine));
  REQUIRE(proof.wrong);
  CHECK(proof.wrong->mirrored);
  CHECK(words(proof).find("mirrored") != std::string::npos);

  machine = {};
  machine.filmTall = Length::mm(95);
  CutFilm film = cut(job, Cutter(), machine);
  proof = proofOf(job, Cutter(), film);
  // The stars lie beyond, and the rings' upper edges; their openings do not.
  CHECK(proof.missing.size() == 6);
  CHECK(proof.found == 6);
  CHECK_FALSE(film.open.empty());

  machine = {};
  machine.slipsAfter = Length::mm(300);
  proof = proofOf(job, Cutter(), cut(job, Cutter(), machine));
  REQUIRE(proof.slipped);
  CHECK(proof.slipped->by.y == Approx(1.5).margin(0.05));

  machine = {};
  machine.wide = Length::mm(150);
  film = cut(job, Cutter(), machine);
  REQUIRE_FALSE(film.said.empty());
  CHECK(film.said[0].find("beyond the bed") != std::string::npos);
  CHECK_FALSE(proofOf(job, Cutter(), film).good());
}

TEST_CASE("A cut that stops in the midst leaves what was cut", "[cutter]") {
  const CutJob job = sheet();
  const std::string text = plotterFile(machinePath(job, Cutter()), Cutter());
  FilmCutter film{Machine()};
  film.feed(std::string_view(text).substr(0, text.size() / 2));
  CHECK_FALSE(film.done());
  const CutFilm left = film.finish();
  CHECK(left.shapes.size() > 3);
  CHECK(left.shapes.size() < 12);
  const CutProof proof = proofOf(job, Cutter(), left);
  CHECK(proof.found == left.shapes.size());
  CHECK(proof.missing.size() == 12 - left.shapes.size());
}

TEST_CASE("How long a sheet takes is what its length and the speed say", "[cutter]") {
  const CutJob job = sheet();
  Cutter cutter;
  Machine machine;
  machine.perSecond = cutter.perSecond;
  const CutFilm film = cut(job, cutter, machine);
  const CutFigures figures = figuresOf(machinePath(job, cutter), cutter);
  CHECK(film.cut.mm() == Approx(figures.cut.mm()).epsilon(1e-3));
  CHECK(film.took.minutes() == Approx(figures.takes.minutes()).epsilon(0.01));
}

TEST_CASE("Cut film comes as a picture of its size", "[cutter]") {
  const CutFilm film = cut(sheet(), Cutter(), Machine());
  const std::string png = filmPicture(film, Length::mm(200), Length::mm(160));
  REQUIRE(png.size() > 1000);
  CHECK(png.substr(1, 3) == "PNG");
  // Width and height stand in its first chunk, big end first.
  const auto at = [&](std::size_t i) { return static_cast<unsigned char>(png[i]); };
  CHECK(at(18) * 256 + at(19) == 800);
  CHECK(at(22) * 256 + at(23) == 640);
}
