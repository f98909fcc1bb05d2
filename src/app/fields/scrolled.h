// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QScrollArea>
#include <QScrollBar>

namespace avrelt {

/// A widget that can be scrolled where there is too little room for it, and looks as before where
/// there is enough. What takes the keyboard comes into sight by itself.
inline QScrollArea* scrolled(QWidget* content) {
  auto* area = new QScrollArea;
  area->setWidget(content);
  area->setWidgetResizable(true);
  area->setFrameShape(QFrame::NoFrame);
  area->setFocusPolicy(Qt::NoFocus);
  area->viewport()->setAutoFillBackground(false);
  content->setAutoFillBackground(false);
  return area;
}

/// The same for a column of a fixed width beside something else.
inline QScrollArea* scrolledColumn(QWidget* content) {
  QScrollArea* area = scrolled(content);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  area->setFixedWidth(content->maximumWidth() + area->verticalScrollBar()->sizeHint().width());
  return area;
}

}  // namespace avrelt
