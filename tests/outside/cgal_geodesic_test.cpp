// SPDX-License-Identifier: GPL-3.0-or-later
#include <CGAL/AABB_halfedge_graph_segment_primitive.h>
#include <CGAL/AABB_traits.h>
#include <CGAL/AABB_tree.h>
#include <CGAL/create_straight_skeleton_2.h>
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_slicer.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/Surface_mesh_shortest_path.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "cup/ring_fit.h"
#include "divide/divide.h"
#include "pattern/fill.h"
#include "shape/clearance.h"

// A straight line in the flat against the shortest way on a mesh of the cone, found by CGAL.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
using Traits = CGAL::Surface_mesh_shortest_path_traits<Kernel, Mesh>;
using Shortest = CGAL::Surface_mesh_shortest_path<Traits>;

/// The wall from −100° to 100°, as many strips round as up; corners lie on the cone.
template <typename Wall>
double onMesh(const Wall& body, int strips, int fromColumn, int fromRow, int toColumn, int toRow,
              int grid) {
  Mesh mesh;
  std::vector<Mesh::Vertex_index> corners;
  const auto at = [&](int column, int row) {
    return corners[static_cast<std::size_t>(row * (strips + 1) + column)];
  };
  for (int row = 0; row <= strips; ++row) {
    for (int column = 0; column <= strips; ++column) {
      const SpacePoint p = body.toSpace({Angle::degrees(-100 + 200.0 * column / strips),
                                         body.wall() * (static_cast<double>(row) / strips)});
      corners.push_back(mesh.add_vertex({p.x, p.y, p.z}));
    }
  }
  for (int row = 0; row < strips; ++row) {
    for (int column = 0; column < strips; ++column) {
      mesh.add_face(at(column, row), at(column + 1, row), at(column + 1, row + 1));
      mesh.add_face(at(column, row), at(column + 1, row + 1), at(column, row + 1));
    }
  }
  const int scale = strips / grid;
  Shortest shortest(mesh);
  shortest.add_source_point(at(fromColumn * scale, fromRow * scale));
  return shortest.shortest_distance_to_source_points(at(toColumn * scale, toRow * scale)).first;
}

double inFlat(const Development& body, int fromColumn, int fromRow, int toColumn, int toRow,
              int grid) {
  const auto flat = [&](int column, int row) {
    return body.toFlat({Angle::degrees(-100 + 200.0 * column / grid),
                        body.wall() * (static_cast<double>(row) / grid)});
  };
  return norm(flat(toColumn, toRow) - flat(fromColumn, fromRow));
}

}  // namespace

TEST_CASE("a geodesic on a finer and finer mesh comes to the straight line in the flat") {
  constexpr int grid = 8;
  const int ways[][4] = {{1, 1, 7, 6}, {0, 4, 8, 4}, {2, 0, 5, 8}};
  for (const std::size_t which : {std::size_t{1}, std::size_t{2}}) {
    const Development body = developed(all()[which].blank);
    for (const auto& way : ways) {
      INFO(all()[which].name << " from " << way[0] << "," << way[1]);
      const double flat = inFlat(body, way[0], way[1], way[2], way[3], grid);
      double before = HUGE_VAL;
      for (const int strips : {8, 16, 32}) {
        const double error =
            std::abs(onMesh(body, strips, way[0], way[1], way[2], way[3], grid) - flat) / flat;
        // Chords for arcs cost (Δθ)²/24 of the length; the error falls with refinement.
        const double perStrip = 200.0 / strips / 180 * M_PI;
        CHECK(error < perStrip * perStrip / 8);
        CHECK(error < before);
        before = error;
      }
      CHECK(before < 1e-3);
    }
  }
}

TEST_CASE("on a curved wall no geodesic is longer or shorter than the stretch map allows") {
  // The best-fit sector keeps heights and stretches round by least … most. So a straight line in it
  // lies on the wall as a way no longer than (1 + most) of it, and the shortest way on the wall,
  // carried into the flat, is no shorter than the straight line: between (1 + least) and (1 +
  // most).
  constexpr int grid = 8;
  const int ways[][4] = {{2, 1, 6, 1}, {2, 4, 6, 4}, {3, 7, 5, 7},
                         {3, 1, 5, 7}, {4, 0, 4, 8}, {2, 2, 5, 6}};
  for (const std::size_t which : {std::size_t{1}, std::size_t{3}}) {
    const Body body = bodyOf(allCurved()[which].blank);
    const std::vector<WallSample> samples = body.samples(Length(), body.wall(), 160);
    const RingFit fit = fitRing(samples, 0, samples.size() - 1);
    const Development flat = fit.cone();
    double farthest = 0;
    for (const auto& way : ways) {
      INFO(allCurved()[which].name << " from " << way[0] << "," << way[1]);
      const double straight = inFlat(flat, way[0], way[1], way[2], way[3], grid);
      const double shortest = onMesh(body, 40, way[0], way[1], way[2], way[3], grid);
      const double ratio = shortest / straight;
      // A mesh of chords is off by a thousandth or two at this fineness.
      CHECK(ratio <= 1 + fit.most + 0.002);
      CHECK(ratio >= 1 + fit.least - 0.002);
      farthest = std::max(farthest, std::abs(ratio - 1));
    }
    // And the map does not claim far more than is there.
    CHECK(farthest > fit.largest() * 0.5);
  }
}

