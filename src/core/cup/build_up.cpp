// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/build_up.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr double shareSpread = 0.12;
/// Half a sixteenth of an inch at most, evenly spread: 1/32 in / √3 of girth.
const Length tapeSpread = Length::inches(1.0 / 32) / std::sqrt(3.0) / (2 * pi);

std::string fieldOf(std::size_t index, const char* member) {
  return "build_up.measured[" + std::to_string(index) + "]." + member;
}

/// The thickness that a girth measured on the coated cup tells of.
Checked<Length> thicknessFrom(const Development& bare, const Remeasure& measure,
                              std::size_t index) {
  const Station& station = measure.station;
  const Length height = station.at.length;
  if (height > bare.wall()) {
    return refuse(fieldOf(index, "at"), "The girth was measured at %1, and the wall ends at %2.",
                  {height, bare.wall()});
  }
  const char* const member = station.girthIs == Girth::around ? "around" : "across";
  if (!station.girth) {
    return refuse(fieldOf(index, member), "The measurement has no girth. Type what the tape says.");
  }
  const double girth = station.girth->length.mm();
  const Length around = Length::mm(station.girthIs == Girth::around ? girth : girth * pi);
  const Length growth = around - bare.around(height);
  const bool vanishes = bare.aroundNarrow() + growth < Length::mm(1);
  if (growth < Length::mm(-1) || growth > Length::mm(30) || vanishes) {
    return refuse(fieldOf(index, member),
                  "%1 round does not fit this cup: bare it is %2 there, and coats add up to %3. "
                  "Measure again at the same place.",
                  {around, bare.around(height), Length::mm(30)});
  }
  return growth / (2 * pi * std::cos(bare.lean().radians()));
}

}  // namespace

Sentence coatName(const Coat& coat) {
  switch (coat.kind) {
    case CoatKind::paint:
      return {"paint", {}};
    case CoatKind::glitter:
      return coat.cut == GlitterCut::fine     ? Sentence{"fine glitter", {}}
             : coat.cut == GlitterCut::medium ? Sentence{"medium glitter", {}}
                                              : Sentence{"chunky glitter", {}};
    case CoatKind::resin:
      break;
  }
  return {"resin %1", {volumeText(coat.mixed)}};
}

CoatGrowth coatGrowth(const Coat& coat, Area wall) {
  switch (coat.kind) {
    case CoatKind::paint:
      return {Length::mm(0.03), Length::mm(0.02)};
    case CoatKind::glitter: {
      const Length thick = coat.cut == GlitterCut::fine     ? Length::mm(0.10)
                           : coat.cut == GlitterCut::medium ? Length::mm(0.20)
                                                            : Length::mm(0.45);
      return {thick, thick / 2};
    }
    case CoatKind::resin:
      break;
  }
  const double poured = coat.mixed.mm3() / wall.mm2();
  return {Length::mm(poured * resinShare), Length::mm(poured * shareSpread)};
}

Volume resinFor(Length thickness, Area wall) {
  return Volume::ml(thickness.mm() * wall.mm2() / 1000 / resinShare);
}

CheckedAll<std::vector<Stage>> stagesOf(const Development& bare, const BuildUp& buildUp) {
  Faults faults;
  const int count = static_cast<int>(buildUp.coats.size());
  if (buildUp.laidAfter < 0 || buildUp.laidAfter > count) {
    faults.push_back({"build_up.laid_after",
                      {"The pieces are laid after coat %1, and there are %2 coats.",
                       {static_cast<long>(buildUp.laidAfter), static_cast<long>(count)}}});
  }
  std::vector<Stage> stages(static_cast<std::size_t>(count) + 1);
  std::vector<bool> told(stages.size(), false);
  for (std::size_t i = 0; i < buildUp.measured.size(); ++i) {
    const int after = buildUp.measured[i].after;
    if (after < 1 || after > count) {
      faults.push_back({fieldOf(i, "after"),
                        {"The measurement was taken after coat %1, and there are %2 coats. The "
                         "bare cup is measured at its stations.",
                         {static_cast<long>(after), static_cast<long>(count)}}});
      continue;
    }
    const Checked<Length> thickness = thicknessFrom(bare, buildUp.measured[i], i);
    if (!thickness) {
      faults.push_back(thickness.error());
      continue;
    }
    // The last word counts where a stage was measured twice.
    Stage& stage = stages[static_cast<std::size_t>(after)];
    stage.thickness = *thickness;
    stage.measured = true;
    told[static_cast<std::size_t>(after)] = true;
  }
  if (!faults.empty()) return tl::unexpected(std::move(faults));

  const Area wall = areaOf(bare.wallOutline());
  Length together;   // spreads that go together since the last measurement
  double apart = 0;  // squares of those that do not, mm²
  for (std::size_t n = 0; n < stages.size(); ++n) {
    Stage& stage = stages[n];
    stage.after = static_cast<int>(n);
    if (n == 0) continue;
    if (told[n]) {
      together = Length();
      apart = tapeSpread.mm() * tapeSpread.mm();
    } else {
      const Coat& coat = buildUp.coats[n - 1];
      const CoatGrowth growth = coatGrowth(coat, wall);
      stage.thickness = stages[n - 1].thickness + growth.thickness;
      if (coat.kind == CoatKind::resin) {
        together += growth.spread;
      } else {
        apart += growth.spread.mm() * growth.spread.mm();
      }
    }
    stage.spread = Length::mm(std::sqrt(together.mm() * together.mm() + apart));
  }
  return stages;
}

}  // namespace avrelt
