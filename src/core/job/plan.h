// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <string>
#include <vector>

#include "bench/method.h"
#include "bench/paces.h"
#include "cup/development.h"
#include "cup/wrap.h"
#include "divide/program.h"
#include "job/document.h"
#include "job/laid.h"
#include "job/purpose.h"
#include "job/stack.h"
#include "sheet/part_set.h"
#include "sheet/tiling.h"
#include "watch/watch.h"

namespace avrelt {

struct CupPlan;

/// The parts of a plan that somebody has asked for.
class PartShelf {
 public:
  const std::vector<Part>& of(const CupPlan& plan, const std::string& purpose);

 private:
  std::map<std::string, std::vector<Part>> made_;
};

/// The cup as it is when some of its parts are laid.
struct LaidStage {
  int after = 0;  ///< coats
  Wall wall;
  WrapLayout wrap;  ///< how a wrap would lie on it
};

/// Everything computed for one cup.
struct CupPlan {
  std::string name;
  /// The name as files carry it: lower case, digits and hyphens; unique within a plan.
  std::string slug;
  /// The bare cup, as its stations measure it.
  Body bare;
  /// The cup the parts are sized for, bare or under the coats on it when they are laid; its flat
  /// is the cone it is, or the one most like it, what views draw on.
  Wall wall;
  /// The cup from bare to its last coat, and the one it is divided at and its parts are laid, but
  /// those that have a stage of their own.
  std::vector<Stage> stages;
  int laidAfter = 0;
  /// The cup at each stage that something is laid at; that one first.
  std::vector<LaidStage> laidStages{};
  /// What is laid on it, in the order of their stages.
  std::vector<LaidThing> things{};
  /// Everything from the metal outwards.
  std::vector<StackItem> stack{};
  /// How wrong it can be at the seam of the wrap.
  SeamDoubt seamDoubt;
  WrapLayout wrap;
  /// The ways to lay it, and the one taken.
  Layings layings;
  LayingKind laid = LayingKind::sector;
  Snips snips;
  /// How it is divided, and the work that comes of it.
  Divided divided;
  std::vector<TapeMove> tapeMoves;
  std::vector<StripePlan> stripes;
  std::vector<StripCut> cutList{};
  /// The patterns that fill zones.
  std::vector<FillPlan> fills;
  /// What is made of artworks.
  std::vector<SetPlan> sets;
  std::vector<RowPlan> rows;
  /// What sets are kept off.
  std::shared_ptr<const WallLandmarks> landmarks;
  std::vector<Watch> watches{};
  /// What all this was worked out from.
  std::shared_ptr<const Cup> of;
  Unit unit = Unit::inch;
  std::shared_ptr<PartShelf> shelf;
  /// What the two last coats add that the bench puts on where the order's own are not over
  /// everything.
  Length finishing{};

  /// The cup when all is done.
  Body finished() const { return bare.grownBy(stages.back().thickness + finishing); }
  /// The cup when the thing of this id is laid.
  const LaidStage& stageOf(const std::string& id) const;
  const Laying& laying() const { return layings.of(laid); }
  /// The parts for a purpose, made when they are first asked for: nobody looks at all of them while
  /// a number is dragged. Copies of a plan have them in common; asked for by one thread at a time.
  const std::vector<Part>& parts(const std::string& purpose) const;
  /// The first of them; every cup has a wrap, a test part, a marking strip and a base disc.
  const Part& part(const std::string& purpose) const;
  PartSet set(const std::string& purpose) const;
  /// The same, what is cut from one material at a time: films do not lie on one sheet with others.
  std::vector<PartSet> partSets(const std::string& purpose) const;
};

/// What the shop knows that a plan depends on.
struct Stock {
  GrowthHabits growth;
  FillRates filling;
  Methods methods;
  Paces paces;

  friend bool operator==(const Stock&, const Stock&) = default;
};

/// Everything computed from a document. A value: the same document and stock give the same plan.
struct Plan {
  Unit units = Unit::inch;
  Paper paper = Paper::letter;
  std::vector<CupPlan> cups;
  std::vector<SharedArt> artworks;
  BenchChoices bench;
  Stock stock;  ///< it was made with
};

/// Plans one cup. Faults name fields counted from the cup ("wrap.overlap").
CheckedAll<CupPlan> planCup(const Cup& cup, Unit unit, const Stock& stock = {});

/// The parts another way of laying would give, for comparing.
PartSet setFor(const CupPlan& plan, LayingKind kind, Unit unit);

/// Plans a document. Faults name fields counted from the document ("cups[0].wrap.overlap"), all
/// of them at once, cup by cup.
CheckedAll<Plan> planDocument(const Document& document, const Stock& stock = {});

/// What is made and laid of a cup as one, and so is cut at one time: the parts for a purpose that
/// are for the same things.
struct PartEntry {
  std::string purpose;
  std::vector<std::string> of;
  std::vector<const Part*> parts;  ///< of the plan
};
/// The same, of one of a plan's cups.
struct CupEntry {
  std::size_t cup = 0;
  PartEntry entry;
};
/// Where a purpose has more than 40 of them they are one: nobody ticks off a thousand.
std::vector<PartEntry> entriesOf(const CupPlan& plan, const std::string& purpose);
/// What it is for, as it is listed: "Film, zone C".
Sentence titleOf(const PartEntry& entry);
/// Its parts to be shown, saved and printed together.
PartSet setOf(const PartEntry& entry);
/// The id among the things laid that its stage is of.
std::string thingOf(const PartEntry& entry);
std::string thingOf(const CutRecord& cut);
/// Whether the maker has said that it is cut.
bool isCut(const Cup& cup, const PartEntry& entry);

/// A name fit for a file: "Tapered 350" → "tapered-350"; nothing readable left → "cup".
std::string slugOf(const std::string& name);

}  // namespace avrelt
