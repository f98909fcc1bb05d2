// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/cut_job.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <numeric>
#include <utility>

#include "shape/polygon.h"

namespace avrelt {
namespace {

constexpr Length followed = Length::mm(0.005);
/// Of a swing about the tip, in one straight move: the tip is off by 0.004 of the offset.
const Angle swingStep = Angle::degrees(10);
/// The cut that brings a trailing blade round: first up, so that one that points against it comes
/// round as well, then so far to the right; so far from the sheet's edge and from all that is cut.
/// Along so many offsets all but what pointed straight against both is left over by under a
/// thousandth.
struct LeadIn {
  explicit LeadIn(Length offset)
      : right(std::max(3.0, 10 * offset.mm())), up(std::max(1.5, 4 * offset.mm())) {}
  double right;
  double up;
};
constexpr double leadInFree = 0.5;

Stroke strokeOf(const Path& path, Tool tool) {
  Stroke stroke{tool, flattened(path, followed), path.closed()};
  return stroke;
}

/// Puts strokes in the order they are cut in.
class Ordering {
 public:
  void draw(const PartSet& set) {
    std::vector<Stroke> lines;
    for (const Part& part : set.parts) {
      for (const Guide& guide : part.guides) lines.push_back(strokeOf(guide.path, Tool::pen));
    }
    addNearest(std::move(lines));
  }

  void cut(const PartSet& set) {
    const std::vector<std::vector<std::size_t>> within = partsWithin(set);
    std::vector<std::size_t> waits(set.parts.size(), 0);
    std::vector<std::vector<std::size_t>> frees(set.parts.size());
    for (std::size_t i = 0; i < within.size(); ++i) {
      waits[i] = within[i].size();
      for (const std::size_t inner : within[i]) frees[inner].push_back(i);
    }
    std::vector<std::size_t> left(set.parts.size());
    std::iota(left.begin(), left.end(), std::size_t{0});
    while (!left.empty()) {
      // The nearest of those that nothing is left to be cut in.
      const auto next =
          std::min_element(left.begin(), left.end(), [&](std::size_t a, std::size_t b) {
            const auto key = [&](std::size_t i) {
              return std::pair(waits[i], norm(set.parts[i].outline.start - at_));
            };
            return key(a) < key(b);
          });
      const std::size_t index = *next;
      left.erase(next);
      for (const std::size_t outer : frees[index]) --waits[outer];
      cutOne(set.parts[index]);
    }
  }

  std::vector<Stroke> take() { return std::move(strokes_); }

 private:
  /// Of each part those that lie in it, in an opening or between its outlines: it is cut after
  /// them, so that nothing is cut in film that is loose already.
  static std::vector<std::vector<std::size_t>> partsWithin(const PartSet& set) {
    struct Edges {
      Box box;
      std::vector<std::vector<Point>> lines;
    };
    std::vector<Edges> all;
    for (const Part& part : set.parts) {
      Edges& edges = all.emplace_back();
      edges.lines.push_back(flattened(part.outline, followed));
      for (const Path& more : part.more) edges.lines.push_back(flattened(more, followed));
      for (const std::vector<Point>& line : edges.lines) {
        for (const Point& p : line) edges.box.add(p);
      }
    }
    std::vector<std::vector<std::size_t>> within(all.size());
    for (std::size_t i = 0; i < all.size(); ++i) {
      for (std::size_t k = 0; k < all.size(); ++k) {
        if (i == k || all[k].box.empty() || !all[i].box.contains(all[k].box.low) ||
            !all[i].box.contains(all[k].box.high)) {
          continue;
        }
        const Point at = all[k].lines.front().front();
        if (std::any_of(all[i].lines.begin(), all[i].lines.end(),
                        [&](const std::vector<Point>& line) { return contains({line}, at); })) {
          within[i].push_back(k);
        }
      }
    }
    return within;
  }

  /// A part's slits, then its closed lines, those within others first.
  void cutOne(const Part& part) {
    std::vector<Stroke> slits;
    for (const Path& slit : part.slits) slits.push_back(strokeOf(slit, Tool::blade));
    addNearest(std::move(slits));
    std::vector<Stroke> closed{strokeOf(part.outline, Tool::blade)};
    for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
      for (const Path& path : *paths) closed.push_back(strokeOf(path, Tool::blade));
    }
    std::map<int, std::vector<Stroke>, std::greater<>> byDepth;
    for (const Stroke& one : closed) {
      const auto depth = std::count_if(closed.begin(), closed.end(), [&](const Stroke& other) {
        return &one != &other && !one.points.empty() &&
               contains({other.points}, one.points.front());
      });
      byDepth[static_cast<int>(depth)].push_back(one);
    }
    for (auto& [depth, lines] : byDepth) addNearest(std::move(lines));
  }

