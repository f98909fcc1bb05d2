// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colouring.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cstdlib>
#include <set>

#include "divide/cut.h"
#include "measure/colour.h"

using namespace avrelt;

namespace {

using Graph = std::vector<std::vector<int>>;

void join(Graph& graph, int a, int b) {
  graph[static_cast<std::size_t>(a)].push_back(b);
  graph[static_cast<std::size_t>(b)].push_back(a);
}

Graph ring(int count) {
  Graph graph(static_cast<std::size_t>(count));
  for (int i = 0; i < count; ++i) join(graph, i, (i + 1) % count);
  return graph;
}

Graph complete(int count) {
  Graph graph(static_cast<std::size_t>(count));
  for (int i = 0; i < count; ++i) {
    for (int j = i + 1; j < count; ++j) join(graph, i, j);
  }
  return graph;
}

/// Mycielski 1955, "Sur le coloriage des graphes": no triangles, one colour more than the last.
Graph mycielski(const Graph& graph) {
  const int count = static_cast<int>(graph.size());
  Graph next(graph.size() * 2 + 1);
  for (int v = 0; v < count; ++v) {
    for (const int u : graph[static_cast<std::size_t>(v)]) {
      if (u > v) join(next, v, u);
      join(next, count + v, u);
    }
    join(next, count + v, 2 * count);
  }
  return next;
}

Graph queens(int n) {
  Graph graph(static_cast<std::size_t>(n * n));
  for (int a = 0; a < n * n; ++a) {
    for (int b = a + 1; b < n * n; ++b) {
      const int across = std::abs(a % n - b % n);
      const int up = std::abs(a / n - b / n);
      if (across == 0 || up == 0 || across == up) join(graph, a, b);
    }
  }
  return graph;
}

ColourTask task(Graph graph, int colours) {
  ColourTask made;
  made.neighbours = std::move(graph);
  made.shares.assign(static_cast<std::size_t>(colours), 1);
  return made;
}

}  // namespace

TEST_CASE("known chromatic numbers are found: rings, Mycielski's graphs, queens") {
  CHECK(chromaticNumber({}) == 0);
  CHECK(chromaticNumber(ring(8)) == 2);
  CHECK(chromaticNumber(ring(9)) == 3);
  Graph graph = ring(5);
  int colours = 3;
  for (int i = 0; i < 2; ++i) {
    graph = mycielski(graph);
    CHECK(chromaticNumber(graph) == ++colours);
  }
  // DIMACS colouring benchmarks queen5_5 (5), queen6_6 (7), queen7_7 (7); numbers from memory.
  CHECK(chromaticNumber(queens(5)) == 5);
  CHECK(chromaticNumber(queens(6)) == 7);
  CHECK(chromaticNumber(queens(7)) == 7);
}

TEST_CASE("with enough colours nothing clashes and shares are kept") {
  ColourTask even = task(ring(60), 3);
  Colouring result = coloured(even);
  CHECK(result.clashes.empty());
  for (int c = 0; c < 3; ++c) {
    CHECK(std::count(result.colours.begin(), result.colours.end(), c) == 20);
  }
  even.shares = {2, 1, 1};
  result = coloured(even);
  CHECK(result.clashes.empty());
  // Half of a ring is every other one: only a whole ring of luck gets there.
  CHECK(std::count(result.colours.begin(), result.colours.end(), 0) >= 28);
  // The same task, the same colours; another seed, others.
  CHECK(coloured(even).colours == result.colours);
  even.seed = 7;
  CHECK(coloured(even).colours != result.colours);
  // Colours nobody wants are not used.
  even.shares = {1, 1, 0, 1};
  result = coloured(even);
  CHECK(std::count(result.colours.begin(), result.colours.end(), 2) == 0);
}

