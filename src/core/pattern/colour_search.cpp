// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colour_search.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <random>
#include <set>
#include <tuple>

#include "pattern/index.h"

namespace avrelt {
namespace {

constexpr long mostSteps = 150'000;  // of the exact search

using Graph = std::vector<std::vector<int>>;

/// What is coloured so far, and how often each colour lies beside each thing.
class State {
 public:
  State(const Graph& graph, int colours)
      : graph_(&graph),
        colours_(colours),
        colour_(graph.size(), -1),
        beside_(graph.size() * at(colours), 0),
        distinct_(graph.size(), 0) {}

  /// As if one more neighbour had each of these colours.
  void bar(const std::vector<std::uint32_t>& barred) {
    for (std::size_t v = 0; v < barred.size(); ++v) {
      for (int c = 0; c < std::min(colours_, 32); ++c) {
        if ((barred[v] >> static_cast<unsigned>(c) & 1U) == 0) continue;
        if (beside_[v * at(colours_) + at(c)]++ == 0) ++distinct_[v];
      }
    }
  }

  int colour(int v) const { return colour_[at(v)]; }
  int beside(int v, int c) const { return beside_[at(v) * at(colours_) + at(c)]; }
  int distinct(int v) const { return distinct_[at(v)]; }

  void put(int v, int c) {
    if (colour_[at(v)] >= 0) take(v);
    colour_[at(v)] = c;
    for (const int u : (*graph_)[at(v)]) {
      if (beside_[at(u) * at(colours_) + at(c)]++ == 0) ++distinct_[at(u)];
    }
  }
  void take(int v) {
    const int c = colour_[at(v)];
    colour_[at(v)] = -1;
    for (const int u : (*graph_)[at(v)]) {
      if (--beside_[at(u) * at(colours_) + at(c)] == 0) --distinct_[at(u)];
    }
  }
  const std::vector<int>& all() const { return colour_; }

 private:
  const Graph* graph_;
  int colours_;
  std::vector<int> colour_;
  std::vector<int> beside_;
  std::vector<int> distinct_;
};

/// Things waiting for a colour, those with most distinct neighbours' colours first, then those with
/// most neighbours, then in order.
class Queue {
 public:
  Queue(const Graph& graph, const State& state) : graph_(graph), state_(state) {
    for (int v = 0; v < static_cast<int>(graph.size()); ++v) {
      if (state.colour(v) < 0) waiting_.insert(keyOf(v));
    }
  }
  bool empty() const { return waiting_.empty(); }
  int pop() {
    const int v = std::get<2>(*waiting_.begin());
    waiting_.erase(waiting_.begin());
    return v;
  }
  /// Around a change of v's colour.
  void leave(int v) {
    for (const int u : graph_[at(v)]) {
      if (state_.colour(u) < 0) waiting_.erase(keyOf(u));
    }
  }
  void enter(int v) {
    for (const int u : graph_[at(v)]) {
      if (state_.colour(u) < 0) waiting_.insert(keyOf(u));
    }
  }
  void push(int v) { waiting_.insert(keyOf(v)); }

