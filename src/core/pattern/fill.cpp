// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/fill.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "measure/colour.h"
#include "pattern/laid_cells.h"
#include "pattern/line_tape.h"
#include "pattern/neighbours.h"

namespace avrelt {
namespace {

bool isLast(const Finish& finish) {
  return finish.kind == FinishKind::film;
}

/// Of the wall half-way up a zone.
Length radiusOf(const Zone& zone, const Wall& wall) {
  return wall.body.radius((zone.region.lowest() + zone.region.highest()) / 2);
}

/// A cell of a zone filled before, with its colour.
struct Beyond {
  const Patch* patch;
  std::string colour;
};

/// The cells of a fill with their labels, before they are coloured.
class Layer {
 public:
  Layer(const Fill& fill, const Zone& zone, const Wall& wall)
      : fill_(fill), zone_(zone), wall_(wall) {}

  Checked<FillPlan> operator()(std::size_t& rows) {
    Checked<std::vector<RawCell>> raw = cellsOf(fill_.pattern, zone_.region, wall_);
    if (!raw) {
      return tl::unexpected(raw.error());
    }
    if (raw->empty()) {
      return refuse(Member::patternSize,
                    "No cell lies in this zone. Move the pattern, or make its cells "
                    "larger.");
    }
    plan_.zone = zone_.id;
    plan_.letter = zone_.letter;
    plan_.family = fill_.pattern.family;
    plan_.zoneArea = zone_.area;
    plan_.fit = fitOf(fill_.pattern, zone_.region, wall_.body);
    const bool apart = fill_.pattern.family == Family::artwork;
    LaidCells laid = laidCells(*raw, fill_.pattern.line.length, apart, fill_.corners,
                               radiusOf(zone_, wall_), wall_.body);
    if (laid.cells.empty()) {
      return refuse(
          Member::patternSize,
          "Every cell would be under %1 wide once its lines are off: none could be weeded. "
          "Make cells larger, or the line thinner.",
          {sliver});
    }
    plan_.merged = laid.merged;
    plan_.dropped = laid.dropped;
    plan_.droppedArea = laid.droppedArea;
    plan_.lineArea = laid.lineArea;
    order(laid, rows);
    return std::move(plan_);
  }

 private:
  /// Rows from the top, in each from the seam to the right; labels.
  void order(LaidCells& laid, std::size_t& rows) {
    std::vector<WallPoint> middles;
    std::vector<std::size_t> inOrder;
    for (std::size_t i = 0; i < laid.cells.size(); ++i) {
      WallPoint middle = middleOf(laid.cells[i].drawn);
      middle.theta = middle.theta.wrapped();
      middles.push_back(middle);
      inOrder.push_back(i);
    }
    std::stable_sort(inOrder.begin(), inOrder.end(), [&](std::size_t a, std::size_t b) {
      if (laid.cells[a].row != laid.cells[b].row) return laid.cells[a].row > laid.cells[b].row;
      return middles[a].theta < middles[b].theta;
    });
    std::vector<std::size_t> placeOf(laid.cells.size());
    plan_.thinnest = Length::mm(1e6);
    int row = -1;
    int number = 0;
    int last = 0;
    for (const std::size_t i : inOrder) {
      LaidCell& from = laid.cells[i];
      if (row < 0 || from.row != last) {
        ++row;
        number = 0;
        last = from.row;
      }
      Cell cell;
      cell.label = lettersOf(rows + static_cast<std::size_t>(row)) + std::to_string(++number);
      cell.row = row;
      cell.onSeam = crossesSeam(from.drawn);
      cell.region = regionOf(from.drawn);
      cell.middle = middles[i];
      cell.area = from.measure.area;
      plan_.thinnest = std::min(plan_.thinnest, from.measure.meanWidth());
      plan_.cutLength += from.measure.edge;
      plan_.islands += static_cast<int>(from.drawn.openings.size());
      cell.namedAt = cell.onSeam ? middleOfLargest(cell.region, cell.middle) : cell.middle;
      cell.whole = std::move(from.whole);
      cell.drawn = std::move(from.drawn);
      placeOf[i] = plan_.cells.size();
      plan_.cells.push_back(std::move(cell));
    }
    rows += static_cast<std::size_t>(row + 1);
    for (const auto& [a, b] : laid.neighbours) {
      plan_.neighbours.push_back(std::minmax(placeOf[a], placeOf[b]));
    }
    std::sort(plan_.neighbours.begin(), plan_.neighbours.end());
  }

