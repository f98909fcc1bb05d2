// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/clearance.h"

#include <algorithm>
#include <boost/polygon/segment_data.hpp>
#include <boost/polygon/voronoi.hpp>
#include <cmath>
#include <cstdint>
#include <map>
#include <numeric>

#include "shape/crossings.h"
#include "shape/grid.h"

namespace avrelt {
namespace {

/// Discs that touch under this cosine, 120° or more apart, lie between edges that face each other.
constexpr double facingCos = -0.5;
/// 150° apart: between the sides of a corner of 30°.
constexpr double acuteCos = -0.8660254037844387;
/// How far an outline may be moved for fewer points.
constexpr Length enough = Length::mm(0.002);
constexpr double tipGrowth = 2;
/// What the radius may fall by on the way out of a tip, drawn as it is by straight stretches.
constexpr double wobble = 0.02;

using Whole = std::int32_t;
using Segment = boost::polygon::segment_data<Whole>;
using Diagram = boost::polygon::voronoi_diagram<double>;

}  // namespace

class Clearance::Builder {
 public:
  Builder(Clearance& result, const Polygon& shape) : result_(result) { take(shape); }

  void operator()() {
    if (count_ == 0) return;
    boost::polygon::construct_voronoi(segments_.begin(), segments_.end(), &diagram_);
    frame_ = node({}, 0);
    addNodes();
    for (const Diagram::edge_type& edge : diagram_.edges()) {
      if (&edge < edge.twin() && edge.is_primary() && edge.is_finite()) add(edge);
    }
    meetAtNodes();
    findTips();
    result_.stroke_ = narrowest(true);
    result_.gap_ = narrowest(false);
  }

 private:
  /// What a cell of the diagram belongs to: a corner of the shape, or a side of it.
  struct Site {
    bool point = false;
    std::size_t segment = 0;
    Point from;
    Point to;
  };

  /// Outlines with the points left out that change nothing: a curve drawn finely takes many times
  /// as long. Where they would cross so, all points stay.
  static Polygon plainer(const Polygon& shape) {
    Polygon plain;
    std::vector<Polyline> lines;
    for (const std::vector<Point>& outline : shape) {
      plain.push_back(simplified(outline, enough));
      lines.push_back({plain.back(), true});
    }
    return crossMoreOftenThan(0, lines) ? shape : plain;
  }

  void take(const Polygon& given) {
    const Polygon shape = plainer(given);
    Box box = boundsOf(shape);
    if (box.empty()) return;
    for (const std::vector<Point>& outline : shape) {
      std::vector<boost::polygon::point_data<Whole>> whole;
      for (const Point& p : outline) {
        const boost::polygon::point_data<Whole> next(
            static_cast<Whole>(std::lround(p.x * gridPerMm)),
            static_cast<Whole>(std::lround(p.y * gridPerMm)));
        if (whole.empty() || whole.back() != next) whole.push_back(next);
      }
      while (whole.size() > 1 && whole.front() == whole.back()) whole.pop_back();
      if (whole.size() < 3) continue;
      const std::size_t first = segments_.size();
      for (std::size_t i = 0; i < whole.size(); ++i) {
        segments_.emplace_back(whole[i], whole[(i + 1) % whole.size()]);
        before_.push_back(i == 0 ? first + whole.size() - 1 : segments_.size() - 2);
        after_.push_back(i + 1 == whole.size() ? first : segments_.size());
      }
    }
    count_ = segments_.size();
    if (count_ == 0) return;
    // A frame far outside, so that the way between two shapes does not run off to nowhere.
    box = box.grownBy(2 * std::max(box.width(), box.height()) + 1);
    const auto corner = [](double x, double y) {
      return boost::polygon::point_data<Whole>(static_cast<Whole>(std::lround(x * gridPerMm)),
                                               static_cast<Whole>(std::lround(y * gridPerMm)));
    };
    const auto a = corner(box.low.x, box.low.y);
    const auto b = corner(box.high.x, box.low.y);
    const auto c = corner(box.high.x, box.high.y);
    const auto d = corner(box.low.x, box.high.y);
    segments_.emplace_back(a, b);
    segments_.emplace_back(b, c);
    segments_.emplace_back(c, d);
    segments_.emplace_back(d, a);
  }

  static Point point(const boost::polygon::point_data<Whole>& p) {
    return {static_cast<double>(p.x()), static_cast<double>(p.y())};
  }

  Site siteOf(const Diagram::cell_type& cell) const {
    Site site;
    site.segment = cell.source_index();
    const Segment& segment = segments_[site.segment];
    site.from = point(segment.low());
    site.to = point(segment.high());
    site.point = cell.contains_point();
    if (site.point && cell.source_category() == boost::polygon::SOURCE_CATEGORY_SEGMENT_END_POINT) {
      site.from = site.to;
    }
    return site;
  }

