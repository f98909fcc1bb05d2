// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/tracing.h"

#include <potracelib.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <memory>
#include <numeric>

#include "measure/colour.h"

namespace avrelt {
namespace {

/// Curves are drawn to a tenth of a dot.
constexpr Length fine = Length::mm(0.1);
constexpr int mostColours = 12;

/// Colours by five bits each, which is finer than film comes in.
constexpr int bits = 5;
constexpr int bins = 1 << (3 * bits);

int binOf(const std::uint8_t* dot) {
  constexpr int drop = 8 - bits;
  return (dot[0] >> drop) << (2 * bits) | (dot[1] >> drop) << bits | dot[2] >> drop;
}

/// The colours of a picture, counted.
struct Shade {
  int bin = 0;
  double count = 0;
  double red = 0;  ///< the mean of those in the bin
  double green = 0;
  double blue = 0;
  LabColour lab;
};

double squareApart(const LabColour& a, const LabColour& b) {
  const double l = a.l - b.l;
  const double x = a.a - b.a;
  const double y = a.b - b.b;
  return l * l + x * x + y * y;
}

class Tracer {
 public:
  Tracer(const Picture& picture, const TraceSetting& setting, const std::function<bool()>& goOn)
      : picture_(picture), setting_(setting), goOn_(goOn) {}

  Checked<std::vector<TracedColour>> operator()() {
    const long dots = static_cast<long>(picture_.wide) * picture_.tall;
    if (picture_.wide < 1 || picture_.tall < 1 ||
        static_cast<long>(picture_.rgba.size()) < dots * 4) {
      return refuse(Member::tracedPicture, "The picture has no dots. Take another picture.");
    }
    if (dots > mostDots) {
      return refuse(Member::tracedPicture,
                    "The picture has %1 dots; up to %2 are traced. Make it smaller.",
                    {dots, mostDots});
    }
    count();
    const std::vector<std::pair<std::string, std::vector<int>>> groups =
        setting_.colours <= 1 ? darkAndLight() : clusters();
    std::vector<TracedColour> all;
    for (const auto& [colour, group] : groups) {
      if (goOn_ && !goOn_()) return refuse(Member::tracedPicture, "Tracing was stopped.");
      Polygon area = outlined(group);
      if (!area.empty()) all.push_back({colour, std::move(area)});
    }
    if (all.empty()) {
      return refuse(Member::tracedPicture,
                    "Nothing was found in the picture. Move the threshold, leave out fewer specks, "
                    "or keep the background.");
    }
    return all;
  }

 private:
  const std::uint8_t* dot(long i) const { return picture_.rgba.data() + i * 4; }
  static bool clear(const std::uint8_t* dot) { return dot[3] < 128; }

  void count() {
    std::vector<std::array<double, 4>> sums(bins, {0, 0, 0, 0});
    const long dots = static_cast<long>(picture_.wide) * picture_.tall;
    for (long i = 0; i < dots; ++i) {
      const std::uint8_t* here = dot(i);
      if (clear(here)) continue;
      auto& sum = sums[static_cast<std::size_t>(binOf(here))];
      sum[0] += 1;
      for (int c = 0; c < 3; ++c) sum[static_cast<std::size_t>(c) + 1] += here[c];
    }
    for (int bin = 0; bin < bins; ++bin) {
      const auto& sum = sums[static_cast<std::size_t>(bin)];
      if (sum[0] == 0) continue;
      Shade shade{bin, sum[0], sum[1] / sum[0], sum[2] / sum[0], sum[3] / sum[0], {}};
      shade.lab = labOf(colourText(shade.red, shade.green, shade.blue));
      shades_.push_back(shade);
    }
  }

  /// Where lightness parts a picture best: the two sides differ most, weighed by how many they are.
  double otsu() const {
    std::array<double, 101> histogram{};
    double all = 0;
    double sum = 0;
    for (const Shade& shade : shades_) {
      const auto at = static_cast<std::size_t>(std::clamp(std::lround(shade.lab.l), 0L, 100L));
      histogram[at] += shade.count;
      all += shade.count;
      sum += static_cast<double>(at) * shade.count;
    }
    double below = 0;
    double belowSum = 0;
    double best = -1;
    double first = 50;
    double last = 50;
    for (std::size_t t = 0; t < histogram.size(); ++t) {
      below += histogram[t];
      belowSum += static_cast<double>(t) * histogram[t];
      if (below == 0 || below == all) continue;
      const double apart = belowSum / below - (sum - belowSum) / (all - below);
      const double worth = below * (all - below) * apart * apart;
      if (worth > best * (1 + 1e-12)) {
        best = worth;
        first = static_cast<double>(t);
      }
      if (worth >= best * (1 - 1e-12)) last = static_cast<double>(t);
    }
    return (first + last) / 2 + 0.5;
  }