  const Fill& fill_;
  const Zone& zone_;
  const Wall& wall_;
  FillPlan plan_;
};

/// Colours for cells that are laid, and what they take.
class Colourer {
 public:
  Colourer(const Fill& fill, const Zone& zone, const Wall& wall, const FillRates& rates,
           std::vector<Beyond> beyond)
      : fill_(fill),
        zone_(zone),
        wall_(wall),
        rates_(rates),
        beyond_(std::move(beyond)),
        radius_(radiusOf(zone, wall)) {}

  FillPlan operator()(const FillPlan& laid) {
    plan_ = laid;
    colour();
    sum();
    return std::move(plan_);
  }

 private:
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
    const std::vector<CellSite> sites = sitesOf();
    const Length low = zone_.region.lowest();
    const Length high = zone_.region.highest();
    for (const CellSite& site : sites) task.rows.push_back(site.row);
    applyStyle(fill_.style, sites, low, high, radius_, task);
    const std::vector<std::uint32_t> edge = barredBeyond();
    task.barred = edge;
    takePins(task);
    plan_.colouring = coloured(task);
    for (const int i : plan_.colouring.misplaced) {
      const auto c = static_cast<unsigned>(plan_.colouring.colours[static_cast<std::size_t>(i)]);
      const bool outside = !edge.empty() && (edge[static_cast<std::size_t>(i)] >> c & 1U) != 0;
      if (outside) plan_.alikeBeyond.push_back(static_cast<std::size_t>(i));
    }
    Area all;
    plan_.shares.assign(fill_.colours.size(), 0);
    for (std::size_t i = 0; i < plan_.cells.size(); ++i) {
      plan_.cells[i].colour = plan_.colouring.colours[i];
      plan_.shares[static_cast<std::size_t>(plan_.cells[i].colour)] += plan_.cells[i].area.mm2();
      all = all + plan_.cells[i].area;
    }
    for (double& share : plan_.shares) share /= all.mm2();
    countStrays(task, sites);
  }

  std::vector<CellSite> sitesOf() const {
    std::vector<CellSite> sites;
    sites.reserve(plan_.cells.size());
    for (const Cell& cell : plan_.cells) {
      sites.push_back({wall_.onCup(cell.middle.theta), cell.middle.s, cell.row, cell.area.mm2()});
    }
    return sites;
  }

  /// What is said by hand, as far as it can be meant; the first said of a cell holds.
  void takePins(ColourTask& task) {
    task.pinned.assign(plan_.cells.size(), -1);
    task.notHere.assign(plan_.cells.size(), 0);
    for (std::size_t p = 0; p < fill_.pins.size(); ++p) {
      const Pin& pin = fill_.pins[p];
      const auto trouble = [&](PinTrouble::Why why, std::string cell, std::string other = {}) {
        plan_.pinTroubles.push_back({why, static_cast<int>(p), std::move(cell), std::move(other)});
      };
      if (pin.colour < 0 || pin.colour >= static_cast<int>(fill_.colours.size())) {
        trouble(PinTrouble::Why::noColour, {});
        continue;
      }
      const WallPoint place{wall_.inFrame(pin.onCup), pin.up.length};
      const auto found =
          std::find_if(plan_.cells.begin(), plan_.cells.end(),
                       [&](const Cell& cell) { return contains(cell.whole, place); });
      if (found == plan_.cells.end()) {
        trouble(PinTrouble::Why::noCell, {});
        continue;
      }
      const auto i = static_cast<std::size_t>(found - plan_.cells.begin());
      const std::uint32_t bit = std::uint32_t{1} << static_cast<unsigned>(pin.colour);
      const bool against = pin.bar ? task.pinned[i] == pin.colour
                                   : (task.pinned[i] >= 0 && task.pinned[i] != pin.colour) ||
                                         (task.notHere[i] & bit) != 0;
      if (against) {
        trouble(PinTrouble::Why::again, found->label);
        continue;
      }
      if (pin.bar) {
        task.notHere[i] |= bit;
        continue;
      }
      task.pinned[i] = pin.colour;
      for (const int u : task.neighbours[i]) {
        if (task.pinned[static_cast<std::size_t>(u)] != pin.colour) continue;
        trouble(PinTrouble::Why::beside, found->label,
                plan_.cells[static_cast<std::size_t>(u)].label);
      }
    }
  }

