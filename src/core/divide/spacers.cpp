// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/spacers.h"

#include <cmath>

#include "divide/split.h"

namespace avrelt {

Checked<SpacerRun> spacerRun(const RingCut& cut, Length low, Length high) {
  constexpr Length thinnest = Length::mm(0.5);
  constexpr Length slack = Length::mm(1e-6);
  const Length tape = cut.tape.length;
  const Length spacer = cut.spacer.length;
  for (const auto& [member, width] :
       {std::pair{Member::cutTape, tape}, std::pair{Member::cutSpacer, spacer}}) {
    if (width >= thinnest) continue;
    return refuse(member, "Tape %1 wide cannot be laid. Give at least %2.", {width, thinnest});
  }
  const Length room = high - low;
  if (tape > room + slack) {
    return refuse(Member::cutTape,
                  "A stripe %1 wide does not fit a zone %2 tall. Take a narrower tape.",
                  {tape, room});
  }
  const auto fit = static_cast<int>(std::floor((room + spacer + slack) / (tape + spacer)));
  if (cut.stripes < 0 || cut.stripes > fit) {
    return refuse(Member::cutStripes,
                  "%1 stripes do not fit: there is room for %2. Give that at most.",
                  {static_cast<long>(cut.stripes), static_cast<long>(fit)});
  }
  SpacerRun run;
  run.stripes = cut.stripes == 0 ? fit : cut.stripes;
  run.leftOver = room - (tape * run.stripes + spacer * (run.stripes - 1));
  if (run.leftOver < Length::mm(0.001)) run.leftOver = Length();
  const double above = cut.leftover == Leftover::top ? 1 : cut.leftover == Leftover::base ? 0 : 0.5;
  Length at = high - run.leftOver * above;
  for (int i = 0; i < run.stripes; ++i) {
    run.lines.push_back(at);
    run.middles.push_back(at - tape / 2);
    at -= tape;
    run.lines.push_back(at);
    at -= spacer;
  }
  return run;
}

SpacerTape tapeFor(const SpacerRun& run, const Region& zone, const Body& body) {
  SpacerTape needed;
  const auto along = [&](Length s) {
    Length length = tapeTab;
    for (const WallLine& stretch :
         zone.stretchesOf({{-Angle::halfTurn(), s}, {Angle::halfTurn(), s}})) {
      length += lengthOn(body, stretch);
    }
    return length;
  };
  for (std::size_t i = 0; i < run.middles.size(); ++i) {
    needed.stripes += along(run.middles[i]);
    if (i > 0) needed.spacers += along((run.middles[i - 1] + run.middles[i]) / 2);
  }
  return needed;
}

}  // namespace avrelt
