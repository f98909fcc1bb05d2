// SPDX-License-Identifier: GPL-3.0-or-later
#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/Surface_mesh_shortest_path.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

// A straight line in the flat against the shortest way on a mesh of the cone, found by CGAL.

using namespace avrelt;
using namespace avrelt::cups;

namespace {

using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
using Traits = CGAL::Surface_mesh_shortest_path_traits<Kernel, Mesh>;
using Shortest = CGAL::Surface_mesh_shortest_path<Traits>;

/// The wall from −100° to 100°, as many strips round as up; corners lie on the cone.
double onMesh(const Development& body, int strips, int fromColumn, int fromRow, int toColumn,
              int toRow, int grid) {
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
