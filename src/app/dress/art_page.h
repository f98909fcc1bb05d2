// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/order/order.h"

namespace avrelt {

/// The artworks of the order in small pictures, and where new ones come from.
class ArtPage : public QWidget {
  Q_OBJECT

 public:
  explicit ArtPage(Order& order, QWidget* parent = nullptr);

  QListWidget& list() { return *list_; }
  QPushButton& useButton() { return *use_; }
  /// Stands beside the page's title.
  QAction* joinAction(JoinKind kind) const { return joins_[static_cast<std::size_t>(kind)]; }
  QAction* apartAction() const { return apart_; }
  QAction* removeAction() const { return remove_; }
  QAction* copyAction() const { return copy_; }

 signals:
  void drawingAsked();
  void pictureAsked();
  void wordsAsked();
  void shapeAsked();
  /// Whatever is in hand is to be kept on the shop's shelf of shapes.
  void keepAsked();
  void said(const QString& sentence);

 private:
  void connectFields();
  void refresh();
  std::vector<std::string> chosen() const;
  void join(JoinKind kind);

  Order& order_;
  QListWidget* list_ = nullptr;
  QPushButton* use_ = nullptr;
  QPushButton* more_ = nullptr;
  QLabel* words_ = nullptr;
  std::array<QAction*, 4> joins_{};
  QAction* apart_ = nullptr;
  QAction* copy_ = nullptr;
  QAction* keep_ = nullptr;
  QAction* remove_ = nullptr;
  std::vector<SharedArt> shown_;
  bool filling_ = false;
};

}  // namespace avrelt
