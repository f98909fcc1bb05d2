// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/set_plan.h"

namespace avrelt {

/// A stencil that is painted over, and what goes round what it leaves once it is lifted.
struct Peekaboo {
  int number = 0;
  std::size_t set = 0;    ///< among the plans
  std::size_t place = 0;  ///< among the set's
  std::string stencil;    ///< id of its layer
  std::string ring;       ///< id of its ring's layer; empty where there is none
  std::string zone;       ///< id of the one it lies in; empty off the wall
  /// Numbers of others that cannot be told from it by looking, though another ring goes round them.
  std::vector<int> alike;
};

/// The peekaboos of a cup, by their numbers.
std::vector<Peekaboo> peekaboosOf(const std::vector<SetPlan>& sets);

/// In which order they are lifted and ringed: those that can be told apart all at once; then the
/// others one by one, each ringed before the next, by their numbers: from the seam round, so that
/// what is wet has turned away from the hand. Common practice, no published source.
struct LiftOrder {
  std::vector<int> atOnce;
  std::vector<int> oneByOne;
};
LiftOrder liftOrderOf(const std::vector<Peekaboo>& peekaboos);

/// Stencils are told apart where their boxes differ by this much, or their areas by this share: a
/// guess, common practice.
inline constexpr Length seenToDiffer = Length::mm(1.5);
inline constexpr double seenLarger = 0.06;
/// Rings of one set, bent or grown otherwise, go round each other's openings up to this: half of a
/// usual lap.
inline constexpr Length ringsAgree = Length::mm(0.25);

}  // namespace avrelt
