// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/room.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

constexpr int wordBits = 64;

std::uint64_t upTo(int bits) {
  return bits >= wordBits ? ~std::uint64_t{0} : (std::uint64_t{1} << bits) - 1;
}

std::optional<int> firstFree(const std::vector<std::uint64_t>& barred, int right) {
  for (int from = 0; from <= right; from += wordBits) {
    const std::uint64_t free =
        ~barred[static_cast<std::size_t>(from / wordBits)] & upTo(right + 1 - from);
    if (free != 0) return from + __builtin_ctzll(free);
  }
  return std::nullopt;
}

}  // namespace

Raster rasterOf(const Polygon& shape, double cell) {
  return rasterOf(shape, cell, boundsOf(shape).low);
}

Raster rasterOf(const Polygon& shape, double cell, Point origin) {
  const Box box = boundsOf(shape);
  Raster raster;
  raster.low = origin;
  raster.wide = static_cast<int>(std::floor((box.high.x - origin.x) / cell)) + 1;
  const int tall = static_cast<int>(std::floor((box.high.y - origin.y) / cell)) + 1;
  raster.rows.resize(static_cast<std::size_t>(tall));
  std::vector<std::vector<Raster::Run>> touched(static_cast<std::size_t>(tall));
  const auto add = [&](int row, double left, double right) {
    if (row < 0 || row >= tall) return;
    const int from = std::clamp(static_cast<int>(std::floor(left / cell)), 0, raster.wide - 1);
    const int to = std::clamp(static_cast<int>(std::floor(right / cell)), 0, raster.wide - 1);
    touched[static_cast<std::size_t>(row)].push_back({from, to + 1});
  };
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      Point a = outline[i] - origin;
      Point b = outline[(i + 1) % outline.size()] - origin;
      if (a.y > b.y) std::swap(a, b);
      const int first = static_cast<int>(std::floor(a.y / cell));
      const int last = static_cast<int>(std::floor(b.y / cell));
      for (int row = first; row <= last; ++row) {
        // What of the side lies between the row's edges.
        const double bottom = std::max(a.y, row * cell);
        const double top = std::min(b.y, (row + 1) * cell);
        const double rise = b.y - a.y;
        const auto at = [&](double y) {
          return rise > 0 ? a.x + (b.x - a.x) * ((y - a.y) / rise) : a.x;
        };
        const double x = rise > 0 ? at(bottom) : a.x;
        const double to = rise > 0 ? at(top) : b.x;
        add(row, std::min(x, to), std::max(x, to));
      }
    }
  }
  // Between its edges, by one line along the middle of each row.
  for (int row = 0; row < tall; ++row) {
    const std::vector<double> cuts = cutsAt(shape, origin.y + (row + 0.5) * cell);
    for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
      add(row, cuts[i] - origin.x, cuts[i + 1] - origin.x);
    }
    std::vector<Raster::Run>& runs = touched[static_cast<std::size_t>(row)];
    std::sort(runs.begin(), runs.end(),
              [](Raster::Run a, Raster::Run b) { return a.from < b.from; });
    for (const Raster::Run& run : runs) {
      std::vector<Raster::Run>& kept = raster.rows[static_cast<std::size_t>(row)];
      if (!kept.empty() && run.from <= kept.back().to) {
        kept.back().to = std::max(kept.back().to, run.to);
      } else {
        kept.push_back(run);
      }
    }
  }
  for (int row = 0; row < tall; ++row) {
    int longest = 0;
    for (const Raster::Run& run : raster.rows[static_cast<std::size_t>(row)]) {
      longest = std::max(longest, run.to - run.from);
    }
    if (longest > 0) raster.widest.emplace_back(row, longest);
  }
  std::stable_sort(raster.widest.begin(), raster.widest.end(),
                   [](const auto& a, const auto& b) { return a.second > b.second; });
  return raster;
}

Room::Room(int wide, int tall)
    : wide_(wide),
      tall_(tall),
      words_(static_cast<std::size_t>((wide + wordBits - 1) / wordBits + 1)),
      taken_(static_cast<std::size_t>(tall) * words_, 0),
      freest_(static_cast<std::size_t>(tall), wide) {}