 private:
  using Key = std::tuple<int, int, int>;
  Key keyOf(int v) const {
    return {-state_.distinct(v), -static_cast<int>(graph_[at(v)].size()), v};
  }
  const Graph& graph_;
  const State& state_;
  std::set<Key> waiting_;
};

/// Backtracking in Brélaz's order, whatever the shares. True when all is coloured, nothing when it
/// gave up.
std::optional<bool> exact(const Graph& graph, State& state, int colours, bool symmetric) {
  struct Choice {
    int v;
    int next;
    int used;
  };
  Queue queue(graph, state);
  std::vector<Choice> stack;
  long steps = 0;
  const auto put = [&](int v, int c) {
    queue.leave(v);
    state.put(v, c);
    queue.enter(v);
  };
  const auto take = [&](int v) {
    queue.leave(v);
    state.take(v);
    queue.enter(v);
  };
  if (queue.empty()) return true;
  stack.push_back({queue.pop(), 0, 0});
  while (!stack.empty()) {
    if (++steps > mostSteps) return std::nullopt;
    Choice& choice = stack.back();
    const int v = choice.v;
    if (state.colour(v) >= 0) take(v);
    // A colour not used yet is as good as any other.
    const int last = symmetric ? std::min(colours, choice.used + 1) : colours;
    int c = choice.next;
    while (c < last && state.beside(v, c) > 0) ++c;
    if (c >= last) {
      queue.push(v);
      stack.pop_back();
      continue;
    }
    choice.next = c + 1;
    const int used = std::max(choice.used, c + 1);
    put(v, c);
    if (queue.empty()) return true;
    stack.push_back({queue.pop(), 0, used});
  }
  return false;
}

bool areNeighbours(const Graph& graph, int a, int b) {
  const std::vector<int>& list = graph[at(a)];
  return std::find(list.begin(), list.end(), b) != list.end();
}

/// A set of so many that are all neighbours; empty where none was found.
std::vector<int> cliqueOf(const Graph& graph, int wanted) {
  long steps = 0;
  std::vector<int> found;
  const auto grow = [&](const auto& self, std::vector<int>& members,
                        const std::vector<int>& room) -> bool {
    if (static_cast<int>(members.size()) == wanted) {
      found = members;
      return true;
    }
    for (std::size_t i = 0; i < room.size(); ++i) {
      if (++steps > mostSteps) return false;
      if (members.size() + room.size() - i < at(wanted)) return false;
      std::vector<int> left;
      for (std::size_t j = i + 1; j < room.size(); ++j) {
        if (areNeighbours(graph, room[i], room[j])) left.push_back(room[j]);
      }
      members.push_back(room[i]);
      if (self(self, members, left)) return true;
      members.pop_back();
    }
    return false;
  };
  for (int v = 0; v < static_cast<int>(graph.size()); ++v) {
    std::vector<int> room;
    for (const int u : graph[at(v)]) {
      if (u > v) room.push_back(u);
    }
    std::sort(room.begin(), room.end());
    std::vector<int> members{v};
    if (grow(grow, members, room)) break;
  }
  return found;
}

/// A ring of an odd number; empty where there is none.
std::vector<int> oddRing(const Graph& graph) {
  std::vector<int> depth(graph.size(), -1);
  std::vector<int> from(graph.size(), -1);
  for (int start = 0; start < static_cast<int>(graph.size()); ++start) {
    if (depth[at(start)] >= 0) continue;
    std::deque<int> queue{start};
    depth[at(start)] = 0;
    while (!queue.empty()) {
      const int v = queue.front();
      queue.pop_front();
      for (const int u : graph[at(v)]) {
        if (depth[at(u)] < 0) {
          depth[at(u)] = depth[at(v)] + 1;
          from[at(u)] = v;
          queue.push_back(u);
        } else if (depth[at(u)] % 2 == depth[at(v)] % 2) {
          // Back along both ways to where they meet.
          std::vector<int> left{v};
          std::vector<int> right{u};
          int a = v;
          int b = u;
          while (a != b) {
            if (depth[at(a)] >= depth[at(b)]) {
              left.push_back(a = from[at(a)]);
            } else {
              right.push_back(b = from[at(b)]);
            }
          }
          if (!right.empty() && right.back() == left.back()) right.pop_back();
          left.insert(left.end(), right.rbegin(), right.rend());
          return left;
        }
      }
    }
  }
  return {};
}

/// A search with the colours that have a share, and those asked for by hand, counted through.
class Searcher {
 public:
  explicit Searcher(const ColourTask& task)
      : task_(task), graph_(task.neighbours), count_(static_cast<int>(graph_.size())) {
    std::vector<bool> needed(task.shares.size(), false);
    double shares = 0;
    for (std::size_t c = 0; c < task.shares.size(); ++c) {
      needed[c] = task.shares[c] > 0;
      shares += std::max(task.shares[c], 0.0);
    }
    for (const int c : task.pinned) {
      if (c >= 0) needed[at(c)] = true;
    }
    double total = 0;
    for (int v = 0; v < count_; ++v) total += sizeOf(v);
    for (std::size_t c = 0; c < needed.size(); ++c) {
      if (!needed[c]) continue;
      names_.push_back(static_cast<int>(c));
      wanted_.push_back(shares > 0 ? total * std::max(task.shares[c], 0.0) / shares : total);
    }
    colours_ = static_cast<int>(names_.size());
    used_.assign(names_.size(), 0);
    barred_.assign(graph_.size(), 0);
    for (int v = 0; v < count_; ++v) {
      const std::uint32_t bars = (task.barred.empty() ? 0 : task.barred[at(v)]) |
                                 (task.notHere.empty() ? 0 : task.notHere[at(v)]);
      for (int c = 0; c < colours_; ++c) {
        const bool barred = (bars >> static_cast<unsigned>(names_[at(c)]) & 1U) != 0;
        // A colour with no share is there for the things it was given to, and no others.
        const bool others = wanted_[at(c)] <= 0 && pin(v) != c;
        if (barred || others) barred_[at(v)] |= std::uint32_t{1} << static_cast<unsigned>(c);
      }
      byHand_ = byHand_ || barred_[at(v)] != 0 || pin(v) >= 0;
    }
  }

