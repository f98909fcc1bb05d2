// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "cup/wall.h"
#include "decal/laid_set.h"
#include "decal/place_room.h"
#include "decal/relief.h"
#include "decal/row.h"
#include "decal/scatter.h"
#include "decal/set_shape.h"
#include "decal/zone_field.h"

namespace avrelt {

/// What of a layer lies in one zone, where it is cut along the lines between zones.
struct LayerPiece {
  std::string zone;    ///< id
  std::string letter;  ///< for people
  Polygon cut;         ///< as it is cut
};

/// A layer of a set as it is made for places alike.
struct LayerPlan {
  std::string id;
  LayerKind kind = LayerKind::decal;
  Polygon shape;               ///< as it looks on the cup, about the set's middle
  Polygon cut;                 ///< as it is cut
  std::vector<Polygon> marks;  ///< cut with it
  /// Cuts into it, as it is cut, where it would strain its film; and the widest tongue between
  /// them, as it looks.
  std::vector<ReliefCut> relief;
  std::optional<Length> tongue;
  /// That make it up, where it lies across lines between zones and is cut along them; at least two.
  std::vector<LayerPiece> pieces;
  bool mirrored = false;  ///< whether it is cut mirrored
  Transform fromSet;      ///< brings the set's plane, which prints lie in, to the cut's
  bool nothing = false;   ///< its offset leaves nothing of it
  bool odd = false;       ///< laid as it is cut, it does not match the others
  /// How much wider it is cut than it looks, for what coats add between it and the set's first
  /// layer, and for what the film shrinks; below 0 narrower.
  Length wider;
  Area area;
};

/// A set as it is cut for places where it comes out the same: those that follow rings of one
/// curve, or none; one that is parted at lines between zones, or cut in, is for one place alone.
struct SetMake {
  std::shared_ptr<const SetShape> made;
  Transform fromSet;                ///< turns and sizes what lies in the set's plane as it is made
  std::vector<LayerPlan> layers;    ///< the topmost first
  std::vector<std::string> places;  ///< ids of those it is for
};

/// A place, worked out.
struct PlacePlan {
  std::string id;
  std::string row;       ///< id of the row it stands in, if any
  std::string scatter;   ///< id of the scatter it is of, if any; else it is one of the set's own
  int index = 0;         ///< among those of the set, the row or the scatter
  double percent = 100;  ///< of the set's size

  bool own() const { return row.empty() && scatter.empty(); }

  WallPoint anchor;
  Angle turn;
  bool follows = false;
  std::size_t make = 0;  ///< among the set's
  /// Brings the set's plane, which prints lie in, to the ground, its anchor turned to the front.
  Transform onGround;
  std::shared_ptr<const LaidSet> laid;
  WallMark mark;  ///< of its anchor
  PlaceRoom room;
  /// Where its set has a peekaboo: which of them it is, from 1, over all such places of the cup,
  /// from the seam round and those at one upright from the rim down; 0 elsewhere.
  int number = 0;
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
  Box own;            ///< of the artwork before it is turned
  Angle turned;       ///< by so much it then is
  Point anchor;       ///< of the artwork, from its middle
  std::shared_ptr<const SetShape> made;
  std::vector<SetMake> makes;  ///< at least one; also where it has no place
  std::vector<PlacePlan> places;

  const std::vector<LayerPlan>& layers() const { return makes.front().layers; }
  const BladeFit& fit() const { return made->fit; }
  const PlacePlan* placeCalled(const std::string& id) const;
};

/// A row, worked out.
struct RowPlan {
  std::string id;
  int row = 0;        ///< its index among the cup's
  bool gone = false;  ///< none of its sets is on the cup any more, or none has anything to lay
  RowFit fit;         ///< of each line
  int lines = 1;
  Length leftOver;  ///< at its height, where gaps are just what is wanted
  /// Where as many as wanted do not fit: the size of its first set at which they do.
  std::optional<Length> fitsAt;
  bool closes = true;  ///< its sets come round in whole turns
};

/// Sets, rows and scatters, worked out for a cup.
struct Dressed {
  std::vector<SetPlan> sets;
  std::vector<RowPlan> rows;
};

/// How far layers laid as they are cut may stand off what they are to be and still agree.
inline constexpr Length layersAgree = Length::mm(1e-3);
/// More than any maker places.
inline constexpr std::size_t mostPlaces = 2000;

/// What sets are worked out on: the wall that is drawn, the one that each layer is laid on, and
/// what is there already.
struct DressedWall {
  const Wall& wall;
  std::function<const Wall&(const std::string& id)> wallOf;
  long wallIs = 0;  ///< names all walls
  const WallLandmarks& landmarks;
  long landmarksAre = 0;  ///< names them
  double bears = 1;       ///< the share that film of sets may be strained by
};

/// Works sets out again and again; what does not depend on where a set stands is kept while it
/// stands elsewhere.
class SetPlanner {
 public:
  /// Faults name the member: "sets[0].size", "rows[1].count".
  CheckedAll<Dressed> operator()(const std::vector<DecalSet>& sets, const std::vector<Row>& rows,
                                 const std::vector<Scatter>& scatters, const DressedWall& wall);

 private:
  struct KeptShape {
    double curve = 0;
    double turn = 0;
    double percent = 100;
    std::shared_ptr<const SetShape> made;
  };
  struct KeptSet {
    DecalSet set;  ///< what of it shapes depend on
    std::vector<KeptShape> shapes;
  };
  struct KeptPlace {
    std::shared_ptr<const SetShape> made;
    WallPoint anchor;
    Angle turn;
    bool follows = false;
    long wallIs = 0;
    std::shared_ptr<const LaidSet> laid;
    Point off;         ///< its anchor's
    PlaceRoom room{};  ///< but for other places
    /// What of each layer lies in which zone; none where it is not parted.
    std::vector<std::vector<ZoneShare>> shares{};
    /// How each layer is cut in, in the plane it is made in; none where it need not be.
    std::vector<Relief> reliefs{};
    double bears = 0;  ///< that they are for
    long landmarksAre = -1;
  };
  struct KeptRow {
    Row row;
    std::vector<std::shared_ptr<const SetShape>> made;
    std::vector<Anchor> anchors;
    long wallIs = 0;
    RowPlan plan;
    std::vector<RowFit> lines;
  };
  class Work;

  std::map<std::string, KeptSet> sets_;
  std::map<std::string, KeptPlace> places_;
  std::map<std::string, KeptRow> rows_;
  std::vector<ZoneField> fields_;  ///< made when one is first parted
  long fieldsAre_ = -1;
};

/// The greatest share of their size at which as many as a row wants fit at its gap; offsets and
/// laps stay. Nothing where there is none, or no number is wanted.
std::optional<double> largestShare(const Row& row, const std::vector<DecalSet>& sets,
                                   const Wall& wall);

/// What is cut, as it looks once it is laid: turned over where its back was up to the blade, with
/// what was allowed for growth and shrinking taken off. The way back from `LayerPlan::cut`.
Polygon asLaid(const Polygon& cut, const Layer& layer, double across, double shrinkPercent);

}  // namespace avrelt
