// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDateTime>
#include <QWidget>

#include "app/order/bench_work.h"
#include "app/views/round_view.h"

namespace avrelt {

/// One step over the whole screen, in letters to be read from two metres, for hands in gloves: a
/// click anywhere, the space bar, Return or the right arrow ticks it off and goes on, the left
/// arrow takes that back, B notes that it is begun, Escape leaves. Other cups' times stand below.
/// The screen is kept awake.
class StandoffView : public QWidget {
  Q_OBJECT

 public:
  explicit StandoffView(BenchWork& work, QWidget* parent = nullptr);
  ~StandoffView() override;

  QString title() const;
  QString countdown() const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QString whenItBegins(const BenchWork::Place& place) const;
  void next();
  void showCup();
  void keepAwake(bool on);

  BenchWork& work_;
  RoundView* round_ = nullptr;
  unsigned awake_ = 0;
  QDateTime last_;
};

}  // namespace avrelt
