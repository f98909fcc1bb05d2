// SPDX-License-Identifier: GPL-3.0-or-later
// What is cut on a sheet, in which order, and how a trailing blade is led.
#include "sheet/cut_job.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numeric>

#include "sheet/cut_proof.h"

using namespace avrelt;

namespace {

Path box(Point low, double wide, double tall) {
  return {low,
          {{{low.x + wide, low.y}, 0},
           {{low.x + wide, low.y + tall}, 0},
           {{low.x, low.y + tall}, 0},
           {low, 0}}};
}

Path disc(Point centre, double radius) {
  const Point left = centre - Point{radius, 0};
  return {left, {{centre + Point{radius, 0}, 1}, {left, 1}}};
}

Part partOf(const Path& outline) {
  Part part;
  part.id = "part";
  part.outline = outline;
  return part;
}

PartSet someSet() {
  PartSet set;
  Part ring = partOf(disc({40, 40}, 20));
  ring.holes.push_back(disc({40, 40}, 8));
  Path slit{{25, 40}, {{{30, 40}, 0}}};
  ring.slits.push_back(slit);
  Guide guide;
  guide.path = {{20, 20}, {{{60, 20}, 0}}};
  ring.guides.push_back(guide);
  set.parts = {partOf(box({100, 10}, 30, 20)), ring, partOf(box({100, 60}, 12, 50))};
  return set;
}

double lengthOf(const Stroke& stroke) {
  double sum = 0;
  for (std::size_t i = 0; i + 1 < stroke.points.size(); ++i) {
    sum += norm(stroke.points[i + 1] - stroke.points[i]);
  }
  return sum;
}

}  // namespace

TEST_CASE("Openings and slits are cut before the edge that frees a part", "[cut-job]") {
  const CutJob job = cutJobOf(someSet(), Length::mm(150), Length::mm(120), "sheet");
  REQUIRE(job.strokes.size() == 6);
  CHECK(job.strokes[0].tool == Tool::pen);
  CHECK(job.shapes().size() == 4);
  // Of the ring: what is inside comes before its own edge.
  std::size_t hole = 0;
  std::size_t slit = 0;
  std::size_t edge = 0;
  for (std::size_t i = 0; i < job.strokes.size(); ++i) {
    const Stroke& stroke = job.strokes[i];
    if (stroke.tool == Tool::pen) continue;
    double far = 0;
    for (const Point& p : stroke.points) far = std::max(far, norm(p - Point{40, 40}));
    if (!stroke.closed) slit = i;
    if (stroke.closed && far < 9) hole = i;
    if (stroke.closed && far > 19 && far < 21) edge = i;
  }
  CHECK(hole < edge);
  CHECK(slit < edge);
}

TEST_CASE(
    "A blade that is steered goes along the very lines, over their start and as often as asked",
    "[cut-job]") {
  const CutJob job = cutJobOf(someSet(), Length::mm(150), Length::mm(120), "sheet");
  Cutter cutter;
  cutter.overcut = Length::mm(2);
  cutter.passes = 3;
  const std::vector<Stroke> path = machinePath(job, cutter);
  // Without a pen guides are left out; five cuts three times.
  REQUIRE(path.size() == 15);
  double around = 2 * M_PI * (20 + 8) + 100 + 124 + 5;
  double sum = 0;
  for (const Stroke& stroke : path) sum += lengthOf(stroke);
  CHECK(sum == Approx(3 * (around + 4 * 2)).epsilon(1e-3));
  cutter.pen = true;
  CHECK(machinePath(job, cutter).size() == 16);
  const CutFigures figures = figuresOf(path, cutter);
  CHECK(figures.cut.mm() == Approx(sum));
  CHECK(figures.takes.minutes() ==
        Approx((sum / 50 + figures.lifted.mm() / 150) / 60).epsilon(1e-9));
}

