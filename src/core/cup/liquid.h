// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "cup/body.h"
#include "measure/mass.h"
#include "measure/temperature.h"
#include "measure/volume.h"

namespace avrelt {

/// What a cup with two walls is filled with between them: water and glycerin, that glitter sinks
/// through slowly. Half and half, common practice, no published source.
struct Liquid {
  Volume space = Volume::ml(200);  ///< between the walls up to the seal, measured with water
  double glycerin = 0.5;           ///< the share of the liquid by volume; the rest is water
  double room = 0.05;              ///< the share of the space that is left free
  Temperature warmest = Temperature::celsius(60);  ///< that the cup may ever be
  WrittenLength sealAt;                            ///< up the wall to the seal line
  WrittenLength band{Length::mm(10), "10 mm"};     ///< how tall the band over that line is
  WrittenLength overlap{Length::mm(5), "5 mm"};    ///< of the band's ends
  std::string kept{};

  friend bool operator==(const Liquid&, const Liquid&) = default;
};

/// How the space is filled.
struct LiquidMix {
  Volume water;
  Volume glycerin;
  Mass waterMass;
  Mass glycerinMass;
  Volume first;  ///< goes in before the glitter: to three quarters of the space
  Volume rest;   ///< tops it up after
  Volume free;   ///< is left for the liquid to grow into
  double grows;  ///< by which share the liquid is larger at its warmest than at 20 °C
  Volume more() const { return (first + rest) * grows; }  ///< that it takes then
  bool fits() const { return free >= more(); }
};

/// Of so much glycerin by weight in water, 0 to 1, at 0 to 100 °C, in grams a millilitre: the
/// mean of both by weight, ρ(water) = 1000 (1 − |(t − 4) / 622|^1.7) and ρ(glycerin) = 1277 −
/// 0.654 t in kg/m³ (Cheng, Ind. Eng. Chem. Res. 47, 2008, 3285).
double densityOf(double glycerinByWeight, Temperature warmth);

/// To about three quarters, the glitter, then up to what is to be left free; common practice, no
/// published source. The weights are those at 20 °C.
LiquidMix mixOf(const Liquid& liquid);

/// What a cup with a wall so long is filled with at first, in round figures of the unit: sealed
/// near the base, where most are closed.
Liquid usualLiquid(Length wall, Unit unit);

/// What makes it unfit for a body so tall, fields counted from the liquid: a space of nothing or
/// over 2 litres, a band under 2 mm or over 50 mm tall, or whose ends lie over each other by more
/// than 50 mm, a seal line that leaves no place for its band on the wall.
Faults liquidFaults(const Liquid& liquid, Length wall);

}  // namespace avrelt
