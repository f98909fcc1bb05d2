// SPDX-License-Identifier: GPL-3.0-or-later
// Many equal shapes on sheets, ours and by libnest2d (first fit, no-fit polygons, four turns), in
// one run: how many come on the first sheet, and what that takes.
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

long ours(bool petals) {
  avrelt::ArrangeRules rules;
  rules.gap = avrelt::Length::mm(gap);
  const std::vector<avrelt::Piece> pieces{{{flower(petals, 240)}, copies}};
  const avrelt::Arrangement made =
      avrelt::arrange(pieces, {avrelt::Length::mm(wide), avrelt::Length::mm(tall), {}}, rules);
  return std::count_if(made.laid.begin(), made.laid.end(),
                       [](const avrelt::Laid& laid) { return laid.sheet == 0; });
}

}  // namespace

int main() {
  for (const bool petals : {false, true}) {
    const Result our = timed([&] { return ours(petals); });
    const Result their = timed([&] { return theirs(petals); });
    std::cout << (petals ? "petals: " : "rosettes: ") << our.onFirst << " on the first sheet in "
              << our.seconds << " s; libnest2d " << their.onFirst << " in " << their.seconds
              << " s: " << static_cast<double>(our.onFirst) / static_cast<double>(their.onFirst)
              << " times as many (1.5 wanted) in " << our.seconds / their.seconds
              << " of its time (0.1 wanted)\n";
  }
  return EXIT_SUCCESS;
}
