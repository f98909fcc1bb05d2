// SPDX-License-Identifier: GPL-3.0-or-later
#include <stdexcept>

#include "job/plan.h"
#include "sheet/divide_pieces.h"
#include "sheet/fill_pieces.h"
#include "sheet/marking_strip.h"
#include "sheet/wrap_pieces.h"

namespace avrelt {
namespace {

/// Which cup the pieces are cut for, in words that go on them.
Sentence stageWords(const BuildUp& buildUp) {
  if (buildUp.sizedFor == SizedFor::bare || buildUp.laidAfter == 0) {
    return {"cut for the bare cup", {}};
  }
  if (buildUp.laidAfter == 1) return {"cut for the cup after 1 coat", {}};
  return {"cut for the cup after %1 coats", {static_cast<long>(buildUp.laidAfter)}};
}

std::vector<Piece> ofRole(std::vector<Piece> pieces, PieceRole role) {
  std::erase_if(pieces, [role](const Piece& piece) { return piece.role != role; });
  return pieces;
}

Piece discOf(const CupPlan& plan, const Cup& cup) {
  const Checked<Length> radius = baseDiscRadius(plan.wall.body, cup.base);
  Piece disc = baseDiscPiece(*radius, plan.unit, cup.name);
  drawUprights(disc, plan.divided);
  return disc;
}

/// Nothing here is refused: what could be was, when the cup was planned.
std::vector<Piece> piecesOf(const CupPlan& plan, PieceRole role) {
  const Cup& cup = *plan.of;
  const Wall& wall = plan.wall;
  switch (role) {
    case PieceRole::wrap:
    case PieceRole::testPiece:
      return wrapPieces(
          {wall.body, plan.laying(), plan.wrap, cup.base.overhang.length, cup.blank.features,
           plan.layings.runsOff, stageWords(cup.buildUp), plan.unit, cup.name},
          role);
    case PieceRole::markingStrip:
      return {*markingStripPiece(wall.body, cup.strip, cup.wrap.seamAt, plan.unit, cup.name)};
    case PieceRole::baseDisc:
      return {discOf(plan, cup)};
    case PieceRole::uprightGauge:
      return uprightGauge(plan.divided, wall.body, plan.unit, cup.name);
    case PieceRole::ringStrip:
      return ringStrips(plan.divided, wall.body, cup.wrap.seamAt, plan.unit, cup.name);
    case PieceRole::marksSheet:
      return marksSheets(plan.divided, wall.flat, plan.unit, cup.name);
    case PieceRole::stripe:
      return stripePieces(plan.cutList, cup.name);
    case PieceRole::stencil:
      return ofRole(stencilPieces(plan.fills, plan.divided, wall.flat), role);
    case PieceRole::key:
      return keyPieces(plan.fills, cup.fills, plan.divided, wall.flat, cup.name);
    case PieceRole::pageKey:
      return pageKeys(plan.pieces(PieceRole::key));
    case PieceRole::filmCell:
      return filmCells(plan.fills, cup.fills, wall.flat);
    case PieceRole::straight:
    case PieceRole::filmWhole:
    case PieceRole::doubleSided:
    case PieceRole::lineWork:
      break;
  }
  return ofRole(furtherTemplates(plan.fills, cup.fills, plan.divided, wall), role);
}

}  // namespace

const std::vector<Piece>& PieceShelf::of(const CupPlan& plan, PieceRole role) {
  const auto made = made_.find(role);
  if (made != made_.end()) return made->second;
  return made_.emplace(role, piecesOf(plan, role)).first->second;
}

const std::vector<Piece>& CupPlan::pieces(PieceRole role) const {
  return shelf->of(*this, role);
}

const Piece& CupPlan::piece(PieceRole role) const {
  const std::vector<Piece>& all = pieces(role);
  if (all.empty()) throw std::logic_error("a cup's plan lacks one of its pieces");
  return all.front();
}

}  // namespace avrelt
