// SPDX-License-Identifier: GPL-3.0-or-later
// Many equal shapes on sheets, ours and by libnest2d (first fit, no-fit polygons, four turns), in
// one run: how many come on the first sheet, and what that takes; ours then goes on searching for
// five seconds in all.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <iostream>
#include <utility>
#include <vector>

#include "libnest2d_lays.h"
#include "sheet/arrange.h"

namespace {

constexpr double wide = 6.75 * 25.4;
constexpr double tall = 9.25 * 25.4;
constexpr double gap = 1.5;
constexpr int copies = 120;

/// Rosettes r = 12 (0.75 + 0.25 cos 5t), petals r = 12 (0.6 + 0.4 |cos 2t|), so many corners.
std::vector<avrelt::Point> flower(bool petals, int corners) {
  std::vector<avrelt::Point> outline;
  for (int i = 0; i < corners; ++i) {
    const double t = 2 * M_PI * i / corners;
    const double r = petals ? 12 * (0.6 + 0.4 * std::abs(std::cos(2 * t)))
                            : 12 * (0.75 + 0.25 * std::cos(5 * t));
    outline.push_back({r * std::cos(t), r * std::sin(t)});
  }
  return outline;
}

struct Result {
  long onFirst = 0;
  double seconds = 0;
};

template <typename Lay>
Result timed(const Lay& lay) {
  const auto begin = std::chrono::steady_clock::now();
  Result result;
  result.onFirst = lay();
  result.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
  return result;
}

long theirs(bool petals) {
  // Coarse corners: what it is given it goes round corner by corner.
  std::vector<std::pair<double, double>> outline;
  for (const avrelt::Point p : flower(petals, 60)) outline.emplace_back(p.x, p.y);
  return layByLibnest2d(outline, copies, wide, tall, gap);
}

/// Ours: the first answer, and what a search makes of it.
class Ours {
 public:
  explicit Ours(bool petals)
      : pieces_{{{flower(petals, 240)}, copies}},
        films_(sheets()),
        arranger_(pieces_, films_, rules()) {}

  long first() {
    best_ = arranger_();
    return onFirst();
  }
  long more() {
    avrelt::Arrangement tried = arranger_(++attempts_, best_.order);
    if (avrelt::isDenser(tried, best_, films_)) best_ = std::move(tried);
    return onFirst();
  }

 private:
  static avrelt::ArrangeRules rules() {
    avrelt::ArrangeRules made;
    made.gap = avrelt::Length::mm(gap);
    return made;
  }
  static std::vector<avrelt::FilmPiece> sheets() {
    avrelt::FilmPiece sheet;
    sheet.size = {avrelt::Length::mm(wide), avrelt::Length::mm(tall), {}};
    return {sheet};
  }
  long onFirst() const {
    return std::count_if(best_.laid.begin(), best_.laid.end(),
                         [](const avrelt::Laid& laid) { return laid.sheet == 0; });
  }

  std::vector<avrelt::Piece> pieces_;
  std::vector<avrelt::FilmPiece> films_;
  avrelt::Arranger arranger_;
  avrelt::Arrangement best_;
  long attempts_ = 0;
};

}  // namespace

int main() {
  for (const bool petals : {false, true}) {
    Ours ours(petals);
    const Result our = timed([&] { return ours.first(); });
    constexpr double searched = 5;
    long later = our.onFirst;
    for (double gone = our.seconds; gone < searched;) {
      const Result more = timed([&] { return ours.more(); });
      gone += more.seconds;
      if (gone < searched) later = more.onFirst;
    }
    const Result their = timed([&] { return theirs(petals); });
    std::cout << (petals ? "petals: " : "rosettes: ") << our.onFirst << " on the first sheet in "
              << our.seconds << " s; libnest2d " << their.onFirst << " in " << their.seconds
              << " s: " << static_cast<double>(our.onFirst) / static_cast<double>(their.onFirst)
              << " times as many (1.5 wanted) in " << our.seconds / their.seconds
              << " of its time (0.1 wanted); " << later << " within " << searched << " s ("
              << (petals ? 84 : 86) << " wanted)\n";
  }
  return EXIT_SUCCESS;
}
