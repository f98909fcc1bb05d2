// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/stack_rows.h"

#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {
namespace {

constexpr int oneLine = 30;
constexpr int conflictLine = 20;
constexpr int swatchWide = 26;

}  // namespace

QString StackRow::whole() const {
  QString all = of.isEmpty() ? name : QStringLiteral("%1, %2").arg(name, of);
  if (!conflict.isEmpty()) all += QStringLiteral(". ") + conflict;
  return all;
}

StackRows::StackRows(QListWidget& list) : LineDelegate(&list), list_(list) {
  list.setItemDelegate(this);
  list.setWordWrap(false);
}

void StackRows::show(const std::vector<StackRow>& rows) {
  rows_ = rows;
  QStringList lines;
  for (const StackRow& row : rows) lines << row.whole();
  showLines(list_, lines);
  for (int i = 0; i < list_.count(); ++i) list_.item(i)->setToolTip(lines[i]);
  emit sizeHintChanged({});
  list_.viewport()->update();
}

QSize StackRows::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
  const auto at = static_cast<std::size_t>(index.row());
  const bool conflict = at < rows_.size() && !rows_[at].conflict.isEmpty();
  return {option.rect.width(), oneLine + (conflict ? conflictLine : 0)};
}

void StackRows::paint(QPainter* painter, const QStyleOptionViewItem& option,
                      const QModelIndex& index) const {
  const auto at = static_cast<std::size_t>(index.row());
  if (at >= rows_.size()) return;
  const StackRow& row = rows_[at];
  const Theme& t = theme();
  const bool chosen = option.state.testFlag(QStyle::State_Selected);
  const QColor told = row.level == WatchLevel::stop   ? t.stop
                      : row.level == WatchLevel::warn ? t.warn
                                                      : t.petrol;
  painter->save();
  painter->setRenderHint(QPainter::Antialiasing);
  const QRectF box = QRectF(option.rect).adjusted(2.5, 1.5, -2.5, -1.5);
  QColor ground = t.panel;
  if (!row.conflict.isEmpty()) {
    constexpr double tint = 0.1;
    ground = QColor::fromRgbF(ground.redF() + (told.redF() - ground.redF()) * tint,
                              ground.greenF() + (told.greenF() - ground.greenF()) * tint,
                              ground.blueF() + (told.blueF() - ground.blueF()) * tint);
  }
  painter->setPen(QPen(chosen ? t.brass : row.conflict.isEmpty() ? t.rule : told, chosen ? 2 : 1));
  painter->setBrush(ground);
  painter->drawRoundedRect(box, 4, 4);
  const QRectF swatch(box.left() + 8, box.top() + 6, swatchWide, oneLine - 15);
  painter->setPen(QPen(t.rule, 1));
  painter->setBrush(row.colour);
  painter->drawRoundedRect(swatch, 2, 2);
  const double left = swatch.right() + 10;
  const double wide = box.right() - 8 - left;
  QFont bold = face(13, QFont::DemiBold);
  bold.setStrikeOut(row.off);
  painter->setFont(bold);
  const QFontMetricsF names(bold);
  const double most = row.of.isEmpty() ? wide : wide * 0.62;
  const QString name = names.elidedText(row.name, Qt::ElideRight, most);
  painter->setPen(t.ink);
  const double line = oneLine - 3;
  painter->drawText(QRectF(left, box.top(), wide, line), Qt::AlignLeft | Qt::AlignVCenter, name);
  const QFont plain = face(12);
  painter->setFont(plain);
  painter->setPen(t.muted);
  const double taken = std::min(most, names.horizontalAdvance(name)) + 10;
  painter->drawText(QRectF(left + taken, box.top(), wide - taken, line),
                    Qt::AlignLeft | Qt::AlignVCenter,
                    QFontMetricsF(plain).elidedText(row.of, Qt::ElideRight, wide - taken));
  if (!row.conflict.isEmpty()) {
    const QFont strong = face(12, QFont::DemiBold);
    painter->setFont(strong);
    painter->setPen(told);
    painter->drawText(QRectF(left, box.top() + line - 4, wide, conflictLine),
                      Qt::AlignLeft | Qt::AlignVCenter,
                      QFontMetricsF(strong).elidedText(row.conflict, Qt::ElideRight, wide));
  }
  painter->restore();
}

bool StackRows::editorEvent(QEvent* event, QAbstractItemModel* model,
                            const QStyleOptionViewItem& option, const QModelIndex& index) {
  const auto at = static_cast<std::size_t>(index.row());
  if (event->type() == QEvent::MouseButtonRelease && at < rows_.size() &&
      !rows_[at].conflict.isEmpty()) {
    const auto* mouse = static_cast<QMouseEvent*>(event);
    if (mouse->button() == Qt::LeftButton &&
        mouse->position().y() > option.rect.top() + oneLine - 4) {
      emit pressed(index.row());
      return true;
    }
  }
  return LineDelegate::editorEvent(event, model, option, index);
}

}  // namespace avrelt

#include "moc_stack_rows.cpp"
