// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/colouring.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <numeric>
#include <random>
#include <set>
#include <tuple>

#include "pattern/quick_colouring.h"

namespace avrelt {
namespace {

constexpr long mostSteps = 400'000;  // of the exact search

using Graph = std::vector<std::vector<int>>;

std::size_t at(int index) {
  return static_cast<std::size_t>(index);
}

/// What is coloured so far, and how often each colour lies beside each thing.
class State {
 public:
  State(const Graph& graph, int colours)
      : graph_(graph),
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
    for (const int u : graph_[at(v)]) {
      if (beside_[at(u) * at(colours_) + at(c)]++ == 0) ++distinct_[at(u)];
    }
  }
  void take(int v) {
    const int c = colour_[at(v)];
    colour_[at(v)] = -1;
    for (const int u : graph_[at(v)]) {
      if (--beside_[at(u) * at(colours_) + at(c)] == 0) --distinct_[at(u)];
    }
  }
  const std::vector<int>& all() const { return colour_; }

 private:
  const Graph& graph_;
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

/// Neighbours of one colour, and things of a colour barred to them.
void noteClashes(const ColourTask& task, Colouring& result) {
  for (std::size_t v = 0; v < task.neighbours.size(); ++v) {
    const int c = result.colours[v];
    for (const int u : task.neighbours[v]) {
      if (at(u) > v && result.colours[at(u)] == c) {
        result.clashes.emplace_back(static_cast<int>(v), u);
      }
    }
    const bool barred =
        !task.barred.empty() && c < 32 && (task.barred[v] >> static_cast<unsigned>(c) & 1U) != 0;
    if (barred) result.misplaced.push_back(static_cast<int>(v));
  }
  std::sort(result.clashes.begin(), result.clashes.end());
}

class Solver {
 public:
  explicit Solver(const ColourTask& task)
      : task_(task),
        graph_(task.neighbours),
        count_(static_cast<int>(graph_.size())),
        colours_(static_cast<int>(task.shares.size())),
        state_(graph_, colours_),
        used_(task.shares.size(), 0),
        random_(task.seed) {
    state_.bar(task.barred);
    double shares = 0;
    for (const double share : task.shares) shares += std::max(share, 0.0);
    double total = 0;
    for (int v = 0; v < count_; ++v) total += sizeOf(v);
    for (const double share : task.shares) {
      wanted_.push_back(total * (shares > 0 ? std::max(share, 0.0) / shares
                                            : 1.0 / static_cast<double>(task.shares.size())));
    }
    mean_ = count_ > 0 ? total / count_ : 1;
  }

  Colouring solve() {
    Colouring result;
    if (count_ == 0 || colours_ == 0) return result;
    for (int v = 0; v < count_; ++v) {
      if (pin(v) >= 0) put(v, pin(v));
    }
    if (!greedy()) {
      const bool pins =
          std::any_of(task_.pinned.begin(), task_.pinned.end(), [](int c) { return c >= 0; }) ||
          std::any_of(task_.barred.begin(), task_.barred.end(),
                      [](std::uint32_t colours) { return colours != 0; });
      State fresh(graph_, colours_);
      fresh.bar(task_.barred);
      bool pinsClash = false;
      for (int v = 0; v < count_; ++v) {
        if (pin(v) < 0) continue;
        pinsClash = pinsClash || fresh.beside(v, pin(v)) > 0;
        fresh.put(v, pin(v));
      }
      const std::optional<bool> found =
          pinsClash ? std::optional<bool>(false) : exact(graph_, fresh, colours_, !pins);
      if (found && *found) {
        for (int v = 0; v < count_; ++v) put(v, fresh.colour(v));
      } else {
        result.searchedOut = found.has_value();
        result.proof = proofOf(found.has_value(), pins);
        fewestClashes();
      }
    }
    improve();
    result.colours = state_.all();
    noteClashes(task_, result);
    if (result.clashes.empty() && result.misplaced.empty()) {
      result.proof.reset();
      result.searchedOut = true;
    }
    return result;
  }