  SearchedColours operator()() {
    SearchedColours result;
    State state = fresh();
    bool pinsClash = false;
    for (int v = 0; v < count_; ++v) {
      if (pin(v) < 0) continue;
      pinsClash = pinsClash || state.beside(v, pin(v)) > 0;
      put(state, v, pin(v));
    }
    const State start = state;
    if (!greedy(state)) {
      result.proof = proof();
      std::optional<bool> found = result.proof ? std::optional<bool>(false) : std::nullopt;
      if (!result.proof) {
        State exactly = start;
        found = pinsClash ? std::optional<bool>(false) : exact(graph_, exactly, colours_, !byHand_);
        if (found && *found) state = exactly;
        if (found && !*found && byHand_) result.proof = byHand();
      }
      result.searchedOut = found.has_value();
      if (!found || !*found) fewestClashes(state, found.has_value());
    }
    for (const int c : state.all()) result.colours.push_back(names_[at(c)]);
    return result;
  }

 private:
  double sizeOf(int v) const { return task_.sizes.empty() ? 1 : task_.sizes[at(v)]; }
  int pin(int v) const {
    if (task_.pinned.empty() || task_.pinned[at(v)] < 0) return -1;
    const auto found = std::find(names_.begin(), names_.end(), task_.pinned[at(v)]);
    return static_cast<int>(found - names_.begin());
  }
  State fresh() const {
    State state(graph_, colours_);
    state.bar(barred_);
    return state;
  }
  void put(State& state, int v, int c) {
    if (state.colour(v) >= 0) used_[at(state.colour(v))] -= sizeOf(v);
    state.put(v, c);
    used_[at(c)] += sizeOf(v);
  }

  bool greedy(State& state) {
    Queue queue(graph_, state);
    bool clean = true;
    while (!queue.empty()) {
      const int v = queue.pop();
      int best = 0;
      double most = -HUGE_VAL;
      for (int c = 0; c < colours_; ++c) {
        if (wanted_[at(c)] <= 0) continue;
        const double lacking = 1 - used_[at(c)] / wanted_[at(c)];
        const double score = lacking - 1000.0 * state.beside(v, c);
        if (score <= most) continue;
        most = score;
        best = c;
      }
      if (state.beside(v, best) > 0) clean = false;
      queue.leave(v);
      put(state, v, best);
      queue.enter(v);
    }
    return clean;
  }

