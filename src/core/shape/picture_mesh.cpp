// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/picture_mesh.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "measure/colour.h"

namespace avrelt {
namespace {

void blend(std::uint8_t* onto, const PictureSizes::Dot& dot) {
  const double over = dot.opacity / 255;
  const double under = onto[3] / 255.0 * (1 - over);
  const double both = over + under;
  if (both <= 0) return;
  const std::array<double, 3> colour{dot.red, dot.green, dot.blue};
  for (std::size_t c = 0; c < 3; ++c) {
    onto[c] = static_cast<std::uint8_t>(
        std::lround(std::clamp((colour[c] * over + onto[c] * under) / both, 0.0, 255.0)));
  }
  onto[3] = static_cast<std::uint8_t>(std::lround(std::min(both, 1.0) * 255));
}

std::uint8_t* dotOf(Picture& picture, int x, int y) {
  return &picture.rgba[(static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.wide) +
                        static_cast<std::size_t>(x)) *
                       4];
}

struct Corner {
  Point at;  ///< dots
  Point on;
};

class MeshDrawing {
 public:
  MeshDrawing(const PictureMesh& mesh, const PictureSizes& picture, const Polygon& shape,
              Picture& onto)
      : mesh_(mesh), picture_(picture), onto_(onto) {
    if (shape.empty()) return;
    rows_.resize(static_cast<std::size_t>(onto.tall));
    const Box box = boundsOf(shape);
    const int foot = std::min(onto.tall, static_cast<int>(std::ceil(box.high.y)));
    for (int y = std::max(0, static_cast<int>(box.low.y)); y < foot; ++y) {
      rows_[static_cast<std::size_t>(y)] = dotsOfRow(shape, y, onto.wide);
    }
    clipped_ = true;
  }

  /// Dots whose middles lie in a triangle; one on an edge between two is drawn once.
  void operator()(const Corner& a, const Corner& b, const Corner& c) {
    const Point ab = b.at - a.at;
    const Point ac = c.at - a.at;
    const double twice = ab.x * ac.y - ab.y * ac.x;
    if (std::abs(twice) < 1e-12) return;
    const Point onB = b.on - a.on;
    const Point onC = c.on - a.on;
    // How the place on the picture runs along the dots.
    const Point perX = (onB * ac.y - onC * ab.y) * (1 / twice);
    const Point perY = (onC * ab.x - onB * ac.x) * (1 / twice);
    const double wide = picture_.wide();
    const double tall = picture_.tall();
    const double dots = std::max(std::hypot(perX.x * wide, perX.y * tall),
                                 std::hypot(perY.x * wide, perY.y * tall));
    const std::array<Point, 3> corners{a.at, b.at, c.at};
    const auto [least, most] = std::minmax({a.at.y, b.at.y, c.at.y});
    const int top = std::max(0, static_cast<int>(std::ceil(least - 0.5)));
    const int foot = std::min(onto_.tall - 1, static_cast<int>(std::ceil(most - 0.5)) - 1);
    for (int y = top; y <= foot; ++y) {
      const double middle = y + 0.5;
      double from = 1e18;
      double to = -1e18;
      for (std::size_t i = 0; i < 3; ++i) {
        Point p = corners[i];
        Point q = corners[(i + 1) % 3];
        // From the same end whichever triangle asks, so that both find the same dots.
        if (std::pair(q.y, q.x) < std::pair(p.y, p.x)) std::swap(p, q);
        if ((p.y <= middle) == (q.y <= middle)) continue;
        const double x = p.x + (q.x - p.x) * ((middle - p.y) / (q.y - p.y));
        from = std::min(from, x);
        to = std::max(to, x);
      }
      if (from > to) continue;
      const int left = std::max(0, static_cast<int>(std::ceil(from - 0.5)));
      const int right = std::min(onto_.wide, static_cast<int>(std::ceil(to - 0.5)));
      row(
          y, left, right,
          [&](int x) {
            const Point here{x + 0.5 - a.at.x, middle - a.at.y};
            return a.on + perX * here.x + perY * here.y;
          },
          dots);
    }
  }

 private:
  template <typename OnAt>
  void row(int y, int left, int right, const OnAt& onAt, double dots) {
    const auto draw = [&](int from, int to) {
      for (int x = from; x < to; ++x) {
        blend(dotOf(onto_, x, y), picture_.at(mesh_.within(onAt(x)), dots));
      }
    };
    if (!clipped_) return draw(left, right);
    for (const auto& [from, to] : rows_[static_cast<std::size_t>(y)]) {
      draw(std::max(left, from), std::min(right, to));
    }
  }

  const PictureMesh& mesh_;
  const PictureSizes& picture_;
  Picture& onto_;
  bool clipped_ = false;
  std::vector<std::vector<std::pair<int, int>>> rows_;
};

}  // namespace

