// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/recolouring.h"

#include <algorithm>
#include <bit>

#include "pattern/lanes.h"

namespace avrelt {
namespace {

/// All that a change of one thing reaches, kept so that it can be taken back.
class Trade {
 public:
  Trade(const ColourTask& task, const std::vector<bool>& held, int thing, ColourMask allowed,
        std::vector<int>& colours)
      : task_(task),
        held_(held),
        thing_(thing),
        allowed_(allowed),
        colours_(colours),
        before_(colours) {
    for (std::size_t c = 0; c < task.shares.size(); ++c) {
      if (task.shares[c] > 0) useful_ |= colourBit(static_cast<int>(c));
    }
    // A colour asked for by hand is used although its share is none.
    allowed_ &= ~barredAt(thing);
  }

  bool operator()() {
    if (allowed_ == 0) return false;
    if ((allowed_ & colourBit(colours_[at(thing_)])) != 0) return true;
    constexpr int farthest = 4;
    bool found = false;
    for (int steps = 1; steps <= farthest && !found; ++steps) found = within(steps);
    std::vector<int> best = colours_;
    int fewest = found ? changes() : static_cast<int>(colours_.size()) + 1;
    // Where things are tight, trades along chains may reach less.
    for (ColourMask left = allowed_; left != 0 && fewest > few; left &= left - 1) {
      for (const bool whole : {false, true}) {
        colours_ = before_;
        const int colour = std::countr_zero(left);
        if (!(whole ? alongChain(colour) : neighboursAlongChains(colour))) continue;
        if (changes() >= fewest) continue;
        fewest = changes();
        best = colours_;
        found = true;
      }
    }
    colours_ = found ? best : before_;
    return found;
  }

 private:
  static constexpr int few = 6;

  static std::size_t at(int i) { return static_cast<std::size_t>(i); }
  int changes() const {
    int count = 0;
    for (std::size_t v = 0; v < colours_.size(); ++v) count += colours_[v] != before_[v] ? 1 : 0;
    return count;
  }
  ColourMask barredAt(int v) const {
    return (task_.barred.empty() ? 0 : task_.barred[at(v)]) |
           (task_.notHere.empty() ? 0 : task_.notHere[at(v)]);
  }
  ColourMask freeAt(int v) const {
    ColourMask free = (v == thing_ ? allowed_ : useful_ & ~barredAt(v));
    for (const int u : task_.neighbours[at(v)]) {
      if (colours_[at(u)] >= 0) free &= ~colourBit(colours_[at(u)]);
    }
    return free;
  }

  /// Gives the thing its colour and changes only what lies so many neighbours away at most.
  bool within(int steps) {
    std::vector<int> room{thing_};
    std::vector<int> depth(colours_.size(), -1);
    depth[at(thing_)] = 0;
    for (std::size_t next = 0; next < room.size(); ++next) {
      for (const int u : task_.neighbours[at(room[next])]) {
        if (depth[at(u)] >= 0 || depth[at(room[next])] == steps || held_[at(u)]) continue;
        depth[at(u)] = depth[at(room[next])] + 1;
        room.push_back(u);
      }
    }
    // What is in the room waits for its turn as −1.
    for (const int v : room) colours_[at(v)] = -1;
    if (fewestChanges(room)) return true;
    for (const int v : room) colours_[at(v)] = before_[at(v)];
    return false;
  }

