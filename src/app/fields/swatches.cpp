// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/swatches.h"

#include <algorithm>
#include <QColorDialog>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {
namespace {
constexpr int coloursPerRow = 9;
constexpr double widest = 28;
constexpr double narrowest = 22;
constexpr double swatchTall = 26;
}  // namespace

const QStringList& Swatches::colours() {
  static const QStringList colours{
      QStringLiteral("#1C1D22"), QStringLiteral("#26314F"), QStringLiteral("#1E5A6B"),
      QStringLiteral("#2F6B46"), QStringLiteral("#5B2A4E"), QStringLiteral("#8C2F39"),
      QStringLiteral("#B5532A"), QStringLiteral("#B08A3C"), QStringLiteral("#6E5A48"),
      QStringLiteral("#7F8A92"), QStringLiteral("#6FA3C7"), QStringLiteral("#7CC0B5"),
      QStringLiteral("#9CB971"), QStringLiteral("#C59BC8"), QStringLiteral("#E59AA0"),
      QStringLiteral("#E9C46A"), QStringLiteral("#F4EFE3")};
  return colours;
}

Swatches::Swatches(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setFixedHeight(static_cast<int>(2 * swatchTall + 4));
  setMinimumWidth(static_cast<int>(coloursPerRow * narrowest));
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(tr("Colour"));
  setAccessibleDescription(tr("Arrow keys go along the pots, Return takes one."));
}

void Swatches::show(const QString& colour) {
  if (colour == colour_) return;
  colour_ = colour;
  const int pot = static_cast<int>(colours().indexOf(colour.toUpper()));
  at_ = pot < 0 ? static_cast<int>(colours().size()) : pot;
  update();
}

QRectF Swatches::placeOf(int pot) const {
  const int row = pot / coloursPerRow;
  const int column = pot % coloursPerRow;
  const double wide = std::clamp(width() / static_cast<double>(coloursPerRow), narrowest, widest);
  return {column * wide + 2, row * swatchTall + 2, wide - 4, swatchTall - 4};
}

void Swatches::take(int pot) {
  if (pot < colours().size()) {
    emit chosen(colours().at(pot));
    return;
  }
  const QColor other = QColorDialog::getColor(QColor(colour_), this, tr("Another colour"));
  if (other.isValid()) emit chosen(other.name().toUpper());
}

void Swatches::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const int own = static_cast<int>(colours().size());
  for (int pot = 0; pot <= own; ++pot) {
    const bool taken = pot == at_;
    painter.setPen(taken ? QPen(hasFocus() ? t.brass : t.ink, 2.5) : QPen(t.rule, 1));
    const bool other = !colour_.isEmpty() && colours().indexOf(colour_.toUpper()) < 0;
    const bool known = pot < own || other;
    painter.setBrush(pot < own ? QColor(colours().at(pot)) : known ? QColor(colour_) : t.panel);
    painter.drawRoundedRect(placeOf(pot), 4, 4);
    if (pot == own) {
      painter.setPen(t.ink);
      painter.setFont(face(13, QFont::DemiBold));
      drawWords(painter, placeOf(pot).center(), tr("…"));
    }
  }
}

void Swatches::mousePressEvent(QMouseEvent* event) {
  for (int pot = 0; pot <= colours().size(); ++pot) {
    if (placeOf(pot).contains(event->position())) take(pot);
  }
}

void Swatches::keyPressEvent(QKeyEvent* event) {
  const int last = static_cast<int>(colours().size());
  if (const std::optional<int> gone = goneInGrid(event->key(), at_, coloursPerRow, last)) {
    at_ = *gone;
    update();
  } else if (takes(event->key())) {
    take(at_);
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_swatches.cpp"
