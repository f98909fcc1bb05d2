// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/film_wanted.h"

#include <algorithm>

namespace avrelt {
namespace {

const Finish* finishOf(const CupPlan& cup, const std::vector<std::string>& of) {
  for (const Zone& zone : cup.divided.zones) {
    if (std::find(of.begin(), of.end(), zone.id) != of.end()) return &zone.finish;
  }
  return nullptr;
}

/// The colour of the film of a pattern's cell, by its label.
std::string cellFilm(const CupPlan& cup, const Part& part) {
  for (const FillPlan& fill : cup.fills) {
    if (std::find(part.of.begin(), part.of.end(), fill.id) == part.of.end()) continue;
    const Fill& chosen = cup.of->fills[static_cast<std::size_t>(fill.fill)];
    for (const Cell& cell : fill.cells) {
      if (part.id != "cell-" + cell.label) continue;
      const auto colour = static_cast<std::size_t>(cell.colour);
      return colour < chosen.colours.size() ? chosen.colours[colour].finish.colour : std::string();
    }
  }
  return {};
}

/// Whether it matters which colour a film is.
bool isSeen(PartMaterial material) {
  return material != PartMaterial::stencil && material != PartMaterial::removable &&
         material != PartMaterial::clear && material != PartMaterial::doubleSided &&
         material != PartMaterial::printable && material != PartMaterial::paper;
}

std::string colourOf(const CupPlan& cup, const std::string& purpose, const Part& part) {
  if (!isSeen(part.material)) return {};
  if (!part.film.empty()) return part.film;
  if (purpose == purpose::film || purpose == purpose::patch) {
    const Finish* finish = finishOf(cup, part.of);
    return finish != nullptr ? finish->colour : std::string();
  }
  if (purpose == purpose::filmCell) return cellFilm(cup, part);
  if (purpose == purpose::stripe) {
    for (const StripePlan& stripe : cup.stripes) {
      if (std::find(part.of.begin(), part.of.end(), stripe.id) != part.of.end()) {
        return stripe.colour;
      }
    }
  }
  const Finish& whole = cup.of->division.body.finish;
  // The disc goes with what the cup is wrapped in.
  const bool own =
      (purpose == purpose::wrap && wrapIsBody(*cup.of)) || purpose == purpose::baseDisc;
  return own && whole.kind == FinishKind::film ? whole.colour : std::string();
}

}  // namespace

FilmWanted wantedFor(const CupPlan& cup, const std::string& purpose, const Part& part) {
  return {part.material, colourOf(cup, purpose, part)};
}

}  // namespace avrelt
