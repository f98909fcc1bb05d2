// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QHBoxLayout>
#include <QStackedWidget>
#include <QStringList>
#include <QVBoxLayout>
#include <QWidget>

#include "app/fields/segments.h"

namespace avrelt {

/// Pages in one place, told apart by words above them.
class Pages : public QWidget {
 public:
  Pages(const QString& name, const QStringList& titles, const QList<QWidget*>& pages) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(8);
    head_ = new QHBoxLayout;
    head_->setSpacing(10);
    titles_ = new Segments(name, titles);
    head_->addWidget(titles_);
    column->addLayout(head_);
    stack_ = new QStackedWidget;
    for (QWidget* page : pages) stack_->addWidget(page);
    column->addWidget(stack_, 1);
    titles_->show(0);
    connect(titles_, &Segments::picked, stack_, &QStackedWidget::setCurrentIndex);
  }

  using QWidget::show;
  void show(int page) {
    titles_->show(page);
    stack_->setCurrentIndex(page);
  }
  int shown() const { return stack_->currentIndex(); }
  /// What stands to the right of the words.
  QHBoxLayout* head() { return head_; }

 private:
  QHBoxLayout* head_;
  Segments* titles_;
  QStackedWidget* stack_;
};

}  // namespace avrelt
