// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/cut/sheets_work.h"
#include "app/views/near_canvas.h"
#include "app/views/print_paint.h"
#include "sheet/cut_film.h"

namespace avrelt {

/// One sheet with the parts that lie on it, in the colour of its film. A part is dragged and turned
/// by hand, or chosen by Page Up and Page Down, moved by the arrow keys by marks of the tape and
/// turned by R; it springs back from where it may not lie.
class SheetsCanvas : public NearCanvas {
  Q_OBJECT

 public:
  explicit SheetsCanvas(SheetsWork& work, Order& order, QWidget* parent = nullptr);

  void show(std::size_t film, std::size_t sheet);
  /// What the cutter left of it, drawn over the plan; nothing takes it away.
  void showCut(const std::shared_ptr<const CutFilm>& cut);
  /// The words of the part at a place of the screen; empty beside any.
  QString wordsAt(QPointF p) const;
  /// Where the middle of a part is on the screen, by its number on the film.
  QPointF placeOf(std::size_t laid) const;
  /// The part that is chosen, by its number on the film.
  std::optional<std::size_t> chosen() const { return chosen_; }
  void choose(std::optional<std::size_t> laid);
  /// Lays the part chosen on another of its film's sheets; says whether it found room.
  void sendTo(std::size_t sheet);

 signals:
  /// A part was let go off the sheet, here on the screen.
  void dropped(QPoint global);
  void said(const QString& words);
  void chosenNow();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  std::optional<QPointF> inHand() const override;

 private:
  void paintPrint(QPainter& painter, const FilmSheets& film);
  void workOut();
  const FilmSheets* film() const;
  /// A sheet that is taller than wide is shown lying, its upper end to the right.
  bool lies() const;
  Transform shown() const;
  Fit fit() const;
  Point onSheet(QPointF p) const;
  std::optional<std::size_t> at(QPointF p) const;
  QString nameOf(std::size_t laid) const;
  bool mayMove();
  bool isHeld(std::size_t laid);
  void put(const Laid& to);
  void go(int by);

  SheetsWork& work_;
  Order& order_;
  std::size_t film_ = 0;
  std::size_t sheet_ = 0;
  std::shared_ptr<const CutFilm> cut_;
  std::optional<std::size_t> chosen_;
  /// A part on its way, and from where the hand took it.
  struct Drag {
    Point from;
    Laid before;
    Laid now;
    bool free = true;
  };
  std::optional<Drag> drag_;
  /// A part's print as it lies on the sheet, up to its bleed.
  struct Printed {
    std::size_t laid = 0;
    Polygon shape;
    PartPrint print;
  };
  std::vector<Printed> printed_;
  PrintPaint prints_;
  std::vector<std::vector<Point>> weeding_;  ///< its box and its cuts, mm
  std::optional<Box> left_;                  ///< of the sheet, worth keeping
};

}  // namespace avrelt
