// SPDX-License-Identifier: GPL-3.0-or-later
// Cells and their neighbours wherever the seam stands: by chance, and against a plain search that
// knows nothing of how the program does it.
#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>
#include <set>

#include "core/random_cups.h"
#include "pattern/fill.h"
#include "pattern/laid_cells.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

/// A zone filled by chance.
struct Sample {
  explicit Sample(unsigned seed)
      : chance(seed), wall(chance.wall()), zone(chance.zone(wall)), pattern(chance.pattern(wall)) {}

  Divided divided() const {
    Divided made;
    Zone one;
    one.letter = "A";
    one.region = zone;
    one.area = zone.area(wall.body);
    made.zones.push_back(one);
    return made;
  }
  Fill fill() const {
    Fill made = usualFill("", Unit::mm);
    made.pattern = pattern;
    return made;
  }
  std::string name() const {
    return std::string(familyName(pattern.family)) + ", size " +
           std::to_string(pattern.size.length.mm()) + ", line " +
           std::to_string(pattern.line.length.mm()) +
           (pattern.taperFit == TaperFit::keep ? ", keeping size" : "");
  }

  Chance chance;
  Wall wall;
  Region zone;
  Pattern pattern;
};

/// Places along a patch's edge on the body, each with the length it stands for.
struct EdgePlace {
  SpacePoint at;
  double length;
};
std::vector<EdgePlace> edgePlaces(const Patch& patch, const Body& body, double step) {
  std::vector<EdgePlace> places;
  for (const WallLine& line : patch.lines()) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      const double r = body.radius((a.s + b.s) / 2).mm();
      const double length = std::hypot((b.theta - a.theta).radians() * r, (b.s - a.s).mm());
      const int count = std::max(1, static_cast<int>(std::ceil(length / step)));
      for (int n = 0; n < count; ++n) {
        const double share = (n + 0.5) / count;
        places.push_back(
            {body.toSpace({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share}),
             length / count});
      }
    }
  }
  return places;
}

/// A box round chords, and half a millimetre more.
struct Around {
  explicit Around(const std::vector<SpacePoint>& chords) {
    for (const SpacePoint& p : chords) {
      low = {std::min(low.x, p.x - 0.5), std::min(low.y, p.y - 0.5), std::min(low.z, p.z - 0.5)};
      high = {std::max(high.x, p.x + 0.5), std::max(high.y, p.y + 0.5),
              std::max(high.z, p.z + 0.5)};
    }
  }
  bool holds(const SpacePoint& p) const {
    return p.x >= low.x && p.x <= high.x && p.y >= low.y && p.y <= high.y && p.z >= low.z &&
           p.z <= high.z;
  }
  SpacePoint low{HUGE_VAL, HUGE_VAL, HUGE_VAL};
  SpacePoint high{-HUGE_VAL, -HUGE_VAL, -HUGE_VAL};
};

/// How far a place of the room is from a patch's sides, taken as fine chords in the room; those
/// farther than half a millimetre are left out.
double nearest(const SpacePoint& p, const std::vector<SpacePoint>& chords) {
  double least = HUGE_VAL;
  for (std::size_t i = 0; i + 1 < chords.size(); i += 2) {
    const SpacePoint& a = chords[i];
    const SpacePoint& b = chords[i + 1];
    const double x = b.x - a.x;
    const double y = b.y - a.y;
    const double z = b.z - a.z;
    const double reach = std::abs(x) + std::abs(y) + std::abs(z) + 0.5;
    if (std::abs(p.x - a.x) > reach || std::abs(p.y - a.y) > reach || std::abs(p.z - a.z) > reach) {
      continue;
    }
    const double square = x * x + y * y + z * z;
    const double share =
        square > 0
            ? std::clamp(((p.x - a.x) * x + (p.y - a.y) * y + (p.z - a.z) * z) / square, 0.0, 1.0)
            : 0;
    const double dx = p.x - a.x - share * x;
    const double dy = p.y - a.y - share * y;
    const double dz = p.z - a.z - share * z;
    least = std::min(least, dx * dx + dy * dy + dz * dz);
  }
  return std::sqrt(least);
}

std::vector<SpacePoint> chordsOf(const Patch& patch, const Body& body) {
  std::vector<SpacePoint> chords;
  for (const WallLine& line : patch.lines()) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      // Sagitta of a chord over one degree on a 50 mm radius: 2 µm; of 1 mm up a curved wall less.
      const double steps =
          std::max(std::abs((b.theta - a.theta).degrees()), std::abs((b.s - a.s).mm()));
      const int count = std::max(1, static_cast<int>(std::ceil(steps)));
      for (int n = 0; n < count; ++n) {
        for (const double share : {static_cast<double>(n) / count, (n + 1.0) / count}) {
          chords.push_back(
              body.toSpace({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share}));
        }
      }
    }
  }
  return chords;
}

}  // namespace

