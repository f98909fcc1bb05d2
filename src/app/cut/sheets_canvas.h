// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/views/painting.h"
#include "job/sheets.h"

namespace avrelt {

/// One sheet with the parts that lie on it, in the colour of its film. Hovering tells which part is
/// whose.
class SheetsCanvas : public Canvas {
  Q_OBJECT

 public:
  explicit SheetsCanvas(QWidget* parent = nullptr);

  void show(std::shared_ptr<const SheetPlan> sheets, std::size_t film, std::size_t sheet);
  /// The words of the part at a place of the screen; empty beside any.
  QString wordsAt(QPointF p) const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;

 private:
  Fit fit() const;

  std::shared_ptr<const SheetPlan> sheets_;
  std::size_t film_ = 0;
  std::size_t sheet_ = 0;
};

}  // namespace avrelt
