// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/division.h"
#include "divide/spacers.h"

namespace avrelt {

/// What one move of the tape program does.
enum class MoveKind { tape, leave, cover, paint, stick, glitter, pull, film, seal, mask, lamp };

/// "tape", "pull" …: as files write it.
const char* moveName(MoveKind kind);

/// One numbered move at the cup.
struct TapeMove {
  int number = 0;
  MoveKind kind = MoveKind::tape;
  std::vector<std::string> zones;  ///< filled together
  /// For tape: along which, or the two it lies on from edge to edge.
  std::vector<std::string> lines;
  std::string keeps;  ///< for tape: a zone on whose side it lies, one it protects
  Length width;       ///< for tape
  Length tape;        ///< for tape: how much to tear off, with its tab, up to the next mark
  int sameAs = 0;     ///< for tape: the earlier move that laid it alike; 0 for none
  Sentence words;     ///< the move, whole
};

/// The moves that fill the zones: paint and glitter from dark to light (WCAG relative luminance of
/// their colours), film after all of them, as common practice has it. Zones with one finish are
/// filled together, unless a line would then want tape on both its sides. For each such group every
/// line at its edge is taped on the far side, then it is painted, stuck, glittered, and the tape
/// pulled at the moment its way of sticking asks for; at the end it is sealed.
///
/// A band no taller than the tape is protected by one tape on both its lines, cut down to it where
/// it is too wide. Tape round dry paint that the next group needs just so is left where it is; tape
/// that lies as an earlier one did says so.
///
/// Where the zones of a group are those of a window, it is laid in place of all their tape; where a
/// cover was made of a zone that a tape would protect, it is laid in place of that tape.
///
/// When tape comes off: resin within minutes, before it sets; brush-on glue while it is wet or just
/// dry; paint when it is dry to the touch; spray clear before the next coat; tacky glue after
/// burnishing; UV resin before the lamp. Common practice, no published source; the maker's data
/// sheet goes first.
std::vector<TapeMove> tapeProgram(const Divided& divided, Length tapeWidth, Graduation graduation,
                                  const std::vector<std::string>& order,
                                  const std::vector<Mask>& masks = {});

/// Zones in the order they are filled: the maker's own, given by ids, then the rest as said.
std::vector<const Zone*> fillingOrder(const Divided& divided,
                                      const std::vector<std::string>& order);

/// The same order with the zones that are filled together with this one `by` groups later, or
/// earlier; every zone named.
std::vector<std::string> movedInOrder(const Divided& divided, const std::vector<std::string>& order,
                                      const std::string& zone, int by);

}  // namespace avrelt
