// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QPainter>

#include "app/look/laid_words.h"
#include "app/look/theme.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/stack_edits.h"
#include "app/order/zone_edits.h"
#include "app/views/flat_view.h"
#include "app/views/zone_paint.h"
#include "divide/flat_outline.h"
#include "divide/picture_lie.h"

// Zones, lines and cells on the flat: how they are painted, found under the mouse and moved by
// keys.

namespace avrelt {

void FlatView::showZones(bool shown) {
  zonesShown_ = shown;
  setAccessibleDescription(
      shown
          ? tr("The wall rolled out. Left and right pick a zone, Page Up and Page Down a line; up "
               "and down move the line by one mark, Alt with left and right along the cup.")
          : tr("The wall rolled out. Left and right pick a line, up and down move it by one "
               "mark."));
  update();
}

void FlatView::showCells(bool shown) {
  cellsShown_ = shown;
  update();
}

QPolygonF FlatView::polygonOf(const WallLine& line, bool closed) const {
  const CupPlan* plan = order_.plan();
  QPolygonF polygon;
  if (plan == nullptr || line.empty()) return polygon;
  const Length tolerance = Length::mm(0.25 / std::max(fit_.scale(), 1e-3));
  const std::vector<Point> points = inFlat(line, closed, plan->wall.flat, tolerance);
  polygon.reserve(static_cast<qsizetype>(points.size()));
  for (const Point& p : points) polygon << fit_(p);
  return polygon;
}

QPainterPath FlatView::pathOf(const WallLine& line, bool closed) const {
  QPainterPath path;
  path.addPolygon(polygonOf(line, closed));
  if (closed && !path.isEmpty()) path.closeSubpath();
  return path;
}

WallPoint FlatView::wallAt(QPointF p) const {
  const CupPlan* plan = order_.plan();
  return plan == nullptr ? WallPoint() : plan->wall.flat.toWall(fit_.back(p));
}

const DivideLine* FlatView::lineNear(QPointF p) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return nullptr;
  const DivideLine* nearest = nullptr;
  double least = lineReach;
  for (const DivideLine& line : plan->divided.lines) {
    for (const WallLine& stretch : line.stretches) {
      const double distance = distanceTo(pathOf(stretch, false), p);
      if (distance >= least) continue;
      least = distance;
      nearest = &line;
    }
  }
  return nearest;
}

QPointF FlatView::placeOfZone(const std::string& letter) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  for (const Zone& zone : plan->divided.zones) {
    if (zone.letter == letter) return fit_(plan->wall.flat.toFlat(zone.namedAt));
  }
  return {};
}

QPointF FlatView::placeOfWall(WallPoint place) const {
  const CupPlan* plan = order_.plan();
  return plan == nullptr ? QPointF() : fit_(plan->wall.flat.toFlat(place));
}

QPointF FlatView::placeOfLine(const std::string& id) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  for (const DivideLine& line : plan->divided.lines) {
    if (line.id != id || line.stretches.empty()) continue;
    return placeAlong(polygonOf(line.stretches.front(), false), 0.3);
  }
  return {};
}

