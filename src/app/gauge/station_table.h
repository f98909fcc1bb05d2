// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPushButton>
#include <QTableWidget>
#include <QWidget>

#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The stations of a curved body as they stand on the cup, the rim uppermost: height and girth, to
/// be typed as a tape is read, and what the girth will be when the wrap is laid.
///
/// By keyboard: arrows move, typing or F2 edits, Insert adds a station above, Delete takes one
/// away.
class StationTable : public QWidget {
  Q_OBJECT

 public:
  explicit StationTable(Order& order, QWidget* parent = nullptr);

  QTableWidget* table() { return table_; }
  /// The station in hand, counted from the base; −1 for none.
  int picked() const;
  void pick(int station);
  /// Puts the keyboard on the field of that name ("blank.stations[2].at"); false where none is.
  bool goTo(const Where& where);

 signals:
  void stationPicked(int station);
  void said(const QString& sentence);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  enum Column { heightColumn, girthColumn, laidColumn };
  void refresh();
  void read(QTableWidgetItem* item);
  int stationOf(int row) const { return table_->rowCount() - 1 - row; }

  Order& order_;
  QTableWidget* table_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* remove_ = nullptr;
  Segments* joined_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
