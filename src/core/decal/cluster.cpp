// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/cluster.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "measure/dice.h"
#include "shape/picture_mesh.h"

namespace avrelt {
namespace {

constexpr double finest = 0.5;  // mm
constexpr double mostCells = 20'000;
constexpr double hardlyAny = 5e-4;  // of the field
constexpr double asDeep = 0.8;      // of the deepest bare place, from which one is taken by chance

/// The field in cells, joined to itself left and right and above and below.
class Field {
  static constexpr int far = std::numeric_limits<int>::max() / 4;

 public:
  Field(Length wide, Length tall)
      : cell_(std::max(finest, std::sqrt(wide.mm() * tall.mm() / mostCells))),
        wide_(std::max(1, static_cast<int>(std::lround(wide.mm() / cell_)))),
        tall_(std::max(1, static_cast<int>(std::lround(tall.mm() / cell_)))),
        across_(wide_ / wide.mm()),
        up_(tall_ / tall.mm()),
        deep_(static_cast<std::size_t>(wide_) * static_cast<std::size_t>(tall_), far),
        bare_(deep_.size()) {}

  double bareShare() const {
    return static_cast<double>(bare_) / static_cast<double>(deep_.size());
  }

  void cover(const Polygon& shape) {
    const Polygon inCells = mapped(shape, {across_, 0, 0, up_, 0, 0});
    // Moved onto the field's first cells, as rows and columns are counted from 0.
    const Box box = boundsOf(inCells);
    const int left = static_cast<int>(std::floor(box.low.x));
    const int foot = static_cast<int>(std::floor(box.low.y));
    const Polygon moved = movedBy(inCells, {-1.0 * left, -1.0 * foot});
    const int across = static_cast<int>(std::ceil(box.width())) + 2;
    const int up = static_cast<int>(std::ceil(box.height())) + 2;
    for (int y = 0; y < up; ++y) {
      for (const auto& [from, to] : dotsOfRow(moved, y, across)) {
        for (int x = from; x < to; ++x) {
          const std::size_t here = at(x + left, y + foot);
          if (deep_[here] == 0) continue;
          deep_[here] = 0;
          --bare_;
          nearer_.push_back(here);
        }
      }
    }
    spread();
  }

  /// A place about as far from all that is covered as any.
  Point deepest(Dice& dice) const {
    const int most = *std::max_element(deep_.begin(), deep_.end());
    std::vector<std::size_t> found;
    for (std::size_t i = 0; i < deep_.size(); ++i) {
      if (deep_[i] > 0 && deep_[i] >= asDeep * most) found.push_back(i);
    }
    const std::size_t one = found[dice.one(found.size())];
    const auto wide = static_cast<std::size_t>(wide_);
    const std::size_t column = one % wide;
    const std::size_t row = one / wide;
    return {(static_cast<double>(column) + 0.5) / across_, (static_cast<double>(row) + 0.5) / up_};
  }

 private:
  std::size_t at(int x, int y) const {
    const int u = ((x % wide_) + wide_) % wide_;
    const int v = ((y % tall_) + tall_) % tall_;
    return static_cast<std::size_t>(v) * static_cast<std::size_t>(wide_) +
           static_cast<std::size_t>(u);
  }

  /// How far each cell is from a covered one, in thirds of a cell: steps of 3 along, 4 across
  /// corners (the chamfer of Borgefors 1986, from memory). From those just covered outwards, as far
  /// as they are the nearest.
  void spread() {
    for (std::size_t i = 0; i < nearer_.size(); ++i) {
      const std::size_t from = nearer_[i];
      const int x = static_cast<int>(from % static_cast<std::size_t>(wide_));
      const int y = static_cast<int>(from / static_cast<std::size_t>(wide_));
      for (int dy = -1; dy <= 1; ++dy) {
        for (int dx = -1; dx <= 1; ++dx) {
          const int step = dx != 0 && dy != 0 ? 4 : 3;
          const std::size_t to = at(x + dx, y + dy);
          if (deep_[to] <= deep_[from] + step) continue;
          deep_[to] = deep_[from] + step;
          nearer_.push_back(to);
        }
      }
    }
    nearer_.clear();
  }

