// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/trace/photo_canvas.h"
#include "cup/photo_sight.h"
#include "job/plan.h"

namespace avrelt {

/// A photo of a taped or dressed cup with its plan laid over it: handles at the ends and the near
/// sides of base and rim, one above the front, and one at a place that is asked about, to where a
/// click puts it.
class CheckCanvas : public PhotoCanvas {
  Q_OBJECT

 public:
  enum Handle { baseLeft, baseRight, baseNear, rimLeft, rimRight, rimNear, front, asked };

  explicit CheckCanvas(CupPlan plan, QWidget* parent = nullptr);

  std::size_t handleCount() const override { return asked + 1; }
  /// How far the camera stood, where it was measured.
  void setDistance(std::optional<Length> distance);
  std::optional<Length> distance() const { return distance_; }
  /// The camera as the marks have it, or why there is none.
  const Checked<PhotoSight>& sight() const { return sight_; }
  /// The place asked about, θ from the cup's front; nothing beside it.
  std::optional<PhotoSight::Place> askedAt() const;
  const CupPlan& plan() const { return plan_; }

 protected:
  using PhotoCanvas::pointOf;
  Point& pointOf(std::size_t handle) override;
  void begin(double width, double height) override;
  void changed() override;
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  QPainterPath pathOf(const WallLine& line, bool closed) const;
  void paintPlan(QPainter& painter) const;

  CupPlan plan_;
  PhotoMarks marks_;
  Point asked_;
  std::optional<Length> distance_;
  Checked<PhotoSight> sight_;
};

}  // namespace avrelt
