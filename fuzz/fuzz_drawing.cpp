// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>
#include <cstdlib>

#include "files/svg_drawing.h"

using namespace avrelt;

namespace {

void require(bool holds) {
  if (!holds) std::abort();
}

}  // namespace

/// Whatever the bytes: a drawing or faults in words, and of a drawing cells that are closed and lie
/// on the grid files keep, or a fault.
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
