// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/fill_rules.h"

#include <algorithm>
#include <cmath>

#include "measure/colour.h"

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

Sentence clashWords(const Fill& fill, const FillPlan& plan) {
  const auto count = static_cast<long>(plan.colouring.clashes.size());
  const auto colours = static_cast<long>(fill.colours.size());
  if (!plan.colouring.proof) {
    const auto& [a, b] = plan.colouring.clashes.front();
    return {
        "In zone %1 %2 pairs of neighbours are alike, %3 for one. Add a colour, or even out "
        "the shares.",
        {plan.letter, count, named(plan, {a, b})}};
  }
  const std::string members = named(plan, plan.colouring.proof->members);
  switch (plan.colouring.proof->why) {
    case Impossible::Why::clique:
      return {
          "In zone %1 the cells %2 all touch each other: %3 colours cannot do. Add one; %4 "
          "pairs are alike now.",
          {plan.letter, members, colours, count}};
    case Impossible::Why::oddRing:
      return {
          "In zone %1 the cells %2 stand in an odd ring: 2 colours cannot do. Add one; %3 pairs "
          "are alike now.",
          {plan.letter, members, count}};
    case Impossible::Why::pins:
      break;
  }
  return {
      "In zone %1 the colours given by hand leave none for their neighbours: %2 pairs are "
      "alike. Free one of %3, or add a colour.",
      {plan.letter, count, members}};
}

long wholePercent(double share) {
  return std::lround(share * 100);
}

/// What is said of a colour given by hand that cannot be.
Sentence pinWords(const FillPlan& plan, const Fill& fill, const PinTrouble& trouble) {
  const Pin& pin = fill.pins[static_cast<std::size_t>(trouble.pin)];
  switch (trouble.why) {
    case PinTrouble::Why::noColour:
      return {
          "In zone %1 a cell is given colour %2 by hand, and the pattern has %3. Add a colour, "
          "or free the cell.",
          {plan.letter, static_cast<long>(pin.colour + 1), static_cast<long>(fill.colours.size())}};
    case PinTrouble::Why::noCell:
      return {
          "In zone %1 a colour is given by hand at %2 round the cup and %3 up the wall, and no "
          "cell is there. Give it to a cell, or take it back.",
          {plan.letter, pin.onCup, pin.up.length}};
    case PinTrouble::Why::again:
      return {
          "In zone %1 cell %2 is told two things by hand that cannot both be. The first holds; "
          "take one back.",
          {plan.letter, trouble.cell}};
    case PinTrouble::Why::beside:
      break;
  }
  return {
      "In zone %1 the neighbours %2 and %3 are given one colour by hand. Give one of them "
      "another.",
      {plan.letter, trouble.cell, trouble.other}};
}

/// What is said where cells are against their style.
Sentence styleWords(const FillPlan& plan, ColourStyle style) {
  const auto strays = static_cast<long>(plan.strays);
  const auto styled = static_cast<long>(plan.styled);
  switch (style) {
    case ColourStyle::gradient:
      return {
          "In zone %1 %2 of %3 cells are more than a step from their height's colour: where "
          "three touch each other, one has to be. Fewer colours stray less.",
          {plan.letter, strays, styled}};
    case ColourStyle::rows:
      return {
          "In zone %1 %2 of %3 cells are out of turn, as their neighbours do not allow it. "
          "Another number of repeats may.",
          {plan.letter, strays, styled}};
    case ColourStyle::symmetric:
    case ColourStyle::scatter:
    case ColourStyle::random:
      break;
  }
  return {
      "In zone %1 %2 of %3 cells have no mirror image of their colour. Move the pattern so that "
      "the front halves a cell, or take one that has two like sides.",
      {plan.letter, strays, styled}};
}

/// The rules of one fill, family by family.
class FillRules {
 public:
  FillRules(const Fill& fill, const FillPlan& plan, const Body& body)
      : fill_(fill), plan_(plan), body_(body) {}

  std::vector<Watch> operator()() {
    colours();
    cells();
    style();
    fit();
    lines();
    wall();
    return std::move(watches_);
  }

 private:
  void watch(Rule rule, WatchLevel level, Member member, Sentence sentence) {
    watches_.push_back({rule, level, Where(member, plan_.id), std::move(sentence)});
  }

