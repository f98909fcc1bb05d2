// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// Where two shapes are nearest to each other: how far apart, and the places of both. 0 apart where
/// they meet, and where one lies on the other.
struct Nearest {
  Length apart;
  Point here;
  Point there;
  std::size_t line = 0;  ///< which outline or line of the other it is
};

/// A shape's sides in a tree of boxes, for asking how far it lies from others: two trees are gone
/// down together, the nearer boxes first, leaving out what lies farther than the best found.
class EdgeTree {
 public:
  EdgeTree() = default;
  /// `shape` is simple: outlines neither cross nor lie on each other.
  explicit EdgeTree(Polygon shape);
  /// Lines, open or closed, which have no inside.
  explicit EdgeTree(const std::vector<Polyline>& lines);

  const Polygon& shape() const { return shape_; }
  bool empty() const { return sides_.empty(); }
  const Box& bounds() const { return bounds_; }
  /// A disc that holds it: about the middle of its box.
  Point centre() const { return bounds_.centre(); }
  double reach() const { return reach_; }

  /// Nothing is near to an empty shape: 10 km.
  friend Nearest nearest(const EdgeTree& a, const EdgeTree& b);
  /// Whether `nearest` says less than `limit`, which is quicker to know. What meets is nearer than
  /// any limit above 0.
  friend bool nearerThan(const EdgeTree& a, const EdgeTree& b, Length limit);

 private:
  struct Side {
    Point from;
    Point to;
    std::size_t line = 0;
  };
  struct Node {
    Box box;
    std::size_t begin = 0;
    std::size_t end = 0;
    std::size_t left = 0;  ///< the right one follows it; 0 for a leaf
  };
  class Search;
  void grow();
  /// A place of this shape that lies on the other, or none; their edges do not meet.
  const Point* startOn(const EdgeTree& other) const;

  Polygon shape_;              ///< empty for lines
  std::vector<Point> starts_;  ///< one point of each outline or line
  std::vector<Side> sides_;
  std::vector<Node> nodes_;
  Box bounds_;
  double reach_ = 0;
};

}  // namespace avrelt