 private:
  double sizeOf(int v) const { return task_.sizes.empty() ? 1 : task_.sizes[at(v)]; }
  int pin(int v) const { return task_.pinned.empty() ? -1 : task_.pinned[at(v)]; }
  double leaning(int v, int c) const {
    return task_.leaning.empty() ? 0 : task_.leaning[at(v)][at(c)];
  }

  void put(int v, int c) {
    if (state_.colour(v) >= 0) used_[at(state_.colour(v))] -= sizeOf(v);
    state_.put(v, c);
    used_[at(c)] += sizeOf(v);
  }

  /// In Brélaz's order, the free colour that is lacking most; false where none was free once.
  bool greedy() {
    Queue queue(graph_, state_);
    bool clean = true;
    while (!queue.empty()) {
      const int v = queue.pop();
      int best = -1;
      double most = -HUGE_VAL;
      for (int c = 0; c < colours_; ++c) {
        if (wanted_[at(c)] <= 0) continue;
        // Lacking, as a share of what is wanted, so that small shares get their places too.
        const double lacking = 1 - used_[at(c)] / wanted_[at(c)];
        const double score = lacking + 3 * leaning(v, c) - 1000.0 * state_.beside(v, c) +
                             1e-3 * static_cast<double>(random_() >> 8) / 16777216.0;
        if (score > most) {
          most = score;
          best = c;
        }
      }
      if (best < 0) best = 0;
      if (state_.beside(v, best) > 0) clean = false;
      queue.leave(v);
      put(v, best);
      queue.enter(v);
    }
    return clean;
  }

  std::optional<Impossible> proofOf(bool searchedOut, bool pins) const {
    int useful = 0;
    for (const double wanted : wanted_) useful += wanted > 0 ? 1 : 0;
    std::vector<int> clique = cliqueOf(graph_, useful + 1);
    if (!clique.empty()) return Impossible{Impossible::Why::clique, std::move(clique)};
    if (useful == 2) {
      std::vector<int> ring = oddRing(graph_);
      if (!ring.empty()) return Impossible{Impossible::Why::oddRing, std::move(ring)};
    }
    if (searchedOut && pins) {
      std::vector<int> members;
      for (int v = 0; v < count_; ++v) {
        if (pin(v) >= 0 || (!task_.barred.empty() && task_.barred[at(v)] != 0)) {
          members.push_back(v);
        }
      }
      return Impossible{Impossible::Why::pins, std::move(members)};
    }
    return std::nullopt;
  }

  /// Moves clashing ones to the colour with fewest clashes, not back at once.
  void fewestClashes() {
    std::vector<int> best = state_.all();
    std::vector<long> tabu(at(count_) * at(colours_), 0);
    const auto clashes = [&] {
      int sum = 0;
      for (int v = 0; v < count_; ++v) sum += state_.beside(v, state_.colour(v));
      return sum / 2;
    };
    int now = clashes();
    int least = now;
    const long rounds = 50L * count_ + 2000;
    for (long round = 1; round <= rounds && least > 0; ++round) {
      int moveV = -1;
      int moveC = -1;
      int gain = -1'000'000;
      for (int v = 0; v < count_; ++v) {
        const int c = state_.colour(v);
        if (pin(v) >= 0 || state_.beside(v, c) == 0) continue;
        for (int d = 0; d < colours_; ++d) {
          if (d == c || wanted_[at(d)] <= 0) continue;
          const int step = state_.beside(v, c) - state_.beside(v, d);
          const bool held = tabu[at(v) * at(colours_) + at(d)] > round && now - step >= least;
          if (held || step <= gain) continue;
          gain = step;
          moveV = v;
          moveC = d;
        }
      }
      if (moveV < 0) continue;
      tabu[at(moveV) * at(colours_) + at(state_.colour(moveV))] =
          round + 7 + static_cast<long>(random_() % 5);
      put(moveV, moveC);
      now -= gain;
      if (now < least) {
        least = now;
        best = state_.all();
      }
    }
    for (int v = 0; v < count_; ++v) {
      if (state_.colour(v) != best[at(v)]) put(v, best[at(v)]);
    }
  }

