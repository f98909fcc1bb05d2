// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>
#include <geos_c.h>

#include <algorithm>
#include <array>
#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/sequential_vertex_coloring.hpp>
#include <cmath>
#include <cstdlib>
#include <iostream>
#include <map>
#include <polyclipping/clipper.hpp>
#include <pugixml.hpp>
#include <random>
#include <vector>

#include "decal/shapes.h"
#include "files/document_json.h"
#include "files/outputs.h"
#include "files/svg_drawing.h"
#include "job/cup_planner.h"
#include "job/ids.h"
#include "job/plan.h"
#include "shape/clearance.h"
#include "shape/tracing.h"
#include "sheet/arrange.h"

// Each bar stands beside its reference in the same run; the ratio is printed at the end.

using namespace avrelt;

namespace {

constexpr int points = 100'000;

Cup comet() {
  Cup cup = newCup("Comet", Unit::inch);
  cup.blank.stations[0].girth = WrittenLength{Length::inches(8.3125), {}};
  cup.blank.stations[1].girth = WrittenLength{Length::inches(10.1875), {}};
  return cup;
}

/// A body measured at 400 places: a barrel with a waist, joined smoothly.
Cup manyStations() {
  Cup cup = newCup("Moon", Unit::mm);
  cup.blank.heightAlong = HeightAlong::plumb;
  cup.blank.joined = Joined::smooth;
  cup.blank.stations.clear();
  for (int i = 0; i < 400; ++i) {
    const double share = i / 399.0;
    const double around = 250 + 40 * std::sin(3.0 * share) - 12 * std::sin(9.0 * share);
    cup.blank.stations.push_back(
        {WrittenLength::mm(200 * share), WrittenLength::mm(around), Girth::around, {}});
  }
  return cup;
}

/// Sixty zones: bands cut by uprights, a V in one of them, a wave below.
Cup sixtyZones() {
  Cup cup = comet();
  ZoneNode& root = cup.division.body;
  root.cut = RingCut{.count = 7};
  for (int band = 0; band < 6; ++band) {
    ZoneNode& node = nodeAt(root, {band});
    node.cut = UprightCut{.count = 9, .at = CupAngle::degrees(11 * band)};
    for (int part = 0; part < 9; ++part) {
      nodeAt(node, {part}).finish = {FinishKind::glitter, "",
                                     part % 2 == 0 ? "#26314F" : "#B08A3C"};
    }
  }
  ZoneNode& vee = nodeAt(root, {0, 0});
  vee.cut = VeeCut{.at = CupAngle::degrees(20), .wide = {Length::inches(0.5), {}}};
  ZoneNode& slant = nodeAt(root, {6});
  slant.cut = UprightCut{.count = 5};
  return cup;
}

/// What any development has to pay: a sine and a cosine a point.
void bareSinCos(benchmark::State& state) {
  std::vector<Point> flat(points);
  for (auto _ : state) {
    for (int i = 0; i < points; ++i) {
      const double angle = (i - points / 2) * 1e-5;
      flat[static_cast<std::size_t>(i)] = {std::sin(angle), std::cos(angle)};
    }
    benchmark::DoNotOptimize(flat.data());
    benchmark::ClobberMemory();
  }
}
BENCHMARK(bareSinCos)->Unit(benchmark::kMicrosecond)->MinTime(1);

void wallToFlat(benchmark::State& state) {
  const Development body = Body::of(comet().blank)->cone();
  std::vector<Point> flat(points);
  for (auto _ : state) {
    for (int i = 0; i < points; ++i) {
      const double angle = (i - points / 2) * 6e-5;
      flat[static_cast<std::size_t>(i)] =
          body.toFlat({Angle::radians(angle), Length::mm(i * 1e-3)});
    }
    benchmark::DoNotOptimize(flat.data());
    benchmark::ClobberMemory();
  }
}
BENCHMARK(wallToFlat)->Unit(benchmark::kMicrosecond)->MinTime(1);

void planOneCup(benchmark::State& state) {
  Document document;
  document.cups.push_back(comet());
  for (auto _ : state) {
    auto plan = planDocument(document);
    benchmark::DoNotOptimize(plan);
  }
}
BENCHMARK(planOneCup)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// Everything a station dragged on such a body sets going: profile, growth, the fit, the stretch
/// map, all five ways of laying, the parts of the one taken.
void planFourHundredStations(benchmark::State& state) {
  Document document;
  document.cups.push_back(manyStations());
  for (auto _ : state) {
    auto plan = planDocument(document);
    if (!plan) state.SkipWithError("the body cannot be planned");
    benchmark::DoNotOptimize(plan);
  }
}
BENCHMARK(planFourHundredStations)->Unit(benchmark::kMicrosecond)->MinTime(1);

void planSixtyZones(benchmark::State& state) {
  Document document;
  document.cups.push_back(sixtyZones());
  for (auto _ : state) {
    auto plan = planDocument(document);
    if (!plan || plan->cups[0].divided.zones.size() != 60) state.SkipWithError("not sixty zones");
    benchmark::DoNotOptimize(plan);
  }
}
BENCHMARK(planSixtyZones)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// Some two thousand small hexagons on a cone: laid out, cut to the wall, neighboured, coloured.
void fillTwoThousandCells(benchmark::State& state) {
  Cup cup = comet();
  Fill fill = usualFill("", Unit::mm);
  fill.pattern.size = WrittenLength::mm(4.9);
  fill.pattern.line = WrittenLength::mm(0.3);
  fill.pattern.family = Family::hexagons;
  cup.fills = {fill};
  Document document;
  document.cups.push_back(cup);
  const auto plan = planDocument(document);
  if (!plan || plan->cups[0].fills[0].cells.size() < 2000) {
    state.SkipWithError("not two thousand cells");
    return;
  }
  const CupPlan& planned = plan->cups[0];
  const Wall wall{planned.wall.body, planned.wall.flat, planned.wrap.seamAt()};
  for (auto _ : state) {
    auto fills = planFills(cup.fills, planned.divided, wall);
    benchmark::DoNotOptimize(fills);
  }
  state.counters["cells"] = static_cast<double>(planned.fills[0].cells.size());
}
BENCHMARK(fillTwoThousandCells)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// The graph of those cells, coloured by Boost one after the other, and here with four colours.
const FillPlan& bigFill() {
  static const Plan plan = [] {
    Cup cup = comet();
    Fill fill = usualFill("", Unit::mm);
    fill.pattern.size = WrittenLength::mm(4.1);
    fill.pattern.line = WrittenLength::mm(0.3);
    cup.fills = {fill};
    Document document;
    document.cups.push_back(cup);
    return *planDocument(document);
  }();
  return plan.cups[0].fills[0];
}

void colourByBoost(benchmark::State& state) {
  using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::undirectedS>;
  const FillPlan& fill = bigFill();
  Graph graph(fill.cells.size());
  for (const auto& [a, b] : fill.neighbours) boost::add_edge(a, b, graph);
  std::vector<std::size_t> colours(fill.cells.size());
  for (auto _ : state) {
    auto map =
        boost::make_iterator_property_map(colours.begin(), boost::get(boost::vertex_index, graph));
    auto count = boost::sequential_vertex_coloring(graph, map);
    benchmark::DoNotOptimize(count);
  }
}
BENCHMARK(colourByBoost)->Unit(benchmark::kMicrosecond)->MinTime(1);

void colourCells(benchmark::State& state) {
  const FillPlan& fill = bigFill();
  ColourTask task;
  task.neighbours.resize(fill.cells.size());
  for (const auto& [a, b] : fill.neighbours) {
    task.neighbours[a].push_back(static_cast<int>(b));
    task.neighbours[b].push_back(static_cast<int>(a));
  }
  task.shares.assign(4, 1);
  for (auto _ : state) {
    auto result = coloured(task);
    benchmark::DoNotOptimize(result);
  }
}
BENCHMARK(colourCells)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// Line art of five megabytes: some 2500 cells with wavy edges.
const std::string& fiveMegabytes() {
  static const std::string text = [] {
    std::string svg =
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"600mm\" height=\"600mm\" "
        "viewBox=\"0 0 600 600\">\n";
    std::array<char, 200> buffer{};
    for (int cell = 0; cell < 2500; ++cell) {
      const double x = cell % 50 * 12 + 6;
      const double y = cell / 50 * 12 + 6;
      std::snprintf(buffer.data(), buffer.size(), "<path d=\"M%.6f,%.6f", x + 5, y);
      svg += buffer.data();
      constexpr int sides = 36;
      for (int i = 1; i <= sides; ++i) {
        const auto at = [&](double share, double r) {
          const double angle = 2 * M_PI * (i - 1 + share) / sides;
          return std::pair{x + r * std::cos(angle), y + r * std::sin(angle)};
        };
        const auto [ax, ay] = at(0.33, 5.4);
        const auto [bx, by] = at(0.67, 4.7);
        const auto [px, py] = at(1, 5);
        std::snprintf(buffer.data(), buffer.size(), "C%.6f,%.6f %.6f,%.6f %.6f,%.6f", ax, ay, bx,
                      by, px, py);
        svg += buffer.data();
      }
      svg += "Z\"/>\n";
    }
    return svg + "</svg>\n";
  }();
  return text;
}

void parseFiveMegabytes(benchmark::State& state) {
  for (auto _ : state) {
    pugi::xml_document document;
    auto parsed = document.load_buffer(fiveMegabytes().data(), fiveMegabytes().size());
    benchmark::DoNotOptimize(parsed);
  }
}
BENCHMARK(parseFiveMegabytes)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// Read, cells found, repeat looked for.
void importFiveMegabytes(benchmark::State& state) {
  state.counters["MB"] = static_cast<double>(fiveMegabytes().size()) / 1e6;
  for (auto _ : state) {
    auto drawing = readDrawing(fiveMegabytes(), "bench.svg");
    if (!drawing) {
      state.SkipWithError("not read");
      return;
    }
    auto found = findRepeat(*drawing);
    if (!found) {
      state.SkipWithError("no cells");
      return;
    }
    benchmark::DoNotOptimize(found);
  }
}
BENCHMARK(importFiveMegabytes)->Unit(benchmark::kMicrosecond)->MinTime(1);

void readOneCup(benchmark::State& state) {
  Document document;
  document.cups.push_back(comet());
  const std::string text = writeDocument(document);
  for (auto _ : state) {
    auto read = readDocument(text);
    benchmark::DoNotOptimize(read);
  }
}
BENCHMARK(readOneCup)->Unit(benchmark::kMicrosecond)->MinTime(1);

void allFilesOfOneCup(benchmark::State& state) {
  Document document;
  document.cups.push_back(comet());
  const Plan plan = *planDocument(document);
  for (auto _ : state) {
    auto files = outputsOf(plan);
    benchmark::DoNotOptimize(files);
  }
}
BENCHMARK(allFilesOfOneCup)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// The stencil and the key of four hundred cells, as SVG and as PDF.
const CupPlan& fourHundredCells() {
  static const Plan plan = [] {
    Cup cup = comet();
    Fill fill = usualFill("", Unit::mm);
    fill.pattern.size = WrittenLength::mm(9.5);
    cup.fills = {fill};
    Document document;
    document.cups.push_back(cup);
    return *planDocument(document);
  }();
  return plan.cups[0];
}
template <OutputKind kind>
void writeOnePart(benchmark::State& state, const char* purpose) {
  const CupPlan& cup = fourHundredCells();
  const PartSet set = cup.set(purpose);
  for (auto _ : state) {
    auto output = outputOf(cup, set, kind, Paper::a4, Unit::mm);
    benchmark::DoNotOptimize(output);
  }
  state.counters["cells"] = static_cast<double>(cup.fills[0].cells.size());
}
void stencilAsSvg(benchmark::State& state) {
  writeOnePart<OutputKind::svg>(state, purpose::stencil);
}
void stencilAsPdf(benchmark::State& state) {
  writeOnePart<OutputKind::pdf>(state, purpose::stencil);
}
void keyAsSvg(benchmark::State& state) {
  writeOnePart<OutputKind::svg>(state, purpose::key);
}
void keyAsPdf(benchmark::State& state) {
  writeOnePart<OutputKind::pdf>(state, purpose::key);
}
BENCHMARK(stencilAsSvg)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(stencilAsPdf)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(keyAsSvg)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(keyAsPdf)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// How the template of four hundred cells is parted where the wall curves both ways, beside laying
/// and colouring them.
void curvedCells(benchmark::State& state, bool parted) {
  Cup cup = newCup("Moon", Unit::mm);
  cup.blank.joined = Joined::smooth;
  cup.blank.stations = {{{}, WrittenLength::mm(230), Girth::around, {}},
                        {WrittenLength::mm(90), WrittenLength::mm(280), Girth::around, {}},
                        {WrittenLength::mm(180), WrittenLength::mm(240), Girth::around, {}}};
  Fill fill = usualFill("", Unit::mm);
  fill.pattern.size = WrittenLength::mm(11);
  cup.fills = {fill};
  const auto plan = planCup(cup, Unit::mm);
  if (!plan || plan->fills[0].strips.strips.size() < 2) {
    state.SkipWithError("not parted");
    return;
  }
  const FillPlan& filled = plan->fills[0];
  for (auto _ : state) {
    if (parted) {
      auto strips = stripsOf(filled.cells, false, plan->divided.zones[0], plan->wall.body, cup.film,
                             std::nullopt);
      benchmark::DoNotOptimize(strips);
    } else {
      auto fills = planFills(cup.fills, plan->divided, plan->wall);
      benchmark::DoNotOptimize(fills);
    }
  }
  state.counters["cells"] = static_cast<double>(filled.cells.size());
  state.counters["strips"] = static_cast<double>(filled.strips.strips.size());
}
void fillCurvedWall(benchmark::State& state) {
  curvedCells(state, false);
}
void partCurvedTemplate(benchmark::State& state) {
  curvedCells(state, true);
}
BENCHMARK(fillCurvedWall)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(partCurvedTemplate)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// A wavy outline of so many points.
Polygon wavy(int corners, double radius) {
  std::vector<Point> outline;
  for (int i = 0; i < corners; ++i) {
    const double t = 2 * M_PI * i / corners;
    const double r = radius * (1 + 0.2 * std::sin(7 * t) + 0.05 * std::sin(31 * t));
    outline.push_back({r * std::cos(t), r * std::sin(t)});
  }
  return {outline};
}

void offsetOurs(benchmark::State& state) {
  const Polygon shape = wavy(400, 25);
  for (auto _ : state) {
    Polygon grown = offsetBy(shape, Length::mm(1.27), Corners::round);
    benchmark::DoNotOptimize(grown);
  }
}
void offsetByClipper(benchmark::State& state) {
  const Polygon shape = wavy(400, 25);
  for (auto _ : state) {
    ClipperLib::Path path;
    for (const Point& p : shape.front()) {
      path.emplace_back(std::llround(p.x * 1e4), std::llround(p.y * 1e4));
    }
    ClipperLib::ClipperOffset offset(4, 50);
    offset.AddPath(path, ClipperLib::jtRound, ClipperLib::etClosedPolygon);
    ClipperLib::Paths grown;
    offset.Execute(grown, 12'700);
    benchmark::DoNotOptimize(grown);
  }
}
void offsetByGeos(benchmark::State& state) {
  const Polygon shape = wavy(400, 25);
  GEOSContextHandle_t geos = GEOS_init_r();
  const auto count = static_cast<unsigned>(shape.front().size());
  GEOSCoordSequence* ring = GEOSCoordSeq_create_r(geos, count + 1, 2);
  for (unsigned i = 0; i <= count; ++i) {
    const Point p = shape.front()[i % count];
    GEOSCoordSeq_setXY_r(geos, ring, i, p.x, p.y);
  }
  GEOSGeometry* polygon =
      GEOSGeom_createPolygon_r(geos, GEOSGeom_createLinearRing_r(geos, ring), nullptr, 0);
  for (auto _ : state) {
    // As true to the circle: 18 sides to a quarter keep within 0.005 mm.
    GEOSGeometry* grown = GEOSBuffer_r(geos, polygon, 1.27, 9);
    GEOSGeom_destroy_r(geos, grown);
  }
  GEOSGeom_destroy_r(geos, polygon);
  GEOS_finish_r(geos);
}
void clearanceOfFiveThousand(benchmark::State& state) {
  const Polygon shape = wavy(5000, 60);
  for (auto _ : state) {
    const Clearance clearance(shape);
    benchmark::DoNotOptimize(clearance.thinnestStroke());
  }
}
void traceFourMegapixels(benchmark::State& state) {
  Picture picture{2000, 2000, {}};
  picture.rgba.reserve(16'000'000);
  for (int y = 0; y < 2000; ++y) {
    for (int x = 0; x < 2000; ++x) {
      const bool dark = std::fmod(std::hypot(x - 1000, y - 1000), 160) < 80;
      for (int c = 0; c < 3; ++c) picture.rgba.push_back(dark ? 20 : 240);
      picture.rgba.push_back(255);
    }
  }
  for (auto _ : state) {
    auto found = traced(picture, {});
    benchmark::DoNotOptimize(found);
  }
}
/// A cup with stars to be put on it.
Cup starry(int places) {
  Cup cup = comet();
  Artwork star = shapeArtwork("star");
  star.id = "star";
  DecalSet set;
  set.artwork = "star";
  set.art = SharedArt(star);
  set.size = WrittenLength::mm(6);
  set.layers = {Layer(), usualLayer(LayerKind::backing, set, Unit::mm)};
  for (int i = 0; i < places; ++i) {
    Place place;
    place.at = CupAngle::degrees(i % 20 * 18);
    place.up = WrittenLength::mm(15 + i / 20 * 22);
    set.places.push_back(place);
  }
  cup.sets = {set};
  giveIds(cup);
  return cup;
}
void dragOneOfHundredPlaces(benchmark::State& state) {
  Cup cup = starry(100);
  CupPlanner planner;
  const Stock stock;
  int step = 0;
  for (auto _ : state) {
    cup.sets[0].places[7].up = WrittenLength::mm(20 + ++step % 40);
    benchmark::DoNotOptimize(planner(cup, Unit::mm, stock));
  }
}
/// The same cup dragged by its handle, which no set depends on.
void dragNoPlace(benchmark::State& state) {
  Cup cup = starry(0);
  CupPlanner planner;
  const Stock stock;
  int step = 0;
  for (auto _ : state) {
    cup.strip.width = WrittenLength::mm(8 + ++step % 10);
    benchmark::DoNotOptimize(planner(cup, Unit::mm, stock));
  }
}
void solveRow(benchmark::State& state) {
  Cup cup = starry(0);
  Row row;
  row.sets = {cup.sets[0].id};
  row.up = WrittenLength::mm(60);
  row.count = 12;
  cup.rows = {row};
  giveIds(cup);
  CupPlanner planner;
  const Stock stock;
  int step = 0;
  for (auto _ : state) {
    cup.rows[0].gap = WrittenLength::mm(1 + ++step % 9);
    benchmark::DoNotOptimize(planner(cup, Unit::mm, stock));
  }
}
void scatterFourHundred(benchmark::State& state) {
  const Cup cup = starry(0);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  Scatter scatter;
  scatter.sets = {cup.sets[0].id};
  scatter.count = 400;
  scatter.gap = WrittenLength::mm(0.5);
  const ScatterGround ground{*plan->landmarks, plan->divided, cup.sets, {}};
  for (auto _ : state) benchmark::DoNotOptimize(scattered(scatter, ground));
}

BENCHMARK(dragOneOfHundredPlaces)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(dragNoPlace)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(solveRow)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(scatterFourHundred)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(offsetOurs)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(offsetByClipper)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(offsetByGeos)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(clearanceOfFiveThousand)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(traceFourMegapixels)->Unit(benchmark::kMicrosecond)->MinTime(1);

/// Prints as usual and keeps the times for the ratios.
// Rosettes r = 12 (0.75 + 0.25 cos 5t) and petals r = 12 (0.6 + 0.4 |cos 2t|) on 6.75 x 9.25 in.
Polygon flower(bool petals) {
  std::vector<Point> outline;
  constexpr int corners = 240;
  for (int i = 0; i < corners; ++i) {
    const double t = 2 * M_PI * i / corners;
    const double r = petals ? 12 * (0.6 + 0.4 * std::abs(std::cos(2 * t)))
                            : 12 * (0.75 + 0.25 * std::cos(5 * t));
    outline.push_back({r * std::cos(t), r * std::sin(t)});
  }
  return {outline};
}

std::map<std::string, long> onFirstSheet;

void layFlowers(benchmark::State& state, const char* name, bool petals, bool rows) {
  const SheetSize sheet{Length::inches(6.75), Length::inches(9.25), Length()};
  ArrangeRules rules;
  rules.lattices = rows;
  const std::vector<Piece> pieces{{flower(petals), 120, MayTurn::any}};
  for ([[maybe_unused]] auto _ : state) {
    const Arrangement made = arrange(pieces, sheet, rules);
    onFirstSheet[name] = std::count_if(made.laid.begin(), made.laid.end(),
                                       [](const Laid& one) { return one.sheet == 0; });
  }
}
void rosettesByRaster(benchmark::State& state) {
  layFlowers(state, "rosettesByRaster", false, false);
}
void rosettesInRows(benchmark::State& state) {
  layFlowers(state, "rosettesInRows", false, true);
}
void petalsInRows(benchmark::State& state) {
  layFlowers(state, "petalsInRows", true, true);
}
BENCHMARK(rosettesByRaster)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(rosettesInRows)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(petalsInRows)->Unit(benchmark::kMicrosecond)->MinTime(1);

// 300 parts of 40 shapes on a roll; the first answer, and one attempt more.
std::vector<Piece> fortyShapes() {
  std::vector<Piece> pieces;
  std::mt19937 chance(3);
  const auto share = [&] { return static_cast<double>(chance()) / 4294967296.0; };
  for (int i = 0; i < 40; ++i) {
    const int lobes = 2 + i % 5;
    const double size = 8 + share() * 22;
    const double depth = 0.1 + 0.35 * share();
    const double wide = 0.5 + share();
    std::vector<Point> outline;
    for (int k = 0; k < 120; ++k) {
      const double t = 2 * M_PI * k / 120;
      const double r = size * (1 - depth + depth * std::cos(lobes * t));
      outline.push_back({r * std::cos(t) * wide, r * std::sin(t)});
    }
    pieces.push_back({{outline}, 7 + i % 2, MayTurn::any});
  }
  return pieces;
}

double shorterBy = 0;

void layOnRoll(benchmark::State& state, bool once) {
  const std::vector<FilmPiece> roll{
      {{Length::mm(305), Length::mm(20000), Length::mm(6)}, 1, true, {}}};
  for ([[maybe_unused]] auto _ : state) {
    Arranger arranger(fortyShapes(), roll, {});
    const Arrangement first = arranger();
    if (once) continue;
    const Arrangement next = arranger.pushed(arranger(1, first.order));
    shorterBy = 1 - next.sheets.front().reaches / first.sheets.front().reaches;
  }
}
void rollFirst(benchmark::State& state) {
  layOnRoll(state, true);
}
void rollDenser(benchmark::State& state) {
  layOnRoll(state, false);
}
BENCHMARK(rollFirst)->Unit(benchmark::kMicrosecond)->MinTime(1);
BENCHMARK(rollDenser)->Unit(benchmark::kMicrosecond)->MinTime(1);

class Ratios : public benchmark::ConsoleReporter {
 public:
  void ReportRuns(const std::vector<Run>& runs) override {
    ConsoleReporter::ReportRuns(runs);
    for (const Run& run : runs) times_[run.benchmark_name()] = run.GetAdjustedCPUTime();
  }
  void print() {
    const auto of = [this](const char* name) {
      return times_[std::string(name) + "/min_time:1.000"];
    };
    std::cout << "\nwall to flat against bare sin and cos: " << of("wallToFlat") / of("bareSinCos")
              << " times (at most 3 wanted)\n"
              << "one cup planned: " << of("planOneCup") / 1000 << " ms (under 1 wanted), "
              << of("planOneCup") / of("bareSinCos") << " of the bare loop\n"
              << "400 stations planned: " << of("planFourHundredStations") / 1000
              << " ms (under 10 wanted), " << of("planFourHundredStations") / of("planOneCup")
              << " times the one-cone plan\n"
              << "60 zones planned: " << of("planSixtyZones") / 1000 << " ms (under 5 wanted), "
              << of("planSixtyZones") / of("planOneCup") << " times the uncut cup\n"
              << "2000 cells filled: " << of("fillTwoThousandCells") / 1000
              << " ms (under 30 wanted); coloured in " << of("colourCells") / of("colourByBoost")
              << " times Boost's sequential colouring (at most 4 wanted)\n"
              << "a template parted on a curved wall: "
              << of("partCurvedTemplate") / of("fillCurvedWall")
              << " times laying and colouring its cells\n"
              << "a stencil's PDF: " << of("stencilAsPdf") / of("stencilAsSvg")
              << " times its SVG; a key's: " << of("keyAsPdf") / of("keyAsSvg")
              << " times (at most 3 wanted)\n"
              << "one of 100 places dragged: " << of("dragOneOfHundredPlaces") / 1000
              << " ms (with its painting under 16 wanted), "
              << of("dragOneOfHundredPlaces") / of("dragNoPlace") << " times a cup without places\n"
              << "a row of 12 solved: " << (of("solveRow") - of("dragNoPlace")) / 1000
              << " ms (under 5 wanted), " << of("solveRow") / of("dragNoPlace")
              << " times a cup without one\n"
              << "400 scattered: " << of("scatterFourHundred") / 1000 << " ms (under 100 wanted), "
              << of("scatterFourHundred") / of("offsetOurs") << " times the offset below\n"
              << "an offset of 400 points: "
              << of("offsetOurs") / std::min(of("offsetByClipper"), of("offsetByGeos"))
              << " times the faster of bare Clipper and GEOS (1.2 wanted)\n"
              << "clearance of 5000 points: " << of("clearanceOfFiveThousand") / 1000
              << " ms (under 100 wanted), " << of("clearanceOfFiveThousand") / of("offsetOurs")
              << " times that offset\n"
              << "4 megapixels traced: " << of("traceFourMegapixels") / 1e6
              << " s (under 1 wanted), " << of("traceFourMegapixels") / of("offsetOurs")
              << " times that offset\n"
              << "5 MB of line art imported: " << of("importFiveMegabytes") / 1e6
              << " s (under 1 wanted), " << of("importFiveMegabytes") / of("parseFiveMegabytes")
              << " times the parsing of its XML\n"
              << "rosettes and petals in rows: " << onFirstSheet["rosettesInRows"] << " and "
              << onFirstSheet["petalsInRows"] << " on a sheet (86 and 84 wanted; by raster "
              << onFirstSheet["rosettesByRaster"] << "), in " << of("rosettesInRows") / 1e6
              << " s, " << of("rosettesInRows") / of("rosettesByRaster") << " times the raster\n"
              << "300 parts of 40 shapes on a roll: " << of("rollFirst") / 1e6
              << " s (under 2 wanted); " << 100 * shorterBy << " % shorter (3 wanted) after "
              << of("rollDenser") / of("rollFirst") << " times as long\n";
  }

 private:
  std::map<std::string, double> times_;
};

}  // namespace

int main(int argc, char** argv) {
  benchmark::Initialize(&argc, argv);
  Ratios reporter;
  benchmark::RunSpecifiedBenchmarks(&reporter);
  reporter.print();
  return EXIT_SUCCESS;
}
