// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "craft/matter.h"
#include "job/laid.h"
#include "watch/watch.h"

namespace avrelt {

struct CupPlan;

/// What a stack is made of.
enum class StackKind {
  metal,
  coat,
  finish,  ///< paint, glitter, ink of a zone
  over,    ///< the same, of a set: over its stencils
  laid,
};

/// One item of the stack.
struct StackItem {
  StackKind kind = StackKind::metal;
  std::string id;  ///< of the coat, the zone, the set, or the thing laid; "metal"
  Sentence name;   ///< in the midst of a sentence
  int after = 0;   ///< coats below it
  LaidKind thing = LaidKind::film;
  int set = -1;          ///< of a layer: its set's index among the cup's
  int layer = -1;        ///< and its own in that
  bool lifted = false;   ///< it comes off again: stencils, covers, paper
  bool clear = false;    ///< what is below is seen through it
  bool coloured = true;  ///< views show it
  Matter matter = Matter::metal;
  Roughness leaves = Roughness::smooth;  ///< of glitter
  /// Ids of the zones it lies on: all that a coat or the wrap does; those of a layer's places by
  /// their anchors; the two sides of a stripe's line.
  std::set<std::string> zones{};
};

/// Everything on a cup from the metal outwards: its coats, and after each what is laid then: the
/// film all round that lies under the rest; covers; the stencils that what fills their zone goes
/// over; finishes; the other stencils, each with what its set has put over them; patterns, films,
/// stripes, the layers of sets from the lowest up, and film all round that lies over the rest.
std::vector<StackItem> stackOf(const CupPlan& plan);

/// Whether something is laid, or filled with a finish, when so many coats are on.
bool anyLaid(const std::vector<StackItem>& stack, int after);
/// Whether the last coat of an order is resin over everything. Where it is not, the bench puts two
/// thin ones on: common practice, no published source.
bool endsInResin(const std::vector<StackItem>& stack, const std::vector<Coat>& coats);
/// How much resin those take, by the wall and by what lies on it last.
std::array<Volume, 2> finishingCoats(const CupPlan& plan);

/// How rough the wall is in each zone, by its id: followed from the metal outwards, item by item.
class SurfaceUp {
 public:
  explicit SurfaceUp(const CupPlan& plan);
  void put(const StackItem& item);
  Roughness in(const std::string& zone) const;
  /// The roughest of the zones an item lies on.
  Roughness below(const StackItem& item) const;

 private:
  const CupPlan& plan_;
  std::map<std::string, Roughness> zones_;
};

/// What hides a stencil once it is laid in a zone: the coat or the finish over it, by its place in
/// the stack; none where film, a template or a flood of resin comes first, or nothing does.
std::optional<std::size_t> coverOf(const CupPlan& plan, std::size_t stencil,
                                   const std::string& zone);

/// The colour of what an item is made of, as #RRGGBB; empty where it has none of its own.
std::string colourOf(const CupPlan& plan, const StackItem& item);

/// What of the wall a film, a layer or the wrap covers, wherever it stands; what is put over
/// stencils, all over their zones but where they lay.
Region coveredBy(const CupPlan& plan, const StackItem& item);

/// Whether a zone is filled with glitter, or with a pattern that has some.
bool inGlitter(const Zone& zone, const CupPlan& plan);

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

/// What may not lie on what it lies on, and what hides what, by the rules under “The stack”.
std::vector<Watch> watchStack(const CupPlan& plan);

}  // namespace avrelt
