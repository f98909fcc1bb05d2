// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/nearer.h"

#include <algorithm>
#include <boost/polygon/segment_data.hpp>
#include <boost/polygon/voronoi.hpp>
#include <cmath>
#include <cstdint>
#include <set>
#include <utility>

#include "shape/grid.h"

namespace avrelt {
namespace {

using Whole = std::int32_t;
using WholeAt = boost::polygon::point_data<Whole>;
using Segment = boost::polygon::segment_data<Whole>;
using Diagram = boost::polygon::voronoi_diagram<double>;

constexpr double curveWithin = 0.005 * gridPerMm;

WholeAt onGrid(Point p) {
  return {static_cast<Whole>(std::lround(p.x * gridPerMm)),
          static_cast<Whole>(std::lround(p.y * gridPerMm))};
}
Point asPoint(const WholeAt& p) {
  return {static_cast<double>(p.x()), static_cast<double>(p.y())};
}

/// The cells of some sides among others.
class Cells {
 public:
  Cells(const std::vector<SideOfTwo>& sides, Length reach) {
    Box box;
    for (const SideOfTwo& side : sides) {
      const Segment segment(onGrid(side.from), onGrid(side.to));
      if (segment.low() == segment.high()) continue;
      box.add(side.from);
      box.add(side.to);
      segments_.push_back(segment);
      asked_.push_back(side.asked);
      if (side.asked) continue;
      others_.insert({segment.low().x(), segment.low().y()});
      others_.insert({segment.high().x(), segment.high().y()});
    }
    if (segments_.empty()) return;
    // A frame so far outside that all that is asked for has its edges.
    box = box.grownBy(3 * reach.mm() + 1);
    const Point corners[] = {box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}};
    for (std::size_t i = 0; i < 4; ++i) {
      segments_.emplace_back(onGrid(corners[i]), onGrid(corners[(i + 1) % 4]));
      asked_.push_back(false);
    }
    boost::polygon::construct_voronoi(segments_.begin(), segments_.end(), &diagram_);
  }

  Polygon asked() const {
    std::vector<Polyline> outlines;
    for (const Diagram::cell_type& cell : diagram_.cells()) {
      if (cell.is_degenerate() || !isAsked(cell)) continue;
      std::vector<Point> outline = outlineOf(cell);
      if (outline.size() > 2) outlines.push_back({std::move(outline), true});
    }
    return outlines.empty() ? Polygon{} : enclosedBy(outlines, false);
  }

 private:
  WholeAt pointOf(const Diagram::cell_type& cell) const {
    const Segment& segment = segments_[cell.source_index()];
    return cell.source_category() == boost::polygon::SOURCE_CATEGORY_SEGMENT_START_POINT
               ? segment.low()
               : segment.high();
  }

  bool isAsked(const Diagram::cell_type& cell) const {
    if (!asked_[cell.source_index()]) return false;
    if (cell.contains_segment()) return true;
    const WholeAt at = pointOf(cell);
    return !others_.contains({at.x(), at.y()});
  }

  std::vector<Point> outlineOf(const Diagram::cell_type& cell) const {
    std::vector<Point> outline;
    const Diagram::edge_type* edge = cell.incident_edge();
    do {
      if (!edge->is_finite()) return {};
      const Point from{edge->vertex0()->x(), edge->vertex0()->y()};
      const Point to{edge->vertex1()->x(), edge->vertex1()->y()};
      outline.push_back(from);
      if (edge->is_curved()) addCurve(*edge, from, to, outline);
      edge = edge->next();
    } while (edge != cell.incident_edge());
    for (Point& p : outline) p = p * (1 / gridPerMm);
    return outline;
  }

  /// What lies between the ends of an edge that is as far from a corner as from a side: a parabola.
  void addCurve(const Diagram::edge_type& edge, Point from, Point to,
                std::vector<Point>& outline) const {
    const Diagram::cell_type* corner = edge.cell();
    const Diagram::cell_type* side = edge.twin()->cell();
    if (corner->contains_segment()) std::swap(corner, side);
    const Point focus = asPoint(pointOf(*corner));
    const Segment& segment = segments_[side->source_index()];
    const Point start = asPoint(segment.low());
    const Point along = asPoint(segment.high()) - start;
    const Point unit = along * (1 / norm(along));
    const Point square = turnedLeft(unit);
    const double away = dot(focus - start, square);
    if (std::abs(away) < 1) return;
    const double middle = dot(focus - start, unit);
    const double first = dot(from - start, unit) - middle;
    const double last = dot(to - start, unit) - middle;
    // y = (x² + a²) / 2a bends by x² / 8a between places x apart.
    const double step = std::sqrt(8 * std::abs(away) * curveWithin);
    const int steps = std::clamp(static_cast<int>(std::abs(last - first) / step) + 1, 1, 2000);
    for (int i = 1; i < steps; ++i) {
      const double x = first + (last - first) * i / steps;
      const double y = (x * x + away * away) / (2 * away);
      outline.push_back(start + unit * (middle + x) + square * y);
    }
  }

  std::vector<Segment> segments_;
  std::vector<bool> asked_;
  std::set<std::pair<Whole, Whole>> others_;  ///< ends of those that are not asked for
  Diagram diagram_;
};

}  // namespace

Polygon nearerToAsked(const std::vector<SideOfTwo>& sides, Length reach) {
  const bool any =
      std::any_of(sides.begin(), sides.end(), [](const SideOfTwo& side) { return side.asked; });
  return any ? Cells(sides, reach).asked() : Polygon{};
}

}  // namespace avrelt
