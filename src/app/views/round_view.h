// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/look/painting.h"
#include "app/order/order.h"
#include "app/views/print_paint.h"
#include "cup/cup_camera.h"

namespace avrelt {

/// The cup in hand as it stands on the bench, with the wrap on it, or its zones. Dragging turns it,
/// as the left and right arrow keys do; Home brings the front forward. A cut line is pulled where
/// it is dragged, and a click picks a zone.
class RoundView : public Canvas {
  Q_OBJECT

 public:
  explicit RoundView(Order& order, QWidget* parent = nullptr);

  /// The direction that faces the onlooker; 0 is the front.
  CupAngle facing() const { return facing_; }
  void face(CupAngle direction);
  void showStrip(bool shown);
  void showStretch(bool shown);
  void showZones(bool shown);
  /// Without what says how to turn it, where it stands at the side of something else.
  void hideHints() { hints_ = false; }
  /// From then on it is only looked at: it turns, but nothing on it is picked or pulled.
  void onlyShow() { onlyShown_ = true; }
  /// What stands above it.
  void setCaption(const QString& caption);
  /// Whether a click picks a cell of the zone in hand; cells are shown wherever zones are.
  void showCells(bool shown);
  /// Whether sets are shown on the zones, and may be dragged.
  void showSets(bool shown, bool movable);
  /// The place on the near side of the wall, from the seam's left edge; nothing beside the cup.
  std::optional<WallPoint> wallAt(QPointF p) const;
  /// Where a cut line's nearest place to the onlooker appears; nothing where none is seen.
  std::optional<QPointF> placeOfLine(const std::string& id) const;

 signals:
  /// A cell of the zone in hand was clicked, at this place of the wall.
  void cellClicked(avrelt::WallPoint place);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void refit();
  CupCamera cameraOn(const Body& body) const;
  /// Where a place on the wall appears, and whether it is on the near side.
  QPointF project(const Body& body, CupAngle onCup, Length s) const;
  bool near(const Body& body, CupAngle onCup, Length s) const;
  QPainterPath ringPath(const Body& body, Length s, bool nearOnly) const;
  QPainterPath gaugeLinePath(GaugeLine gaugeLine) const;
  void paintBand(QPainter& painter, const Body& body, Length low, Length high,
                 const QColor& colour) const;
  QPainterPath uprightPath(const Body& body, CupAngle onCup, Length low, Length high) const;
  QPainterPath leaningPath(const Body& body, CupAngle lower, CupAngle upper, Length low,
                           Length high) const;
  QPolygonF patchOf(const Body& body, Length low, Length high, Angle from, Angle to) const;
  /// In how many steps a line up the wall is drawn.
  static int risesOf(const Body& body);
  void paintLaying(QPainter& painter, const CupPlan& plan) const;
  /// What of the wall is seen: round one angle of the frame, so far to both sides.
  struct Sight {
    Angle middle;
    Angle half;
  };
  Sight sightOf(const CupPlan& plan) const;
  static std::vector<WallLine> seenOf(const Region& region, const Sight& sight);
  int stepsRound(Angle angle) const;
  std::vector<QPolygonF> polygonsOf(const CupPlan& plan,
                                    const std::vector<WallLine>& outlines) const;
  QPainterPath pathOf(const CupPlan& plan, const std::vector<WallLine>& outlines) const;
  QPainterPath edgeOf(const CupPlan& plan, const Region& region, const Sight& sight) const;
  QLinearGradient lightOn(const QColor& colour, double radius) const;
  void paintZones(QPainter& painter, const CupPlan& plan) const;
  void paintMove(QPainter& painter, const CupPlan& plan, const TapeMove& move,
                 const QPainterPath& open) const;
  void paintPrint(QPainter& painter, const CupPlan& plan, const Zone& zone, const Finish& finish,
                  const QPainterPath& shape, const Sight& sight) const;
  void paintCuts(QPainter& painter, const CupPlan& plan) const;
  void paintNames(QPainter& painter, const CupPlan& plan) const;
  QPainterPath linePath(const CupPlan& plan, const DivideLine& line) const;
  const DivideLine* lineNear(QPointF p) const;
  void pickZoneAt(QPointF p);
  void paintStripe(QPainter& painter, const CupPlan& plan, const std::string& id) const;
  void shadeLike(QPainter& painter, const Body& body, const QPainterPath& shape) const;
  void paintOver(QPainter& painter, const CupPlan& plan, const StackItem& item,
                 const Sight& sight) const;
  void paintLayer(QPainter& painter, const CupPlan& plan, const StackItem& item,
                  const Sight& sight) const;
  void paintCells(QPainter& painter, const CupPlan& plan, const Sight& sight) const;
  void paintEdges(QPainter& painter, const Body& body) const;
  void paintRimMarks(QPainter& painter, const CupPlan& plan) const;
  void paintBody(QPainter& painter, const CupPlan& plan) const;
  void paintLines(QPainter& painter, const CupPlan& plan) const;

  Order& order_;
  CupAngle facing_;
  double scale_ = 1;
  QPointF middle_;
  Length plumb_;                         ///< of the body
  Angle roundStep_ = Angle::degrees(4);  ///< places on a ring so far apart look round
  QPointF pressed_;
  CupAngle pressedFacing_;
  bool turned_ = false;
  bool stripShown_ = false;
  bool stretchShown_ = true;
  bool hints_ = true;
  bool onlyShown_ = false;
  QString caption_ = tr("In the round");
  bool zonesShown_ = false;
  bool cellsShown_ = false;
  bool setsShown_ = false;
  bool setsMove_ = false;
  bool setPulled_ = false;
  std::string pulled_;         ///< a cut line being dragged
  WallPoint taken_;            ///< where it was taken
  mutable PrintPaint prints_;  ///< kept while it is looked at
};

}  // namespace avrelt
