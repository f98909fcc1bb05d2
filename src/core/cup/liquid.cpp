// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/liquid.h"

#include <algorithm>
#include <cmath>

#include "measure/tape.h"

namespace avrelt {

namespace {

constexpr Temperature filledAt = Temperature::celsius(20);

}  // namespace

double densityOf(double glycerinByWeight, Temperature warmth) {
  const double t = warmth.celsius();
  const double water = 1000 * (1 - std::pow(std::abs((t - 4) / 622), 1.7));
  const double glycerin = 1277 - 0.654 * t;
  return (glycerin * glycerinByWeight + water * (1 - glycerinByWeight)) / 1000;
}

LiquidMix mixOf(const Liquid& liquid) {
  constexpr double three = 0.75;
  LiquidMix mix{};
  const double room = std::clamp(liquid.room, 0.0, 1.0);
  const Volume all = liquid.space * (1 - room);
  mix.free = liquid.space * room;
  mix.first = std::min(liquid.space * three, all);
  mix.rest = Volume::ml(all.ml() - mix.first.ml());
  mix.glycerin = all * liquid.glycerin;
  mix.water = Volume::ml(all.ml() - mix.glycerin.ml());
  mix.waterMass = Mass::grams(mix.water.ml() * densityOf(0, filledAt));
  mix.glycerinMass = Mass::grams(mix.glycerin.ml() * densityOf(1, filledAt));
  const double mass = mix.waterMass.grams() + mix.glycerinMass.grams();
  const double share = mass > 0 ? mix.glycerinMass.grams() / mass : 0;
  mix.grows = std::max(0.0, densityOf(share, filledAt) / densityOf(share, liquid.warmest) - 1);
  return mix;
}

Liquid usualLiquid(Length wall, Unit unit) {
  Liquid liquid;
  if (unit == Unit::inch) {
    liquid.band = written(Length::inches(3.0 / 8), unit);
    liquid.overlap = written(Length::inches(3.0 / 16), unit);
  }
  constexpr double low = 0.1;
  const Length mark = nearestMark(wall * low, usualGraduation(unit));
  liquid.sealAt = written(std::max(mark, liquid.band.length), unit);
  return liquid;
}

Faults liquidFaults(const Liquid& liquid, Length wall) {
  constexpr Volume most = Volume::ml(2000);
  Faults faults;
  if (liquid.space <= Volume() || liquid.space > most) {
    faults.push_back({Member::liquidSpace,
                      {"A space of %1 cannot be filled. Fill it with water and measure that: up to "
                       "%2.",
                       {volumeText(liquid.space), volumeText(most)}}});
  }
  if (liquid.overlap.length > Length::mm(50)) {
    faults.push_back({Member::liquidOverlap,
                      {"Ends that lie over each other by %1 are too much for a cover band. Take up "
                       "to %2.",
                       {liquid.overlap.length, Length::mm(50)}}});
  }
  if (liquid.band.length < Length::mm(2) || liquid.band.length > Length::mm(50)) {
    faults.push_back({Member::liquidBand,
                      {"A band %1 tall hides no seal line, or too much. Take %2 to %3.",
                       {liquid.band.length, Length::mm(2), Length::mm(50)}}});
    return faults;
  }
  const Length half = liquid.band.length / 2;
  if (liquid.sealAt.length < half || liquid.sealAt.length > wall - half) {
    faults.push_back({Member::liquidSealAt,
                      {"A band %1 tall over a seal line %2 up does not lie on the wall. Put the "
                       "line between %3 and %4 up the wall.",
                       {liquid.band.length, liquid.sealAt.length, half, wall - half}}});
  }
  return faults;
}

}  // namespace avrelt
