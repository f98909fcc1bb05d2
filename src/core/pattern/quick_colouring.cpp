// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/quick_colouring.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

#include "pattern/index.h"
#include "pattern/lanes.h"

namespace avrelt {
namespace {

/// What quick colouring and the trading after it have in common.
template <std::size_t Words>
class Board {
 public:
  explicit Board(const ColourTask& task) : task_(task), lanes_(task), shares_(task) {
    costs_.reserve(task.cost.size() * task.shares.size());
    for (const std::vector<float>& of : task.cost)
      costs_.insert(costs_.end(), of.begin(), of.end());
  }

 protected:
  ColourMask barredAt(std::size_t v) const { return task_.barred.empty() ? 0 : task_.barred[v]; }
  ColourMask usable(std::size_t v) const { return shares_.useful() & ~barredAt(v); }
  ColourMask freeAt(std::size_t v) const { return usable(v) & ~lanes_.besides(v); }
  double costOf(std::size_t v, int c) const {
    return costs_.empty() ? 0 : static_cast<double>(costs_[v * task_.shares.size() + at(c)]);
  }

  void put(std::size_t v, int c) {
    const double size = shares_.sizeOf(v);
    if (lanes_.colour(v) >= 0) shares_.add(lanes_.colour(v), -size);
    if (c >= 0) shares_.add(c, size);
    lanes_.put(v, c);
  }

  const ColourTask& task_;
  Lanes<Words> lanes_;
  ShareCount shares_;
  std::vector<float> costs_;  ///< of each colour, thing by thing
};

template <std::size_t Words>
class Quick : Board<Words> {
  using Board<Words>::task_;
  using Board<Words>::lanes_;
  using Board<Words>::shares_;
  using Board<Words>::put;
  using Board<Words>::usable;
  using Board<Words>::freeAt;
  using Board<Words>::costOf;

 public:
  explicit Quick(const ColourTask& task) : Board<Words>(task) {}

  std::optional<QuickColours> operator()() {
    const std::size_t count = lanes_.size();
    const double each = 1 / static_cast<double>(count);
    for (std::size_t v = 0; v < count; ++v) {
      ColourMask free = freeAt(v);
      if (free == 0) free = freed(v);
      if (free == 0) free = freedAlongChain(v);
      if (free == 0) return std::nullopt;
      put(v, chosen(v, free, static_cast<double>(v + 1) * each));
    }
    if (task_.cost.empty()) {
      if (task_.spread) {
        spread();
        takeTurns();
      }
      balance();
    }
    return QuickColours{lanes_.all(), shares_.nearEnough()};
  }

 private:
  static constexpr std::size_t thousands = 1'500;
  static constexpr double evenness = 0.12;  // of a thing too many against one alike two steps away

  /// Among thousands there is no time to look round before each: their spread comes afterwards.
  bool many() const { return lanes_.size() >= thousands; }

  /// The free colour that costs least, `done` of all being coloured.
  int chosen(std::size_t v, ColourMask free, double done) const {
    std::uint32_t noise = mixedSeed(task_.seed, static_cast<std::uint32_t>(v));
    if (many() && task_.cost.empty()) return lackingMost(free, done, noise);
    typename Lanes<Words>::Counts two{};
    const bool spread = task_.spread && task_.cost.empty();
    if (spread) two = lanes_.twoAway(v);
    const double chance = spread ? 1e-3 : task_.cost.empty() ? 0.05 : 1e-5;
    int best = -1;
    double least = HUGE_VAL;
    for (; free != 0; free &= free - 1) {
      const int c = std::countr_zero(free);
      const double score = 100 * costOf(v, c) + two[at(c)] + evenness * shares_.overAt(c, done) +
                           chance * static_cast<double>(noise & 0xFFU);
      noise = noise >> 8 | noise << 24;
      if (score >= least) continue;
      least = score;
      best = c;
    }
    return best;
  }

  /// Ties by chance; with no wish for spread by much of it.
  int lackingMost(ColourMask free, double done, std::uint32_t noise) const {
    const double chance = task_.spread ? 1e-3 : 0.4;
    int best = -1;
    double least = HUGE_VAL;
    for (; free != 0; free &= free - 1) {
      const int c = std::countr_zero(free);
      const double score = shares_.overAt(c, done) + chance * static_cast<double>(noise & 0xFFU);
      noise = noise >> 8 | noise << 24;
      best = score < least ? c : best;
      least = std::min(score, least);
    }
    return best;
  }

