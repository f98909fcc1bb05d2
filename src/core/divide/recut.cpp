// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/recut.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>
#include <utility>

#include "divide/part_ids.h"

namespace avrelt {
namespace {

/// The longest run of pairs in order that are the same in both: for each of the first its number
/// among the second, or −1.
template <typename T>
std::vector<int> alike(const std::vector<T>& first, const std::vector<T>& second) {
  const std::size_t n = first.size();
  const std::size_t m = second.size();
  std::vector<std::vector<int>> longest(n + 1, std::vector<int>(m + 1, 0));
  for (std::size_t i = n; i-- > 0;) {
    for (std::size_t j = m; j-- > 0;) {
      longest[i][j] = first[i] == second[j] ? longest[i + 1][j + 1] + 1
                                            : std::max(longest[i + 1][j], longest[i][j + 1]);
    }
  }
  std::vector<int> matched(n, -1);
  for (std::size_t i = 0, j = 0; i < n && j < m;) {
    if (first[i] == second[j]) {
      matched[i++] = static_cast<int>(j++);
    } else if (longest[i + 1][j] >= longest[i][j + 1]) {
      ++i;
    } else {
      ++j;
    }
  }
  return matched;
}

/// Where rings stand, from the top down.
std::vector<Length> standsOf(const RingCut& rings) {
  std::vector<Length> stands;
  stands.reserve(rings.places.size());
  for (const WrittenLength& place : rings.places) stands.push_back(place.length);
  std::sort(stands.begin(), stands.end());
  if (!rings.fromRim) std::reverse(stands.begin(), stands.end());
  return stands;
}

std::vector<std::optional<Length>> bare(const std::vector<std::optional<WrittenLength>>& widths) {
  std::vector<std::optional<Length>> lengths;
  lengths.reserve(widths.size());
  for (const std::optional<WrittenLength>& width : widths) {
    lengths.push_back(width ? std::optional(width->length) : std::nullopt);
  }
  return lengths;
}

template <typename Call>
void eachFinish(ZoneNode& node, const Call& call) {
  call(node.finish);
  for (ZoneNode& part : node.parts) eachFinish(part, call);
}

/// For every line between two parts before, which of those after is the same, or −1; how many there
/// are after; and the same for all lines that stripes may lie on.
///
/// Round the whole cup parts and lines are turned first, so that the first line that stays stands
/// at the beginning, before and after; `turned` says by how many.
struct SameLines {
  std::vector<int> lines;
  int after = 0;
  std::vector<int> striped;
  std::pair<int, int> turned{};
};
std::optional<SameLines> byPlaces(const RingCut& before, const RingCut& after) {
  if (before.fromRim != after.fromRim || before.places.size() == after.places.size()) {
    return std::nullopt;
  }
  std::vector<int> lines = alike(standsOf(before), standsOf(after));
  return SameLines{lines, static_cast<int>(after.places.size()), lines};
}
/// A line is the lower or right-hand edge of a band.
std::optional<SameLines> byWidths(const std::vector<std::optional<WrittenLength>>& before,
                                  const std::vector<std::optional<WrittenLength>>& after,
                                  bool closed) {
  if (before.size() == after.size() || before.empty() || after.empty()) return std::nullopt;
  std::vector<int> bands = alike(bare(before), bare(after));
  const int last = static_cast<int>(after.size()) - 1;
  std::vector<int> lines(bands.begin(), bands.end() - 1);
  for (int& line : lines) line = line == last ? -1 : line;
  // Where the parts close round the cup, a line is the left-hand edge of each.
  return SameLines{lines, last, closed ? std::move(bands) : lines};
}

/// Where uprights stand, from where they begin to the right.
std::vector<Angle> standsOf(const UprightCut& uprights, CupAngle begins) {
  std::vector<Angle> stands;
  stands.reserve(uprights.angles.size());
  for (const CupAngle at : uprights.angles) {
    const double on = std::fmod((at - begins).radians(), 2 * std::numbers::pi);
    stands.push_back(Angle::radians(on < 0 ? on + 2 * std::numbers::pi : on));
  }
  std::sort(stands.begin(), stands.end());
  return stands;
}

std::optional<SameLines> byAngles(const UprightCut& before, const UprightCut& after,
                                  const UprightRoom& zone) {
  if (before.angles.size() == after.angles.size() || before.angles.empty()) return std::nullopt;
  const CupAngle begins = zone.whole ? after.at : zone.begins;
  std::vector<int> lines = alike(standsOf(before, begins), standsOf(after, begins));
  const auto count = static_cast<int>(after.angles.size());
  if (!zone.whole) return SameLines{lines, count, lines};
  const auto stays = std::find_if(lines.begin(), lines.end(), [](int line) { return line >= 0; });
  if (stays == lines.end() || before.at != after.at) return std::nullopt;
  const auto first = static_cast<std::size_t>(stays - lines.begin());
  std::vector<int> inner;
  inner.reserve(lines.size() - 1);
  for (std::size_t i = 1; i < lines.size(); ++i) {
    const int line = lines[(first + i) % lines.size()];
    inner.push_back(line < 0 ? -1 : (line - *stays + count) % count - 1);
  }
  return SameLines{std::move(inner), count - 1, lines, {static_cast<int>(first), *stays}};
}

std::optional<SameLines> sameLines(const Cut& before, const Cut& after, const UprightRoom& zone) {
  if (placedBy(before) != placedBy(after)) return std::nullopt;
  const auto* rings = std::get_if<RingCut>(&before.how);
  const auto* nextRings = std::get_if<RingCut>(&after.how);
  if (rings != nullptr && nextRings != nullptr) {
    if (rings->by == CutBy::places) return byPlaces(*rings, *nextRings);
    if (rings->by == CutBy::widths) return byWidths(rings->widths, nextRings->widths, false);
  }
  const auto* uprights = std::get_if<UprightCut>(&before.how);
  const auto* nextUprights = std::get_if<UprightCut>(&after.how);
  if (uprights != nullptr && nextUprights != nullptr) {
    if (uprights->by == CutBy::places) return byAngles(*uprights, *nextUprights, zone);
    if (uprights->by == CutBy::widths) {
      return byWidths(uprights->widths, nextUprights->widths, zone.whole);
    }
  }
  return std::nullopt;
}

/// The parts as the lines after leave them: those between two lines that stay are taken from the
/// last on; what is left over waits behind.
std::vector<ZoneNode> rearranged(std::vector<ZoneNode> parts, const SameLines& same) {
  const std::size_t before = same.lines.size() + 1;
  std::rotate(parts.begin(), parts.begin() + same.turned.first,
              parts.begin() + static_cast<std::ptrdiff_t>(before));
  std::vector<std::optional<std::size_t>> from(static_cast<std::size_t>(same.after) + 1);
  std::vector<bool> taken(parts.size(), false);
  std::size_t first = 0;  // of the old parts between two lines that stay
  std::size_t firstNow = 0;
  for (std::size_t line = 0; line <= same.lines.size(); ++line) {
    const bool end = line == same.lines.size();
    if (!end && same.lines[line] < 0) continue;
    const std::size_t lineNow =
        end ? static_cast<std::size_t>(same.after) : static_cast<std::size_t>(same.lines[line]);
    std::size_t old = line + 1;
    for (std::size_t now = lineNow + 1; now-- > firstNow && old-- > first;) {
      from[now] = old;
      taken[old] = true;
    }
    first = line + 1;
    firstNow = lineNow + 1;
  }
  // Those that wait come back, the last to go first.
  std::vector<std::size_t> waiting;
  for (std::size_t i = before; i < parts.size(); ++i) waiting.push_back(i);
  std::vector<ZoneNode> next;
  for (std::optional<std::size_t>& part : from) {
    if (!part && !waiting.empty()) {
      part = waiting.front();
      waiting.erase(waiting.begin());
      taken[*part] = true;
    }
    next.push_back(part ? std::move(parts[*part]) : ZoneNode());
  }
  std::rotate(next.rbegin(), next.rbegin() + same.turned.second, next.rend());
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (!taken[i]) next.push_back(std::move(parts[i]));
  }
  return next;
}

}  // namespace

void recut(Division& division, ZoneNode& node, const Cut& next, const UprightRoom& zone) {
  const std::optional<SameLines> same = sameLines(*node.cut, next, zone);
  if (same) {
    PartIds ids(division.body);
    const std::string cut = cutIdOf(node, node.id);
    node.parts.resize(std::max(node.parts.size(), same->lines.size() + 1));
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (node.parts[i].id.empty()) node.parts[i].id = ids.ofPart(cut, i);
    }
    node.parts = rearranged(std::move(node.parts), *same);
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (node.parts[i].id.empty()) node.parts[i].id = ids.ofPart(cut, i);
    }
    const auto isGone = [&](auto& onLine) {
      if (onLine.of != cut || onLine.line < 0 ||
          onLine.line >= static_cast<int>(same->striped.size())) {
        return false;
      }
      onLine.line = same->striped[static_cast<std::size_t>(onLine.line)];
      return onLine.line < 0;
    };
    std::erase_if(division.stripes, isGone);
    eachFinish(division.body, [&](Finish& finish) { std::erase_if(finish.edges, isGone); });
  }
  node.cut = next;
}

}  // namespace avrelt