  void countStrays(const ColourTask& task, const std::vector<CellSite>& sites) {
    const std::vector<int>& colours = plan_.colouring.colours;
    if (!task.cost.empty()) {
      plan_.styled = static_cast<int>(colours.size());
      for (std::size_t i = 0; i < colours.size(); ++i) {
        plan_.strays += task.cost[i][static_cast<std::size_t>(colours[i])] >= straying ? 1 : 0;
      }
      return;
    }
    if (fill_.style != ColourStyle::symmetric) return;
    // Each cell off the front's line should have an image of its colour.
    std::vector<bool> onLine(sites.size(), false);
    for (const auto& [a, b] : mirrorPairs(sites, radius_)) {
      const std::vector<int>& list = task.neighbours[a];
      onLine[a] = onLine[b] = true;
      if (std::find(list.begin(), list.end(), static_cast<int>(b)) != list.end()) continue;
      ++plan_.styled;
      plan_.strays += colours[a] != colours[b] ? 1 : 0;
    }
    for (std::size_t i = 0; i < sites.size(); ++i) {
      const double off = std::abs(std::sin(sites[i].onCup.radians())) * radius_.mm();
      if (onLine[i] || off < 0.2 * std::sqrt(sites[i].area)) continue;
      ++plan_.styled;
      ++plan_.strays;
    }
  }

  /// The colours that cells across the zone's edge have, for each cell beside them.
  std::vector<std::uint32_t> barredBeyond() const {
    if (!fill_.beyond || beyond_.empty()) return {};
    std::vector<const Patch*> patches;
    patches.reserve(plan_.cells.size() + beyond_.size());
    for (const Cell& cell : plan_.cells) patches.push_back(&cell.whole);
    for (const Beyond& other : beyond_) patches.push_back(other.patch);
    std::vector<std::uint32_t> barred(plan_.cells.size(), 0);
    for (const SharedEdge& edge : neighboursOf(patches, wall_.body, fill_.corners)) {
      if (edge.first >= plan_.cells.size() || edge.second < plan_.cells.size()) continue;
      const std::string& colour = beyond_[edge.second - plan_.cells.size()].colour;
      for (std::size_t c = 0; c < fill_.colours.size(); ++c) {
        if (fill_.colours[c].finish.colour == colour) barred[edge.first] |= std::uint32_t{1} << c;
      }
    }
    return barred;
  }

