// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/row.h"

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>
#include <map>
#include <numbers>

namespace avrelt {
namespace {

constexpr Length mostGap = Length::mm(1000);
/// How nearly a pitch or a gap is found.
constexpr Length nearly = Length::mm(1e-4);
constexpr Angle nearlyRound = Angle::radians(1e-7);
constexpr int mostSteps = 500;

/// The places of a line at a gap, by what stands beside what. Any two keep it, also those with
/// narrower ones between them: places are bounds to each other (at[k] − at[i] ≥ pitch of the two),
/// and the least that keep all are the longest ways through these (Bellman 1958).
class Pitches {
 public:
  Pitches(const RowItems& items, Length gap)
      : items_(items), gap_(gap), widest_(items.widestClearPitch(gap)) {}

  /// From the one that comes `index` in turn to another of the line.
  std::optional<Angle> operator()(int index, int other) {
    const auto kinds = static_cast<int>(items_.count());
    const auto key = std::make_pair(index % kinds, other % kinds);
    const auto known = known_.find(key);
    if (known != known_.end()) return known->second;
    return known_
        .emplace(key, items_.leastPitch(static_cast<std::size_t>(key.first),
                                        static_cast<std::size_t>(key.second), gap_))
        .first->second;
  }

  /// What so many take once round by those that stand beside each other alone; nothing where any
  /// two of these do not go beside each other.
  std::optional<Angle> inTurn(int count) {
    Angle sum;
    for (int i = 0; i < count; ++i) {
      const std::optional<Angle> pitch = (*this)(i, i + 1 == count ? 0 : i + 1);
      if (!pitch) return std::nullopt;
      sum = sum + *pitch;
    }
    return sum;
  }

  /// Whether so many have room round the cup.
  bool goRound(int count) {
    const std::optional<Angle> sum = inTurn(count);
    if (!sum || *sum > Angle::turn() + nearlyRound) return false;
    return standInTurn(count, Angle::turn()) || stand(count, Angle::turn() + nearlyRound);
  }

  /// The least that so many take once round; nothing where any two do not go beside each other.
  std::optional<Angle> leastRound(int count) {
    const std::optional<Angle> sum = inTurn(count);
    if (!sum || standInTurn(count, *sum)) return sum;
    double low = sum->radians();
    double high = std::max(low, 0.1);
    while (!stand(count, Angle::radians(high))) {
      low = high;
      high *= 1.25;
      if (high > 64 * std::numbers::pi) return std::nullopt;
    }
    while (high - low > nearlyRound.radians()) {
      const double middle = (low + high) / 2;
      (stand(count, Angle::radians(middle)) ? high : low) = middle;
    }
    return Angle::radians(high);
  }

  /// The places of so many that have room round the cup.
  std::vector<Angle> places(int count) {
    const Angle round = std::max(*inTurn(count), Angle::turn());
    if (auto at = standInTurn(count, round)) return *at;
    // Their least way round was found a little too long or too short.
    for (double more = nearlyRound.radians(); more < 1; more *= 10) {
      if (auto at = stand(count, Angle::turn() + Angle::radians(more))) return *at;
    }
    return std::vector<Angle>(static_cast<std::size_t>(count));
  }

 private:
  std::size_t kind(int index) const { return static_cast<std::size_t>(index) % items_.count(); }

  /// Their places by those beside each other alone; nothing where any others come too near so.
  std::optional<std::vector<Angle>> standInTurn(int count, Angle round) {
    std::vector<Angle> at;
    Angle sum;
    for (int i = 0; i < count; ++i) {
      at.push_back(sum);
      sum = sum + (*this)(i, i + 1 == count ? 0 : i + 1).value_or(Angle::turn());
    }
    // Of one kind these are enough: the next but one stands twice as far.
    if (items_.count() == 1) return at;
    for (int i = 0; i < count; ++i) {
      for (int step = 2; step < count; ++step) {
        const int k = (i + step) % count;
        const Angle apart = at[static_cast<std::size_t>(k)] - at[static_cast<std::size_t>(i)] +
                            (k < i ? round : Angle());
        if (apart >= widest_) break;
        if (apart >= items_.clearPitch(kind(i), kind(k), gap_)) continue;
        const std::optional<Angle> pitch = (*this)(i, k);
        if (!pitch || apart < *pitch - nearlyRound) return std::nullopt;
      }
    }
    return at;
  }

