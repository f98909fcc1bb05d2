// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/list_lines.h"

#include <algorithm>
#include <QSignalBlocker>
#include <QStyle>
#include <QTextLayout>
#include <utility>

namespace avrelt {
namespace {

/// As the list shows it: a line feed begins a new line.
QString shown(QString text) {
  return text.replace(QLatin1Char('\n'), QChar(QChar::LineSeparator));
}

int linesOf(const QString& text, const QFont& font, int wide) {
  QTextOption option;
  option.setWrapMode(QTextOption::WordWrap);
  QTextLayout layout(text, font);
  layout.setTextOption(option);
  layout.beginLayout();
  int lines = 0;
  for (QTextLine line = layout.createLine(); line.isValid(); line = layout.createLine()) {
    line.setLineWidth(wide);
    ++lines;
  }
  layout.endLayout();
  return std::max(lines, 1);
}

}  // namespace

LineDelegate::Measured& LineDelegate::measured(const QStyleOptionViewItem& option, int room) const {
  constexpr std::size_t mostKept = 6;
  for (Measured& known : measured_) {
    if (known.room == room && known.font == option.font) return known;
  }
  const QWidget* widget = option.widget;
  const QStyle& style = *widget->style();
  QStyleOptionViewItem sample = option;
  sample.rect.setWidth(room);
  sample.features |= QStyleOptionViewItem::HasDisplay | QStyleOptionViewItem::WrapText;
  const auto tall = [&](const QString& text) {
    sample.text = text;
    return style.sizeFromContents(QStyle::CT_ItemViewItem, &sample, QSize(), widget).height();
  };
  Measured made{option.font, room};
  const QString letter(QLatin1Char('X'));
  made.one = tall(letter);
  made.more = tall(letter + QChar(QChar::LineSeparator) + letter) - made.one;
  const int margin = style.pixelMetric(QStyle::PM_FocusFrameHMargin, &sample, widget) + 1;
  made.wide =
      style.subElementRect(QStyle::SE_ItemViewItemText, &sample, widget).width() - 2 * margin;
  if (measured_.size() == mostKept) measured_.erase(measured_.begin());
  return measured_.emplace_back(std::move(made));
}

QSize LineDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
  const auto* list = qobject_cast<const QListView*>(option.widget);
  const int room = list == nullptr           ? 0
                   : option.rect.width() > 0 ? option.rect.width()
                                             : list->viewport()->width();
  if (room <= 0 || index.data(Qt::DecorationRole).isValid()) {
    return QStyledItemDelegate::sizeHint(option, index);
  }
  Measured& measure = measured(option, room);
  const QString text = shown(index.data(Qt::DisplayRole).toString());
  if (!list->wordWrap()) {
    const auto more = static_cast<int>(text.count(QChar(QChar::LineSeparator)));
    return {room, measure.one + more * measure.more};
  }
  auto lines = measure.lines.constFind(text);
  if (lines == measure.lines.cend()) {
    constexpr int most = 20'000;
    if (measure.lines.size() >= most) measure.lines.clear();
    lines = measure.lines.insert(text, linesOf(text, option.font, measure.wide));
  }
  return {room, measure.one + (*lines - 1) * measure.more};
}

void showLines(QListWidget& list, const QStringList& lines) {
  // What is cut short at the edge is as tall as one line.
  const bool fits = list.horizontalScrollBarPolicy() == Qt::ScrollBarAlwaysOff;
  if ((list.wordWrap() || fits) && dynamic_cast<LineDelegate*>(list.itemDelegate()) == nullptr) {
    list.setItemDelegate(new LineDelegate(&list));
  }
  // Thousands of long lines take seconds to break: the window goes on meanwhile.
  constexpr int many = 500;
  constexpr int atOnce = 100;
  list.setBatchSize(atOnce);
  list.setLayoutMode(lines.size() > many ? QListView::Batched : QListView::SinglePass);
  while (list.count() > lines.size()) delete list.takeItem(list.count() - 1);
  for (int i = 0; i < lines.size(); ++i) {
    if (i == list.count()) {
      list.addItem(lines[i]);
    } else if (list.item(i)->text() != lines[i]) {
      if (list.uniformItemSizes()) {
        // None of them moves: told of the change, the view would lay out and paint all of them.
        const QSignalBlocker quiet(list.model());
        list.item(i)->setText(lines[i]);
        list.viewport()->update(list.visualItemRect(list.item(i)));
      } else {
        list.item(i)->setText(lines[i]);
      }
    }
  }
}

}  // namespace avrelt