  double away(const Stroke& stroke) const {
    double least = norm(stroke.points.front() - at_);
    if (!stroke.closed) return std::min(least, norm(stroke.points.back() - at_));
    for (const Point& p : stroke.points) least = std::min(least, norm(p - at_));
    return least;
  }

  void addNearest(std::vector<Stroke> strokes) {
    strokes.erase(std::remove_if(strokes.begin(), strokes.end(),
                                 [](const Stroke& stroke) { return stroke.points.size() < 2; }),
                  strokes.end());
    while (!strokes.empty()) {
      const auto next =
          std::min_element(strokes.begin(), strokes.end(),
                           [&](const Stroke& a, const Stroke& b) { return away(a) < away(b); });
      Stroke stroke = std::move(*next);
      strokes.erase(next);
      if (stroke.closed) {
        const auto start =
            std::min_element(stroke.points.begin(), stroke.points.end(),
                             [&](Point a, Point b) { return norm(a - at_) < norm(b - at_); });
        std::rotate(stroke.points.begin(), start, stroke.points.end());
        at_ = stroke.points.front();
      } else {
        if (norm(stroke.points.back() - at_) < norm(stroke.points.front() - at_)) {
          std::reverse(stroke.points.begin(), stroke.points.end());
        }
        at_ = stroke.points.back();
      }
      strokes_.push_back(std::move(stroke));
    }
  }

  Point at_;
  std::vector<Stroke> strokes_;
};

/// A line as it is gone along: back to its start and a little on where it is closed.
std::vector<Point> drawnOut(const Stroke& stroke, Length overcut) {
  std::vector<Point> line;
  for (const Point& p : stroke.points) {
    if (line.empty() || norm(p - line.back()) > 1e-9) line.push_back(p);
  }
  if (!stroke.closed) return line;
  while (line.size() > 1 && norm(line.back() - line.front()) <= 1e-9) line.pop_back();
  const std::size_t around = line.size();
  if (around < 2) return line;
  line.push_back(line.front());
  double left = overcut.mm();
  for (std::size_t i = 0; left > 1e-9; i = (i + 1) % around) {
    const Point from = line[i];
    const Point to = line[(i + 1) % around];
    const double length = norm(to - from);
    line.push_back(length > left ? from + (to - from) * (left / length) : to);
    left -= length;
  }
  return line;
}

/// Where a trailing blade may be brought round: a place along the sheet's lower or upper edge, or
/// one above the other in between, from which it can be dragged to the right.
std::optional<Point> leadInOf(const CutJob& job, const LeadIn& leadIn) {
  std::vector<Box> taken;
  for (const Stroke& stroke : job.strokes) {
    Box box;
    for (const Point& p : stroke.points) box.add(p);
    taken.push_back(box.grownBy(leadInFree));
  }
  constexpr double step = 2;
  for (double y = leadInFree; y + leadIn.up <= job.tall.mm() - leadInFree; y += step) {
    for (double x = leadInFree; x + leadIn.right <= job.wide.mm() - leadInFree; x += step) {
      const Box wanted{{x, y}, {x + leadIn.right, y + leadIn.up}};
      if (std::none_of(taken.begin(), taken.end(),
                       [&](const Box& box) { return box.meets(wanted); })) {
        return Point{x, y};
      }
    }
  }
  return std::nullopt;
}

double turnFrom(double from, double to) {
  return std::remainder(to - from, 2 * M_PI);
}

/// Leads a blade that trails its middle.
class Leading {
 public:
  explicit Leading(Length offset) : offset_(offset.mm()) {}

  std::vector<Point> operator()(const std::vector<Point>& tip) {
    std::vector<Point> middle{tip.front() + ahead()};
    for (std::size_t i = 0; i + 1 < tip.size(); ++i) {
      const Point along = tip[i + 1] - tip[i];
      swing(tip[i], std::atan2(along.y, along.x), middle);
      middle.push_back(tip[i + 1] + ahead());
    }
    return middle;
  }