  /// Its colours: alike, beside each other, or where none is to be.
  void colours() {
    if (!plan_.colouring.clashes.empty()) {
      watch(Rule::neighboursAlike, WatchLevel::warn, Member::colours, clashWords(fill_, plan_));
    }
    for (std::size_t i = 0; i < fill_.colours.size(); ++i) {
      for (std::size_t j = i + 1; j < fill_.colours.size(); ++j) {
        const Finish& one = fill_.colours[i].finish;
        const Finish& other = fill_.colours[j].finish;
        const bool kinds = one.kind == other.kind;
        if (!kinds || colourDifference(labOf(one.colour), labOf(other.colour)) > alikeUnder) {
          continue;
        }
        watch(Rule::coloursAlike, WatchLevel::note, Member::colours,
              {"“%1” and “%2” look alike on a cup. Choose one darker or lighter.",
               {finishWords(one), finishWords(other)}});
      }
    }
    if (!plan_.alikeBeyond.empty()) {
      std::vector<int> members;
      for (const std::size_t cell : plan_.alikeBeyond) members.push_back(static_cast<int>(cell));
      watch(Rule::alikeBeyond, WatchLevel::warn, Member::colours,
            {"In zone %1 the cells %2 are like one across the zone's edge. Add a colour, or give a "
             "cell another.",
             {plan_.letter, named(plan_, members)}});
    }
    const auto barred = plan_.colouring.misplaced.size() - plan_.alikeBeyond.size();
    if (barred > 0) {
      watch(Rule::colourNotHere, WatchLevel::warn, Member::colours,
            barred == 1
                ? Sentence{"In zone %1 a cell has a colour that is not to be there: no other "
                           "can. Add a colour, or allow it.",
                           {plan_.letter}}
                : Sentence{"In zone %1 %2 cells have a colour that is not to be there: no "
                           "other can. Add a colour, or allow it.",
                           {plan_.letter, static_cast<long>(barred)}});
    }
    for (const PinTrouble& trouble : plan_.pinTroubles) {
      watch(Rule::pinCannotBe, WatchLevel::warn, Member::pins, pinWords(plan_, fill_, trouble));
    }
  }

  /// Its cells: what of the zone they leave out, and how narrow they are.
  void cells() {
    const double dropped = plan_.droppedArea.mm2() / std::max(plan_.zoneArea.mm2(), 1e-9);
    if (plan_.dropped > 0) {
      watch(Rule::cellsDropped, dropped > muchDropped ? WatchLevel::warn : WatchLevel::note,
            Member::patternSize,
            plan_.dropped == 1
                ? Sentence{"In zone %1 a bit of %2 % of it is too narrow to be weeded and is no "
                           "cell. "
                           "Make cells larger or the line thinner.",
                           {plan_.letter, numberText(dropped * 100, 2)}}
                : Sentence{"In zone %1 %2 bits, %3 % of it, are too narrow to be weeded and are no "
                           "cells. Make cells larger or the line thinner.",
                           {plan_.letter, static_cast<long>(plan_.dropped),
                            numberText(dropped * 100, 2)}});
    }
    if (plan_.thinnest < thin) {
      watch(Rule::thinCells, WatchLevel::note, Member::patternSize,
            {"In zone %1 the narrowest cell is about %2 wide: hard to weed. Make cells larger or "
             "the line thinner.",
             {plan_.letter, plan_.thinnest}});
    }
  }

  /// Its style and shares.
  void style() {
    if (plan_.strays * 50 > plan_.styled) {
      watch(Rule::againstStyle, WatchLevel::note, Member::style, styleWords(plan_, fill_.style));
    }
    double wanted = 0;
    for (const CellColour& colour : fill_.colours) wanted += std::max(colour.share, 0.0);
    const bool shared = fill_.style == ColourStyle::scatter || fill_.style == ColourStyle::random ||
                        fill_.style == ColourStyle::symmetric;
    for (std::size_t c = 0; shared && wanted > 0 && c < plan_.shares.size(); ++c) {
      const double share = std::max(fill_.colours[c].share, 0.0) / wanted;
      // A cell more or less is no matter.
      const double cell = 1.5 / static_cast<double>(plan_.cells.size());
      if (std::abs(plan_.shares[c] - share) <= std::max(0.03, cell)) continue;
      watch(Rule::sharesOff, WatchLevel::note, Member::colours,
            {"In zone %1 “%2” takes %3 % instead of %4 %: nearer its neighbours do not allow.",
             {plan_.letter, finishWords(fill_.colours[c].finish), wholePercent(plan_.shares[c]),
              wholePercent(share)}});
      break;
    }
  }

  /// How it fits the zone.
  void fit() {
    if (std::abs(plan_.fit.stretchWide) > muchStretch) {
      watch(
          Rule::stretchedCells, WatchLevel::note, Member::patternRepeats,
          {plan_.fit.stretchWide > 0
               ? "In zone %1 cells are %2 % wider than they should be, to close at "
                 "the seam. Take another number of repeats."
               : "In zone %1 cells are %2 % narrower than they should be, to close "
                 "at the seam. Take another number of repeats.",
           {plan_.letter, static_cast<long>(std::lround(std::abs(plan_.fit.stretchWide) * 100))}});
    }
    const double squash = plan_.fit.squash();
    const double most = std::max(std::abs(squash), plan_.fit.narrowing);
    if (fill_.pattern.artwork && fill_.pattern.artwork->picture && most > muchStretch) {
      watch(Rule::pictureNarrowed, WatchLevel::note, Member::patternTaper,
            {"In zone %1 the taper narrows or widens the picture by up to %2 %. Let it keep its "
             "size, or put it where the cup is straight.",
             {plan_.letter, static_cast<long>(std::lround(most * 100))}});
    }
    if (std::abs(plan_.fit.stretchTall) > muchStretch &&
        fill_.pattern.heightFit == HeightFit::whole) {
      watch(
          Rule::stretchedTall, WatchLevel::note, Member::patternRise,
          {"In zone %1 cells are %2 % off their height, to end at its edges. Take another size.",
           {plan_.letter, static_cast<long>(std::lround(std::abs(plan_.fit.stretchTall) * 100))}});
    }
  }

