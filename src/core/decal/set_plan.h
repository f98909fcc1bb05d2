// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "cup/wall.h"
#include "decal/set_shape.h"
#include "divide/region.h"

namespace avrelt {

/// How far something reaches on the wall, past seam, rim and base as it lies.
struct WallReach {
  Angle from;  ///< in the frame; below −180° or, `to`, above 180° past the seam
  Angle to;
  Length low;
  Length high;
};

/// A layer of a set, worked out for a cup.
struct LayerPlan {
  std::string id;
  LayerKind kind = LayerKind::decal;
  Polygon shape;               ///< as it looks on the cup, about the set's middle
  Polygon cut;                 ///< as it is cut
  std::vector<Polygon> marks;  ///< cut with it
  bool mirrored = false;       ///< whether it is cut mirrored
  bool nothing = false;        ///< its offset leaves nothing of it
  bool odd = false;            ///< laid as it is cut, it does not match the others
  /// How much wider it is cut than it looks, for what coats add between it and the set's first
  /// layer, and for what the film shrinks; below 0 narrower.
  Length wider;
  Area area;
  Region region;  ///< on the wall
  WallReach reach;
};

/// A set, worked out for a cup.
struct SetPlan {
  std::string id;
  int set = 0;  ///< its index among the cup's
  std::string artwork;
  std::string name;   ///< the artwork's
  bool gone = false;  ///< the artwork is not in the order any more; there are no layers then
  double scale = 1;   ///< of the artwork as it was drawn
  Box box;            ///< of the artwork as it lies, about its middle
  WallPoint middle;
  std::shared_ptr<const SetShape> made;
  std::vector<LayerPlan> layers;  ///< the topmost first

  const BladeFit& fit() const { return made->fit; }
};

/// How far layers laid as they are cut may stand off what they are to be and still agree.
inline constexpr Length layersAgree = Length::mm(1e-3);

/// Works sets out again and again; what does not depend on where a set stands is kept while it
/// stands elsewhere.
class SetPlanner {
 public:
  using LayerWall = std::function<const Wall&(const std::string& id)>;

  /// `wall` is the one that is drawn; `wallOf` the one that each layer is laid on; `wallIs` names
  /// them all. Faults name the member: "sets[0].size".
  CheckedAll<std::vector<SetPlan>> operator()(const std::vector<DecalSet>& sets, const Wall& wall,
                                              const LayerWall& wallOf, long wallIs);

 private:
  struct Kept {
    DecalSet set;
    double curve = 0;
    long wallIs = 0;
    std::shared_ptr<const SetShape> made;
    SetPlan plan;
  };
  std::vector<Kept> kept_;
};

/// What is cut, as it looks once it is laid: turned over where its back was up to the blade, with
/// what was allowed for growth and shrinking taken off. The way back from `LayerPlan::cut`.
Polygon asLaid(const Polygon& cut, const Layer& layer, double across, double shrinkPercent);

}  // namespace avrelt