TEST_CASE("too few colours are proved: all neighbours of each other, or an odd ring") {
  Colouring result = coloured(task(complete(5), 4));
  REQUIRE(result.proof.has_value());
  CHECK(result.proof->why == Impossible::Why::clique);
  CHECK(result.proof->members.size() == 5);
  CHECK(result.clashes.size() == 1);
  Graph graph = ring(9);
  join(graph, 0, 3);
  result = coloured(task(graph, 2));
  REQUIRE(result.proof.has_value());
  CHECK(result.proof->why == Impossible::Why::oddRing);
  const std::vector<int>& members = result.proof->members;
  CHECK(members.size() % 2 == 1);
  for (std::size_t i = 0; i < members.size(); ++i) {
    const auto& beside = graph[static_cast<std::size_t>(members[i])];
    CHECK(std::count(beside.begin(), beside.end(), members[(i + 1) % members.size()]) == 1);
  }
  CHECK(result.clashes.size() == 1);
  // Four colours where five are needed and no five are all neighbours: searched out, no clique.
  graph = mycielski(mycielski(ring(5)));
  result = coloured(task(graph, 4));
  CHECK(result.searchedOut);
  CHECK_FALSE(result.proof.has_value());
  CHECK(result.clashes.size() == 1);
}

TEST_CASE("pins are kept, and said to be the cause where they are") {
  ColourTask pinned = task(ring(6), 2);
  pinned.pinned = {0, -1, -1, -1, -1, -1};
  Colouring result = coloured(pinned);
  CHECK(result.clashes.empty());
  CHECK(result.colours[0] == 0);
  CHECK(result.colours[3] == 1);
  pinned.pinned[3] = 0;
  result = coloured(pinned);
  CHECK(result.colours[0] == 0);
  CHECK(result.colours[3] == 0);
  REQUIRE(result.proof.has_value());
  CHECK(result.proof->why == Impossible::Why::pins);
  CHECK(result.proof->members == std::vector<int>{0, 3});
  CHECK(result.clashes.size() == 2);
}

TEST_CASE("a pin changes little besides what it must") {
  // A strip of squares two high: a ladder.
  Graph ladder(80);
  for (int i = 0; i < 40; ++i) {
    join(ladder, i, i + 40);
    if (i > 0) {
      join(ladder, i - 1, i);
      join(ladder, i + 39, i + 40);
    }
  }
  ColourTask free = task(ladder, 4);
  const std::vector<int> before = coloured(free).colours;
  for (const int thing : {0, 17, 45, 79}) {
    for (int c = 0; c < 4; ++c) {
      ColourTask pinned = free;
      pinned.pinned.assign(80, -1);
      pinned.pinned[static_cast<std::size_t>(thing)] = c;
      const Colouring after = coloured(pinned);
      CHECK(after.clashes.empty());
      CHECK(after.colours[static_cast<std::size_t>(thing)] == c);
      int changed = 0;
      for (std::size_t v = 0; v < before.size(); ++v) changed += before[v] != after.colours[v];
      CHECK(changed <= 4);  // itself and its three neighbours
    }
  }
}

TEST_CASE("colours barred at a place are not used there; where that cannot be it is said") {
  ColourTask barred = task(ring(6), 3);
  barred.barred = {1U, 1U, 1U, 0, 0, 0};
  Colouring result = coloured(barred);
  CHECK(result.clashes.empty());
  CHECK(result.misplaced.empty());
  for (std::size_t v = 0; v < 3; ++v) CHECK(result.colours[v] != 0);
  // With a pin that forces its neighbours.
  barred.pinned = {1, -1, -1, -1, -1, -1};
  result = coloured(barred);
  CHECK(result.colours[0] == 1);
  CHECK(result.colours[1] == 2);
  CHECK(result.misplaced.empty());
  // Two colours, both barred at one place.
  ColourTask hopeless = task(ring(6), 2);
  hopeless.barred = {3U, 0, 0, 0, 0, 0};
  result = coloured(hopeless);
  CHECK(result.clashes.size() + result.misplaced.size() == 1);
  REQUIRE(result.proof.has_value());
  CHECK(result.proof->why == Impossible::Why::pins);
}

TEST_CASE("what a style costs is avoided where neighbours allow") {
  ColourTask turns = task(ring(12), 3);
  turns.cost.assign(12, {straying, straying, straying});
  for (std::size_t i = 0; i < 12; ++i) turns.cost[i][i % 3] = 0;
  const Colouring result = coloured(turns);
  for (std::size_t i = 0; i < 12; ++i) CHECK(result.colours[i] == static_cast<int>(i % 3));
}

