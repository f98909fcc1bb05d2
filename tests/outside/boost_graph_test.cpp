// SPDX-License-Identifier: GPL-3.0-or-later
#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/boyer_myrvold_planar_test.hpp>
#include <boost/graph/sequential_vertex_coloring.hpp>
#include <catch2/catch.hpp>

#include "core/cups.h"
#include "pattern/fill.h"

// Who lies beside whom, and how many colours that takes, against Boost.Graph.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::undirectedS>;

FillPlan planned(const Body& body, const Development& flat, Family family, TaperFit taperFit) {
  const Wall wall{body, flat, CupAngle::back()};
  const CheckedAll<Divided> divided = divide(ZoneNode(), wall);
  REQUIRE(divided.has_value());
  Fill fill = usualFill("", Unit::mm);
  fill.pattern.family = family;
  fill.pattern.taperFit = taperFit;
  fill.pattern.size = WrittenLength::mm(18);
  const CheckedAll<std::vector<FillPlan>> plans = planFills({fill}, *divided, wall);
  REQUIRE(plans.has_value());
  return plans->front();
}

}  // namespace

TEST_CASE("neighbours on a tube are a planar graph, and never take more colours than Boost's") {
  for (const std::size_t which : {std::size_t{0}, std::size_t{1}, std::size_t{2}}) {
    const Body body = bodyOf(all()[which].blank);
    const Development flat = body.cone();
    for (const Family family : families) {
      for (const TaperFit taperFit : {TaperFit::narrow, TaperFit::keep}) {
        INFO(all()[which].name << ", " << familyName(family));
        const FillPlan plan = planned(body, flat, family, taperFit);
        Graph graph(plan.cells.size());
        std::vector<std::vector<int>> neighbours(plan.cells.size());
        for (const auto& [a, b] : plan.neighbours) {
          boost::add_edge(a, b, graph);
          neighbours[a].push_back(static_cast<int>(b));
          neighbours[b].push_back(static_cast<int>(a));
        }
        // Without its two ends a tube is a plane with a hole: planar, so four colours do.
        CHECK(boost::boyer_myrvold_planarity_test(graph));
        CHECK(plan.colouring.clashes.empty());
        std::vector<std::size_t> colours(plan.cells.size());
        auto map = boost::make_iterator_property_map(colours.begin(),
                                                     boost::get(boost::vertex_index, graph));
        const std::size_t rival = boost::sequential_vertex_coloring(graph, map);
        ColourTask task;
        task.neighbours = neighbours;
        task.shares.assign(rival, 1);
        CHECK(coloured(task).clashes.empty());
      }
    }
  }
}

TEST_CASE("cells of an artwork that face each other across lines are a planar graph too") {
  Repeat artwork;
  artwork.name = "bricks and a lozenge";
  artwork.wide = 40;
  artwork.tall = 40;
  const auto box = [](double left, double low, double wide, double tall) {
    return Polygon{
        {{left, low}, {left + wide, low}, {left + wide, low + tall}, {left, low + tall}}};
  };
  artwork.cells = {box(0.5, 0.5, 19, 12),   box(20.5, 0.5, 19, 12),
                   box(10.5, 13.5, 19, 12), {{{40, 14}, {49, 19.5}, {40, 25}, {31, 19.5}}},
                   box(0.5, 26.5, 24, 13),  box(25.5, 26.5, 14, 13)};
  for (const std::size_t which : {std::size_t{0}, std::size_t{1}, std::size_t{2}}) {
    const Body body = bodyOf(all()[which].blank);
    const Development flat = body.cone();
    const Wall wall{body, flat, CupAngle::back()};
    Fill fill = usualFill("", Unit::mm);
    fill.pattern.family = Family::artwork;
    fill.pattern.artwork = SharedRepeat(artwork);
    fill.pattern.size = WrittenLength::mm(40);
    fill.pattern.line = WrittenLength::mm(0);
    const CheckedAll<std::vector<FillPlan>> plans =
        planFills({fill}, *divide(ZoneNode(), wall), wall);
    REQUIRE(plans.has_value());
    const FillPlan& plan = plans->front();
    Graph graph(plan.cells.size());
    for (const auto& [a, b] : plan.neighbours) boost::add_edge(a, b, graph);
    CHECK(plan.neighbours.size() > plan.cells.size());
    CHECK(boost::boyer_myrvold_planarity_test(graph));
    CHECK(plan.colouring.clashes.empty());
  }
}