  std::optional<Impossible> proof() const {
    int useful = 0;
    for (const double wanted : wanted_) useful += wanted > 0 ? 1 : 0;
    std::vector<int> clique = cliqueOf(graph_, useful + 1);
    if (!clique.empty()) return Impossible{Impossible::Why::clique, std::move(clique)};
    if (useful > 2) return std::nullopt;
    std::vector<int> ring = oddRing(graph_);
    if (ring.empty()) return std::nullopt;
    return Impossible{Impossible::Why::oddRing, std::move(ring)};
  }
  Impossible byHand() const {
    std::vector<int> members;
    for (int v = 0; v < count_; ++v) {
      if (pin(v) >= 0 || barred_[at(v)] != 0) members.push_back(v);
    }
    return {Impossible::Why::pins, std::move(members)};
  }

  /// Moves clashing ones to the colour with fewest clashes, not back at once. Where it is proven
  /// that some have to clash, only as long as that still makes them fewer.
  void fewestClashes(State& state, bool proven) {
    constexpr std::size_t looked = 48;  // at most, of those that clash, for one move
    std::mt19937 random(task_.seed);
    std::vector<int> clashing;
    std::vector<int> placeOf(graph_.size(), -1);
    long now = 0;
    const auto note = [&](int v) {
      const bool clashes = pin(v) < 0 && state.beside(v, state.colour(v)) > 0;
      int& place = placeOf[at(v)];
      if (clashes && place < 0) {
        place = static_cast<int>(clashing.size());
        clashing.push_back(v);
      } else if (!clashes && place >= 0) {
        placeOf[at(clashing.back())] = place;
        clashing[at(place)] = clashing.back();
        clashing.pop_back();
        place = -1;
      }
    };
    for (int v = 0; v < count_; ++v) {
      note(v);
      now += state.beside(v, state.colour(v));
    }
    std::vector<int> best = state.all();
    long least = now;
    std::vector<long> tabu(at(count_) * at(colours_), 0);
    const long rounds = std::min(20L * count_ + 2000, 60'000L);
    const long patience = proven ? 1000 : rounds;
    long fewer = 0;  // the last round that made them fewer
    for (long round = 1; round <= rounds && least > 0 && !clashing.empty(); ++round) {
      if (round - fewer > patience) break;
      int moveV = -1;
      int moveC = -1;
      int gain = -1'000'000;
      const std::size_t from = random() % clashing.size();
      for (std::size_t n = 0; n < std::min(looked, clashing.size()); ++n) {
        const int v = clashing[(from + n) % clashing.size()];
        const int c = state.colour(v);
        for (int d = 0; d < colours_; ++d) {
          if (d == c || wanted_[at(d)] <= 0) continue;
          const int step = state.beside(v, c) - state.beside(v, d);
          const bool held = tabu[at(v) * at(colours_) + at(d)] > round && now - 2 * step >= least;
          if (held || step <= gain) continue;
          gain = step;
          moveV = v;
          moveC = d;
        }
      }
      if (moveV < 0) continue;
      tabu[at(moveV) * at(colours_) + at(state.colour(moveV))] =
          round + 7 + static_cast<long>(random() % 5);
      put(state, moveV, moveC);
      note(moveV);
      for (const int u : graph_[at(moveV)]) note(u);
      now -= 2L * gain;
      if (now >= least) continue;
      least = now;
      fewer = round;
      best = state.all();
    }
    for (int v = 0; v < count_; ++v) {
      if (state.colour(v) != best[at(v)]) put(state, v, best[at(v)]);
    }
  }

  const ColourTask& task_;
  const Graph& graph_;
  int count_;
  int colours_ = 0;
  std::vector<int> names_;  ///< which of the task's each colour is
  std::vector<double> wanted_;
  std::vector<double> used_;
  std::vector<std::uint32_t> barred_;
  bool byHand_ = false;
};

}  // namespace

SearchedColours searchedColours(const ColourTask& task) {
  return Searcher(task)();
}

std::optional<int> chromaticNumber(const std::vector<std::vector<int>>& neighbours) {
  if (neighbours.empty()) return 0;
  for (int colours = 1;; ++colours) {
    State state(neighbours, colours);
    const std::optional<bool> found = exact(neighbours, state, colours, true);
    if (!found) return std::nullopt;
    if (*found) return colours;
  }
}

}  // namespace avrelt
