// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/strips.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "cup/gore.h"
#include "divide/wall_grid.h"
#include "pattern/fill.h"
#include "pattern/least_cut.h"
#include "pattern/neighbours.h"

namespace avrelt {
namespace {

using std::numbers::pi;

double middleOf(std::vector<double> values) {
  if (values.empty()) return 0;
  const auto middle = values.begin() + static_cast<long>(values.size() / 2);
  std::nth_element(values.begin(), middle, values.end());
  return *middle;
}

/// A cell's room on the wall, as it is drawn.
struct Room {
  double left = HUGE_VAL;  ///< radians
  double right = -HUGE_VAL;
  double low = HUGE_VAL;  ///< mm
  double high = -HUGE_VAL;

  double theta() const { return (left + right) / 2; }
  double s() const { return (low + high) / 2; }
};

class Parting {
 public:
  Parting(const std::vector<Cell>& cells, bool apart, const Zone& zone, const Body& body,
          const Film& film)
      : body_(body), apart_(apart), bears_(bearsOf(film)) {
    std::vector<const Patch*> patches;
    std::vector<double> tall;
    std::vector<double> wide;
    for (const Cell& cell : cells) {
      patches.push_back(&cell.whole);
      Room room;
      for (const WallPoint& p : cell.whole.outline) {
        room.left = std::min(room.left, p.theta.radians());
        room.right = std::max(room.right, p.theta.radians());
        room.low = std::min(room.low, p.s.mm());
        room.high = std::max(room.high, p.s.mm());
      }
      rooms_.push_back(room);
      tall.push_back(room.high - room.low);
      wide.push_back(room.right - room.left);
    }
    tall_ = middleOf(std::move(tall));
    wide_ = middleOf(std::move(wide));
    low_ = zone.region.lowest();
    high_ = zone.region.highest();
    samples_ = body.samples(low_, high_, 160);
    const Length radius = body.radius((low_ + high_) / 2);
    const std::vector<SharedEdge> shared =
        apart ? facingNeighbours(patches, radius)
              : neighboursOf(patches, body, false, Length::mm(0.05));
    for (const SharedEdge& edge : shared) {
      between_.push_back({edge.first, edge.second, edge.length.mm()});
    }
    const auto [from, to] = zone.region.span();
    from_ = from;
    to_ = to;
    allRound_ = zone.region.allRound();
  }

  FillStrips inRows() const {
    return best([this](double bears) { return rows(bears); });
  }
  std::size_t fewestColumns() const { return static_cast<std::size_t>(columnsFor(bears_)); }
  FillStrips inColumns() const {
    return best([this](double bears) { return columns(bears); });
  }

 private:
  /// Parts more and more finely until the film bears each part as it came out, or no more parts
  /// come of it.
  template <typename Make>
  FillStrips best(const Make& make) const {
    constexpr int tries = 14;
    std::optional<FillStrips> least;
    double bears = bears_;
    for (int i = 0; i < tries; ++i, bears *= 0.75) {
      FillStrips made = make(bears);
      if (!least || made.strain < least->strain) least = std::move(made);
      if (least->bears) break;
    }
    if (!least->bears) {
      for (const FillStrip& strip : least->strips) {
        if (strip.strain > bears_ && strip.cells.size() == 1 && !least->tooMuch) {
          least->tooMuch = strip.cells.front();
        }
      }
    }
    return std::move(*least);
  }

  /// Where a cell lies when it is carried to within half a turn of a direction.
  int turnsTo(std::size_t cell, double middle) const {
    return static_cast<int>(std::lround((middle - rooms_[cell].theta()) / (2 * pi)));
  }