  static Point foot(const Site& site, Point p) {
    if (site.point) return site.from;
    const Point along = site.to - site.from;
    return site.from + along * (dot(p - site.from, along) / dot(along, along));
  }

  void addNodes() {
    for (const Diagram::vertex_type& vertex : diagram_.vertices()) {
      const Point at{vertex.x(), vertex.y()};
      const Site site = siteOf(*vertex.incident_edge()->cell());
      vertex.color(result_.nodes_.size());
      result_.nodes_.push_back({at, norm(at - foot(site, at))});
    }
  }

  /// Whether a place beside a site lies in the shape, which is to the left of its sides.
  bool inShape(const Site& site, Point p) const {
    const auto left = [&](std::size_t i) {
      const Point from = point(segments_[i].low());
      return cross(point(segments_[i].high()) - from, p - from) > 0;
    };
    if (!site.point) return left(site.segment);
    const bool atEnd = site.from == point(segments_[site.segment].high());
    const std::size_t in = atEnd ? site.segment : before_[site.segment];
    const std::size_t out = atEnd ? after_[site.segment] : site.segment;
    const Point inward = point(segments_[in].high()) - point(segments_[in].low());
    const Point outward = point(segments_[out].high()) - point(segments_[out].low());
    return cross(inward, outward) > 0 ? left(in) && left(out) : left(in) || left(out);
  }

  std::size_t node(Point at, double r) {
    result_.nodes_.push_back({at, r});
    return result_.nodes_.size() - 1;
  }

  void add(const Diagram::edge_type& edge) {
    const Site a = siteOf(*edge.cell());
    const Site b = siteOf(*edge.twin()->cell());
    const std::size_t first = edge.vertex0()->color();
    const std::size_t second = edge.vertex1()->color();
    if (a.segment >= count_ || b.segment >= count_) {
      joinUp(first, second);
      joinUp(first, frame_);
      return;
    }
    const Node one = result_.nodes_[first];
    const Node other = result_.nodes_[second];
    const Node& far = one.r > other.r ? one : other;
    if (far.r < 1) return;
    const bool inside = inShape(a.point ? b : a, far.at);
    inside_.resize(result_.nodes_.size(), 0);
    for (const std::size_t i : {first, second}) {
      inside_[i] = inside ? 1 : 2;
      largest_.push_back(i);
    }
    joinUp(first, second);
    if (!a.point && !b.point) {
      const Point middle = (one.at + other.at) * 0.5;
      const Point toA = foot(a, middle) - middle;
      const Point toB = foot(b, middle) - middle;
      const double cosine = dot(toA, toB) / (norm(toA) * norm(toB));
      if (cosine < facingCos) put(first, second, inside, cosine < acuteCos);
      return;
    }
    // The nearest place on the way between two corners, or a corner and a side, and from which
    // radius on what touches there is no longer 120° apart.
    const Site& focus = a.point ? a : b;
    const Site& partner = a.point ? b : a;
    const Point opposite = partner.point ? partner.from : foot(partner, focus.from);
    const double apart = norm(opposite - focus.from);
    if (apart < 1) return;
    const double widest = partner.point ? apart / std::sqrt(3.0) : apart / 1.5;
    const Point apex = (focus.from + opposite) * 0.5;
    const Point along = turnedLeft((opposite - focus.from) * (1 / apart));
    const double from = dot(one.at - apex, along);
    const double to = dot(other.at - apex, along);
    const auto upTo = [&](std::size_t near, std::size_t end) {
      const Node start = result_.nodes_[near];
      const Node stop = result_.nodes_[end];
      if (start.r >= widest) return;
      if (stop.r <= widest) return put(near, end, inside, true);
      const double share = (widest - start.r) / (stop.r - start.r);
      const Point at = start.at + (stop.at - start.at) * share;
      put(near, node(at, widest), inside, true);
    };
    if (from * to < 0) {
      const std::size_t middle = node(apex, apart / 2);
      upTo(middle, first);
      upTo(middle, second);
    } else {
      one.r < other.r ? upTo(first, second) : upTo(second, first);
    }
  }

  void put(std::size_t a, std::size_t b, bool inside, bool acute) {
    if (result_.nodes_[a].r > result_.nodes_[b].r) std::swap(a, b);
    result_.edges_.push_back({a, b, inside, acute, false});
  }

  /// Which parts of the axis hang together, facing edges or not.
  std::size_t top(std::size_t i) {
    while (parent_[i] != i) i = parent_[i] = parent_[parent_[i]];
    return i;
  }
  void joinUp(std::size_t a, std::size_t b) {
    while (parent_.size() < result_.nodes_.size()) parent_.push_back(parent_.size());
    // At a corner of the edge itself, inside and outside meet.
    const auto onEdge = [&](std::size_t i) { return i != frame_ && result_.nodes_[i].r < 1; };
    if (onEdge(a) || onEdge(b)) return;
    parent_[top(a)] = top(b);
  }

