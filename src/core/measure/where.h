// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <utility>

namespace avrelt {

/// What in an order has members that something can be wrong with. All but the order, its cups and
/// what is of no order at all go by an id.
enum class Thing : std::uint8_t {
  none,
  order,
  cup,
  zone,
  cut,
  stripe,
  mask,
  fill,
  set,
  layer,
  place,
  row,
  scatter,
  step
};

/// What a maker can enter, choose or leave out, and what can be said about it: the words of faults,
/// warnings and fields. They stand by the thing they are of; `thingOf` goes by that order. How each
/// is written in a file is told by `files/where_text.h` alone.
enum class Member : std::uint8_t {
  // Not of an order: of a dialog, a shop, a drawing.
  whole,
  drawnShape,
  artwork,
  joining,
  tracedPicture,
  traceApart,
  traceCorners,
  photoMarks,
  photoDistance,
  photoFront,
  wordsText,
  wordsFace,
  wordsCapHeight,
  wordsArc,
  clusterOf,
  clusterWide,
  clusterTall,
  clusterMotif,
  stockWide,
  stockTall,
  stockCount,
  stockOutline,
  printerWide,
  printerTall,
  printerLeft,
  printerRight,
  printerTop,
  printerBottom,
  printerDots,
  printerBleed,
  sheetWide,
  sheetTall,
  sheetMargin,
  sheetLap,
  sheetGap,
  cutterWidest,
  cutterLongest,
  cutterOffset,
  cutterOvercut,
  foundRight,
  foundUp,
  amount,
  supplyName,
  supplyColour,
  supplyPrice,
  supplyLow,
  costPerHour,
  costPerCup,
  costWaste,
  costFactor,
  costRoundTo,
  // Of the order.
  cups,
  // Of a cup; those with a number, of one in a list.
  name,
  stations,
  stationAt,
  stationGirth,
  feature,
  featureAt,
  featureWide,
  featureLow,
  featureHigh,
  fillet,
  rimClearance,
  baseClearance,
  overlap,
  seamAt,
  laying,
  wrapOver,
  overhang,
  discClearance,
  laidAfter,
  sizedFor,
  laid,
  laidOwnAfter,
  laidOwnOf,
  stack,
  measured,
  measuredAfter,
  measuredAt,
  measuredGirth,
  outOfRound,
  liquidSpace,
  liquidGlycerin,
  liquidRoom,
  liquidWarmest,
  liquidBand,
  liquidOverlap,
  liquidSealAt,
  stripAt,
  stripWidth,
  tapeWidth,
  fillingOrder,
  cutRecord,
  supplies,
  // Of a zone of its division, kept or made by a cut.
  zone,
  edgeBy,
  patchAcross,
  picture,
  pictureWide,
  pictureAt,
  pictureUp,
  pictureTurn,
  // Of a cut.
  cut,
  cutBy,
  cutCount,
  cutWidths,
  cutPlaces,
  cutAngles,
  cutTape,
  cutSpacer,
  cutStripes,
  cutAt,
  cutTo,
  cutRepeat,
  cutWide,
  cutDeep,
  cutLow,
  cutHigh,
  cutSwing,
  // Of a stripe.
  stripeLine,
  stripeWidth,
  stripeOverlap,
  stripeJoin,
  stripeSpares,
  // Of a cover or a window.
  maskZones,
  maskMargin,
  // Of a pattern that fills a zone.
  fillZone,
  colours,
  style,
  pins,
  cuttingLines,
  patternSize,
  patternLine,
  patternRatio,
  patternRepeats,
  patternTaper,
  patternRise,
  patternArtwork,
  // Of a set.
  set,
  setArtwork,
  setSize,
  setTurn,
  setLimit,
  setDrop,
  layers,
  places,
  // Of a layer of a set.
  layerOffset,
  layerLap,
  layerSmallest,
  layerMirrored,
  layerSource,
  layerPrint,
  printWide,
  printRight,
  printUp,
  printTurn,
  // Of a place of a set.
  placeUp,
  placeAt,
  placeTurn,
  // Of a row of sets.
  rowSets,
  rowCount,
  rowLines,
  rowGap,
  rowApart,
  rowUp,
  rowAt,
  // Of a scatter.
  scatterSets,
  scatterZone,
  scatterCount,
  scatterGap,
  scatterAway,
  scatterItems,
  // Of a step of the schedule.
  step
};

/// How many members there are; each is below it as a number.
inline constexpr std::size_t memberCount = static_cast<std::size_t>(Member::step) + 1;

/// What a member is of.
constexpr Thing thingOf(Member member) {
  struct First {
    Member member;
    Thing thing;
  };
  constexpr First firsts[] = {{Member::whole, Thing::none},
                              {Member::cups, Thing::order},
                              {Member::name, Thing::cup},
                              {Member::zone, Thing::zone},
                              {Member::cut, Thing::cut},
                              {Member::stripeLine, Thing::stripe},
                              {Member::maskZones, Thing::mask},
                              {Member::fillZone, Thing::fill},
                              {Member::set, Thing::set},
                              {Member::layerOffset, Thing::layer},
                              {Member::placeUp, Thing::place},
                              {Member::rowSets, Thing::row},
                              {Member::scatterSets, Thing::scatter},
                              {Member::step, Thing::step}};
  Thing thing = Thing::none;
  for (const First& first : firsts) {
    if (member >= first.member) thing = first.thing;
  }
  return thing;
}

/// Where something is wrong: a member of a thing. What has an id is told by it, so that it is found
/// however things are moved meanwhile; what stands in a list without ids (stations, angles) by its
/// number there, from 0.
struct Where {
  Member member = Member::whole;
  /// Of the zone, cut, stripe, mask, fill, set, layer, place, row, scatter or step.
  std::string id{};
  int number = -1;
  /// The cup's place in the order, from 0, where the whole order is looked at; −1 within a cup.
  int cup = -1;

  Where() = default;
  Where(Member of) : member(of) {}  // NOLINT(google-explicit-constructor): a member says where
  Where(Member of, std::string thing) : member(of), id(std::move(thing)) {}
  Where(Member of, std::size_t at) : member(of), number(static_cast<int>(at)) {}

  /// The same of a thing, for what was told before it was known of which.
  Where of(std::string thing) const {
    Where where = *this;
    where.id = std::move(thing);
    return where;
  }
  bool empty() const { return member == Member::whole; }

  friend bool operator==(const Where&, const Where&) = default;
  friend auto operator<=>(const Where&, const Where&) = default;
};

}  // namespace avrelt