// The tip of a blade that trails its middle by d lies d behind it along its direction: what is
// worked out here from the middle's way alone, by the tractrix of each straight move.
TEST_CASE("The middle of a trailing blade is led so that its tip stays on the lines", "[cut-job]") {
  rc::prop("", [] {
    PartSet set;
    for (int i = 0; i < 3; ++i) {
      std::vector<Point> corners;
      const int count = *rc::gen::inRange(3, 9);
      for (int k = 0; k < count; ++k) {
        const double turn = 2 * M_PI * k / count;
        const double r = *rc::gen::inRange(40, 180) / 10.0;
        corners.push_back({30.0 + 40 * i + r * std::cos(turn), 30 + r * std::sin(turn)});
      }
      Path outline{corners.front(), {}};
      for (std::size_t k = 1; k < corners.size(); ++k) outline.lineTo(corners[k]);
      outline.lineTo(corners.front());
      set.parts.push_back(partOf(outline));
    }
    const CutJob job = cutJobOf(set, Length::mm(150), Length::mm(60), "sheet");
    Cutter cutter;
    cutter.bladeOffset = Length::mm(*rc::gen::inRange(10, 60) / 100.0);
    const double d = cutter.bladeOffset.mm();
    RC_ASSERT(!cannotCut(job, cutter));
    const std::vector<Stroke> path = machinePath(job, cutter);
    RC_ASSERT(path.size() == 4U);
    // Anywhere to begin with.
    const double first = *rc::gen::inRange(0, 360) * M_PI / 180;
    Point heading{std::cos(first), std::sin(first)};
    for (std::size_t i = 0; i < path.size(); ++i) {
      Point middle = path[i].points.front();
      for (std::size_t k = 1; k < path[i].points.size(); ++k) {
        const Point way = path[i].points[k] - middle;
        const double length = norm(way);
        if (length < 1e-12) continue;
        const Point unit = way * (1 / length);
        // tan(angle/2) falls by exp(-length/d) along a straight pull.
        const double angle = std::atan2(cross(unit, heading), dot(unit, heading));
        const double now = 2 * std::atan(std::tan(angle / 2) * std::exp(-length / d));
        heading = unit * std::cos(now) + turnedLeft(unit) * std::sin(now);
        middle = path[i].points[k];
        if (i == 0) continue;  // the cut that brings it round
        const Point tip = middle - heading * d;
        double off = 1e9;
        const std::vector<Point>& line = job.strokes[i - 1].points;
        for (std::size_t n = 0; n < line.size(); ++n) {
          const Point a = line[n];
          const Point along = line[(n + 1) % line.size()] - a;
          const double share = std::clamp(dot(tip - a, along) / dot(along, along), 0.0, 1.0);
          off = std::min(off, norm(tip - a - along * share));
        }
        RC_ASSERT(off < 0.01);
      }
    }
  });
}

TEST_CASE("A job is mirrored across its sheet for film that is fed face down", "[cut-job]") {
  const CutJob job = cutJobOf(someSet(), Length::mm(150), Length::mm(120), "sheet");
  Cutter cutter;
  const std::vector<Stroke> plain = machinePath(job, cutter);
  cutter.mirrored = true;
  const std::vector<Stroke> mirrored = machinePath(job, cutter);
  REQUIRE(plain.size() == mirrored.size());
  for (std::size_t i = 0; i < plain.size(); ++i) {
    REQUIRE(plain[i].points.size() == mirrored[i].points.size());
    for (std::size_t k = 0; k < plain[i].points.size(); ++k) {
      CHECK(mirrored[i].points[k].x == Approx(150 - plain[i].points[k].x));
      CHECK(mirrored[i].points[k].y == Approx(plain[i].points[k].y));
    }
  }
}

TEST_CASE("A sheet that no such cutter takes is refused in words", "[cut-job]") {
  Cutter cutter;
  CutJob job = cutJobOf(someSet(), Length::mm(150), Length::mm(120), "sheet");
  CHECK_FALSE(cannotCut(job, cutter));
  job.wide = Length::mm(400);
  CHECK(cannotCut(job, cutter)->pattern.find("wide") != std::string::npos);
  job.wide = Length::mm(150);
  job.tall = Length::mm(4000);
  CHECK(cannotCut(job, cutter)->pattern.find("long") != std::string::npos);
  // All of the sheet is taken: a trailing blade cannot come round.
  PartSet full;
  full.parts = {partOf(box({0, 0}, 60, 60))};
  job = cutJobOf(full, Length::mm(60), Length::mm(60), "full");
  CHECK_FALSE(cannotCut(job, cutter));
  cutter.bladeOffset = Length::mm(0.25);
  CHECK(cannotCut(job, cutter)->pattern.find("margin") != std::string::npos);
}

namespace {

/// As a faultless cutter leaves it.
CutFilm filmOf(const CutJob& job) {
  CutFilm film;
  for (const std::vector<Point>& shape : job.shapes()) film.shapes.push_back({shape, 1});
  return film;
}

void change(CutFilm& film, const Transform& by, std::size_t from = 0) {
  for (std::size_t i = from; i < film.shapes.size(); ++i) {
    for (Point& p : film.shapes[i].outline) p = by(p);
  }
}

std::string words(const CutProof& proof) {
  std::string all;
  for (const Sentence& sentence : wordsOf(proof)) all += inWords(sentence, Unit::mm) + " ";
  return all;
}

/// Shapes of several sizes, none symmetric, over the sheet.
CutJob sheetOfMany() {
  PartSet set;
  for (int i = 0; i < 12; ++i) {
    const Point low{10.0 + 45 * (i % 4), 10.0 + 50 * (i / 4)};
    Path outline{low, {}};
    outline.lineTo(low + Point{20.0 + i, 0});
    outline.lineTo(low + Point{15, 25});
    outline.lineTo(low + Point{0, 9.0 + i});
    outline.lineTo(low);
    set.parts.push_back(partOf(outline));
  }
  return cutJobOf(set, Length::mm(200), Length::mm(170), "many");
}

}  // namespace

