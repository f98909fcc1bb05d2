// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheets_canvas.h"

#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/views/art_paint.h"
#include "measure/colour.h"
#include "sheet/laid_out.h"

namespace avrelt {

SheetsCanvas::SheetsCanvas(SheetsWork& work, Order& order, QWidget* parent)
    : NearCanvas(parent), work_(work), order_(order) {
  setMinimumSize(220, 120);
  setMouseTracking(true);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The sheet in hand"));
}

void SheetsCanvas::show(std::size_t film, std::size_t sheet) {
  if (film != film_ || sheet != sheet_) {
    choose(std::nullopt);
    drag_.reset();
    cut_.reset();
    showAll();
  }
  film_ = film;
  sheet_ = sheet;
  workOut();
  const FilmSheets* now = this->film();
  if (chosen_ && (now == nullptr || *chosen_ >= now->arrangement.laid.size() ||
                  now->arrangement.laid[*chosen_].sheet != sheet_)) {
    choose(std::nullopt);
  }
  update();
}

void SheetsCanvas::showCut(const std::shared_ptr<const CutFilm>& cut) {
  cut_ = cut;
  update();
}

const FilmSheets* SheetsCanvas::film() const {
  const SheetPlan* sheets = work_.sheets().get();
  if (sheets == nullptr || film_ >= sheets->films.size()) return nullptr;
  const FilmSheets& film = sheets->films[film_];
  return sheet_ < film.arrangement.sheets.size() ? &film : nullptr;
}

bool SheetsCanvas::lies() const {
  const SheetSize size = film()->sizeOf(sheet_);
  return size.tall > size.wide && width() > height();
}

Transform SheetsCanvas::shown() const {
  if (!lies()) return {};
  return {0, -1, 1, 0, 0, film()->sizeOf(sheet_).wide.mm()};
}

Fit SheetsCanvas::fit() const {
  const SheetSize size = film()->sizeOf(sheet_);
  const Point far =
      lies() ? Point{size.tall.mm(), size.wide.mm()} : Point{size.wide.mm(), size.tall.mm()};
  return seen({Box{{0, 0}, far}, QRectF(rect()).adjusted(14, 14, -14, -14)});
}

std::optional<QPointF> SheetsCanvas::inHand() const {
  if (film() == nullptr || !chosen_) return std::nullopt;
  return placeOf(*chosen_);
}

Point SheetsCanvas::onSheet(QPointF p) const {
  const Point at = fit().back(p);
  if (!lies()) return at;
  return {film()->sizeOf(sheet_).wide.mm() - at.y, at.x};
}

std::optional<std::size_t> SheetsCanvas::at(QPointF p) const {
  const FilmSheets* film = this->film();
  if (film == nullptr) return std::nullopt;
  const Point place = onSheet(p);
  for (std::size_t i = 0; i < film->arrangement.laid.size(); ++i) {
    const Laid& laid = film->arrangement.laid[i];
    if (laid.sheet == sheet_ && contains(shapeAt(film->pieces()[laid.piece], laid), place)) {
      return i;
    }
  }
  return std::nullopt;
}

QString SheetsCanvas::nameOf(std::size_t laid) const {
  const FilmSheets& film = *this->film();
  return say(avrelt::nameOf(*work_.sheets(), film.parts[film.arrangement.laid[laid].piece]),
             order_.unit());
}

QString SheetsCanvas::wordsAt(QPointF p) const {
  const std::optional<std::size_t> laid = at(p);
  return laid ? nameOf(*laid) : QString();
}

QPointF SheetsCanvas::placeOf(std::size_t laid) const {
  const FilmSheets& film = *this->film();
  const Laid& one = film.arrangement.laid[laid];
  return fit()(shown()(boundsOf(shapeAt(film.pieces()[one.piece], one)).centre()));
}

void SheetsCanvas::choose(std::optional<std::size_t> laid) {
  chosen_ = laid;
  setAccessibleDescription(laid && film() != nullptr ? nameOf(*laid) : QString());
  update();
  emit chosenNow();
}

void SheetsCanvas::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const FilmSheets* film = this->film();
  if (film == nullptr) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(),
              work_.working() ? tr("The parts are being laid.")
              : !work_.faults().empty()
                  ? tr("The parts cannot be laid. Put right what is said below.")
                  : tr("There is nothing on sheets."));
    drawFocus(painter);
    return;
  }
  const SheetSize size = film->sizeOf(sheet_);
  const FilmPiece& piece = film->from[film->arrangement.sheets[sheet_].film];
  const Fit fit = this->fit();
  const Transform shown = this->shown();
  const auto room = [&](const Box& box) {
    return QRectF(fit(shown(box.low)), fit(shown(box.high))).normalized();
  };
  const auto frame = [&](double inset) {
    return room({{inset, inset}, {size.wide.mm() - inset, size.tall.mm() - inset}});
  };
  const auto lineOf = [&](const std::vector<Point>& points) {
    QPolygonF line;
    for (const Point& p : points) line << fit(shown(p));
    return line;
  };
  const QColor colour =
      film->wanted.colour.empty() ? t.film : QColor(QString::fromStdString(film->wanted.colour));
  painter.setPen(QPen(t.ink, 1.2));
  painter.setBrush(t.panel);
  if (piece.outline.empty()) {
    painter.drawRect(frame(0));
  } else {
    painter.drawPath(painterPath(mapped(piece.outline, shown), fit));
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.muted, 1, Qt::DashLine));
  if (size.margin > Length() && piece.outline.empty()) painter.drawRect(frame(size.margin.mm()));

  if (film->prints()) paintPrint(painter, *film);
  if (!drag_ && cut_ == nullptr) {
    painter.setPen(QPen(t.petrol, 1));
    for (const std::vector<Point>& line : weeding_) painter.drawPolyline(lineOf(line));
  }
  const std::vector<Laid>& all = film->arrangement.laid;
  for (std::size_t i = 0; i < all.size(); ++i) {
    const bool dragged = drag_ && chosen_ == i;
    const Laid& laid = dragged ? drag_->now : all[i];
    if (all[i].sheet != sheet_) continue;
    const QPainterPath path =
        painterPath(mapped(shapeAt(film->pieces()[laid.piece], laid), shown), fit);
    const bool bad = dragged && !drag_->free;
    painter.setPen(bad               ? QPen(t.stop, 2, Qt::DashLine)
                   : chosen_ == i    ? QPen(t.brass, 2.5)
                   : cut_ != nullptr ? QPen(t.muted, 1)
                                     : QPen(t.ink, 1));
    // What is printed shows its print.
    painter.setBrush(film->prints() && !dragged ? QBrush(Qt::NoBrush) : QBrush(colour));
    painter.drawPath(path);
    // What is cut within it and stays in its place.
    painter.setBrush(Qt::NoBrush);
    const Part& part = *film->parts[laid.piece].part;
    if (!part.slits.empty()) {
      for (const Path& slit : laidOut(part, laid.turn, laid.at).slits) {
        painter.drawPolyline(lineOf(flattened(slit, Length::mm(0.1))));
      }
    }
    if (work_.isKept(film_, all[i])) {
      // Laid by hand: a pin.
      const QPointF at = path.boundingRect().center();
      painter.setPen(QPen(t.panel, 1.5));
      painter.setBrush(t.brass);
      painter.drawEllipse(at, 4, 4);
    }
  }
  if (cut_) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.petrol, 1.6));
    for (const CutShape& shape : cut_->shapes) {
      painter.drawPolygon(lineOf(shape.outline));
    }
    // Cuts across waste are meant to be open.
    if (weeding_.empty()) painter.setPen(QPen(t.stop, 2));
    for (const Polyline& line : cut_->open) painter.drawPolyline(lineOf(line.points));
  } else if (!drag_) {
    if (left_) {
      const QRectF place = room(*left_);
      painter.setPen(QPen(t.brass, 1.5, Qt::DashLine));
      painter.drawRect(place);
      painter.setFont(face(12));
      painter.setPen(t.ink);
      const QString measures =
          tr("%1 × %2").arg(onTape(Length::mm(left_->width()), order_.unit()).mark,
                            onTape(Length::mm(left_->height()), order_.unit()).mark);
      // As much as there is room for, along it or up it.
      for (const QString& words : {tr("offcut %1").arg(measures), measures}) {
        const double length = QFontMetricsF(painter.font()).horizontalAdvance(words) + 6;
        if (length > std::max(place.width(), place.height())) continue;
        drawWords(painter, place.center(), words, length > place.width() ? -90 : 0);
        break;
      }
    }
  }
  paintTimes(painter);
  drawFocus(painter);
}