  FillStrips rows(double bears) const {
    const std::vector<RingFit> bands = fitBands(samples_, bears, 24);
    std::vector<int> level(rooms_.size(), 0);
    for (std::size_t k = 1; k < bands.size(); ++k) {
      const double at = bands[k].low;
      const double room = std::min({tall_, (bands[k].high - at) / 2, (at - bands[k - 1].low) / 2});
      std::vector<int> held(rooms_.size(), 0);
      for (std::size_t i = 0; i < rooms_.size(); ++i) {
        if (rooms_[i].s() < at - room) held[i] = -1;
        if (rooms_[i].s() > at + room) held[i] = 1;
      }
      const std::vector<bool> above = cut(held, [&](std::size_t i) { return rooms_[i].s() > at; });
      for (std::size_t i = 0; i < rooms_.size(); ++i) level[i] += above[i] ? 1 : 0;
    }
    const double middle = ((from_ + to_) / 2).radians();
    FillStrips made;
    Length high = high_;
    for (std::size_t k = bands.size(); k-- > 0;) {
      FillStrip strip;
      for (std::size_t i = 0; i < rooms_.size(); ++i) {
        if (level[i] != static_cast<int>(k)) continue;
        strip.cells.push_back(i);
        strip.turns.push_back(turnsTo(i, middle));
      }
      const bool last = k == 0;
      // A band that no cell is in goes to the one above it.
      if (strip.cells.empty()) {
        if (last && !made.strips.empty()) made.strips.back().low = low_;
        continue;
      }
      strip.kind = LayingKind::bands;
      strip.from = from_;
      strip.to = to_;
      strip.high = high;
      strip.low = last ? low_ : Length::mm(bands[k].low);
      if (made.strips.empty()) strip.high = high_;
      high = strip.low;
      made.strips.push_back(std::move(strip));
    }
    for (FillStrip& strip : made.strips) fitRow(strip);
    return summed(std::move(made));
  }

  void fitRow(FillStrip& strip) const {
    // Where cells lie edge to edge nothing else is cut; else there are lines up to its window.
    double low = apart_ ? strip.low.mm() : HUGE_VAL;
    double high = apart_ ? strip.high.mm() : -HUGE_VAL;
    double left = HUGE_VAL;
    double right = -HUGE_VAL;
    for (std::size_t i = 0; i < strip.cells.size(); ++i) {
      const Room& room = rooms_[strip.cells[i]];
      low = std::min(low, room.low);
      high = std::max(high, room.high);
      left = std::min(left, room.left + 2 * pi * strip.turns[i]);
      right = std::max(right, room.right + 2 * pi * strip.turns[i]);
    }
    const std::vector<WallSample> samples = body_.samples(Length::mm(low), Length::mm(high), 48);
    strip.ring = fitRing(samples, 0, samples.size() - 1);
    strip.strain = strip.ring.largest();
    double most = 0;
    for (const WallSample& sample : samples) {
      most = std::max(most, std::abs(sample.r - strip.ring.radius(sample.s)));
    }
    strip.misfit = Length::mm(most * std::min(right - left, 2 * pi));
  }

  double span() const { return allRound_ ? 2 * pi : (to_ - from_).radians(); }
  int columnsFor(double bears) const {
    const int round = Gore::countFor(samples_, bears, 36);
    return std::max(1, static_cast<int>(std::ceil(round * span() / (2 * pi) - 1e-9)));
  }

