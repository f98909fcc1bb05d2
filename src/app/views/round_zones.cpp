// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <QPainter>

#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "app/views/round_sight.h"
#include "app/views/round_view.h"
#include "app/views/zone_paint.h"
#include "app/window/theme.h"

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

QPainterPath RoundView::linePath(const CupPlan& plan, const DivideLine& line) const {
  const Body& body = plan.wall.body;
  QPainterPath path;
  for (const WallLine& stretch : line.stretches) {
    for (std::size_t i = 1; i < stretch.size(); ++i) {
      const WallPoint& a = stretch[i - 1];
      const WallPoint& b = stretch[i];
      const int steps = std::max(1, static_cast<int>(abs(b.theta - a.theta).degrees() / 4));
      path.addPath(seenPath(steps, [&](double share) -> std::optional<QPointF> {
        const Angle theta = plan.wall.onCup(a.theta + (b.theta - a.theta) * share);
        const Length s = a.s + (b.s - a.s) * share;
        if (!near(body, theta, s)) return std::nullopt;
        return project(body, theta, s);
      }));
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
  const Body& body = plan->wall.body;
  const double across = (p.x() - middle_.x()) / scale_;
  // Up the wall along the upright that appears at this x at every height: found by halving.
  const auto facingAt = [&](Length s) {
    return Angle::radians(std::asin(std::clamp(across / body.radius(s).mm(), -1.0, 1.0)));
  };
  const auto above = [&](Length s) { return project(body, facing_ + facingAt(s), s).y() < p.y(); };
  if (above(Length()) || !above(body.wall())) return std::nullopt;
  Length low;
  Length high = body.wall();
  for (int i = 0; i < 40; ++i) {
    const Length middle = (low + high) / 2;
    (above(middle) ? high : low) = middle;
  }
  if (std::abs(across) > body.radius(low).mm()) return std::nullopt;
  const Angle onCup = facing_ + facingAt(low);
  return WallPoint{plan->wall.inFrame(onCup), low};
}

/// The zones in their finish's colours: what of each lies on the near side, as it appears.
void RoundView::paintZones(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Body& body = plan.wall.body;
  const auto onCup = [&](Angle inFrame) { return plan.wall.onCup(inFrame); };
  // On a cone the wall turns away at one angle all the way up; on a curved wall near enough.
  const double k = body.isCone() ? body.taper(Length()) : 0;
  const double turns = k / std::sqrt((1 - k) * (1 + k)) * tiltSin / tiltCos;
  const Angle half = Angle::radians(std::acos(std::clamp(turns, -1.0, 1.0)));
  const Angle middle = plan.wall.inFrame(facing_);
  const Region seen = Region::between(middle - half, middle + half, Length(), body.wall());
  painter.setPen(Qt::NoPen);
  const double radius = body.widestRadius().mm() * scale_;
  const Zone* inHand = zoneInHand(order_);
  QPainterPath whole;
  QPainterPath inHandShape;
  QPainterPath taped;  // the zones the move in hand fills
  const TapeMove* move = cellsShown_ ? nullptr : moveInHand(order_);
  for (const Zone& zone : plan.divided.zones) {
    const QColor colour = lookOf(zone.finish).colour;
    QLinearGradient light(middle_.x() - radius, 0, middle_.x() + radius, 0);
    constexpr int stops = 12;
    for (int i = 0; i <= stops; ++i) {
      const double across = static_cast<double>(i) / stops;
      const double turn = std::asin(across * 2 - 1) + 0.5;
      light.setColorAt(across, shaded(colour, 0.72 + 0.28 * std::max(0.0, std::cos(turn))));
    }
    painter.setBrush(light);
    QPainterPath shape;
    // Cut to what is seen only where the wall's turning away goes through it.
    const auto [from, to] = zone.region.span();
    const Angle centre = (from + to) / 2;
    const Angle reach = (to - from) / 2;
    const Angle off = abs((centre - middle).wrapped());
    if (off - reach > half) continue;
    const Region visible = off + reach < half ? zone.region : zone.region & seen;
    for (const WallLine& outline : visible.outlines()) {
      QPolygonF polygon;
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const WallPoint& a = outline[i];
        const WallPoint& b = outline[(i + 1) % outline.size()];
        const int steps = std::max({1, static_cast<int>(abs(b.theta - a.theta).degrees() / 4),
                                    body.isCone() ? 1 : static_cast<int>(abs(b.s - a.s).mm() / 4)});
        for (int step = 0; step < steps; ++step) {
          const double share = static_cast<double>(step) / steps;
          polygon << project(body, onCup(a.theta + (b.theta - a.theta) * share),
                             a.s + (b.s - a.s) * share);
        }
      }
      shape.addPolygon(polygon);
    }
    painter.drawPath(shape);
    whole.addPath(shape);
    if (&zone == inHand) inHandShape = shape;
    if (move != nullptr &&
        std::find(move->zones.begin(), move->zones.end(), zone.id) != move->zones.end()) {
      taped.addPath(shape);
    }
  }
  painter.setBrush(Qt::NoBrush);
  paintCells(painter, plan, seen);
  if (!inHandShape.isEmpty()) {
    painter.save();
    painter.setClipPath(inHandShape);
    painter.setPen(QPen(t.brass, 6));
    painter.drawPath(inHandShape);
    painter.restore();
  }
  if (move != nullptr && !move->lines.empty()) {
    painter.save();
    painter.setClipPath(whole.subtracted(taped));
    painter.setPen(
        QPen(t.tape, std::max(4.0, 2 * move->width.mm() * scale_), Qt::SolidLine, Qt::FlatCap));
    for (const DivideLine& line : plan.divided.lines) {
      const std::vector<std::string>& on = move->lines;
      if (std::find(on.begin(), on.end(), line.id) == on.end()) continue;
      painter.drawPath(linePath(plan, line));
    }
    painter.restore();
  }
  for (const DivideLine& line : plan.divided.lines) {
    const QPainterPath path = linePath(plan, line);
    const bool inHandLine = line.id == order_.line();
    painter.setPen(inHandLine ? QPen(t.brass, 3) : QPen(t.ink, 1.3));
    painter.drawPath(path);
  }
  for (const StripePlan& stripe : plan.stripes) {
    for (const DivideLine& line : plan.divided.lines) {
      if (line.id != stripe.line) continue;
      painter.setPen(QPen(QColor(QString::fromStdString(stripe.colour)), stripe.width.mm() * scale_,
                          Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
      painter.drawPath(linePath(plan, line));
    }
  }
  if (cellsShown_) return finishZones(painter, body);
  painter.setFont(avrelt::face(14, QFont::Bold));
  const QFontMetricsF metrics(painter.font());
  WordRoom room;
  for (const Zone& zone : plan.divided.zones) {
    const WallPoint label = zone.label;
    const QString words = QString::fromStdString(zone.id);
    for (const double aside : {0.0, 22.0, -22.0}) {
      const WallPoint place{label.theta + Angle::degrees(aside), label.s};
      const double towards = std::cos((onCup(place.theta) - facing_).radians());
      if (towards < 0.3 || !zone.region.contains(place)) continue;
      const QPointF at = project(body, onCup(place.theta), place.s);
      if (!room.take(at, metrics, words)) continue;
      painter.setPen(lettersOn(lookOf(zone.finish).colour));
      drawWords(painter, at, words);
      break;
    }
  }
  finishZones(painter, body);
}

void RoundView::finishZones(QPainter& painter, const Body& body) const {
  painter.setPen(QPen(theme().ink, 1.3));
  painter.drawPath(ringPath(body, Length(), true));
}

/// The cells of patterns on the near side.
void RoundView::paintCells(QPainter& painter, const CupPlan& plan, const Region& seen) const {
  const Body& body = plan.wall.body;
  const FillPlan* inHand = fillPlanInHand(order_);
  painter.setPen(Qt::NoPen);
  for (const FillPlan& fill : plan.fills) {
    const Fill& chosen = order_.drawnCup().fills.at(static_cast<std::size_t>(fill.fill));
    const bool lifting = cellsShown_ && &fill == inHand && order_.peel() >= 0;
    std::vector<QColor> colours;
    for (const CellColour& colour : chosen.colours) {
      colours.push_back(lookOf(colour.finish).colour);
    }
    const auto faces = [&](const WallPoint& p) {
      return std::cos((plan.wall.onCup(p.theta) - facing_).radians()) > 0.02;
    };
    for (const Cell& cell : fill.cells) {
      if (static_cast<std::size_t>(cell.colour) >= chosen.colours.size()) continue;
      const double towards = std::cos((plan.wall.onCup(cell.middle.theta) - facing_).radians());
      if (towards < -0.4) continue;
      const QColor& colour = colours[static_cast<std::size_t>(cell.colour)];
      QColor shade = shaded(colour, 0.75 + 0.25 * std::max(0.0, towards));
      if (lifting && cell.colour != order_.peel()) shade.setAlpha(60);
      painter.setBrush(shade);
      const std::vector<WallLine>& whole = cell.region.outlines();
      const bool near = std::all_of(whole.begin(), whole.end(), [&](const WallLine& outline) {
        return std::all_of(outline.begin(), outline.end(), faces);
      });
      const Region visible = near ? cell.region : cell.region & seen;
      for (const WallLine& outline : visible.outlines()) {
        QPolygonF polygon;
        for (std::size_t i = 0; i < outline.size(); ++i) {
          const WallPoint& a = outline[i];
          const WallPoint& b = outline[(i + 1) % outline.size()];
          const int steps = std::max(1, static_cast<int>(abs(b.theta - a.theta).degrees() / 5));
          for (int step = 0; step < steps; ++step) {
            const double share = static_cast<double>(step) / steps;
            polygon << project(body, plan.wall.onCup(a.theta + (b.theta - a.theta) * share),
                               a.s + (b.s - a.s) * share);
          }
        }
        painter.drawPolygon(polygon);
      }
    }
  }
  painter.setBrush(Qt::NoBrush);
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
      order_.pickZone(zone.path);
    }
    return;
  }
}

}  // namespace avrelt
