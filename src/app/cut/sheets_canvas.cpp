// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheets_canvas.h"

#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/order/phrases.h"
#include "app/views/art_paint.h"
#include "app/window/theme.h"

namespace avrelt {

SheetsCanvas::SheetsCanvas(QWidget* parent) : Canvas(parent) {
  setMinimumSize(220, 200);
  setMouseTracking(true);
  setAccessibleName(tr("The sheet in hand"));
}

void SheetsCanvas::show(std::shared_ptr<const SheetPlan> sheets, std::size_t film,
                        std::size_t sheet) {
  sheets_ = std::move(sheets);
  film_ = film;
  sheet_ = sheet;
  update();
}

Fit SheetsCanvas::fit() const {
  const SheetSize& size = sheets_->choices.size;
  return {Box{{0, 0}, {size.wide.mm(), size.tall.mm()}}, QRectF(rect()).adjusted(14, 14, -14, -14)};
}

QString SheetsCanvas::wordsAt(QPointF p) const {
  if (!sheets_ || film_ >= sheets_->films.size()) return {};
  const FilmSheets& film = sheets_->films[film_];
  const Point at = fit().back(p);
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet_ || !contains(shapeAt(film.pieces[laid.piece], laid), at)) continue;
    const SheetPart& part = film.parts[laid.piece];
    const CupPlan& cup = sheets_->plan->cups[part.cup];
    const QString name = part.part->name.pattern.empty() ? QString::fromStdString(part.part->id)
                                                         : say(part.part->name, cup.unit);
    return tr("%1, %2").arg(QString::fromStdString(cup.name), name);
  }
  return {};
}

void SheetsCanvas::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.drawer);
  if (!sheets_ || film_ >= sheets_->films.size()) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(), tr("There is nothing to lay on sheets."));
    return;
  }
  const SheetSize& size = sheets_->choices.size;
  const FilmSheets& film = sheets_->films[film_];
  const Fit fit = this->fit();
  const auto frame = [&](double inset) {
    return QRectF(fit({inset, size.tall.mm() - inset}), fit({size.wide.mm() - inset, inset}));
  };
  painter.setPen(QPen(t.ink, 1.2));
  painter.setBrush(t.panel);
  painter.drawRect(frame(0));
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.muted, 1, Qt::DashLine));
  if (size.margin > Length()) painter.drawRect(frame(size.margin.mm()));
  painter.setPen(QPen(t.ink, 1));
  painter.setBrush(film.film.empty() ? t.film : QColor(QString::fromStdString(film.film)));
  const QBrush brush = painter.brush();
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet_) continue;
    painter.setBrush(brush);
    painter.drawPath(painterPath(shapeAt(film.pieces[laid.piece], laid), fit));
    // What is cut within it and stays in its place.
    painter.setBrush(Qt::NoBrush);
    const Part& part = *film.parts[laid.piece].part;
    if (part.slits.empty()) continue;
    for (const Path& slit : laidOut(part, laid.turn, laid.at).slits) {
      painter.drawPath(painterPath(slit, fit));
    }
  }
}

void SheetsCanvas::mouseMoveEvent(QMouseEvent* event) {
  const QString words = wordsAt(event->position());
  if (words.isEmpty()) {
    QToolTip::hideText();
  } else {
    QToolTip::showText(event->globalPosition().toPoint(), words, this);
  }
}

}  // namespace avrelt
