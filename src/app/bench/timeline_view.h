// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "app/order/bench_work.h"

namespace avrelt {

/// When to do what: a row for each cup and one for each pair of hands, a column for each day there
/// is work on, the present moving through. A step is a block, what it waits for a line to the next,
/// with a tick where that may begin and one where it has to have begun. Blocks are dragged to begin
/// later, within what is allowed, which is shown meanwhile.
///
/// Keys: arrows go from step to step and from cup to cup, with Shift a step begins later or
/// sooner, Delete lets it begin when it can, Page keys turn the days.
class TimelineView : public Canvas {
  Q_OBJECT

 public:
  explicit TimelineView(BenchWork& work, QWidget* parent = nullptr);

  /// "Three evenings, four turners", and when it is done: what stands above the rows.
  QString headline() const;
  QString whenDone() const;
  /// Where a step is drawn; empty where it is not in sight.
  QRectF blockOf(const BenchWork::Place& place) const;
  /// How much later a step could begin with all done as soon; empty for one that is done.
  QString slackWords(const BenchWork::Place& place) const;
  int firstDay() const { return firstDay_; }

 signals:
  void stepOpened();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void hideEvent(QHideEvent* event) override;
  bool event(QEvent* event) override;

 private:
  struct Day {
    CivilTime from;  ///< the first that is shown of it
    CivilTime to;
    QRectF box;
  };
  struct Block {
    BenchWork::Place place;
    CivilTime from;
    CivilTime to;
    bool done = false;
    std::size_t pair = 1;
    bool atHand = false;
  };
  struct Drag {
    BenchWork::Place place;
    CivilTime earliest;
    std::optional<CivilTime> latest;
    Duration takes;
    CivilTime start;
    double grip = 0;
    bool moved = false;
  };
  static constexpr double labelWidth = 108;
  static constexpr double headHeight = 34;
  static constexpr double dayHeight = 24;
  void layOut();
  void refresh();
  static QString dayWords(CivilTime time) { return QString::fromStdString(dayText(time)); }
  static QString clockWords(CivilTime time) { return QString::fromStdString(clockText(time)); }
  double rowOf(std::size_t cup) const;
  std::optional<QPointF> placeOf(CivilTime time, bool end = false) const;
  std::optional<CivilTime> timeAt(double x) const;
  std::optional<Block> blockAt(QPointF at) const;
  QRectF rectOf(const Block& block) const;
  QString wordsOf(const Block& block) const;
  std::optional<Drag> dragFor(const Block& block) const;
  void beginAt(const BenchWork::Place& place, std::optional<CivilTime> start);
  void pick(BenchWork::Place place);
  void letGo();
  void paintDays(QPainter& painter) const;
  void paintRows(QPainter& painter) const;
  void paintWaits(QPainter& painter) const;
  void paintBlocks(QPainter& painter) const;
  void paintHands(QPainter& painter) const;
  void paintNow(QPainter& painter) const;
  void paintDrag(QPainter& painter) const;
  void reveal(const BenchWork::Place& place);

  BenchWork& work_;
  std::vector<Day> days_;      ///< all there are, boxes only of those in sight
  std::vector<Block> blocks_;  ///< by cup and start
  int firstDay_ = 0;
  int firstRow_ = 0;
  int shownDays_ = 3;
  double rowHeight_ = 40;
  double rowsTop_ = 0;
  int shownRows_ = 0;
  std::optional<Drag> drag_;
  std::optional<BenchWork::Place> shown_;
};

}  // namespace avrelt