/// Zones in their finish's colours, with their letters; lines with their numbers.
void FlatView::paintZones(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Zone* inHand = zoneInHand(order_);
  const std::set<std::string> off = peeledOff(order_);
  prints_.begin();
  for (const Zone& zone : plan.divided.zones) {
    QPainterPath shape;
    for (const WallLine& outline : zone.region.outlines()) shape.addPath(pathOf(outline, true));
    const ZoneLook look = off.contains(zone.id) ? bareLook() : lookOf(zone.finish);
    painter.setBrush(look.colour);
    fillUnderLines(painter, shape);
    const std::optional<PictureLie> lie =
        off.contains(zone.id) ? std::nullopt : lieOf(zone.finish, plan.wall, zone.region);
    if (lie) {
      for (const PictureMesh& mesh : lie->overFlat(zone.region, plan.wall.flat)) {
        prints_.draw(painter, shape, lie->picture(), mesh, transformOf(fit_));
      }
    } else if (look.hatched) {
      QColor hatch = lettersOn(look.colour);
      hatch.setAlpha(70);
      painter.setBrush(QBrush(hatch, Qt::BDiagPattern));
      fillUnderLines(painter, shape);
    }
    if (&zone == inHand) {
      painter.save();
      clipUnderLines(painter, shape);
      painter.setPen(QPen(t.brass, 7));
      strokeLines(painter, shape);
      painter.restore();
    }
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.ink, 1.3));
  strokeLines(painter, painterPath(plan.wall.flat.wallOutline(), fit_));
  paintCells(painter, plan);
  if (!cellsShown_) paintMove(painter, plan);
  for (const DivideLine& line : plan.divided.lines) {
    const bool inHandLine = line.id == order_.line();
    for (const WallLine& stretch : line.stretches) {
      const QPainterPath path = pathOf(stretch, false);
      if (inHandLine) {
        painter.setPen(QPen(t.panel, 5.5));
        strokeLines(painter, path);
        painter.setPen(QPen(t.brass, 3.5));
      } else {
        painter.setPen(QPen(t.ink, 1.6));
      }
      strokeLines(painter, path);
    }
  }
  WordRoom room;
  const std::vector<LinePlate> numbers = lineNumbers(plan, room);
  paintLetters(painter, plan, room);
  // What is laid covers letters, as it covers the zone, but not the numbers of lines.
  paintLaid(painter, plan, off);
  painter.setFont(face(11, QFont::DemiBold));
  for (const LinePlate& plate : numbers) drawPlate(painter, plate.at, plate.words);
}

/// Stripes and the layers of sets in the order in which they are laid, as far as they are on.
void FlatView::paintLaid(QPainter& painter, const CupPlan& plan,
                         const std::set<std::string>& off) const {
  for (const StackItem& item : plan.stack) {
    if (off.contains(item.id)) continue;
    if (item.thing == LaidKind::stripe) paintStripe(painter, plan, item.id);
    if (setsShown_ && item.kind == StackKind::over) paintOver(painter, plan, item);
    if (setsShown_ && item.layer >= 0) paintLayer(painter, plan, item);
  }
}

void FlatView::paintStripe(QPainter& painter, const CupPlan& plan, const std::string& id) const {
  for (const StripePlan& stripe : plan.stripes) {
    if (stripe.id != id) continue;
    const auto line =
        std::find_if(plan.divided.lines.begin(), plan.divided.lines.end(),
                     [&](const DivideLine& candidate) { return candidate.id == stripe.line; });
    if (line == plan.divided.lines.end()) continue;
    const double wide = stripe.width.mm() * fit_.scale();
    painter.setPen(QPen(QColor(QString::fromStdString(stripe.colour)), wide, Qt::SolidLine,
                        Qt::FlatCap, Qt::RoundJoin));
    for (const WallLine& stretch : line->stretches) strokeLines(painter, pathOf(stretch, false));
  }
}

/// The pictures on cells of film, by colour.
void FlatView::paintPrints(QPainter& painter, const CupPlan& plan, const FillPlan& fill,
                           const Fill& chosen, const std::vector<QPainterPath>& shapes) const {
  for (std::size_t i = 0; i < shapes.size(); ++i) {
    if (shapes[i].isEmpty()) continue;
    for (const Zone& zone : plan.divided.zones) {
      if (zone.id != fill.zone) continue;
      const auto lie = lieOf(chosen.colours[i].finish, plan.wall, zone.region);
      if (!lie) continue;
      for (const PictureMesh& mesh : lie->overFlat(zone.region, plan.wall.flat)) {
        prints_.draw(painter, shapes[i], lie->picture(), mesh, transformOf(fit_));
      }
    }
  }
}

