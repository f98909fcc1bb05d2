// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/rectangles.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

#include "measure/dice.h"

namespace avrelt {
namespace {

/// Lengths that differ by so little are one, mm.
constexpr double alike = 1e-8;

/// A level stretch of what is laid so far, from left to right.
struct Level {
  double x = 0;
  double y = 0;
  double wide = 0;
};

/// How well a rectangle fills the gap over a level.
enum class Fitting { loose, evenAbove, across, acrossLow, whole };

Fitting fittingOf(double wide, double tall, const Level& level, double higher, double lower) {
  const auto ends = [tall](double wall) { return std::abs(tall - wall) < alike; };
  if (wide < level.wide - alike) return ends(higher) ? Fitting::evenAbove : Fitting::loose;
  if (ends(higher) || ends(lower)) return Fitting::whole;
  return tall > higher ? Fitting::acrossLow : Fitting::across;
}

/// One sheet in the making.
class Skyline {
 public:
  Skyline(const std::vector<Rectangle>& all, double wide, double tall)
      : all_(all), tall_(tall), levels_{{0, 0, wide}} {}

  /// Lays what it has room for, and takes that out of `left`.
  void fill(std::vector<std::size_t>& left, std::size_t sheet, RectanglesLaid& laid, long& looked) {
    while (!left.empty()) {
      const std::size_t at = lowest();
      const double toLeft = (at == 0 ? tall_ : levels_[at - 1].y) - levels_[at].y;
      const double toRight = (at + 1 == levels_.size() ? tall_ : levels_[at + 1].y) - levels_[at].y;
      const Choice choice =
          bestFor(levels_[at], std::max(toLeft, toRight), std::min(toLeft, toRight), left, looked);
      if (choice.found) {
        const std::size_t which = left[choice.place];
        left.erase(left.begin() + static_cast<std::ptrdiff_t>(choice.place));
        laid.places.push_back({which, sheet, choice.turned,
                               lay(at, widthOf(which, choice.turned),
                                   heightOf(which, choice.turned), toLeft >= toRight)});
      } else if (levels_.size() == 1) {
        return;
      } else {
        levels_[at].y += std::min(toLeft, toRight);
      }
      join();
    }
  }

  double top() const { return top_; }

 private:
  struct Choice {
    bool found = false;
    std::size_t place = 0;
    bool turned = false;
  };

  double widthOf(std::size_t which, bool turned) const {
    return turned ? all_[which].tall : all_[which].wide;
  }
  double heightOf(std::size_t which, bool turned) const {
    return turned ? all_[which].wide : all_[which].tall;
  }

  std::size_t lowest() const {
    std::size_t at = 0;
    for (std::size_t i = 1; i < levels_.size(); ++i) {
      if (levels_[i].y < levels_[at].y - alike) at = i;
    }
    return at;
  }

  Choice bestFor(const Level& level, double higher, double lower,
                 const std::vector<std::size_t>& left, long& looked) const {
    Choice best;
    Fitting filled = Fitting::loose;
    for (std::size_t i = 0; i < left.size(); ++i) {
      ++looked;
      for (const bool turned : {false, true}) {
        if (turned && !all_[left[i]].turns) continue;
        const double wide = widthOf(left[i], turned);
        const double tall = heightOf(left[i], turned);
        if (wide > level.wide + alike || level.y + tall > tall_ + alike) continue;
        const Fitting fills = fittingOf(wide, tall, level, higher, lower);
        if (best.found && fills <= filled) continue;
        best = {true, i, turned};
        filled = fills;
      }
      if (best.found && filled == Fitting::whole) break;
    }
    return best;
  }

  Point lay(std::size_t at, double wide, double tall, bool toLeft) {
    const Level level = levels_[at];
    top_ = std::max(top_, level.y + tall);
    if (wide > level.wide - alike) {
      levels_[at].y += tall;
      return {level.x, level.y};
    }
    const double rest = level.wide - wide;
    const double x = toLeft ? level.x : level.x + rest;
    const Level over{x, level.y + tall, wide};
    const Level beside{toLeft ? level.x + wide : level.x, level.y, rest};
    levels_[at] = toLeft ? over : beside;
    levels_.insert(levels_.begin() + static_cast<std::ptrdiff_t>(at) + 1, toLeft ? beside : over);
    return {x, level.y};
  }