TEST_CASE("the strain of a tape's edges is what slices of a mesh of the cone measure") {
  // A tape bent along a ring keeps its middle's length; its edges lie on rings half its width up
  // and down the wall. Their lengths are read off a mesh by CGAL's slicer.
  for (const std::size_t which : {std::size_t{1}, std::size_t{2}, std::size_t{3}}) {
    const Body body = bodyOf(all()[which].blank);
    constexpr int strips = 720;
    Mesh mesh;
    std::vector<Mesh::Vertex_index> corners;
    for (const Length s : {Length(), body.wall()}) {
      for (int i = 0; i < strips; ++i) {
        const SpacePoint p = body.toSpace({Angle::turn() * (static_cast<double>(i) / strips), s});
        corners.push_back(mesh.add_vertex({p.x, p.y, p.z}));
      }
    }
    for (int i = 0; i < strips; ++i) {
      const auto at = [&](int row, int column) {
        return corners[static_cast<std::size_t>(row * strips + column % strips)];
      };
      mesh.add_face(at(0, i), at(0, i + 1), at(1, i + 1));
      mesh.add_face(at(0, i), at(1, i + 1), at(1, i));
    }
    CGAL::Polygon_mesh_slicer<Mesh, Kernel> slicer(mesh);
    const auto around = [&](Length s) {
      std::vector<std::vector<Kernel::Point_3>> lines;
      slicer(Kernel::Plane_3(0, 0, 1, -body.toSpace({Angle(), s}).z), std::back_inserter(lines));
      double length = 0;
      for (const auto& line : lines) {
        for (std::size_t i = 1; i < line.size(); ++i) {
          length += std::sqrt(CGAL::squared_distance(line[i - 1], line[i]));
        }
      }
      return length;
    };
    for (const double width : {3.0, 6.35, 25.4}) {
      const Length middle = body.wall() * 0.45;
      const double low = around(middle - Length::mm(width / 2));
      const double high = around(middle + Length::mm(width / 2));
      INFO(all()[which].name << ", " << width << " mm");
      const double measured = std::abs(high - low) / 2 / around(middle);
      CHECK(tapeStrain(body, middle, Length::mm(width)) == Approx(measured).epsilon(1e-4));
    }
  }
}

