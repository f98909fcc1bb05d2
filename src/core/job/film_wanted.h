// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "job/plan.h"

namespace avrelt {

/// What a part is cut from: a kind of film, and #RRGGBB where the colour is known and of matter.
struct FilmWanted {
  PartMaterial kind = PartMaterial::permanent;
  std::string colour;

  friend auto operator<=>(const FilmWanted&, const FilmWanted&) = default;
};

/// What a part of a cup is cut from.
FilmWanted wantedFor(const CupPlan& cup, const std::string& purpose, const Part& part);

}  // namespace avrelt