TEST_CASE("things tied together are alike, neighbours all the same are not") {
  ColourTask tied = task(ring(12), 3);
  for (int i = 0; i < 12; ++i) tied.tied.push_back((12 - i) % 12);
  const Colouring result = coloured(tied);
  CHECK(result.clashes.empty());
  for (std::size_t i = 1; i < 12; ++i) CHECK(result.colours[i] == result.colours[12 - i]);
}

TEST_CASE("a colour not to be there is done without, wherever that can be, with few changes") {
  // Rings and ladders by chance, three to five colours; all of these can be coloured.
  int bars = 0;
  int changed = 0;
  for (int count : {9, 10, 13, 24}) {
    for (int colours : {3, 4, 5}) {
      ColourTask free = task(ring(count), colours);
      free.spread = count % 2 == 0;
      free.seed = static_cast<unsigned>(count * colours);
      const std::vector<int> before = coloured(free).colours;
      for (int v = 0; v < count; ++v) {
        ColourTask without = free;
        without.notHere.assign(static_cast<std::size_t>(count), 0);
        without.notHere[static_cast<std::size_t>(v)] =
            1U << static_cast<unsigned>(before[static_cast<std::size_t>(v)]);
        const Colouring after = coloured(without);
        CHECK(after.clashes.empty());
        CHECK(after.misplaced.empty());
        ++bars;
        for (std::size_t i = 0; i < before.size(); ++i) changed += before[i] != after.colours[i];
      }
    }
  }
  CHECK(changed <= 2 * bars);
}

TEST_CASE("a colour of no share is used where it is given by hand, and nowhere else") {
  // A wheel of five: four colours are needed, three have a share.
  Graph wheel = ring(5);
  wheel.resize(6);
  for (int i = 0; i < 5; ++i) join(wheel, i, 5);
  ColourTask three = task(wheel, 4);
  three.shares = {1, 1, 1, 0};
  Colouring result = coloured(three);
  CHECK(result.clashes.size() == 1);
  CHECK(std::count(result.colours.begin(), result.colours.end(), 3) == 0);
  three.pinned = {-1, -1, -1, -1, -1, 3};
  result = coloured(three);
  CHECK(result.clashes.empty());
  CHECK(std::count(result.colours.begin(), result.colours.end(), 3) == 1);
}

TEST_CASE("colours that all have no share are taken as alike, also where they do not suffice") {
  ColourTask none = task(complete(5), 4);
  none.shares = {0, 0, 0, 0};
  CHECK(coloured(none).clashes.size() == 1);
  none.neighbours = ring(12);
  none.pinned.assign(12, -1);
  none.pinned[3] = 2;
  const Colouring result = coloured(none);
  CHECK(result.clashes.empty());
  CHECK(result.colours[3] == 2);
  CHECK(std::set<int>(result.colours.begin(), result.colours.end()).size() > 2);
}

