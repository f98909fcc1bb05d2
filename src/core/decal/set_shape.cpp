// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/set_shape.h"

#include <algorithm>
#include <cmath>

#include "shape/smooth.h"
#include "shape/transform.h"

namespace avrelt {
namespace {

/// Straight sides are parted so far before they are bent: the bend of no cup leaves the chord then.
constexpr double longestSide = 2;
/// How far from the artwork marks to lay colours by stand, and how large they are.
constexpr double markAway = 5;
constexpr double markSize = 4;

Polygon bent(const Polygon& shape, double curve) {
  Polygon result;
  for (const std::vector<Point>& outline : shape) {
    std::vector<Point> next;
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point from = outline[i];
      const Point along = outline[(i + 1) % outline.size()] - from;
      const auto steps = static_cast<int>(std::ceil(std::max(norm(along) / longestSide, 1.0)));
      for (int k = 0; k < steps; ++k) {
        const Point p = from + along * (static_cast<double>(k) / steps);
        // About the ring's middle: a turn of `curve` a millimetre.
        const double turn = curve * p.x;
        const double half = sinc(turn / 2);
        next.push_back({(1 + curve * p.y) * p.x * sinc(turn),
                        p.y * std::cos(turn) - curve * p.x * p.x / 2 * half * half});
      }
    }
    result.push_back(std::move(next));
  }
  return unionOf({result});
}

/// Openings stay where a disc this wide fits in, beside what stands in them; one that goes takes
/// that along.
Polygon withOpeningsFrom(const Polygon& shape, Length least) {
  if (least <= Length()) return shape;
  std::vector<Polygon> gone;
  for (const std::vector<Point>& outline : shape) {
    if (signedArea(outline) >= 0) continue;
    const Polygon opening{{outline.rbegin(), outline.rend()}};
    Polygon islands;
    for (const std::vector<Point>& other : shape) {
      if (signedArea(other) > 0 && contains(opening, other.front())) islands.push_back(other);
    }
    const Polygon open = islands.empty() ? opening : opening - unionOf({islands});
    if (offsetBy(open, least * -0.5, Corners::round).empty()) gone.push_back(opening);
  }
  Polygon result;
  for (const std::vector<Point>& outline : shape) {
    const bool within = std::any_of(gone.begin(), gone.end(), [&](const Polygon& opening) {
      return contains(opening, outline.front());
    });
    const bool itself = signedArea(outline) < 0 &&
                        std::any_of(gone.begin(), gone.end(), [&](const Polygon& opening) {
                          return opening.front().size() == outline.size() &&
                                 opening.front().back() == outline.front();
                        });
    if (!within && !itself) result.push_back(outline);
  }
  return result;
}

class Maker {
 public:
  Maker(const DecalSet& set, double curve) : set_(set), curve_(curve) {}

  SetShape operator()() {
    SetShape result;
    if (!set_.art) return result;
    draw(result);
    const Polygon plain = whole(areas_);
    const Clearance clearance(plain);
    result.leastSize = leastSizeOf(clearance);
    addLayers(plain, result);
    // What was not mended is measured already.
    result.fit =
        mends() || byColour() ? fit(result) : fitOf(result.artwork, clearance, set_.limit.length);
    if (byColour()) {
      // Each colour is cut by itself: its own thin places count, as they are before any are mended.
      DecalSet asDrawn = set_;
      asDrawn.drop = false;
      asDrawn.thicken = false;
      const Maker drawn(asDrawn, curve_);
      const BladeFit colours =
          mends() ? drawn.fit(Maker(asDrawn, curve_).unmeasured()) : result.fit;
      result.leastSize = colours.leastSize(set_.size.length, set_.limit.length);
    }
    return result;
  }

  SetShape unmeasured() {
    SetShape result;
    if (!set_.art) return result;
    draw(result);
    addLayers(whole(areas_), result);
    return result;
  }

 private:
  /// The artwork at its size, turned and bent.
  void draw(SetShape& result) {
    const Box drawn = drawnBounds();
    const double measure = set_.byHeight ? drawn.height() : drawn.width();
    result.scale = set_.size.length.mm() / std::max(measure, 1e-6);
    const Point middle = drawn.centre();
    const double s = result.scale;
    const double angle = set_.turn.radians();
    const Transform map =
        Transform{std::cos(angle), std::sin(angle), -std::sin(angle), std::cos(angle), 0, 0} *
        Transform{set_.flipped ? -s : s, 0, 0, s, 0, 0} *
        Transform{1, 0, 0, 1, -middle.x, -middle.y};
    for (const ColourArea& area : set_.art->areas) {
      areas_.push_back({area.colour, mapped(area.area, map)});
      if (curve_ != 0) areas_.back().area = bent(areas_.back().area, curve_);
    }
  }

