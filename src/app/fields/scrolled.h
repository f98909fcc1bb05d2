// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QScrollArea>
#include <QScrollBar>

namespace avrelt {

/// A widget that can be scrolled where there is less room than `least`, and otherwise fills what
/// there is as if nothing were round it. What takes the keyboard comes into sight by itself.
class Scrolled : public QScrollArea {
 public:
  Scrolled(QWidget* content, QSize least) : least_(least) {
    setWidget(content);
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::NoFocus);
    setObjectName(QStringLiteral("scrolled"));
    content->setAutoFillBackground(false);
  }

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
  area->setWidget(content);
  area->setWidgetResizable(true);
  area->setFrameShape(QFrame::NoFrame);
  area->setFocusPolicy(Qt::NoFocus);
  area->setObjectName(QStringLiteral("scrolled"));
  content->setAutoFillBackground(false);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  area->setFixedWidth(content->maximumWidth() + area->verticalScrollBar()->sizeHint().width());
  return area;
}

}  // namespace avrelt
