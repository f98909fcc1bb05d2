// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/film_cutter.h"

#include <algorithm>
#include <cmath>

#include "shape/box.h"
#include "shape/segment.h"

namespace avrelt::sim {
namespace {

/// A bridge as thin as this does not hold.
constexpr double bridge = 0.06;
constexpr int penTool = 2;

double areaOf(const std::vector<Point>& outline) {
  double sum = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    sum += cross(outline[i], outline[(i + 1) % outline.size()]);
  }
  return std::abs(sum) / 2;
}

/// The loop a cut closes: it comes back to where it began, or to a place soon after, where a blade
/// had yet to come round, however far it goes on from there.
std::optional<std::vector<Point>> loopOf(const std::vector<Point>& cut) {
  constexpr double gone = 4 * bridge;
  constexpr double soon = 4;
  double along = 0;
  for (std::size_t from = 0; from + 3 < cut.size() && along < soon; ++from) {
    const Point start = cut[from];
    bool away = false;
    double nearest = bridge;
    std::size_t end = 0;
    for (std::size_t i = from + 1; i < cut.size(); ++i) {
      // Where it comes nearest of all: it may pass close by on the other side of a thin spike.
      const double apart = std::sqrt(squareDistance(start, cut[i - 1], cut[i]));
      if (away && apart < nearest) {
        nearest = apart;
        end = i;
      }
      away = away || norm(cut[i] - start) > gone;
    }
    if (end > 0) {
      return std::vector<Point>(cut.begin() + static_cast<std::ptrdiff_t>(from),
                                cut.begin() + static_cast<std::ptrdiff_t>(end));
    }
    along += norm(cut[from + 1] - cut[from]);
  }
  return std::nullopt;
}

}  // namespace

FilmCutter::FilmCutter(const Machine& machine)
    : machine_(machine),
      heading_{std::cos(machine.pointsTo.radians()), std::sin(machine.pointsTo.radians())},
      reader_([this](const PlotterStep& step) { take(step); },
              [this](const std::string& words) { film_.said.push_back(words); }) {}

Point FilmCutter::onFilm(Point p) const {
  p = p * machine_.scale;
  if (machine_.mirrored) p.x = machine_.wide.mm() - p.x;
  if (machine_.slipsAfter > Length() && cut_ > machine_.slipsAfter.mm()) {
    p.y += machine_.slips.mm();
  }
  return p;
}

void FilmCutter::take(const PlotterStep& step) {
  switch (step.kind) {
    case PlotterStep::Kind::start:
      lift();
      tool_ = 1;
      break;
    case PlotterStep::Kind::tool:
      lift();
      tool_ = step.number;
      break;
    case PlotterStep::Kind::speed:
      machine_.perSecond =
          machine_.perSecond > Length() ? Length::mm(step.number) : machine_.perSecond;
      break;
    case PlotterStep::Kind::move:
    case PlotterStep::Kind::draw: {
      const Box bed{{0, 0}, {machine_.wide.mm(), machine_.tall.mm()}};
      const double offset = machine_.bladeOffset.mm();
      if (!bed.grownBy(offset + 1e-9).contains(step.to)) {
        // Its head stops at the end of its rail: nothing is cut until it is told of a place again
        // that it reaches.
        if (!outside_) {
          film_.said.push_back("Command " + std::to_string(reader_.commands()) +
                               " goes beyond the bed of " + std::to_string(machine_.wide.mm()) +
                               " by " + std::to_string(machine_.tall.mm()) + " mm.");
        }
        outside_ = true;
        lift();
        break;
      }
      if (outside_) {
        outside_ = false;
        goTo(step.to, false);
        break;
      }
      goTo(step.to, step.kind == PlotterStep::Kind::draw);
      break;
    }
  }
}

void FilmCutter::lift() {
  if (stroke_.size() > 1) {
    if (tool_ == penTool) {
      film_.drawn.push_back({stroke_, false});
    } else if (std::optional<std::vector<Point>> loop = loopOf(stroke_)) {
      // Gone round again, it is the same shape.
      const auto same =
          std::find_if(film_.shapes.rbegin(), film_.shapes.rend(), [&](const CutShape& shape) {
            Box a;
            Box b;
            for (const Point& p : shape.outline) a.add(p);
            for (const Point& p : *loop) b.add(p);
            return norm(a.low - b.low) < bridge && norm(a.high - b.high) < bridge &&
                   std::abs(areaOf(shape.outline) - areaOf(*loop)) <
                       bridge * (a.width() + a.height());
          });
      if (same != film_.shapes.rend()) {
        ++same->passes;
      } else {
        film_.shapes.push_back({std::move(*loop), 1});
      }
    } else {
      film_.open.push_back({stroke_, false});
    }
  }
  stroke_.clear();
  down_ = false;
}

void FilmCutter::mark(Point tip) {
  const Point at = onFilm(tip);
  const bool onIt = machine_.filmTall <= Length() || (at.y >= 0 && at.y <= machine_.filmTall.mm());
  if (!onIt) {
    // Off the end of the film: what is cut ends here, and another cut begins where it comes back.
    lift();
    down_ = true;
    return;
  }
  if (!stroke_.empty() && norm(at - stroke_.back()) < 1e-9) return;
  if (!stroke_.empty()) cut_ += norm(at - stroke_.back());
  stroke_.push_back(at);
}

void FilmCutter::goTo(Point middle, bool down) {
  if (!down) {
    lift();
    went_ += norm(middle - middle_);
    middle_ = middle;
    return;
  }
  const double offset = tool_ == penTool ? 0 : machine_.bladeOffset.mm();
  if (!down_) {
    down_ = true;
    mark(middle_ - heading_ * offset);
  }
  const Point way = middle - middle_;
  const double length = norm(way);
  if (offset <= 0) {
    // In short steps as well: film may end or slip on the way.
    constexpr double step = 0.25;
    const int steps = std::max(1, static_cast<int>(std::ceil(length / step)));
    for (int i = 1; i <= steps; ++i) mark(middle_ + way * (1.0 * i / steps));
    middle_ = middle;
    return;
  }
  constexpr double step = 0.01;
  const Point from = middle_;
  const int steps = std::max(1, static_cast<int>(std::ceil(length / step)));
  Point tip = from - heading_ * offset;
  for (int i = 1; i <= steps; ++i) {
    const Point next = from + way * (1.0 * i / steps);
    const Point back = tip - next;
    const double away = norm(back);
    if (away > 1e-12) tip = next + back * (offset / away);
    heading_ = (next - tip) * (1 / offset);
    // Points a few steps apart show all there is to see.
    if (i % 8 == 0 || i == steps) mark(tip);
  }
  middle_ = middle;
}

CutFilm FilmCutter::finish() {
  reader_.end();
  lift();
  film_.cut = Length::mm(cut_);
  film_.took = busy();
  return std::move(film_);
}

Duration FilmCutter::busy() const {
  if (machine_.perSecond <= Length()) return {};
  constexpr double secondsInMinute = 60;
  constexpr double liftedFaster = 3;
  return Duration::minutes((cut_ + went_ / liftedFaster) / machine_.perSecond.mm() /
                           secondsInMinute / machine_.faster);
}

}  // namespace avrelt::sim
