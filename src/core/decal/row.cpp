// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/row.h"

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>
#include <map>

namespace avrelt {
namespace {

constexpr Length mostGap = Length::mm(1000);
/// How nearly a pitch or a gap is found.
constexpr Length nearly = Length::mm(1e-4);
constexpr Angle nearlyRound = Angle::radians(1e-7);
constexpr int mostSteps = 500;

/// The pitches of a line at a gap, by what stands beside what.
class Pitches {
 public:
  Pitches(const RowItems& items, Length gap) : items_(items), gap_(gap) {}

  /// From the one that comes `index` in turn to the next, or to the first of the line.
  std::optional<Angle> operator()(int index, int next) {
    const auto kinds = static_cast<int>(items_.count());
    const auto key = std::make_pair(index % kinds, next % kinds);
    const auto known = known_.find(key);
    if (known != known_.end()) return known->second;
    return known_
        .emplace(key, items_.leastPitch(static_cast<std::size_t>(key.first),
                                        static_cast<std::size_t>(key.second), gap_))
        .first->second;
  }

  /// Once round with so many; nothing where any two do not go beside each other.
  std::optional<Angle> round(int count) {
    Angle sum;
    for (int i = 0; i < count; ++i) {
      const std::optional<Angle> pitch = (*this)(i, i + 1 == count ? 0 : i + 1);
      if (!pitch) return std::nullopt;
      sum = sum + *pitch;
    }
    return sum;
  }

 private:
  const RowItems& items_;
  Length gap_;
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

/// What is left of a turn, in radians; below 0 where they do not go round.
double roomOf(const std::optional<Angle>& round) {
  return round ? (Angle::turn() - *round).radians() : -1.0;
}

/// The gap at which `count` go just once round: all pitches grow with it, each by no less than the
/// gap on the widest ring.
Length evenGap(const RowItems& items, int count, Length least, Angle left) {
  const Length most = least + items.widestRadius() * (left.radians() / count) + nearly;
  return Length::mm(
      lastWithRoom([&](double gap) { return roomOf(Pitches(items, Length::mm(gap)).round(count)); },
                   least.mm(), most.mm(), nearly.mm()));
}

/// The least gap between any two that stand so, each held against those that could be nearest.
Length leastGap(const RowItems& items, const std::vector<Angle>& at) {
  constexpr std::size_t beside = 3;
  Length least = mostGap;
  const std::size_t count = at.size();
  for (std::size_t i = 0; i < count; ++i) {
    for (std::size_t k = 1; k <= std::min(beside, count); ++k) {
      const std::size_t other = (i + k) % count;
      const Angle pitch = at[other] - at[i] + (i + k >= count ? Angle::turn() : Angle());
      least = std::min(least, items.apartAt(i % items.count(), other % items.count(), pitch));
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
    faults.push_back({"sets", {"A row wants a set to repeat. Give it one.", {}}});
  if (row.count && (*row.count < 1 || *row.count > mostInLine)) {
    faults.push_back({"count",
                      {"A line of a row takes 1 to %1. Give a number between.",
                       {static_cast<long>(mostInLine)}}});
  }
  if (row.lines < 1 || row.lines > mostLines) {
    faults.push_back(
        {"lines",
         {"A row takes 1 to %1 lines. Give a number between.", {static_cast<long>(mostLines)}}});
  }
  if (row.gap.length < Length() || row.gap.length > mostGap) {
    faults.push_back({"gap", {"The gap is %1. Give one from 0 to %2.", {row.gap.length, mostGap}}});
  }
  if (abs(row.apart.length) > mostGap) {
    faults.push_back(
        {"apart", {"The lines stand %1 apart. Give up to %2.", {row.apart.length, mostGap}}});
  }
  if (abs(row.up.length) > Length::mm(10'000)) {
    faults.push_back(
        {"up", {"The row stands %1 up the wall. Give a height of the cup.", {row.up.length}}});
  }
  return faults;
}

RowItems::RowItems(const Development& flat, std::vector<EdgeTree> items)
    : flat_(flat), items_(std::move(items)) {
  for (const EdgeTree& item : items_) {
    double widest = 1e-6;
    for (const std::vector<Point>& outline : item.shape()) {
      for (const Point& p : outline) {
        widest = std::max(widest, flat_.radius(flat_.toWall(p).s).mm());
      }
    }
    radius_.push_back(widest);
  }
}

Length RowItems::widestRadius() const {
  return Length::mm(radius_.empty() ? 0 : *std::max_element(radius_.begin(), radius_.end()));
}

Length RowItems::apartAt(std::size_t left, std::size_t right, Angle pitch) const {
  return nearest(items_[left], EdgeTree(mapped(items_[right].shape(), flat_.turning(pitch)))).apart;
}

std::optional<Angle> RowItems::leastPitch(std::size_t left, std::size_t right, Length gap) const {
  // A turn by an angle moves no point of it farther than this radius times the angle, and so the
  // distance changes by no more.
  const double radius = radius_[right];
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
  const auto goesRound = [&](int many) {
    const std::optional<Angle> round = pitches.round(many);
    return round && *round <= Angle::turn() + nearlyRound;
  };
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
  fit.left = Angle::turn() - *pitches.round(placed);
  Pitches standing(items, even && kinds > 1 ? evenGap(items, placed, gap, fit.left) : gap);
  Angle at;
  for (int i = 0; i < placed; ++i) {
    fit.at.push_back(at);
    if (i + 1 < placed) at = at + *standing(i, i + 1);
  }
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
  const auto room = [&](double share) { return roomOf(Pitches(itemsAt(share), gap).round(count)); };
  if (room(least) < 0) return std::nullopt;
  return lastWithRoom(room, least, most, 1e-3);
}

}  // namespace avrelt
