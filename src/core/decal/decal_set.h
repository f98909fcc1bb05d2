// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/part_material.h"
#include "decal/artwork.h"
#include "decal/layer_print.h"
#include "divide/cut.h"
#include "measure/angle.h"

namespace avrelt {

/// What a layer of a set is, made of the set's artwork.
enum class LayerKind {
  decal,     ///< the artwork itself
  colour,    ///< what is one colour of it
  backing,   ///< drawn out round it
  ring,      ///< what of a backing the artwork leaves, or the artwork drawn in by a lap
  peekaboo,  ///< the stencil that is laid, painted over and lifted
  knockOut,  ///< what is taken out of what lies below, a gap round the artwork
  outline,   ///< a line along its edge
  inset,     ///< drawn in
};
/// "decal", "knock_out" …: as files write it.
const char* layerName(LayerKind kind);
/// "Peekaboo stencil": as a heading.
Sentence layerTitle(LayerKind kind);
/// "peekaboo stencil": in the midst of a sentence.
Sentence layerWord(LayerKind kind);

/// Which side of a film the blade sees: heat-applied film lies with its carrier, and so its front,
/// away from the blade.
enum class BladeSees { front, back };

/// One layer: how it is made of the artwork, and of what. It has no size of its own.
struct Layer {
  std::string id{};
  LayerKind kind = LayerKind::decal;
  /// How far a backing or ring is drawn out, an inset in; the gap of a knock-out; the width of an
  /// outline.
  WrittenLength offset{};
  Corners corners = Corners::round;
  /// Of backings: openings are filled, or kept where a disc this wide fits in.
  bool fillOpenings = false;
  WrittenLength smallestOpening{};
  /// How far a ring covers the artwork's edge; how far a colour goes under those over it.
  WrittenLength lap{};
  std::string source{};          ///< of a colour: which, #RRGGBB as the artwork has it
  std::string film = "#22262A";  ///< the colour of what it is cut from
  LayerPrint print{};            ///< on printable film alone; else kept for when it is so again
  PartMaterial material = PartMaterial::permanent;
  std::optional<BladeSees> sees{};  ///< left out, what is usual for the material
  std::optional<bool> mirrored{};   ///< how it is cut; left out, as the blade sees it
  int spares = 0;
  std::string kept{};

  BladeSees bladeSees() const;
  /// The picture it is printed with; nothing where its film takes none, or it is gone or refused.
  const LayerPrint* printedWith() const;
  bool cutMirrored() const { return mirrored.value_or(bladeSees() == BladeSees::back); }

  friend bool operator==(const Layer&, const Layer&) = default;
};

/// Which point of an artwork is put on a place: as shares of its box, from its left and from below.
struct Anchor {
  double across = 0.5;
  double up = 0.5;

  friend bool operator==(const Anchor&, const Anchor&) = default;
};

/// Where a set stands on the wall: its anchor there.
struct Place {
  std::string id{};
  CupAngle at{};
  WrittenLength up{};  ///< the wall
  Angle turn{};        ///< to the left
  /// Bent so that what is level in it runs along a ring of the cup; else straight, by the upright
  /// through its anchor.
  bool follows = false;
  std::string kept{};

  friend bool operator==(const Place&, const Place&) = default;
};

/// The layers of one artwork at one scale, and where they stand on a cup.
struct DecalSet {
  std::string id{};
  std::string artwork;  ///< its id
  SharedArt art{};      ///< that artwork, put here by who holds the order; nothing where it is gone
  /// How wide the artwork is, or how tall, before it is turned; the other follows in proportion.
  WrittenLength size{Length::inches(2), "2 in"};
  bool byHeight = false;
  Angle turn{};  ///< to the left
  bool flipped = false;
  Anchor anchor{};
  std::vector<Place> places;  ///< besides those in rows
  /// By how much the films shrink once they are cut; all are cut larger by it.
  double shrinkPercent = 0;
  /// Whether layers laid at other coats than the first are made wider or narrower by the growth
  /// between.
  bool allowGrowth = true;
  bool flush = false;  ///< what reaches over rim or base is cut off there once it is laid
  /// Where it lies across lines between zones it is cut along them, so that what lies in each zone
  /// is a part of its own. Stencils and what knocks out, which come off again, and rings round
  /// stencils stay whole.
  bool parted = false;
  /// Where the wall curves both ways, what of it lies wider than its film bears is cut in, where
  /// the artwork is not.
  bool relief = false;
  WrittenLength limit{Length::mm(1), "1 mm"};  ///< what is thinner tears
  bool thicken = false;                        ///< thin strokes are drawn up to the limit
  bool drop = false;                           ///< specks under the limit square are left out
  /// What is put over its stencils, all over the zones they lie in, before they are lifted; left
  /// out, what their zone is filled with, or a coat.
  std::optional<Finish> over{};
  std::vector<Layer> layers;  ///< the topmost first
  std::string kept{};

  friend bool operator==(const DecalSet&, const DecalSet&) = default;
};

/// What of a set cannot be, by member: "size", "layers[1].offset".
Faults setFaults(const DecalSet& set);

/// A layer as it usually is, by common practice, no published source: a backing of 0.05 in, a
/// second as far again, a ring round a peekaboo with one spare, laps of half a millimetre.
Layer usualLayer(LayerKind kind, const DecalSet& set, Unit unit);
/// One layer for each colour of the artwork, which butt or, with a trap, lap.
std::vector<Layer> colourLayers(const Artwork& artwork, const WrittenLength& trap);

}  // namespace avrelt