 private:
  Point ahead() const { return {offset_ * std::cos(heading_), offset_ * std::sin(heading_)}; }

  void swing(Point about, double to, std::vector<Point>& middle) {
    const double turn = turnFrom(heading_, to);
    const int steps = static_cast<int>(std::ceil(std::abs(turn) / swingStep.radians()));
    const double from = heading_;
    for (int i = 1; i <= steps; ++i) {
      heading_ = from + turn * i / steps;
      middle.push_back(about + ahead());
    }
    heading_ = to;
  }

  double offset_;
  double heading_ = 0;  ///< to the right, once the first cut has brought it there
};

}  // namespace

std::vector<std::vector<Point>> CutJob::shapes() const {
  std::vector<std::vector<Point>> all;
  for (const Stroke& stroke : strokes) {
    if (stroke.tool == Tool::blade && stroke.closed) all.push_back(stroke.points);
  }
  return all;
}

CutJob cutJobOf(const PartSet& set, Length wide, Length tall, const std::string& name) {
  Ordering ordering;
  ordering.draw(set);
  ordering.cut(set);
  return {name, wide, tall, ordering.take()};
}

std::vector<Stroke> machinePath(const CutJob& job, const Cutter& cutter) {
  std::vector<Stroke> path;
  Leading lead(cutter.bladeOffset);
  const bool trails = cutter.bladeOffset > Length();
  const auto placed = [&](Point p) {
    return cutter.mirrored ? Point{job.wide.mm() - p.x, p.y} : p;
  };
  bool led = !trails;
  const LeadIn leadIn(cutter.bladeOffset);
  for (const Stroke& stroke : job.strokes) {
    if (stroke.tool == Tool::pen && !cutter.pen) continue;
    const bool cut = stroke.tool == Tool::blade;
    if (cut && !led) {
      led = true;
      if (const std::optional<Point> from = leadInOf(job, leadIn)) {
        // Dragged from wherever it pointed, it comes round as it goes.
        const Point start = cutter.mirrored ? placed(*from) - Point{leadIn.right, 0} : *from;
        path.push_back(
            {Tool::blade,
             {start, start + Point{0, leadIn.up}, start + Point{leadIn.right, leadIn.up}},
             false});
      }
    }
    Stroke mirrored = stroke;
    for (Point& p : mirrored.points) p = placed(p);
    const std::vector<Point> line = drawnOut(mirrored, cut ? cutter.overcut : Length());
    if (line.size() < 2) continue;
    for (int pass = 0; pass < (cut ? std::max(cutter.passes, 1) : 1); ++pass) {
      path.push_back({stroke.tool, cut && trails ? lead(line) : line, false});
    }
  }
  return path;
}

CutFigures figuresOf(const std::vector<Stroke>& path, const Cutter& cutter) {
  CutFigures figures;
  Point at;
  for (const Stroke& stroke : path) {
    figures.lifted = figures.lifted + Length::mm(norm(stroke.points.front() - at));
    for (std::size_t i = 0; i + 1 < stroke.points.size(); ++i) {
      figures.cut = figures.cut + Length::mm(norm(stroke.points[i + 1] - stroke.points[i]));
    }
    at = stroke.points.back();
  }
  figures.lifted = figures.lifted + Length::mm(norm(at));
  constexpr double seconds = 60;
  const Length slow = Length::mm(0.1);
  figures.takes = Duration::minutes((figures.cut / std::max(cutter.perSecond, slow) +
                                     figures.lifted / std::max(cutter.liftedPerSecond, slow)) /
                                    seconds);
  return figures;
}

std::optional<Sentence> cannotCut(const CutJob& job, const Cutter& cutter) {
  if (job.wide > cutter.widest) {
    return Sentence{"The sheet is %1 wide and the cutter takes %2. Choose a narrower sheet.",
                    {job.wide, cutter.widest}};
  }
  if (job.tall > cutter.longest) {
    return Sentence{"The sheet is %1 long and the cutter takes %2. Choose a shorter sheet.",
                    {job.tall, cutter.longest}};
  }
  if (cutter.bladeOffset > Length() && !leadInOf(job, LeadIn(cutter.bladeOffset))) {
    return Sentence{
        "A blade that trails needs a free place of %1 on the sheet to come round. Give the sheet a "
        "wider margin.",
        {Length::mm(LeadIn(cutter.bladeOffset).right + 2 * leadInFree)}};
  }
  return std::nullopt;
}

}  // namespace avrelt
