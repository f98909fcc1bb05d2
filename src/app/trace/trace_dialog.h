// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "app/fields/length_field.h"
#include "app/trace/photo_dialog.h"
#include "app/trace/trace_canvas.h"

namespace avrelt {

/// Measuring a cup off its photo: the picture with its handles, the distance they are told, and the
/// girths that follow.
class TraceDialog : public PhotoDialog {
  Q_OBJECT

 public:
  TraceDialog(Unit unit, Length apart, QWidget* parent = nullptr);

  TraceCanvas& canvas() { return *canvas_; }
  /// What was traced; empty where it does not make a body yet.
  const std::vector<Station>& stations() const { return stations_; }

 private:
  void refresh();

  TraceCanvas* canvas_ = nullptr;
  LengthField* apart_ = nullptr;
  QTableWidget* table_ = nullptr;
  QPushButton* take_ = nullptr;
  std::vector<Station> stations_;
};

}  // namespace avrelt
