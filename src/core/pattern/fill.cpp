// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/fill.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "divide/wall_line.h"
#include "pattern/line_tape.h"
#include "pattern/neighbours.h"

namespace avrelt {
namespace {

constexpr Length sliver = Length::mm(1);

double edgeOf(const Region& region, Length radius) {
  double length = 0;
  for (const WallLine& line : region.outlines()) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      // Where the seam parts a cell is no edge of it.
      if (alongSeam(a, b)) continue;
      length += std::hypot((b.theta - a.theta).radians() * radius.mm(), (b.s - a.s).mm());
    }
  }
  return length;
}

/// The middle of a region's largest part, where that lies inside it.
WallPoint middleOf(const Region& region) {
  const std::vector<WallLine> outlines =
      region.outlines().size() > 1 ? region.joined() : region.outlines();
  double most = 0;
  WallPoint middle;
  for (const WallLine& line : outlines) {
    double area = 0;
    double x = 0;
    double y = 0;
    const WallPoint& origin = line.front();
    for (std::size_t i = 1; i + 1 < line.size(); ++i) {
      const double ax = (line[i].theta - origin.theta).radians();
      const double ay = (line[i].s - origin.s).mm();
      const double bx = (line[i + 1].theta - origin.theta).radians();
      const double by = (line[i + 1].s - origin.s).mm();
      const double part = ax * by - bx * ay;
      area += part;
      x += part * (ax + bx) / 3;
      y += part * (ay + by) / 3;
    }
    if (std::abs(area) <= most) continue;
    most = std::abs(area);
    middle = {(origin.theta + Angle::radians(x / area)).wrapped(), origin.s + Length::mm(y / area)};
  }
  return region.contains(middle) ? middle : labelPlace(region);
}

/// A place inside a region's largest outline; `otherwise` where it has none.
WallPoint middleOfLargest(const Region& region, WallPoint otherwise) {
  double most = 0;
  for (const WallLine& line : region.outlines()) {
    const double turn = turnOf(line);
    if (turn <= most) continue;
    most = turn;
    otherwise = labelPlace(Region({line}));
  }
  return otherwise;
}

bool isLast(const Finish& finish) {
  return finish.kind == FinishKind::film;
}

/// A cell of a zone filled before, with its colour.
struct Beyond {
  const Region* region;
  std::string colour;
};

class Filler {
 public:
  Filler(const Fill& fill, const Zone& zone, const Ground& ground, const FillRates& rates,
         std::vector<Beyond> beyond)
      : fill_(fill), zone_(zone), ground_(ground), rates_(rates), beyond_(std::move(beyond)) {
    radius_ = ground.body.radius((zone.region.lowest() + zone.region.highest()) / 2);
  }

  Checked<FillPlan> operator()(std::size_t& rows) {
    Checked<std::vector<RawCell>> raw = cellsOf(fill_.pattern, zone_.region, ground_);
    if (!raw) {
      Fault fault = raw.error();
      fault.field = "pattern." + fault.field;
      return tl::unexpected(std::move(fault));
    }
    if (raw->empty())
      return refuse("pattern.size", "No cell lies in this zone. Make them smaller.");
    plan_.zone = zone_.id;
    plan_.family = fill_.pattern.family;
    plan_.zoneArea = zone_.area;
    plan_.fit = fitOf(fill_.pattern, zone_.region, ground_.body);
    meet(*raw);
    order(*raw, rows);
    colour();
    sum();
    return std::move(plan_);
  }

 private:
  double meanWidth(const Region& region) const {
    // That of the rectangle with its area and edge, or of the square where it is rounder than any.
    const double edge = edgeOf(region, radius_);
    const double area = region.area(ground_.body).mm2();
    const double left = edge * edge - 16 * area;
    return left <= 0 ? std::sqrt(std::max(area, 0.0)) : (edge - std::sqrt(left)) / 4;
  }