  /// A colour that recolouring its neighbours one by one frees at `v`; none is 0.
  ColourMask freed(std::size_t v) {
    for (ColourMask left = usable(v); left != 0; left &= left - 1) {
      const int c = std::countr_zero(left);
      std::vector<std::pair<std::size_t, int>> changes;
      bool all = true;
      for (const int* u = lanes_.begin(v); u != lanes_.end(v); ++u) {
        if (lanes_.colour(at(*u)) != c) continue;
        const ColourMask free = freeAt(at(*u)) & ~colourBit(c);
        if (free == 0) {
          all = false;
          break;
        }
        changes.emplace_back(at(*u), c);
        put(at(*u), chosen(at(*u), free, 1));
      }
      if (all) return colourBit(c);
      for (const auto& [other, before] : changes) put(other, before);
    }
    return 0;
  }

  /// A colour that trading it along a chain with another frees at `v`; none is 0.
  ColourMask freedAlongChain(std::size_t v) {
    std::vector<int> chain;
    for (ColourMask ones = usable(v); ones != 0; ones &= ones - 1) {
      const int one = std::countr_zero(ones);
      for (ColourMask others = shares_.useful() & ~colourBit(one); others != 0;
           others &= others - 1) {
        const int other = std::countr_zero(others);
        chain.clear();
        if (++mark_ == 1) seen_.assign(lanes_.size(), 0);
        for (const int* u = lanes_.begin(v); u != lanes_.end(v); ++u) {
          if (lanes_.colour(at(*u)) == one) reach(*u, chain);
        }
        bool held = false;
        for (std::size_t next = 0; next < chain.size() && !held; ++next) {
          const std::size_t w = at(chain[next]);
          const int to = lanes_.colour(w) == one ? other : one;
          held = (this->barredAt(w) & colourBit(to)) != 0;
          for (const int* u = lanes_.begin(w); u != lanes_.end(w); ++u) {
            const int c = lanes_.colour(at(*u));
            if (c == one || c == other) reach(*u, chain);
          }
        }
        // Where the chain comes back to another neighbour, that would take the colour freed.
        held = held || std::any_of(lanes_.begin(v), lanes_.end(v), [&](int u) {
                 return lanes_.colour(at(u)) == other && seen_[at(u)] == mark_;
               });
        if (held) continue;
        for (const int u : chain) put(at(u), lanes_.colour(at(u)) == one ? other : one);
        return colourBit(one);
      }
    }
    return 0;
  }

  void reach(int u, std::vector<int>& chain) {
    int& seen = seen_[at(u)];
    if (seen == mark_) return;
    seen = mark_;
    chain.push_back(u);
  }

  /// Single changes that leave fewer alike two steps away. Hundreds of things are stirred first, as
  /// in annealing; thousands, for which there is no time, are gone through once.
  void spread() {
    constexpr std::size_t steps = 60'000;
    constexpr float hot = 1.6F;
    constexpr float cold = 0.12F;
    const std::size_t count = lanes_.size();
    const std::size_t rounds = many() ? 1 : std::min<std::size_t>(steps / count + 1, 120);
    std::uint32_t drawn = 0;
    for (std::size_t round = 0; round < rounds; ++round) {
      const float share = static_cast<float>(round) / static_cast<float>(rounds);
      const float heat = rounds > 2 && round + 2 < rounds ? hot * std::pow(cold / hot, share) : 0;
      for (std::size_t v = 0; v < count; ++v) {
        const int c = lanes_.colour(v);
        ColourMask free = freeAt(v) & ~colourBit(c);
        if (free == 0) continue;
        const typename Lanes<Words>::Counts two = lanes_.twoAway(v);
        const double size = shares_.sizeOf(v);
        const double now = two[at(c)] - lanes_.degree(v);
        std::uint32_t noise = heat > 0 ? mixedSeed(task_.seed, ++drawn) : 0;
        double least = heat > 0 ? heat * -logOf(noise) : -0.25;
        int best = -1;
        for (; free != 0; free &= free - 1) {
          const int d = std::countr_zero(free);
          const double change = two[at(d)] - now + evenness * shares_.squares(c, d, size) / 2;
          if (change >= least) continue;
          least = change;
          best = d;
        }
        if (best >= 0) put(v, best);
      }
    }
  }