/// The cells of patterns in their colours; while a colour is lifted, the others stand back.
void FlatView::paintCells(QPainter& painter, const CupPlan& plan) const {
  const FillPlan* inHand = fillPlanInHand(order_);
  const std::set<std::string> off = peeledOff(order_);
  for (const FillPlan& fill : plan.fills) {
    if (off.contains(fill.id)) continue;
    const Fill& chosen = order_.drawnCup().fills.at(static_cast<std::size_t>(fill.fill));
    const bool lifting = cellsShown_ && &fill == inHand && order_.peel() >= 0;
    std::vector<ZoneLook> looks;
    for (const CellColour& colour : chosen.colours) looks.push_back(lookOf(colour.finish));
    std::vector<std::vector<std::vector<QPolygonF>>> shapes(looks.size());
    std::vector<QPainterPath> printed(looks.size());
    for (const Cell& cell : fill.cells) {
      if (static_cast<std::size_t>(cell.colour) >= looks.size()) continue;
      std::vector<QPolygonF>& shape = shapes[static_cast<std::size_t>(cell.colour)].emplace_back();
      for (const WallLine& outline : cell.region.outlines()) shape.push_back(polygonOf(outline));
    }
    painter.setPen(Qt::NoPen);
    painter.setRenderHint(QPainter::Antialiasing, !standsForAMoment(order_));
    for (std::size_t index = 0; index < looks.size(); ++index) {
      const ZoneLook& look = looks[index];
      const bool pale = lifting && static_cast<int>(index) != order_.peel();
      QColor colour = look.colour;
      if (pale) colour.setAlpha(60);
      painter.setBrush(colour);
      for (const auto& shape : shapes[index]) drawOutlines(painter, shape);
      if (chosen.colours[index].finish.picture.picture) {
        if (pale) continue;
        for (const auto& shape : shapes[index]) printed[index].addPath(painterPath(shape));
      } else if (look.hatched) {
        QColor hatch = lettersOn(look.colour);
        hatch.setAlpha(90);
        painter.setBrush(QBrush(hatch, Qt::BDiagPattern));
        for (const auto& shape : shapes[index]) drawOutlines(painter, shape);
      }
    }
    painter.setRenderHint(QPainter::Antialiasing);
    paintPrints(painter, plan, fill, chosen, printed);
    if (!cellsShown_) continue;
    ManyWords labels(face(9, QFont::DemiBold));
    for (const Cell& cell : fill.cells) {
      if (lifting && cell.colour != order_.peel()) continue;
      const QString words = QString::fromStdString(cell.label);
      const double room = std::sqrt(cell.area.mm2() * (cell.onSeam ? 0.5 : 1)) * fit_.scale();
      if (labels.widthOf(words) > room * 0.85) continue;
      if (static_cast<std::size_t>(cell.colour) >= looks.size()) continue;
      labels.add(fit_(plan.wall.flat.toFlat(cell.namedAt)), words,
                 lettersOn(looks[static_cast<std::size_t>(cell.colour)].colour));
    }
    labels.draw(painter);
    // Where two neighbours had to be alike.
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme().stop, 2.5));
    for (const auto& [a, b] : fill.colouring.clashes) {
      const auto at = [&](int cell) {
        return fit_(plan.wall.flat.toFlat(fill.cells[static_cast<std::size_t>(cell)].middle));
      };
      painter.drawEllipse((at(a) + at(b)) / 2, 7, 7);
    }
  }
  painter.setBrush(Qt::NoBrush);
}

/// Where the numbers of lines stand, the one in hand first, as far as there is room.
std::vector<FlatView::LinePlate> FlatView::lineNumbers(const CupPlan& plan, WordRoom& room) const {
  std::vector<LinePlate> plates;
  if (cellsShown_) return plates;
  const QFont font = face(11, QFont::DemiBold);
  std::vector<const DivideLine*> lines;
  for (const DivideLine& line : plan.divided.lines) lines.push_back(&line);
  std::stable_partition(lines.begin(), lines.end(),
                        [&](const DivideLine* line) { return line->id == order_.line(); });
  for (const DivideLine* line : lines) {
    if (line->stretches.empty()) continue;
    const QString words = QString::fromStdString(line->id);
    const QPolygonF stretch = polygonOf(line->stretches.front(), false);
    for (const double share : {0.3, 0.25, 0.2, 0.35}) {
      const QPointF at = placeAlong(stretch, share);
      if (!room.take(at, font, words)) continue;
      plates.push_back({at, words});
      break;
    }
  }
  return plates;
}

