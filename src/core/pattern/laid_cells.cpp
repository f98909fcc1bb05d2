// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/laid_cells.h"

#include <algorithm>
#include <map>
#include <optional>

#include "pattern/neighbours.h"

namespace avrelt {
namespace {

class CellLayer {
 public:
  CellLayer(const std::vector<RawCell>& shapes, Length line, bool apart, bool corners,
            Length radius, const Body& body)
      : line_(line), apart_(apart), corners_(corners), radius_(radius), body_(body) {
    shapes_.reserve(shapes.size());
    for (const RawCell& shape : shapes) shapes_.push_back(taken(shape.patch, shape.row));
  }

  LaidCells operator()() {
    giveSliversAway();
    for (Shape& shape : shapes_) {
      if (!shape.gone) lay(shape);
    }
    std::vector<const Patch*> patches;
    patches.reserve(laid_.cells.size());
    for (const LaidCell& cell : laid_.cells) patches.push_back(&cell.whole);
    // Where less than a line's width is shared the lines that end there cover it.
    for (const SharedEdge& edge : edgesOf(patches, std::max(Length::mm(0.5), line_))) {
      laid_.neighbours.emplace_back(edge.first, edge.second);
    }
    return std::move(laid_);
  }

 private:
  struct Drawn {
    Patch patch;
    PatchMeasure measure;

    bool canBeWeeded() const { return measure.meanWidth() >= sliver; }
  };
  struct Shape {
    Patch whole;
    std::vector<Drawn> drawn;
    int row = 0;
    bool thin = false;  ///< none of what is drawn can be weeded
    bool gone = false;
  };

  Shape taken(Patch whole, int row) const {
    Shape shape{std::move(whole), {}, row, false, false};
    for (Patch& patch : drawnIn(shape.whole, line_ / 2, body_)) {
      const PatchMeasure measure = measureOf(patch, body_);
      shape.drawn.push_back({std::move(patch), measure});
    }
    shape.thin = std::none_of(shape.drawn.begin(), shape.drawn.end(),
                              [](const Drawn& drawn) { return drawn.canBeWeeded(); });
    return shape;
  }

  std::vector<SharedEdge> edgesOf(const std::vector<const Patch*>& patches, Length least) const {
    return apart_ ? facingNeighbours(patches, radius_)
                  : neighboursOf(patches, body_, corners_, least);
  }

  void giveSliversAway() {
    if (std::none_of(shapes_.begin(), shapes_.end(), [](const Shape& s) { return s.thin; })) return;
    std::vector<const Patch*> patches;
    patches.reserve(shapes_.size());
    for (const Shape& shape : shapes_) patches.push_back(&shape.whole);
    struct Heir {
      std::size_t shape;
      Length edge;
      int turns;  ///< to carry the sliver on by
    };
    std::map<std::size_t, Heir> heirs;
    const auto offer = [&](std::size_t from, std::size_t to, Length edge, int turns) {
      if (!shapes_[from].thin || shapes_[to].thin) return;
      const auto [at, isNew] = heirs.try_emplace(from, Heir{to, edge, turns});
      if (!isNew && edge > at->second.edge) at->second = {to, edge, turns};
    };
    for (const SharedEdge& edge : edgesOf(patches, Length::mm(0.05))) {
      if (edge.length <= Length()) continue;
      offer(edge.first, edge.second, edge.length, -edge.turns);
      offer(edge.second, edge.first, edge.length, edge.turns);
    }
    std::vector<bool> grown(shapes_.size(), false);
    for (std::size_t i = 0; i < shapes_.size(); ++i) {
      if (!shapes_[i].thin) continue;
      shapes_[i].gone = true;
      const auto heir = heirs.find(i);
      // Across a line there is nothing to grow together along.
      std::optional<Patch> both;
      if (heir != heirs.end() && !apart_) {
        both = joined(shapes_[heir->second.shape].whole, shapes_[i].whole, heir->second.turns);
      }
      if (!both) {
        drop(areaOf(shapes_[i].whole, body_));
        continue;
      }
      shapes_[heir->second.shape].whole = std::move(*both);
      grown[heir->second.shape] = true;
      ++laid_.merged;
    }
    for (std::size_t i = 0; i < shapes_.size(); ++i) {
      if (grown[i]) shapes_[i] = taken(std::move(shapes_[i].whole), shapes_[i].row);
    }
  }

  void drop(Area area) {
    ++laid_.dropped;
    laid_.droppedArea = laid_.droppedArea + area;
  }

  /// One cell, or as many as its lines part it in.
  void lay(Shape& shape) {
    Area lines = areaOf(shape.whole, body_);
    std::vector<Drawn> kept;
    for (Drawn& drawn : shape.drawn) {
      lines = lines - drawn.measure.area;
      if (drawn.canBeWeeded()) {
        kept.push_back(std::move(drawn));
      } else {
        drop(drawn.measure.area);
      }
    }
    laid_.lineArea = laid_.lineArea + lines;
    if (kept.size() == 1) {
      laid_.cells.push_back(
          {std::move(shape.whole), std::move(kept.front().patch), shape.row, kept.front().measure});
      return;
    }
    const std::size_t first = laid_.cells.size();
    for (auto& [drawn, measure] : kept) {
      const std::vector<Patch> grown = drawnOut(drawn, line_ / 2, body_);
      std::optional<Patch> whole = grown.empty() ? drawn : grown.front();
      // Where two of them would lie over each other, they meet.
      for (std::size_t i = first; whole && i < laid_.cells.size(); ++i) {
        whole = outside(*whole, laid_.cells[i].whole);
      }
      Patch own = whole ? std::move(*whole) : drawn;
      laid_.cells.push_back({std::move(own), std::move(drawn), shape.row, measure});
    }
  }

  Length line_;
  bool apart_;
  bool corners_;
  Length radius_;
  const Body& body_;
  std::vector<Shape> shapes_;
  LaidCells laid_;
};

}  // namespace

LaidCells laidCells(const std::vector<RawCell>& shapes, Length line, bool apart, bool corners,
                    Length radius, const Body& body) {
  return CellLayer(shapes, line, apart, corners, radius, body)();
}

}  // namespace avrelt
