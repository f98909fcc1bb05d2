// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <future>
#include <QObject>
#include <QTimer>
#include <vector>

#include "app/order/order.h"
#include "app/order/shelf.h"
#include "job/estimate.h"

namespace avrelt {

/// Which films of the shelf there is too little of for what the order has yet to cut: reckoned
/// beside the window, once the hand rests, and only when it is asked for.
class FilmWatch : public QObject {
  Q_OBJECT

 public:
  FilmWatch(Order& order, Shelf& shelf, QObject* parent = nullptr);

  /// The films of the shelf that run short, as they were reckoned last.
  const std::vector<FilmNeed>& missing() const { return missing_; }
  /// Reckons anew where order, shelf or waste changed since; what is done at the bench changes
  /// nothing of it.
  void look();
  /// The same soon, where something was said that may not be so any longer.
  void lookIfSaid();
  /// Another order is in hand: nothing is known of it yet.
  void begin();
  /// Looks, and waits for it, up to a minute.
  void lookNow();

 signals:
  void changed();

 private:
  struct Asked {
    Document document;
    Stock stock;
    FilmShelf films;
    double waste = 0;

    friend bool operator==(const Asked&, const Asked&) = default;
  };
  Asked asked() const;
  void poll();

  Order& order_;
  Shelf& shelf_;
  std::optional<Asked> asked_;  ///< last
  std::future<std::vector<FilmNeed>> reckoning_;
  QTimer poll_;
  QTimer rest_;
  std::vector<FilmNeed> missing_;
};

}  // namespace avrelt
