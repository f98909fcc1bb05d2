// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/laying.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "cup/wrap.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr int mostSlits = 48;
constexpr int mostBands = 12;
constexpr int mostGores = 36;
constexpr int fewestSlits = 4;
/// More than this a slit neither laps nor opens where it can be had, in mm.
constexpr double widestLap = 5;
/// How far a film's cone may run from the wall where it is slit: beyond that the tongues no longer
/// resemble it.
constexpr double farthest = 0.4;

struct Range {
  const Body& body;
  const std::vector<WallSample>& samples;
  Length low;
  Length high;
  Length overlap;
  double bears;

  Length height() const { return high - low; }
};

Area sectorArea(const RingFit& fit, Length overlap) {
  Wrap plain;
  plain.baseClearance = plain.rimClearance = {};
  plain.overlap = {overlap, {}};
  CheckedAll<WrapLayout> layout = WrapLayout::of(fit.cone(), plain);
  if (!layout) {
    plain.overlap = {};
    layout = WrapLayout::of(fit.cone(), plain);
  }
  return layout ? areaOf(layout->outline()) : Area();
}

void mapRing(const RingFit& fit, const std::vector<WallSample>& samples,
             std::vector<StretchRow>& map) {
  for (const WallSample& sample : samples) {
    if (sample.s < fit.low || sample.s > fit.high) continue;
    const double stretch = fit.stretch(sample);
    map.push_back({Length::mm(sample.s), stretch, stretch});
  }
}

/// Sheet and sector: one ring, once round.
Laying oneRing(LayingKind kind, const RingFit& fit, const Range& range) {
  Laying laying;
  laying.kind = kind;
  laying.most = std::max(fit.most, 0.0);
  laying.least = std::min(fit.least, 0.0);
  laying.joins = range.height();
  laying.film = sectorArea(fit, range.overlap);
  laying.rings = {fit};
  mapRing(fit, range.samples, laying.map);
  return laying;
}

/// At most a couple of hundred of them: every run of samples is tried for where slits begin, and a
/// wall measured every half a millimetre says nothing more about that.
std::vector<WallSample> thinned(const std::vector<WallSample>& samples) {
  constexpr std::size_t enough = 240;
  const std::size_t stride = samples.size() / enough + 1;
  std::vector<WallSample> kept;
  for (std::size_t i = 0; i + 1 < samples.size(); i += stride) kept.push_back(samples[i]);
  kept.push_back(samples.back());
  return kept;
}

Laying withSlits(const Range& range) {
  const RingFit core = longestFit(thinned(range.samples), range.bears);
  RingFit whole = core;
  whole.low = range.low.mm();
  whole.high = range.high.mm();
  whole.radiusAtLow = core.radius(whole.low);

  Laying laying = oneRing(LayingKind::slits, whole, range);
  laying.most = std::max(core.most, 0.0);
  laying.least = std::min(core.least, 0.0);
  laying.map.clear();
  for (const WallSample& wall : range.samples) {
    const double film = whole.radius(wall.s);
    if (film < wall.r * farthest || film > wall.r / farthest) laying.possible = false;
  }
  if (!laying.possible) return laying;

  const auto leanOf = [&](const WallSample& wall) {
    return std::abs(wall.taper - whole.taper * wall.r / whole.radius(wall.s)) / 2;
  };
  const auto slit = [&](bool atRim, double from, double to) {
    double lean = 0;
    for (const WallSample& wall : range.samples) {
      if (wall.s >= from && wall.s <= to) lean = std::max(lean, leanOf(wall));
    }
    SlitRow row;
    row.atRim = atRim;
    row.depth = Length::mm(to - from);
    const double edge = atRim ? to : from;
    const double excess = 2 * pi * (whole.radius(edge) - range.body.radius(Length::mm(edge)).mm());
    const double wanted = std::max(pi * lean / range.bears, std::abs(excess) / widestLap);
    row.count = std::clamp(static_cast<int>(std::ceil(wanted)), fewestSlits, mostSlits);
    row.each = Length::mm(excess / row.count);
    laying.most = std::max(laying.most, lean * pi / row.count);
    laying.joins += row.depth * row.count;
    laying.slits.push_back(row);
  };
  if (core.low > whole.low) slit(false, whole.low, core.low);
  if (core.high < whole.high) slit(true, core.high, whole.high);

  for (const WallSample& wall : range.samples) {
    const bool inCore = wall.s >= core.low && wall.s <= core.high;
    double edge = core.stretch(wall);
    const double middle = inCore ? edge : 0;
    if (!inCore) {
      const bool rim = wall.s > core.high;
      const SlitRow& row = rim ? laying.slits.back() : laying.slits.front();
      edge = leanOf(wall) * pi / row.count;
    }
    laying.map.push_back({Length::mm(wall.s), middle, edge});
  }
  if (!laying.slits.empty()) {
    const auto most =
        std::max_element(laying.slits.begin(), laying.slits.end(),
                         [](const SlitRow& a, const SlitRow& b) { return a.count < b.count; });
    laying.periods = most->count;
  }
  return laying;
}