  FillStrips columns(double bears) const {
    const double span = this->span();
    const int count = columnsFor(bears);
    const double each = span / count;
    const double start = from_.radians();
    // Where each cell lies from the zone's left end on.
    std::vector<double> at(rooms_.size());
    std::vector<int> level(rooms_.size());
    for (std::size_t i = 0; i < rooms_.size(); ++i) {
      const double off = rooms_[i].theta() - start;
      at[i] = off - 2 * pi * std::floor(off / (2 * pi));
      // What lies just left of a zone open at the seam belongs to its left end.
      if (!allRound_ && at[i] > span && 2 * pi - at[i] < at[i] - span) at[i] = 0;
      level[i] = std::clamp(static_cast<int>(at[i] / each), 0, count - 1);
    }
    const double room = std::min(wide_, each / 2);
    for (int k = allRound_ ? 0 : 1; k < count && count > 1; ++k) {
      // From this boundary, the nearest way round.
      std::vector<double> off(rooms_.size());
      std::vector<int> held(rooms_.size(), 0);
      for (std::size_t i = 0; i < rooms_.size(); ++i) {
        off[i] = at[i] - k * each;
        if (allRound_) off[i] = std::remainder(off[i], 2 * pi);
        if (off[i] < -room) held[i] = -1;
        if (off[i] > room) held[i] = 1;
      }
      // Only what is near it: elsewhere round the cup both sides meet as well.
      const auto near = [&](std::size_t i) { return std::abs(off[i]) < each; };
      const std::vector<bool> beyond = cut(
          held, [&](std::size_t i) { return off[i] > 0; }, near);
      for (std::size_t i = 0; i < rooms_.size(); ++i) {
        if (held[i] == 0) level[i] = beyond[i] ? k : (k + count - 1) % count;
      }
    }
    FillStrips made;
    for (int k = 0; k < count; ++k) {
      FillStrip strip;
      strip.kind = LayingKind::gores;
      strip.low = low_;
      strip.high = high_;
      strip.from = Angle::radians(start + k * each);
      strip.to = Angle::radians(start + (k + 1) * each);
      strip.middle = (strip.from + strip.to) / 2;
      for (std::size_t i = 0; i < rooms_.size(); ++i) {
        if (level[i] != k) continue;
        strip.cells.push_back(i);
        strip.turns.push_back(turnsTo(i, strip.middle.radians()));
      }
      if (strip.cells.empty()) {
        if (!made.strips.empty()) made.strips.back().to = strip.to;
        continue;
      }
      if (made.strips.empty()) strip.from = from_;
      made.strips.push_back(std::move(strip));
    }
    for (FillStrip& strip : made.strips) fitColumn(strip);
    return summed(std::move(made));
  }

  void fitColumn(FillStrip& strip) const {
    double left = strip.from.radians();
    double right = strip.to.radians();
    for (std::size_t i = 0; i < strip.cells.size(); ++i) {
      const Room& room = rooms_[strip.cells[i]];
      left = std::min(left, room.left + 2 * pi * strip.turns[i]);
      right = std::max(right, room.right + 2 * pi * strip.turns[i]);
    }
    strip.middle = Angle::radians((left + right) / 2);
    const double half = (right - left) / 2;
    double sum = 0;
    for (std::size_t i = 0; i < samples_.size(); ++i) {
      const double stretch = std::abs(Gore::stretch(samples_[i], half));
      strip.strain = std::max(strip.strain, stretch);
      if (i > 0) sum += stretch * (samples_[i].s - samples_[i - 1].s);
    }
    strip.misfit = Length::mm(sum);
  }

  /// A least cut between cells held to either side; those that no cell near is held beyond go by
  /// where they lie.
  template <typename Beyond>
  std::vector<bool> cut(const std::vector<int>& held, const Beyond& otherwise) const {
    return cut(held, otherwise, [](std::size_t) { return true; });
  }
  template <typename Beyond, typename Near>
  std::vector<bool> cut(const std::vector<int>& held, const Beyond& otherwise,
                        const Near& near) const {
    std::vector<Between> some;
    for (const Between& one : between_) {
      if (near(one.a) && near(one.b)) some.push_back(one);
    }
    const bool below = std::find(held.begin(), held.end(), -1) != held.end();
    const bool above = std::find(held.begin(), held.end(), 1) != held.end();
    std::vector<bool> beyond(held.size());
    if (!below || !above) {
      for (std::size_t i = 0; i < held.size(); ++i) beyond[i] = otherwise(i);
      return beyond;
    }
    beyond = leastCut(held, some);
    // A cell that touches none goes by its middle.
    std::vector<bool> touched(held.size(), false);
    for (const Between& one : some) touched[one.a] = touched[one.b] = true;
    for (std::size_t i = 0; i < held.size(); ++i) {
      if (held[i] == 0 && !touched[i]) beyond[i] = otherwise(i);
    }
    return beyond;
  }

