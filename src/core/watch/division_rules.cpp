// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/division_rules.h"

#include <algorithm>
#include <functional>

#include "divide/program.h"
#include "measure/colour.h"

namespace avrelt {
namespace {

/// The ring on which a tape of this width is strained most.
const DivideLine* hardestRing(const Divided& divided, const Body& body, Length width) {
  const DivideLine* hardest = nullptr;
  double most = 0;
  for (const DivideLine& line : divided.lines) {
    if (line.kind != CutKind::rings || line.stretches.empty()) continue;
    const double strain = tapeStrain(body, line.stretches.front().front().s, width);
    if (strain <= most) continue;
    most = strain;
    hardest = &line;
  }
  return hardest;
}

void watchStripes(const Division& division, const Divided& divided,
                  const std::vector<StripePlan>& stripes, const Body& body,
                  const std::function<void(Rule, WatchLevel, Where, Sentence)>& watch) {
  constexpr Length thinnest = Length::mm(0.5);
  constexpr Length same = Length::mm(0.05);
  for (const StripePlan& stripe : stripes) {
    if (stripe.width < thinnest) {
      watch(Rule::thinStripe, WatchLevel::warn, Where(Member::stripeWidth, stripe.id),
            {"A stripe of %1 is thinner than a blade can cut. Was %2 meant?",
             {stripe.width, stripe.width * 10}});
    }
    const bool owned = std::any_of(
        division.tapes.begin(), division.tapes.end(),
        [&](const WrittenLength& tape) { return abs(tape.length - stripe.width) < same; });
    if (stripe.kind == StripeKind::tape && !owned) {
      watch(Rule::tapeNotOwned, WatchLevel::note, Where(Member::stripeWidth, stripe.id),
            {"No tape %1 wide is among yours. Take one you have, or cut the stripe from film.",
             {stripe.width}});
    }
    const bool twice = std::any_of(stripes.begin(), stripes.end(), [&](const StripePlan& other) {
      return other.line == stripe.line && other.stripe < stripe.stripe &&
             abs(other.width - stripe.width) < same;
    });
    if (twice) {
      watch(Rule::stripeTwice, WatchLevel::note, Where(Member::stripeWidth, stripe.id),
            {"Two stripes of %1 lie on line %2, one over the other. Make one of them narrower, or "
             "remove it.",
             {stripe.width, stripe.line}});
    }
    if (stripe.join == StripeJoin::hidden && stripe.joinUnder.empty()) {
      watch(Rule::joinShows, WatchLevel::note, Where(Member::stripeJoin, stripe.id),
            {"No stripe crosses line %1 to hide its join: it is joined at the seam. Lay a stripe "
             "on an upright or a V.",
             {stripe.line}});
    }
    if (!stripe.closed) continue;
    const auto line =
        std::find_if(divided.lines.begin(), divided.lines.end(),
                     [&](const DivideLine& candidate) { return candidate.id == stripe.line; });
    Length low = body.wall();
    Length high;
    for (const WallLine& stretch : line->stretches) {
      for (const WallPoint& p : stretch) {
        low = std::min(low, p.s);
        high = std::max(high, p.s);
      }
    }
    const Length under = low - stripe.width / 2;
    const Length over = body.wall() - high - stripe.width / 2;
    if (std::min(under, over) >= bareEnough) continue;
    const bool rim = over < under;
    watch(Rule::stripeOverEdge, WatchLevel::warn, Where(Member::stripeWidth, stripe.id),
          {rim ? "The stripe on line %1 comes within %2 of the rim. Keep %3 of bare steel there: "
                 "lower the line or take a narrower stripe."
               : "The stripe on line %1 comes within %2 of the base edge, where it wears off. "
                 "Keep %3 clear there: raise the line or take a narrower stripe.",
           {stripe.line, std::max(rim ? over : under, Length()), bareEdge}});
  }
}

}  // namespace

std::vector<Watch> watchDivision(const Division& division, const Divided& divided,
                                 const std::vector<StripePlan>& stripes, const Body& body) {
  std::vector<Watch> watches;
  const auto watch = [&](Rule rule, WatchLevel level, Where where, Sentence sentence) {
    watches.push_back({rule, level, std::move(where), std::move(sentence)});
  };
  const Length width = division.tapeWidth.length;
  if (const DivideLine* ring = hardestRing(divided, body, width)) {
    const Length s = ring->stretches.front().front().s;
    const double strain = tapeStrain(body, s, width);
    if (strain > stretchyTapeBears) {
      watch(Rule::tapePuckers, WatchLevel::warn, Member::tapeWidth,
            {"On line %1 tape %2 wide will not lie: even stretchy tape takes %3 at most on this "
             "taper. Use a narrower one.",
             {ring->id, width, widestTape(body, s, stretchyTapeBears)}});
    } else if (strain > paperTapeBears) {
      watch(Rule::tapePuckers, WatchLevel::note, Member::tapeWidth,
            {"On line %1 paper tape %2 wide puckers on this taper. Take stretchy tape, or paper up "
             "to %3 wide.",
             {ring->id, width, widestTape(body, s, paperTapeBears)}});
    }
  }
  for (std::size_t i = 0; i < division.order.size(); ++i) {
    const bool there = std::any_of(divided.zones.begin(), divided.zones.end(),
                                   [&](const Zone& zone) { return zone.id == division.order[i]; });
    if (there) continue;
    watch(Rule::turnOfNone, WatchLevel::note, Where(Member::fillingOrder, i),
          {"The order of filling names a zone that is not there, “%1”, and passes it over. Fill in "
           "the usual order, or move a zone to put it right.",
           {division.order[i]}});
  }
  const std::vector<const Zone*> order = fillingOrder(divided, division.order);
  for (std::size_t i = 1; i < order.size(); ++i) {
    const Finish& before = order[i - 1]->finish;
    const Finish& after = order[i]->finish;
    if (before.kind == FinishKind::film && after.kind == FinishKind::glitter) {
      watch(Rule::filmBeforeGlitter, WatchLevel::warn, Member::fillingOrder,
            {"Film goes on %1 before glitter on %2: loose glitter will stick to it. Film comes "
             "last.",
             {order[i - 1]->letter, order[i]->letter}});
      break;
    }
    const bool both = before.kind == FinishKind::glitter && after.kind == FinishKind::glitter;
    if (both && luminanceOf(before.colour) > luminanceOf(after.colour) + 0.02) {
      watch(Rule::lightBeforeDark, WatchLevel::note, Member::fillingOrder,
            {"Zone %1 is lighter than %2 and comes before it: dark grains show on light. Dark goes "
             "first.",
             {order[i - 1]->letter, order[i]->letter}});
      break;
    }
  }
  watchStripes(division, divided, stripes, body, watch);
  for (const LineMark& mark : divided.marks) {
    if (mark.at != MarkAt::ring) continue;
    const bool rim = mark.fromRim < bareEnough;
    if (!rim && mark.fromBase >= bareEnough) continue;
    const auto line = std::find_if(divided.lines.begin(), divided.lines.end(),
                                   [&](const DivideLine& one) { return one.id == mark.line; });
    watch(Rule::lineAtEdge, WatchLevel::note, Where(Member::cut, line->cut),
          {rim ? "Line %1 is %2 from the rim, where the last coats have to seal onto bare steel."
               : "Line %1 is %2 from the base edge, where decoration wears off.",
           {mark.line, rim ? mark.fromRim : mark.fromBase}});
    break;
  }
  return watches;
}

}  // namespace avrelt
