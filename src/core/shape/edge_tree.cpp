// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/edge_tree.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace avrelt {
namespace {

constexpr std::size_t fewSides = 4;
/// Between shapes of which one is empty.
constexpr Length nowhereNear = Length::mm(1e7);

double squareGap(const Box& a, const Box& b) {
  const double x = std::max({0.0, a.low.x - b.high.x, b.low.x - a.high.x});
  const double y = std::max({0.0, a.low.y - b.high.y, b.low.y - a.high.y});
  return x * x + y * y;
}

Point footOn(Point p, Point from, Point to) {
  const Point along = to - from;
  const double square = dot(along, along);
  const double share = square < 1e-24 ? 0 : std::clamp(dot(p - from, along) / square, 0.0, 1.0);
  return from + along * share;
}

/// Where two straight sides cross, if they do.
bool cross(Point a, Point b, Point c, Point d, Point& at) {
  const Point along = b - a;
  const Point other = d - c;
  const double turn = avrelt::cross(along, other);
  if (turn == 0) return false;
  const double share = avrelt::cross(c - a, other) / turn;
  const double otherShare = avrelt::cross(c - a, along) / turn;
  if (share < 0 || share > 1 || otherShare < 0 || otherShare > 1) return false;
  at = a + along * share;
  return true;
}

}  // namespace

EdgeTree::EdgeTree(Polygon shape) : shape_(std::move(shape)) {
  for (std::size_t line = 0; line < shape_.size(); ++line) {
    const std::vector<Point>& outline = shape_[line];
    if (!outline.empty()) starts_.push_back(outline.front());
    for (std::size_t i = 0; i < outline.size(); ++i) {
      sides_.push_back({outline[i], outline[(i + 1) % outline.size()], line});
    }
  }
  grow();
}

EdgeTree::EdgeTree(const std::vector<Polyline>& lines) {
  for (std::size_t i = 0; i < lines.size(); ++i) {
    const std::vector<Point>& points = lines[i].points;
    if (!points.empty()) starts_.push_back(points.front());
    for (std::size_t k = 1; k < points.size(); ++k) {
      sides_.push_back({points[k - 1], points[k], i});
    }
    if (lines[i].closed && points.size() > 2) sides_.push_back({points.back(), points.front(), i});
  }
  grow();
}

void EdgeTree::grow() {
  if (sides_.empty()) return;
  nodes_.reserve(sides_.size() + 1);
  nodes_.push_back({{}, 0, sides_.size(), 0});
  for (std::size_t i = 0; i < nodes_.size(); ++i) {
    const std::size_t begin = nodes_[i].begin;
    const std::size_t end = nodes_[i].end;
    if (end - begin <= fewSides) continue;
    // Sides follow each other, so halves of a run lie apart well enough.
    const std::size_t middle = (begin + end) / 2;
    nodes_[i].left = nodes_.size();
    nodes_.push_back({{}, begin, middle, 0});
    nodes_.push_back({{}, middle, end, 0});
  }
  for (std::size_t i = nodes_.size(); i-- > 0;) {
    Node& node = nodes_[i];
    if (node.left != 0) {
      node.box.add(nodes_[node.left].box);
      node.box.add(nodes_[node.left + 1].box);
      continue;
    }
    for (std::size_t k = node.begin; k < node.end; ++k) {
      node.box.add(sides_[k].from);
      node.box.add(sides_[k].to);
    }
  }
  bounds_ = nodes_.front().box;
  double square = 0;
  for (const Side& side : sides_) {
    const Point out = side.from - bounds_.centre();
    square = std::max(square, dot(out, out));
  }
  reach_ = std::sqrt(square);
}

class EdgeTree::Search {
 public:
  Search(const EdgeTree& a, const EdgeTree& b) : a_(a), b_(b) {}

  Nearest operator()() {
    if (a_.empty() || b_.empty()) return {nowhereNear, {}, {}};
    down(0, 0);
    return {Length::mm(std::sqrt(best_)), here_, there_, line_};
  }

  bool isUnder(Length limit) {
    if (a_.empty() || b_.empty()) return false;
    const double square = limit.mm() * limit.mm();
    best_ = square;
    down(0, 0);
    return best_ < square;
  }

 private:
  void down(std::size_t i, std::size_t k) {
    const Node& a = a_.nodes_[i];
    const Node& b = b_.nodes_[k];
    if (squareGap(a.box, b.box) >= best_) return;
    if (a.left == 0 && b.left == 0) return sides(a, b);
    const bool first = b.left == 0 || (a.left != 0 && a.end - a.begin >= b.end - b.begin);
    std::size_t one[2] = {i, k};
    std::size_t other[2] = {i, k};
    const std::size_t which = first ? 0 : 1;
    one[which] = first ? a.left : b.left;
    other[which] = one[which] + 1;
    const auto gap = [&](const std::size_t* pair) {
      return squareGap(a_.nodes_[pair[0]].box, b_.nodes_[pair[1]].box);
    };
    if (gap(one) > gap(other)) std::swap(one, other);
    down(one[0], one[1]);
    down(other[0], other[1]);
  }

  void sides(const Node& a, const Node& b) {
    for (std::size_t i = a.begin; i < a.end; ++i) {
      for (std::size_t k = b.begin; k < b.end; ++k) pair(a_.sides_[i], b_.sides_[k]);
    }
  }

  static double gap(double a, double b, double c, double d) {
    return std::max({0.0, std::min(a, b) - std::max(c, d), std::min(c, d) - std::max(a, b)});
  }

  void pair(const Side& a, const Side& b) {
    const double x = gap(a.from.x, a.to.x, b.from.x, b.to.x);
    const double y = gap(a.from.y, a.to.y, b.from.y, b.to.y);
    if (x * x + y * y >= best_) return;
    Point at;
    if (cross(a.from, a.to, b.from, b.to, at)) return take(at, at, b.line);
    take(a.from, footOn(a.from, b.from, b.to), b.line);
    take(a.to, footOn(a.to, b.from, b.to), b.line);
    take(footOn(b.from, a.from, a.to), b.from, b.line);
    take(footOn(b.to, a.from, a.to), b.to, b.line);
  }

  void take(Point here, Point there, std::size_t line) {
    const Point between = there - here;
    const double square = dot(between, between);
    if (square >= best_) return;
    best_ = square;
    here_ = here;
    there_ = there;
    line_ = line;
  }

  const EdgeTree& a_;
  const EdgeTree& b_;
  double best_ = std::numeric_limits<double>::infinity();
  Point here_;
  Point there_;
  std::size_t line_ = 0;
};

const Point* EdgeTree::startOn(const EdgeTree& other) const {
  if (!bounds_.meets(other.bounds_)) return nullptr;
  for (const Point& start : starts_) {
    if (other.bounds_.contains(start) && contains(other.shape_, start)) return &start;
  }
  return nullptr;
}

Nearest nearest(const EdgeTree& a, const EdgeTree& b) {
  Nearest found = EdgeTree::Search(a, b)();
  if (found.apart == Length()) return found;
  // Edges that do not meet lie wholly on the other shape, or beside it.
  const Point* start = a.startOn(b);
  if (start == nullptr) start = b.startOn(a);
  if (start != nullptr) found = {Length(), *start, *start, found.line};
  return found;
}

bool nearerThan(const EdgeTree& a, const EdgeTree& b, Length limit) {
  if (EdgeTree::Search(a, b).isUnder(limit)) return true;
  return limit > Length() && (a.startOn(b) != nullptr || b.startOn(a) != nullptr);
}

}  // namespace avrelt
