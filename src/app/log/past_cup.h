// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QTimer>

#include "app/log/log_board.h"
#include "app/views/round_view.h"

namespace avrelt {

/// The cup picked in the log, in the round, as it was made: planned from the order it was of, by
/// what the shop knows now.
class PastCup : public QObject {
  Q_OBJECT

 public:
  explicit PastCup(LogBoard& board, QObject* parent = nullptr);

  /// Stands beside the log; whoever lays it out owns it.
  RoundView& view() { return *view_; }
  Order& order() { return order_; }
  /// Whether a cup is picked.
  bool there() const { return shown_.has_value(); }
  /// Whether anybody sees it; what nobody sees is not planned.
  void setSeen(bool seen);

 signals:
  void changed();

 private:
  void follow();
  void look();

  LogBoard& board_;
  Order order_;
  RoundView* view_;
  std::optional<LogEntry> shown_;
  bool seen_ = false;
  bool stale_ = false;
  QTimer later_;
};

}  // namespace avrelt