TEST_CASE("colour differences are those of the published pairs") {
  // Sharma, Wu, Dalal 2005, "The CIEDE2000 color-difference formula", table 1; from memory.
  struct Row {
    LabColour one;
    LabColour other;
    double difference;
  };
  const Row rows[] = {
      {{50, 2.6772, -79.7751}, {50, 0, -82.7485}, 2.0425},
      {{50, 3.1571, -77.2803}, {50, 0, -82.7485}, 2.8615},
      {{50, 2.8361, -74.0200}, {50, 0, -82.7485}, 3.4412},
      {{50, -1.3802, -84.2814}, {50, 0, -82.7485}, 1.0000},
      {{50, -1.1848, -84.8006}, {50, 0, -82.7485}, 1.0000},
      {{50, -0.9009, -85.5211}, {50, 0, -82.7485}, 1.0000},
      {{50, 0, 0}, {50, -1, 2}, 2.3669},
      {{50, -1, 2}, {50, 0, 0}, 2.3669},
      {{50, 2.4900, -0.0010}, {50, -2.4900, 0.0009}, 7.1792},
      {{50, 2.4900, -0.0010}, {50, -2.4900, 0.0010}, 7.1792},
      {{50, 2.4900, -0.0010}, {50, -2.4900, 0.0011}, 7.2195},
      {{50, 2.4900, -0.0010}, {50, -2.4900, 0.0012}, 7.2195},
      {{50, -0.0010, 2.4900}, {50, 0.0009, -2.4900}, 4.8045},
      {{50, -0.0010, 2.4900}, {50, 0.0010, -2.4900}, 4.8045},
      {{50, -0.0010, 2.4900}, {50, 0.0011, -2.4900}, 4.7461},
      {{50, 2.5, 0}, {50, 0, -2.5}, 4.3065},
      {{50, 2.5, 0}, {73, 25, -18}, 27.1492},
      {{50, 2.5, 0}, {61, -5, 29}, 22.8977},
      {{50, 2.5, 0}, {56, -27, -3}, 31.9030},
      {{50, 2.5, 0}, {58, 24, 15}, 19.4535},
      {{50, 2.5, 0}, {50, 3.1736, 0.5854}, 1.0000},
      {{50, 2.5, 0}, {50, 3.2972, 0}, 1.0000},
      {{50, 2.5, 0}, {50, 1.8634, 0.5757}, 1.0000},
      {{50, 2.5, 0}, {50, 3.2592, 0.3350}, 1.0000},
      {{60.2574, -34.0099, 36.2677}, {60.4626, -34.1751, 39.4387}, 1.2644},
      {{63.0109, -31.0961, -5.8663}, {62.8187, -29.7946, -4.0864}, 1.2630},
      {{61.2901, 3.7196, -5.3901}, {61.4292, 2.2480, -4.9620}, 1.8731},
      {{35.0831, -44.1164, 3.7933}, {35.0232, -40.0716, 1.5901}, 1.8645},
      {{22.7233, 20.0904, -46.6940}, {23.0331, 14.9730, -42.5619}, 2.0373},
      {{36.4612, 47.8580, 18.3852}, {36.2715, 50.5065, 21.2231}, 1.4146},
      {{90.8027, -2.0831, 1.4410}, {91.1528, -1.6435, 0.0447}, 1.4441},
      {{90.9257, -0.5406, -0.9208}, {88.6381, -0.8985, -0.7239}, 1.5381},
      {{6.7747, -0.2908, -2.4247}, {5.8714, -0.0985, -2.2286}, 0.6377},
      {{2.0776, 0.0795, -1.1350}, {0.9033, -0.0636, -0.5514}, 0.9082},
  };
  for (const Row& row : rows) {
    INFO(row.one.l << " " << row.one.a << " " << row.one.b);
    CHECK(colourDifference(row.one, row.other) == Approx(row.difference).margin(0.00006));
  }
  // White and black of sRGB, IEC 61966-2-1 under D65.
  CHECK(labOf("#FFFFFF").l == Approx(100).margin(1e-3));
  CHECK(labOf("#000000").l == Approx(0).margin(1e-6));
}

TEST_CASE("a colour without a name is called in words") {
  for (const auto& [colour, words] :
       {std::pair{"#9AA7AD", "grey blue"}, std::pair{"#000000", "black"},
        std::pair{"#FFFFFF", "white"}, std::pair{"#808080", "grey"}, std::pair{"#C0201C", "red"},
        std::pair{"#1C2B6B", "dark blue"}, std::pair{"#2E7D32", "green"},
        std::pair{"#F4EFE3", "cream"}, std::pair{"#7A4A21", "brown"},
        std::pair{"#F5A623", "orange"}}) {
    INFO(colour);
    CHECK(colourInWords(colour) == words);
  }
  Finish finish;
  finish.colour = "#1E5A6B";
  CHECK(finishWords(finish).find('#') == std::string::npos);
  finish.name = "sea";
  CHECK(finishWords(finish) == "sea");
}

TEST_CASE("luminance is WCAG 2's relative luminance") {
  // WCAG 2.0, definition of relative luminance: black 0, white 1, the primaries their weights; the
  // contrast (L1 + 0.05) / (L2 + 0.05) of #767676 on white is the familiar 4.54. From memory.
  CHECK(luminanceOf("#000000") == Approx(0).margin(1e-12));
  CHECK(luminanceOf("#FFFFFF") == Approx(1));
  CHECK(luminanceOf("#FF0000") == Approx(0.2126));
  CHECK(luminanceOf("#00FF00") == Approx(0.7152));
  CHECK(luminanceOf("#0000FF") == Approx(0.0722));
  CHECK(1.05 / (luminanceOf("#767676") + 0.05) == Approx(4.54).margin(0.005));
}