  /// The places of so many on so long a way round, each as far to the left as it may stand; nothing
  /// where they have no room.
  std::optional<std::vector<Angle>> stand(int count, Angle round) {
    std::vector<Angle> at(static_cast<std::size_t>(count));
    constexpr Angle enough = Angle::radians(1e-10);
    for (int pass = 0; pass <= count; ++pass) {
      bool moved = false;
      // Whether those yet farther off may still be too near.
      const auto keep = [&](int first, int second, Angle turns) {
        const Angle from = at[static_cast<std::size_t>(first)] - turns;
        Angle& place = at[static_cast<std::size_t>(second)];
        if (place - from >= widest_) return false;
        if (place - from >= items_.clearPitch(kind(first), kind(second), gap_)) return true;
        const Angle least = from + (*this)(first, second).value_or(Angle::turn() * 2);
        if (least > place + enough) {
          place = least;
          moved = true;
        }
        return true;
      };
      for (int k = 1; k < count; ++k) {
        for (int i = k - 1; i >= 0 && keep(i, k, Angle()); --i) {
        }
      }
      for (int i = 0; i + 1 < count; ++i) {
        for (int k = count - 1; k > i && keep(k, i, round); --k) {
        }
      }
      if (at.front() > enough) return std::nullopt;
      if (!moved) return at;
    }
    return std::nullopt;
  }