  /// Where everything touches everything near, as bricks and hexagons do, single changes soon find
  /// none that is free. From five colours on these spread better when each row takes all in turn,
  /// beginning where that meets the rows before it best.
  void takeTurns() {
    const ColourMask useful = shares_.useful();
    const int count = std::popcount(useful);
    // A layout by chance has about one in (colours − 1) alike.
    if (count < 5 || task_.rows.empty() || alikeTwoAway() * (count - 1) < 0.7) return;
    const std::vector<int> before = lanes_.all();
    const double was = alikeTwoAway();
    std::vector<int> names;
    for (ColourMask left = useful; left != 0; left &= left - 1)
      names.push_back(std::countr_zero(left));
    for (std::size_t v = 0; v < lanes_.size(); ++v) put(v, -1);
    bool all = true;
    for (std::size_t begin = 0; begin < lanes_.size() && all;) {
      std::size_t end = begin;
      while (end < lanes_.size() && task_.rows[end] == task_.rows[begin]) ++end;
      std::vector<double> costs(names.size(), 0);
      for (std::size_t v = begin; v < end; ++v) {
        const ColourMask besides = lanes_.besides(v);
        const typename Lanes<Words>::Counts two = lanes_.twoAway(v);
        for (std::size_t o = 0; o < names.size(); ++o) {
          const int c = names[(v - begin + o) % names.size()];
          costs[o] += (besides & colourBit(c)) != 0 ? 20 : two[at(c)];
        }
      }
      // Of nearly the same, one by chance, so that no lines run down the wall.
      std::size_t best = 0;
      double least = HUGE_VAL;
      for (std::size_t o = 0; o < names.size(); ++o) {
        const std::uint32_t noise =
            mixedSeed(task_.seed + 7, static_cast<std::uint32_t>(begin * names.size() + o));
        const double cost = costs[o] * (1 + 0.05 * static_cast<double>(noise >> 8) / 16777216.0);
        if (cost >= least) continue;
        least = cost;
        best = o;
      }
      for (std::size_t v = begin; v < end && all; ++v) {
        const int c = names[(v - begin + best) % names.size()];
        ColourMask free = freeAt(v);
        if (free == 0) free = freed(v);
        if (free == 0) free = freedAlongChain(v);
        all = free != 0;
        if (all) put(v, (free & colourBit(c)) != 0 ? c : chosen(v, free, 1));
      }
      begin = end;
    }
    if (all && alikeTwoAway() < was) return;
    for (std::size_t v = 0; v < lanes_.size(); ++v) put(v, -1);
    for (std::size_t v = 0; v < lanes_.size(); ++v) put(v, before[v]);
  }

  /// The share of things two steps away that are alike, by as many ways as there are.
  double alikeTwoAway() const {
    double alike = 0;
    double all = 0;
    for (std::size_t v = 0; v < lanes_.size(); ++v) {
      if (lanes_.colour(v) < 0) continue;
      alike += lanes_.twoAway(v)[at(lanes_.colour(v))] - lanes_.degree(v);
      for (const int* u = lanes_.begin(v); u != lanes_.end(v); ++u)
        all += lanes_.degree(at(*u)) - 1;
      for (const int* u = lanes_.begin(v); u != lanes_.end(v); ++u) all -= 2;
    }
    return all > 0 ? alike / all : 0;
  }

  /// Of a number by chance between 0 and 1, well enough for chance.
  static double logOf(std::uint32_t chance) {
    static const std::array<float, 256> table = [] {
      std::array<float, 256> made{};
      for (std::size_t i = 0; i < made.size(); ++i) {
        made[i] = std::log((static_cast<float>(i) + 0.5F) / 256);
      }
      return made;
    }();
    return static_cast<double>(table[chance >> 24]);
  }

  /// Single changes, from colours that have too much to those that have too little, at first only
  /// those that cost little of the spread.
  void balance() {
    for (const double weight : {0.5, 2.0, 8.0, 64.0}) {
      if (many() ? shares_.nearEnough() : shares_.mostOff() <= 1) return;
      for (std::size_t v = 0; v < lanes_.size(); ++v) {
        const int c = lanes_.colour(v);
        const double size = shares_.sizeOf(v);
        if (shares_.over(c) < size / 2) continue;
        ColourMask free = freeAt(v) & ~colourBit(c);
        if (free == 0) continue;
        typename Lanes<Words>::Counts two{};
        if (task_.spread) two = lanes_.twoAway(v);
        const double now = task_.spread ? two[at(c)] - lanes_.degree(v) : 0;
        double least = -1e-9;
        int best = -1;
        for (; free != 0; free &= free - 1) {
          const int d = std::countr_zero(free);
          const double squares = shares_.squares(c, d, size);
          if (squares >= 0) continue;
          const double change = two[at(d)] - now + weight * squares;
          if (change >= least) continue;
          least = change;
          best = d;
        }
        if (best < 0) continue;
        put(v, best);
        if (shares_.mostOff() <= 1) return;
      }
    }
  }