  /// Neighbours of one height are one level.
  void join() {
    for (std::size_t i = 0; i + 1 < levels_.size();) {
      if (std::abs(levels_[i].y - levels_[i + 1].y) >= alike) {
        ++i;
        continue;
      }
      // The higher, so that nothing comes to lie on another by rounding.
      levels_[i].y = std::max(levels_[i].y, levels_[i + 1].y);
      levels_[i].wide += levels_[i + 1].wide;
      levels_.erase(levels_.begin() + static_cast<std::ptrdiff_t>(i) + 1);
    }
  }

  const std::vector<Rectangle>& all_;
  double tall_;
  double top_ = 0;
  std::vector<Level> levels_;
};

/// Moves apart what came to lie on each other by rounding: to the right and up, by a hair.
void settle(const std::vector<Rectangle>& all, std::vector<RectanglePlace>& places) {
  constexpr double hair = 1e-9;
  constexpr double near = 1e-5;
  const auto far = [&all](const RectanglePlace& one) {
    const Rectangle& size = all[one.rectangle];
    return one.at + (one.turned ? Point{size.tall, size.wide} : Point{size.wide, size.tall});
  };
  const auto pass = [&](double Point::*along, double Point::*across) {
    std::vector<RectanglePlace*> sorted;
    sorted.reserve(places.size());
    for (RectanglePlace& one : places) sorted.push_back(&one);
    std::stable_sort(sorted.begin(), sorted.end(),
                     [along](const auto* a, const auto* b) { return a->at.*along < b->at.*along; });
    for (std::size_t i = 0; i < sorted.size(); ++i) {
      RectanglePlace& one = *sorted[i];
      for (std::size_t j = 0; j < i; ++j) {
        const RectanglePlace& before = *sorted[j];
        if (before.sheet != one.sheet) continue;
        const double end = far(before).*along;
        const double apart =
            std::max(one.at.*across - far(before).*across, before.at.*across - far(one).*across);
        // Beside each other in this direction, and not in the other.
        if (apart > -near || one.at.*along < end - near) continue;
        one.at.*along = std::max(one.at.*along, end + hair);
      }
    }
  };
  pass(&Point::x, &Point::y);
  pass(&Point::y, &Point::x);
}

/// Fewer left first, then less film.
bool isNoWorse(const RectanglesLaid& a, const RectanglesLaid& b, double slack) {
  return a.left != b.left ? a.left < b.left : a.takes <= b.takes + slack;
}

RectangleOrder sortedBy(const std::vector<Rectangle>& all, RectangleOrder order, long which) {
  constexpr long ways = 5;
  const auto size = [&](std::size_t i) {
    const Rectangle& one = all[i];
    switch (which % ways) {
      case 0:
        return one.wide * one.tall;
      case 1:
        return std::max(one.wide, one.tall);
      case 2:
        return one.wide + one.tall;
      case 3:
        return one.wide;
      default:
        return one.tall;
    }
  };
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return size(a) > size(b); });
  return order;
}

/// Two change places, or one goes elsewhere.
void shuffle(RectangleOrder& order, Dice& dice) {
  const std::size_t from = dice.one(order.size());
  const std::size_t to = dice.one(order.size());
  if (dice.one(2) == 0) {
    std::swap(order[from], order[to]);
    return;
  }
  const std::size_t moved = order[from];
  order.erase(order.begin() + static_cast<std::ptrdiff_t>(from));
  order.insert(order.begin() + static_cast<std::ptrdiff_t>(to), moved);
}

RectanglesLaid layInOrder(const std::vector<Rectangle>& all,
                          const std::vector<RectangleSheet>& films, const RectangleOrder& order,
                          std::size_t mostSheets, long& looked) {
  RectanglesLaid laid;
  RectangleOrder left = order;
  for (std::size_t film = 0; film < films.size(); ++film) {
    const RectangleSheet& size = films[film];
    for (std::size_t used = 0; used < size.count && !left.empty(); ++used) {
      if (laid.sheets.size() >= mostSheets) break;
      const std::size_t before = left.size();
      Skyline sheet(all, size.wide, size.tall);
      sheet.fill(left, laid.sheets.size(), laid, looked);
      if (left.size() == before) break;
      laid.sheets.push_back(film);
      laid.takes += size.wide * (left.empty() ? sheet.top() : size.tall);
    }
  }
  laid.left = left.size();
  return laid;
}

}  // namespace