  /// Its lines.
  void lines() {
    if (fill_.cutting.lines != LineWork::leave && fill_.pattern.line.length == Length() &&
        !fill_.pattern.artwork) {
      watch(Rule::noLines, WatchLevel::note, Member::patternLine,
            {"In zone %1 there are no lines between cells to be made. Give the line a width, or "
             "leave it.",
             {plan_.letter}});
    } else if (fill_.cutting.lines == LineWork::piece && fill_.pattern.line.length < finest &&
               !fill_.pattern.artwork) {
      watch(Rule::thinLines, WatchLevel::note, Member::patternLine,
            {"In zone %1 lines of %2 tear when they are weeded. Give them 1 mm, or lay tape.",
             {plan_.letter, fill_.pattern.line.length}});
    }
    if (plan_.tape.bends) {
      watch(Rule::tapeBends, WatchLevel::note, Member::cuttingLines,
            {"In zone %1 the lines bend: tape follows them badly. Cut them as one part.",
             {plan_.letter}});
    }
  }

  /// The wall it lies on.
  void wall() {
    const bool straight = body_.isCone() && body_.cone().isCylinder();
    if (fill_.pattern.taperFit == TaperFit::keep && !straight) {
      watch(Rule::seamMeets, WatchLevel::note, Member::patternTaper,
            {"In zone %1 cells keep their size, so the seam shows. Put it at the back, or under an "
             "upright stripe.",
             {plan_.letter}});
    }
    const FillStrips& parted = plan_.strips;
    if (parted.strips.empty()) return;
    const auto parts = static_cast<long>(parted.strips.size());
    const std::string strain = numberText(parted.strain * 100, 1);
    if (parted.tooMuch) {
      watch(Rule::stencilStrains, WatchLevel::warn, Member::patternSize,
            {"The wall curves so that cell %1 alone is off by up to %2, %3 % of it, more than the "
             "film bears. Make the cells smaller, or take film that stretches.",
             {plan_.cells[*parted.tooMuch].label, parted.misfit, strain}});
    } else if (!parted.bears) {
      watch(Rule::stencilStrains, WatchLevel::warn, Member::patternSize,
            {"Parted between its cells in %1, the stencil of zone %2 is still off by up to %3, %4 "
             "%, more than the film bears. Make the cells smaller, or take film that stretches.",
             {parts, plan_.letter, parted.misfit, strain}});
    } else if (parts > 1) {
      watch(Rule::stencilParted, WatchLevel::note, Member::patternSize,
            {"The wall curves both ways, so the stencil of zone %1 is cut in %2 parts along its "
             "own lines. They are off by %3 at most, %4 %, which the film takes up.",
             {plan_.letter, parts, parted.misfit, strain}});
    }
  }

  static constexpr Length thin = Length::mm(1.5);
  static constexpr Length finest = Length::mm(1);
  static constexpr double muchStretch = 0.03;
  static constexpr double muchDropped = 0.01;
  const Fill& fill_;
  const FillPlan& plan_;
  const Body& body_;
  std::vector<Watch> watches_;
};

}  // namespace

std::vector<Watch> watchFills(const std::vector<Fill>& fills, const std::vector<FillPlan>& plans,
                              const Body& body) {
  std::vector<Watch> watches;
  for (std::size_t i = 0; i < fills.size(); ++i) {
    const bool planned = std::any_of(plans.begin(), plans.end(), [&](const FillPlan& plan) {
      return plan.fill == static_cast<int>(i);
    });
    if (planned) continue;
    watches.push_back({Rule::patternWaits,
                       WatchLevel::note,
                       Where(Member::fillZone, fills[i].id),
                       {"The pattern “%1” waits for a zone that is not there. Cut the wall as it "
                        "was, or fill another zone.",
                        {inWords(familyTitle(fills[i].pattern.family), Unit::mm)}}});
  }
  for (const FillPlan& plan : plans) {
    const Fill& fill = fills[static_cast<std::size_t>(plan.fill)];
    for (Watch& one : FillRules(fill, plan, body)()) watches.push_back(std::move(one));
  }
  return watches;
}

}  // namespace avrelt
