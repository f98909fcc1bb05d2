// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/stack_edits.h"
#include "app/order/zone_edits.h"
#include "app/views/round_sight.h"
#include "app/views/round_view.h"
#include "app/views/zone_paint.h"
#include "decal/laid_print.h"
#include "divide/picture_lie.h"
#include "divide/sight.h"
#include "divide/wall_line.h"

// Zones, lines and cells on the cup in the round.

namespace avrelt {

void RoundView::showZones(bool shown) {
  zonesShown_ = shown;
  update();
}

void RoundView::showCells(bool shown) {
  cellsShown_ = shown;
  update();
}

/// In how many steps a line looks round that goes round the cup by an angle.
int RoundView::stepsRound(Angle angle) const {
  return std::max(1, static_cast<int>(std::ceil(std::abs(angle.radians()) / roundStep_.radians())));
}

QPainterPath RoundView::linePath(const CupPlan& plan, const DivideLine& line) const {
  const Body& body = plan.wall.body;
  QPainterPath path;
  for (const WallLine& stretch : line.stretches) {
    bool down = false;
    const auto go = [&](WallPoint at) {
      const CupAngle theta = plan.wall.onCup(at.theta);
      const bool seen = near(body, theta, at.s);
      if (seen && down) path.lineTo(project(body, theta, at.s));
      if (seen && !down) path.moveTo(project(body, theta, at.s));
      down = seen;
    };
    if (!stretch.empty()) go(stretch.front());
    for (std::size_t i = 1; i < stretch.size(); ++i) {
      const WallPoint& a = stretch[i - 1];
      const WallPoint& b = stretch[i];
      const int steps = stepsRound(b.theta - a.theta);
      for (int step = 1; step <= steps; ++step) {
        const double share = static_cast<double>(step) / steps;
        go({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share});
      }
    }
  }
  return path;
}

const DivideLine* RoundView::lineNear(QPointF p) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || !zonesShown_) return nullptr;
  const DivideLine* nearest = nullptr;
  double least = lineReach;
  for (const DivideLine& line : plan->divided.lines) {
    const double distance = distanceTo(linePath(*plan, line), p);
    if (distance >= least) continue;
    least = distance;
    nearest = &line;
  }
  return nearest;
}

std::optional<QPointF> RoundView::placeOfLine(const std::string& id) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return std::nullopt;
  for (const DivideLine& line : plan->divided.lines) {
    if (line.id != id) continue;
    const QPainterPath path = linePath(*plan, line);
    if (path.elementCount() > 1) return path.pointAtPercent(0.5);
  }
  return std::nullopt;
}

std::optional<WallPoint> RoundView::wallAt(QPointF p) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return std::nullopt;
  const QPointF off = (p - middle_) / scale_;
  const auto place = cameraOn(plan->wall.body).at({off.x(), -off.y()});
  if (!place) return std::nullopt;
  return WallPoint{plan->wall.inFrame(place->onCup), place->s};
}

RoundView::Sight RoundView::sightOf(const CupPlan& plan) const {
  return {plan.wall.inFrame(facing_), cameraOn(plan.wall.body).seenHalf()};
}

/// Outlines on the wall as they appear, with so many places to a side that they look round.
std::vector<QPolygonF> RoundView::polygonsOf(const CupPlan& plan,
                                             const std::vector<WallLine>& outlines) const {
  const Body& body = plan.wall.body;
  std::vector<QPolygonF> polygons;
  polygons.reserve(outlines.size());
  for (const WallLine& outline : outlines) {
    QPolygonF& polygon = polygons.emplace_back();
    polygon.reserve(static_cast<qsizetype>(outline.size()));
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const WallPoint& a = outline[i];
      const WallPoint& b = outline[(i + 1) % outline.size()];
      const int steps = std::max(stepsRound(b.theta - a.theta),
                                 body.isCone() ? 1 : static_cast<int>(abs(b.s - a.s).mm() / 4));
      for (int step = 0; step < steps; ++step) {
        const double share = static_cast<double>(step) / steps;
        polygon << project(body, plan.wall.onCup(a.theta + (b.theta - a.theta) * share),
                           a.s + (b.s - a.s) * share);
      }
    }
  }
  return polygons;
}

