// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <set>

#include "job/steps.h"
#include "measure/minutes.h"

namespace avrelt {

inline constexpr double mm2InCm2 = 100;
/// Nobody lays piece after piece for longer without a break: common practice, no published source.
inline constexpr Duration inOneGo = Duration::minutes(90);

/// All of something, or one half of it after the other.
struct Half {
  const char* suffix = "";  ///< of the ids of its steps
  double share = 1;
  bool isFirst = true;
  bool isLast = true;

  Sentence of(const Sentence& words) const {
    if (isFirst && isLast) return words;
    return isFirst ? Sentence{"The back half first, so that the front is blended over its edge. "
                              "%1",
                              {Phrase(words)}}
                   : Sentence{"Then the front half. %1", {Phrase(words)}};
  }
};
template <typename Act>
void inHalves(bool halves, const Act& act) {
  if (!halves) return act(Half());
  act(Half{"-back", 0.5, true, false});
  act(Half{"-front", 0.5, false, true});
}

/// How far what was put on before has to be when a step begins.
enum class Ripe {
  asItIs,
  gassedOff,  ///< paint: what leaves it later makes craters in resin
  handled,    ///< hard enough for hands
  cured,      ///< done with: for heat, and to be handed over
};

/// The steps of a cup while they are written down, one after the other.
class StepList {
 public:
  StepList(const CupPlan& plan, const BenchChoices& choices, const Stock& stock);

  const CupPlan& plan() const { return plan_; }
  const BenchChoices& choices() const { return choices_; }
  const FillRates& rates() const { return rates_; }
  /// As it behaves in a room as warm as it is.
  const Method& of(MethodKind kind) const { return methods_.of(kind); }
  /// What puts a finish on, or holds its glitter.
  const Method& of(const Finish& finish) const;
  /// How long work of a kind takes here, to one of what is usual.
  double paceOf(StepKind kind) const { return paces_.of(kind); }

  Step& add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {});
  /// The last step puts something on by a method, which ripens from its end on.
  void put(const Method& method);
  /// The last step begins when all that was put on before is so far.
  void wants(Ripe ripe);
  /// A step takes so much resin.
  void ofResin(Step& step, const Method& resin, Volume amount);
  /// Seals with spray clear, two coats one after the other: what runs or bubbles in resin.
  void sprayClear(const std::string& id, const Sentence& words, const std::vector<std::string>& of);
  /// Brushes sealer over so much.
  void seal(const std::string& id, const Sentence& words, const std::vector<std::string>& of,
            Area area);

  /// All of them, at the pace of work here, in order; what is laid piece by piece for longer than
  /// anybody does in one go, in several; waits as long as what follows asks for.
  std::vector<Step> take();

 private:
  struct Made {
    Step step;
    const Method* puts = nullptr;
    Ripe wants = Ripe::asItIs;
  };

  void atPace(Step& step) const;
  static void ripen(std::vector<Made>& made);

  const CupPlan& plan_;
  const BenchChoices& choices_;
  const Methods methods_;
  const FillRates& rates_;
  const Paces& paces_;
  std::vector<Made> made_;
};

/// Stencils that lie on a cup and have to come off again, zone by zone, once they are hidden.
class StencilsDown {
 public:
  StencilsDown(StepList& list);

  void lay(const StackItem& stencil);
  /// Whether any lies in one of these zones.
  bool in(const std::vector<std::string>& zones) const;
  bool empty() const { return down_.empty(); }
  /// Lifts those that lie there. Where each is ringed before the next is lifted, and nothing but
  /// paint has to dry, rings are laid with it.
  void lift(const std::string& id, const std::vector<std::string>& zones, MethodKind hiddenBy,
            const Wait& then);
  void liftAll(const std::string& id, MethodKind hiddenBy, const Wait& then);
  /// Whether a ring was laid as its stencil was lifted.
  bool isRinged(const std::string& ring) const { return ringed_.contains(ring); }

 private:
  struct Down {
    const StackItem* stencil;
    std::set<std::string> zones;
  };

  const StackItem* ringOneByOne(const StackItem& stencil, MethodKind hiddenBy) const;
  bool looksLikeAnother(const StackItem& stencil) const;

  StepList& list_;
  std::vector<Down> down_;
  std::set<std::string> ringed_;
};

/// What fills zones with paint, glitter, ink and dips, by the moves of a tape program; stencils
/// that lie in them are lifted with the tape. `divided` is what the program was made of.
void addFinishes(StepList& list, const Divided& divided, const std::vector<TapeMove>& moves,
                 StencilsDown& stencils, const std::string& suffix = {});

/// A pattern: its template, colour by colour, its lines, film in its cells.
void addPattern(StepList& list, const StackItem& item);

}  // namespace avrelt
