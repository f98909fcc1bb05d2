// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// What to watch, along the foot of the window: one warning in a whole sentence, the worst first,
/// and how many there are. A click, or Return, goes to the place; the count steps to the next.
class WatchLine : public Canvas {
  Q_OBJECT

 public:
  explicit WatchLine(Order& order, QWidget* parent = nullptr);

  void next();
  void go();
  QString sentence() const;
  int count() const { return static_cast<int>(items_.size()); }
  /// Something to watch that is not of the cup's plan: at the bench, say.
  struct Item {
    WatchLevel level;
    Where where;
    QString sentence;

    friend bool operator==(const Item&, const Item&) = default;
  };
  void setOthers(const std::vector<Item>& others);
  /// Something to say that is not about the cup, such as where files went. Gone at the next change.
  void say(const QString& sentence);

 signals:
  void goTo(const avrelt::Where& where);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void refresh();
  QString tally() const;

  Order& order_;
  std::vector<Item> items_;
  std::vector<Item> others_;
  std::size_t shown_ = 0;
  QString notice_;
};

}  // namespace avrelt