/// The prints of the parts on the sheet, with their bleed, and the marks.
void SheetsCanvas::paintPrint(QPainter& painter, const FilmSheets& film) {
  const Fit fit = this->fit();
  const Transform shown = this->shown();
  prints_.begin();
  for (const Printed& one : printed_) {
    if (drag_ && chosen_ == one.laid) continue;
    const QPainterPath shape = painterPath(mapped(one.shape, shown), fit);
    if (one.print.picture) {
      prints_.draw(painter, shape, one.print.picture, one.print.mesh, transformOf(fit) * shown);
    } else {
      painter.fillPath(shape, QColor(QString::fromStdString(one.print.colour)));
    }
  }
  const Printer& printer = work_.sheets()->choices.printer;
  if (!printer.marks) return;
  const SheetSize size = film.sizeOf(sheet_);
  for (const Point at : markPlaces(printer, size.wide, size.tall)) {
    painter.fillPath(painterPath(mapped(movedBy(markShape(), at), shown), fit), Qt::black);
  }
}

/// What of the sheet is worked out once, not whenever it is painted.
void SheetsCanvas::workOut() {
  weeding_.clear();
  printed_.clear();
  const FilmSheets* film = this->film();
  left_.reset();
  if (film == nullptr) return;
  left_ = offcutOf(*film, sheet_);
  if (const std::optional<Part> weeding = weedingOn(*film, sheet_)) {
    std::vector<Point> box = flattened(weeding->outline, Length::mm(0.1));
    box.push_back(box.front());
    weeding_.push_back(std::move(box));
    for (const Path& cut : weeding->slits) weeding_.push_back(flattened(cut, Length::mm(0.1)));
  }
  if (!film->prints()) return;
  const std::vector<Laid>& all = film->arrangement.laid;
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (all[i].sheet != sheet_) continue;
    Part part = laidOut(*film->parts[all[i].piece].part, all[i].turn, all[i].at);
    if (!part.print) continue;
    printed_.push_back(
        {i, printedOf(part, work_.sheets()->choices.printer.bleed), std::move(*part.print)});
  }
}

