// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/least_cut.h"

#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/boykov_kolmogorov_max_flow.hpp>
#include <cmath>

namespace avrelt {

std::vector<bool> leastCut(const std::vector<int>& held, const std::vector<Between>& between) {
  using Traits = boost::adjacency_list_traits<boost::vecS, boost::vecS, boost::directedS>;
  using Graph = boost::adjacency_list<
      boost::vecS, boost::vecS, boost::directedS,
      boost::property<
          boost::vertex_color_t, boost::default_color_type,
          boost::property<boost::vertex_distance_t, long,
                          boost::property<boost::vertex_predecessor_t, Traits::edge_descriptor>>>,
      boost::property<
          boost::edge_capacity_t, long,
          boost::property<boost::edge_residual_capacity_t, long,
                          boost::property<boost::edge_reverse_t, Traits::edge_descriptor>>>>;
  const std::size_t count = held.size();
  Graph graph(count + 2);
  const std::size_t source = count;
  const std::size_t sink = count + 1;
  const auto capacity = boost::get(boost::edge_capacity, graph);
  const auto reverse = boost::get(boost::edge_reverse, graph);
  const auto join = [&](std::size_t a, std::size_t b, long forth, long back) {
    const auto there = boost::add_edge(a, b, graph).first;
    const auto again = boost::add_edge(b, a, graph).first;
    capacity[there] = forth;
    capacity[again] = back;
    reverse[there] = again;
    reverse[again] = there;
  };
  // In hundredths of a millimetre: whole numbers, so that the same cells are cut alike everywhere.
  for (const Between& one : between) {
    const long line = std::lround(one.line * 100) + 1;
    join(one.a, one.b, line, line);
  }
  constexpr long never = 1'000'000'000;
  for (std::size_t i = 0; i < count; ++i) {
    if (held[i] < 0) join(source, i, never, 0);
    if (held[i] > 0) join(i, sink, never, 0);
  }
  boost::boykov_kolmogorov_max_flow(graph, source, sink);
  const auto colour = boost::get(boost::vertex_color, graph);
  const auto ofSink = colour[sink];
  std::vector<bool> beyond(count);
  for (std::size_t i = 0; i < count; ++i) beyond[i] = colour[i] == ofSink;
  return beyond;
}

}  // namespace avrelt