Picture halved(const Picture& from) {
  Picture half;
  half.wide = std::max(1, from.wide / 2);
  half.tall = std::max(1, from.tall / 2);
  half.rgba.resize(static_cast<std::size_t>(half.wide) * static_cast<std::size_t>(half.tall) * 4);
  for (int y = 0; y < half.tall; ++y) {
    for (int x = 0; x < half.wide; ++x) {
      std::array<unsigned, 4> sum{};
      for (int i = 0; i < 4; ++i) {
        const int u = std::min(2 * x + i % 2, from.wide - 1);
        const int v = std::min(2 * y + i / 2, from.tall - 1);
        const std::uint8_t* dot =
            &from.rgba[(static_cast<std::size_t>(v) * static_cast<std::size_t>(from.wide) +
                        static_cast<std::size_t>(u)) *
                       4];
        for (std::size_t c = 0; c < 3; ++c) sum[c] += static_cast<unsigned>(dot[c]) * dot[3];
        sum[3] += dot[3];
      }
      std::uint8_t* to =
          &half.rgba[(static_cast<std::size_t>(y) * static_cast<std::size_t>(half.wide) +
                      static_cast<std::size_t>(x)) *
                     4];
      for (std::size_t c = 0; c < 3; ++c) {
        to[c] = static_cast<std::uint8_t>(sum[3] == 0 ? 0 : (sum[c] + sum[3] / 2) / sum[3]);
      }
      to[3] = static_cast<std::uint8_t>((sum[3] + 2) / 4);
    }
  }
  return half;
}

PictureSizes::PictureSizes(Picture picture) {
  sizes_.push_back(std::move(picture));
  while (sizes_.back().wide > 8 && sizes_.back().tall > 8) sizes_.push_back(halved(sizes_.back()));
}

PictureSizes::Dot PictureSizes::at(Point on, double dots) const {
  if (on.x < 0 || on.x > 1 || on.y < 0 || on.y > 1) return {};
  std::size_t size = 0;
  while (dots > 1.5 && size + 1 < sizes_.size()) {
    dots /= 2;
    ++size;
  }
  const Picture& from = sizes_[size];
  const double x = std::clamp(on.x * from.wide - 0.5, 0.0, from.wide - 1.0);
  const double y = std::clamp((1 - on.y) * from.tall - 0.5, 0.0, from.tall - 1.0);
  const auto left = static_cast<int>(x);
  const auto top = static_cast<int>(y);
  const int right = std::min(left + 1, from.wide - 1);
  const int foot = std::min(top + 1, from.tall - 1);
  const double u = x - left;
  const double v = y - top;
  Dot dot;
  const auto add = [&](int column, int row, double share) {
    const std::uint8_t* one =
        &from.rgba[(static_cast<std::size_t>(row) * static_cast<std::size_t>(from.wide) +
                    static_cast<std::size_t>(column)) *
                   4];
    const double weight = share * one[3];
    dot.red += one[0] * weight;
    dot.green += one[1] * weight;
    dot.blue += one[2] * weight;
    dot.opacity += weight;
  };
  add(left, top, (1 - u) * (1 - v));
  add(right, top, u * (1 - v));
  add(left, foot, (1 - u) * v);
  add(right, foot, u * v);
  if (dot.opacity > 0) {
    dot.red /= dot.opacity;
    dot.green /= dot.opacity;
    dot.blue /= dot.opacity;
  }
  return dot;
}

std::vector<std::pair<int, int>> dotsOfRow(const Polygon& shape, int row, int wide) {
  const double middle = row + 0.5;
  std::vector<std::pair<double, int>> crossings;
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point p = outline[i];
      const Point q = outline[(i + 1) % outline.size()];
      if ((p.y <= middle) == (q.y <= middle)) continue;
      crossings.emplace_back(p.x + (q.x - p.x) * ((middle - p.y) / (q.y - p.y)),
                             p.y <= middle ? 1 : -1);
    }
  }
  std::sort(crossings.begin(), crossings.end());
  std::vector<std::pair<int, int>> spans;
  int round = 0;
  for (std::size_t i = 0; i + 1 < crossings.size(); ++i) {
    round += crossings[i].second;
    if (round == 0) continue;
    const int from = std::max(0, static_cast<int>(std::ceil(crossings[i].first - 0.5)));
    const int to = std::min(wide, static_cast<int>(std::ceil(crossings[i + 1].first - 0.5)));
    if (from >= to) continue;
    if (!spans.empty() && spans.back().second == from) {
      spans.back().second = to;
    } else {
      spans.emplace_back(from, to);
    }
  }
  return spans;
}

void drawMesh(const PictureMesh& mesh, const PictureSizes& picture, const Transform& toDots,
              const Polygon& shape, Picture& onto) {
  if (mesh.across < 2) return;
  MeshDrawing draw(mesh, picture, shape, onto);
  const auto corner = [&](std::size_t row, std::size_t column) {
    const MeshNode& node = mesh.nodes[row * mesh.across + column];
    return Corner{toDots(node.at), node.on};
  };
  for (std::size_t row = 0; (row + 2) * mesh.across <= mesh.nodes.size(); ++row) {
    for (std::size_t column = 0; column + 1 < mesh.across; ++column) {
      draw(corner(row, column), corner(row, column + 1), corner(row + 1, column + 1));
      draw(corner(row, column), corner(row + 1, column + 1), corner(row + 1, column));
    }
  }
}

void fillShape(const Polygon& shape, const std::string& colour, Picture& onto) {
  const Rgb rgb = rgbOf(colour);
  const Box box = boundsOf(shape);
  const int foot = std::min(onto.tall, static_cast<int>(std::ceil(box.high.y)));
  for (int y = std::max(0, static_cast<int>(box.low.y)); y < foot; ++y) {
    for (const auto& [from, to] : dotsOfRow(shape, y, onto.wide)) {
      for (int x = from; x < to; ++x) {
        blend(dotOf(onto, x, y), {static_cast<double>(rgb.red), static_cast<double>(rgb.green),
                                  static_cast<double>(rgb.blue), 255});
      }
    }
  }
}

}  // namespace avrelt
