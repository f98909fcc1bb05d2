// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/quick_colouring.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <cstdint>

namespace avrelt {
namespace {

constexpr std::size_t mostColours = 32;
constexpr int rounds = 6;
constexpr double nearEnough = 0.002;  // of all, that a share may be off

using Mask = std::uint32_t;

Mask bit(int colour) {
  return Mask{1} << static_cast<unsigned>(colour);
}

/// The same for a seed and a place everywhere (splitmix32).
std::uint32_t mixed(std::uint32_t seed, std::uint32_t place) {
  std::uint32_t z = seed * 0x9E3779B9U + place * 0x85EBCA6BU + 0x6D2B79F5U;
  z = (z ^ (z >> 16)) * 0x85EBCA6BU;
  z = (z ^ (z >> 13)) * 0xC2B2AE35U;
  return z ^ (z >> 16);
}

class Quick {
 public:
  explicit Quick(const ColourTask& task) : task_(task), count_(task.neighbours.size()) {
    double shares = 0;
    for (const double share : task.shares) shares += std::max(share, 0.0);
    for (std::size_t v = 0; v < count_; ++v) total_ += sizeOf(v);
    for (std::size_t c = 0; c < task.shares.size(); ++c) {
      const double share = shares > 0 ? std::max(task.shares[c], 0.0) / shares
                                      : 1.0 / static_cast<double>(task.shares.size());
      wanted_[c] = total_ * share;
      perWanted_[c] = share > 0 ? 1 / wanted_[c] : 0;
      if (share > 0) useful_ |= bit(static_cast<int>(c));
    }
    colours_.assign(count_, -1);
  }

  std::optional<std::vector<int>> operator()() {
    for (std::size_t v = 0; v < count_; ++v) {
      Mask free = useful_ & ~besides(v);
      if (free == 0) free = freed(v);
      if (free == 0) free = freedAlongChain(v);
      if (free == 0) return std::nullopt;
      put(v, lacking(free, static_cast<std::uint32_t>(v)));
    }
    balance();
    return std::move(colours_);
  }

 private:
  double sizeOf(std::size_t v) const { return task_.sizes.empty() ? 1 : task_.sizes[v]; }

  /// The colours that lie beside a thing, or are barred there.
  Mask besides(std::size_t v) const {
    Mask mask = task_.barred.empty() ? 0 : task_.barred[v];
    for (const int u : task_.neighbours[v]) {
      const int c = colours_[static_cast<std::size_t>(u)];
      if (c >= 0) mask |= bit(c);
    }
    return mask;
  }

  /// Which of these its share lacks most, ties by the seed.
  int lacking(Mask free, std::uint32_t place) const {
    int best = -1;
    double most = -HUGE_VAL;
    std::uint32_t noise = mixed(task_.seed, place);
    for (; free != 0; free &= free - 1) {
      const int c = std::countr_zero(free);
      const auto i = static_cast<std::size_t>(c);
      const double score = -used_[i] * perWanted_[i] + 1e-3 * static_cast<double>(noise & 0xFFU);
      noise = noise >> 8 | noise << 24;
      if (score <= most) continue;
      most = score;
      best = c;
    }
    return best;
  }

  void put(std::size_t v, int c) {
    if (colours_[v] >= 0) used_[static_cast<std::size_t>(colours_[v])] -= sizeOf(v);
    used_[static_cast<std::size_t>(c)] += sizeOf(v);
    colours_[v] = c;
  }

  /// A colour that recolouring its neighbours one by one frees at `v`; none is 0.
  Mask freed(std::size_t v) {
    const Mask barred = task_.barred.empty() ? 0 : task_.barred[v];
    for (Mask left = useful_ & ~barred; left != 0; left &= left - 1) {
      const int c = std::countr_zero(left);
      std::vector<std::pair<std::size_t, int>> changes;
      bool all = true;
      for (const int u : task_.neighbours[v]) {
        const auto other = static_cast<std::size_t>(u);
        if (colours_[other] != c) continue;
        const Mask free = useful_ & ~besides(other) & ~bit(c);
        if (free == 0) {
          all = false;
          break;
        }
        changes.emplace_back(other, colours_[other]);
        put(other, lacking(free, static_cast<std::uint32_t>(u)));
      }
      if (all) return bit(c);
      for (const auto& [other, before] : changes) put(other, before);
    }
    return 0;
  }