TEST_CASE("shapes make up every zone, over any seam") {
  for (unsigned seed = 1; seed <= 300; ++seed) {
    const Sample sample(seed);
    INFO("seed " << seed << ": " << sample.name());
    const Checked<std::vector<RawCell>> shapes = cellsOf(sample.pattern, sample.zone, sample.wall);
    if (!shapes) continue;
    double sum = 0;
    for (const RawCell& shape : *shapes) sum += areaOf(shape.patch, sample.wall.body).mm2();
    const double zone = sample.zone.area(sample.wall.body).mm2();
    // On a curved wall an edge's area is taken at three places, good to some hundred-thousandths.
    CHECK(std::abs(sum - zone) < (sample.wall.body.isCone() ? 1e-6 : 2e-4) * zone + 0.002);
  }
}

TEST_CASE("cells, lines and what is dropped make up every zone; a cell is one piece") {
  int refused = 0;
  for (unsigned seed = 1; seed <= 400; ++seed) {
    const Sample sample(seed);
    INFO("seed " << seed << ": " << sample.name());
    const Divided divided = sample.divided();
    const auto plans = planFills({sample.fill()}, divided, sample.wall);
    if (!plans) {
      ++refused;
      CHECK(inWords(plans.error().front().sentence, Unit::mm).find("maller") == std::string::npos);
      continue;
    }
    const FillPlan& plan = plans->front();
    const Body& body = sample.wall.body;
    double cells = 0;
    for (const Cell& cell : plan.cells) {
      // Taken from what is cut at the seam, not from what is carried on over it.
      cells += cell.region.area(body).mm2();
      CHECK(patchesOf(cell.region).size() == 1);
      CHECK(cell.onSeam == (cell.region.outlines().size() > 1 + cell.drawn.openings.size()));
      CHECK(measureOf(cell.drawn, body).meanWidth() >= sliver);
      CHECK(sample.zone.contains({cell.middle.theta, cell.middle.s}));
    }
    const double zone = plan.zoneArea.mm2();
    CHECK(std::abs(cells + plan.lineArea.mm2() + plan.droppedArea.mm2() - zone) <
          (body.isCone() ? 1e-6 : 2e-4) * zone + 0.002);
    CHECK((plan.dropped == 0) == (plan.droppedArea.mm2() == 0));
  }
  CHECK(refused < 60);
}

TEST_CASE("neighbours are those a plain search by distance finds") {
  int pairs = 0;
  for (unsigned seed = 1; seed <= 25; ++seed) {
    Sample sample(seed);
    if (sample.pattern.size.length < Length::mm(25)) sample.pattern.size = WrittenLength::mm(25);
    INFO("seed " << seed << ": " << sample.name());
    const Divided divided = sample.divided();
    const auto plans = planFills({sample.fill()}, divided, sample.wall);
    if (!plans) continue;
    const FillPlan& plan = plans->front();
    if (plan.cells.size() > 150) continue;
    const Body& body = sample.wall.body;
    const double least = std::max(0.5, sample.pattern.line.length.mm());
    std::vector<std::vector<EdgePlace>> places;
    std::vector<std::vector<SpacePoint>> chords;
    std::vector<Around> boxes;
    for (const Cell& cell : plan.cells) {
      places.push_back(edgePlaces(cell.whole, body, 0.2));
      chords.push_back(chordsOf(cell.whole, body));
      boxes.emplace_back(chords.back());
    }
    const std::set<std::pair<std::size_t, std::size_t>> found(plan.neighbours.begin(),
                                                              plan.neighbours.end());
    for (std::size_t i = 0; i < plan.cells.size(); ++i) {
      for (std::size_t j = i + 1; j < plan.cells.size(); ++j) {
        double shared = 0;
        for (const EdgePlace& place : places[i]) {
          if (!boxes[j].holds(place.at)) continue;
          if (nearest(place.at, chords[j]) < 0.01) shared += place.length;
        }
        const bool listed = found.count({i, j}) != 0;
        pairs += listed;
        // Near the least, half a millimetre or a line's width, either is right.
        if (shared > least - 0.2 && shared < least + 0.3) continue;
        INFO(plan.cells[i].label << " and " << plan.cells[j].label << " share " << shared);
        CHECK(listed == (shared > least));
      }
    }
  }
  CHECK(pairs > 400);
}
