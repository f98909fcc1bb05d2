// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <string_view>

#include "measure/where.h"

namespace avrelt {

/// How much a watch matters: worth knowing, likely to spoil the cup, not to be done.
enum class WatchLevel : std::uint8_t { note, warn, stop };

/// "note", "warn", "stop".
const char* levelName(WatchLevel level);

/// Every rule by which the program warns, in the order in which of two alike in level one is told
/// before the other. `catalogue.cpp` says of each what sets it off and what helps.
enum class Rule : std::uint8_t {
  // The wrap.
  rimLine,
  seamFront,
  seamNotBack,
  noOverlap,
  thinOverlap,
  wideOverlap,
  steepTaper,
  largeSheet,
  // How the wrap is laid.
  layingImpossible,
  noLaying,
  filmOvertaxed,
  notRecommended,
  runsOff,
  // Film of zones.
  filmNoRoom,
  filmNarrow,
  patchSize,
  pointShows,
  filmPastNeighbour,
  filmUnderHandle,
  // Pictures on film.
  pictureGone,
  pictureRefused,
  pictureOpen,
  pictureBare,
  pictureCoarse,
  pictureDrawn,
  // Covers and windows.
  maskWaits,
  // Lines, tape and stripes.
  tapePuckers,
  turnOfNone,
  filmBeforeGlitter,
  lightBeforeDark,
  thinStripe,
  tapeNotOwned,
  stripeTwice,
  joinShows,
  stripeOverEdge,
  lineAtEdge,
  // What waits for something that is gone.
  stripeWaits,
  edgeWaits,
  rowWaits,
  scatterWaits,
  scatterZoneWaits,
  // Patterns.
  patternWaits,
  neighboursAlike,
  coloursAlike,
  alikeBeyond,
  colourNotHere,
  pinCannotBe,
  cellsDropped,
  thinCells,
  againstStyle,
  sharesOff,
  stretchedCells,
  pictureNarrowed,
  stretchedTall,
  noLines,
  thinLines,
  tapeBends,
  seamMeets,
  stencilStrains,
  stencilParted,
  // Sets.
  setNoArt,
  setNoLayers,
  setOddLayer,
  layerPictureGone,
  layerPictureRefused,
  layerPictureCoarse,
  layerPictureShort,
  setColourGone,
  setNothingLeft,
  setThinStroke,
  setThinGap,
  setManyParts,
  setSpecks,
  // Peekaboos.
  peekabooAlike,
  ringMisses,
  // The stack.
  stencilUncovered,
  ringTooEarly,
  laidOnStencil,
  laidOnRough,
  stackHidesLaid,
  stackHidesGlitter,
  stackHidesLiquid,
  layerComesOff,
  patternHeldLong,
  stackClearOverEdge,
  floodUnusual,
  // Places of sets.
  setNoPlace,
  setOffWall,
  setInBareEdge,
  setOverSeam,
  setUnderHandle,
  setOverLine,
  setOnAnother,
  setOverAnother,
  setOnItself,
  setTooWide,
  setStrained,
  rowOfNothing,
  rowTooMany,
  rowLinesNear,
  rowNotClosing,
  // Handle, foot and marks.
  underHandle,
  frontMarkedElsewhere,
  overKeepClear,
  overFoot,
  oddStation,
  overFillet,
  // The liquid.
  liquidNoRoom,
  // The build-up.
  cutForBare,
  measuredEarly,
  growthGuessed,
  shrunk,
  laidOpens,
  laidGuessed,
  laidNothing,
  // What is cut already.
  cutShort,
  cutLapsLess,
  cutLong,
  setCutOtherwise,
  // Steps changed by hand.
  stepTwice,
  stepChangeOfNone,
  stepWaitShort,
  stepWaitLong,
  stepBehindItself,
  stepBehindNone,
  stepOutOfOrder,
  stepLeftAlone,
  stepNothingDoes,
  stepDoneOfNone,
  stepBegunOfNone,
  stepPassedOver,
  // The schedule.
  dueBeforeNow,
  endsLate,
  hoursTooShort,
  stepTooLate,
  cannotFollow,
  noTimeFound,
  supplyShort
};

/// What the catalogue says of a rule.
struct RuleEntry {
  Rule rule;
  const char* id;    ///< in files and on the command line: "rim_line"
  WatchLevel level;  ///< its own; where it can be told more softly, `when` says so
  Thing about;       ///< what it is told of; a place in a row may be told of the row
  const char* chapter;
  const char* when;    ///< what sets it off, in a sentence
  const char* remedy;  ///< what helps, in a sentence
  const char* ground;  ///< why it holds: where it is published, or that it is not
};

/// All of them, in their order.
std::span<const RuleEntry> ruleCatalogue();
const RuleEntry& entryOf(Rule rule);
inline std::string_view idOf(Rule rule) {
  return entryOf(rule).id;
}

/// The catalogue as a page in Markdown: `docs/rules.md`.
std::string ruleCatalogueText();

}  // namespace avrelt
