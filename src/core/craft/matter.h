// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/growth_habits.h"
#include "cup/part_material.h"
#include "divide/cut.h"

namespace avrelt {

/// What a thing on a cup is of, as far as what may lie on what goes.
enum class Matter {
  metal,
  paint,
  glitter,   ///< with what holds it
  ink,       ///< and dips: what runs in resin
  resin,     ///< flooded, so that it levels
  comesOff,  ///< stencils, covers, windows, templates, paper
  film,      ///< that stays
  print,     ///< film, paper or metallic tape that resin spoils unsealed
  heatFilm,  ///< that heat makes stick
};

/// How rough a surface is: what is laid on it shows it, and resin fills it first.
enum class Roughness { smooth, burnished, fine, medium, chunky };

/// One row of the table of what may lie on what; common practice, no published source.
struct Craft {
  Matter matter;
  bool wantsSmooth;   ///< below: a coat lies over glitter before it is laid
  bool wantsSealing;  ///< before resin
  bool wantsCured;    ///< resin below has to be hard throughout
};
const Craft& craftOf(Matter matter);

Matter matterOf(CoatKind kind);
/// Of a zone's, or a cell's; metal where nothing fills it.
Matter matterOf(const Finish& finish);
Matter matterOf(PartMaterial material);

/// What glitter leaves: by its cut, and burnished where tacky glue holds it.
Roughness roughnessOf(GlitterCut cut);
Roughness roughnessOf(const Finish& glitter);

}  // namespace avrelt