  std::vector<std::pair<std::string, std::vector<int>>> darkAndLight() {
    const double threshold = setting_.threshold < 0 ? otsu() : setting_.threshold;
    std::vector<int> in(bins, 0);
    double sums[4] = {};
    for (const Shade& shade : shades_) {
      const bool dark = shade.lab.l < threshold;
      if (dark == setting_.invert) continue;
      in[static_cast<std::size_t>(shade.bin)] = 1;
      sums[0] += shade.count;
      sums[1] += shade.count * shade.red;
      sums[2] += shade.count * shade.green;
      sums[3] += shade.count * shade.blue;
    }
    if (sums[0] == 0) return {};
    return {{colourText(sums[1] / sums[0], sums[2] / sums[0], sums[3] / sums[0]), std::move(in)}};
  }

  std::vector<std::pair<std::string, std::vector<int>>> clusters() {
    if (shades_.empty()) return {};
    const auto wanted = static_cast<std::size_t>(std::clamp(setting_.colours, 2, mostColours));
    std::vector<LabColour> middles;
    // The commonest first, then ever what is farthest from those taken, weighed by how much of it
    // there is.
    middles.push_back(
        std::max_element(shades_.begin(), shades_.end(), [](const Shade& a, const Shade& b) {
          return a.count < b.count;
        })->lab);
    while (middles.size() < wanted) {
      double far = 0;
      const Shade* next = nullptr;
      for (const Shade& shade : shades_) {
        double nearest = std::numeric_limits<double>::max();
        for (const LabColour& middle : middles) {
          nearest = std::min(nearest, squareApart(shade.lab, middle));
        }
        const double worth = nearest * std::sqrt(shade.count);
        if (worth > far) {
          far = worth;
          next = &shade;
        }
      }
      if (next == nullptr) break;
      middles.push_back(next->lab);
    }
    std::vector<std::size_t> of(shades_.size(), 0);
    struct Sum {
      double count = 0;
      LabColour lab;
      double rgb[3] = {};
    };
    std::vector<Sum> sums;
    for (int round = 0; round < 30; ++round) {
      bool changed = round == 0;
      sums.assign(middles.size(), {});
      for (std::size_t i = 0; i < shades_.size(); ++i) {
        const Shade& shade = shades_[i];
        std::size_t nearest = 0;
        for (std::size_t k = 1; k < middles.size(); ++k) {
          if (squareApart(shade.lab, middles[k]) < squareApart(shade.lab, middles[nearest])) {
            nearest = k;
          }
        }
        changed = changed || of[i] != nearest;
        of[i] = nearest;
        Sum& sum = sums[nearest];
        sum.count += shade.count;
        sum.lab.l += shade.count * shade.lab.l;
        sum.lab.a += shade.count * shade.lab.a;
        sum.lab.b += shade.count * shade.lab.b;
        sum.rgb[0] += shade.count * shade.red;
        sum.rgb[1] += shade.count * shade.green;
        sum.rgb[2] += shade.count * shade.blue;
      }
      if (!changed) break;
      for (std::size_t k = 0; k < middles.size(); ++k) {
        if (sums[k].count == 0) continue;
        middles[k] = {sums[k].lab.l / sums[k].count, sums[k].lab.a / sums[k].count,
                      sums[k].lab.b / sums[k].count};
      }
    }
    const std::size_t behind = setting_.background ? backgroundOf(of) : middles.size();
    std::vector<std::size_t> order(middles.size());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(),
              [&](std::size_t a, std::size_t b) { return sums[a].count > sums[b].count; });
    std::vector<std::pair<std::string, std::vector<int>>> groups;
    for (const std::size_t k : order) {
      if (k == behind || sums[k].count == 0) continue;
      std::vector<int> in(bins, 0);
      for (std::size_t i = 0; i < shades_.size(); ++i) {
        if (of[i] == k) in[static_cast<std::size_t>(shades_[i].bin)] = 1;
      }
      const Sum& sum = sums[k];
      groups.emplace_back(
          colourText(sum.rgb[0] / sum.count, sum.rgb[1] / sum.count, sum.rgb[2] / sum.count),
          std::move(in));
    }
    return groups;
  }