QPainterPath RoundView::pathOf(const CupPlan& plan, const std::vector<WallLine>& outlines) const {
  return painterPath(polygonsOf(plan, outlines));
}

/// The edge of a region as it appears, without the seam where it goes on beyond that.
QPainterPath RoundView::edgeOf(const CupPlan& plan, const Region& region,
                               const Sight& sight) const {
  constexpr Angle beyond = Angle::radians(1e-4);
  const auto goesOn = [&](const WallPoint& a, const WallPoint& b) {
    const Angle over = a.theta < Angle() ? a.theta - beyond : a.theta + beyond;
    return alongSeam(a, b) && region.contains({over.wrapped(), (a.s + b.s) / 2});
  };
  QPainterPath path;
  for (const WallLine& outline : seenOf(region, sight)) {
    bool down = false;
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const WallPoint& a = outline[i];
      const WallPoint& b = outline[(i + 1) % outline.size()];
      const bool seam = goesOn(a, b);
      const int steps = seam ? 0 : std::max(stepsRound(b.theta - a.theta), 8);
      const auto at = [&](int step) {
        const double share = static_cast<double>(step) / steps;
        return project(plan.wall.body, plan.wall.onCup(a.theta + (b.theta - a.theta) * share),
                       a.s + (b.s - a.s) * share);
      };
      if (steps > 0 && !down) path.moveTo(at(0));
      for (int step = 1; step <= steps; ++step) path.lineTo(at(step));
      down = !seam;
    }
  }
  return path;
}

namespace {

/// How light a round wall is at a share of its width, lit from the left.
double lightAt(double across) {
  return 0.72 + 0.28 * std::max(0.0, std::cos(std::asin(across * 2 - 1) + 0.5));
}

}  // namespace

/// A finish's colour on a round wall, lit from the left.
QLinearGradient RoundView::lightOn(const QColor& colour, double radius) const {
  QLinearGradient light(middle_.x() - radius, 0, middle_.x() + radius, 0);
  constexpr int stops = 12;
  for (int i = 0; i <= stops; ++i) {
    const double across = static_cast<double>(i) / stops;
    light.setColorAt(across, shaded(colour, lightAt(across)));
  }
  return light;
}

/// The zones in their finish's colours: what of each lies on the near side, as it appears.
void RoundView::paintZones(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Sight sight = sightOf(plan);
  prints_.begin();
  painter.setPen(Qt::NoPen);
  const double radius = plan.wall.body.widestRadius().mm() * scale_;
  const Zone* inHand = zoneInHand(order_);
  const TapeMove* move = cellsShown_ ? nullptr : moveInHand(order_);
  const std::set<std::string> peeled = peeledOff(order_);
  QPainterPath inHandShape;
  QPainterPath inHandEdge;
  QPainterPath open;  // what the move in hand does not fill
  open.setFillRule(Qt::WindingFill);
  for (const Zone& zone : plan.divided.zones) {
    const QPainterPath shape = pathOf(plan, seenOf(zone.region, sight));
    if (shape.isEmpty()) continue;
    const ZoneLook look = peeled.contains(zone.id) ? bareLook() : lookOf(zone.finish);
    painter.setBrush(lightOn(look.colour, radius));
    fillUnderLines(painter, shape);
    if (!peeled.contains(zone.id)) {
      paintPrint(painter, plan, zone, zone.finish, shape, sight);
    }
    if (&zone == inHand) {
      inHandShape = shape;
      inHandEdge = edgeOf(plan, zone.region, sight);
    }
    if (move != nullptr &&
        std::find(move->zones.begin(), move->zones.end(), zone.letter) == move->zones.end()) {
      open.addPath(shape);
    }
  }
  painter.setBrush(Qt::NoBrush);
  paintCells(painter, plan, sight);
  if (!inHandShape.isEmpty()) {
    painter.save();
    clipUnderLines(painter, inHandShape);
    painter.setPen(QPen(t.brass, 6));
    strokeLines(painter, inHandEdge);
    painter.restore();
  }
  if (move != nullptr && !move->lines.empty()) paintMove(painter, plan, *move, open);
  paintCuts(painter, plan);
  if (!cellsShown_) paintNames(painter, plan);
  for (const StackItem& item : plan.stack) {
    if (peeled.contains(item.id)) continue;
    if (item.thing == LaidKind::stripe) paintStripe(painter, plan, item.id);
    if (setsShown_ && item.kind == StackKind::over) paintOver(painter, plan, item, sight);
    if (setsShown_ && item.layer >= 0) paintLayer(painter, plan, item, sight);
  }
  paintEdges(painter, plan.wall.body);
}

