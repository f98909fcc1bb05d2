// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colouring.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "pattern/colour_search.h"
#include "pattern/index.h"
#include "pattern/lanes.h"
#include "pattern/quick_colouring.h"
#include "pattern/recolouring.h"

namespace avrelt {
namespace {

std::uint32_t bitsAt(const std::vector<std::uint32_t>& bits, std::size_t v) {
  return bits.empty() ? 0 : bits[v];
}

/// Neighbours of one colour, and things of a colour that is not to be there.
void noteClashes(const ColourTask& task, Colouring& result) {
  for (std::size_t v = 0; v < task.neighbours.size(); ++v) {
    const int c = result.colours[v];
    for (const int u : task.neighbours[v]) {
      if (at(u) > v && result.colours[at(u)] == c) {
        result.clashes.emplace_back(static_cast<int>(v), u);
      }
    }
    const std::uint32_t bars = bitsAt(task.barred, v) | bitsAt(task.notHere, v);
    if (c < 32 && (bars & colourBit(c)) != 0) result.misplaced.push_back(static_cast<int>(v));
  }
  std::sort(result.clashes.begin(), result.clashes.end());
}

bool lawful(const ColourTask& task, const std::vector<int>& colours) {
  Colouring probe;
  probe.colours = colours;
  noteClashes(task, probe);
  return probe.clashes.empty() && probe.misplaced.empty();
}

/// By how much the colour that is farthest off has more or less of all than it is to have.
double sharesOff(const ColourTask& task, const std::vector<int>& colours) {
  double wanted = 0;
  for (const double share : task.shares) wanted += std::max(share, 0.0);
  std::vector<double> has(task.shares.size(), 0);
  double all = 0;
  for (std::size_t v = 0; v < colours.size(); ++v) {
    const double size = task.sizes.empty() ? 1 : task.sizes[v];
    has[at(colours[v])] += size;
    all += size;
  }
  double most = 0;
  for (std::size_t c = 0; c < has.size() && all > 0 && wanted > 0; ++c) {
    most = std::max(most, std::abs(has[c] / all - std::max(task.shares[c], 0.0) / wanted));
  }
  return most;
}

/// Nothing said by hand: quickly, or by search; then towards what the task asks. Whether it came
/// out lawful is for the caller to see.
Colouring colouredOnce(const ColourTask& task) {
  Colouring result;
  bool sharesKept = false;
  if (std::optional<QuickColours> quick = quicklyColoured(task)) {
    result.colours = std::move(quick->colours);
    sharesKept = quick->sharesKept;
  } else {
    SearchedColours searched = searchedColours(task);
    result.colours = std::move(searched.colours);
    result.proof = std::move(searched.proof);
    result.searchedOut = searched.searchedOut;
    if (!lawful(task, result.colours)) {
      noteClashes(task, result);
      return result;
    }
  }
  const auto strays = [&task](const std::vector<int>& colours) {
    for (std::size_t v = 0; v < task.cost.size(); ++v) {
      if (task.cost[v][at(colours[v])] >= straying) return true;
    }
    return false;
  };
  const bool near = task.cost.empty() ? sharesKept : !strays(result.colours);
  if (!near) bringNearer(task, result.colours);
  return result;
}

/// The same, begun otherwise a few times where it came to rest with shares far off: with one colour
/// on all of one side of a weave no single change leads on.
Colouring freelyColoured(const ColourTask& task) {
  constexpr double farOff = 0.05;
  constexpr unsigned tries = 4;
  Colouring best = colouredOnce(task);
  if (!task.cost.empty() || !lawful(task, best.colours)) return best;
  double off = sharesOff(task, best.colours);
  ColourTask other = task;
  for (unsigned i = 1; i <= tries && off > farOff; ++i) {
    other.seed = task.seed + i;
    Colouring next = colouredOnce(other);
    const double nextOff = sharesOff(task, next.colours);
    if (nextOff >= off || !lawful(task, next.colours)) continue;
    best = std::move(next);
    off = nextOff;
  }
  return best;
}

/// The same with what is tied together as one; ties that leave no lawful colours are given up.
Colouring tiedColoured(const ColourTask& task) {
  const std::size_t count = task.neighbours.size();
  std::vector<int> ofThing(count, -1);
  int groups = 0;
  for (std::size_t v = 0; v < count; ++v) {
    if (ofThing[v] >= 0) continue;
    ofThing[v] = groups;
    ofThing[at(task.tied[v])] = groups;
    ++groups;
  }
  ColourTask whole;
  whole.shares = task.shares;
  whole.spread = task.spread;
  whole.seed = task.seed;
  whole.neighbours.resize(at(groups));
  whole.sizes.assign(at(groups), 0);
  if (!task.barred.empty()) whole.barred.assign(at(groups), 0);
  if (!task.cost.empty()) {
    whole.cost.assign(at(groups), std::vector<float>(task.shares.size(), 0));
  }
  for (std::size_t v = 0; v < count; ++v) {
    const std::size_t group = at(ofThing[v]);
    whole.sizes[group] += task.sizes.empty() ? 1 : task.sizes[v];
    if (!task.barred.empty()) whole.barred[group] |= task.barred[v];
    for (std::size_t c = 0; c < task.shares.size() && !task.cost.empty(); ++c) {
      whole.cost[group][c] += task.cost[v][c];
    }
    for (const int u : task.neighbours[v]) whole.neighbours[group].push_back(ofThing[at(u)]);
  }
  for (std::vector<int>& list : whole.neighbours) {
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
  }
  const Colouring together = freelyColoured(whole);
  Colouring result;
  result.colours.reserve(count);
  for (std::size_t v = 0; v < count; ++v) {
    result.colours.push_back(together.colours[at(ofThing[v])]);
  }
  // Ties may have no lawful colours.
  return lawful(task, result.colours) ? result : freelyColoured(task);
}

}  // namespace

namespace {

/// Coloured freely, then by hand: each thing said something of takes or loses a colour with few
/// changes round it; where that does not go, all by search.
Colouring colouredByHand(const ColourTask& task) {
  ColourTask free = task;
  free.pinned.clear();
  free.notHere.clear();
  Colouring result = coloured(free);
  bool clean = result.clashes.empty() && result.misplaced.empty();
  std::vector<bool> held(task.neighbours.size(), false);
  for (std::size_t v = 0; clean && v < task.pinned.size(); ++v) {
    if (task.pinned[v] < 0) continue;
    clean = recolour(task, held, static_cast<int>(v), colourBit(task.pinned[v]), result.colours);
    held[v] = true;
  }
  ColourMask useful = 0;
  for (std::size_t c = 0; c < task.shares.size(); ++c) {
    if (task.shares[c] > 0) useful |= colourBit(static_cast<int>(c));
  }
  for (std::size_t v = 0; clean && v < task.notHere.size(); ++v) {
    if (held[v] || (task.notHere[v] & colourBit(result.colours[v])) == 0) continue;
    clean = recolour(task, held, static_cast<int>(v), useful, result.colours);
  }
  if (clean) return result;
  SearchedColours searched = searchedColours(task);
  result = {};
  result.colours = std::move(searched.colours);
  result.proof = std::move(searched.proof);
  result.searchedOut = searched.searchedOut;
  noteClashes(task, result);
  return result;
}

}  // namespace

Colouring coloured(const ColourTask& task) {
  if (task.neighbours.empty() || task.shares.empty()) return {};
  // Where none is to have a share, all are alike.
  if (std::none_of(task.shares.begin(), task.shares.end(),
                   [](double share) { return share > 0; })) {
    ColourTask even = task;
    even.shares.assign(task.shares.size(), 1);
    return coloured(even);
  }
  const bool byHand =
      std::any_of(task.pinned.begin(), task.pinned.end(), [](int c) { return c >= 0; }) ||
      std::any_of(task.notHere.begin(), task.notHere.end(), [](std::uint32_t c) { return c != 0; });
  Colouring result = byHand              ? colouredByHand(task)
                     : task.tied.empty() ? freelyColoured(task)
                                         : tiedColoured(task);
  if (result.clashes.empty() && result.misplaced.empty()) {
    result.proof.reset();
    result.searchedOut = true;
  }
  return result;
}

}  // namespace avrelt