  /// Finds neighbours, and gives slivers to the one they share most edge with.
  void meet(std::vector<RawCell>& raw) {
    std::vector<const Region*> regions;
    regions.reserve(raw.size());
    for (const RawCell& cell : raw) regions.push_back(&cell.region);
    std::map<std::pair<std::size_t, std::size_t>, double> shared;
    const bool apart = fill_.pattern.family == Family::artwork;
    for (const SharedEdge& edge : apart ? facingNeighbours(regions, radius_)
                                        : neighboursOf(regions, radius_, fill_.corners)) {
      shared[{edge.first, edge.second}] = edge.length.mm();
    }
    const double needed = (sliver + fill_.pattern.line.length).mm();
    std::vector<std::size_t> slivers;
    for (std::size_t i = 0; i < raw.size(); ++i) {
      if (meanWidth(raw[i].region) < needed) slivers.push_back(i);
    }
    const std::set<std::size_t> thin(slivers.begin(), slivers.end());
    std::vector<std::size_t> into(raw.size());
    for (std::size_t i = 0; i < raw.size(); ++i) into[i] = i;
    for (const std::size_t i : slivers) {
      double most = 0;
      std::size_t best = i;
      for (const auto& [pair, length] : shared) {
        if (pair.first != i && pair.second != i) continue;
        const std::size_t other = pair.first == i ? pair.second : pair.first;
        if (thin.count(other) != 0 || length <= most) continue;
        most = length;
        best = other;
      }
      if (best == i) {
        ++plan_.dropped;
      } else {
        ++plan_.merged;
        raw[best].region = raw[best].region | raw[i].region;
        raw[best].seam = raw[best].seam || raw[i].seam;
      }
      into[i] = best;
    }
    std::set<std::pair<std::size_t, std::size_t>> pairs;
    for (const auto& [pair, length] : shared) {
      const std::size_t a = into[pair.first];
      const std::size_t b = into[pair.second];
      // What was dropped is nobody's neighbour.
      const bool gone = (thin.count(a) != 0) || (thin.count(b) != 0);
      if (a != b && !gone) pairs.insert(std::minmax(a, b));
    }
    kept_.clear();
    for (std::size_t i = 0; i < raw.size(); ++i) {
      if (thin.count(i) == 0) kept_.push_back(i);
    }
    pairs_ = std::move(pairs);
  }

  /// Rows from the top, in each from the seam to the right; labels and edges drawn in.
  void order(const std::vector<RawCell>& raw, std::size_t& rows) {
    std::vector<WallPoint> middles(raw.size());
    for (const std::size_t i : kept_) middles[i] = middleOf(raw[i].region);
    std::stable_sort(kept_.begin(), kept_.end(), [&](std::size_t a, std::size_t b) {
      if (raw[a].row != raw[b].row) return raw[a].row > raw[b].row;
      return middles[a].theta < middles[b].theta;
    });
    std::vector<std::size_t> placeOf(raw.size(), raw.size());
    int row = -1;
    int number = 0;
    int last = 0;
    for (const std::size_t i : kept_) {
      if (row < 0 || raw[i].row != last) {
        ++row;
        number = 0;
        last = raw[i].row;
      }
      Cell cell;
      cell.label = lettersOf(rows + static_cast<std::size_t>(row)) + std::to_string(++number);
      cell.row = row;
      cell.onSeam = raw[i].seam;
      cell.whole = raw[i].region;
      cell.middle = middles[i];
      cell.region =
          cell.whole.shrunkBy(fill_.pattern.line.length / 2, ground_.body.radius(cell.middle.s));
      cell.area = cell.region.area(ground_.body);
      cell.namedAt = cell.onSeam ? middleOfLargest(cell.region, cell.middle) : cell.middle;
      placeOf[i] = plan_.cells.size();
      plan_.cells.push_back(std::move(cell));
    }
    rows += static_cast<std::size_t>(row + 1);
    for (const auto& [a, b] : pairs_) {
      plan_.neighbours.push_back(std::minmax(placeOf[a], placeOf[b]));
    }
    std::sort(plan_.neighbours.begin(), plan_.neighbours.end());
  }

  void colour() {
    if (fill_.colours.empty()) return;
    ColourTask task;
    task.neighbours.resize(plan_.cells.size());
    for (const auto& [a, b] : plan_.neighbours) {
      task.neighbours[a].push_back(static_cast<int>(b));
      task.neighbours[b].push_back(static_cast<int>(a));
    }
    for (const Cell& cell : plan_.cells) task.sizes.push_back(cell.area.mm2());
    for (const CellColour& one : fill_.colours) task.shares.push_back(one.share);
    task.seed = static_cast<unsigned>(fill_.seed);
    task.pinned.assign(plan_.cells.size(), -1);
    const std::vector<std::uint32_t> edge = barredBeyond();
    task.barred = edge;
    for (const Pin& pin : fill_.pins) {
      if (pin.colour < 0 || pin.colour >= static_cast<int>(fill_.colours.size())) continue;
      const WallPoint place{ground_.inFrame(pin.onCup), pin.up.length};
      for (std::size_t i = 0; i < plan_.cells.size(); ++i) {
        if (!plan_.cells[i].whole.contains(place)) continue;
        if (!pin.bar) {
          task.pinned[i] = pin.colour;
          continue;
        }
        task.barred.resize(plan_.cells.size(), 0);
        task.barred[i] |= std::uint32_t{1} << static_cast<unsigned>(pin.colour);
      }
    }
    task.leaning = leanings();
    plan_.colouring = coloured(task);
    for (const int i : plan_.colouring.misplaced) {
      const auto c = static_cast<unsigned>(plan_.colouring.colours[static_cast<std::size_t>(i)]);
      const bool outside = !edge.empty() && (edge[static_cast<std::size_t>(i)] >> c & 1U) != 0;
      if (outside) plan_.alikeBeyond.push_back(static_cast<std::size_t>(i));
    }
    for (std::size_t i = 0; i < plan_.cells.size(); ++i) {
      plan_.cells[i].colour = plan_.colouring.colours[i];
    }
  }