RectanglesLaid layRectangles(const std::vector<Rectangle>& all,
                             const std::vector<RectangleSheet>& films, const RectangleOrder& order,
                             std::size_t mostSheets) {
  long looked = 0;
  RectanglesLaid laid = layInOrder(all, films, order, mostSheets, looked);
  settle(all, laid.places);
  return laid;
}

namespace {

/// A search that goes on from what is no worse.
class OrderSearch {
 public:
  OrderSearch(const std::vector<Rectangle>& all, const std::vector<RectangleSheet>& films,
              std::size_t mostSheets, long seed, long effort)
      : all_(all),
        films_(films),
        mostSheets_(mostSheets),
        effort_(effort),
        dice_(static_cast<std::uint64_t>(seed)) {}

  RectangleOrder operator()(const RectangleOrder& order, long seed) {
    for (const std::size_t one : order) least_ += all_[one].wide * all_[one].tall;
    best_ = order;
    reached_ = laidBy(order);
    climb(order, 0);
    constexpr long climbs = 5;
    for (long i = 0; i < climbs && !done(); ++i) climb(sortedBy(all_, order, seed + i), i + 1);
    return std::move(best_);
  }

 private:
  RectanglesLaid laidBy(const RectangleOrder& order) {
    return layInOrder(all_, films_, order, mostSheets_, looked_);
  }

  bool done() const {
    const bool full = reached_.left == 0 && reached_.takes <= least_ * (1 + 1e-9);
    return full || looked_ >= effort_;
  }

  void climb(RectangleOrder here, long which) {
    // What is so much worse is gone on from as well, at first.
    constexpr std::array<double, 3> worse{0.0005, 0.01, 0.002};
    constexpr std::size_t stepsEach = 200;
    // Few have few orders.
    std::size_t orders = 8;
    for (std::size_t i = 2; i <= here.size() && orders < stepsEach * here.size(); ++i) orders *= i;
    const double worseAtFirst = worse[static_cast<std::size_t>(which) % worse.size()];
    const std::size_t steps = std::min(stepsEach * here.size(), orders);
    const long begun = looked_;
    RectanglesLaid lies = laidBy(here);
    for (std::size_t step = 0; step < steps; ++step) {
      if (!isNoWorse(reached_, lies, 0)) {
        best_ = here;
        reached_ = lies;
      }
      if (done()) return;
      RectangleOrder next = here;
      shuffle(next, dice_);
      RectanglesLaid tried = laidBy(next);
      const double gone =
          std::max(static_cast<double>(step) / static_cast<double>(steps),
                   static_cast<double>(looked_ - begun) / static_cast<double>(effort_ - begun));
      const double sheets = static_cast<double>(std::max<std::size_t>(lies.sheets.size(), 1));
      const double slack = -std::log(1 - dice_.share()) * worseAtFirst * std::max(0.0, 1 - gone) *
                           lies.takes / sheets;
      if (!isNoWorse(tried, lies, slack)) continue;
      here = std::move(next);
      lies = std::move(tried);
    }
  }

  const std::vector<Rectangle>& all_;
  const std::vector<RectangleSheet>& films_;
  std::size_t mostSheets_;
  long effort_;
  long looked_ = 0;
  double least_ = 0;
  Dice dice_;
  RectangleOrder best_;
  RectanglesLaid reached_;
};

}  // namespace

RectangleOrder betterOrder(const std::vector<Rectangle>& all,
                           const std::vector<RectangleSheet>& films, const RectangleOrder& order,
                           std::size_t mostSheets, long seed, long effort) {
  if (order.size() < 2) return order;
  return OrderSearch(all, films, mostSheets, seed, effort)(order, seed);
}

}  // namespace avrelt