/// A film's picture on the near side, lit as the wall is.
void RoundView::paintPrint(QPainter& painter, const CupPlan& plan, const Zone& zone,
                           const Finish& finish, const QPainterPath& shape,
                           const Sight& sight) const {
  const std::optional<PictureLie> lie = lieOf(finish, plan.wall, zone.region);
  if (!lie) return;
  const Body& body = plan.wall.body;
  const auto appears = [&](WallPoint p) {
    const QPointF at = project(body, plan.wall.onCup(p.theta), p.s);
    return Point{at.x(), at.y()};
  };
  for (const PictureMesh& mesh :
       lie->overZone(zone.region, sight.middle - sight.half, sight.middle + sight.half, appears)) {
    prints_.draw(painter, shape, lie->picture(), mesh, Transform());
  }
  shadeLike(painter, body, shape);
}

/// Darkens a printed shape as the wall is lit.
void RoundView::shadeLike(QPainter& painter, const Body& body, const QPainterPath& shape) const {
  const double radius = body.widestRadius().mm() * scale_;
  QLinearGradient shade(middle_.x() - radius, 0, middle_.x() + radius, 0);
  constexpr int stops = 12;
  for (int i = 0; i <= stops; ++i) {
    const double across = static_cast<double>(i) / stops;
    shade.setColorAt(across, QColor(0, 0, 0, static_cast<int>(255 * (1 - lightAt(across)))));
  }
  painter.setPen(Qt::NoPen);
  painter.setBrush(shade);
  painter.drawPath(shape);
}

/// The tape of the move being looked at, on its own side of the line.
void RoundView::paintMove(QPainter& painter, const CupPlan& plan, const TapeMove& move,
                          const QPainterPath& open) const {
  painter.save();
  painter.setClipPath(open);
  painter.setPen(
      QPen(theme().tape, std::max(4.0, 2 * move.width.mm() * scale_), Qt::SolidLine, Qt::FlatCap));
  for (const DivideLine& line : plan.divided.lines) {
    if (std::find(move.lines.begin(), move.lines.end(), line.id) == move.lines.end()) continue;
    painter.drawPath(linePath(plan, line));
  }
  painter.restore();
}

void RoundView::paintCuts(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  for (const DivideLine& line : plan.divided.lines) {
    const bool inHand = line.id == order_.line();
    painter.setPen(inHand ? QPen(t.brass, 3) : QPen(t.ink, 1.3));
    strokeLines(painter, linePath(plan, line));
  }
}

