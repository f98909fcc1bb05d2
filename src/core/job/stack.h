// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "job/laid.h"
#include "watch/watch.h"

namespace avrelt {

struct CupPlan;

/// What a stack is made of.
enum class StackKind {
  metal,
  coat,
  finish,  ///< paint, glitter, ink of a zone
  laid,
};

/// One item of the stack.
struct StackItem {
  StackKind kind = StackKind::metal;
  std::string id;  ///< of the coat, the zone, or the thing laid; "metal"
  Sentence name;   ///< in the midst of a sentence
  int after = 0;   ///< coats below it
  LaidKind thing = LaidKind::film;
  int set = -1;          ///< of a layer: its set's index among the cup's
  int layer = -1;        ///< and its own in that
  bool lifted = false;   ///< it comes off again: stencils, covers, paper
  bool clear = false;    ///< what is below is seen through it
  bool coloured = true;  ///< views show it
};

/// Everything on a cup from the metal outwards: its coats, and after each what is laid then: covers
/// first, then finishes, patterns, films, stripes, the layers of sets from the lowest up, and the
/// wrap.
std::vector<StackItem> stackOf(const CupPlan& plan);

/// Whether something is laid, or filled with a finish, when so many coats are on.
bool anyLaid(const std::vector<StackItem>& stack, int after);
/// Whether the last coat of an order is resin over everything. Where it is not, the bench puts two
/// thin ones on, of so much each: common practice, no published source.
bool endsInResin(const std::vector<StackItem>& stack, const std::vector<Coat>& coats);
inline constexpr Volume finishingCoat = Volume::ml(20);

/// What of the wall a film, a layer or the wrap covers, wherever it stands.
Region coveredBy(const CupPlan& plan, const StackItem& item);

/// What of a zone's glitter is hidden for good.
struct Hidden {
  std::string zone;    ///< id
  std::string letter;  ///< for people
  Area area;
  double share = 0;  ///< of the zone
};
/// What of finished glitter an item of the stack hides: of the zone's own, and of patterns in
/// glitter. None where it comes off again or is clear.
std::vector<Hidden> hiddenBelow(const CupPlan& plan, const StackItem& item);

/// From this share of a zone on it is told: a guess.
inline constexpr double hiddenMuch = 0.25;

/// What hides what, by the rules under “The stack”.
std::vector<Watch> watchStack(const CupPlan& plan);

}  // namespace avrelt