  /// The cluster that most of the picture's edge belongs to; none where that is clear.
  std::size_t backgroundOf(const std::vector<std::size_t>& of) const {
    std::vector<std::size_t> clusterOf(bins, 0);
    for (std::size_t i = 0; i < shades_.size(); ++i) {
      clusterOf[static_cast<std::size_t>(shades_[i].bin)] = of[i];
    }
    constexpr std::size_t none = mostColours;
    std::map<std::size_t, long> votes;
    const auto vote = [&](long i) {
      const std::uint8_t* here = dot(i);
      ++votes[clear(here) ? none : clusterOf[static_cast<std::size_t>(binOf(here))]];
    };
    const long wide = picture_.wide;
    const long tall = picture_.tall;
    for (long x = 0; x < wide; ++x) {
      vote(x);
      vote((tall - 1) * wide + x);
    }
    for (long y = 0; y < tall; ++y) {
      vote(y * wide);
      vote(y * wide + wide - 1);
    }
    return std::max_element(votes.begin(), votes.end(),
                            [](const auto& a, const auto& b) { return a.second < b.second; })
        ->first;
  }

  Polygon outlined(const std::vector<int>& group) const {
    constexpr int wordBits = static_cast<int>(8 * sizeof(potrace_word));
    const int words = (picture_.wide + wordBits - 1) / wordBits;
    std::vector<potrace_word> map(
        static_cast<std::size_t>(words) * static_cast<std::size_t>(picture_.tall), 0);
    const bool clearIsIn = setting_.colours <= 1 && setting_.invert && !setting_.background;
    for (int y = 0; y < picture_.tall; ++y) {
      // Potrace counts rows from the foot.
      potrace_word* row = map.data() + static_cast<std::ptrdiff_t>(picture_.tall - 1 - y) * words;
      const std::uint8_t* here = dot(static_cast<long>(y) * picture_.wide);
      for (int x = 0; x < picture_.wide; ++x, here += 4) {
        const bool in = clear(here) ? clearIsIn : group[static_cast<std::size_t>(binOf(here))] != 0;
        if (in) row[x / wordBits] |= potrace_word{1} << (wordBits - 1 - x % wordBits);
      }
    }
    potrace_bitmap_t bitmap{picture_.wide, picture_.tall, words, map.data()};
    const std::unique_ptr<potrace_param_t, void (*)(potrace_param_t*)> param(
        potrace_param_default(), potrace_param_free);
    if (!param) throw std::bad_alloc();
    param->turdsize = std::max(setting_.despeckle, 0);
    param->alphamax = std::clamp(setting_.smoothPercent, 0, 100) / 100.0 * 4 / 3;
    param->opttolerance = 0.2;
    const std::unique_ptr<potrace_state_t, void (*)(potrace_state_t*)> state(
        potrace_trace(param.get(), &bitmap), potrace_state_free);
    if (!state || state->status != POTRACE_STATUS_OK) throw std::bad_alloc();
    std::vector<Polyline> lines;
    for (const potrace_path_t* path = state->plist; path != nullptr; path = path->next) {
      Pen pen({}, fine);
      const potrace_curve_t& curve = path->curve;
      const auto at = [](const potrace_dpoint_t& p) { return Point{p.x, p.y}; };
      pen.moveTo(at(curve.c[curve.n - 1][2]));
      for (int i = 0; i < curve.n; ++i) {
        if (curve.tag[i] == POTRACE_CORNER) {
          pen.lineTo(at(curve.c[i][1]));
          pen.lineTo(at(curve.c[i][2]));
        } else {
          pen.cubicTo(at(curve.c[i][0]), at(curve.c[i][1]), at(curve.c[i][2]));
        }
      }
      pen.close();
      for (Polyline& line : pen.take()) lines.push_back(std::move(line));
    }
    return enclosedBy(lines, true);
  }

  const Picture& picture_;
  const TraceSetting& setting_;
  const std::function<bool()>& goOn_;
  std::vector<Shade> shades_;
};

}  // namespace

Checked<std::vector<TracedColour>> traced(const Picture& picture, const TraceSetting& setting,
                                          const std::function<bool()>& goOn) {
  return Tracer(picture, setting, goOn)();
}

}  // namespace avrelt