void SheetsCanvas::mousePressEvent(QMouseEvent* event) {
  if (film() == nullptr || event->button() != Qt::LeftButton) return;
  choose(at(event->position()));
  if (!chosen_) return;
  const Laid& laid = film()->arrangement.laid[*chosen_];
  drag_ = Drag{onSheet(event->position()), laid, laid, true};
}

void SheetsCanvas::mouseMoveEvent(QMouseEvent* event) {
  if (!drag_) {
    const QString words = wordsAt(event->position());
    if (words.isEmpty()) {
      QToolTip::hideText();
    } else {
      QToolTip::showText(event->globalPosition().toPoint(), words, this);
    }
    return;
  }
  if (film() == nullptr || !chosen_) return drag_.reset();
  drag_->now = drag_->before;
  drag_->now.at = drag_->before.at + (onSheet(event->position()) - drag_->from);
  drag_->free = mayLie(*film(), drag_->before, drag_->now);
  update();
}

void SheetsCanvas::mouseReleaseEvent(QMouseEvent* event) {
  if (!drag_) return;
  if (!rect().contains(event->position().toPoint())) {
    drag_.reset();
    update();
    emit dropped(event->globalPosition().toPoint());
    return;
  }
  const Laid to = drag_->now;
  const bool moved = !(to == drag_->before);
  drag_.reset();
  if (moved) put(to);
  update();
}

/// Whether what is shown is of the order as it is; else says so.
bool SheetsCanvas::mayMove() {
  if (work_.holds()) return true;
  emit said(tr("The order has changed, and its parts are being laid anew. Wait for that."));
  return false;
}

/// Whether a part cannot be laid by hand wherever it would go; says so.
bool SheetsCanvas::isHeld(std::size_t laid) {
  const Laid& one = film()->arrangement.laid[laid];
  if (work_.isAlike(film_, one)) {
    emit said(tr("%1 lies as its print does. Move the print on its own sheet.").arg(nameOf(laid)));
    return true;
  }
  if (!work_.isFull(film_, one)) return false;
  emit said(tr("This cup keeps %1 parts laid by hand, and no more. Free all lets go of them.")
                .arg(Document::mostLaidByHand));
  return true;
}