std::optional<std::pair<int, int>> Room::placeFor(const Raster& raster, int fromRow) const {
  const int last = tall_ - static_cast<int>(raster.rows.size());
  const int right = wide_ - raster.wide;
  if (right < 0) return std::nullopt;
  std::vector<std::uint64_t> barred(words_);
  std::vector<std::uint64_t> swept(words_);
  for (int row = fromRow; row <= last; ++row) {
    // A run longer than any that is free has no room anywhere in its row.
    const bool tooNarrow = std::any_of(
        raster.widest.begin(), raster.widest.end(), [&](const std::pair<int, int>& one) {
          return one.second >
                 freest_[static_cast<std::size_t>(row) + static_cast<std::size_t>(one.first)];
        });
    if (tooNarrow) continue;
    std::fill(barred.begin(), barred.end(), 0);
    bool room = true;
    for (const auto& [r, longest] : raster.widest) {
      const int at = row + r;
      if (at >= top_) continue;
      const std::uint64_t* taken = &taken_[static_cast<std::size_t>(at) * words_];
      for (const Raster::Run& run : raster.rows[static_cast<std::size_t>(r)]) {
        bar(taken, run, swept, barred);
      }
      room = firstFree(barred, right).has_value();
      if (!room) break;
    }
    if (!room) continue;
    if (const std::optional<int> column = firstFree(barred, right)) return {{row, *column}};
  }
  return std::nullopt;
}

int Room::longestFree(int row) const {
  const std::uint64_t* taken = &taken_[static_cast<std::size_t>(row) * words_];
  int longest = 0;
  int from = 0;
  for (int x = 0; x <= wide_; ++x) {
    // Whole words at once where they are all free.
    if (x % wordBits == 0 && x + wordBits <= wide_ && taken[x / wordBits] == 0) {
      x += wordBits - 1;
      continue;
    }
    const bool isTaken = x == wide_ || ((taken[x / wordBits] >> (x % wordBits)) & 1U) != 0;
    if (!isTaken) continue;
    longest = std::max(longest, x - from);
    from = x + 1;
  }
  return longest;
}

void Room::take(const Raster& raster, int row, int column) {
  for (std::size_t r = 0; r < raster.rows.size(); ++r) {
    const int at = row + static_cast<int>(r);
    if (at < 0 || at >= tall_) continue;
    std::uint64_t* taken = &taken_[static_cast<std::size_t>(at) * words_];
    for (const Raster::Run& run : raster.rows[r]) {
      const int to = std::min(column + run.to, wide_);
      for (int x = std::max(column + run.from, 0); x < to; ++x) {
        taken[x / wordBits] |= std::uint64_t{1} << (x % wordBits);
      }
    }
    if (raster.rows[r].empty()) continue;
    top_ = std::max(top_, at + 1);
    freest_[static_cast<std::size_t>(at)] = longestFree(at);
  }
}

/// Adds `from` moved so many cells to the left to `to`.
void Room::addMoved(const std::uint64_t* from, int by, std::uint64_t* to) const {
  const auto whole = static_cast<std::size_t>(by / wordBits);
  const int rest = by % wordBits;
  for (std::size_t i = 0; i + whole < words_; ++i) {
    std::uint64_t word = from[i + whole] >> rest;
    if (rest > 0 && i + whole + 1 < words_) word |= from[i + whole + 1] << (wordBits - rest);
    to[i] |= word;
  }
}

/// Columns at which any cell of the run would lie on a taken one: the taken cells swept to the left
/// over the run, by doubling.
void Room::bar(const std::uint64_t* taken, Raster::Run run, std::vector<std::uint64_t>& swept,
               std::vector<std::uint64_t>& barred) const {
  if (std::all_of(taken, taken + words_, [](std::uint64_t word) { return word == 0; })) return;
  std::copy(taken, taken + words_, swept.begin());
  const int length = run.to - run.from;
  int covered = 1;
  while (covered < length) {
    const int by = std::min(covered, length - covered);
    // In place, from the left: what is read lies to the right of what is written.
    addMoved(swept.data(), by, swept.data());
    covered += by;
  }
  addMoved(swept.data(), run.from, barred.data());
}

}  // namespace avrelt
