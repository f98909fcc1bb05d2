// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/pebbles.h"

#include <algorithm>
#include <cstdint>
#include <random>

namespace avrelt {
namespace {

using Pebble = std::vector<Point>;

/// What of a convex cell lies nearer to `own` than to `other`.
Pebble nearer(const Pebble& cell, Point own, Point other) {
  const Point towards = other - own;
  const double half = dot(own + other, towards) / 2;
  Pebble kept;
  for (std::size_t i = 0; i < cell.size(); ++i) {
    const Point& a = cell[i];
    const Point& b = cell[(i + 1) % cell.size()];
    const double outA = dot(a, towards) - half;
    const double outB = dot(b, towards) - half;
    if (outA <= 0) kept.push_back(a);
    if ((outA < 0 && outB > 0) || (outA > 0 && outB < 0)) {
      kept.push_back(a + (b - a) * (outA / (outA - outB)));
    }
  }
  return kept;
}

Point middleOf(const Pebble& cell) {
  double area = 0;
  Point sum{0, 0};
  for (std::size_t i = 0; i < cell.size(); ++i) {
    const Point& a = cell[i];
    const Point& b = cell[(i + 1) % cell.size()];
    const double part = a.x * b.y - a.y * b.x;
    area += part;
    sum = sum + (a + b) * part;
  }
  return sum * (1 / (3 * area));
}

}  // namespace

std::vector<std::vector<Point>> pebbles(int columns, int rows, int seed) {
  constexpr int rounds = 4;
  constexpr int reach = 3;  // grid cells away from which no stone is a neighbour
  // Drawn as whole numbers: the distributions of the library may differ from one to the next.
  std::mt19937 source(static_cast<std::uint32_t>(seed));
  const auto share = [&source] { return static_cast<double>(source()) / 4294967296.0; };
  std::vector<Point> sites;
  for (int j = 0; j < rows; ++j) {
    for (int i = 0; i < columns; ++i) {
      const double x = i + 0.1 + 0.8 * share();
      sites.push_back({x, j + 0.1 + 0.8 * share()});
    }
  }
  const auto at = [columns](int column, int row) {
    return static_cast<std::size_t>(row) * static_cast<std::size_t>(columns) +
           static_cast<std::size_t>(column);
  };
  std::vector<Pebble> cells(sites.size());
  for (int round = 0; round <= rounds; ++round) {
    for (int j = 0; j < rows; ++j) {
      for (int i = 0; i < columns; ++i) {
        const std::size_t own = at(i, j);
        const Point site = sites[own];
        Pebble cell{{site.x - reach, 0},
                    {site.x + reach, 0},
                    {site.x + reach, static_cast<double>(rows)},
                    {site.x - reach, static_cast<double>(rows)}};
        for (int v = std::max(0, j - reach); v <= std::min(rows - 1, j + reach); ++v) {
          for (int u = i - reach; u <= i + reach; ++u) {
            if (u == i && v == j) continue;
            const int turns = u < 0 ? -((columns - 1 - u) / columns) : u / columns;
            const int column = u - turns * columns;
            const Point other =
                sites[at(column, v)] + Point{static_cast<double>(turns * columns), 0};
            cell = nearer(cell, site, other);
          }
        }
        cells[own] = std::move(cell);
      }
    }
    if (round == rounds) break;
    for (std::size_t i = 0; i < sites.size(); ++i) sites[i] = middleOf(cells[i]);
  }
  return cells;
}

}  // namespace avrelt
