// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/where_text.h"

#include <functional>
#include <iterator>
#include <map>

#include "divide/part_ids.h"

namespace avrelt {
namespace {

struct MemberText {
  Member member;
  std::string_view text;
};

// clang-format off
constexpr MemberText texts[] = {
    // Not of an order: of a dialog, a shop, a drawing.
    {Member::whole, ""}, {Member::drawnShape, ""}, {Member::artwork, "artwork"},
    {Member::joining, "joining"}, {Member::tracedPicture, "picture"},
    {Member::traceApart, "trace.apart"}, {Member::traceCorners, "trace.corners"},
    {Member::photoMarks, "photo.marks"}, {Member::photoDistance, "photo.distance"},
    {Member::photoFront, "photo.front"}, {Member::wordsText, "words.text"},
    {Member::wordsFace, "words.face"}, {Member::wordsCapHeight, "words.cap_height"},
    {Member::wordsArc, "words.arc"}, {Member::clusterOf, "cluster.of"},
    {Member::clusterWide, "cluster.wide"}, {Member::clusterTall, "cluster.tall"},
    {Member::clusterMotif, "cluster.motif"}, {Member::stockWide, "stock.wide"},
    {Member::stockTall, "stock.tall"}, {Member::stockCount, "stock.count"},
    {Member::stockOutline, "stock.outline"}, {Member::printerWide, "printer.wide"},
    {Member::printerTall, "printer.tall"}, {Member::printerLeft, "printer.left"},
    {Member::printerRight, "printer.right"}, {Member::printerTop, "printer.top"},
    {Member::printerBottom, "printer.bottom"}, {Member::printerDots, "printer.dots"},
    {Member::printerBleed, "printer.bleed"}, {Member::sheetWide, "sheet.wide"},
    {Member::sheetTall, "sheet.tall"}, {Member::sheetMargin, "sheet.margin"},
    {Member::sheetLap, "sheet.lap"}, {Member::sheetGap, "sheet.gap"},
    {Member::cutterWidest, "cutter.widest"}, {Member::cutterLongest, "cutter.longest"},
    {Member::cutterOffset, "cutter.offset"}, {Member::cutterOvercut, "cutter.overcut"},
    {Member::foundRight, "found.right"}, {Member::foundUp, "found.up"}, {Member::amount, "amount"},
    {Member::supplyName, "name"}, {Member::supplyColour, "colour"}, {Member::supplyPrice, "price"},
    {Member::supplyLow, "low"}, {Member::costPerHour, "per_hour"}, {Member::costPerCup, "per_cup"},
    {Member::costWaste, "waste"}, {Member::costFactor, "factor"},
    {Member::costRoundTo, "round_to"},
    // Of the order.
    {Member::cups, "cups"},
    // Of a cup; those with a number, of one in a list.
    {Member::name, "name"}, {Member::stations, "blank.stations"},
    {Member::stationAt, "blank.stations[#].at"},
    {Member::stationGirth, "blank.stations[#].around"}, {Member::feature, "blank.features[#]"},
    {Member::featureAt, "blank.features[#].at"}, {Member::featureWide, "blank.features[#].wide"},
    {Member::featureLow, "blank.features[#].low"}, {Member::featureHigh, "blank.features[#].high"},
    {Member::fillet, "blank.fillet"}, {Member::rimClearance, "wrap.rim_clearance"},
    {Member::baseClearance, "wrap.base_clearance"}, {Member::overlap, "wrap.overlap"},
    {Member::seamAt, "wrap.seam_at"}, {Member::laying, "wrap.laying"},
    {Member::wrapOver, "wrap.over"}, {Member::overhang, "base.overhang"},
    {Member::discClearance, "base.disc_clearance"}, {Member::laidAfter, "build_up.laid_after"},
    {Member::sizedFor, "build_up.sized_for"}, {Member::laid, "build_up.laid"},
    {Member::laidOwnAfter, "build_up.laid[#].after"}, {Member::laidOwnOf, "build_up.laid[#].of"},
    {Member::stack, "build_up"},
    {Member::measured, "build_up.measured"}, {Member::measuredAfter, "build_up.measured[#].after"},
    {Member::measuredAt, "build_up.measured[#].at"},
    {Member::measuredGirth, "build_up.measured[#].around"},
    {Member::outOfRound, "doubt.out_of_round"}, {Member::liquidSpace, "liquid.space_ml"},
    {Member::liquidGlycerin, "liquid.glycerin"}, {Member::liquidRoom, "liquid.room"},
    {Member::liquidWarmest, "liquid.warmest_c"}, {Member::liquidBand, "liquid.band"},
    {Member::liquidOverlap, "liquid.overlap"}, {Member::liquidSealAt, "liquid.seal_at"},
    {Member::stripAt, "strip.at"}, {Member::stripWidth, "strip.width"},
    {Member::tapeWidth, "divide.tape_width"}, {Member::fillingOrder, "divide.order[#]"},
    {Member::cutRecord, "cuts[#]"}, {Member::supplies, "supplies"},
    // Of a zone of its division, kept or made by a cut.
    {Member::zone, ""}, {Member::edgeBy, "finish.edge_by"},
    {Member::patchAcross, "finish.patch_across"}, {Member::picture, "finish.print"},
    {Member::pictureWide, "finish.print.wide"}, {Member::pictureAt, "finish.print.at"},
    {Member::pictureUp, "finish.print.up"}, {Member::pictureTurn, "finish.print.turn"},
    // Of a cut.
    {Member::cut, ""}, {Member::cutBy, "by"}, {Member::cutCount, "count"},
    {Member::cutWidths, "widths[#]"}, {Member::cutPlaces, "places[#]"},
    {Member::cutAngles, "angles[#]"}, {Member::cutTape, "tape"}, {Member::cutSpacer, "spacer"},
    {Member::cutStripes, "stripes"}, {Member::cutAt, "at"}, {Member::cutTo, "to"},
    {Member::cutRepeat, "repeat"}, {Member::cutWide, "wide"}, {Member::cutDeep, "deep"},
    {Member::cutLow, "low"}, {Member::cutHigh, "high"}, {Member::cutSwing, "swing"},
    // Of a stripe.
    {Member::stripeLine, "line"}, {Member::stripeWidth, "width"},
    {Member::stripeOverlap, "overlap"}, {Member::stripeJoin, "join"},
    {Member::stripeSpares, "spares"},
    // Of a cover or a window.
    {Member::maskZones, "zones"}, {Member::maskMargin, "margin"},
    // Of a pattern that fills a zone.
    {Member::fillZone, "zone"}, {Member::colours, "colours"}, {Member::style, "style"},
    {Member::pins, "pins"}, {Member::cuttingLines, "cutting.lines"},
    {Member::patternSize, "pattern.size"}, {Member::patternLine, "pattern.line"},
    {Member::patternRatio, "pattern.ratio"}, {Member::patternRepeats, "pattern.repeats"},
    {Member::patternTaper, "pattern.school"}, {Member::patternRise, "pattern.rise"},
    {Member::patternArtwork, "pattern.artwork"},
    // Of a set.
    {Member::set, ""}, {Member::setArtwork, "artwork"}, {Member::setSize, "size"},
    {Member::setTurn, "turn"}, {Member::setLimit, "limit"}, {Member::setDrop, "drop_specks"},
    {Member::layers, "layers"}, {Member::places, "places"},
    // Of a layer of a set.
    {Member::layerOffset, "offset"}, {Member::layerLap, "lap"},
    {Member::layerSmallest, "smallest_opening"}, {Member::layerMirrored, "mirrored"},
    {Member::layerSource, "source"}, {Member::layerPrint, "print"},
    {Member::printWide, "print.wide"}, {Member::printRight, "print.right"},
    {Member::printUp, "print.up"}, {Member::printTurn, "print.turn"},
    // Of a place of a set.
    {Member::placeUp, "up"}, {Member::placeAt, "at"}, {Member::placeTurn, "turn"},
    // Of a row of sets.
    {Member::rowSets, "sets"}, {Member::rowCount, "count"}, {Member::rowLines, "lines"},
    {Member::rowGap, "gap"}, {Member::rowApart, "lines_apart"}, {Member::rowUp, "up"},
    {Member::rowAt, "at"},
    // Of a scatter.
    {Member::scatterSets, "sets"}, {Member::scatterZone, "zone"}, {Member::scatterCount, "count"},
    {Member::scatterGap, "gap"}, {Member::scatterAway, "away"}, {Member::scatterItems, "items"},
    // Of a step of the schedule.
    {Member::step, ""},
};
// clang-format on

constexpr bool standInOrder() {
  if (std::size(texts) != memberCount) return false;
  for (std::size_t i = 0; i < memberCount; ++i) {
    if (static_cast<std::size_t>(texts[i].member) != i) return false;
  }
  return true;
}
static_assert(standInOrder(), "each member stands in the table where it stands among members");

std::string numbered(std::string_view list, std::size_t number) {
  return std::string(list) + "[" + std::to_string(number) + "]";
}

/// Calls with everything of a cup that has an id: what it is, its id, and its path.
template <typename Call>
void eachThing(const ZoneNode& node, const std::string& id, const std::string& path, PartIds& ids,
               const Call& call) {
  call(Thing::zone, id, path);
  if (!node.cut) return;
  const std::string& cut = cutIdOf(node, id);
  call(Thing::cut, cut, path + ".cut");
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    const ZoneNode& part = node.parts[i];
    eachThing(part, part.id.empty() ? ids.ofPart(cut, i) : part.id, numbered(path + ".parts", i),
              ids, call);
  }
}
template <typename List, typename Call>
void eachThing(const List& list, Thing thing, std::string_view path, const Call& call) {
  for (std::size_t i = 0; i < list.size(); ++i) call(thing, list[i].id, numbered(path, i));
}
template <typename Call>
void eachThing(const Cup& cup, const Call& call) {
  const ZoneNode& body = cup.division.body;
  PartIds ids(body);
  eachThing(body, body.id, "divide.body", ids, call);
  eachThing(cup.division.stripes, Thing::stripe, "divide.stripes", call);
  eachThing(cup.division.masks, Thing::mask, "divide.masks", call);
  eachThing(cup.fills, Thing::fill, "fills", call);
  eachThing(cup.buildUp.coats, Thing::none, "build_up.coats", call);
  eachThing(cup.sets, Thing::set, "sets", call);
  eachThing(cup.rows, Thing::row, "rows", call);
  eachThing(cup.scatters, Thing::scatter, "scatters", call);
  for (std::size_t i = 0; i < cup.scatters.size(); ++i) {
    for (std::size_t k = 0; k < cup.scatters[i].items.size(); ++k) {
      call(Thing::none, cup.scatters[i].items[k].place.id,
           numbered(numbered("scatters", i) + ".items", k));
    }
  }
  for (std::size_t i = 0; i < cup.sets.size(); ++i) {
    eachThing(cup.sets[i].layers, Thing::layer, numbered("sets", i) + ".layers", call);
    eachThing(cup.sets[i].places, Thing::place, numbered("sets", i) + ".places", call);
  }
}

/// The list in which things of a kind stand.
std::string_view listOf(Thing thing) {
  static constexpr std::string_view lists[] = {
      "",      "",     "",     "divide.body", "divide.body", "divide.stripes", "divide.masks",
      "fills", "sets", "sets", "sets",        "rows",        "scatters",       "bench"};
  return lists[static_cast<std::size_t>(thing)];
}

/// A member's text with its number, where it has one.
std::string memberText(const Where& where) {
  std::string text(textOf(where.member));
  const auto at = text.find("[#]");
  if (at == std::string::npos) return text;
  if (where.number < 0) return text.substr(0, at);
  return text.replace(at, 3, "[" + std::to_string(where.number) + "]");
}

/// A girth is written by how it was measured.
bool isAcross(const Where& where, const Cup& cup) {
  const auto number = static_cast<std::size_t>(where.number);
  if (where.member == Member::stationGirth && number < cup.blank.stations.size()) {
    return cup.blank.stations[number].girthIs == Girth::across;
  }
  return where.member == Member::measuredGirth && number < cup.buildUp.measured.size() &&
         cup.buildUp.measured[number].station.girthIs == Girth::across;
}

}  // namespace

