// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/bench_json.h"

#include <array>
#include <cmath>

#include "files/json_writing.h"
#include "job/document.h"

namespace avrelt {
namespace {

constexpr std::array<const char*, 7> weekdays{"sun", "mon", "tue", "wed", "thu", "fri", "sat"};
/// A year: longer than anything at a bench waits.
constexpr double mostMinutes = 525'600;

void civil(ObjectReader& object, const char* name, std::optional<CivilTime>& target) {
  const Json* value = object.find(name);
  if (value == nullptr) return;
  const auto read =
      value->is_string() ? parseCivil(value->get_ref<const std::string&>()) : std::nullopt;
  if (read) {
    target = *read;
  } else {
    object.fault(object.pathOf(name), {"A time is wanted, such as \"2026-12-01T18:00\".", {}});
  }
}

std::optional<Duration> minutes(ObjectReader& object, const char* name) {
  const Json* value = object.find(name);
  if (value == nullptr) return std::nullopt;
  const double read = value->is_number() ? value->get<double>() : HUGE_VAL;
  if (read >= 0 && read <= mostMinutes) return Duration::minutes(read);
  object.fault(object.pathOf(name),
               {"A number of minutes is wanted, from 0 to %1.", {static_cast<long>(mostMinutes)}});
  return std::nullopt;
}

/// What an object says of a step: it has to name one.
std::string stepNamed(ObjectReader& object) {
  std::string step;
  object.text("step", step);
  if (step.empty()) {
    object.fault(object.pathOf("step"), {"The id of a step is wanted, in quotes.", {}});
  }
  return step;
}

/// When what an object says of a step was: it has to say so.
CivilTime timeOf(ObjectReader& object, const Sentence& missing) {
  std::optional<CivilTime> at;
  civil(object, "at", at);
  if (object.find("at") == nullptr) object.fault(object.pathOf("at"), missing);
  return at.value_or(CivilTime());
}

StepChange changeMembers(ObjectReader object) {
  StepChange change;
  change.step = stepNamed(object);
  object.text("text", change.text);
  object.truth("dropped", change.dropped);
  object.text("behind", change.behind);
  object.truth("first", change.first);
  change.handsOn = minutes(object, "hands_on_min");
  if (const Json* value = object.find("wait_min")) {
    ObjectReader wait = object.on(*value, object.pathOf("wait_min"));
    Wait read;
    read.least = minutes(wait, "least").value_or(Duration());
    read.most = minutes(wait, "most");
    if (read.most && *read.most < read.least) {
      wait.fault(wait.pathOf("most"), {"The longest wait is shorter than the shortest.", {}});
    }
    change.wait = read;
  }
  civil(object, "not_before", change.notBefore);
  object.text("note", change.note);
  change.kept = object.kept();
  return change;
}

Json written(const StepChange& change) {
  Json object = {{"step", change.step}};
  if (change.own()) object["text"] = change.text;
  if (change.dropped) object["dropped"] = true;
  if (!change.behind.empty()) object["behind"] = change.behind;
  if (change.first) object["first"] = true;
  if (change.handsOn) object["hands_on_min"] = number(change.handsOn->minutes());
  if (change.wait) {
    object["wait_min"] = {{"least", number(change.wait->least.minutes())}};
    if (change.wait->most) object["wait_min"]["most"] = number(change.wait->most->minutes());
  }
  if (change.notBefore) object["not_before"] = civilText(*change.notBefore);
  if (!change.note.empty()) object["note"] = change.note;
  addKept(object, change.kept);
  return object;
}

}  // namespace

BenchChoices benchChoicesMembers(ObjectReader object) {
  BenchChoices choices;
  civil(object, "from", choices.from);
  civil(object, "due", choices.due);
  if (const Json* value = object.find("hours")) {
    ObjectReader hours = object.on(*value, object.pathOf("hours"));
    for (std::size_t day = 0; day < weekdays.size(); ++day) {
      std::string text = hoursText(choices.hours.days[day]);
      hours.text(weekdays[day], text);
      if (const auto read = parseHours(text)) {
        choices.hours.days[day] = *read;
      } else {
        hours.fault(hours.pathOf(weekdays[day]),
                    {"Hours are wanted, such as \"18:00-22:00\", or \"\" for none.", {}});
      }
    }
  }
  object.list("away", [&](const Json& item, const std::string& path) {
    const auto day =
        item.is_string() ? parseCivil(item.get_ref<const std::string&>()) : std::nullopt;
    if (!day || choices.hours.away.size() >= BenchChoices::mostAway) {
      object.fault(path, {"A day is wanted, such as \"2026-12-01\", and up to %1 of them.",
                          {static_cast<long>(BenchChoices::mostAway)}});
      return;
    }
    choices.hours.away.push_back(dayOf(*day));
  });
  const auto count = [&](const char* name, int& target) {
    int read = target;
    object.wholeNumber(name, BenchChoices::mostPlaces, read);
    if (read >= 1) {
      target = read;
    } else {
      object.fault(object.pathOf(name), {"There has to be one at the least.", {}});
    }
  };
  count("turners", choices.turners);
  count("hands", choices.hands);
  count("lamps", choices.lamps);
  count("spray_places", choices.sprayPlaces);
  object.wholeNumber("shelf_places", BenchChoices::mostPlaces, choices.shelfPlaces);
  if (object.find("warmth_c") != nullptr) {
    double warmth = 20;
    object.real("warmth_c", -20, 60, warmth);
    choices.warmth = Temperature::celsius(warmth);
  }
  object.truth("seal_prints", choices.sealPrints);
  object.truth("quick_coats", choices.quickCoats);
  object.truth("quick_last", choices.quickLast);
  object.truth("half_by_half", choices.halfByHalf);
  object.truth("ring_one_by_one", choices.ringOneByOne);
  choices.kept = object.kept();
  return choices;
}

Json written(const BenchChoices& choices) {
  const BenchChoices usual;
  Json object = Json::object();
  if (choices.from) object["from"] = civilText(*choices.from);
  if (choices.due) object["due"] = civilText(*choices.due);
  for (std::size_t day = 0; day < weekdays.size(); ++day) {
    object["hours"][weekdays[day]] = hoursText(choices.hours.days[day]);
  }
  for (const CivilTime day : choices.hours.away) {
    object["away"].push_back(civilText(day).substr(0, 10));
  }
  object["turners"] = choices.turners;
  object["hands"] = choices.hands;
  if (choices.lamps != usual.lamps) object["lamps"] = choices.lamps;
  if (choices.sprayPlaces != usual.sprayPlaces) object["spray_places"] = choices.sprayPlaces;
  if (choices.shelfPlaces != usual.shelfPlaces) object["shelf_places"] = choices.shelfPlaces;
  if (choices.warmth) object["warmth_c"] = number(choices.warmth->celsius());
  if (!choices.sealPrints) object["seal_prints"] = false;
  if (choices.quickCoats) object["quick_coats"] = true;
  if (choices.quickLast) object["quick_last"] = true;
  if (choices.halfByHalf) object["half_by_half"] = true;
  if (choices.ringOneByOne) object["ring_one_by_one"] = true;
  addKept(object, choices.kept);
  return object;
}

CupBench cupBenchMembers(ObjectReader object) {
  CupBench bench;
  object.list("steps", [&](const Json& item, const std::string& path) {
    if (bench.changes.size() < Document::mostStepChanges) {
      bench.changes.push_back(changeMembers(object.on(item, path)));
    } else {
      object.fault(path, {"A cup takes up to %1 steps of its own.",
                          {static_cast<long>(Document::mostStepChanges)}});
    }
  });
  object.list("done", [&](const Json& item, const std::string& path) {
    if (bench.done.size() >= Document::mostStepChanges) {
      object.fault(path, {"Up to %1 steps can be done at a cup.",
                          {static_cast<long>(Document::mostStepChanges)}});
      return;
    }
    ObjectReader one = object.on(item, path);
    StepDone done;
    done.step = stepNamed(one);
    done.at = timeOf(one, {"When it was done is missing.", {}});
    done.took = minutes(one, "took_min").value_or(Duration());
    one.list("faults", [&](const Json& fault, const std::string& where) {
      constexpr std::size_t most = 20;
      constexpr std::size_t longest = 40;
      const std::string name = fault.is_string() ? fault.get<std::string>() : std::string();
      if (name.empty() || name.size() > longest || name.find(' ') != std::string::npos ||
          done.faults.size() >= most) {
        one.fault(where,
                  {"A fault's name is wanted, one word such as \"bubbles\", and up to %1 of them.",
                   {static_cast<long>(most)}});
        return;
      }
      done.faults.push_back(name);
    });
    done.kept = one.kept();
    bench.done.push_back(std::move(done));
  });
  if (const Json* value = object.find("begun")) {
    ObjectReader one = object.on(*value, object.pathOf("begun"));
    StepBegun begun;
    begun.step = stepNamed(one);
    begun.at = timeOf(one, {"When it was begun is missing.", {}});
    one.wholeNumber("hands", BenchChoices::mostPlaces, begun.pair);
    if (begun.pair < 1) one.fault(one.pathOf("hands"), {"Pairs of hands count from 1.", {}});
    begun.kept = one.kept();
    bench.begun = std::move(begun);
  }
  bench.kept = object.kept();
  return bench;
}

Json written(const CupBench& bench) {
  Json object = Json::object();
  for (const StepChange& change : bench.changes) object["steps"].push_back(written(change));
  for (const StepDone& done : bench.done) {
    Json one = {
        {"step", done.step}, {"at", civilText(done.at)}, {"took_min", number(done.took.minutes())}};
    for (const std::string& fault : done.faults) one["faults"].push_back(fault);
    addKept(one, done.kept);
    object["done"].push_back(std::move(one));
  }
  if (bench.begun) {
    object["begun"] = {{"step", bench.begun->step}, {"at", civilText(bench.begun->at)}};
    if (bench.begun->pair > 1) object["begun"]["hands"] = bench.begun->pair;
    addKept(object["begun"], bench.begun->kept);
  }
  addKept(object, bench.kept);
  return object;
}

}  // namespace avrelt