  FillStrips summed(FillStrips made) const {
    for (const FillStrip& strip : made.strips) {
      made.strain = std::max(made.strain, strip.strain);
      made.misfit = std::max(made.misfit, strip.misfit);
    }
    made.bears = made.strain <= bears_ * (1 + 1e-9);
    return made;
  }

  const Body& body_;
  bool apart_;
  double bears_;
  std::vector<Room> rooms_;
  std::vector<Between> between_;
  std::vector<WallSample> samples_;
  double tall_ = 0;  ///< of the middle cell, in mm
  double wide_ = 0;  ///< radians
  Length low_;
  Length high_;
  Angle from_;
  Angle to_;
  bool allRound_ = false;
};

WholePaths carried(const Patch& patch, long turns) {
  WholePaths paths = wall_grid::toPaths(patch.lines());
  for (WholePath& path : paths) wall_grid::moveBy(path, turns * wall_grid::turn);
  return paths;
}

void append(WholePaths& all, const WholePaths& more) {
  all.insert(all.end(), more.begin(), more.end());
}

}  // namespace

FillStrips stripsOf(const std::vector<Cell>& cells, bool apart, const Zone& zone, const Body& body,
                    const Film& film, const std::optional<LayingKind>& laying) {
  if (body.isCone() || cells.empty()) return {};
  const Parting parting(cells, apart, zone, body, film);
  if (laying == LayingKind::bands) return parting.inRows();
  if (laying == LayingKind::gores) return parting.inColumns();
  FillStrips rows = parting.inRows();
  // Of columns there are at least as many as of gores without cells.
  if (rows.bears && rows.strips.size() <= parting.fewestColumns()) return rows;
  FillStrips columns = parting.inColumns();
  const bool better = rows.bears != columns.bears ? columns.bears
                      : rows.bears                ? columns.strips.size() < rows.strips.size()
                                                  : columns.strain < rows.strain;
  return better ? columns : rows;
}

std::vector<WallLine> stripEdge(const FillStrip& strip, const std::vector<Cell>& cells,
                                const Zone& zone) {
  WholePaths own;
  for (std::size_t i = 0; i < strip.cells.size(); ++i) {
    append(own, carried(cells[strip.cells[i]].whole, strip.turns[i]));
  }
  // Of what no cell has, what lies in the strip's window, wherever the seam is.
  const WholePoint low = wall_grid::toWhole({strip.from, strip.low});
  const WholePoint high = wall_grid::toWhole({strip.to, strip.high});
  const WholePaths window{{low, {high.X, low.Y}, high, {low.X, high.Y}}};
  const auto meets = [&](const WholePaths& paths) {
    const auto [left, right] = std::minmax_element(
        paths.front().begin(), paths.front().end(),
        [](const WholePoint& one, const WholePoint& other) { return one.X < other.X; });
    return left->X <= high.X && right->X >= low.X;
  };
  WholePaths zoneRound;
  WholePaths taken;
  for (long turns = -2; turns <= 2; ++turns) {
    for (const WallLine& line : zone.region.outlines()) {
      append(zoneRound, carried({line, {}}, turns));
    }
    for (const Cell& cell : cells) {
      const WholePaths paths = carried(cell.whole, turns);
      if (meets(paths)) append(taken, paths);
    }
  }
  WholePaths rest = combined(zoneRound, window, Combine::both, wall_grid::dust);
  rest = combined(rest, taken, Combine::first, wall_grid::dust);
  std::vector<WallLine> lines;
  for (const WholePath& path : combined(own, rest, Combine::either, wall_grid::dust)) {
    lines.push_back(wall_grid::fromPath(path));
  }
  return lines;
}

}  // namespace avrelt