std::string_view textOf(Member member) {
  return texts[static_cast<std::size_t>(member)].text;
}

std::string pathOf(const Where& where, const Cup& cup) {
  std::string text = memberText(where);
  if (isAcross(where, cup)) {
    const auto girth = text.rfind("around");
    if (girth != std::string::npos) text.replace(girth, 6, "across");
  }
  const Thing thing = thingOf(where.member);
  if (where.id.empty() || listOf(thing).empty()) {
    return text.empty() || listOf(thing).empty() ? text : std::string(listOf(thing));
  }
  std::string path(listOf(thing));
  bool found = false;
  eachThing(cup, [&](Thing kind, const std::string& id, const std::string& at) {
    if (found || kind != thing || id != where.id) return;
    path = at;
    found = true;
  });
  return !found || text.empty() ? path : path + "." + text;
}

std::string pathOf(const Where& where, const Document& document) {
  const auto cup = static_cast<std::size_t>(where.cup);
  if (where.cup < 0 || cup >= document.cups.size()) return memberText(where);
  const std::string path = pathOf(where, document.cups[cup]);
  return path.empty() ? numbered("cups", cup) : numbered("cups", cup) + "." + path;
}

std::optional<TwiceTold> idTwice(const Cup& cup) {
  std::map<std::string, std::string> first;
  std::optional<TwiceTold> twice;
  const auto see = [&](const std::string& id, const std::string& path) {
    if (id.empty() || twice) return;
    const auto [at, isNew] = first.try_emplace(id, path);
    if (!isNew) twice = TwiceTold{path, id, at->second};
  };
  const std::function<void(const ZoneNode&, const std::string&)> zones =
      [&](const ZoneNode& node, const std::string& path) {
        see(node.id, path + ".id");
        if (node.cut) see(node.cut->id, path + ".cut.id");
        for (std::size_t i = 0; i < node.parts.size(); ++i) {
          zones(node.parts[i], numbered(path + ".parts", i));
        }
      };
  zones(cup.division.body, "divide.body");
  eachThing(cup, [&](Thing thing, const std::string& id, const std::string& path) {
    if (thing != Thing::zone && thing != Thing::cut) see(id, path + ".id");
  });
  return twice;
}

}  // namespace avrelt