  std::vector<int> seen_;  ///< which search came by last
  int mark_ = 0;
};

template <std::size_t Words>
class Trader : Board<Words> {
  using Board<Words>::task_;
  using Board<Words>::lanes_;
  using Board<Words>::shares_;
  using Board<Words>::put;
  using Board<Words>::freeAt;
  using Board<Words>::barredAt;
  using Board<Words>::costOf;

 public:
  Trader(const ColourTask& task, const std::vector<int>& colours) : Board<Words>(task) {
    for (std::size_t v = 0; v < colours.size(); ++v) put(v, colours[v]);
    seen_.assign(colours.size(), 0);
    endless_.assign(colours.size() * task.shares.size(), 0);
    spreads_ = task.spread && task.cost.empty();
  }

  std::vector<int> operator()() {
    const std::size_t count = lanes_.size();
    if (count == 0) return lanes_.all();
    constexpr double hot = 12;
    constexpr double cold = 0.02;
    constexpr double bears = 8;  // times the heat: dearer ones would be taken once in 3 000
    // So many tries that a few hundred things settle, and thousands still take no time to notice.
    const std::size_t tries = std::clamp<std::size_t>(count * 40, 5'000, 16'000);
    std::vector<int> best = lanes_.all();
    double energy = 0;
    double least = 0;
    double heat = hot;
    std::size_t inVain = 0;  // tries since a chain could be traded
    for (std::size_t n = 0; n < tries; ++n) {
      const bool forShares = task_.cost.empty();
      // Where only shares were off, there is nothing more to gain.
      if (forShares && n % 32 == 31 && shares_.nearEnough()) break;
      if (n % 32 == 0) {
        const double done = static_cast<double>(n) / static_cast<double>(tries);
        heat = hot * std::pow(cold / hot, done);
      }
      std::size_t v = next() % count;
      int d = std::countr_zero(nth(shares_.useful(), next()));
      if (forShares) {
        // From a colour that has too much to one that has less: other chains bring shares nowhere.
        for (int look = 0; look < 8 && shares_.over(lanes_.colour(v)) <= 0; ++look) {
          v = next() % count;
        }
        for (int look = 0; look < 4 && shares_.over(d) >= shares_.over(lanes_.colour(v)); ++look) {
          d = std::countr_zero(nth(shares_.useful(), next()));
        }
      } else if ((next() & 3U) != 0) {
        // Mostly towards the colour that costs least here; what has it is left.
        d = cheapest(v);
      }
      if (d == lanes_.colour(v)) continue;
      if (!chainFrom(v, d, bears * heat)) {
        // Three colours of hexagons have no chain that ends: no try would change anything.
        if (++inVain == count && !anyChain()) break;
        continue;
      }
      inVain = 0;
      const double change = traded(d);
      if (change > 0 && std::exp(-change / heat) * 4294967296.0 < next()) {
        traded(d);  // back
        continue;
      }
      ++trades_;
      energy += change;
      if (energy >= least - 1e-9) continue;
      least = energy;
      best = lanes_.all();
    }
    if (!task_.cost.empty() || !shares_.nearEnough()) {
      for (std::size_t v = 0; v < count; ++v) {
        if (lanes_.colour(v) != best[v]) put(v, best[v]);
      }
    }
    return settle();
  }

 private:
  static constexpr std::size_t longest = 60;

  int cheapest(std::size_t v) const {
    int best = lanes_.colour(v);
    for (ColourMask all = shares_.useful(); all != 0; all &= all - 1) {
      const int c = std::countr_zero(all);
      if (costOf(v, c) < costOf(v, best)) best = c;
    }
    return best;
  }

  std::uint32_t next() { return mixedSeed(task_.seed, ++drawn_); }
  static ColourMask nth(ColourMask mask, std::uint32_t chance) {
    int skip = static_cast<int>(chance % static_cast<unsigned>(std::popcount(mask)));
    for (; skip > 0; --skip) mask &= mask - 1;
    return mask;
  }

  /// The chain of a thing's colour and another that it lies in; false where it is barred or long,
  /// or costs more on the way than `most`.
  bool chainFrom(std::size_t v, int d, double most = HUGE_VAL) {
    if (endless(v, d) == trades_) return false;
    const int c = lanes_.colour(v);
    one_ = c;
    chain_.assign(1, static_cast<int>(v));
    seen_[v] = ++mark_;
    double cost = 0;
    for (std::size_t i = 0; i < chain_.size(); ++i) {
      const std::size_t w = at(chain_[i]);
      const int to = lanes_.colour(w) == c ? d : c;
      if ((barredAt(w) & colourBit(to)) != 0) return neverFrom(c, d);
      cost += costOf(w, to) - costOf(w, lanes_.colour(w));
      if (cost > most) return false;
      if (lanes_.beside(w, to) == 0) continue;
      for (const int* u = lanes_.begin(w); u != lanes_.end(w); ++u) {
        if (lanes_.colour(at(*u)) != to || seen_[at(*u)] == mark_) continue;
        seen_[at(*u)] = mark_;
        chain_.push_back(*u);
        if (chain_.size() > longest) return neverFrom(c, d);
      }
    }
    return true;
  }

