// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/civil_time.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace avrelt {
namespace {

using std::chrono::days;
using std::chrono::sys_days;

/// So many digits, no more and no fewer.
std::optional<int> digits(std::string_view text, std::size_t from, std::size_t count) {
  if (from + count > text.size()) return std::nullopt;
  int value = 0;
  const char* const begin = text.data() + from;
  const char* const end = begin + count;
  for (const char* c = begin; c != end; ++c) {
    if (*c < '0' || *c > '9') return std::nullopt;
  }
  std::from_chars(begin, end, value);
  return value;
}

/// "18:00".
std::optional<std::chrono::minutes> parseClock(std::string_view text) {
  const auto hours = digits(text, 0, 2);
  const auto past = digits(text, 3, 2);
  if (text.size() != 5 || text[2] != ':' || !hours || !past || *past > 59 || *hours > 24 ||
      (*hours == 24 && *past > 0)) {
    return std::nullopt;
  }
  return std::chrono::minutes(*hours * 60 + *past);
}

std::string two(unsigned value) {
  return (value < 10 ? "0" : "") + std::to_string(value);
}

}  // namespace

std::optional<CivilTime> parseCivil(std::string_view text) {
  const auto year = digits(text, 0, 4);
  const auto month = digits(text, 5, 2);
  const auto day = digits(text, 8, 2);
  if (!year || !month || !day || text[4] != '-' || text[7] != '-') return std::nullopt;
  const std::chrono::year_month_day date{std::chrono::year(*year),
                                         std::chrono::month(static_cast<unsigned>(*month)),
                                         std::chrono::day(static_cast<unsigned>(*day))};
  if (!date.ok()) return std::nullopt;
  const CivilTime begins = sys_days(date);
  if (text.size() == 10) return begins;
  if (text.size() != 16 || text[10] != 'T') return std::nullopt;
  const auto clock = parseClock(text.substr(11));
  if (!clock || *clock >= std::chrono::minutes(24 * 60)) return std::nullopt;
  return begins + *clock;
}

std::string civilText(CivilTime time) {
  const sys_days day = std::chrono::floor<days>(time);
  const std::chrono::year_month_day date(day);
  const auto past = static_cast<unsigned>((time - day).count());
  std::string year = std::to_string(static_cast<int>(date.year()));
  year.insert(0, year.size() < 4 ? 4 - year.size() : 0, '0');
  return year + "-" + two(static_cast<unsigned>(date.month())) + "-" +
         two(static_cast<unsigned>(date.day())) + "T" + two(past / 60) + ":" + two(past % 60);
}

std::string dayText(CivilTime time) {
  static constexpr std::array<const char*, 7> weekdays{"Sun", "Mon", "Tue", "Wed",
                                                       "Thu", "Fri", "Sat"};
  static constexpr std::array<const char*, 12> months{"Jan", "Feb", "Mar", "Apr", "May", "Jun",
                                                      "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
  const sys_days day = std::chrono::floor<days>(time);
  const std::chrono::year_month_day date(day);
  return std::string(weekdays[std::chrono::weekday(day).c_encoding()]) + " " +
         std::to_string(static_cast<unsigned>(date.day())) + " " +
         months[static_cast<unsigned>(date.month()) - 1];
}

std::string clockText(CivilTime time) {
  return civilText(time).substr(11);
}

CivilTime dayOf(CivilTime time) {
  return std::chrono::floor<days>(time);
}

CivilTime after(CivilTime time, Duration duration) {
  return time + std::chrono::minutes(std::lround(duration.minutes()));
}

Duration between(CivilTime from, CivilTime to) {
  return Duration::minutes(static_cast<double>((to - from).count()));
}

std::optional<DayHours> parseHours(std::string_view text) {
  if (text.empty()) return DayHours{std::chrono::minutes(0), std::chrono::minutes(0)};
  if (text.size() != 11 || text[5] != '-') return std::nullopt;
  const auto from = parseClock(text.substr(0, 5));
  const auto to = parseClock(text.substr(6));
  if (!from || !to || *to <= *from) return std::nullopt;
  return DayHours{*from, *to};
}

std::string hoursText(const DayHours& hours) {
  if (!hours.works()) return {};
  const auto clock = [](std::chrono::minutes time) {
    const auto count = static_cast<unsigned>(time.count());
    return two(count / 60) + ":" + two(count % 60);
  };
  return clock(hours.from) + "-" + clock(hours.to);
}

std::vector<Span> spansOf(const WorkingHours& hours, CivilTime from, int count) {
  std::vector<Span> spans;
  const sys_days first = std::chrono::floor<days>(from);
  for (int i = 0; i < count; ++i) {
    const sys_days day = first + days(i);
    const DayHours& open = hours.days[std::chrono::weekday(day).c_encoding()];
    if (!open.works()) continue;
    if (std::find(hours.away.begin(), hours.away.end(), CivilTime(day)) != hours.away.end()) {
      continue;
    }
    const CivilTime begin = std::max(CivilTime(day) + open.from, from);
    const CivilTime end = CivilTime(day) + open.to;
    if (begin >= end) continue;
    spans.push_back({Duration::minutes(static_cast<double>((begin - from).count())),
                     Duration::minutes(static_cast<double>((end - from).count()))});
  }
  return spans;
}

}  // namespace avrelt