  /// The artwork's box as it was drawn; where specks are dropped, of what stays at the size that
  /// this has then.
  Box drawnBounds() const {
    const Box all = set_.art->bounds();
    if (!set_.drop) return all;
    const Polygon drawn = whole(set_.art->areas);
    constexpr int tries = 6;
    constexpr double same = 1e-6;
    Box box = all;
    for (int i = 0; i < tries; ++i) {
      const double measure = set_.byHeight ? box.height() : box.width();
      const double scale = set_.size.length.mm() / std::max(measure, 1e-6);
      const Transform larger{scale, 0, 0, scale, 0, 0};
      Box stays = boundsOf(withoutSpecks(mapped(drawn, larger), set_.limit.length).shape);
      if (stays.empty()) return all;
      stays = {stays.low * (1 / scale), stays.high * (1 / scale)};
      const double off = norm(stays.low - box.low) + norm(stays.high - box.high);
      box = stays;
      if (off * scale < same * 1e3) return box;
    }
    // What is dropped at one size and stays at the next: as it was drawn.
    return all;
  }

  void addLayers(const Polygon& plain, SetShape& result) {
    result.artwork = mended(plain, result);
    if (mends()) {
      // Counted once: as it is cut.
      SetShape apart;
      for (ColourArea& area : areas_) area.area = mended(area.area, apart);
      if (byColour()) result.dropped = apart.dropped;
    }
    result.box = boundsOf(result.artwork);
    result.own =
        set_.turn == Angle() ? result.box : boundsOf(mapped(result.artwork, turning(-set_.turn)));
    if (byColour() || apart()) seen_ = seenOf(areas_);
    for (const Layer& layer : set_.layers) result.layers.push_back(of(layer, result));
    result.outer = outerOf(result);
  }

  static Polygon whole(const std::vector<ColourArea>& areas) {
    if (areas.size() == 1) return areas.front().area;
    std::vector<Polygon> all;
    all.reserve(areas.size());
    for (const ColourArea& area : areas) all.push_back(area.area);
    return unionOf(all);
  }

  /// Of each area what no other covers.
  static std::vector<Polygon> seenOf(const std::vector<ColourArea>& areas) {
    std::vector<Polygon> seen(areas.size());
    Polygon above;
    for (std::size_t i = areas.size(); i-- > 0;) {
      seen[i] = above.empty() ? areas[i].area : areas[i].area - above;
      above = above.empty() ? areas[i].area : unionOf({above, areas[i].area});
    }
    return seen;
  }

  bool mends() const { return set_.drop || set_.thicken; }

  Polygon mended(const Polygon& shape, SetShape& result) const {
    Polygon next = shape;
    if (set_.drop) {
      WithoutSpecks without = withoutSpecks(next, set_.limit.length);
      result.dropped += without.dropped;
      next = std::move(without.shape);
    }
    if (set_.thicken) {
      Polygon thick = thickened(next, Clearance(next), set_.limit.length);
      result.thickened = result.thickened || signedArea(thick) > signedArea(next) + 1e-3;
      next = std::move(thick);
    }
    return next;
  }

  bool byColour() const {
    return std::any_of(set_.layers.begin(), set_.layers.end(),
                       [](const Layer& layer) { return layer.kind == LayerKind::colour; });
  }

  std::optional<Length> leastSizeOf(const Clearance& clearance) const {
    BladeFit fit;
    fit.stroke = clearance.thinnestStroke();
    fit.gap = clearance.thinnestGap();
    return fit.leastSize(set_.size.length, set_.limit.length);
  }

  /// Of the artwork as it is cut: whole, or colour by colour.
  BladeFit fit(const SetShape& result) const {
    BladeFit fit = fitOf(result.artwork, set_.limit.length);
    if (!byColour()) return fit;
    BladeFit all;
    for (std::size_t i = 0; i < set_.layers.size(); ++i) {
      if (set_.layers[i].kind != LayerKind::colour) continue;
      BladeFit one = fitOf(result.layers[i].shape, set_.limit.length);
      const auto narrower = [](std::optional<Facing>& least, const std::optional<Facing>& other) {
        if (other && (!least || other->width < least->width)) least = other;
      };
      narrower(all.stroke, one.stroke);
      narrower(all.gap, one.gap);
      all.thinStrokes.insert(all.thinStrokes.end(), one.thinStrokes.begin(), one.thinStrokes.end());
      all.thinGaps.insert(all.thinGaps.end(), one.thinGaps.begin(), one.thinGaps.end());
      all.parts += one.parts;
      all.openings += one.openings;
      all.sharp += one.sharp;
      all.cut += one.cut;
    }
    return all;
  }

