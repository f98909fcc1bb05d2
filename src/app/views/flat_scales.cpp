// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/stack_edits.h"
#include "app/views/flat_view.h"
#include "sheet/round_marks.h"

// Round the flat: what it is called, a tape up its side, directions along its rim.

namespace avrelt {
namespace {
constexpr double tapeWide = 20;  // px
}  // namespace

/// The tape laid along the seam's left edge, from the base up.
void FlatView::paintTape(QPainter& painter, const WrapLayout& wrap) const {
  const Theme& t = theme();
  const Development& body = wrap.body();
  const Length wide = Length::mm(tapeWide / fit_.scale());
  const auto out = [&](Length s, Length away) {
    const Angle aside = Angle::radians(away / body.radius(s));
    return fit_(body.toFlat({-Angle::halfTurn() - aside, s}));
  };
  const Length zero;
  QPainterPath band;
  band.moveTo(out(zero, zero));
  band.lineTo(out(body.wall(), zero));
  band.lineTo(out(body.wall(), wide));
  band.lineTo(out(zero, wide));
  band.closeSubpath();
  painter.fillPath(band, t.tape);

  const bool inches = order_.unit() == Unit::inch;
  // The finest marks that still stand apart on screen.
  const Graduation graduation = usualGraduation(order_.unit());
  const int perNumber = inches ? 16 : 10;
  int every = 1;
  while (step(graduation).mm() * every * fit_.scale() < 3 && every < perNumber) {
    every = inches ? every * 2 : every == 1 ? 5 : 10;
  }
  int numberEvery = perNumber;
  while (step(graduation).mm() * numberEvery * fit_.scale() < 14) numberEvery *= 2;
  painter.setFont(face(10, QFont::DemiBold));
  const double lean = -body.flatAngle(-Angle::halfTurn()).degrees();
  for (int mark = 0; step(graduation) * mark <= body.wall() + Length::mm(1e-9); mark += every) {
    const Length s = step(graduation) * mark;
    const double share = mark % perNumber == 0         ? 0.55
                         : mark % (perNumber / 2) == 0 ? 0.42
                         : inches && mark % 4 == 0     ? 0.32
                                                       : 0.2;
    painter.setPen(QPen(t.tapeTick, 0.8));
    painter.drawLine(out(s, zero), out(s, wide * share));
    if (mark > 0 && mark % numberEvery == 0 && s < body.wall() - Length::mm(5 / fit_.scale())) {
      drawWords(painter, out(s, wide * 0.76), QString::number(mark / perNumber), -lean);
    }
  }
}

/// Degrees and the four directions along the rim.
void FlatView::paintDirections(QPainter& painter, const WrapLayout& wrap) const {
  const Theme& t = theme();
  const Development& body = wrap.body();
  const auto above = [&](Angle theta, double pixels) {
    return fit_(body.toFlat({theta, body.wall() + Length::mm(pixels / fit_.scale())}));
  };
  painter.setPen(QPen(t.ink, 0.8));
  for (int degrees = -180; degrees <= 180; degrees += 5) {
    const Angle theta = wrap.inPiece(CupAngle::degrees(degrees));
    const double tick = degrees % 90 == 0 ? 10 : degrees % 45 == 0 ? 8 : 4.5;
    painter.drawLine(above(theta, 0), above(theta, tick));
  }
  painter.drawLine(above(-Angle::halfTurn(), 0), above(-Angle::halfTurn(), 10));
  painter.setFont(face(12, QFont::DemiBold));
  painter.setPen(t.muted);
  // The seam is named by where it stands on the cup.
  QString seam = tr("seam");
  for (const RoundMark& mark : roundMarks()) {
    if (onSeam(wrap, mark.onCup)) seam = tr("seam, %1").arg(say(mark.name, order_.unit()));
  }
  // On a narrow flat the seam's name goes first, then the front's, then what still has room.
  const double rim = body.radius(body.wall()).mm() * fit_.scale();
  std::vector<std::pair<double, double>> taken;  // along the rim, in pixels from the middle
  const auto name = [&](Angle theta, const QString& words) {
    const double half = painter.fontMetrics().horizontalAdvance(words) / 2.0 + 3;
    const double middle = theta.radians() * rim;
    for (const auto& [from, to] : taken) {
      if (middle - half < to && from < middle + half) return;
    }
    taken.emplace_back(middle - half, middle + half);
    drawWords(painter, above(theta, 20), words, body.flatAngle(theta).degrees());
  };
  for (const Angle end : {-Angle::halfTurn(), Angle::halfTurn()}) name(end, seam);
  for (const bool front : {true, false}) {
    for (const RoundMark& mark : roundMarks()) {
      if ((mark.onCup == CupAngle::front()) == front) {
        name(wrap.inPiece(mark.onCup), say(mark.name, order_.unit()));
      }
    }
  }
}

/// Which cup this is the wall of, where it could be another than the one measured.
QString FlatView::stageWords() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || plan->laidAfter == 0) return {};
  if (order_.currentCup().buildUp.sizedFor == SizedFor::bare) return tr("; the bare cup");
  return plan->laidAfter == 1 ? tr("; as it will be after 1 coat")
                              : tr("; as it will be after %1 coats").arg(plan->laidAfter);
}

void FlatView::paintHead(QPainter& painter) const {
  const Theme& t = theme();
  if (times() > 1) painter.fillRect(QRect(0, 0, width(), 34), t.ground);
  painter.setFont(face(13, QFont::DemiBold));
  painter.setPen(t.muted);
  painter.drawText(QPointF(14, 24), tr("Flat"));
  const double headed = QFontMetricsF(painter.font()).horizontalAdvance(tr("Flat"));
  painter.setFont(face(13));
  const StackItem* outermost = zonesShown_ ? outermostShown(order_) : nullptr;
  painter.drawText(QPointF(14 + headed + 10, 24),
                   outermost != nullptr
                       ? tr("peeled back to the %1; Shift+F9 puts the next on again")
                             .arg(say(outermost->name, order_.unit()))
                       : tr("seen from outside, the seam at both ends") +
                             (zonesShown_ ? QString() : stageWords()));
}

}  // namespace avrelt