  /// A chain that is barred or long is so from whichever of its things one begins, till one is
  /// traded.
  bool neverFrom(int c, int d) {
    for (const int u : chain_) endless(at(u), lanes_.colour(at(u)) == c ? d : c) = trades_;
    return false;
  }
  std::uint32_t& endless(std::size_t v, int d) { return endless_[v * task_.shares.size() + at(d)]; }

  /// Whether any chain can be traded as colours lie, whatever it costs.
  bool anyChain() {
    for (std::size_t v = 0; v < lanes_.size(); ++v) {
      for (ColourMask all = shares_.useful(); all != 0; all &= all - 1) {
        const int d = std::countr_zero(all);
        if (d != lanes_.colour(v) && chainFrom(v, d)) return true;
      }
    }
    return false;
  }

  /// Trades the chain, and says what that changes.
  double traded(int d) {
    const double shareWeight = task_.cost.empty() ? 8.0 : 0.002;
    double change = 0;
    for (const int u : chain_) {
      const std::size_t w = at(u);
      const int from = lanes_.colour(w);
      const int to = from == one_ ? d : one_;
      change += costOf(w, to) - costOf(w, from);
      change += shareWeight * shares_.squares(from, to, shares_.sizeOf(w));
      if (spreads_) {
        const typename Lanes<Words>::Counts two = lanes_.twoAway(w);
        change += 0.5 * (two[at(to)] - (two[at(from)] - lanes_.degree(w)));
      }
      put(w, to);
    }
    return change;
  }

  /// Single changes and chains as long as any lead down.
  std::vector<int> settle() {
    for (int round = 0; round < 4; ++round) {
      bool moved = false;
      ++trades_;
      // A chain is the same from whichever thing of it one begins: once is enough a round.
      std::vector<ColourMask> left(lanes_.size(), 0);
      for (std::size_t v = 0; v < lanes_.size(); ++v) {
        for (ColourMask all = shares_.useful(); all != 0; all &= all - 1) {
          const int d = std::countr_zero(all);
          if (d == lanes_.colour(v) || (left[v] & colourBit(d)) != 0) continue;
          const bool whole = chainFrom(v, d);
          const int c = lanes_.colour(v);
          if (whole && traded(d) < -1e-9) {
            moved = true;
            ++trades_;
            continue;
          }
          if (whole) traded(d);
          for (const int u : chain_) left[at(u)] |= colourBit(lanes_.colour(at(u)) == c ? d : c);
        }
      }
      if (!moved) break;
    }
    return lanes_.all();
  }

  std::vector<int> chain_;
  int one_ = 0;
  std::vector<int> seen_;
  int mark_ = 0;
  std::uint32_t trades_ = 1;
  std::vector<std::uint32_t> endless_;  ///< after how many trades its chain was barred or long
  std::uint32_t drawn_ = 0;
  bool spreads_ = false;
};

/// Calls with the number of words that so many colours take.
template <typename Call>
auto withWords(std::size_t colours, const Call& call) {
  if (colours <= 8) return call(std::integral_constant<std::size_t, 1>());
  if (colours <= 16) return call(std::integral_constant<std::size_t, 2>());
  return call(std::integral_constant<std::size_t, 4>());
}

bool fitsLanes(const ColourTask& task) {
  return !task.shares.empty() && task.shares.size() <= mostLaneColours &&
         std::none_of(task.neighbours.begin(), task.neighbours.end(),
                      [](const std::vector<int>& list) { return list.size() > 255; });
}

}  // namespace

std::optional<QuickColours> quicklyColoured(const ColourTask& task) {
  if (!fitsLanes(task)) return std::nullopt;
  return withWords(task.shares.size(),
                   [&](auto words) { return Quick<decltype(words)::value>(task)(); });
}

void bringNearer(const ColourTask& task, std::vector<int>& colours) {
  if (!fitsLanes(task)) return;
  colours = withWords(task.shares.size(),
                      [&](auto words) { return Trader<decltype(words)::value>(task, colours)(); });
}

}  // namespace avrelt
