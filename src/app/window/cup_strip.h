// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLineEdit>

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// The cups of the order side by side, each as its own silhouette. A click takes one in hand, a
/// drag moves it along, a double click renames it, the right button brings its menu.
///
/// By keyboard: left and right choose, with Shift they move the cup; F2 renames.
class CupStrip : public Canvas {
  Q_OBJECT

 public:
  explicit CupStrip(Order& order, QWidget* parent = nullptr);

  void rename(int index);
  QRectF placeOf(int index) const;
  QLineEdit* nameEdit() const { return name_; }
  QSize sizeHint() const override { return {400, 42}; }
  QSize minimumSizeHint() const override { return {120, 42}; }

 signals:
  void menuAsked(const QPoint& at);
  /// A name was refused, or the last refusal no longer stands (empty).
  void nameRefused(const QString& sentence);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void contextMenuEvent(QContextMenuEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  int cupAt(QPointF p) const;
  int count() const { return static_cast<int>(order_.document().cups.size()); }
  double cupWidth() const;
  double scroll() const;
  void takeName();

  Order& order_;
  QLineEdit* name_;
  int renamed_ = -1;
  int dragged_ = -1;
  QPointF pressed_;
  double dragX_ = 0;
  std::vector<std::pair<std::string, std::optional<Blank>>> shown_;
  int shownIndex_ = -1;
};

}  // namespace avrelt