  /// Backtracking over the room, always where the fewest colours are free, its own colour first; of
  /// what is found in so many steps that with the fewest changes.
  bool fewestChanges(const std::vector<int>& room) {
    constexpr long most = 4'000;
    struct Choice {
      int v;
      ColourMask left;
      int changes;  ///< made before it
    };
    std::vector<Choice> stack;
    std::vector<int> best;
    int fewest = static_cast<int>(room.size()) + 1;
    // Opens the next choice; false where all is coloured.
    const auto open = [&](int changes) {
      int least = 99;
      Choice next{-1, 0, changes};
      for (const int v : room) {
        if (colours_[at(v)] >= 0) continue;
        const ColourMask free = freeAt(v);
        // What can stay as it was waits until all that cannot has been settled.
        const bool stays = (free & colourBit(before_[at(v)])) != 0;
        const int rank = std::popcount(free) + (stays && v != thing_ ? 40 : 0);
        if (rank >= least) continue;
        least = rank;
        next.v = v;
        next.left = free;
      }
      if (next.v < 0) return false;
      stack.push_back(next);
      return true;
    };
    const auto keep = [&](int changes) {
      fewest = changes;
      best.clear();
      for (const int v : room) best.push_back(colours_[at(v)]);
    };
    if (!open(0)) keep(0);
    for (long steps = 0; !stack.empty() && steps < most; ++steps) {
      Choice& choice = stack.back();
      colours_[at(choice.v)] = -1;
      const int own = before_[at(choice.v)];
      const bool ownLeft = (choice.left & colourBit(own)) != 0;
      if (choice.left == 0 || choice.changes + (ownLeft ? 0 : 1) >= fewest) {
        stack.pop_back();
        continue;
      }
      const int c = ownLeft ? own : std::countr_zero(choice.left);
      choice.left &= ~colourBit(c);
      colours_[at(choice.v)] = c;
      const int changes = choice.changes + (c == own ? 0 : 1);
      if (!open(changes)) keep(changes);
    }
    for (std::size_t i = 0; i < best.size(); ++i) colours_[at(room[i])] = best[i];
    return !best.empty();
  }

  /// Every neighbour that has the colour trades it along a chain of its own, the shortest there is
  /// that does not come back to the thing.
  bool neighboursAlongChains(int colour) {
    colours_[at(thing_)] = -1;
    for (const int u : task_.neighbours[at(thing_)]) {
      if (colours_[at(u)] != colour) continue;
      std::vector<int> shortest;
      int with = -1;
      for (ColourMask left = useful_ & ~colourBit(colour); left != 0; left &= left - 1) {
        const int other = std::countr_zero(left);
        const std::vector<int> chain = chainOf(u, colour, other);
        if (chain.empty() || (!shortest.empty() && chain.size() >= shortest.size())) continue;
        shortest = chain;
        with = other;
      }
      if (shortest.empty()) return false;
      for (const int w : shortest) colours_[at(w)] = colours_[at(w)] == colour ? with : colour;
    }
    colours_[at(thing_)] = colour;
    return true;
  }

  /// The chain of two colours a thing lies in; empty where it cannot trade, or would give a
  /// neighbour of the thing in hand the first of them.
  std::vector<int> chainOf(int start, int one, int other) const {
    std::vector<int> chain{start};
    std::vector<bool> seen(colours_.size(), false);
    seen[at(start)] = true;
    for (std::size_t next = 0; next < chain.size(); ++next) {
      const int w = chain[next];
      const int to = colours_[at(w)] == one ? other : one;
      if (held_[at(w)] || (barredAt(w) & colourBit(to)) != 0) return {};
      for (const int u : task_.neighbours[at(w)]) {
        if (u == thing_ && to == one) return {};
        const bool along = colours_[at(u)] == one || colours_[at(u)] == other;
        if (!along || seen[at(u)]) continue;
        seen[at(u)] = true;
        chain.push_back(u);
      }
    }
    return chain;
  }

  bool alongChain(int colour) {
    const int old = colours_[at(thing_)];
    std::vector<int> chain{thing_};
    std::vector<bool> seen(colours_.size(), false);
    seen[at(thing_)] = true;
    for (std::size_t next = 0; next < chain.size(); ++next) {
      for (const int u : task_.neighbours[at(chain[next])]) {
        const bool along = colours_[at(u)] == old || colours_[at(u)] == colour;
        if (!along || seen[at(u)]) continue;
        const int to = colours_[at(u)] == old ? colour : old;
        if (held_[at(u)] || (barredAt(u) & colourBit(to)) != 0) return false;
        seen[at(u)] = true;
        chain.push_back(u);
      }
    }
    for (const int v : chain) colours_[at(v)] = colours_[at(v)] == old ? colour : old;
    return true;
  }

  const ColourTask& task_;
  const std::vector<bool>& held_;
  int thing_;
  ColourMask allowed_;
  ColourMask useful_ = 0;
  std::vector<int>& colours_;
  std::vector<int> before_;
};

}  // namespace

bool recolour(const ColourTask& task, const std::vector<bool>& held, int thing,
              std::uint32_t allowed, std::vector<int>& colours) {
  if (task.shares.size() > mostLaneColours) return false;
  return Trade(task, held, thing, allowed, colours)();
}

}  // namespace avrelt
