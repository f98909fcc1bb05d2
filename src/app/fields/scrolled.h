// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QScrollArea>
#include <QScrollBar>

namespace avrelt {

/// An area of which nothing is seen but its content, and its bars where there is too little room.
inline void plain(QScrollArea& area, QWidget* content) {
  area.setWidget(content);
  area.setFrameShape(QFrame::NoFrame);
  area.setFocusPolicy(Qt::NoFocus);
  area.setObjectName(QStringLiteral("scrolled"));
  content->setAutoFillBackground(false);
}

/// A widget that can be scrolled where there is less room than `least`, and otherwise fills what
/// there is as if nothing were round it. What takes the keyboard comes into sight by itself.
class Scrolled : public QScrollArea {
 public:
  Scrolled(QWidget* content, QSize least) : least_(least) { plain(*this, content); }

 protected:
  void resizeEvent(QResizeEvent* event) override {
    QScrollArea::resizeEvent(event);
    widget()->resize(viewport()->size().expandedTo(least_));
  }

 private:
  QSize least_;
};

/// A column of a fixed width beside something else, scrolled where it is too tall.
inline QScrollArea* scrolledColumn(QWidget* content) {
  auto* area = new QScrollArea;
  plain(*area, content);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  area->setFixedWidth(content->maximumWidth() + area->verticalScrollBar()->sizeHint().width());
  return area;
}

/// A page of a card, as wide as that, scrolled where it is too tall.
inline QScrollArea* scrolledPage(QWidget* content) {
  auto* area = new QScrollArea;
  plain(*area, content);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  return area;
}

}  // namespace avrelt