  /// A colour that trading it along a chain with another frees at `v`; none is 0.
  Mask freedAlongChain(std::size_t v) {
    const Mask usable = useful_ & ~(task_.barred.empty() ? 0 : task_.barred[v]);
    std::vector<int> chain;
    for (Mask ones = usable; ones != 0; ones &= ones - 1) {
      const int one = std::countr_zero(ones);
      for (Mask others = useful_ & ~bit(one); others != 0; others &= others - 1) {
        const int other = std::countr_zero(others);
        chain.clear();
        if (++mark_ == 1) seen_.assign(count_, 0);
        for (const int u : task_.neighbours[v]) {
          if (colours_[static_cast<std::size_t>(u)] == one) reach(u, chain);
        }
        bool held = false;
        for (std::size_t next = 0; next < chain.size() && !held; ++next) {
          const auto w = static_cast<std::size_t>(chain[next]);
          const int to = colours_[w] == one ? other : one;
          held = !task_.barred.empty() && (task_.barred[w] & bit(to)) != 0;
          for (const int u : task_.neighbours[w]) {
            const int c = colours_[static_cast<std::size_t>(u)];
            if (c == one || c == other) reach(u, chain);
          }
        }
        // Where the chain comes back to another neighbour, that would take the colour freed.
        const std::vector<int>& beside = task_.neighbours[v];
        held = held || std::any_of(beside.begin(), beside.end(), [&](int u) {
                 const auto w = static_cast<std::size_t>(u);
                 return colours_[w] == other && seen_[w] == mark_;
               });
        if (held) continue;
        for (const int u : chain) {
          const auto w = static_cast<std::size_t>(u);
          put(w, colours_[w] == one ? other : one);
        }
        return bit(one);
      }
    }
    return 0;
  }

  void reach(int u, std::vector<int>& chain) {
    int& seen = seen_[static_cast<std::size_t>(u)];
    if (seen == mark_) return;
    seen = mark_;
    chain.push_back(u);
  }

  /// Single changes, from colours that have too much to those that have too little.
  void balance() {
    for (int round = 0; round < rounds; ++round) {
      double off = 0;
      for (std::size_t c = 0; c < task_.shares.size(); ++c) {
        off = std::max(off, std::abs(used_[c] - wanted_[c]));
      }
      if (off <= nearEnough * total_) return;
      bool moved = false;
      for (std::size_t v = 0; v < count_; ++v) {
        const auto c = static_cast<std::size_t>(colours_[v]);
        const double size = sizeOf(v);
        const double over = used_[c] - wanted_[c];
        if (over < size / 2) continue;
        double least = -size / 4;
        int best = -1;
        for (Mask free = useful_ & ~besides(v) & ~bit(colours_[v]); free != 0; free &= free - 1) {
          const int d = std::countr_zero(free);
          // Half the change of the squares of what both are off, per size.
          const double change = used_[static_cast<std::size_t>(d)] -
                                wanted_[static_cast<std::size_t>(d)] - over + size;
          if (change >= least) continue;
          least = change;
          best = d;
        }
        if (best < 0) continue;
        put(v, best);
        moved = true;
      }
      if (!moved) return;
    }
  }

  const ColourTask& task_;
  std::size_t count_;
  double total_ = 0;
  std::array<double, mostColours> wanted_{};
  std::array<double, mostColours> perWanted_{};
  std::array<double, mostColours> used_{};
  Mask useful_ = 0;
  std::vector<int> colours_;
  std::vector<int> seen_;  ///< which search came by last
  int mark_ = 0;
};

/// All that a change of one thing reaches, kept so that it can be taken back.
class Trade {
 public:
  Trade(const ColourTask& task, const std::vector<bool>& held, std::vector<int>& colours)
      : task_(task), held_(held), colours_(colours), before_(colours) {}

  bool operator()(int thing, int colour) {
    const int old = colours_[at(thing)];
    if (!allowed(thing, colour)) return false;
    if (old == colour) return true;
    constexpr int farthest = 4;
    for (int steps = 1; steps <= farthest; ++steps) {
      if (within(thing, colour, steps)) return true;
    }
    return alongChain(thing, old, colour);
  }

 private:
  static std::size_t at(int i) { return static_cast<std::size_t>(i); }
  bool allowed(int v, int c) const {
    return task_.barred.empty() || (task_.barred[at(v)] & bit(c)) == 0;
  }

