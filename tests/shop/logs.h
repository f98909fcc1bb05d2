// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/random_cups.h"
#include "shop/shop_folder.h"

namespace avrelt::logs {

inline CivilTime at(const char* text) {
  return *parseCivil(text);
}

inline Supply glitter(const std::string& name) {
  Supply supply;
  supply.name = name;
  supply.kind = SupplyKind::glitter;
  supply.colour = "#202848";
  supply.price = Money::of(8);
  supply.low = Amount::ofUnits(MeasuredBy::weight, 30);
  supply.lot = "L7";
  supply.thinning = "none, \"dry\"";
  supply.notes = "=SUM(A1), with a comma";
  return supply;
}

inline LogEntry entryOf(const std::string& order, const std::string& cup, const std::string& name) {
  LogEntry entry;
  entry.key = {order, cup};
  entry.name = name;
  entry.order = "Open night";
  entry.blank = "straight 600 ml";
  entry.made = "midnight, gold, resin 20 ml";
  entry.begun = at("2026-12-01T18:00");
  entry.done = 1;
  entry.steps = 12;
  return entry;
}

inline LoggedStep stepOf(const std::string& id, const std::string& supply, double grams) {
  LoggedStep step;
  step.step = id;
  step.words = "Shake glitter over it; \"catch\" what falls,\nall of it.";
  step.kind = StepKind::glitter;
  step.at = at("2026-12-01T18:40");
  step.took = Duration::minutes(7);
  step.usual = Duration::minutes(6);
  step.method = MethodKind::tackyGlue;
  step.usualWait = Duration::minutes(31.5);
  step.faults = {"bare_spots", "sharp"};
  if (!supply.empty()) {
    step.uses = {{supply, step.at, Amount::ofUnits(MeasuredBy::weight, grams), Area::mm2(12345.5)}};
  }
  return step;
}

/// A shop by chance: supplies, cups, steps, cuts, photos.
inline void fill(Shop& shop, cups::Chance& chance, int cups) {
  std::vector<std::string> ids;
  for (int i = 0; i < 3; ++i) {
    ids.push_back(*shop.supplies().put(glitter("Glitter " + std::to_string(i))));
    SupplyEvent event;
    event.supply = ids.back();
    event.at = at("2026-11-01T09:00");
    event.amount = Amount::ofUnits(MeasuredBy::weight, chance.between(100, 500));
    REQUIRE(shop.supplies().note(event));
  }
  Logbook log = shop.logbook();
  for (int i = 0; i < cups; ++i) {
    LogEntry entry = entryOf("o-" + std::to_string(i / 3), "cup-" + std::to_string(i % 3),
                             "Cup ä" + std::to_string(i));
    std::vector<LoggedStep> steps;
    for (int s = chance.whole(1, 5); s > 0; --s) {
      steps.push_back(stepOf("s" + std::to_string(s),
                             ids[static_cast<std::size_t>(chance.whole(0, 2))],
                             chance.between(0.1, 9)));
    }
    REQUIRE_FALSE(log.record(
        entry, "{\"avrelt\": 2, \"cups\": [ ], \"n\": " + std::to_string(i) + "}\n", steps));
    CutKept cut;
    cut.purpose = "film";
    cut.title = "Film, zone A";
    cut.at = at("2026-12-01T20:00");
    cut.file = "cup.svg";
    cut.svg = "<svg n=\"" + std::to_string(i) + "\"/>\n";
    cut.film = {0, "Permanent film", Area::mm2(chance.between(1, 9000))};
    REQUIRE_FALSE(log.keepCut(entry.key, cut));
    if (chance.one(2)) {
      REQUIRE(log.addPhoto(entry.key, "\xFF\xD8 not quite a picture " + std::to_string(i),
                           "finished", at("2026-12-02T10:00")));
    }
    LogNotes notes;
    notes.whom = "M. Example";
    if (chance.one(2)) notes.price = Money::of(chance.between(10, 90));
    notes.faults = "a bubble, sanded";
    REQUIRE_FALSE(log.note(entry.key, notes));
  }
  REQUIRE_FALSE(log.leaveOut("k/1", true));
}

}  // namespace avrelt::logs
