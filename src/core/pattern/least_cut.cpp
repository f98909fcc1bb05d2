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
  // Only cells that may be on either side are in the graph; the others are its two ends.
  std::vector<std::size_t> place(held.size());
  std::size_t count = 0;
  for (std::size_t i = 0; i < held.size(); ++i) {
    if (held[i] == 0) place[i] = count++;
  }
  const std::size_t source = count;
  const std::size_t sink = count + 1;
  Graph graph(count + 2);
  const auto capacity = boost::get(boost::edge_capacity, graph);
  const auto reverse = boost::get(boost::edge_reverse, graph);
  const auto join = [&](std::size_t from, std::size_t to, long forth, long back) {
    const auto there = boost::add_edge(from, to, graph).first;
    const auto again = boost::add_edge(to, from, graph).first;
    capacity[there] = forth;
    capacity[again] = back;
    reverse[there] = again;
    reverse[again] = there;
  };
  std::vector<long> fromSource(count, 0);
  std::vector<long> toSink(count, 0);
  for (const Between& one : between) {
    // In hundredths of a millimetre: whole numbers, so that the same cells are cut alike
    // everywhere.
    const long line = std::lround(one.line * 100) + 1;
    if (held[one.a] == 0 && held[one.b] == 0) {
      join(place[one.a], place[one.b], line, line);
    } else if (held[one.a] == 0 || held[one.b] == 0) {
      const bool first = held[one.a] == 0;
      const std::size_t free = place[first ? one.a : one.b];
      ((first ? held[one.b] : held[one.a]) < 0 ? fromSource : toSink)[free] += line;
    }
  }
  for (std::size_t i = 0; i < count; ++i) {
    if (fromSource[i] > 0) join(source, i, fromSource[i], 0);
    if (toSink[i] > 0) join(i, sink, toSink[i], 0);
  }
  boost::boykov_kolmogorov_max_flow(graph, source, sink);
  const auto colour = boost::get(boost::vertex_color, graph);
  const auto ofSink = colour[sink];
  std::vector<bool> beyond(held.size());
  for (std::size_t i = 0; i < held.size(); ++i) {
    beyond[i] = held[i] == 0 ? colour[place[i]] == ofSink : held[i] > 0;
  }
  return beyond;
}

}  // namespace avrelt
