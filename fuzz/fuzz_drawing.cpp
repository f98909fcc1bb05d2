// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>

#include "decal/set_shape.h"
#include "files/svg_drawing.h"
#include "require.h"

using namespace avrelt;

namespace {

/// Of a drawing an artwork, and of that a set of layers, or a fault in words.
void dress(const Drawing& drawing) {
  Checked<Artwork> artwork = artworkOf(drawing);
  if (!artwork) return require(!inWords(artwork.error().sentence, Unit::mm).empty());
  if (artwork->points() > 3000) return;
  DecalSet set;
  set.art = SharedArt(std::move(*artwork));
  set.size = WrittenLength::mm(30);
  set.thicken = true;
  set.drop = drawing.shapes.size() % 2 == 0;
  for (const LayerKind kind : {LayerKind::decal, LayerKind::ring, LayerKind::inset}) {
    Layer layer;
    layer.kind = kind;
    layer.offset = WrittenLength::mm(0.8);
    set.layers.push_back(layer);
  }
  const SetShape made = shapeOf(set);
  require(made.layers.size() == 3);
  require(made.layers[0].nothing || made.fit.parts > 0);
}

}  // namespace

/// Whatever the bytes: a drawing or faults in words, and of a drawing layers to cut, and cells that
/// are closed and lie on the grid files keep, or a fault.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  const auto drawing = readDrawing(text, "fuzz.svg");
  if (!drawing) {
    require(!drawing.error().empty());
    for (const ReadFault& fault : drawing.error()) {
      require(!inWords(fault, "fuzz.svg", Unit::mm).empty());
    }
    return 0;
  }
  std::size_t points = 0;
  for (const DrawnShape& shape : drawing->shapes) {
    for (const Polyline& line : shape.lines) points += line.points.size();
  }
  // What takes long by its size is for the bench.
  if (points > 4000) return 0;
  dress(*drawing);
  const Checked<FoundRepeat> found = findRepeat(*drawing);
  if (!found) {
    require(!inWords(found.error().sentence, Unit::mm).empty());
    return 0;
  }
  require(found->artwork.wide >= 2 && found->artwork.tall >= 2);
  require(found->across >= 1 && found->up >= 1);
  for (const Polygon& cell : found->artwork.cells) {
    require(!cell.empty());
    for (const auto& outline : cell) require(outline.size() >= 3);
  }
  return 0;
}