  const RowItems& items_;
  Length gap_;
  Angle widest_;  ///< from which on any two keep it
  std::map<std::pair<int, int>, std::optional<Angle>> known_;
};

/// Where `room`, at least 0 at `low`, comes to nothing on the way to `high`: the last place found
/// where it has not, to within `enough`.
template <typename Room>
double lastWithRoom(const Room& room, double low, double high, double enough) {
  const double atLow = room(low);
  const double atHigh = room(high);
  if (atHigh >= 0) return high;
  if (atLow <= 0) return low;
  boost::uintmax_t steps = 60;
  return boost::math::tools::toms748_solve(
             room, low, high, atLow, atHigh,
             [enough](double a, double b) { return std::abs(b - a) < enough; }, steps)
      .first;
}

/// What is left of a turn by those in turn, in radians; below 0 where they do not go round.
double roomOf(const std::optional<Angle>& round) {
  return round ? (Angle::turn() - *round).radians() : -1.0;
}

/// The last place on the way from `low`, where something holds, to `high` at which it still does,
/// to within `enough`.
template <typename Holds>
double lastThatHolds(const Holds& holds, double low, double high, double enough) {
  if (holds(high)) return high;
  while (high - low > enough) {
    const double middle = (low + high) / 2;
    (holds(middle) ? low : high) = middle;
  }
  return low;
}

/// The gap at which `count` go just once round: all pitches grow with it, each by no less than the
/// gap on the widest ring. First by those beside each other alone.
Length evenGap(const RowItems& items, int count, Length least, Angle left) {
  const Length most = least + items.widestRadius() * (left.radians() / count) + nearly;
  const double inTurn = lastWithRoom(
      [&](double gap) { return roomOf(Pitches(items, Length::mm(gap)).inTurn(count)); }, least.mm(),
      most.mm(), nearly.mm());
  return Length::mm(
      lastThatHolds([&](double gap) { return Pitches(items, Length::mm(gap)).goRound(count); },
                    least.mm(), inTurn, nearly.mm()));
}

/// The least gap between any two that stand so; those that are alike and lie alike are measured
/// once.
Length leastGap(const RowItems& items, const std::vector<Angle>& at) {
  Length least = mostGap;
  const std::size_t count = at.size();
  std::map<std::pair<std::size_t, std::size_t>, std::vector<Angle>> known;
  for (std::size_t i = 0; i < count; ++i) {
    for (std::size_t k = 1; k <= count; ++k) {
      const std::size_t other = (i + k) % count;
      const Angle pitch = at[other] - at[i] + (i + k >= count ? Angle::turn() : Angle());
      // Farther on only others that are wider reach back; of one kind none does.
      if (k > 3 && items.count() == 1) break;
      const std::size_t left = i % items.count();
      const std::size_t right = other % items.count();
      if (k > 1 && pitch >= items.clearPitch(left, right, least)) continue;
      std::vector<Angle>& same = known[{left, right}];
      if (std::any_of(same.begin(), same.end(),
                      [pitch](Angle before) { return abs(before - pitch) < nearlyRound * 1e-3; })) {
        continue;
      }
      same.push_back(pitch);
      least = std::min(least, items.apartAt(left, right, pitch));
    }
  }
  return least;
}

}  // namespace

const char* startName(RowStart start) {
  static constexpr const char* names[] = {"first", "middle", "gap", "seam"};
  return names[static_cast<std::size_t>(start)];
}

Faults rowFaults(const Row& row) {
  Faults faults;
  if (row.sets.empty())
    faults.push_back(
        {Where(Member::rowSets, row.id), {"A row wants a set to repeat. Give it one.", {}}});
  if (row.count && (*row.count < 1 || *row.count > mostInLine)) {
    faults.push_back({Where(Member::rowCount, row.id),
                      {"A line of a row takes 1 to %1. Give a number between.",
                       {static_cast<long>(mostInLine)}}});
  }
  if (row.lines < 1 || row.lines > mostLines) {
    faults.push_back(
        {Where(Member::rowLines, row.id),
         {"A row takes 1 to %1 lines. Give a number between.", {static_cast<long>(mostLines)}}});
  }
  if (row.gap.length < Length() || row.gap.length > mostGap) {
    faults.push_back({Where(Member::rowGap, row.id),
                      {"The gap is %1. Give one from 0 to %2.", {row.gap.length, mostGap}}});
  }
  if (abs(row.apart.length) > mostGap) {
    faults.push_back({Where(Member::rowApart, row.id),
                      {"The lines stand %1 apart. Give up to %2.", {row.apart.length, mostGap}}});
  }
  if (abs(row.up.length) > Length::mm(10'000)) {
    faults.push_back(
        {Where(Member::rowUp, row.id),
         {"The row stands %1 up the wall. Give a height of the cup.", {row.up.length}}});
  }
  return faults;
}

RowItems::RowItems(const Wall& wall, std::vector<Footprint> items)
    : wall_(wall), items_(std::move(items)) {
  for (const Footprint& item : items_) {
    Reach reach;
    for (const std::vector<Point>& outline : item.outline.shape()) {
      for (const Point& p : outline) {
        const WallPoint at = item.ground.toWall(p);
        const double radius = wall_.body.radius(at.s).mm();
        reach.widest = std::max({reach.widest, radius, item.ground.radius(at.s).mm()});
        reach.left = std::max(reach.left, -at.theta);
        reach.right = std::max(reach.right, at.theta);
        narrowest_ = std::min(narrowest_, std::max(radius, 1e-6));
      }
    }
    reaches_.push_back(reach);
  }
}

Angle RowItems::clearPitch(std::size_t left, std::size_t right, Length gap) const {
  // Uprights between them lie at least as far apart as the chord of the angle.
  return reaches_[left].right + reaches_[right].left +
         Angle::radians(std::numbers::pi / 2 * gap.mm() / narrowest_);
}

Angle RowItems::widestClearPitch(Length gap) const {
  Angle widest;
  for (std::size_t left = 0; left < count(); ++left) {
    for (std::size_t right = 0; right < count(); ++right) {
      widest = std::max(widest, clearPitch(left, right, gap));
    }
  }
  return widest;
}

Length RowItems::widestRadius() const {
  double widest = 0;
  for (const Reach& reach : reaches_) widest = std::max(widest, reach.widest);
  return Length::mm(widest);
}

Length RowItems::apartAt(std::size_t left, std::size_t right, Angle pitch) const {
  return apartBy(wall_, items_[left], items_[right], pitch).apart;
}

std::optional<Angle> RowItems::leastPitch(std::size_t left, std::size_t right, Length gap) const {
  // A turn by an angle moves no point of it farther than this radius times the angle, and so the
  // distance changes by no more.
  const double radius = reaches_[right].widest;
  Angle pitch = Angle::turn();
  for (int i = 0; i < mostSteps && pitch > Angle(); ++i) {
    const Length room = apartAt(left, right, pitch) - gap;
    if (room < -nearly) return i == 0 ? std::nullopt : std::optional(pitch);
    if (room < nearly) return pitch;
    pitch = pitch - Angle::radians(room.mm() / radius);
  }
  return std::max(pitch, Angle());
}

RowFit fitRow(const RowItems& items, std::optional<int> count, Length gap, bool even) {
  RowFit fit;
  Pitches pitches(items, gap);
  const auto goesRound = [&](int many) { return pitches.goRound(many); };
  // More in turns of several kinds may close better than fewer, so all are tried.
  const auto kinds = static_cast<int>(items.count());
  for (int many = 1; many <= mostInLine; ++many) {
    if (goesRound(many)) {
      fit.most = many;
    } else if (many > fit.most + kinds) {
      break;
    }
  }
  const int wanted = count.value_or(fit.most);
  fit.fits = fit.most > 0 && goesRound(wanted);
  int placed = fit.fits ? wanted : std::min(wanted, fit.most);
  while (placed > 0 && !goesRound(placed)) --placed;
  if (placed == 0) {
    fit.fits = false;
    return fit;
  }
  fit.left = Angle::turn() - pitches.leastRound(placed).value_or(Angle::turn());
  Pitches standing(items, even && kinds > 1 ? evenGap(items, placed, gap, fit.left) : gap);
  fit.at = standing.places(placed);
  if (even && kinds == 1) {
    // To the last digit, where all are alike.
    for (int i = 0; i < placed; ++i)
      fit.at[static_cast<std::size_t>(i)] = Angle::turn() * i / placed;
  }
  fit.gap = leastGap(items, fit.at);
  return fit;
}

std::optional<double> largestFor(const std::function<RowItems(double)>& itemsAt, int count,
                                 Length gap) {
  constexpr double least = 0.02;
  constexpr double most = 8;
  const auto inTurn = [&](double share) {
    return roomOf(Pitches(itemsAt(share), gap).inTurn(count));
  };
  const auto holds = [&](double share) { return Pitches(itemsAt(share), gap).goRound(count); };
  if (!holds(least)) return std::nullopt;
  return lastThatHolds(holds, least, lastWithRoom(inTurn, least, most, 1e-3), 1e-3);
}

}  // namespace avrelt
