// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tuple>

#include "job/kept.h"
#include "job/plan.h"

namespace avrelt {

/// Plans one cup again and again, as it is changed, in stages: its walls; how the wrap may be laid;
/// the division; the cells and their colours. Each is kept while what it depends on compares equal,
/// so that a clearance touches no cell and a cell's size no laying. What it gives depends on
/// nothing it was asked before: it is what `planCup` gives, byte for byte.
class CupPlanner {
 public:
  CheckedAll<CupPlan> operator()(const Cup& cup, Unit unit, const Stock& stock);

 private:
  struct Walls {
    Body bare;
    std::vector<Stage> stages;
    std::vector<int> after;   ///< coats, of each stage that something is laid at
    std::vector<Wall> walls;  ///< then; the one of most things first

    const Wall& of(const BuildUp& buildUp, const std::string& id) const;
  };
  static CheckedAll<Walls> wallsOf(const Blank& blank, const BuildUp& buildUp, CupAngle seamAt,
                                   const GrowthHabits& growth);
  /// Tells each fill of a plan how its template is parted.
  void partIntoStrips(CupPlan& plan, const Cup& cup, const Walls& walls);
  static Faults dividedFaults(const CheckedAll<Divided>& divided,
                              const CheckedAll<std::vector<StripePlan>>& stripes);
  static void addWatches(CupPlan& plan, const Cup& cup);
  static void addStageWatches(CupPlan& plan, const Cup& cup);

  Kept<std::tuple<Blank, BuildUp, CupAngle, GrowthHabits>, CheckedAll<Walls>> walls_;
  /// By the walls made before and what the wrap needs.
  Kept<std::tuple<long, Wrap, Base>, CheckedAll<std::vector<WrapLayout>>> wraps_;
  Kept<std::tuple<long, Wrap, Base, Film>, Layings> layings_;
  Kept<std::tuple<long, ZoneNode>, CheckedAll<Divided>> divided_;
  FillPlanner fills_;
  /// What sets keep off, by the walls and zones made before.
  Kept<std::tuple<long, long, std::vector<Feature>>, std::shared_ptr<const WallLandmarks>>
      landmarks_;
  SetPlanner sets_;
  /// How templates are parted, by the walls and zones made before and what their cells come of.
  Kept<std::tuple<long, long, std::vector<std::tuple<Pattern, bool, std::string>>, Film,
                  std::optional<LayingKind>>,
       std::vector<FillStrips>>
      strips_;
};

}  // namespace avrelt