void SheetsCanvas::put(const Laid& to) {
  if (film() == nullptr || !chosen_) return;
  const std::size_t laid = *chosen_;
  if (!mayMove()) return;
  if (isHeld(laid)) return;
  if (!work_.move(film_, laid, to)) {
    emit said(
        tr("There it would lie off the film or nearer to another than the gap. It stays where "
           "it was."));
    return;
  }
  choose(laid);
  emit said(
      tr("%1 stays where you laid it, and the order keeps that. The others are laid round it.")
          .arg(nameOf(laid)));
}

void SheetsCanvas::sendTo(std::size_t sheet) {
  const FilmSheets* film = this->film();
  if (film == nullptr || !chosen_ || !mayMove() || isHeld(*chosen_)) return;
  const QString name = nameOf(*chosen_);
  const std::size_t count = film->arrangement.sheets.size();
  if (count < 2) {
    emit said(tr("There is but one sheet of this film."));
  } else if (sheet == sheet_) {
    emit said(tr("%1 lies on this sheet already.").arg(name));
  } else if (work_.send(film_, *chosen_, sheet)) {
    emit said(tr("%1 lies on sheet %2 now, and stays there.").arg(name).arg(sheet + 1));
  } else {
    emit said(tr("%1 finds no room on sheet %2.").arg(name).arg(sheet + 1));
  }
}

void SheetsCanvas::go(int by) {
  std::vector<std::size_t> here;
  const std::vector<Laid>& all = film()->arrangement.laid;
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (all[i].sheet == sheet_) here.push_back(i);
  }
  if (here.empty()) return;
  const auto count = static_cast<int>(here.size());
  const auto now = chosen_ ? std::find(here.begin(), here.end(), *chosen_) : here.end();
  const int next = now == here.end() ? (by > 0 ? 0 : count - 1)
                                     : (static_cast<int>(now - here.begin()) + by + count) % count;
  choose(here[static_cast<std::size_t>(next)]);
  follow();
  emit said(nameOf(*chosen_));
}

void SheetsCanvas::keyPressEvent(QKeyEvent* event) {
  if (film() == nullptr) return NearCanvas::keyPressEvent(event);
  if (event->key() == Qt::Key_PageDown) return go(1);
  if (event->key() == Qt::Key_PageUp) return go(-1);
  if (!chosen_) return NearCanvas::keyPressEvent(event);
  Laid to = film()->arrangement.laid[*chosen_];
  const bool far = event->modifiers().testFlag(Qt::ShiftModifier);
  const Length mark = step(usualGraduation(order_.unit())) * (far ? 8 : 1);
  // As it is seen.
  const auto by = [&](Point way) {
    to.at = to.at + (lies() ? Point{-way.y, way.x} : way) * mark.mm();
  };
  switch (event->key()) {
    case Qt::Key_Left:
      by({-1, 0});
      break;
    case Qt::Key_Right:
      by({1, 0});
      break;
    case Qt::Key_Up:
      by({0, 1});
      break;
    case Qt::Key_Down:
      by({0, -1});
      break;
    case Qt::Key_R: {
      const FilmSheets& film = *this->film();
      const MayTurn may = film.pieces()[to.piece].mayTurn;
      if (may == MayTurn::no) {
        emit said(tr("%1 keeps its direction on this film.").arg(nameOf(*chosen_)));
        return;
      }
      // About its middle.
      const Point middle = boundsOf(shapeAt(film.pieces()[to.piece], to)).centre();
      const Angle turn = may == MayTurn::half ? Angle::halfTurn() : Angle::degrees(far ? -15 : 15);
      const Point arm = to.at - middle;
      const double c = std::cos(turn.radians());
      const double s = std::sin(turn.radians());
      to.at = middle + Point{c * arm.x - s * arm.y, s * arm.x + c * arm.y};
      to.turn = (to.turn + turn).wrapped();
      break;
    }
    case Qt::Key_S: {
      const std::size_t count = film()->arrangement.sheets.size();
      return sendTo((sheet_ + (far ? count - 1 : 1)) % count);
    }
    case Qt::Key_Escape:
      return choose(std::nullopt);
    default:
      return NearCanvas::keyPressEvent(event);
  }
  put(to);
  follow();
}

}  // namespace avrelt

#include "moc_sheets_canvas.cpp"