  double cell_;  // mm
  int wide_;
  int tall_;
  double across_;  // cells for a millimetre
  double up_;
  std::vector<int> deep_;  ///< 0 where covered
  std::size_t bare_;
  std::vector<std::size_t> nearer_;
};

}  // namespace

Faults clusterFaults(const Cluster& cluster) {
  Faults faults;
  if (cluster.of.empty())
    faults.push_back({Member::clusterOf, {"Choose at least one artwork.", {}}});
  constexpr Length least = Length::mm(10);
  const auto side = [&](Member member, const WrittenLength& length) {
    if (length.length < least || length.length > widestCluster) {
      faults.push_back(
          {member, {"A cluster is from %1 to %2 wide and tall.", {least, widestCluster}}});
    }
  };
  side(Member::clusterWide, cluster.wide);
  side(Member::clusterTall, cluster.tall);
  constexpr Length smallest = Length::mm(3);
  constexpr Length largest = Length::mm(150);
  if (cluster.motif.length < smallest || cluster.motif.length > largest) {
    faults.push_back(
        {Member::clusterMotif, {"Each of a cluster is from %1 to %2 large.", {smallest, largest}}});
  }
  return faults;
}

ClusterPlan clusterOf(const Cluster& cluster) {
  ClusterPlan plan;
  Dice dice(static_cast<std::uint64_t>(cluster.seed));
  Field field(cluster.wide.length, cluster.tall.length);
  std::vector<Polygon> shapes;
  for (const SharedArt& art : cluster.of) shapes.push_back(art->silhouette());
  // In rounds, each artwork once a round, so that they are mixed evenly.
  std::vector<std::size_t> round;
  std::size_t coloured = 0;
  while (plan.items.size() < mostInCluster && field.bareShare() > hardlyAny) {
    if (round.empty()) {
      for (std::size_t i = 0; i < cluster.of.size(); ++i) round.push_back(i);
    }
    const std::size_t drawn = dice.one(round.size());
    const std::size_t of = round[drawn];
    round.erase(round.begin() + static_cast<std::ptrdiff_t>(drawn));
    const Box box = cluster.of[of]->bounds();
    const double longer = std::max({box.width(), box.height(), 1e-6});
    const double size =
        cluster.motif.length.mm() * dice.between(cluster.smallestPercent, 100) / 100 / longer;
    const Angle turn = cluster.turns * dice.between(-1, 1);
    const Point place = field.deepest(dice);
    const Point middle = box.centre();
    const Transform way = Transform{1, 0, 0, 1, place.x, place.y} * turning(turn) *
                          Transform{size, 0, 0, size, -middle.x * size, -middle.y * size};
    field.cover(mapped(shapes[of], way));
    const bool plain = cluster.of[of]->areas.size() == 1 && !cluster.colours.empty();
    plan.items.push_back(
        {of, way, plain ? cluster.colours[coloured++ % cluster.colours.size()] : std::string()});
  }
  // Those that came later fill gaps, from below.
  std::reverse(plan.items.begin(), plan.items.end());
  plan.bare = field.bareShare();
  return plan;
}

Picture pictureOf(const Cluster& cluster, const ClusterPlan& plan, double dotsPerInch) {
  const double scale = dotsPerInch / 25.4;
  const double wide = cluster.wide.length.mm();
  const double tall = cluster.tall.length.mm();
  Picture picture;
  picture.wide = std::max(1, static_cast<int>(std::lround(wide * scale)));
  picture.tall = std::max(1, static_cast<int>(std::lround(tall * scale)));
  picture.rgba.resize(static_cast<std::size_t>(picture.wide) *
                      static_cast<std::size_t>(picture.tall) * 4);
  // Its sides come to whole dots.
  const double across = picture.wide / wide;
  const double up = picture.tall / tall;
  const Transform toDots{across, 0, 0, -up, 0, 1.0 * picture.tall};
  if (!cluster.ground.empty()) {
    const double w = picture.wide;
    const double h = picture.tall;
    fillShape({{{0, 0}, {w, 0}, {w, h}, {0, h}}}, cluster.ground, picture);
  }
  for (const ClusterItem& item : plan.items) {
    for (const ColourArea& area : cluster.of[item.of]->areas) {
      const Polygon shape = mapped(area.area, item.way);
      const Box box = boundsOf(shape);
      for (double right = -std::ceil(box.high.x / wide) + 1; right <= -std::floor(box.low.x / wide);
           ++right) {
        for (double above = -std::ceil(box.high.y / tall) + 1;
             above <= -std::floor(box.low.y / tall); ++above) {
          fillShape(mapped(shape, toDots * Transform{1, 0, 0, 1, right * wide, above * tall}),
                    item.colour.empty() ? area.colour : item.colour, picture);
        }
      }
    }
  }
  return picture;
}

}  // namespace avrelt
