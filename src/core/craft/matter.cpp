// SPDX-License-Identifier: GPL-3.0-or-later
#include "craft/matter.h"

#include <array>

namespace avrelt {

const Craft& craftOf(Matter matter) {
  // Wants smooth, wants sealing, wants resin cured.
  static constexpr std::array<Craft, 9> crafts{{
      {Matter::metal, false, false, false},
      {Matter::paint, false, false, false},
      {Matter::glitter, false, false, false},
      {Matter::ink, false, true, false},
      {Matter::resin, false, false, false},
      {Matter::comesOff, true, false, false},
      {Matter::film, true, false, false},
      {Matter::print, true, true, false},
      {Matter::heatFilm, true, false, true},
  }};
  return crafts[static_cast<std::size_t>(matter)];
}

Matter matterOf(CoatKind kind) {
  switch (kind) {
    case CoatKind::paint:
      return Matter::paint;
    case CoatKind::glitter:
      return Matter::glitter;
    case CoatKind::resin:
      break;
  }
  return Matter::resin;
}

Matter matterOf(const Finish& finish) {
  switch (finish.kind) {
    case FinishKind::paint:
      return Matter::paint;
    case FinishKind::glitter:
      return Matter::glitter;
    case FinishKind::ink:
    case FinishKind::dip:
      return Matter::ink;
    case FinishKind::film:
      return finish.printed || !finish.picture.id.empty() ? Matter::print : Matter::film;
    case FinishKind::none:
    case FinishKind::bare:
      break;
  }
  return Matter::metal;
}

Matter matterOf(PartMaterial material) {
  switch (material) {
    case PartMaterial::printed:
    case PartMaterial::printable:
      return Matter::print;
    case PartMaterial::heatApplied:
      return Matter::heatFilm;
    case PartMaterial::stencil:
    case PartMaterial::removable:
    case PartMaterial::paper:
      return Matter::comesOff;
    case PartMaterial::permanent:
    case PartMaterial::clear:
    case PartMaterial::doubleSided:
      break;
  }
  return Matter::film;
}

Roughness roughnessOf(GlitterCut cut) {
  switch (cut) {
    case GlitterCut::fine:
      return Roughness::fine;
    case GlitterCut::medium:
      return Roughness::medium;
    case GlitterCut::chunky:
      break;
  }
  return Roughness::chunky;
}

Roughness roughnessOf(const Finish& glitter) {
  const bool burnished = glitter.stick == Stick::tackyGlue && glitter.grain != GlitterCut::chunky;
  return burnished ? Roughness::burnished : roughnessOf(glitter.grain);
}

}  // namespace avrelt