  /// The colours that cells across the zone's edge have, for each cell beside them.
  std::vector<std::uint32_t> barredBeyond() const {
    if (!fill_.beyond || beyond_.empty()) return {};
    std::vector<const Region*> regions;
    regions.reserve(plan_.cells.size() + beyond_.size());
    for (const Cell& cell : plan_.cells) regions.push_back(&cell.whole);
    for (const Beyond& other : beyond_) regions.push_back(other.region);
    std::vector<std::uint32_t> barred(plan_.cells.size(), 0);
    for (const SharedEdge& edge : neighboursOf(regions, radius_, fill_.corners)) {
      if (edge.first >= plan_.cells.size() || edge.second < plan_.cells.size()) continue;
      const std::string& colour = beyond_[edge.second - plan_.cells.size()].colour;
      for (std::size_t c = 0; c < fill_.colours.size(); ++c) {
        if (fill_.colours[c].finish.colour == colour) barred[edge.first] |= std::uint32_t{1} << c;
      }
    }
    return barred;
  }

  std::vector<std::vector<double>> leanings() const {
    const std::size_t count = fill_.colours.size();
    if (fill_.style == ColourStyle::scatter) return {};
    std::vector<std::vector<double>> leaning(plan_.cells.size(), std::vector<double>(count, 0));
    const double low = zone_.region.lowest().mm();
    const double high = zone_.region.highest().mm();
    int row = -1;
    std::size_t number = 0;
    for (std::size_t i = 0; i < plan_.cells.size(); ++i) {
      const Cell& cell = plan_.cells[i];
      number = cell.row == row ? number + 1 : 0;
      row = cell.row;
      switch (fill_.style) {
        case ColourStyle::rows:
          leaning[i][(number + static_cast<std::size_t>(cell.row)) % count] = 1;
          break;
        case ColourStyle::gradient: {
          const double share = (high - cell.middle.s.mm()) / std::max(high - low, 1e-9);
          for (std::size_t c = 0; c < count; ++c) {
            const double place = (static_cast<double>(c) + 0.5) / static_cast<double>(count);
            leaning[i][c] = std::max(0.0, 1 - std::abs(share - place) * static_cast<double>(count));
          }
          break;
        }
        case ColourStyle::symmetric: {
          // What lies at one angle from the front, either side, is drawn to one colour.
          const double off = std::abs(ground_.onCup(cell.middle.theta).degrees());
          const auto ring = static_cast<std::size_t>(std::lround(off / 180 * plan_.fit.around));
          leaning[i][(ring + static_cast<std::size_t>(cell.row)) % count] = 1;
          break;
        }
        case ColourStyle::random: {
          // A fixed mixing of seed and place, the same everywhere (splitmix64).
          std::uint64_t mixed = static_cast<std::uint64_t>(fill_.seed) * 0x9E3779B97F4A7C15U + i;
          mixed = (mixed ^ (mixed >> 30)) * 0xBF58476D1CE4E5B9U;
          mixed = (mixed ^ (mixed >> 27)) * 0x94D049BB133111EBU;
          leaning[i][(mixed >> 33) % count] = 1;
          break;
        }
        case ColourStyle::scatter:
          break;
      }
    }
    return leaning;
  }

