// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "measure/sentence.h"
#include "measure/volume.h"

namespace avrelt {

/// What one press changes in a cup so that what was told of it holds no more.
enum class MendKind {
  layLater,       ///< things are laid after so many coats
  coatBetween,    ///< they are laid after one more coat of resin; without things, all laid there
  filmUnder,      ///< the film all round lies under everything laid after so many coats
  clearFilm,      ///< and is clear
  noFilmRound,    ///< there is none
  leaveCoatOut,   ///< a coat is not put on
  mixUsual,       ///< as much resin is mixed for it as is usual
  paintOver,      ///< what lies under a set's stencils is painted over
  holdByGlue,     ///< the glitter of a pattern is held by brush-on glue
  filmThatStays,  ///< a layer is cut from it
};

/// A remedy as a value.
struct Mend {
  MendKind kind = MendKind::layLater;
  std::vector<std::string> of{};  ///< ids of the things, the coat, the set, the pattern, the layer
  int after = 0;                  ///< coats
  Volume amount{};                ///< of resin

  friend bool operator==(const Mend&, const Mend&) = default;
};

/// What it does, as it stands on what is pressed: "Put a coat between".
Sentence mendWords(const Mend& mend);

}  // namespace avrelt