  /// Gives the thing its colour and changes only what lies so many neighbours away at most, trying
  /// for each its own colour first.
  bool within(int thing, int colour, int steps) {
    std::vector<int> room{thing};
    std::vector<int> depth(colours_.size(), -1);
    depth[at(thing)] = 0;
    for (std::size_t next = 0; next < room.size(); ++next) {
      for (const int u : task_.neighbours[at(room[next])]) {
        if (depth[at(u)] >= 0 || depth[at(room[next])] == steps || held_[at(u)]) continue;
        depth[at(u)] = depth[at(room[next])] + 1;
        room.push_back(u);
      }
    }
    // What is in the room waits for its turn as −1.
    for (const int v : room) colours_[at(v)] = -1;
    const auto isFree = [this](int v, int c) {
      const std::vector<int>& beside = task_.neighbours[at(v)];
      return task_.shares[at(c)] > 0 && allowed(v, c) &&
             std::none_of(beside.begin(), beside.end(),
                          [&](int u) { return colours_[at(u)] == c; });
    };
    bool found = false;
    if (isFree(thing, colour)) {
      colours_[at(thing)] = colour;
      found = rest(room, isFree);
    }
    if (!found) {
      for (const int v : room) colours_[at(v)] = before_[at(v)];
    }
    return found;
  }

  /// Backtracking over the room, always where the fewest colours are free, its own colour first; of
  /// what is found in so many steps that with the fewest changes.
  template <typename IsFree>
  bool rest(const std::vector<int>& room, const IsFree& isFree) {
    constexpr long most = 3'000;
    const int count = static_cast<int>(task_.shares.size());
    struct Choice {
      int v;
      Mask left;
      int changes;  ///< made before it
    };
    std::vector<Choice> stack;
    std::vector<int> best;
    int fewest = static_cast<int>(room.size()) + 1;
    // Opens the next choice; false where all is coloured.
    const auto open = [&](int changes) {
      int least = count + 1;
      Choice next{-1, 0, changes};
      for (const int v : room) {
        if (colours_[at(v)] >= 0) continue;
        Mask free = 0;
        for (int c = 0; c < count; ++c) free |= isFree(v, c) ? bit(c) : 0;
        if (std::popcount(free) >= least) continue;
        least = std::popcount(free);
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
      const bool ownLeft = (choice.left & bit(own)) != 0;
      if (choice.left == 0 || choice.changes + (ownLeft ? 0 : 1) >= fewest) {
        stack.pop_back();
        continue;
      }
      const int c = ownLeft ? own : std::countr_zero(choice.left);
      choice.left &= ~bit(c);
      colours_[at(choice.v)] = c;
      const int changes = choice.changes + (c == own ? 0 : 1);
      if (!open(changes)) keep(changes);
    }
    for (std::size_t i = 0; i < best.size(); ++i) colours_[at(room[i])] = best[i];
    return !best.empty();
  }

  bool alongChain(int thing, int old, int colour) {
    std::vector<int> chain{thing};
    std::vector<bool> seen(colours_.size(), false);
    seen[at(thing)] = true;
    for (std::size_t next = 0; next < chain.size(); ++next) {
      for (const int u : task_.neighbours[at(chain[next])]) {
        const bool along = colours_[at(u)] == old || colours_[at(u)] == colour;
        if (!along || seen[at(u)]) continue;
        if (held_[at(u)] || !allowed(u, colours_[at(u)] == old ? colour : old)) return false;
        seen[at(u)] = true;
        chain.push_back(u);
      }
    }
    for (const int v : chain) colours_[at(v)] = colours_[at(v)] == old ? colour : old;
    return true;
  }

  const ColourTask& task_;
  const std::vector<bool>& held_;
  std::vector<int>& colours_;
  std::vector<int> before_;
};

}  // namespace

std::optional<std::vector<int>> quicklyColoured(const ColourTask& task) {
  if (task.shares.empty() || task.shares.size() > mostColours) return std::nullopt;
  return Quick(task)();
}

bool recolour(const ColourTask& task, const std::vector<bool>& held, int thing, int colour,
              std::vector<int>& colours) {
  if (task.shares.size() > mostColours) return false;
  return Trade(task, held, colours)(thing, colour);
}

}  // namespace avrelt
