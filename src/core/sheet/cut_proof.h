// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "measure/angle.h"
#include "measure/sentence.h"
#include "sheet/cut_film.h"
#include "sheet/cut_job.h"

namespace avrelt {

/// What became of a job: planned shapes against those that were cut.
struct CutProof {
  /// What all shapes have in common that they were not to: as if the sheet were stretched by `wide`
  /// and `tall` about its lower left, mirrored left to right, turned upside down, then moved.
  struct Wrong {
    double wide = 1;
    double tall = 1;
    bool mirrored = false;
    bool upsideDown = false;
    Point moved;
  };

  std::size_t planned = 0;
  std::size_t found = 0;             ///< of the planned ones, as they lie or set right by `wrong`
  std::vector<std::size_t> missing;  ///< of the planned ones
  std::size_t others = 0;            ///< closed shapes that nobody asked for
  std::size_t thin = 0;              ///< found, but gone round too seldom
  /// The farthest that any found one lies from its plan, as it was cut, by the outlines of both.
  Length worst;
  /// The same where what is wrong with all is taken back.
  Length worstOfSetRight;
  double areas = 1;            ///< of all found ones, by those planned
  std::optional<Wrong> wrong;  ///< none where everything is where it was planned
  /// From this shape on, in the order of cutting, all lie elsewhere by as much.
  struct Slipped {
    std::size_t from = 0;
    Point by;
  };
  std::optional<Slipped> slipped;

  /// All there, within the tolerance, and nothing besides.
  bool good() const;
  static constexpr Length tolerance = Length::mm(0.05);
};

/// Cut film as it is looked at from its face: film that was fed face down, mirrored back.
CutFilm seenFromFace(CutFilm film, const CutJob& job, const Cutter& cutter);

/// Compares what was to be cut with what was. `mirrored` says that the job was sent mirrored, for
/// films fed face down: its film is looked at from the back.
CutProof proofOf(const CutJob& job, const Cutter& cutter, const CutFilm& film);

/// In words, the worst first, each with what to set or do; what is well in one.
std::vector<Sentence> wordsOf(const CutProof& proof);

}  // namespace avrelt