Laying inBands(const Range& range) {
  Laying laying;
  laying.kind = LayingKind::bands;
  laying.rings = fitBands(range.samples, range.bears, mostBands);
  laying.pieces = static_cast<int>(laying.rings.size());
  laying.joins = range.height();
  for (const RingFit& ring : laying.rings) {
    laying.most = std::max(laying.most, ring.most);
    laying.least = std::min(laying.least, ring.least);
    laying.film = laying.film + sectorArea(ring, range.overlap);
    if (ring.low > range.low.mm()) laying.joins += range.body.around(Length::mm(ring.low));
    mapRing(ring, range.samples, laying.map);
  }
  return laying;
}

Laying inGores(const Range& range) {
  Laying laying;
  laying.kind = LayingKind::gores;
  laying.gores = Gore::countFor(range.samples, range.bears, mostGores);
  laying.pieces = laying.periods = laying.gores;
  laying.joins = range.height() * laying.gores;
  const Gore gore(range.body, range.low, range.high, laying.gores);
  laying.film = Area::mm2(areaOf(gore.outline()).mm2() * laying.gores);
  for (const WallSample& wall : range.samples) {
    const double edge = Gore::stretch(wall, gore.half().radians());
    laying.most = std::max(laying.most, edge);
    laying.least = std::min(laying.least, edge);
    laying.map.push_back({Length::mm(wall.s), 0, edge});
  }
  return laying;
}

LayingKind recommend(const Layings& layings, bool cylinder) {
  if (cylinder) return LayingKind::sheet;
  if (layings.of(LayingKind::sector).bears) return LayingKind::sector;
  const Laying* best = nullptr;
  for (const Laying& option : layings.options) {
    const bool piecewise = option.kind != LayingKind::sheet && option.kind != LayingKind::sector;
    if (!piecewise || !option.possible || !option.bears) continue;
    if (best == nullptr || option.joins < best->joins) best = &option;
  }
  if (best != nullptr) return best->kind;
  for (const Laying& option : layings.options) {
    if (!option.possible) continue;
    if (best == nullptr || option.largest() < best->largest()) best = &option;
  }
  return best->kind;
}

}  // namespace

double usualPercent(FilmKind kind) {
  switch (kind) {
    case FilmKind::paper:
      return 0;
    case FilmKind::stiff:
      return 1;
    case FilmKind::thinCast:
      return 4;
    case FilmKind::stretchy:
      break;
  }
  return 8;
}

double bearsOf(const Film& film) {
  return std::max(0.001, film.takesPercent.value_or(usualPercent(film.kind)) / 100);
}

const char* layingName(LayingKind kind) {
  static constexpr std::array<const char*, layingKinds.size()> names{"sheet", "sector", "slits",
                                                                     "bands", "gores"};
  return names[static_cast<std::size_t>(kind)];
}

Sentence layingTitle(LayingKind kind) {
  static const std::array<Sentence, layingKinds.size()> titles{
      Sentence{"straight sheet", {}}, Sentence{"ring sector", {}},
      Sentence{"sector with slits", {}}, Sentence{"bands", {}}, Sentence{"gores", {}}};
  return titles[static_cast<std::size_t>(kind)];
}

Layings layingsOf(const Body& body, Length low, Length high, Length overlap, const Film& film) {
  const std::vector<WallSample> samples = body.samples(low, high, body.isCone() ? 24 : 160);
  const Range range{body, samples, low, high, overlap, bearsOf(film)};
  const std::size_t last = samples.size() - 1;
  // Of a true cone the fit is the cone itself, without the dust of a search.
  RingFit best = fitRing(samples, 0, last);
  if (body.isCone()) {
    const Development cone = body.cone();
    best.taper = cone.taper();
    best.radiusAtLow = cone.radius(low).mm();
    best.most = best.least = 0;
  }
  Layings layings;
  layings.options = {oneRing(LayingKind::sheet, fitSheet(samples, 0, last), range),
                     oneRing(LayingKind::sector, best, range), withSlits(range), inBands(range),
                     inGores(range)};
  const Development cone = best.cone();
  layings.runsOff = std::max(cone.bow(Length()), cone.bow(cone.wall()));
  for (Laying& option : layings.options) {
    option.bears = option.possible && option.largest() <= range.bears * (1 + 1e-9);
  }
  layings.recommended = recommend(layings, body.isCone() && body.cone().isCylinder());
  return layings;
}

}  // namespace avrelt