TEST_CASE("What was cut as planned is well, whatever points its outlines have", "[cut-proof]") {
  const CutJob job = sheetOfMany();
  CutFilm film = filmOf(job);
  // From another start, the other way round, with more points.
  for (CutShape& shape : film.shapes) {
    std::rotate(shape.outline.begin(), shape.outline.begin() + 1, shape.outline.end());
    std::reverse(shape.outline.begin(), shape.outline.end());
    const Point middle = (shape.outline[0] + shape.outline[1]) * 0.5;
    shape.outline.insert(shape.outline.begin() + 1, middle);
  }
  std::reverse(film.shapes.begin(), film.shapes.end());
  const CutProof proof = proofOf(job, Cutter(), film);
  CHECK(proof.good());
  CHECK(proof.found == 12);
  CHECK(proof.worst < Length::mm(1e-6));
  CHECK(proof.areas == Approx(1));
  CHECK(words(proof).find("12 of 12") != std::string::npos);
  // One corner 0.2 mm out is too far, and told by as much.
  film.shapes[3].outline[0] = film.shapes[3].outline[0] + Point{0, 0.2};
  const CutProof off = proofOf(job, Cutter(), film);
  CHECK_FALSE(off.good());
  CHECK(off.worst.mm() == Approx(0.2).epsilon(0.25));
}

TEST_CASE("A wrong scale, a mirror, a turn and a shift are told by name and measure",
          "[cut-proof]") {
  rc::prop("", [] {
    const CutJob job = sheetOfMany();
    CutFilm film = filmOf(job);
    const double wide = *rc::gen::inRange(90, 115) / 100.0;
    const double tall = *rc::gen::element(0, 1) == 0 ? wide : *rc::gen::inRange(90, 115) / 100.0;
    const bool mirrored = *rc::gen::inRange(0, 2) == 1;
    const Point by{*rc::gen::inRange(-50, 50) / 10.0, *rc::gen::inRange(-50, 50) / 10.0};
    if (mirrored) change(film, {-1, 0, 0, 1, 200, 0});
    change(film, {wide, 0, 0, tall, by.x, by.y});
    const CutProof proof = proofOf(job, Cutter(), film);
    const bool asPlanned = wide == 1 && tall == 1 && !mirrored && norm(by) < 0.05;
    RC_ASSERT(proof.found == 12U);
    RC_ASSERT(proof.good() == asPlanned);
    if (asPlanned) return;
    RC_ASSERT(proof.wrong.has_value());
    RC_ASSERT(!proof.slipped.has_value());
    RC_ASSERT(proof.wrong->mirrored == mirrored);
    RC_ASSERT(std::abs(proof.wrong->wide - wide) < 1e-6);
    RC_ASSERT(std::abs(proof.wrong->tall - tall) < 1e-6);
    RC_ASSERT(std::abs(proof.wrong->moved.x - by.x) < 1e-4);
    RC_ASSERT(std::abs(proof.areas - wide * tall) < 1e-6);
    RC_ASSERT((words(proof).find("mirrored") != std::string::npos) == mirrored);
  });
}

TEST_CASE("Missing shapes, thin ones, a slip and strangers are told", "[cut-proof]") {
  const CutJob job = sheetOfMany();
  CutFilm film = filmOf(job);
  film.shapes.erase(film.shapes.begin() + 4);
  film.shapes.resize(9);
  CutProof proof = proofOf(job, Cutter(), film);
  CHECK(proof.missing == std::vector<std::size_t>{4, 10, 11});
  CHECK(words(proof).find("3 of 12 shapes are missing") != std::string::npos);

  film = filmOf(job);
  film.shapes.resize(11);
  CHECK(words(proofOf(job, Cutter(), film)).find("1 of 12 shapes is missing") != std::string::npos);

  film = filmOf(job);
  film.shapes.push_back({{{180, 150}, {190, 150}, {190, 160}}, 1});
  proof = proofOf(job, Cutter(), film);
  CHECK(proof.others == 1);
  CHECK_FALSE(proof.good());

  film = filmOf(job);
  Cutter twice;
  twice.passes = 2;
  for (std::size_t i = 0; i < 10; ++i) film.shapes[i].passes = 2;
  proof = proofOf(job, twice, film);
  CHECK(proof.thin == 2);
  CHECK_FALSE(proof.good());

  // From the sixth on, and the sixth itself did not close.
  film = filmOf(job);
  change(film, {1, 0, 0, 1, 0, 1.5}, 5);
  film.shapes.erase(film.shapes.begin() + 5);
  proof = proofOf(job, Cutter(), film);
  REQUIRE(proof.slipped);
  CHECK(proof.slipped->from == 5);
  CHECK(norm(proof.slipped->by - Point{0, 1.5}) < 1e-6);
  CHECK(words(proof).find("slipped") != std::string::npos);

  CHECK(words(proofOf(job, Cutter(), {})).find("None of the 12") != std::string::npos);
  CHECK(proofOf({}, Cutter(), {}).good());
}