/// Letters of zones, the one in hand first, as far as there is room.
void FlatView::paintLetters(QPainter& painter, const CupPlan& plan, WordRoom& room) const {
  const QFont large = face(15, QFont::Bold);
  painter.setFont(large);
  const Zone* inHand = zoneInHand(order_);
  std::vector<const Zone*> zones;
  for (const Zone& zone : plan.divided.zones) {
    // Where cells have labels of their own, the zone's letter would lie on them.
    if (!cellsShown_ || !isFilled(plan, zone)) zones.push_back(&zone);
  }
  std::stable_partition(zones.begin(), zones.end(),
                        [&](const Zone* zone) { return zone == inHand; });
  for (const Zone* zone : zones) {
    const QString words = QString::fromStdString(zone->letter);
    const WallPoint middle = zone->namedAt;
    for (const double aside : {0.0, 12.0, -12.0, 24.0, -24.0}) {
      const WallPoint place{middle.theta + Angle::degrees(aside), middle.s};
      if (!zone->region.contains(place)) continue;
      const QPointF at = fit_(plan.wall.flat.toFlat(place));
      if (!room.take(at, large, words)) continue;
      // Over cells of all colours only a plate lets it be read.
      if (isFilled(plan, *zone)) {
        drawPlate(painter, at, words);
      } else {
        painter.setPen(lettersOn(lookOf(zone->finish).colour));
        drawWords(painter, at, words);
      }
      break;
    }
  }
}

/// The tape of the move being looked at, on its own side of the line and as wide as it is.
void FlatView::paintMove(QPainter& painter, const CupPlan& plan) const {
  const TapeMove* move = moveInHand(order_);
  if (move == nullptr || move->lines.empty()) return;
  // All but the zones it fills, which lie apart: no need to take one from the other.
  QPainterPath room;
  room.setFillRule(Qt::WindingFill);
  for (const Zone& zone : plan.divided.zones) {
    if (std::find(move->zones.begin(), move->zones.end(), zone.letter) != move->zones.end())
      continue;
    for (const WallLine& outline : zone.region.outlines()) room.addPath(pathOf(outline, true));
  }
  painter.save();
  painter.setClipPath(room);
  painter.setPen(QPen(theme().tape, std::max(4.0, 2 * move->width.mm() * fit_.scale()),
                      Qt::SolidLine, Qt::FlatCap));
  for (const DivideLine& line : plan.divided.lines) {
    if (std::find(move->lines.begin(), move->lines.end(), line.id) == move->lines.end()) continue;
    for (const WallLine& stretch : line.stretches) painter.drawPath(pathOf(stretch, false));
  }
  painter.restore();
}

/// In another zone it takes that in hand; in the zone in hand it is told which cell.
void FlatView::clickCell(QPointF p) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const WallPoint place = wallAt(p);
  for (const Zone& zone : plan->divided.zones) {
    if (!zone.region.contains(place)) continue;
    if (zoneInHand(order_) != &zone) {
      order_.pickZone(zone.id);
    } else {
      emit cellClicked(place);
    }
    return;
  }
}

/// A key at the zones and their lines; false where it says nothing here.
bool FlatView::zoneKey(QKeyEvent& event) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return false;
  const std::vector<Zone>& zones = plan->divided.zones;
  const std::vector<DivideLine>& lines = plan->divided.lines;
  const int marks = event.modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
  const bool along = event.modifiers().testFlag(Qt::AltModifier);
  const auto pickZone = [&](std::size_t by) {
    const auto here = static_cast<std::size_t>(zoneInHand(order_) - zones.data());
    order_.pickZone(zones[(here + by) % zones.size()].id);
  };
  const auto pickLine = [&](std::size_t by) {
    if (lines.empty()) return;
    const auto now = std::find_if(lines.begin(), lines.end(),
                                  [&](const DivideLine& line) { return line.id == order_.line(); });
    const auto here = static_cast<std::size_t>(now - lines.begin());
    const bool none = now == lines.end();
    order_.pickLine(lines[none ? 0 : (here + by) % lines.size()].id);
  };
  switch (event.key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: {
      const bool right = event.key() == Qt::Key_Right;
      if (along) {
        nudgeLine(order_, right ? marks : -marks, 0);
      } else {
        pickZone(right ? 1 : zones.size() - 1);
      }
      return true;
    }
    case Qt::Key_PageDown:
      pickLine(1);
      return true;
    case Qt::Key_PageUp:
      pickLine(lines.empty() ? 0 : lines.size() - 1);
      return true;
    case Qt::Key_Up:
      nudgeLine(order_, 0, marks);
      return true;
    case Qt::Key_Down:
      nudgeLine(order_, 0, -marks);
      return true;
    default:
      return false;
  }
}

}  // namespace avrelt
