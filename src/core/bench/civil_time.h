// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <chrono>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "bench/wait.h"

namespace avrelt {

/// A time on the wall clock of the workshop, to the minute; no zone, as calendars on a wall have
/// none.
using CivilTime = std::chrono::sys_time<std::chrono::minutes>;

/// Of "2026-12-01T18:00" (ISO 8601), or of a day by itself, which then begins; nothing for other
/// texts, and for days there are none of.
std::optional<CivilTime> parseCivil(std::string_view text);
/// "2026-12-01T18:00".
std::string civilText(CivilTime time);
/// "Tue 1 Dec", of a day.
std::string dayText(CivilTime time);
/// "18:00".
std::string clockText(CivilTime time);
/// The beginning of its day.
CivilTime dayOf(CivilTime time);
/// So long after a time, to the nearest minute; and how long after one another is.
CivilTime after(CivilTime time, Duration duration);
Duration between(CivilTime from, CivilTime to);

/// From a time of the day to another; both the same where nobody works.
struct DayHours {
  std::chrono::minutes from{18 * 60};
  std::chrono::minutes to{22 * 60};

  bool works() const { return from < to; }
  friend bool operator==(const DayHours&, const DayHours&) = default;
};

/// When somebody works: hours of each day of the week, but on some dates none.
struct WorkingHours {
  std::array<DayHours, 7> days{};  ///< from Sunday on
  std::vector<CivilTime> away;     ///< days, as they begin

  friend bool operator==(const WorkingHours&, const WorkingHours&) = default;
};
/// Of "18:00-22:00", and of "" for none; nothing for other texts, and where the end is not after
/// the start.
std::optional<DayHours> parseHours(std::string_view text);
/// "18:00-22:00", or "".
std::string hoursText(const DayHours& hours);

/// The hours of so many days from a time on, counted from it.
std::vector<Span> spansOf(const WorkingHours& hours, CivilTime from, int days);

}  // namespace avrelt
