// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/fill_rules.h"

#include <algorithm>
#include <cmath>

#include "pattern/colour_difference.h"

namespace avrelt {
namespace {

std::string named(const FillPlan& plan, const std::vector<int>& cells) {
  constexpr std::size_t most = 6;
  std::string names;
  for (std::size_t i = 0; i < cells.size() && i < most; ++i) {
    names += (i == 0 ? "" : ", ") + plan.cells[static_cast<std::size_t>(cells[i])].label;
  }
  return cells.size() > most ? names + " …" : names;
}

std::string called(const Finish& finish) {
  return finish.name.empty() ? finish.colour : finish.name;
}

Sentence clashWords(const Fill& fill, const FillPlan& plan) {
  const auto count = static_cast<long>(plan.colouring.clashes.size());
  const auto colours = static_cast<long>(fill.colours.size());
  if (!plan.colouring.proof) {
    const auto& [a, b] = plan.colouring.clashes.front();
    return {
        "In zone %1 %2 pairs of neighbours are alike, %3 for one. Add a colour, or even out "
        "the shares.",
        {plan.zone, count, named(plan, {a, b})}};
  }
  const std::string members = named(plan, plan.colouring.proof->members);
  switch (plan.colouring.proof->why) {
    case Impossible::Why::clique:
      return {
          "In zone %1 the cells %2 all touch each other: %3 colours cannot do. Add one; %4 "
          "pairs are alike now.",
          {plan.zone, members, colours, count}};
    case Impossible::Why::oddRing:
      return {
          "In zone %1 the cells %2 stand in an odd ring: 2 colours cannot do. Add one; %3 pairs "
          "are alike now.",
          {plan.zone, members, count}};
    case Impossible::Why::pins:
      break;
  }
  return {
      "In zone %1 the colours given by hand leave none for their neighbours: %2 pairs are "
      "alike. Free one of %3, or add a colour.",
      {plan.zone, count, members}};
}

}  // namespace

std::vector<Watch> watchFills(const std::vector<Fill>& fills, const std::vector<FillPlan>& plans,
                              const Body& body) {
  constexpr Length thin = Length::mm(1.5);
  constexpr Length finest = Length::mm(1);
  constexpr double muchStretch = 0.03;
  std::vector<Watch> watches;
  for (std::size_t i = 0; i < fills.size(); ++i) {
    const bool planned = std::any_of(plans.begin(), plans.end(), [&](const FillPlan& plan) {
      return plan.fill == static_cast<int>(i);
    });
    if (planned) continue;
    watches.push_back({"pattern_waits",
                       WatchLevel::note,
                       "fills[" + std::to_string(i) + "].zone",
                       {"The pattern “%1” waits for a zone that is not there. Cut the wall as it "
                        "was, or fill another zone.",
                        {inWords(familyTitle(fills[i].pattern.family), Unit::mm)}}});
  }
  for (const FillPlan& plan : plans) {
    const Fill& fill = fills[static_cast<std::size_t>(plan.fill)];
    const std::string field = "fills[" + std::to_string(plan.fill) + "].";
    const auto watch = [&](const char* rule, WatchLevel level, const char* member,
                           Sentence sentence) {
      watches.push_back({rule, level, field + member, std::move(sentence)});
    };
    if (!plan.colouring.clashes.empty()) {
      watch("neighbours_alike", WatchLevel::warn, "colours", clashWords(fill, plan));
    }
    for (std::size_t i = 0; i < fill.colours.size(); ++i) {
      for (std::size_t j = i + 1; j < fill.colours.size(); ++j) {
        const Finish& one = fill.colours[i].finish;
        const Finish& other = fill.colours[j].finish;
        const bool kinds = one.kind == other.kind;
        if (!kinds || colourDifference(labOf(one.colour), labOf(other.colour)) > alikeUnder) {
          continue;
        }
        watch("colours_alike", WatchLevel::note, "colours",
              {"“%1” and “%2” look alike on a cup. Choose one darker or lighter.",
               {called(one), called(other)}});
      }
    }
    if (!plan.alikeBeyond.empty()) {
      std::vector<int> members;
      for (const std::size_t cell : plan.alikeBeyond) members.push_back(static_cast<int>(cell));
      watch("alike_beyond", WatchLevel::warn, "colours",
            {"In zone %1 the cells %2 are like one across the zone's edge. Add a colour, or give a "
             "cell another.",
             {plan.zone, named(plan, members)}});
    }
    const auto barred = plan.colouring.misplaced.size() - plan.alikeBeyond.size();
    if (barred > 0) {
      watch(
          "colour_not_here", WatchLevel::warn, "colours",
          {"In zone %1 %2 cells have a colour that is not to be there. Add a colour, or allow it.",
           {plan.zone, static_cast<long>(barred)}});
    }
    if (plan.thinnest < thin) {
      watch("thin_cells", WatchLevel::note, "pattern.size",
            {"In zone %1 the narrowest cell is about %2 wide: hard to weed. Make cells larger or "
             "the line thinner.",
             {plan.zone, plan.thinnest}});
    }
    if (std::abs(plan.fit.stretchWide) > muchStretch) {
      watch("stretched_cells", WatchLevel::note, "pattern.repeats",
            {plan.fit.stretchWide > 0
                 ? "In zone %1 cells are %2 % wider than they should be, to close at "
                   "the seam. Take another number of repeats."
                 : "In zone %1 cells are %2 % narrower than they should be, to close "
                   "at the seam. Take another number of repeats.",
             {plan.zone, static_cast<long>(std::lround(std::abs(plan.fit.stretchWide) * 100))}});
    }
    const double squash = plan.fit.squash();
    const double most = std::max(std::abs(squash), plan.fit.narrowing);
    if (fill.pattern.artwork && fill.pattern.artwork->picture && most > muchStretch) {
      watch("picture_narrowed", WatchLevel::note, "pattern.taperFit",
            {"In zone %1 the taper narrows or widens the picture by up to %2 %. Let it keep its "
             "size, or put it where the cup is straight.",
             {plan.zone, static_cast<long>(std::lround(most * 100))}});
    }
    if (std::abs(plan.fit.stretchTall) > muchStretch && fill.pattern.heightFit == HeightFit::whole) {
      watch("stretched_tall", WatchLevel::note, "pattern.heightFit",
            {"In zone %1 cells are %2 % off their height, to end at its edges. Take another size.",
             {plan.zone, static_cast<long>(std::lround(std::abs(plan.fit.stretchTall) * 100))}});
    }
    if (fill.cutting.lines != LineWork::leave && fill.pattern.line.length == Length() &&
        !fill.pattern.artwork) {
      watch("no_lines", WatchLevel::note, "pattern.line",
            {"In zone %1 there are no lines between cells to be made. Give the line a width, or "
             "leave it.",
             {plan.zone}});
    } else if (fill.cutting.lines == LineWork::piece && fill.pattern.line.length < finest &&
               !fill.pattern.artwork) {
      watch("thin_lines", WatchLevel::note, "pattern.line",
            {"In zone %1 lines of %2 tear when they are weeded. Give them 1 mm, or lay tape.",
             {plan.zone, fill.pattern.line.length}});
    }
    if (plan.tape.bends) {
      watch("tape_bends", WatchLevel::note, "cutting.lines",
            {"In zone %1 the lines bend: tape follows them badly. Cut them as one piece.",
             {plan.zone}});
    }
    const bool straight = body.isCone() && body.cone().isCylinder();
    if (fill.pattern.taperFit == TaperFit::keep && !straight) {
      watch("seam_meets", WatchLevel::note, "pattern.taperFit",
            {"In zone %1 cells keep their size, so the seam shows. Put it at the back, or under an "
             "upright stripe.",
             {plan.zone}});
    }
    if (!body.isCone()) {
      watch("cells_on_curve", WatchLevel::note, "pattern.size",
            {"The wall curves both ways: the stencil of zone %1 fits only nearly. Try its key on "
             "paper, and cut it into strips where it wrinkles.",
             {plan.zone}});
    }
  }
  return watches;
}

}  // namespace avrelt
