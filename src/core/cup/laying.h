// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "cup/gore.h"
#include "cup/laying_kind.h"
#include "cup/ring_fit.h"

namespace avrelt {

/// What a wrap is cut from, as far as it matters here: how much the film gives.
enum class FilmKind { paper, stiff, thinCast, stretchy };

struct Film {
  FilmKind kind = FilmKind::stiff;
  /// How much it bears, from the maker's data sheet; left out, `usualPercent`.
  std::optional<double> takesPercent;
  std::string kept{};

  friend bool operator==(const Film&, const Film&) = default;
};

/// What a film of this kind bears without heat, stretched or lying full: paper 0, stiff film 1 %,
/// thin cast film 4 %, stretchy film 8 %. A cautious guess; common practice, no published source.
double usualPercent(FilmKind kind);
/// The share, not per cent; never under a thousandth, which on a cup is less than a tape shows.
double bearsOf(const Film& film);

/// Slits side by side from one edge of the film.
struct SlitRow {
  bool atRim = false;
  int count = 0;
  Length depth;
  /// At the edge: what each slit laps over itself; below 0, how far it opens.
  Length each;
};

/// What the film bears at one height: at the middle of a piece or tongue, and at its edge.
struct StretchRow {
  Length s;
  double middle = 0;
  double edge = 0;
};

/// One way to lay the film on a range of the wall, and what it comes to.
struct Laying {
  LayingKind kind = LayingKind::sector;
  /// False where no such pieces can be cut: the sector of a slit piece would run out of its cone.
  bool possible = true;
  bool bears = false;  ///< whether the film bears it
  int pieces = 1;
  double most = 0;   ///< largest stretch, as a share
  double least = 0;  ///< below 0: the largest fullness
  Length joins;      ///< length of all seams, slits included
  Area film;         ///< of the pieces, overlap included

  std::vector<RingFit> rings;  ///< sheet, sector, slits: one; bands: from the base up
  int gores = 0;
  std::vector<SlitRow> slits;
  /// From low to high; repeated `periods` times round the cup from the seam.
  std::vector<StretchRow> map;
  int periods = 1;

  double largest() const { return most > -least ? most : -least; }
};

/// All of them for one range of the wall.
struct Layings {
  std::array<Laying, layingKinds.size()> options;
  LayingKind recommended = LayingKind::sector;
  /// By how much a straight sheet laid without a wrinkle runs off a ring between front and back,
  /// on the best-fitting cone, at its wider end.
  Length runsOff;

  const Laying& of(LayingKind kind) const { return options[static_cast<std::size_t>(kind)]; }
};

/// The range's low end is at least 0 and its high end at most the wall.
///
/// Recommended is a straight sheet on a cylinder; else one ring sector where the film bears it;
/// else, of slits, bands and gores that it bears, the one with the shortest joins; else the one
/// with the least stretch. Tongues between slits lie along their own middles and lean at their
/// edges by half of |k − k′| × half their angle, k and k′ being the tapers of wall and film: with
/// it comes the number of slits. At most 48 slits, 12 bands, 36 gores.
Layings layingsOf(const Body& body, Length low, Length high, Length overlap, const Film& film);

}  // namespace avrelt
