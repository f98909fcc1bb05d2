// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/build_up.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

/// Half a sixteenth of an inch at most, evenly spread: 1/32 in / √3 of girth.
const Length tapeSpread = Length::inches(1.0 / 32) / std::sqrt(3.0) / (2 * pi);

/// The thickness that a girth measured on the coated cup tells of.
Checked<Length> thicknessFrom(const Body& bare, const Remeasure& measure, std::size_t index) {
  const Station& station = measure.station;
  const Length height = station.at.length;
  if (height > bare.wall()) {
    return refuse({Member::measuredAt, index},
                  "The girth was measured at %1, and the wall ends at %2.", {height, bare.wall()});
  }
  if (!station.girth) {
    return refuse({Member::measuredGirth, index},
                  "The measurement has no girth. Type what the tape says.");
  }
  const double girth = station.girth->length.mm();
  const Length around = Length::mm(station.girthIs == Girth::around ? girth : girth * pi);
  const Length growth = around - bare.around(height);
  const bool vanishes = bare.narrowestRadius() * (2 * pi) + growth < Length::mm(1);
  if (growth < Length::mm(-1) || growth > Length::mm(30) || vanishes) {
    return refuse({Member::measuredGirth, index},
                  "%1 round does not fit this cup: bare it is %2 there, and coats add up to %3. "
                  "Measure again at the same place.",
                  {around, bare.around(height), Length::mm(30)});
  }
  return growth / (2 * pi * std::cos(bare.lean(height).radians()));
}

void addLoad(CoatLoad& sum, const CoatLoad& load) {
  for (std::size_t i = 0; i < materialCount; ++i) sum[i] += load[i];
}

}  // namespace

Sentence coatName(const Coat& coat) {
  switch (coat.kind) {
    case CoatKind::paint:
      return coat.sprayed ? Sentence{"sprayed paint", {}} : Sentence{"paint", {}};
    case CoatKind::glitter:
      return coat.cut == GlitterCut::fine     ? Sentence{"fine glitter", {}}
             : coat.cut == GlitterCut::medium ? Sentence{"medium glitter", {}}
                                              : Sentence{"chunky glitter", {}};
    case CoatKind::resin:
      break;
  }
  return {"resin %1", {volumeText(coat.mixed)}};
}

int laidAfterOf(const BuildUp& buildUp, const std::string& id) {
  for (const OwnStage& own : buildUp.laid) {
    if (own.of == id) return own.after;
  }
  return buildUp.laidAfter;
}

void layAfter(BuildUp& buildUp, const std::string& id, int after) {
  std::vector<OwnStage>& laid = buildUp.laid;
  const auto own =
      std::find_if(laid.begin(), laid.end(), [&](const OwnStage& one) { return one.of == id; });
  if (after == buildUp.laidAfter) {
    if (own != laid.end()) laid.erase(own);
  } else if (own != laid.end()) {
    own->after = after;
  } else {
    laid.push_back({id, after});
  }
}

std::vector<int> stagesInUse(const BuildUp& buildUp) {
  std::vector<int> stages{buildUp.laidAfter};
  for (const OwnStage& own : buildUp.laid) {
    if (std::find(stages.begin(), stages.end(), own.after) == stages.end()) {
      stages.push_back(own.after);
    }
  }
  return stages;
}

CoatLoad loadOf(const Coat& coat, Area wall) {
  CoatLoad load{};
  const auto put = [&](Material material, double amount) {
    load[static_cast<std::size_t>(material)] = amount;
  };
  switch (coat.kind) {
    case CoatKind::paint:
      put(Material::paint, 1);
      break;
    case CoatKind::glitter:
      put(coat.cut == GlitterCut::fine     ? Material::fineGlitter
          : coat.cut == GlitterCut::medium ? Material::mediumGlitter
                                           : Material::chunkyGlitter,
          1);
      break;
    case CoatKind::resin:
      put(Material::resin, coat.mixed.mm3() / wall.mm2());
      break;
  }
  return load;
}

Volume resinFor(Length thickness, Area wall, const GrowthHabits& habits) {
  const double stays = std::max(habits.mean[static_cast<std::size_t>(Material::resin)], 0.01);
  return Volume::ml(thickness.mm() * wall.mm2() / 1000 / stays);
}

std::vector<GrowthRecord> recordsOf(const Body& bare, const BuildUp& buildUp) {
  std::vector<GrowthRecord> records;
  const Area wall = bare.area();
  for (std::size_t i = 0; i < buildUp.measured.size(); ++i) {
    const int after = buildUp.measured[i].after;
    if (after < 1 || after > static_cast<int>(buildUp.coats.size())) continue;
    const Checked<Length> thickness = thicknessFrom(bare, buildUp.measured[i], i);
    if (!thickness) continue;
    GrowthRecord record;
    record.thickness = *thickness;
    for (int coat = 0; coat < after; ++coat) {
      addLoad(record.load, loadOf(buildUp.coats[static_cast<std::size_t>(coat)], wall));
    }
    records.push_back(record);
  }
  return records;
}

CheckedAll<std::vector<Stage>> stagesOf(const Body& bare, const BuildUp& buildUp,
                                        const GrowthHabits& habits) {
  Faults faults;
  const int count = static_cast<int>(buildUp.coats.size());
  if (buildUp.laidAfter < 0 || buildUp.laidAfter > count) {
    faults.push_back({Member::laidAfter,
                      {"The parts are laid after coat %1, and there are %2 coats.",
                       {static_cast<long>(buildUp.laidAfter), static_cast<long>(count)}}});
  }
  for (std::size_t i = 0; i < buildUp.laid.size(); ++i) {
    const OwnStage& own = buildUp.laid[i];
    if (own.after < 0 || own.after > count) {
      faults.push_back({Where(Member::laidOwnAfter, i),
                        {"This is laid after coat %1, and there are %2 coats.",
                         {static_cast<long>(own.after), static_cast<long>(count)}}});
    }
    for (std::size_t j = 0; j < i; ++j) {
      if (buildUp.laid[j].of != own.of) continue;
      faults.push_back({Where(Member::laidOwnOf, i),
                        {"“%1” is laid at a stage of its own already. Keep one.", {own.of}}});
      break;
    }
  }
  std::vector<Stage> stages(static_cast<std::size_t>(count) + 1);
  std::vector<bool> told(stages.size(), false);
  for (std::size_t i = 0; i < buildUp.measured.size(); ++i) {
    const int after = buildUp.measured[i].after;
    if (after < 1 || after > count) {
      faults.push_back({Where(Member::measuredAfter, i),
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

  const Area wall = bare.area();
  CoatLoad load{};  // put on since the last measurement
  Length measured;  // what was measured then
  Length tape;      // how far that may be off
  for (std::size_t n = 0; n < stages.size(); ++n) {
    Stage& stage = stages[n];
    stage.after = static_cast<int>(n);
    if (n == 0) continue;
    if (told[n]) {
      load = {};
      measured = stage.thickness;
      tape = tapeSpread;
    } else {
      addLoad(load, loadOf(buildUp.coats[n - 1], wall));
      stage.thickness = measured + habits.thickness(load);
    }
    stage.spread = Length::mm(std::hypot(habits.spread(load).mm(), tape.mm()));
  }
  return stages;
}

}  // namespace avrelt
