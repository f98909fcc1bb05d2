// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <chrono>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "bench/schedule.h"

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

/// When somebody works: from a time of the day to another, on some days of the week, but on some
/// dates not.
struct WorkingHours {
  std::chrono::minutes from{18 * 60};
  std::chrono::minutes to{22 * 60};
  std::array<bool, 7> days{true, true, true, true, true, true, true};  ///< from Sunday on
  std::vector<CivilTime> away;                                         ///< days, as they begin
};
/// Of "18:00-22:00"; nothing for other texts, and where the end is not after the start.
std::optional<WorkingHours> parseHours(std::string_view text);

/// The hours of so many days from a time on, counted from it.
std::vector<Span> spansOf(const WorkingHours& hours, CivilTime from, int days);

}  // namespace avrelt
