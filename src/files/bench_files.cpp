// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/bench_files.h"

#include <libical/ical.h>

#include <memory>

#include "bench/step_words.h"

namespace avrelt {
namespace {

icaltimetype icalTime(CivilTime time) {
  // Floating: neither of a zone nor of the world.
  icaltimetype made = icaltime_null_time();
  const std::chrono::sys_days day = std::chrono::floor<std::chrono::days>(time);
  const std::chrono::year_month_day date(day);
  const auto past = static_cast<int>((time - day).count());
  constexpr int hour = 60;
  made.year = static_cast<int>(date.year());
  made.month = static_cast<int>(static_cast<unsigned>(date.month()));
  made.day = static_cast<int>(static_cast<unsigned>(date.day()));
  made.hour = past / hour;
  made.minute = past % hour;
  return made;
}

struct FreeComponent {
  void operator()(icalcomponent* component) const { icalcomponent_free(component); }
};

std::string details(const Step& step, const InWords& words) {
  std::string text;
  const auto line = [&](const std::string& more) {
    if (!more.empty()) text += (text.empty() ? "" : "\n") + more;
  };
  for (const Sentence& more : detailsOf(step)) line(words(more));
  for (const Caution caution : step.cautions) line(words(cautionWords(caution)));
  line(step.note);
  return text;
}

}  // namespace

std::string benchCalendar(const BenchPlan& plan, const std::string& order, const InWords& words) {
  if (!plan.schedule) return {};
  const std::unique_ptr<icalcomponent, FreeComponent> calendar(
      icalcomponent_new(ICAL_VCALENDAR_COMPONENT));
  icalcomponent_add_property(calendar.get(), icalproperty_new_version("2.0"));
  icalcomponent_add_property(calendar.get(), icalproperty_new_prodid("-//Avrelt//Bench//EN"));
  icaltimetype stamp = icalTime(plan.zero);
  stamp.zone = icaltimezone_get_utc_timezone();
  for (const ScheduledTask& one : plan.schedule->tasks) {
    const Step& step = plan.stepOf(one);
    const std::string& cup = plan.cups[one.chain].name;
    icalcomponent* const event = icalcomponent_new(ICAL_VEVENT_COMPONENT);
    const auto add = [&](icalproperty* property) { icalcomponent_add_property(event, property); };
    std::string id = order;
    for (const std::string& part : {cup, step.id}) id.append("/").append(part);
    id.append("@avrelt");
    add(icalproperty_new_uid(id.c_str()));
    add(icalproperty_new_dtstamp(stamp));
    add(icalproperty_new_dtstart(icalTime(plan.at(one.start))));
    add(icalproperty_new_dtend(icalTime(plan.at(one.end))));
    const std::string what = words(step.words);
    std::string summary = cup;
    summary.append(": ").append(what);
    add(icalproperty_new_summary(summary.c_str()));
    if (const std::string text = details(step, words); !text.empty()) {
      add(icalproperty_new_description(text.c_str()));
    }
    icalcomponent* const alarm = icalcomponent_new(ICAL_VALARM_COMPONENT);
    icalcomponent_add_property(alarm, icalproperty_new_action(ICAL_ACTION_DISPLAY));
    icalcomponent_add_property(alarm, icalproperty_new_description(what.c_str()));
    icaltriggertype trigger{};
    trigger.time = icaltime_null_time();
    trigger.duration = icaldurationtype_from_int(0);
    icalcomponent_add_property(alarm, icalproperty_new_trigger(trigger));
    icalcomponent_add_component(event, alarm);
    icalcomponent_add_component(calendar.get(), event);
  }
  char* const text = icalcomponent_as_ical_string_r(calendar.get());
  std::string made = text;
  icalmemory_free_buffer(text);
  return made;
}

}  // namespace avrelt
