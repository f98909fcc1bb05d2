// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <set>

#include "job/plan.h"
#include "measure/colour.h"

namespace avrelt {

std::vector<PartEntry> entriesOf(const CupPlan& plan, const std::string& purpose) {
  constexpr std::size_t most = 40;
  std::vector<PartEntry> entries;
  for (const Part& part : plan.parts(purpose)) {
    const auto same = std::find_if(entries.begin(), entries.end(),
                                   [&](const PartEntry& entry) { return entry.of == part.of; });
    if (same == entries.end()) {
      entries.push_back({purpose, part.of, {&part}});
    } else {
      same->parts.push_back(&part);
    }
    if (entries.size() > most) break;
  }
  if (entries.size() > most) {
    PartEntry all{purpose, {}, {}};
    std::set<std::string> told;
    for (const Part& part : plan.parts(purpose)) {
      all.parts.push_back(&part);
      for (const std::string& id : part.of) {
        if (told.insert(id).second) all.of.push_back(id);
      }
    }
    return {all};
  }
  return entries;
}

namespace {

std::string thingOf(const std::string& purpose, const std::vector<std::string>& of) {
  if (purpose == purpose::wrap) return wrapThing;
  return of.empty() ? std::string() : of.front();
}

}  // namespace

std::string thingOf(const PartEntry& entry) {
  return thingOf(entry.purpose, entry.of);
}
std::string thingOf(const CutRecord& cut) {
  return thingOf(cut.purpose, cut.of);
}

Sentence titleOf(const PartEntry& entry) {
  if (entry.parts.size() == 1 && !entry.parts.front()->name.pattern.empty()) {
    return entry.parts.front()->name;
  }
  const auto purpose = std::find_if(purposes().begin(), purposes().end(),
                                    [&](const Purpose& one) { return one.id == entry.purpose; });
  std::vector<std::string> zones;
  for (const Part* part : entry.parts) {
    for (const std::string& zone : part->zones) {
      if (std::find(zones.begin(), zones.end(), zone) == zones.end()) zones.push_back(zone);
    }
  }
  std::string letters;
  for (const std::string& zone : zones) letters += (letters.empty() ? "" : ", ") + zone;
  if (zones.empty()) return purpose->title;
  if (zones.size() > 8) {
    return {"%1, %2 zones", {Phrase(purpose->title), static_cast<long>(zones.size())}};
  }
  return {zones.size() == 1 ? "%1, zone %2" : "%1, zones %2", {Phrase(purpose->title), letters}};
}

PartSet setOf(const PartEntry& entry) {
  std::vector<Part> parts;
  parts.reserve(entry.parts.size());
  for (const Part* part : entry.parts) parts.push_back(*part);
  return setOf(parts, titleOf(entry));
}

std::vector<PartSet> CupPlan::partSets(const std::string& purpose) const {
  std::vector<std::vector<Part>> byMaterial;
  for (const Part& part : parts(purpose)) {
    const auto same =
        std::find_if(byMaterial.begin(), byMaterial.end(), [&](const std::vector<Part>& some) {
          return some.front().material == part.material && some.front().film == part.film;
        });
    if (same == byMaterial.end()) {
      byMaterial.push_back({part});
    } else {
      same->push_back(part);
    }
  }
  std::vector<PartSet> lots;
  if (byMaterial.size() == 1) return {set(purpose)};
  const Sentence title = set(purpose).title;
  for (const std::vector<Part>& some : byMaterial) {
    const PartMaterial material = some.front().material;
    const std::string& film = some.front().film;
    PartSet made = setOf(
        some, film.empty() ? Sentence{"%1, %2", {Phrase(title), Phrase(materialTitle(material))}}
                           : Sentence{"%1, %2, %3",
                                      {Phrase(title), Phrase(materialTitle(material)),
                                       colourInWords(film)}});
    // "film-printed_film" says film twice.
    std::string word = materialName(material);
    word = word.substr(0, word.find('_'));
    made.id = purpose;
    made.id += "-" + word;
    if (!film.empty()) made.id += "-" + slugOf(film);
    lots.push_back(std::move(made));
  }
  return lots;
}

bool isCut(const Cup& cup, const PartEntry& entry) {
  const auto noted = [&](const std::string& id) {
    return std::any_of(cup.cuts.begin(), cup.cuts.end(), [&](const CutRecord& cut) {
      return cut.purpose == entry.purpose &&
             std::find(cut.of.begin(), cut.of.end(), id) != cut.of.end();
    });
  };
  if (!entry.of.empty()) return std::all_of(entry.of.begin(), entry.of.end(), noted);
  return std::any_of(cup.cuts.begin(), cup.cuts.end(), [&](const CutRecord& cut) {
    return cut.purpose == entry.purpose && cut.of.empty();
  });
}

}  // namespace avrelt