TEST_CASE("what strips of a stencil are off by is what slices of a mesh of the cup measure") {
  // Rings round the body and meridians up it are read off a mesh by CGAL's slicer, and laid against
  // the film's own arcs and edges.
  for (const std::size_t which : {std::size_t{1}, std::size_t{2}, std::size_t{3}}) {
    const Wall wall = wallOf(bodyOf(allCurved()[which].blank), CupAngle::degrees(140));
    const Body& body = wall.body;
    constexpr int columns = 360;
    constexpr int rows = 400;
    Mesh mesh;
    std::vector<Mesh::Vertex_index> corners;
    for (int row = 0; row <= rows; ++row) {
      for (int i = 0; i < columns; ++i) {
        const SpacePoint p = body.toSpace({Angle::turn() * (static_cast<double>(i) / columns),
                                           body.wall() * (static_cast<double>(row) / rows)});
        corners.push_back(mesh.add_vertex({p.x, p.y, p.z}));
      }
    }
    for (int row = 0; row < rows; ++row) {
      for (int i = 0; i < columns; ++i) {
        const auto at = [&](int up, int along) {
          return corners[static_cast<std::size_t>(up * columns + along % columns)];
        };
        mesh.add_face(at(row, i), at(row, i + 1), at(row + 1, i + 1));
        mesh.add_face(at(row, i), at(row + 1, i + 1), at(row + 1, i));
      }
    }
    CGAL::Polygon_mesh_slicer<Mesh, Kernel> slicer(mesh);
    const auto around = [&](Length s) {
      std::vector<std::vector<Kernel::Point_3>> lines;
      slicer(Kernel::Plane_3(0, 0, 1, -body.toSpace({Angle(), s}).z), std::back_inserter(lines));
      double length = 0;
      for (const auto& line : lines) {
        for (std::size_t i = 1; i < line.size(); ++i) {
          length += std::sqrt(CGAL::squared_distance(line[i - 1], line[i]));
        }
      }
      return length;
    };
    const Divided divided = *divide(ZoneNode(), wall);
    Fill fill = usualFill("", Unit::mm);
    fill.pattern.family = Family::bricks;
    fill.pattern.size = WrittenLength::mm(14);
    const auto plans = planFills({fill}, divided, wall);
    REQUIRE(plans.has_value());
    const std::vector<Cell>& cells = plans->front().cells;
    Film film;
    film.kind = FilmKind::thinCast;
    for (const LayingKind kind : {LayingKind::bands, LayingKind::gores}) {
      const FillStrips made = stripsOf(cells, false, divided.zones[0], body, film, kind);
      INFO(allCurved()[which].name << " " << layingName(kind));
      for (const FillStrip& strip : made.strips) {
        Length low = Length::mm(1e6);
        Length high;
        for (const std::size_t cell : strip.cells) {
          for (const WallPoint& p : cells[cell].whole.outline) {
            low = std::min(low, p.s);
            high = std::max(high, p.s);
          }
        }
        double worst = 0;
        for (int i = 1; i < 20; ++i) {
          const Length s = low + (high - low) * (i / 20.0);
          if (kind == LayingKind::gores) break;
          // The film's arc once round, in small chords.
          double onFilm = 0;
          const Development cone = strip.ring.cone();
          const Length up = s - Length::mm(strip.ring.low);
          for (int n = 0; n < 3600; ++n) {
            onFilm += norm(cone.toFlat({Angle::turn() * ((n + 1) / 3600.0), up}) -
                           cone.toFlat({Angle::turn() * (n / 3600.0), up}));
          }
          worst = std::max(worst, std::abs(onFilm - around(s)));
        }
        if (kind == LayingKind::gores) {
          // Its edge on the film against the meridian, both in small chords.
          const Gore gore(body, strip.low, strip.high, 3);
          double edge = 0;
          double meridian = 0;
          double half = 0;
          for (std::size_t i = 0; i < strip.cells.size(); ++i) {
            for (const WallPoint& p : cells[strip.cells[i]].whole.outline) {
              half = std::max(
                  half,
                  std::abs((p.theta + Angle::turn() * strip.turns[i] - strip.middle).radians()));
            }
          }
          for (int n = 0; n < 2000; ++n) {
            const Length a = strip.low + (strip.high - strip.low) * (n / 2000.0);
            const Length b = strip.low + (strip.high - strip.low) * ((n + 1) / 2000.0);
            const Angle at = Angle::radians(half);
            edge += norm(gore.toFlat(at, b) - gore.toFlat(at, a));
            const SpacePoint p = body.toSpace({at, a});
            const SpacePoint q = body.toSpace({at, b});
            meridian += std::sqrt(CGAL::squared_distance(Kernel::Point_3(p.x, p.y, p.z),
                                                         Kernel::Point_3(q.x, q.y, q.z)));
          }
          worst = std::abs(edge - meridian);
        }
        // Chords of a degree are short by 5 hundred-thousandths of a ring.
        CHECK(worst <= strip.misfit.mm() + 0.03);
      }
      // And no strip claims far more than the worst of them is.
      CHECK(made.misfit > Length());
    }
  }
}

TEST_CASE("a triangle is as wide as the disc that CGAL's straight skeleton ends in") {
  // Of a convex shape straight skeleton and medial axis are one; a triangle is all corners and
  // tips.
  for (int i = 0; i < 60; ++i) {
    const double a = 0.4 + 0.03 * i;
    const std::vector<Point> corners{
        {0, 0}, {30.0 + i, 2.0}, {20 * std::cos(a) + 5, 25 * std::sin(a) + 4}};
    CGAL::Polygon_2<Kernel> polygon;
    for (const Point& p : corners) polygon.push_back({p.x, p.y});
    const auto skeleton = CGAL::create_interior_straight_skeleton_2(polygon);
    REQUIRE(skeleton);
    double most = 0;
    for (auto v = skeleton->vertices_begin(); v != skeleton->vertices_end(); ++v) {
      most = std::max(most, CGAL::to_double(v->time()));
    }
    const Clearance clearance({corners});
    REQUIRE(clearance.thinnestStroke());
    CHECK(clearance.thinnestStroke()->width.mm() == Approx(2 * most).epsilon(1e-3));
    CHECK_FALSE(clearance.thinnestGap());
  }
}