  /// A knock-out is taken out of what lies below: it is not there itself.
  Polygon outerOf(const SetShape& set) const {
    std::vector<Polygon> shapes;
    for (std::size_t i = 0; i < set.layers.size(); ++i) {
      if (set_.layers[i].kind == LayerKind::knockOut || set.layers[i].nothing) continue;
      shapes.push_back(set.layers[i].shape);
    }
    if (shapes.empty()) return set.artwork;
    return shapes.size() == 1 && !apart() ? shapes.front() : unionOf(shapes);
  }

  LayerShape of(const Layer& layer, const SetShape& set) const {
    const Polygon& art = set.artwork;
    const Length by = layer.offset.length;
    LayerShape result;
    switch (layer.kind) {
      case LayerKind::decal:
        result.shape = apart() ? letters() : art;
        break;
      case LayerKind::peekaboo:
        result.shape = art;
        break;
      case LayerKind::colour:
        result.shape = colour(layer);
        result.marks = marks(set.box);
        break;
      case LayerKind::backing:
        result.shape = backing(layer, art);
        break;
      case LayerKind::ring:
        result.shape =
            backing(layer, art) -
            (layer.lap.length > Length() ? offsetBy(art, -layer.lap.length, layer.corners) : art);
        break;
      case LayerKind::knockOut:
        result.shape = offsetBy(art, by, layer.corners);
        break;
      case LayerKind::outline:
        result.shape =
            offsetBy(art, by * 0.5, layer.corners) - offsetBy(art, by * -0.5, layer.corners);
        break;
      case LayerKind::inset:
        result.shape = offsetBy(art, -by, layer.corners);
        break;
    }
    result.nothing = result.shape.empty();
    return result;
  }

  /// Letters that are to be cut apart where they overlap.
  bool apart() const { return set_.art->kind == ArtKind::lettering && !set_.art->words.merged; }
  Polygon letters() const {
    Polygon all;
    for (const Polygon& letter : seen_) all.insert(all.end(), letter.begin(), letter.end());
    return all;
  }

  static Polygon backing(const Layer& layer, const Polygon& art) {
    const Polygon grown = offsetBy(art, layer.offset.length, layer.corners);
    return layer.fillOpenings ? withoutOpenings(grown)
                              : withOpeningsFrom(grown, layer.smallestOpening.length);
  }

  /// What is seen of a colour, and by its lap what of the colours over it lies close.
  Polygon colour(const Layer& layer) const {
    std::vector<Polygon> own;
    Polygon above;
    for (std::size_t i = areas_.size(); i-- > 0;) {
      if (areas_[i].colour == layer.source) {
        own.push_back(seen_[i]);
        if (layer.lap.length > Length() && !above.empty()) {
          own.push_back(offsetBy(seen_[i], layer.lap.length, Corners::round) & above);
        }
      } else {
        above = above.empty() ? seen_[i] : unionOf({above, seen_[i]});
      }
    }
    return unionOf(own);
  }

  /// A triangle to the left and one to the right, the same for every colour.
  static std::vector<Polygon> marks(const Box& box) {
    const double y = box.centre().y;
    const double left = box.low.x - markAway;
    const double right = box.high.x + markAway;
    return {
        {{{left - markSize, y - markSize / 2}, {left, y}, {left - markSize, y + markSize / 2}}},
        {{{right, y}, {right + markSize, y - markSize / 2}, {right + markSize, y + markSize / 2}}}};
  }

  const DecalSet& set_;
  double curve_;
  std::vector<ColourArea> areas_;
  std::vector<Polygon> seen_;
};

}  // namespace

Polygon withoutOpenings(const Polygon& shape) {
  Polygon solid;
  for (const std::vector<Point>& outline : shape) {
    if (signedArea(outline) > 0) solid.push_back(outline);
  }
  return unionOf({solid});
}

SetShape shapeOf(const DecalSet& set, double curve) {
  return Maker(set, curve)();
}

SetShape unmeasuredShapeOf(const DecalSet& set, double curve) {
  return Maker(set, curve).unmeasured();
}

}  // namespace avrelt