  double excess(int c, double by) const {
    const double off = (used_[at(c)] + by - wanted_[at(c)]) / mean_;
    return off * off;
  }

  /// Single changes and swaps of neighbours' colours that bring shares nearer, or cells nearer to
  /// what the style leans to, and leave no new clash.
  void improve() {
    for (int round = 0; round < 20; ++round) {
      bool moved = false;
      for (int v = 0; v < count_; ++v) {
        if (pin(v) >= 0) continue;
        const int c = state_.colour(v);
        const double size = sizeOf(v);
        int best = -1;
        double least = -1e-9;
        for (int d = 0; d < colours_; ++d) {
          if (d == c || wanted_[at(d)] <= 0 || state_.beside(v, d) > state_.beside(v, c)) continue;
          const double change = excess(c, -size) - excess(c, 0) + excess(d, size) - excess(d, 0) +
                                4 * (leaning(v, c) - leaning(v, d));
          if (change < least) {
            least = change;
            best = d;
          }
        }
        if (best >= 0) {
          put(v, best);
          moved = true;
        }
      }
      moved = tradeChains() || moved;
      if (!moved) break;
    }
  }

  /// Where two colours alternate along a chain, trading them leaves no clash (Kempe 1879, "On the
  /// geographical problem of the four colours"): done where shares come nearer by it.
  bool tradeChains() {
    bool traded = false;
    std::vector<int> seen(at(count_), -1);
    int mark = 0;
    for (int c = 0; c < colours_; ++c) {
      for (int d = c + 1; d < colours_; ++d, ++mark) {
        if (wanted_[at(c)] <= 0 || wanted_[at(d)] <= 0) continue;
        for (int start = 0; start < count_; ++start) {
          if (seen[at(start)] == mark) continue;
          if (state_.colour(start) != c && state_.colour(start) != d) continue;
          std::vector<int> chain{start};
          seen[at(start)] = mark;
          double more = 0;  // that d would have after the trade
          bool held = false;
          double leans = 0;
          for (std::size_t next = 0; next < chain.size(); ++next) {
            const int v = chain[next];
            const bool first = state_.colour(v) == c;
            more += first ? sizeOf(v) : -sizeOf(v);
            leans += first ? leaning(v, c) - leaning(v, d) : leaning(v, d) - leaning(v, c);
            held = held || pin(v) >= 0;
            for (const int u : graph_[at(v)]) {
              const bool along = state_.colour(u) == c || state_.colour(u) == d;
              if (!along || seen[at(u)] == mark) continue;
              seen[at(u)] = mark;
              chain.push_back(u);
            }
          }
          const double change =
              excess(c, -more) - excess(c, 0) + excess(d, more) - excess(d, 0) + 4 * leans;
          if (held || change > -1e-9) continue;
          for (const int v : chain) put(v, state_.colour(v) == c ? d : c);
          traded = true;
        }
      }
    }
    return traded;
  }

  const ColourTask& task_;
  const Graph& graph_;
  int count_;
  int colours_;
  State state_;
  std::vector<double> used_;
  std::vector<double> wanted_;
  double mean_ = 1;
  std::mt19937 random_;
};

}  // namespace

Colouring coloured(const ColourTask& task) {
  const bool pins =
      std::any_of(task.pinned.begin(), task.pinned.end(), [](int c) { return c >= 0; });
  if (!pins) {
    if (task.leaning.empty()) {
      if (std::optional<std::vector<int>> quick = quicklyColoured(task)) {
        Colouring result;
        result.colours = std::move(*quick);
        return result;
      }
    }
    return Solver(task).solve();
  }
  ColourTask free = task;
  free.pinned.clear();
  Colouring result = coloured(free);
  bool clean = result.clashes.empty() && result.misplaced.empty();
  std::vector<bool> held(task.neighbours.size(), false);
  for (std::size_t v = 0; clean && v < held.size(); ++v) {
    if (task.pinned[v] < 0) continue;
    clean = recolour(task, held, static_cast<int>(v), task.pinned[v], result.colours);
    held[v] = true;
  }
  return clean ? result : Solver(task).solve();
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
