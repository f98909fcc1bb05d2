// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>
#include <vector>

#include "app/order/order.h"
#include "app/views/near_canvas.h"
#include "app/views/print_paint.h"
#include "decal/place_snap.h"

namespace avrelt {

/// The wall of the cup in hand rolled out: seam at both ends, directions along the rim, a tape up
/// the side, and the wrap on it. Its lines can be dragged; they snap to the tape's marks.
///
/// By keyboard: left and right pick a line, up and down move it by a mark, with Shift by eight.
/// Where zones are shown left and right pick a zone, Page Up and Page Down a line, up and down move
/// that by a mark, and with Alt left and right by a degree or a mark.
class FlatView : public NearCanvas {
  Q_OBJECT

 public:
  explicit FlatView(Order& order, QWidget* parent = nullptr);

  /// Whether the marking strip lies on the flat as well.
  void showStrip(bool shown);
  /// Whether zones and their lines are shown, and picked and pulled, instead of the wrap.
  void showZones(bool shown);
  /// Whether a click picks a cell of the zone in hand; cells are shown wherever zones are.
  void showCells(bool shown);
  /// Whether sets are shown on the zones, and may be taken in hand and dragged.
  void showSets(bool shown, bool movable);
  /// Whether the next click says by which point of its artwork the set in hand is placed.
  void askForPoint(bool asked);
  /// Where the anchor of a place is on screen, by its id, or of a set's first.
  QPointF placeOfSet(const std::string& id) const;
  /// Where a zone's letter stands on screen, and where a line's middle does.
  QPointF placeOfZone(const std::string& letter) const;
  QPointF placeOfLine(const std::string& id) const;
  /// Where a place on the wall is, from the seam's left edge.
  QPointF placeOfWall(WallPoint place) const;
  /// Whether what the film has to bear is painted on it.
  void showStretch(bool shown);
  /// Where a line's line is on screen, for pointing at it.
  QPointF placeOf(GaugeLine gaugeLine) const;

 signals:
  /// A cell of the zone in hand was clicked, at this place of the wall.
  void cellClicked(avrelt::WallPoint place);
  /// A point is not waited for any more.
  void pointAsked(bool asked);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  std::optional<QPointF> inHand() const override;
  void looked() override;

 private:
  void refit();
  GaugeLine gaugeLineAt(QPointF p) const;
  Path lineOf(GaugeLine gaugeLine) const;
  std::vector<GaugeLine> gaugeLines() const;
  void dragTo(QPointF p);
  QString stageWords() const;
  void paintHead(QPainter& painter) const;

  void paintTape(QPainter& painter, const WrapLayout& wrap) const;
  void paintDirections(QPainter& painter, const WrapLayout& wrap) const;
  void paintLines(QPainter& painter, const CupPlan& plan) const;
  void paintZones(QPainter& painter, const CupPlan& plan) const;
  QPainterPath pathOf(const WallLine& line, bool closed) const;
  QPolygonF polygonOf(const WallLine& line, bool closed = true) const;
  const DivideLine* lineNear(QPointF p) const;
  bool zoneKey(QKeyEvent& event);
  void clickCell(QPointF p);
  void paintSets(QPainter& painter, const CupPlan& plan) const;
  void paintLaid(QPainter& painter, const CupPlan& plan, const std::set<std::string>& off) const;
  void paintStripe(QPainter& painter, const CupPlan& plan, const std::string& id) const;
  void paintSnap(QPainter& painter, const CupPlan& plan) const;
  void paintOver(QPainter& painter, const CupPlan& plan, const StackItem& item) const;
  void paintLayer(QPainter& painter, const CupPlan& plan, const StackItem& item) const;
  void paintCuts(QPainter& painter, const CupPlan& plan, const QPainterPath& laid) const;
  void paintNumbers(QPainter& painter, const CupPlan& plan) const;
  void paintSeen(QPainter& painter, const CupPlan& plan) const;
  void paintPlace(QPainter& painter, const CupPlan& plan, const PlacePlan& place) const;
  bool takeSet(QPointF p);
  bool setKey(QKeyEvent& event);
  void paintMove(QPainter& painter, const CupPlan& plan) const;
  struct LinePlate {
    QPointF at;
    QString words;
  };
  std::vector<LinePlate> lineNumbers(const CupPlan& plan, WordRoom& room) const;
  void paintLetters(QPainter& painter, const CupPlan& plan, WordRoom& room) const;
  void paintCells(QPainter& painter, const CupPlan& plan) const;
  void paintPrints(QPainter& painter, const CupPlan& plan, const FillPlan& fill, const Fill& chosen,
                   const std::vector<QPainterPath>& shapes) const;
  WallPoint wallAt(QPointF p) const;
  void paintLaying(QPainter& painter, const CupPlan& plan) const;
  void paintStretchFigures(QPainter& painter, const CupPlan& plan) const;
  void paintFigures(QPainter& painter, const CupPlan& plan) const;

  Order& order_;
  Fit fit_;
  std::string shown_;  ///< the cup it is of, by its id
  GaugeLine hovered_ = GaugeLine::none;
  GaugeLine dragged_ = GaugeLine::none;
  bool stripShown_ = false;
  bool zonesShown_ = false;
  bool cellsShown_ = false;
  bool setsShown_ = false;
  bool setsMove_ = false;
  bool setPulled_ = false;   ///< the set in hand is being dragged
  bool pointAsked_ = false;  ///< the next click is a point of the set in hand
  Snap snap_;                ///< what the set being dragged is drawn to
  WallPoint setOff_;         ///< from its middle to where it was taken
  std::string pulled_;       ///< being dragged
  WallPoint taken_;          ///< where it was taken
  bool stretchShown_ = true;
  mutable PrintPaint prints_;  ///< kept while it is looked at
};

}  // namespace avrelt