  void sum() {
    if (fill_.cutting.lines == LineWork::tape) {
      plan_.tape = lineTape(plan_.cells, fill_.pattern.line.length, wall_.body);
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
  const Wall& wall_;
  const FillRates& rates_;
  std::vector<Beyond> beyond_;
  Length radius_;
  FillPlan plan_;
};

}  // namespace

Fill usualFill(const std::string& zone, Unit unit) {
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
    one.finish.stick = Stick::brushGlue;
    one.finish.name = name;
    one.finish.colour = colour;
    fill.colours.push_back(std::move(one));
  }
  return fill;
}

bool FillPlanner::fits(const Laid& laid, const Fill& fill, const Zone& zone, std::size_t rowsBefore,
                       long wallIs) {
  return laid.wallIs == wallIs && laid.rowsBefore == rowsBefore && laid.corners == fill.corners &&
         laid.zone == zone.id && laid.letter == zone.letter && laid.pattern == fill.pattern &&
         laid.region == zone.region;
}

CheckedAll<std::vector<FillPlan>> FillPlanner::operator()(const std::vector<Fill>& fills,
                                                          const Divided& divided,
                                                          const FillWall& wallOf,
                                                          const FillRates& rates, long wallIs) {
  constexpr std::size_t mostColours = 24;
  Faults faults;
  std::vector<FillPlan> plans;
  std::size_t rows = 0;
  std::set<std::string> taken;
  std::vector<Kept> next;
  for (std::size_t i = 0; i < fills.size(); ++i) {
    const Fill& fill = fills[i];
    const auto zone =
        std::find_if(divided.zones.begin(), divided.zones.end(),
                     [&](const Zone& candidate) { return candidate.id == fill.zone; });
    if (zone == divided.zones.end()) continue;
    if (!taken.insert(zone->id).second) {
      faults.push_back({Where(Member::fillZone, fill.id),
                        {"Zone %1 is filled twice. Keep one pattern.", {zone->letter}}});
      continue;
    }
    const Wall& wall = wallOf(fill.id);
    if (fill.colours.empty() || fill.colours.size() > mostColours) {
      faults.push_back(
          {Where(Member::colours, fill.id),
           {"%1 colours cannot be laid. Give 1 to %2.",
            {static_cast<long>(fill.colours.size()), static_cast<long>(mostColours)}}});
      continue;
    }
    const auto before = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& one) {
      return fits(one.laid, fill, *zone, rows, wallIs);
    });
    if (before != kept_.end()) {
      next.push_back(std::move(*before));
      kept_.erase(before);
      rows = next.back().laid.rowsAfter;
    } else {
      const std::size_t rowsBefore = rows;
      Checked<FillPlan> laid = Layer(fill, *zone, wall)(rows);
      next.push_back({{wallIs, fill.pattern, fill.corners, zone->id, zone->letter, zone->region,
                       rowsBefore, std::move(laid), rows},
                      {},
                      {},
                      std::nullopt});
    }
    Kept& kept = next.back();
    if (!kept.laid.plan) {
      faults.push_back({kept.laid.plan.error().where.of(fill.id), kept.laid.plan.error().sentence});
      continue;
    }
    // What lies beyond the zone's edge has colours of its own, which may have changed.
    if (!kept.coloured || fill.beyond || !(kept.fill == fill) || !(kept.rates == rates)) {
      std::vector<Beyond> beyond;
      for (const FillPlan& other : plans) {
        if (!fill.beyond) break;
        const std::vector<CellColour>& colours =
            fills[static_cast<std::size_t>(other.fill)].colours;
        for (const Cell& cell : other.cells) {
          beyond.push_back(
              {&cell.whole, colours[static_cast<std::size_t>(cell.colour)].finish.colour});
        }
      }
      kept.coloured = Colourer(fill, *zone, wall, rates, std::move(beyond))(*kept.laid.plan);
      kept.fill = fill;
      kept.rates = rates;
    }
    plans.push_back(*kept.coloured);
    plans.back().fill = static_cast<int>(i);
    plans.back().id = fill.id;
  }
  kept_ = std::move(next);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return plans;
}

CheckedAll<std::vector<FillPlan>> planFills(const std::vector<Fill>& fills, const Divided& divided,
                                            const Wall& wall, const FillRates& rates) {
  const FillWall sameWall = [&wall](const std::string&) -> const Wall& { return wall; };
  return FillPlanner()(fills, divided, sameWall, rates, 0);
}

}  // namespace avrelt
