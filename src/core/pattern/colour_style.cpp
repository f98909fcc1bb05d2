// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colour_style.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>

#include "pattern/index.h"

namespace avrelt {
namespace {

/// As far to the other side of the front.
CupAngle mirrored(CupAngle onCup) {
  return CupAngle::ofFront(-onCup.fromFront());
}

std::vector<int> usefulOf(const std::vector<double>& shares) {
  std::vector<int> useful;
  for (std::size_t c = 0; c < shares.size(); ++c) {
    if (shares[c] > 0) useful.push_back(static_cast<int>(c));
  }
  return useful;
}

/// How far down a zone a place is, in colours: 0 to 1 within the first, 1 to 2 within the second …
double placeDown(Length s, const std::vector<double>& shares, const std::vector<int>& useful,
                 Length low, Length high) {
  double total = 0;
  for (const int c : useful) total += shares[at(c)];
  const double tall = std::max((high - low).mm(), 1e-9);
  double left = std::clamp((high - s).mm() / tall, 0.0, 1.0) * total;
  for (std::size_t i = 0; i < useful.size(); ++i) {
    const double share = shares[at(useful[i])];
    if (left <= share || i + 1 == useful.size()) {
      return static_cast<double>(i) + std::min(left / share, 1 - 1e-9);
    }
    left -= share;
  }
  return 0;
}

/// Two sides of the things, so that neighbours lie on different ones; as good as that goes.
struct TwoSides {
  std::vector<int> side;
  bool nearly = true;  ///< few neighbours lie on one side
};
TwoSides sidesOf(const std::vector<std::vector<int>>& neighbours) {
  TwoSides sides;
  sides.side.assign(neighbours.size(), -1);
  std::deque<int> queue;
  for (std::size_t start = 0; start < neighbours.size(); ++start) {
    if (sides.side[start] >= 0) continue;
    sides.side[start] = 0;
    queue.push_back(static_cast<int>(start));
    while (!queue.empty()) {
      const int v = queue.front();
      queue.pop_front();
      for (const int u : neighbours[at(v)]) {
        if (sides.side[at(u)] >= 0) continue;
        sides.side[at(u)] = 1 - sides.side[at(v)];
        queue.push_back(u);
      }
    }
  }
  std::size_t all = 0;
  std::size_t same = 0;
  for (std::size_t v = 0; v < neighbours.size(); ++v) {
    for (const int u : neighbours[v]) {
      ++all;
      same += sides.side[at(u)] == sides.side[v] ? 1U : 0U;
    }
  }
  sides.nearly = same * 8 <= all;
  return sides;
}

void gradient(const std::vector<CellSite>& sites, Length low, Length high, ColourTask& task) {
  const std::vector<int> useful = usefulOf(task.shares);
  // Where cells lie on two sides like a check, each side takes every other colour: then each has
  // one at most a step from its height's.
  const TwoSides sides = sidesOf(task.neighbours);
  task.cost.assign(sites.size(), std::vector<float>(task.shares.size(), 0));
  for (std::size_t v = 0; v < sites.size(); ++v) {
    const double place = placeDown(sites[v].s, task.shares, useful, low, high);
    const int own = static_cast<int>(place);
    for (std::size_t i = 0; i < useful.size(); ++i) {
      const int steps = std::abs(static_cast<int>(i) - own);
      double cost = std::abs(static_cast<double>(i) + 0.5 - place);
      if (steps > 1) cost += static_cast<double>(straying) * (steps - 1);
      if (sides.nearly && static_cast<int>(i % 2) != sides.side[v]) cost += 0.4;
      task.cost[v][at(useful[i])] = static_cast<float>(cost);
    }
  }
}

void rows(const std::vector<CellSite>& sites, ColourTask& task) {
  const std::vector<int> useful = usefulOf(task.shares);
  const std::size_t count = useful.size();
  // In each row the turn begins where it meets the row above best.
  std::vector<std::size_t> turn(sites.size(), 0);
  std::vector<std::size_t> number(sites.size(), 0);
  for (std::size_t begin = 0; begin < sites.size();) {
    std::size_t end = begin;
    while (end < sites.size() && sites[end].row == sites[begin].row) ++end;
    std::vector<int> clashes(count, 0);
    for (std::size_t v = begin; v < end; ++v) {
      number[v] = v - begin;
      for (const int u : task.neighbours[v]) {
        if (at(u) >= begin) continue;
        // Beginning here, the turn would come to the colour above.
        ++clashes[(turn[at(u)] + count - number[v] % count) % count];
      }
    }
    const auto best = std::min_element(clashes.begin(), clashes.end());
    const auto offset = static_cast<std::size_t>(best - clashes.begin());
    for (std::size_t v = begin; v < end; ++v) turn[v] = (number[v] + offset) % count;
    begin = end;
  }
  task.cost.assign(sites.size(), std::vector<float>(task.shares.size(), straying));
  for (std::size_t v = 0; v < sites.size(); ++v) task.cost[v][at(useful[turn[v]])] = 0;
}

void symmetric(const std::vector<CellSite>& sites, Length radius, ColourTask& task) {
  task.tied.resize(sites.size());
  for (std::size_t v = 0; v < sites.size(); ++v) task.tied[v] = static_cast<int>(v);
  for (const auto& [a, b] : mirrorPairs(sites, radius)) {
    const std::vector<int>& list = task.neighbours[a];
    if (std::find(list.begin(), list.end(), static_cast<int>(b)) != list.end()) continue;
    task.tied[a] = static_cast<int>(b);
    task.tied[b] = static_cast<int>(a);
  }
}

}  // namespace

std::vector<std::pair<std::size_t, std::size_t>> mirrorPairs(const std::vector<CellSite>& sites,
                                                             Length radius) {
  constexpr double near = 0.2;
  constexpr double alike = 0.15;
  // By place, in squares as wide as the widest that may still be near.
  double widest = 0.1;
  for (const CellSite& site : sites) widest = std::max(widest, near * std::sqrt(site.area));
  const double around = 2 * std::acos(-1.0) * radius.mm();
  const auto columns = std::max(1L, static_cast<long>(around / widest));
  const auto columnOf = [&](CupAngle onCup) {
    const double x = onCup.wrapped().radians() / Angle::turn().radians();
    return static_cast<long>(std::floor((x + 0.5) * static_cast<double>(columns)));
  };
  const auto rowOf = [&](Length s) { return static_cast<long>(std::floor(s.mm() / widest)); };
  std::map<std::pair<long, long>, std::vector<std::size_t>> places;
  for (std::size_t v = 0; v < sites.size(); ++v) {
    places[{columnOf(sites[v].onCup) % columns, rowOf(sites[v].s)}].push_back(v);
  }
  const auto imageOf = [&](std::size_t v) {
    const CellSite& site = sites[v];
    std::size_t best = sites.size();
    double least = near * std::sqrt(site.area);
    for (long i = -1; i <= 1; ++i) {
      for (long j = -1; j <= 1; ++j) {
        const long column = (columnOf(mirrored(site.onCup)) + i + 2 * columns) % columns;
        const auto here = places.find({column, rowOf(site.s) + j});
        if (here == places.end()) continue;
        for (const std::size_t u : here->second) {
          const double across =
              (sites[u].onCup - mirrored(site.onCup)).wrapped().radians() * radius.mm();
          const double off = std::hypot(across, (sites[u].s - site.s).mm());
          if (off >= least || std::abs(sites[u].area / site.area - 1) > alike) continue;
          least = off;
          best = u;
        }
      }
    }
    return best;
  };
  std::vector<std::pair<std::size_t, std::size_t>> pairs;
  for (std::size_t v = 0; v < sites.size(); ++v) {
    const std::size_t image = imageOf(v);
    if (image < sites.size() && image > v && imageOf(image) == v) pairs.emplace_back(v, image);
  }
  return pairs;
}

void applyStyle(ColourStyle style, const std::vector<CellSite>& sites, Length low, Length high,
                Length radius, ColourTask& task) {
  if (usefulOf(task.shares).empty()) return;
  switch (style) {
    case ColourStyle::scatter:
      break;
    case ColourStyle::rows:
      rows(sites, task);
      break;
    case ColourStyle::gradient:
      gradient(sites, low, high, task);
      break;
    case ColourStyle::symmetric:
      symmetric(sites, radius, task);
      break;
    case ColourStyle::random:
      task.spread = false;
      break;
  }
}

}  // namespace avrelt