  void meetAtNodes() {
    at_.resize(result_.nodes_.size());
    while (parent_.size() < result_.nodes_.size()) parent_.push_back(parent_.size());
    inside_.resize(result_.nodes_.size(), 0);
    for (std::size_t i = 0; i < result_.edges_.size(); ++i) {
      at_[result_.edges_[i].small].push_back(i);
      at_[result_.edges_[i].large].push_back(i);
      parent_[top(result_.edges_[i].small)] = top(result_.edges_[i].large);
    }
  }

  /// From every end outwards as long as the radius grows.
  void findTips() {
    for (std::size_t end = 0; end < result_.nodes_.size(); ++end) {
      if (at_[end].size() != 1) continue;
      const double least = result_.nodes_[end].r;
      std::vector<std::size_t> way;
      std::size_t node = end;
      std::size_t edge = at_[end].front();
      double most = least;
      std::size_t upToMost = 0;
      for (;;) {
        const Edge& next = result_.edges_[edge];
        const std::size_t other = next.small == node ? next.large : next.small;
        const double r = result_.nodes_[other].r;
        if (r < most * (1 - wobble)) break;
        way.push_back(edge);
        if (r >= most) {
          most = r;
          upToMost = way.size();
        }
        node = other;
        if (at_[node].size() != 2 || node == end) break;
        edge = at_[node][0] == edge ? at_[node][1] : at_[node][0];
      }
      if (most < tipGrowth * least) continue;
      for (std::size_t i = 0; i < upToMost; ++i) result_.edges_[way[i]].tip = true;
    }
  }

  /// The narrowest of every part: of its strokes, or of its largest disc where it has none.
  std::optional<Facing> narrowest(bool inside) {
    std::map<std::size_t, std::size_t> narrow;
    for (const Edge& edge : result_.edges_) {
      if (edge.inside != inside || edge.tip) continue;
      const auto [found, isNew] = narrow.try_emplace(top(edge.small), edge.small);
      if (!isNew && result_.nodes_[edge.small].r < result_.nodes_[found->second].r) {
        found->second = edge.small;
      }
    }
    std::map<std::size_t, std::size_t> wide;
    for (const std::size_t i : largest_) {
      if (inside_[i] != (inside ? 1 : 2) || result_.nodes_[i].r < 1) continue;
      const auto [found, isNew] = wide.try_emplace(top(i), i);
      if (!isNew && result_.nodes_[i].r > result_.nodes_[found->second].r) found->second = i;
    }
    std::optional<std::size_t> least;
    for (const auto& [part, widest] : wide) {
      const auto found = narrow.find(part);
      // What lies all round the shape has no largest disc.
      if (found == narrow.end() && part == top(frame_)) continue;
      const std::size_t here = found == narrow.end() ? widest : found->second;
      if (!least || result_.nodes_[here].r < result_.nodes_[*least].r) least = here;
    }
    if (!least) return std::nullopt;
    const Node& node = result_.nodes_[*least];
    return Facing{node.at * (1 / gridPerMm), Length::mm(2 * node.r / gridPerMm)};
  }

  Clearance& result_;
  std::vector<Segment> segments_;
  std::vector<std::size_t> before_;
  std::vector<std::size_t> after_;
  std::size_t count_ = 0;  ///< of them, but the frame
  Diagram diagram_;
  std::vector<int> inside_;  ///< by node: 1 inside, 2 outside
  std::vector<std::size_t> largest_;
  std::vector<std::size_t> parent_;
  std::vector<std::vector<std::size_t>> at_;
  std::size_t frame_ = 0;  ///< a node that stands for all round
};

Clearance::Clearance(const Polygon& shape) {
  Builder(*this, shape)();
  for (Node& node : nodes_) node = {node.at * (1 / gridPerMm), node.r / gridPerMm};
}

std::vector<ThinStretch> Clearance::under(Length limit, bool inside) const {
  std::vector<ThinStretch> thin;
  const double half = limit.mm() / 2;
  for (const Edge& edge : edges_) {
    const Node& from = nodes_[edge.small];
    const Node& to = nodes_[edge.large];
    if (edge.inside != inside || from.r >= half || (edge.tip && !edge.acute)) continue;
    const double share = to.r <= half ? 1 : (half - from.r) / (to.r - from.r);
    const double end = from.r + (to.r - from.r) * share;
    thin.push_back({from.at, from.at + (to.at - from.at) * share, Length::mm(2 * from.r),
                    Length::mm(2 * end)});
  }
  return thin;
}

Polygon thickened(const Polygon& shape, const Clearance& clearance, Length limit) {
  std::vector<Polyline> lines;
  for (const ThinStretch& thin : clearance.strokesUnder(limit)) {
    lines.push_back({{thin.from, thin.to}, false});
  }
  if (lines.empty()) return shape;
  return unionOf({shape, drawnWide(lines, limit, {LineCap::round, LineJoin::round, 4})});
}

}  // namespace avrelt
