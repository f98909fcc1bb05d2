// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheet_view.h"

#include <QPainter>

#include "app/look/theme.h"
#include "sheet/tiling.h"

namespace avrelt {

SheetView::SheetView(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setMinimumSize(180, 120);
  setAccessibleName(tr("The part on its pages"));
}

void SheetView::show(PartSet set) {
  set_ = std::move(set);
  update();
}

void SheetView::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (order_.plan() == nullptr || set_.parts.empty()) return;
  if (!order_.planHolds()) painter.setOpacity(0.4);
  const Tiling tiling = tileOver(set_.bounds(), order_.document().printPaper());
  Box all;
  for (const Part& part : set_.parts) {
    all.add(boundsOf(laidOn(tiling, part.outline)));
    for (const Path& one : part.more) all.add(boundsOf(laidOn(tiling, one)));
  }
  const double margin = Tiling::margin.mm();
  const auto paperOf = [&](const Page& page) {
    return Box{page.window.low - Point{margin, margin + Tiling::footer.mm()},
               page.window.high + Point{margin, margin}};
  };
  for (const Page& page : tiling.pages) all.add(paperOf(page));
  const Fit fit(all, QRectF(rect()).adjusted(4, 4, -4, -4));
  const auto rectOf = [&](const Box& box) {
    return QRectF(fit({box.low.x, box.high.y}), fit({box.high.x, box.low.y}));
  };

  // Several sheets overlap where they will be glued, so paper first and windows over it.
  for (const Page& page : tiling.pages) {
    painter.setPen(QPen(t.rule, 1));
    painter.setBrush(t.field);
    painter.drawRect(rectOf(paperOf(page)));
  }
  painter.setBrush(Qt::NoBrush);
  QColor band = t.petrol;
  band.setAlpha(120);
  if (tiling.pages.size() > 1) {
    painter.setPen(QPen(band, 1, Qt::DashLine));
    for (const Page& page : tiling.pages) painter.drawRect(rectOf(page.window));
  }
  for (const Part& part : set_.parts) {
    const bool film = part.kind == PartKind::film && part.slits.empty();
    painter.setPen(QPen(t.ink, 1.4));
    painter.setBrush(!part.film.empty() ? QColor(QString::fromStdString(part.film))
                     : film             ? t.film
                                        : QColor(Qt::transparent));
    QPainterPath edge = painterPath(laidOn(tiling, part.outline), fit);
    for (const Path& one : part.more) edge.addPath(painterPath(laidOn(tiling, one), fit));
    if (!part.film.empty()) {
      for (const Path& hole : part.holes) edge.addPath(painterPath(laidOn(tiling, hole), fit));
    }
    painter.drawPath(edge);
    painter.setPen(Qt::NoPen);
    for (const Tint& tint : part.tints) {
      QPainterPath shape;
      for (const Path& one : tint.edges) shape.addPath(painterPath(laidOn(tiling, one), fit));
      painter.setBrush(QColor(QString::fromStdString(tint.colour)));
      painter.drawPath(shape);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.ink, 1));
    for (const Path& slit : part.slits) painter.drawPath(painterPath(laidOn(tiling, slit), fit));
    for (const Guide& guide : part.guides) {
      painter.setPen(QPen(t.petrol, 0.7, guide.dashed() ? Qt::DashLine : Qt::SolidLine));
      painter.drawPath(painterPath(laidOn(tiling, guide.path), fit));
    }
  }
  painter.setFont(face(11, QFont::DemiBold));
  painter.setPen(t.muted);
  if (tiling.pages.size() > 1) {
    for (const Page& page : tiling.pages) {
      const int number = page.row * tiling.columns + page.column + 1;
      const QRectF rect = rectOf(page.window);
      painter.drawText(rect.adjusted(5, 3, 0, 0), Qt::AlignLeft | Qt::AlignTop,
                       QString::number(number));
    }
  }
}

}  // namespace avrelt

#include "moc_sheet_view.cpp"