void RoundView::paintStripe(QPainter& painter, const CupPlan& plan, const std::string& id) const {
  for (const StripePlan& stripe : plan.stripes) {
    if (stripe.id != id) continue;
    for (const DivideLine& line : plan.divided.lines) {
      if (line.id != stripe.line) continue;
      painter.setPen(QPen(QColor(QString::fromStdString(stripe.colour)), stripe.width.mm() * scale_,
                          Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
      strokeLines(painter, linePath(plan, line));
    }
  }
}

/// The letters of the zones on the near side, as far as there is room.
void RoundView::paintNames(QPainter& painter, const CupPlan& plan) const {
  const QFont font = avrelt::face(14, QFont::Bold);
  painter.setFont(font);
  WordRoom room;
  for (const Zone& zone : plan.divided.zones) {
    const WallPoint label = zone.label;
    const QString words = QString::fromStdString(zone.letter);
    for (const double aside : {0.0, 22.0, -22.0}) {
      const WallPoint place{label.theta + Angle::degrees(aside), label.s};
      const double towards = std::cos((plan.wall.onCup(place.theta) - facing_).radians());
      if (towards < 0.3 || !zone.region.contains(place)) continue;
      const QPointF at = project(plan.wall.body, plan.wall.onCup(place.theta), place.s);
      if (!room.take(at, font, words)) continue;
      // Over cells of all colours only a plate lets it be read.
      if (isFilled(plan, zone)) {
        drawPlate(painter, at, words);
      } else {
        painter.setPen(lettersOn(lookOf(zone.finish).colour));
        drawWords(painter, at, words);
      }
      break;
    }
  }
}

namespace {

/// Whether some of a region lies so far round that its middle says nothing of where the rest is.
bool goesFarRound(const Region& region) {
  constexpr Angle far = Angle::degrees(60);
  const std::vector<WallLine>& outlines = region.outlines();
  return std::any_of(outlines.begin(), outlines.end(), [&](const WallLine& outline) {
    const auto [left, right] = std::minmax_element(
        outline.begin(), outline.end(),
        [](const WallPoint& a, const WallPoint& b) { return a.theta < b.theta; });
    return right->theta - left->theta > far;
  });
}

}  // namespace

/// The cells of patterns on the near side.
void RoundView::paintCells(QPainter& painter, const CupPlan& plan, const Sight& sight) const {
  const FillPlan* inHand = fillPlanInHand(order_);
  painter.setPen(Qt::NoPen);
  const double radius = plan.wall.body.widestRadius().mm() * scale_;
  const std::set<std::string> peeled = peeledOff(order_);
  for (const FillPlan& fill : plan.fills) {
    if (peeled.contains(fill.id)) continue;
    const Fill& chosen = order_.drawnCup().fills.at(static_cast<std::size_t>(fill.fill));
    const bool lifting = cellsShown_ && &fill == inHand && order_.peel() >= 0;
    std::vector<QPainterPath> printed(chosen.colours.size());
    std::vector<QColor> colours;
    for (const CellColour& colour : chosen.colours) {
      colours.push_back(lookOf(colour.finish).colour);
    }
    painter.setRenderHint(QPainter::Antialiasing, !standsForAMoment(order_));
    for (const Cell& cell : fill.cells) {
      if (static_cast<std::size_t>(cell.colour) >= chosen.colours.size()) continue;
      const double towards = std::cos((plan.wall.onCup(cell.middle.theta) - facing_).radians());
      const bool wide = goesFarRound(cell.region);
      if (towards < -0.4 && !wide) continue;
      const QColor& colour = colours[static_cast<std::size_t>(cell.colour)];
      QColor shade = shaded(colour, 0.75 + 0.25 * std::max(0.0, towards));
      const bool pale = lifting && cell.colour != order_.peel();
      if (pale) shade.setAlpha(60);
      // What is wide has no one side that faces the light.
      painter.setBrush(wide && !pale ? QBrush(lightOn(colour, radius)) : QBrush(shade));
      const std::vector<QPolygonF> shape = polygonsOf(plan, seenOf(cell.region, sight));
      drawOutlines(painter, shape);
      const std::size_t index = static_cast<std::size_t>(cell.colour);
      if (!chosen.colours[index].finish.picture.picture) continue;
      if (lifting && cell.colour != order_.peel()) continue;
      printed[index].addPath(painterPath(shape));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < printed.size(); ++i) {
      if (printed[i].isEmpty()) continue;
      for (const Zone& zone : plan.divided.zones) {
        if (zone.id != fill.zone) continue;
        paintPrint(painter, plan, zone, chosen.colours[i].finish, printed[i], sight);
      }
    }
  }
  painter.setBrush(Qt::NoBrush);
}

void RoundView::showSets(bool shown, bool movable) {
  setsShown_ = shown;
  setsMove_ = movable;
  update();
}

/// A layer of a set wherever that stands, as far as it faces the onlooker.
void RoundView::paintLayer(QPainter& painter, const CupPlan& plan, const StackItem& item,
                           const Sight& sight) const {
  const Theme& t = theme();
  const double radius = plan.wall.body.widestRadius().mm() * scale_;
  const SetPlan& set = plan.sets[static_cast<std::size_t>(item.set)];
  const auto i = static_cast<std::size_t>(item.layer);
  const Layer& chosen = order_.drawnCup().sets.at(static_cast<std::size_t>(set.set)).layers.at(i);
  const bool lines = chosen.kind == LayerKind::peekaboo || chosen.kind == LayerKind::knockOut;
  if (lines) {
    painter.setPen(QPen(t.panel, 1.2, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
  } else {
    painter.setPen(QPen(t.ink, 0.6));
    painter.setBrush(lightOn(QColor(QString::fromStdString(chosen.film)), radius));
  }
  for (const PlacePlan& place : set.places) {
    const std::vector<WallLine> seen = seenOf(place.laid->layers[i].region, sight);
    if (seen.empty()) continue;
    const QPainterPath shape = pathOf(plan, seen);
    painter.drawPath(shape);
    const LayerPrint* print = lines ? nullptr : chosen.printedWith();
    if (print == nullptr) continue;
    const auto appears = [&](WallPoint p) {
      const QPointF at = project(plan.wall.body, plan.wall.onCup(p.theta), p.s);
      return Point{at.x(), at.y()};
    };
    for (const PictureMesh& mesh : laidPrint(*print, place, i, plan.wall, sight.middle - sight.half,
                                             sight.middle + sight.half, appears)) {
      prints_.draw(painter, shape, print->picture, mesh, Transform());
    }
    painter.save();
    shadeLike(painter, plan.wall.body, shape);
    painter.restore();
  }
  painter.setBrush(Qt::NoBrush);
}

/// What is put over the stencils of a set, all over their zones but where they lay.
void RoundView::paintOver(QPainter& painter, const CupPlan& plan, const StackItem& item,
                          const Sight& sight) const {
  const double radius = plan.wall.body.widestRadius().mm() * scale_;
  painter.setPen(Qt::NoPen);
  painter.setBrush(lightOn(QColor(QString::fromStdString(colourOf(plan, item))), radius));
  painter.drawPath(pathOf(plan, seenOf(coveredBy(plan, item), sight)));
  painter.setBrush(Qt::NoBrush);
}

/// What of a region is in sight: its own outlines where all of them are.
std::vector<WallLine> RoundView::seenOf(const Region& region, const Sight& sight) {
  const double edge = std::cos(sight.half.radians());
  const std::vector<WallLine>& whole = region.outlines();
  const bool all = std::all_of(whole.begin(), whole.end(), [&](const WallLine& outline) {
    const auto [left, right] = std::minmax_element(
        outline.begin(), outline.end(),
        [](const WallPoint& a, const WallPoint& b) { return a.theta < b.theta; });
    // What goes farther round has its corners in sight and the rest of it not.
    return right->theta - left->theta < sight.half * 2 &&
           std::all_of(outline.begin(), outline.end(), [&](const WallPoint& p) {
             return std::cos((p.theta - sight.middle).radians()) > edge;
           });
  });
  return all ? whole : inSight(region, sight.middle - sight.half, sight.middle + sight.half);
}

void RoundView::pickZoneAt(QPointF p) {
  const CupPlan* plan = order_.plan();
  const std::optional<WallPoint> place = wallAt(p);
  if (plan == nullptr || !place) return;
  for (const Zone& zone : plan->divided.zones) {
    if (!zone.region.contains(*place)) continue;
    if (cellsShown_ && zoneInHand(order_) == &zone) {
      emit cellClicked(*place);
    } else {
      order_.pickZone(zone.id);
    }
    return;
  }
}

}  // namespace avrelt
