// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/divide.h"

namespace avrelt {

/// What one move of the tape program does.
enum class MoveKind { tape, cover, paint, stick, glitter, pull, film, seal };

/// "tape", "pull" …: as files write it.
const char* moveName(MoveKind kind);

/// One numbered move at the cup.
struct TapeMove {
  int number = 0;
  MoveKind kind = MoveKind::tape;
  std::string zone;
  std::string line;   ///< for tape: along which
  std::string keeps;  ///< for tape: the zone on whose side it lies, the one it protects
  Length tape;        ///< for tape: how much to tear off, with its tab, up to the next mark
  Sentence words;     ///< the move, whole
};

/// What is folded over at the end of a tape so that it can be lifted.
inline constexpr Length tapeTab = Length::mm(12);

/// The moves that fill the zones: paint and glitter from dark to light (WCAG relative luminance of
/// their colours), film after all of them, as common practice has it. For each zone in turn every
/// line at its edge is taped on the far side, then it is painted, stuck, glittered, and the tape
/// pulled at the moment its way of sticking asks for; at the end it is sealed. Tape that lies right
/// already is used again. `order` gives zones by id to be done first, in that order; the rest
/// follow as said.
///
/// When tape comes off: resin within minutes, before it sets; brush-on glue while it is wet or just
/// dry; paint when it is dry to the touch; spray clear before the next coat; tacky glue after
/// burnishing; UV resin before the lamp. Common practice, no published source; the maker's data
/// sheet goes first.
std::vector<TapeMove> tapeProgram(const Divided& divided, Length tapeWidth, Graduation graduation,
                                  const std::vector<std::string>& order);

/// Zones in the order they are filled.
std::vector<const Zone*> fillingOrder(const Divided& divided,
                                      const std::vector<std::string>& order);

/// Which zones lie along a line: to the left as one goes along it, and to the right. Above and
/// below a ring.
struct Sides {
  std::vector<std::size_t> first;
  std::vector<std::size_t> second;
};
Sides sidesOf(const DivideLine& line, const Divided& divided);

}  // namespace avrelt