  void sum() {
    plan_.thinnest = Length::mm(1e6);
    for (const Cell& cell : plan_.cells) {
      plan_.thinnest = std::min(plan_.thinnest, Length::mm(meanWidth(cell.region)));
      plan_.cutLength += Length::mm(edgeOf(cell.region, radius_));
      for (const WallLine& outline : cell.region.outlines()) {
        plan_.islands += turnOf(outline) < 0 ? 1 : 0;
      }
    }
    if (fill_.cutting.lines == LineWork::tape) {
      plan_.tape = lineTape(plan_.cells, fill_.pattern.line.length, ground_.body);
    }
    std::vector<std::size_t> order;
    for (std::size_t c = 0; c < fill_.colours.size(); ++c) order.push_back(c);
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
      const Finish& one = fill_.colours[a].finish;
      const Finish& other = fill_.colours[b].finish;
      if (isLast(one) != isLast(other)) return isLast(other);
      return luminanceOf(one.colour) < luminanceOf(other.colour);
    });
    for (const std::size_t c : order) {
      ColourNeed need;
      need.colour = static_cast<int>(c);
      for (std::size_t i = 0; i < plan_.cells.size(); ++i) {
        if (plan_.cells[i].colour != need.colour) continue;
        need.cells.push_back(i);
        need.area = need.area + plan_.cells[i].area;
      }
      const FinishKind kind = fill_.colours[c].finish.kind;
      const double cm2 = need.area.mm2() / 100;
      if (kind == FinishKind::glitter) {
        need.glitter = rates_.glitterPerCm2 * (cm2 * fill_.coats);
      }
      if (kind == FinishKind::glitter || kind == FinishKind::paint) {
        need.paint = rates_.paintPerCm2 * cm2;
      }
      if (kind == FinishKind::glitter && !need.cells.empty()) {
        plan_.work = plan_.work + rates_.perColour;
      }
      plan_.needs.push_back(std::move(need));
    }
  }

  const Fill& fill_;
  const Zone& zone_;
  const Ground& ground_;
  FillRates rates_;
  std::vector<Beyond> beyond_;
  Length radius_;
  FillPlan plan_;
  std::vector<std::size_t> kept_;
  std::set<std::pair<std::size_t, std::size_t>> pairs_;
};

}  // namespace

Fill usualFill(const ZonePath& zone, Unit unit) {
  Fill fill;
  fill.zone = zone;
  if (unit == Unit::mm) {
    fill.pattern.size = WrittenLength::mm(25);
  } else {
    fill.pattern.line = {Length::inches(1.0 / 32), "1/32 in"};
  }
  for (const auto& [name, colour] :
       {std::pair{"dark", "#26314F"}, std::pair{"deep", "#1E5A6B"}, std::pair{"bright", "#B08A3C"},
        std::pair{"pale", "#F4EFE3"}}) {
    CellColour one;
    one.finish.kind = FinishKind::glitter;
    one.finish.name = name;
    one.finish.colour = colour;
    fill.colours.push_back(std::move(one));
  }
  return fill;
}

CheckedAll<std::vector<FillPlan>> planFills(const std::vector<Fill>& fills, const Divided& divided,
                                            const Ground& ground, const FillRates& rates) {
  constexpr std::size_t mostColours = 24;
  Faults faults;
  std::vector<FillPlan> plans;
  std::size_t rows = 0;
  std::set<std::string> taken;
  for (std::size_t i = 0; i < fills.size(); ++i) {
    const std::string place = "fills[" + std::to_string(i) + "].";
    const auto zone =
        std::find_if(divided.zones.begin(), divided.zones.end(),
                     [&](const Zone& candidate) { return candidate.path == fills[i].zone; });
    if (zone == divided.zones.end()) continue;
    if (!taken.insert(zone->id).second) {
      faults.push_back(
          {place + "zone", {"Zone %1 is filled twice. Keep one pattern.", {zone->id}}});
      continue;
    }
    if (fills[i].colours.empty() || fills[i].colours.size() > mostColours) {
      faults.push_back(
          {place + "colours",
           {"%1 colours cannot be laid. Give 1 to %2.",
            {static_cast<long>(fills[i].colours.size()), static_cast<long>(mostColours)}}});
      continue;
    }
    std::vector<Beyond> beyond;
    if (fills[i].beyond) {
      for (const FillPlan& other : plans) {
        const std::vector<CellColour>& colours =
            fills[static_cast<std::size_t>(other.fill)].colours;
        for (const Cell& cell : other.cells) {
          beyond.push_back(
              {&cell.whole, colours[static_cast<std::size_t>(cell.colour)].finish.colour});
        }
      }
    }
    Checked<FillPlan> plan = Filler(fills[i], *zone, ground, rates, std::move(beyond))(rows);
    if (!plan) {
      faults.push_back({place + plan.error().field, plan.error().sentence});
      continue;
    }
    plan->fill = static_cast<int>(i);
    plans.push_back(std::move(*plan));
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return plans;
}

}  // namespace avrelt
